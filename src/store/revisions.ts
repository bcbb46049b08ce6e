/** Revisions as they go out in files and come in again. */
import type { Revision, RevisionLookup, Revisions } from '../../core/document/checks';
import { actMoment, FIRST } from './acts';
import type { Thunk } from './store';

/** How an entity came to be; undefined where nothing is known of it. */
function revisionFrom(stored: string | undefined): Revision | undefined {
  if (stored === undefined || stored === '' || stored === FIRST) return undefined;
  const names = stored.split(' ');
  return { revisions: names, at: actMoment(names[0] ?? '') };
}

/** What is known of how each entity came to be, all of it. */
export const revisionsForFile = (): Thunk<Revisions> => (_dispatch, _getState, keeping) => {
  const out = new Map<string, Revision>();
  for (const [key, stored] of keeping.revisions) {
    const revision = revisionFrom(stored);
    if (revision) out.set(key.replace(/^e\//, ''), revision);
  }
  return out;
};

/** The same, looked up one by one. */
export const revisionLookup = (): Thunk<RevisionLookup> => (_dispatch, _getState, keeping) => ({
  get: (key) => revisionFrom(keeping.revisions.get(`e/${key}`)),
});
