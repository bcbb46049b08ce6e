import { makeDemo } from '../demo';
import { writeDocument } from '../core/document/checks';
import {
  CommandError,
  convert,
  forecastCommand,
  ledger,
  momentOf,
  simulate,
  validate,
  verdict,
} from './commands';

const NOW = Date.UTC(2026, 5, 1, 18);
const file = writeDocument(makeDemo(NOW, (ms) => new Date(ms).toISOString().slice(0, 10)));
const at = new Date(NOW).toISOString();

test('validate counts what is there, or names each fault', () => {
  expect(validate(file)).toMatchObject({ valid: true, counts: { waters: 4 } });
  expect(() => validate(file.replace('"north-window"', '"elsewhere"'))).toThrow(/faults/);
  expect(() => validate('{')).toThrow(CommandError);
});
test('a tank must be chosen when there are two, and be there', () => {
  expect(() => verdict(file, {}, NOW)).toThrow(/2 displays: choose one with --water/);
  expect(() => verdict(file, { water: 'attic' }, NOW)).toThrow(/no water "attic"/);
});
test('the verdict, and the same on an earlier day', () => {
  expect(verdict(file, { water: 'pantry-cube', at }, 0)).toMatchObject({
    fish: { word: 'wait' },
    school: 'proof24',
  });
  const early = verdict(
    file,
    { water: 'north-window', at: new Date(NOW - 35 * 86_400_000).toISOString() },
    0,
  ) as { gates: { id: string; status: string }[] };
  expect(early.gates.find((g) => g.id === 'proof')?.status).toBe('ahead');
  const today = verdict(file, { water: 'north-window', at }, 0) as {
    gates: { id: string; status: string }[];
  };
  expect(today.gates.find((g) => g.id === 'proof')?.status).toBe('passed');
});
test('the forecast has dates in order or null, bands by day, and repeats by seed', () => {
  const ask = (seed: string) =>
    forecastCommand(file, { water: 'pantry-cube', at, seed, days: '60' }, 0) as {
      readyAt: Record<string, string | null>;
      nitriteClearAt: Record<string, string | null>;
      bands: { ammonia: { p10: number; p50: number; p90: number } }[];
    };
  const one = ask('5');
  expect(ask('5')).toEqual(one);
  expect(one.bands).toHaveLength(61);
  for (const b of one.bands)
    expect(b.ammonia.p10 <= b.ammonia.p50 && b.ammonia.p50 <= b.ammonia.p90).toBe(true);
  expect((one.nitriteClearAt.p10 ?? '9') <= (one.nitriteClearAt.p90 ?? '9')).toBe(true);
  for (const d of Object.values(one.readyAt)) if (d !== null) expect(d >= at).toBe(true);
});
test('a moment before anything was logged cannot be forecast, and says why', () => {
  expect(forecastCommand(file, { water: 'pantry-cube', at: '2020-01-01' }, 0)).toMatchObject({
    status: 'cannotSay',
    readyAt: { p50: null },
  });
});
test('the ledger adds up', () => {
  const l = ledger(file, { water: 'north-window', at }, 0) as {
    putIn: number;
    found: { total: number };
    gap: number;
  };
  expect(l.putIn - l.found.total).toBeCloseTo(l.gap, 9);
});
test('simulate keeps nitrogen; a wrong scenario is named', () => {
  const out = simulate(
    JSON.stringify({ start: { ammonia: 2, capacityA: 0.1, capacityN: 0.05 }, days: 30 }),
  ) as { days: { organic: number; ammonia: number; nitrite: number; nitrate: number }[] };
  const last = out.days[30];
  expect(
    (last?.organic ?? 0) + (last?.ammonia ?? 0) + (last?.nitrite ?? 0) + (last?.nitrate ?? 0),
  ).toBeCloseTo(2, 9);
  expect(() => simulate('{"days": 0}')).toThrow(/days/);
  expect(() => simulate('nonsense')).toThrow(/not JSON/);
});
test('convert', () => {
  expect(convert(['35', 'ppt', 'sg2525'])).toMatchObject({ value: expect.closeTo(1.02637, 4) });
  expect(convert(['2', 'ammonia:ion', 'ammonia:N'])).toMatchObject({ value: expect.closeTo(1.553, 3) });
  expect(convert(['nh3', '1', '8.1', '25', '35'])).toMatchObject({ freeFraction: expect.closeTo(0.052, 3) });
  for (const bad of [
    ['x', 'ppt', 'L'],
    ['1', 'ppt', 'L'],
    ['1', 'ammonia:N', 'nitrite:N'],
    ['1', 'stone', 'L'],
    [],
  ])
    expect(() => convert(bad)).toThrow(CommandError);
});
test('times', () => {
  expect(momentOf('2026-01-31', 0)).toBe(Date.UTC(2026, 0, 31));
  expect(() => momentOf('yesterday', 0)).toThrow(/--at must be a time/);
});
