/** A small drawing of a course as SVG text, for a page that draws nothing itself. */
import { linear, linePath, niceTicks, niceTop } from '../../ui/charts/geometry';
import { escaped } from '../shell/sheetHtml';

/** On paper, and on a screen, where a phone has no more and the letters must not shrink. */
export const PAPER_WIDTH = 640;
export const SCREEN_WIDTH = 348;
const HEIGHT = 150;
const LEFT = 48;
const BOTTOM = 22;
const TOP = 8;

/** Of more no reading can be told from the next: the line alone is drawn. */
const MOST_DOTS = 200;

/** What a device showed in a stretch of time. */
export interface Band {
  fromMs: number;
  toMs: number;
  low: number;
  mean: number;
  high: number;
}

/** @param points what was read by hand, each a dot
 *  @param bands what a device showed, a band from the lowest to the highest with its mean as a line */
export function trendSvg(
  points: readonly { atMs: number; value: number }[],
  bands: readonly Band[],
  fromMs: number,
  toMs: number,
  day: (ms: number) => string,
  name: string,
  width: number = PAPER_WIDTH,
): string {
  const values = [...points.map((p) => p.value), ...bands.flatMap((b) => [b.low, b.high])];
  const [low, high] = [Math.min(...values), Math.max(...values)];
  // What stays near one value is not drawn from nothing: salinity, pH.
  const base = low > 0.5 * high ? low - 0.15 * (high - low || 0.1 * high) : 0;
  const top = base === 0 ? niceTop(high) : high + 0.15 * (high - low || 0.1 * high);
  const x = linear([fromMs, toMs], [LEFT, width - 8]);
  const y = linear([base, top], [HEIGHT - BOTTOM, TOP]);
  const ticks = niceTicks(base, top, 3)
    .flatMap((t) => {
      const at = y(t).toFixed(1);
      return [
        `<line x1="${LEFT}" x2="${width}" y1="${at}" y2="${at}" stroke="#d6cebb"/>`,
        `<text x="${LEFT - 6}" y="${(y(t) + 5).toFixed(1)}" text-anchor="end">${Number(t.toFixed(4))}</text>`,
      ];
    })
    .join('');
  const path = linePath(points.map((p) => ({ x: x(p.atMs), y: y(p.value) })));
  const marks = (points.length > MOST_DOTS ? [] : points)
    .map((p) => `<circle cx="${x(p.atMs).toFixed(1)}" cy="${y(p.value).toFixed(1)}" r="3.5"/>`)
    .join('');
  const middle = (b: Band) => x((b.fromMs + b.toMs) / 2);
  const device = withoutGaps(bands)
    .map((run) => {
      const above = run.map((b) => ({ x: middle(b), y: y(b.high) }));
      const below = run.map((b) => ({ x: middle(b), y: y(b.low) })).reverse();
      const mean = linePath(run.map((b) => ({ x: middle(b), y: y(b.mean) })));
      return [
        `<path d="${linePath([...above, ...below])}Z" fill="#b9c2bb" stroke="#b9c2bb"/>`,
        `<path d="${mean}" fill="none" stroke="#6a7670" stroke-width="1.5"/>`,
      ].join('');
    })
    .join('');
  const label = escaped(`${name} from ${day(fromMs)} to ${day(toMs)}`);
  const size = `viewBox="0 0 ${width} ${HEIGHT}" width="${width}" height="${HEIGHT}"`;
  const look = 'font-family="sans-serif" font-size="14" fill="#15231e"';
  return [
    `<svg ${size} role="img" aria-label="${label}" ${look}>`,
    ticks,
    device,
    `<path d="${path}" fill="none" stroke="#15231e" stroke-width="2"/>`,
    marks,
    `<text x="${LEFT}" y="${HEIGHT - 4}">${escaped(day(fromMs))}</text>`,
    `<text x="${width - 8}" y="${HEIGHT - 4}" text-anchor="end">${escaped(day(toMs))}</text>`,
    '</svg>',
  ].join('');
}

/** Stretches that follow one on the other, each such run by itself. */
function withoutGaps(bands: readonly Band[]): Band[][] {
  const runs: Band[][] = [];
  for (const b of bands) {
    const run = runs.at(-1);
    if (run && run.at(-1)?.toMs === b.fromMs) run.push(b);
    else runs.push([b]);
  }
  return runs;
}
