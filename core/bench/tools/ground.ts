/** Rock and sand before they are bought. */
import { rockDisplaces, sandFor } from '../../equipment/sizing';
import { choice, field, figures, planTask, shows, type Tool, glassOf } from '../tool';

interface RockKindFacts {
  key: string;
  words: string;
  weeks: readonly [number, number];
  pests: string;
  rot: string;
  closed: number;
}
/** Common practice; weeks are those until both read zero, without a bottle. */
const ROCKS: readonly RockKindFacts[] = [
  { key: 'dry', words: 'dry rock', weeks: [4, 8], pests: 'none', rot: 'little', closed: 18 },
  {
    key: 'cast',
    words: 'cast rock',
    weeks: [5, 10],
    pests: 'none',
    rot: 'none, but its cement lifts pH at first',
    closed: 25,
  },
  {
    key: 'old',
    words: 'old dry rock, cured again',
    weeks: [4, 10],
    pests: 'few',
    rot: 'much at first',
    closed: 18,
  },
  {
    key: 'wet',
    words: 'rock from a running tank',
    weeks: [1, 3],
    pests: 'yes: anemones, crabs, worms',
    rot: 'some die-off',
    closed: 18,
  },
];

export const rockTool: Tool = {
  id: 'rock',
  title: 'Which rock, and how it stands',
  lede: 'Kinds side by side for this glass: money, weeks, pests, rot; and whether the pile is safe.',
  caution:
    'Epoxy and cement heat, and cement is caustic until it has cured: gloves, goggles, and days in fresh water before use.',
  fields: (c) => [
    field('kg', 'Rock in all', 'kilograms', 0, 5000, {
      above: true,
      start: c.water?.rockKg || 15,
      decimals: 1,
    }),
    field('dryPrice', 'Dry rock costs', 'aKilogram', 0, 1000, { start: 6 }),
    field('castPrice', 'Cast rock', 'aKilogram', 0, 1000, { start: 9 }),
    field('oldPrice', 'Old rock', 'aKilogram', 0, 1000, { start: 3 }),
    field('wetPrice', 'From a running tank', 'aKilogram', 0, 1000, { start: 12 }),
    field('pileCm', 'The pile is high', 'length', 0, 300, { start: (glassOf(c)?.waterHeightCm ?? 45) * 0.6 }),
    field('baseCm', 'And stands on a width of', 'length', 0, 500, { above: true, start: 25 }),
    field('gapCm', 'Gap to the glass', 'length', 0, 200, { start: 6 }),
    field('waterCm', 'Height of the water', 'length', 0, 300, {
      above: true,
      start: glassOf(c)?.waterHeightCm ?? 45,
    }),
    choice(
      'fixed',
      'Joined with',
      [
        ['loose', 'nothing'],
        ['rods', 'rods or plates'],
        ['glue', 'epoxy or cement'],
      ],
      'loose',
    ),
    choice(
      'base',
      'It stands on',
      [
        ['glass', 'the glass'],
        ['sand', 'the sand'],
      ],
      'glass',
    ),
  ],
  work: (v, _has, ch, c) => {
    const s = shows(c);
    const prices = [v('dryPrice'), v('castPrice'), v('oldPrice'), v('wetPrice')];
    const slender = v('pileCm') / v('baseCm');
    const most = ch.fixed === 'loose' ? 1 : 1.6;
    const cover = v('waterCm') - v('pileCm');
    const warnings = [
      ...(slender > most
        ? [
            `${s.number(slender, 1)} times as high as it is wide: it can fall. Widen the foot, or join it with rods.`,
          ]
        : []),
      ...(ch.base === 'sand'
        ? ['On sand a digger undermines it: rock first, on the glass, sand around it.']
        : []),
      ...(v('gapCm') < 5 ? ['Under a hand’s breadth to the glass: no magnet and no hand gets through.'] : []),
      ...(cover < 10 ? ['Less than 10 cm of water above it: corals grow, and light burns up there.'] : []),
    ];
    return {
      figures: figures({
        ...Object.fromEntries(
          ROCKS.map((r, i) => [`${r.key}Money`, [prices[i]! * v('kg'), 'money'] as const]),
        ),
        displaces: [rockDisplaces(v('kg'), 0.18), 'L'],
        slender: [slender, 'times'],
      }),
      lines: [
        {
          name: warnings.length === 0 ? 'The pile is safe by its measures' : 'The pile is not safe yet',
          value: `${s.number(slender, 1)} times as high as wide`,
          strong: true,
        },
        ...ROCKS.map((r, i) => ({
          name: r.words,
          value: `${(prices[i]! * v('kg')).toFixed(0)}, ${r.weeks[0]} to ${r.weeks[1]} weeks`,
        })),
        { name: 'It displaces about', value: s.volume(rockDisplaces(v('kg'), 0.18)) },
      ],
      formula: [
        'displaced = kg / 2.93 / (1 − closed pores)',
        `${s.number(v('kg'), 1)} / 2.93 / 0.82 = ${s.number(rockDisplaces(v('kg'), 0.18), 1)} L`,
      ],
      notes: ROCKS.map((r) => `${r.words}: pests ${r.pests}; rot ${r.rot}.`).concat(
        'Shake the finished pile with a finger before the water: what moves now falls later. Look under it too.',
        'Weeks are common practice without a bottle; the forecast knows yours.',
      ),
      warnings,
      steps: {
        caption: 'Side by side',
        columns: ['rock', 'money', 'weeks', 'pests'],
        rows: ROCKS.map((r, i) => [
          r.words,
          (prices[i]! * v('kg')).toFixed(0),
          `${r.weeks[0]}–${r.weeks[1]}`,
          r.pests,
        ]),
      },
      acts: c.water
        ? [
            { label: 'Lay it out on the board', primary: true, href: `/water/${c.water.id}/stock/board` },
            {
              label: 'Plan the shake',
              done: 'Planned',
              edits: () =>
                planTask(
                  c,
                  c.today,
                  'Shake the rock: nothing may move',
                  'With a finger, from each side, before the sand.',
                ),
            },
          ]
        : [],
    };
  },
};

/** What a grain is for: common practice. The flow is the whole, in tank volumes an hour. */
const GRAINS = [
  {
    below: 0.5,
    words: 'sugar',
    mostFlow: 15,
    digs: 'gobies that sift it; not for those that burrow in tubes',
  },
  { below: 1.2, words: 'fine', mostFlow: 25, digs: 'sifting gobies, wrasses that sleep in sand, conchs' },
  {
    below: 2.5,
    words: 'medium',
    mostFlow: 45,
    digs: 'wrasses that sleep in sand, pistol shrimps with some rubble',
  },
  { below: 6, words: 'coarse', mostFlow: 80, digs: 'pistol shrimps; it hurts what sifts and burrows' },
] as const;

export const grainTool: Tool = {
  id: 'grain',
  title: 'Sand both ways',
  lede: 'Mass from a depth, or depth from what you have; and which grain stays put and suits whom.',
  caution:
    'Lights and fine pumps off while sand goes in; rinse it until the water runs clear, or it clouds for days.',
  fields: (c, ch) => [
    field('lengthCm', 'Length', 'length', 0, 2000, { above: true, start: glassOf(c)?.lengthCm ?? null }),
    field('widthCm', 'Width', 'length', 0, 2000, { above: true, start: glassOf(c)?.widthCm ?? null }),
    field('coveredPercent', 'Under rock', 'number', 0, 95, { unit: '%', start: 20, decimals: 0 }),
    choice(
      'from',
      'From',
      [
        ['depth', 'the depth I want'],
        ['mass', 'the sand I have'],
      ],
      'depth',
    ),
    ...(ch.from === 'mass'
      ? [field('kg', 'Sand', 'kilograms', 0, 5000, { above: true, start: 20, decimals: 1 })]
      : [field('depthCm', 'Depth', 'length', 0, 40, { above: true, start: 3 })]),
    field('bulk', 'Dry sand weighs', 'kgPerLitre', 0.8, 2, { start: 1.3 }),
    field('grainMm', 'Grain', 'millimetres', 0.05, 10, { start: 1.5 }),
    field('turnover', 'Flow in all, an hour', 'number', 0, 200, { unit: 'tanks', start: 20, decimals: 0 }),
  ],
  work: (v, _has, ch, c) => {
    const s = shows(c);
    const area = v('lengthCm') * v('widthCm') * (1 - v('coveredPercent') / 100);
    const depth = ch.from === 'mass' ? (v('kg') / v('bulk') / area) * 1000 : v('depthCm');
    const kg = ch.from === 'mass' ? v('kg') : sandFor(area, v('depthCm'), v('bulk')).kg;
    const grain = GRAINS.find((g) => v('grainMm') < g.below) ?? GRAINS[GRAINS.length - 1]!;
    return {
      figures: figures({
        kg: [kg, 'kg'],
        depth: [depth, 'cm'],
        area: [area, 'cm²'],
        mostFlow: [grain.mostFlow, 'tanks/h'],
      }),
      lines: [
        ch.from === 'mass'
          ? { name: 'It lies', value: `${s.length(depth)} deep`, strong: true }
          : { name: 'Sand', value: s.kg(kg), strong: true },
        { name: `${grain.words} sand stays put up to`, value: `about ${grain.mostFlow} tanks an hour` },
        { name: 'It suits', value: grain.digs },
      ],
      formula: [
        ch.from === 'mass' ? 'depth = kg / (bulk · free floor)' : 'kg = bulk · free floor · depth',
        `${s.number(kg, 1)} kg, ${(area / 1e4).toFixed(3)} m², ${s.number(v('bulk'), 2)} kg/L, ${s.number(depth, 1)} cm`,
      ],
      notes: [
        'Two to four centimetres stay clean; more is a deep bed and a decision; between is neither.',
        'What hangs on the day of the sand: lights off until it has settled, socks in and changed each day, pumps on again last.',
      ],
      warnings: [
        ...(v('turnover') > grain.mostFlow
          ? ['It will drift with that flow: coarser grain, or less flow over the floor.']
          : []),
        ...(depth > 5 && depth < 10
          ? ['Five to ten centimetres collect dirt without working as a deep bed.']
          : []),
      ],
      acts: c.water
        ? [
            { label: 'Take it into the volume', primary: true, href: `/water/${c.water.id}/bench/sand` },
            {
              label: 'Plan the day of the sand',
              done: 'Planned',
              edits: () =>
                planTask(
                  c,
                  c.today,
                  `Sand in: ${s.kg(kg)}`,
                  'Rinsed, lights off, fine pumps off, socks in. Lights on when it has cleared.',
                ),
            },
          ]
        : [],
    };
  },
};
