/** What is half done and must survive a reload, without being part of the document: a sample being read, drops being counted. */
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { z } from 'zod';
import type { dropCountSchema, keptForecastSchema, sampleDraftSchema, stepsSchema } from './draftsSchema';

export type SampleDraft = z.infer<typeof sampleDraftSchema>;
export type DropCount = z.infer<typeof dropCountSchema>;
export type KeptForecast = z.infer<typeof keptForecastSchema>;
/** How far one has come with the steps of an Act now. */
export type StepsDone = z.infer<typeof stepsSchema>;

export interface DraftsState {
  /** What was half done before has been read; until then what is missing here may only not have been looked at. */
  read: boolean;
  samples: Record<string, SampleDraft>;
  drops: Record<string, DropCount>;
  lastWaterId: string | null;
  forecasts: Record<string, KeptForecast>;
  steps: Record<string, StepsDone>;
}

export const noDrafts = (): DraftsState => ({
  read: false,
  samples: {},
  drops: {},
  lastWaterId: null,
  forecasts: {},
  steps: {},
});

const draftsSlice = createSlice({
  name: 'drafts',
  initialState: noDrafts(),
  reducers: {
    /** What was half done before; what was begun since stands. */
    draftsOpened: (state, { payload }: PayloadAction<DraftsState>) => ({
      read: true,
      samples: { ...payload.samples, ...state.samples },
      drops: { ...payload.drops, ...state.drops },
      lastWaterId: state.lastWaterId ?? payload.lastWaterId,
      forecasts: { ...payload.forecasts, ...state.forecasts },
      steps: { ...payload.steps, ...state.steps },
    }),
    placeRemembered: (state, { payload }: PayloadAction<string>) => {
      state.lastWaterId = payload;
    },
    sampleDrafted: (state, { payload }: PayloadAction<{ waterId: string; draft: SampleDraft | null }>) => {
      if (payload.draft) state.samples[payload.waterId] = payload.draft;
      else delete state.samples[payload.waterId];
    },
    dropsCounted: (state, { payload }: PayloadAction<{ waterId: string; count: DropCount | null }>) => {
      if (payload.count) state.drops[payload.waterId] = payload.count;
      else delete state.drops[payload.waterId];
    },
    forecastKept: (state, { payload }: PayloadAction<{ waterId: string; forecast: KeptForecast }>) => {
      state.forecasts[payload.waterId] = payload.forecast;
    },
    stepDone: (state, { payload }: PayloadAction<{ waterId: string; steps: StepsDone }>) => {
      state.steps[payload.waterId] = payload.steps;
    },
    waterVisited: (state, { payload }: PayloadAction<string>) => {
      state.lastWaterId = payload;
    },
  },
});

export const {
  draftsOpened,
  placeRemembered,
  sampleDrafted,
  dropsCounted,
  forecastKept,
  stepDone,
  waterVisited,
} = draftsSlice.actions;
export const draftsReducer = draftsSlice.reducer;
