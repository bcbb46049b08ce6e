import { DAY_MS } from '../core/time';
import { read, islandOptions, inferIsland, pooled, defaultPlan, forecast } from '../core/forecast';
import { OTHER_START, otherTank } from '../core/testing/otherTank';
import { DIMENSIONS } from '../core/forecast/prior';
import { STATE_SIZE } from '../core/forecast/kernel';
const names =
  'x0 y0 bottleA bottleN matureA matureN muA muN ka kn lag rotFood rotSlow dieOff volume loss alk food decay kitA kitN kitR max kiA kiN'.split(
    ' ',
  );
for (const log of [5, 4]) {
  const tank = otherTank(log);
  const cut = Math.max(3, Math.min(tank.readyDay, 60) * [0.25, 0.5, 0.8][(log - 1) % 3]!);
  const q = {
    waterId: 't',
    atMs: OTHER_START + cut * DAY_MS,
    seed: 1,
    horizonDays: Math.ceil(95 - cut),
    plan: 'asSoFar' as const,
    loadMgN: null,
  };
  const asked = read(tank.doc, q);
  if ('status' in asked) throw 0;
  const t0 = performance.now();
  const isl = Array.from({ length: 8 }, (_, i) => {
    const r = inferIsland(asked.target, islandOptions(q, i));
    let n = r.next();
    while (!n.done) n = r.next();
    return n.value;
  });
  console.log(
    log,
    'ms an island',
    ((performance.now() - t0) / 8).toFixed(0),
    'acc',
    isl.map((i) => i.acceptance.toFixed(2)).join(' '),
    'rounds',
    isl.map((i) => i.rounds).join(' '),
  );
  const p = pooled(asked.target, isl, 1);
  const n = p.particles / 8;
  const f = forecast(p, defaultPlan(asked.water, asked.target.timeline), {
    horizonDays: q.horizonDays,
    seed: 1,
    loadMgN: null,
  });
  const gets: [string, (i: number) => number][] = [
    ['ready<p50', (i) => Number(f.readyDays[i]! < f.ready.p50!)],
    ...names.map((nm, k): [string, (i: number) => number] => [nm, (i) => p.z[i * DIMENSIONS + k]!]),
    ...['food', 'slow', 'A', 'N', 'R', 'X', 'Y'].map((nm, k): [string, (i: number) => number] => [
      's' + nm,
      (i) => Math.log(p.states[i * STATE_SIZE + k]! + 1e-3),
    ]),
    ...Array.from({ length: 8 }, (_, k): [string, (i: number) => number] => [
      'w' + k,
      (i) => p.z[i * DIMENSIONS + 25 + (k >> 1) + 20 * (k & 1)]!,
    ]),
  ];
  const rows = gets
    .map(([nm, g]) => {
      const m = isl.map((_, j) => {
        let s = 0;
        for (let i = j * n; i < (j + 1) * n; i++) s += g(i);
        return s / n;
      });
      const mm = m.reduce((a, b) => a + b) / 8;
      let v = 0;
      for (let i = 0; i < p.particles; i++) v += (g(i) - mm) ** 2;
      v /= p.particles;
      const vm = m.reduce((a, b) => a + (b - mm) ** 2, 0) / 7;
      return { nm, ess: v / vm, m };
    })
    .sort((a, b) => a.ess - b.ess);
  for (const r of rows.slice(0, 8))
    console.log(
      '  ',
      r.nm.padEnd(10),
      'ess an island',
      r.ess.toFixed(0).padStart(6),
      r.m.map((x) => x.toFixed(2)).join(' '),
    );
  const t1 = performance.now();
  forecast(p, defaultPlan(asked.water, asked.target.timeline), {
    horizonDays: q.horizonDays,
    seed: 1,
    loadMgN: null,
  });
  console.log(
    '  futures',
    p.particles,
    (((performance.now() - t1) * 1000) / p.particles).toFixed(0),
    'us each',
    f.ready,
    f.luck,
  );
}
