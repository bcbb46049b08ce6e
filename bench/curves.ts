/** Do the drawn bands hold what really happens? `npm run accuracy -- --curves [tanks] [first]`: the fortnight after each cut, ammonia and nitrite of
 *  the other world day by day against the band of the forecast. */
import { answerNow } from '../core/forecast';
import { OTHER_START, otherTank } from '../core/testing/otherTank';
import { DAY_MS } from '../core/time';

const AHEAD_DAYS = 14;
/** What no kit could tell apart, mg N/L. */
const SLACK = 0.05;

export function curvesReport(tanks: number, first: number): void {
  const tally = { ammonia: [0, 0, 0], nitrite: [0, 0, 0] };
  for (let seed = first; seed < first + tanks; seed++) {
    const tank = otherTank(seed);
    const cut = Math.max(3, Math.min(tank.readyDay, 60) * ([0.25, 0.5, 0.8][seed % 3] as number));
    const answer = answerNow(tank.doc, {
      waterId: 't',
      atMs: OTHER_START + cut * DAY_MS,
      seed: 1,
      horizonDays: AHEAD_DAYS,
      plan: 'asSoFar',
      loadMgN: null,
    });
    if (answer.status !== 'ok') continue;
    for (const band of answer.forecast.bands.slice(1)) {
      const truth = tank.capacities[Math.round((cut + band.day) * 10)];
      if (!truth) continue;
      for (const name of ['ammonia', 'nitrite'] as const) {
        const [low, , high] = band[name];
        const where = truth[name] < low - SLACK ? 0 : truth[name] > high + SLACK ? 2 : 1;
        tally[name][where] = (tally[name][where] as number) + 1;
      }
    }
  }
  for (const name of ['ammonia', 'nitrite'] as const) {
    const all = tally[name].reduce((a, b) => a + b, 0);
    const [below, inside, above] = tally[name].map((n) => `${((100 * n) / all).toFixed(0)} %`);
    console.log(`${name}: ${inside} inside the band, ${above} above, ${below} below, of ${all} days`);
  }
}
