/** Keys of the browser's storage. */
import { VERSION, type CollectionName } from '../../core/document';

export const META_KEY = 'meta';
export const entityKey = (collection: CollectionName, id: string): string => `e/${collection}/${id}`;
export const ASIDE = 'aside/';
export const DRAFT = 'draft/';
/** The tank last looked at. */
export const PLACE_KEY = `${DRAFT}place/tank`;

/** What stands under META_KEY: the version of what is stored, and the version whose checks it has passed as a whole. */
export const META = JSON.stringify({ version: VERSION, checked: VERSION });

/** Reads the meta entry; one that is absent or unreadable stands for what an early version wrote: of today's form, never checked. */
export function readMeta(raw: string | undefined): { version: number; checked: boolean } {
  const unknown = { version: VERSION, checked: false };
  if (raw === undefined) return unknown;
  try {
    const value: unknown = JSON.parse(raw);
    if (typeof value !== 'object' || value === null || !('version' in value)) return unknown;
    if (typeof value.version !== 'number') return unknown;
    return { version: value.version, checked: 'checked' in value && value.checked === VERSION };
  } catch {
    return unknown;
  }
}
