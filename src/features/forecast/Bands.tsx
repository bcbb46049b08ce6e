import type { Display } from '../../../core/document';
import { DAY_MS } from '../../../core/time';
import { formatDecimal, fromMgNPerL } from '../../../core/units';
import { localMidnight, selectEvidence, shortDay, useAppSelector, useNow } from '../../store';
import { Table, Txt } from '../../ui';
import { BandStrips, type BandSeries } from '../../ui/charts/BandStrips';
import type { Ok } from './ok';

type Strip = 'ammonia' | 'nitrite' | 'nitrate' | 'alkalinity';

/** Past and future as bands with the readings over them. */
export function Bands({ water, answer: a }: { water: Display; answer: Ok }) {
  const now = useNow(600_000);
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const ahead = Math.min(45, a.forecast.horizonDays);
  const toMs = a.atMs + ahead * DAY_MS;
  const fromMs = Math.max(a.startMs, a.atMs - 60 * DAY_MS);
  const days = [...a.fit, ...a.forecast.bands.filter((b) => b.day <= ahead)];
  const of = (key: Strip, k: number): BandSeries['bands'] =>
    days
      .map((b) => ({
        atMs: a.atMs + b.day * DAY_MS,
        low: b[key][0] * k,
        mid: b[key][1] * k,
        high: b[key][2] * k,
      }))
      .filter((b) => b.atMs >= fromMs);
  const points = (key: Strip, k: number): BandSeries['points'] =>
    evidence.series[key]
      .filter((p) => p.atMs >= fromMs && p.doubts.length === 0)
      .map((p) => ({
        atMs: p.atMs,
        low: p.interval.low * k,
        mid: p.interval.mid * k,
        high: p.interval.high * k,
      }));
  const nh4 = fromMgNPerL('ammonia', 'ion', 1);
  const no2 = fromMgNPerL('nitrite', 'ion', 1);
  const no3 = fromMgNPerL('nitrate', 'ion', 1);
  const series: BandSeries[] = [
    {
      name: 'ammonia',
      unit: 'mg/L NH₄',
      tone: 'ammonia',
      bands: of('ammonia', nh4),
      points: points('ammonia', nh4),
    },
    {
      name: 'nitrite',
      unit: 'mg/L NO₂',
      tone: 'nitrite',
      bands: of('nitrite', no2),
      points: points('nitrite', no2),
    },
    {
      name: 'nitrate',
      unit: 'mg/L NO₃',
      tone: 'nitrate',
      bands: of('nitrate', no3),
      points: points('nitrate', no3),
    },
    {
      name: 'alkalinity',
      unit: 'dKH',
      tone: 'second',
      bands: of('alkalinity', 1),
      points: points('alkalinity', 1),
    },
  ];
  return (
    <>
      <BandStrips
        series={series}
        nowMs={a.atMs}
        fromMs={fromMs}
        toMs={toMs}
        midnight={localMidnight}
        dayLabel={shortDay}
        summary={`Fitted past and forecast of ammonia, nitrite, nitrate and alkalinity to ${shortDay(toMs)}. The table has the numbers.`}
      />
      <Txt kind="small" tone="second">
        Bands hold eight of ten futures; dots are your readings with what they leave open. Left of “now” you
        see how well the model fits them.
      </Txt>
    </>
  );
}

/** The bands as numbers, every fifth day. */
export function BandTable({ answer: a }: { answer: Ok }) {
  return (
    <Table
      caption="Forecast, mg N/L and dKH: lowest tenth, middle, highest tenth"
      columns={[
        { title: 'day', flex: 0.8 },
        { title: 'ammonia', flex: 1.3 },
        { title: 'nitrite', flex: 1.3 },
        { title: 'nitrate', flex: 1.3 },
        { title: 'alkalinity', flex: 1.3 },
      ]}
      rows={a.forecast.bands
        .filter((b) => b.day % 5 === 0 && b.day <= 60)
        .map((b) => [
          shortDay(a.atMs + b.day * DAY_MS),
          ...[b.ammonia, b.nitrite, b.nitrate, b.alkalinity].map((x) =>
            x.map((v) => formatDecimal(v, v < 10 ? 2 : 1)).join(' / '),
          ),
        ])}
    />
  );
}
