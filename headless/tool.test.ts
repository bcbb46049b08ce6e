/** The bench without a screen: worked cases, their values reckoned apart from it by hand and in another language, in both unit systems; what must
 *  hold of each calculator whatever the numbers; and wrong input, a sentence each. */
import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { shownText, TOOLS, type Choices, type ToolContext } from '../core/bench';
import { emptyDocument } from '../core/document';
import { METRIC, toUnit, type UnitPreferences } from '../core/units';
import { InputError } from './input';
import { toolAnswer, toolList } from './tool';

type Input = Record<string, number | string>;
interface Answer {
  values: Record<string, { value: number | null; unit: string; low?: number; high?: number }>;
  sentences: string[];
  cautions: string[];
}
const CASES = JSON.parse(readFileSync('headless/benchCases.json', 'utf8')) as [
  tool: string,
  input: Input,
  values: Record<string, number | null>,
][];
const NOW = Date.UTC(2026, 4, 1, 18);
const US: UnitPreferences = { volume: 'gal', temperature: 'F', salinity: 'sg2525', length: 'in', mass: 'lb' };
const answer = (tool: string, input: Input) => toolAnswer(tool, JSON.stringify(input), NOW) as Answer;
const value = (tool: string, input: Input, key: string): number => answer(tool, input).values[key]!.value!;

/** The same numbers as someone with US units types them. */
function inUs(id: string, input: Input): Input {
  const tool = TOOLS.find((t) => t.id === id)!;
  const c: ToolContext = {
    water: null,
    volume: null,
    evidence: null,
    doc: emptyDocument(),
    units: US,
    nowMs: NOW,
    today: '2026-05-01',
    newId: () => 'new',
    dayLabel: (d) => d,
    clockLabel: String,
  };
  const choices: Choices = {};
  for (let pass = 0; pass < 3; pass++)
    for (const f of tool.fields(c, choices))
      if (f.kind === 'choice') choices[f.key] = String(input[f.key] ?? f.start);
  const out: Input = { units: 'us' };
  for (const f of tool.fields(c, choices)) {
    const x = input[f.key];
    if (x === undefined) continue;
    if (f.kind === 'choice') out[f.key] = x;
    else if (f.quantity in METRIC)
      out[f.key] = toUnit(US[f.quantity as keyof UnitPreferences], Number(x)).toFixed(9);
    else out[f.key] = shownText({ ...f, start: Number(x), decimals: 10, startText: undefined as never }, c);
  }
  return out;
}

test('there are sixty worked cases and more', () => {
  expect(CASES.length).toBeGreaterThanOrEqual(60);
});
describe.each(CASES.map((c, i) => [`${i} ${c[0]}`, c] as const))('%s', (_, [tool, input, expected]) => {
  const check = (got: Answer) => {
    for (const [key, x] of Object.entries(expected)) {
      const found = got.values[key]?.value;
      if (x === null) expect([key, found]).toEqual([key, null]);
      else
        expect([key, Math.abs((found ?? NaN) - x) <= Math.max(1e-6, Math.abs(x) * 2e-4)]).toEqual([
          key,
          true,
        ]);
    }
  };
  test('in metric units', () => check(answer(tool, input)));
  test('in US units', () => check(answer(tool, inUs(tool, input))));
});

describe('what must hold', () => {
  const some = (min: number, max: number) => fc.double({ min, max, noNaN: true });
  const check = (property: fc.IProperty<never> | fc.IPropertyWithHooks<never>) =>
    fc.assert(property as fc.IProperty<unknown>, { numRuns: 40, seed: 11 });
  test('at rest a change brings what was used since the last', () =>
    check(
      fc.property(some(0.01, 2), some(6, 14), some(2, 60), fc.integer({ min: 1, max: 30 }), (u, n, p, d) => {
        const input = {
          what: 'alkalinity',
          'perDay-alkalinity': u,
          'new-alkalinity': n,
          percent: p,
          everyDays: d,
          netL: 100,
        };
        const [before, after] = ['restBefore', 'restAfter'].map((k) => value('supply', input, k)) as [
          number,
          number,
        ];
        expect((p / 100) * (n - before)).toBeCloseTo(u * d, 6);
        expect(after - before).toBeCloseTo(u * d, 6);
      }) as never,
    ));
  test('the share that holds a limit holds it just', () =>
    check(
      fc.property(some(0.01, 0.1), some(9, 12), (u, n) => {
        const base = {
          what: 'alkalinity',
          'perDay-alkalinity': u,
          'new-alkalinity': n,
          'limit-alkalinity': 7,
          everyDays: 7,
          netL: 100,
        };
        const share = value('supply', { ...base, percent: 10 }, 'fractionToHold');
        expect(value('supply', { ...base, percent: share * 100 }, 'restBefore')).toBeCloseTo(7, 6);
      }) as never,
    ));
  test('mass to depth and back', () =>
    check(
      fc.property(some(20, 300), some(20, 100), some(0.5, 15), some(0.9, 1.9), (l, w, depthCm, bulk) => {
        const floor = { lengthCm: l, widthCm: w, bulk };
        const kg = value('grain', { ...floor, from: 'depth', depthCm }, 'kg');
        fc.pre(kg > 0.01 && kg < 5000);
        expect(value('grain', { ...floor, from: 'mass', kg }, 'depth')).toBeCloseTo(depthCm, 6);
      }) as never,
    ));
  test('a batch put right by its next portion comes out right', () =>
    check(
      fc.property(some(5, 200), some(28, 33.5), some(33, 37), (litres, measured, salinity) => {
        const grams = litres * 36;
        const next = value('staged', { litres, salinity, in: grams, measured, mixedHours: 2 }, 'next');
        // The mix by its own batch: salinity rises with what is in.
        const then = (measured * (grams + next)) / grams;
        expect(then).toBeLessThanOrEqual(Math.max(salinity, measured) + 1e-5);
        if (salinity - measured <= 2 && salinity - measured >= 0.3) expect(then).toBeCloseTo(salinity, 6);
      }) as never,
    ));
  test('more height, more pipe and more bends give less flow; a wider pipe more', () =>
    check(
      fc.property(
        some(20, 150),
        some(50, 500),
        fc.integer({ min: 0, max: 10 }),
        some(12, 40),
        (li, pi, be, d) => {
          const base = {
            ratedLPerH: 3000,
            maxHeadCm: 300,
            liftCm: li,
            pipeCm: pi,
            bends: be,
            insideMm: d,
            netL: 100,
          };
          const flow = (more: Input) => value('pump', { ...base, ...more }, 'flow');
          const here = flow({});
          expect(flow({ liftCm: li + 20 })).toBeLessThan(here);
          expect(flow({ pipeCm: pi + 100 })).toBeLessThanOrEqual(here);
          expect(flow({ bends: be + 2 })).toBeLessThanOrEqual(here);
          expect(flow({ insideMm: d * 1.3 })).toBeGreaterThanOrEqual(here);
        },
      ) as never,
    ));
  test('what is fed twice makes twice as much in the same water, half in twice the water', () =>
    check(
      fc.property(some(0.05, 20), some(30, 2000), (grams, netL) => {
        const made = (g: number, l: number) =>
          value('nutrients', { grams: g, netL: l, algaeGrams: 0 }, 'nitrateMade');
        expect(made(2 * grams, netL)).toBeCloseTo(2 * made(grams, netL), 8);
        expect(made(grams, 2 * netL)).toBeCloseTo(made(grams, netL) / 2, 8);
      }) as never,
    ));
  test('nothing answers worse for being longer in use', () =>
    check(
      fc.property(
        fc.constantFrom('sediment', 'carbon', 'membrane', 'resin'),
        fc.nat(1500),
        fc.nat(1500),
        (stage, a, b) => {
          const due = (days: number) => value('stages', { stage, days }, 'due');
          expect(due(Math.max(a, b))).toBeGreaterThanOrEqual(due(Math.min(a, b)));
        },
      ) as never,
    ));
  test('as much more money as more litres, whatever the source', () =>
    check(
      fc.property(some(20, 2000), (netL) => {
        const money = (l: number) => value('sources', { netL: l, topOffPerDay: 0, unitPrice: 0 }, 'tapMoney');
        expect(money(2 * netL)).toBeCloseTo(2 * money(netL), 6);
      }) as never,
    ));
});

test('the list names every tool with inputs, units and ranges', () => {
  const list = toolList(NOW) as { name: string; fields: { key: string; unit: string; max: number }[] }[];
  expect(list.map((t) => t.name)).toEqual(TOOLS.map((t) => t.id));
  for (const t of list)
    for (const f of t.fields)
      expect([t.name, f.key, typeof f.unit, typeof f.max]).toEqual([t.name, f.key, 'string', 'number']);
  const grain = list.find((t) => t.name === 'grain')!;
  expect(grain.fields.find((f) => f.key === 'kg')).toMatchObject({ when: { from: 'mass' } });
});
test.each(TOOLS.filter((t) => t.caution).map((t) => [t.id, t] as const))('%s says its caution once', (id) => {
  const input = CASES.find(([tool]) => tool === id)?.[1];
  if (input) expect(answer(id, input).cautions).toHaveLength(1);
});
test.each([
  ['nothing', '{}', /there is no tool "nothing"/],
  ['salt', 'no', /is not JSON/],
  ['salt', '{"litres":"many"}', /"litres": .*number/i],
  ['salt', '{"litres":-4}', /"litres": Batch must be above 0/],
  ['salt', '{"liters":4}', /"liters" is no input of salt; it has litres/],
  ['change', '{"goal":"beauty"}', /"goal" must be one of nitrate/],
  ['salt', '{"units":"imperial"}', /"units" must be "metric" or "us"/],
  ['change', '{}', /"before-nitrate": Fill in/],
  ['grain', '{"lengthCm":100,"widthCm":50,"kg":20}', /"kg" is no input of grain/],
] as const)('%s %s is refused in a sentence', (tool, text, says) => {
  expect(() => toolAnswer(tool, text, NOW)).toThrow(InputError);
  expect(() => toolAnswer(tool, text, NOW)).toThrow(says);
});
