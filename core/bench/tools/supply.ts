/** Evaporation and RO/DI. */
import { addDays } from '../../time';
import { litresFromDrop, stuckOn, swingPerDay } from '../../dilution';
import { production, rejection, RESIN_MG_PER_L, resinLitresLeft } from '../../rodi';
import {
  choice,
  field,
  figures,
  lastValue,
  logNow,
  netField,
  planTask,
  shows,
  type Tool,
  type ToolContext,
} from '../tool';
import { evaporationOf } from './water';

export const evaporationTool: Tool = {
  id: 'evaporation',
  title: 'Evaporation and top-off',
  lede: 'Only fresh water leaves. What that does to salinity, and what a stuck or empty top-off does.',
  caution: 'Unplug the top-off for drips and water changes, and plug it back in after.',
  fields: (c, ch) => {
    const area = c.water?.size.kind === 'dimensions' ? c.water.size.lengthCm * c.water.size.widthCm : null;
    return [
      choice(
        'by',
        'Measured as',
        [
          ['litres', 'water topped up'],
          ['drop', 'a fall of the surface'],
        ],
        'litres',
      ),
      ...(ch.by === 'drop'
        ? [
            field('mm', 'Fall in a day', 'millimetres', 0, 200, { above: true }),
            field('areaCm2', 'Surface that falls', 'squareCm', 0, 1e6, {
              above: true,
              start: area,
              decimals: 0,
              hint: 'With a sump the level falls there: length × width of its last chamber.',
            }),
          ]
        : [
            field('perDay', 'Evaporates a day', 'volume', 0, 1000, {
              above: true,
              start: evaporationOf(c),
              hint: evaporationOf(c) === null ? 'Two logged top-offs teach it.' : 'From your top-offs.',
            }),
          ]),
      netField(c),
      field('salinity', 'Salinity', 'salinity', 2, 42, { start: lastValue(c, 'salinity') ?? 35 }),
      field('reservoirL', 'Reservoir', 'volume', 0, 10000, { above: true, start: 20 }),
      field('litresPerHour', 'The top-off pump gives', 'litresPerHour', 0, 2000, {
        above: true,
        start: 60,
        decimals: 0,
      }),
      field('roomL', 'Room before it overflows', 'volume', 0, 10000, { start: 20 }),
      field('hours', 'Hours unnoticed', 'number', 0, 500, { unit: 'h', start: 8, decimals: 0 }),
    ];
  },
  work: (v, _has, ch, c) => {
    const s = shows(c);
    const perDay = ch.by === 'drop' ? litresFromDrop(v('mm'), v('areaCm2')) : v('perDay');
    const net = v('netL');
    const swing = (litres: number) => swingPerDay(v('salinity'), litres, Math.min(perDay, litres * 0.9));
    const stuck = stuckOn({
      salinity: v('salinity'),
      netL: net,
      litresPerHour: v('litresPerHour'),
      hours: v('hours'),
      roomL: v('roomL'),
      reservoirL: v('reservoirL'),
    });
    const days = v('reservoirL') / perDay;
    return {
      figures: figures({
        perDay: [perDay, 'L'],
        salinityRise: [swing(net), 'ppt/day'],
        reservoirDays: [days, 'days'],
        salinityIfStuckOn: [stuck.salinity, 'ppt'],
        overflow: [stuck.overflowL, 'L'],
      }),
      lines: [
        { name: 'Evaporates', value: `${s.volume(perDay)} a day`, strong: true },
        { name: 'Salinity rises without top-off', value: `${s.by('salinity', swing(net))} a day` },
        { name: 'The reservoir lasts', value: `${s.number(days, 1)} days` },
        {
          name: `Stuck on for ${s.number(v('hours'), 0)} h`,
          value: `${s.salinity(Math.max(2, stuck.salinity))}${stuck.overflowL > 0 ? `, ${s.volume(stuck.overflowL)} over the rim` : ''}`,
        },
        {
          name: `Empty for ${s.number(v('hours'), 0)} h, and for three days`,
          value: [v('hours') / 24, 3]
            .map((d) => s.salinity(Math.min(42, v('salinity') + swing(net) * d)))
            .join(', '),
        },
        {
          name: 'A drip or change with it left on',
          value: `up to ${s.volume(Math.min(v('reservoirL'), v('litresPerHour') * 0.5))} fresh water in half an hour`,
        },
      ],
      formula: [
        'S′ = S V / (V − e)',
        `${v('salinity').toFixed(1)} × ${net.toFixed(0)} / (${net.toFixed(0)} − ${perDay.toFixed(2)}) = ${(v('salinity') + swing(net)).toFixed(2)} ppt`,
      ],
      notes: [
        'The drop of a level float that sticks is the usual accident: a small reservoir limits it.',
        'Never top up with salt water: salt stays behind, only water leaves.',
      ],
      warnings:
        stuck.salinity < v('salinity') - 2
          ? [
              `A reservoir this size could take ${s.by('salinity', v('salinity') - stuck.salinity)} off: a smaller one, or a timer on the pump, caps it.`,
            ]
          : [],
      drawing: {
        kind: 'bars',
        title: 'Swing a day, by tank size',
        unit: 'a day',
        bars: [
          {
            label: 'half as big',
            value: swing(net / 2),
            shown: s.by('salinity', swing(net / 2)),
            planned: true,
          },
          { label: 'this tank', value: swing(net), shown: s.by('salinity', swing(net)) },
          {
            label: 'twice as big',
            value: swing(net * 2),
            shown: s.by('salinity', swing(net * 2)),
            planned: true,
          },
        ],
      },
      acts: c.water
        ? [
            {
              label: `Log a top-off of ${s.volume(perDay)}`,
              primary: true,
              done: 'Top-off logged',
              edits: () => logNow(c, { kind: 'topOff', litres: perDay }),
            },
            {
              label: `Remind to refill in ${Math.max(1, Math.floor(days * 0.8))} days`,
              done: 'Refill planned',
              edits: () =>
                planTask(
                  c,
                  addDays(c.today, Math.max(1, Math.floor(days * 0.8))),
                  'Refill the top-off reservoir',
                  `It holds ${s.volume(v('reservoirL'))}, about ${s.number(days, 0)} days.`,
                ),
            },
          ]
        : [],
    };
  },
};

export const rodiTool: Tool = {
  id: 'rodi',
  title: 'RO/DI water',
  lede: 'Three measuring points tell which stage is due; pressure and cold tell why it is slow.',
  caution:
    'A leak guard under the unit and a closed valve when nobody is home. RO/DI water is not for drinking.',
  fields: (c) => [
    field('sourceTds', 'TDS of the source', 'number', 0, 5000, {
      unit: 'mg/L',
      above: true,
      start: lastValue(c, 'tdsSource') ?? null,
      decimals: 0,
    }),
    field('membraneTds', 'After the membrane', 'number', 0, 3000, {
      unit: 'mg/L',
      start: lastValue(c, 'tdsMembrane') ?? null,
      decimals: 0,
    }),
    field('resinTds', 'After the resin', 'number', 0, 3000, {
      unit: 'mg/L',
      start: lastValue(c, 'tdsResin') ?? 0,
      decimals: 0,
    }),
    field('ratedLPerDay', 'Rated output', 'litresPerDay', 0, 5000, {
      above: true,
      start: 190,
      decimals: 0,
    }),
    field('ratedBar', 'Rated at', 'bar', 0, 20, { above: true, start: 4.1 }),
    field('bar', 'Your pressure', 'bar', 0, 20, { above: true, start: 3.5 }),
    field('tempC', 'Water temperature', 'temperature', 1, 45, { start: 15 }),
    field('wastePerL', 'Waste for each part made', 'number', 0, 20, { unit: 'parts', start: 3, decimals: 1 }),
    field('litres', 'You need', 'volume', 0, 100000, { above: true, start: 40 }),
    field('resinL', 'Resin in the unit', 'volume', 0, 50, { above: true, start: 0.8 }),
    field('madeL', 'Made since the resin was new', 'volume', 0, 1e6, {
      start: madeSinceResin(c),
      hint: 'From logged water since the part named resin was changed, under Equipment.',
    }),
  ],
  work: (v, _has, _ch, c) => {
    const s = shows(c);
    const held = rejection(v('sourceTds'), v('membraneTds'));
    const made = production({
      ratedLPerDay: v('ratedLPerDay'),
      ratedBar: v('ratedBar'),
      bar: v('bar'),
      tempC: v('tempC'),
    });
    const hours = (v('litres') / made.litresPerDay) * 24;
    const left =
      v('membraneTds') > 0
        ? resinLitresLeft({ resinL: v('resinL'), membraneTds: v('membraneTds'), madeL: v('madeL') })
        : null;
    const spent = v('resinTds') > 1;
    return {
      figures: figures({
        rejection: [held, 'share'],
        litresPerDay: [made.litresPerDay, 'L/day'],
        hours: [hours, 'h'],
        waste: [v('litres') * v('wastePerL'), 'L'],
        resinLeft: [left, 'L'],
      }),
      lines: [
        {
          name: 'Membrane holds back',
          value: `${(held * 100).toFixed(1)} %${held < 0.9 ? ': due' : held < 0.95 ? ': watch it' : ''}`,
          strong: true,
        },
        {
          name: 'Resin',
          value: spent
            ? `lets ${v('resinTds').toFixed(0)} mg/L through: due`
            : left === null
              ? 'hardly loaded'
              : `about ${s.volume(left, 0)} left`,
          strong: true,
        },
        { name: 'Makes', value: `${s.volume(made.litresPerDay, 0)} a day` },
        { name: `${s.volume(v('litres'), 0)} take`, value: `${s.number(hours, 1)} h` },
        { name: 'Waste for that', value: s.volume(v('litres') * v('wastePerL'), 0) },
      ],
      formula: [
        'rejection = 1 − TDS after / TDS before',
        `1 − ${v('membraneTds').toFixed(0)} / ${v('sourceTds').toFixed(0)} = ${held.toFixed(3)}`,
        'Q = Q₀ · p / p₀ · 0.97^(25 − T)',
        `${v('ratedLPerDay').toFixed(0)} × ${v('bar').toFixed(1)} / ${v('ratedBar').toFixed(1)} × 0.97^${(25 - v('tempC')).toFixed(0)} = ${made.litresPerDay.toFixed(0)} L a day`,
      ],
      notes: [
        `Resin is reckoned at ${RESIN_MG_PER_L / 1000} g of solids for ${s.volume(1)} of it, an estimate; trust the meter behind it.`,
        'Sediment and carbon come first: change them by time or when pressure behind them falls.',
        ...(made.extrapolated ? ['Outside the range the output rule was made for: a rough figure.'] : []),
      ],
      warnings: spent
        ? [
            'TDS behind the resin is above 1: this water brings silicate and copper along. Change the resin before filling.',
          ]
        : [],
      acts: c.water
        ? [
            {
              label: `Log ${s.volume(v('litres'), 0)} made`,
              primary: true,
              done: 'Water logged',
              edits: () =>
                logNow(c, {
                  kind: 'waterMade',
                  litres: v('litres'),
                  minutes: Math.round(hours * 60) || null,
                }),
            },
            {
              label: 'Log these TDS readings',
              href: `/water/${c.water.id}/log?show=tdsSource,tdsMembrane,tdsResin`,
            },
            { label: 'Stages under Equipment', href: `/water/${c.water.id}/equipment` },
          ]
        : [],
    };
  },
};

/** Litres logged since the newest service of an RO/DI part. */
function madeSinceResin(c: ToolContext): number {
  // The resin alone: a new sediment filter or membrane gives it no new life.
  const parts = Object.values(c.doc.equipment).filter(
    (e) =>
      (e.kind === 'rodi' || e.kind === 'consumable') &&
      /\bresin|\bDI\b/i.test(`${e.name} ${e.where}`) &&
      e.endedDay === null &&
      (!c.water || e.waterId === c.water.id),
  );
  const since =
    parts
      .flatMap((e) => [e.sinceDay, ...e.services.map((x) => x.day)])
      .sort()
      .pop() ?? '';
  return Object.values(c.doc.events).reduce(
    (sum, e) => (e.kind === 'waterMade' && e.at.slice(0, 10) >= since ? sum + e.litres : sum),
    0,
  );
}
