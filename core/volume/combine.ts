/** Several estimates of one volume into one: the inverse-variance mean, with outliers named, not hidden. */
import { assertPositive } from '../check';
import { VOLUME } from './limits';

export interface VolumeEstimate {
  from: string;
  litres: number;
  sdL: number;
}

export interface CombinedVolume {
  litres: number;
  sdL: number;
  /** Estimates more than 2.5 combined standard deviations from the rest: shown, left out of the mean. */
  outliers: string[];
}

/** Combines estimates. With three or more, one that departs from the mean of the others by over 2.5 sigma is left out; with two
 *  that disagree nobody can say which is wrong: both stay and the spread widens (Birge ratio).
 *  Check by hand: 220 +- 10 and 230 +- 5 -> (220/100 + 230/25)/(1/100 + 1/25) = 228, sd 1/sqrt(0.05) = 4.47.
 *  @throws RangeError without estimates or with one of zero. */
export function combineVolumes(estimates: readonly VolumeEstimate[]): CombinedVolume {
  if (estimates.length === 0) throw new RangeError('"estimates" must hold at least one volume');
  for (const e of estimates) {
    assertPositive('litres', e.litres, 'L');
    assertPositive('sdL', e.sdL, 'L');
  }
  let used = [...estimates];
  const outliers: string[] = [];
  while (used.length >= 3) {
    const worst = used
      .map((e) => {
        const rest = weighted(used.filter((o) => o !== e));
        return { e, z: Math.abs(e.litres - rest.litres) / Math.hypot(e.sdL, rest.sdL) };
      })
      .reduce((a, b) => (b.z > a.z ? b : a));
    if (worst.z <= VOLUME.outlierSigma) break;
    outliers.push(worst.e.from);
    used = used.filter((e) => e !== worst.e);
  }
  const mean = weighted(used);
  const chi2 = used.reduce((s, e) => s + ((e.litres - mean.litres) / e.sdL) ** 2, 0);
  const birge = used.length > 1 ? Math.max(1, Math.sqrt(chi2 / (used.length - 1))) : 1;
  return { litres: mean.litres, sdL: mean.sdL * birge, outliers };
}

function weighted(estimates: readonly VolumeEstimate[]): { litres: number; sdL: number } {
  const weight = estimates.reduce((s, e) => s + 1 / e.sdL ** 2, 0);
  return {
    litres: estimates.reduce((s, e) => s + e.litres / e.sdL ** 2, 0) / weight,
    sdL: 1 / Math.sqrt(weight),
  };
}

/** Litres from a flow and the time it ran; both inputs good to about 5 %. */
export function volumeFromProduction(litresPerHour: number, minutes: number): VolumeEstimate {
  assertPositive('litresPerHour', litresPerHour, 'L/h');
  assertPositive('minutes', minutes, 'min');
  const litres = (litresPerHour * minutes) / 60;
  return { from: 'production', litres, sdL: litres * VOLUME.productionSd };
}

/** Litres from the salt that went in and the salinity it made: grams / (grams a litre at 35 x S/35). The strength of the mix is the doubt. */
export function volumeFromSalt(
  grams: number,
  salinity: number,
  gramsPerLitreAt35: number,
  strengthSdShare: number,
): VolumeEstimate {
  assertPositive('grams', grams, 'g');
  assertPositive('salinity', salinity, 'practical salinity');
  assertPositive('gramsPerLitreAt35', gramsPerLitreAt35, 'g/L');
  const litres = grams / ((gramsPerLitreAt35 * salinity) / 35);
  return { from: 'salt', litres, sdL: litres * Math.hypot(strengthSdShare, VOLUME.salinitySd) };
}

/** Litres from ammonia dosed and the rise a kit showed for it: V = mg N / (mg N/L). The kit is the doubt: 15 % and 0.08 mg N/L.
 *  Check by hand: 310 mg N that raised it by 1.55 mg N/L were dosed into 200 L. */
export function volumeFromDose(mgN: number, riseMgNPerL: number): VolumeEstimate {
  assertPositive('mgN', mgN, 'mg N');
  assertPositive('riseMgNPerL', riseMgNPerL, 'mg N/L');
  const litres = mgN / riseMgNPerL;
  return {
    from: 'ammonia dose',
    litres,
    sdL: litres * Math.hypot(VOLUME.doseSd, VOLUME.doseSdMgN / riseMgNPerL),
  };
}
