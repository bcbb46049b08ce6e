/** Setting up, in order, with reasons: before water and filling. Adapts to the school and to how sand and lights are handled. */
import type { School, SetupItem } from '../document';

export interface SetupPoint {
  item: SetupItem;
  title: string;
  reason: string;
  /** Without it the sea water gate stays shut once the list is in use. */
  essential: boolean;
  /** What the log may already say about it. */
  evidence?: 'temperature' | 'salinity' | 'waterMade' | 'saltMixed' | 'lid';
}

const POINTS: Record<SetupItem, Omit<SetupPoint, 'item'>> = {
  floor: {
    title: 'Floor and stand can carry it',
    reason: 'A filled system weighs far more than its glass. Ask a structural professional where in doubt.',
    essential: true,
  },
  power: {
    title: 'Residual-current protection and drip loops',
    reason: 'Mains and salt water meet here. A licensed electrician and the local code decide.',
    essential: true,
  },
  place: {
    title: 'Level, out of the sun, room behind',
    reason: 'Hoses, cables and a hand must get behind later.',
    essential: false,
  },
  leakTest: {
    title: 'Leak test in plain water, below the overflow first',
    reason: 'Fittings are trusted after a day, glass before the overflow, the overflow after it.',
    essential: true,
  },
  overflow: {
    title: 'Overflow and return run without air',
    reason: 'Its noise and level are set while the water is still plain.',
    essential: false,
  },
  drainDown: {
    title: 'Pump off: the sump holds what drains back',
    reason: 'A power cut must not reach the floor. A check valve is only a second line.',
    essential: true,
  },
  rockFirm: {
    title: 'Rock on the bottom, firm, with caves and room behind',
    reason: 'Snails and diggers topple what is loose; rock on sand sinks.',
    essential: false,
  },
  sandRinse: {
    title: 'Sand rinsed, or the cloud planned for',
    reason: 'Unrinsed sand clouds for days and fills socks.',
    essential: false,
  },
  sandBefore: {
    title: 'Sand in, {length:2.5-5}',
    reason: 'In before the water it clouds least.',
    essential: false,
  },
  heaterBucket: {
    title: 'Heater run overnight in a bucket, dial noted',
    reason: 'Dials are off by a degree or two; a stuck heater shows here, not in the tank.',
    essential: false,
  },
  topOffStop: {
    title: 'Top-off stop level set, float tried by hand',
    reason: 'A stuck float empties the reservoir into the tank.',
    essential: false,
  },
  lidReady: {
    title: 'A lid that fits',
    reason: 'Nearly every fish jumps, new ones most.',
    essential: false,
    evidence: 'lid',
  },
  waterMade: {
    title: 'Enough RO/DI water, TDS near zero',
    reason: 'Making it takes hours; what is in the source feeds algae later.',
    essential: false,
    evidence: 'waterMade',
  },
  saltMixed: {
    title: 'Salt mixed, an hour at least, a day by most',
    reason: 'Fresh mixes read low and burn. In an empty tank it may be mixed in place.',
    essential: false,
    evidence: 'saltMixed',
  },
  fillSlow: {
    title: 'Filled slowly onto a plate, pumps still off',
    reason: 'Nothing is stirred; leaks show early.',
    essential: false,
  },
  heatFirst: {
    title: 'Brought to temperature before the salt test',
    reason: 'Instruments read true where they are compensated, best near {temperature:25:0}.',
    essential: true,
    evidence: 'temperature',
  },
  saltTest: {
    title: 'Salinity tested with a checked instrument',
    reason: 'One wrong instrument spoils every other test.',
    essential: true,
    evidence: 'salinity',
  },
  secondThermometer: {
    title: 'A second thermometer agrees',
    reason: 'A heater believes its own dial.',
    essential: false,
  },
  flowOn: {
    title: 'Flow on, surface moving',
    reason: 'Bacteria and gas exchange need moving water from the first hour.',
    essential: false,
  },
  waterLine: {
    title: 'Water line marked, evaporation watched a day',
    reason: 'The mark tells the top-off, the day tells how much.',
    essential: false,
  },
  sandAfter: {
    title: 'Sand in through a pipe, after the first days',
    reason: 'Leaves the rock clear for firm setting; clouds more.',
    essential: false,
  },
  lightsOff: {
    title: 'Lights off or low until the cycle is done',
    reason:
      'Fewer algae while ammonia and phosphate are high. The other school lights from day one to have them over with.',
    essential: false,
  },
  lightsOn: {
    title: 'Lights on from the start, a short day',
    reason: 'The film is wanted here: brown, then green, tells of time passing. It will not tell of ammonia.',
    essential: false,
  },
  lidOn: {
    title: 'Lid on before the first fish',
    reason: 'It is forgotten on the day the fish come.',
    essential: false,
    evidence: 'lid',
  },
};

export type SandSchool = 'before' | 'after';

/** The two lists for a tank. Sand before the water is our default: it clouds least. Lights follow the school: on for those who watch the
 *  glass, off otherwise. */
export function setupLists(o: { school: School; sand: SandSchool; hasSump: boolean; hasSand: boolean }): {
  beforeWater: SetupPoint[];
  filling: SetupPoint[];
} {
  const point = (item: SetupItem): SetupPoint => ({ item, ...POINTS[item] });
  const before: SetupItem[] = [
    'floor',
    'power',
    'place',
    'leakTest',
    ...(o.hasSump ? (['overflow', 'drainDown'] as const) : []),
    'rockFirm',
    ...(o.hasSand ? (['sandRinse'] as const) : []),
    ...(o.hasSand && o.sand === 'before' ? (['sandBefore'] as const) : []),
    'heaterBucket',
    'topOffStop',
    'lidReady',
  ];
  const filling: SetupItem[] = [
    'waterMade',
    'saltMixed',
    'fillSlow',
    'heatFirst',
    'saltTest',
    'secondThermometer',
    'flowOn',
    'waterLine',
    ...(o.hasSand && o.sand === 'after' ? (['sandAfter'] as const) : []),
    o.school === 'watchGlass' ? 'lightsOn' : 'lightsOff',
    'lidOn',
  ];
  return { beforeWater: before.map(point), filling: filling.map(point) };
}

/** Essential points not yet dated, once any point is: a list begun is a list to finish. Empty when the list is not used. */
export function openEssentials(o: Parameters<typeof setupLists>[0], done: ReadonlySet<string>): SetupItem[] {
  if (done.size === 0) return [];
  const lists = setupLists(o);
  return [...lists.beforeWater, ...lists.filling]
    .filter((p) => p.essential && !done.has(p.item))
    .map((p) => p.item);
}

export const setupTitle = (item: SetupItem): string => POINTS[item].title;
