/** Revisions as they go out in files and come in again. */
import type { Revision, RevisionLookup } from '../../core/document/checks';
import { actMoment, FIRST } from './acts';
import type { Thunk } from './store';

/** Undefined where nothing is known. */
function revisionFrom(stored: string | undefined): Revision | undefined {
  if (stored === undefined || stored === '' || stored === FIRST) return undefined;
  const names = stored.split(' ');
  return { revisions: names, at: actMoment(names[0] ?? '') };
}

/** What is known of how an entity came to be, looked up one by one by the keys of a file. */
export const revisionLookup = (): Thunk<RevisionLookup> => (_dispatch, _getState, keeping) => ({
  get: (key) => revisionFrom(keeping.revisions.get(`e/${key}`)),
});
