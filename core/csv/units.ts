/** Units as tables write them, for each parameter. Sources: 1 meq/L is 2.8 dKH and 50.04 mg/L CaCO3; phosphorus is a third of phosphate
 *  (94.97/30.97), silicon less than half of silica (60.08/28.09); the rest by definition. */
import type { Parameter } from '../document';
import { fromUnit } from '../units';
import type { UnitOf } from './types';

const DKH_PER_MEQ = 2.8;
const CACO3_PER_MEQ = 50.04;
const PO4_PER_P = 94.97 / 30.97;
const SIO2_PER_SI = 60.08 / 28.09;

type Rule = readonly [RegExp, (x: number) => number, UnitOf['basis']?];
const same = (x: number): number => x;
const times =
  (factor: number) =>
  (x: number): number =>
    x * factor;

const PER_LITRE: readonly Rule[] = [
  [/^(mg\/?l|ppm|g\/m3|mgl)$/, same],
  [/^(ug\/?l|ppb|mg\/m3)$/, times(1 / 1000)],
];
const NITROGEN: readonly Rule[] = PER_LITRE;

const RULES: Partial<Record<Parameter, readonly Rule[]>> = {
  temperature: [
    [/^(c|celsius|degc|degreesc)$/, same],
    [/^(f|fahrenheit|degf|degreesf)$/, (x) => fromUnit('F', x)],
    [/^(k|kelvin)$/, (x) => x - 273.15],
  ],
  salinity: [
    [/^(ppt|psu|pss|permille|g\/kg)$/, same],
    [/^(sg|specificgravity|sg25\/?25|25\/25)$/, (x) => fromUnit('sg2525', x)],
    [/^(sg20\/?20|20\/20)$/, (x) => fromUnit('sg2020', x)],
    [/^(ms\/?cm|mscm)$/, (x) => fromUnit('mScm', x)],
  ],
  alkalinity: [
    [/^(dkh|kh|dh|degkh)$/, same],
    [/^(meq\/?l|meq|mmol\/?l)$/, times(DKH_PER_MEQ)],
    [/^((mg\/?l|ppm)(as)?(caco3)?|caco3)$/, times(DKH_PER_MEQ / CACO3_PER_MEQ)],
  ],
  ammonia: NITROGEN,
  nitrite: NITROGEN,
  nitrate: NITROGEN,
  freeAmmonia: NITROGEN,
  phosphate: [
    [/^(mg\/?l|ppm)(as)?(po4)?$/, same],
    [/^(ug\/?l|ppb)(as)?(po4)?$/, times(1 / 1000)],
    [/^(mg\/?l|ppm)(as)?p$|^po4-?p$/, times(PO4_PER_P)],
    [/^(ug\/?l|ppb)(as)?p$/, times(PO4_PER_P / 1000)],
  ],
  silicate: [
    [/^(mg\/?l|ppm)(as)?(sio2)?$/, same],
    [/^(ug\/?l|ppb)(as)?(sio2)?$/, times(1 / 1000)],
    [/^(mg\/?l|ppm)(as)?si$/, times(SIO2_PER_SI)],
    [/^(ug\/?l|ppb)(as)?si$/, times(SIO2_PER_SI / 1000)],
  ],
  calcium: PER_LITRE,
  magnesium: PER_LITRE,
  oxygen: [[/^(mg\/?l|ppm)(o2)?$/, same]],
  orp: [[/^mv$/, same]],
  tdsSource: [[/^(mg\/?l|ppm)$/, same]],
  tdsMembrane: [[/^(mg\/?l|ppm)$/, same]],
  tdsResin: [[/^(mg\/?l|ppm)$/, same]],
  par: [[/^(par|ppfd|umol(\/m2\/s)?)$/, same]],
  ph: [[/^(ph)?$/, same]],
};

/** Letters that are written in several ways. */
export const plainUnit = (text: string): string =>
  text
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/[µμ]/g, 'u')
    .replace(/[°º]/g, 'deg')
    .replace(/‰/g, 'permille')
    .replace(/\s+|[()[\]_]/g, '')
    .replace(/^deg(?=[ckf]h?$)/, 'deg')
    .replace(/^deg([cf])$/, '$1')
    .replace(/^degdkh$|^degkh$/, 'dkh');

/** Nothing, or the parameter itself: "nitrate-N" says nothing of a unit. */
const OWN_NAMES = /^(ammoni(a|um)|nitrite|nitrate|total)?-?$/;

/** The ending that names what the figure is counted as: "mg/L NO3-N", "ppm as N", "NH4". */
function basisIn(parameter: Parameter, unit: string): { unit: string; basis: UnitOf['basis'] } {
  if (
    parameter !== 'ammonia' &&
    parameter !== 'nitrite' &&
    parameter !== 'nitrate' &&
    parameter !== 'freeAmmonia'
  )
    return { unit, basis: null };
  const as = /^(.*?)(?:as)?((?:nh3|nh4|no2|no3|tan)?-?n|tan)$/.exec(unit);
  if (as && !/^(ppm|mg\/?l)$/.test(unit))
    return { unit: OWN_NAMES.test(as[1] ?? '') ? 'mg/l' : (as[1] ?? ''), basis: 'N' };
  const ion = /^(.*?)(?:as)?(nh3|nh4\+?|no2-?|no3-?)$/.exec(unit);
  if (ion) return { unit: ion[1] || 'mg/l', basis: ion[2] === 'nh3' ? 'NH3' : 'ion' };
  return { unit, basis: null };
}

/** A unit as written; null where the parameter is not measured in it. */
export function unitOf(parameter: Parameter, text: string): UnitOf | null {
  const { unit, basis } = basisIn(parameter, plainUnit(text));
  for (const [pattern, toStored] of RULES[parameter] ?? [[/^.*$/, same] as Rule])
    if (pattern.test(unit)) return { unit: text, basis, toStored };
  return null;
}

/** Units worth naming to a person who has to choose one. */
export const UNIT_CHOICES: Partial<Record<Parameter, readonly string[]>> = {
  temperature: ['C', 'F'],
  salinity: ['ppt', 'SG 25/25', 'SG 20/20', 'mS/cm'],
  alkalinity: ['dKH', 'meq/L', 'mg/L CaCO3'],
  phosphate: ['mg/L', 'ppb', 'ppb P'],
};
