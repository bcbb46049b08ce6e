import fc from 'fast-check';
import { documents } from '../../core/testing/arbitraries';
import { emptyDocument, STARTER_KITS, VERSION, type Document, type Sample } from '../../core/document';
import { writeDocument } from '../../core/document/checks';
import { noticeDismissed } from './documentSlice';
import { sampleDrafted } from './draftsSlice';
import { entityKey, META, META_KEY } from './keys';
import { isEmpty, readStored } from './load';
import type { Tabs, Told } from './persistence';
import { memoryStorage } from './storage';
import { commit, makeStore, openStore, redo, replaceDocument, undo } from './store';

const noTabs: Tabs = { post: () => undefined, listen: () => undefined };
const nothing = async () => null;
const kit = STARTER_KITS[0]!;
const water = {
  id: 't',
  name: 'T',
  startDay: '2026-01-01',
  kind: 'display' as const,
  size: { kind: 'volume' as const, volumeL: 100 },
  sumpL: 0,
  rockKg: 0,
  sandKg: 0,
  hasLid: true,
  ammoniaSource: 'bottled' as const,
  bacteriaSources: ['bottle' as const],
  school: 'proof24' as const,
};
const sample = (id: string): Sample => ({
  id,
  waterId: 't',
  at: '2026-01-02T20:00:00.000Z',
  note: '',
  readings: [{ parameter: 'ammonia', kitId: kit.id, value: { kind: 'exact', value: 1 } }],
});

async function opened(storage = memoryStorage(), tabs = noTabs) {
  const made = makeStore(storage, tabs);
  await (
    await openStore(made, nothing)
  ).whole;
  return made;
}

test('what was committed is there after opening again', async () => {
  const storage = memoryStorage();
  const made = await opened(storage);
  made.store.dispatch(
    commit('Tank', [
      { put: 'kits', entity: kit },
      { put: 'waters', entity: water },
    ]),
  );
  made.store.dispatch(commit('Sample', [{ put: 'samples', entity: sample('s') }]));
  await made.settled();
  const again = await opened(storage);
  expect(writeDocument(again.store.getState().document.entities)).toBe(
    writeDocument(made.store.getState().document.entities),
  );
});

test('one act is one transaction of a size that does not depend on history', async () => {
  const writesFor = async (history: number) => {
    const storage = memoryStorage();
    const made = await opened(storage);
    made.store.dispatch(
      commit('History', [
        { put: 'kits', entity: kit },
        { put: 'waters', entity: water },
        ...Array.from({ length: history }, (_, i) => ({ put: 'samples' as const, entity: sample(`h${i}`) })),
      ]),
    );
    await made.settled();
    const sizes: number[] = [];
    const { transact } = storage;
    storage.transact = (keys, decide) =>
      transact(keys, (stored) => {
        const batch = decide(stored);
        sizes.push(JSON.stringify(batch).length);
        return batch;
      });
    made.store.dispatch(commit('Sample', [{ put: 'samples', entity: sample('new') }]));
    await made.settled();
    return sizes;
  };
  const [few, many] = [await writesFor(1), await writesFor(500)];
  expect(few).toHaveLength(1);
  expect(many).toEqual(few);
});

test('any sequence of acts is undone back to the start and done again to the end', async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(documents, { minLength: 1, maxLength: 5 }), async (docs) => {
      const made = await opened();
      const texts = [writeDocument(emptyDocument())];
      for (const doc of docs) {
        made.store.dispatch(replaceDocument(doc, 'step'));
        texts.push(writeDocument(made.store.getState().document.entities));
      }
      const acts = made.store.getState().document.undo.length;
      for (let i = 0; i < acts; i++) made.store.dispatch(undo());
      expect(writeDocument(made.store.getState().document.entities)).toBe(texts[0]);
      for (let i = 0; i < acts; i++) made.store.dispatch(redo());
      expect(writeDocument(made.store.getState().document.entities)).toBe(texts[texts.length - 1]);
    }),
    { seed: 111, numRuns: 20 },
  );
});

test('at least fifty acts can be undone', async () => {
  const made = await opened();
  for (let i = 0; i < 60; i++)
    made.store.dispatch(commit(`k${i}`, [{ put: 'kits', entity: { ...kit, id: `k${i}` } }]));
  for (let i = 0; i < 60; i++) made.store.dispatch(undo());
  expect(Object.keys(made.store.getState().document.entities.kits)).toHaveLength(0);
});

test('an undone act is undone in storage too', async () => {
  const storage = memoryStorage();
  const made = await opened(storage);
  made.store.dispatch(commit('Kit', [{ put: 'kits', entity: kit }]));
  made.store.dispatch(undo());
  await made.settled();
  expect(isEmpty(await readStored(storage, () => 0))).toBe(true);
});

const damaged = () => ({
  [entityKey('kits', kit.id)]: JSON.stringify(kit),
  [entityKey('waters', 't')]: JSON.stringify({ ...water, sumpL: -3 }),
  [entityKey('waters', 'u')]: JSON.stringify({ ...water, id: 'u' }),
  [entityKey('samples', 's')]: JSON.stringify(sample('s')),
});
const documentOf = (made: ReturnType<typeof makeStore>) => made.store.getState().document;

test('a damaged entry is set aside with what refers to it, word for word; the rest opens', async () => {
  const storage = memoryStorage({
    [META_KEY]: JSON.stringify({ version: VERSION }),
    ...damaged(),
    [entityKey('samples', 'broken')]: '{"half',
  });
  const made = await opened(storage);
  const { entities, aside } = documentOf(made);
  expect(Object.keys(entities.waters)).toEqual(['u']);
  expect(aside.map((a) => a.key).sort()).toEqual(['e/samples/broken', 'e/samples/s', 'e/waters/t']);
  expect(storage.held.get('aside/e/samples/broken')).toBe('{"half');
  const again = documentOf(await opened(storage));
  expect(again.status.kind).toBe('ready');
  expect(again.aside.map((a) => a.why)).toEqual(Array(3).fill('set aside earlier'));
});

describe('what passed every check before', () => {
  const waiting = () => {
    let go = (): void => undefined;
    const idle = new Promise<void>((done) => {
      go = done;
    });
    return { go: () => go(), idle: () => idle };
  };
  test('is shown as it stands, and checked again when the page is idle', async () => {
    const storage = memoryStorage({ [META_KEY]: META, ...damaged() });
    const made = makeStore(storage, noTabs);
    const { go, idle } = waiting();
    const { whole } = await openStore(made, nothing, idle);
    expect(Object.keys(documentOf(made).entities.waters)).toEqual(['t', 'u']);
    expect(storage.writes).toBe(0);
    go();
    await whole;
    expect(Object.keys(documentOf(made).entities.waters)).toEqual(['u']);
    expect(documentOf(made).entities.samples).toEqual({});
    expect(
      documentOf(made)
        .aside.map((a) => a.key)
        .sort(),
    ).toEqual(['e/samples/s', 'e/waters/t']);
    expect(storage.held.has(entityKey('waters', 't'))).toBe(false);
    expect(storage.held.get('aside/e/waters/t')).toBe(JSON.stringify({ ...water, sumpL: -3 }));
  });
  test('what was put right in the meantime is not set aside', async () => {
    const storage = memoryStorage({ [META_KEY]: META, ...damaged() });
    const made = makeStore(storage, noTabs);
    const { go, idle } = waiting();
    const { whole } = await openStore(made, nothing, idle);
    made.store.dispatch(commit('Tank edited', [{ put: 'waters', entity: water }]));
    go();
    await whole;
    await made.settled();
    expect(documentOf(made).entities.waters['t']).toEqual(water);
    expect(JSON.parse(storage.held.get(entityKey('waters', 't')) ?? '')).toMatchObject({ entity: water });
  });
  test.each([
    ['no JSON', entityKey('samples', 'broken'), '{"half'],
    ['a wrong id', entityKey('waters', 'v'), JSON.stringify({ ...water, id: 'w' })],
    ['an unknown kind', 'e/wishes/x', JSON.stringify({ id: 'x' })],
  ])('%s among it has everything checked before anything is shown', async (_what, key, raw) => {
    const storage = memoryStorage({
      [META_KEY]: META,
      [entityKey('kits', kit.id)]: JSON.stringify(kit),
      [key]: raw,
    });
    const made = makeStore(storage, noTabs);
    await openStore(made, nothing, () => new Promise(() => undefined));
    expect(documentOf(made).aside.map((a) => a.key)).toEqual([key]);
    expect(Object.keys(documentOf(made).entities.kits)).toEqual([kit.id]);
  });
  test('the mark is set once everything passed, and kept by every act', async () => {
    const storage = memoryStorage({ [META_KEY]: JSON.stringify({ version: VERSION }), ...damaged() });
    const made = await opened(storage);
    expect(storage.held.get(META_KEY)).toBe(META);
    made.store.dispatch(commit('Kit', [{ put: 'kits', entity: { ...kit, id: 'k2' } }]));
    await made.settled();
    expect(storage.held.get(META_KEY)).toBe(META);
    expect((await readStored(storage, () => 0)).checked).toBe(true);
  });
  test('the mark of another version counts for nothing', async () => {
    const storage = memoryStorage({ [META_KEY]: JSON.stringify({ version: VERSION, checked: VERSION - 1 }) });
    expect((await readStored(storage, () => 0)).checked).toBe(false);
  });
});

/** A tank as version 3 and those before wrote it. */
const { kind: _kind, size, bacteriaSources: _sources, ...rest } = water;
const oldTank = { ...rest, display: size, bacteriaSource: 'none' };

test('what an older version wrote opens and is stored in today’s form, in one write; its keys and acts go', async () => {
  const storage = memoryStorage({
    [META_KEY]: JSON.stringify({ version: 1, checked: 1 }),
    [entityKey('kits', kit.id)]: JSON.stringify(kit),
    'e/tanks/t': JSON.stringify({ rev: 'a1', entity: oldTank }),
    'act/0001': JSON.stringify({ id: '0001', label: 'Old', changes: [], was: {} }),
  });
  const made = await opened(storage);
  expect(documentOf(made).entities.waters).toEqual({ t: { ...water, bacteriaSources: [] } });
  expect(storage.writes).toBe(1);
  expect(storage.held.get(META_KEY)).toBe(META);
  expect([...storage.held.keys()].sort()).toEqual(['e/kits/' + kit.id, 'e/waters/t', META_KEY]);
  await opened(storage);
  expect(storage.writes).toBe(1);
});

test('of an older version what cannot be opened goes aside under its own key, word for word', async () => {
  const bad = JSON.stringify({ ...oldTank, id: 'u', sumpL: -3 });
  const look = JSON.stringify({
    id: 'l',
    quarantineId: 'gone',
    day: '2026-01-02',
    result: 'clear',
    signs: [],
    note: '',
  });
  const storage = memoryStorage({
    [META_KEY]: JSON.stringify({ version: 3 }),
    'e/tanks/t': JSON.stringify(oldTank),
    'e/tanks/u': bad,
    'e/looks/l': look,
  });
  const made = await opened(storage);
  expect(Object.keys(documentOf(made).entities.waters)).toEqual(['t']);
  expect(storage.held.get('aside/e/tanks/u')).toBe(bad);
  expect(storage.held.get('aside/e/looks/l')).toBe(look);
  expect([...storage.held.keys()].filter((k) => k.startsWith('e/'))).toEqual(['e/waters/t']);
});

test('what a newer version wrote is left untouched', async () => {
  const storage = memoryStorage({ [META_KEY]: JSON.stringify({ version: VERSION + 1 }), 'e/waters/t': '{}' });
  const made = await opened(storage);
  expect(made.store.getState().document.status.kind).toBe('failed');
  expect(storage.writes).toBe(0);
});

test('a write that fails is said, and said no more when the next succeeds', async () => {
  const storage = memoryStorage();
  const made = await opened(storage);
  const { transact } = storage;
  storage.transact = async () => Promise.reject(new Error('disk full'));
  made.store.dispatch(commit('Kit', [{ put: 'kits', entity: kit }]));
  await made.settled();
  expect(made.store.getState().document.saveError).toBe('disk full');
  storage.transact = transact;
  made.store.dispatch(commit('Kit', [{ put: 'kits', entity: { ...kit, id: 'k2' } }]));
  await made.settled();
  expect(made.store.getState().document.saveError).toBeNull();
});

test('storage that cannot be read ends in a sentence, and nothing is written', async () => {
  const storage = memoryStorage();
  storage.entries = async () => Promise.reject(new Error('denied'));
  const made = await opened(storage);
  expect(made.store.getState().document.status).toMatchObject({
    kind: 'failed',
    message: expect.stringContaining('denied'),
  });
  expect(storage.writes).toBe(0);
});

test('another tab sees the act', async () => {
  const heard: ((told: Told) => void)[] = [];
  const tabs: Tabs = { post: (told) => heard.forEach((h) => h(told)), listen: (h) => heard.push(h) };
  const one = await opened(memoryStorage(), { post: tabs.post, listen: () => undefined });
  const two = await opened(memoryStorage(), { post: () => undefined, listen: tabs.listen });
  await one.store.dispatch(commit('Kit', [{ put: 'kits', entity: kit }]));
  expect(Object.keys(two.store.getState().document.entities.kits)).toEqual([kit.id]);
});

test('two tabs on one storage, acting, undoing and doing again in turn, show and store the same', async () => {
  const act = fc.record({
    tab: fc.nat({ max: 1 }),
    what: fc.constantFrom('put', 'put', 'change', 'remove', 'undo', 'redo'),
    id: fc.constantFrom('a', 'b', 'c'),
  });
  await fc.assert(
    fc.asyncProperty(fc.array(act, { minLength: 4, maxLength: 24 }), async (acts) => {
      const storage = memoryStorage();
      const heard: ((told: Told) => void)[][] = [[], []];
      // What one tab says only the other hears, as in a browser.
      const tabsOf = (me: number): Tabs => ({
        post: (told) => heard[1 - me]?.forEach((hear) => hear(structuredClone(told))),
        listen: (hear) => void heard[me]?.push(hear),
      });
      const tabs = [await opened(storage, tabsOf(0)), await opened(storage, tabsOf(1))];
      let n = 0;
      for (const { tab, what, id } of acts) {
        const made = tabs[tab];
        if (!made) continue;
        if (what === 'undo') made.store.dispatch(undo());
        else if (what === 'redo') made.store.dispatch(redo());
        else if (what === 'remove') made.store.dispatch(commit('Gone', [{ remove: 'kits', id }]));
        else
          made.store.dispatch(commit('Put', [{ put: 'kits', entity: { ...kit, id, name: `kit ${n++}` } }]));
        await made.settled();
      }
      const [one, two] = tabs.map((t) => writeDocument(t.store.getState().document.entities));
      expect(two).toBe(one);
      const later = await opened(storage);
      expect(writeDocument(later.store.getState().document.entities)).toBe(one);
    }),
    { seed: 112, numRuns: 60 },
  );
});

test('what another tab did is theirs to undo', async () => {
  const heard: ((told: Told) => void)[] = [];
  const mine = await opened(memoryStorage(), {
    post: () => undefined,
    listen: (hear) => void heard.push(hear),
  });
  const theirs = [{ collection: 'kits' as const, id: kit.id, before: null, after: kit }];
  heard[0]?.({ act: { id: 'theirs', label: 'Kit', changes: theirs, was: {} }, way: 'done' });
  expect(mine.store.getState().document).toMatchObject({ undo: [], revision: 0, lastLabel: null });
  mine.store.dispatch(undo());
  mine.store.dispatch(redo());
  expect(Object.keys(mine.store.getState().document.entities.kits)).toEqual([kit.id]);
});

test('each act is named for the notice, counted, and ends what could be done again', async () => {
  const made = await opened();
  const shown = () => {
    const { revision, lastLabel, undo: back, redo: forth } = made.store.getState().document;
    return [revision, lastLabel, back.length, forth.length];
  };
  const act = (label: string, id: string) =>
    made.store.dispatch(commit(label, [{ put: 'kits', entity: id === kit.id ? kit : { ...kit, id } }]));
  const first = act('Kit added', kit.id);
  expect(shown()).toEqual([0, null, 1, 0]);
  expect(await first).toEqual({ kind: 'saved' });
  expect(shown()).toEqual([1, 'Kit added', 1, 0]);
  expect(await act('Nothing', kit.id)).toEqual({ kind: 'nothing' });
  expect(shown()).toEqual([1, 'Kit added', 1, 0]);
  await made.store.dispatch(undo());
  expect(shown()).toEqual([2, 'Undone: Kit added', 0, 1]);
  await made.store.dispatch(redo());
  expect(shown()).toEqual([3, 'Done again: Kit added', 1, 0]);
  await made.store.dispatch(undo());
  expect(await act('Other', 'o')).toEqual({ kind: 'saved' });
  expect(shown()).toEqual([5, 'Other', 1, 0]);
  made.store.dispatch(noticeDismissed());
  expect(shown()).toEqual([5, null, 1, 0]);
});

test('the last hundred acts can be undone, no more', async () => {
  const made = await opened();
  for (let i = 0; i < 101; i++)
    made.store.dispatch(commit(`k${i}`, [{ put: 'kits', entity: { ...kit, id: `k${i}` } }]));
  for (let i = 0; i < 101; i++) made.store.dispatch(undo());
  expect(Object.keys(made.store.getState().document.entities.kits)).toEqual(['k0']);
});

test('a half-entered sample survives; an unreadable draft is dropped', async () => {
  const storage = memoryStorage({ 'draft/drops/t': '{"target":-1}' });
  const made = await opened(storage);
  const draft = {
    readings: [],
    texts: { ph: '8,1' },
    atText: '',
    note: '',
    timers: {},
    shown: [],
    doubted: [],
    kits: {},
    also: [],
    photos: [],
  };
  made.store.dispatch(sampleDrafted({ waterId: 't', draft }));
  await made.settled();
  const again = await opened(storage);
  expect(again.store.getState().drafts).toMatchObject({ samples: { t: draft }, drops: {} });
});

test('the demo is offered only to empty storage', async () => {
  const demo: Document = { ...emptyDocument(), kits: { [kit.id]: kit } };
  const storage = memoryStorage();
  const first = makeStore(storage, noTabs);
  await openStore(first, async () => demo);
  await first.settled();
  expect(first.store.getState().document.entities.kits).toEqual(demo.kits);
  const second = makeStore(storage, noTabs);
  await openStore(second, async () => {
    throw new Error('must not be asked');
  });
  expect(second.store.getState().document.status.kind).toBe('ready');
});
