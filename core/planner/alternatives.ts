/** What would help, and what it would win: the same wishes with one thing changed; and for a wish that is left out, the least that would let
 *  it in. */
import { capacityOf, PLANNER_SHARE, type Problem, type QuarantineWater, type Wish } from './problem';
import { QUARANTINE } from '../quarantine/limits';
import type { Rule } from './rules';

export type AlternativeKind = 'secondQuarantine' | 'secondBottle' | 'noQuarantine';

export interface Alternative {
  kind: AlternativeKind;
  problem: Problem;
}

/** Changes worth a plan of their own: one quarantine more of the line most wait for, bacteria from a bottle while the start still waits for them,
 *  and the risk of no quarantine.
 *  @param bottleGate day the gate is likely to open with a bottle more; null where no forecast says */
export function alternativesOf(p: Problem, bottleGate: number | null = null): Alternative[] {
  const busiest = [...p.quarantines]
    .filter((q) => q.clockDays > 0)
    .sort((a, b) => waiting(p, b) - waiting(p, a))[0];
  if (!busiest || waiting(p, busiest) === 0) return [];
  return [
    ...(waiting(p, busiest) > 1
      ? [
          {
            kind: 'secondQuarantine' as const,
            problem: { ...p, quarantines: [...p.quarantines, { ...busiest, id: `${busiest.id}-second` }] },
          },
        ]
      : []),
    ...(bottleGate !== null && p.gate !== null && bottleGate < p.gate
      ? [{ kind: 'secondBottle' as const, problem: withGate(p, p.gate, Math.max(p.today, bottleGate)) }]
      : []),
    {
      kind: 'noQuarantine',
      problem: { ...p, quarantines: p.quarantines.map((q, i) => withoutIt(p, q, i)) },
    },
  ];
}

/** Whoever is bought would be in the display at once, but those who are in it already. */
const withoutIt = (p: Problem, q: QuarantineWater, index: number): QuarantineWater => ({
  ...q,
  clockDays: 0,
  ...(p.fixed.some((f) => f.quarantine === index) ? {} : { sameDay: true }),
});

/** Corals wait as long after the gate as before. */
const withGate = (p: Problem, was: number, gate: number): Problem => ({
  ...p,
  gate,
  coralGate: p.coralGate === null ? null : p.coralGate - (was - gate),
});

const waiting = (p: Problem, q: QuarantineWater): number =>
  p.wishes.filter((w, i) => w.line === q.line && !p.fixed.some((f) => f.wish === i)).length;

/** The least that would let a wish in that is left out, as far as one thing alone does. */
export type Concession =
  | { kind: 'lid' }
  | { kind: 'quarantine'; line: Wish['line']; netL: number }
  /** Is it to be wanted before the others who are left out? They might be had for the same money. */
  | { kind: 'budget'; aMonth: number; isFirst: boolean }
  | { kind: 'withoutOther'; wishId: string }
  | { kind: 'laterPlan' }
  | { kind: 'gate' };

/** Never less than a quarantine should have. */
const enough = (netL: number): number => Math.max(QUARANTINE.leastL, Math.ceil(netL));

/** @param rule what keeps it out; null where nothing the person does would help */
export function concessionFor(p: Problem, wish: number, rule: Rule): Concession | null {
  const w = p.wishes[wish] as Wish;
  if (w.jumps && !p.hasLid) return { kind: 'lid' };
  const here = p.quarantines.filter((q) => q.line === w.line);
  const roomy = here.some((q) => w.loadMgN <= capacityOf(q));
  if (!roomy && (rule === 'R2' || rule === 'R3')) {
    const limit = Math.max(...(here.length > 0 ? here : p.quarantines).map((q) => q.totalLimitMgN), 0);
    return limit > 0
      ? { kind: 'quarantine', line: w.line, netL: enough(w.loadMgN / (PLANNER_SHARE * limit)) }
      : null;
  }
  if (rule === 'R3') return { kind: 'quarantine', line: w.line, netL: enough(here[0]?.netL ?? 0) };
  if (rule === 'R10') {
    // By itself in a month, or beside all that may be spent in it.
    const aMonth = w.price > (p.budget ?? 0) ? w.price : (p.budget ?? 0) + w.price;
    return { kind: 'budget', aMonth: Math.ceil(aMonth), isFirst: false };
  }
  if (rule === 'R8') {
    const other = p.forbidden.find(([a, b]) => a === wish || b === wish);
    if (other)
      return { kind: 'withoutOther', wishId: (p.wishes[other[0] === wish ? other[1] : other[0]] as Wish).id };
    return { kind: 'laterPlan' };
  }
  if (rule === 'R1' && (w.line === 'coral' ? p.coralGate : p.gate) === null) return { kind: 'gate' };
  return rule === 'horizon' || rule === 'R4' || rule === 'R5' ? { kind: 'laterPlan' } : null;
}
