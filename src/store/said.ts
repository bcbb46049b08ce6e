/** What the app said of a date is kept with the log, one forecast a day, so that it can be looked back on anywhere the log goes. */
import { DOCUMENT_LIMITS } from '../../core/document';
import { editsToSay, saidOf } from '../../core/forecast';
import { planWords } from '../../core/words/forecast';
import { keepAnswer, type KeptAnswer } from './answers';
import { newId } from './ids';
import { commit, type Thunk } from './store';
import { isoOf, localDay } from './time';

/** Keeps an answer's dates with the log and then the answer whole in this browser. In this order: an answer that is kept is not worked out again,
 *  and a page closed between the two would leave the log without what was said. */
export const keepForecast =
  (waterId: string, kept: KeptAnswer): Thunk<Promise<void>> =>
  async (dispatch) => {
    await dispatch(keepDates(waterId, kept.answer));
    await keepAnswer(waterId, kept);
  };

/** Keeps an answer's dates with the log, until a proof has settled it. What stands there already is not written again. */
export const keepDates =
  (waterId: string, answer: KeptAnswer['answer']): Thunk<Promise<void>> =>
  async (dispatch, getState) => {
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
