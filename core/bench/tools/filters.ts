/** Carbon and media. */
import { mediaBlocks } from '../../equipment/sizing';
import { SUPPLY } from '../../supply';
import { addDays } from '../../time';
import { choice, field, figures, netField, planTask, shows, type Tool } from '../tool';

export const carbonTool: Tool = {
  id: 'carbon',
  title: 'Carbon and media',
  lede: 'Grams of carbon, when it is changed, and media by the kilogram.',
  caution:
    'Rinse carbon until the water runs clear; its dust irritates. Start with half: it clears the water, and corals see more light at once.',
  fields: (c) => [
    netField(c),
    field('gramsPerL', 'Carbon for the water', 'gramsPerLitre', 0.05, 5, {
      start: SUPPLY.carbonGramsPerL,
      hint: 'The label goes first.',
    }),
    field('days', 'In use for', 'number', 0, 365, { unit: 'days', start: 0, decimals: 0 }),
    choice(
      'why',
      'It is in for',
      [
        ['routine', 'clear water'],
        ['smell', 'a smell'],
        ['suspicion', 'a suspicion: coral toxin, medicine, a spray'],
      ],
      'routine',
    ),
    choice(
      'smell',
      'Since then the smell',
      [
        ['unasked', 'nothing to say'],
        ['gone', 'is gone'],
        ['there', 'is still there'],
      ],
      'unasked',
    ),
    field('mediaL', 'Media', 'volume', 0, 1000, { start: 5 }),
    field('mediaBulk', 'They weigh', 'kgPerLitre', 0.1, 3, { start: 0.7 }),
    field('litresPerL', 'Water that one part of them serves', 'number', 0, 100000, {
      unit: 'parts',
      above: true,
      start: 60,
      decimals: 0,
    }),
  ],
  work: (v, _has, ch, c) => {
    const s = shows(c);
    const grams = v('gramsPerL') * v('netL');
    const lasts = ch.why === 'suspicion' ? 2 : ch.why === 'smell' ? 7 : 10;
    const due = v('days') >= lasts || ch.smell === 'there';
    return {
      figures: figures({
        grams: [grams, 'g'],
        changeAfter: [lasts, 'days'],
        due: [due ? 1 : 0, 'yes'],
        mediaKg: [v('mediaL') * v('mediaBulk'), 'kg'],
        mediaServes: [v('mediaL') * v('litresPerL'), 'L'],
      }),
      lines: [
        { name: 'Carbon', value: s.grams(grams), strong: true },
        {
          name: 'Change it',
          value: due ? 'now' : `in ${Math.max(1, Math.ceil(lasts - v('days')))} days`,
          strong: true,
        },
        {
          name: 'Media',
          value: `${s.kg(v('mediaL') * v('mediaBulk'))}, for ${s.volume(v('mediaL') * v('litresPerL'), 0)} by their maker`,
        },
      ],
      formula: [
        'm = V · g/L',
        `${v('netL').toFixed(0)} × ${s.number(v('gramsPerL'), 2)} = ${grams.toFixed(0)} g`,
      ],
      notes: [
        'Changed every one to two weeks; after a suspicion after two days, and again.',
        'New media are rinsed, seeded ones never, and kept wet on every way. Seed a piece in the sump months before a quarantine needs it.',
        'A hang-on filter is filled by hand before it is started, and after each cut.',
      ],
      warnings:
        ch.smell === 'there'
          ? ['A smell that stays after carbon is something that rots: look for it, and test ammonia.']
          : [],
      acts: c.water
        ? [
            {
              label: `Change it in ${lasts} days`,
              primary: true,
              done: 'Planned',
              edits: () =>
                planTask(
                  c,
                  addDays(c.today, lasts),
                  'Change the carbon',
                  `${s.grams(grams)}, rinsed.${ch.why === 'smell' ? ' Is the smell gone?' : ''}`,
                ),
            },
          ]
        : [],
    };
  },
};

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
