import { DAY_MS } from '../core/time';
import { answerNow } from '../core/forecast';
import { OTHER_START, otherTank } from '../core/testing/otherTank';
for (const log of [1, 5, 8, 14, 17, 19, 102]) {
  const tank = otherTank(log);
  const cut = Math.max(3, Math.min(tank.readyDay, 60) * [0.25, 0.5, 0.8][(log - 1) % 3]!);
  const t0 = performance.now();
  const a = answerNow(tank.doc, {
    waterId: 't',
    atMs: OTHER_START + cut * DAY_MS,
    seed: 1,
    horizonDays: Math.ceil(95 - cut),
    plan: 'asSoFar',
    loadMgN: null,
  });
  if (a.status !== 'ok') continue;
  console.log(
    log,
    tank.method,
    (performance.now() - t0).toFixed(0) + ' ms',
    JSON.stringify(a.nextTest),
    JSON.stringify(a.volumeDoubt),
    'truth',
    (tank.readyDay - cut).toFixed(1),
    JSON.stringify(a.forecast.ready),
  );
}
