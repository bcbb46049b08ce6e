/** Tanks of another making, for judging forecasts: a world (otherWorld.ts), a person with habits who doses, feeds, tests, misses days and
 *  believes a wrong volume, kits with steps and readers with an eye of their own. Seven sources. */
import { DAY_MS } from '../time';
import {
  DEFAULT_SETTINGS,
  emptyDocument,
  IN,
  STARTER_KITS,
  type Document,
  type Kit,
  type Parameter,
  type ReadingValue,
  type Sample,
  type WaterEvent,
} from '../document';
import { seededRandom } from '../random';
import { drawFrom, DT, otherWorld, type Draw } from '../practice/world';

export const METHODS = [
  'bottled',
  'bottledNoBacteria',
  'seafood',
  'feeding',
  'dieOff',
  'media',
  'fish',
] as const;
export type Method = (typeof METHODS)[number];

/** When the person doses ammonia (again). `once`: never again; `prove`: once both read zero, as a proof is asked for. */
export type Habit = 'ammoniaZero' | 'bothZero' | 'clockwork' | 'once' | 'prove' | 'none';

export interface OtherTank {
  method: Method;
  habit: Habit;
  doc: Document;
  startMs: number;
  /** Day on which 2 mg/L as NH4, dosed then, would be gone within a day as the person's kits read; Infinity when not by day 90. */
  readyDay: number;
  ammoniaClearDay: (fromDay: number) => number;
  nitriteClearDay: (fromDay: number) => number;
  testDays: number[];
  /** Whether 2 mg/L dosed at each of those tests would have been gone within a day: a tank that was ready may not be so with a dose in it, or starved. */
  readyAtTest: boolean[];
  /** True capacities, mg N/L a day, by tenth of a day: for looking into a miss. */
  capacities: { first: number; second: number; ammonia: number; nitrite: number }[];
}

export const OTHER_START = Date.UTC(2026, 2, 1, 19);
const PROOF_MG_N = 2 / 1.2878;
const ZERO = { ammonia: 0.125 / 1.2878, nitrite: 0.125 / 3.2844 };

const pick = <T>(d: Draw, options: readonly (readonly [T, number])[]): T => {
  let u = d.random() * options.reduce((sum, [, w]) => sum + w, 0);
  for (const [value, w] of options) {
    u -= w;
    if (u < 0) return value;
  }
  return options[0]![0];
};

function habitOf(method: Method, d: Draw): Habit {
  if (method === 'fish') return 'none';
  if (method === 'seafood' || method === 'dieOff' || method === 'feeding')
    return pick(d, [
      ['prove', 0.75],
      ['none', 0.25],
    ] as const);
  return pick(d, [
    ['ammoniaZero', 0.47],
    ['bothZero', 0.33],
    ['clockwork', 0.14],
    ['once', 0.06],
  ] as const);
}

/** One tank, its log told by a person, and its truth. */
export function otherTank(seed: number): OtherTank {
  const d = drawFrom(seededRandom(seed * 7919 + 13));
  const { random, gauss, between } = d;
  const method = METHODS[seed % METHODS.length] ?? 'bottled';
  const habit = habitOf(method, d);
  const believedL = Math.round(between(45, 350));
  const trueL = believedL * between(0.85, 1.12);
  const world = otherWorld(d);
  const w = world.pools;
  if (method === 'dieOff') w.flesh = between(0.8, 5);
  const eye = {
    ammonia: Math.exp(0.1 * gauss()),
    nitrite: Math.exp(0.1 * gauss()),
    nitrate: Math.exp(0.2 * gauss()),
  };
  const every = between(0.8, 2.8);
  const doseMgN = between(1.4, 2.4) / 1.2878;
  const patience = between(0, 1.5);
  const clockwork = between(2, 5);
  const foodMgN = between(0.15, 1.1) * believedL;
  const fishMgN = between(6, 20);
  const missesFood = between(0, 0.2);
  const changesNitrateAt = random() < 0.3 ? between(8, 20) : Infinity;

  const doc: Document = {
    ...emptyDocument(),
    settings: { person: DEFAULT_SETTINGS },
    kits: Object.fromEntries(STARTER_KITS.map((k) => [k.id, k])),
    waters: {
      t: {
        id: 't',
        name: `Tank ${seed}`,
        startDay: new Date(OTHER_START).toISOString().slice(0, 10),
        kind: 'display',
        size: { kind: 'volume', volumeL: believedL },
        sumpL: 0,
        rockKg: 0,
        sandKg: 0,
        hasLid: true,
        ammoniaSource: method === 'bottledNoBacteria' || method === 'media' ? 'bottled' : method,
        bacteriaSources:
          method === 'media'
            ? ['media']
            : method === 'bottled' || method === 'fish' || method === 'feeding'
              ? ['bottle']
              : [],
        school: 'proof24',
      },
    },
  };
  let n = 0;
  const at = (day: number) => new Date(Math.round(OTHER_START + day * DAY_MS)).toISOString();
  const log = (day: number, e: object): void => {
    const id = `e${n++}`;
    doc.events[id] = { id, waterId: 't', at: at(day), note: '', ...e } as WaterEvent;
  };
  let lastDose = -Infinity;
  const dose = (day: number): void => {
    w.ammonium += (doseMgN * believedL) / trueL;
    lastDose = day;
    log(day, { kind: 'ammoniaDose', mgN: Math.round(doseMgN * believedL * 10) / 10, mL: null });
  };
  const bacteria = (day: number, seed: 'bottle' | 'media', [first, second]: [number, number]): void => {
    w.first += first;
    w.second += second;
    log(day, { kind: 'bacteria', seed, mL: null });
  };
  const seafood = (day: number): void => {
    const grams = Math.max(1, Math.round(believedL * between(0.05, 0.2)));
    w.flesh += (grams * 27.5 * between(0.8, 1.15)) / trueL;
    log(day, { kind: 'food', food: 'seafood', grams });
  };
  /** The first evening. */
  const begin = (day: number): void => {
    if (method === 'bottled' || method === 'bottledNoBacteria' || method === 'media') dose(day);
    if (method === 'seafood') seafood(day);
    if (method === 'bottled' || method === 'fish' || method === 'feeding')
      bacteria(day, 'bottle', world.bottle());
    if (method === 'media') bacteria(day, 'media', world.media());
    if (method === 'fish')
      doc.animals.f = {
        id: 'f',
        homeId: 't',
        speciesId: 'ocellaris-clownfish',
        count: 1,
        moves: [{ to: IN('t'), at: at(day + 1.4), why: '' }],
        plannedDay: null,
      };
  };
  const wouldPass = (day: number): boolean => {
    if (w.first < 0.3) return false;
    const after = world.dayAfterDose(day, (PROOF_MG_N * believedL) / trueL);
    return after.ammonium * eye.ammonia < ZERO.ammonia && after.nitrite * eye.nitrite < ZERO.nitrite;
  };
  const courseA: number[] = [];
  const courseN: number[] = [];
  const testDays: number[] = [];
  const readyAtTest: boolean[] = [];
  const capacities: OtherTank['capacities'] = [];
  let readyDay = Infinity;
  let nextTest = between(0.2, 1.5);
  const seafoodOut = between(4, 12);
  let shrimpIn = method === 'seafood';
  /** Since when the person's tests say that it may be dosed; Infinity while they do not. */
  let clearSince = Infinity;
  const told = { a: Infinity, n: Infinity };

  for (let i = 0; i <= 9500; i++) {
    const day = i * DT;
    if (i % 100 === 0) world.wander();
    if (i === 60) begin(day);
    if (shrimpIn && day > seafoodOut) {
      w.flesh *= 0.15;
      shrimpIn = false;
      log(day, { kind: 'seafoodOut' });
    }
    if (method === 'feeding' && i % 100 === 50 && random() > missesFood) {
      const grams = Math.max(0.01, Math.round((foodMgN / 75) * 100) / 100);
      w.litter += (grams * 75 * between(0.8, 1.2)) / trueL;
      log(day, { kind: 'food', food: 'pellets', grams });
    }
    if (method === 'fish' && day > 2) {
      w.ammonium += (fishMgN / trueL) * DT;
      if (i % 100 === 50 && random() < 0.9)
        log(day, { kind: 'food', food: 'frozen', grams: Math.round((fishMgN / 16) * 100) / 100 });
    }
    if (day >= nextTest) {
      nextTest = day + every * between(0.7, 1.3) + (random() < 0.12 ? between(2, 5) : 0);
      const sample = sitting(d, w, eye, world.tempC);
      doc.samples[`s${n}`] = {
        id: `s${n++}`,
        waterId: 't',
        at: at(day),
        readings: sample.readings,
        note: '',
      };
      testDays.push(day);
      readyAtTest.push(wouldPass(day));
      told.a = sample.ammonia;
      told.n = sample.nitrite;
      const clear = told.a === 0 && (habit === 'ammoniaZero' || told.n === 0);
      if (!clear) clearSince = Infinity;
      else if (clearSince === Infinity) clearSince = day;
      if (w.nitrate > changesNitrateAt && clear) {
        for (const p of ['ammonium', 'nitrite', 'nitrate'] as const)
          w[p] *= 1 - Math.min(1, (0.4 * believedL) / trueL);
        w.dkh += 0.4 * (8.5 - w.dkh);
        log(day, { kind: 'waterChange', litres: Math.round(0.4 * believedL) });
      }
    }
    // A habit of doses begins with a dose; proving begins when both have read zero, a fortnight in at the earliest.
    if (
      habit === 'clockwork'
        ? day > 1 && day - lastDose > clockwork && told.a < 1
        : habit !== 'once' &&
          habit !== 'none' &&
          (habit !== 'prove' || day > 14) &&
          day > 1 &&
          day - clearSince > patience &&
          clearSince > lastDose
    ) {
      dose(day);
      clearSince = Infinity;
    }
    if (w.dkh < 5) {
      w.dkh += 3;
      log(day, { kind: 'dose', what: 'alkalinity', rise: 3, grams: null });
    }
    if (i % 10 === 0) {
      capacities.push({ first: w.first, second: w.second, ammonia: w.ammonium, nitrite: w.nitrite });
      courseA.push(w.ammonium * eye.ammonia);
      courseN.push(w.nitrite * eye.nitrite);
    }
    if (i % 25 === 0 && readyDay === Infinity && day > 0.7 && day <= 90 && wouldPass(day)) readyDay = day;
    world.step(day);
  }
  const firstBelow = (course: number[], limit: number) => (from: number) => {
    for (let k = Math.ceil(from * 10); k < course.length; k++)
      if ((course[k] ?? Infinity) < limit) return k / 10;
    return Infinity;
  };
  return {
    method,
    habit,
    doc,
    startMs: OTHER_START,
    readyDay,
    ammoniaClearDay: firstBelow(courseA, ZERO.ammonia),
    nitriteClearDay: firstBelow(courseN, ZERO.nitrite),
    testDays,
    readyAtTest,
    capacities,
  };
}

/** One sitting at the tank; what it tells the person of ammonia and nitrite, 1 standing for "something". */
function sitting(
  d: Draw,
  w: { ammonium: number; nitrite: number; nitrate: number; dkh: number },
  eye: { ammonia: number; nitrite: number; nitrate: number },
  tempC: number,
): { readings: Sample['readings']; ammonia: number; nitrite: number } {
  const kit = (p: Parameter): Kit => STARTER_KITS.find((k) => k.parameter === p) as Kit;
  const ammonia = seen(kit('ammonia'), w.ammonium * 1.2878 * eye.ammonia, d);
  const nitrite = seen(kit('nitrite'), w.nitrite * 3.2844 * eye.nitrite, d);
  const readings: Sample['readings'] = [
    { parameter: 'ammonia', kitId: 'kit-ammonia', value: ammonia },
    { parameter: 'nitrite', kitId: 'kit-nitrite', value: nitrite },
  ];
  if (d.random() < 0.6)
    readings.push({
      parameter: 'nitrate',
      kitId: 'kit-nitrate',
      value: seen(kit('nitrate'), (w.nitrate * 4.4266 + 8 * w.nitrite) * eye.nitrate, d),
    });
  const exact = (parameter: Parameter, value: number) =>
    readings.push({ parameter, kitId: `kit-${parameter}`, value: { kind: 'exact', value } });
  if (d.random() < 0.3) exact('alkalinity', Math.max(0, Math.round((w.dkh + 0.2 * d.gauss()) * 10) / 10));
  if (d.random() < 0.4) {
    exact('temperature', Math.round((tempC + 0.1 * d.gauss()) * 10) / 10);
    exact('salinity', 35);
  }
  const number = (v: ReadingValue) => (v.kind === 'exact' ? v.value : 1);
  return { readings, ammonia: number(ammonia), nitrite: number(nitrite) };
}

/** What a person writes down: the nearest step, sometimes "between", open at the top; the eye errs by a tenth. */
function seen(kit: Kit, truth: number, d: Draw): ReadingValue {
  const misread = Math.max(0, truth * (1 + 0.1 * d.gauss()) + 0.03 * d.gauss());
  if (kit.scale.kind === 'number') return { kind: 'exact', value: misread };
  const { steps } = kit.scale;
  const top = steps[steps.length - 1] ?? 0;
  if (misread > top * 1.1)
    return d.random() < 0.5 ? { kind: 'over', low: top } : { kind: 'exact', value: top };
  const above = steps.find((s) => s >= misread) ?? top;
  const below = [...steps].reverse().find((s) => s <= misread) ?? 0;
  const share = above === below ? 0 : (misread - below) / (above - below);
  if (share > 0.4 && share < 0.6 && d.random() < 0.4) return { kind: 'between', low: below, high: above };
  return { kind: 'exact', value: share < 0.5 ? below : above };
}
