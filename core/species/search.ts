/** Finding a species by what people call it. */
import type { Species } from './species';

/** Species whose common or scientific name holds what is typed; all of them for nothing. */
export function matching(all: readonly Species[], query: string): Species[] {
  const wanted = query.trim().toLowerCase();
  return all.filter(
    (s) =>
      wanted === '' || s.common.toLowerCase().includes(wanted) || s.scientific.toLowerCase().includes(wanted),
  );
}
