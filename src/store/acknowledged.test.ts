/** An acknowledgement is a promise: said only when stored, kept through failures, other tabs and a killed page. */
import { STARTER_KITS, type Kit } from '../../core/document';
import { ABSENT, actId, entryOf, entryText, FIRST, revisionOf, standingIn } from './acts';
import { sampleDrafted } from './draftsSlice';
import { entityKey } from './keys';
import type { Tabs, Told } from './persistence';
import { memoryStorage } from './storage';
import { commit, goOnUnstored, makeStore, openStore, redo, undo } from './store';
import type { Page } from './writer';

const kit = STARTER_KITS[0]!;
const named = (name: string, id = kit.id): Kit => ({ ...kit, id, name });
const put = (entity: Kit) => [{ put: 'kits' as const, entity }];
const noTabs: Tabs = { post: () => undefined, listen: () => undefined };

/** A page that tells whether it asks before being left, and can be hidden. */
function page(): Page & { held: boolean; was: boolean; hide: () => void } {
  const hides: (() => void)[] = [];
  const made = {
    held: false,
    hold: (on: boolean) => void (made.held = on),
    onHide: (run: () => void) => void hides.push(run),
    hide: () => hides.forEach((run) => run()),
    was: false,
    stamp: () => void (made.was = true),
    stamped: () => made.was,
  };
  return made;
}

/** Two tabs that hear each other, unless one is deaf for a while. */
function twoTabs() {
  const heard: ((told: Told) => void)[][] = [[], []];
  const deaf = new Set<number>();
  const of = (me: number): Tabs => ({
    post: (told) => {
      if (!deaf.has(1 - me)) heard[1 - me]?.forEach((hear) => hear(structuredClone(told)));
    },
    listen: (hear) => void heard[me]?.push(hear),
  });
  return { of, deaf };
}

async function opened(storage = memoryStorage(), tabs = noTabs, on: Page = page()) {
  const made = makeStore(storage, tabs, on);
  await (
    await openStore(made, async () => null)
  ).whole;
  const { dispatch, getState } = made.store;
  return {
    ...made,
    dispatch,
    state: () => getState().document,
    kits: () => getState().document.entities.kits,
  };
}

/** A storage whose next writes wait, or are refused. */
function gated() {
  const storage = memoryStorage();
  const { transact } = storage;
  let open: Promise<void> = Promise.resolve();
  let free = () => undefined as void;
  const gate = {
    storage,
    close: () => {
      open = new Promise((done) => (free = done));
    },
    open: () => free(),
    refuse: (why: string) => {
      storage.transact = async () => Promise.reject(new Error(why));
    },
    allow: () => {
      storage.transact = async (keys, decide) => {
        await open;
        return transact(keys, decide);
      };
    },
  };
  gate.allow();
  return gate;
}
const turns = async (n = 20) => {
  for (let i = 0; i < n; i++) await Promise.resolve();
};

describe('said when stored', () => {
  test('not before the transaction has completed; the page asks to stay meanwhile', async () => {
    const gate = gated();
    const on = page();
    const tab = await opened(gate.storage, noTabs, on);
    gate.close();
    const saved = jest.fn();
    void tab.dispatch(commit('Kit added', put(kit))).then(saved);
    await turns();
    expect([saved.mock.calls, tab.state().lastLabel, on.held]).toEqual([[], null, true]);
    gate.open();
    await turns();
    expect(saved).toHaveBeenCalledWith({ kind: 'saved' });
    expect([tab.state().lastLabel, on.held]).toEqual(['Kit added', false]);
  });
  test('acts made while one is being stored follow together, in order', async () => {
    const gate = gated();
    const tab = await opened(gate.storage);
    gate.close();
    for (const name of ['a', 'b', 'c']) void tab.dispatch(commit(name, put(named(name))));
    const before = gate.storage.writes;
    gate.open();
    await tab.settled();
    expect(gate.storage.writes - before).toBe(2);
    expect(standingIn(gate.storage.held.get(entityKey('kits', kit.id)))).toEqual(named('c'));
  });
  test('a commit that takes its time says so, and says it no more afterwards', async () => {
    jest.useFakeTimers();
    const gate = gated();
    const tab = await opened(gate.storage);
    gate.close();
    void tab.dispatch(commit('Kit', put(kit)));
    jest.advanceTimersByTime(1499);
    expect(tab.state().slow).toBe(false);
    jest.advanceTimersByTime(1);
    expect(tab.state().slow).toBe(true);
    gate.open();
    await turns();
    expect(tab.state().slow).toBe(false);
    jest.useRealTimers();
  });
});

describe('refused by the storage', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());
  test('stays unsaved, is tried again ever later, and with what came after', async () => {
    const gate = gated();
    const on = page();
    const tab = await opened(gate.storage, noTabs, on);
    gate.refuse('no room');
    const ends: string[] = [];
    void tab.dispatch(commit('first', put(named('1', 'a')))).then((o) => ends.push(`first ${o.kind}`));
    await turns();
    expect([tab.state().saveError, on.held, ends]).toEqual(['no room', true, []]);
    jest.advanceTimersByTime(500);
    await turns();
    expect(tab.state().saveError).toBe('no room');
    gate.allow();
    jest.advanceTimersByTime(999);
    await turns();
    expect(ends).toEqual([]);
    jest.advanceTimersByTime(1);
    await turns();
    expect([ends, tab.state().saveError, on.held]).toEqual([['first saved'], null, false]);
  });
  test('a later act does not hide it: both are written, or the error stands', async () => {
    const gate = gated();
    const tab = await opened(gate.storage);
    gate.refuse('no room');
    void tab.dispatch(commit('first', put(named('1', 'a'))));
    await turns();
    void tab.dispatch(commit('second', put(named('2', 'b'))));
    await turns();
    expect(tab.state().saveError).toBe('no room');
    gate.allow();
    tab.keeping.retry();
    await turns();
    expect(tab.state().saveError).toBeNull();
    const again = await opened(gate.storage);
    expect(Object.keys(again.kits()).sort()).toEqual(['a', 'b']);
  });
  test('it is tried every half minute at most', async () => {
    const gate = gated();
    const tab = await opened(gate.storage);
    let tries = 0;
    gate.storage.transact = async () => {
      tries++;
      throw new Error('no room');
    };
    void tab.dispatch(commit('first', put(kit)));
    for (let i = 0; i < 12; i++) {
      await turns();
      jest.advanceTimersByTime(30_000);
    }
    expect(tries).toBeGreaterThanOrEqual(12);
  });
});

describe('half done', () => {
  const draft = {
    readings: [],
    texts: { ph: '8' },
    atText: '',
    note: '',
    timers: {},
    shown: [],
    doubted: [],
    kits: {},
    also: [],
    photos: [],
  };
  test('is written a little later, at once when the page is left', async () => {
    jest.useFakeTimers();
    const storage = memoryStorage();
    const on = page();
    const tab = await opened(storage, noTabs, on);
    tab.dispatch(sampleDrafted({ waterId: 't', draft }));
    jest.advanceTimersByTime(299);
    await turns();
    expect(storage.held.has('draft/sample/t')).toBe(false);
    on.hide();
    await turns();
    expect(storage.held.has('draft/sample/t')).toBe(true);
    jest.useRealTimers();
  });
  test('ends with the act that it became, in one transaction', async () => {
    const gate = gated();
    const tab = await opened(gate.storage);
    tab.dispatch(sampleDrafted({ waterId: 't', draft }));
    await tab.settled();
    gate.refuse('no room');
    void tab.dispatch(commit('Kit', put(kit), { drafts: ['sample/t'] }));
    await turns();
    expect(gate.storage.held.has('draft/sample/t')).toBe(true);
    gate.allow();
    tab.keeping.retry();
    await tab.settled();
    expect(gate.storage.held.has('draft/sample/t')).toBe(false);
    expect(gate.storage.held.has(entityKey('kits', kit.id))).toBe(true);
  });
});

test('a draft whose act is being stored is not written after it, whenever its time comes', async () => {
  jest.useFakeTimers();
  const gate = gated();
  const tab = await opened(gate.storage);
  tab.dispatch(
    sampleDrafted({
      waterId: 't',
      draft: {
        readings: [],
        texts: {},
        atText: '',
        note: 'typed',
        timers: {},
        shown: [],
        doubted: [],
        kits: {},
        also: [],
        photos: [],
      },
    }),
  );
  gate.close();
  void tab.dispatch(commit('Kit', put(kit), { drafts: ['sample/t'] }));
  jest.advanceTimersByTime(300);
  await turns();
  gate.open();
  await turns();
  jest.advanceTimersByTime(300);
  await turns();
  expect(gate.storage.held.has('draft/sample/t')).toBe(false);
  jest.useRealTimers();
});

describe('two tabs', () => {
  test('an entry corrected in both is handed back to the second, with what the first wrote', async () => {
    const storage = memoryStorage();
    const tabs = twoTabs();
    const [one, two] = [await opened(storage, tabs.of(0)), await opened(storage, tabs.of(1))];
    await one.dispatch(commit('Kit', put(kit)));
    const seen = [{ collection: 'kits' as const, entity: two.kits()[kit.id]! }];
    await one.dispatch(commit('Renamed', put(named('theirs'))));
    const outcome = await two.dispatch(commit('Renamed', put(named('mine')), { seen }));
    expect(outcome).toMatchObject({
      kind: 'changed',
      differing: [{ mine: named('mine'), theirs: named('theirs') }],
    });
    expect(two.kits()[kit.id]?.name).toBe('theirs');
    const now = [{ collection: 'kits' as const, entity: two.kits()[kit.id]! }];
    expect(await two.dispatch(commit('Renamed', put(named('mine')), { seen: now }))).toEqual({
      kind: 'saved',
    });
    expect(one.kits()[kit.id]?.name).toBe('mine');
  });
  test('what the first wrote while the second was still reading stands in the second once it is read', async () => {
    const storage = memoryStorage();
    const tabs = twoTabs();
    const one = await opened(storage, tabs.of(0));
    await one.dispatch(commit('Kit', put(kit)));
    let read = (): void => undefined;
    const isRead = new Promise<void>((done) => (read = done));
    let goOn = (): void => undefined;
    const held = new Promise<void>((done) => (goOn = done));
    const slow: typeof storage = {
      ...storage,
      entries: async (span) => {
        const found = await storage.entries(span);
        read();
        await held;
        return found;
      },
    };
    const opening = opened(slow, tabs.of(1));
    await isRead;
    await one.dispatch(commit('Renamed', put(named('theirs'))));
    goOn();
    const two = await opening;
    await two.settled();
    expect(two.kits()[kit.id]?.name).toBe('theirs');
    expect(await two.dispatch(commit('Renamed', put(named('mine'))))).toEqual({ kind: 'saved' });
    expect(one.kits()[kit.id]?.name).toBe('mine');
  });
  test('also when the news had not arrived yet: the storage itself is asked', async () => {
    const storage = memoryStorage();
    const tabs = twoTabs();
    const [one, two] = [await opened(storage, tabs.of(0)), await opened(storage, tabs.of(1))];
    await one.dispatch(commit('Kit', put(kit)));
    tabs.deaf.add(1);
    await one.dispatch(commit('Renamed', put(named('theirs'))));
    const outcome = await two.dispatch(commit('Renamed', put(named('mine'))));
    expect(outcome).toMatchObject({
      kind: 'changed',
      differing: [{ mine: named('mine'), theirs: named('theirs') }],
    });
    expect(two.kits()[kit.id]?.name).toBe('theirs');
    expect(two.state().undo).toHaveLength(0);
    expect(two.state().lastLabel).toMatch(/^Not stored/);
  });
  test('what one deletes while the other corrects it can be put back', async () => {
    const storage = memoryStorage();
    const tabs = twoTabs();
    const [one, two] = [await opened(storage, tabs.of(0)), await opened(storage, tabs.of(1))];
    await one.dispatch(commit('Kit', put(kit)));
    const seen = [{ collection: 'kits' as const, entity: two.kits()[kit.id]! }];
    await one.dispatch(commit('Gone', [{ remove: 'kits', id: kit.id }]));
    const outcome = await two.dispatch(commit('Renamed', put(named('mine')), { seen }));
    expect(outcome).toMatchObject({ kind: 'changed', differing: [{ mine: named('mine'), theirs: null }] });
    await two.dispatch(commit('Put back', put(named('mine'))));
    expect(one.kits()[kit.id]?.name).toBe('mine');
  });
  test('an act that touches one thing changed elsewhere is not written in part', async () => {
    const storage = memoryStorage();
    const tabs = twoTabs();
    const [one, two] = [await opened(storage, tabs.of(0)), await opened(storage, tabs.of(1))];
    await one.dispatch(commit('Kit', put(kit)));
    tabs.deaf.add(1);
    await one.dispatch(commit('Renamed', put(named('theirs'))));
    await two.dispatch(commit('Both', [...put(named('mine')), ...put(named('other', 'other'))]));
    expect(Object.keys(two.kits())).toEqual([kit.id]);
    expect(storage.held.has(entityKey('kits', 'other'))).toBe(false);
  });
  test('undo never overwrites what the other changed since, and says so', async () => {
    const storage = memoryStorage();
    const tabs = twoTabs();
    const [one, two] = [await opened(storage, tabs.of(0)), await opened(storage, tabs.of(1))];
    await one.dispatch(commit('Kit', put(kit)));
    await two.dispatch(commit('Renamed', put(named('theirs'))));
    await one.dispatch(undo());
    expect(one.kits()[kit.id]?.name).toBe('theirs');
    expect(one.state().lastLabel).toMatch(/^Not undone/);
    expect(one.state().undo).toHaveLength(0);
  });
  test('nor when the news has not arrived', async () => {
    const storage = memoryStorage();
    const tabs = twoTabs();
    const [one, two] = [await opened(storage, tabs.of(0)), await opened(storage, tabs.of(1))];
    await one.dispatch(commit('Kit', put(kit)));
    tabs.deaf.add(0);
    await two.dispatch(commit('Renamed', put(named('theirs'))));
    expect(await one.dispatch(undo())).toMatchObject({ kind: 'changed' });
    expect(one.kits()[kit.id]?.name).toBe('theirs');
    expect(standingIn(storage.held.get(entityKey('kits', kit.id)))).toEqual(named('theirs'));
  });
  test('news that does not follow on what is known is looked up', async () => {
    const storage = memoryStorage();
    const tabs = twoTabs();
    const [one, two] = [await opened(storage, tabs.of(0)), await opened(storage, tabs.of(1))];
    tabs.deaf.add(1);
    await one.dispatch(commit('Kit', put(named('a'))));
    await one.dispatch(commit('Renamed', put(named('b'))));
    tabs.deaf.clear();
    await one.dispatch(commit('Renamed', put(named('c'))));
    await turns();
    expect(two.kits()[kit.id]?.name).toBe('c');
    expect(await two.dispatch(commit('Renamed', put(named('d'))))).toEqual({ kind: 'saved' });
  });
});

describe('undo and redo', () => {
  test('are there after the page was closed', async () => {
    const storage = memoryStorage();
    const before = await opened(storage);
    for (const name of ['a', 'b', 'c']) await before.dispatch(commit(name, put(named(name))));
    await before.dispatch(undo());
    const after = await opened(storage);
    expect([after.state().undo, after.state().redo].map((acts) => acts.map((a) => a.label))).toEqual([
      ['a', 'b'],
      ['c'],
    ]);
    await after.dispatch(redo());
    expect(after.kits()[kit.id]?.name).toBe('c');
    for (let i = 0; i < 3; i++) await after.dispatch(undo());
    expect(after.kits()).toEqual({});
    const last = await opened(storage);
    for (let i = 0; i < 3; i++) await last.dispatch(redo());
    expect(last.kits()[kit.id]?.name).toBe('c');
  });
  test('what a new act makes impossible is forgotten in the storage too; the oldest of over a hundred as well', async () => {
    const storage = memoryStorage();
    const tab = await opened(storage);
    await tab.dispatch(commit('a', put(named('a'))));
    await tab.dispatch(undo());
    await tab.dispatch(commit('b', put(named('b'))));
    for (let i = 0; i < 101; i++) await tab.dispatch(commit(`${i}`, put(named(`${i}`))));
    const acts = [...storage.held.keys()].filter((key) => key.startsWith('act/'));
    expect(acts).toHaveLength(100);
    expect((await opened(storage)).state().undo[0]?.label).toBe('1');
  });
  test('an act that cannot be read is no act', async () => {
    const storage = memoryStorage({ 'act/x': '{"half', 'act/y': '{"version":1}' });
    const tab = await opened(storage);
    expect([tab.state().status.kind, tab.state().undo, tab.state().redo]).toEqual(['ready', [], []]);
  });
});

describe('a storage that does not keep', () => {
  test('refused at the opening, the app goes on in memory, says so, and asks before it is left', async () => {
    const storage = memoryStorage();
    storage.entries = async () => Promise.reject(new Error('denied'));
    const on = page();
    const tab = await opened(storage, noTabs, on);
    expect(tab.state().status).toMatchObject({ kind: 'failed', canGoOn: true });
    tab.dispatch(goOnUnstored());
    expect([tab.state().status.kind, tab.state().storage]).toEqual(['ready', 'refused']);
    // Nothing half done is to be waited for.
    expect(tab.store.getState().drafts.read).toBe(true);
    expect(await tab.dispatch(commit('Kit', put(kit)))).toEqual({ kind: 'saved' });
    expect([Object.keys(tab.kits()), storage.writes, on.held]).toEqual([[kit.id], 0, true]);
  });
  test('emptied between two visits, it is told from one never used', async () => {
    const on = page();
    const first = await opened(memoryStorage(), noTabs, on);
    expect(first.state().storage).toBe('kept');
    await first.dispatch(commit('Kit', put(kit)));
    expect((await opened(memoryStorage(), noTabs, on)).state().storage).toBe('evicted');
  });
  test('what the person removed is not called evicted', async () => {
    const [on, storage] = [page(), memoryStorage()];
    const tab = await opened(storage, noTabs, on);
    await tab.dispatch(commit('Kit', put(kit)));
    await tab.dispatch(commit('Gone', [{ remove: 'kits', id: kit.id }]));
    expect((await opened(storage, noTabs, on)).state().storage).toBe('kept');
  });
  test('emptied while the page is open, it is said, and all is stored again on request', async () => {
    const storage = memoryStorage();
    let lose = () => undefined as void;
    storage.onLost = (tell) => {
      lose = tell;
      return undefined;
    };
    const tab = await opened(storage);
    await tab.dispatch(commit('Kit', put(kit)));
    storage.held.clear();
    lose();
    expect(tab.state().storage).toBe('emptied');
    // A correction made meanwhile is not taken for one that another tab made void: it waits, and is stored with the rest.
    let ended: unknown = null;
    void tab.dispatch(commit('Meanwhile', put(named('meanwhile')))).then((outcome) => (ended = outcome));
    await Promise.resolve();
    expect([ended, storage.held.size]).toEqual([null, 0]);
    await tab.keeping.storeAgain(tab.state().entities);
    await tab.settled();
    expect([tab.state().storage, ended]).toEqual(['kept', { kind: 'saved' }]);
    expect((await opened(storage)).kits()[kit.id]?.name).toBe('meanwhile');
    expect(await tab.dispatch(commit('Renamed', put(named('later'))))).toEqual({ kind: 'saved' });
    expect((await opened(storage)).kits()[kit.id]?.name).toBe('later');
  });
});

describe('revisions', () => {
  test('an entry without one is an early one; nothing there has the empty one', () => {
    expect(entryOf('{"id":"k"}')).toEqual({ rev: FIRST, entity: { id: 'k' } });
    expect(entryOf(entryText(kit, 'r'))).toEqual({ rev: 'r', entity: kit });
    expect([null, undefined, '{"half', entryText(kit, 'r')].map(revisionOf)).toEqual([
      ABSENT,
      ABSENT,
      FIRST,
      'r',
    ]);
    expect([null, '{"half'].map(standingIn)).toEqual([null, null]);
  });
  test('acts sort by the moment they were made', () => {
    const ids = [1, 2_000_000_000_000, 36 ** 8].map((ms) => actId(ms, 'x'));
    expect([...ids].sort()).toEqual([ids[0], ids[1], ids[2]].sort());
    expect(actId(9, 'z') < actId(10, 'a')).toBe(true);
  });
});
