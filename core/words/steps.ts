/** The steps of an Act now: what to do, how, and what it does; each readable at arm's length. */
import { PARAMETER_NAMES } from '../document';
import type { Statement, StatementOf, StepCode } from '../statements';
import { showDifference } from '../units';
import {
  capital,
  days,
  heat,
  named,
  nh3,
  nh4Fine,
  no2,
  salt,
  volume,
  warmer,
  type WordsContext,
} from './say';

export interface StepWords {
  title: string;
  detail: string;
  /** Figures before and after; empty where there are none. */
  effect: string;
}

export type StepStatement = StatementOf<StepCode>;
type Steps = { [C in StepCode]: (s: StatementOf<C>, w: WordsContext) => StepWords };

const step = (title: string, detail = '', effect = ''): StepWords => ({ title, detail, effect });
const share = (s: { litres: number; netL: number }): string => `${Math.round((100 * s.litres) / s.netL)} %`;
const matched = (s: { salinity: number; tempC: number }, w: WordsContext): string =>
  `${salt(s.salinity, w)}, ${heat(s.tempC, w)}, as the water is now; ammonia tested zero`;
const effectOf = (s: { fromMgN: number; toMgN: number; fromFreeMgN: number; toFreeMgN: number }): string =>
  `total ${nh4Fine(s.fromMgN)} → ${nh4Fine(s.toMgN)} mg/L NH₄, free ${nh3(s.fromFreeMgN)} → ${nh3(s.toFreeMgN)}`;

const STEPS: Steps = {
  stepPowerOff: () =>
    step('Heater and pumps off at the wall', 'Dry hands, before the level falls; the air stone stays on.'),
  stepHeaterOff: () => step('Heater off at the wall', 'A heater that sticks goes on heating. Lights off.'),
  stepStopDoser: () => step('Stop the doser', 'And the lime water in the top-off.'),
  stepAir: () => step('More air', 'Air stone on, surface moving, lids and window open.'),
  stepDeadOut: () => step('Take out the dead, and food left', 'Count everyone; look behind the rock.'),
  stepChange: (s, w) =>
    step(`Change ${volume(s.litres, w)} of ${volume(s.netL, w)}`, matched(s, w), effectOf(s)),
  stepChangeNitrite: (s, w) =>
    step(
      `Change ${volume(s.litres, w)} of ${volume(s.netL, w)}`,
      matched(s, w),
      `nitrite ${no2(s.fromMgN)} → ${no2(s.toMgN)} mg/L NO₂`,
    ),
  stepChangeNext: (s, w) =>
    step(
      `In ${s.hours} h change ${volume(s.litres, w)} more`,
      `${share(s)}; the first alone does not do it. Test before.`,
      effectOf(s),
    ),
  stepMoveOut: (s, w) =>
    step('Move the animals to clean water', `${matched(s, w)}. A change here would raise the free ammonia.`),
  stepBackOn: () => step('Everything back on', 'Pumps, heater, top-off: look at each.'),
  stepNoFood: () => step('No food until tomorrow', 'A day or two without does no harm.'),
  stepCool: (s, w) =>
    step(
      `Cool it by ${warmer(s.perHour, w)} an hour`,
      'A fan over the water; sealed bags of cool water, changed often.',
      `${heat(s.tempC, w)} → ${heat(s.toC, w)} in about ${s.hours} h`,
    ),
  stepWarm: (s, w) =>
    step(
      `Warm it by ${warmer(s.perHour, w)} an hour`,
      'A second heater, or bottles of warm water, closed. Cover the glass.',
      `${heat(s.tempC, w)} → ${heat(s.toC, w)} in about ${s.hours} h`,
    ),
  stepHeaterCheck: () =>
    step('Look at the heater', 'Plug, dial and lamp, against a second thermometer. Wall plug first.'),
  stepHoldHeat: (s, w) =>
    step(`Hold it at ${heat(s.tempC, w)} for now`, 'The change harms more than the number does.'),
  stepMeasureAgain: (s) =>
    step(
      `Measure ${PARAMETER_NAMES[s.parameter]} again`,
      'With another instrument, or this one after calibrating it.',
    ),
  stepSaltDown: (s, w) =>
    step(
      `Swap ${volume(s.litres, w)} for fresh water today`,
      `RO/DI water, slowly over hours; no more a day than ${showDifference('salinity', 1, w.units)}.`,
      `to ${salt(s.toToday, w)} today, ${salt(s.salinity, w)} in ${days(s.days)}`,
    ),
  stepSaltUp: (s, w) =>
    step(
      `Swap ${volume(s.litres, w)} for water of ${salt(s.incoming, w)} today`,
      `Mixed and warm, slowly over hours; no more a day than ${showDifference('salinity', 1, w.units)}.`,
      `to ${salt(s.toToday, w)} today, ${salt(s.salinity, w)} in ${days(s.days)}`,
    ),
  stepHoldSalt: () => step('Change it no further today', 'Top-off off until you know why; then on again.'),
  stepFreshAir: () =>
    step('Fresh air to the water', 'Open a window, skimmer air from outside; it acts within hours.'),
  stepBicarbonate: (s) =>
    step(
      `${s.grams.toFixed(1)} g sodium bicarbonate today`,
      `Dissolved, spread over the day: ${s.rise} dKH a day at most, then again for ${days(s.days)}.`,
    ),
  stepTestAt: (s, w) =>
    step(
      `Test ${named(s.parameters)} at ${w.hour(s.atMs)}`,
      `And again at ${w.hour(s.laterMs)}; by the first reading this page decides anew.`,
    ),
};

export const isStep = (s: Statement): s is StepStatement => s.code in STEPS;

/** A step as a title, a line and its figures. */
export function stepWords(s: StepStatement, w: WordsContext): StepWords {
  // The table holds a function for each code; the compiler cannot follow the pairing through the union.
  const say = STEPS[s.code] as (s: StepStatement, w: WordsContext) => StepWords;
  return say(s, w);
}

/** A step as one sentence. */
export function stepSentence(s: StepStatement, w: WordsContext): string {
  const { title, detail, effect } = stepWords(s, w);
  return [title, detail, capital(effect)]
    .filter((part) => part !== '')
    .map((part) => part.replace(/\.$/, ''))
    .join('. ')
    .concat('.');
}

export const AVOID_WORDS = {
  avoidRaising: 'Do not raise pH or temperature: both make ammonia more toxic.',
  avoidIce: 'No loose ice, no cold water poured in.',
  avoidAcid: 'Never acid.',
  avoidBuffer: 'No buffer while ammonia is there.',
  avoidSaltIn: 'No salt into the tank, and no correction in one go.',
  noWaterReady:
    'No water ready? A binder once, at its label’s dose, never with copper or medicines, with strong air; then mix water. Ammonia kits may mislead after it, so never dose it again on them.',
} as const;
