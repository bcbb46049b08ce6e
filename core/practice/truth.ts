/** The hidden truth of a practice tank: what scenario, seed and the player's own log make of it, at any moment. The same three give the same truth. */
import { waterOf, type Document, type Parameter, type WaterEvent } from '../document';
import { PROOF_MG_N } from '../forecast';
import { seededRandom } from '../random';
import { freeAmmoniaFraction } from '../seawater';
import { speciesById } from '../species';
import { dailyLoadMgN } from '../stocking';
import { compared, DAY_MS } from '../time';
import { fromMgNPerL, toMgNPerL } from '../units';
import { netVolume } from '../volume';
import type { Scenario } from './scenario';
import { drawFrom, DT, otherWorld, type Pools } from './world';

export interface Lost {
  animalId: string;
  day: number;
  why: 'ammonia' | 'temperature';
}

export interface Truth {
  day: number;
  trueL: number;
  pools: Readonly<Pools>;
  tempC: number;
  salinity: number;
  ph: number;
  /** Free ammonia now, mg N/L. */
  free: number;
  lost: Lost[];
  /** The heater is stuck and nobody has unplugged it. */
  heaterStuck: boolean;
  /** A sign is to be seen in whoever is in quarantine. */
  signs: boolean;
  /** By tenth of a day: what stood in the water, mg N/L, and what both groups could do. */
  course: { ammonia: number; nitrite: number; nitrate: number; first: number; second: number; dkh: number }[];
  peakFree: number;
  /** The first evening on which a proof would have passed; null where none did, or where it was not asked for. */
  readyDay: number | null;
  /** Would 2 mg/L, dosed now in the believed volume, be gone in a day? */
  passes: () => boolean;
}

/** What a fish stands for how long: free ammonia in mg N/L, hours (our choice, from section 10 of the notes). */
const KILLS = { free: 0.2, hours: 12, hotC: 32, coldC: 19 };
/** What the usual kits read as zero: half of their first step. */
const CLEAR = { ammonia: toMgNPerL('ammonia', 'ion', 0.1), nitrite: toMgNPerL('nitrite', 'ion', 0.1) };
/** mg N in a gram. */
const FOOD_MG_N = { pellets: 75, frozen: 16, seafood: 27.5 } as const;

type Logged = { day: number; event: WaterEvent };

/** Of a day: when a keeper would look. */
const EVENING = 19 / 24;

/** @param startMs when the tank was begun @param waterId the practice water in the document
 *  @param watched whether the first evening on which a proof would pass is looked for: it costs as much again */
export function truthAt(
  scenario: Scenario,
  seed: number,
  doc: Pick<Document, 'events' | 'animals'>,
  waterId: string,
  startMs: number,
  nowMs: number,
  watched = false,
): Truth {
  return lived({ scenario, seed, doc, waterId, startMs, nowMs, watched, vessel: null });
}

/** The truth of a water beside the practice tank, a quarantine above all: its own ammonia from whoever is in it. Bare it has next to no
 *  bacteria; with a cycled filter what running media bring. Of the mishaps only signs are seen there; nothing dies off in it.
 *  @throws Error where there is no such water */
export function truthBeside(
  scenario: Scenario,
  seed: number,
  doc: Pick<Document, 'events' | 'animals' | 'waters'>,
  waterId: string,
  startMs: number,
  nowMs: number,
): Truth {
  const water = doc.waters[waterId];
  if (!water) throw new Error(`there is no water "${waterId}"`);
  const vessel = {
    litres: netVolume(water).netL,
    cycled: water.kind === 'quarantine' && water.filter === 'cycled',
  };
  return lived({ scenario, seed, doc, waterId, startMs, nowMs, watched: false, vessel });
}

/** Of the growth a film on rock begins with, what clings to bare glass (our choice). */
const ON_BARE_GLASS = 0.05;

interface Living {
  scenario: Scenario;
  seed: number;
  doc: Pick<Document, 'events' | 'animals'>;
  waterId: string;
  startMs: number;
  nowMs: number;
  watched: boolean;
  /** Null for the practice tank itself. */
  vessel: { litres: number; cycled: boolean } | null;
}

function lived({ scenario, seed, doc, waterId, startMs, nowMs, watched, vessel }: Living): Truth {
  const d = drawFrom(seededRandom(seed * 7919 + 101));
  const draw = (x: number | [number, number] | undefined): number | undefined =>
    Array.isArray(x) ? d.between(x[0], x[1]) : x;
  const t = scenario.truth;
  const drawnShare = draw(t.volumeShare) ?? 1;
  const trueL = vessel ? vessel.litres : scenario.start.litres * drawnShare;
  const world = otherWorld(d, {
    doublingFirstH: draw(t.doublingFirstH),
    doublingSecondH: draw(t.doublingSecondH),
    dkh: draw(t.dkh),
    tempC: draw(t.tempC),
    bottleDead: t.bottle === 'drawn' ? undefined : t.bottle === 'dead',
  });
  const w = world.pools;
  if (vessel?.cycled) [w.first, w.second] = world.media();
  else if (vessel) [w.first, w.second] = [w.first * ON_BARE_GLASS, w.second * ON_BARE_GLASS];
  else if (scenario.start.ammoniaSource === 'dieOff') w.flesh = d.between(0.8, 4);
  // Each portion's strength is its own, whatever else is logged before it.
  const portion = (n: number, of: () => [number, number]): [number, number] => {
    const own = otherWorld(drawFrom(seededRandom(seed * 31 + n * 1009 + 7)), {
      bottleDead: t.bottle === 'dead',
    });
    return of === world.bottle ? own.bottle() : own.media();
  };
  const day = (iso: string): number => (Date.parse(iso) - startMs) / DAY_MS;
  const events: Logged[] = Object.values(doc.events)
    .filter((e) => e.waterId === waterId && Date.parse(e.at) <= nowMs)
    .map((event) => ({ day: day(event.at), event }))
    .sort((a, b) => a.day - b.day || compared(a.event.id, b.event.id));
  const mishaps = scenario.mishaps.filter((m) => !vessel || m.kind === 'signs').sort((a, b) => a.day - b.day);
  const until = Math.min(400, (nowMs - startMs) / DAY_MS);
  let [tempC, salinity, stuck, portions, overKill, hot] = [25, 35, false, 0, 0, 0];
  const lost: Lost[] = [];
  const course: Truth['course'] = [];
  let [next, mishap, peakFree] = [0, 0, 0];
  const living = (at: number) =>
    Object.values(doc.animals).filter((a) => {
      if (lost.some((l) => l.animalId === a.id)) return false;
      const last = [...a.moves].reverse().find((m) => day(m.at) <= at);
      return last !== undefined && waterOf(last.to) === waterId;
    });
  const loadOf = (at: number): number =>
    living(at).reduce((sum, a) => {
      const species = speciesById(a.speciesId);
      return sum + dailyLoadMgN(species, a.lengthCm ?? species.arrivalCm) * a.count;
    }, 0);
  let load = 0;
  let free = 0;
  const passesAt = (at: number): boolean => {
    if (w.first < 0.2) return false;
    const after = world.dayAfterDose(at, (PROOF_MG_N * scenario.start.litres) / trueL);
    return after.ammonium < CLEAR.ammonia && after.nitrite < CLEAR.nitrite;
  };
  let readyDay: number | null = null;
  const ph = (at: number): number => 8.1 + 0.08 * Math.sin(2 * Math.PI * ((at % 1) - 0.4));
  const steps = Math.max(0, Math.floor(until / DT));
  for (let i = 0; i < steps; i++) {
    const at = i * DT;
    if (i % 100 === 0) world.wander();
    for (; next < events.length && (events[next] as Logged).day <= at; next++) {
      const { event: e } = events[next] as Logged;
      switch (e.kind) {
        case 'ammoniaDose':
          w.ammonium += e.mgN / trueL;
          break;
        case 'bacteria': {
          const [a, b] = portion(portions++, e.seed === 'bottle' ? world.bottle : world.media);
          w.first += a;
          w.second += b;
          break;
        }
        case 'food':
          if (e.food === 'seafood') w.flesh += (e.grams * FOOD_MG_N.seafood) / trueL;
          // With fish in, what is fed is eaten and counted with them.
          else if (living(at).length === 0) w.litter += (e.grams * FOOD_MG_N[e.food]) / trueL;
          break;
        case 'seafoodOut':
          w.flesh *= 0.15;
          break;
        case 'waterChange': {
          const f = Math.min(0.97, e.litres / trueL);
          for (const p of ['ammonium', 'nitrite', 'nitrate', 'litter'] as const) w[p] *= 1 - f;
          w.dkh += f * ((e.alkalinity ?? 8.5) - w.dkh);
          salinity += f * ((e.salinity ?? salinity) - salinity);
          if (e.tempC !== undefined) tempC += f * (e.tempC - tempC);
          break;
        }
        case 'dose':
          if (e.what === 'alkalinity') w.dkh += e.rise;
          break;
        case 'switchedOff':
          if (e.parts.includes('heater')) stuck = false;
          break;
        default:
      }
    }
    for (; mishap < mishaps.length && mishaps[mishap]!.day <= at; mishap++) {
      const m = mishaps[mishap]!;
      if (m.kind === 'heater') stuck = true;
      if (m.kind === 'spill') w.litter += m.mgNPerL;
      if (m.kind === 'powerCut') {
        w.first *= m.keeps;
        w.second *= m.keeps;
        tempC -= 2;
      }
    }
    if (i % 25 === 0) load = loadOf(at);
    if (load > 0) w.ammonium += (load / trueL) * DT;
    if (stuck) tempC = Math.min(33.5, tempC + 0.25 * 24 * DT);
    else tempC += (25 + 0.3 * Math.sin(2 * Math.PI * at) - tempC) * DT * 2;
    world.step(at);
    free = w.ammonium * freeAmmoniaFraction(ph(at), tempC, salinity);
    if (load > 0) {
      peakFree = Math.max(peakFree, free);
      overKill = free > KILLS.free ? overKill + 24 * DT : 0;
      hot = tempC > KILLS.hotC || tempC < KILLS.coldC ? hot + 24 * DT : 0;
      const why = overKill > KILLS.hours ? 'ammonia' : hot > KILLS.hours ? 'temperature' : null;
      const [who] = why ? living(at) : [];
      if (why && who) {
        lost.push({ animalId: who.id, day: at, why });
        w.flesh += 30 / trueL;
        overKill = hot = 0;
        load = loadOf(at);
      }
    }
    if (watched && readyDay === null && i % 100 === Math.round(EVENING * 100) && passesAt(at)) readyDay = at;
    if (i % 10 === 0)
      course.push({
        ammonia: w.ammonium,
        nitrite: w.nitrite,
        nitrate: w.nitrate,
        first: w.first,
        second: w.second,
        dkh: w.dkh,
      });
  }
  return {
    day: until,
    trueL,
    pools: w,
    tempC,
    salinity,
    ph: ph(until),
    free,
    lost,
    heaterStuck: stuck,
    signs: mishaps.some((m) => m.kind === 'signs' && m.day <= until && until < m.day + m.days),
    course,
    peakFree,
    readyDay,
    passes: () => passesAt(until),
  };
}

/** What a kit would show of the truth: value and the error that reading has, as the kit prints it. */
export function readable(truth: Truth): Partial<Record<Parameter, readonly [value: number, noise: number]>> {
  const w = truth.pools;
  return {
    ammonia: [fromMgNPerL('ammonia', 'ion', w.ammonium), 0.02],
    nitrite: [fromMgNPerL('nitrite', 'ion', w.nitrite), 0.02],
    nitrate: [fromMgNPerL('nitrate', 'ion', w.nitrate) + 8 * w.nitrite, 0.5],
    alkalinity: [w.dkh, 0.15],
    temperature: [truth.tempC, 0.1],
    salinity: [truth.salinity, 0.2],
    ph: [truth.ph, 0.04],
    phosphate: [0.06, 0.01],
    calcium: [415, 5],
    magnesium: [1290, 15],
  };
}
