/** Readings of nitrogen in words, as their kit printed them. */
import { basisLabel, type NitrogenSpecies } from '../units/nitrogen';
import type { Point } from './points';

export const printed = (p: Point, species: NitrogenSpecies): string =>
  `${p.text} mg/L ${basisLabel(species, p.kit.basis ?? 'ion')}`;
