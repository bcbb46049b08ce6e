/** How long a plan takes in the app's own worker, begun for it alone, in Chromium: `tsx bench/plans.mts [WISHES BUDGET [HOUSEHOLDS]]`. */
import { chromium } from '@playwright/test';
import { buildSync } from 'esbuild';
import { household } from '../core/testing/longPlans';

const { outputFiles } = buildSync({
  entryPoints: ['src/workers/plan.worker.ts'],
  bundle: true,
  minify: true,
  format: 'iife',
  write: false,
});
const source = outputFiles[0]?.text ?? '';
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell',
  args: ['--no-sandbox', '--disable-gpu', '--no-first-run'],
});

interface Timed {
  ms: number;
  status: string;
}

async function timed(n: number, budget: number | null, seed: number): Promise<Timed> {
  const page = await browser.newPage();
  const told = await page.evaluate(
    ([code, problem]) => {
      const worker = new Worker(URL.createObjectURL(new Blob([code], { type: 'text/javascript' })));
      const began = performance.now();
      return new Promise<Timed>((done) => {
        worker.onmessage = ({ data }: MessageEvent<{ plan?: { status: string } }>) => {
          if (data.plan) done({ ms: performance.now() - began, status: data.plan.status });
        };
        worker.postMessage({ asked: [{ name: 'plan', problem }] });
      });
    },
    [source, household(n, seed, budget)] as const,
  );
  await page.close();
  return told;
}

const [wishes, budget, households = 40] = process.argv.slice(2).map(Number);
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
  const times = all.map(({ ms }) => ms).sort((a, b) => a - b);
  const at = (share: number) => `${Math.round(times[Math.ceil(share * times.length) - 1] ?? NaN)} ms`;
  const proved = all.filter(({ status }) => status === 'optimal').length;
  const inTime = times.filter((ms) => ms <= 1000).length;
  const name = `${n} wishes${money === null ? '' : `, ${money} a month`}`;
  console.log(`${name}: middle ${at(0.5)}, nine of ten ${at(0.9)}, worst ${at(1)}`);
  console.log(`  of ${households} ${proved} proved, ${inTime} within a second`);
}
await browser.close();
