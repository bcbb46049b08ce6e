/** Salt, water changes and evaporation as logged. */
import { addDays, DAY_MS } from '../../time';
import {
  afterContinuousExchange,
  beforeFromAfter,
  dilutionSteps,
  fractionForSteps,
  heatingHours,
} from '../../dilution';
import { correctBatch, learnedStrength, saltFor, USUAL_IN_NEW_WATER } from '../../dosing';
import { fromMgNPerL } from '../../units';
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
  type Tool,
  type ToolContext,
} from '../tool';

export const batchesOf = (c: ToolContext) =>
  Object.values(c.doc.events)
    .flatMap((e) => (e.kind === 'saltMixed' ? [e] : []))
    .sort((a, b) => (a.at < b.at ? -1 : 1));

/** Litres a day as the top-offs of the last three weeks tell them; null with fewer than two. */
export function evaporationOf(c: ToolContext): number | null {
  const tops = (c.evidence?.events ?? []).flatMap((e) =>
    e.kind === 'topOff' && c.nowMs - Date.parse(e.at) < 21 * DAY_MS
      ? [{ atMs: Date.parse(e.at), litres: e.litres }]
      : [],
  );
  const first = tops[0];
  const last = tops[tops.length - 1];
  if (!first || !last || tops.length < 2) return null;
  const days = (last.atMs - first.atMs) / DAY_MS;
  // The first top-off replaces what went before the span.
  return days < 1 ? null : tops.slice(1).reduce((sum, t) => sum + t.litres, 0) / days;
}

export const saltTool: Tool = {
  id: 'salt',
  title: 'New salt water',
  lede: 'How much salt, learned from your own batches, and what to do with one that came out wrong.',
  caution:
    'Salt never goes into a tank with animals: mix in its own container, with heat and flow, an hour at least.',
  fields: (c) => [
    field('litres', 'Batch', 'volume', 0, 100000, { above: true, start: 20 }),
    field('salinity', 'Aim', 'salinity', 2, 42, { start: aimMiddle(c, 'salinity', 35) }),
    field('cupGrams', 'A cup of your salt weighs', 'number', 0, 2000, {
      unit: 'g',
      above: true,
      start: 280,
      decimals: 0,
      hint: 'Weigh one level cup once; mixes differ.',
    }),
    field('bagGrams', 'The bag holds', 'number', 0, 1e6, { unit: 'g', above: true, optional: true }),
    field('tempC', 'Source water', 'temperature', 1, 35, { start: 15 }),
    field('watts', 'Heater', 'number', 0, 5000, { unit: 'W', above: true, start: 150, decimals: 0 }),
    field('measured', 'It came out at', 'salinity', 2, 42, {
      optional: true,
      hint: 'After mixing, at temperature: for a correction, and to learn the mix.',
    }),
    field('usedGrams', 'Salt you put in', 'number', 0, 1e7, {
      unit: 'g',
      above: true,
      optional: true,
      hint: 'Where it was not the amount above.',
    }),
  ],
  work: (v, has, _ch, c) => {
    const s = shows(c);
    const strength = learnedStrength(batchesOf(c));
    const grams = saltFor(v('litres'), v('salinity'), strength.gramsPerLitre);
    const hours = heatingHours(v('litres'), v('tempC'), 25, v('watts'));
    const fix = has('measured')
      ? correctBatch(v('litres'), v('measured'), v('salinity'), strength.gramsPerLitre)
      : null;
    return {
      figures: figures({
        grams: [grams, 'g'],
        cups: [grams / v('cupGrams'), 'cups'],
        heatingHours: [hours, 'h'],
        moreSalt: [fix?.kind === 'salt' ? fix.grams : undefined, 'g'],
        moreWater: [fix?.kind === 'water' ? fix.litres : undefined, 'L'],
      }),
      lines: [
        { name: 'Salt', value: s.grams(grams), strong: true },
        { name: 'In level cups', value: s.number(grams / v('cupGrams'), 1) },
        ...(has('bagGrams')
          ? [
              {
                name: 'Of the bag',
                value: `${((100 * grams) / v('bagGrams')).toFixed(0)} %, enough for ${Math.floor(v('bagGrams') / grams)} such batches`,
              },
            ]
          : []),
        { name: 'RO/DI water', value: s.volume(v('litres')) },
        {
          name: `Heating to ${s.temperature(25)}`,
          value: hours < 0.05 ? 'none' : `about ${s.number(hours, 1)} h`,
        },
        { name: 'Mixing', value: 'an hour at least, a day by most; then test at temperature' },
        ...(fix
          ? [
              {
                name: 'Put right with',
                value:
                  fix.kind === 'right'
                    ? 'nothing: it is right'
                    : fix.kind === 'salt'
                      ? `${s.grams(fix.grams)} more salt, in the bucket`
                      : `${s.volume(fix.litres)} RO/DI water`,
                strong: true,
              },
            ]
          : []),
      ],
      formula: [
        'm = V · g₃₅ · S / 35',
        `${v('litres').toFixed(1)} × ${strength.gramsPerLitre.toFixed(1)} × ${v('salinity').toFixed(1)} / 35 = ${grams.toFixed(0)} g`,
      ],
      notes: [
        strength.batches === 0
          ? 'No batch logged yet: 38 g/L at 35 is the usual. Log how it came out and it learns yours.'
          : `${strength.gramsPerLitre.toFixed(1)} g/L at 35, learned from ${strength.batches} batch${strength.batches === 1 ? '' : 'es'}, drawn towards the usual 38.`,
      ],
      acts:
        c.water && has('measured')
          ? [
              {
                label: 'Log this batch',
                primary: true,
                done: 'Batch logged',
                edits: () =>
                  logNow(c, {
                    kind: 'saltMixed',
                    litres: v('litres'),
                    // What went in, not what was reckoned: it is what teaches the mix.
                    grams: has('usedGrams') ? v('usedGrams') : grams,
                    salinity: v('measured'),
                  }),
              },
            ]
          : [],
    };
  },
};

const GOALS = [
  ['nitrate', 'nitrate'],
  ['phosphate', 'phosphate'],
  ['alkalinity', 'alkalinity'],
  ['salinity', 'salinity'],
  ['fraction', 'a fraction'],
  ['missed', 'a missed before test'],
] as const;
const GOAL_UNIT: Record<string, string> = {
  nitrate: 'mg/L NO₃',
  phosphate: 'mg/L PO₄',
  alkalinity: 'dKH',
  salinity: 'ppt',
  fraction: '%',
};
const USUAL_NEW: Record<string, number> = {
  nitrate: 0,
  phosphate: 0,
  alkalinity: USUAL_IN_NEW_WATER.alkalinity,
  salinity: 35,
};
const USUAL_GOAL: Record<string, number> = {
  nitrate: 10,
  phosphate: 0.05,
  alkalinity: 8,
  salinity: 35,
  fraction: 15,
};

/** The usual aim, or half of what is there when that is already lower. */
function aimOf(goal: string, last: number | null): number {
  const usual = USUAL_GOAL[goal] ?? 0;
  if (last === null || (goal !== 'nitrate' && goal !== 'phosphate')) return usual;
  const shown = goal === 'nitrate' ? fromMgNPerL('nitrate', 'ion', last) : last;
  return shown > usual ? usual : shown / 2;
}

/** Full buckets first, the rest in jugs: "7 buckets and 3 jugs". */
export function vessels(litres: number, bucketL: number, jugL: number): string {
  const buckets = Math.floor(litres / bucketL + 1e-9);
  const jugs = Math.ceil((litres - buckets * bucketL) / jugL - 1e-9);
  const said = (n: number, one: string) => `${n} ${one}${n === 1 ? '' : 's'}`;
  return (
    [...(buckets > 0 ? [said(buckets, 'bucket')] : []), ...(jugs > 0 ? [said(jugs, 'jug')] : [])].join(
      ' and ',
    ) || 'none'
  );
}

const FULL_CHANGE = [
  ['Test nitrate, alkalinity, salinity', 'before'],
  ['Heater, pumps and top-off off', ''],
  ['Blow out and siphon debris', ''],
  ['Drain, but keep the rock wet', ''],
  ['Refill slowly at temperature and salinity', ''],
  ['All back on', ''],
  ['An hour later: salinity, alkalinity, nitrate', 'after'],
] as const;

export const changeTool: Tool = {
  id: 'change',
  title: 'Water change',
  lede: 'From a goal or a fraction to litres, salt, hours and buckets; test before and after.',
  caution:
    'Heater and pumps off before the water falls below them. Start a siphon with a pump or a filled hose, never by mouth.',
  fields: (c, ch) => {
    const goal = ch.goal ?? 'nitrate';
    const p =
      goal === 'nitrate' || goal === 'phosphate' || goal === 'alkalinity' || goal === 'salinity'
        ? goal
        : null;
    const last = p === null ? null : lastValue(c, p);
    return [
      choice('goal', 'From', GOALS, 'nitrate'),
      ...(goal === 'missed'
        ? [
            field('after', 'Measured after it', 'number', 0, 2000, { unit: 'as the kit prints' }),
            field('incoming', 'In the new water', 'number', 0, 2000, { unit: 'the same', start: 0 }),
            field('fraction', 'Share that was changed', 'number', 0, 95, {
              unit: '%',
              above: true,
              start: 20,
              decimals: 0,
            }),
          ]
        : goal === 'fraction'
          ? [
              field('fraction', 'Share to change', 'number', 0, 100, {
                unit: '%',
                above: true,
                start: 15,
                decimals: 0,
              }),
            ]
          : [
              field(`before-${goal}`, 'Before', 'number', 0, 2000, {
                unit: GOAL_UNIT[goal],
                start: last === null ? null : goal === 'nitrate' ? fromMgNPerL('nitrate', 'ion', last) : last,
                hint:
                  last === null
                    ? 'Test before you change. Forgotten? Choose “a missed before test”.'
                    : 'The last trusted reading.',
              }),
              field(`aim-${goal}`, 'Aim', 'number', 0, 2000, {
                unit: GOAL_UNIT[goal],
                start: aimOf(goal, last),
              }),
              field(`new-${goal}`, 'In the new water', 'number', 0, 2000, {
                unit: GOAL_UNIT[goal],
                start: USUAL_NEW[goal],
              }),
            ]),
      field('changes', 'In how many changes', 'number', 1, 20, {
        unit: '',
        whole: true,
        start: 1,
        decimals: 0,
      }),
      netField(c),
      field('newSalinity', 'Salinity of the new water', 'salinity', 2, 42, {
        start: lastValue(c, 'salinity') ?? 35,
      }),
      field('newTempC', 'Its temperature', 'temperature', 1, 40, {
        start: aimMiddle(c, 'temperature', 25),
      }),
      field('tankSalinity', 'Salinity of the tank', 'salinity', 2, 42, {
        start: lastValue(c, 'salinity') ?? 35,
      }),
      field('tankTempC', 'Temperature of the tank', 'temperature', 5, 40, {
        start: lastValue(c, 'temperature') ?? 25,
      }),
      field('litresPerHour', 'RO/DI output', 'litresPerHour', 0, 1000, { above: true, start: 6 }),
      field('bucketL', 'A bucket holds', 'volume', 0, 1000, { above: true, start: 10 }),
      field('jugL', 'A jug holds', 'volume', 0, 100, { above: true, start: 2 }),
      field('sourceC', 'Water before heating', 'temperature', 1, 40, { start: 15 }),
      field('watts', 'Heater', 'number', 0, 5000, { unit: 'W', above: true, start: 150, decimals: 0 }),
    ];
  },
  work: (v, _has, ch, c) => {
    const s = shows(c);
    const goal = ch.goal ?? 'nitrate';
    const n = v('changes');
    const unit = GOAL_UNIT[goal] ?? '';
    let fraction: number;
    let before: number | null = null;
    let incoming = 0;
    const missed = goal === 'missed';
    if (goal === 'fraction' || missed) fraction = v('fraction') / 100;
    else {
      incoming = v(`new-${goal}`);
      before = v(`before-${goal}`);
      fraction = fractionForSteps(before, v(`aim-${goal}`), incoming, n);
    }
    const litres = fraction * v('netL');
    const total = litres * n;
    const strength = learnedStrength(batchesOf(c));
    const salt = saltFor(total, v('newSalinity'), strength.gramsPerLitre);
    const steps = before === null ? [] : dilutionSteps(before, fraction, incoming, n);
    const mixedS = v('tankSalinity') * (1 - fraction) + v('newSalinity') * fraction;
    const mixedT = v('tankTempC') * (1 - fraction) + v('newTempC') * fraction;
    const warnings = [
      ...(Math.abs(mixedS - v('tankSalinity')) > 1
        ? [
            `The new water would move salinity by ${s.by('salinity', mixedS - v('tankSalinity'))} at once: match it first.`,
          ]
        : []),
      ...(Math.abs(mixedT - v('tankTempC')) > 1
        ? [
            `The new water would move the tank by ${s.by('temperature', mixedT - v('tankTempC'))}: warm it first.`,
          ]
        : []),
    ];
    const percent = Math.round(fraction * 100);
    return {
      figures: figures({
        fraction: [fraction, 'share'],
        litres: [litres, 'L'],
        salt: [salt, 'g'],
        after: [steps[steps.length - 1], unit],
        salinityAfter: [mixedS, 'ppt'],
        temperatureAfter: [mixedT, '°C'],
        before: [
          missed ? beforeFromAfter(v('after'), fraction, v('incoming')) : undefined,
          'as the kit prints',
        ],
      }),
      lines: [
        ...(missed
          ? [
              {
                name: 'Before it, estimated',
                value: `about ${s.number(beforeFromAfter(v('after'), fraction, v('incoming')), 2)}, as the kit prints`,
                strong: true,
              },
            ]
          : []),
        {
          name: n === 1 ? 'Change' : `Each of ${n} changes`,
          value: `${percent} %, ${s.volume(litres)}`,
          strong: true,
        },
        { name: 'Salt', value: `${s.grams(salt)} at ${strength.gramsPerLitre.toFixed(1)} g/L` },
        {
          name: 'RO/DI water',
          value: `${s.volume(total)}, ${s.number(total / v('litresPerHour'), 1)} h to make`,
        },
        {
          name: 'Buckets and jugs',
          value: `${vessels(litres, v('bucketL'), v('jugL'))}${n > 1 ? ' each time' : ''}`,
        },
        {
          name: 'Heating',
          value: `${s.number(heatingHours(litres, v('sourceC'), v('newTempC'), v('watts')), 1)} h`,
        },
        { name: 'After it the tank is at', value: `${s.salinity(mixedS)}, ${s.temperature(mixedT)}` },
        ...(before !== null
          ? [
              {
                name: 'The same water exchanged without a break',
                value: `${s.number(afterContinuousExchange(before, fraction * n, incoming), 2)} ${unit}`,
              },
            ]
          : []),
      ],
      formula:
        before !== null
          ? [
              'C′ = C (1 − f) + Cₙ f, n times: f = 1 − ((aim − Cₙ) / (C − Cₙ))^(1/n)',
              `1 − ((${v(`aim-${goal}`)} − ${incoming}) / (${s.number(before)} − ${incoming}))^(1/${n}) = ${fraction.toFixed(3)}`,
            ]
          : missed
            ? [
                'C = (C′ − Cₙ f) / (1 − f)',
                `(${s.number(v('after'))} − ${s.number(v('incoming'))} × ${fraction.toFixed(2)}) / (1 − ${fraction.toFixed(2)}) = ${s.number(beforeFromAfter(v('after'), fraction, v('incoming')))}`,
              ]
            : [
                'V = f · net volume',
                `${fraction.toFixed(2)} × ${v('netL').toFixed(0)} = ${litres.toFixed(1)} L`,
              ],
      notes: [
        missed
          ? 'Estimated, not measured: note it as such.'
          : 'Pour slowly, then test again: the difference tells whether the volume is right.',
        percent >= 50
          ? 'A change this large comes after a cycle, before animals: drain to the rock, refill at temperature, then salinity, alkalinity, nitrate.'
          : '10 to 20 % is usual; small changes waste a little water and upset less.',
      ],
      warnings,
      drawing:
        steps.length > 1
          ? {
              kind: 'bars',
              title: `${goal} after each change`,
              unit,
              bars: steps.map((x, i) => ({
                label: i === 0 ? 'now' : `${i}.`,
                value: x,
                shown: s.number(x, goal === 'phosphate' ? 3 : 1),
                planned: i > 0,
              })),
              goal: { value: v(`aim-${goal}`), label: 'aim' },
            }
          : undefined,
      steps:
        percent >= 50 && n === 1 && steps.length <= 2
          ? {
              caption: 'A change this large, in order',
              columns: ['step', 'in order', 'test'],
              rows: FULL_CHANGE.map(([what, why], i) => [String(i + 1), what, why]),
            }
          : undefined,
      acts: c.water
        ? [
            {
              label: 'It is done: log it',
              primary: true,
              done: 'Water change logged',
              edits: () =>
                logNow(c, {
                  kind: 'waterChange',
                  litres: Math.min(litres, v('netL')),
                  salinity: v('newSalinity'),
                }),
            },
            {
              label: 'Start: heater, pumps, top-off off',
              done: 'Switched off; Today keeps asking until they are back on',
              edits: () =>
                planTask(
                  c,
                  c.today,
                  'Heater, pumps and top-off back on',
                  'Switched off for a water change. Check that each runs again.',
                ),
            },
            {
              label: n === 1 ? 'Plan it for tomorrow' : `Plan ${n} changes, two days apart`,
              done: 'Water change planned',
              edits: () =>
                Array.from({ length: n }, (_, i) =>
                  planTask(
                    c,
                    addDays(c.today, 1 + 2 * i),
                    `Water change: ${s.volume(litres)}${n > 1 ? `, ${i + 1} of ${n}` : ''}`,
                    `Test before and after. ${s.grams(salt / n)} of salt.`,
                  ),
                ).flat(),
            },
            { label: 'Test before it', href: `/water/${c.water.id}/log` },
          ]
        : [],
    };
  },
};
