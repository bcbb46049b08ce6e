import { createElement, type ComponentProps } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Defs, G, Line, Path, Pattern, Rect } from 'react-native-svg';
import { DAY_MS } from '../../../core/time';
import { useTheme } from '../theme';
import { useWidth } from '../useWidth';
import { ChartText } from './ChartText';
import { dayTicks, linear, niceTicks, type Scale, type TimeAxis } from './geometry';
import { StairLayer, stairTop, type CeilingAt, type StairStep } from './StairLayer';

/** A batch in its quarantine: bought, seen clear, let in. */
export interface PlanBar {
  key: string;
  /** Who is in it. */
  names: readonly string[];
  buyMs: number;
  /** Its clock is over. */
  clearMs: number;
  releaseMs: number;
  /** Bought already. */
  begun: boolean;
  /** Another day tried: both days of the batch then. */
  tried: { buyMs: number; releaseMs: number } | null;
}

export interface PlanGroup {
  title: string;
  note: string;
  bars: readonly PlanBar[];
}

interface Props extends TimeAxis {
  steps: readonly StairStep[];
  ceiling: readonly CeilingAt[];
  groups: readonly PlanGroup[];
  /** Days after a release in which nothing with a load may follow. */
  settling: readonly { fromMs: number; toMs: number }[];
  testsMs: readonly number[];
  away: readonly { fromMs: number; toMs: number }[];
  /** The day a batch is let in, moved by hand: whole days after `fromMs`. */
  onMove: (key: string, days: number) => void;
  /** The day in words, for whoever listens. */
  dayWords: (days: number) => string;
}

const LEFT = 34;
const RIGHT = 24;
const TOP = 30;
const STAIR = 190;
/** The strip of settling and tests under the stair. */
const STRIP = 16;
const GROUP = 30;
const ROW = 54;
const BAR = 12;
const BAR_Y = 34;
const HANDLE = 44;
const BOTTOM = 26;
/** What a printed page has room for, px: a browser lays nothing out anew before it takes its picture. */
const SHEET = 640;
/** A letter's width, px. */
const LETTER = 7.5;

/** All names of a batch for whoever listens. */
const labelOf = ({ names }: PlanBar): string => names.join(', ');

/** As many names as a line has room for, the others counted; a name alone is cut where it must be.
 *  @param room px */
export function namesWithin(names: readonly string[], room: number): string {
  const letters = Math.floor(room / LETTER);
  for (let shown = names.length; shown > 0; shown--) {
    const others = names.length - shown;
    const text = `${names.slice(0, shown).join(', ')}${others > 0 ? ` and ${others} more` : ''}`;
    if (text.length <= letters) return text;
  }
  const others = names.length > 1 ? ` and ${names.length - 1} more` : '';
  const first = names[0] ?? '';
  return `${first.slice(0, Math.max(1, letters - others.length - 1))}…${others}`;
}

interface Placed {
  bar: PlanBar;
  y: number;
}

/** Where the groups and their bars stand, one under the other. */
function placedOf(groups: readonly PlanGroup[]): {
  heads: { group: PlanGroup; y: number }[];
  bars: Placed[];
  bottom: number;
} {
  let y = TOP + STAIR + STRIP + 12;
  const bars: Placed[] = [];
  const heads = groups.map((group) => {
    const head = { group, y };
    y += GROUP;
    for (const bar of group.bars) {
      bars.push({ bar, y });
      y += ROW;
    }
    return head;
  });
  return { heads, bars, bottom: y };
}

/** A plan in one drawing over time: the stair of load under its ceiling, the days it settles with their tests, and the batches in their
 *  quarantines, each of which can be moved to another day by its dot. */
export function PlanDrawing(props: Props) {
  const { groups, fromMs, toMs, steps, ceiling, settling, testsMs, away, midnight, dayLabel, summary } =
    props;
  const { roles, printing } = useTheme();
  const [onScreen, onLayout] = useWidth();
  const width = printing ? Math.max(onScreen, SHEET) : onScreen;
  const { heads, bars, bottom } = placedOf(groups);
  const height = bottom + BOTTOM;
  const right = Math.max(LEFT + 1, width - RIGHT);
  const x = linear([fromMs, toMs], [LEFT, right]);
  const most = stairTop(steps, ceiling, fromMs);
  const ground = TOP + STAIR;
  const y = linear([0, most], [ground, TOP]);
  return (
    <View onLayout={onLayout} style={{ minHeight: height }}>
      <View role="img" aria-label={summary}>
        {width > 0 ? (
          <Svg width={width} height={height} aria-hidden>
            <Hatch />
            {away.map((a) => (
              <Away key={a.fromMs} from={x(a.fromMs)} to={x(a.toMs)} bottom={bottom} height={height} />
            ))}
            {dayTicks(fromMs, toMs, Math.max(2, Math.floor((width - LEFT) / 78)), midnight).map((t) => (
              <G key={t}>
                <Line x1={x(t)} x2={x(t)} y1={TOP - 8} y2={bottom} stroke={roles.hairline} />
                <ChartText x={x(t)} y={15} anchor="middle">
                  {dayLabel(t)}
                </ChartText>
              </G>
            ))}
            {niceTicks(0, most, 3).map((t) => (
              <ChartText key={t} x={LEFT - 6} y={y(t) + 5} anchor="end">
                {String(t)}
              </ChartText>
            ))}
            <StairLayer
              steps={steps}
              ceiling={ceiling}
              x={x}
              y={y}
              top={TOP}
              bottom={ground}
              width={right + 10}
            />
            <Line x1={LEFT} x2={right} y1={ground} y2={ground} stroke={roles.second} />
            {settling.map((s) => (
              <Rect
                key={s.fromMs}
                x={x(s.fromMs)}
                y={ground + 3}
                width={Math.max(1, x(Math.min(toMs, s.toMs)) - x(s.fromMs))}
                height={STRIP - 4}
                fill="url(#settling)"
                stroke={roles.second}
                strokeWidth={0.75}
              />
            ))}
            {testsMs.map((t) => (
              <Line
                key={t}
                x1={x(t)}
                x2={x(t)}
                y1={ground + 1}
                y2={ground + STRIP + 1}
                stroke={roles.ink}
                strokeWidth={2}
              />
            ))}
            {/* All before the first name: they pass behind it. */}
            {bars.map(({ bar, y: top }) => (
              <Line
                key={bar.key}
                x1={x(Math.max(fromMs, bar.releaseMs))}
                x2={x(Math.max(fromMs, bar.releaseMs))}
                y1={ground + STRIP}
                y2={top + BAR_Y}
                stroke={roles.go}
                strokeWidth={1.5}
                strokeDasharray="2 4"
              />
            ))}
            {heads.map(({ group, y: top }) => (
              <G key={group.title}>
                <Name text={group.title} x={0} y={top + 18} tone="ink" bold />
                <Name text={group.note} x={width} y={top + 18} anchor="end" />
              </G>
            ))}
            {bars.map(({ bar, y: top }) => (
              <Batch key={bar.key} bar={bar} top={top} x={x} fromMs={fromMs} right={width} />
            ))}
          </Svg>
        ) : null}
      </View>
      {width > 0
        ? bars.map(({ bar, y: top }) => (
            <Handle key={bar.key} bar={bar} top={top} left={LEFT} width={right - LEFT} {...props} />
          ))
        : null}
    </View>
  );
}

/** Words on a ground of their own: what passes behind them does not cross them. */
function Name({
  text,
  ...at
}: { text: string } & Pick<ComponentProps<typeof ChartText>, 'x' | 'y' | 'anchor' | 'tone' | 'bold'>) {
  const { roles } = useTheme();
  const wide = text.length * LETTER;
  return (
    <G>
      <Rect
        x={at.anchor === 'end' ? at.x - wide : at.x}
        y={at.y - 14}
        width={wide}
        height={18}
        fill={roles.ground}
        fillOpacity={0.85}
      />
      <ChartText {...at}>{text}</ChartText>
    </G>
  );
}

/** Days in which nothing may follow: hatched, so that they stand apart in grey. */
function Hatch() {
  const { roles } = useTheme();
  return (
    <Defs>
      <Pattern id="settling" width={6} height={6} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <Line x1={1} y1={0} x2={1} y2={6} stroke={roles.second} strokeWidth={1.5} />
      </Pattern>
    </Defs>
  );
}

function Away({ from, to, bottom, height }: { from: number; to: number; bottom: number; height: number }) {
  const { roles } = useTheme();
  const start = Math.max(LEFT, from);
  const wide = Math.max(2, to - start);
  return (
    <>
      <Rect x={start} y={TOP - 8} width={wide} height={bottom - TOP + 8} fill={roles.sand} />
      <ChartText x={start + wide / 2} y={height - 8} anchor="middle">
        away
      </ChartText>
    </>
  );
}

function Batch({
  bar,
  top,
  x,
  fromMs,
  right,
}: {
  bar: PlanBar;
  top: number;
  x: Scale;
  fromMs: number;
  right: number;
}) {
  const { roles } = useTheme();
  const y = top + BAR_Y;
  const [from, clear, to] = [bar.buyMs, bar.clearMs, bar.releaseMs].map((ms) => x(Math.max(fromMs, ms))) as [
    number,
    number,
    number,
  ];
  // The name stands over its own bar; near the right edge it ends with it.
  const name = namesWithin(bar.names, right);
  const late = from + name.length * LETTER > right;
  const { tried } = bar;
  return (
    <G>
      <Name text={name} x={late ? right : from} y={y - 12} anchor={late ? 'end' : 'start'} tone="ink" bold />
      <Line x1={clear} x2={to} y1={y} y2={y} stroke={roles.go} strokeWidth={2.5} strokeDasharray="2 4" />
      <Rect
        x={from}
        y={y - BAR / 2}
        width={Math.max(2, Math.min(clear, to) - from)}
        height={BAR}
        rx={BAR / 2}
        fill={roles.go}
        fillOpacity={bar.begun ? 0.9 : 0.35}
        stroke={roles.go}
        strokeWidth={2}
      />
      {bar.begun ? null : (
        <Circle cx={from} cy={y} r={7} fill={roles.ground} stroke={roles.go} strokeWidth={3} />
      )}
      <Circle cx={to} cy={y} r={8} fill={roles.go} />
      {tried ? (
        <>
          <Path
            d={`M${x(Math.max(fromMs, tried.buyMs))} ${y}H${x(Math.max(fromMs, tried.releaseMs))}`}
            stroke={roles.action}
            strokeWidth={4}
            strokeDasharray="8 5"
          />
          <Circle
            cx={x(Math.max(fromMs, tried.releaseMs))}
            cy={y}
            r={10}
            fill={roles.ground}
            stroke={roles.action}
            strokeWidth={4}
          />
        </>
      ) : null}
    </G>
  );
}

/** The dot as a control of its own: dragged, or moved with the arrow keys. The track lets every touch through. */
function Handle({
  bar,
  top,
  left,
  width,
  fromMs,
  toMs,
  onMove,
  dayWords,
}: Props & { bar: PlanBar; top: number; left: number; width: number }) {
  const daysOf = (ms: number): number => Math.round((ms - fromMs) / DAY_MS);
  const most = Math.max(1, daysOf(toMs));
  const value = Math.max(0, daysOf(bar.tried?.releaseMs ?? bar.releaseMs));
  return createElement('input', {
    type: 'range',
    className: 'handle',
    min: 0,
    max: most,
    step: 1,
    value,
    'aria-label': `Let in: ${labelOf(bar)}`,
    'aria-valuetext': dayWords(value),
    onChange: (event: { target: { value: string } }) => onMove(bar.key, Number(event.target.value)),
    style: {
      position: 'absolute',
      top: top + BAR_Y - HANDLE / 2,
      left: left - HANDLE / 2,
      width: width + HANDLE,
      height: HANDLE,
      margin: 0,
    },
  });
}
