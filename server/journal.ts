/** What the door must still know after the server was started anew, as lines of JSON in one file: the run its numbers belong to, the hash of the
 *  token, and what was not yet taken. The last line counts for what there is one of; a line cut off in the middle counts for nothing. */
import { randomBytes } from 'node:crypto';
import { appendFileSync, existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { z } from 'zod';
import { MONITORED, type Monitored, type MonitorReading } from '../core/monitor';

export interface DoorState {
  epoch: string;
  /** SHA-256 of the token, in hex; null where nothing is paired. */
  token: string | null;
  kept: MonitorReading[];
}

const readingSchema = z.strictObject({
  seq: z.int().min(1),
  device: z.string(),
  atMs: z.number(),
  what: z.enum(MONITORED as [Monitored, ...Monitored[]]),
  value: z.number(),
});
const lineSchema = z.union([
  z.strictObject({ epoch: z.string().regex(/^[0-9a-f]{16}$/) }),
  z.strictObject({
    token: z
      .string()
      .regex(/^[0-9a-f]{64}$/)
      .nullable(),
  }),
  z.strictObject({ taken: z.array(readingSchema) }),
]);
type Line = z.infer<typeof lineSchema>;

/** A run that begins with nothing. */
const newState = (): DoorState => ({ epoch: randomBytes(8).toString('hex'), token: null, kept: [] });

/** Writes to a file that only its owner may read. With no path it remembers nothing. */
export class Journal {
  private lines = 0;
  constructor(
    private readonly path: string | null,
    private readonly mostKept: number,
  ) {}

  /** What was known when the server last stopped, and the file cut down to it. */
  open(): DoorState {
    const state = newState();
    if (this.path === null) return state;
    if (existsSync(this.path))
      for (const line of readFileSync(this.path, 'utf8').split('\n')) this.replay(line, state);
    state.kept = state.kept.slice(-this.mostKept);
    this.rewrite(state);
    return state;
  }

  private replay(text: string, state: DoorState): void {
    let read: Line;
    try {
      read = lineSchema.parse(JSON.parse(text));
    } catch {
      return;
    }
    if ('epoch' in read) state.epoch = read.epoch;
    else if ('token' in read) state.token = read.token;
    else state.kept.push(...read.taken);
  }

  /** Stands in the file when this returns. @throws where the file cannot be written */
  write(line: Line): void {
    if (this.path === null) return;
    appendFileSync(this.path, `${JSON.stringify(line)}\n`, { mode: 0o600 });
    this.lines++;
  }

  /** Cuts the file down when it has grown far beyond what is kept. */
  trim(state: DoorState): void {
    if (this.path !== null && this.lines > this.mostKept) this.rewrite(state);
  }

  private rewrite({ epoch, token, kept }: DoorState): void {
    if (this.path === null) return;
    mkdirSync(dirname(this.path), { recursive: true });
    const lines: Line[] = [{ epoch }, { token }, ...(kept.length > 0 ? [{ taken: kept }] : [])];
    writeFileSync(`${this.path}.new`, lines.map((l) => `${JSON.stringify(l)}\n`).join(''), { mode: 0o600 });
    renameSync(`${this.path}.new`, this.path);
    this.lines = 0;
  }
}
