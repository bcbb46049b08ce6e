/** The rules of the stocking plan in words: what a date waits for, and why a wish is left out. */
import type { Rule } from '../planner/rules';

/** What a date waits for. */
export const BINDING_WORDS: Record<Rule, string> = {
  R1: 'waits until the water is ready for its kind',
  R2: 'waits for the days its quarantine must be seen clear',
  R3: 'waits for a free quarantine, or for room in it',
  R4: 'waits for the addition before it to settle',
  R5: 'waits because the load may at most double in thirty days',
  R6: 'waits because free ammonia would rise too far',
  R7: 'waits for those that go first: cleaners before fish, the gentle before the fierce',
  R8: 'waits for the tank to be old enough',
  R9: 'waits for you to be there, or for a shop day',
  R10: 'waits for the budget of a month',
  horizon: 'waits for nothing: it could not be sooner',
};

/** Why a wish is in no plan. */
export const LEFT_OUT_WORDS: Record<Rule, string> = {
  R1: 'The start does not pass its gates within the plan.',
  R2: 'No quarantine of its line has the days for it.',
  R3: 'It is more than a quarantine of its line may hold, or all of them are taken.',
  R4: 'No time is left for it to settle between the others.',
  R5: 'It would more than double the load within thirty days.',
  R6: 'Free ammonia would rise too far after it.',
  R7: 'It would have to come before others that cannot wait: cleaners before fish, the gentle before the fierce.',
  R8: 'It may not live here: the lid, the age of the tank, or who is there forbids it.',
  R9: 'You are away, or there is no shop day, when it could come.',
  R10: 'It is dearer than the budget of its months allows.',
  horizon: 'It does not fit before the plan ends.',
};
