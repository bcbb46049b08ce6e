/** Spare tank, the quarantine that serves North Window, and the bin its new water is mixed in. */
import type { Quarantine, Sample, Water, WaterEvent } from '../core/document';
import type { Story } from './story';

/** Day of North Window on which it was opened. */
const OPENED = 23;

export const SPARE = {
  id: 'north-qt',
  name: 'Spare tank',
  kind: 'quarantine',
  size: { kind: 'volume', volumeL: 60 },
  sumpL: 0,
  rockKg: 0,
  sandKg: 0,
  hasLid: true,
  line: 'fish',
  filter: 'cycled',
  clockDays: 28,
  serves: ['north-window'],
} satisfies Partial<Quarantine>;

const BIN = {
  id: 'north-bin',
  name: 'Mixing bin',
  kind: 'mixing',
  size: { kind: 'volume', volumeL: 80 },
  sumpL: 0,
  rockKg: 0,
  sandKg: 0,
  hasLid: true,
} satisfies Partial<Water>;

export const servingWaters = (story: Story): Water[] => [
  { ...SPARE, startDay: story.dayOf(OPENED), runs: [{ openedDay: story.dayOf(OPENED), closedDay: null }] },
  { ...BIN, startDay: story.dayOf(-3) },
];

/** A sitting in the evening every few days; ammonia showed once, after the first days of feeding. */
const SITTINGS: readonly { day: number; ammonia: readonly [number, number] | 0; tempC: number }[] = [
  { day: 22.9, ammonia: 0, tempC: 25.2 },
  { day: 25.9, ammonia: [0, 0.2], tempC: 25.4 },
  { day: 26.9, ammonia: 0, tempC: 25.3 },
  { day: 29.9, ammonia: 0, tempC: 25.1 },
  { day: 33.9, ammonia: 0, tempC: 25.4 },
  { day: 37.9, ammonia: 0, tempC: 25.3 },
  { day: 39.9, ammonia: 0, tempC: 25.2 },
];

export function servingSamples(story: Story): Sample[] {
  const spare = SITTINGS.map(({ day, ammonia, tempC }, i): Sample => ({
    id: `spare-sample-${i}`,
    waterId: SPARE.id,
    at: story.at(day),
    readings: [
      {
        parameter: 'ammonia',
        kitId: 'kit-ammonia',
        value:
          ammonia === 0
            ? { kind: 'exact', value: 0 }
            : { kind: 'between', low: ammonia[0], high: ammonia[1] },
      },
      { parameter: 'temperature', kitId: 'kit-temperature', value: { kind: 'exact', value: tempC } },
      { parameter: 'salinity', kitId: 'kit-salinity', value: { kind: 'exact', value: 34.8 } },
    ],
    note: '',
  }));
  return [
    ...spare,
    {
      id: 'bin-sample',
      waterId: BIN.id,
      at: story.at(40.3),
      readings: [{ parameter: 'salinity', kitId: 'kit-salinity', value: { kind: 'exact', value: 35 } }],
      note: '',
    },
  ];
}

export function servingEvents(story: Story): WaterEvent[] {
  const event = (day: number, id: string) => ({
    id: `spare-${id}`,
    waterId: SPARE.id,
    at: story.at(day),
    note: '',
  });
  return [
    {
      ...event(22.5, 'media'),
      kind: 'bacteria',
      seed: 'media',
      mL: null,
      note: 'Media from the sump of North Window.',
    },
    { ...event(26, 'change-1'), kind: 'waterChange', litres: 20 },
    { ...event(33, 'change-2'), kind: 'waterChange', litres: 15 },
    { ...event(38, 'change-3'), kind: 'waterChange', litres: 15 },
  ];
}
