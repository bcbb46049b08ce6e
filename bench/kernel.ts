/** The kernel against the same loop in C at -O2 (bench/kernel.c), nanoseconds a step, best of seven. Needs a C compiler. */
import { execFileSync } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { advance } from '../core/forecast/kernel';
import { emptyParams } from '../core/forecast/prior';

const p = {
  ...emptyParams(),
  muA: 0.6,
  muN: 0.45,
  ka: 0.3,
  kn: 0.3,
  lagDays: 1,
  rotFood: 0.3,
  rotSlow: 0.2,
  loss: 0.006,
  decay: 0.03,
  max: 15,
  kiA: 14,
  kiN: 20,
};
let best = Infinity;
let sum = 0;
const s = new Float64Array(10);
for (let round = 0; round < 9; round++) {
  const begun = performance.now();
  for (let run = 0; run < 20_000; run++) {
    s[0] = 1;
    s[1] = 0.3;
    s[2] = 1.5;
    s[3] = 0.1;
    s[4] = 0;
    s[5] = 0.1 + run * 1e-7;
    s[6] = 0.05;
    s[7] = 9;
    s[8] = 0.01;
    s[9] = 0;
    advance(s, 0.125, 480, p, 1, 1, 1);
    sum += s[3] as number;
  }
  if (round > 1) best = Math.min(best, ((performance.now() - begun) * 1e6) / (20_000 * 480));
}
console.error(sum);
mkdirSync('.cache', { recursive: true });
try {
  execFileSync('cc', ['-O2', '-o', '.cache/kernel', 'bench/kernel.c']);
  const c = Number(execFileSync('.cache/kernel', { stdio: ['ignore', 'pipe', 'ignore'] }).toString());
  console.log(
    `kernel: ${best.toFixed(1)} ns a step; the same in C at -O2: ${c.toFixed(1)} ns; ratio ${(best / c).toFixed(2)}`,
  );
} catch {
  console.log(`kernel: ${best.toFixed(1)} ns a step; no C compiler here to compare with`);
}
