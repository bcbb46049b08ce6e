/** How entities came to be, over deletions, undo and files. */
import { emptyDocument, STARTER_KITS } from '../../core/document';
import { commit, makeStore, openStore, replaceDocument, undo } from './store';
import { memoryStorage } from './storage';
import { revisionLookup } from './revisions';

const quiet = { post: () => undefined, listen: () => undefined };
const page = { hold: () => undefined, onHide: () => undefined, stamp: () => undefined, stamped: () => false };
const [kit] = STARTER_KITS as [(typeof STARTER_KITS)[number]];
const KEY = `kits/${kit.id}`;

async function opened() {
  const made = makeStore(memoryStorage(), quiet, page);
  await openStore(made, async () => null);
  const { store } = made;
  return {
    dispatch: store.dispatch,
    doc: () => store.getState().document.entities,
    revision: () => store.dispatch(revisionLookup()).get(KEY),
  };
}

test('each edit names itself first, then what it grew out of; taken back it is as it was', async () => {
  const { dispatch, revision } = await opened();
  await dispatch(commit('one', [{ put: 'kits', entity: kit }]));
  const first = revision()!;
  expect(first.revisions).toHaveLength(1);
  expect(Date.parse(first.at ?? '')).toBeGreaterThan(Date.UTC(2026, 0, 1));
  await dispatch(commit('two', [{ put: 'kits', entity: { ...kit, name: 'Other' } }]));
  expect(revision()?.revisions.slice(1)).toEqual(first.revisions);
  await dispatch(undo());
  expect(revision()).toEqual(first);
});
test('a deletion leaves a tombstone with the revision that went; taken back there is none', async () => {
  const { dispatch, doc, revision } = await opened();
  await dispatch(commit('one', [{ put: 'kits', entity: kit }]));
  const before = revision()!;
  await dispatch(commit('gone', [{ remove: 'kits', id: kit.id }]));
  expect(doc().tombstones[`kits-${kit.id}`]).toMatchObject({
    collection: 'kits',
    of: kit.id,
    revision: before.revisions.join(' '),
  });
  await dispatch(undo());
  expect(doc().tombstones).toEqual({});
  await dispatch(commit('gone', [{ remove: 'kits', id: kit.id }]));
  await dispatch(commit('again', [{ put: 'kits', entity: kit }]));
  expect(doc().tombstones).toEqual({});
});
test('a file in the place of what was here deletes nothing, and brings the revisions it had', async () => {
  const { dispatch, doc, revision } = await opened();
  await dispatch(commit('one', [{ put: 'kits', entity: kit }]));
  await dispatch(replaceDocument(emptyDocument(), 'File imported'));
  expect(doc().tombstones).toEqual({});
  const elsewhere = new Map([[KEY, { revisions: ['there2', 'there1'], at: null }]]);
  await dispatch(
    replaceDocument({ ...emptyDocument(), kits: { [kit.id]: kit } }, 'File imported', elsewhere),
  );
  expect(revision()?.revisions.slice(1)).toEqual(['there2', 'there1']);
});
test('eight are remembered', async () => {
  const { dispatch, revision } = await opened();
  for (let i = 0; i < 10; i++)
    await dispatch(commit('edit', [{ put: 'kits', entity: { ...kit, name: `Kit ${i}` } }]));
  expect(revision()?.revisions).toHaveLength(8);
});
