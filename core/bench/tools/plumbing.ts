/** Pipes, glue, floats, skimmers, carbon. */
import { bendCm, pipeLossCm, riseCm, workingPoint } from '../../plumbing';
import { drainDown } from '../../equipment';
import { stuckOn } from '../../dilution';
import { SUPPLY } from '../../supply';
import { addDays } from '../../time';
import { toUnit, unitLabel } from '../../units';
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

const dims = (c: ToolContext) => (c.water?.size.kind === 'dimensions' ? c.water.size : null);

export const pumpTool: Tool = {
  id: 'pump',
  title: 'Return pump and pipe',
  lede: 'Where the pump’s curve meets the pipe’s: the flow that really comes, wave pumps counted in the total.',
  fields: (c) => [
    field('ratedLPerH', 'Pump without height', 'litresPerHour', 0, 1e6, {
      above: true,
      start: 3000,
      decimals: 0,
    }),
    field('maxHeadCm', 'Greatest height', 'length', 0, 2000, { above: true, start: 300 }),
    field('liftCm', 'Height it lifts', 'length', 0, 2000, { start: 120 }),
    field('pipeCm', 'Pipe in all', 'length', 0, 5000, { start: 200 }),
    field('bends', 'Bends', 'number', 0, 50, { whole: true, start: 4, decimals: 0 }),
    field('insideMm', 'Inside of the pipe', 'millimetres', 5, 200, { start: 20, decimals: 0 }),
    field('waveLPerH', 'Wave pumps, together', 'litresPerHour', 0, 1e6, { start: 0, decimals: 0 }),
    netField(c),
  ],
  work: (v, _has, _ch, c) => {
    const s = shows(c);
    const at = workingPoint({
      ratedLPerH: v('ratedLPerH'),
      maxHeadCm: v('maxHeadCm'),
      liftCm: v('liftCm'),
      pipeCm: v('pipeCm'),
      bends: v('bends'),
      insideMm: v('insideMm'),
    });
    const total = (at.flowLPerH + v('waveLPerH')) / v('netL');
    const wider = workingPoint({
      ratedLPerH: v('ratedLPerH'),
      maxHeadCm: v('maxHeadCm'),
      liftCm: v('liftCm'),
      pipeCm: v('pipeCm'),
      bends: v('bends'),
      insideMm: v('insideMm') * 1.25,
    });
    const lengthCm = v('pipeCm') + v('bends') * bendCm(v('insideMm'));
    const flows = Array.from({ length: 21 }, (_, i) => (v('ratedLPerH') * i) / 20);
    const drawn = (q: number, cm: number) => ({
      x: toUnit(c.units.volume, q),
      y: toUnit(c.units.length, cm),
    });
    const speed = at.flowLPerH / 3.6e6 / (Math.PI * (v('insideMm') / 2000) ** 2);
    return {
      figures: figures({
        flow: [at.flowLPerH, 'L/h'],
        head: [at.headCm, 'cm'],
        loss: [at.lossCm, 'cm'],
        turnover: [at.flowLPerH / v('netL'), '1/h'],
        total: [total, '1/h'],
        speed: [speed, 'm/s'],
      }),
      lines: [
        { name: 'Return flow', value: `about ${s.flow(at.flowLPerH)}`, strong: true },
        {
          name: 'Of the tank an hour',
          value: `${s.number(at.flowLPerH / v('netL'), 1)} by the return, ${s.number(total, 1)} in all`,
          strong: true,
        },
        {
          name: 'Height it works against',
          value: `${s.length(at.headCm)}, ${s.length(at.lossCm)} of it in the pipe`,
        },
        { name: 'In a pipe a quarter wider', value: s.flow(wider.flowLPerH) },
      ],
      formula: [
        'pump: Q = Qmax √(1 − h / hmax); pipe: h = 10.67 L Q^1.852 / (150^1.852 d^4.87)  (Hazen–Williams), a bend as 30 diameters',
        `${at.flowLPerH.toFixed(0)} L/h at ${at.headCm.toFixed(0)} cm`,
      ],
      notes: [
        'A curve drawn through two points of the label: time a bucket to know. Wave pumps give their figure only in open water.',
        'Return 3 to 8 an hour, 10 to 40 in all; corals decide.',
        'Try the return’s siphon: pump off, watch where it stops. A hole below the surface stops it; a valve may stick.',
      ],
      warnings: [
        ...(at.flowLPerH === 0 ? ['It does not lift that high.'] : []),
        ...(speed > 2 ? ['Over 2 m/s in the pipe: loud, and worn at the bends. Take it wider.'] : []),
      ],
      drawing: {
        kind: 'curves',
        title: `Pump and pipe, by ${unitLabel(c.units.volume)}/h`,
        xLabel: '',
        yLabel: unitLabel(c.units.length),
        curves: [
          {
            label: 'pump',
            points: flows.map((q) => drawn(q, v('maxHeadCm') * (1 - (q / v('ratedLPerH')) ** 2))),
          },
          {
            label: 'pipe',
            points: flows.map((q) =>
              drawn(q, v('liftCm') + pipeLossCm({ flowLPerH: q, lengthCm, insideMm: v('insideMm') })),
            ),
          },
        ],
        mark: { x: toUnit(c.units.volume, at.flowLPerH), label: s.flow(at.flowLPerH) },
      },
      acts: c.water
        ? [
            {
              label: 'Log this as a note',
              primary: true,
              done: 'Logged',
              edits: () =>
                logNow(
                  c,
                  { kind: 'note' },
                  `Return about ${s.flow(at.flowLPerH)}, ${s.number(total, 1)} of the tank an hour in all.`,
                ),
            },
          ]
        : [],
    };
  },
};

export const partsTool: Tool = {
  id: 'parts',
  title: 'Pipes and fittings',
  lede: 'What to buy, what it costs, and when water may go in after the glue.',
  caution:
    'Solvent cement: air, gloves, no flame. Pressure pipe for pressure, and the maker’s own cure time before water.',
  fields: () => [
    field('pipeCm', 'Pipe', 'length', 0, 10000, { start: 300 }),
    field('spare', 'Spare', 'number', 0, 100, { unit: '%', start: 15, decimals: 0 }),
    field('pipePerM', 'Pipe costs', 'aMetre', 0, 1000, { start: 3 }),
    field('elbows', 'Elbows', 'number', 0, 200, { whole: true, start: 6, decimals: 0 }),
    field('elbowPrice', 'One costs', 'number', 0, 1000, { start: 1.5 }),
    field('unions', 'Unions', 'number', 0, 200, {
      whole: true,
      start: 2,
      decimals: 0,
      hint: 'One either side of a pump: it must come out.',
    }),
    field('unionPrice', 'One costs', 'number', 0, 1000, { start: 6 }),
    field('valves', 'Valves', 'number', 0, 200, { whole: true, start: 2, decimals: 0 }),
    field('valvePrice', 'One costs', 'number', 0, 1000, { start: 9 }),
    field('bulkheads', 'Bulkheads', 'number', 0, 200, { whole: true, start: 2, decimals: 0 }),
    field('bulkheadPrice', 'One costs', 'number', 0, 1000, { start: 8 }),
    field('cureHours', 'The glue’s label says', 'number', 0, 500, {
      unit: 'h before water',
      start: 24,
      decimals: 0,
    }),
    field('limit', 'Not more than', 'number', 0, 1e6, { optional: true }),
  ],
  work: (v, has, _ch, c) => {
    const s = shows(c);
    const metres = (v('pipeCm') / 100) * (1 + v('spare') / 100);
    const rows = [
      ['pipe', `${s.length(metres * 100)}`, metres * v('pipePerM')],
      ['elbows', v('elbows').toFixed(0), v('elbows') * v('elbowPrice')],
      ['unions', v('unions').toFixed(0), v('unions') * v('unionPrice')],
      ['valves', v('valves').toFixed(0), v('valves') * v('valvePrice')],
      ['bulkheads', v('bulkheads').toFixed(0), v('bulkheads') * v('bulkheadPrice')],
    ] as const;
    const money = rows.reduce((sum, [, , x]) => sum + x, 0);
    // Two joints to a fitting, one to a pipe's end at a bulkhead.
    const joints = 2 * (v('elbows') + v('valves')) + v('unions') * 2 + v('bulkheads');
    const ready = c.nowMs + v('cureHours') * 3_600_000;
    const day = addDays(c.today, Math.ceil(v('cureHours') / 24));
    return {
      figures: figures({
        pipe: [metres, 'm'],
        money: [money, 'money'],
        joints: [joints, 'joints'],
        cureHours: [v('cureHours'), 'h'],
      }),
      lines: [
        {
          name: 'All of it costs',
          value: `${money.toFixed(2)}${has('limit') ? (money > v('limit') ? `, ${(money - v('limit')).toFixed(2)} over` : `, ${(v('limit') - money).toFixed(2)} left`) : ''}`,
          strong: true,
        },
        {
          name: 'Glued now, no water before',
          value: v('cureHours') < 24 ? c.clockLabel(ready) : c.dayLabel(day),
          strong: true,
        },
        { name: 'Joints to glue', value: joints.toFixed(0) },
      ],
      formula: [
        'sum of amount × price',
        `${rows.map(([, , x]) => x.toFixed(2)).join(' + ')} = ${money.toFixed(2)}`,
      ],
      notes: [
        'Dry-fit all of it first, mark each joint, then glue. A leak shows in the first hour: fill with fresh water, and stay.',
        'Valves are worked once in three months, or they stick when they are needed.',
      ],
      warnings: has('limit') && money > v('limit') ? ['More than you set aside.'] : [],
      steps: {
        caption: 'The list',
        columns: ['what', 'how many', 'costs'],
        rows: rows.map(([a, b, x]) => [a, b, x.toFixed(2)]),
      },
      acts: c.water
        ? [
            {
              label: 'Keep the cure as a task',
              primary: true,
              done: 'Planned',
              edits: () =>
                planTask(
                  c,
                  day,
                  'The glue has cured: water may go in',
                  `Not before ${v('cureHours').toFixed(0)} h. Fill with fresh water first and look for leaks.`,
                ),
            },
            {
              label: 'Work the valves every three months',
              done: 'Planned',
              edits: () => {
                const [edit] = planTask(
                  c,
                  addDays(c.today, 90),
                  'Work every valve once',
                  'What is never turned sticks.',
                );
                return edit && 'put' in edit && edit.put === 'tasks'
                  ? [
                      {
                        put: 'tasks' as const,
                        entity: { ...edit.entity, repeat: { kind: 'after' as const, days: 90 } },
                      },
                    ]
                  : [];
              },
            },
          ]
        : [],
    };
  },
};

export const floatTool: Tool = {
  id: 'float',
  title: 'Top-off: float and reservoir',
  lede: 'Where the float goes so that a stopped pump is no alarm, how long the reservoir lasts, and what a stuck one does.',
  caution:
    'Mains and low voltage above the waterline of the highest fault, with drip loops. A line-fed reservoir needs two shut-offs.',
  fields: (c) => [
    field('areaCm2', 'Display surface', 'squareCm', 0, 1e6, {
      above: true,
      start: dims(c) ? dims(c)!.lengthCm * dims(c)!.widthCm : null,
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
        `(${v('areaCm2').toFixed(0)} × ${s.number(v('dropCm'), 1)} / 1000 + ${s.number(v('pipesL'), 1)}) × 1000 / ${v('chamberCm2').toFixed(0)} = ${s.number(rise, 1)} cm`,
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
              edits: () => {
                const [edit] = planTask(
                  c,
                  c.today,
                  'Try the top-off’s sensors: lift, see it run; lower, see it stop',
                  `Alarm ${s.length(alarm)} above the running level.`,
                );
                return edit && 'put' in edit && edit.put === 'tasks'
                  ? [
                      {
                        put: 'tasks' as const,
                        entity: { ...edit.entity, repeat: { kind: 'after' as const, days: 30 } },
                      },
                    ]
                  : [];
              },
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

export const carbonTool: Tool = {
  id: 'carbon',
  title: 'Carbon and media',
  lede: 'Grams of carbon, when it is changed, and media by the kilogram.',
  caution:
    'Rinse carbon until the water runs clear; its dust irritates. Start with half: it clears the water, and corals see more light at once.',
  fields: (c) => [
    netField(c),
    field('gramsPerL', 'Carbon for the water', 'gramsPerLitre', 0.05, 5, {
      start: SUPPLY.carbonGramsPerL,
      hint: 'The label goes first.',
    }),
    field('days', 'In use for', 'number', 0, 365, { unit: 'days', start: 0, decimals: 0 }),
    choice(
      'why',
      'It is in for',
      [
        ['routine', 'clear water'],
        ['smell', 'a smell'],
        ['suspicion', 'a suspicion: coral toxin, medicine, a spray'],
      ],
      'routine',
    ),
    choice(
      'smell',
      'Since then the smell',
      [
        ['unasked', 'nothing to say'],
        ['gone', 'is gone'],
        ['there', 'is still there'],
      ],
      'unasked',
    ),
    field('mediaL', 'Media', 'volume', 0, 1000, { start: 5 }),
    field('mediaBulk', 'They weigh', 'kgPerLitre', 0.1, 3, { start: 0.7 }),
    field('litresPerL', 'Water that one part of them serves', 'number', 0, 100000, {
      unit: 'parts',
      above: true,
      start: 60,
      decimals: 0,
    }),
  ],
  work: (v, _has, ch, c) => {
    const s = shows(c);
    const grams = v('gramsPerL') * v('netL');
    const lasts = ch.why === 'suspicion' ? 2 : ch.why === 'smell' ? 7 : 10;
    const due = v('days') >= lasts || ch.smell === 'there';
    return {
      figures: figures({
        grams: [grams, 'g'],
        changeAfter: [lasts, 'days'],
        due: [due ? 1 : 0, 'yes'],
        mediaKg: [v('mediaL') * v('mediaBulk'), 'kg'],
        mediaServes: [v('mediaL') * v('litresPerL'), 'L'],
      }),
      lines: [
        { name: 'Carbon', value: s.grams(grams), strong: true },
        {
          name: 'Change it',
          value: due ? 'now' : `in ${Math.max(1, Math.ceil(lasts - v('days')))} days`,
          strong: true,
        },
        {
          name: 'Media',
          value: `${s.kg(v('mediaL') * v('mediaBulk'))}, for ${s.volume(v('mediaL') * v('litresPerL'), 0)} by their maker`,
        },
      ],
      formula: [
        'm = V · g/L',
        `${v('netL').toFixed(0)} × ${s.number(v('gramsPerL'), 2)} = ${grams.toFixed(0)} g`,
      ],
      notes: [
        'Changed every one to two weeks; after a suspicion after two days, and again.',
        'New media are rinsed, seeded ones never, and kept wet on every way. Seed a piece in the sump months before a quarantine needs it.',
        'A hang-on filter is filled by hand before it is started, and after each cut.',
      ],
      warnings:
        ch.smell === 'there'
          ? ['A smell that stays after carbon is something that rots: look for it, and test ammonia.']
          : [],
      acts: c.water
        ? [
            {
              label: `Change it in ${lasts} days`,
              primary: true,
              done: 'Planned',
              edits: () =>
                planTask(
                  c,
                  addDays(c.today, lasts),
                  'Change the carbon',
                  `${s.grams(grams)}, rinsed.${ch.why === 'smell' ? ' Is the smell gone?' : ''}`,
                ),
            },
          ]
        : [],
    };
  },
};
