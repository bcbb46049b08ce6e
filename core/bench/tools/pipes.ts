/** Pumps, pipes and fittings. */
import { bendCm, pipeLossCm, pumpGives, workingPoint, type PumpCurve } from '../../plumbing';
import { realFlow } from '../../equipment/sizing';
import { addDays } from '../../time';
import { toUnit, unitLabel } from '../../units';
import { field, figures, netField, noteAct, planRepeat, planTask, shows, type Tool } from '../tool';

/** Points of the maker's drawing a person may give. */
const CURVE_POINTS = ['A', 'B', 'C'] as const;

/** The points that were given, whole. @throws RangeError for half of one */
const curvePoints = (v: (key: string) => number, has: (key: string) => boolean): PumpCurve['points'] =>
  CURVE_POINTS.flatMap((name) => {
    const [head, flow] = [`head${name}Cm`, `flow${name}LPerH`];
    if (has(head) !== has(flow)) throw new RangeError(`point ${name} needs both its height and its flow`);
    return has(head) ? [{ headCm: v(head), flowLPerH: v(flow) }] : [];
  });

export const pumpTool: Tool = {
  id: 'pump',
  title: 'Return pump and pipe',
  lede: 'Where the pump’s curve meets the pipe’s: the flow that really comes, wave pumps counted in the total.',
  belowTitle: 'The pipe, and points of the maker’s curve',
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
    ...CURVE_POINTS.flatMap((name) => [
      field(`head${name}Cm`, `Curve ${name}, height`, 'length', 0, 2000, {
        above: true,
        optional: true,
        below: true,
      }),
      field(`flow${name}LPerH`, `Curve ${name}, flow`, 'litresPerHour', 0, 1e6, {
        above: true,
        optional: true,
        below: true,
        decimals: 0,
      }),
    ]),
  ],
  work: (v, has, _ch, c) => {
    const s = shows(c);
    const points = curvePoints(v, has);
    const pump = { ratedLPerH: v('ratedLPerH'), maxHeadCm: v('maxHeadCm'), points };
    const pipe = { liftCm: v('liftCm'), pipeCm: v('pipeCm'), bends: v('bends'), insideMm: v('insideMm') };
    const at = workingPoint({ ...pump, ...pipe });
    const total = (at.flowLPerH + v('waveLPerH')) / v('netL');
    const wider = workingPoint({ ...pump, ...pipe, insideMm: pipe.insideMm * 1.25 });
    const lengthCm = v('pipeCm') + v('bends') * bendCm(v('insideMm'));
    const flows = Array.from({ length: 21 }, (_, i) => (v('ratedLPerH') * i) / 20);
    const heads = Array.from({ length: 21 }, (_, i) => (v('maxHeadCm') * (20 - i)) / 20);
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
        points?.length ? 'pump: straight between the points given' : 'pump: Q = Qmax √(1 − h / hmax)',
        'pipe: h = 10.67 L Q^1.852 / (150^1.852 d^4.87)  (Hazen–Williams), a bend as 30 diameters',
        `${at.flowLPerH.toFixed(0)} L/h at ${at.headCm.toFixed(0)} cm`,
      ],
      notes: [
        points?.length
          ? 'By the points of the maker’s drawing: time a bucket to know.'
          : 'A curve drawn through two points of the label: time a bucket to know.',
        'Wave pumps give their figure only in open water.',
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
            points: heads.map((cm) => drawn(pumpGives(pump, cm), cm)),
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
            noteAct(
              c,
              `Return about ${s.flow(at.flowLPerH)}, ${s.number(total, 1)} of the tank an hour in all.`,
            ),
          ]
        : [],
    };
  },
};

export const flowTool: Tool = {
  id: 'flow',
  title: 'Flow',
  lede: 'What is left of a pump’s rating at its height, and how often the water turns over.',
  fields: (c) => [
    field('ratedLPerH', 'Rated', 'litresPerHour', 0, 1e6, { above: true, start: 2000, decimals: 0 }),
    field('headCm', 'Height it lifts', 'length', 0, 2000, { start: 100 }),
    field('maxHeadCm', 'Highest it reaches', 'length', 0, 2000, { above: true, start: 250 }),
    netField(c),
  ],
  work: (v, _has, _ch, c) => {
    const s = shows(c);
    const r = realFlow({
      ratedLPerH: v('ratedLPerH'),
      headCm: v('headCm'),
      maxHeadCm: v('maxHeadCm'),
      netL: v('netL'),
    });
    return {
      figures: figures({
        flow: [r.litresPerHour, 'L/h'],
        turnover: [r.turnover, '1/h'],
      }),
      lines: [
        { name: 'Real flow', value: `about ${s.volume(r.litresPerHour, 0)} an hour`, strong: true },
        { name: 'Turnover', value: `${r.turnover.toFixed(1)} an hour` },
      ],
      formula: [
        'Q = rated · (1 − h / h_max)',
        `${v('ratedLPerH').toFixed(0)} × (1 − ${v('headCm').toFixed(0)} / ${v('maxHeadCm').toFixed(0)}) = ${r.litresPerHour.toFixed(0)} L/h`,
      ],
      notes: [
        'A straight line for the pump’s curve, bends and dirt left out: a stated estimate. Time a bucket to know.',
        'Return 3 to 8 an hour and 10 to 40 in all is the usual span; corals decide.',
      ],
      acts: c.water
        ? [
            noteAct(
              c,
              `Return flow about ${s.volume(r.litresPerHour, 0)} an hour, ${r.turnover.toFixed(1)} turnovers an hour.`,
            ),
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
          value: money.toFixed(2) + (has('limit') ? againstLimit(money, v('limit')) : ''),
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
              edits: () =>
                planRepeat(
                  c,
                  addDays(c.today, 90),
                  'Work every valve once',
                  'What is never turned sticks.',
                  90,
                ),
            },
          ]
        : [],
    };
  },
};

/** What is over the limit, or left of it. */
function againstLimit(money: number, limit: number): string {
  const by = Math.abs(money - limit).toFixed(2);
  return money > limit ? `, ${by} over` : `, ${by} left`;
}
