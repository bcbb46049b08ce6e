import { View } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect } from 'react-native-svg';
import type { NitrogenSpecies } from '../../../core/units';
import { useTheme } from '../theme';
import { useWidth } from '../useWidth';
import { ChartText } from './ChartText';
import { dayTicks, linear, linePath, niceTicks, niceTop, type TimeAxis } from './geometry';
import { apart, thinnedBy } from './thinning';

export interface StripPoint {
  atMs: number;
  low: number;
  mid: number;
  high: number;
  /** Kept, not trusted: drawn hollow with a question mark. */
  doubted: boolean;
}

export interface StripSeries {
  species: NitrogenSpecies;
  /** "mg/L NO₂". */
  unit: string;
  points: StripPoint[];
}

interface Props extends TimeAxis {
  series: StripSeries[];
  events: { atMs: number; label: string }[];
}

/** Marks that stand closer than this cover one another. */
const MARK_PX = 2;
const STRIP = 112;
const PAD = 26;
const LEFT = 40;
const RIGHT = 16;
const DASH: Record<NitrogenSpecies, string | undefined> = {
  ammonia: undefined,
  nitrite: '9 5',
  nitrate: '2 5',
};

/** Ammonia, nitrite and nitrate under each other on one time axis, each on its own scale; bars show what a kit's step leaves open. */
export function NitrogenStrips({ series, events, fromMs, toMs, midnight, dayLabel, summary }: Props) {
  const { roles } = useTheme();
  const [width, onLayout] = useWidth();
  const height = STRIP * series.length + 30;
  const x = linear([fromMs, toMs], [LEFT, Math.max(LEFT + 1, width - RIGHT)]);
  const pixels = Math.max(60, width - LEFT - RIGHT);
  return (
    <View onLayout={onLayout} role="img" aria-label={summary} style={{ minHeight: height }}>
      {width > 0 ? (
        <Svg width={width} height={height} aria-hidden>
          {apart(events, fromMs, toMs, pixels / MARK_PX).map((e, i) => (
            <Line
              key={i}
              x1={x(e.atMs)}
              x2={x(e.atMs)}
              y1={6}
              y2={height - 26}
              stroke={roles.edge}
              strokeWidth={1}
              strokeDasharray="1 4"
            />
          ))}
          {series.map((s, i) => {
            const bottom = (i + 1) * STRIP;
            const points = thinnedBy(s.points, fromMs, toMs, pixels / MARK_PX, (p) => p.mid);
            const shownHigh = points.map((p) => (Number.isFinite(p.high) ? p.high : p.mid));
            const top = niceTop(Math.max(0.2, ...shownHigh), 2);
            const y = linear([0, top], [bottom, i * STRIP + PAD + 8]);
            const trusted = points.filter((p) => !p.doubted);
            return (
              <G key={s.species}>
                {niceTicks(0, top, 2).map((t) => (
                  <G key={t}>
                    <Line x1={LEFT} x2={width - RIGHT} y1={y(t)} y2={y(t)} stroke={roles.hairline} />
                    <ChartText x={LEFT - 6} y={y(t) + 5} anchor="end">
                      {String(Number(t.toFixed(2)))}
                    </ChartText>
                  </G>
                ))}
                <ChartText
                  x={LEFT}
                  y={i * STRIP + 20}
                  tone={s.species}
                  bold
                  size={15}
                >{`${s.species}, ${s.unit}`}</ChartText>
                {points.map((p, j) => (
                  <Line
                    key={j}
                    x1={x(p.atMs)}
                    x2={x(p.atMs)}
                    y1={y(Math.max(0, p.low))}
                    y2={y(Number.isFinite(p.high) ? p.high : top)}
                    stroke={roles[s.species]}
                    strokeWidth={1.5}
                    strokeOpacity={0.6}
                  />
                ))}
                <Path
                  d={linePath(trusted.map((p) => ({ x: x(p.atMs), y: y(p.mid) })))}
                  fill="none"
                  stroke={roles[s.species]}
                  strokeWidth={2.5}
                  strokeDasharray={DASH[s.species]}
                />
                {points.map((p, j) => (
                  <PointMark key={j} species={s.species} x={x(p.atMs)} y={y(p.mid)} doubted={p.doubted} />
                ))}
              </G>
            );
          })}
          {dayTicks(fromMs, toMs, Math.max(2, Math.floor((width - LEFT - RIGHT) / 62)), midnight).map((t) => (
            <ChartText key={t} x={x(t)} y={height - 6} anchor="middle">
              {dayLabel(t)}
            </ChartText>
          ))}
        </Svg>
      ) : null}
    </View>
  );
}

function PointMark({
  species,
  x,
  y,
  doubted,
}: {
  species: NitrogenSpecies;
  x: number;
  y: number;
  doubted: boolean;
}) {
  const { roles } = useTheme();
  const colour = roles[species];
  if (doubted)
    return (
      <ChartText x={x} y={y + 5} anchor="middle" tone={species} bold>
        ?
      </ChartText>
    );
  if (species === 'ammonia') return <Circle cx={x} cy={y} r={5} fill={colour} />;
  if (species === 'nitrite')
    return <Path d={`M${x} ${y - 7}l7 7-7 7-7-7Z`} fill={roles.ground} stroke={colour} strokeWidth={2} />;
  return <Rect x={x - 4.5} y={y - 4.5} width={9} height={9} fill={colour} />;
}
