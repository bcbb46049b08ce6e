import type { Stretch } from '../../../core/monitor';
import { DAY_MS } from '../../../core/time';
import { useEffect, useId, useRef, useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, ClipPath, Defs, G, Line, Path, Rect } from 'react-native-svg';
import { Button } from '../Button';
import { Row } from '../layout';
import { useTheme } from '../theme';
import { useWidth } from '../useWidth';
import { ChartText } from './ChartText';
import { CourseRibbon } from './CourseRibbon';
import { dayTicks, linear, linePath, niceTicks } from './geometry';
import { inWindow, thinned, type TimePoint } from './thinning';
import { styleSheet } from '../styleSheet';

/** What a device showed, in the values drawn: as many stretches of a window as there is room for. */
export interface DrawnCourse {
  firstMs: number;
  lastMs: number;
  within: (fromMs: number, toMs: number, most: number) => readonly Stretch[];
}

interface Props {
  points: readonly TimePoint[];
  /** A device's course beside the points; null without a device. */
  course?: DrawnCourse | null;
  /** Width of the window at first, days. */
  days?: number;
  /** Target band and alarms; null without any. */
  band: { low: number; high: number; alarmLow: number; alarmHigh: number } | null;
  marks: { atMs: number; label: string; kind: 'event' | 'calibration' }[];
  unit: string;
  format: (value: number) => string;
  midnight: (ms: number) => number;
  dayLabel: (ms: number) => string;
  summary: string;
  nowMs: number;
}

const HEIGHT = 260;
const LEFT = 50;
const RIGHT = 12;
const TOP = 24;
const BOTTOM = 30;
const RANGES = [
  { days: 2, label: '2 days' },
  { days: 14, label: '2 weeks' },
  { days: 90, label: '3 months' },
  { days: 365, label: 'a year' },
] as const;

/** Pixels that a stretch of a device's course has at least. */
const STRETCH_PX = 2;

/** One parameter through time: band, readings with what they leave open, a device's course, events and calibrations. Drag or arrow keys move
 *  the window, plus and minus change its width. Only what is in the window is drawn, thinned to the pixels there are. */
export function TimeChart({
  points,
  course = null,
  days = 90,
  band,
  marks,
  unit,
  format,
  midnight,
  dayLabel,
  summary,
  nowMs,
}: Props) {
  const { roles } = useTheme();
  const [width, onLayout] = useWidth();
  const begins = Math.min(points[0]?.atMs ?? Infinity, course?.firstMs ?? Infinity);
  const ends = Math.max(points[points.length - 1]?.atMs ?? -Infinity, course?.lastMs ?? -Infinity);
  const first = Number.isFinite(begins) ? begins : nowMs - 14 * DAY_MS;
  const last = Math.max(Number.isFinite(ends) ? ends : nowMs, first + DAY_MS);
  const [view, setView] = useState(() => ({
    from: Math.max(first - DAY_MS / 2, last - days * DAY_MS),
    to: last + DAY_MS / 2,
  }));
  const span = view.to - view.from;
  const inside = useId();
  const move = (by: number) =>
    setView((v) => {
      const shift = Math.min(Math.max(by, first - DAY_MS - v.from), last + DAY_MS - v.to);
      return first - DAY_MS > v.from && last + DAY_MS < v.to ? v : { from: v.from + shift, to: v.to + shift };
    });
  const zoom = (days: number) =>
    setView((v) => {
      const end = Math.min(v.to, last + DAY_MS / 2);
      return { from: Math.max(end - days * DAY_MS, first - DAY_MS / 2), to: end };
    });
  const drag = useDrag((pixels) => move((-pixels / Math.max(1, width - LEFT - RIGHT)) * span));

  // The web's own event, which the typed View does not list.
  const keys: object = {
    onKeyDown: (event: KeyEvent) => {
      const key = event.nativeEvent.key;
      if (key === 'ArrowLeft') move(-span / 4);
      else if (key === 'ArrowRight') move(span / 4);
      else if (key === '+') zoom(span / DAY_MS / 1.6);
      else if (key === '-') zoom((span / DAY_MS) * 1.6);
      else return;
      event.preventDefault();
    },
  };

  const shown = inWindow(points, view.from, view.to);
  const pixels = Math.max(60, width - LEFT - RIGHT);
  const drawn = thinned(shown, view.from, view.to, pixels);
  const stretches = course?.within(view.from, view.to, Math.floor(pixels / STRETCH_PX)) ?? [];
  const lows = [...drawn, ...stretches].map((p) => p.low);
  const highs = [
    ...drawn.map((p) => (Number.isFinite(p.high) ? p.high : p.mid)),
    ...stretches.map((s) => s.high),
  ];
  const edges = [...(band ? [band.low, band.high] : []), ...lows, ...highs];
  const min = edges.length > 0 ? edges.reduce((a, b) => Math.min(a, b)) : 0;
  const max = edges.length > 0 ? edges.reduce((a, b) => Math.max(a, b)) : 1;
  const pad = (max - min || Math.abs(max) * 0.1 || 1) * 0.12;
  const x = linear([view.from, view.to], [LEFT, Math.max(LEFT + 1, width - RIGHT)]);
  const y = linear([min - pad, max + pad], [HEIGHT - BOTTOM, TOP]);
  const clampY = (v: number) => Math.min(HEIGHT - BOTTOM, Math.max(TOP, y(v)));
  const few = drawn.length <= 90;
  const trusted = drawn.filter((p) => !p.doubted);
  const whiskers = drawn
    .map(
      (p) =>
        `M${x(p.atMs).toFixed(1)} ${clampY(p.low).toFixed(1)}V${clampY(Number.isFinite(p.high) ? p.high : p.mid * 1.3).toFixed(1)}`,
    )
    .join('');

  return (
    <View style={styles.all}>
      <Row wrap>
        {RANGES.filter((r) => (course || r.days > 2) && r.days * DAY_MS < last - first).map((r) => (
          <Button key={r.days} kind="quiet" label={r.label} onPress={() => zoom(r.days)} />
        ))}
        <Button
          kind="quiet"
          label="all"
          name="all: show the whole history"
          onPress={() => setView({ from: first - DAY_MS / 2, to: last + DAY_MS / 2 })}
        />
      </Row>
      <View
        onLayout={onLayout}
        role="group"
        aria-label={`${summary} Arrow keys move the window, plus and minus change its width.`}
        tabIndex={0}
        style={styles.area}
        {...drag}
        {...keys}
      >
        {width > 0 ? (
          <Svg width={width} height={HEIGHT} aria-hidden>
            {band ? (
              <Rect
                x={LEFT}
                y={clampY(band.high)}
                width={Math.max(1, width - LEFT - RIGHT)}
                height={Math.max(1, clampY(band.low) - clampY(band.high))}
                fill={roles.wash}
              />
            ) : null}
            {niceTicks(min - pad, max + pad, 4).map((t) => (
              <G key={t}>
                <Line x1={LEFT} x2={width - RIGHT} y1={y(t)} y2={y(t)} stroke={roles.hairline} />
                <ChartText x={LEFT - 6} y={y(t) + 5} anchor="end">
                  {format(t)}
                </ChartText>
              </G>
            ))}
            {band && clampY(band.high) > TOP ? (
              <ChartText x={width - RIGHT - 4} y={clampY(band.high) + 14} anchor="end" tone="go" bold>
                aim
              </ChartText>
            ) : null}
            <ChartText x={4} y={14}>
              {unit}
            </ChartText>
            {marks
              .filter((m) => m.atMs >= view.from && m.atMs <= view.to)
              .slice(-60)
              .map((m, i) => (
                <G key={i}>
                  <Line
                    x1={x(m.atMs)}
                    x2={x(m.atMs)}
                    y1={TOP}
                    y2={HEIGHT - BOTTOM}
                    stroke={m.kind === 'calibration' ? roles.action : roles.edge}
                    strokeWidth={m.kind === 'calibration' ? 2 : 1}
                    strokeDasharray={m.kind === 'calibration' ? '6 3' : '1 4'}
                  />
                  {m.kind === 'calibration' ? (
                    <ChartText x={x(m.atMs) + 4} y={TOP + 10} tone="action" bold>
                      {m.label}
                    </ChartText>
                  ) : null}
                </G>
              ))}
            <Defs>
              <ClipPath id={inside}>
                {/* Room for half a dot beyond the edges. */}
                <Rect
                  x={LEFT - 6}
                  y={TOP - 6}
                  width={width - LEFT - RIGHT + 12}
                  height={HEIGHT - TOP - BOTTOM + 12}
                />
              </ClipPath>
            </Defs>
            <G clipPath={`url(#${inside})`}>
              <CourseRibbon stretches={stretches} x={x} y={clampY} />
              <Path d={whiskers} stroke={roles.nitrate} strokeWidth={1.5} strokeOpacity={0.55} />
              <Path
                d={linePath(trusted.map((p) => ({ x: x(p.atMs), y: y(p.mid) })))}
                fill="none"
                stroke={roles.nitrate}
                strokeWidth={2.5}
              />
              {few
                ? drawn.map((p, i) =>
                    p.doubted ? (
                      <ChartText key={i} x={x(p.atMs)} y={y(p.mid) + 5} anchor="middle" tone="nitrite" bold>
                        ?
                      </ChartText>
                    ) : (
                      <Circle
                        key={i}
                        cx={x(p.atMs)}
                        cy={y(p.mid)}
                        r={4.5}
                        fill={p.joined ? roles.ground : roles.nitrate}
                        stroke={roles.nitrate}
                        strokeWidth={2}
                      />
                    ),
                  )
                : null}
            </G>
            {dayTicks(view.from, view.to, Math.max(2, Math.floor((width - LEFT - RIGHT) / 66)), midnight).map(
              (t) => (
                <ChartText key={t} x={x(t)} y={HEIGHT - 8} anchor="middle">
                  {dayLabel(t)}
                </ChartText>
              ),
            )}
          </Svg>
        ) : null}
      </View>
    </View>
  );
}

interface KeyEvent {
  nativeEvent: { key: string };
  preventDefault: () => void;
}
interface Pointer {
  nativeEvent: { clientX: number; pointerId: number };
}

/** Horizontal drag, told at most once a frame. */
function useDrag(onMove: (pixels: number) => void) {
  const at = useRef<number | null>(null);
  const gathered = useRef(0);
  const frame = useRef(0);
  const tell = useRef(onMove);
  useEffect(() => {
    tell.current = onMove;
  });
  useEffect(() => () => cancelAnimationFrame(frame.current), []);
  return {
    onPointerDown: (e: Pointer) => {
      at.current = e.nativeEvent.clientX;
    },
    onPointerMove: (e: Pointer) => {
      if (at.current === null) return;
      gathered.current += e.nativeEvent.clientX - at.current;
      at.current = e.nativeEvent.clientX;
      if (frame.current !== 0) return;
      frame.current = requestAnimationFrame(() => {
        frame.current = 0;
        tell.current(gathered.current);
        gathered.current = 0;
      });
    },
    onPointerUp: () => {
      at.current = null;
    },
    onPointerLeave: () => {
      at.current = null;
    },
  };
}

const styles = styleSheet({
  all: { gap: 4 },
  // Vertical strokes scroll the page, horizontal ones move the window.
  area: { minHeight: HEIGHT, touchAction: 'pan-y', userSelect: 'none', cursor: 'pointer' } as object,
});
