/** What lies at the edges of the store: keys, drafts, the order of tanks, odd entries, long lists of keys. */
import { emptyDocument, STARTER_KITS, VERSION, type Water } from '../../core/document';
import { History, START_MS } from '../../core/testing/history';
import { MINUTE_MS } from '../../core/time';
import { checkEntries, writeChecked } from './check';
import { documentOpened } from './documentSlice';
import { readDrafts } from './drafts';
import {
  draftsOpened,
  draftsReducer,
  dropsCounted,
  noDrafts,
  placeRemembered,
  sampleDrafted,
  waterVisited,
  type DropCount,
  type SampleDraft,
} from './draftsSlice';
import { selectEvidence, selectLastWater, selectSettings, selectWaters, selectVolume } from './hooks';
import { newId } from './ids';
import { entityKey, META, META_KEY, PLACE_KEY, readMeta } from './keys';
import { isEmpty, readStored, readUnchecked, type Stored } from './load';
import { memoryStorage } from './storage';
import { commit, makeStore, openStore, replaceDocument, undo } from './store';

const noTabs = { post: () => undefined, listen: () => undefined };
const nothing = async () => null;
const kit = STARTER_KITS[0]!;
const draft: SampleDraft = {
  readings: [],
  texts: { ph: '8,1' },
  atText: '',
  note: 'n',
  timers: { ph: 5 },
  shown: ['ph'],
  doubted: [],
  kits: {},
  also: [],
  photos: [],
};
const count: DropCount = { target: 40, counted: 3, mgN: 84, mL: 2 };
const water = (id: string, startDay: string, name = id): Water => ({
  id,
  name,
  startDay,
  kind: 'display',
  size: { kind: 'volume', volumeL: 100 },
  sumpL: 0,
  rockKg: 0,
  sandKg: 0,
  hasLid: true,
  ammoniaSource: 'bottled',
  bacteriaSources: ['bottle'],
  school: 'proof24',
});
async function opened(storage = memoryStorage()) {
  const made = makeStore(storage, noTabs);
  await (
    await openStore(made, nothing)
  ).whole;
  return made;
}

test.each([
  [undefined, VERSION, false],
  ['{"half', VERSION, false],
  ['7', VERSION, false],
  ['null', VERSION, false],
  ['{}', VERSION, false],
  ['{"version":"2"}', VERSION, false],
  ['{"version":1}', 1, false],
  [`{"version":1,"checked":${VERSION}}`, 1, true],
  [META, VERSION, true],
])('the mark %s is version %s, checked: %s', (raw, version, checked) =>
  expect(readMeta(raw)).toEqual({ version, checked }),
);

test('an id is new each time and safe in an address, with or without a secure page', () => {
  const ids = new Set(Array.from({ length: 50 }, newId));
  const { randomUUID } = crypto;
  Object.defineProperty(crypto, 'randomUUID', { value: undefined, configurable: true });
  for (let i = 0; i < 50; i++) ids.add(newId());
  Object.defineProperty(crypto, 'randomUUID', { value: randomUUID, configurable: true });
  expect(ids.size).toBe(100);
  for (const id of ids) expect(id).toMatch(/^([0-9a-f]{32}|[0-9a-f-]{36})$/);
});

describe('drafts', () => {
  const after = (...actions: Parameters<typeof draftsReducer>[1][]) =>
    actions.reduce((state, action) => draftsReducer(state, action), noDrafts());

  test('what was begun since opening stands before what was half done', () => {
    const older = { ...draft, note: 'older' };
    const state = after(
      sampleDrafted({ waterId: 't', draft }),
      waterVisited('t'),
      draftsOpened({
        samples: { t: older, u: older },
        drops: { u: count },
        lastWaterId: 'u',
        forecasts: {},
        steps: {},
        read: false,
      }),
    );
    expect(state).toEqual({
      read: true,
      samples: { t: draft, u: older },
      drops: { u: count },
      lastWaterId: 't',
      forecasts: {},
      steps: {},
    });
    expect(after(draftsOpened({ ...noDrafts(), lastWaterId: 'u' })).lastWaterId).toBe('u');
  });
  test('a draft and a count are put and cleared, each of its own tank', () => {
    const both = [sampleDrafted({ waterId: 't', draft }), dropsCounted({ waterId: 't', count })];
    expect(after(...both)).toMatchObject({ samples: { t: draft }, drops: { t: count } });
    expect(after(...both, sampleDrafted({ waterId: 't', draft: null }))).toMatchObject({
      samples: {},
      drops: { t: count },
    });
    expect(after(...both, dropsCounted({ waterId: 't', count: null })).drops).toEqual({});
    expect(after(placeRemembered('t')).lastWaterId).toBe('t');
  });
  test('each survives opening again, and is gone when cleared', async () => {
    const storage = memoryStorage();
    const made = await opened(storage);
    made.store.dispatch(dropsCounted({ waterId: 't', count }));
    made.store.dispatch(sampleDrafted({ waterId: 't', draft }));
    made.store.dispatch(waterVisited('t'));
    await made.settled();
    expect((await opened(storage)).store.getState().drafts).toEqual({
      read: true,
      samples: { t: draft },
      drops: { t: count },
      lastWaterId: 't',
      forecasts: {},
      steps: {},
    });
    made.store.dispatch(dropsCounted({ waterId: 't', count: null }));
    made.store.dispatch(sampleDrafted({ waterId: 't', draft: null }));
    await made.settled();
    expect((await opened(storage)).store.getState().drafts).toMatchObject({ samples: {}, drops: {} });
  });
  test.each([
    [{ ...count, target: 0 }],
    [{ ...count, target: 100001 }],
    [{ ...count, counted: -1 }],
    [{ ...count, counted: 100001 }],
    [{ ...count, counted: 1.5 }],
    [{ ...count, mgN: 0 }],
    [{ ...count, mL: 0 }],
    [{ ...count, more: 1 }],
  ])('a count like %j is dropped', (bad) => {
    expect(readDrafts({ 'draft/drops/t': JSON.stringify(bad) }).drops).toEqual({});
  });
  test.each([[{ ...count, target: 1, counted: 0 }], [{ ...count, target: 100000, counted: 100000 }]])(
    'a count like %j is kept',
    (good) => {
      expect(readDrafts({ 'draft/drops/t': JSON.stringify(good) }).drops.t).toEqual(good);
    },
  );
  test.each(['x0123456789abcdef', '0123456789abcdefx'])('a forecast of inputs %s is dropped', (inputs) => {
    const raw = JSON.stringify({ inputs, cannotSay: true });
    expect(readDrafts({ 'draft/forecast/t': raw }).forecasts).toEqual({});
  });
  test('an older draft without doubts has none; a bad one, an unknown one and one of no tank are dropped', () => {
    const { doubted: _, ...older } = draft;
    const read = readDrafts({
      'draft/sample/t': JSON.stringify(older),
      'draft/sample/u': JSON.stringify({ ...draft, note: 5 }),
      'draft/sample/': JSON.stringify(draft),
      'draft//v': JSON.stringify('v'),
      'draft/wish/w': JSON.stringify('w'),
      'draft/place/tank': JSON.stringify(5),
    });
    expect(read).toEqual({ ...noDrafts(), samples: { t: draft } });
  });
});

test.each([
  [undefined, null],
  ['"b"', 'b'],
  ['5', null],
  ['"half', null],
])('the tank last looked at, stored as %s, is known before the rest: %s', async (raw, place) => {
  const storage = memoryStorage(raw === undefined ? {} : { [PLACE_KEY]: raw });
  const made = makeStore(storage, noTabs);
  await openStore(made, nothing, () => new Promise(() => undefined));
  expect(made.store.getState().drafts.lastWaterId).toBe(place);
});

test('tanks stand oldest first, then by name; the last looked at is that or the oldest', () => {
  const { store } = makeStore(memoryStorage(), noTabs);
  const show = (...waters: Water[]) =>
    store.dispatch(
      documentOpened({
        document: { ...emptyDocument(), waters: Object.fromEntries(waters.map((t) => [t.id, t])) },
        aside: [],
      }),
    );
  expect(selectLastWater(store.getState())).toBeUndefined();
  const list = [water('c', '2026-02-01', 'A'), water('b', '2026-01-01', 'B'), water('a', '2026-01-01', 'A')];
  for (const order of [list, [...list].reverse()]) {
    show(...order);
    expect(selectWaters(store.getState()).map((t) => t.id)).toEqual(['a', 'b', 'c']);
  }
  expect(selectLastWater(store.getState())?.id).toBe('a');
  store.dispatch(waterVisited('c'));
  expect(selectLastWater(store.getState())?.id).toBe('c');
  expect(selectVolume(store.getState(), 'b').netL).toBeCloseTo(100, 6);
  expect(() => selectVolume(store.getState(), 'gone')).toThrow('must be a water');
  expect(selectSettings(store.getState()).units.volume).toBe('L');
});

test('what was logged within the present minute already counts', () => {
  const { store } = makeStore(memoryStorage(), noTabs);
  const h = new History().test(1, { ammonia: 1, nitrite: 0 });
  store.dispatch(documentOpened({ document: { ...emptyDocument(), ...h.doc }, aside: [] }));
  const at = Date.parse(Object.values(h.doc.samples)[0]?.at ?? '');
  const seen = (nowMs: number) => selectEvidence(store.getState(), 't', nowMs).series.ammonia.length;
  expect(seen(Math.floor(at / MINUTE_MS) * MINUTE_MS)).toBe(1);
  expect(seen(at - MINUTE_MS)).toBe(0);
  expect(seen(START_MS)).toBe(0);
});

const stored = (entities: Record<string, string>, more: Partial<Stored> = {}): Stored => ({
  version: VERSION,
  checked: false,
  entities: new Map(Object.entries(entities)),
  drafts: {},
  asideBefore: [],
  ...more,
});

describe('what storage holds', () => {
  test('what is of no kind we know is left alone', async () => {
    const storage = memoryStorage({ [entityKey('kits', 'k')]: JSON.stringify(kit), other: '1' });
    const read = await readStored(storage, () => 0);
    expect([...read.entities.keys()]).toEqual(['e/kits/k']);
    expect(storage.held.get('other')).toBe('1');
  });
  test('only something set aside is not nothing', () => {
    expect(isEmpty(stored({}))).toBe(true);
    expect(isEmpty(stored({ 'e/kits/k': '{}' }))).toBe(false);
    expect(isEmpty(stored({}, { asideBefore: [{ key: 'k', why: '', raw: '' }] }))).toBe(false);
  });
  test.each(['7', 'null', '"text"', '{}', '{"half', '[]'])(
    'an entry that is %s is not shown unchecked',
    async (raw) => expect(await readUnchecked(stored({ 'e/kits/k': raw }), () => 0)).toBeNull(),
  );
  test('a key without an id is of no kind this version knows', async () => {
    const entities = { 'e/kits/': JSON.stringify(kit), 'e/wishes/x': '{}' };
    const { aside } = await checkEntries(stored(entities), () => 0);
    expect(aside.map((a) => a.why)).toEqual(Array(2).fill('is of a kind this version does not know'));
  });
  test('each reason is said, and what hangs on something set aside goes with it, once', async () => {
    const entities = {
      'e/kits/a': '{"half',
      'e/kits/b': JSON.stringify({ ...kit, id: 'c' }),
      'e/kits/d': JSON.stringify({ ...kit, id: 'd', name: '', waitMinutes: -1 }),
      'e/samples/s': JSON.stringify({
        id: 's',
        waterId: 'no',
        at: '2026-01-02T20:00:00.000Z',
        note: '',
        readings: [{ parameter: 'ammonia', kitId: 'a', value: { kind: 'exact', value: 1 } }],
      }),
    };
    const { aside, document } = await checkEntries(stored(entities), () => 0);
    expect(aside.map((a) => [a.key, a.why])).toEqual([
      ['e/kits/a', 'is not readable as JSON'],
      ['e/kits/b', 'carries the id "c"'],
      ['e/kits/d', expect.stringMatching(/^name: .*; waitMinutes: /)],
      ['e/samples/s', expect.stringContaining('waters "no", which is not there')],
    ]);
    expect(aside[3]?.raw).toBe(entities['e/samples/s']);
    expect(document.samples).toEqual({});
  });
  test('a log of years whose water is damaged goes aside whole, and nothing breaks over its length', async () => {
    const readings = ['a', 'b', 'c', 'd', 'e'].map((kitId) => ({
      parameter: 'ammonia',
      kitId,
      value: { kind: 'exact', value: 1 },
    }));
    const sample = { waterId: 'no', at: '2026-01-02T20:00:00.000Z', note: '', readings };
    const entities = Object.fromEntries(
      Array.from({ length: 25_000 }, (_, i) => [
        entityKey('samples', `s${i}`),
        JSON.stringify({ id: `s${i}`, ...sample }),
      ]),
    );
    const { aside, document } = await checkEntries(stored(entities), () => 0);
    expect(aside).toHaveLength(25_000);
    expect(document.samples).toEqual({});
  });
  test('a long check lets the page breathe, a short one does not wait', async () => {
    const entities = Object.fromEntries(
      ['a', 'b', 'c'].map((id) => [entityKey('kits', id), JSON.stringify({ ...kit, id })]),
    );
    const breaths = async (stepMs: number): Promise<number> => {
      let ms = 0;
      let n = 0;
      const real = globalThis.setTimeout;
      globalThis.setTimeout = ((f: () => void) => {
        n++;
        return real(f, 0);
      }) as typeof setTimeout;
      await checkEntries(stored(entities), () => (ms += stepMs));
      globalThis.setTimeout = real;
      return n;
    };
    // Three to read, six parts of what they are checked by, three to check.
    expect(await breaths(100)).toBe(12);
    expect(await breaths(8)).toBe(5);
    expect(await breaths(0)).toBe(0);
  });
  test.each([
    ['today’s form, never checked: the mark', stored({}), [{ [META_KEY]: META }]],
    ['today’s form, checked: nothing', stored({}, { checked: true }), []],
    [
      'an older form: all of it in one',
      stored({}, { version: 1 }),
      [{ [META_KEY]: META, 'e/kits/kit': '{"rev":"0","entity":{"id":"kit"}}' }],
    ],
  ])('%s', async (_what, of, written) => {
    const batches: object[] = [];
    const storage = memoryStorage();
    storage.setMany = async (batch) => void batches.push(batch);
    const document = {
      ...emptyDocument(),
      ...(of.version === 1 ? { kits: { kit: { id: 'kit' } as never } } : {}),
    };
    await writeChecked(storage, of, { document, revisions: new Map(), aside: [] });
    expect(batches).toEqual(written);
  });
});

test('replacing the whole removes what the new one lacks and leaves what it shares', async () => {
  const storage = memoryStorage();
  const made = await opened(storage);
  const doc = (...ids: string[]) => ({
    ...emptyDocument(),
    kits: Object.fromEntries(ids.map((id) => [id, { ...kit, id }])),
  });
  made.store.dispatch(replaceDocument(doc('a', 'b'), 'first'));
  const shared = made.store.getState().document.entities.kits.b;
  made.store.dispatch(replaceDocument({ ...doc('c'), kits: { ...doc('c').kits, b: shared! } }, 'second'));
  const changes = made.store.getState().document.undo[1]?.changes ?? [];
  expect(changes.map((c) => [c.id, c.after === null])).toEqual([
    ['a', true],
    ['c', false],
  ]);
  await made.settled();
  expect(storage.held.has(entityKey('kits', 'a'))).toBe(false);
  expect(storage.held.get(META_KEY)).toBe(META);
});
test('undoing or doing again with nothing to take back writes nothing', async () => {
  const storage = memoryStorage();
  const made = await opened(storage);
  made.store.dispatch(undo());
  made.store.dispatch({ type: 'document/actRedone' });
  await made.settled();
  expect(storage.writes).toBe(0);
  made.store.dispatch(commit('Kit', [{ put: 'kits', entity: kit }]));
  await made.settled();
  expect(storage.writes).toBe(1);
});
test('a newer version is named in the sentence', async () => {
  const made = await opened(
    memoryStorage({ [META_KEY]: JSON.stringify({ version: VERSION + 2 }), 'e/kits/k': '{}' }),
  );
  expect(made.store.getState().document.status).toMatchObject({
    message: expect.stringContaining(`version ${VERSION + 2}`),
  });
});
