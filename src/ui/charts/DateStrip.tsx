import { DAY_MS } from '../../../core/time';
import { useId } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Defs, G, Line, LinearGradient, Rect, Stop } from 'react-native-svg';
import { useTheme } from '../theme';
import { useWidth } from '../useWidth';
import { ChartText } from './ChartText';
import { dayTicks, linear } from './geometry';

interface Props {
  nowMs: number;
  lowMs: number;
  midMs: number;
  /** Null when the last tenth lies beyond what is in sight: the band runs out to the right. */
  highMs: number | null;
  /** The drawing in a sentence: "both clear 2 to 6 Dec, likely 4 Dec". */
  summary: string;
  midnight: (ms: number) => number;
  dayLabel: (ms: number) => string;
}

const HEIGHT = 62;
const LINE = 22;
const EDGE = 6;
/** Days shown at least, and at the most when the end is open. */
const SHORTEST = 10;
const OPEN = 1.6;

/** From today to a likely date: a line of days, a band for eight of ten futures, an upright at the middle one. */
export function DateStrip({ nowMs, lowMs, midMs, highMs, summary, midnight, dayLabel }: Props) {
  const { roles } = useTheme();
  const [width, onLayout] = useWidth();
  const id = useId();
  const endMs =
    nowMs + Math.max(SHORTEST * DAY_MS, ((highMs ?? nowMs + (midMs - nowMs) * OPEN) - nowMs) * 1.12);
  const x = linear([nowMs, endMs], [EDGE, Math.max(EDGE + 1, width - EDGE)]);
  const low = x(lowMs);
  const high = highMs === null ? width : x(highMs);
  const ticks = dayTicks(nowMs, endMs, Math.max(3, Math.floor(width / 74)), midnight);
  return (
    <View onLayout={onLayout} role="img" aria-label={summary} style={{ height: HEIGHT }}>
      {width > 0 ? (
        <Svg width={width} height={HEIGHT} aria-hidden>
          <Defs>
            <LinearGradient id={`${id}-open`} x1="0" x2="1" y1="0" y2="0">
              <Stop offset="0.5" stopColor={roles.nitriteFill} stopOpacity={0.6} />
              <Stop offset="1" stopColor={roles.nitriteFill} stopOpacity={0} />
            </LinearGradient>
          </Defs>
          <Line x1={0} x2={width} y1={LINE} y2={LINE} stroke={roles.hairline} strokeWidth={2} />
          <Rect
            x={low}
            y={LINE - 11}
            width={Math.max(10, high - low)}
            height={22}
            rx={11}
            fill={highMs === null ? `url(#${id}-open)` : roles.nitriteFill}
            fillOpacity={highMs === null ? 1 : 0.6}
          />
          {ticks.map((t) => (
            <G key={t}>
              <Line x1={x(t)} x2={x(t)} y1={LINE - 6} y2={LINE + 6} stroke={roles.second} strokeWidth={2} />
              {x(t) > 22 && x(t) < width - 20 ? (
                <ChartText x={x(t)} y={HEIGHT - 8} anchor="middle">
                  {dayLabel(t)}
                </ChartText>
              ) : null}
            </G>
          ))}
          <Circle cx={EDGE} cy={LINE} r={EDGE} fill={roles.ink} />
          <Rect
            x={Math.min(x(midMs), width - 4) - 2}
            y={LINE - 20}
            width={4}
            height={40}
            rx={2}
            fill={roles.ink}
          />
        </Svg>
      ) : null}
    </View>
  );
}
