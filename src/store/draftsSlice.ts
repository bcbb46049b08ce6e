/** What is half done and must survive a reload, without being part of the document: a sample being read, drops being counted. */
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { z } from 'zod';
import { readingSchema } from '../../core/document';

export const sampleDraftSchema = z.strictObject({
  readings: z.array(readingSchema),
  /** Texts of number fields as typed, by parameter. */
  texts: z.record(z.string(), z.string().max(100)),
  atText: z.string().max(40),
  note: z.string().max(4000),
  /** Reagent timers: parameter -> ms when it rings. */
  timers: z.record(z.string(), z.number()),
  /** Rows added by hand although not due. */
  shown: z.array(z.string()),
  /** Parameters whose reading is kept without trust. */
  doubted: z.array(z.string()).default([]),
});
export type SampleDraft = z.infer<typeof sampleDraftSchema>;

export const dropCountSchema = z.strictObject({
  target: z.int().min(1).max(100000),
  counted: z.int().min(0).max(100000),
  mgN: z.number().gt(0),
  mL: z.number().gt(0),
});
export type DropCount = z.infer<typeof dropCountSchema>;

const quantilesSchema = z.strictObject({ p10: z.number().nullable(), p50: z.number().nullable(), p90: z.number().nullable() });
/** What the last forecast of a tank said, with the identity of the inputs it came from. Days from atMs. */
export const keptForecastSchema = z.strictObject({
  inputs: z.string().regex(/^[0-9a-f]{16}$/),
  atMs: z.number(),
  horizonDays: z.number(),
  proved: z.boolean(),
  ready: quantilesSchema,
  bothClear: quantilesSchema,
  nextTest: z.strictObject({ what: z.enum(['ammonia', 'nitrite']), day: z.number() }).nullable(),
  /** Readings that the fit did not expect; the expected middle as the kit would print it. */
  surprises: z.array(z.strictObject({ what: z.enum(['ammonia', 'nitrite', 'nitrate', 'alkalinity']), atMs: z.number(), expected: z.string().max(40) })).max(3),
}).or(z.strictObject({ inputs: z.string().regex(/^[0-9a-f]{16}$/), cannotSay: z.string().max(400) }));
export type KeptForecast = z.infer<typeof keptForecastSchema>;

export interface DraftsState {
  samples: Record<string, SampleDraft>;
  drops: Record<string, DropCount>;
  lastTankId: string | null;
  forecasts: Record<string, KeptForecast>;
}

const initialState: DraftsState = { samples: {}, drops: {}, lastTankId: null, forecasts: {} };

const draftsSlice = createSlice({
  name: 'drafts',
  initialState,
  reducers: {
    draftsOpened: (_state, { payload }: PayloadAction<DraftsState>) => payload,
    sampleDrafted: (state, { payload }: PayloadAction<{ tankId: string; draft: SampleDraft | null }>) => {
      if (payload.draft) state.samples[payload.tankId] = payload.draft;
      else delete state.samples[payload.tankId];
    },
    dropsCounted: (state, { payload }: PayloadAction<{ tankId: string; count: DropCount | null }>) => {
      if (payload.count) state.drops[payload.tankId] = payload.count;
      else delete state.drops[payload.tankId];
    },
    forecastKept: (state, { payload }: PayloadAction<{ tankId: string; forecast: KeptForecast }>) => {
      state.forecasts[payload.tankId] = payload.forecast;
    },
    tankVisited: (state, { payload }: PayloadAction<string>) => {
      state.lastTankId = payload;
    },
  },
});

export const { draftsOpened, sampleDrafted, dropsCounted, forecastKept, tankVisited } = draftsSlice.actions;
export const draftsReducer = draftsSlice.reducer;

/** Drafts from stored entries; what cannot be read is dropped, a draft being only a convenience. */
export function readDrafts(entries: Record<string, string>): DraftsState {
  const drafts: DraftsState = { samples: {}, drops: {}, lastTankId: null, forecasts: {} };
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
