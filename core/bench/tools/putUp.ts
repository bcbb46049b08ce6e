/** Sand and rock as they are put in, and what it all weighs. */
import { rockDisplaces, sandFor, systemWeight } from '../../equipment/sizing';
import { MAX_NAME, type Water } from '../../document';
import { netVolume } from '../../volume';
import { field, figures, netField, noteAct, shows, sizeFields, type Tool } from '../tool';

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
        ? [noteAct(c, `Filled weight about ${s.kg(w.kg, 0)}, ${s.load(w.kgPerM2)} on its footprint.`)]
        : [],
    };
  },
};
