/** Revisions as they go out in files and come in again. */
import type { Revision, Revisions } from '../../core/document/checks';
import { actMoment, FIRST } from './acts';
import { entityKey } from './keys';
import type { Thunk } from './store';

/** What is known of how each entity came to be, for a file. */
export const revisionsForFile = (): Thunk<Revisions> => (_dispatch, _getState, keeping) => {
  const out = new Map<string, Revision>();
  for (const [key, revision] of keeping.revisions) {
    if (revision === '' || revision === FIRST) continue;
    const names = revision.split(' ');
    out.set(key.replace(/^e\//, ''), { revisions: names, at: actMoment(names[0] ?? '') });
  }
  return out;
};

/** The revisions of a file, by the keys of the storage: for `elsewhere` of an act. */
export const elsewhereOf = (revisions: Revisions): Record<string, string> =>
  Object.fromEntries(
    [...revisions].map(([key, { revisions: names }]) => {
      const [collection, id = ''] = key.split('/');
      return [entityKey(collection as Parameters<typeof entityKey>[0], id), names.join(' ')];
    }),
  );
