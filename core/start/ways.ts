/** Ways to begin a tank: what the rock was, where bacteria come from, what feeds them. Risk, work and cost are what keepers find. */
import type { Display, Parameter, School, WaterEvent } from '../document';

export type WayId =
  | 'dryPatient'
  | 'dryBottle'
  | 'dryMedia'
  | 'dryFood'
  | 'bottleFood'
  | 'seafood'
  | 'rotting'
  | 'runningRock'
  | 'transfer';

export interface Way {
  id: WayId;
  title: string;
  rock: NonNullable<Display['rockKind']>;
  bacteria: Display['bacteriaSources'];
  ammonia: Display['ammoniaSource'];
  /** Logged as given on the first day. */
  seed: Extract<WaterEvent, { kind: 'bacteria' }>['seed'] | null;
  /** The school that suits it. */
  school: School;
  risk: string;
  /** Tests a week while it runs. */
  testsAWeek: number;
  tests: readonly Parameter[];
}

const PAIR: readonly Parameter[] = ['ammonia', 'nitrite'];

export const WAYS: readonly Way[] = [
  {
    id: 'dryPatient',
    title: 'Dry rock, ammonia from a bottle, no bacteria',
    rock: 'dryMade',
    bacteria: [],
    ammonia: 'bottled',
    seed: null,
    school: 'proof24',
    risk: 'none but patience',
    testsAWeek: 3,
    tests: PAIR,
  },
  {
    id: 'dryBottle',
    title: 'Dry rock, ammonia and bacteria from bottles',
    rock: 'dryMade',
    bacteria: ['bottle'],
    ammonia: 'bottled',
    seed: 'bottle',
    school: 'proof24',
    risk: 'the bottle may be dead: only tests tell',
    testsAWeek: 3,
    tests: PAIR,
  },
  {
    id: 'dryMedia',
    title: 'Dry rock, ammonia, media from a running tank',
    rock: 'dryMade',
    bacteria: ['media'],
    ammonia: 'bottled',
    seed: 'media',
    school: 'proof24',
    risk: 'pests and parasites may come along',
    testsAWeek: 4,
    tests: PAIR,
  },
  {
    id: 'dryFood',
    title: 'Dry rock, a pinch of food a day',
    rock: 'dryMade',
    bacteria: [],
    ammonia: 'feeding',
    seed: null,
    school: 'zeroZero',
    risk: 'food feeds little: the filter stays small',
    testsAWeek: 2,
    tests: PAIR,
  },
  {
    id: 'bottleFood',
    title: 'Dry rock, bacteria from a bottle, a pinch of food a day',
    rock: 'dryMade',
    bacteria: ['bottle'],
    ammonia: 'feeding',
    seed: 'bottle',
    school: 'zeroZero',
    risk: 'the bottle may be dead, and the filter stays small',
    testsAWeek: 2,
    tests: PAIR,
  },
  {
    id: 'seafood',
    title: 'Dry rock, a piece of seafood',
    rock: 'dryMade',
    bacteria: [],
    ammonia: 'seafood',
    seed: null,
    school: 'proof24',
    risk: 'smell, and nobody knows how much it gives',
    testsAWeek: 3,
    tests: PAIR,
  },
  {
    id: 'rotting',
    title: 'Dried ocean rock that rots by itself',
    rock: 'driedOcean',
    bacteria: [],
    ammonia: 'dieOff',
    seed: null,
    school: 'patient',
    risk: 'much phosphate, weeks of smell',
    testsAWeek: 2,
    tests: PAIR,
  },
  {
    id: 'runningRock',
    title: 'Rock out of a running tank, ammonia from a bottle',
    rock: 'running',
    bacteria: ['media'],
    ammonia: 'bottled',
    seed: 'rock',
    school: 'proof24',
    risk: 'whatever lives in it comes along',
    testsAWeek: 4,
    tests: PAIR,
  },
  {
    id: 'transfer',
    title: 'A whole old tank moved',
    rock: 'running',
    bacteria: ['media'],
    ammonia: 'feeding',
    seed: 'oldTank',
    school: 'matureTransfer',
    risk: 'what dies on the way; daily tests',
    testsAWeek: 7,
    tests: PAIR,
  },
];
