/** A person who does what the plan says, day after day, and nothing else: tests what is due with good readings, looks into the quarantines on as many days
 *  of a week as was said and on each of the last before a release, buys and lets in on the planned days, and feeds the filter when the agenda asks for it. */
import { agendaOf } from '../agenda';
import { admissionRisks, firstFishRisk, loadRisks, type Risk } from '../arrivals';
import {
  IN,
  placeOf,
  type Animal,
  type Display,
  type Document,
  type Parameter,
  type SaidPlan,
  type Water,
} from '../document';
import { gatherEvidence, isOfDisplay } from '../evidence';
import {
  changedSince,
  choicesOf,
  plannedAnimals,
  problemFor,
  stockingPlan,
  type Changed,
  type Problem,
  type StockingPlan,
} from '../planner';
import { clockOf } from '../quarantine';
import { QUARANTINE } from '../quarantine/limits';
import { assessWater } from '../readiness';
import { dayFromNumber, dayNumber, DAY_MS, UTC } from '../time';
import { toMgNPerL } from '../units';

const GOOD: Partial<Record<Parameter, number>> = {
  ammonia: 0,
  nitrite: 0,
  nitrate: 8,
  ph: 8.15,
  alkalinity: 8.3,
  salinity: 35,
  temperature: 25.2,
  phosphate: 0.05,
};
const MINUTE = 60_000;
/** Tests that ask for another are gone on with, so often a day. */
const SITTINGS = 3;

export interface Followed {
  doc: Document;
  /** What the plan said had moved, day by day. */
  moved: Changed[];
  /** What a door asked a reason for. */
  risks: Risk[];
  /** By animal, the day it was let in. */
  inOn: Map<string, string>;
  /** Days of ammonia given to feed the filter. */
  fedOn: string[];
  first: StockingPlan;
}

/** @param startMs evening of the first day; every day is lived at that hour */
export function follow(told: Document, startMs: number, days: number): Followed {
  const follower = new Follower(told);
  for (let day = 0; day < days; day++) follower.live(startMs + day * DAY_MS);
  return follower.result();
}

class Follower {
  private readonly doc: Document;
  private readonly moved: Changed[] = [];
  private readonly risks: Risk[] = [];
  private readonly inOn = new Map<string, string>();
  private readonly fedOn: string[] = [];
  private first: StockingPlan | null = null;
  private before: SaidPlan | null = null;
  private n = 0;

  constructor(told: Document) {
    this.doc = { ...told };
  }

  result(): Followed {
    const { doc, moved, risks, inOn, fedOn } = this;
    return { doc, moved, risks, inOn, fedOn, first: this.first as StockingPlan };
  }

  live(nowMs: number): void {
    this.film(nowMs);
    for (let k = 1; k <= SITTINGS; k++)
      for (const water of this.waters()) this.test(water, nowMs + k * MINUTE);
    this.feed(nowMs + 8 * MINUTE);
    const atMs = nowMs + 10 * MINUTE;
    const today = UTC.dayOf(nowMs);
    const { plan } = this.plan(atMs);
    const due = (of: 'buyDay' | 'releaseDay', place: 'wish' | 'water') =>
      plan.steps.flatMap((s) => {
        const animal = this.doc.animals[s.wishId] as Animal;
        return s[of] === today && placeOf(animal).kind === place ? [{ animal, to: s.quarantineId }] : [];
      });
    this.letIn(
      due('releaseDay', 'water').map(({ animal }) => animal),
      atMs,
    );
    for (const { animal, to } of due('buyDay', 'wish')) this.move(animal, to, atMs);
    this.look(today, atMs);
  }

  private waters(): Water[] {
    return Object.values(this.doc.waters);
  }

  private id(): string {
    return `f${this.n++}`;
  }

  /** Green film is seen each week, so that cleaners have their film. */
  private film(nowMs: number): void {
    const id = this.id();
    const at = new Date(nowMs).toISOString();
    this.doc.events = {
      ...this.doc.events,
      [id]: { id, waterId: 't', at, note: '', kind: 'film', film: 'green', extent: 2 },
    };
  }

  private feed(nowMs: number): void {
    const items = agendaOf(
      this.doc,
      {
        nowMs,
        local: UTC,
        evidenceOf: (id) => gatherEvidence(this.doc, id, nowMs),
        assessmentOf: (id) => assessWater(this.doc, id, nowMs),
      },
      UTC.dayOf(nowMs),
    );
    if (!items.some((i) => i.says.code === 'feedFilter' || i.says.code === 'dose')) return;
    const id = this.id();
    const mgN = toMgNPerL('ammonia', 'ion', 2) * gatherEvidence(this.doc, 't', nowMs).netL;
    const at = new Date(nowMs).toISOString();
    this.doc.events = {
      ...this.doc.events,
      [id]: { id, waterId: 't', at, note: '', kind: 'ammoniaDose', mgN, mL: null },
    };
    this.fedOn.push(UTC.dayOf(nowMs));
  }

  private test(water: Water, atMs: number): void {
    const { due } = assessWater(this.doc, water.id, atMs);
    const readings = due.flatMap((parameter) => {
      const value = GOOD[parameter];
      return value === undefined
        ? []
        : [{ parameter, kitId: `kit-${parameter}`, value: { kind: 'exact' as const, value } }];
    });
    if (readings.length === 0) return;
    const id = this.id();
    const sample = { id, waterId: water.id, at: new Date(atMs).toISOString(), note: '', readings };
    this.doc.samples = { ...this.doc.samples, [id]: sample };
  }

  /** Today's plan, kept as the page keeps it, and what moved since yesterday's. */
  private plan(atMs: number): { plan: StockingPlan; problem: Problem } {
    const e = gatherEvidence(this.doc, 't', atMs);
    if (!isOfDisplay(e)) throw new Error('"t" is no display');
    const planned = plannedAnimals(this.doc, e.water, e, UTC.dayOf);
    const assessment = assessWater(this.doc, 't', atMs);
    const problem = problemFor(this.doc, e.water, e, assessment, planned, UTC.dayOf);
    const plan = stockingPlan(problem, () => true);
    const day = (n: number | null) => (n === null ? null : dayFromNumber(n));
    const said: SaidPlan = {
      id: 'plan',
      waterId: 't',
      at: new Date(atMs).toISOString(),
      which: 'likely',
      gate: day(problem.gate),
      coralGate: day(problem.coralGate),
      steps: plan.steps.map((s) => ({ animalId: s.wishId, buyDay: s.buyDay, releaseDay: s.releaseDay })),
      leftOut: plan.leftOut.map((l) => l.wishId),
      away: problem.away.map(([a, b]): [string, string] => [dayFromNumber(a), dayFromNumber(b)]),
    };
    const { steps, leftOut, outdoesTold } = plan;
    const now = { ...said, today: UTC.dayOf(atMs), steps, leftOut, outdoesTold };
    const changed = this.before && changedSince(this.doc, this.before, now, UTC.dayOf);
    if (changed) this.moved.push(changed);
    this.before = said;
    this.doc.plans = { plan: said };
    this.first ??= plan;
    return { plan, problem };
  }

  private letIn(who: readonly Animal[], atMs: number): void {
    const display = this.doc.waters.t as Display;
    const assessment = assessWater(this.doc, 't', atMs);
    const e = gatherEvidence(this.doc, 't', atMs);
    for (const animal of who)
      this.risks.push(
        ...admissionRisks(this.doc, animal, display, assessment, atMs, UTC.dayOf),
        ...loadRisks(this.doc, animal, who, e, assessment, UTC.dayOf),
        ...firstFishRisk(this.doc, animal, who, display),
      );
    for (const animal of who) this.move(animal, 't', atMs);
  }

  /** Into a quarantine; where there is none, into the display. */
  private move(animal: Animal, to: string, atMs: number): void {
    const waterId = to in this.doc.waters ? to : 't';
    const move = { to: IN(waterId), at: new Date(atMs).toISOString(), why: '' };
    this.doc.animals = {
      ...this.doc.animals,
      [animal.id]: { ...animal, moves: [...animal.moves, move] },
    };
    if (waterId === 't') this.inOn.set(animal.id, UTC.dayOf(atMs));
  }

  private look(day: string, nowMs: number): void {
    const { looksAWeek } = choicesOf(this.doc.waters.t as Display);
    for (const water of this.waters()) {
      if (water.kind !== 'quarantine') continue;
      const left = water.clockDays - clockOf(this.doc, water, nowMs, UTC.dayOf).clockDay;
      if (left > QUARANTINE.unbrokenDays && dayNumber(day) % 7 >= looksAWeek) continue;
      const id = this.id();
      this.doc.looks = {
        ...this.doc.looks,
        [id]: { id, waterId: water.id, day, result: 'clear', signs: [], note: '' },
      };
    }
  }
}
