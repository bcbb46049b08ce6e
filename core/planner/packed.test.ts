/** Whole batches in the months, against every choice of months. */
import { seededRandom } from '../random';
import { aProblem, aWish, TODAY } from '../testing/plans';
import { calendarOf, CLEANERS, FISH, INVERTEBRATES, type Until } from './calendar';
import { afterLabel, couldBePaid, toBuy } from './packed';
import { LINES, type QuarantineWater } from './problem';
import { start } from './start';
import { ANY_QUARANTINE, NO_QUARANTINE, type ToBuy } from './label';
import { worldOf } from './world';

const world = worldOf(aProblem([], { budget: 60 }), false, () => true);

const spent = [0, 20, 0, 50, 0, 0];

/** The same last month for all. */
const untilAll = (last: number): Until => ({ last, of: [...LINES, 'cleaners'].map(() => last) });

/** One after the other in every month that has enough.
 *  @param rooms by line and month how many of it can be bought by its end */
function tried(buys: readonly ToBuy[], { of }: Until, rooms: readonly number[][] | null = null): boolean {
  const months = buys.map(() => -1);
  const hasRooms = () =>
    rooms === null ||
    rooms.every((room, line) =>
      room.every(
        (most, m) =>
          buys.filter(
            (b, k) => lineOf(b) === line && (months[k] as number) >= 0 && (months[k] as number) <= m,
          ).length <= most,
      ),
    );
  const rest = spent.map((s) => 60 - s);
  const place = (at: number): boolean => {
    const buy = buys[at];
    if (!buy) return hasRooms();
    if (buy.price === 0) return place(at + 1);
    const isBefore = buy.line === CLEANERS && buys.some(({ line }) => line === FISH);
    const line = buy.line === CLEANERS && !isBefore ? INVERTEBRATES : buy.line;
    for (let m = buy.from; m <= (of[line] as number); m++) {
      if ((rest[m] as number) < buy.price) continue;
      rest[m] = (rest[m] as number) - buy.price;
      months[at] = m;
      const fits = place(at + 1);
      rest[m] = (rest[m] as number) + buy.price;
      if (fits) return true;
    }
    return false;
  };
  return place(0);
}

const lineOf = ({ line }: ToBuy): number => (line === CLEANERS ? INVERTEBRATES : line);

test('where a line takes in only so many by the end of each month, as by trying every choice', () => {
  const told = { true: 0, false: 0, bound: 0 };
  for (let seed = 1; seed <= 2000; seed++) {
    const random = seededRandom(seed);
    const last = 2 + Math.floor(random() * 4);
    const until = untilAll(last);
    const buys = Array.from({ length: 3 + Math.floor(random() * 4) }, (_, i) =>
      toBuy(
        1 << i,
        (1 + Math.floor(random() * 3)) * 10,
        Math.floor(random() * (last + 1)),
        [FISH, INVERTEBRATES, CLEANERS][Math.floor(random() * 3)] as number,
      ),
    );
    const rooms = LINES.map(() => {
      let most = Math.floor(random() * 2);
      return spent.map(() => (most += Math.floor(random() * 2.5)));
    });
    const fits = tried(buys, until, rooms);
    told[`${fits}`]++;
    if (!fits && tried(buys, until)) told.bound++;
    expect([seed, couldBePaid(world, buys, spent, until, [], rooms)]).toEqual([seed, fits]);
  }
  expect(Math.min(told.true, told.bound)).toBeGreaterThan(200);
});

test('so many that it takes long to find out, as by trying every choice', () => {
  const told = { true: 0, false: 0 };
  for (let seed = 1; seed <= 250; seed++) {
    const random = seededRandom(seed);
    const whole = (most: number) => Math.floor(random() * most);
    const until = untilAll(4);
    const buys = Array.from({ length: 8 }, (_, i) =>
      toBuy(1 << i, 14 + whole(22), whole(3), random() < 0.8 ? FISH : INVERTEBRATES),
    );
    const rooms = LINES.map((_, line) => {
      let most = line === 0 ? whole(3) : 3;
      return spent.map(() => (most += whole(4)));
    });
    const fits = tried(buys, until, rooms);
    told[`${fits}`]++;
    expect([seed, couldBePaid(world, buys, spent, until, [], rooms)]).toEqual([seed, fits]);
  }
  expect(Math.min(told.true, told.false)).toBeGreaterThan(50);
});

test('after a partial plan nothing is bought before its quarantine is free', () => {
  const quarantine = aProblem([]).quarantines[0] as QuarantineWater;
  const two = [quarantine, { ...quarantine, id: 'other' }];
  const wishes = [aWish('a')];
  const after = worldOf(aProblem(wishes, { budget: 60, quarantines: two }), false, () => true);
  const [month0, month1, month2] = after.calendar.months.map((m) => m.from) as [number, number, number];
  const label = { ...start(after), free: [month2, month1] };
  const from = (quarantine: number, first = 0) =>
    afterLabel(after, label, [toBuy(1, 5, first, FISH, quarantine)])[0]?.from;
  expect([from(0), from(1), from(1, 2), from(ANY_QUARANTINE), from(NO_QUARANTINE)]).toEqual([2, 1, 2, 1, 0]);
  // Past the horizon in no month.
  const late = { ...label, free: [after.calendar.end, month0] };
  expect(afterLabel(after, late, [toBuy(1, 5, 0, FISH, 0)])[0]?.from).toBe(after.calendar.months.length);
});

test('as by trying every choice', () => {
  const told = { true: 0, false: 0 };
  for (let seed = 1; seed <= 2000; seed++) {
    const random = seededRandom(seed);
    const last = 2 + Math.floor(random() * 4);
    // The lines end in months of their own, cleaners no later than the others of theirs.
    const of = LINES.map(() => Math.floor(random() * (last + 1)));
    of.push(Math.floor(random() * ((of[INVERTEBRATES] as number) + 1)));
    const until = seed % 2 === 0 ? untilAll(last) : { last: Math.max(...of), of };
    const buys = Array.from({ length: 2 + Math.floor(random() * 6) }, (_, i) =>
      toBuy(
        1 << i,
        Math.floor(random() * 7) * 10,
        Math.floor(random() * (last + 1)),
        Math.floor(random() * of.length),
      ),
    );
    const fits = tried(buys, until);
    told[`${fits}`]++;
    expect([seed, couldBePaid(world, buys, spent, until)]).toEqual([seed, fits]);
    // Those that are told apart count as much.
    expect(couldBePaid(world, buys.slice(2), spent, until, buys.slice(0, 2))).toBe(fits);
  }
  expect(Math.min(told.true, told.false)).toBeGreaterThan(300);
});

test('of many that hardly go into the months, too', () => {
  const told = { true: 0, false: 0 };
  for (let seed = 1; seed <= 600; seed++) {
    const random = seededRandom(seed);
    const buys: ToBuy[] = [];
    let cost = 0;
    // 290 is there in all.
    while (cost < 250 && buys.length < 11) {
      const price = 5 * (1 + Math.floor(random() * (seed % 2 === 0 ? 11 : 7)));
      const from = random() < 0.7 ? 0 : Math.floor(random() * 4);
      buys.push(toBuy(1 << buys.length, price, from, FISH));
      cost += price;
    }
    const fits = tried(buys, untilAll(5));
    told[`${fits}`]++;
    expect([seed, couldBePaid(world, buys, spent, untilAll(5))]).toEqual([seed, fits]);
  }
  expect(Math.min(told.true, told.false)).toBeGreaterThan(100);
});

test.each([
  ['a batch cannot be cut where two months have a rest', [40, 40, 40], 1, false],
  ['it fits where they could be cut as well', [40, 40, 20], 1, true],
  ['or in another month', [40, 40, 40], 2, true],
  ['what costs nothing needs no month', [60, 40, 0], 1, true],
] as const)('%s', (_, prices, last, fits) => {
  const buys = prices.map((price, i) => toBuy(1 << i, price, 0, FISH));
  expect(couldBePaid(world, buys, spent, untilAll(last))).toBe(fits);
});

test('a line is bought for no longer than its quickest quarantine lets it, cleaners a day less', () => {
  // 3 March; fish leave after 10 or 28 days, invertebrates after three.
  const [q] = aProblem([]).quarantines as [QuarantineWater];
  const { untilBy } = calendarOf(
    aProblem([], {
      quarantines: [q, { ...q, clockDays: 10 }, { ...q, line: 'invertebrate', clockDays: 3 }],
    }),
  );
  const monthsBy = (day: number) => {
    const { last, of } = untilBy(TODAY + day);
    return [last, of[FISH], of[INVERTEBRATES], of[CLEANERS]];
  };
  // 1 April is day 29, 4 April day 32, 11 April day 39.
  expect(monthsBy(31)).toEqual([0, 0, 0, 0]);
  expect(monthsBy(32)).toEqual([1, 0, 1, 0]);
  expect(monthsBy(33)).toEqual([1, 0, 1, 1]);
  expect(monthsBy(38)).toEqual([1, 0, 1, 1]);
  expect(monthsBy(39)).toEqual([1, 1, 1, 1]);
  expect(untilBy(TODAY + 34)).toBe(untilBy(TODAY + 33));
  expect(untilBy(TODAY - 1)).toEqual({ last: -1, of: [-1, -1, -1, -1, -1] });
});
