/** After the cycle: how much water to change, what the film says, and how many grazers it can feed. */
import { fractionForSteps } from '../dilution';
import { fromMgNPerL, fromUnit } from '../units';
import { remembered } from '../remembered';
import { AFTER } from './limits';
import { newWaterOf } from '../dosing/minerals';
import { FILMS, lastMove, waterOf, type Animal } from '../document';
import { lastOf, trusted, type WaterEvidence } from '../evidence';
import { speciesOf, type Species } from '../species';
import { DAY_MS } from '../time';
import { grazingOf } from './grazing';

export interface ResetPlan {
  /** Share of the water to change, the largest that any goal asks for; 0 when none is needed. */
  fraction: number;
  /** What asks for it, largest first; nitrate as NO3, phosphate as PO4, mg/L. */
  asks: { what: 'nitrate' | 'phosphate'; now: number; goal: number; fraction: number }[];
  /** Alkalinity that mixing alone would give, dKH; null when it was not measured. */
  alkalinityAfter: number | null;
  /** What must be measured first. */
  missing: ('nitrate' | 'phosphate' | 'alkalinity' | 'salinity')[];
}

/** Goals of a start: nitrate 10 mg/L, phosphate 0.1 mg/L; new salt water taken at 8.5 dKH and free of both. Large changes end at 90 %:
 *  below that bacteria on rock stay wet and nothing is gained. */
export function resetPlan(e: WaterEvidence): ResetPlan {
  const value = (p: 'nitrate' | 'phosphate' | 'alkalinity' | 'salinity') => {
    const last = lastOf(trusted(e.series[p]));
    return last && e.nowMs - last.atMs <= AFTER.freshDays * DAY_MS ? last.interval.mid : null;
  };
  const nitrate = value('nitrate');
  const phosphate = value('phosphate');
  const alkalinity = value('alkalinity');
  const asks: ResetPlan['asks'] = [];
  const ask = (what: 'nitrate' | 'phosphate', now: number | null, start: number, goal: number) => {
    if (now !== null && now > start)
      asks.push({
        what,
        now,
        goal,
        fraction: Math.min(AFTER.largestChange, fractionForSteps(now, goal, 0, 1)),
      });
  };
  ask(
    'nitrate',
    nitrate === null ? null : fromMgNPerL('nitrate', 'ion', nitrate),
    AFTER.nitrateStart,
    AFTER.nitrateGoal,
  );
  ask('phosphate', phosphate, AFTER.phosphateStart, AFTER.phosphateGoal);
  asks.sort((a, b) => b.fraction - a.fraction);
  const fraction = asks[0]?.fraction ?? 0;
  return {
    fraction,
    asks,
    alkalinityAfter:
      alkalinity === null
        ? null
        : alkalinity * (1 - fraction) + newWaterOf(e.events, 'alkalinity', e.nowMs) * fraction,
    missing: (['nitrate', 'phosphate', 'alkalinity', 'salinity'] as const).filter((p) => value(p) === null),
  };
}

export type Film = (typeof FILMS)[number];

export interface FilmBand {
  film: Film;
  steps: { fromMs: number; toMs: number; extent: number }[];
  now: number;
  trend: 'rising' | 'fading' | 'level';
  /** Seen lately enough to speak for now. */
  lately: boolean;
  /** Gone when the light was dimmed, by the notes of the looks: said, not concluded from. */
  looks: number;
}

/** What was seen of each film, as steps from one look to the next; the last lasts until now, at most a fortnight. */
export const filmBands = remembered((e: WaterEvidence): FilmBand[] =>
  FILMS.flatMap((film): FilmBand[] => {
    const looks = e.events.flatMap((x) =>
      x.kind === 'film' && x.film === film ? [{ atMs: Date.parse(x.at), extent: x.extent }] : [],
    );
    const last = lastOf(looks);
    if (!last) return [];
    const before = looks[looks.length - 2];
    const steps = looks.map((l, i) => ({
      fromMs: l.atMs,
      toMs: looks[i + 1]?.atMs ?? Math.min(e.nowMs, l.atMs + AFTER.lookLastsDays * DAY_MS),
      extent: l.extent,
    }));
    return [
      {
        film,
        steps,
        now: last.extent,
        lately: e.nowMs - last.atMs <= AFTER.lookLastsDays * DAY_MS,
        looks: looks.length,
        trend:
          !before || before.extent === last.extent
            ? 'level'
            : last.extent > before.extent
              ? 'rising'
              : 'fading',
      },
    ];
  }),
);

export type FilmSays =
  | 'nothingYet'
  | 'lookAgain'
  | 'traces'
  | 'brownIsNormal'
  | 'greenIsNormal'
  | 'slimeHelp'
  | 'stringyHelp'
  | 'stringySuspicion'
  | 'fading';

/** What the films say now, the most pressing first. Only a look of the last fortnight speaks; fading needs two of them.
 *  @param nutrientsGone nitrate or phosphate reads zero: stringy brown is then a suspicion of its own */
export function filmSays(all: readonly FilmBand[], nutrientsGone = false): FilmSays {
  if (all.length === 0) return 'nothingYet';
  const bands = all.filter((b) => b.lately);
  if (bands.length === 0) return 'lookAgain';
  const now = (film: Film) => bands.find((b) => b.film === film)?.now ?? 0;
  if (now('stringy') >= 1) return nutrientsGone ? 'stringySuspicion' : 'stringyHelp';
  if (now('slime') >= 2) return 'slimeHelp';
  if (now('green') >= 2 || now('hair') >= 2) return 'greenIsNormal';
  if (now('brown') >= 2) return 'brownIsNormal';
  return bands.some((b) => b.trend === 'fading') ? 'fading' : 'traces';
}

export interface CrewPlan {
  /** Grazers in the display now. */
  grazers: number;
  scavengers: number;
  sifters: number;
  /** First or next portion, animals of snail size. */
  portion: number;
  /** Ceilings by school, animals. */
  ceilings: { school: 'onePerGallon' | 'oneLargePerFive' | 'holdTheLine'; animals: number; reason: string }[];
  next: 'cycleFirst' | 'firstPortion' | 'nextPortion' | 'lately' | 'enough' | 'starving';
  /** Days since the last portion; null before the first. */
  sinceLast: number | null;
}

const GALLON = fromUnit('gal', 1);

/** The crew comes in steps: a first portion of one small animal for each 20 L, at most eight; the next after a week or more when the film
 *  still stands; none while it fades. Too little film for those that are there is an alarm for them. */
export function crewPlan(e: WaterEvidence, cycled: boolean): CrewPlan {
  const crew = e.residents.filter((a) => speciesOf(e, a.speciesId).crew);
  const counted = (work: Species['work']) =>
    crew.reduce((sum, a) => (speciesOf(e, a.speciesId).work === work ? sum + a.count : sum), 0);
  // Only grazers live on film: scavengers and sand sifters are fed by what falls.
  const grazers = counted('grazes');
  const lastMs = Math.max(...crew.map((a) => joinedMs(a, e.water.id)), -Infinity);
  const sinceLast = Number.isFinite(lastMs) ? Math.floor((e.nowMs - lastMs) / DAY_MS) : null;
  // What was seen long ago says nothing of what they find now.
  const bands = filmBands(e).filter((b) => b.lately && b.film !== 'coralline');
  const most = Math.max(0, ...bands.map((b) => b.now));
  const looked = bands.length > 0;
  const lookedTwice = bands.some((b) => b.looks >= 2);
  const perGallon = Math.floor(e.netL / GALLON);
  const ceilings: CrewPlan['ceilings'] = [
    {
      school: 'holdTheLine',
      animals: Math.max(1, Math.round(e.netL / AFTER.litresPerGrazer)),
      reason: 'Our default: just enough to hold the line, more only when film stays. Nobody starves.',
    },
    {
      school: 'oneLargePerFive',
      animals: Math.max(1, Math.floor(perGallon / AFTER.gallonsPerLarge)),
      reason: 'One large snail for five gallons: fewer mouths, more work each.',
    },
    {
      school: 'onePerGallon',
      animals: perGallon,
      reason:
        'One animal a gallon: bought at once it clears fast, then starves. Kept here as an upper bound.',
    },
  ];
  const portion = Math.min(
    AFTER.largestPortion,
    Math.max(AFTER.smallestPortion, Math.round(e.netL / AFTER.litresPerPortion)),
  );
  const next: CrewPlan['next'] = !cycled
    ? 'cycleFirst'
    : grazers === 0
      ? looked && most > 0
        ? 'firstPortion'
        : 'enough'
      : starves(e, lookedTwice, most)
        ? 'starving'
        : most < 2
          ? 'enough'
          : (sinceLast ?? 0) >= AFTER.crewEveryDays
            ? 'nextPortion'
            : 'lately';
  return {
    grazers,
    scavengers: counted('scavenges'),
    sifters: counted('sifts'),
    portion,
    ceilings,
    next,
    sinceLast,
  };
}

/** Too many mouths: a strip that was finished in half a day while little film stands, or little film in two looks for as many as these. A strip
 *  that was hardly touched says that they are fed. */
function starves(e: WaterEvidence, lookedTwice: boolean, most: number): boolean {
  const { snails, last } = grazingOf(e);
  if (last?.left === 'most') return false;
  if (last?.left === 'none' && most <= 1) return true;
  return lookedTwice && most <= 1 && snails >= e.netL / AFTER.starvingLitres;
}

const joinedMs = (a: Animal, waterId: string): number =>
  Date.parse((a.moves.find((m) => waterOf(m.to) === waterId) ?? lastMove(a)).at);
