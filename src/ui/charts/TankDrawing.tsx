import { View } from 'react-native';
import Svg, { Line, Path, Rect } from 'react-native-svg';
import { useTheme } from '../theme';
import { useWidth } from '../useWidth';
import { Txt } from '../Txt';
import { ChartText } from './ChartText';
import { tankShape, type TankMeasures } from './tankShape';
import { styleSheet } from '../styleSheet';

interface Props {
  measures: TankMeasures;
  /** Length and water height in the person's units, at the lines that measure them; empty where unknown. */
  lengthLabel: string;
  heightLabel: string;
  /** "139 L", and below it its doubt; null until it is known. */
  volume: { net: string; doubt: string } | null;
  summary: string;
}

const HIGHEST = 230;
const MARGIN = { left: 2, top: 22, right: 62, bottom: 40 };

/** The front of the tank to scale: it takes its shape and fills as its numbers are typed. */
export function TankDrawing({ measures, lengthLabel, heightLabel, volume, summary }: Props) {
  const { roles } = useTheme();
  const [width, onLayout] = useWidth();
  const inside = Math.max(0, Math.min(width, 560) - MARGIN.left - MARGIN.right);
  const shape = tankShape(measures, inside, HIGHEST);
  const { glass, waterY, sandY, heaps } = shape;
  const foot = glass.y + glass.height;
  const right = glass.x + glass.width;
  return (
    <View onLayout={onLayout} role="img" aria-label={summary} style={styles.room}>
      {width > 0 ? (
        <Svg
          width={inside + MARGIN.left + MARGIN.right}
          height={foot + MARGIN.top + MARGIN.bottom}
          viewBox={`${-MARGIN.left} ${-MARGIN.top} ${inside + MARGIN.left + MARGIN.right} ${foot + MARGIN.top + MARGIN.bottom}`}
          aria-hidden
        >
          {waterY === null ? null : (
            <>
              <Rect x={glass.x} y={waterY} width={glass.width} height={foot - waterY} fill={roles.wash} />
              <Path d={waterline(glass.x, right, waterY)} stroke={roles.go} strokeWidth={3} fill="none" />
            </>
          )}
          {heaps.map((heap, i) => (
            <Path
              key={i}
              d={`M${heap.points.map(([x, y]) => `${x} ${y}`).join('L')}Z`}
              fill={roles.second}
              fillOpacity={heap.guessed ? 0.18 : 0.4}
              stroke={roles.second}
              strokeOpacity={heap.guessed ? 0.5 : 0}
              strokeDasharray="5 4"
            />
          ))}
          <Rect x={glass.x} y={sandY} width={glass.width} height={foot - sandY} fill={roles.hairline} />
          <Rect
            x={glass.x}
            y={glass.y}
            width={glass.width}
            height={glass.height}
            fill="none"
            stroke={roles.ink}
            strokeWidth={3}
            strokeDasharray={shape.guessed ? '9 6' : undefined}
          />
          {lengthLabel ? (
            <>
              <Line x1={glass.x} x2={right} y1={foot + 14} y2={foot + 14} stroke={roles.second} />
              <Line x1={glass.x} x2={glass.x} y1={foot + 8} y2={foot + 20} stroke={roles.second} />
              <Line x1={right} x2={right} y1={foot + 8} y2={foot + 20} stroke={roles.second} />
              <ChartText x={(glass.x + right) / 2} y={foot + 34} anchor="middle" tone="ink" bold size={15}>
                {lengthLabel}
              </ChartText>
            </>
          ) : null}
          {heightLabel && waterY !== null ? (
            <>
              <Line x1={right + 12} x2={right + 12} y1={waterY} y2={foot} stroke={roles.second} />
              <Line x1={right + 6} x2={right + 18} y1={waterY} y2={waterY} stroke={roles.second} />
              <Line x1={right + 6} x2={right + 18} y1={foot} y2={foot} stroke={roles.second} />
              <ChartText x={right + 4} y={waterY - 8} tone="ink" bold size={15}>
                {heightLabel}
              </ChartText>
            </>
          ) : null}
        </Svg>
      ) : null}
      {volume ? (
        <View
          style={[styles.volume, { width: inside, top: MARGIN.top + (waterY ?? 0) + 14, left: MARGIN.left }]}
          aria-hidden
        >
          <Txt kind="number">{volume.net}</Txt>
          <Txt kind="small" tone="second">
            {volume.doubt}
          </Txt>
        </View>
      ) : null}
    </View>
  );
}

/** Waves from side to side, as many as fit whole. */
function waterline(from: number, to: number, y: number): string {
  const waves = Math.max(1, Math.round((to - from) / 80));
  const half = (to - from) / waves / 2;
  return `M${from} ${y}${` q${half / 2} -8 ${half} 0 t${half} 0`.repeat(waves)}`;
}

const styles = styleSheet({
  room: { minHeight: 120 },
  volume: { position: 'absolute', alignItems: 'center' },
});
