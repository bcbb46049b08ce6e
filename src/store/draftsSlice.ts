/** What is half done and must survive a reload, without being part of the document: a sample being read, drops being counted. */
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { z } from 'zod';
import type { dropCountSchema, keptForecastSchema, sampleDraftSchema } from './draftsSchema';

export type SampleDraft = z.infer<typeof sampleDraftSchema>;
export type DropCount = z.infer<typeof dropCountSchema>;
export type KeptForecast = z.infer<typeof keptForecastSchema>;

export interface DraftsState {
  samples: Record<string, SampleDraft>;
  drops: Record<string, DropCount>;
  lastTankId: string | null;
  forecasts: Record<string, KeptForecast>;
}

export const noDrafts = (): DraftsState => ({ samples: {}, drops: {}, lastTankId: null, forecasts: {} });

const draftsSlice = createSlice({
  name: 'drafts',
  initialState: noDrafts(),
  reducers: {
    /** What was half done before; what was begun since stands. */
    draftsOpened: (state, { payload }: PayloadAction<DraftsState>) => ({
      samples: { ...payload.samples, ...state.samples },
      drops: { ...payload.drops, ...state.drops },
      lastTankId: state.lastTankId ?? payload.lastTankId,
      forecasts: { ...payload.forecasts, ...state.forecasts },
    }),
    placeRemembered: (state, { payload }: PayloadAction<string>) => {
      state.lastTankId = payload;
    },
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

export const { draftsOpened, placeRemembered, sampleDrafted, dropsCounted, forecastKept, tankVisited } =
  draftsSlice.actions;
export const draftsReducer = draftsSlice.reducer;
