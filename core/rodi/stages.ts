/** The stages of an RO/DI unit, each by itself: how old, how much went through, and whether it is due. */
import { assertRange } from '../check';
import { RODI_STAGES } from '../document/vocabulary';
import { RODI } from './limits';

export type Stage = (typeof RODI_STAGES)[number];

export interface StageState {
  stage: Stage;
  days: number;
  /** Made since it was new; null where nobody counted. */
  litres: number | null;
  /** Behind it: a membrane's share held back, a resin's TDS, a carbon's chlorine in mg/L, a sediment filter's fall of pressure in bar; null unmeasured. */
  reading: number | null;
}

export type StageWord = 'fresh' | 'soon' | 'due';
export type StageWhy = 'reading' | 'litres' | 'age' | 'none';

/** Is a stage due, and by what? What is measured behind it goes first, then what went through, then its age.
 *  @throws RangeError for what cannot be */
export function stageDue({ stage, days, litres, reading }: StageState): { word: StageWord; why: StageWhy } {
  assertRange('days', days, 0, 36500, 'days');
  const over = reading === null ? null : overLimit(stage, reading);
  if (over === 'due') return { word: 'due', why: 'reading' };
  const most = { sediment: null, carbon: RODI.carbonLitres, membrane: null, resin: null }[stage];
  if (most !== null && litres !== null && litres >= most) return { word: 'due', why: 'litres' };
  const old = {
    sediment: RODI.sedimentDays,
    carbon: RODI.carbonDays,
    membrane: RODI.membraneDays,
    resin: RODI.resinDays,
  }[stage];
  if (days >= old) return { word: 'due', why: 'age' };
  if (over === 'soon') return { word: 'soon', why: 'reading' };
  if (most !== null && litres !== null && litres >= 0.8 * most) return { word: 'soon', why: 'litres' };
  if (days >= 0.85 * old) return { word: 'soon', why: 'age' };
  return { word: 'fresh', why: 'none' };
}

function overLimit(stage: Stage, reading: number): StageWord {
  switch (stage) {
    case 'membrane':
      return reading < RODI.rejectionDue ? 'due' : reading < RODI.rejectionSoon ? 'soon' : 'fresh';
    case 'resin':
      return reading >= RODI.resinDueTds ? 'due' : reading > 0 ? 'soon' : 'fresh';
    case 'carbon':
      return reading > RODI.chlorineDue ? 'due' : 'fresh';
    case 'sediment':
      return reading >= RODI.pressureFallBar ? 'due' : reading >= RODI.pressureFallBar / 2 ? 'soon' : 'fresh';
  }
}

/** Real output against what the conditions promise: under three quarters the membrane is fouled or the pressure is not what was read. */
export function fouling(realLPerDay: number, promisedLPerDay: number): { share: number; fouled: boolean } {
  const share = realLPerDay / promisedLPerDay;
  return { share, fouled: share < RODI.fouledShare };
}
