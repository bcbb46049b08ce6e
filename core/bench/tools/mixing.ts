/** Salt in stages, and what a mix brings. */
import { learnedStrength } from '../../dosing';
import type { Mix } from '../../document';
import { mixOf } from '../../supply';
import { addDays } from '../../time';
import {
  aimMiddle,
  choice,
  field,
  figures,
  lastValue,
  logNow,
  planTask,
  shows,
  type Tool,
  type ToolContext,
} from '../tool';
import { batchesOf } from './water';

/** The first portion aims a little low: taking salt out of a bucket costs water. */
const FIRST_SHARE = 0.9;

export const stagedTool: Tool = {
  id: 'staged',
  title: 'Salt in stages',
  lede: 'What is really in, measured, and the next portion: until it is right, without overshooting.',
  caution: 'In its own container with heat and flow. Salt never goes into water with animals.',
  fields: (c) => [
    field('litres', 'Water in the container', 'volume', 0, 100000, { above: true, start: 40 }),
    field('salinity', 'Aim', 'salinity', 2, 42, { start: aimMiddle(c, 'salinity', 35) }),
    choice(
      'by',
      'Salt goes in by',
      [
        ['grams', 'scales'],
        ['cups', 'level cups'],
        ['share', 'share of the bag'],
      ],
      'grams',
    ),
    field('cupGrams', 'A level cup weighs', 'number', 0, 2000, {
      unit: 'g',
      above: true,
      start: 280,
      decimals: 0,
    }),
    field('bagGrams', 'The bag holds', 'number', 0, 1e6, {
      unit: 'g',
      above: true,
      start: 20000,
      decimals: 0,
    }),
    field('in', 'Already in', 'number', 0, 1e6, { unit: 'g, cups or % of the bag', start: 0 }),
    field('measured', 'Measured now', 'salinity', 2, 42, {
      optional: true,
      hint: 'Mixed for an hour at least, at temperature.',
    }),
    field('mixedHours', 'Mixed for', 'number', 0, 500, { unit: 'h', start: 0, decimals: 1 }),
    field('pricePerKg', 'Salt costs', 'aKilogram', 0, 1000, { optional: true }),
  ],
  work: (v, has, ch, c) => {
    const s = shows(c);
    const per = ch.by === 'cups' ? v('cupGrams') : ch.by === 'share' ? v('bagGrams') / 100 : 1;
    const inGrams = v('in') * per;
    const strength = learnedStrength(batchesOf(c));
    // What this batch itself says goes before what was learned.
    const own = has('measured') && inGrams > 0 ? (inGrams / v('litres')) * (35 / v('measured')) : null;
    const gramsAt35 = own ?? strength.gramsPerLitre;
    const wanted = (v('litres') * gramsAt35 * v('salinity')) / 35;
    const missing = wanted - inGrams;
    const early = has('measured') && v('mixedHours') < 1;
    const far = has('measured') ? v('salinity') - v('measured') : v('salinity');
    const right = has('measured') && Math.abs(far) < 0.3;
    const over = has('measured') && far <= -0.3;
    const portion =
      right || over ? 0 : inGrams === 0 ? missing * FIRST_SHARE : far > 2 ? missing * FIRST_SHARE : missing;
    const dilute = over ? v('litres') * (v('measured') / v('salinity') - 1) : 0;
    const asked = (g: number): string =>
      ch.by === 'cups'
        ? `${s.number(g / per, 1)} cups (${s.grams(g)})`
        : ch.by === 'share'
          ? `${s.number(g / per, 1)} % of the bag (${s.grams(g)})`
          : s.grams(g);
    const money = has('pricePerKg') ? (wanted / 1000) * v('pricePerKg') : null;
    return {
      figures: figures({
        next: [portion, 'g'],
        total: [wanted, 'g'],
        addWater: [dilute, 'L'],
        gramsPerLitreAt35: [gramsAt35, 'g/L'],
        cost: [money ?? undefined, 'money'],
      }),
      lines: [
        over
          ? { name: 'Too salty: add RO/DI water', value: s.volume(dilute), strong: true }
          : right
            ? {
                name: 'It is right',
                value: v('mixedHours') < 24 ? 'let it mix on; a day is usual' : 'ready, once warm',
                strong: true,
              }
            : {
                name: inGrams === 0 ? 'First portion' : 'Next portion',
                value: asked(Math.max(0, portion)),
                strong: true,
              },
        { name: 'Until it is right, in all', value: asked(wanted) },
        ...(has('measured')
          ? [
              {
                name: 'It stands at',
                value: `${s.salinity(v('measured'))}, aim ${s.salinity(v('salinity'))}`,
              },
            ]
          : []),
        ...(money === null ? [] : [{ name: 'Salt for it costs', value: money.toFixed(2) }]),
      ],
      formula: [
        own === null ? 'g at 35 as learned from your batches' : 'g at 35 = put in / litres × 35 / measured',
        `${s.number(v('litres'), 1)} × ${gramsAt35.toFixed(1)} × ${v('salinity').toFixed(1)} / 35 − ${inGrams.toFixed(0)} = ${missing.toFixed(0)} g`,
      ],
      notes: [
        'The first portion stops at nine tenths: a bucket that is short takes salt, one that is over takes water and room.',
        'Then mix an hour at least, warm, and measure again before the next.',
      ],
      warnings: early
        ? ['Not mixed for an hour yet: what is measured now is too low, and a portion by it overshoots.']
        : [],
      acts: c.water
        ? [
            ...(right
              ? [
                  {
                    label: 'Log this batch',
                    primary: true,
                    done: 'Batch logged',
                    edits: () =>
                      logNow(c, {
                        kind: 'saltMixed',
                        litres: v('litres'),
                        grams: inGrams > 0 ? inGrams : wanted,
                        salinity: v('measured'),
                      }),
                  },
                ]
              : [
                  {
                    label: `Remind me at ${c.clockLabel(c.nowMs + 3_600_000)}: measure again`,
                    primary: true,
                    done: 'Planned',
                    edits: () =>
                      planTask(
                        c,
                        c.today,
                        `Measure the new salt water at ${c.clockLabel(c.nowMs + 3_600_000)}`,
                        `${asked(Math.max(0, portion))} went in.`,
                      ),
                  },
                ]),
            {
              label: 'Use it from tomorrow',
              done: 'Planned',
              edits: () =>
                planTask(
                  c,
                  addDays(c.today, 1),
                  'The new salt water has mixed for a day',
                  'Temperature and salinity once more, then it may go in.',
                ),
            },
          ]
        : [],
    };
  },
};

/** Natural sea water at 35 (Millero et al. 2008, reference composition; alkalinity of surface ocean 2.3 meq/kg). */
const NATURAL = { alkalinity: 6.6, calcium: 422, magnesium: 1316, potassium: 408 } as const;
const PARTS = ['alkalinity', 'calcium', 'magnesium'] as const;
const UNIT = { alkalinity: 'dKH', calcium: 'mg/L', magnesium: 'mg/L' } as const;

const nearest = (c: ToolContext): Mix | null => (c.water ? mixOf(c.doc, c.water.id) : null);

export const mixTool: Tool = {
  id: 'mix',
  title: 'What the mix brings',
  lede: 'A mix by its bag or by your test, beside natural sea water and this tank, and what a change of it moves.',
  fields: (c) => {
    const mix = nearest(c);
    return [
      field('at', 'These hold at a salinity of', 'salinity', 20, 42, { start: 35 }),
      field('alkalinity', 'Alkalinity of the mix', 'number', 0, 40, {
        unit: 'dKH',
        above: true,
        start: mix?.alkalinity ?? null,
        decimals: 1,
      }),
      field('calcium', 'Calcium', 'number', 0, 1000, {
        unit: 'mg/L',
        above: true,
        start: mix?.calcium ?? 420,
        decimals: 0,
      }),
      field('magnesium', 'Magnesium', 'number', 0, 4000, {
        unit: 'mg/L',
        above: true,
        start: mix?.magnesium ?? 1300,
        decimals: 0,
      }),
      field('potassium', 'Potassium', 'number', 0, 1000, {
        unit: 'mg/L',
        optional: true,
        start: mix?.potassium ?? null,
        decimals: 0,
      }),
      choice(
        'from',
        'From',
        [
          ['label', 'its bag'],
          ['measured', 'my own test'],
        ],
        mix?.from === 'measured' ? 'measured' : 'label',
      ),
      field('salinity', 'You mix to', 'salinity', 20, 42, { start: aimMiddle(c, 'salinity', 35) }),
      field('fraction', 'A change of', 'number', 0, 100, { unit: '%', above: true, start: 15, decimals: 0 }),
      field('tankAlkalinity', 'Alkalinity of the tank', 'number', 0, 40, {
        unit: 'dKH',
        optional: true,
        start: lastValue(c, 'alkalinity'),
        decimals: 1,
      }),
    ];
  },
  work: (v, has, ch, c) => {
    const s = shows(c);
    const as = (what: (typeof PARTS)[number]) => (v(what) * v('salinity')) / v('at');
    const after = has('tankAlkalinity')
      ? v('tankAlkalinity') * (1 - v('fraction') / 100) + (as('alkalinity') * v('fraction')) / 100
      : null;
    const jump = after === null ? null : after - v('tankAlkalinity');
    const at35 = (what: (typeof PARTS)[number]) => (v(what) * 35) / v('at');
    return {
      figures: figures({
        alkalinity: [as('alkalinity'), 'dKH'],
        calcium: [as('calcium'), 'mg/L'],
        magnesium: [as('magnesium'), 'mg/L'],
        tankAfter: [after ?? undefined, 'dKH'],
        jump: [jump ?? undefined, 'dKH'],
      }),
      lines: [
        {
          name: `Mixed to ${s.salinity(v('salinity'))} it holds`,
          value: `${s.number(as('alkalinity'), 1)} dKH, Ca ${as('calcium').toFixed(0)}, Mg ${as('magnesium').toFixed(0)} mg/L`,
          strong: true,
        },
        ...(after === null
          ? []
          : [
              {
                name: `The tank after ${v('fraction').toFixed(0)} %`,
                value: `${s.number(after, 2)} dKH`,
                strong: true,
              },
            ]),
        ...PARTS.map((p) => ({
          name: `${p}, against natural sea water`,
          value: `${s.number(at35(p), p === 'alkalinity' ? 1 : 0)} / ${s.number(NATURAL[p], p === 'alkalinity' ? 1 : 0)} ${UNIT[p]} at 35`,
        })),
        ...(has('potassium')
          ? [
              {
                name: 'potassium, against natural sea water',
                value: `${((v('potassium') * 35) / v('at')).toFixed(0)} / ${NATURAL.potassium} mg/L at 35`,
              },
            ]
          : []),
      ],
      formula: [
        'what is dissolved follows salinity: x′ = x · S′ / S; after a change C′ = C (1 − f) + Cₙ f',
        ...(after === null
          ? []
          : [
              `${s.number(v('tankAlkalinity'), 2)} × ${s.number(1 - v('fraction') / 100, 2)}` +
                ` + ${s.number(as('alkalinity'), 2)} × ${s.number(v('fraction') / 100, 2)} = ${s.number(after, 2)} dKH`,
            ]),
      ],
      notes: [
        'Bags differ: test one batch of each, at 35, and keep that.',
        'High alkalinity in a mix is no fault; a change of it lifts the tank, which a log has to know.',
      ],
      warnings:
        jump !== null && Math.abs(jump) > 1
          ? [
              `One change would move alkalinity by ${s.number(jump, 1)} dKH: more than 1 a day is too fast. Change less at a time.`,
            ]
          : [],
      acts:
        c.water?.kind === 'display'
          ? [
              {
                label: 'Keep it as this tank’s salt',
                primary: true,
                done: 'Mix kept',
                edits: () => {
                  if (c.water?.kind !== 'display') return [];
                  const old = nearest(c);
                  const mixId = old?.id ?? c.newId();
                  const entity: Mix = {
                    id: mixId,
                    name: old?.name ?? 'My salt',
                    from: ch.from === 'measured' ? 'measured' : 'label',
                    alkalinity: at35('alkalinity'),
                    calcium: at35('calcium'),
                    magnesium: at35('magnesium'),
                    ...(has('potassium') ? { potassium: (v('potassium') * 35) / v('at') } : {}),
                  };
                  return [
                    { put: 'mixes', entity: { ...old, ...entity } },
                    { put: 'waters', entity: { ...c.water, mixId } },
                  ];
                },
              },
            ]
          : [],
    };
  },
};
