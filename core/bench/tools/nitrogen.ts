/** Nitrogen on every basis, and free ammonia. */
import { addDays } from '../../time';
import { ammoniumPKa, FREE_AMMONIA, freeAmmoniaFraction } from '../../seawater';
import { basisLabel, fromMgNPerL, toMgNPerL, type NitrogenBasis, type NitrogenSpecies } from '../../units';
import { choice, field, figures, lastValue, planTask, shows, type Tool } from '../tool';

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
    const amounts = figures(
      Object.fromEntries(
        others.map((b) => [b, [fromMgNPerL(species, b, n), `mg/L ${basisLabel(species, b)}`] as const]),
      ),
    );
    const acts = c.water
      ? [
          { label: 'Log a sample', href: `/water/${c.water.id}/log`, primary: true },
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
        figures: amounts,
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
      figures: [...amounts, ...figures({ freeShare: [share, 'share'], free: [free, 'mg/L NH₃-N'] })],
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
