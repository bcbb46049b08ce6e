/** What a plan became since it was last made, and why: one cause, the first that explains it. */
import { isIn, lostFrom, placeOf, type Document, type SaidPlan } from '../document';
import { lineOf } from '../company';
import { speciesOf } from '../species';
import { daysBetween } from '../time';
import type { StockingPlan } from './plan';

/** What a person did, or the log holds, of some of them. */
type OfThem =
  | 'wished'
  | 'noLonger'
  /** Of the plan or of the display, and lost or given away. */
  | 'gone'
  /** Into the display, and not of the plan. */
  | 'cameIn'
  /** Wished for still, but as things are they cannot live here. */
  | 'unfit'
  /** Of the plan's purchases and releases, on a day that has passed. */
  | 'notBought'
  | 'notLetIn'
  /** Bought on another day than the one that was planned. */
  | 'boughtSooner'
  | 'boughtLater'
  /** The quarantine's clock began again or days were not seen, or more days were seen than was reckoned with. */
  | 'clock'
  | 'looked'
  /** They live in the display now. */
  | 'met';

export type Cause =
  | { kind: 'gate' | 'coralGate'; from: string | null; to: string | null }
  | { kind: OfThem; ids: string[] }
  | { kind: 'away' | 'back' | 'fallow' | 'choice' | 'better' | 'load' | 'other' };

export interface Changed {
  sinceDay: string;
  /** The step that moved most: days later, or sooner where below 0. */
  most: { wishId: string; days: number } | null;
  moved: number;
  /** Who had a day and has none now, and who has one now. */
  lost: string[];
  gained: string[];
  cause: Cause;
}

type Now = Pick<StockingPlan, 'steps' | 'leftOut' | 'outdoesTold'> &
  Pick<SaidPlan, 'waterId' | 'which' | 'gate' | 'coralGate' | 'away'> & {
    today: string;
    /** The display stands without fish after an outbreak. */
    isFallow?: boolean | undefined;
  };

/** Where somebody of the plan is by now. */
type Whereabouts = 'wish' | 'quarantine' | 'display' | 'gone';

/** @param doc says where each of them is by now
 *  @param before the plan as it was kept; @param dayOfMs calendar day of a moment where the person is
 *  @returns null where no date moved and nobody came or went, but those who are in by now */
export function changedSince(
  doc: Document,
  before: SaidPlan,
  now: Now,
  dayOfMs: (ms: number) => string,
): Changed | null {
  const was = new Map(before.steps.map((s) => [s.animalId, s]));
  const moves = now.steps.flatMap((s) => {
    const days = daysBetween(was.get(s.wishId)?.releaseDay ?? s.releaseDay, s.releaseDay);
    return days === 0 ? [] : [{ wishId: s.wishId, days }];
  });
  const known = new Set([...before.steps.map((s) => s.animalId), ...before.leftOut]);
  const here = new Set([...now.steps.map((s) => s.wishId), ...now.leftOut.map((l) => l.wishId)]);
  const where = (id: string) => whereIs(doc, id, now.waterId);
  const wished = [...here].filter((id) => !known.has(id));
  const gone = [...known].filter((id) => !here.has(id));
  const met = gone.filter((id) => where(id) === 'display');
  const unfit = gone.filter((id) => where(id) === 'wish');
  const noLonger = gone.filter((id) => where(id) === 'gone');
  const [most = null] = [...moves].sort((a, b) => Math.abs(b.days) - Math.abs(a.days));
  const hasDay = new Set(now.steps.map((s) => s.wishId));
  const lost = now.leftOut.map((l) => l.wishId).filter((id) => was.has(id));
  const gained = before.leftOut.filter((id) => hasDay.has(id));
  if (!most && [...lost, ...gained, ...wished, ...unfit, ...noLonger].length === 0) return null;
  const sinceDay = dayOfMs(Date.parse(before.at));
  const wasIn = (id: string) => waterLeft(doc, id);
  const ofTheWishes: [OfThem, string[]][] = [
    ['wished', wished],
    ['unfit', unfit],
    ['gone', noLonger.filter((id) => wasIn(id) !== null)],
    ['noLonger', noLonger.filter((id) => wasIn(id) === null)],
  ];
  const news = newsSince(doc, before).filter((id) => !known.has(id) && !here.has(id));
  const ofTheLog: [OfThem, string[]][] = [
    ['cameIn', news.filter((id) => where(id) === 'display')],
    ...whatWasDone(before, now, where, (id) => {
      const cameOn = dayOfMs(lastMs(doc, id));
      return where(id) === 'quarantine' && cameOn > sinceDay ? cameOn : null;
    }),
    ['met', met],
    ['gone', news.filter((id) => wasIn(id) === now.waterId)],
  ];
  const cause = ofTheStart(doc, before, now, { most, lost, gained }) ??
    ofItsClock(ofTheLog, before, now, most) ??
    named(ofTheWishes) ??
    ofTheDays(before, now, (most !== null && most.days < 0) || gained.length > 0) ??
    named(ofTheLog) ?? {
      kind: now.outdoesTold ? 'better' : isPutOffByLoad(now, most, lost) ? 'load' : 'other',
    };
  return { sinceDay, most, moved: moves.length, lost, gained, cause };
}

const lastMs = (doc: Document, id: string): number => Date.parse(doc.animals[id]?.moves.at(-1)?.at ?? '');

/** Who was moved since. */
const newsSince = (doc: Document, before: SaidPlan): string[] =>
  Object.keys(doc.animals).filter((id) => lastMs(doc, id) > Date.parse(before.at));

/** The water that somebody left for good; null for all others. */
function waterLeft(doc: Document, id: string): string | null {
  const animal = doc.animals[id];
  return animal ? (lostFrom(animal)?.waterId ?? null) : null;
}

/** Its own clock, where that alone takes whoever moved most at least half as far: nobody who came or went is then to be named for it. */
function ofItsClock(
  ofTheLog: readonly [OfThem, string[]][],
  before: SaidPlan,
  now: Now,
  most: Changed['most'],
): Cause | null {
  const was = before.steps.find((s) => s.animalId === most?.wishId);
  const is = now.steps.find((s) => s.wishId === most?.wishId);
  if (!most || !was || !is) return null;
  const share = daysBetween(was.buyDay, is.buyDay) / most.days;
  return share < 0.5
    ? null
    : named(
        ofTheLog.filter(([kind, ids]) => (kind === 'clock' || kind === 'looked') && ids.includes(is.wishId)),
      );
}

/** What keeps them now is how much there may be. */
function isPutOffByLoad({ steps, leftOut }: Now, most: Changed['most'], lost: readonly string[]): boolean {
  const isLoad = ({ rule }: { rule: string }) => rule === 'R5' || rule === 'R6';
  const isLate = (id: string) => most !== null && most.days > 0 && most.wishId === id;
  return (
    leftOut.some((l) => lost.includes(l.wishId) && isLoad(l)) ||
    steps.some((s) => isLate(s.wishId) && s.binding.some(isLoad))
  );
}

function whereIs(doc: Document, id: string, displayId: string): Whereabouts {
  const animal = doc.animals[id];
  if (!animal) return 'gone';
  if (isIn(animal, displayId)) return 'display';
  const place = placeOf(animal).kind;
  return place === 'water' ? 'quarantine' : place;
}

/** The first of whom there are any. */
function named(ofThem: readonly [OfThem, string[]][]): Cause | null {
  const found = ofThem.find(([, ids]) => ids.length > 0);
  return found ? { kind: found[0], ids: found[1] } : null;
}

/** What was chosen of the start, and when it is expected, where that explains what moved most. */
function ofTheStart(
  doc: Document,
  before: SaidPlan,
  now: Now,
  { most, lost, gained }: Pick<Changed, 'most' | 'lost' | 'gained'>,
): Cause | null {
  if (before.which !== now.which) return { kind: 'choice' };
  const moved = (was: string | null, is: string | null) => from(now.today, was) !== from(now.today, is);
  // A later start puts off only what would come before it, and what follows; a sooner one puts off nothing.
  const explains = (was: string | null, to: string | null) => {
    if (was === null) return gained.length > 0;
    if (to !== null && to < was) return most !== null && most.days < 0;
    const isLate = most !== null && most.days > 0;
    return to === null ? isLate || lost.length > 0 : isLate && before.steps.some((s) => s.releaseDay < to);
  };
  if (moved(before.gate, now.gate) && explains(before.gate, now.gate))
    return { kind: 'gate', from: before.gate, to: now.gate };
  if (!most) return null;
  const animal = doc.animals[most.wishId];
  const isCoral = animal !== undefined && lineOf(speciesOf(doc, animal.speciesId)) === 'coral';
  return isCoral && moved(before.coralGate, now.coralGate) && explains(before.coralGate, now.coralGate)
    ? { kind: 'coralGate', from: before.coralGate, to: now.coralGate }
    : null;
}

/** @param isSooner somebody comes sooner, or has a day now: only that comes of being back */
function ofTheDays(before: SaidPlan, now: Now, isSooner: boolean): Cause | null {
  if (ahead(now.today, before.away) !== ahead(now.today, now.away)) return { kind: 'away' };
  if (now.isFallow) return { kind: 'fallow' };
  const endsToday = ({ away }: Pick<SaidPlan, 'away'>) => away.some(([, last]) => last === now.today);
  return isSooner && endsToday(before) && !endsToday(now) ? { kind: 'back' } : null;
}

/** What was planned and not done, or done otherwise, and what became of those in a quarantine.
 *  @param boughtOn the day on which somebody was bought since; null for all others */
function whatWasDone(
  before: SaidPlan,
  now: Now,
  where: (id: string) => Whereabouts,
  boughtOn: (id: string) => string | null,
): [OfThem, string[]][] {
  const hadDay = (id: string) => before.steps.some((b) => b.animalId === id);
  const stepsOf = (test: (was: SaidPlan['steps'][number], buyDay: string) => boolean): string[] =>
    now.steps.flatMap((s) => {
      const was = before.steps.find((b) => b.animalId === s.wishId);
      return was && test(was, s.buyDay) ? [s.wishId] : [];
    });
  const isWaiting = (id: string) => where(id) === 'quarantine';
  const { today } = now;
  const outOfTime = now.leftOut.flatMap(({ wishId, rule }) =>
    isWaiting(wishId) && (rule === 'R2' || rule === 'R9') && hadDay(wishId) ? [wishId] : [],
  );
  return [
    // Whoever stays keeps the next from being bought.
    ['notLetIn', stepsOf((was) => isWaiting(was.animalId) && was.releaseDay < today)],
    ['notBought', stepsOf((was) => where(was.animalId) === 'wish' && was.buyDay < today)],
    ['boughtSooner', stepsOf(({ animalId, buyDay }) => (boughtOn(animalId) ?? buyDay) < buyDay)],
    ['boughtLater', stepsOf(({ animalId, buyDay }) => (boughtOn(animalId) ?? buyDay) > buyDay)],
    // The day of purchase of whoever is in a quarantine is reckoned back from where its clock stands.
    ['clock', [...stepsOf((was, buyDay) => isWaiting(was.animalId) && buyDay > was.buyDay), ...outOfTime]],
    ['looked', stepsOf((was, buyDay) => isWaiting(was.animalId) && buyDay < was.buyDay)],
  ];
}

/** A day as it counts from a day on: what was open already stays so, though each day has another. */
const from = (today: string, day: string | null): string | null =>
  day !== null && day < today ? today : day;

/** What is left of absences, to be compared; of one that ends today nothing. */
const ahead = (today: string, away: SaidPlan['away']): string =>
  away
    .filter(([, last]) => last > today)
    .map(([first, last]) => `${from(today, first)} ${last}`)
    .join();
