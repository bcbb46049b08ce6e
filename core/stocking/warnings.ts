/** What speaks against an addition, each with its reason. The choice stays with the person. */
import { freeAmmoniaFraction, FREE_AMMONIA_LIMITS } from '../seawater';
import { currentPlace, DAY_MS, lastOf, type TankEvidence } from '../readiness/evidence';
import type { Assessment } from '../readiness';
import { dailyLoadMgN, displayLoadAt, peakAfterStep, provedCapacity } from './load';
import { speciesById, type PreyKind, type Species } from './species';

export interface Warning {
  code: string;
  severity: 'stop' | 'caution' | 'note';
  text: string;
}

export interface AdditionForecast {
  addedMgN: number;
  presentMgN: number;
  /** Predicted peak of free ammonia, mg NH3-N/L; null without a proved capacity. */
  peakNh3MgN: number | null;
}

const PREY_OF: Record<PreyKind, string> = { snails: 'snail', shrimp: 'shrimp', crabs: 'crab', smallFish: 'smallFish', corals: 'coral', worms: 'worm' };

/** First addition: nothing to double, so a small allowance, mg N a day (two small fish on light feed are about 12). */
export const FIRST_STEP_MG_N = 12;

/** Judges adding `count` of a species to a tank now. Warnings most severe first. */
export function additionWarnings(e: TankEvidence, assessment: Assessment, species: Species, count: number): { warnings: Warning[]; forecast: AdditionForecast } {
  const warnings: Warning[] = [];
  const warn = (severity: Warning['severity'], code: string, text: string) => warnings.push({ code, severity, text });
  const residents = e.inDisplay.map((a) => ({ animal: a, species: speciesById(a.speciesId) }));
  const name = species.common;

  if (e.netL < species.minTankL) {
    warn('stop', 'size', `Grows to ${species.adultCm} cm and wants ${species.minTankL} L; this tank holds ${Math.round(e.netL)} L. Judge it by its adult size, not the size in the shop.`);
  }
  if (species.jumps && !e.tank.hasLid) warn('stop', 'lid', `${name} jumps, new ones most of all, and no lid is noted for this tank.`);
  else if (species.group === 'fish' && !e.tank.hasLid) warn('caution', 'lid', 'No lid is noted for this tank. Nearly every fish may jump in its first days.');

  const rivals = residents.filter((r) => species.rivalKey !== null && r.species.rivalKey === species.rivalKey);
  const same = residents.filter((r) => r.species.id === species.id).reduce((sum, r) => sum + r.animal.count, 0);
  if (species.maxPerTank !== null && same + count > species.maxPerTank) {
    warn('stop', 'tooMany', `At most ${species.maxPerTank} of its kind to a tank; this would make ${same + count}.`);
  }
  for (const rival of rivals.filter((r) => r.species.id !== species.id)) {
    warn('stop', 'rival', `${rival.species.common} claims the same ground (${species.rivalKey}): expect a fight.`);
  }
  const territorial = residents.find((r) => r.species.temperament === 'territorial' && species.group === 'fish');
  if (territorial) warn('caution', 'lateComer', `${territorial.species.common} is territorial and already at home: a newcomer has it hard.`);
  if (species.group === 'fish' && species.temperament === 'territorial' && !residents.some((r) => r.species.group === 'fish')) {
    warn('caution', 'territorialFirst', 'Territorial fish go in last: as the first they own the tank.');
  }
  for (const prey of species.eats) {
    const eaten = residents.find((r) => r.species.is.includes(PREY_OF[prey]));
    if (eaten) warn('caution', 'eatsCrew', `May eat or harass ${eaten.species.common}, which lives here.`);
  }
  for (const r of residents) {
    if (r.species.eats.some((prey) => species.is.includes(PREY_OF[prey]))) warn('caution', 'eatenBy', `${r.species.common} in this tank may eat it.`);
  }
  if (species.reefSafe === 'caution' && residents.some((r) => r.species.group === 'coral')) warn('caution', 'reef', 'Not always safe with corals and clams.');
  if (species.reefSafe === 'no') warn('caution', 'reef', 'Not safe with corals.');

  tooEarly(e, assessment, species, warn);
  const forecast = pace(e, assessment, species, count, warn);
  const order = { stop: 0, caution: 1, note: 2 };
  warnings.sort((a, b) => order[a.severity] - order[b.severity]);
  return { warnings, forecast };
}

type Warn = (severity: Warning['severity'], code: string, text: string) => void;

function tooEarly(e: TankEvidence, assessment: Assessment, species: Species, warn: Warn): void {
  const judgement = species.group === 'coral' ? assessment.coral : assessment.fish;
  const gate = assessment.gates.find((g) => g.status === 'here');
  if (judgement.word === 'wait' || judgement.word === 'actNow') {
    const early = gate?.id !== 'nextStep' || species.group === 'coral';
    warn('stop', 'tooEarly', early ? 'The gate before it is not open yet: see Today.' : 'The last addition is still settling: see Today.');
  }
  if (judgement.word === 'test') warn('caution', 'testFirst', 'A test is due before anything goes in: see Today.');
  const ageDays = Math.floor((e.nowMs - Date.parse(`${e.tank.startDay}T00:00:00Z`)) / DAY_MS);
  if (ageDays < species.minTankAgeDays) {
    warn('caution', 'youngTank', `Wants a tank settled for about ${species.minTankAgeDays} days; this is day ${ageDays}.`);
  }
  if (species.sensitivities.includes('needs pods')) warn('note', 'finicky', 'Lives on pods: be sure the tank feeds it before it comes home.');
}

function pace(e: TankEvidence, assessment: Assessment, species: Species, count: number, warn: Warn): AdditionForecast {
  const addedMgN = dailyLoadMgN(species, species.arrivalCm) * count;
  const presentMgN = displayLoadAt(e, e.nowMs);
  const monthAgo = displayLoadAt(e, e.nowMs - 30 * DAY_MS);
  const allowed = Math.max(2 * monthAgo, FIRST_STEP_MG_N);
  if (presentMgN + addedMgN > allowed + 1e-9) {
    warn('caution', 'doubling', `Would bring the daily load to ${(presentMgN + addedMgN).toFixed(1)} mg N; no more than ${allowed.toFixed(1)} within a month keeps the filter in step.`);
  }
  const lately = lastOf(e.joined.filter((j) => speciesById(j.animal.speciesId).group === 'fish'));
  if (species.group === 'fish' && lately && e.nowMs - lately.atMs < 7 * DAY_MS) warn('stop', 'twoInAWeek', 'Fish joined less than a week ago. One step at a time.');
  const capacity = provedCapacity(e);
  if (!capacity) {
    if (species.group === 'fish') warn('caution', 'noProof', 'No proof is logged, so nobody knows what this filter can carry.');
    return { addedMgN, presentMgN, peakNh3MgN: null };
  }
  if (presentMgN + addedMgN > capacity.nearZeroNowMgN) {
    warn('stop', 'ceiling', `The filter carries about ${capacity.nearZeroNowMgN.toFixed(0)} mg N a day at invisible ammonia; this makes ${(presentMgN + addedMgN).toFixed(1)}.`);
  }
  const peak = peakAfterStep(capacity.nearZeroNowMgN, presentMgN, addedMgN, e.netL);
  const water = assessment.freeAmmonia;
  const peakNh3MgN = peak * (water?.fraction ?? freeAmmoniaFraction(8.2, 25, 35));
  if (peakNh3MgN > FREE_AMMONIA_LIMITS.longTerm) warn('stop', 'peak', `Free ammonia is predicted to reach ${peakNh3MgN.toFixed(3)} mg/L NH₃-N; 0.02 is the limit for long.`);
  return { addedMgN, presentMgN, peakNh3MgN };
}

/** True for the places an animal can still come from. */
export const isComing = (animal: Parameters<typeof currentPlace>[0]): boolean => ['wish', 'quarantine'].includes(currentPlace(animal).to);
