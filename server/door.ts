/** The open door: bridges of real devices post readings here, the app of the same origin takes them out again. It keeps the last of them, by
 *  number, and nothing else; with a journal also through a restart. */
import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';
import express, { type NextFunction, type Request, type Response, type Router } from 'express';
import rateLimit from 'express-rate-limit';
import { postSchema, type MonitorReading } from '../core/monitor';
import { Journal, type DoorState } from './journal';

/** Readings kept until they are taken; the oldest go first. */
const MOST_KEPT = 50_000;
const AHEAD_MS = 86_400_000;
const OLDEST_MS = 400 * 86_400_000;

const hashOf = (token: string): Buffer => createHash('sha256').update(token).digest();

/** What comes in, numbered, and who waits for it. */
export class Door {
  private readonly state: DoorState;
  private readonly journal: Journal;
  private readonly known: Set<string>;
  private seq: number;
  /** @param now the present, for tests another
   *  @param journal path of the file in which it remembers; null: a restart forgets, and numbers count anew */
  constructor(
    readonly now: () => number = Date.now,
    journal: string | null = null,
  ) {
    this.journal = new Journal(journal, MOST_KEPT);
    this.state = this.journal.open();
    this.known = new Set(this.state.kept.map(keyOf));
    this.seq = this.state.kept[this.state.kept.length - 1]?.seq ?? 0;
  }
  private readonly waiting = new Set<(readings: readonly MonitorReading[]) => void>();

  /** A new token of 128 bits, shown once; the one before no longer opens. */
  newToken(): string {
    const token = randomBytes(16).toString('hex');
    this.pair(hashOf(token).toString('hex'));
    return token;
  }
  revoke(): void {
    this.pair(null);
  }
  private pair(token: string | null): void {
    this.journal.write({ token });
    this.state.token = token;
  }
  /** Numbers hold within one run of the door. */
  get epoch(): string {
    return this.state.epoch;
  }
  get paired(): boolean {
    return this.state.token !== null;
  }
  opens(token: string): boolean {
    return this.state.token !== null && timingSafeEqual(hashOf(token), Buffer.from(this.state.token, 'hex'));
  }

  /** All of them, or none: a sentence says what is wrong. What was sent before is not taken twice.
   *  @returns how many were new @throws where they cannot be written down: then none is taken */
  take(body: unknown, nowMs: number): { taken: number; twice: number } | { wrong: string } {
    const read = postSchema.safeParse(body);
    if (!read.success) {
      const [issue] = read.error.issues;
      return { wrong: `${issue?.path.join('.') || 'the body'}: ${issue?.message ?? 'is wrong'}` };
    }
    const { device, readings } = read.data;
    const timed = readings.map((r) => ({ ...r, atMs: Date.parse(r.at) }));
    const odd = timed.findIndex((r) => r.atMs > nowMs + AHEAD_MS || r.atMs < nowMs - OLDEST_MS);
    if (odd >= 0)
      return { wrong: `readings.${odd}.at: lies more than a day ahead, or more than 400 days back` };
    const fresh = new Map<string, MonitorReading>();
    for (const { atMs, what, value } of timed) {
      const reading = { seq: this.seq + fresh.size + 1, device, atMs, what, value };
      const key = keyOf(reading);
      if (!this.known.has(key) && !fresh.has(key)) fresh.set(key, reading);
    }
    const taken = [...fresh.values()];
    // Said to be taken only when it stands in the file.
    if (taken.length > 0) this.journal.write({ taken });
    this.seq += taken.length;
    for (const key of fresh.keys()) this.known.add(key);
    this.state.kept.push(...taken);
    if (this.state.kept.length > MOST_KEPT) this.state.kept = this.state.kept.slice(-MOST_KEPT);
    this.journal.trim(this.state);
    if (this.known.size > 4 * MOST_KEPT) {
      const young = [...this.known].slice(-2 * MOST_KEPT);
      this.known.clear();
      for (const key of young) this.known.add(key);
    }
    if (taken.length > 0) for (const tell of this.waiting) tell(taken);
    return { taken: taken.length, twice: timed.length - taken.length };
  }

  after(seq: number): readonly MonitorReading[] {
    return this.state.kept.filter((r) => r.seq > seq);
  }
  listen(tell: (readings: readonly MonitorReading[]) => void): () => void {
    this.waiting.add(tell);
    return () => this.waiting.delete(tell);
  }
}

const keyOf = (r: Pick<MonitorReading, 'device' | 'what' | 'atMs'>): string =>
  `${r.device}|${r.what}|${r.atMs}`;

const said = (response: Response, status: number, error: string) =>
  void response.status(status).set('Cache-Control', 'no-store').json({ error });

/** What an act says that has to be written down first; null, and the answer given, where that cannot be. */
function written<T>(response: Response, act: () => T): T | null {
  try {
    return act();
  } catch {
    said(response, 503, 'nothing was changed: the server cannot write it down; try again later');
    return null;
  }
}

/** Routes of the door. No other origin may call it: nothing is said about any, and a browser that names one is refused. */
export function doorRoutes(door: Door): Router {
  const routes = express.Router();
  const sameOrigin = (request: Request, response: Response, next: NextFunction) => {
    const { origin, host } = request.headers;
    if (origin === undefined || origin === `http://${host}` || origin === `https://${host}`) next();
    else said(response, 403, 'another page may not ask here');
  };
  const withToken = (request: Request, response: Response, next: NextFunction) => {
    const token = /^Bearer ([0-9a-f]{32})$/.exec(request.headers.authorization ?? '')?.[1];
    if (token !== undefined && door.opens(token)) next();
    else said(response, 401, door.paired ? 'the token is wrong or was revoked' : 'nothing is paired yet');
  };
  const limited = rateLimit({
    windowMs: 60_000,
    limit: 60,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: (_request, response) =>
      said(response, 429, 'more than 60 requests a minute: send several readings in one'),
  });
  const json = express.json({ limit: '64kb', type: 'application/json', strict: true });

  routes.post('/readings', limited, sameOrigin, withToken, (request, response) => {
    if (!request.is('application/json')) return said(response, 415, 'send JSON');
    json(request, response, (fault?: unknown) => {
      if (fault) {
        const large = (fault as { type?: string }).type === 'entity.too.large';
        return said(
          response,
          large ? 413 : 400,
          large ? 'more than 64 kB in one request' : 'that is no JSON',
        );
      }
      const result = written(response, () => door.take(request.body, door.now()));
      if (!result) return;
      if ('wrong' in result) return said(response, 422, result.wrong);
      response.status(202).json(result);
    });
  });
  routes.post('/monitor/token', limited, sameOrigin, (request, response) => {
    // Only the app's own page may pair: a script on another one has another origin, and a form cannot set this.
    if (request.headers['x-zoarium'] !== 'pair') return said(response, 403, 'only the app may pair');
    const token = written(response, () => door.newToken());
    if (token) response.set('Cache-Control', 'no-store').json({ token });
  });
  routes.delete('/monitor/token', limited, sameOrigin, withToken, (_request, response) => {
    if (written(response, () => (door.revoke(), true))) response.status(204).end();
  });
  routes.get('/monitor/stream', sameOrigin, withToken, (request, response) => {
    const { epoch, after } = request.query;
    const from = epoch === door.epoch && /^\d{1,12}$/.test(String(after)) ? Number(after) : 0;
    response.set({
      'Content-Type': 'text/event-stream',
      'Cache-Control': 'no-store',
      'X-Accel-Buffering': 'no',
    });
    response.flushHeaders();
    const send = (readings: readonly MonitorReading[]) => {
      for (let i = 0; i < readings.length; i += 200)
        response.write(
          `data: ${JSON.stringify({ epoch: door.epoch, readings: readings.slice(i, i + 200) })}\n\n`,
        );
    };
    response.write(`data: ${JSON.stringify({ epoch: door.epoch, readings: [] })}\n\n`);
    send(door.after(from));
    const deaf = door.listen(send);
    const beat = setInterval(() => response.write(': still here\n\n'), 20_000);
    request.on('close', () => {
      clearInterval(beat);
      deaf();
    });
  });
  return routes;
}
