import { curveMonotoneX, line } from 'd3-shape';
import { View } from 'react-native';
import Svg, { Circle, Line, Path, Rect } from 'react-native-svg';
import { useTheme, useWidth } from '../../ui';
import { ChartText } from '../../ui/charts/ChartText';

/** Six weeks of a start, made up: nitrogen as it rises and falls, and over it the word that each week would have been told. */
const WEEKS: readonly { at: number; word: string; note: string }[] = [
  { at: 0.02, word: 'Wait', note: 'ammonia rises' },
  { at: 0.36, word: 'Wait', note: 'nitrite rises' },
  { at: 0.66, word: 'Test', note: 'both zero?' },
  { at: 0.86, word: 'Go', note: 'small' },
];
const HEIGHT = 250;
const GROUND = 204;
const TOP = 64;

/** Points of a course as shares of width and height, drawn as one smooth line. */
const AMMONIA = [0, 0.03, 0.1, 0.62, 0.2, 0.8, 0.3, 0.5, 0.4, 0.1, 0.5, 0.01, 1, 0.005];
const NITRITE = [0.14, 0.0, 0.28, 0.12, 0.4, 0.6, 0.5, 0.7, 0.58, 0.45, 0.66, 0.06, 0.72, 0.01, 1, 0.005];
const NITRATE = [0.2, 0.0, 0.4, 0.08, 0.55, 0.26, 0.68, 0.46, 0.8, 0.53, 0.855, 0.55];
const AFTER_CHANGE = [0.86, 0.16, 1, 0.2];

const course = (shares: readonly number[], width: number): string =>
  line<number>()
    .x((_, i) => (shares[2 * i] ?? 0) * width)
    .y((_, i) => GROUND - (shares[2 * i + 1] ?? 0) * (GROUND - TOP))
    .curve(curveMonotoneX)(Array<number>(shares.length / 2).fill(0)) ?? '';

/** What the app does, in one picture: readings become a course, and the course a word. */
export function OpeningPicture() {
  const { roles } = useTheme();
  const [width, onLayout] = useWidth();
  return (
    <View
      onLayout={onLayout}
      role="img"
      aria-label="Six weeks of a start: ammonia rises and falls, then nitrite, while nitrate is left; over it the words Wait, Wait, Test, and Go small."
      style={{ minHeight: HEIGHT }}
    >
      {width > 0 ? (
        <Svg width={width} height={HEIGHT} aria-hidden>
          <Rect x={0} y={TOP} width={width} height={GROUND - TOP} fill={roles.wash} />
          {WEEKS.map(({ at, word, note }, i) => (
            <Words key={i} x={at * width} word={word} note={note} go={word === 'Go'} />
          ))}
          <Path d={`${course(AMMONIA, width)}V${GROUND}H0Z`} fill={roles.ammonia} fillOpacity={0.2} />
          <Path d={course(AMMONIA, width)} fill="none" stroke={roles.ammonia} strokeWidth={3} />
          <Path
            d={course(NITRITE, width)}
            fill="none"
            stroke={roles.nitrite}
            strokeWidth={3}
            strokeDasharray="9 5"
          />
          {[NITRATE, AFTER_CHANGE].map((part, i) => (
            <Path
              key={i}
              d={course(part, width)}
              fill="none"
              stroke={roles.nitrate}
              strokeWidth={3}
              strokeDasharray="2 5"
              strokeLinecap="round"
            />
          ))}
          <Line x1={0} x2={width} y1={GROUND} y2={GROUND} stroke={roles.ink} strokeWidth={2} />
          <Circle cx={0.86 * width} cy={GROUND} r={6} fill={roles.action} />
          <ChartText x={0.13 * width} y={TOP + 18} tone="ammonia" bold>
            ammonia
          </ChartText>
          <ChartText x={0.43 * width} y={TOP + 32} tone="nitrite" bold>
            nitrite
          </ChartText>
          <ChartText x={0.7 * width} y={TOP + 54} tone="nitrate" bold>
            nitrate
          </ChartText>
          <ChartText x={0} y={HEIGHT - 22}>
            filled
          </ChartText>
          <ChartText x={width * 0.5} y={HEIGHT - 22} anchor="middle">
            three weeks
          </ChartText>
          <ChartText x={width} y={HEIGHT - 22} anchor="end">
            first animals
          </ChartText>
        </Svg>
      ) : null}
    </View>
  );
}

function Words({ x, word, note, go }: { x: number; word: string; note: string; go: boolean }) {
  return (
    <>
      <ChartText x={x} y={26} tone={go ? 'go' : 'ink'} bold size={22}>
        {word}
      </ChartText>
      <ChartText x={x} y={46}>
        {note}
      </ChartText>
    </>
  );
}
