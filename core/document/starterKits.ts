/** Kits a first tank starts with, so that the first reading needs no form: named by their kind, with a ladder of our own, one, two and five
 *  in each decade. The person types the steps of their own card over it. */
import type { UnitPreferences } from '../units/preferences';
import { type Kit } from './types';

const steps = (
  id: string,
  name: string,
  parameter: Kit['parameter'],
  values: number[],
  waitMinutes: number,
): Kit => ({
  id,
  name,
  parameter,
  scale: { kind: 'steps', steps: values, topOpen: true },
  basis: 'ion',
  salinityUnit: null,
  expires: null,
  waitMinutes,
  archived: false,
});
const meter = (
  id: string,
  name: string,
  parameter: Kit['parameter'],
  resolution: number,
  salinityUnit: Kit['salinityUnit'] = null,
): Kit => ({
  id,
  name,
  parameter,
  scale: { kind: 'number', resolution },
  basis: null,
  salinityUnit,
  expires: null,
  waitMinutes: null,
  archived: false,
});

/** The same with a salinity meter that reads as the person thinks. */
export const starterKits = ({ salinity }: Pick<UnitPreferences, 'salinity'>): Kit[] =>
  STARTER_KITS.map((kit) =>
    kit.parameter === 'salinity' && salinity !== 'ppt'
      ? { ...kit, salinityUnit: salinity, scale: { kind: 'number', resolution: COARSE[salinity] } }
      : kit,
  );

/** What such a meter can tell apart, in practical salinity: half a thousandth of SG, a tenth of mS/cm. */
const COARSE = { sg2525: 0.7, sg2020: 0.7, mScm: 0.1 } as const;

export const STARTER_KITS: readonly Kit[] = [
  steps('kit-ammonia', 'Ammonia drops', 'ammonia', [0, 0.2, 0.5, 1, 2, 5], 5),
  steps('kit-nitrite', 'Nitrite drops', 'nitrite', [0, 0.2, 0.5, 1, 2, 5], 5),
  steps('kit-nitrate', 'Nitrate drops', 'nitrate', [0, 5, 10, 20, 50, 100], 5),
  meter('kit-salinity', 'Pocket meter', 'salinity', 0.1, 'ppt'),
  meter('kit-temperature', 'Thermometer', 'temperature', 0.1),
  meter('kit-alkalinity', 'Alkalinity titration', 'alkalinity', 0.1),
  meter('kit-ph', 'pH pen', 'ph', 0.01),
  meter('kit-phosphate', 'Phosphate reader', 'phosphate', 0.01),
];
