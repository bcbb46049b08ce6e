/** Drawn households of a proved display: a glass, wishes that it is large enough for, quarantines and choices. For tests and benchmarks. */
import { WISHED, type Animal, type Display, type Document, type Quarantine } from '../document';
import { seededRandom, type Random } from '../random';
import { SPECIES, type Species } from '../species';
import { aQuarantine } from './display';
import { DAY, provedHistory, START_MS } from './history';

const GLASSES = [
  [60, 40, 40],
  [80, 45, 45],
  [100, 50, 50],
  [120, 50, 55],
  [150, 60, 60],
] as const;
/** The history's doses were for so much water. */
const HISTORY_L = 100;

/** As it stands on the evening of day 30 of its history. */
export function drawnHousehold(seed: number): Document {
  const random = seededRandom(seed);
  const pick = <T>(from: readonly T[]): T => from[Math.floor(random() * from.length)] as T;
  const [lengthCm, widthCm, waterHeightCm] = pick(GLASSES);
  const litres = (lengthCm * widthCm * waterHeightCm) / 1000;
  const doc = { ...provedHistory().doc };
  doc.animals = wishesOf(random, pick, (s) => s.minTankL <= litres && s.minTankAgeDays <= 200);
  const stocking: Display['stocking'] = {
    which: 'likely',
    shopDays: random() < 0.5 ? [] : [5, 6],
    budget: random() < 0.5 ? null : pick([40, 60, 100]),
    looksAWeek: 7,
    direct: random() < 0.7 ? 'from a friend' : null,
  };
  const quarantines: Quarantine[] = [
    aQuarantine('fish', {
      size: { kind: 'volume', volumeL: pick([40, 60, 80]) },
      clockDays: pick([21, 28, 42]),
    }),
    aQuarantine('anemone'),
    ...(random() < 0.3 ? [aQuarantine('fish', { id: 'second' })] : []),
    ...(random() < 0.5 ? [aQuarantine('coral')] : []),
    ...(random() < 0.5 ? [aQuarantine('invertebrate')] : []),
  ];
  const looksAWeek = pick([7, 7, 4]);
  const display: Display = {
    ...(doc.waters.t as Display),
    size: { kind: 'dimensions', lengthCm, widthCm, waterHeightCm },
    intakesGuarded: true,
    sandKg: 10,
    rockKg: 10,
    stocking: { ...stocking, looksAWeek },
  };
  doc.waters = Object.fromEntries([display, ...quarantines].map((w) => [w.id, w]));
  const doses = Object.values(doc.events).map((e) =>
    e.kind === 'ammoniaDose' ? { ...e, mgN: (e.mgN * litres) / HISTORY_L } : e,
  );
  doc.events = Object.fromEntries(doses.map((e) => [e.id, e]));
  return doc;
}

function wishesOf(
  random: Random,
  pick: <T>(from: readonly T[]) => T,
  isAble: (s: Species) => boolean,
): Record<string, Animal> {
  const able = SPECIES.filter(isAble);
  const kinds = new Set(Array.from({ length: 4 + Math.floor(random() * 5) }, () => pick(able)));
  const at = new Date(START_MS + 28 * DAY).toISOString();
  const animals = [...kinds].map((species, i): Animal => {
    const count = species.group === 'invertebrate' ? 1 + Math.floor(random() * 4) : 1;
    return {
      id: species.id,
      homeId: 't',
      speciesId: species.id,
      count,
      plannedDay: null,
      moves: [{ to: WISHED, at, why: '' }],
      wish: { priority: i + 1, price: 15 * count },
    };
  });
  return Object.fromEntries(animals.map((a) => [a.id, a]));
}
