/** What each parameter is called, its stored unit, and what is usually aimed at. Numbers are common practice, changeable by the person. */
import { OWN_PARAMETERS, type Parameter } from './vocabulary';
import { type OwnParameterSpec } from './types';

export const PARAMETER_NAMES: Record<Parameter, string> = {
  temperature: 'temperature',
  salinity: 'salinity',
  ph: 'pH',
  alkalinity: 'alkalinity',
  calcium: 'calcium',
  magnesium: 'magnesium',
  ammonia: 'ammonia',
  freeAmmonia: 'free ammonia',
  nitrite: 'nitrite',
  nitrate: 'nitrate',
  phosphate: 'phosphate',
  silicate: 'silicate',
  oxygen: 'oxygen',
  orp: 'redox (ORP)',
  tdsSource: 'TDS of the source',
  tdsMembrane: 'TDS after the membrane',
  tdsResin: 'TDS after the resin',
  par: 'light (PAR)',
  own1: 'own 1',
  own2: 'own 2',
  own3: 'own 3',
  own4: 'own 4',
  own5: 'own 5',
  own6: 'own 6',
};

const UNITS: Record<Parameter, string> = {
  temperature: '°C',
  salinity: 'ppt',
  ph: '',
  alkalinity: 'dKH',
  calcium: 'mg/L',
  magnesium: 'mg/L',
  ammonia: 'mg/L',
  freeAmmonia: 'mg/L',
  nitrite: 'mg/L',
  nitrate: 'mg/L',
  phosphate: 'mg/L PO₄',
  silicate: 'mg/L SiO₂',
  oxygen: 'mg/L O₂',
  orp: 'mV',
  tdsSource: 'mg/L',
  tdsMembrane: 'mg/L',
  tdsResin: 'mg/L',
  par: 'µmol/m²/s',
  own1: '',
  own2: '',
  own3: '',
  own4: '',
  own5: '',
  own6: '',
};

type OwnSpecs = Record<string, OwnParameterSpec>;
export const isOwnParameter = (p: Parameter): boolean => (OWN_PARAMETERS as readonly string[]).includes(p);

/** Name of a parameter, the person's own by the name given to it. */
export const parameterName = (p: Parameter, own: OwnSpecs): string =>
  isOwnParameter(p) ? (own[p]?.name ?? PARAMETER_NAMES[p]) : PARAMETER_NAMES[p];
/** Unit it is stored in; nitrogen without its basis, which the kit holds. */
export const parameterUnit = (p: Parameter, own: OwnSpecs): string =>
  isOwnParameter(p) ? (own[p]?.unit ?? '') : UNITS[p];

export interface TargetRange {
  low: number;
  high: number;
  alarmLow: number;
  alarmHigh: number;
}

/** Ranges common practice agrees on, stored units; nitrate as mg/L NO3. Zero nitrate or phosphate is a finding, so both have a lower alarm.
 *  Gates, charts, alarms and tools all judge by these, or by what the person set for the water in their place; the alarm ranges of what
 *  animals live in are those of the science notes, section 10. */
const REEF: Partial<Record<Parameter, TargetRange>> = {
  temperature: { alarmLow: 22.5, low: 24, high: 26, alarmHigh: 27.5 },
  salinity: { alarmLow: 32, low: 33, high: 36, alarmHigh: 37 },
  ph: { alarmLow: 7.6, low: 7.9, high: 8.4, alarmHigh: 8.5 },
  alkalinity: { alarmLow: 6.5, low: 7, high: 12, alarmHigh: 12 },
  calcium: { alarmLow: 380, low: 400, high: 470, alarmHigh: 520 },
  magnesium: { alarmLow: 1150, low: 1250, high: 1450, alarmHigh: 1600 },
  nitrate: { alarmLow: 0.5, low: 2, high: 15, alarmHigh: 40 },
  phosphate: { alarmLow: 0.01, low: 0.03, high: 0.12, alarmHigh: 0.3 },
  oxygen: { alarmLow: 5.3, low: 6, high: 9, alarmHigh: 12 },
  orp: { alarmLow: 200, low: 300, high: 420, alarmHigh: 450 },
  tdsResin: { alarmLow: 0, low: 0, high: 1, alarmHigh: 3 },
};

/** Presets by what the tank is doing; each is a start, not a law. */
export const TARGET_PRESETS = {
  reef: {
    title: 'Mixed reef',
    reason: 'fish and corals: steady alkalinity, some nitrate and phosphate',
    ranges: REEF,
  },
  fish: {
    title: 'Fish first',
    reason: 'wider on alkalinity and nutrients, as strict on salinity and heat',
    ranges: {
      ...REEF,
      alkalinity: { alarmLow: 6.5, low: 7, high: 12, alarmHigh: 13 },
      nitrate: { alarmLow: 0.5, low: 2, high: 30, alarmHigh: 60 },
      phosphate: { alarmLow: 0.01, low: 0.02, high: 0.3, alarmHigh: 1 },
    },
  },
  cycling: {
    title: 'During the cycle',
    reason: 'alkalinity must not stall it; nutrients are meant to rise',
    ranges: {
      temperature: { alarmLow: 22.5, low: 25, high: 28, alarmHigh: 32 },
      salinity: { alarmLow: 32, low: 33, high: 36, alarmHigh: 37 },
      ph: { alarmLow: 7.4, low: 7.8, high: 8.5, alarmHigh: 8.7 },
      alkalinity: { alarmLow: 5, low: 7, high: 11, alarmHigh: 13 },
    } as Partial<Record<Parameter, TargetRange>>,
  },
} as const satisfies Record<
  string,
  { title: string; reason: string; ranges: Partial<Record<Parameter, TargetRange>> }
>;
export type TargetPreset = keyof typeof TARGET_PRESETS;

export const DEFAULT_TARGETS: Partial<Record<Parameter, TargetRange>> = REEF;

/** What a water is aimed at: as the person set it, or as common practice does. Null where neither says. */
export const aimOf = (
  own: readonly ({ parameter: Parameter } & TargetRange)[],
  parameter: Parameter,
): TargetRange | null => own.find((t) => t.parameter === parameter) ?? DEFAULT_TARGETS[parameter] ?? null;
