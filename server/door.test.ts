/** @jest-environment node */
import type { AddressInfo } from 'node:net';
import type { Server } from 'node:http';
import express from 'express';
import { folded, hoursOf, MONITORED } from '../core/monitor';
import { seededRandom } from '../core/random';
import { appendFileSync, mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Door, doorRoutes } from './door';
import { csvOf, standIn, standInRoutes, STAND_IN_SCENES } from './standIn';

const NOW = Date.UTC(2026, 4, 1, 12);
const one = (minute: number, value = 8.1) => ({
  at: new Date(NOW - 3_600_000 + minute * 60_000).toISOString(),
  what: 'ph',
  value,
});

async function served(run: (base: string, door: Door) => Promise<void>): Promise<void> {
  const door = new Door(() => NOW);
  const app = express();
  app.use(doorRoutes(door));
  const server: Server = app.listen(0, '127.0.0.1');
  await new Promise((ready) => server.once('listening', ready));
  try {
    await run(`http://127.0.0.1:${(server.address() as AddressInfo).port}`, door);
  } finally {
    server.closeAllConnections();
    await new Promise((closed) => server.close(closed));
  }
}
const post = (base: string, token: string | null, body: string, headers: Record<string, string> = {}) =>
  fetch(`${base}/readings`, {
    method: 'POST',
    body,
    headers: {
      'Content-Type': 'application/json',
      ...(token === null ? {} : { Authorization: `Bearer ${token}` }),
      ...headers,
    },
  });
const pair = async (base: string): Promise<string> => {
  const response = await fetch(`${base}/monitor/token`, { method: 'POST', headers: { 'X-Zoarium': 'pair' } });
  return ((await response.json()) as { token: string }).token;
};
const body = (...readings: object[]): string => JSON.stringify({ device: 'bridge', readings });

test('a token of 128 bits opens; none, a wrong, an old and a revoked one do not', () =>
  served(async (base) => {
    expect((await post(base, null, body(one(0)))).status).toBe(401);
    const token = await pair(base);
    expect(token).toMatch(/^[0-9a-f]{32}$/);
    expect((await post(base, token, body(one(0)))).status).toBe(202);
    expect((await post(base, 'f'.repeat(32), body(one(1)))).status).toBe(401);
    const next = await pair(base);
    expect((await post(base, token, body(one(1)))).status).toBe(401);
    const gone = await fetch(`${base}/monitor/token`, {
      method: 'DELETE',
      headers: { Authorization: `Bearer ${next}` },
    });
    expect(gone.status).toBe(204);
    expect(await (await post(base, next, body(one(1)))).json()).toEqual({ error: 'nothing is paired yet' });
  }));
test('only the app’s own page may pair, and no other origin may ask anything', () =>
  served(async (base) => {
    expect((await fetch(`${base}/monitor/token`, { method: 'POST' })).status).toBe(403);
    const other = { 'X-Zoarium': 'pair', Origin: 'http://elsewhere.example' };
    expect((await fetch(`${base}/monitor/token`, { method: 'POST', headers: other })).status).toBe(403);
    const token = await pair(base);
    const refused = await post(base, token, body(one(0)), { Origin: 'http://elsewhere.example' });
    expect(refused.status).toBe(403);
    expect(refused.headers.get('access-control-allow-origin')).toBeNull();
  }));
test('JSON only, at most 64 kB, at most sixty requests a minute', () =>
  served(async (base, door) => {
    const token = await pair(base);
    expect(
      (await post(base, token, 'a=1', { 'Content-Type': 'application/x-www-form-urlencoded' })).status,
    ).toBe(415);
    expect((await post(base, token, '{"device":')).status).toBe(400);
    expect((await post(base, token, body({ ...one(0), note: 'x'.repeat(66_000) }))).status).toBe(413);
    let last = 0;
    for (let i = 0; i < 60; i++) last = (await post(base, token, body(one(i)))).status;
    expect(last).toBe(429);
    expect(door.after(0).length).toBeLessThan(60);
  }));
test('a batch is taken whole or not at all; what was sent before is not taken twice; a day ahead is the most', () => {
  const door = new Door();
  const take = (...readings: object[]) => door.take({ device: 'b', readings }, NOW);
  expect(take(one(0), one(1), { ...one(2), value: 99 })).toEqual({
    wrong: 'readings.2.value: lies outside what can be',
  });
  expect(door.after(0)).toEqual([]);
  expect(take(one(5), one(1))).toEqual({ taken: 2, twice: 0 });
  expect(take(one(1), one(0), one(5))).toEqual({ taken: 1, twice: 2 });
  expect(door.after(0).map((x) => x.seq)).toEqual([1, 2, 3]);
  const ahead = (ms: number) => take({ ...one(0), at: new Date(NOW + ms).toISOString() });
  expect(ahead(86_400_000)).toEqual({ taken: 1, twice: 0 });
  expect(ahead(86_400_001)).toMatchObject({
    wrong: expect.stringMatching(/^readings\.0\.at: lies more than a day/),
  });
});
test('ten thousand readings at once are kept and handed on in order', () => {
  const door = new Door();
  const heard: number[] = [];
  door.listen((list) => heard.push(...list.map((x) => x.seq)));
  for (let b = 0; b < 20; b++)
    door.take(
      {
        device: 'b',
        readings: Array.from({ length: 500 }, (_, i) => ({
          ...one(0),
          at: new Date(NOW - (b * 500 + i) * 1000).toISOString(),
        })),
      },
      NOW,
    );
  expect(heard).toEqual(Array.from({ length: 10_000 }, (_, i) => i + 1));
  expect(door.after(9_990)).toHaveLength(10);
});
test('five thousand bodies of nonsense never get half a batch in, and never throw', () => {
  const door = new Door();
  const random = seededRandom(5);
  const any = (depth: number): unknown => {
    const u = random();
    if (u < 0.15) return null;
    if (u < 0.3) return (random() - 0.5) * 10 ** Math.floor(random() * 300);
    if (u < 0.45)
      return ['ph', '', '2026-05-01T10:00:00Z', '__proto__', 'x'.repeat(50)][Math.floor(random() * 5)];
    if (u < 0.55) return random() < 0.5;
    if (depth > 3) return 0;
    if (u < 0.75) return Array.from({ length: Math.floor(random() * 5) }, () => any(depth + 1));
    const keys = ['device', 'readings', 'at', 'what', 'value', '__proto__', 'constructor'];
    return Object.fromEntries(
      Array.from({ length: Math.floor(random() * 5) }, () => [
        keys[Math.floor(random() * keys.length)]!,
        any(depth + 1),
      ]),
    );
  };
  for (let i = 0; i < 5000; i++) {
    const before = door.after(0).length;
    const good = { device: 'b', readings: [one(i % 50), { ...one(i % 50), value: 8.2 }] } as Record<
      string,
      unknown
    >;
    const sent = random() < 0.5 ? any(0) : { ...good, [['device', 'readings', 'more'][i % 3]!]: any(0) };
    const result = door.take(sent, NOW);
    const after = door.after(0).length;
    expect('wrong' in result ? after === before : after - before === result.taken).toBe(true);
  }
});
test('a soak of 48 hours, cut and resumed again and again, loses nothing and doubles nothing', () => {
  const door = new Door();
  const random = seededRandom(11);
  const show = standIn('quiet', 3);
  const since = NOW - 48 * 3_600_000;
  const all = new Map<string, ReturnType<typeof folded>[number]>();
  let taken = { epoch: door.epoch, seq: 0 };
  let sent = 0;
  let line: (() => void) | null = null;
  const fold = (list: ReturnType<Door['after']>) => {
    const fresh = list.filter((x) => x.seq > taken.seq);
    for (const day of folded(fresh, { id: 'm', waterId: 't' }, (id) => all.get(id))) all.set(day.id, day);
    taken = { ...taken, seq: fresh[fresh.length - 1]?.seq ?? taken.seq };
  };
  for (let minute = 0; minute < 48 * 60; minute++) {
    const at = since + minute * 60_000;
    const readings = show(at, since);
    sent += readings.length;
    door.take({ device: 'Stand-in', readings }, NOW);
    // A bridge that is unsure sends again what it has sent.
    if (random() < 0.1) door.take({ device: 'Stand-in', readings }, NOW);
    if (line && random() < 0.02) {
      line();
      line = null;
    } else if (!line && random() < 0.1) {
      fold(door.after(taken.seq));
      line = door.listen(fold);
    }
  }
  fold(door.after(taken.seq));
  const days = [...all.values()];
  const counted = MONITORED.flatMap((what) => hoursOf(days, what)).reduce((n, x) => n + x.hour.n, 0);
  expect(counted).toBe(sent);
  expect(hoursOf(days, 'ph')).toHaveLength(48);
});
test.each(STAND_IN_SCENES)(
  'the device of scene %s shows what may be sent, the same for the same moment',
  (scene) => {
    const show = standIn(scene, 1);
    const at = NOW - 3_600_000;
    const shown = show(at, NOW - 30 * 3_600_000);
    expect(standIn(scene, 1)(at, NOW - 30 * 3_600_000)).toEqual(shown);
    if (shown.length > 0)
      expect(new Door().take({ device: 'Stand-in', readings: shown }, NOW)).toMatchObject({ twice: 0 });
    expect(csvOf(shown).split('\r\n')[0]).toBe('time,what,value');
  },
);
test('the stand-in shows itself as a table and as events, before the app’s own pages', async () => {
  const app = express();
  const show = standIn('quiet', 1);
  app.use(standInRoutes(show, (toMs) => show(toMs, toMs - 3_600_000), NOW));
  const server: Server = app.listen(0, '127.0.0.1');
  await new Promise((ready) => server.once('listening', ready));
  const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  const table = await (await fetch(`${base}/stand-in.csv`)).text();
  expect(table).toMatch(/^time,what,value\r\n.*,freeAmmonia,/);
  const events = (await fetch(`${base}/stand-in/stream`))
    .body!.pipeThrough(new TextDecoderStream())
    .getReader();
  expect((await events.read()).value).toMatch(/^data: \[\{"at":/);
  await events.cancel();
  server.closeAllConnections();
  await new Promise((closed) => server.close(closed));
});
test('the stream says what came since, and goes on', () =>
  served(async (base, door) => {
    const token = await pair(base);
    door.take({ device: 'b', readings: [one(0), one(1)] }, NOW);
    const response = await fetch(`${base}/monitor/stream?epoch=${door.epoch}&after=1`, {
      headers: { Authorization: `Bearer ${token}` },
    });
    expect(response.headers.get('content-type')).toContain('text/event-stream');
    const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
    let text = '';
    while (!text.includes('"seq":2')) text += (await reader.read()).value ?? '';
    expect(text).not.toContain('"seq":1,');
    door.take({ device: 'b', readings: [one(2)] }, NOW);
    while (!text.includes('"seq":3')) text += (await reader.read()).value ?? '';
    await reader.cancel();
    const wrong = await fetch(`${base}/monitor/stream`, { headers: { Authorization: 'Bearer no' } });
    expect(wrong.status).toBe(401);
  }));

describe('a journal', () => {
  let folder = '';
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'door-'));
  });
  afterEach(() => rmSync(folder, { recursive: true, force: true }));
  const path = () => join(folder, 'kept', 'door.jsonl');
  const opened = () => new Door(() => NOW, path());
  const send = (door: Door, ...readings: object[]) => door.take({ device: 'bridge', readings }, NOW);

  test('after a restart the token opens, numbers go on, and nothing counts twice', () => {
    const door = opened();
    const token = door.newToken();
    expect(send(door, one(0), one(1))).toEqual({ taken: 2, twice: 0 });
    const again = opened();
    expect([again.epoch, again.opens(token), again.opens('f'.repeat(32))]).toEqual([door.epoch, true, false]);
    expect(again.after(0)).toEqual(door.after(0));
    expect(send(again, one(1), one(2), one(2))).toEqual({ taken: 1, twice: 2 });
    expect(again.after(2).map((r) => r.seq)).toEqual([3]);
    again.revoke();
    expect([opened().paired, opened().opens(token)]).toEqual([false, false]);
  });
  test('it holds no token, only its owner may read it, and a line cut off in the middle costs only that line', () => {
    const door = opened();
    const token = door.newToken();
    send(door, one(0));
    expect(readFileSync(path(), 'utf8')).not.toContain(token);
    expect(statSync(path()).mode & 0o077).toBe(0);
    appendFileSync(path(), '{"taken":[{"seq":2,"dev');
    const again = opened();
    expect([again.opens(token), again.after(0).length]).toEqual([true, 1]);
  });
  test('what cannot be written down is not taken', () => {
    const door = opened();
    const token = door.newToken();
    rmSync(join(folder, 'kept'), { recursive: true });
    expect(() => send(door, one(0))).toThrow();
    expect(door.after(0)).toEqual([]);
    expect(() => door.revoke()).toThrow();
    expect(door.opens(token)).toBe(true);
  });
  test('without one a restart forgets', () => {
    const door = new Door(() => NOW);
    const token = door.newToken();
    const other = new Door(() => NOW);
    expect([other.opens(token), other.epoch === door.epoch]).toEqual([false, false]);
  });
});
