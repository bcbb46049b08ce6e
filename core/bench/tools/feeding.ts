/** What the tank uses and makes, and what holds it there. */
import { compoundGrams, DAILY_CEILING, DOSING, productMl } from '../../dosing';
import {
  daysUntil,
  fractionToHold,
  madeByFeed,
  mixOf,
  steadyState,
  SUPPLIED,
  SUPPLY,
  usedADay,
  usualIn,
  type Supplied,
  type Uptake,
} from '../../supply';
import { fromMgNPerL } from '../../units';
import { addDays } from '../../time';
import {
  choice,
  field,
  figures,
  lastValue,
  netField,
  planTask,
  shows,
  type Tool,
  type ToolContext,
} from '../tool';

const UNIT: Record<Supplied, string> = {
  alkalinity: 'dKH',
  calcium: 'mg/L',
  magnesium: 'mg/L',
  nitrate: 'mg/L NO₃',
  phosphate: 'mg/L PO₄',
};
const LEAST: Record<Supplied, number> = {
  alkalinity: 7,
  calcium: 380,
  magnesium: 1200,
  nitrate: 20,
  phosphate: 0.1,
};
const isMade = (what: Supplied): boolean => what === 'nitrate' || what === 'phosphate';
const asked = (text: string | undefined): Supplied => SUPPLIED.find((x) => x === text) ?? 'alkalinity';

const usedOf = (c: ToolContext, what: Supplied): Uptake | null =>
  c.evidence ? usedADay(c.evidence, what, c.water ? mixOf(c.doc, c.water.id) : null) : null;

export const supplyTool: Tool = {
  id: 'supply',
  title: 'Use and supply',
  lede: 'What is used a day, whether changes alone hold it, and if not, how much a day does.',
  caution:
    'Two products never at once, an hour apart, in flow. Follow the label; caustic ones take gloves and goggles.',
  fields: (c, ch) => {
    const what = asked(ch.what);
    const used = usedOf(c, what);
    const mix = c.water ? mixOf(c.doc, c.water.id) : null;
    return [
      choice(
        'what',
        'Of',
        SUPPLIED.map((x) => [x, x] as const),
        'alkalinity',
      ),
      field(`perDay-${what}`, isMade(what) ? 'It rises a day by' : 'It is used a day', 'number', -100, 100, {
        unit: UNIT[what],
        start: used ? (isMade(what) ? -used.perDay : used.perDay) : null,
        decimals: 3,
        hint: used
          ? `${used.points} readings over ${Math.round(used.days)} days, changes and doses taken out.`
          : 'Three readings over three days tell it.',
      }),
      field(`new-${what}`, 'In the new water', 'number', 0, 4000, {
        unit: UNIT[what],
        start: usualIn(mix, what),
        decimals: 2,
      }),
      field(`limit-${what}`, isMade(what) ? 'Not above' : 'Not below', 'number', 0, 4000, {
        unit: UNIT[what],
        start: LEAST[what],
        decimals: 2,
      }),
      field('percent', 'Changed each time', 'number', 0, 100, {
        unit: '%',
        above: true,
        start: 10,
        decimals: 0,
      }),
      field('everyDays', 'Every', 'number', 1, 90, { unit: 'days', whole: true, start: 7, decimals: 0 }),
      netField(c),
      field(
        'risesPerMlIn100L',
        `One mL of a product raises ${shows(c).volume(100, 0)} by`,
        'number',
        0,
        1000,
        {
          unit: UNIT[what],
          above: true,
          optional: true,
          decimals: 3,
        },
      ),
    ];
  },
  work: (v, has, ch, c) => {
    const s = shows(c);
    const what = asked(ch.what);
    const unit = UNIT[what];
    const made = isMade(what);
    const use = made ? -v(`perDay-${what}`) : v(`perDay-${what}`);
    const limit = v(`limit-${what}`);
    const rest = steadyState({
      incoming: v(`new-${what}`),
      fraction: v('percent') / 100,
      everyDays: v('everyDays'),
      usePerDay: use,
    });
    const holds = made ? rest.before <= limit : rest.before >= limit;
    const share = fractionToHold({
      incoming: v(`new-${what}`),
      limit,
      everyDays: v('everyDays'),
      usePerDay: use,
    });
    const used = usedOf(c, what);
    const grams =
      what === 'alkalinity'
        ? compoundGrams('bicarbonate', Math.max(0, use), v('netL'))
        : what === 'calcium'
          ? compoundGrams('calciumDihydrate', Math.max(0, use), v('netL'))
          : what === 'magnesium'
            ? compoundGrams('magnesiumHexahydrate', Math.max(0, use), v('netL'))
            : null;
    const ml = has('risesPerMlIn100L') ? productMl(v('risesPerMlIn100L'), Math.max(0, use), v('netL')) : null;
    const ceiling =
      what === 'alkalinity' || what === 'calcium' || what === 'magnesium' ? DAILY_CEILING[what] : null;
    const calcium = what === 'alkalinity' ? use * DOSING.calciumPerDkh : null;
    return {
      figures: figures({
        perDay: used
          ? [use, `${unit}/day`, made ? -used.high : used.low, made ? -used.low : used.high]
          : [use, `${unit}/day`],
        restBefore: [rest.before, unit],
        restAfter: [rest.after, unit],
        changesHold: [holds ? 1 : 0, 'yes'],
        fractionToHold: [share, 'share'],
        gramsPerDay: [grams ?? undefined, 'g'],
        millilitresPerDay: [ml ?? undefined, 'mL'],
        calciumPerDay: [calcium ?? undefined, 'mg/L/day'],
      }),
      lines: [
        {
          name: holds ? 'Changes alone hold it' : 'Changes alone do not hold it',
          value: `it comes to rest between ${s.number(Math.max(0, rest.before), 2)} and ${s.number(Math.max(0, rest.after), 2)} ${unit}`,
          strong: true,
        },
        {
          name: 'To hold the limit each change takes',
          value: share === null ? 'more than there is: no change can' : `${Math.ceil(share * 100)} %`,
        },
        ...(grams !== null && use > 0
          ? [
              {
                name: 'Or a day',
                value:
                  ml === null
                    ? s.grams(grams)
                    : `${s.number(ml, 1)} mL, or ${s.grams(grams)} of the plain salt`,
                strong: !holds,
              },
            ]
          : []),
        ...(calcium !== null && use > 0
          ? [
              {
                name: 'Calcium that goes with it',
                value: `${s.number(calcium, 1)} mg/L a day, at 7.15 for one dKH`,
              },
            ]
          : []),
        ...(used
          ? [
              {
                name: 'By your log',
                value:
                  `${s.number(Math.abs(used.perDay), 3)} ${unit} a day, nine in ten between ` +
                  `${s.number(made ? -used.high : used.low, 3)} and ${s.number(made ? -used.low : used.high, 3)}`,
              },
            ]
          : []),
      ],
      formula: [
        'at rest, before a change: C₋ = Cₙ − u n / f',
        `${s.number(v(`new-${what}`), 2)} − ${s.number(use, 3)} × ${v('everyDays').toFixed(0)} / ${s.number(v('percent') / 100, 2)}` +
          ` = ${s.number(rest.before, 2)} ${unit}`,
      ],
      notes: [
        'Salinity first, then magnesium, calcium, alkalinity. The use follows the corals: reckon it anew each month.',
        used && used.low <= 0 && used.high >= 0
          ? 'Within its doubt nothing is used yet: do not dose by it.'
          : '',
      ].filter(Boolean),
      warnings:
        ceiling !== null && use > ceiling
          ? [
              `More than ${ceiling} ${unit} a day is more than animals should be given at once: split it over the day.`,
            ]
          : [],
      acts: c.water
        ? [
            { label: 'Work out a dose', href: `/water/${c.water.id}/bench/minerals`, primary: !holds },
            {
              label: `Plan the change in ${v('everyDays').toFixed(0)} days`,
              done: 'Change planned',
              edits: () =>
                planTask(
                  c,
                  addDays(c.today, v('everyDays')),
                  `Change ${v('percent').toFixed(0)} % of the water`,
                  `Holds ${what} by reckoning: ${holds ? 'yes' : 'not alone'}.`,
                ),
            },
          ]
        : [],
    };
  },
};

export const nutrientsTool: Tool = {
  id: 'nutrients',
  title: 'Nitrate and phosphate made',
  lede: 'What food turns into, when the next change is due, and what each way out takes.',
  fields: (c) => [
    netField(c),
    field('grams', 'Food a day, dry', 'number', 0, 10000, {
      unit: 'g',
      start: 0.5,
      decimals: 2,
      hint: 'Of frozen food a fifth is dry.',
    }),
    field('protein', 'Protein in it', 'number', 1, 90, { unit: '%', start: 45, decimals: 0 }),
    field('phosphorus', 'Phosphorus in it', 'number', 0, 5, { unit: '%', start: 1, decimals: 2 }),
    field('nitrate', 'Nitrate now', 'number', 0, 1000, {
      unit: 'mg/L NO₃',
      start: (() => {
        const n = lastValue(c, 'nitrate');
        return n === null ? 5 : fromMgNPerL('nitrate', 'ion', n);
      })(),
      decimals: 1,
    }),
    field('phosphate', 'Phosphate now', 'number', 0, 20, {
      unit: 'mg/L PO₄',
      start: lastValue(c, 'phosphate') ?? 0.03,
      decimals: 3,
    }),
    field('limitN', 'Nitrate not above', 'number', 0, 1000, { unit: 'mg/L NO₃', start: 20, decimals: 0 }),
    field('limitP', 'Phosphate not above', 'number', 0, 20, { unit: 'mg/L PO₄', start: 0.1 }),
    field('percent', 'A change takes', 'number', 0, 100, { unit: '%', above: true, start: 15, decimals: 0 }),
    field('algaeGrams', 'Algae cut a week, wet', 'number', 0, 10000, { unit: 'g', start: 100, decimals: 0 }),
    choice(
      'skimmer',
      'A skimmer runs',
      [
        ['yes', 'yes'],
        ['no', 'no'],
      ],
      'yes',
    ),
  ],
  work: (v, _has, ch, c) => {
    const s = shows(c);
    const made = madeByFeed(
      { gramsPerDay: v('grams'), protein: v('protein'), phosphorus: v('phosphorus') },
      v('netL'),
    );
    const keep = ch.skimmer === 'yes' ? 1 - SUPPLY.skimmed : 1;
    const algaeN = fromMgNPerL('nitrate', 'ion', ((v('algaeGrams') / 7) * SUPPLY.algaeN * 1000) / v('netL'));
    const algaeP = ((v('algaeGrams') / 7) * SUPPLY.algaeP * 1000 * SUPPLY.po4PerP) / v('netL');
    const netN = made.nitrate * keep - algaeN;
    const netP = made.phosphate * keep - algaeP;
    const days = [daysUntil(v('nitrate'), v('limitN'), netN), daysUntil(v('phosphate'), v('limitP'), netP)];
    const due = days.reduce<number | null>(
      (a, b) => (b === null ? a : a === null ? b : Math.min(a, b)),
      null,
    );
    const every = netN > 0 ? ((v('percent') / 100) * v('limitN')) / netN : null;
    return {
      figures: figures({
        nitrateMade: [made.nitrate, 'mg/L/day'],
        phosphateMade: [made.phosphate, 'mg/L/day'],
        nitrateNet: [netN, 'mg/L/day'],
        phosphateNet: [netP, 'mg/L/day'],
        dueIn: [due, 'days'],
        holdEvery: [every, 'days'],
      }),
      lines: [
        {
          name: 'Food makes a week',
          value: `${s.number(made.nitrate * 7, 2)} mg/L nitrate, ${s.number(made.phosphate * 7, 3)} mg/L phosphate`,
          strong: true,
        },
        {
          name: 'Next change',
          value:
            due === null
              ? 'nothing rises: none for their sake'
              : due < 1
                ? 'due now'
                : `due in about ${Math.floor(due)} days`,
          strong: true,
        },
        {
          name: `${v('percent').toFixed(0)} % hold nitrate at the limit`,
          value: every === null ? 'not needed' : `every ${s.number(every, 0)} days`,
        },
        {
          name: 'A change of it takes out now',
          value: `${s.number((v('nitrate') * v('percent')) / 100, 1)} mg/L nitrate, ${s.number((v('phosphate') * v('percent')) / 100, 3)} phosphate`,
        },
        {
          name: 'Algae cut take a week',
          value: `${s.number(algaeN * 7, 2)} mg/L nitrate, ${s.number(algaeP * 7, 3)} phosphate`,
        },
        {
          name: 'The skimmer keeps out a week',
          value:
            ch.skimmer === 'yes'
              ? `about ${s.number(made.nitrate * SUPPLY.skimmed * 7, 2)} mg/L nitrate`
              : 'none runs',
        },
      ],
      formula: [
        'NO₃ = feed · protein · 0.092 · 4.43 / V   (Timmons & Ebeling)',
        `${s.number(v('grams'), 2)} g × ${v('protein').toFixed(0)} % × 0.092 × 1000 × 4.43 / ${v('netL').toFixed(0)} = ${s.number(made.nitrate, 3)} mg/L a day`,
      ],
      notes: [
        'Skimmer, algae and phosphorus are estimates with a wide span: two readings a fortnight apart say more. See “Use and supply”.',
        'Both at zero starve corals: the way out is never “none”.',
      ],
      acts: c.water
        ? [
            {
              label:
                due === null
                  ? 'To the water change'
                  : `Plan a change in ${Math.max(0, Math.floor(due))} days`,
              primary: true,
              done: 'Change planned',
              ...(due === null
                ? { href: `/water/${c.water.id}/bench/change` }
                : {
                    edits: () =>
                      planTask(
                        c,
                        addDays(c.today, Math.max(0, Math.floor(due))),
                        `Change ${v('percent').toFixed(0)} % of the water`,
                        'Nitrate or phosphate reach their limit by reckoning: test first.',
                      ),
                  }),
            },
          ]
        : [],
    };
  },
};
