import { InputError } from './input';
import { plan } from './plan';

const INPUT = {
  today: '2026-03-02',
  gate: { p50: '2026-03-10', p90: '2026-04-01' },
  coralGate: '2026-03-10',
  display: { filledDay: '2026-01-02', hasLid: true, loadMgNPerDay: 0 },
  firstStepMgN: 5,
  quarantines: [
    { id: 'tub', line: 'fish', netL: 60, clockDays: 28, totalLimitMgNPerL: 0.3 },
    { id: 'box', line: 'invertebrate', netL: 30, clockDays: 14, totalLimitMgNPerL: 0.3 },
  ],
  wishes: [
    { id: 'pair', speciesId: 'ocellaris-clownfish', count: 2, priority: 1 },
    { id: 'snails', speciesId: 'turban-snail', count: 3, priority: 1, price: 12 },
    { id: 'other', line: 'fish', loadMgNPerDay: 2, priority: 2, temperament: 2 },
  ],
  shopDays: ['sat'],
};
type Out = {
  status: string;
  steps: {
    wishId: string;
    buyDay: string;
    releaseDay: string;
    testDays: string[];
    binding: { rule: string; text: string }[];
  }[];
  leftOut: { wishId: string; rule: string; text: string }[];
  ms: number;
};
const run = (over: object = {}) => plan(JSON.stringify({ ...INPUT, ...over }), () => 0) as Out;
const refused = (over: object): string => {
  try {
    run(over);
  } catch (error) {
    if (error instanceof InputError) return error.message;
    throw error;
  }
  return 'not refused';
};

test('snails first, bought on a Saturday, then the fish; every wish stands once', () => {
  const out = run();
  expect(out.status).toBe('optimal');
  expect(out.steps.map((s) => s.wishId)[0]).toBe('snails');
  for (const s of out.steps) expect(new Date(`${s.buyDay}T00:00:00Z`).getUTCDay()).toBe(6);
  expect(out.steps.length + out.leftOut.length).toBe(3);
  expect(out.steps[0]?.testDays).toHaveLength(3);
  expect(out.steps.every((s) => s.binding.every((b) => b.text.length > 10))).toBe(true);
});
test('the cautious plan waits for the later gate', () => {
  expect(run().steps[0]!.releaseDay < '2026-04-01').toBe(true);
  expect(run({ which: 'cautious' }).steps.every((s) => s.releaseDay >= '2026-04-01')).toBe(true);
});
test('nothing can be placed: none, with a reason for each', () => {
  const out = run({ gate: { p50: null, p90: null } });
  expect(out).toMatchObject({ status: 'none', steps: [], lastRelease: null });
  expect(out.leftOut.map((l) => l.rule)).toEqual(['R1', 'R1', 'R1']);
});
test.each([
  [{ today: '2026-02-31' }, '"today"'],
  [{ wishes: [{ id: 'a', priority: 1, line: 'fish', loadMgNPerDay: 1 }] }, '"wishes[0].temperament"'],
  [{ wishes: [{ id: 'a', priority: 1, line: 'coral' }] }, '"wishes[0].loadMgNPerDay"'],
  [{ wishes: [{ id: 'a', priority: 1, speciesId: 'dragon' }] }, '"wishes[0].speciesId"'],
  [{ wishes: [INPUT.wishes[0], INPUT.wishes[0]] }, '"wishes[1].id"'],
  [{ forbidden: [['pair', 'nobody']] }, '"forbidden[0][1]"'],
  [{ away: [['2026-05-02', '2026-05-01']] }, '"away[0]"'],
  [
    { fixed: [{ wishId: 'pair', buyDay: '2026-03-07', quarantineId: 'box', releaseDay: null }] },
    '"fixed[0].quarantineId"',
  ],
  [{ shopDays: ['someday'] }, '"shopDays[0]"'],
  [{ budgetPerMonth: -1 }, '"budgetPerMonth"'],
])('%j is refused by name', (over, says) => expect(refused(over)).toContain(says));
