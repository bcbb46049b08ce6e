/** Nitrogen bases. Inside, nitrogen is carried as N (mg N/L); what a kit prints is converted at the edge.
 *  Factors: ratio of molar masses, N 14.007 g/mol (NH3 17.031, NH4 18.039, NO2 46.005, NO3 62.004, NH4Cl 53.491). */

export type NitrogenSpecies = 'ammonia' | 'nitrite' | 'nitrate';
/** 'N' prints nitrogen; 'ion' prints the ion (NH4, NO2, NO3); 'NH3' is total ammonia printed as NH3. */
export type NitrogenBasis = 'N' | 'ion' | 'NH3';

/** mg of the printed form per mg of N. */
export const PRINTED_PER_N: Record<NitrogenSpecies, Record<NitrogenBasis, number>> = {
  ammonia: { N: 1, ion: 1.2878, NH3: 1.2159 },
  nitrite: { N: 1, ion: 3.2844, NH3: NaN },
  nitrate: { N: 1, ion: 4.4266, NH3: NaN },
};

/** mg NH4Cl per mg N. */
export const NH4CL_PER_N = 3.8189;

function factor(species: NitrogenSpecies, basis: NitrogenBasis): number {
  const f = PRINTED_PER_N[species][basis];
  if (!Number.isFinite(f))
    throw new RangeError(`"basis" ${basis} is for ammonia only, got it for ${species}`);
  return f;
}

/** mg/L as printed by a kit -> mg N/L. @throws RangeError for basis NH3 on nitrite or nitrate. */
export function toMgNPerL(species: NitrogenSpecies, basis: NitrogenBasis, printedMgPerL: number): number {
  return printedMgPerL / factor(species, basis);
}

/** mg N/L -> mg/L as printed on the given basis. @throws RangeError for basis NH3 on nitrite or nitrate. */
export function fromMgNPerL(species: NitrogenSpecies, basis: NitrogenBasis, mgNPerL: number): number {
  return mgNPerL * factor(species, basis);
}

/** The formula a basis prints, for labels: NH4, NH3, NO2, NO3 or N. */
export function basisLabel(species: NitrogenSpecies, basis: NitrogenBasis): string {
  if (basis === 'N') return 'N';
  if (basis === 'NH3') return 'NH₃';
  return { ammonia: 'NH₄', nitrite: 'NO₂', nitrate: 'NO₃' }[species];
}
