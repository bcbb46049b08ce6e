/** Evaporation, RO/DI, minerals and nitrogen. */
import { trusted } from '../../../../core/evidence';
import { addDays, DAY_MS } from '../../../../core/time';
import { litresFromDrop, stuckOn, swingPerDay } from '../../../../core/dilution';
import {
  atSalinity,
  DOSING,
  COMPOUNDS,
  compoundGrams,
  DAILY_CEILING,
  dailyUse,
  doseDays,
  mineralBalance,
  movesOf,
  productMl,
  USUAL_IN_NEW_WATER,
  type Compound,
  type DailyUse,
} from '../../../../core/dosing';
import type { Dosed } from '../../../../core/document';
import { production, rejection, RESIN_MG_PER_L, resinLitresLeft } from '../../../../core/rodi';
import { ammoniumPKa, FREE_AMMONIA, freeAmmoniaFraction } from '../../../../core/seawater';
import {
  basisLabel,
  fromMgNPerL,
  toMgNPerL,
  type NitrogenBasis,
  type NitrogenSpecies,
} from '../../../../core/units';
import {
  choice,
  field,
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
    const area =
      c.tank?.display.kind === 'dimensions' ? c.tank.display.lengthCm * c.tank.display.widthCm : null;
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
      acts: c.tank
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
      hint: 'From logged water and the resin’s last change under Equipment.',
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
      acts: c.tank
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
              href: `/tank/${c.tank.id}/log?show=tdsSource,tdsMembrane,tdsResin`,
            },
            { label: 'Stages under Equipment', href: `/tank/${c.tank.id}/equipment` },
          ]
        : [],
    };
  },
};

/** Litres logged since the newest service of an RO/DI part. */
function madeSinceResin(c: ToolContext): number {
  const parts = Object.values(c.doc.equipment).filter(
    (e) => e.kind === 'rodi' && e.endedDay === null && (!c.tank || e.tankId === c.tank.id),
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

const COMPOUNDS_OF: Record<Dosed, readonly Compound[]> = {
  alkalinity: ['bicarbonate', 'carbonate'],
  calcium: ['calciumDihydrate', 'calciumAnhydrous'],
  magnesium: ['magnesiumHexahydrate'],
};
const UNIT: Record<Dosed, string> = { alkalinity: 'dKH', calcium: 'mg/L', magnesium: 'mg/L' };
const asDosed = (text: string | undefined): Dosed =>
  text === 'calcium' || text === 'magnesium' ? text : 'alkalinity';

/** Daily use over the last month, doses and changes taken out. */
function usedOf(c: ToolContext, what: Dosed): DailyUse | null {
  if (!c.evidence) return null;
  const from = c.nowMs - 30 * DAY_MS;
  const points = trusted(c.evidence.series[what])
    .filter((p) => p.atMs >= from)
    .map((p) => ({ atMs: p.atMs, value: p.interval.mid }));
  return c.volume ? dailyUse(points, movesOf(c.evidence.events, what, c.volume.netL)) : null;
}

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
        c.evidence && c.evidence.inDisplay.length === 0 ? 'no' : 'yes',
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
    const range = (u: DailyUse) =>
      `${s.number(u.perDay, 2)} ${unit} a day (${s.number(u.perDay - 2 * u.se, 2)} to ${s.number(u.perDay + 2 * u.se, 2)}), ${u.points} readings over ${Math.round(u.days)} days`;
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
      acts: c.tank
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

export const nitrogenTool: Tool = {
  id: 'nitrogen',
  title: 'Nitrogen and free ammonia',
  lede: 'What a kit prints on one basis, on every other; and how much of it burns gills.',
  fields: (c, ch) => {
    const species = ch.species ?? 'ammonia';
    return [
      choice(
        'species',
        'Printed for',
        [
          ['ammonia', 'ammonia'],
          ['nitrite', 'nitrite'],
          ['nitrate', 'nitrate'],
        ],
        'ammonia',
      ),
      choice(
        `basis-${species}`,
        'Printed as',
        species === 'ammonia'
          ? [
              ['ion', 'NH₄'],
              ['NH3', 'NH₃'],
              ['N', 'N'],
            ]
          : [
              ['ion', species === 'nitrite' ? 'NO₂' : 'NO₃'],
              ['N', 'N'],
            ],
        'ion',
      ),
      field('printed', 'The kit shows', 'number', 0, 1000, { unit: 'mg/L', start: 1 }),
      ...(species === 'ammonia'
        ? [
            field('ph', 'pH', 'number', 4, 11, { start: lastValue(c, 'ph') ?? 8.2 }),
            field('tempC', 'Temperature', 'temperature', 10, 35, {
              start: lastValue(c, 'temperature') ?? 25,
            }),
            field('salinity', 'Salinity', 'salinity', 2, 42, { start: lastValue(c, 'salinity') ?? 35 }),
          ]
        : []),
    ];
  },
  work: (v, _has, ch, c) => {
    const s = shows(c);
    const species = (ch.species ?? 'ammonia') as NitrogenSpecies;
    const basis = (ch[`basis-${species}`] ?? 'ion') as NitrogenBasis;
    const n = toMgNPerL(species, basis, v('printed'));
    const others: NitrogenBasis[] = species === 'ammonia' ? ['N', 'ion', 'NH3'] : ['N', 'ion'];
    const lines = others.map((b) => ({
      name: `As ${basisLabel(species, b)}`,
      value: `${s.number(fromMgNPerL(species, b, n), 3)} mg/L`,
      strong: b === 'N',
    }));
    const acts = c.tank
      ? [
          { label: 'Log a sample', href: `/tank/${c.tank.id}/log`, primary: true },
          {
            label: 'Plan a test for tomorrow',
            done: 'Test planned',
            edits: () =>
              planTask(
                c,
                addDays(c.today, 1),
                `Test ${species}${species === 'ammonia' ? ', pH and temperature' : ''}`,
                `Last read ${s.number(v('printed'), 3)} mg/L ${basisLabel(species, basis)}, ${s.number(n, 3)} mg N/L.`,
              ),
          },
        ]
      : [];
    const converted = `${s.number(v('printed'), 3)} mg/L ${basisLabel(species, basis)} / ${s.number(fromMgNPerL(species, basis, 1), 4)} = ${s.number(n, 3)} mg N/L`;
    if (species !== 'ammonia')
      return {
        lines,
        formula: ['mg N/L = printed / (molar mass of the ion / 14.007)', converted],
        notes:
          species === 'nitrite'
            ? [
                'Nitrite harms sea fish far less than freshwater fish: chloride competes at the gill. Here it is evidence that the second bacteria are missing.',
              ]
            : [],
        acts,
      };
    const share = freeAmmoniaFraction(v('ph'), v('tempC'), v('salinity'));
    const free = n * share;
    const curve = (t: number) => ({
      label: shows(c).temperature(t),
      points: Array.from({ length: 29 }, (_, i) => 7.4 + i * 0.05).map((ph) => ({
        x: ph,
        y: n * freeAmmoniaFraction(ph, t, v('salinity')),
      })),
    });
    return {
      lines: [
        ...lines,
        { name: 'Free share', value: `${(share * 100).toFixed(2)} %` },
        { name: 'Free ammonia', value: `${free.toFixed(3)} mg/L NH₃-N`, strong: true },
      ],
      formula: [
        'share = 1 / (1 + 10^(pKa − pH)), pKa = 10.0423 − 0.0316 T + 0.0031 S   (Bell et al. 2007)',
        `pKa = ${ammoniumPKa(v('tempC'), v('salinity')).toFixed(3)}; 1 / (1 + 10^(${ammoniumPKa(v('tempC'), v('salinity')).toFixed(3)} − ${v('ph').toFixed(2)})) = ${share.toFixed(4)}`,
        converted,
      ],
      notes: [
        `Guides as NH₃-N: ${FREE_AMMONIA.longTerm} mg/L for long, act at ${FREE_AMMONIA.act}, emergency at ${FREE_AMMONIA.emergency}. Not toxicology.`,
      ],
      warnings:
        free >= FREE_AMMONIA.act
          ? [`With animals in, ${free.toFixed(2)} mg/L asks for a water change now.`]
          : [],
      drawing: {
        kind: 'curves',
        title: 'Free ammonia by pH and temperature',
        xLabel: 'pH',
        yLabel: 'mg/L NH₃-N',
        curves: [curve(22), curve(25), curve(28)],
        mark: { x: v('ph'), label: `pH ${v('ph').toFixed(2)}` },
      },
      acts,
    };
  },
};
