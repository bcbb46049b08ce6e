/** What the app said of a date is kept with the log, one forecast a day, so that it can be looked back on anywhere the log goes. */
import { DOCUMENT_LIMITS } from '../../core/document';
import { editsToSay, saidOf } from '../../core/forecast';
import { planWords } from '../../core/words/forecast';
import { keepAnswer, type KeptAnswer } from './answers';
import { newId } from './ids';
import { commit, type Thunk } from './store';
import { isoOf, localDay } from './time';

/** Keeps an answer whole in this browser and, until a proof has settled it, its dates with the log. */
export const keepForecast =
  (waterId: string, kept: KeptAnswer): Thunk<Promise<void>> =>
  async (dispatch, getState) => {
    const { answer } = kept;
    await keepAnswer(waterId, kept);
    const doc = getState().document.entities;
    if (answer.proved || !doc.waters[waterId]) return;
    const { ready, horizonDays } = answer.forecast;
    const said = {
      waterId,
      day: localDay(answer.atMs),
      at: isoOf(answer.atMs),
      ...ready,
      horizonDays,
      plan: planWords(answer.plan).slice(0, DOCUMENT_LIMITS.plan.value),
    };
    const last = saidOf(doc, waterId).find((s) => s.day === said.day);
    if (last && last.at === said.at && last.p50 === said.p50 && last.p90 === said.p90) return;
    await dispatch(commit('', editsToSay(doc, said, newId()), { quiet: true }));
  };
