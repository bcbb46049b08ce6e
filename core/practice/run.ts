/** A run as a file: scenario, seed, when it began, and the document of what the player logged. The truth follows from them. */
import { z } from 'zod';
import type { Document } from '../document';
import { readDocument, writeDocument } from '../document/checks';
import { PRACTICE_WATER } from './begin';
import { scenarioFrom, type Scenario } from './scenario';

export interface RunFile {
  scenario: Scenario;
  seed: number;
  startMs: number;
  document: Document;
}

const FORMAT = 'zoarium-practice-run';

const fileSchema = z.strictObject({
  format: z.literal(FORMAT),
  version: z.literal(1),
  scenario: z.unknown(),
  seed: z.int().min(0).max(1e9),
  startMs: z.number().min(0).max(8.64e15),
  document: z.looseObject({}),
});

/** Whether this claims to be a run, and not a scenario. */
export const claimsRun = (raw: unknown): boolean =>
  typeof raw === 'object' && raw !== null && 'format' in raw && raw.format === FORMAT;

export const writeRun = ({ scenario, seed, startMs, document }: RunFile): string =>
  `${JSON.stringify(
    {
      format: FORMAT,
      version: 1,
      scenario,
      seed,
      startMs,
      document: JSON.parse(writeDocument(document)) as unknown,
    },
    null,
    1,
  )}\n`;

/** @throws Error naming what is wrong, by its place */
export function runFrom(raw: unknown): RunFile {
  const read = fileSchema.safeParse(raw);
  if (!read.success) {
    const [issue] = read.error.issues;
    throw new Error(`${issue?.path.join('.') || 'the file'}: ${issue?.message ?? 'is no run'}`);
  }
  const { seed, startMs } = read.data;
  const scenario = scenarioFrom(read.data.scenario);
  const held = readDocument(JSON.stringify(read.data.document));
  if (held.status === 'invalid') {
    const [fault] = held.faults;
    throw new Error(`document.${fault?.path ?? ''}: ${fault?.message ?? 'it cannot be read'}`);
  }
  if (held.status !== 'ok')
    throw new Error('document: it is no Zoarium document of this or an earlier version');
  if (!held.document.waters[PRACTICE_WATER])
    throw new Error(`document.waters: there is no water "${PRACTICE_WATER}"`);
  return { scenario, seed, startMs, document: held.document };
}

/** The newest entry of a run: where its clock goes on. */
export function lastEntryMs({ startMs, document }: RunFile): number {
  const times = [
    ...Object.values(document.samples).map((s) => s.at),
    ...Object.values(document.events).map((e) => e.at),
    ...Object.values(document.animals).flatMap((a) => a.moves.map((m) => m.at)),
  ];
  return times.reduce((latest, at) => Math.max(latest, Date.parse(at)), startMs);
}
