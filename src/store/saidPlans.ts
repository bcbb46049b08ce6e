/** A plan is kept with the log, one a day, so that a later one can say what moved and why. */
import type { SaidPlan } from '../../core/document';
import { commit, type Thunk } from './store';
import { localDay } from './time';
import { compared } from '../../core/time';

/** As many days of plans as are looked back on. */
const KEPT_DAYS = 14;

const ofWater = (plans: Record<string, SaidPlan>, waterId: string): SaidPlan[] =>
  Object.values(plans)
    .filter((p) => p.waterId === waterId)
    .sort((a, b) => compared(a.at, b.at));

/** The newest plan that was worked out. */
export const newestPlan = (plans: Record<string, SaidPlan>, waterId: string): SaidPlan | undefined =>
  ofWater(plans, waterId).pop();

/** Keeps a plan as the one of its day, without an act to take back; the oldest go. */
export const keepPlan =
  (said: SaidPlan): Thunk<Promise<void>> =>
  async (dispatch, getState) => {
    const doc = getState().document.entities;
    if (!doc.waters[said.waterId]) return;
    const kept = ofWater(doc.plans, said.waterId);
    const day = localDay(Date.parse(said.at));
    const ofToday = kept.find((p) => localDay(Date.parse(p.at)) === day);
    const { id: _id, at: _at, ...what } = said;
    if (ofToday) {
      const { id: _i, at: _a, ...was } = ofToday;
      if (JSON.stringify(was) === JSON.stringify(what)) return;
    }
    const over = kept.filter((p) => p !== ofToday).slice(0, -KEPT_DAYS);
    await dispatch(
      commit(
        '',
        [
          { put: 'plans', entity: ofToday ? { ...said, id: ofToday.id } : said },
          ...over.map((p) => ({ remove: 'plans' as const, id: p.id })),
        ],
        { quiet: true },
      ),
    );
  };
