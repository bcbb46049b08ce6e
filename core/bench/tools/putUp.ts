/** Heat, flow, sand and rock, media, power cut, weight, light. */
import { addDays } from '../../time';
import {
  dailyLight,
  degreeCostPerMonth,
  drainDown,
  heaterFit,
  heaterWatts,
  heatLossWPerK,
  lightRamp,
  mediaBlocks,
  realFlow,
  rockDisplaces,
  sandFor,
  systemWeight,
  type Fit,
} from '../../equipment';
import { heatingHours } from '../../dilution';
import { MAX_NAME, type Water } from '../../document';
import { netVolume } from '../../volume';
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

const dims = (c: ToolContext) => (c.water?.size.kind === 'dimensions' ? c.water.size : null);
const sizeFields = (c: ToolContext) => [
  field('lengthCm', 'Length', 'length', 0, 2000, { above: true, start: dims(c)?.lengthCm ?? null }),
  field('widthCm', 'Width', 'length', 0, 2000, { above: true, start: dims(c)?.widthCm ?? null }),
  field('heightCm', 'Height', 'length', 0, 500, { above: true, start: dims(c)?.waterHeightCm ?? null }),
];
const note = (c: ToolContext, text: string) => logNow(c, { kind: 'note' }, text);

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
                note(
                  c,
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
            {
              label: 'Log this as a note',
              primary: true,
              done: 'Logged',
              edits: () =>
                note(
                  c,
                  `Return flow about ${s.volume(r.litresPerHour, 0)} an hour, ${r.turnover.toFixed(1)} turnovers an hour.`,
                ),
            },
          ]
        : [],
    };
  },
};

export const sandTool: Tool = {
  id: 'sand',
  title: 'Sand and rock',
  lede: 'Mass for a depth, what it displaces, and how much water to take out first.',
  caution: 'Wear goggles when breaking rock and gloves for handling it; lift heavy pieces with two people.',
  fields: (c) => [
    ...sizeFields(c).slice(0, 2),
    field('depthCm', 'Sand depth', 'length', 0, 40, { above: true, start: 4 }),
    field('bulk', 'Dry sand weighs', 'kgPerLitre', 0.8, 2, { start: 1.3 }),
    field('rockKg', 'Rock', 'kilograms', 0, 5000, { start: c.water?.rockKg ?? 10, decimals: 1 }),
    field('pores', 'Closed pores in the rock', 'number', 0, 60, {
      unit: '%',
      start: 18,
      decimals: 0,
      hint: 'Solid 2.93 kg/L; 18 % closed makes 2.4.',
    }),
    field('filledL', 'Water already in', 'volume', 0, 100000, { start: 0 }),
  ],
  work: (v, _has, _ch, c) => {
    const s = shows(c);
    const sand = sandFor(v('lengthCm') * v('widthCm'), v('depthCm'), v('bulk'));
    const rock = v('rockKg') > 0 ? rockDisplaces(v('rockKg'), v('pores') / 100) : 0;
    const out = v('filledL') > 0 ? sand.displacesL + rock : 0;
    return {
      figures: figures({
        sand: [sand.kg, 'kg'],
        sandDisplaces: [sand.displacesL, 'L'],
        rockDisplaces: [rock, 'L'],
        takeOut: [out, 'L'],
      }),
      lines: [
        { name: 'Sand', value: s.kg(sand.kg), strong: true },
        { name: 'It displaces', value: s.volume(sand.displacesL) },
        { name: 'Rock displaces', value: s.volume(rock) },
        { name: 'Take out first', value: out > 0 ? s.volume(out) : 'nothing: it is not filled' },
      ],
      formula: [
        'm = area · depth · bulk density',
        `${((v('lengthCm') * v('widthCm')) / 1e4).toFixed(2)} m² × ${v('depthCm').toFixed(1)} cm × ${v('bulk')} kg/L = ${sand.kg.toFixed(1)} kg`,
        `rock: ${v('rockKg')} / 2.93 / (1 − ${(v('pores') / 100).toFixed(2)}) = ${rock.toFixed(1)} L`,
      ],
      notes: ['Rock stands on the glass, sand around it: diggers topple what stands on sand.'],
      acts: c.water
        ? [
            {
              label: 'Take sand and rock into the volume',
              primary: true,
              done: 'Sand and rock changed',
              edits: () =>
                c.water
                  ? [
                      {
                        put: 'waters',
                        entity: withParts(c.water, Math.round(sand.kg * 10) / 10, v('rockKg')),
                      },
                    ]
                  : [],
            },
          ]
        : [],
    };
  },
};

/** With sand and rock as they now are. A volume measured with other rock in it no longer holds: what is displaced more or less is taken
 *  off it, and said in where it comes from. */
function withParts(water: Water, sandKg: number, rockKg: number): Water {
  const next = { ...water, sandKg, rockKg };
  const used = water.volumeInUse;
  if (!used) return next;
  const displaced = netVolume(next).byParts.netL - netVolume(water).byParts.netL;
  const litres = used.litres + displaced;
  if (litres <= 0 || displaced === 0) return next;
  const from = /, sand and rock since$/.test(used.from)
    ? used.from
    : `${used.from}, sand and rock since`.slice(0, MAX_NAME);
  return { ...next, volumeInUse: { ...used, litres, from } };
}

export const mediaTool: Tool = {
  id: 'media',
  title: 'Media blocks',
  lede: 'How many, by what the maker states for light and heavy stocking.',
  fields: (c) => [
    netField(c),
    field('light', 'One block serves, lightly stocked', 'volume', 0, 100000, { above: true, start: 400 }),
    field('heavy', 'One block serves, heavily stocked', 'volume', 0, 100000, { above: true, start: 100 }),
  ],
  work: (v, _has, _ch, c) => {
    const m = mediaBlocks(v('netL'), v('light'), v('heavy'));
    return {
      figures: figures({
        lightly: [m.light, 'blocks'],
        heavily: [m.heavy, 'blocks'],
      }),
      lines: [
        { name: 'Lightly stocked', value: `${m.light} block${m.light === 1 ? '' : 's'}`, strong: true },
        { name: 'Heavily stocked', value: `${m.heavy} block${m.heavy === 1 ? '' : 's'}`, strong: true },
      ],
      formula: [
        'n = V / litres a block, rounded up',
        `${v('netL').toFixed(0)} / ${v('heavy').toFixed(0)} = ${(v('netL') / v('heavy')).toFixed(1)}`,
      ],
      notes: [
        'Makers’ figures assume running-in and flow through the block. Capacity is proved by ammonia cleared, not by blocks.',
      ],
      acts: c.water
        ? [
            {
              label: 'Plan to buy them',
              primary: true,
              done: 'Planned',
              edits: () => planTask(c, c.today, `Media: ${m.light} to ${m.heavy} blocks`),
            },
          ]
        : [],
    };
  },
};

export const powerTool: Tool = {
  id: 'power',
  title: 'Power cut',
  lede: 'What drains to the sump when the pump stops, against the room it has.',
  caution:
    'Water on the floor reaches sockets: drip loops, a residual-current device, and a licensed electrician for anything fixed.',
  fields: (c) => [
    ...sizeFields(c).slice(0, 2),
    field('dropCm', 'From running level to the lowest outlet or lip', 'length', 0, 200, { start: 2.5 }),
    field('pipesL', 'In pipes and overflow box', 'volume', 0, 1000, { start: 3 }),
    field('sumpRoomL', 'Room in the sump above its running level', 'volume', 0, 10000, {
      start: c.water && c.water.sumpL > 0 ? c.water.sumpL * 0.5 : null,
    }),
  ],
  work: (v, _has, _ch, c) => {
    const s = shows(c);
    const d = drainDown({
      areaCm2: v('lengthCm') * v('widthCm'),
      dropCm: v('dropCm'),
      pipesL: v('pipesL'),
      sumpRoomL: v('sumpRoomL'),
    });
    return {
      figures: figures({
        drains: [d.litres, 'L'],
        spare: [d.spareL, 'L'],
      }),
      lines: [
        { name: 'Drains back', value: s.volume(d.litres), strong: true },
        {
          name: d.spareL >= 0 ? 'Room to spare' : 'Missing room',
          value: s.volume(Math.abs(d.spareL)),
          strong: true,
        },
      ],
      formula: [
        'V = area · drop + pipes',
        `${(v('lengthCm') * v('widthCm')).toFixed(0)} cm² × ${v('dropCm').toFixed(1)} cm + ${v('pipesL').toFixed(1)} L = ${d.litres.toFixed(1)} L`,
      ],
      notes: ['Try it: pump off, watch it settle, mark the sump. A check valve is only a second line.'],
      warnings:
        d.spareL < 0
          ? ['The sump would overflow: raise the outlet, drill a siphon break, or lower its running level.']
          : [],
      acts: c.water
        ? [
            {
              label: 'Plan the try: pump off, mark the sump',
              primary: true,
              done: 'Planned',
              edits: () =>
                planTask(
                  c,
                  c.today,
                  'Pump off: mark where the sump settles',
                  `Reckoned ${s.volume(d.litres)} into ${s.volume(v('sumpRoomL'))} of room.`,
                ),
            },
          ]
        : [],
    };
  },
};

export const weightTool: Tool = {
  id: 'weight',
  title: 'Weight',
  lede: 'The filled system, and what it lays on a square metre of floor.',
  caution:
    'Floors, old joists and corners differ: above an ordinary cupboard’s load ask a structural professional. Never move a filled tank.',
  fields: (c) => [
    netField(c),
    ...sizeFields(c),
    field('glassMm', 'Glass', 'millimetres', 2, 50, { start: 10, decimals: 0 }),
    field('rockKg', 'Rock', 'kilograms', 0, 5000, { start: c.water?.rockKg ?? 0, decimals: 1 }),
    field('sandKg', 'Sand', 'kilograms', 0, 5000, { start: c.water?.sandKg ?? 0, decimals: 1 }),
    field('standKg', 'Stand and sump', 'kilograms', 0, 2000, { start: 50, decimals: 0 }),
  ],
  work: (v, _has, _ch, c) => {
    const s = shows(c);
    const w = systemWeight({
      netL: v('netL'),
      rockKg: v('rockKg'),
      sandKg: v('sandKg'),
      lengthCm: v('lengthCm'),
      widthCm: v('widthCm'),
      heightCm: v('heightCm'),
      glassMm: v('glassMm'),
      standKg: v('standKg'),
    });
    return {
      figures: figures({
        mass: [w.kg, 'kg'],
        floorLoad: [w.kgPerM2, 'kg/m²'],
        glass: [w.glassKg, 'kg'],
      }),
      lines: [
        { name: 'Filled', value: s.kg(w.kg, 0), strong: true },
        { name: 'On its footprint', value: s.load(w.kgPerM2), strong: true },
        { name: 'Of that glass', value: s.kg(w.glassKg, 0) },
      ],
      formula: [
        'm = V · ρ + rock + sand + glass + stand',
        `${v('netL').toFixed(0)} × 1.023 + ${v('rockKg')} + ${v('sandKg')} + ${w.glassKg.toFixed(0)} + ${v('standKg')} = ${w.kg.toFixed(0)} kg`,
      ],
      notes: ['Glass is reckoned as a box of even thickness at 2.5 kg/L: an estimate.'],
      acts: c.water
        ? [
            {
              label: 'Log this as a note',
              primary: true,
              done: 'Logged',
              edits: () =>
                note(c, `Filled weight about ${s.kg(w.kg, 0)}, ${s.load(w.kgPerM2)} on its footprint.`),
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
