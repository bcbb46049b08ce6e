/** A device that pretends: free ammonia, pH, temperature, level and salinity of a made-up tank, with drift, noise, drop-outs and a probe that sticks. */
import express, { type Router } from 'express';
import type { Monitored } from '../core/monitor';
import { seededRandom } from '../core/random';

export const STAND_IN_SCENES = ['quiet', 'ammonia', 'stuck', 'dropouts', 'topOff'] as const;
export type Scene = (typeof STAND_IN_SCENES)[number];

export interface Shown {
  at: string;
  what: Monitored;
  value: number;
}

/** What the device shows at a moment; nothing during a drop-out. The same seed and moments show the same. */
export function standIn(scene: Scene, seed: number): (atMs: number, sinceMs: number) => Shown[] {
  return (atMs, sinceMs) => {
    const random = seededRandom(seed * 7919 + Math.round(atMs / 1000));
    const noise = (sd: number): number => sd * (random() + random() + random() - 1.5) * 2;
    const hours = (atMs - sinceMs) / 3_600_000;
    if (scene === 'dropouts' && Math.floor(hours / 5) % 3 === 1) return [];
    const day = (atMs / 86_400_000) % 1;
    const free = 0.004 + (scene === 'ammonia' ? Math.min(0.09, Math.max(0, hours - 4) * 0.008) : 0);
    const level = 100 - ((hours * 1.4) % 70);
    const values: [Monitored, number, number][] = [
      ['freeAmmonia', Math.max(0, free + noise(0.001)), 4],
      ['ph', 8.1 + 0.1 * Math.sin(2 * Math.PI * (day - 0.4)) - hours * 0.0004 + noise(0.01), 2],
      ['temperature', scene === 'stuck' ? 25.3 : 25.2 + 0.3 * Math.sin(2 * Math.PI * day) + noise(0.04), 2],
      ['level', scene === 'topOff' ? 12 : level, 1],
      ['salinity', 35 + (scene === 'topOff' ? hours * 0.06 : 0) + hours * 0.001 + noise(0.05), 2],
    ];
    return values.map(([what, value, places]) => ({
      at: new Date(atMs).toISOString(),
      what,
      value: Number(value.toFixed(places)),
    }));
  };
}

/** The same as rows of a table. */
export const csvOf = (shown: readonly Shown[]): string =>
  `time,what,value\r\n${shown.map((s) => `${s.at},${s.what},${s.value}\r\n`).join('')}`;

/** The device by itself: what it has shown, as a table, and what it shows, as events. @param sinceMs since when it has been watching */
export function standInRoutes(
  show: ReturnType<typeof standIn>,
  past: (toMs: number) => Shown[],
  sinceMs: number,
): Router {
  const routes = express.Router();
  routes.get('/stand-in.csv', (_request, response) => {
    response.type('text/csv').send(csvOf(past(Date.now())));
  });
  routes.get('/stand-in/stream', (request, response) => {
    response.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store' });
    const tell = () => response.write(`data: ${JSON.stringify(show(Date.now(), sinceMs))}\n\n`);
    tell();
    const timer = setInterval(tell, 1000);
    request.on('close', () => clearInterval(timer));
  });
  return routes;
}
