/** The rule of each gate with its numbers in it, in the person's units. */
import { EVIDENCE } from '../evidence';
import { DEFAULT_TARGETS, type TargetRange } from '../document';
import { LIVING } from '../living';
import { RULES } from '../readiness';
import type { GateId } from '../statements';
import { PRINTED_PER_N, showRange, type UnitPreferences } from '../units';

const around = (aim: TargetRange | undefined, slack: number): [number, number] => [
  (aim?.low ?? 0) - slack,
  (aim?.high ?? 0) + slack,
];

/** What is let pass around the usual aims. */
const AIMED = {
  salinity: around(DEFAULT_TARGETS.salinity, RULES.salinitySlack),
  temperature: around(DEFAULT_TARGETS.temperature, RULES.tempSlackC),
};

const FALL = Math.round(EVIDENCE.fallShare * 100);

export const gateRule = (gate: GateId, units: UnitPreferences): string => RULE_WORDS[gate](units);

const RULE_WORDS: Record<GateId, (units: UnitPreferences) => string> = {
  seaWater: (units) =>
    `Salinity ${showRange('salinity', AIMED.salinity, units)} and ${showRange('temperature', AIMED.temperature, units)} at the last trusted reading, unless you aim elsewhere. Steadiness counts more than a number.`,
  ammoniaFalling: () =>
    `A trusted reading at ${FALL} % or less of the highest before it, water changes taken out. A zero counts only after a measured rise or a dose.`,
  nitriteFalling: () =>
    `A trusted nitrite reading at ${FALL} % or less of the highest before it, water changes taken out. Where nitrite never shows, two clear tests with nitrate present do.`,
  bothClear: () =>
    `Ammonia and nitrite both zero in two sittings at least ${EVIDENCE.clearApartHours} hours apart, after a measured rise, with nitrate to show for it. Nitrite hardly harms fish in sea water; while it shows, the second bacteria cannot keep up, so we wait for zero.`,
  settle: () => `${RULES.settleDays} days from the first clear test, with nothing found since.`,
  film: () =>
    `Both clear, and green film or hair algae logged not longer than ${RULES.filmBeforeClearDays} days before it. Film supports the tests; it measures no ammonia.`,
  transfer: () => 'Rock or media from a running tank is logged under bacteria.',
  dailyClear: () =>
    `Fed after the transfer, then ammonia zero on ${RULES.dailyTests} different days in a row.`,
  bacteria: () => 'A bottle or running media is logged.',
  proof: () =>
    `At least ${(EVIDENCE.proofDoseMgN * PRINTED_PER_N.ammonia.ion).toFixed(1)} mg/L ammonia (2 asked) dosed after nitrogen was once measured, then both zero in a test ${EVIDENCE.proofEarliestHours} to ${EVIDENCE.proofHours} hours later. Up to ${EVIDENCE.proofLenientHours} hours satisfies the lenient. Without food the proof fades in ${EVIDENCE.proofFadesDays} days.`,
  reset: () =>
    `Nitrate at ${(RULES.nitrateStartMgN * PRINTED_PER_N.nitrate.ion).toFixed(0)} mg/L or less, alkalinity ${RULES.alkalinityMin} dKH or more, salinity in range, all within ${LIVING.staleDays} days. Nitrate read while nitrite is present is not counted.`,
  firstAnimals: () =>
    `The gates before it, and ammonia, nitrite, salinity, temperature and alkalinity measured within ${LIVING.staleDays} days.`,
  nextStep: () =>
    `Ammonia zero on days ${RULES.testsAfterAdditionDays.join(', ')} after the last addition, and ${RULES.betweenAdditionsDays} days gone by, ${RULES.afterFirstDays} after the first. Nitrite at zero within ${RULES.nitriteKnownDays} days, nitrate at ${(RULES.nitrateStopMgN * PRINTED_PER_N.nitrate.ion).toFixed(0)} mg/L or less, and nothing in the water to watch.`,
};
