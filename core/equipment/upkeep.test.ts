import type { Equipment } from '../document';
import { setupLists } from '../setup';
import { breakingIn, dueUpkeep, money, nextService } from '.';
import { heaterFit } from './sizing';

const part = (patch: Partial<Equipment>): Equipment => ({
  id: 'e',
  waterId: 't',
  name: 'Skimmer',
  kind: 'skimmer',
  where: 'sump',
  sinceDay: '2026-01-01',
  price: 120,
  monthly: 2,
  watts: 10,
  breakInDays: 14,
  serviceEveryDays: 30,
  services: [],
  settings: [],
  loan: null,
  endedDay: null,
  ...patch,
});

test('service counts from the last one, or from the start; a part that is gone asks for nothing', () => {
  expect(nextService(part({}))).toBe('2026-01-31');
  expect(
    nextService(
      part({
        services: [
          { day: '2026-02-10', note: '' },
          { day: '2026-01-20', note: '' },
        ],
      }),
    ),
  ).toBe('2026-03-12');
  expect(nextService(part({ endedDay: '2026-02-01' }))).toBeNull();
});
test('what is due, latest first, loans among it', () => {
  const due = dueUpkeep(
    [
      part({}),
      part({
        id: 'l',
        name: 'Meter',
        serviceEveryDays: null,
        loan: { from: 'club', dueDay: '2026-01-15', returnedDay: null },
      }),
    ],
    '2026-02-02',
  );
  expect(due.map((x) => [x.kind, x.lateDays])).toEqual([
    ['loanBack', 18],
    ['service', 2],
  ]);
});
test('money: 10 W for a month are 7.2 kWh', () =>
  expect(money([part({})], 0.5)).toEqual({ spent: 120, perMonth: 2 + 3.6, watts: 10 }));
test('breaking in ends with its days', () =>
  expect(['2026-01-10', '2026-01-20'].map((day) => breakingIn(part({}), day))).toEqual([true, false]));
test('the lists adapt to sump, sand and school', () => {
  const lists = setupLists({ school: 'watchGlass', sand: 'after', hasSump: false, hasSand: true });
  const items = [...lists.beforeWater, ...lists.filling].map((p) => p.item);
  expect(items).toEqual(expect.arrayContaining(['sandAfter', 'lightsOn']));
  expect(items).not.toEqual(expect.arrayContaining(['drainDown']));
  expect(items).not.toContain('lightsOff');
  expect(new Set(items).size).toBe(items.length);
});
test('a heater lies along, across the floor or from corner to corner: 30 x 40 x 20 holds 40, 50 and 53.85', () => {
  expect([40, 40.1, 50, 50.1, 53.85, 53.86].map((cm) => heaterFit(cm, 30, 40, 20))).toEqual([
    'along',
    'acrossFloor',
    'acrossFloor',
    'acrossSpace',
    'acrossSpace',
    'no',
  ]);
  expect(() => heaterFit(0, 30, 40, 20)).toThrow(/"heaterCm"/);
});
