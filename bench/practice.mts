/** Plays each scenario by the app's advice alone, many seeds, and holds it against the careful course: `tsx bench/practice.mts [SEEDS] [FIRST] [ID]`. */
import { carefulDay, play, purse, SCENARIOS } from '../core/practice';

const [seeds = '50', first = '1', only] = process.argv.slice(2);
const quantile = (xs: number[], q: number): string => {
  const sorted = [...xs].sort((a, b) => a - b);
  return sorted.length === 0
    ? '-'
    : (sorted[Math.min(sorted.length - 1, Math.floor(q * sorted.length))] as number).toFixed(1);
};
const row = (cells: readonly unknown[]) => console.log(`| ${cells.join(' | ')} |`);
const HEAD = [
  'scenario',
  'lost to ammonia',
  'lost otherwise',
  'ready',
  'careful, middle',
  'by advice, middle',
  'within 20 % or 3 days',
  'ratio, worst',
  'truly ready at go',
  'spent, at most',
];
row(HEAD);
row(HEAD.map(() => '---'));
for (const scenario of SCENARIOS.filter((s) => only === undefined || s.id === only)) {
  const runs = Array.from({ length: Number(seeds) }, (_, i) => {
    const seed = Number(first) + i;
    return { run: play(scenario, seed), careful: carefulDay(scenario, seed) };
  });
  const both = runs.filter((r) => r.run.readyDay !== null && r.careful !== null);
  const near = both.filter((r) => r.run.readyDay! <= Math.max(1.2 * r.careful!, r.careful! + 3));
  const lost = runs.flatMap((r) => r.run.lost);
  const toAmmonia = lost.filter((l) => l.startsWith('ammonia')).length;
  const careful = runs.flatMap((r) => r.careful ?? []);
  const byAdvice = runs.flatMap((r) => r.run.readyDay ?? []);
  row([
    scenario.id,
    toAmmonia,
    lost.length - toAmmonia,
    `${byAdvice.length} of ${careful.length}`,
    quantile(careful, 0.5),
    quantile(byAdvice, 0.5),
    `${near.length} of ${both.length}`,
    quantile(
      both.map((r) => r.run.readyDay! / r.careful!),
      0.999,
    ),
    both.filter((r) => r.run.readyTruly).length,
    `${Math.max(...runs.map((r) => purse(scenario, r.run.doc).spent)).toFixed(0)} of ${scenario.budget}`,
  ]);
  if (only !== undefined)
    for (const { run, careful } of runs) {
      const days = `ready ${run.readyDay?.toFixed(1)} careful ${careful?.toFixed(1)}`;
      console.log(
        `${run.seed}: ${days} lost ${run.lost.join()} peak ${run.peakFree.toFixed(3)} sittings ${run.sittings}`,
      );
      for (const line of run.diary) console.log(`   ${line}`);
    }
}
