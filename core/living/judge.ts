/** How the water is, for whoever lives in it: Steady, Watch, Test or Act now, the worst named first, and what to do. */
import { crewPlan } from '../after';
import { feedingOf } from '../arrivals/feeding';
import type { Parameter } from '../document';
import { lastOf, trusted, type WaterEvidence } from '../evidence';
import type { Statement, Word } from '../statements';
import { HOUR_MS, type LocalTime } from '../time';
import { note, type Finding, type LivingWord, type Trouble } from './finding';
import { readingFindings } from './findings';
import { actPlan, type ActPlan } from './plan';
import { riskFindings } from './risks';

export interface Living {
  word: LivingWord;
  reason: Statement;
  /** The one next step. */
  opens: Statement;
  /** Everything else that was found, worst first. */
  also: Finding[];
  /** Only where something is to be done at once. */
  plan: ActPlan | null;
  /** What is to be read again soon, and how soon. */
  again: { parameter: Parameter; hours: number }[];
  /** What may be behind an ammonia that nothing in the log explains. Empty otherwise. */
  causes: Statement[];
}

/** How careful a word is, most careful first. */
export const URGENCY: Record<Word, number> = {
  actNow: 0,
  watch: 1,
  test: 2,
  wait: 3,
  goSmall: 4,
  go: 5,
  steady: 6,
};

/** Judges water with animals in it by the newest trusted reading of each parameter. Null where nobody lives.
 *  @param instruments what doubts the newest readings, found elsewhere */
export function judgeLiving(
  e: WaterEvidence,
  local: LocalTime,
  instruments: readonly Finding[],
): Living | null {
  if (!e.isInhabited) return null;
  const unnamed = e.unnamedSince === null ? [] : [note({ code: 'unnamedAnimals', day: e.unnamedSince })];
  const hungry = isCrewHungry(e) ? [note({ code: 'crewHungry' })] : [];
  const found = [...readingFindings(e, local), ...riskFindings(e), ...instruments, ...hungry, ...unnamed];
  const worst = inOrder(found.filter((f) => f.word !== null));
  const notes = found.filter((f) => f.word === null);
  const [first, ...rest] = worst;
  if (!first || first.word === null) return steady(e, notes);
  const also = [...rest, ...notes];
  const troubles = new Set(worst.flatMap((f): Trouble[] => (f.trouble ? [f.trouble] : [])));
  return {
    word: first.word,
    reason: first.finding,
    opens: first.opens,
    also,
    plan: first.word === 'actNow' ? actPlan(e, troubles) : null,
    again: worst.flatMap((f) => f.again ?? []),
    causes: unexplained(e) ? CAUSES : [],
  };
}

/** Too little film for the grazers of a display: they starve while every reading is within its limits. */
const isCrewHungry = (e: WaterEvidence): boolean =>
  e.water.kind === 'display' && crewPlan(e, true).next === 'starving';

/** Worst word first; within a word in the order found, which is the order in which it kills. */
function inOrder(findings: readonly Finding[]): Finding[] {
  const rank = (f: Finding) => (f.word === null ? Infinity : URGENCY[f.word]);
  return [...findings].sort((a, b) => rank(a) - rank(b));
}

/** What a steady water is judged by, said with the one that was read longest ago. */
const SHOWN: readonly Parameter[] = ['ammonia', 'temperature', 'salinity'];

/** As before, or what stands on Stock while newcomers get a part. */
function whatToFeed(e: WaterEvidence): Statement {
  const feeding = feedingOf(e);
  if (!feeding || feeding.fullInDays === 0) return { code: 'keepSteady' };
  return { code: 'feedNewcomers', nowG: feeding.nowG, fullG: feeding.fullG, days: feeding.fullInDays };
}

function steady(e: WaterEvidence, also: Finding[]): Living {
  const read = SHOWN.flatMap((p) => lastOf(trusted(e.series[p]))?.atMs ?? []);
  return {
    word: 'steady',
    reason: { code: 'livingSteady', sinceMs: Math.min(...read, e.nowMs) },
    opens: whatToFeed(e),
    also,
    plan: null,
    again: [],
    causes: [],
  };
}

/** Ammonia stands in the newest reading, and nothing of the last days in the log would bring it. */
function unexplained(e: WaterEvidence): boolean {
  const last = lastOf(trusted(e.series.ammonia));
  if (!last || last.zero) return false;
  const sinceMs = last.atMs - 5 * 24 * HOUR_MS;
  const explained =
    e.events.some((x) => x.kind === 'incident' && Date.parse(x.at) >= sinceMs) ||
    e.doses.some((d) => d.atMs >= sinceMs) ||
    e.joined.some((j) => j.atMs >= sinceMs || j.animal.moves.some((m) => Date.parse(m.at) >= sinceMs));
  return !explained;
}

/** The filter first: it is what fails most, and is looked at last. */
const CAUSES: Statement[] = [
  { code: 'causeFilter' },
  { code: 'causeDead' },
  { code: 'causeFood' },
  { code: 'causeMedicine' },
  { code: 'causeTap' },
  { code: 'causeKit' },
];
