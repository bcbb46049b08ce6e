/** How to begin, what runs out when, and what it costs to run. */
import { consumed } from '../../money';
import { WAYS, WEEKS, type Way } from '../../start';
import { addDays } from '../../time';
import { choice, field, figures, netField, planTask, shows, type Tool, type ToolContext } from '../tool';

const span = ([p10, p50, p90]: readonly (number | null)[]): string =>
  p50 === null || p50 === undefined
    ? 'longer than five months in half of the cases'
    : `likely ${p50} weeks, ${p10} to ${p90 ?? 'over 21'}`;

export const startTool: Tool = {
  id: 'start',
  title: 'How to begin',
  lede: 'Ways to cycle side by side, by what you have, can wait and will do: weeks, money, risk, work.',
  caution: 'Ammonia solution burns eyes and skin and must never meet bleach. Follow the label.',
  fields: (c) => [
    netField(c),
    choice(
      'mature',
      'From a running tank I can get',
      [
        ['none', 'nothing'],
        ['media', 'media'],
        ['rock', 'rock'],
        ['tank', 'a whole tank'],
      ],
      'none',
    ),
    choice(
      'bottle',
      'A bottle of bacteria',
      [
        ['yes', 'yes'],
        ['no', 'no'],
      ],
      'yes',
    ),
    choice(
      'pests',
      'Pests that come along are',
      [
        ['no', 'not for me'],
        ['yes', 'taken into account'],
      ],
      'no',
    ),
    choice(
      'smell',
      'Smell in the room',
      [
        ['no', 'no'],
        ['yes', 'for weeks, if need be'],
      ],
      'no',
    ),
    field('weeks', 'I can wait', 'number', 0, 104, { unit: 'weeks', start: 10, decimals: 0 }),
    field('testsAWeek', 'I will test', 'number', 0, 14, { unit: 'times a week', start: 3, decimals: 0 }),
    field('ammoniaPrice', 'Ammonia costs', 'number', 0, 1000, { start: 10 }),
    field('bottlePrice', 'Bacteria cost', 'number', 0, 1000, { start: 20 }),
    field('testPrice', 'A test of both costs', 'number', 0, 100, { start: 0.8 }),
    field('budget', 'For the start there is', 'number', 0, 100000, { optional: true }),
  ],
  work: (v, has, ch, c) => {
    if (c.evidence?.isInhabited)
      throw new RangeError('Animals are in: this tank is begun, and no ammonia goes into it');
    const rows = WAYS.map((way) => ({ way, ...judged(way) }));
    function judged(way: Way): { weeks: number | null; money: number; against: string[] } {
      const [, weeks] = WEEKS[way.id].proof;
      const money =
        (way.ammonia === 'bottled' ? v('ammoniaPrice') : 2) +
        (way.seed === 'bottle' ? v('bottlePrice') : 0) +
        (weeks ?? 22) * way.testsAWeek * v('testPrice');
      const needs =
        way.seed === 'media'
          ? 'media'
          : way.seed === 'rock'
            ? 'rock'
            : way.seed === 'oldTank'
              ? 'tank'
              : null;
      return {
        weeks,
        money,
        against: [
          ...(needs !== null && ch.mature !== needs && ch.mature !== 'tank' ? ['you have none of that'] : []),
          ...(way.seed === 'bottle' && ch.bottle === 'no' ? ['no bottle wanted'] : []),
          ...(needs !== null && ch.pests === 'no' ? ['pests may come along'] : []),
          ...((way.id === 'seafood' || way.id === 'rotting') && ch.smell === 'no' ? ['it smells'] : []),
          ...(weeks === null || weeks > v('weeks') ? ['longer than you can wait'] : []),
          ...(way.testsAWeek > v('testsAWeek') ? [`asks for ${way.testsAWeek} tests a week`] : []),
          ...(has('budget') && money > v('budget') ? ['over your budget'] : []),
        ],
      };
    }
    const order = [...rows].sort(
      (a, b) => a.against.length - b.against.length || (a.weeks ?? 99) - (b.weeks ?? 99) || a.money - b.money,
    );
    const best = order[0]!;
    return {
      figures: figures(
        Object.fromEntries(
          rows.flatMap((r) => [
            [
              `${r.way.id}Weeks`,
              [
                WEEKS[r.way.id].proof[1],
                'weeks',
                WEEKS[r.way.id].proof[0] ?? undefined,
                WEEKS[r.way.id].proof[2] ?? undefined,
              ] as const,
            ],
            [`${r.way.id}Money`, [r.money, 'money'] as const],
            [`${r.way.id}Against`, [r.against.length, 'reasons'] as const],
          ]),
        ),
      ),
      lines: [
        {
          name: best.against.length === 0 ? 'What fits you best' : 'Nothing fits in every point; nearest',
          value: best.way.title,
          strong: true,
        },
        ...order.map((r) => ({
          name: r.way.title,
          value: `${span(WEEKS[r.way.id].proof)}; ${r.money.toFixed(0)}; ${r.against.length === 0 ? r.way.risk : `against it: ${r.against.join(', ')}`}`,
        })),
      ],
      formula: [
        'weeks: the forecast’s own prior, 2 mg/L cleared in a day',
        `${best.way.title}: ${span(WEEKS[best.way.id].proof)}`,
      ],
      notes: [
        'The spread is the tank’s, not the method’s: after a week of tests the forecast knows yours.',
        'Fish first is practised and works with a test every day; here it is a school of its own, for one or two small fish.',
        'Whatever way: no animal before ammonia and nitrite say so.',
      ],
      acts:
        c.water?.kind === 'display'
          ? [
              {
                label: `Make it the plan of ${c.water.name}`,
                primary: true,
                done: 'Plan chosen',
                edits: () =>
                  c.water?.kind === 'display'
                    ? [
                        {
                          put: 'waters',
                          entity: {
                            ...c.water,
                            school: best.way.school,
                            ammoniaSource: best.way.ammonia,
                            bacteriaSources: [...best.way.bacteria],
                            rockKind: best.way.rock,
                          },
                        },
                      ]
                    : [],
              },
              { label: 'Schools compared', href: `/water/${c.water.id}/school` },
            ]
          : [],
    };
  },
};

export const reorderTool: Tool = {
  id: 'reorder',
  title: 'What runs out',
  lede: 'Salt, tests, carbon, food: when to order, so that none is missing on the day.',
  fields: (c) => [
    netField(c),
    field('changePercent', 'Changed a week', 'number', 0, 100, { unit: '%', start: 10, decimals: 0 }),
    field('gramsPerLitre', 'Salt for the mix', 'gramsPerLitre', 20, 60, { start: 38, decimals: 1 }),
    field('saltLeftKg', 'Salt left', 'kilograms', 0, 10000, { start: 10, decimals: 1 }),
    field('testsLeft', 'Tests left in the kit that ends first', 'number', 0, 100000, {
      whole: true,
      start: leastTests(c) ?? 40,
      decimals: 0,
    }),
    field('testsAWeek', 'Used a week', 'number', 0, 100, { start: 2, decimals: 1 }),
    field('foodLeft', 'Food left', 'number', 0, 1e6, { unit: 'g', start: 100, decimals: 0 }),
    field('foodPerDay', 'Fed a day', 'number', 0, 10000, { unit: 'g', start: 0.5 }),
    field('leadDays', 'An order takes', 'number', 0, 365, {
      unit: 'days',
      whole: true,
      start: 7,
      decimals: 0,
    }),
    field('saltPerKg', 'Salt costs', 'aKilogram', 0, 1000, { optional: true }),
  ],
  work: (v, has, _ch, c) => {
    const s = shows(c);
    const saltPerDay = (v('netL') * (v('changePercent') / 100) * v('gramsPerLitre')) / 1000 / 7;
    const rows = [
      { what: 'salt', days: consumed(v('saltLeftKg'), saltPerDay) },
      { what: 'tests', days: consumed(v('testsLeft'), v('testsAWeek') / 7) },
      { what: 'food', days: consumed(v('foodLeft'), v('foodPerDay')) },
    ].map((r) => ({ ...r, order: r.days === null ? null : Math.max(0, Math.floor(r.days - v('leadDays'))) }));
    const first = rows.filter((r) => r.order !== null).sort((a, b) => a.order! - b.order!)[0];
    const monthly = has('saltPerKg') ? saltPerDay * 30.4375 * v('saltPerKg') : null;
    return {
      figures: figures({
        saltDays: [rows[0]!.days, 'days'],
        testDays: [rows[1]!.days, 'days'],
        foodDays: [rows[2]!.days, 'days'],
        saltPerMonth: [saltPerDay * 30.4375, 'kg'],
        saltMoneyPerMonth: [monthly ?? undefined, 'money'],
      }),
      lines: [
        {
          name: 'Order first',
          value: first
            ? `${first.what}, ${first.order === 0 ? 'now' : `by ${c.dayLabel(addDays(c.today, first.order!))}`}`
            : 'nothing runs out',
          strong: true,
        },
        ...rows.map((r) => ({
          name: `${r.what} last`,
          value: r.days === null ? 'none used' : `${Math.floor(r.days)} days`,
        })),
        {
          name: 'Salt a month',
          value: `${s.kg(saltPerDay * 30.4375)}${monthly === null ? '' : `, ${monthly.toFixed(2)}`}`,
        },
      ],
      formula: [
        'days = left / used a day',
        `${s.number(v('saltLeftKg'), 1)} / ${s.number(saltPerDay, 3)} = ${s.number(rows[0]!.days ?? 0, 0)} days`,
      ],
      notes: [
        'A kit past its date is no kit: order by its date where that comes first.',
        'Keep salt for one large change in reserve: it is what an emergency takes.',
      ],
      warnings:
        v('saltLeftKg') * 1000 < v('netL') * 0.5 * v('gramsPerLitre')
          ? ['Not enough salt here for half of the water: that is what an ammonia emergency takes.']
          : [],
      acts:
        c.water && first
          ? [
              {
                label: `Remind me to order ${first.what}`,
                primary: true,
                done: 'Planned',
                edits: () =>
                  planTask(
                    c,
                    addDays(c.today, first.order!),
                    `Order ${first.what}`,
                    'By what is used and how long an order takes.',
                  ),
              },
            ]
          : c.water
            ? [{ label: 'Equipment and consumables', primary: true, href: `/water/${c.water.id}/equipment` }]
            : [],
    };
  },
};

/** Of the kits that count their tests, the fewest left. */
function leastTests(c: ToolContext): number | null {
  const left = Object.values(c.doc.kits).flatMap((k) =>
    k.archived || k.testsLeft === undefined ? [] : [k.testsLeft],
  );
  return left.length > 0 ? Math.min(...left) : null;
}
