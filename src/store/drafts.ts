/** Stored drafts, checked; loaded apart from the first screen. */
import { z } from 'zod';
// By path: the rest of what checks a document takes its time to make.
import { readingSchema } from '../../core/document/schema/log';
import type { Act } from './acts';
import { storedActSchema } from './actSchema';
import { dropCountSchema, keptForecastSchema, sampleDraftSchema, stepsSchema } from './draftsSchema';
import { noDrafts, type DraftsState } from './draftsSlice';
import { eachInSlices } from './slices';

/** What drafts are checked by, each part made when it is first asked for. */
const DRAFT_CHECKS_IN_TURN: readonly (() => unknown)[] = [
  () => z,
  () => readingSchema,
  () => sampleDraftSchema,
];

/** Makes what drafts are checked by, in slices. @param clock milliseconds from anywhere */
export const makeDraftChecks = (clock: () => number): Promise<void> =>
  eachInSlices(DRAFT_CHECKS_IN_TURN, (part) => void part(), clock);

/** Drafts from stored entries; what cannot be read is dropped, a draft being only a convenience. */
export function readDrafts(entries: Record<string, string>): DraftsState {
  const drafts = noDrafts();
  for (const [key, raw] of Object.entries(entries)) {
    const [, kind, waterId] = key.split('/');
    if (!kind || !waterId) continue;
    const value = asJson(raw);
    if (kind === 'sample') {
      const parsed = sampleDraftSchema.safeParse(value);
      if (parsed.success) drafts.samples[waterId] = parsed.data;
    } else if (kind === 'drops') {
      const parsed = dropCountSchema.safeParse(value);
      if (parsed.success) drafts.drops[waterId] = parsed.data;
    } else if (kind === 'forecast') {
      const parsed = keptForecastSchema.safeParse(value);
      if (parsed.success) drafts.forecasts[waterId] = parsed.data;
    } else if (kind === 'steps') {
      const parsed = stepsSchema.safeParse(value);
      if (parsed.success) drafts.steps[waterId] = parsed.data;
    } else if (kind === 'place' && typeof value === 'string') drafts.lastWaterId = value;
  }
  return drafts;
}

/** What acts are checked by, each part made when it is first asked for. */
const CHECKS_IN_TURN: readonly (() => unknown)[] = [() => z, () => storedActSchema];

/** Acts of before, the oldest first; what cannot be read is dropped: it can only no longer be taken back. @param clock milliseconds from anywhere */
export async function readActs(
  entries: ReadonlyMap<string, string>,
  clock: () => number,
): Promise<{ undo: Act[]; redo: Act[] }> {
  const undo: Act[] = [];
  const redo: Act[] = [];
  const readOne = (key: string) => {
    const parsed = storedActSchema.safeParse(asJson(entries.get(key) ?? ''));
    if (!parsed.success) return;
    const { undone, ...act } = parsed.data;
    (undone ? redo : undo).push(act as Act);
  };
  await eachInSlices(CHECKS_IN_TURN, (part) => void part(), clock);
  await eachInSlices([...entries.keys()].sort(), readOne, clock);
  // The act undone last is the first to be done again.
  return { undo, redo: redo.reverse() };
}

function asJson(raw: string): unknown {
  try {
    return JSON.parse(raw);
  } catch {
    return null;
  }
}
