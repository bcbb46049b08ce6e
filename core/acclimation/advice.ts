/** Which way out of the bag: a slow drip, a quick one, or matching the temperature and moving. A drip waits for the salt while ammonia turns free;
 *  so it is for gaps of salt in clean bags. Rules of science notes 8. */
import { bagCourse, type BagCourse, type BagInput } from './bag';
import { ACCLIMATION } from './limits';

export type Way = 'slowDrip' | 'quickDrip' | 'temperatureOnly';
export type Sensitive = 'fish' | 'invertebrate' | 'coral';

/** Why a way is advised; `cleanWaterFirst` is temperature only, into clean water of the bag's salinity. */
export type Because =
  /** The salt is close: a drip would only let the ammonia turn free. */
  | { code: 'noGap'; gapPpt: number; bagFree: number; dripFree: number }
  /** The gap wants time, and the bag is clean enough for it. */
  | { code: 'cleanBag'; gapPpt: number; dripFree: number }
  /** A drip would poison; the gap may be taken at once. */
  | { code: 'gapMayBeMoved'; gapPpt: number; dripFree: number }
  /** The slow drip would poison, the quick one stays under the limit. */
  | { code: 'quickStaysUnder'; gapPpt: number; dripFree: number; quickFree: number }
  /** Too large a gap for the bag that it is, or for one session: clean water at the bag's salinity first, then so many days. */
  | { code: 'cleanWaterFirst'; gapPpt: number; dripFree: number; days: number };

export interface Advice {
  way: Way;
  because: Because;
  /** Courses compared: as dripped, three times as quick, and opened without a drop. */
  slow: BagCourse;
  quick: BagCourse;
}

/** The advice for a bag as it would be dripped. @throws RangeError as bagCourse does */
export function adviceFor(input: BagInput, animal: Sensitive = 'fish'): Advice {
  const slow = bagCourse(input);
  const quick = bagCourse({ ...input, dripLPerHour: input.dripLPerHour * ACCLIMATION.quickTimes });
  const gapPpt = input.water.salinity - input.bag.salinity;
  const dripFree = slow.peakFreeMgNPerL;
  const quickFree = quick.peakFreeMgNPerL;
  const say = (way: Way, because: Because): Advice => ({ way, because, slow, quick });
  const clean = (free: number) => free < ACCLIMATION.cleanFreeMgN;
  if (Math.abs(gapPpt) <= ACCLIMATION.nearPpt)
    return say('temperatureOnly', {
      code: 'noGap',
      gapPpt,
      bagFree: slow.series[0]?.freeMgNPerL ?? 0,
      dripFree,
    });
  const inOneSession = gapPpt <= ACCLIMATION.mostRisePpt;
  if (inOneSession && clean(dripFree)) return say('slowDrip', { code: 'cleanBag', gapPpt, dripFree });
  if (mayMove(gapPpt, animal)) return say('temperatureOnly', { code: 'gapMayBeMoved', gapPpt, dripFree });
  if (inOneSession && clean(quickFree))
    return say('quickDrip', { code: 'quickStaysUnder', gapPpt, dripFree, quickFree });
  const days = Math.ceil(Math.abs(gapPpt) / ACCLIMATION.risePerDayPpt - 1e-9);
  return say('temperatureOnly', { code: 'cleanWaterFirst', gapPpt, dripFree, days });
}

/** The way that is proposed: whoever is no fish is not moved at a stroke, its long minimum runs in clean water of the bag's salinity. */
export const proposedWay = ({ way, because }: Advice, animal: Sensitive): Way | 'cleanWater' =>
  way === 'temperatureOnly' && animal !== 'fish' && because.code !== 'cleanWaterFirst' ? 'cleanWater' : way;

/** May the animal be put at once into water saltier by so much (negative: fresher)? */
export const mayMove = (gapPpt: number, animal: Sensitive): boolean =>
  animal === 'fish'
    ? gapPpt <= ACCLIMATION.fishSaltierPpt && gapPpt >= -ACCLIMATION.fishFresherPpt
    : Math.abs(gapPpt) <= ACCLIMATION.otherGapPpt;
