/** The app with a device that pretends, on the loopback: `npm run monitor`. SCENE is one of quiet, ammonia, stuck, dropouts and topOff; SPEED how many
 *  seconds of the device pass in one of ours. Pair under Settings, Monitor; then its readings come in. */
import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { makeApp } from './app';
import { Door } from './door';
import { standIn, standInRoutes, STAND_IN_SCENES, type Scene } from './standIn';
import { stopCleanly } from './stop';

const port = Number(process.env.PORT ?? '4173');
const scene = STAND_IN_SCENES.find((s) => s === (process.env.SCENE ?? 'quiet'));
const speed = Number(process.env.SPEED ?? '60');
const dist = join(dirname(fileURLToPath(import.meta.url)), '..', 'dist');
if (!scene || !(speed >= 1 && speed <= 10_000)) {
  console.error(`SCENE is one of ${STAND_IN_SCENES.join(', ')}, SPEED from 1 to 10000.`);
  process.exit(1);
}
if (!existsSync(join(dist, 'index.html'))) {
  console.error('The app is not built yet: run ./demo.sh, or npm run build.');
  process.exit(1);
}
const door = new Door();
const began = Date.now();
// It has been watching for two days when it is paired.
const sinceMs = began - 2 * 86_400_000;
const show = standIn(scene satisfies Scene, 1);
const past = (toMs: number) => {
  const all = [];
  for (let at = sinceMs; at <= toMs; at += 600_000) all.push(...show(at, sinceMs));
  return all;
};
const app = makeApp({
  dist,
  demo: process.env.ZOARIUM_DEMO === '1',
  door,
  routes: standInRoutes(show, past, sinceMs),
});
let told = false;
setInterval(() => {
  if (!door.paired) return;
  const nowMs = Date.now();
  if (!told) {
    told = true;
    const all = past(nowMs);
    for (let i = 0; i < all.length; i += 500)
      door.take({ device: 'Stand-in', readings: all.slice(i, i + 500) }, nowMs);
  }
  const shown = show(nowMs, sinceMs - (nowMs - began) * (speed - 1));
  if (shown.length > 0) door.take({ device: 'Stand-in', readings: shown }, nowMs);
}, 5000);
const server = app.listen(port, '127.0.0.1', () => {
  console.log(`Zoarium with a device that pretends (${scene}): http://127.0.0.1:${port}/monitor`);
});
stopCleanly(server, () => process.exit(0));
