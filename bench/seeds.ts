/** Does the same log say the same dates? `npm run accuracy -- --seeds [logs] [seeds] [first log]`: logs of the other world whose likely date
 *  lies ahead, each answered under several seeds of the sampler. What the dates differ by is the sampler's luck. */
import { answerNow, type Answer, type Question } from '../core/forecast';
import { DAY_MS } from '../core/time';
import { OTHER_START, otherTank } from '../core/testing/otherTank';

const END = 90;
/** A width is taken as at least so many days. */
const FLOOR = 5;

interface Row {
  log: number;
  method: string;
  dates: [number, number, number];
  /** Standard deviations over seeds, days. */
  sd: [number, number, number];
  width: number;
  ms: number;
}

const question = (atMs: number, cut: number, seed: number): Question => ({
  waterId: 't',
  atMs,
  seed,
  horizonDays: Math.ceil(END - cut + 5),
  plan: 'asSoFar',
  loadMgN: null,
});

/** The moment at which a log is cut: a quarter, half or four fifths of its way to ready, or of 60 days. */
const cutOf = (seed: number, readyDay: number): number =>
  Math.max(3, Math.min(readyDay, 60) * ([0.25, 0.5, 0.8][(seed - 1) % 3] as number));

const median = (xs: number[]): number => {
  const s = [...xs].sort((a, b) => a - b);
  return ((s[Math.floor((s.length - 1) / 2)] as number) + (s[Math.ceil((s.length - 1) / 2)] as number)) / 2;
};
const deviation = (xs: number[]): number => {
  const mean = xs.reduce((a, b) => a + b, 0) / xs.length;
  return Math.sqrt(xs.reduce((sum, x) => sum + (x - mean) ** 2, 0) / (xs.length - 1));
};

/** Dates of a log under several seeds; null when no likely date lies ahead of it. */
function rowOf(log: number, seeds: number): Row | null {
  const tank = otherTank(log);
  const cut = cutOf(log, tank.readyDay);
  const atMs = OTHER_START + cut * DAY_MS;
  const said: [number, number, number][] = [];
  const begun = performance.now();
  for (let seed = 1; seed <= seeds; seed++) {
    const a: Answer = answerNow(tank.doc, question(atMs, cut, seed));
    if (a.status === 'cannotSay' || a.proved) return null;
    const { p10, p50, p90 } = a.forecast.ready;
    // Judged by the first seed alone, so that logs are not chosen by how well they do.
    if (seed === 1 && (p50 === null || p50 < 1 || p50 > END - cut)) return null;
    said.push([p10, p50, p90].map((d) => Math.min(d ?? Infinity, END - cut)) as [number, number, number]);
  }
  const of = <T>(f: (k: 0 | 1 | 2) => T): [T, T, T] => [f(0), f(1), f(2)];
  const dates = of((k) => said.reduce((sum, q) => sum + q[k], 0) / said.length);
  return {
    log,
    method: tank.method,
    dates,
    sd: of((k) => deviation(said.map((q) => q[k]))),
    width: Math.max(FLOOR, dates[2] - dates[0]),
    ms: (performance.now() - begun) / seeds,
  };
}

export function seedsReport(logs: number, seeds: number, first: number): void {
  const rows: Row[] = [];
  console.log(
    '| log | source | p10, p50, p90, days ahead | sd of each, days | sd of p50, % of width | ms a fit |',
  );
  console.log('|---|---|---|---|---|---|');
  for (let log = first; rows.length < logs && log < first + 20 * logs; log++) {
    const row = rowOf(log, seeds);
    if (!row) continue;
    rows.push(row);
    const days = (xs: readonly number[]) => xs.map((x) => x.toFixed(1)).join(', ');
    console.log(
      `| ${row.log} | ${row.method} | ${days(row.dates)} | ${days(row.sd)} | ${((100 * row.sd[1]) / row.width).toFixed(1)} | ${row.ms.toFixed(0)} |`,
    );
  }
  const share = (k: 0 | 1 | 2) => rows.map((r) => (100 * r.sd[k]) / r.width);
  console.log(
    `\n${rows.length} logs, ${seeds} seeds each. Standard deviation in % of the 80 % width: p50 ${median(share(1)).toFixed(1)} in the middle of the logs (aim 3), ${Math.max(...share(1)).toFixed(1)} at worst (aim 8); p10 ${median(share(0)).toFixed(1)}, p90 ${median(share(2)).toFixed(1)} in the middle (aim 5). ${median(rows.map((r) => r.ms)).toFixed(0)} ms a fit, one thread.`,
  );
}
