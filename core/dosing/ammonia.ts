/** How much of an ammonia product gives a wanted rise. Everything passes through mg N. */
import { assertPositive, assertRange } from '../check';
import { NH4CL_PER_N, toMgNPerL, type NitrogenBasis } from '../units/nitrogen';

/** Strength as bottles state it. A percent is by mass; density of dilute ammonia water is taken as 1 kg/L
 *  (5 % is 0.977: the error is below that of any kit). */
export type AmmoniaStrength =
  | { kind: 'percentNH3'; percent: number }
  | { kind: 'gramsNH4ClPerL'; gramsPerL: number }
  | { kind: 'drops'; drops: number; perLitres: number; raisesMgPerL: number; basis: NitrogenBasis };

export interface DoseRequest {
  /** Wanted rise, mg/L on the stated basis. */
  targetMgPerL: number;
  basis: NitrogenBasis;
  netL: number;
  strength: AmmoniaStrength;
  /** Drops in a millilitre, 15..25; calibrate by counting into 10 mL. */
  dropsPerMl: number;
}

export interface Dose {
  mgN: number;
  mL: number;
  drops: number;
  mgNPerL: number;
}

/** mg N in one millilitre of product. Check: 10 g NH4Cl/L -> 10/3.8189 = 2.6185 mg N/mL. */
export function strengthMgNPerMl(strength: AmmoniaStrength, dropsPerMl: number): number {
  switch (strength.kind) {
    case 'percentNH3':
      assertRange('percent', strength.percent, 0.01, 35, '% NH3');
      return toMgNPerL('ammonia', 'NH3', strength.percent * 10);
    case 'gramsNH4ClPerL':
      assertRange('gramsPerL', strength.gramsPerL, 0.01, 380, 'g NH4Cl per litre');
      return strength.gramsPerL / NH4CL_PER_N;
    case 'drops': {
      assertPositive('drops', strength.drops, 'drops');
      assertPositive('perLitres', strength.perLitres, 'L');
      assertPositive('raisesMgPerL', strength.raisesMgPerL, 'mg/L');
      assertPositive('dropsPerMl', dropsPerMl, 'drops per mL');
      const mgNPerDrop =
        (toMgNPerL('ammonia', strength.basis, strength.raisesMgPerL) * strength.perLitres) / strength.drops;
      return mgNPerDrop * dropsPerMl;
    }
  }
}

/** Dose for a wanted rise. Check by hand: 2 mg/L as NH4 in 100 L = 155.3 mg N = 59.3 mL of 10 g/L NH4Cl.
 *  @throws RangeError for a volume, target or strength of zero or below. */
export function ammoniaDose(request: DoseRequest): Dose {
  assertPositive('netL', request.netL, 'L');
  assertPositive('targetMgPerL', request.targetMgPerL, 'mg/L');
  assertRange('dropsPerMl', request.dropsPerMl, 5, 60, 'drops per mL');
  const mgNPerL = toMgNPerL('ammonia', request.basis, request.targetMgPerL);
  const mgN = mgNPerL * request.netL;
  const mL = mgN / strengthMgNPerMl(request.strength, request.dropsPerMl);
  return { mgN, mL, drops: Math.max(1, Math.round(mL * request.dropsPerMl)), mgNPerL };
}
