/** What stands behind North Window: parts with their services and money, calibrations, plans, setting up, the water that was made. */
import type { Calibration, Card, Equipment, SetupItem, Task, WaterEvent } from '../core/document';
import { addDays } from '../core/time';
import { setupLists } from '../core/setup';
import { NORTH } from './northWindow';
import type { Story } from './story';

export function northEquipment(story: Story): Equipment[] {
  const part = (id: string, sinceDay: number, patch: Partial<Equipment>): Equipment => ({
    id: `north-${id}`,
    waterId: NORTH.id,
    name: id,
    kind: 'other',
    where: 'sump',
    sinceDay: story.dayOf(sinceDay),
    price: null,
    monthly: null,
    watts: null,
    breakInDays: 0,
    serviceEveryDays: null,
    services: [],
    settings: [],
    loan: null,
    endedDay: null,
    ...patch,
  });
  return [
    part('heater', -3, {
      name: 'Heater 200 W',
      kind: 'heater',
      price: 38,
      watts: 60,
      serviceEveryDays: 180,
      settings: [{ day: story.dayOf(-2), what: 'Dial', value: '25.5 °C for 25.0 measured' }],
      plug: { socket: 'Strip on the left', by: 'controller', loopSeenDay: story.dayOf(-1) },
    }),
    part('return-pump', -3, {
      name: 'Return pump',
      kind: 'pump',
      price: 89,
      watts: 22,
      serviceEveryDays: 120,
      settings: [
        { day: story.dayOf(0), what: 'Power', value: '60 %' },
        { day: story.dayOf(31), what: 'Power', value: '70 %' },
      ],
      plug: { socket: 'Strip on the left', by: 'hand', loopSeenDay: story.dayOf(-1) },
    }),
    part('skimmer', 33, {
      name: 'Skimmer',
      kind: 'skimmer',
      price: 160,
      watts: 9,
      breakInDays: 14,
      serviceEveryDays: 14,
      settings: [{ day: story.dayOf(33), what: 'Height', value: 'lowest mark' }],
      foam: [
        { day: story.dayOf(34), is: 'none', cup: 'lowest mark' },
        { day: story.dayOf(36), is: 'flood', cup: 'lowest mark' },
        { day: story.dayOf(39), is: 'wet', cup: 'two turns open' },
      ],
    }),
    part('light', -3, {
      name: 'Light bar',
      kind: 'light',
      where: 'over the tank',
      price: 210,
      watts: 45,
      settings: [
        { day: story.dayOf(24), what: 'Strength', value: '20 %' },
        { day: story.dayOf(38), what: 'Strength', value: '26 %' },
      ],
      plug: { socket: 'Strip over the tank', by: 'timer', loopSeenDay: story.dayOf(20) },
    }),
    part('socks', 0, {
      name: 'Filter socks',
      kind: 'filter',
      monthly: 4,
      serviceEveryDays: 5,
      services: [5, 11, 17, 23, 29, 35].map((day) => ({ day: story.dayOf(day), note: '' })),
    }),
    part('resin', -10, {
      name: 'RO/DI resin',
      kind: 'rodi',
      where: 'utility room',
      price: 24,
      monthly: 3,
      serviceEveryDays: 180,
    }),
    part('par-meter', 37, {
      name: 'Light meter',
      kind: 'probe',
      where: 'drawer',
      loan: { from: 'a neighbour', dueDay: story.dayOf(47), returnedDay: null },
    }),
  ];
}

/** The colour card of the nitrite drops: made up, as everything here; no kit is printed so. */
export const northCard = (story: Story): Card => ({
  id: 'north-card',
  kitId: 'kit-nitrite',
  at: story.at(-1),
  squares: [
    { value: 0, rgb: [233, 225, 190], place: [0.17, 0.25] },
    { value: 0.2, rgb: [205, 218, 178], place: [0.5, 0.25] },
    { value: 0.5, rgb: [164, 203, 170], place: [0.83, 0.25] },
    { value: 1, rgb: [116, 179, 166], place: [0.17, 0.7] },
    { value: 2, rgb: [70, 145, 157], place: [0.5, 0.7] },
    { value: 5, rgb: [42, 104, 138], place: [0.83, 0.7] },
  ],
});

export const northCalibrations = (story: Story): Calibration[] => [
  {
    id: 'north-cal-1',
    kitId: 'kit-salinity',
    at: story.at(-1),
    standard: 35,
    reading: 35.1,
    tempC: 24,
    adjusted: false,
    note: '',
  },
  {
    id: 'north-cal-2',
    kitId: 'kit-salinity',
    at: story.at(30.6),
    standard: 35,
    reading: 35.2,
    tempC: 24,
    adjusted: true,
    note: '',
  },
];

export const northTasks = (story: Story): Task[] => [
  {
    id: 'north-task-light',
    waterId: NORTH.id,
    day: addDays(story.today, 4),
    title: 'Light to 34 %',
    note: 'Only if film and corals allow; hold otherwise.',
    doneAt: null,
  },
  {
    id: 'north-task-water',
    waterId: NORTH.id,
    day: addDays(story.today, 2),
    title: 'Make 30 L of RO/DI water',
    note: '',
    doneAt: null,
  },
];

export function northSetup(
  story: Story,
): { id: string; waterId: string; item: SetupItem; doneDay: string }[] {
  const lists = setupLists({ school: NORTH.school, sand: 'before', hasSump: true, hasSand: true });
  return [
    ...lists.beforeWater.map((p) => ({ p, day: -4 })),
    ...lists.filling.map((p) => ({ p, day: -1 })),
  ].map(({ p, day }) => ({
    id: `north-setup-${p.item}`,
    waterId: NORTH.id,
    item: p.item,
    doneDay: story.dayOf(day),
  }));
}

/** Top-offs, water made and batches mixed. */
export function northWater(story: Story): WaterEvent[] {
  const event = (day: number, id: string) => ({
    id: `north-${id}`,
    waterId: NORTH.id,
    at: story.at(day),
    note: '',
  });
  return [
    ...[24.5, 27.5, 33.5, 39.5].map((day, i): WaterEvent => ({
      ...event(day, `topoff-${i}`),
      kind: 'topOff',
      litres: [5.4, 6.1, 5.7, 5.8][i] ?? 6,
    })),
    { ...event(-2.5, 'made'), kind: 'waterMade', litres: 260, minutes: 2700 },
    { ...event(29, 'made-2'), kind: 'waterMade', litres: 175, minutes: 1850 },
    { ...event(29.6, 'mixed'), kind: 'saltMixed', litres: 165, grams: 6450, salinity: 35.2 },
    {
      ...event(37.2, 'seen'),
      kind: 'observation',
      smell: 'sea',
      sound: 'usual',
      clarity: 'clear',
      missing: '',
    },
  ];
}
