/** North Window, day 41: cycled, proved, reset; the film is fading, the crew is in, two cardinalfish are in quarantine. */
import {
  IN,
  WISHED,
  type Animal,
  type Display,
  type Look,
  type Place,
  type WaterEvent,
} from '../core/document';
import { SPARE } from './spareTank';
import { addDays } from '../core/time';
import { DEFAULT_PARAMS, type NitrogenInput } from '../core/nitrogen';
import type { Story } from './story';

export const NORTH: Display = {
  id: 'north-window',
  name: 'North Window',
  kind: 'display',
  startDay: '',
  hasLid: true,
  size: { kind: 'dimensions', lengthCm: 100, widthCm: 50, waterHeightCm: 48 },
  sumpL: 25,
  rockKg: 30,
  sandKg: 40,
  ammoniaSource: 'bottled',
  bacteriaSources: ['bottle'],
  school: 'proof24',
  board: {
    par: [
      { xCm: 20, yCm: 25, zCm: 40, par: 260 },
      { xCm: 50, yCm: 25, zCm: 40, par: 320 },
      { xCm: 80, yCm: 25, zCm: 40, par: 250 },
      { xCm: 30, yCm: 20, zCm: 12, par: 95 },
      { xCm: 70, yCm: 20, zCm: 12, par: 110 },
    ],
    surfacePar: null,
    flow: [
      { xCm: 12, yCm: 40, zCm: 38, flow: 'high' },
      { xCm: 57, yCm: 20, zCm: 26, flow: 'medium' },
      { xCm: 85, yCm: 15, zCm: 8, flow: 'low' },
    ],
    rocks: [
      { xCm: 18, yCm: 18, widthCm: 34, depthCm: 22, heightCm: 24 },
      { xCm: 62, yCm: 24, widthCm: 26, depthCm: 18, heightCm: 16 },
    ],
    layouts: [
      {
        name: 'Two islands and a bridge',
        rocks: [
          { xCm: 12, yCm: 16, widthCm: 28, depthCm: 24, heightCm: 22 },
          { xCm: 58, yCm: 16, widthCm: 30, depthCm: 24, heightCm: 26 },
          { xCm: 36, yCm: 22, widthCm: 26, depthCm: 10, heightCm: 24 },
        ],
      },
    ],
  },
};

export const NORTH_DAY = 41;

/** Doses in mg N/L of the believed volume, as logged. */
export const NORTH_DOSES = [1, 9, 13, 17, 21, 25, 28].map((day) => ({ day, mgNPerL: 1.55 }));
export const NORTH_CHANGE = { day: 30, fraction: 0.7 };
export const NORTH_PARAMS = {
  ...DEFAULT_PARAMS,
  muA: 0.75,
  muN: 1.1,
  decayPerDay: 0.04,
  kaMgNPerL: 0.3,
  knMgNPerL: 0.12,
};
export const NORTH_SEED: NitrogenInput = { day: 1.1, kind: 'seed', capacityA: 0.035, capacityN: 0.012 };

/** Days of the sittings and what was read besides nitrogen. */
export const NORTH_SITTINGS = [
  0.4, 2, 4, 7, 8.9, 11, 12.8, 15, 16.9, 19, 20.8, 23.2, 25.7, 27, 29.05, 30.4, 32, 34, 36, 38, 39.2, 40.9,
];

export function northAnimals(story: Story): Animal[] {
  const moves = (...list: [number, Place, string?][]): Animal['moves'] =>
    list.map(([day, to, why]) => ({ to, at: story.at(day), why: why ?? '' }));
  const base = { homeId: NORTH.id, plannedDay: null };
  return [
    {
      ...base,
      id: 'north-snails',
      speciesId: 'turban-snail',
      count: 5,
      moves: moves([24, WISHED], [31, IN(NORTH.id)]),
    },
    {
      ...base,
      id: 'north-shrimp',
      speciesId: 'cleaner-shrimp',
      count: 1,
      moves: moves([24, WISHED], [33, IN(NORTH.id)]),
    },
    {
      ...base,
      id: 'north-cardinals',
      speciesId: 'banggai-cardinalfish',
      count: 2,
      moves: moves([20, WISHED], [23, IN(SPARE.id)]),
      plannedDay: addDays(story.today, 18),
    },
    {
      ...base,
      id: 'north-goby',
      speciesId: 'yellow-watchman-goby',
      count: 1,
      moves: moves([35, WISHED]),
      plannedDay: addDays(story.today, 48),
    },
    {
      ...base,
      id: 'north-polyps',
      speciesId: 'zoanthid',
      count: 2,
      moves: moves([36, WISHED]),
      plannedDay: addDays(story.today, 5),
      spots: [{ xCm: 41, yCm: 16, zCm: 10, at: story.at(37) }],
    },
    {
      ...base,
      id: 'north-leather',
      speciesId: 'toadstool-leather',
      count: 1,
      moves: moves([36, WISHED]),
      plannedDay: addDays(story.today, 12),
      spots: [{ xCm: 32, yCm: 26, zCm: 24, at: story.at(37) }],
    },
  ];
}

/** Looks of the quarantine: spots on the sixth day, gone two days later; ten days seen clear since, one missed. */
export function northLooks(story: Story): Look[] {
  const looks: Look[] = [];
  for (let day = 23; day <= NORTH_DAY - 1; day++) {
    if (day === 25 || day === 34) continue;
    const sign = day === 28 || day === 29;
    looks.push({
      id: `north-look-${day}`,
      waterId: SPARE.id,
      day: story.dayOf(day),
      result: sign ? 'sign' : day === 30 ? 'healed' : 'clear',
      signs: sign ? ['spots'] : [],
      note: day === 28 ? 'Three white spots on the larger one.' : '',
    });
  }
  return looks;
}

export function northEvents(story: Story): WaterEvent[] {
  const event = (day: number, id: string): { id: string; waterId: string; at: string; note: string } => ({
    id: `north-${id}`,
    waterId: NORTH.id,
    at: story.at(day),
    note: '',
  });
  const film = (day: number, extent: number): WaterEvent => ({
    ...event(day, `film-${Math.floor(day)}`),
    kind: 'film',
    film: 'brown',
    extent,
  });
  return [
    { ...event(1.1, 'bacteria'), kind: 'bacteria', seed: 'bottle', mL: 250 },
    ...NORTH_DOSES.map((d): WaterEvent => ({
      ...event(d.day, `dose-${Math.floor(d.day)}`),
      kind: 'ammoniaDose',
      mgN: Math.round(d.mgNPerL * story.believedL),
      mL: Math.round((d.mgNPerL * story.believedL) / 26.185),
      note: d.day === 28 ? 'Proof dose.' : '',
    })),
    {
      ...event(NORTH_CHANGE.day, 'reset'),
      kind: 'waterChange',
      litres: Math.round(NORTH_CHANGE.fraction * story.believedL),
      note: 'Reset after the proof.',
    },
    { ...event(36.5, 'topoff'), kind: 'topOff', litres: 6 },
    film(20, 1),
    film(26, 3),
    film(33, 3),
    film(38, 2),
    film(40.5, 1),
  ];
}
