/** How the line to the door stands, for whoever shows it. */
import { useSyncExternalStore } from 'react';
import type { LinkState } from './stream';

let state: LinkState = 'connecting';
const heard = new Set<() => void>();

export function setLink(next: LinkState): void {
  state = next;
  for (const hear of heard) hear();
}
export const useLink = (): LinkState =>
  useSyncExternalStore(
    (hear) => {
      heard.add(hear);
      return () => heard.delete(hear);
    },
    () => state,
  );
