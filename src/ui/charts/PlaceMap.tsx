import type { MouseEvent } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Line, Path, Rect } from 'react-native-svg';
import { useTheme } from '../theme';
import { useWidth } from '../useWidth';
import { ChartText } from './ChartText';
import { labelSpots, type LabelSpot } from './labels';

export interface MapPiece {
  id: string;
  label: string;
  x: number;
  y: number;
  /** As it is, and grown up. */
  radius: number;
  grown: number;
  chosen: boolean;
  /** Something speaks against its place. */
  wrong: boolean;
  /** Only kept for it. */
  reserved: boolean;
}

interface Props {
  /** Centimetres across and up (or to the back). */
  across: number;
  up: number;
  /** Tinted fields of light: share 0 to 1, with a number. */
  light: readonly { x: number; y: number; width: number; height: number; share: number; par: number }[];
  rocks: readonly { x: number; y: number; width: number; height: number }[];
  /** Where the flow was seen, in a word. */
  flows: readonly { x: number; y: number; label: string }[];
  pieces: readonly MapPiece[];
  summary: string;
  /** Where it was touched, in centimetres. */
  onTouch?: (x: number, y: number) => void;
}

/** One side of the glass, y upwards: light as a tint, rock as blocks, corals as discs with what they reach when grown up as a dashed ring. */
export function PlaceMap({ across, up, light, rocks, flows, pieces, summary, onTouch }: Props) {
  const { roles } = useTheme();
  const [width, onLayout] = useWidth();
  const scale = width / across;
  const height = up * scale;
  // A number only where nothing stands in front of it.
  const bare = (f: Props['light'][number]): boolean => {
    const [x, y] = [f.x + f.width / 2, f.y + f.height / 2];
    const clear = (p: { x: number; y: number }, by: number) => Math.hypot(p.x - x, p.y - y) > by;
    return (
      pieces.every((p) => clear(p, p.grown + f.width / 4)) && flows.every((p) => clear(p, 0.6 * f.width))
    );
  };
  const spots = labelsOf(pieces, flows, scale, { width, height });
  const onClick = ({ currentTarget, clientX, clientY }: MouseEvent<HTMLElement>) => {
    const { left, bottom } = currentTarget.getBoundingClientRect();
    if (scale > 0) onTouch?.((clientX - left) / scale, (bottom - clientY) / scale);
  };
  return (
    <View
      onLayout={onLayout}
      role="img"
      aria-label={summary}
      style={{ minHeight: height, cursor: 'crosshair' as never }}
      {...{ onClick }}
    >
      {width > 0 ? (
        <Svg width={width} height={height} aria-hidden style={{ pointerEvents: 'none' }}>
          <Rect
            x={0}
            y={0}
            width={width}
            height={height}
            fill={roles.paper}
            stroke={roles.edge}
            strokeWidth={2}
          />
          {light.map((f) => (
            <Rect
              key={`${f.x} ${f.y}`}
              x={f.x * scale}
              y={height - (f.y + f.height) * scale}
              width={f.width * scale}
              height={f.height * scale}
              fill={roles.nitriteFill}
              opacity={0.08 + 0.55 * f.share}
            />
          ))}
          {rocks.map((r, i) => (
            <Rect
              key={i}
              x={r.x * scale}
              y={height - (r.y + r.height) * scale}
              width={r.width * scale}
              height={r.height * scale}
              fill={roles.sand}
              stroke={roles.second}
              strokeWidth={1}
              rx={4}
            />
          ))}
          {light.filter(bare).map((f) => (
            <ChartText
              key={`${f.x} ${f.y} par`}
              x={(f.x + f.width / 2) * scale}
              y={height - (f.y + f.height / 2) * scale + 4}
              anchor="middle"
              tone="second"
            >
              {f.par.toFixed(0)}
            </ChartText>
          ))}
          {flows.map((f) => (
            <Flow key={`${f.x} ${f.y}`} x={f.x * scale} y={height - f.y * scale} label={f.label} />
          ))}
          {pieces.map((p) => (
            <Piece key={p.id} piece={p} scale={scale} height={height} spot={spots.get(p.id) ?? null} />
          ))}
        </Svg>
      ) : null}
    </View>
  );
}

const discOf = (piece: MapPiece, scale: number): number => Math.max(5, piece.radius * scale);

/** Where each name stands: the chosen one's first, for it may be the only one with room. */
function labelsOf(
  pieces: readonly MapPiece[],
  flows: Props['flows'],
  scale: number,
  size: { width: number; height: number },
): Map<string, LabelSpot | null> {
  const order = [...pieces].sort((a, b) => Number(b.chosen) - Number(a.chosen));
  const marks = order.map((p) => ({
    label: p.label,
    x: p.x * scale,
    y: size.height - p.y * scale,
    r: discOf(p, scale),
  }));
  const waves = flows.map((f) => ({ x: f.x * scale, y: size.height - f.y * scale, r: WAVE_PX }));
  const spots = labelSpots(marks, size, waves);
  return new Map(order.map((p, i) => [p.id, spots[i] ?? null]));
}

/** Half of what a sign of flow takes, its word with it. */
const WAVE_PX = 14;
const WAVES = { low: 1, medium: 2, high: 3 } as Record<string, number>;

/** As many waves as the flow is strong, and the word. */
function Flow({ x, y, label }: { x: number; y: number; label: string }) {
  const { roles } = useTheme();
  return (
    <>
      {Array.from({ length: WAVES[label] ?? 1 }, (_, i) => (
        <Path
          key={i}
          d={`M${x - 12} ${y - 5 * i}q4 -5 8 0t8 0t8 0`}
          fill="none"
          stroke={roles.nitrate}
          strokeWidth={2}
        />
      ))}
      <ChartText x={x} y={y + 14} anchor="middle" tone="nitrate">
        {label}
      </ChartText>
    </>
  );
}

/** A ring for what it reaches, a disc for what it is; wrong places are crossed as well as coloured. */
function Piece({
  piece,
  scale,
  height,
  spot,
}: {
  piece: MapPiece;
  scale: number;
  height: number;
  spot: LabelSpot | null;
}) {
  const { roles } = useTheme();
  const x = piece.x * scale;
  const y = height - piece.y * scale;
  const colour = piece.wrong ? roles.ammonia : roles.go;
  const r = discOf(piece, scale);
  return (
    <>
      <Circle
        cx={x}
        cy={y}
        r={piece.grown * scale}
        fill="none"
        stroke={colour}
        strokeWidth={1.5}
        strokeDasharray="5 4"
      />
      <Circle
        cx={x}
        cy={y}
        r={r}
        fill={piece.reserved ? roles.paper : colour}
        stroke={piece.chosen ? roles.action : colour}
        strokeWidth={piece.chosen ? 4 : 2}
      />
      {piece.wrong ? (
        <>
          <Line x1={x - r} y1={y - r} x2={x + r} y2={y + r} stroke={roles.ink} strokeWidth={2} />
          <Line x1={x - r} y1={y + r} x2={x + r} y2={y - r} stroke={roles.ink} strokeWidth={2} />
        </>
      ) : null}
      {spot ? (
        <ChartText {...spot} tone="ink" bold>
          {piece.label}
        </ChartText>
      ) : null}
    </>
  );
}
