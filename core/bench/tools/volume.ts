/** The real volume of a system, from every way of knowing it. */
import { learnedStrength } from '../../dosing';
import { rockDisplaces, sandKgPerL } from '../../equipment/sizing';
import { doseCheck } from '../../nitrogen';
import { toMgNPerL } from '../../units';
import {
  combineVolumes,
  netVolume,
  volumeFromDose,
  volumeFromProduction,
  volumeFromSalt,
  type NetVolume,
  type VolumeEstimate,
} from '../../volume';
import { choice, field, figures, shows, type Tool, type ToolContext, type ToolField } from '../tool';
import { batchesOf } from './water';

/** Size, sump, rock and sand, for a system that is not described or is measured again. */
const PARTS = (c: ToolContext): ToolField[] => {
  const d = c.water?.size.kind === 'dimensions' ? c.water.size : null;
  return [
    field('lengthCm', 'Length inside', 'length', 0, 2000, {
      above: true,
      optional: true,
      start: d?.lengthCm ?? null,
    }),
    field('widthCm', 'Width inside', 'length', 0, 2000, {
      above: true,
      optional: true,
      start: d?.widthCm ?? null,
    }),
    field('waterCm', 'Height of the water', 'length', 0, 500, {
      above: true,
      optional: true,
      start: d?.waterHeightCm ?? null,
    }),
    field('sumpL', 'Water in the running sump', 'volume', 0, 10000, {
      optional: true,
      start: c.water?.sumpL ?? null,
    }),
    field('rockKg', 'Dry rock', 'kilograms', 0, 5000, {
      optional: true,
      decimals: 1,
      start: c.water?.rockKg ?? null,
    }),
    field('rockPores', 'Pores the water does not enter', 'number', 0, 60, {
      unit: '%',
      optional: true,
      start: 18,
      decimals: 0,
      hint: 'Solid 2.93 kg/L; 18 % closed makes 2.4.',
    }),
    field('sandKg', 'Dry sand', 'kilograms', 0, 5000, {
      optional: true,
      decimals: 1,
      start: c.water?.sandKg ?? null,
    }),
    field('sandBulk', 'That sand weighs', 'kgPerLitre', 0.5, 2.5, {
      optional: true,
      start: 1.3,
    }),
    field('sandPores', 'Of that litre, pores', 'number', 0, 80, {
      unit: '%',
      optional: true,
      start: 54,
      decimals: 0,
      hint: 'Litres of water that fill a full litre of it.',
    }),
  ];
};

/** What tells something only together: one alone is not swallowed in silence. */
const PAIRS: readonly { keys: readonly string[]; says: string }[] = [
  {
    keys: ['lengthCm', 'widthCm', 'waterCm'],
    says: 'By size it takes length, width and height of the water: one is missing, so none counts.',
  },
  { keys: ['litresPerHour', 'minutes'], says: 'Output and minutes count together: enter both.' },
  { keys: ['grams', 'salinity'], says: 'Salt and the salinity it reached count together: enter both.' },
  { keys: ['doseMgN', 'rise'], says: 'The dose and the rise it made count together: enter both.' },
];

function bySize(v: (key: string) => number, has: (key: string) => boolean): NetVolume {
  const or = (key: string, otherwise: number) => (has(key) ? v(key) : otherwise);
  return netVolume({
    size: {
      kind: 'dimensions',
      lengthCm: v('lengthCm'),
      widthCm: v('widthCm'),
      waterHeightCm: v('waterCm'),
    },
    sumpL: or('sumpL', 0),
    rockKg: or('rockKg', 0),
    sandKg: or('sandKg', 0),
    rockKgPerL: 1 / rockDisplaces(1, or('rockPores', 18) / 100),
    sandKgPerL: sandKgPerL(or('sandBulk', 1.3), or('sandPores', 54) / 100),
  });
}

export const volumeTool: Tool = {
  id: 'volume',
  title: 'Real volume',
  lede: 'Every dose depends on it. Each estimate with its doubt; together they are surer than any alone.',
  belowTitle: 'More ways of knowing it',
  fields: (c, ch) => [
    ...(c.volume
      ? [
          choice(
            'size',
            'By size',
            [
              ['described', 'as described'],
              ['parts', 'measured again'],
            ],
            'described',
          ),
        ]
      : []),
    ...(c.volume && ch.size !== 'parts'
      ? [
          field('parts', 'By dimensions, rock and sand', 'volume', 0, 100000, {
            above: true,
            optional: true,
            start: c.volume.byParts.netL,
            hint: `± ${shows(c).volume(c.volume.byParts.sdL, 0)}`,
          }),
        ]
      : PARTS(c)),
    field('metered', 'Metered or counted in', 'volume', 0, 100000, {
      above: true,
      optional: true,
      hint: 'Water meter or buckets, 3 % either way.',
    }),
    field('litresPerHour', 'RO/DI output', 'litresPerHour', 0, 1000, {
      above: true,
      optional: true,
      below: true,
    }),
    field('minutes', 'Minutes it ran', 'number', 0, 100000, {
      unit: 'min',
      above: true,
      optional: true,
      below: true,
    }),
    field('grams', 'Salt used to fill', 'number', 0, 1e6, {
      unit: 'g',
      above: true,
      optional: true,
      below: true,
    }),
    field('salinity', 'Salinity it reached', 'salinity', 2, 42, { optional: true, below: true }),
    field('doseMgN', 'Ammonia dosed, as N', 'number', 0, 1e6, {
      unit: 'mg',
      above: true,
      optional: true,
      below: true,
      hint: 'The dose page says it in mg N.',
    }),
    field('rise', 'The kit rose by', 'number', 0, 20, {
      unit: 'mg/L NH₄',
      above: true,
      optional: true,
      below: true,
      hint: 'Tested before and within 12 hours after.',
    }),
  ],
  work: (v, has, _choices, c) => {
    const s = shows(c);
    const strength = learnedStrength(batchesOf(c));
    const estimates: VolumeEstimate[] = [];
    const sized = has('lengthCm') && has('widthCm') && has('waterCm') ? bySize(v, has) : null;
    if (sized) estimates.push({ from: 'dimensions, rock and sand', litres: sized.netL, sdL: sized.sdL });
    else if (has('parts'))
      estimates.push({
        from: 'dimensions, rock and sand',
        litres: v('parts'),
        sdL:
          c.volume && Math.abs(c.volume.byParts.netL - v('parts')) < 0.01 * v('parts')
            ? c.volume.byParts.sdL
            : v('parts') * 0.06,
      });
    if (has('metered'))
      estimates.push({ from: 'metered in', litres: v('metered'), sdL: v('metered') * 0.03 });
    if (has('litresPerHour') && has('minutes'))
      estimates.push(volumeFromProduction(v('litresPerHour'), v('minutes')));
    if (has('grams') && has('salinity'))
      estimates.push(volumeFromSalt(v('grams'), v('salinity'), strength.gramsPerLitre, strength.sdShare));
    if (has('doseMgN') && has('rise'))
      estimates.push(volumeFromDose(v('doseMgN'), toMgNPerL('ammonia', 'ion', v('rise'))));
    const dosed = c.evidence ? doseCheck(c.evidence) : null;
    if (dosed) estimates.push(dosed);
    if (estimates.length === 0)
      throw new RangeError(
        'Enter at least one way of knowing the volume: three dimensions, a meter, output and minutes, salt and salinity, or a dose and its rise',
      );
    const all = combineVolumes(estimates);
    return {
      figures: figures({
        volume: [all.litres, 'L', all.litres - all.sdL, all.litres + all.sdL],
      }),
      lines: [
        { name: 'Together', value: `${s.volume(all.litres, 0)} ± ${s.volume(all.sdL, 0)}`, strong: true },
        ...estimates.map((e) => ({
          name: `${e.from}${all.outliers.includes(e.from) ? ': does not fit, left out' : ''}${c.volume?.from === e.from ? ', in use' : ''}`,
          value: `${s.volume(e.litres, 0)} ± ${s.volume(e.sdL, 0)}`,
        })),
      ],
      formula: [
        ...(sized
          ? [
              `size: ${sized.lines.map((l) => `${l.part} ${l.litres < 0 ? '−' : ''}${Math.abs(l.litres).toFixed(1)}`).join(', ')} L; rock displaces kg / 2.93 / (1 − closed pores), sand kg / (weight of a litre / (1 − pores))`,
            ]
          : []),
        'V = Σ (Vᵢ / σᵢ²) / Σ (1 / σᵢ²)',
        `(${estimates
          .filter((e) => !all.outliers.includes(e.from))
          .map((e) => `${e.litres.toFixed(0)}/${e.sdL.toFixed(1)}²`)
          .join(' + ')}) / (${estimates
          .filter((e) => !all.outliers.includes(e.from))
          .map((e) => `1/${e.sdL.toFixed(1)}²`)
          .join(' + ')}) = ${all.litres.toFixed(1)} L`,
      ],
      notes: [
        ...(dosed
          ? ['The dose check is reckoned from your ammonia doses and the rise the kit showed.']
          : // With animals in nobody is led to a dose.
            c.evidence?.isInhabited
            ? []
            : ['An ammonia test before a dose and within 12 hours after it adds one more estimate.']),
        all.outliers.length > 0
          ? 'What does not fit is shown, not used: look for a slip there.'
          : 'Where two disagree the spread is widened: nobody can say which is wrong.',
      ],
      warnings: PAIRS.flatMap(({ keys, says }) => (keys.some(has) && !keys.every(has) ? [says] : [])),
      acts: c.water
        ? [
            {
              label: 'Use this volume',
              primary: true,
              done: 'Volume in use changed',
              edits: () =>
                c.water
                  ? [
                      {
                        put: 'waters',
                        entity: {
                          ...c.water,
                          volumeInUse: {
                            litres: all.litres,
                            sdL: all.sdL,
                            from:
                              estimates.length > 1
                                ? 'estimates combined on the bench'
                                : (estimates[0]?.from ?? 'bench'),
                          },
                        },
                      },
                    ]
                  : [],
            },
            ...(c.water.volumeInUse
              ? [
                  {
                    label: 'Back to dimensions',
                    done: 'Volume by dimensions again',
                    edits: () => {
                      if (!c.water) return [];
                      const { volumeInUse: _, ...water } = c.water;
                      return [{ put: 'waters' as const, entity: water }];
                    },
                  },
                ]
              : []),
          ]
        : [],
    };
  },
};
