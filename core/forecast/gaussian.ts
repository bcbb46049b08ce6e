/** A Gaussian fitted to weighted particles, and the way between its own coordinates and theirs. */

export interface Gaussian {
  mean: Float64Array;
  /** Lower triangle of the Cholesky factor, row by row. */
  root: Float64Array;
}

/** Mean of `n` particles of `d` numbers each under weights that add up to one. */
export function meanOf(x: Float64Array, weights: Float64Array, n: number, d: number): Float64Array {
  const mean = new Float64Array(d);
  for (let i = 0; i < n; i++) {
    const w = weights[i] as number;
    if (w === 0) continue;
    for (let k = 0; k < d; k++) mean[k] = (mean[k] as number) + w * (x[i * d + k] as number);
  }
  return mean;
}

/** The Gaussian of a mean and a covariance (its lower half is read), the latter drawn a little towards the prior's, which is the identity: where
 *  particles are few it would be too narrow somewhere. */
export function gaussianFrom(mean: Float64Array, covariance: Float64Array, shrink: number): Gaussian {
  const d = mean.length;
  const drawn = covariance.map((v, i) => v * (1 - shrink) + (i % (d + 1) === 0 ? shrink : 0));
  return { mean, root: cholesky(drawn, d) };
}

/** The lower triangle whose square is the matrix (lower half given). A pivot lost to rounding is held above zero. */
function cholesky(a: Float64Array, d: number): Float64Array {
  const root = new Float64Array(d * d);
  for (let k = 0; k < d; k++)
    for (let j = 0; j <= k; j++) {
      let s = a[k * d + j] as number;
      for (let i = 0; i < j; i++) s -= (root[k * d + i] as number) * (root[j * d + i] as number);
      root[k * d + j] = k === j ? Math.sqrt(Math.max(s, 1e-6)) : s / (root[j * d + j] as number);
    }
  return root;
}

/** Own coordinates (standard normal under the Gaussian) of the particle at `from` of `x`, into `out` at `to`. */
export function whiten(g: Gaussian, x: Float64Array, from: number, out: Float64Array, to: number): void {
  const { mean, root } = g;
  const d = mean.length;
  for (let k = 0; k < d; k++) {
    let s = (x[from + k] as number) - (mean[k] as number);
    const row = k * d;
    for (let i = 0; i < k; i++) s -= (root[row + i] as number) * (out[to + i] as number);
    out[to + k] = s / (root[row + k] as number);
  }
}

/** The way back: the particle of own coordinates at `from` of `y`, into `out` at `to`. */
export function colour(g: Gaussian, y: Float64Array, from: number, out: Float64Array, to: number): void {
  const { mean, root } = g;
  const d = mean.length;
  for (let k = 0; k < d; k++) {
    let s = mean[k] as number;
    const row = k * d;
    for (let i = 0; i <= k; i++) s += (root[row + i] as number) * (y[from + i] as number);
    out[to + k] = s;
  }
}
