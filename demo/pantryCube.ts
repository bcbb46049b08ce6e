/** Pantry Cube, day 12 of a bottled-ammonia cycle: ammonia nearly gone, nitrite high. */
import type { Display, WaterEvent } from '../core/document';
import { DEFAULT_PARAMS, type NitrogenInput } from '../core/nitrogen';
import type { Story } from './story';

export const PANTRY: Display = {
  id: 'pantry-cube',
  name: 'Pantry Cube',
  kind: 'display',
  startDay: '',
  hasLid: false,
  size: { kind: 'dimensions', lengthCm: 40, widthCm: 40, waterHeightCm: 37 },
  sumpL: 0,
  rockKg: 7,
  sandKg: 6,
  ammoniaSource: 'bottled',
  bacteriaSources: ['bottle'],
  school: 'proof24',
};

export const PANTRY_DAY = 12;
export const PANTRY_DOSES = [
  { day: 0.6, mgNPerL: 1.55 },
  { day: 8.1, mgNPerL: 1.55 },
];
export const PANTRY_PARAMS = { ...DEFAULT_PARAMS, muA: 0.85, muN: 0.55 };
export const PANTRY_SEED: NitrogenInput = { day: 0.7, kind: 'seed', capacityA: 0.08, capacityN: 0.006 };
export const PANTRY_SITTINGS = [0.3, 1.5, 3, 5, 6.5, 8, 9.5, 10.7, 11.9];

export function pantryEvents(story: Story): WaterEvent[] {
  const event = (day: number, id: string) => ({
    id: `pantry-${id}`,
    waterId: PANTRY.id,
    at: story.at(day),
    note: '',
  });
  return [
    { ...event(0.7, 'bacteria'), kind: 'bacteria', seed: 'bottle', mL: 60 },
    ...PANTRY_DOSES.map((d): WaterEvent => ({
      ...event(d.day, `dose-${d.day * 10}`),
      kind: 'ammoniaDose',
      mgN: Math.round(d.mgNPerL * story.believedL * 10) / 10,
      mL: Math.round((d.mgNPerL * story.believedL) / 2.6185) / 10,
    })),
    { ...event(6.4, 'topoff'), kind: 'topOff', litres: 1.2 },
  ];
}
