import { View } from 'react-native';
import Svg, { Circle, Line, Rect } from 'react-native-svg';
import { useTheme } from '../theme';
import { useWidth } from '../useWidth';
import { ChartText } from './ChartText';
import { dayTicks, linear } from './geometry';

/** One batch: bought, out of its quarantine, and the tests after it. */
export interface PlanLane {
  label: string;
  buyMs: number;
  releaseMs: number;
  testsMs: readonly number[];
  /** Bought already. */
  begun: boolean;
}

interface Props {
  lanes: readonly PlanLane[];
  fromMs: number;
  toMs: number;
  /** Spans in which nobody is there. */
  away: readonly { fromMs: number; toMs: number }[];
  midnight: (ms: number) => number;
  dayLabel: (ms: number) => string;
  summary: string;
}

const ROW = 46;
const TOP = 8;
const BOTTOM = 28;
const BAR = 12;
const SIDE = 12;

/** Batches over time: the hatched stay in quarantine, a full dot on the day they join, ticks for the tests after. */
export function PlanLanes({ lanes, fromMs, toMs, away, midnight, dayLabel, summary }: Props) {
  const { roles } = useTheme();
  const [width, onLayout] = useWidth();
  const height = TOP + lanes.length * ROW + BOTTOM;
  const x = linear([fromMs, toMs], [SIDE, Math.max(SIDE + 1, width - SIDE)]);
  const bottom = height - BOTTOM;
  return (
    <View onLayout={onLayout} role="img" aria-label={summary} style={{ minHeight: height }}>
      {width > 0 ? (
        <Svg width={width} height={height} aria-hidden>
          {away.map((a) => (
            <Rect
              key={a.fromMs}
              x={x(Math.max(fromMs, a.fromMs))}
              y={TOP}
              width={Math.max(2, x(Math.min(toMs, a.toMs)) - x(Math.max(fromMs, a.fromMs)))}
              height={bottom - TOP}
              fill={roles.sand}
            />
          ))}
          {lanes.map((lane, i) => {
            const y = TOP + i * ROW + 30;
            const [from, to] = [x(Math.max(fromMs, lane.buyMs)), x(lane.releaseMs)];
            return (
              <PlanRow
                key={`${lane.label} ${lane.buyMs}`}
                lane={lane}
                from={from}
                to={to}
                y={y}
                right={width - SIDE}
                tests={lane.testsMs.map(x)}
              />
            );
          })}
          <Line x1={SIDE} x2={width - SIDE} y1={bottom} y2={bottom} stroke={roles.hairline} />
          {dayTicks(fromMs, toMs, Math.max(2, Math.floor(width / 90)), midnight).map((t) => (
            <ChartText key={t} x={Math.min(width - 30, Math.max(30, x(t)))} y={height - 8} anchor="middle">
              {dayLabel(t)}
            </ChartText>
          ))}
        </Svg>
      ) : null}
    </View>
  );
}

function PlanRow({
  lane,
  from,
  to,
  y,
  right,
  tests,
}: {
  lane: PlanLane;
  from: number;
  to: number;
  y: number;
  right: number;
  tests: readonly number[];
}) {
  const { roles } = useTheme();
  // The name stands over its own bar; near the right edge it ends with it.
  const late = from > right - 150;
  return (
    <>
      <ChartText x={late ? right : from} y={y - 12} anchor={late ? 'end' : 'start'} tone="ink" bold>
        {lane.label}
      </ChartText>
      <Rect
        x={from}
        y={y - BAR / 2}
        width={Math.max(2, to - from)}
        height={BAR}
        rx={BAR / 2}
        fill={lane.begun ? roles.go : 'none'}
        fillOpacity={lane.begun ? 0.35 : 1}
        stroke={roles.go}
        strokeWidth={2}
        strokeDasharray={lane.begun ? undefined : '5 4'}
      />
      <Circle cx={to} cy={y} r={8} fill={roles.go} />
      {tests.map((t) => (
        <Line key={t} x1={t} x2={t} y1={y - 7} y2={y + 7} stroke={roles.ink} strokeWidth={2} />
      ))}
    </>
  );
}
