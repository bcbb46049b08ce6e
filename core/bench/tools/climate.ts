/** Heat and light. */
import {
  dailyLight,
  degreeCostPerMonth,
  heaterFit,
  heaterWatts,
  heatLossWPerK,
  lightRamp,
  type Fit,
} from '../../equipment/sizing';
import { heatingHours } from '../../dilution';
import { addDays } from '../../time';
import {
  aimMiddle,
  choice,
  field,
  figures,
  lastValue,
  logNow,
  netField,
  planTask,
  shows,
  sizeFields,
  type Tool,
} from '../tool';

const FIT_WORDS: Record<Fit, string> = {
  along: 'along a side',
  acrossFloor: 'across the floor, corner to corner',
  acrossSpace: 'only slanted from corner to corner: look whether all of it stays under water',
  no: 'not: take a shorter one, or two',
};

export const heatTool: Tool = {
  id: 'heat',
  title: 'Heat',
  lede: 'Heater size for this tank and room, its dial against a thermometer, and what a degree costs.',
  caution:
    'Unplug a heater before it leaves the water. A residual-current device and drip loops on everything.',
  fields: (c) => [
    ...sizeFields(c),
    choice(
      'lid',
      'Lid',
      [
        ['yes', 'on'],
        ['no', 'open'],
      ],
      c.water?.hasLid === false ? 'no' : 'yes',
    ),
    netField(c),
    field('tankC', 'Aim', 'temperature', 10, 35, { start: aimMiddle(c, 'temperature', 25) }),
    field('coldestRoomC', 'Coldest room', 'temperature', -20, 40, { start: 17 }),
    field('watts', 'Your heater', 'number', 0, 5000, { unit: 'W', above: true, start: 150, decimals: 0 }),
    field('price', 'Current costs', 'number', 0, 10, { unit: 'a kWh', start: 0.3 }),
    field('dialC', 'Its dial says', 'temperature', 5, 40, { optional: true }),
    field('measuredC', 'A thermometer says', 'temperature', 5, 40, {
      optional: true,
      start: lastValue(c, 'temperature'),
    }),
    field('secondC', 'A second one says', 'temperature', 5, 40, { optional: true }),
    field('heaterCm', 'Your heater is long', 'length', 0, 200, { above: true, optional: true, below: true }),
    field('sumpLengthCm', 'The sump’s chamber, length', 'length', 0, 500, {
      above: true,
      optional: true,
      below: true,
    }),
    field('sumpWidthCm', 'Its width', 'length', 0, 500, { above: true, optional: true, below: true }),
    field('sumpDepthCm', 'Water in it, running low', 'length', 0, 200, {
      above: true,
      optional: true,
      below: true,
    }),
  ],
  work: (v, has, ch, c) => {
    const s = shows(c);
    const loss = heatLossWPerK(v('lengthCm'), v('widthCm'), v('heightCm'), ch.lid === 'yes');
    const size = heaterWatts(loss, v('tankC'), v('coldestRoomC'));
    const dial = has('dialC') && has('measuredC') ? v('measuredC') - v('dialC') : null;
    const fit = ['heaterCm', 'sumpLengthCm', 'sumpWidthCm', 'sumpDepthCm'].every(has)
      ? heaterFit(v('heaterCm'), v('sumpLengthCm'), v('sumpWidthCm'), v('sumpDepthCm'))
      : null;
    const apart = has('measuredC') && has('secondC') ? Math.abs(v('measuredC') - v('secondC')) : null;
    return {
      figures: figures({
        hold: [size.holdW, 'W'],
        heater: [size.suggestedW, 'W'],
        loss: [loss, 'W/K'],
        heatingHours: [
          heatingHours(v('netL'), Math.min(v('coldestRoomC'), v('tankC')), v('tankC'), v('watts')),
          'h',
        ],
        degreeCostPerMonth: [degreeCostPerMonth(loss, v('price')), 'a month'],
        dialOff: [dial ?? undefined, 'K'],
        thermometersApart: [apart ?? undefined, 'K'],
      }),
      lines: [
        { name: 'Heater', value: `${size.suggestedW} W, better as two of half`, strong: true },
        { name: 'To hold it in the coldest room', value: `${size.holdW.toFixed(0)} W` },
        {
          name: 'From room to aim with yours',
          value: `${s.number(heatingHours(v('netL'), Math.min(v('coldestRoomC'), v('tankC')), v('tankC'), v('watts')), 1)} h, losses left out`,
        },
        {
          name: 'One degree more costs',
          value: `${degreeCostPerMonth(loss, v('price')).toFixed(2)} a month`,
        },
        ...(fit === null ? [] : [{ name: 'It fits the sump', value: FIT_WORDS[fit] }]),
        {
          name: 'Two of half',
          value: `${Math.ceil(size.suggestedW / 2 / 25) * 25} W each: one that sticks heats half as fast, one that fails leaves the other`,
        },
        ...(dial !== null
          ? [{ name: 'Dial is off by', value: `${dial > 0 ? '+' : ''}${dial.toFixed(1)} K` }]
          : []),
        ...(apart !== null ? [{ name: 'Thermometers differ by', value: `${apart.toFixed(1)} K` }] : []),
      ],
      formula: [
        'P = (8 W/m²K · glass + 15 W/m²K · surface) · ΔT',
        `${loss.toFixed(1)} W/K × (${v('tankC').toFixed(1)} − ${v('coldestRoomC').toFixed(1)}) = ${size.holdW.toFixed(0)} W; half in reserve`,
      ],
      notes: ['Loss figures are estimates: glass with still air 8, open water 15 W/m²K, half under a lid.'],
      warnings: [
        ...(apart !== null && apart > 0.5
          ? [
              'Two thermometers that differ by more than half a degree: trust neither until a third has spoken.',
            ]
          : []),
        ...(v('watts') < size.holdW ? ['This heater cannot hold the aim on the coldest day.'] : []),
      ],
      acts: c.water
        ? [
            {
              label: dial !== null ? 'Log the dial’s error' : 'Log this as a note',
              primary: true,
              done: 'Logged',
              edits: () =>
                logNow(
                  c,
                  { kind: 'note' },
                  dial !== null
                    ? `Heater dial ${s.temperature(v('dialC'))}, measured ${s.temperature(v('measuredC'))}: off by ${s.by('temperature', dial)}.`
                    : `Heater needed: ${size.suggestedW} W for ${s.temperature(v('tankC'))} in a room of ${s.temperature(v('coldestRoomC'))}.`,
                ),
            },
          ]
        : [],
    };
  },
};

/** Keepers differ; what speaks for each. */
const LIGHT_RULES: Record<string, string> = {
  sand: 'Dark until the sand is in: nothing grows that a storm of sand would bury. Bacteria need no light.',
  zeros:
    'Dark until both read zero: least film, and nothing that lives is kept waiting. With rock that came alive, or corals, it does not do.',
  once: 'On from the first day: what came alive on the rock lives on, and film comes early; it goes again.',
};

export const lightTool: Tool = {
  id: 'light',
  title: 'Light',
  lede: 'Light of a day, and a ramp by equal ratios: eyes and corals feel steps as shares.',
  fields: (c) => [
    field('par', 'PAR at the coral', 'number', 0, 3000, {
      unit: 'µmol/m²/s',
      start: lastValue(c, 'par') ?? 100,
      decimals: 0,
    }),
    field('hours', 'Hours a day', 'number', 0, 24, { unit: 'h', start: 8, decimals: 1 }),
    field('startPercent', 'Start', 'number', 1, 100, { unit: '%', start: 20, decimals: 0 }),
    field('endPercent', 'End', 'number', 1, 100, { unit: '%', start: 70, decimals: 0 }),
    field('steps', 'In steps', 'number', 1, 20, { whole: true, start: 5, decimals: 0 }),
    field('holdDays', 'Hold each', 'number', 1, 60, { unit: 'days', whole: true, start: 7, decimals: 0 }),
    choice(
      'rule',
      'Until it begins the light is',
      [
        ['sand', 'off until the sand is in'],
        ['zeros', 'off until both read zero'],
        ['once', 'on from the first day'],
      ],
      'zeros',
      { below: true },
    ),
  ],
  work: (v, _has, ch, c) => {
    const steps = lightRamp(v('startPercent'), v('endPercent'), v('steps'), v('holdDays'));
    const ratio = (v('endPercent') / v('startPercent')) ** (1 / v('steps'));
    return {
      figures: figures({
        dailyLight: [dailyLight(v('par'), v('hours')), 'mol/m²/day'],
        ratio: [ratio, 'times'],
        days: [v('steps') * v('holdDays'), 'days'],
      }),
      lines: [
        {
          name: 'Light of a day',
          value: `${dailyLight(v('par'), v('hours')).toFixed(1)} mol/m²`,
          strong: true,
        },
        { name: 'Each step', value: `× ${ratio.toFixed(2)}` },
        { name: 'The ramp takes', value: `${v('steps') * v('holdDays')} days` },
      ],
      formula: [
        'DLI = PAR · 3600 · hours / 10⁶',
        `${v('par').toFixed(0)} × 3600 × ${v('hours')} / 10⁶ = ${dailyLight(v('par'), v('hours')).toFixed(2)} mol/m² a day`,
      ],
      notes: [
        LIGHT_RULES[ch.rule ?? 'zeros'] ?? '',
        'Hold a step longer when film or pale corals say so. Note the setting with every PAR reading and photo.',
      ],
      drawing: {
        kind: 'bars',
        title: 'The ramp',
        unit: '%',
        bars: steps.map((x, i) => ({
          label: i === 0 ? 'now' : c.dayLabel(addDays(c.today, x.day)),
          value: x.percent,
          shown: x.percent.toFixed(0),
          planned: i > 0,
        })),
      },
      acts: c.water
        ? [
            {
              label: `Plan ${steps.length - 1} steps`,
              primary: true,
              done: 'Light ramp planned',
              edits: () =>
                steps
                  .slice(1)
                  .flatMap((x) =>
                    planTask(
                      c,
                      addDays(c.today, x.day),
                      `Light to ${x.percent.toFixed(0)} %`,
                      'Only if film and corals allow; hold otherwise.',
                    ),
                  ),
            },
          ]
        : [],
    };
  },
};
