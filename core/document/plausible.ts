/** Limits on what can be entered, in stored units. Outside `possible` a value is refused; outside `usual` it is questioned. */
import { type Parameter } from './vocabulary';

export interface Limits {
  possible: readonly [number, number];
  usual: readonly [number, number];
  /** What is likely wrong when a value is refused or questioned. */
  hint: string;
}

/** The person's own parameters: their range stands with them. */
const OWN: Limits = { possible: [-1e5, 1e5], usual: [-1e5, 1e5], hint: 'Check the range you gave it.' };

export const LIMITS: Record<Parameter, Limits> = {
  temperature: { possible: [0, 45], usual: [20, 30], hint: 'Check the unit and the thermometer.' },
  salinity: {
    possible: [2, 42],
    usual: [30, 38],
    hint: 'Check the unit and the calibration. SG 1.025 at 25/25 is 33.2 ppt, not 35.',
  },
  ph: {
    possible: [4, 11],
    usual: [7.4, 8.7],
    hint: 'Check for a missing decimal point and calibrate the probe.',
  },
  alkalinity: { possible: [0, 40], usual: [5, 14], hint: 'Alkalinity is in dKH; 1 meq/L is 2.8 dKH.' },
  ammonia: { possible: [0, 50], usual: [0, 8], hint: 'Repeat the test with a diluted sample.' },
  freeAmmonia: {
    possible: [0, 5],
    usual: [0, 0.3],
    hint: 'Free ammonia is a twentieth of the total, or less: was the total meant?',
  },
  nitrite: { possible: [0, 200], usual: [0, 50], hint: 'Repeat the test with a diluted sample.' },
  nitrate: { possible: [0, 1000], usual: [0, 200], hint: 'Repeat the test with a diluted sample.' },
  phosphate: { possible: [0, 20], usual: [0, 2], hint: 'Check the unit: ppm against ppb.' },
  calcium: {
    possible: [0, 1500],
    usual: [300, 600],
    hint: 'Calcium and alkalinity scale with salinity: check that first.',
  },
  magnesium: { possible: [0, 4000], usual: [1000, 1700], hint: 'Check salinity first, then repeat.' },
  silicate: { possible: [0, 100], usual: [0, 10], hint: 'Check the unit.' },
  oxygen: { possible: [0, 30], usual: [4, 12], hint: 'Fresh bubbles on the probe read high; check its cap.' },
  orp: { possible: [-700, 1000], usual: [100, 480], hint: 'A probe needs days to settle after cleaning.' },
  tdsSource: { possible: [0, 5000], usual: [5, 1200], hint: 'Check the unit: mg/L, not microsiemens.' },
  tdsMembrane: {
    possible: [0, 3000],
    usual: [0, 60],
    hint: 'Let the unit run five minutes before measuring.',
  },
  tdsResin: {
    possible: [0, 3000],
    usual: [0, 3],
    hint: 'More than zero means the resin is spent: measure again after flushing.',
  },
  par: { possible: [0, 3000], usual: [0, 800], hint: 'Note the light setting with it.' },
  own1: OWN,
  own2: OWN,
  own3: OWN,
  own4: OWN,
  own5: OWN,
  own6: OWN,
};

/** What was probably meant by a number that cannot be: another unit, another scale. Null where nothing is likely. */
export function likelyMistake(parameter: Parameter, typed: string): string | null {
  const x = Number(typed.replace(',', '.'));
  const within = (low: number, high: number) => x >= low && x <= high;
  if (parameter === 'temperature' && within(59, 104))
    return `It looks like °F: ${x} °F is ${(((x - 32) * 5) / 9).toFixed(1)} °C. Change the unit, or type that.`;
  if (parameter === 'salinity' && within(1.01, 1.04))
    return 'It looks like a specific gravity. Choose SG as the mark of this instrument.';
  if (parameter === 'salinity' && within(45, 60))
    return 'It looks like a conductivity in mS/cm. Choose that as the mark of this instrument.';
  if (parameter === 'alkalinity' && within(80, 300))
    return `It looks like mg/L CaCO₃: ${x} is ${(x / 17.86).toFixed(1)} dKH.`;
  if (parameter === 'ph' && within(65, 95)) return `Is the decimal point missing: ${(x / 10).toFixed(1)}?`;
  if (parameter === 'ph' && within(11, 14)) return 'No tank reads that: calibrate the probe, and read again.';
  return null;
}

export type Plausibility = 'fine' | 'unusual' | 'impossible';

/** Judges one value in stored units. */
export function plausibility(parameter: Parameter, value: number): Plausibility {
  const { possible, usual } = LIMITS[parameter];
  if (!(value >= possible[0] && value <= possible[1])) return 'impossible';
  return value >= usual[0] && value <= usual[1] ? 'fine' : 'unusual';
}
