import { Path, Rect } from 'react-native-svg';
import { useTheme } from '../theme';
import { ChartText } from './ChartText';
import { areaPath, linePath, niceTop, type Scale, type XY } from './geometry';

export interface StairStep {
  fromMs: number;
  toMs: number;
  mgN: number;
  label: string;
  planned: boolean;
}

/** What the filter can carry at a moment, mg N a day, and the band it is known in. */
export interface CeilingAt {
  atMs: number;
  mgN: number;
  lowMgN: number;
  highMgN: number;
}

interface Props {
  steps: readonly StairStep[];
  /** Empty when nothing is proved. */
  ceiling: readonly CeilingAt[];
  x: Scale;
  y: Scale;
  /** Of the drawing's own field, px. */
  top: number;
  bottom: number;
  width: number;
}

/** A round top for a stair: today's ceiling is always inside; where it once stood higher it runs along the top. */
export function stairTop(steps: readonly StairStep[], ceiling: readonly CeilingAt[], nowMs: number): number {
  const load = Math.max(4, ...steps.map((s) => s.mgN));
  const ahead = ceiling.filter((c) => c.atMs >= nowMs).map((c) => c.mgN);
  return niceTop(Math.max(load * 1.5, ...ahead.map((mgN) => mgN * 1.15)));
}

/** The ceiling with its band, and the steps under it; planned ones dashed. */
export function StairLayer({ steps, ceiling, x, y, top, bottom, width }: Props) {
  const { roles } = useTheme();
  const within = (mgN: number): number => Math.max(top, y(mgN));
  const at = (of: (c: CeilingAt) => number) => ceiling.map((c) => ({ x: x(c.atMs), y: within(of(c)) }));
  const last = ceiling[ceiling.length - 1];
  const planned = steps.filter((s) => s.planned);
  const isFree = (s: StairStep, beforeMgN: number, from: number, to: number): boolean => {
    const load = [from, to].map((px) => ({ x: px, y: y(beforeMgN) }));
    return ![at((c) => c.mgN), load].some((line) => strikes(line, from, to, beside(y, s.mgN)));
  };
  return (
    <>
      <Path
        d={areaPath(ceiling.map((c) => ({ x: x(c.atMs), y0: within(c.lowMgN), y1: within(c.highMgN) })))}
        fill={roles.sand}
      />
      {[(c: CeilingAt) => c.lowMgN, (c: CeilingAt) => c.highMgN].map((of, i) => (
        <Path
          key={i}
          d={linePath(at(of))}
          fill="none"
          stroke={roles.second}
          strokeWidth={1}
          strokeDasharray="1 4"
        />
      ))}
      <Path d={linePath(at((c) => c.mgN))} fill="none" stroke={roles.ink} strokeWidth={3} />
      {steps.map((s, i) => (
        <Rect
          key={i}
          x={x(s.fromMs)}
          y={y(s.mgN)}
          width={Math.max(0, x(s.toMs) - x(s.fromMs))}
          height={bottom - y(s.mgN)}
          fill={roles.go}
          fillOpacity={s.planned ? 0.22 : 0.8}
        />
      ))}
      <Path
        d={linePath(
          planned.flatMap((s) => [
            { x: x(s.fromMs), y: y(s.mgN) },
            { x: x(s.toMs), y: y(s.mgN) },
          ]),
        )}
        fill="none"
        stroke={roles.go}
        strokeWidth={2.5}
        strokeDasharray="7 5"
      />
      {last ? (
        <ChartText
          x={width - 14}
          y={clearOf(
            at((c) => c.mgN),
            width - 14 - LABEL_WIDTH,
            top,
          )}
          tone="ink"
          bold
          anchor="end"
          size={15}
        >
          {`the filter can carry ${last.mgN.toFixed(0)}`}
        </ChartText>
      ) : null}
      {stairLabels(steps, x, width, isFree).map((l) => (
        <ChartText
          key={l.x}
          x={l.x}
          y={l.isBefore ? beside(y, l.mgN) : y(l.mgN) + (isUnder(ceiling, l.fromMs, y, l.mgN) ? 17 : -7)}
          tone="go"
          bold
        >
          {l.text}
        </ChartText>
      ))}
    </>
  );
}

/** Of "the filter can carry 150", px. */
const LABEL_WIDTH = 190;

/** Where words that reach from a place to the end of a line stand over it, px: above all of the line there, within the field. */
export function clearOf(line: readonly XY[], from: number, top: number): number {
  const firstIn = line.findIndex((p) => p.x >= from);
  const beside = line.slice(Math.max(0, firstIn - 1));
  return Math.max(top + 16, Math.min(...beside.map((p) => p.y)) - 10);
}

/** A name over the step would stand on the ceiling: it stands in the step, where that is high enough. */
function isUnder(ceiling: readonly CeilingAt[], fromMs: number, y: Scale, mgN: number): boolean {
  const above = ceiling.filter((c) => c.atMs >= fromMs).map((c) => y(mgN) - y(c.mgN));
  return Math.min(...above) < 26 && y(0) - y(mgN) > 22;
}

/** How far words reach above their baseline and below it, px. */
const ABOVE = 14;
const BELOW = 5;

/** Does a line run through words that stand between two places? */
export function strikes(line: readonly XY[], from: number, to: number, baseline: number): boolean {
  return line.some((b, i) => {
    const a = line[i - 1];
    if (!a || b.x < from || a.x > to) return false;
    const yAt = (x: number) => (b.x === a.x ? b.y : a.y + ((b.y - a.y) * (x - a.x)) / (b.x - a.x));
    const ends = [yAt(Math.max(a.x, from)), yAt(Math.min(b.x, to))];
    return Math.max(...ends) > baseline - ABOVE && Math.min(...ends) < baseline + BELOW;
  });
}

/** The baseline of a name that stands before its rise: at the height of its step. */
const beside = (y: Scale, mgN: number): number => y(mgN) + 5;

/** The last word of the first name, and how many more come with it. */
function shortNames(label: string): string {
  const [first = label, ...others] = label.split(', ');
  const short = first.split(' ').pop() ?? first;
  return others.length === 0 ? short : `${short} and ${others.length} more`;
}

interface StairLabel {
  x: number;
  fromMs: number;
  mgN: number;
  text: string;
  isBefore: boolean;
}

/** Labels for the steps that have room, the biggest rises first; the last word of a name, as the lists give it whole. Without room to
 *  the right of its rise a name stands before it.
 *  @param isFree may words stand there, from one place to another? Before a rise alone, where lines of what is there before may run */
export function stairLabels(
  steps: readonly StairStep[],
  x: Scale,
  width: number,
  isFree: (s: StairStep, beforeMgN: number, from: number, to: number) => boolean = () => true,
): StairLabel[] {
  const taken: { from: number; to: number }[] = [];
  const wanted = steps
    .map((s, i) => ({ s, beforeMgN: steps[i - 1]?.mgN ?? 0 }))
    .filter(({ s }) => s.label !== '')
    .sort((a, b) => b.s.mgN - b.beforeMgN - (a.s.mgN - a.beforeMgN));
  return wanted.flatMap(({ s, beforeMgN }) => {
    const text = shortNames(s.label);
    const wide = text.length * 8;
    const rise = x(s.fromMs);
    const isBefore = rise + 2 + wide > width;
    const from = isBefore ? Math.max(0, rise - 6 - wide) : rise + 2;
    if (taken.some((t) => from < t.to + 6 && from + wide + 6 > t.from)) return [];
    if (isBefore && !isFree(s, beforeMgN, from, from + wide)) return [];
    taken.push({ from, to: from + wide });
    return [{ x: from, fromMs: s.fromMs, mgN: s.mgN, text, isBefore }];
  });
}
