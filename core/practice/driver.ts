/** Someone who plays a scenario by the app's advice alone: each evening what is due is tested, then what the app says is done, as it is written, and
 *  nothing else. What they do is in the log; the truth follows from it. */
import { GONE, IN, waterOf, type Document, type Parameter, type WaterEvent } from '../document';
import { PROOF_MG_N } from '../forecast';
import type { Living } from '../living';
import { clockOf } from '../quarantine';
import { assessWater, RULES, type Assessment, type Judgement } from '../readiness';
import { gatherEvidence, lastOf, trusted, type WaterEvidence } from '../evidence';
import type { Statement } from '../statements';
import { DAY_MS, UTC } from '../time';
import { begin, PRACTICE_WATER, sitting } from './begin';
import { isAway, type Scenario } from './scenario';
import { truthAt, truthBeside, type Truth } from './truth';

export interface Played {
  scenario: string;
  seed: number;
  doc: Document;
  startMs: number;
  /** The day the first fish was let in by the app's go; null where it never was. */
  readyDay: number | null;
  /** Where the truth stood then: would a proof dose have gone in a day? */
  readyTruly: boolean;
  lost: string[];
  peakFree: number;
  sittings: number;
  changesL: number;
  /** Sentences by day, each when it first stood. */
  diary: string[];
}

/** Seven in the evening, as a job allows. */
const EVENING = 19 / 24;
const START = Date.UTC(2026, 2, 1);
const FISH = 'ocellaris-clownfish';
const QUARANTINE = 'qt';

export function play(scenario: Scenario, seed: number): Played {
  return new Player(scenario, seed).play();
}

class Player {
  private doc: Document;
  private day = 0;
  private n = 0;
  private lastDose = -9;
  private lastChange = -9;
  private lastFeed = -9;
  private noFoodUntil = -9;
  private readonly visits: number[] = [];
  private readonly out: Played;
  private seen: { doc: Document; day: number; truth: Truth } | null = null;
  /** The water that is looked at and written of. */
  private here = PRACTICE_WATER;

  constructor(
    private readonly scenario: Scenario,
    private readonly seed: number,
  ) {
    this.doc = begin(scenario, START, UTC.dayOf);
    this.out = {
      scenario: scenario.id,
      seed,
      doc: this.doc,
      startMs: START,
      readyDay: null,
      readyTruly: false,
      lost: [],
      peakFree: 0,
      sittings: 0,
      changesL: 0,
      diary: [],
    };
  }

  play(): Played {
    for (let d = 0; d < this.scenario.days; d++) {
      if (d > 0 || this.scenario.start.done.length === 0) this.visits.push(d + EVENING);
    }
    if (this.scenario.start.done.length > 0) this.visits.push(EVENING);
    while (this.visits.length > 0) {
      this.visits.sort((a, b) => a - b);
      this.day = this.visits.shift() as number;
      if (this.day > this.scenario.days || isAway(this.scenario, this.day)) continue;
      this.visit();
    }
    this.day = this.scenario.days;
    const { lost, peakFree } = this.truth();
    this.out.lost.push(...lost.map((l) => `${l.why} on day ${l.day.toFixed(0)}`));
    this.out.peakFree = Math.max(this.out.peakFree, peakFree);
    this.out.doc = this.doc;
    return this.out;
  }

  private ms(day = this.day): number {
    return START + Math.round(day * DAY_MS);
  }
  /** Looked at several times an evening: lived through once for each document and moment. */
  private truth(): Truth {
    const { doc, day } = this;
    if (this.seen?.doc !== doc || this.seen.day !== day) {
      const truth = truthAt(this.scenario, this.seed, doc, PRACTICE_WATER, START, this.ms());
      this.seen = { doc, day, truth };
    }
    return this.seen.truth;
  }
  private now(): Assessment {
    return assessWater(this.doc, this.here, this.ms());
  }
  private living() {
    return Object.values(this.doc.animals).filter((a) => {
      const to = a.moves[a.moves.length - 1]?.to;
      return to?.kind === 'water' && to.waterId === PRACTICE_WATER;
    });
  }
  private log(event: object): void {
    const id = `e${this.n++}`;
    this.doc = {
      ...this.doc,
      events: {
        ...this.doc.events,
        [id]: {
          id,
          waterId: this.here,
          at: new Date(this.ms()).toISOString(),
          note: '',
          ...event,
        } as WaterEvent,
      },
    };
  }

  private visit(): void {
    this.bury(this.truth());
    this.quarantine();
    this.beside();
    const a = this.looked(this.truth());
    const said = `${a.living ? `${a.living.word} ${a.living.reason.code}` : '-'} | ${a.fish.word} ${a.fish.reason.code} > ${a.fish.opens.code}`;
    if (!this.out.diary[this.out.diary.length - 1]?.endsWith(said))
      this.out.diary.push(`${this.day.toFixed(1)} ${said}`);
    if (a.living && a.living.word !== 'steady') this.care(a.living);
    if (!a.living || a.living.word === 'steady' || a.living.word === 'test') this.goOn(a);
    this.feed();
  }

  /** What is due here is tested, again where that asks for more. */
  private looked(truth: Truth): Assessment {
    let a = this.now();
    for (let round = 0; round < 3; round++) {
      const due = a.due.filter((p) => !this.justTested(p));
      const again = a.living?.opens.code === 'confirmAmmonia' && round === 1 ? (['ammonia'] as const) : [];
      const asked = [...new Set([...due, ...again])];
      if (asked.length === 0) break;
      this.test(truth, asked);
      a = this.now();
    }
    return a;
  }

  /** The quarantine has a truth of its own: tested and cared for like the tank while somebody is in it. */
  private beside(): void {
    const inIt = () =>
      Object.values(this.doc.animals).some((a) => waterOf(a.moves[a.moves.length - 1]?.to) === QUARANTINE);
    if (!inIt()) return;
    const truth = truthBeside(this.scenario, this.seed, this.doc, QUARANTINE, START, this.ms());
    this.out.peakFree = Math.max(this.out.peakFree, truth.peakFree);
    this.out.lost.push(...truth.lost.map((l) => `${l.why} in the quarantine on day ${l.day.toFixed(0)}`));
    this.bury(truth);
    if (!inIt()) return;
    this.here = QUARANTINE;
    const { living } = this.looked(truth);
    if (living && living.word !== 'steady') this.care(living);
    this.here = PRACTICE_WATER;
  }

  /** Whoever died is logged as found. */
  private bury(truth: Truth): void {
    for (const l of truth.lost) {
      const animal = this.doc.animals[l.animalId];
      if (!animal || animal.moves[animal.moves.length - 1]?.to.kind === 'gone') continue;
      this.doc = {
        ...this.doc,
        animals: {
          ...this.doc.animals,
          [animal.id]: {
            ...animal,
            moves: [...animal.moves, { to: GONE('died'), at: new Date(this.ms()).toISOString(), why: '' }],
          },
        },
      };
    }
  }

  private justTested(p: Parameter): boolean {
    return Object.values(this.doc.samples).some(
      (s) =>
        s.waterId === this.here &&
        this.ms() - Date.parse(s.at) < 0.01 * DAY_MS &&
        s.readings.some((r) => r.parameter === p),
    );
  }
  private test(truth: Truth, parameters: readonly Parameter[]): void {
    const readings = sitting(this.doc, truth, parameters, this.seed + this.n);
    if (readings.length === 0) return;
    this.out.sittings += 1;
    const id = `s${this.n++}`;
    const at = new Date(this.ms() - (2 - (this.n % 2)) * 1000).toISOString();
    this.doc = {
      ...this.doc,
      samples: { ...this.doc.samples, [id]: { id, waterId: this.here, at, readings, note: '' } },
    };
  }

  private care(living: Living): void {
    if (living.plan) for (const step of living.plan.steps) this.follow(step);
    else this.follow(living.opens);
  }

  private goOn(a: Assessment): void {
    const go = (j: Judgement) => j.word === 'go' || j.word === 'goSmall';
    if (this.scenario.start.bacteriaSources.includes('bottle') && !this.seeded())
      this.follow({ code: 'addBacteria' });
    if (a.fish.opens.code === 'watchForGreen' && this.day > 25)
      this.log({ kind: 'film', film: 'green', extent: 2 });
    if (go(a.fish)) {
      if (this.out.readyDay === null) {
        this.out.readyDay = this.day;
        this.out.readyTruly = this.truth().passes();
        this.letIn();
      }
      return;
    }
    this.follow(a.fish.opens);
    // Once it is raised and logged, or measured again, the page says what comes next.
    const { code } = a.fish.opens;
    if (code === 'raiseAlkalinity' || code === 'bringSalinity') {
      const then = this.now();
      if (then.fish.opens.code !== code) this.goOn(then);
    }
  }
  private seeded(): boolean {
    return Object.values(this.doc.events).some((e) => e.kind === 'bacteria');
  }

  /** Into the display, or where there is to be one, into a quarantine first. */
  private letIn(): void {
    const quarantined = this.scenario.mishaps.some((m) => m.kind === 'signs');
    const at = new Date(this.ms()).toISOString();
    if (quarantined)
      this.doc = {
        ...this.doc,
        waters: {
          ...this.doc.waters,
          [QUARANTINE]: {
            id: QUARANTINE,
            kind: 'quarantine',
            name: 'Spare tank',
            line: 'fish',
            filter: 'cycled',
            clockDays: 28,
            startDay: UTC.dayOf(this.ms()),
            size: { kind: 'volume', volumeL: 60 },
            sumpL: 0,
            rockKg: 0,
            sandKg: 0,
            hasLid: true,
            serves: [PRACTICE_WATER],
            runs: [{ openedDay: UTC.dayOf(this.ms()), closedDay: null }],
          },
        },
      };
    this.doc = {
      ...this.doc,
      animals: {
        ...this.doc.animals,
        first: {
          id: 'first',
          homeId: PRACTICE_WATER,
          speciesId: FISH,
          count: 1,
          moves: [{ to: IN(quarantined ? QUARANTINE : PRACTICE_WATER), at, why: '' }],
          plannedDay: null,
        },
      },
    };
  }

  /** A look a day, by what is to be seen; over when the clock has run, as the app counts it. */
  private quarantine(): void {
    const water = this.doc.waters[QUARANTINE];
    const animal = this.doc.animals.first;
    const to = animal?.moves[animal.moves.length - 1]?.to;
    if (water?.kind !== 'quarantine' || !animal || to?.kind !== 'water' || to.waterId !== QUARANTINE) return;
    const day = UTC.dayOf(this.ms());
    const sign = this.truth().signs;
    const stood =
      Object.values(this.doc.looks).some((l) => l.result === 'sign') &&
      !Object.values(this.doc.looks).some((l) => l.result === 'healed');
    const id = `l${this.n++}`;
    this.doc = {
      ...this.doc,
      looks: {
        ...this.doc.looks,
        [id]: {
          id,
          waterId: QUARANTINE,
          day,
          result: sign ? 'sign' : stood ? 'healed' : 'clear',
          signs: sign ? ['spots'] : [],
          note: '',
        },
      },
    };
    const clock = clockOf(this.doc, water, this.ms(), UTC.dayOf);
    if (clock.status !== 'complete') return;
    this.out.diary.push(`${this.day.toFixed(1)} quarantine done`);
    this.doc = {
      ...this.doc,
      animals: {
        ...this.doc.animals,
        first: {
          ...animal,
          moves: [
            ...animal.moves,
            { to: IN(PRACTICE_WATER), at: new Date(this.ms()).toISOString(), why: '' },
          ],
        },
      },
    };
  }

  private change(litres: number, salinity?: number): void {
    if (this.here === PRACTICE_WATER) this.lastChange = this.day;
    this.out.changesL += litres;
    const most = this.here === PRACTICE_WATER ? this.scenario.start.litres : litres;
    this.log({
      kind: 'waterChange',
      litres: Math.min(litres, most),
      ...(salinity === undefined ? {} : { salinity }),
    });
  }
  private dose(): void {
    if (this.day - this.lastDose < 0.5) return;
    this.lastDose = this.day;
    this.log({ kind: 'ammoniaDose', mgN: PROOF_MG_N * this.scenario.start.litres, mL: null });
  }
  private feed(): void {
    if (this.living().length === 0 || this.day - this.lastFeed < 0.8 || this.day < this.noFoodUntil) return;
    this.lastFeed = this.day;
    this.log({ kind: 'food', food: 'pellets', grams: 0.2 });
  }

  /** One instruction, done as it is written. */
  private follow(s: Statement): void {
    const net = gatherEvidence(this.doc, this.here, this.ms());
    const litres = net.netL;
    switch (s.code) {
      case 'stepChange':
      case 'stepChangeNitrite':
        return this.change(s.litres);
      case 'changeSome':
        return this.day - this.lastChange > 0.4 ? this.change(0.25 * litres) : undefined;
      case 'noMoreDose':
      case 'changeWater':
        return this.day - this.lastChange > 0.4 ? this.change(s.fraction * litres, 35) : undefined;
      case 'stepNoFood':
        this.noFoodUntil = this.day + 1.5;
        return undefined;
      case 'stepTestAt':
        this.visits.push(...[s.atMs, s.laterMs].map((t) => (t - START) / DAY_MS));
        return undefined;
      case 'testAmmoniaAt':
        this.visits.push((s.atMs - START) / DAY_MS);
        return undefined;
      case 'stepHeaterOff':
      case 'coolSlowly':
        this.log({ kind: 'switchedOff', parts: ['heater'], onAt: null });
        this.visits.push(this.day + 3 / 24);
        return undefined;
      case 'raiseAlkalinity':
      case 'stepBicarbonate':
        return this.log({ kind: 'dose', what: 'alkalinity', rise: riseToAim(net), grams: null });
      case 'addAmmonia':
        return this.day - this.lastDose > 2 ? this.dose() : undefined;
      case 'doseForProof':
      case 'doseForSecondZero':
      case 'doseAgain':
      case 'doseAsFood':
        return this.dose();
      // In small steps and measured again: the first step is to see whether the meter says it twice.
      case 'bringSalinity':
        return this.test(this.truth(), ['salinity']);
      case 'addBacteria':
        return this.log({ kind: 'bacteria', seed: 'bottle', mL: null });
      case 'logTransfer':
        return this.log({ kind: 'bacteria', seed: 'media', mL: null });
      case 'feedTransfer':
      case 'feedAndTest':
        if (this.day - this.lastFeed < 0.8) return undefined;
        this.lastFeed = this.day;
        return this.log({ kind: 'food', food: 'pellets', grams: Math.max(0.01, (0.1 * litres) / 75) });
      default:
        return undefined;
    }
  }
}

/** As the page says it: up to the aim, at most 1 dKH a day with animals. */
function riseToAim(e: WaterEvidence): number {
  const last = lastOf(trusted(e.series.alkalinity))?.interval.mid ?? RULES.alkalinityMin;
  const rise = Math.max(0.5, RULES.alkalinityAim - last);
  return e.residents.length > 0 ? Math.min(1, rise) : rise;
}
