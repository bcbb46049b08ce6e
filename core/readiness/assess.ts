/** The judgement of a tank: gates walked by school, alarms over them, fish and coral apart, tests that are due. */
import { FREE_AMMONIA_LIMITS, freeAmmoniaFraction } from '../seawater';
import type { Document, Parameter } from '../document';
import { disagreement, type InstrumentReading } from '../instruments';
import { DAY_MS, gatherEvidence, lastOf, trusted, type Point, type TankEvidence } from './evidence';
import { ask, isTransfer, printed, RULE_OF_GATE, SCHOOL_GATES, seaWater, type Assessment, type Finding, type FreeAmmonia, type Gate, type GateId, type Judgement, type Verdict, type Word } from './gates';
import { firstAmmoniaMs, firstFall, inRange, isFresh, proofState, RULES } from './rules';

/** Free ammonia from the last ammonia reading, with pH, temperature and salinity last measured within a week; a missing pH is
 *  taken as 8.2, on the careful side, and said. */
export function freeAmmonia(e: TankEvidence): FreeAmmonia | null {
  const ammonia = lastOf(e.series.ammonia);
  if (!ammonia) return null;
  const near = (points: readonly Point[]) => lastOf(trusted(points).filter((p) => Math.abs(p.atMs - ammonia.atMs) <= 7 * DAY_MS));
  const phPoint = near(e.series.ph);
  const ph = phPoint?.interval.mid ?? 8.2;
  const tempC = near(e.series.temperature)?.interval.mid ?? 25;
  const salinity = near(e.series.salinity)?.interval.mid ?? 35;
  if (!inRange(tempC, [10, 35]) || !inRange(ph, [4, 11]) || !inRange(salinity, [0, 45])) return null;
  const fraction = freeAmmoniaFraction(ph, tempC, salinity);
  return { atMs: ammonia.atMs, mgNPerL: ammonia.zero ? 0 : ammonia.interval.mid * fraction, fraction, ph, phAssumed: !phPoint, tempC, salinity };
}

function findAlarms(e: TankEvidence, free: FreeAmmonia | null): { finding: Finding; word: Word | null }[] {
  const alarms: { finding: Finding; word: Word | null }[] = [];
  const living = e.inDisplay.length > 0;
  if (living && free && e.nowMs - free.atMs <= RULES.staleDays * DAY_MS) {
    if (free.mgNPerL >= FREE_AMMONIA_LIMITS.act) alarms.push({ finding: { code: 'freeAmmoniaAct', n: { nh3: free.mgNPerL } }, word: 'actNow' });
    else if (free.mgNPerL >= FREE_AMMONIA_LIMITS.longTerm) alarms.push({ finding: { code: 'freeAmmoniaWatch', n: { nh3: free.mgNPerL } }, word: 'wait' });
  }
  const salinity = lastOf(trusted(e.series.salinity));
  if (living && salinity && !inRange(salinity.interval.mid, RULES.salinity)) {
    alarms.push({ finding: { code: 'salinityOff', n: { salinity: salinity.interval.mid, tempC: 25 } }, word: 'wait' });
  }
  const ammonia = lastOf(trusted(e.series.ammonia));
  if (ammonia && ammonia.interval.mid > RULES.ammoniaStallMgN) alarms.push({ finding: { code: 'ammoniaTooHigh', t: { ammonia: printed(ammonia, 'ammonia') } }, word: 'wait' });
  const alkalinity = lastOf(trusted(e.series.alkalinity));
  if (alkalinity && alkalinity.interval.mid < RULES.alkalinityMin) {
    alarms.push({ finding: { code: alkalinity.interval.mid < RULES.alkalinityStall ? 'alkalinityStall' : 'alkalinityLow', n: { alkalinity: alkalinity.interval.mid } }, word: 'wait' });
  }
  for (const parameter of ['ammonia', 'nitrite', 'nitrate', 'salinity', 'alkalinity'] as const) {
    const last = lastOf(e.series[parameter]);
    if (last?.doubts.includes('expired')) alarms.push({ finding: { code: 'expiredKit', p: [parameter] }, word: 'test' });
    if (last?.doubts.includes('drift')) alarms.push({ finding: { code: 'driftDoubt', p: [parameter] }, word: 'test' });
    if (last?.doubts.includes('nitriteInterferes')) alarms.push({ finding: { code: 'nitrateDoubted' }, word: null });
  }
  for (const parameter of ['temperature', 'salinity', 'ph', 'alkalinity', 'calcium', 'magnesium'] as const) {
    const found = disagreement(parameter, trusted(e.series[parameter]).filter((p) => p.atMs >= e.nowMs - 7 * DAY_MS).map(asInstrument));
    if (found) alarms.push({ finding: { code: 'instrumentsDisagree', p: [parameter], t: { one: `${found.one.kitName} ${found.one.value.toFixed(1)}`, other: `${found.other.kitName} ${found.other.value.toFixed(1)}` } }, word: null });
  }
  if (living) {
    for (const parameter of ['nitrate', 'phosphate'] as const) {
      const last = lastOf(trusted(e.series[parameter]));
      if (last?.zero) alarms.push({ finding: { code: 'nutrientZero', p: [parameter] }, word: null });
    }
  }
  return alarms;
}

const asInstrument = (p: Point): InstrumentReading => ({
  kitId: p.kit.id, kitName: p.kit.name, shop: p.kit.shop === true, atMs: p.atMs, value: p.interval.mid, half: Number.isFinite(p.interval.high) ? (p.interval.high - p.interval.low) / 2 : p.interval.mid,
});

/** What the gate the tank stands at needs measured within the last three days before a "go". */
const NEEDED: Partial<Record<GateId, readonly Parameter[]>> = {
  ammoniaFalling: ['ammonia'],
  nitriteFalling: ['ammonia', 'nitrite'],
  bothClear: ['ammonia', 'nitrite'],
  settle: ['ammonia', 'nitrite'],
  film: ['ammonia', 'nitrite'],
  proof: ['ammonia', 'nitrite'],
  reset: ['ammonia', 'nitrite'],
  firstAnimals: ['ammonia', 'nitrite', 'salinity', 'temperature', 'alkalinity'],
  nextStep: ['ammonia', 'salinity', 'temperature'],
};

const URGENCY: Record<Word, number> = { actNow: 0, test: 1, wait: 2, goSmall: 3, go: 4 };

/** The judgement for a coral: hardly any load, so nitrite does not stop it, but steady water does. */
function coralJudgement(e: TankEvidence): Judgement {
  const water = seaWater(e);
  if (water.passedMs === null) return { word: water.word, reason: water.finding, opens: water.opens };
  const needed: Parameter[] = ['temperature', 'salinity', 'alkalinity', 'ammonia'];
  const missing = needed.filter((p) => !isFresh(lastOf(trusted(e.series[p])), e.nowMs));
  if (missing.length > 0) return { word: 'test', reason: { code: 'coralUnmeasured', p: missing }, opens: ask(...missing) };
  const alkalinities = trusted(e.series.alkalinity).filter((p) => p.atMs >= e.nowMs - 14 * DAY_MS).map((p) => p.interval.mid);
  const alkalinity = lastOf(alkalinities) ?? 0;
  if (!inRange(alkalinity, [RULES.alkalinityMin, RULES.alkalinityMax])) return { word: 'wait', reason: { code: 'coralAlkalinity', n: { alkalinity } }, opens: { code: 'raiseAlkalinity' } };
  if (alkalinities.length < 2) return { word: 'test', reason: { code: 'coralOneAlkalinity' }, opens: ask('alkalinity') };
  const spread = Math.max(...alkalinities) - Math.min(...alkalinities);
  if (spread > RULES.alkalinitySpread) return { word: 'wait', reason: { code: 'coralUnsteady', n: { spread } }, opens: { code: 'steadyAlkalinity' } };
  const ammonia = lastOf(trusted(e.series.ammonia));
  if (!ammonia?.zero) return { word: 'wait', reason: { code: 'coralAmmonia' }, opens: { code: 'ammoniaZeroAgain' } };
  const cycled = firstAmmoniaMs(e) !== null && (firstFall(e, e.series.ammonia) !== null || e.events.some(isTransfer));
  if (!cycled && e.tank.school !== 'coralsFirst') return { word: 'wait', reason: { code: 'zeroMeansNothing' }, opens: { code: 'addAmmonia' } };
  if (e.tank.school === 'proof24' && proofState(e).status !== 'passed' && e.inDisplay.length === 0) {
    return { word: 'wait', reason: { code: 'coralBeforeDose' }, opens: { code: 'doseForProof' } };
  }
  return { word: 'goSmall', reason: { code: 'coralOne' }, opens: { code: 'addCoral' } };
}

/** Judges a tank at a moment by its school. Rules are safe by construction: doubt, age and absence of a reading turn a go into a test.
 *  @throws RangeError when the tank is not in the document. */
export const assessTank = (doc: Document, tankId: string, nowMs: number): Assessment => assess(gatherEvidence(doc, tankId, nowMs), doc);

/** What the log holds that another school would count and this one does not ask: shown all the same, passed gates only. */
export function besides(e: TankEvidence): Gate[] {
  const asked = SCHOOL_GATES[e.tank.school];
  return EVIDENCE_GATES.filter((id) => !asked.includes(id)).flatMap((id): Gate[] => {
    const verdict = RULE_OF_GATE[id](e);
    return verdict.passedMs === null ? [] : [{ id, status: 'passed', passedMs: verdict.passedMs, finding: verdict.finding }];
  });
}
const EVIDENCE_GATES: readonly GateId[] = ['ammoniaFalling', 'nitriteFalling', 'bothClear', 'settle', 'film', 'transfer', 'dailyClear', 'bacteria', 'proof'];

/** The same for evidence already gathered from the document. */
export function assess(e: TankEvidence, doc: Document): Assessment {
  const nowMs = e.nowMs;
  const school = e.tank.school;
  let here: Exclude<Verdict, { passedMs: number }> | null = null;
  let hereId: GateId = 'nextStep';
  const gates = SCHOOL_GATES[school].map((id): Gate => {
    const verdict = RULE_OF_GATE[id](e);
    if (here) return { id, status: 'ahead', passedMs: null, finding: verdict.finding };
    if (verdict.passedMs !== null) return { id, status: 'passed', passedMs: verdict.passedMs, finding: verdict.finding };
    here = verdict;
    hereId = id;
    return { id, status: 'here', passedMs: null, finding: verdict.finding };
  });
  const free = freeAmmonia(e);
  const alarms = findAlarms(e, free);
  const at: Exclude<Verdict, { passedMs: number }> = here ?? { passedMs: null, word: 'go', finding: { code: 'stepCarried', n: { since: 0 } }, opens: { code: 'addNext' } };
  const stale = (NEEDED[hereId] ?? []).filter((p) => {
    const last = lastOf(trusted(e.series[p]));
    return last !== undefined && !isFresh(last, nowMs);
  });
  const unmeasured = at.word === 'go' || at.word === 'goSmall' ? (NEEDED[hereId] ?? []).filter((p) => !lastOf(trusted(e.series[p]))) : [];
  let fish: Judgement = { word: at.word, reason: at.finding, opens: at.opens };
  if (stale.length + unmeasured.length > 0 && at.finding.code !== 'nothingFed') {
    const p = [...stale, ...unmeasured];
    fish = { word: 'test', reason: { code: stale.length > 0 ? 'staleTests' : 'unmeasured', p }, opens: ask(...p) };
  }
  const dead = lostRecently(e, doc);
  if (dead && URGENCY.test < URGENCY[fish.word]) fish = { word: 'test', reason: { code: 'deathAsksTest' }, opens: ask('ammonia') };
  const missing = missingSince(e);
  if (missing !== null && URGENCY.test < URGENCY[fish.word]) fish = { word: 'test', reason: { code: 'missingAsksTest', t: { missing } }, opens: ask('ammonia') };
  // An alarm may only make the word more careful, never less.
  for (const alarm of alarms) {
    if (alarm.word !== null && (URGENCY[alarm.word] < URGENCY[fish.word] || (alarm.word === fish.word && alarm.word === 'actNow'))) {
      fish = { word: alarm.word, reason: alarm.finding, opens: opensOf(alarm.finding) };
    }
  }
  let coral = coralJudgement(e);
  if (alarms.some((a) => a.word === 'actNow')) coral = { ...fish };
  return { school, gates, fish, coral, alarms: alarms.map((a) => a.finding), due: dueTests(e, fish, coral), freeAmmonia: free };
}

function opensOf(finding: Finding): Finding {
  switch (finding.code) {
    case 'freeAmmoniaAct':
      return { code: 'changeNow' };
    case 'freeAmmoniaWatch':
      return { code: 'ammoniaZeroAgain' };
    case 'salinityOff':
      return { code: 'bringSalinity' };
    case 'ammoniaTooHigh':
      return { code: 'noMoreDose' };
    case 'driftDoubt':
      return { code: 'readAgain', p: finding.p };
    case 'expiredKit':
      return { code: 'newKit', p: finding.p };
    default:
      return { code: 'raiseAlkalinity' };
  }
}

/** An animal lost from the display within three days, with no ammonia test since. */
function lostRecently(e: TankEvidence, doc: Document): boolean {
  return Object.values(doc.animals).some((a) => {
    const last = a.moves[a.moves.length - 1];
    if (a.tankId !== e.tank.id || last?.to !== 'gone' || !a.moves.some((m) => m.to === 'display')) return false;
    const atMs = Date.parse(last.at);
    return atMs <= e.nowMs && e.nowMs - atMs <= RULES.staleDays * DAY_MS && !e.series.ammonia.some((p) => p.atMs > atMs);
  });
}

/** What an observation of the last three days did not see, with no ammonia test since; null when all was seen. */
function missingSince(e: TankEvidence): string | null {
  const told = [...e.events].reverse().find((x) => x.kind === 'observation');
  if (told?.kind !== 'observation' || told.missing === '') return null;
  const atMs = Date.parse(told.at);
  return e.nowMs - atMs <= RULES.staleDays * DAY_MS && !e.series.ammonia.some((p) => p.atMs > atMs) ? told.missing : null;
}

function dueTests(e: TankEvidence, fish: Judgement, coral: Judgement): Parameter[] {
  const due = new Set<Parameter>([...(fish.opens.p ?? []), ...(coral.opens.p ?? [])]);
  const cycling = e.inDisplay.length === 0;
  const every: readonly (readonly [Parameter, number])[] = cycling
    ? [['ammonia', 2], ['nitrite', 2], ['nitrate', 4], ['salinity', 3], ['temperature', 3], ['alkalinity', 5], ['ph', 5]]
    : [['ammonia', 3], ['nitrite', 7], ['nitrate', 7], ['salinity', 3], ['temperature', 3], ['alkalinity', 5], ['ph', 7], ['phosphate', 7]];
  for (const [parameter, days] of every) {
    const last = lastOf(e.series[parameter]);
    if (!last || e.nowMs - last.atMs > (days - 0.3) * DAY_MS) due.add(parameter);
  }
  return [...due];
}
