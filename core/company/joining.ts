/** What speaks against an addition: whom it would live with, and whether now is the time. The choice stays with the person. */
import type { Animal, QuarantineLine } from '../document';
import { lastOf, type WaterEvidence } from '../evidence';
import { LIVING } from '../living';
import { judgementFor, type Assessment } from '../readiness';
import { freeAmmoniaFraction, FREE_AMMONIA } from '../seawater';
import { speciesOf } from '../species';
import type { CompanyCode, StatementOf, WarningCode } from '../statements';
import {
  dailyLoadMgN,
  firstStepOf,
  groupLoadMgN,
  presentLoadMgN,
  usualLoadAt,
  peakAfterStep,
  provedCapacity,
  STOCKING,
} from '../stocking';
import { peakOfLoad, type AdditionPeaks } from '../stocking/peaks';
import { DAY_MS, daysBetween } from '../time';
import { companyOf, findingsOf } from './company';
import type { Severity } from './finding';
import { lineOf } from './lines';
import { tankOf, type Member } from './member';

export interface Warning {
  severity: Severity;
  /** No waiting helps. */
  lasting: boolean;
  says: StatementOf<WarningCode | CompanyCode>;
}

export interface AdditionForecast {
  addedMgN: number;
  presentMgN: number;
  /** Predicted peak of free ammonia, mg NH3-N/L; null without a proved capacity. */
  peakNh3MgN: number | null;
  /** The same by the tank's own forecast, 10, 50 and 90 %; null until there is one. */
  likelyNh3MgN: readonly [number, number, number] | null;
}

const ORDER: Record<Severity, number> = { no: 0, onlyIf: 1, note: 2 };
const notYet = (says: Warning['says']): Warning => ({ severity: 'no', lasting: false, says });
const onlyIf = (says: Warning['says']): Warning => ({ severity: 'onlyIf', lasting: false, says });

export interface Joining {
  /** Everybody it would meet: those at home and those bought. */
  others: readonly Member[];
  /** Those for which a quarantine is open, or of which the person lets in without one. */
  lines: ReadonlySet<QuarantineLine>;
  /** Calendar day of a moment where the person is. */
  dayOfMs: (ms: number) => string;
  /** What the tank's forecast says of additions. */
  peaks?: AdditionPeaks | null;
}

/** Judges one joining the others of a tank now. Warnings most severe first. */
export function additionWarnings(
  e: WaterEvidence,
  assessment: Assessment,
  newcomer: Member,
  { others, lines, dayOfMs, peaks = null }: Joining,
): { warnings: Warning[]; forecast: AdditionForecast } {
  const { forecast, warnings: ofThePace } = paceOf(e, assessment, [newcomer], dayOfMs, peaks);
  const apart = others.filter((o) => o.id !== newcomer.id);
  const warnings = [
    ...findingsOf(companyOf(tankOf(e, dayOfMs), [...apart, newcomer]), newcomer.id),
    ...ofTheWay(newcomer, lines),
    ...ofTheTime(assessment, newcomer),
    ...ofThePace,
  ];
  return { warnings: warnings.sort(byGravity), forecast };
}

const byGravity = (a: Warning, b: Warning): number =>
  ORDER[a.severity] - ORDER[b.severity] || Number(b.lasting) - Number(a.lasting);

/** Whoever is on its way in has its quarantine. */
function ofTheWay({ stage, species }: Member, lines: ReadonlySet<QuarantineLine>): Warning[] {
  const line = lineOf(species);
  return stage === 'wish' && !lines.has(line) ? [onlyIf({ code: 'noQuarantine', line })] : [];
}

/** Does it hardly add to the load? Then it waits for nobody to settle, and nobody for it (R4 of the plan). */
export const isLightLoad = ({ species, count }: Pick<Member, 'species' | 'count'>): boolean =>
  count * dailyLoadMgN(species, species.arrivalCm) <= STOCKING.heavyMgN;

/** Whether the gate is open. */
function ofTheTime(assessment: Assessment, newcomer: Member): Warning[] {
  const { species } = newcomer;
  const judgement = judgementFor(species, assessment);
  if (judgement.word === 'test') return [onlyIf({ code: 'testFirst' })];
  if (judgement.word !== 'wait' && judgement.word !== 'actNow') return [];
  const { code } = judgement.reason;
  if (code === 'stepSettling' && isLightLoad(newcomer))
    return species.group === 'fish' ? [onlyIf({ code: 'lastStillSettling' })] : [];
  if (code === 'waterFirst' || code === 'ammoniaAfterStep') return [notYet({ code: 'waterComesFirst' })];
  if (code === 'fishFallow' || code === 'outbreakFishIn') return [notYet({ code: 'liesFallow' })];
  // That it is too small for this one, or feeds no more of them, is said by itself.
  if (code === 'glassFitsNobody' || code === 'crewUnfed' || code === 'crewStarving') return [];
  const at = assessment.gates.find((g) => g.status === 'here')?.id;
  const settling = code === 'crewLately' || (at === 'nextStep' && species.group !== 'coral');
  return [notYet({ code: settling ? 'lastStillSettling' : 'gateShut' })];
}

/** Load against a month ago, against the last addition and against what the filter has proved, for all who would come at once. */
export function paceOf(
  e: WaterEvidence,
  assessment: Pick<Assessment, 'freeAmmonia'>,
  group: readonly Pick<Member, 'species' | 'count'>[],
  dayOfMs: (ms: number) => string,
  peaks: AdditionPeaks | null = null,
): { warnings: Warning[]; forecast: AdditionForecast } {
  const forecast = forecastAddition(e, assessment, group, peaks);
  const warnings: Warning[] = [];
  const mgN = forecast.presentMgN + forecast.addedMgN;
  const capacity = provedCapacity(e);
  const nearZeroMgN = capacity?.nearZeroNowMgN ?? null;
  const allowedMgN = allowedLoadMgN(e, dayOfMs);
  const isTooMuch = mgN > allowedMgN + 1e-9;
  if (isTooMuch) warnings.push(onlyIf({ code: 'moreThanDouble', mgN, allowedMgN }));
  const fish = group.filter(({ species }) => species.group === 'fish');
  const isFish = fish.length > 0;
  const lately = lastOf(e.joined.filter((j) => isLoadOfFish(e, j)));
  const sinceFish = lately ? daysBetween(dayOfMs(lately.atMs), dayOfMs(e.nowMs)) : Infinity;
  const isLight = group.every((one) => isLightLoad(one));
  if (isFish && sinceFish < STOCKING.betweenFishDays)
    warnings.push((isLight ? onlyIf : notYet)({ code: 'twoInAWeek' }));
  const ofAmmonia = ofTheAmmonia(forecast);
  // A step no larger than the rule allows, with ammonia low all the while, is one that a filter grows into: so it is planned.
  if (nearZeroMgN !== null && mgN > nearZeroMgN)
    warnings.push(
      isTooMuch || ofAmmonia.length > 0
        ? notYet({ code: 'overCeiling', mgN, carriesMgN: nearZeroMgN })
        : { severity: 'note', lasting: false, says: { code: 'growsInto', mgN, carriesMgN: nearZeroMgN } },
    );
  if (!capacity && isFish) warnings.push(onlyIf({ code: 'noProof' }));
  const count = fish.reduce((sum, f) => sum + f.count, 0);
  if (count > STOCKING.firstFish && !e.residents.some((a) => isFishOf(e, a)))
    warnings.push(onlyIf({ code: 'manyFirst', count }));
  return { warnings: [...warnings, ...ofAmmonia], forecast };
}

/** What the load may be in all today, mg N a day: twice that of a month ago, or the first step (R5). */
export const allowedLoadMgN = (e: WaterEvidence, dayOfMs: (ms: number) => string): number =>
  Math.max(STOCKING.mostGrowth * monthAgoMgN(e, dayOfMs), firstStepOf(e).nowMgN);

const isFishOf = (e: WaterEvidence, { speciesId }: Animal): boolean =>
  speciesOf(e, speciesId).group === 'fish';

const isLoadOfFish = (e: WaterEvidence, { animal, atMs }: WaterEvidence['joined'][number]): boolean =>
  isFishOf(e, animal) && groupLoadMgN(e, animal, atMs) > STOCKING.heavyMgN;

/** The load by the end of the day a month ago, as the plan counts it: of those who were there by then, as they are now. */
function monthAgoMgN(e: WaterEvidence, dayOfMs: (ms: number) => string): number {
  const thatDay = dayOfMs(e.nowMs - STOCKING.growthDays * DAY_MS);
  const since = e.joined.filter((j) => dayOfMs(j.atMs) > thatDay);
  const sinceMgN = since.reduce((sum, j) => sum + groupLoadMgN(e, j.animal, e.nowMs), 0);
  return Math.max(0, usualLoadAt(e, e.nowMs) - sinceMgN);
}

/** What was reckoned from the proof and what the tank's futures say: the worse of both counts. */
function ofTheAmmonia({ peakNh3MgN, likelyNh3MgN }: AdditionForecast): Warning[] {
  const [, likely, high] = likelyNh3MgN ?? [0, 0, 0];
  const nh3MgN = Math.max(peakNh3MgN ?? 0, likely);
  if (nh3MgN > FREE_AMMONIA.longTerm) return [notYet({ code: 'ammoniaPeak', nh3MgN })];
  return high > FREE_AMMONIA.longTerm ? [onlyIf({ code: 'ammoniaMayPeak', nh3MgN: high })] : [];
}

function forecastAddition(
  e: WaterEvidence,
  assessment: Pick<Assessment, 'freeAmmonia'>,
  group: readonly Pick<Member, 'species' | 'count'>[],
  peaks: AdditionPeaks | null,
): AdditionForecast {
  const addedMgN = group.reduce((sum, m) => sum + m.count * dailyLoadMgN(m.species, m.species.arrivalCm), 0);
  const presentMgN = presentLoadMgN(e);
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
