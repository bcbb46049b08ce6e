/** What a person writes down of the truth: kits have steps, meters have noise, and an eye errs. */
import type { Kit, ReadingValue } from '../document';
import type { Draw } from './world';

/** @param share error as a share of the truth @param noise error around nothing, as printed @param slip how often a clear lowest step is
 *  seen a step too high */
export function readBy(
  kit: Kit,
  truth: number,
  { share, noise, slip }: { share: number; noise: number; slip: number },
  d: Draw,
): ReadingValue {
  const seen = Math.max(0, truth * (1 + share * d.gauss()) + noise * d.gauss());
  if (kit.scale.kind === 'number') {
    const { resolution } = kit.scale;
    return { kind: 'exact', value: Math.round(Math.round(seen / resolution) * resolution * 1000) / 1000 };
  }
  const { steps } = kit.scale;
  const top = steps[steps.length - 1] ?? 0;
  if (seen > top * 1.1) return { kind: 'over', low: top };
  const nearest = steps.reduce((a, b) => (Math.abs(b - seen) < Math.abs(a - seen) ? b : a));
  return { kind: 'exact', value: nearest === 0 && d.random() < slip ? (steps[1] ?? 0) : nearest };
}

/** Kits that show numbers where the usual ones have a chart. */
export const withMeters = (kits: readonly Kit[]): Kit[] =>
  kits.map((k) =>
    k.parameter === 'ammonia' || k.parameter === 'nitrite'
      ? { ...k, name: `${k.parameter} reader`, scale: { kind: 'number', resolution: 0.01 } }
      : k,
  );
