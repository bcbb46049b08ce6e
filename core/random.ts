/** A seeded generator (mulberry32), so that everything that draws can be repeated. Not for secrets. */
export type Random = () => number;

/** Uniform numbers in [0, 1) from a 32-bit seed. */
export function seededRandom(seed: number): Random {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** Standard normals from uniform numbers, by Marsaglia's polar method. */
export function gaussianRandom(random: Random): () => number {
  let spare: number | null = null;
  return () => {
    if (spare !== null) {
      const kept = spare;
      spare = null;
      return kept;
    }
    for (;;) {
      const u = 2 * random() - 1;
      const v = 2 * random() - 1;
      const s = u * u + v * v;
      if (s >= 1 || s === 0) continue;
      const times = Math.sqrt((-2 * Math.log(s)) / s);
      spare = v * times;
      return u * times;
    }
  };
}
