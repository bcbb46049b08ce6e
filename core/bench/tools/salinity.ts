/** Salinity in every scale, and the way from here to where it should be. */
import { addDays } from '../../time';
import { salinityPlan } from '../../dosing';
import {
  conductivityMSPerCm,
  densityKgPerM3,
  hydrometerShows,
  refractometerShows,
  refractometerTrue,
  salinityFromConductivity,
  salinityFromDensity,
  salinityFromSpecificGravity,
  specificGravity,
  type Refractometer,
} from '../../seawater';
import {
  aimMiddle,
  choice,
  field,
  figures,
  lastValue,
  netField,
  planTask,
  shows,
  type Choices,
  type Tool,
  type ToolContext,
  type ToolField,
} from '../tool';
import { evaporationOf } from './water';

const SCALES = [
  ['salinity', 'salinity'],
  ['sg2525', 'SG 25/25'],
  ['sg2020', 'SG 20/20'],
  ['conductivity', 'conductivity'],
  ['density', 'density'],
  ['refractometer', 'my refractometer'],
] as const;

const refractometerOf = (ch: Choices): Refractometer => ({
  scale: ch.scale === 'plainSalt' ? 'plainSalt' : 'seaWater',
  setOn: ch.setOn === 'plainWater' ? 'plainWater' : 'fluid35',
});

/** The one field of what is known, in its own scale; starts from the last reading in the log. */
function knownAs(c: ToolContext, from: string | undefined): ToolField {
  const last = lastValue(c, 'salinity');
  const tempC = lastValue(c, 'temperature') ?? 25;
  // A reading off a scale's range (fresh water, a cold bucket) starts nothing.
  const start = (f: (salinity: number) => number): number | null => {
    try {
      return last === null ? null : f(last);
    } catch {
      return null;
    }
  };
  switch (from) {
    case 'sg2525':
    case 'sg2020':
      return field(from, from === 'sg2525' ? 'SG 25/25' : 'SG 20/20', 'number', 1, 1.033, {
        unit: '',
        decimals: 4,
        start: start((x) => specificGravity(x, from === 'sg2525' ? '25/25' : '20/20')),
      });
    case 'conductivity':
      return field('conductivity', 'Conductivity', 'number', 0, 200, {
        unit: 'mS/cm',
        decimals: 1,
        above: true,
        start: start((x) => conductivityMSPerCm(x, tempC)),
        hint: 'As it is at the temperature beside it, not corrected to 25 °C.',
      });
    case 'density':
      return field('density', 'Density', 'number', 900, 1100, {
        unit: 'kg/m³',
        decimals: 2,
        start: start((x) => densityKgPerM3(x, tempC)),
      });
    case 'refractometer':
      return field('shown', 'It shows', 'number', 0, 60, {
        unit: 'ppt',
        decimals: 1,
        hint: 'With the scale and setting chosen below.',
      });
    default:
      return field('salinity', 'Salinity now', 'salinity', 2, 42, { start: last });
  }
}

function salinityFrom(ch: Choices, v: (key: string) => number): number {
  switch (ch.from) {
    case 'sg2525':
      return salinityFromSpecificGravity(v('sg2525'), '25/25');
    case 'sg2020':
      return salinityFromSpecificGravity(v('sg2020'), '20/20');
    case 'conductivity':
      return salinityFromConductivity(v('conductivity'), v('tempC'));
    case 'density':
      return salinityFromDensity(v('density'), v('tempC'));
    case 'refractometer':
      return refractometerTrue(v('shown'), refractometerOf(ch));
    default:
      return v('salinity');
  }
}

export const salinityTool: Tool = {
  id: 'salinity',
  title: 'Salinity in every scale',
  lede: 'Any scale to any other, what your instrument would show, and how to get from here to where it should be.',
  fields: (c, ch) => [
    choice('from', 'Known as', SCALES, 'salinity'),
    knownAs(c, ch.from),
    field('tempC', 'Temperature', 'temperature', -2, 35, { start: lastValue(c, 'temperature') ?? 25 }),
    choice(
      'scale',
      'Refractometer scale',
      [
        ['seaWater', 'sea water'],
        ['plainSalt', 'plain salt'],
      ],
      'seaWater',
      { below: ch.from !== 'refractometer' },
    ),
    choice(
      'setOn',
      'Set on',
      [
        ['fluid35', '35 ppt fluid'],
        ['plainWater', 'plain water'],
      ],
      'fluid35',
      { below: ch.from !== 'refractometer' },
    ),
    field('target', 'Aim', 'salinity', 10, 42, { start: aimMiddle(c, 'salinity', 35) }),
    netField(c),
    field('evaporationLPerDay', 'Evaporation a day', 'volume', 0, 1000, {
      optional: true,
      start: evaporationOf(c),
      hint: 'Needed to go up: salt water in place of fresh.',
    }),
    choice(
      'animals',
      'Animals in the tank',
      [
        ['yes', 'yes'],
        ['no', 'no'],
      ],
      c.evidence && !c.evidence.isInhabited ? 'no' : 'yes',
      { below: true },
    ),
  ],
  work: (v, has, ch, c) => {
    const s = shows(c);
    const r = refractometerOf(ch);
    const is = salinityFrom(ch, v);
    const target = v('target');
    const far = Math.abs(is - target) > 0.05;
    const up = target > is;
    const steps =
      !far || (up && !has('evaporationLPerDay'))
        ? []
        : salinityPlan({
            from: is,
            to: target,
            netL: v('netL'),
            evaporationLPerDay: up ? v('evaporationLPerDay') : 1,
            maxPerDay: ch.animals === 'yes' ? 1 : 2,
          });
    return {
      figures: figures({
        salinity: [is, 'ppt'],
        sg2525: [specificGravity(is, '25/25'), 'SG'],
        sg2020: [specificGravity(is, '20/20'), 'SG'],
        conductivity: [conductivityMSPerCm(is, v('tempC')), 'mS/cm'],
        conductivity25: [conductivityMSPerCm(is, 25), 'mS/cm'],
        density: [densityKgPerM3(is, v('tempC')), 'kg/m³'],
        refractometer: [refractometerShows(is, r), 'ppt'],
        days: [steps.length, 'days'],
        swapFirstDay: [steps[0]?.swapL, 'L'],
        topUpFirstDay: [steps[0]?.topUpSalinity, 'ppt'],
      }),
      lines: [
        { name: 'Practical salinity', value: `${is.toFixed(2)} ppt`, strong: true },
        { name: 'SG 25/25', value: specificGravity(is, '25/25').toFixed(4) },
        { name: 'SG 20/20', value: specificGravity(is, '20/20').toFixed(4) },
        {
          name: `Conductivity at ${s.temperature(v('tempC'))}`,
          value: `${conductivityMSPerCm(is, v('tempC')).toFixed(1)} mS/cm`,
        },
        { name: 'Conductivity at 25 °C', value: `${conductivityMSPerCm(is, 25).toFixed(1)} mS/cm` },
        {
          name: `Density at ${s.temperature(v('tempC'))}`,
          value: `${densityKgPerM3(is, v('tempC')).toFixed(2)} kg/m³`,
        },
        { name: 'Your refractometer would show', value: `${refractometerShows(is, r).toFixed(1)} ppt` },
        {
          name: `A hydrometer marked 25/25, read at ${s.temperature(v('tempC'))}`,
          value: hydrometerShows(is, v('tempC'), '25/25').toFixed(4),
        },
        {
          name: `One marked 20/20, read at ${s.temperature(v('tempC'))}`,
          value: hydrometerShows(is, v('tempC'), '20/20').toFixed(4),
        },
      ],
      formula: [
        'SG = ρ(S, T) / ρ(0, T)   (EOS-80); conductivity: practical salinity scale 1978',
        `ρ(${is.toFixed(1)}, 25) / ρ(0, 25) = ${densityKgPerM3(is, 25).toFixed(2)} / ${densityKgPerM3(0, 25).toFixed(2)} = ${specificGravity(is, '25/25').toFixed(4)}`,
      ],
      notes: [
        'SG 1.025 at 25/25 is 33.2 ppt, not 35: the commonest slip.',
        'A scale for plain salt set on plain water shows 36.5 in sea water of 35. Set it on 35 ppt fluid.',
      ],
      warnings:
        far && up && steps.length === 0
          ? [
              'To go up with animals in, enter the daily evaporation: it is topped up with salt water. Never add dry salt to a tank with animals.',
            ]
          : [],
      drawing:
        steps.length > 0
          ? {
              kind: 'bars',
              title: 'Salinity at the end of each day',
              unit: '',
              bars: [
                { label: 'now', value: is, shown: s.salinity(is) },
                ...steps.slice(0, 14).map((x) => ({
                  label: `day ${x.day}`,
                  value: x.to,
                  shown: s.salinity(x.to),
                  planned: true,
                })),
              ],
              goal: { value: target, label: 'aim' },
            }
          : undefined,
      steps:
        steps.length > 0
          ? {
              caption: up ? 'Up, with richer top-up' : 'Down, by swapping for RO/DI',
              columns: ['day', 'do', 'to'],
              rows: steps.map((x) => [
                String(x.day),
                up
                  ? `top up ${s.volume(x.topUpL)} of ${s.salinity(x.topUpSalinity)}`
                  : `swap ${s.volume(x.swapL)}`,
                s.salinity(x.to),
              ]),
            }
          : undefined,
      acts:
        c.water && steps.length > 0
          ? [
              {
                label: `Plan ${steps.length} day${steps.length === 1 ? '' : 's'}`,
                primary: true,
                done: 'Salinity correction planned',
                edits: () =>
                  steps.flatMap((x) =>
                    planTask(
                      c,
                      addDays(c.today, x.day - 1),
                      up
                        ? `Top up with salt water of ${s.salinity(x.topUpSalinity)}: ${s.volume(x.topUpL)}`
                        : `Swap ${s.volume(x.swapL)} for RO/DI water`,
                      `Salinity ${s.salinity(x.from)} to ${s.salinity(x.to)}. Measure before and after.`,
                    ),
                  ),
              },
            ]
          : [],
    };
  },
};
