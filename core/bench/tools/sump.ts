/** What happens in the sump: the top-off’s float, a power cut, a skimmer that fits. */
import { riseCm } from '../../plumbing';
import { drainDown } from '../../equipment/sizing';
import { stuckOn } from '../../dilution';
import {
  choice,
  field,
  figures,
  glassOf,
  lastValue,
  netField,
  planRepeat,
  planTask,
  shows,
  sizeFields,
  type Tool,
} from '../tool';

export const floatTool: Tool = {
  id: 'float',
  title: 'Top-off: float and reservoir',
  lede: 'Where the float goes so that a stopped pump is no alarm, how long the reservoir lasts, and what a stuck one does.',
  caution:
    'Mains and low voltage above the waterline of the highest fault, with drip loops. A line-fed reservoir needs two shut-offs.',
  fields: (c) => [
    field('areaCm2', 'Display surface', 'squareCm', 0, 1e6, {
      above: true,
      start: glassOf(c) ? glassOf(c)!.lengthCm * glassOf(c)!.widthCm : null,
      decimals: 0,
    }),
    field('dropCm', 'It falls, pump off, by', 'length', 0, 200, { start: 2.5 }),
    field('pipesL', 'In pipes and overflow', 'volume', 0, 1000, { start: 3 }),
    field('chamberCm2', 'Surface of the sump', 'squareCm', 0, 1e6, { above: true, start: 1500, decimals: 0 }),
    field('wallCm', 'From running level to the sump’s rim', 'length', 0, 200, { start: 15 }),
    field('perDay', 'Evaporates a day', 'volume', 0, 1000, { above: true, start: 2 }),
    field('reservoirL', 'Reservoir', 'volume', 0, 10000, { above: true, start: 20 }),
    choice(
      'feed',
      'It is filled',
      [
        ['hand', 'by hand'],
        ['line', 'by a line from the wall'],
      ],
      'hand',
    ),
    field('lineLPerH', 'The line brings', 'litresPerHour', 0, 2000, { above: true, start: 8, decimals: 0 }),
    field('hours', 'Unnoticed for', 'number', 0, 500, { unit: 'h', start: 10, decimals: 0 }),
    netField(c),
    field('salinity', 'Salinity', 'salinity', 2, 42, { start: lastValue(c, 'salinity') ?? 35 }),
  ],
  work: (v, _has, ch, c) => {
    const s = shows(c);
    const drains = drainDown({
      areaCm2: v('areaCm2'),
      dropCm: v('dropCm'),
      pipesL: v('pipesL'),
      sumpRoomL: (v('chamberCm2') * v('wallCm')) / 1000,
    });
    const rise = riseCm(drains.litres, v('chamberCm2'));
    const alarm = rise + 1;
    const days = v('reservoirL') / v('perDay');
    const line = ch.feed === 'line';
    const brings = line ? v('lineLPerH') * v('hours') : v('reservoirL');
    const stuck = stuckOn({
      salinity: v('salinity'),
      netL: v('netL'),
      litresPerHour: brings / Math.max(1, v('hours')),
      hours: Math.max(1, v('hours')),
      roomL: drains.spareL > 0 ? drains.spareL + drains.litres : 0,
      reservoirL: brings,
    });
    return {
      figures: figures({
        drains: [drains.litres, 'L'],
        rise: [rise, 'cm'],
        spare: [drains.spareL, 'L'],
        alarmAbove: [alarm, 'cm'],
        reservoirDays: [days, 'days'],
        stuckSalinity: [stuck.salinity, 'ppt'],
        flood: [stuck.overflowL, 'L'],
      }),
      lines: [
        { name: 'With the pump off the sump rises', value: s.length(rise), strong: true },
        {
          name: 'A high-water alarm sits above that',
          value: `${s.length(alarm)} over the running level`,
          strong: true,
        },
        {
          name: 'Alarm at every pump-off',
          value: alarm <= v('wallCm') ? 'no, there' : 'yes: there is no room above it',
        },
        { name: 'The reservoir lasts', value: `${s.number(days, 1)} days` },
        {
          name: line ? `Stuck on for ${v('hours').toFixed(0)} h` : 'All of it at once',
          value: `${s.salinity(Math.max(2, stuck.salinity))}${stuck.overflowL > 0.5 ? `, ${s.volume(stuck.overflowL, 0)} on the floor` : ''}`,
        },
      ],
      formula: [
        'rise = (area · fall + pipes) / surface of the sump',
        `(${v('areaCm2').toFixed(0)} × ${s.number(v('dropCm'), 1)} / 1000 + ${s.number(v('pipesL'), 1)}) × 1000` +
          ` / ${v('chamberCm2').toFixed(0)} = ${s.number(rise, 1)} cm`,
      ],
      notes: [
        'The working float sits at the running level, the cut-off a thumb above it, the alarm above what drains down.',
        'Try each sensor once a month: lift it, see the pump go, let it fall, see it stop. Log it under Equipment.',
        'Controller, cables, drip loops: every plug higher than its lowest loop, nothing under a joint.',
      ],
      warnings: [
        ...(drains.spareL < 0 ? ['The sump overflows at a power cut already: see “Power cut”.'] : []),
        ...(line
          ? ['A line from the wall never runs dry: a second shut-off that does not share its fault, or none.']
          : []),
        ...(v('salinity') - stuck.salinity > 2
          ? [
              `It could take ${s.by('salinity', v('salinity') - stuck.salinity)} off: a smaller reservoir caps it.`,
            ]
          : []),
      ],
      acts: c.water
        ? [
            {
              label: 'Try the sensors every month',
              primary: true,
              done: 'Planned',
              edits: () =>
                planRepeat(
                  c,
                  c.today,
                  'Try the top-off’s sensors: lift, see it run; lower, see it stop',
                  `Alarm ${s.length(alarm)} above the running level.`,
                  30,
                ),
            },
          ]
        : [],
    };
  },
};

export const powerTool: Tool = {
  id: 'power',
  title: 'Power cut',
  lede: 'What drains to the sump when the pump stops, against the room it has.',
  caution:
    'Water on the floor reaches sockets: drip loops, a residual-current device, and a licensed electrician for anything fixed.',
  fields: (c) => [
    ...sizeFields(c).slice(0, 2),
    field('dropCm', 'From running level to the lowest outlet or lip', 'length', 0, 200, { start: 2.5 }),
    field('pipesL', 'In pipes and overflow box', 'volume', 0, 1000, { start: 3 }),
    field('sumpRoomL', 'Room in the sump above its running level', 'volume', 0, 10000, {
      start: c.water && c.water.sumpL > 0 ? c.water.sumpL * 0.5 : null,
    }),
  ],
  work: (v, _has, _ch, c) => {
    const s = shows(c);
    const d = drainDown({
      areaCm2: v('lengthCm') * v('widthCm'),
      dropCm: v('dropCm'),
      pipesL: v('pipesL'),
      sumpRoomL: v('sumpRoomL'),
    });
    return {
      figures: figures({
        drains: [d.litres, 'L'],
        spare: [d.spareL, 'L'],
      }),
      lines: [
        { name: 'Drains back', value: s.volume(d.litres), strong: true },
        {
          name: d.spareL >= 0 ? 'Room to spare' : 'Missing room',
          value: s.volume(Math.abs(d.spareL)),
          strong: true,
        },
      ],
      formula: [
        'V = area · drop + pipes',
        `${(v('lengthCm') * v('widthCm')).toFixed(0)} cm² × ${v('dropCm').toFixed(1)} cm + ${v('pipesL').toFixed(1)} L = ${d.litres.toFixed(1)} L`,
      ],
      notes: ['Try it: pump off, watch it settle, mark the sump. A check valve is only a second line.'],
      warnings:
        d.spareL < 0
          ? ['The sump would overflow: raise the outlet, drill a siphon break, or lower its running level.']
          : [],
      acts: c.water
        ? [
            {
              label: 'Plan the try: pump off, mark the sump',
              primary: true,
              done: 'Planned',
              edits: () =>
                planTask(
                  c,
                  c.today,
                  'Pump off: mark where the sump settles',
                  `Reckoned ${s.volume(d.litres)} into ${s.volume(v('sumpRoomL'))} of room.`,
                ),
            },
          ]
        : [],
    };
  },
};

const CANDIDATES = ['a', 'b', 'c'] as const;

export const skimmerTool: Tool = {
  id: 'skimmer',
  title: 'Skimmers compared',
  lede: 'Up to three by what matters: fits the sump, height of water, litres it is for, money.',
  fields: (c) => [
    netField(c),
    field('lengthCm', 'Room in the sump, length', 'length', 0, 500, { above: true, start: 30 }),
    field('widthCm', 'Width', 'length', 0, 500, { above: true, start: 25 }),
    field('heightCm', 'Up to the lid or floor above', 'length', 0, 500, { above: true, start: 60 }),
    field('waterCm', 'Water stands there', 'length', 0, 200, { above: true, start: 20 }),
    ...CANDIDATES.flatMap((k) => [
      field(`${k}Litres`, `${k.toUpperCase()}: for tanks up to`, 'volume', 0, 100000, {
        above: true,
        optional: k !== 'a',
        start: k === 'a' ? 300 : null,
      }),
      field(`${k}Length`, 'its length', 'length', 0, 500, {
        above: true,
        optional: k !== 'a',
        start: k === 'a' ? 25 : null,
      }),
      field(`${k}Width`, 'its width', 'length', 0, 500, {
        above: true,
        optional: k !== 'a',
        start: k === 'a' ? 20 : null,
      }),
      field(`${k}Height`, 'its height', 'length', 0, 500, {
        above: true,
        optional: k !== 'a',
        start: k === 'a' ? 50 : null,
      }),
      field(`${k}Low`, 'stands in water from', 'length', 0, 200, {
        optional: k !== 'a',
        start: k === 'a' ? 16 : null,
      }),
      field(`${k}High`, 'up to', 'length', 0, 200, { optional: k !== 'a', start: k === 'a' ? 22 : null }),
      field(`${k}Price`, 'it costs', 'number', 0, 1e6, { optional: true }),
    ]),
  ],
  work: (v, has, _ch, c) => {
    const s = shows(c);
    const judged = CANDIDATES.filter((k) =>
      ['Litres', 'Length', 'Width', 'Height', 'Low', 'High'].every((p) => has(`${k}${p}`)),
    ).map((k) => {
      const [l, w] = [v(`${k}Length`), v(`${k}Width`)];
      const fits = (l <= v('lengthCm') && w <= v('widthCm')) || (w <= v('lengthCm') && l <= v('widthCm'));
      // A hand's breadth to lift the cup off.
      const high = v(`${k}Height`) + 10 <= v('heightCm');
      const stand = v('waterCm') - v(`${k}High`);
      const level = v('waterCm') >= v(`${k}Low`) && stand <= 0;
      const share = v(`${k}Litres`) / v('netL');
      const faults = [
        ...(fits ? [] : ['does not fit the footprint']),
        ...(high ? [] : ['no room to lift the cup']),
        ...(level
          ? []
          : stand > 0
            ? [`stands too deep: raise it by ${s.length(stand)}`]
            : ['the water is too low for it']),
        ...(share < 1 ? ['made for less water than this'] : []),
        ...(share > 4 ? ['so large that it skims in bursts here'] : []),
      ];
      return {
        k,
        faults,
        share,
        price: has(`${k}Price`) ? v(`${k}Price`) : null,
        standCm: Math.max(0, stand),
      };
    });
    const good = judged.filter((j) => j.faults.every((f) => /^stands too deep/.test(f)));
    const best = [...good].sort(
      (a, b) => (a.price ?? Infinity) - (b.price ?? Infinity) || a.share - b.share,
    )[0];
    return {
      figures: figures({
        ...Object.fromEntries(judged.map((j) => [`${j.k}Faults`, [j.faults.length, 'faults'] as const])),
        ...Object.fromEntries(judged.map((j) => [`${j.k}Stand`, [j.standCm, 'cm'] as const])),
        ...Object.fromEntries(judged.map((j) => [`${j.k}Share`, [j.share, 'times'] as const])),
      }),
      lines: [
        {
          name: 'Best of them',
          value: best
            ? `${best.k.toUpperCase()}${best.standCm > 0 ? `, on a stand of ${s.length(best.standCm)}` : ''}`
            : 'none fits',
          strong: true,
        },
        ...judged.map((j) => ({
          name: j.k.toUpperCase(),
          value:
            j.faults.length === 0
              ? `fits, made for ${s.number(j.share, 1)} times this water`
              : j.faults.join('; '),
        })),
      ],
      formula: ['fits: footprint either way round, height + 10 cm for the cup, water between its two marks'],
      notes: [
        'Makers’ figures are for light stocking: once to twice your water is usual.',
        'A new one breaks in for one to three weeks; note the day under Equipment, and judge it after.',
        'Carbon, oil from hands and new silicone stop the foam for a day: no fault.',
      ],
      acts: c.water
        ? [
            {
              label: 'Keep it with its break-in',
              primary: true,
              done: 'Part kept',
              href: `/water/${c.water.id}/equipment`,
            },
          ]
        : [],
    };
  },
};
