/** Tanks of another making kept for 120 days by someone who does what the app says and nothing else, and quiet tanks of a year. */
import { SCHOOLS } from '../core/document';
import { keep, MISHAPS, type KeptTank } from '../core/testing/keeper';
import { quietYear } from '../core/testing/quiet';

const DAYS = 120;
const QUIET = 30;

/** Every school, mishap and kind of kit in turn. */
const kept = (count: number, firstSeed: number): KeptTank[] =>
  Array.from({ length: count }, (_, i) =>
    keep(
      firstSeed + i,
      SCHOOLS[i % SCHOOLS.length] ?? 'proof24',
      MISHAPS[Math.floor(i / 2) % MISHAPS.length] ?? 'none',
      i % 2 === 0 ? 'chart' : 'meter',
      DAYS,
    ),
  );

/** Prints the table of docs/judgement.md. */
export function keeperReport(count: number, firstSeed: number): void {
  const begun = performance.now();
  const tanks = kept(count, firstSeed);
  const missed = tanks.filter((t) => t.stockedDay === null && t.readyDays >= 14);
  const worst = (of: (t: KeptTank) => number) => Math.max(...tanks.map(of));
  const rows: [string, string | number][] = [
    ['tanks', tanks.length],
    ['ammonia dosed onto animals', tanks.reduce((n, t) => n + t.dosedOntoAnimals, 0)],
    ['free ammonia over 0.05 with animals in, longest, h', worst((t) => t.hoursOverAct).toFixed(1)],
    ['highest free ammonia with animals in, mg N/L', worst((t) => t.peakFree).toFixed(3)],
    ['tanks that lost animals to the water', tanks.filter((t) => t.lost.length > 0).length],
    ['longest on one sentence while the water was clear, days', worst((t) => t.stuckDays).toFixed(0)],
    ['stocked', tanks.filter((t) => t.stockedDay !== null).length],
    ['truly ready for two weeks and not stocked', missed.length],
    [
      'animals in the middle',
      [...tanks].sort((a, b) => a.animals - b.animals)[tanks.length >> 1]?.animals ?? 0,
    ],
  ];
  console.log(
    `\n| A keeper who obeys, ${DAYS} days, seeds ${firstSeed} to ${firstSeed + count - 1} | |\n|---|---|`,
  );
  for (const [name, value] of rows) console.log(`| ${name} | ${value} |`);
  for (const t of [...missed, ...tanks.filter((x) => x.lost.length > 0 || x.hoursOverAct > 24)])
    console.log(`seed ${t.seed}: ${t.school}, ${t.mishap}, ${t.reader}; ${t.lost.join(', ')}`);
  const quiet = Array.from({ length: QUIET }, (_, i) => quietYear(firstSeed + i));
  const mostWatches = Math.max(...quiet.map((q) => q.watches));
  console.log(
    `\nQuiet tanks of a year (${QUIET}): false Act now ${quiet.reduce((n, q) => n + q.actNows, 0)}, false Watch at most ${mostWatches} in a year, ${quiet.reduce((n, q) => n + q.watches, 0)} in all.`,
  );
  console.log(`\n${((performance.now() - begun) / 1000).toFixed(0)} s, one core.`);
}
