/** Small matrices, for a dozen unknowns at most. */
export type Matrix = number[][];

export const transposed = (m: Matrix): Matrix =>
  (m[0] ?? []).map((_, j) => m.map((line) => line[j] as number));

export const product = (a: Matrix, b: Matrix): Matrix =>
  a.map((line) =>
    (b[0] ?? []).map((_, j) => line.reduce((sum, x, k) => sum + x * ((b[k] as number[])[j] as number), 0)),
  );

/** By Gauss and Jordan, the largest pivot first. @throws RangeError where it has no inverse */
export function inverted(m: Matrix): Matrix {
  const n = m.length;
  const work = m.map((line, i) => [...line, ...line.map((_, j) => (i === j ? 1 : 0))]);
  for (let i = 0; i < n; i++) {
    let pivot = i;
    for (let k = i + 1; k < n; k++) if (Math.abs(work[k]![i]!) > Math.abs(work[pivot]![i]!)) pivot = k;
    if (Math.abs(work[pivot]![i]!) < 1e-300) throw new RangeError('the matrix has no inverse');
    [work[i], work[pivot]] = [work[pivot]!, work[i]!];
    const by = work[i]![i]!;
    for (let j = 0; j < 2 * n; j++) work[i]![j]! /= by;
    for (let k = 0; k < n; k++) {
      const factor = work[k]![i]!;
      if (k === i || factor === 0) continue;
      for (let j = 0; j < 2 * n; j++) work[k]![j]! -= factor * work[i]![j]!;
    }
  }
  return work.map((line) => line.slice(n));
}
