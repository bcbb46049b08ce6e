/** What moved since the plan of an earlier day: the first cause that explains it, and nothing where it was followed. */
import { IN, WISHED, type Animal, type Document, type Place, type SaidPlan } from '../document';
import { oneDisplay } from '../testing/display';
import { TODAY } from '../testing/plans';
import { UTC } from '../time';
import { changedText, type PlanSaying } from '../words/plan';
import { changedSince, type Changed } from '.';

const day = (n: number) => new Date((TODAY + n) * 86_400_000).toISOString().slice(0, 10);
const GONE: Place = { kind: 'gone', reason: 'died' };

const before: SaidPlan = {
  id: 'p',
  waterId: 't',
  at: `${day(-1)}T12:00:00.000Z`,
  which: 'likely',
  gate: day(0),
  coralGate: day(14),
  steps: [
    { animalId: 'a', buyDay: day(-5), releaseDay: day(28) },
    { animalId: 'b', buyDay: day(29), releaseDay: day(57) },
  ],
  leftOut: ['c'],
  away: [],
};

/** The first is in a quarantine, the others are wished for, but as is said. */
function world(places: Record<string, Place> = {}, cameOn: Record<string, number> = {}): Document {
  const all: Record<string, Place> = { a: IN('q'), b: WISHED, c: WISHED, ...places };
  const animals = Object.entries(all).map(([id, to]): [string, Animal] => [
    id,
    {
      id,
      homeId: 't',
      speciesId: id === 'b' ? 'zoanthid' : 'neon-goby',
      count: id === 'c' ? 2 : 1,
      plannedDay: null,
      moves: [{ to, at: `${day(cameOn[id] ?? -5)}T12:00:00.000Z`, why: '' }],
    },
  ]);
  return { ...oneDisplay([], 100), animals: Object.fromEntries(animals) };
}

type Now = Parameters<typeof changedSince>[2];
const step = (wishId: string, releaseDay: string, more: Partial<Now['steps'][number]> = {}) => ({
  wishId,
  releaseDay,
  buyDay: wishId === 'a' ? day(-5) : day(29),
  quarantineId: 'q',
  testDays: [],
  binding: [],
  freeMgN: null,
  ...more,
});
const now = (more: Partial<Now>): Now => ({
  waterId: 't',
  today: day(0),
  which: 'likely',
  gate: day(0),
  coralGate: day(14),
  away: [],
  steps: [step('a', day(28)), step('b', day(57))],
  leftOut: [{ wishId: 'c', rule: 'R8', concession: null }],
  ...more,
});
const since = (more: Partial<Now>, doc = world()): Changed | null =>
  changedSince(doc, before, now(more), UTC.dayOf);
const causeOf = (more: Partial<Now>, doc?: Document) => since(more, doc)?.cause;
const later = [step('a', day(30)), step('b', day(64))];

test('nothing where no date moved, and where all that happened is that somebody is in', () => {
  expect(since({})).toBeNull();
  expect(since({ steps: [step('b', day(57))] }, world({ a: IN('t') }))).toBeNull();
});

test('the step that moved most, how many did, and since when', () => {
  expect(since({ steps: later, which: 'cautious' })).toEqual({
    sinceDay: day(-1),
    most: { wishId: 'b', days: 7 },
    moved: 2,
    lost: [],
    gained: [],
    cause: { kind: 'choice' },
  });
});

test('the start, where anything was to come before it or all comes sooner', () => {
  expect(causeOf({ steps: later, gate: day(29) })).toEqual({ kind: 'gate', from: day(0), to: day(29) });
  expect(causeOf({ steps: later, gate: null })).toEqual({ kind: 'gate', from: day(0), to: null });
  // A start that is a day later, with a test due, puts off nobody whose quarantine takes weeks, and brings nobody sooner.
  const soon = [step('a', day(28)), step('b', day(50))];
  expect(causeOf({ steps: soon, gate: day(29) })).toEqual({ kind: 'other' });
  expect(causeOf({ steps: later, gate: day(1) })).toEqual({ kind: 'other' });
  const sooner = [step('a', day(28)), step('b', day(50))];
  expect(
    changedSince(world(), { ...before, gate: day(20) }, now({ steps: sooner, gate: day(10) }), UTC.dayOf)
      ?.cause,
  ).toEqual({ kind: 'gate', from: day(20), to: day(10) });
});

test('the start of corals, where it is a coral that moved', () => {
  const coral = { steps: [step('a', day(28)), step('b', day(70))], coralGate: day(70) };
  expect(causeOf(coral)).toEqual({ kind: 'coralGate', from: day(14), to: day(70) });
  expect(causeOf({ steps: [step('a', day(40)), step('b', day(57))], coralGate: day(70) })?.kind).not.toBe(
    'coralGate',
  );
});

test('a gate that is open on each day, and days away that have passed or end today, explain nothing', () => {
  const next = { today: day(9), gate: day(9), steps: [step('a', day(28)), step('b', day(64))] };
  expect(causeOf(next)).toEqual({ kind: 'other' });
  const away = (was: [string, string][], is: [string, string][] = []) =>
    changedSince(world(), { ...before, away: was }, now({ ...next, away: is }), UTC.dayOf)?.cause.kind;
  expect(away([[day(1), day(9)]])).toBe('other');
  expect(away([[day(1), day(10)]])).toBe('away');
  expect(away([[day(1), day(12)]], [[day(9), day(12)]])).toBe('other');
});

test('who came to the wishes, who went, and who can live here no longer', () => {
  expect(since({ steps: [step('a', day(28)), step('b', day(57)), step('d', day(70))] })).toMatchObject({
    most: null,
    cause: { kind: 'wished', ids: ['d'] },
  });
  expect(causeOf({ leftOut: [] })).toEqual({ kind: 'unfit', ids: ['c'] });
  expect(causeOf({ leftOut: [] }, world({ c: GONE }))).toEqual({ kind: 'noLonger', ids: ['c'] });
});

describe('who was moved since without the plan', () => {
  /** Where they have been, the last of it since the plan was made. */
  const been = (doc: Document, id: string, ...to: Place[]): Document => {
    const moves = to.map((place, i) => ({
      to: place,
      at: `${day(i === to.length - 1 ? 0 : -9)}T12:00:00.000Z`,
      why: '',
    }));
    const [known] = Object.values(doc.animals) as [Animal];
    const animal = { ...(doc.animals[id] ?? { ...known, id }), moves };
    return { ...doc, animals: { ...doc.animals, [id]: animal } };
  };
  const moved = { steps: [step('a', day(28)), step('b', day(40))] };

  test('lost from a quarantine is gone, and not called a wish given up', () => {
    expect(causeOf({ steps: [step('b', day(57))] }, been(world(), 'a', IN('q'), GONE))).toEqual({
      kind: 'gone',
      ids: ['a'],
    });
  });
  test('into the display, or lost from it, and not of the plan', () => {
    expect(causeOf(moved, been(world(), 'x', IN('t')))).toEqual({ kind: 'cameIn', ids: ['x'] });
    expect(causeOf(moved, been(world(), 'x', IN('t'), GONE))).toEqual({ kind: 'gone', ids: ['x'] });
    expect(causeOf(moved, been(world(), 'x', IN('q'), GONE))).toEqual({ kind: 'other' });
    // Who came in before the plan was made explains nothing now.
    const doc = been(world(), 'x', IN('t'), IN('t'));
    doc.animals.x = { ...(doc.animals.x as Animal), moves: (doc.animals.x as Animal).moves.slice(0, 1) };
    expect(causeOf(moved, doc)).toEqual({ kind: 'other' });
  });
  test('whose own clock put it off as far is not put off by a newcomer, but one that moved farther is', () => {
    const late = (release: number, buy: number) => ({
      steps: [step('a', day(release), { buyDay: day(buy) }), step('b', day(57)), step('d', day(70))],
    });
    expect(causeOf(late(29, -4))).toEqual({ kind: 'clock', ids: ['a'] });
    expect(causeOf(late(31, -4))).toEqual({ kind: 'wished', ids: ['d'] });
  });
  test('who lost its day in a quarantine, as its time no longer suffices', () => {
    const out = (rule: 'R2' | 'R9' | 'R8') =>
      causeOf({
        steps: [step('b', day(57))],
        leftOut: [{ wishId: 'a', rule, concession: null }, ...(now({}).leftOut ?? [])],
      });
    expect(out('R9')).toEqual({ kind: 'clock', ids: ['a'] });
    expect(out('R2')).toEqual({ kind: 'clock', ids: ['a'] });
    expect(out('R8')).toEqual({ kind: 'other' });
  });
});

test('back from days away, on the day they end: what comes sooner comes of that, what comes later does not', () => {
  const on = (release: number, away: [string, string][]) =>
    changedSince(
      world(),
      { ...before, away: [[day(-3), day(0)]] },
      now({ steps: [step('a', day(28)), step('b', day(release))], away }),
      UTC.dayOf,
    )?.cause.kind;
  expect(on(50, [])).toBe('back');
  expect(on(64, [])).toBe('other');
  expect(on(50, [[day(0), day(0)]])).toBe('other');
});

test('what was planned and not done, or done on another day', () => {
  const missed = { today: day(31), steps: [step('b', day(59), { buyDay: day(31) })] };
  expect(causeOf(missed, world({ a: IN('t') }))).toEqual({ kind: 'notBought', ids: ['b'] });
  const stays = { today: day(30), steps: [step('a', day(30)), step('b', day(58))] };
  expect(causeOf(stays)).toEqual({ kind: 'notLetIn', ids: ['a'] });
  const bought = (on: number) =>
    causeOf(
      { today: day(on), steps: [step('a', day(28)), step('b', day(on + 28))] },
      world({ b: IN('q') }, { b: on }),
    );
  expect(bought(20)).toEqual({ kind: 'boughtSooner', ids: ['b'] });
  expect(bought(32)?.kind).toBe('notLetIn');
  expect(
    causeOf(
      { today: day(25), steps: [step('a', day(28)), step('b', day(62))] },
      world({ b: IN('q') }, { b: 34 }),
    ),
  ).toEqual({ kind: 'boughtLater', ids: ['b'] });
});

test('the clock of whoever is in a quarantine, by the day that it is reckoned back to', () => {
  const clock = (release: number, buy: number) =>
    causeOf({ steps: [step('a', day(release), { buyDay: day(buy) }), step('b', day(57))] });
  expect(clock(29, -4)).toEqual({ kind: 'clock', ids: ['a'] });
  expect(clock(27, -6)).toEqual({ kind: 'looked', ids: ['a'] });
  // Its clock as it was: something else puts it off.
  expect(clock(29, -5)).toEqual({ kind: 'other' });
});

test('what there may be, where that is what it waits for now; who is in; an outbreak', () => {
  const binding = [{ rule: 'R5' as const, with: [], who: [], day: null, would: 12, most: 10, away: null }];
  const put = (days: number) => [step('a', day(28)), step('b', day(days), { binding } as never)];
  expect(causeOf({ steps: put(80) })).toEqual({ kind: 'load' });
  expect(causeOf({ steps: put(50) })).toEqual({ kind: 'other' });
  expect(causeOf({ steps: [step('b', day(50))] }, world({ a: IN('t') }))).toEqual({
    kind: 'met',
    ids: ['a'],
  });
  expect(causeOf({ steps: later, isFallow: true })).toEqual({ kind: 'fallow' });
});

test('of more wishes than can all be tried something better was found', () => {
  expect(causeOf({ steps: later, outdoesTold: true })).toEqual({ kind: 'better' });
});

test('who has no day any more, and who has one now', () => {
  const out = (rule: 'R5' | 'R8') =>
    since({
      steps: [step('a', day(28)), step('c', day(57))],
      leftOut: [{ wishId: 'b', rule, concession: null }],
    });
  expect(out('R5')).toMatchObject({ most: null, lost: ['b'], gained: ['c'], cause: { kind: 'load' } });
  expect(out('R8')?.cause).toEqual({ kind: 'other' });
  // With the start out of sight nobody has a day.
  const leftOut = ['a', 'b', 'c'].map((wishId) => ({ wishId, rule: 'R1' as const, concession: null }));
  expect(since({ gate: null, steps: [], leftOut })).toMatchObject({
    lost: ['a', 'b'],
    cause: { kind: 'gate', from: day(0), to: null },
  });
  const unseen: SaidPlan = { ...before, gate: null, steps: [], leftOut: ['a', 'b', 'c'] };
  expect(changedSince(world(), unseen, now({}), UTC.dayOf)).toMatchObject({
    gained: ['a', 'b'],
    cause: { kind: 'gate', from: null, to: day(0) },
  });
});

test('several are said as several', () => {
  const saying: PlanSaying = {
    nameOf: (id) => (id === 'c' ? '2 × Neon cleaner goby' : id.toUpperCase()),
    day: (d) => d,
    litres: String,
  };
  const said = (most: Changed['most'], cause: Changed['cause']) =>
    changedText({ sinceDay: day(-1), most, moved: 1, lost: [], gained: [], cause }, saying);
  expect(said({ wishId: 'c', days: 1 }, { kind: 'met', ids: ['a'] })).toBe(
    `Since ${day(-1)} 2 × Neon cleaner goby are 1 day later: A is in.`,
  );
  expect(said({ wishId: 'a', days: -2 }, { kind: 'met', ids: ['a', 'b'] })).toBe(
    `Since ${day(-1)} A is 2 days sooner: A and B are in.`,
  );
  const lost = {
    sinceDay: day(-1),
    most: null,
    moved: 0,
    lost: ['a'],
    gained: ['c'],
    cause: { kind: 'load' },
  } as const;
  expect(changedText({ ...lost, lost: ['a'], gained: ['c'] }, saying)).toBe(
    `Since ${day(-1)} A has no day any more and 2 × Neon cleaner goby have a day now: what the log says of the load, or of what the filter carries, changed.`,
  );
  expect(said(null, { kind: 'coralGate', from: null, to: day(3) })).toContain(
    `the start of corals is expected on ${day(3)}`,
  );
});
