/** The dose calculator: texts to a dose or to faults. Plain functions. */
import { ammoniaDose, type AmmoniaStrength, type Dose } from '../../../core/dosing';
import type { AmmoniaProduct } from '../../../core/document';
import { formatDecimal, readEntry, type NitrogenBasis } from '../../../core/units';

export interface DoseTexts {
  target: string;
  basis: NitrogenBasis;
  strengthKind: 'percentNH3' | 'gramsNH4ClPerL' | 'drops';
  percent: string;
  grams: string;
  drops: string;
  perLitres: string;
  raises: string;
  dropsPerMl: string;
}

export const NEW_DOSE: DoseTexts = {
  target: '2',
  basis: 'ion',
  strengthKind: 'gramsNH4ClPerL',
  percent: '',
  grams: '',
  drops: '',
  perLitres: '',
  raises: '',
  dropsPerMl: '20',
};

/** Texts that start from the bottle last used; the usual target. */
export function textsFrom(
  product: AmmoniaProduct | undefined,
  litresToUnit: (litres: number) => number,
): DoseTexts {
  if (!product) return NEW_DOSE;
  const { strength } = product;
  const shown = (x: number) => formatDecimal(x, 3);
  const texts = { ...NEW_DOSE, strengthKind: strength.kind, dropsPerMl: shown(product.dropsPerMl) };
  if (strength.kind === 'percentNH3') return { ...texts, percent: shown(strength.percent) };
  if (strength.kind === 'gramsNH4ClPerL') return { ...texts, grams: shown(strength.gramsPerL) };
  return {
    ...texts,
    basis: strength.basis,
    drops: shown(strength.drops),
    perLitres: shown(litresToUnit(strength.perLitres)),
    raises: shown(strength.raisesMgPerL),
  };
}

export type DoseFaults = Partial<Record<keyof DoseTexts, string>>;

/** @param netL net litres of the tank */
export function readDose(
  t: DoseTexts,
  netL: number,
  volumeUnit: string,
): { ok: true; dose: Dose; product: AmmoniaProduct } | { ok: false; faults: DoseFaults } {
  const faults: DoseFaults = {};
  const number = (
    field: keyof DoseTexts,
    name: string,
    min: number,
    max: number,
    unit: string | null = null,
  ): number => {
    const entry = readEntry(t[field], { name, unit, min, max, above: min === 0 });
    if (entry.ok) return entry.value;
    faults[field] = entry.message;
    return NaN;
  };
  const targetMgPerL = number('target', 'Target', 0, 6);
  const dropsPerMl = number('dropsPerMl', 'Drops in a millilitre', 5, 60);
  let strength: AmmoniaStrength;
  if (t.strengthKind === 'percentNH3')
    strength = { kind: 'percentNH3', percent: number('percent', 'Percent NH₃', 0.01, 35) };
  else if (t.strengthKind === 'gramsNH4ClPerL')
    strength = { kind: 'gramsNH4ClPerL', gramsPerL: number('grams', 'Grams of NH₄Cl in a litre', 0.01, 380) };
  else {
    strength = {
      kind: 'drops',
      drops: number('drops', 'Drops', 0, 10000),
      perLitres: number('perLitres', 'Volume on the label', 0, 100000, volumeUnit),
      raisesMgPerL: number('raises', 'Rise on the label', 0, 100),
      basis: t.basis,
    };
  }
  if (Object.keys(faults).length > 0) return { ok: false, faults };
  return {
    ok: true,
    dose: ammoniaDose({ targetMgPerL, basis: t.basis, netL, strength, dropsPerMl }),
    product: { strength, dropsPerMl },
  };
}
