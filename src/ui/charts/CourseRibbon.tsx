import { Path } from 'react-native-svg';
import type { Stretch } from '../../../core/monitor';
import { useTheme } from '../theme';
import { areaPath, linePath, type Scale } from './geometry';

/** A device's course: from the lowest to the highest of each stretch, its mean as a line; open where nothing came. */
export function CourseRibbon({ stretches, x, y }: { stretches: readonly Stretch[]; x: Scale; y: Scale }) {
  const { roles } = useTheme();
  const runs = runsOf(stretches).map(cornersOf);
  const span = runs.map((run) =>
    areaPath(run.map(({ ms, of }) => ({ x: x(ms), y0: y(of.low), y1: y(of.high) }))),
  );
  const mean = runs.map((run) => linePath(run.map(({ ms, of }) => ({ x: x(ms), y: y(of.mean) }))));
  return (
    <>
      <Path d={span.join('')} fill={roles.second} fillOpacity={0.28} />
      <Path d={mean.join('')} fill="none" stroke={roles.second} strokeWidth={1.5} />
    </>
  );
}

/** Stretches that follow one another without a gap. */
function runsOf(stretches: readonly Stretch[]): Stretch[][] {
  const runs: Stretch[][] = [];
  for (const s of stretches) {
    const run = runs[runs.length - 1];
    if (run && run[run.length - 1]?.toMs === s.fromMs) run.push(s);
    else runs.push([s]);
  }
  return runs;
}

/** Where a run is drawn: at the middle of each stretch, from the very beginning of the first to the end of the last. */
const cornersOf = (run: readonly Stretch[]): { ms: number; of: Stretch }[] =>
  run.flatMap((of, i) => [
    ...(i === 0 ? [{ ms: of.fromMs, of }] : []),
    { ms: (of.fromMs + of.toMs) / 2, of },
    ...(i === run.length - 1 ? [{ ms: of.toMs, of }] : []),
  ]);
