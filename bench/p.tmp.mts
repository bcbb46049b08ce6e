import { DAY_MS } from '../core/time';
import { read, islandOptions, inferIsland, pooled, answerFrom } from '../core/forecast';
import { OTHER_START, otherTank } from '../core/testing/otherTank';
for (const log of [24, 21, 5]) {
  const tank = otherTank(log);
  const cut = Math.max(3, Math.min(tank.readyDay, 60) * [0.25, 0.5, 0.8][(log - 1) % 3]!);
  const q = {
    waterId: 't',
    atMs: OTHER_START + cut * DAY_MS,
    seed: 1,
    horizonDays: Math.ceil(95 - cut),
    plan: 'asSoFar' as const,
    loadMgN: 12,
  };
  const t = performance.now();
  const asked = read(tank.doc, q);
  if ('status' in asked) throw 0;
  console.log(
    log,
    'read ms',
    (performance.now() - t).toFixed(0),
    'dims',
    asked.target.dims.length,
    'runs',
    asked.target.plan.dt.length,
    'steps',
    asked.target.plan.steps.reduce((a, b) => a + b, 0),
    'obs',
    asked.target.timeline.observations.length,
  );
  for (let k = 0; k < 3; k++) {
    const t0 = performance.now();
    const r = inferIsland(asked.target, islandOptions(q, k));
    let n = r.next();
    while (!n.done) n = r.next();
    const t1 = performance.now();
    const p = pooled(asked.target, [n.value, n.value], 1);
    const t2 = performance.now();
    answerFrom(asked, p);
    console.log(
      'island',
      (t1 - t0).toFixed(0),
      'rounds',
      n.value.rounds,
      'acc',
      n.value.acceptance.toFixed(2),
      'pool',
      (t2 - t1).toFixed(0),
      'answer',
      (performance.now() - t2).toFixed(0),
    );
  }
}
