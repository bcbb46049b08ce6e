/** A tank of another making, for judging forecasts: biofilm with a ceiling and shedding, oxygen through the day, substrate inhibition,
 *  dead bottles, wandering growth, a believed volume that is wrong, kits with steps and readers with habits, people who miss days.
 *  It shares no equation code with the forecast. Explicit Euler in steps of a hundredth of a day. */
import { DEFAULT_SETTINGS, emptyDocument, STARTER_KITS, type Document, type Kit, type Parameter, type ReadingValue, type Sample, type TankEvent } from '../document';
import { seededRandom, type Random } from '../random';

export const METHODS = ['bottled', 'bottledNoBacteria', 'seafood', 'feeding', 'dieOff', 'media', 'fish'] as const;
export type Method = (typeof METHODS)[number];

export interface OtherTank {
  method: Method;
  doc: Document;
  startMs: number;
  /** Day on which 2 mg/L as NH4, dosed then, would be gone within a day as the person's kits read; Infinity when not by day 90. */
  readyDay: number;
  ammoniaClearDay: (fromDay: number) => number;
  nitriteClearDay: (fromDay: number) => number;
  testDays: number[];
  /** True capacities, mg N/L a day, by tenth of a day: for looking into a miss. */
  capacities: { first: number; second: number; ammonia: number; nitrite: number }[];
}

const DT = 0.01;
export const OTHER_START = Date.UTC(2026, 2, 1, 19);
const DAY = 86_400_000;

interface World {
  litter: number; flesh: number; ammonium: number; nitrite: number; nitrate: number; first: number; second: number; dkh: number;
}

/** One tank, its log told by a person, and its truth. */
export function otherTank(seed: number): OtherTank {
  const random = seededRandom(seed * 7919 + 13);
  const gauss = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(6.283185307179586 * random());
  const between = (a: number, b: number) => a + (b - a) * random();
  const spread = (median: number, sd: number) => median * Math.exp(sd * gauss());
  const method = METHODS[seed % METHODS.length] ?? 'bottled';
  const believedL = Math.round(between(45, 350));
  const trueL = believedL * between(0.85, 1.1);
  // Growth from doubling times: 20-50 h and 30-80 h.
  const grow1 = (Math.LN2 * 24) / between(20, 48);
  const grow2 = (Math.LN2 * 24) / between(28, 72);
  const half1 = spread(0.3, 0.5);
  const half2 = spread(0.22, 0.55);
  const inhibit1 = between(8, 30);
  const inhibit2 = between(10, 40);
  const ceiling1 = between(4, 12);
  const ceiling2 = between(4, 12);
  const starve = between(0.01, 0.05);
  const rotLitter = between(0.2, 0.5);
  const rotFlesh = between(0.1, 0.3);
  const lag = between(0, 4);
  const w: World = { litter: 0, flesh: 0, ammonium: 0, nitrite: 0, nitrate: 0, first: spread(0.004, 0.9), second: spread(0.0015, 1), dkh: between(7, 10.5) };
  const dead = random() < 0.2;
  const bottle1 = dead ? 0 : spread(0.06, 0.9);
  const bottle2 = dead ? 0 : spread(0.02, 1.1);
  if (method === 'dieOff') w.flesh = between(0.8, 4);
  const eye = { ammonia: Math.exp(0.1 * gauss()), nitrite: Math.exp(0.1 * gauss()), nitrate: Math.exp(0.2 * gauss()) };
  const every = between(0.8, 2.6);
  const doseMg = between(1.4, 2.4) / 1.2878;
  const waitsForNitrite = random() < 0.5;
  const patience = between(0, 1.5);
  const foodMgN = between(0.25, 1.1) * believedL;
  const fishMgN = between(6, 16);
  let wander1 = 0;
  let wander2 = 0;

  const rates = (s: World, day: number, live: boolean): void => {
    const oxygen = 0.92 + 0.08 * Math.sin(6.283185 * day);
    const buffer = s.dkh / (s.dkh + 0.7);
    const q1 = (s.first * oxygen * buffer * s.ammonium) / (half1 + s.ammonium + (s.ammonium * s.ammonium) / inhibit1);
    const q2 = (s.second * oxygen * buffer * s.nitrite) / (half2 + s.nitrite + (s.nitrite * s.nitrite) / inhibit2) / (1 + s.ammonium / 9);
    const r = rotLitter * s.litter + rotFlesh * s.flesh;
    const asleep = day < lag ? 0.1 : 1;
    const eaten1 = Math.min(q1 * DT, s.ammonium);
    const eaten2 = Math.min(q2 * DT, s.nitrite + eaten1);
    s.litter -= rotLitter * s.litter * DT;
    s.flesh -= rotFlesh * s.flesh * DT;
    s.ammonium += r * DT - eaten1;
    s.nitrite += eaten1 - eaten2;
    s.nitrate += eaten2 * 0.97 - 0.004 * s.nitrate * DT;
    // Growth on what is eaten, shedding as the film thickens.
    s.first += (grow1 * asleep * Math.exp(live ? wander1 : 0) * q1 - starve * s.first * (1 + (s.first / ceiling1) ** 2)) * DT;
    s.second += (grow2 * asleep * Math.exp(live ? wander2 : 0) * q2 - starve * s.second * (1 + (s.second / ceiling2) ** 2)) * DT;
    s.dkh = Math.max(0, s.dkh - 0.4 * eaten1);
  };
  const kit = (p: Parameter): Kit => STARTER_KITS.find((k) => k.parameter === p) as Kit;
  const zero = { ammonia: 0.125 / 1.2878, nitrite: 0.125 / 3.2844 };
  const provable = (s: World, day: number): boolean => {
    const probe = { ...s, ammonium: s.ammonium + (1.553 * believedL) / trueL };
    for (let k = 0; k < 100; k++) rates(probe, day + k * DT, true);
    return probe.ammonium * eye.ammonia < zero.ammonia && probe.nitrite * eye.nitrite < zero.nitrite;
  };

  const doc: Document = {
    ...emptyDocument(), settings: { person: DEFAULT_SETTINGS }, kits: Object.fromEntries(STARTER_KITS.map((k) => [k.id, k])),
    tanks: { t: {
      id: 't', name: `Tank ${seed}`, startDay: new Date(OTHER_START).toISOString().slice(0, 10), display: { kind: 'volume', volumeL: believedL }, sumpL: 0, rockKg: 0, sandKg: 0, hasLid: true,
      ammoniaSource: method === 'bottledNoBacteria' || method === 'media' ? 'bottled' : method, bacteriaSource: method === 'media' ? 'media' : method === 'bottled' || method === 'fish' || method === 'feeding' ? 'bottle' : 'none', school: 'proof24',
    } },
  };
  const at = (day: number) => new Date(Math.round(OTHER_START + day * DAY)).toISOString();
  let n = 0;
  const log = (day: number, e: object): void => {
    const id = `e${n++}`;
    doc.events[id] = { id, tankId: 't', at: at(day), note: '', ...e } as TankEvent;
  };
  const dose = (day: number): void => {
    w.ammonium += (doseMg * believedL) / trueL;
    log(day, { kind: 'ammoniaDose', mgN: Math.round(doseMg * believedL * 10) / 10, mL: null });
  };
  const courseA: number[] = [];
  const courseN: number[] = [];
  const testDays: number[] = [];
  const capacities: OtherTank['capacities'] = [];
  let readyDay = Infinity;
  let nextTest = between(0.2, 1.5);
  let doses = 0;
  let seenClearSince = Infinity;
  let lastSeen = { a: Infinity, n: Infinity };
  let shrimpIn = false;
  for (let i = 0; i <= 9500; i++) {
    const day = i * DT;
    if (i % 100 === 0) {
      wander1 = 0.6 * wander1 + 0.15 * gauss();
      wander2 = 0.6 * wander2 + 0.15 * gauss();
    }
    if (i === 60) {
      if (method === 'bottled' || method === 'bottledNoBacteria' || method === 'media') {
        dose(day);
        doses++;
      }
      if (method === 'seafood') {
        const grams = Math.round(believedL * between(0.04, 0.12));
        w.flesh += (grams * 27.5 * between(0.8, 1.15)) / trueL;
        log(day, { kind: 'food', food: 'seafood', grams });
        shrimpIn = true;
      }
      if (method === 'bottled' || method === 'fish' || method === 'feeding') {
        w.first += bottle1;
        w.second += bottle2;
        log(day, { kind: 'bacteria', seed: 'bottle', mL: null });
      }
      if (method === 'media') {
        w.first += spread(0.7, 0.7);
        w.second += spread(0.6, 0.7);
        log(day, { kind: 'bacteria', seed: 'media', mL: null });
      }
    }
    if (method === 'seafood' && shrimpIn && day > 8) {
      w.flesh *= 0.15;
      shrimpIn = false;
      log(day, { kind: 'seafoodOut' });
    }
    if (method === 'feeding' && i % 100 === 50) {
      const grams = Math.round((foodMgN / 75) * 100) / 100;
      if (random() > 0.08) {
        w.litter += (grams * 75 * between(0.8, 1.2)) / trueL;
        log(day, { kind: 'food', food: 'pellets', grams: Math.max(0.01, grams) });
      }
    }
    if (method === 'fish') {
      if (i === 200) doc.animals.f = { id: 'f', tankId: 't', speciesId: 'ocellaris-clownfish', count: 1, moves: [{ to: 'display', at: at(day), why: '' }], quarantineId: null, plannedDay: null };
      if (day > 2) w.ammonium += (fishMgN / trueL) * DT;
      if (day > 2 && i % 100 === 50 && random() < 0.9) log(day, { kind: 'food', food: 'frozen', grams: Math.round((fishMgN / 16) * 100) / 100 });
    }
    if (day >= nextTest) {
      nextTest = day + every * between(0.7, 1.3) + (random() < 0.12 ? between(2, 5) : 0);
      const readA = seen(kit('ammonia'), w.ammonium * 1.2878 * eye.ammonia, random, gauss);
      const readN = seen(kit('nitrite'), w.nitrite * 3.2844 * eye.nitrite, random, gauss);
      const readings: Sample['readings'] = [{ parameter: 'ammonia', kitId: 'kit-ammonia', value: readA }, { parameter: 'nitrite', kitId: 'kit-nitrite', value: readN }];
      if (random() < 0.6) readings.push({ parameter: 'nitrate', kitId: 'kit-nitrate', value: seen(kit('nitrate'), (w.nitrate * 4.4266 + 8 * w.nitrite) * eye.nitrate, random, gauss) });
      if (random() < 0.3) readings.push({ parameter: 'alkalinity', kitId: 'kit-alkalinity', value: { kind: 'exact', value: Math.round((w.dkh + 0.2 * gauss()) * 10) / 10 } });
      if (random() < 0.4) readings.push({ parameter: 'temperature', kitId: 'kit-temperature', value: { kind: 'exact', value: 25 } }, { parameter: 'salinity', kitId: 'kit-salinity', value: { kind: 'exact', value: 35 } });
      doc.samples[`s${n}`] = { id: `s${n++}`, tankId: 't', at: at(day), readings: readings.map((r) => (r.value.kind === 'exact' && r.value.value < 0 ? { ...r, value: { kind: 'exact' as const, value: 0 } } : r)), note: '' };
      testDays.push(day);
      lastSeen = { a: readA.kind === 'exact' ? readA.value : 1, n: readN.kind === 'exact' ? readN.value : 1 };
      const clear = lastSeen.a === 0 && (!waitsForNitrite || lastSeen.n === 0);
      if (!clear) seenClearSince = Infinity;
      else if (seenClearSince === Infinity) seenClearSince = day;
    }
    if ((method === 'bottled' || method === 'bottledNoBacteria' || method === 'media') && doses > 0 && day - seenClearSince > patience) {
      dose(day);
      doses++;
      seenClearSince = Infinity;
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
    if (i % 25 === 0 && readyDay === Infinity && day > 0.7 && day <= 90 && w.first > 0.3 && provable(w, day)) readyDay = day;
    rates(w, day, true);
  }
  const firstBelow = (course: number[], limit: number) => (from: number) => {
    for (let k = Math.ceil(from * 10); k < course.length; k++) if ((course[k] ?? Infinity) < limit) return k / 10;
    return Infinity;
  };
  return { method, doc, startMs: OTHER_START, readyDay, ammoniaClearDay: firstBelow(courseA, zero.ammonia), nitriteClearDay: firstBelow(courseN, zero.nitrite), testDays, capacities };
}

/** What a person writes down: the nearest step, sometimes "between", open at the top; the eye errs by a tenth. */
function seen(kit: Kit, truth: number, random: Random, gauss: () => number): ReadingValue {
  const misread = Math.max(0, truth * (1 + 0.1 * gauss()) + 0.03 * gauss());
  if (kit.scale.kind === 'number') return { kind: 'exact', value: misread };
  const { steps } = kit.scale;
  const top = steps[steps.length - 1] ?? 0;
  if (misread > top * 1.1) return random() < 0.5 ? { kind: 'over', low: top } : { kind: 'exact', value: top };
  const above = steps.find((s) => s >= misread) ?? top;
  const below = [...steps].reverse().find((s) => s <= misread) ?? 0;
  const share = above === below ? 0 : (misread - below) / (above - below);
  if (share > 0.4 && share < 0.6 && random() < 0.4) return { kind: 'between', low: below, high: above };
  return { kind: 'exact', value: share < 0.5 ? below : above };
}
