/** A keeper who obeys: a tank of another making (otherWorld.ts) looked after for months by someone who does what the app says and nothing
 *  else, with kits that err and mishaps that come unasked. Times in days from the start; what happens to the animals is the world's truth. */
import {
  GONE,
  IN,
  STARTER_KITS,
  type Document,
  type Parameter,
  type School,
  type WaterEvent,
} from '../document';
import type { Living } from '../living';
import { seededRandom } from '../random';
import { assessWater, type Assessment, type Judgement } from '../readiness';
import { freeAmmoniaFraction } from '../seawater';
import { speciesById } from '../species';
import type { Statement } from '../statements';
import { dailyLoadMgN } from '../stocking';
import { DAY_MS, HOUR_MS } from '../time';
import { oneDisplay } from './display';
import { drawFrom, DT, otherWorld, type Draw, type OtherWorld } from '../practice/world';
import { readBy, withMeters } from '../practice/kit';

export const MISHAPS = ['none', 'deadBottle', 'heater', 'spill', 'death', 'freshChange', 'powerCut'] as const;
export type Mishap = (typeof MISHAPS)[number];
export type Reader = 'chart' | 'meter';

export interface KeptTank {
  seed: number;
  school: School;
  mishap: Mishap;
  reader: Reader;
  doc: Document;
  /** Doses of ammonia given with animals in. */
  dosedOntoAnimals: number;
  /** The longest time free ammonia stood over 0.05 mg N/L with animals in, hours. */
  hoursOverAct: number;
  peakFree: number;
  /** Animals lost to the water, and what it was. */
  lost: string[];
  /** The day the first animal a filter has to carry went in. */
  stockedDay: number | null;
  animals: number;
  /** The longest run of days on one sentence while the water was clear, nobody in, and that sentence. */
  stuckDays: number;
  stuckOn: string;
  /** Days on which the tank was truly ready by its school before anyone was in: a proof dose, or a first fish's day, cleared in a day. */
  readyDays: number;
  /** Each change of word or reason on the way, for looking into a miss. */
  diary: string[];
  /** Days by word of the living water. */
  words: Record<string, number>;
  visits: number;
}

const START = Date.UTC(2026, 2, 1, 0);
const PROOF_MG_N = 2 / 1.2878;
const CLEAR_MG_N = 0.08;
/** What a first fish brings in a day, mg N/L: science notes 9, R5. */
const FIRST_LOAD_MG_N = 0.1;

const FIRST = 'ocellaris-clownfish';
const NEXT = ['turban-snail', 'neon-goby', 'firefish', 'banggai-cardinalfish', 'royal-gramma'] as const;

/** One tank for so many days. */
export function keep(seed: number, school: School, mishap: Mishap, reader: Reader, days = 120): KeptTank {
  return new Keeper(seed, school, mishap, reader).live(days);
}

class Keeper {
  private readonly d: Draw;
  private readonly world: OtherWorld;
  private readonly believedL: number;
  private readonly trueL: number;
  private readonly doc: Document;
  private readonly result: KeptTank;
  private day = 0;
  private n = 0;
  private tempC = 25;
  private heaterStuck = false;
  private salinity = 35;
  private readonly ph: number;
  private readonly mishapDay: number;
  private mishapDone = false;
  private overAct = 0;
  private overKill = 0;
  private hotFor = 0;
  private fedFrom = 0;
  private feedShare = 1;
  private halfUntil = 0;
  private lastFeedDay = -1;
  private lastFeedMgN = 0;
  private nextVisits: number[] = [];
  private lastDoseDay = -Infinity;
  private lastChangeDay = -Infinity;
  private stuck = { code: '', since: 0 };
  private readonly wishes: string[];
  private coralIn = false;
  private cold = 0;

  constructor(seed: number, school: School, mishap: Mishap, reader: Reader) {
    this.d = drawFrom(seededRandom(seed * 104729 + 7));
    this.world = otherWorld(this.d);
    this.believedL = Math.round(this.d.between(60, 300));
    this.trueL = this.believedL * this.d.between(0.88, 1.08);
    this.ph = this.d.between(7.95, 8.25);
    this.mishapDay = this.d.between(20, 100);
    this.wishes = [...NEXT];
    const kits = reader === 'chart' ? STARTER_KITS : withMeters(STARTER_KITS);
    this.doc = oneDisplay(kits, this.believedL, {
      name: `Kept ${seed}`,
      startDay: '2026-03-01',
      school,
    });
    this.result = {
      seed,
      school,
      mishap,
      reader,
      doc: this.doc,
      dosedOntoAnimals: 0,
      hoursOverAct: 0,
      peakFree: 0,
      lost: [],
      stockedDay: null,
      animals: 0,
      stuckDays: 0,
      stuckOn: '',
      readyDays: 0,
      diary: [],
      words: {},
      visits: 0,
    };
  }

  live(days: number): KeptTank {
    if (this.mishapIs('deadBottle')) this.world.bottle = () => [0, 0];
    const steps = Math.round(days / DT);
    for (let i = 0; i <= steps; i++) {
      this.day = i * DT;
      if (i % 100 === 0) this.newDay();
      this.befall();
      const due = this.nextVisits.filter((v) => v <= this.day);
      const hour = Math.round((this.day % 1) * 100);
      // Morning and evening, and whenever the app asked for it.
      if (hour === 33 || hour === 79 || due.length > 0) {
        this.nextVisits = this.nextVisits.filter((v) => v > this.day);
        this.visit();
      }
      this.step();
    }
    return this.result;
  }

  private mishapIs(what: Mishap): boolean {
    return this.result.mishap === what;
  }

  private newDay(): void {
    this.world.wander();
    // Some water evaporates and is topped off; salinity wanders a little.
    this.salinity += 0.03 * this.d.gauss();
    const proves = this.result.school === 'proof24' || this.result.school === 'coralsFirst';
    const asked = proves ? PROOF_MG_N : FIRST_LOAD_MG_N;
    if (this.result.stockedDay === null && this.truth().first > 0.05) {
      const after = this.world.dayAfterDose(this.day, (asked * this.believedL) / this.trueL);
      if (after.ammonium < CLEAR_MG_N && after.nitrite < CLEAR_MG_N / 2) this.result.readyDays += 1;
    }
  }

  private truth() {
    return this.world.pools;
  }

  private living() {
    return Object.values(this.doc.animals).filter((a) => {
      const last = a.moves[a.moves.length - 1];
      return last?.to.kind === 'water';
    });
  }

  private free(): number {
    const swing = 0.08 * Math.sin(2 * Math.PI * ((this.day % 1) - 0.4));
    return this.truth().ammonium * freeAmmoniaFraction(this.ph + swing, this.tempC, this.salinity);
  }

  /** What comes unasked, once, and only where somebody lives. */
  private befall(): void {
    if (this.mishapDone || this.day < this.mishapDay) return;
    const [someone] = this.living();
    if (!someone && !this.mishapIs('freshChange')) return;
    this.mishapDone = true;
    switch (this.result.mishap) {
      case 'heater':
        this.heaterStuck = true;
        break;
      case 'spill':
        this.truth().litter += (0.8 * this.believedL) / this.trueL;
        this.log({ kind: 'incident', what: 'foodSpilled' });
        break;
      case 'death':
        if (!someone) break;
        this.truth().flesh += 60 / this.trueL;
        this.doc.animals[someone.id] = {
          ...someone,
          moves: [...someone.moves, { to: GONE('died'), at: this.at(), why: '' }],
        };
        break;
      case 'freshChange':
        this.change(0.5 * this.believedL, 29);
        break;
      case 'powerCut':
        this.truth().first *= 0.5;
        this.truth().second *= 0.5;
        this.tempC -= 2.5;
        this.log({
          kind: 'incident',
          what: 'powerCut',
          until: this.at(),
        });
        break;
      default:
    }
  }

  private step(): void {
    const w = this.truth();
    const living = this.living();
    if (living.length > 0) {
      const mgN = this.loadMgN() * this.feedShare * (this.day < this.fedFrom ? 0.15 : 1);
      w.ammonium += (mgN / this.trueL) * DT;
      this.lastFeedMgN = mgN;
    }
    if (this.heaterStuck) this.tempC = Math.min(33, this.tempC + 0.25 * 24 * DT);
    else this.tempC += (25 + 0.3 * Math.sin(2 * Math.PI * this.day) - this.tempC) * DT * 2;
    this.world.step(this.day);
    if (living.length === 0) {
      this.overAct = this.overKill = this.hotFor = 0;
      return;
    }
    const free = this.free();
    this.result.peakFree = Math.max(this.result.peakFree, free);
    this.overAct = free > 0.05 ? this.overAct + 24 * DT : 0;
    this.result.hoursOverAct = Math.max(this.result.hoursOverAct, this.overAct);
    this.overKill = free > 0.2 ? this.overKill + 24 * DT : 0;
    this.hotFor = this.tempC > 32 || this.tempC < 19 ? this.hotFor + 24 * DT : 0;
    this.cold = this.salinity < 28 || this.salinity > 40 ? this.cold + 24 * DT : 0;
    if (this.overKill > 12) this.lose('ammonia');
    if (this.hotFor > 12) this.lose('temperature');
    if (this.cold > 24) this.lose('salinity');
  }

  private lose(why: string): void {
    this.result.lost.push(`${why} on day ${this.day.toFixed(0)}`);
    this.overKill = this.hotFor = this.cold = 0;
  }

  private loadMgN(): number {
    return this.living().reduce((sum, a) => {
      const species = speciesById(a.speciesId);
      return sum + dailyLoadMgN(species, species.arrivalCm) * a.count;
    }, 0);
  }

  private at(): string {
    return new Date(START + Math.round(this.day * DAY_MS)).toISOString();
  }

  private log(event: object): void {
    const id = `e${this.n++}`;
    this.doc.events = {
      ...this.doc.events,
      [id]: { id, waterId: 't', at: this.at(), note: '', ...event } as WaterEvent,
    };
  }

  private now(): Assessment {
    return assessWater(this.doc, 't', START + Math.round(this.day * DAY_MS));
  }

  private visit(): void {
    this.result.visits += 1;
    if (this.halfUntil > 0 && this.day > this.halfUntil) {
      this.feedShare = 1;
      this.halfUntil = 0;
    }
    let a = this.now();
    // What is due is tested; what the reading asks for is tested again.
    for (let round = 0; round < 3; round++) {
      const asked = this.askedNow(a);
      if (asked.length === 0) break;
      this.test(asked);
      a = this.now();
    }
    if (a.living) this.countWord(a.living);
    this.write(a);
    this.watchStuck(a);
    if (a.living && a.living.word !== 'steady') this.care(a.living);
    if (!a.living || a.living.word === 'steady' || a.living.word === 'test') this.goOn(a);
    this.feed();
  }

  /** Due tests; once of one visit is enough unless the answer asks for the same again. */
  private askedNow(a: Assessment): Parameter[] {
    const fresh = (p: Parameter) =>
      Object.values(this.doc.samples).some(
        (s) =>
          START + this.day * DAY_MS - Date.parse(s.at) < 0.01 * DAY_MS &&
          s.readings.filter((r) => r.parameter === p).length > 0,
      );
    const again = a.living?.opens.code === 'confirmAmmonia' ? (['ammonia'] as const) : [];
    const due = a.due.filter((p) => !fresh(p));
    return [...new Set([...due, ...again.filter(() => due.length > 0 || !this.repeated())])];
  }

  /** An ammonia reading was repeated at this visit already. */
  private repeated(): boolean {
    const here = Object.values(this.doc.samples).filter(
      (s) =>
        START + this.day * DAY_MS - Date.parse(s.at) < 0.01 * DAY_MS &&
        s.readings.some((r) => r.parameter === 'ammonia'),
    );
    return here.length >= 2;
  }

  private test(parameters: readonly Parameter[]): void {
    const w = this.truth();
    const swing = 0.08 * Math.sin(2 * Math.PI * ((this.day % 1) - 0.4));
    const truth: Partial<Record<Parameter, [number, number]>> = {
      ammonia: [w.ammonium * 1.2878, 0.02],
      nitrite: [w.nitrite * 3.2844, 0.02],
      nitrate: [w.nitrate * 4.4266 + 8 * w.nitrite, 0.5],
      alkalinity: [w.dkh, 0.15],
      temperature: [this.tempC, 0.1],
      salinity: [this.salinity, 0.2],
      ph: [this.ph + swing, 0.04],
      phosphate: [0.06, 0.01],
    };
    const readings = parameters.flatMap((parameter) => {
      const found = truth[parameter];
      const kit = this.doc.kits[`kit-${parameter}`];
      if (!found || !kit) return [];
      const [value, noise] = found;
      // One reading in fifty of clear water is seen a step too high.
      const errs = { share: noise < 0.03 ? 0.06 : 0.012, noise, slip: 0.02 };
      return [{ parameter, kitId: kit.id, value: readBy(kit, value, errs, this.d) }];
    });
    if (readings.length === 0) return;
    const id = `s${this.n++}`;
    // Two samples of one visit stand a minute apart.
    const at = new Date(START + Math.round(this.day * DAY_MS) - (2 - (this.n % 2)) * 1000).toISOString();
    this.doc.samples = { ...this.doc.samples, [id]: { id, waterId: 't', at, readings, note: '' } };
  }

  private countWord(living: Living): void {
    this.result.words[living.word] = (this.result.words[living.word] ?? 0) + 1;
  }

  private write(a: Assessment): void {
    const { diary } = this.result;
    const line = `${a.living ? `${a.living.word} ${a.living.reason.code}` : '-'} | ${a.fish.word} ${a.fish.reason.code} > ${a.fish.opens.code}`;
    if (diary[diary.length - 1]?.endsWith(line)) return;
    const w = this.truth();
    diary.push(
      `${this.day.toFixed(2)} A ${w.ammonium.toFixed(2)} N ${w.nitrite.toFixed(2)} X ${w.first.toFixed(2)} Y ${w.second.toFixed(2)} T ${this.tempC.toFixed(1)} S ${this.salinity.toFixed(1)} | ${line}`,
    );
  }

  /** How long one sentence has stood while the water was clear and nobody in. */
  private watchStuck(a: Assessment): void {
    const w = this.truth();
    const clear = w.ammonium < CLEAR_MG_N && w.nitrite < CLEAR_MG_N / 2 && this.living().length === 0;
    const { code } = a.fish.reason;
    if (!clear || code !== this.stuck.code) this.stuck = { code, since: this.day };
    const days = this.day - this.stuck.since;
    if (days > this.result.stuckDays) {
      this.result.stuckDays = days;
      this.result.stuckOn = code;
    }
  }

  /** What living water asks for. */
  private care(living: Living): void {
    if (living.plan) for (const step of living.plan.steps) this.follow(step);
    else this.follow(living.opens);
  }

  private change(litres: number, salinity = this.salinity): void {
    const f = Math.min(0.95, litres / this.trueL);
    const w = this.truth();
    for (const p of ['ammonium', 'nitrite', 'nitrate', 'litter'] as const) w[p] *= 1 - f;
    w.dkh += f * (8.5 - w.dkh);
    this.salinity += f * (salinity - this.salinity);
    this.lastChangeDay = this.day;
    this.log({
      kind: 'waterChange',
      litres: Math.min(litres, this.believedL),
      salinity: Math.round(salinity * 10) / 10,
      tempC: Math.round(this.tempC * 10) / 10,
    });
  }

  private dose(): void {
    if (this.living().length > 0) this.result.dosedOntoAnimals += 1;
    if (this.day - this.lastDoseDay < 0.5) return;
    this.lastDoseDay = this.day;
    this.truth().ammonium += (PROOF_MG_N * this.believedL) / this.trueL;
    this.log({ kind: 'ammoniaDose', mgN: PROOF_MG_N * this.believedL, mL: null });
    this.nextVisits.push(this.day + 1);
  }

  /** One instruction, done as it is written. */
  private follow(s: Statement): void {
    switch (s.code) {
      case 'stepChange':
      case 'stepChangeNitrite':
        this.change(s.litres);
        break;
      case 'changeSome':
        if (this.day - this.lastChangeDay > 0.4) this.change(0.25 * this.believedL);
        this.halveFood();
        break;
      case 'stepNoFood':
        this.fedFrom = Math.max(this.fedFrom, Math.ceil(this.day));
        break;
      case 'filterLags':
      case 'confirmAmmonia':
        this.halveFood();
        break;
      case 'stepTestAt':
        this.nextVisits.push(...[s.atMs, s.laterMs].map((t) => (t - START) / DAY_MS));
        break;
      case 'testAmmoniaAt':
        this.nextVisits.push((s.atMs - START) / DAY_MS);
        break;
      case 'stepHeaterOff':
      case 'coolSlowly':
        this.heaterStuck = false;
        this.tempC = Math.max(25, this.tempC - 2);
        this.nextVisits.push(this.day + 3 / 24);
        break;
      case 'stepWarm':
      case 'warmSlowly':
      case 'bringTemperature':
        this.heaterStuck = false;
        this.tempC += Math.max(-1, Math.min(1, 25 - this.tempC));
        this.nextVisits.push(this.day + 3 / 24);
        break;
      case 'stepSaltUp':
        this.change(s.litres, s.incoming);
        break;
      case 'stepSaltDown':
        this.change(s.litres, 2);
        break;
      case 'salinitySlowly':
      case 'bringSalinity':
        if (this.day - this.lastChangeDay > 0.8) this.correctSalt();
        break;
      case 'raiseAlkalinity':
      case 'stepBicarbonate': {
        const rise = Math.min(1, Math.max(0, 8 - this.truth().dkh));
        if (rise < 0.1) break;
        this.truth().dkh += rise;
        this.log({ kind: 'dose', what: 'alkalinity', rise, grams: null });
        break;
      }
      case 'changeWater':
        if (this.day - this.lastChangeDay > 0.4) this.change(s.fraction * this.believedL, 35);
        break;
      case 'addAmmonia':
        if (this.day - this.lastDoseDay > 2) this.dose();
        break;
      case 'doseForProof':
      case 'doseForSecondZero':
      case 'doseAgain':
      case 'doseAsFood':
        this.dose();
        break;
      case 'addBacteria':
        this.bottle();
        break;
      case 'logTransfer':
        this.media();
        break;
      case 'feedTransfer':
        this.pinch();
        break;
      case 'feedAndTest':
        if (this.living().length > 0 && this.day - this.lastFeedDay > 0.8) this.pinch();
        break;
      default:
    }
  }

  private halveFood(): void {
    this.feedShare = 0.5;
    this.halfUntil = this.day + 3;
  }

  /** One part nearer to 35 a day. */
  private correctSalt(): void {
    const by = Math.max(-1, Math.min(1, 35 - this.salinity));
    if (Math.abs(by) < 0.2) return;
    const incoming = by > 0 ? 40 : 2;
    this.change((by / (incoming - this.salinity)) * this.trueL, incoming);
  }

  private bottle(): void {
    const [first, second] = this.world.bottle();
    this.truth().first += first;
    this.truth().second += second;
    this.log({ kind: 'bacteria', seed: 'bottle', mL: null });
  }

  private media(): void {
    const [first, second] = this.world.media();
    this.truth().first += first;
    this.truth().second += second;
    this.log({ kind: 'bacteria', seed: 'media', mL: null });
  }

  /** A pinch of food, a tenth of a milligram of nitrogen a litre. */
  private pinch(): void {
    this.lastFeedDay = this.day;
    const grams = Math.round(((0.1 * this.believedL) / 75) * 1000) / 1000;
    this.truth().litter += (grams * 75) / this.trueL;
    this.log({ kind: 'food', food: 'pellets', grams: Math.max(0.001, grams) });
  }

  private feed(): void {
    if (this.living().length === 0 || this.day - this.lastFeedDay < 0.8 || this.day < this.fedFrom) return;
    this.lastFeedDay = this.day;
    this.log({ kind: 'food', food: 'pellets', grams: Math.max(0.001, this.lastFeedMgN / 37) });
  }

  /** What may be added, or what the start asks for next. */
  private goOn(a: Assessment): void {
    // The first evening: bacteria come with the first source.
    if (this.result.school !== 'matureTransfer' && this.result.school !== 'firstFish' && !this.begun())
      this.bottle();
    this.film(a.fish.opens.code === 'watchForGreen');
    const goes = (j: Judgement) => j.word === 'go' || j.word === 'goSmall';
    if (
      goes(a.coral) &&
      !this.coralIn &&
      this.result.school === 'coralsFirst' &&
      this.living().length === 0
    ) {
      this.coralIn = true;
      this.add('zoanthid');
      return;
    }
    if (goes(a.fish)) {
      const next = this.result.stockedDay === null ? FIRST : this.wishes.shift();
      if (next) this.add(next);
      return;
    }
    this.follow(a.fish.opens);
  }

  private begun(): boolean {
    return Object.values(this.doc.events).some((e) => e.kind === 'bacteria');
  }

  /** The glass greens in the fourth week; it is logged when first seen, and again when the app asks. */
  private film(asked: boolean): void {
    const logged = Object.values(this.doc.events).some((e) => e.kind === 'film');
    if (this.day > 25 && (asked || !logged)) this.log({ kind: 'film', film: 'green', extent: 2 });
  }

  private add(speciesId: string): void {
    const id = `a${this.n++}`;
    this.doc.animals = {
      ...this.doc.animals,
      [id]: {
        id,
        homeId: 't',
        speciesId,
        count: 1,
        moves: [{ to: IN('t'), at: this.at(), why: '' }],
        plannedDay: null,
      },
    };
    this.result.animals += 1;
    if (speciesById(speciesId).group !== 'coral') this.result.stockedDay ??= this.day;
    this.nextVisits.push(this.day + 1, this.day + HOUR_MS / DAY_MS);
  }
}
