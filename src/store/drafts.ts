/** Stored drafts, checked; loaded apart from the first screen. */
import { dropCountSchema, keptForecastSchema, sampleDraftSchema } from './draftsSchema';
import { noDrafts, type DraftsState } from './draftsSlice';

/** Drafts from stored entries; what cannot be read is dropped, a draft being only a convenience. */
export function readDrafts(entries: Record<string, string>): DraftsState {
  const drafts = noDrafts();
  for (const [key, raw] of Object.entries(entries)) {
    const [, kind, tankId] = key.split('/');
    if (!kind || !tankId) continue;
    let value: unknown;
    try {
      value = JSON.parse(raw);
    } catch {
      continue;
    }
    if (kind === 'sample') {
      const parsed = sampleDraftSchema.safeParse(value);
      if (parsed.success) drafts.samples[tankId] = parsed.data;
    } else if (kind === 'drops') {
      const parsed = dropCountSchema.safeParse(value);
      if (parsed.success) drafts.drops[tankId] = parsed.data;
    } else if (kind === 'forecast') {
      const parsed = keptForecastSchema.safeParse(value);
      if (parsed.success) drafts.forecasts[tankId] = parsed.data;
    } else if (kind === 'place' && typeof value === 'string') drafts.lastTankId = value;
  }
  return drafts;
}
