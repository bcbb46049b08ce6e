/** How long ways to begin take by the forecast's own prior, worked out once: `core/start/weeks.ts` is written from here.
 *  `--check` tells whether it is still so. */
import { readFileSync, writeFileSync } from 'node:fs';
import { format, resolveConfig } from 'prettier';
import { answerNow } from '../core/forecast';
import { DAY, History, START_MS } from '../core/testing/history';
import { WAYS, type WayId } from '../core/start/ways';

const FILE = 'core/start/weeks.ts';
const SEEDS = [1, 2, 3];
const HORIZON = 150;

/** A tank of a day, begun in a way, with the one test that says so. */
function begun(id: WayId): History {
  const way = WAYS.find((w) => w.id === id)!;
  const h = new History('proof24');
  const water = h.doc.waters.t!;
  if (water.kind !== 'display') throw new Error('no display');
  h.doc.waters.t = {
    ...water,
    ammoniaSource: way.ammonia,
    bacteriaSources: [...way.bacteria],
    rockKind: way.rock,
  };
  if (way.seed) h.event(0.02, { kind: 'bacteria', seed: way.seed, mL: way.seed === 'bottle' ? 100 : null });
  if (way.ammonia === 'bottled') h.dose(0.05, 2).water(0.15, { ammonia: 2, nitrite: 0 });
  else if (way.ammonia === 'dieOff') h.water(0.15, { ammonia: 0.5, nitrite: 0 });
  else
    h.event(0.05, {
      kind: 'food',
      food: way.ammonia === 'seafood' ? 'seafood' : 'pellets',
      grams: way.ammonia === 'seafood' ? 15 : 1,
    }).water(0.15, { ammonia: 0.2, nitrite: 0 });
  return h;
}

const rows = WAYS.map((way) => {
  const answers = SEEDS.map((seed) => {
    const a = answerNow(begun(way.id).doc, {
      waterId: 't',
      atMs: START_MS + 0.2 * DAY,
      seed,
      horizonDays: HORIZON,
      plan: 'asSoFar',
      loadMgN: null,
    });
    if (a.status !== 'ok') throw new Error(`${way.id}: ${a.because.code}`);
    return a.forecast;
  });
  const mean = (of: (f: (typeof answers)[number]) => number | null): number | null => {
    const all = answers.map(of);
    return all.some((x) => x === null)
      ? null
      : Math.round(((all as number[]).reduce((a, b) => a + b, 0) / all.length / 7) * 2) / 2;
  };
  return {
    id: way.id,
    proof: [mean((f) => f.ready.p10), mean((f) => f.ready.p50), mean((f) => f.ready.p90)],
    clear: [
      mean((f) => f.nitriteClear.p10),
      mean((f) => f.nitriteClear.p50),
      mean((f) => f.nitriteClear.p90),
    ],
  };
});
const text = await format(
  `/** Weeks by the forecast's prior; made by scripts/startTable.mts, which also checks that it still holds. Half weeks; null beyond ${HORIZON} days. */
import type { WayId } from './ways';

type Span = readonly [p10: number | null, p50: number | null, p90: number | null];
/** Until 2 mg/L ammonia are cleared in a day with their nitrite, and until both first read zero. */
export const WEEKS: Readonly<Record<WayId, { proof: Span; clear: Span }>> = ${JSON.stringify(Object.fromEntries(rows.map(({ id, ...r }) => [id, r])))};
`,
  { ...(await resolveConfig(FILE)), parser: 'typescript' },
);
if (process.argv.includes('--check')) {
  if (readFileSync(FILE, 'utf8') !== text) {
    console.error(`${FILE} is not what the prior says: run scripts/startTable.mts`);
    process.exitCode = 1;
  }
} else writeFileSync(FILE, text);
