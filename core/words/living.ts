/** What is said of water with animals in it. */
import { PARAMETER_NAMES, type IncidentKind, type Switched } from '../document';
import { LIVING } from '../living';
import { FREE_AMMONIA } from '../seawater';
import { showDifference } from '../units';
import type { StatementOf } from '../statements';
import {
  capital,
  days,
  dkh,
  heat,
  named,
  nh3,
  nh4Fine,
  plural,
  salt,
  warmer,
  type Sentences,
  type WordsContext,
} from './say';

/** What is switched off for some work. */
export const SWITCHED_WORDS: Record<Switched, string> = {
  topOff: 'top-off',
  heater: 'heater',
  pumps: 'pumps',
  skimmer: 'skimmer',
  light: 'light',
  dosing: 'dosing pump',
};

/** What happened, as it is chosen and as it is said again. */
export const INCIDENT_WORDS: Record<IncidentKind, string> = {
  foodSpilled: 'Food spilled',
  filterCleaned: 'Filter cleaned',
  filterOff: 'Filter stood still',
  outbreak: 'Disease among the fish',
  powerCut: 'Power cut',
  medicine: 'Medicine given',
  algaeHarvested: 'Algae taken out, a lot',
  contaminated: 'Something got in',
};

const reckoned = (s: StatementOf<'freeAmmoniaAct' | 'freeAmmoniaWatch'>, w: WordsContext): string =>
  `Ammonia is ${s.ammonia}, read ${w.hour(s.atMs)}. At pH ${s.ph.toFixed(1)}${s.phAssumed ? ' (not measured, taken high)' : ''} and ${heat(s.tempC, w)} that is ${nh3(s.nh3MgN)} free`;

const perDay = (w: WordsContext): string => showDifference('salinity', LIVING.salinityPerDay, w.units);

const tooMuch = (s: StatementOf<'fedAsksTest' | 'fedDayAfter'>, w: WordsContext): string =>
  `The food given by ${w.hour(s.atMs)} makes about ${s.madeMgN.toFixed(0)} mg N in a day; the filter keeps up with about ${s.keptUpMgN.toFixed(0)}`;

/** Less dry food than this is written as none, g. */
export const LEAST_G = 0.005;

/** Dry food, of which there is some. */
export const foodGrams = (g: number): string => (g < LEAST_G ? 'less than 0.01 g' : `${g.toFixed(2)} g`);

export const LIVING_WORDS = {
  livingSteady: (s, w) => `Every reading is within its limits; the oldest of them is of ${w.day(s.sinceMs)}.`,
  keepSteady: () => 'Feed as before and keep to the tests.',
  feedNewcomers: (s) => {
    const now =
      s.nowG < LEAST_G
        ? 'No food today'
        : `Feed about ${s.nowG.toFixed(2)} g of dry food today, for all fish`;
    const then = `All of it, ${foodGrams(s.fullG)} a day, in ${days(s.days)}, if ammonia reads zero until then`;
    return `${now}: those who just came get a part. ${then}.`;
  },
  freeAmmoniaAct: (s, w) => `${reckoned(s, w)}; act from ${FREE_AMMONIA.act}.`,
  freeAmmoniaWatch: (s, w) => `${reckoned(s, w)}; above ${FREE_AMMONIA.longTerm} for long it harms.`,
  freeMeasuredAct: (s, w) =>
    `Free ammonia reads ${nh3(s.nh3MgN)} mg/L NH₃-N, ${w.hour(s.atMs)}; act from ${FREE_AMMONIA.act}.`,
  freeMeasuredWatch: (s, w) =>
    `Free ammonia reads ${nh3(s.nh3MgN)} mg/L NH₃-N, ${w.hour(s.atMs)}; above ${FREE_AMMONIA.longTerm} for long it harms.`,
  ammoniaWithAnimals: (s, w) => `Ammonia is ${s.ammonia} with animals in, read ${w.hour(s.atMs)}.`,
  ammoniaTrace: (s, w) => `Ammonia reads ${s.ammonia}, ${w.hour(s.atMs)}: one reading, not yet borne out.`,
  dosedWithAnimals: (s, w) =>
    `Ammonia was dosed, ${w.hour(s.atMs)}, and not tested since: up to ${nh4Fine(s.leftMgN)} mg/L may be there, with animals in.`,
  ammoniaChanged: (s, w) =>
    `Ammonia was ${s.ammonia}, ${w.hour(s.atMs)}. ${Math.round(s.share * 100)} % was changed since: about ${nh4Fine(s.leftMgN)} mg/L is expected, not measured.`,
  stillTooMuch: (s, w) =>
    `Ammonia was ${s.ammonia}, ${w.hour(s.atMs)}. After the change about ${nh4Fine(s.leftMgN)} mg/L is still expected: too much.`,
  testAmmoniaAt: (s, w) => `Test ammonia at ${w.hour(s.atMs)}.`,
  changeNow: () => 'Change water now, in the order below.',
  changeSome: () =>
    'Change a quarter of the water, matched and tested; feed half, and test again in the evening.',
  confirmAmmonia: () => 'Repeat the test with a blank of fresh salt water beside it, today. Feed little.',
  coarseZero: (s) =>
    `The lowest step of the ${PARAMETER_NAMES[s.parameter]} kit hides too much to be called zero.`,
  finerKit: (s) => `Read ${PARAMETER_NAMES[s.parameter]} with a finer kit.`,
  nitriteWithAnimals: (s, w) => `Nitrite is ${s.nitrite} with animals in, read ${w.hour(s.atMs)}.`,
  filterLags: () => 'The filter lags behind the food: feed half, add nothing, test again tomorrow.',
  tooWarm: (s, w) =>
    `The water is ${heat(s.tempC, w)}, read ${w.hour(s.atMs)}; above ${heat(LIVING.tempActC[1], w)} it is an emergency.`,
  tooCold: (s, w) =>
    `The water is ${heat(s.tempC, w)}, read ${w.hour(s.atMs)}; below ${heat(LIVING.tempActC[0], w)} it is an emergency.`,
  heatMoved: (s, w) =>
    `The water is ${heat(s.tempC, w)}: ${warmer(Math.abs(s.by), w)} ${s.by > 0 ? 'warmer' : 'colder'} within ${Math.max(1, Math.round(s.hours))} h.`,
  heatHeading: (s, w) =>
    `The water is ${heat(s.tempC, w)} and ${s.perHour > 0 ? 'rising' : 'falling'} ${warmer(Math.abs(s.perHour), w)} an hour.`,
  coolSlowly: (_s, w) =>
    `Heater off at the wall, lids open, a fan over the water, more air; cool it by ${warmer(LIVING.perHourC, w)} an hour.`,
  warmSlowly: (_s, w) =>
    `Check the heater and its plug against a second thermometer; warm it by ${warmer(LIVING.perHourC, w)} an hour.`,
  salinityWithAnimals: (s, w) => `Salinity is ${salt(s.salinity, w)}, read ${w.hour(s.atMs)}.`,
  salinityMixed: (s, w) =>
    `Salinity was ${salt(s.measured, w)}; after the change about ${salt(s.salinity, w)} is expected.`,
  saltMoved: (s, w) =>
    `Salinity is ${salt(s.salinity, w)}: ${showDifference('salinity', Math.abs(s.by), w.units)} ${s.by > 0 ? 'up' : 'down'} within ${Math.max(1, Math.round(s.hours))} h.`,
  saltDrifts: (s, w) =>
    `Salinity drifts ${s.perDay > 0 ? 'up' : 'down'} by ${showDifference('salinity', Math.abs(s.perDay), w.units)} a day: ${salt(s.limit, w)} in about ${days(s.days)}. Look at the top-off.`,
  salinitySlowly: (_s, w) =>
    `Measure it again with another instrument, then correct it by ${perDay(w)} a day at most; look at the top-off.`,
  phLow: (s, w) => `pH is ${s.ph.toFixed(1)}, read ${w.hour(s.atMs)}.`,
  phHigh: (s, w) => `pH is ${s.ph.toFixed(1)}, read ${w.hour(s.atMs)}.`,
  freshAir: () => 'Measure it again, open a window, more air in the water. No buffer while ammonia is there.',
  stopDosing: () => 'Stop the doser and what raises it; never acid. Measure it again.',
  oxygenLow: (s, w) => `Oxygen is ${s.mgL.toFixed(1)} mg/L, read ${w.hour(s.atMs)}.`,
  airNow: () => 'Air stone and pumps on, surface moving, take out what died, no food.',
  alkalinityWithAnimals: (s, w) =>
    `Alkalinity is ${dkh(s.alkalinity)} with animals in, read ${w.hour(s.atMs)}.`,
  alkalinityMoved: (s) =>
    `Alkalinity is ${dkh(s.alkalinity)}: ${Math.abs(s.by).toFixed(1)} ${s.by > 0 ? 'up' : 'down'} within a day.`,
  alkalinityDrifts: (s) =>
    `Alkalinity ${s.perDay > 0 ? 'rises' : 'falls'} by ${dkh(Math.abs(s.perDay))} a day: ${dkh(s.limit)} in about ${days(s.days)}.`,
  letAlkalinityFall: () => 'Dose none until it has come down by itself; small water changes help.',
  steadyDoses: () => 'Keep doses small and even; measure again tomorrow.',
  deathAsksTest: () => 'An animal was lost and ammonia has not been tested since.',
  deathDayAfter: () => 'An animal was lost yesterday: ammonia shows the day after, too.',
  missingAsksTest: (s) => `Something was not seen (${s.missing}): ammonia has not been tested since.`,
  incidentAsksTest: (s) => `${INCIDENT_WORDS[s.what]}: ammonia has not been tested since.`,
  incidentDayAfter: (s) => `${INCIDENT_WORDS[s.what]}: ammonia shows the day after, too.`,
  fedAsksTest: (s, w) =>
    `${tooMuch(s, w)}. ${s.isOut ? 'It is out: feed' : 'Take out what lies there and feed'} nothing until ammonia reads zero: it has not been tested since.`,
  fedDayAfter: (s, w) => `${tooMuch(s, w)}: ammonia shows the day after, too. Feed little until then.`,
  seafoodRots: (s, w) =>
    `The raw seafood of ${w.hour(s.atMs)} rots with animals in: about ${s.madeMgN.toFixed(0)} mg N a day; ` +
    `the filter keeps up with about ${s.keptUpMgN.toFixed(0)}.`,
  seafoodOutNow: () =>
    'Take it out now and log it under Seafood out. No food; test ammonia today and tomorrow.',
  neverTested: (s) =>
    `${capital(named(s.parameters))} ${plural(s.parameters.length, 'is', 'are')} not known, with animals in.`,
  untestedTooLong: (s) =>
    `${capital(named(s.parameters))} ${plural(s.parameters.length, 'has', 'have')} not been tested for too long.`,
  causeFilter: () => 'The filter: was it cleaned, off, or dry? Is everything flowing?',
  causeDead: () => 'Something dead: count everyone, look behind the rock and in the overflow.',
  causeFood: () => 'Food: spilled, a feeder stuck, or more than is eaten in two minutes.',
  causeMedicine: () => 'A medicine or a cleaner that harmed the bacteria.',
  causeTap: () => 'New water: was it tested for ammonia, did the tap bring chloramine?',
  causeKit: () => 'The kit: past its date, or binders in the water that mislead it. Read a blank beside it.',
} satisfies Partial<Sentences>;
