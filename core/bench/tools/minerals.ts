/** Alkalinity, calcium and magnesium: daily use, balance, doses. */
import { mixOf, usedADay, type Uptake } from '../../supply';
import { addDays } from '../../time';
import {
  atSalinity,
  DOSING,
  COMPOUNDS,
  compoundGrams,
  DAILY_CEILING,
  doseDays,
  mineralBalance,
  productMl,
  USUAL_IN_NEW_WATER,
  type Compound,
} from '../../dosing';
import { type Dosed } from '../../document';
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

const COMPOUNDS_OF: Record<Dosed, readonly Compound[]> = {
  alkalinity: ['bicarbonate', 'carbonate'],
  calcium: ['calciumDihydrate', 'calciumAnhydrous'],
  magnesium: ['magnesiumHexahydrate'],
};
const UNIT: Record<Dosed, string> = { alkalinity: 'dKH', calcium: 'mg/L', magnesium: 'mg/L' };
const asDosed = (text: string | undefined): Dosed =>
  text === 'calcium' || text === 'magnesium' ? text : 'alkalinity';

/** Daily use over the last month, doses and changes taken out by what went in. */
const usedOf = (c: ToolContext, what: Dosed): Uptake | null =>
  c.evidence ? usedADay(c.evidence, what, c.water ? mixOf(c.doc, c.water.id) : null) : null;

export const mineralsTool: Tool = {
  id: 'minerals',
  title: 'Alkalinity, calcium, magnesium',
  lede: 'What the tank uses a day, whether the three fit together, and a dose no day is hurt by.',
  caution:
    'Calcium chloride heats up in water and irritates; soda ash and kalk are caustic: gloves, powder into water, two products never at once. Follow the label.',
  fields: (c, ch) => {
    const what = asDosed(ch.what);
    return [
      choice(
        'what',
        'Raise',
        [
          ['alkalinity', 'alkalinity'],
          ['calcium', 'calcium'],
          ['magnesium', 'magnesium'],
        ],
        'alkalinity',
      ),
      field(`now-${what}`, 'Now', 'number', 0, 4000, {
        unit: UNIT[what],
        start: lastValue(c, what),
        decimals: 1,
      }),
      field(`aim-${what}`, 'Aim', 'number', 0, 4000, {
        unit: UNIT[what],
        start: USUAL_IN_NEW_WATER[what],
        decimals: 1,
      }),
      netField(c),
      choice(
        `with-${what}`,
        'With',
        [
          ...COMPOUNDS_OF[what].map((k) => [k, COMPOUNDS[k].title] as const),
          ['product', 'a product of known strength'] as const,
        ],
        COMPOUNDS_OF[what][0] ?? 'product',
      ),
      ...(ch[`with-${what}`] === 'product'
        ? [
            field('risesPerMlIn100L', 'One mL raises 100 L by', 'number', 0, 1000, {
              unit: UNIT[what],
              above: true,
              decimals: 3,
            }),
          ]
        : []),
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
      field('salinity', 'Salinity', 'salinity', 2, 42, { start: lastValue(c, 'salinity') ?? 35 }),
    ];
  },
  work: (v, _has, ch, c) => {
    const s = shows(c);
    const what = asDosed(ch.what);
    const unit = UNIT[what];
    const compound = ch[`with-${what}`];
    const now = v(`now-${what}`);
    const rise = v(`aim-${what}`) - now;
    const used = usedOf(c, what);
    const alkUse = usedOf(c, 'alkalinity');
    const calciumUse = usedOf(c, 'calcium');
    const range = (u: Uptake) =>
      `${s.number(u.perDay, 2)} ${unit} a day (${s.number(u.low, 2)} to ${s.number(u.high, 2)}), ${u.points} readings over ${Math.round(u.days)} days`;
    const balance = alkUse && calciumUse ? mineralBalance(alkUse.perDay, calciumUse.perDay) : null;
    const common = {
      notes: [
        used ? '' : 'Use a day needs three readings over three days.',
        balance
          ? balance.balance === 'together'
            ? `Calcium falls as alkalinity says it should (${DOSING.calciumPerDkh} mg/L for one dKH).`
            : balance.balance === 'noUse'
              ? 'Alkalinity hardly falls: nothing builds skeletons yet.'
              : `Calcium falls by ${s.number(calciumUse?.perDay ?? 0, 1)} where ${s.number(balance.expectedCalcium, 1)} mg/L a day would fit: a test error, a change not logged, or precipitation.`
          : '',
        'Order: salinity first, then magnesium, calcium, alkalinity; an hour between products, in flow.',
      ].filter(Boolean),
      warnings:
        Math.abs(v('salinity') - 35) > 1.5
          ? [
              `Salinity first: at ${s.salinity(35)} this reading would be ${s.number(atSalinity(now, v('salinity'), 35), 1)} ${unit}.`,
            ]
          : [],
    };
    const usedLines = used ? [{ name: 'Used', value: range(used) }] : [];
    if (rise <= 0.001)
      return {
        ...common,
        figures: figures({ days: [0, 'days'], usePerDay: [used?.perDay, `${unit}/day`] }),
        lines: [
          {
            name: 'Nothing to add',
            value: `${s.number(now, 1)} ${unit} is at or above the aim`,
            strong: true,
          },
          ...usedLines,
        ],
        formula: ['rise = aim − now'],
        acts: [],
      };
    const plan = doseDays(what, rise, ch.animals === 'yes');
    const grams =
      compound === 'product' || !compound
        ? null
        : compoundGrams(compound as Compound, plan.perDay, v('netL'));
    const ml = grams === null ? productMl(v('risesPerMlIn100L'), plan.perDay, v('netL')) : null;
    const amount = grams === null ? `${s.number(ml ?? 0, 1)} mL` : s.grams(grams);
    return {
      ...common,
      figures: figures({
        days: [plan.days, 'days'],
        risePerDay: [plan.perDay, unit],
        grams: [grams ?? undefined, 'g'],
        millilitres: [ml ?? undefined, 'mL'],
        usePerDay: used ? [used.perDay, `${unit}/day`, used.low, used.high] : [undefined, unit],
      }),
      lines: [
        { name: plan.days === 1 ? 'Add' : `Add on each of ${plan.days} days`, value: amount, strong: true },
        {
          name: 'Each raises',
          value: `${s.number(plan.perDay, 2)} ${unit}${ch.animals === 'yes' ? `, ceiling ${DAILY_CEILING[what]} a day` : ''}`,
        },
        ...usedLines,
        ...(used && used.perDay > 0
          ? [
              {
                name: 'To hold it, a day',
                value:
                  grams === null
                    ? `${s.number(productMl(v('risesPerMlIn100L'), used.perDay, v('netL')), 1)} mL`
                    : s.grams(compoundGrams(compound as Compound, used.perDay, v('netL'))),
              },
            ]
          : []),
      ],
      formula:
        grams === null
          ? [
              'mL = rise · V / (100 · strength)',
              `${s.number(plan.perDay)} × ${v('netL').toFixed(0)} / (100 × ${s.number(v('risesPerMlIn100L'), 3)}) = ${amount}`,
            ]
          : [
              'm = k · rise · V',
              `${COMPOUNDS[compound as Compound].mgPerUnit} mg × ${s.number(plan.perDay)} × ${v('netL').toFixed(0)} L = ${amount}`,
            ],
      drawing:
        plan.days > 1
          ? {
              kind: 'bars',
              title: `${what} at the end of each day`,
              unit,
              bars: [
                { label: 'now', value: now, shown: s.number(now, 1) },
                ...Array.from({ length: Math.min(12, plan.days) }, (_, i) => ({
                  label: `day ${i + 1}`,
                  value: now + plan.perDay * (i + 1),
                  shown: s.number(now + plan.perDay * (i + 1), 1),
                  planned: true,
                })),
              ],
              goal: { value: v(`aim-${what}`), label: 'aim' },
            }
          : undefined,
      acts: c.water
        ? [
            {
              label: `Log ${plan.days === 1 ? 'it' : 'the first day'} as done`,
              primary: true,
              done: 'Dose logged',
              edits: () => logNow(c, { kind: 'dose', what, rise: plan.perDay, grams }),
            },
            ...(plan.days > 1
              ? [
                  {
                    label: `Plan the other ${plan.days - 1}`,
                    done: 'Doses planned',
                    edits: () =>
                      Array.from({ length: plan.days - 1 }, (_, i) =>
                        planTask(
                          c,
                          addDays(c.today, i + 1),
                          `Dose ${what}: ${amount}`,
                          'Test first; stop when the aim is reached.',
                        ),
                      ).flat(),
                  },
                ]
              : []),
          ]
        : [],
    };
  },
};
