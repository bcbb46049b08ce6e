/** Which water, the stages of an RO/DI unit, and a fill against the clock. */
import { RODI_STAGES } from '../../document';
import { fouling, production, RODI, stageDue, type Stage, type StageState } from '../../rodi';
import {
  sourceRisks,
  sourceSum,
  WATER_SOURCES,
  type SourceRisk,
  type SourceTerms,
  type WaterSource,
} from '../../sources';
import { addDays } from '../../time';
import { choice, field, figures, lastValue, logNow, netField, planTask, shows, type Tool } from '../tool';

const SOURCE_WORDS: Record<WaterSource, string> = {
  ownRodi: 'own RO/DI',
  boughtRodi: 'bought RO/DI',
  boughtSalt: 'bought salt water',
  natural: 'natural sea water',
  tap: 'conditioned tap water',
};
const RISK_WORDS: Record<SourceRisk, string> = {
  chlorine:
    'Chlorine: conditioner by its label for all of the water, and the wait it names, before any bacteria.',
  chloramine:
    'Chloramine does not gas off, standing or bubbling: conditioner by its label for all of the water. What it leaves of the ammonia shows in a test.',
  storm:
    'After rain or a storm the shore is run-off: wait some days of calm, and take it far from river and harbour.',
  unknownSolids: 'Solids of which nobody knows what they are: copper, silicate, phosphate among them.',
  nutrients: 'Nitrate and phosphate come along at every fill and top-off.',
  noSalinityOfOnesOwn:
    'On delivery test salinity, temperature, pH, alkalinity, ammonia and nitrate, before it is poured.',
};

export const sourcesTool: Tool = {
  id: 'sources',
  title: 'Which water',
  lede: 'Five sources side by side: litres, money, trips and hours for this tank, and what stands against each.',
  caution:
    'Full containers are heavy: a large one is a load for two. Never take sea water where bathing is warned of.',
  fields: (c) => [
    netField(c),
    field('changePercent', 'Changed a week', 'number', 0, 100, { unit: '%', start: 10, decimals: 0 }),
    field('topOffPerDay', 'Topped up a day', 'volume', 0, 1000, { start: 2 }),
    field('months', 'Over', 'number', 1, 120, { unit: 'months', whole: true, start: 12, decimals: 0 }),
    field('saltPerL', 'Salt for the mixed water', 'aLitre', 0, 100, { start: 0.15 }),
    field('unitPrice', 'An RO/DI unit costs', 'number', 0, 100000, { start: 180, decimals: 0 }),
    field('tapPerL', 'Tap water, waste counted', 'aLitre', 0, 10, { start: 0.01, decimals: 3 }),
    field('boughtRodiPerL', 'Bought RO/DI', 'aLitre', 0, 100, { start: 0.2 }),
    field('boughtSaltPerL', 'Bought salt water', 'aLitre', 0, 100, { start: 0.6 }),
    field('naturalPerL', 'Natural sea water', 'aLitre', 0, 100, { start: 0 }),
    field('perTripL', 'A trip brings', 'volume', 0, 10000, { above: true, start: 50 }),
    field('hoursPerTrip', 'A trip takes', 'number', 0, 100, { unit: 'h', start: 1, decimals: 1 }),
    field('hourWorth', 'An hour of yours is worth', 'number', 0, 1000, { start: 10, decimals: 0 }),
    field('tds', 'TDS of the tap', 'number', 0, 5000, {
      unit: 'mg/L',
      optional: true,
      start: lastValue(c, 'tdsSource'),
      decimals: 0,
    }),
    choice(
      'holds',
      'The supplier adds',
      [
        ['unknown', 'I do not know'],
        ['chlorine', 'chlorine'],
        ['chloramine', 'chloramine'],
        ['neither', 'neither'],
      ],
      'unknown',
    ),
    choice(
      'rain',
      'Rain or storm at the coast lately',
      [
        ['no', 'no'],
        ['yes', 'yes'],
      ],
      'no',
    ),
  ],
  work: (v, has, ch, c) => {
    const s = shows(c);
    const changesMonth = (v('netL') * v('changePercent') * (365.25 / 12 / 7)) / 100;
    const topMonth = (v('topOffPerDay') * 365.25) / 12;
    const trip = { perTripL: v('perTripL'), hoursPerTrip: v('hoursPerTrip'), litresPerHour: null };
    const home = { perTripL: null, hoursPerTrip: 0, litresPerHour: null };
    // Salt water takes changes and fill; fresh water for top-off is needed beside it and counted as RO/DI.
    const terms: Record<WaterSource, SourceTerms> = {
      ownRodi: { ...home, once: v('unitPrice'), perL: v('tapPerL') + v('saltPerL') },
      boughtRodi: { ...trip, once: 0, perL: v('boughtRodiPerL') + v('saltPerL') },
      boughtSalt: { ...trip, once: 0, perL: v('boughtSaltPerL') },
      natural: { ...trip, once: 0, perL: v('naturalPerL') },
      tap: { ...home, once: 0, perL: v('tapPerL') + v('saltPerL') },
    };
    const salt = { fillL: v('netL'), monthL: changesMonth, months: v('months') };
    const fresh = { fillL: 0, monthL: topMonth, months: v('months') };
    const rows = WATER_SOURCES.map((source) => {
      const own = source === 'ownRodi' || source === 'tap';
      const mixed = sourceSum(salt, terms[source]);
      const top = sourceSum(fresh, {
        ...(own ? home : trip),
        once: 0,
        perL: own ? v('tapPerL') : v('boughtRodiPerL'),
      });
      const risks = sourceRisks(source, {
        tds: source === 'ownRodi' || source === 'boughtRodi' ? 0 : has('tds') ? v('tds') : null,
        holds: source === 'tap' ? (ch.holds as 'unknown') : null,
        afterRain: ch.rain === 'yes',
      });
      return {
        source,
        litres: mixed.litres + top.litres,
        money: mixed.money + top.money,
        trips: mixed.trips + top.trips,
        hours: mixed.hours + top.hours,
        risks,
      };
    });
    const cheapest = [...rows]
      .filter((r) => r.source !== 'tap')
      .sort((a, b) => a.money + a.hours * v('hourWorth') - b.money - b.hours * v('hourWorth'))[0]!;
    return {
      figures: figures({
        fill: [v('netL'), 'L'],
        changesMonth: [changesMonth, 'L'],
        topOffMonth: [topMonth, 'L'],
        ...Object.fromEntries(
          rows.flatMap((r) => [
            [`${r.source}Money`, [r.money, 'money'] as const],
            [`${r.source}Trips`, [r.trips, 'trips'] as const],
            [`${r.source}Hours`, [r.hours, 'h'] as const],
          ]),
        ),
      }),
      lines: [
        {
          name: 'Fill, then a month',
          value: `${s.volume(v('netL'), 0)}, then ${s.volume(changesMonth + topMonth, 0)}`,
          strong: true,
        },
        {
          name: 'Cheapest, your hours counted, the tap apart',
          value: SOURCE_WORDS[cheapest.source],
          strong: true,
        },
        ...rows.map((r) => ({
          name: SOURCE_WORDS[r.source],
          value: `${r.money.toFixed(0)}${r.trips > 0 ? `, ${r.trips} trips, ${s.number(r.hours, 0)} h` : ''}`,
        })),
      ],
      formula: [
        'money = once + water × its price; water = fill + months × (changes + top-off)',
        `${s.number(v('netL'), 0)} + ${v('months')} × (${s.number(changesMonth, 0)} + ${s.number(topMonth, 0)}) = ${s.number(rows[0]!.litres, 0)} L`,
      ],
      notes: [
        ...new Set(rows.flatMap((r) => r.risks.map((k) => `${SOURCE_WORDS[r.source]}: ${RISK_WORDS[k]}`))),
        'Another keeper’s water is refused: what lives in it comes along, parasites first, and its bacteria sit on surfaces, not in the water.',
        `TDS tells how much is dissolved, not what: at most ${RODI.usableTds} mg/L is usable, salt water mixed from more holds it all.`,
      ],
      warnings:
        has('tds') && v('tds') > RODI.usableTds
          ? [`A tap of ${v('tds').toFixed(0)} mg/L is not fit for filling as it is.`]
          : [],
      acts: c.water
        ? [
            {
              label: 'Note the choice',
              primary: true,
              done: 'Noted',
              edits: () =>
                logNow(
                  c,
                  { kind: 'note' },
                  `Water compared for ${v('months')} months: ${rows.map((r) => `${SOURCE_WORDS[r.source]} ${r.money.toFixed(0)}`).join(', ')}.`,
                ),
            },
          ]
        : [],
    };
  },
};

const STAGE_WORDS: Record<Stage, string> = {
  sediment: 'Sediment filter',
  carbon: 'Carbon',
  membrane: 'Membrane',
  resin: 'Resin',
};
const READING: Record<Stage, { label: string; unit: string; max: number; decimals: number }> = {
  sediment: { label: 'Pressure lost across it', unit: 'bar', max: 10, decimals: 2 },
  carbon: { label: 'Chlorine behind it', unit: 'mg/L', max: 10, decimals: 2 },
  membrane: { label: 'It holds back', unit: '%', max: 100, decimals: 1 },
  resin: { label: 'TDS behind it', unit: 'mg/L', max: 5000, decimals: 0 },
};

export const stagesTool: Tool = {
  id: 'stages',
  title: 'RO/DI, stage by stage',
  lede: 'Each stage by its own age, litres and reading: which is due, and by what.',
  caution:
    'Close the valve and let the pressure off before a housing is opened. Not for drinking: resin water is no food.',
  fields: () => [
    choice(
      'stage',
      'Stage',
      RODI_STAGES.map((x) => [x, STAGE_WORDS[x].toLowerCase()] as const),
      'sediment',
    ),
    field('days', 'In use for', 'number', 0, 20000, { unit: 'days', start: 90, decimals: 0 }),
    field('litres', 'Made with it', 'volume', 0, 1e6, { optional: true }),
    field('waste', 'Waste for each part made', 'number', 0, 20, { unit: 'parts', start: 3, decimals: 1 }),
    field('reading', 'Measured at it', 'number', 0, 5000, {
      optional: true,
      hint: 'Sediment: bar lost. Carbon: mg/L chlorine behind it. Membrane: % held back. Resin: mg/L behind it.',
    }),
  ],
  work: (v, has, ch, c) => {
    const s = shows(c);
    const stage = (ch.stage ?? 'sediment') as Stage;
    const { label, unit, decimals } = READING[stage];
    // What goes through sediment and carbon is the waste as well.
    const through = has('litres')
      ? v('litres') * (stage === 'carbon' || stage === 'sediment' ? 1 + v('waste') : 1)
      : null;
    const state: StageState = {
      stage,
      days: v('days'),
      litres: through,
      reading: has('reading') ? (stage === 'membrane' ? v('reading') / 100 : v('reading')) : null,
    };
    const { word, why } = stageDue(state);
    const said =
      why === 'reading'
        ? `${label.toLowerCase()}: ${s.number(v('reading'), decimals)} ${unit}`
        : why === 'litres'
          ? 'what went through it'
          : 'its age';
    const rule = {
      sediment: `${RODI.sedimentDays} days, or ${RODI.pressureFallBar} bar lost`,
      carbon: `${RODI.carbonDays} days, ${s.volume(RODI.carbonLitres, 0)} with the waste, or any chlorine behind it`,
      membrane: `under ${RODI.rejectionDue * 100} % held back, or ${RODI.membraneDays} days`,
      resin: `${RODI.resinDueTds} mg/L behind it, or ${RODI.resinDays} days`,
    }[stage];
    return {
      figures: figures({
        due: [word === 'due' ? 1 : word === 'soon' ? 0.5 : 0, 'due'],
        through: [through ?? undefined, 'L'],
      }),
      lines: [
        {
          name: STAGE_WORDS[stage],
          value: word === 'due' ? `due, by ${said}` : word === 'soon' ? `soon due, by ${said}` : 'not due',
          strong: true,
        },
        { name: 'Its rule', value: rule },
        ...(through === null ? [] : [{ name: 'Went through it', value: s.volume(through, 0) }]),
      ],
      formula: ['due: by what is measured, else by what went through, else by age'],
      notes: [
        'Order on the wall: sediment, carbon, membrane, resin. A carbon that is spent lets chlorine at the membrane and kills it.',
        'Chloramine takes a carbon made for it, and a resin after the membrane for the ammonia it leaves.',
      ],
      warnings:
        word === 'due' && stage === 'resin'
          ? ['Fill nothing with it until the resin is new: silicate and copper come through first.']
          : [],
      acts: c.water
        ? [
            {
              label: 'Keep it as a part, with its rhythm',
              primary: true,
              done: 'Part kept',
              edits: () => [
                {
                  put: 'equipment',
                  entity: {
                    id: c.newId(),
                    waterId: c.water!.id,
                    name: STAGE_WORDS[stage],
                    kind: 'rodi',
                    where: 'RO/DI unit',
                    sinceDay: addDays(c.today, -Math.round(v('days'))),
                    price: null,
                    monthly: null,
                    watts: null,
                    breakInDays: 0,
                    serviceEveryDays: {
                      sediment: RODI.sedimentDays,
                      carbon: RODI.carbonDays,
                      membrane: RODI.membraneDays,
                      resin: RODI.resinDays,
                    }[stage],
                    services: [],
                    settings: [],
                    loan: null,
                    endedDay: null,
                    stage,
                  },
                },
              ],
            },
            { label: 'Equipment', href: `/water/${c.water.id}/equipment` },
          ]
        : [],
    };
  },
};

export const fillTool: Tool = {
  id: 'fill',
  title: 'Fill clock',
  lede: 'Minutes against litres give the real output, what it should be, and when a vessel is full.',
  caution: 'Stay by, or use a float valve: a forgotten fill is the usual flood. Never for drinking.',
  fields: () => [
    field('minutes', 'It ran', 'number', 0, 100000, { unit: 'min', above: true, start: 30, decimals: 0 }),
    field('litres', 'And made', 'volume', 0, 10000, { above: true, start: 4 }),
    field('wasteL', 'Waste meanwhile', 'volume', 0, 100000, { optional: true }),
    field('wantedL', 'The vessel takes', 'volume', 0, 100000, { above: true, start: 40 }),
    field('insideL', 'Already in it', 'volume', 0, 100000, { start: 0 }),
    field('ratedLPerDay', 'Rated output', 'litresPerDay', 0, 5000, { above: true, start: 190, decimals: 0 }),
    field('ratedBar', 'Rated at', 'bar', 0, 20, { above: true, start: 4.1 }),
    field('bar', 'Your pressure', 'bar', 0, 20, { above: true, start: 3.5 }),
    field('tempC', 'Water temperature', 'temperature', 1, 45, { start: 15 }),
  ],
  work: (v, has, _ch, c) => {
    const s = shows(c);
    const perDay = (v('litres') / v('minutes')) * 1440;
    const promised = production({
      ratedLPerDay: v('ratedLPerDay'),
      ratedBar: v('ratedBar'),
      bar: v('bar'),
      tempC: v('tempC'),
    }).litresPerDay;
    const { share, fouled } = fouling(perDay, promised);
    const left = Math.max(0, v('wantedL') - v('insideL'));
    const minutes = (left / perDay) * 1440;
    const fullMs = c.nowMs + minutes * 60_000;
    const clock = c.clockLabel(fullMs);
    const ratio = has('wasteL') ? v('wasteL') / v('litres') : null;
    const booster = v('bar') < RODI.boosterBar;
    return {
      figures: figures({
        litresPerDay: [perDay, 'L/day'],
        promised: [promised, 'L/day'],
        share: [share, 'share'],
        minutes: [minutes, 'min'],
        wasteRatio: [ratio ?? undefined, 'parts'],
      }),
      lines: [
        { name: 'It really makes', value: `${s.volume(perDay, 0)} a day`, strong: true },
        {
          name: `${s.volume(v('wantedL'), 0)} are in it`,
          value: `by ${clock}, in ${s.number(minutes / 60, 1)} h`,
          strong: true,
        },
        {
          name: 'At this pressure and temperature it should',
          value: `${s.volume(promised, 0)} a day; yours is ${Math.round(share * 100)} % of it`,
        },
        ...(ratio === null
          ? []
          : [{ name: 'Waste for each part made', value: `${s.number(ratio, 1)} parts` }]),
      ],
      formula: [
        'Q = litres / minutes × 1440',
        `${s.number(v('litres'), 1)} / ${v('minutes').toFixed(0)} × 1440 = ${perDay.toFixed(0)} L a day`,
      ],
      notes: [
        booster
          ? `Under ${s.number(RODI.boosterBar, 1)} bar a booster pump pays: less waste, purer water.`
          : 'Each degree colder makes 3 % less: winter is no fault.',
        ...(ratio !== null && ratio < 2
          ? ['Less than two parts of waste for one wears the membrane out: check the restrictor.']
          : []),
      ],
      warnings: fouled
        ? [
            'Far less than the conditions promise: a clogged filter before it, a fouled membrane, or a gauge that errs.',
          ]
        : [],
      acts: c.water
        ? [
            {
              label: `Remind me at ${clock}: close the valve`,
              primary: true,
              done: 'Fill planned',
              edits: () =>
                planTask(
                  c,
                  c.today,
                  `Close the RO/DI valve at ${clock}`,
                  `${s.volume(v('wantedL'), 0)} are in by then.`,
                ),
            },
            {
              label: `Log ${s.volume(v('litres'), 0)} made`,
              done: 'Water logged',
              edits: () =>
                logNow(c, { kind: 'waterMade', litres: v('litres'), minutes: Math.round(v('minutes')) }),
            },
          ]
        : [],
    };
  },
};
