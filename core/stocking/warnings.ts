/** What speaks against an addition, each with its reason. The choice stays with the person. */
import { lastOf, type WaterEvidence } from '../evidence';
import { LIVING } from '../living';
import type { Assessment, Judgement } from '../readiness';
import { freeAmmoniaFraction, FREE_AMMONIA } from '../seawater';
import { speciesOf, type PreyKind, type Species } from '../species';
import type { StatementOf, WarningCode } from '../statements';
import { DAY_MS } from '../time';
import { STOCKING } from './limits';
import { peakOfLoad, type AdditionPeaks } from './peaks';
import { dailyLoadMgN, loadAt, peakAfterStep, provedCapacity } from './load';

export interface Warning {
  severity: 'stop' | 'caution' | 'note';
  says: StatementOf<WarningCode>;
}

export interface AdditionForecast {
  addedMgN: number;
  presentMgN: number;
  /** Predicted peak of free ammonia, mg NH3-N/L; null without a proved capacity. */
  peakNh3MgN: number | null;
  /** The same by the tank's own forecast, 10, 50 and 90 %; null until there is one. */
  likelyNh3MgN: readonly [number, number, number] | null;
}

const PREY_OF: Record<PreyKind, Species['is'][number]> = {
  snails: 'snail',
  shrimp: 'shrimp',
  crabs: 'crab',
  smallFish: 'smallFish',
  worms: 'worm',
  clams: 'clam',
  corals: 'coral',
  softCorals: 'soft',
  zoanthids: 'zoanthid',
  fleshyCorals: 'fleshy',
  smallPolypCorals: 'smallPolyp',
};

const ORDER: Record<Warning['severity'], number> = { stop: 0, caution: 1, note: 2 };
const stop = (says: Warning['says']): Warning => ({ severity: 'stop', says });
const caution = (says: Warning['says']): Warning => ({ severity: 'caution', says });

/** Judges adding `count` of a species to a tank now. Warnings most severe first. @param peaks what the tank's forecast says of additions */
export function additionWarnings(
  e: WaterEvidence,
  assessment: Assessment,
  species: Species,
  count: number,
  peaks: AdditionPeaks | null = null,
): { warnings: Warning[]; forecast: AdditionForecast } {
  const residents = e.residents.map((a) => ({ species: speciesOf(e, a.speciesId), count: a.count }));
  const forecast = forecastAddition(e, assessment, species, count, peaks);
  const warnings = [
    ...ofTheGlass(e, species),
    ...ofTheCompany(species, count, residents),
    ...ofTheTime(e, assessment, species),
    ...ofThePace(e, species, forecast),
  ];
  return { warnings: warnings.sort((a, b) => ORDER[a.severity] - ORDER[b.severity]), forecast };
}

/** Room and lid. */
function ofTheGlass(e: WaterEvidence, species: Species): Warning[] {
  const { adultCm, minTankL } = species;
  const warnings: Warning[] = [];
  if (e.netL < minTankL) warnings.push(stop({ code: 'tooLargeForTank', adultCm, minTankL, netL: e.netL }));
  if (e.water.hasLid) return warnings;
  if (species.jumps) warnings.push(stop({ code: 'jumpsNoLid', name: species.common }));
  else if (species.group === 'fish') warnings.push(caution({ code: 'noLid' }));
  return warnings;
}

type Resident = { species: Species; count: number };

/** Rivals, territory and who eats whom. */
function ofTheCompany(species: Species, count: number, residents: readonly Resident[]): Warning[] {
  const warnings: Warning[] = [];
  const same = residents.filter((r) => r.species.id === species.id).reduce((sum, r) => sum + r.count, 0);
  if (species.maxPerTank !== null && same + count > species.maxPerTank) {
    warnings.push(stop({ code: 'tooManyOfKind', most: species.maxPerTank, would: same + count }));
  }
  for (const r of residents) {
    const ground = species.rivalKey;
    if (ground !== null && r.species.rivalKey === ground && r.species.id !== species.id) {
      warnings.push(stop({ code: 'rival', name: r.species.common, ground }));
    }
  }
  if (species.group === 'fish') warnings.push(...ofTheTerritory(species, residents));
  for (const prey of species.eats) {
    const eaten = residents.find((r) => r.species.is.includes(PREY_OF[prey]));
    if (eaten) warnings.push(caution({ code: 'eatsResident', name: eaten.species.common }));
  }
  for (const r of residents) {
    if (r.species.eats.some((prey) => species.is.includes(PREY_OF[prey]))) {
      warnings.push(caution({ code: 'eatenByResident', name: r.species.common }));
    }
  }
  if (species.reefSafe === 'caution' && residents.some((r) => r.species.group === 'coral')) {
    warnings.push(caution({ code: 'notAlwaysReefSafe' }));
  }
  if (species.reefSafe === 'no') warnings.push(caution({ code: 'notReefSafe' }));
  return warnings;
}

function ofTheTerritory(species: Species, residents: readonly Resident[]): Warning[] {
  const warnings: Warning[] = [];
  const owner = residents.find((r) => r.species.temperament === 'territorial');
  if (owner) warnings.push(caution({ code: 'lateComer', name: owner.species.common }));
  const first = !residents.some((r) => r.species.group === 'fish');
  if (first && species.temperament === 'territorial') warnings.push(caution({ code: 'territorialFirst' }));
  return warnings;
}

/** One set of facts, answered for the kind. */
function judgementFor(species: Species, { fish, crew, coral }: Assessment): Judgement {
  if (species.group === 'coral') return coral;
  return species.crew ? crew : fish;
}

/** Whether the gate is open, and the tank old enough. */
function ofTheTime(e: WaterEvidence, assessment: Assessment, species: Species): Warning[] {
  const warnings: Warning[] = [];
  const judgement = judgementFor(species, assessment);
  if (judgement.word === 'wait' || judgement.word === 'actNow') {
    const at = assessment.gates.find((g) => g.status === 'here')?.id;
    const settling = at === 'nextStep' && species.group !== 'coral';
    const unfed = judgement.reason.code === 'crewUnfed' || judgement.reason.code === 'crewStarving';
    if (unfed) warnings.push(caution({ code: 'littleToGraze' }));
    else warnings.push(stop({ code: settling ? 'lastStillSettling' : 'gateShut' }));
  }
  if (judgement.word === 'test') warnings.push(caution({ code: 'testFirst' }));
  const { startDay } = e.water;
  const wantsDays = species.minTankAgeDays;
  if (startDay === null) {
    if (wantsDays > 0) warnings.push(caution({ code: 'ageNotSaid', wantsDays }));
  } else {
    const ageDays = Math.floor((e.nowMs - Date.parse(`${startDay}T00:00:00Z`)) / DAY_MS);
    if (ageDays < wantsDays) warnings.push(caution({ code: 'youngTank', wantsDays, ageDays }));
  }
  if (species.sensitivities.includes('needs pods')) {
    warnings.push({ severity: 'note', says: { code: 'livesOnPods' } });
  }
  return warnings;
}

/** Load against a month ago, against the last addition and against what the filter has proved. */
function ofThePace(e: WaterEvidence, species: Species, forecast: AdditionForecast): Warning[] {
  const warnings: Warning[] = [];
  const mgN = forecast.presentMgN + forecast.addedMgN;
  const monthAgo = loadAt(e, e.nowMs - STOCKING.growthDays * DAY_MS);
  const allowedMgN = Math.max(STOCKING.mostGrowth * monthAgo, STOCKING.firstStepMgN);
  if (mgN > allowedMgN + 1e-9) warnings.push(caution({ code: 'moreThanDouble', mgN, allowedMgN }));
  const isFish = species.group === 'fish';
  const lately = lastOf(e.joined.filter((j) => speciesOf(e, j.animal.speciesId).group === 'fish'));
  if (isFish && lately && e.nowMs - lately.atMs < STOCKING.betweenFishDays * DAY_MS) {
    warnings.push(stop({ code: 'twoInAWeek' }));
  }
  const capacity = provedCapacity(e);
  if (capacity && mgN > capacity.nearZeroNowMgN)
    warnings.push(stop({ code: 'overCeiling', mgN, carriesMgN: capacity.nearZeroNowMgN }));
  if (!capacity && isFish) warnings.push(caution({ code: 'noProof' }));
  return [...warnings, ...ofTheAmmonia(forecast)];
}

/** What was reckoned from the proof and what the tank's futures say: the worse of both counts. */
function ofTheAmmonia({ peakNh3MgN, likelyNh3MgN }: AdditionForecast): Warning[] {
  const [, likely, high] = likelyNh3MgN ?? [0, 0, 0];
  const nh3MgN = Math.max(peakNh3MgN ?? 0, likely);
  if (nh3MgN > FREE_AMMONIA.longTerm) return [stop({ code: 'ammoniaPeak', nh3MgN })];
  return high > FREE_AMMONIA.longTerm ? [caution({ code: 'ammoniaMayPeak', nh3MgN: high })] : [];
}

function forecastAddition(
  e: WaterEvidence,
  assessment: Assessment,
  species: Species,
  count: number,
  peaks: AdditionPeaks | null,
): AdditionForecast {
  const addedMgN = dailyLoadMgN(species, species.arrivalCm) * count;
  const presentMgN = loadAt(e, e.nowMs);
  const fraction =
    assessment.freeAmmonia?.fraction ??
    freeAmmoniaFraction(LIVING.assumedPh, LIVING.assumedTempC, LIVING.assumedSalinity);
  const [low, mid, high] = (peaks && peakOfLoad(peaks, addedMgN)) ?? [null, null, null];
  const capacity = provedCapacity(e);
  return {
    addedMgN,
    presentMgN,
    peakNh3MgN: capacity
      ? peakAfterStep(capacity.nearZeroNowMgN, presentMgN, addedMgN, e.netL) * fraction
      : null,
    likelyNh3MgN: low === null ? null : [low * fraction, mid * fraction, high * fraction],
  };
}
