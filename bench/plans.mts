/** How long a plan takes in the app's own worker as it was built last, begun for it alone, in Chromium, and how long the next does in the same:
 *  `tsx bench/plans.mts [WISHES BUDGET [HOUSEHOLDS [KIND]]]`. Kinds are alike, room (much could be bought at once), unlike (budgets of their own), midway
 *  (some of it bought or set), first (no fish lives there yet) and ammonia (R6 is asked). */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { household, unlike, withOwn, withRoom } from '../core/testing/longPlans';
import { withFirstFish } from '../core/testing/plans';
import { seededRandom } from '../core/random';
import type { Problem } from '../core/planner';

const built = 'dist/_expo/static/js/web';
const worker = readdirSync(built).find((name) => /^plan-[0-9a-f]+\.js$/.test(name));
if (!worker) throw new Error('There is no planner in dist: build the app first.');
const source = readFileSync(join(built, worker), 'utf8');
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell',
  args: ['--no-sandbox', '--disable-gpu', '--no-first-run'],
});

interface Timed {
  ms: number;
  status: string;
  /** Asked again in the same worker, with ten more a month. */
  nextMs: number;
}

const kinds: Record<string, (n: number, seed: number, budget: number | null) => Problem> = {
  alike: household,
  room: withRoom,
  unlike: (n, seed, budget) => ({ ...unlike(seed, n), ...(budget === null ? {} : { budget }) }),
  first: (n, seed, budget) => withFirstFish(household(n, seed, budget), seededRandom(seed)),
  midway: (n, seed, budget) => withOwn(household(n, seed, budget), seed),
  ammonia: (n, seed, budget) => {
    const p = household(n, seed, budget);
    const nearZeroMgN = p.displayLoadMgN + 6 + (seed % 5) * 3;
    return { ...p, water: { nearZeroMgN, netL: 200, freeShare: 0.05 } };
  },
};
const [wishes, budget, households = 40] = process.argv.slice(2, 5).map(Number);
const kind = process.argv[5] ?? 'alike';
const make =
  kinds[kind] ??
  (() => {
    throw new Error(`Kinds are ${Object.keys(kinds).join(', ')}.`);
  });

async function timed(n: number, budget: number | null, seed: number): Promise<Timed> {
  const page = await browser.newPage();
  const told = await page.evaluate(
    ([code, ...problems]) => {
      const worker = new Worker(URL.createObjectURL(new Blob([code], { type: 'text/javascript' })));
      return new Promise<Timed>((done) => {
        const times: number[] = [];
        let status = '';
        let began = performance.now();
        worker.onmessage = ({ data }: MessageEvent<{ plan?: { status: string } }>) => {
          if (data.plan) {
            times.push(performance.now() - began);
            status ||= data.plan.status;
            return;
          }
          // All of it is told.
          const next = problems[times.length];
          if (!next) return done({ ms: times[0] as number, status, nextMs: times[1] as number });
          began = performance.now();
          worker.postMessage({ asked: [{ name: 'plan', problem: next }] });
        };
        worker.postMessage({ asked: [{ name: 'plan', problem: problems[0] }] });
      });
    },
    [source, make(n, seed, budget), make(n, seed, budget === null ? null : budget + 10)] as const,
  );
  await page.close();
  return told;
}

const asked: (readonly [number, number | null])[] = wishes
  ? [[wishes, budget || null]]
  : [
      [12, null],
      [12, 200],
      [12, 150],
      [12, 100],
      [12, 80],
      [10, 100],
      [8, 60],
    ];
for (const [n, money] of asked) {
  const all: Timed[] = [];
  for (let seed = 1; seed <= households; seed++) all.push(await timed(n, money, seed));
  const slow = all.flatMap(({ ms }, i) => (ms > 1000 ? [`${i + 1}: ${Math.round(ms)} ms`] : []));
  if (slow.length > 0) console.log(`over a second: ${slow.join(', ')}`);
  const times = all.map(({ ms }) => ms).sort((a, b) => a - b);
  const next = all.map(({ nextMs }) => nextMs).sort((a, b) => a - b);
  const at = (share: number, of = times) => `${Math.round(of[Math.ceil(share * of.length) - 1] ?? NaN)} ms`;
  const proved = all.filter(({ status }) => status !== 'best found').length;
  const inTime = times.filter((ms) => ms <= 1000).length;
  const name = `${n} wishes, ${kind}${money === null ? '' : `, ${money} a month`}`;
  console.log(`${name}: middle ${at(0.5)}, nine of ten ${at(0.9)}, worst ${at(1)}`);
  console.log(`  of ${households} ${proved} proved, ${inTime} within a second`);
  console.log(`  the next in the same worker: middle ${at(0.5, next)}, nine of ten ${at(0.9, next)}`);
}
await browser.close();
