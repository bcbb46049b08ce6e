/** Situations of a tank's life, each with the word of the water, what may be added, the idea of the reason, and what must not be said. Every
 *  sentence of each is spoken in both unit systems. */
import { GONE, INCIDENTS, type School } from '../document';
import type { Statement } from '../statements';
import { DAY, History, provedHistory, START_MS, type Readings } from '../testing/history';
import { PRECISE_KITS } from '../testing/precise';
import { METRIC, US_CUSTOMARY, type UnitPreferences } from '../units';
import { sentence } from '../words';
import { assessWater, type Assessment } from './index';

interface Expected {
  /** How the water is; null where nobody lives in it. */
  water?: 'steady' | 'watch' | 'test' | 'actNow' | null;
  /** The code of its reason. */
  says?: Statement['code'];
  add?: 'go' | 'goSmall' | 'wait' | 'test' | readonly string[];
  because?: Statement['code'];
  /** The codes of the steps, some of them, in this order. */
  steps?: readonly Statement['code'][];
  coral?: 'go' | 'goSmall' | 'wait' | 'test';
  due?: readonly string[];
}
type Situation = [name: string, log: History, day: number, expected: Expected];

const HOUR = 1 / 24;
const KITS = [
  ...PRECISE_KITS,
  ...(['oxygen', 'freeAmmonia'] as const).map((parameter) => ({
    ...PRECISE_KITS.find((k) => k.parameter === 'ph')!,
    id: `kit-${parameter}`,
    parameter,
    basis: parameter === 'freeAmmonia' ? ('N' as const) : null,
    scale: { kind: 'number' as const, resolution: 0.001 },
  })),
];
const GOOD: Readings = {
  ammonia: 0,
  nitrite: 0,
  nitrate: 2,
  salinity: 35,
  temperature: 25,
  alkalinity: 8.2,
  ph: 8.1,
};
/** Stocked for months, measured well until yesterday; printed as N, fine enough for any limit. */
const stocked = (species = 'ocellaris-clownfish') => {
  const h = new History('zeroZero', KITS).animal(-90, species).test(8, GOOD).test(9, GOOD);
  const t = h.doc.waters.t;
  if (t?.kind === 'display') h.doc.waters.t = { ...t, told: { stage: 'animalsIn', day: '2026-01-01' } };
  return h;
};
const read = (readings: Readings, species?: string) => stocked(species).test(10, readings);
const NOW = 10.01;

/** Each parameter on both sides of each of its limits. */
const LIMITS: Situation[] = (
  [
    ['ammonia zero', { ammonia: 0 }, 'steady'],
    ['ammonia within the meter’s own error', { ammonia: 0.06 }, 'steady'],
    ['a trace, once', { ammonia: 0.1 }, 'test', 'ammoniaTrace'],
    ['free ammonia just under 0.02', { ammonia: 0.37, ph: 8.1 }, 'test', 'ammoniaTrace'],
    ['free ammonia just over 0.02', { ammonia: 0.4, ph: 8.1 }, 'watch', 'freeAmmoniaWatch'],
    ['free ammonia just under 0.05', { ammonia: 0.75, ph: 8.2 }, 'watch', 'freeAmmoniaWatch'],
    ['free ammonia over 0.05', { ammonia: 0.76, ph: 8.3 }, 'actNow', 'freeAmmoniaAct'],
    ['total over 0.77 at a low pH', { ammonia: 0.8, ph: 7.65 }, 'actNow', 'ammoniaWithAnimals'],
    ['a deadly ammonia', { ammonia: 4, ph: 8.3 }, 'actNow', 'freeAmmoniaAct'],
    ['a monitor of free ammonia over 0.05', { freeAmmonia: 0.08 }, 'actNow', 'freeMeasuredAct'],
    ['a monitor of free ammonia over 0.02', { freeAmmonia: 0.03 }, 'watch', 'freeMeasuredWatch'],
    ['a monitor of free ammonia at rest', { freeAmmonia: 0.004 }, 'steady'],
    ['nitrite once', { nitrite: 0.3 }, 'test', 'nitriteWithAnimals'],
    ['nitrite of 5', { nitrite: 5 }, 'actNow', 'nitriteWithAnimals'],
    ['22.4 °C', { temperature: 22.4 }, 'watch', 'tooCold'],
    ['27.4 °C', { temperature: 27.4 }, 'steady'],
    ['27.6 °C', { temperature: 27.6 }, 'watch', 'tooWarm'],
    ['30.1 °C', { temperature: 30.1 }, 'actNow', 'tooWarm'],
    ['31 °C', { temperature: 31 }, 'actNow', 'tooWarm'],
    ['19.9 °C', { temperature: 19.9 }, 'actNow', 'tooCold'],
    ['34.1 ppt', { salinity: 34.1 }, 'steady'],
    ['37.1 ppt, up 2 in a day', { salinity: 37.1 }, 'watch', 'salinityWithAnimals'],
    ['36.5 ppt, up 1.5 in a day', { salinity: 36.5 }, 'watch', 'saltMoved'],
    ['31 ppt, down 4 in a day', { salinity: 31 }, 'actNow', 'saltMoved'],
    ['27.9 ppt', { salinity: 27.9 }, 'actNow', 'salinityWithAnimals'],
    ['40.1 ppt', { salinity: 40.1 }, 'actNow', 'salinityWithAnimals'],
    ['pH 7.7', { ph: 7.7 }, 'steady'],
    ['pH 7.5', { ph: 7.5 }, 'watch', 'phLow'],
    ['pH 7.3', { ph: 7.3 }, 'actNow', 'phLow'],
    ['pH 8.6', { ph: 8.6 }, 'watch', 'phHigh'],
    ['pH 9', { ph: 9 }, 'actNow', 'phHigh'],
    ['oxygen 5.4', { oxygen: 5.4 }, 'steady'],
    ['oxygen 5.2', { oxygen: 5.2 }, 'watch', 'oxygenLow'],
    ['oxygen 4.2', { oxygen: 4.2 }, 'actNow', 'oxygenLow'],
    ['alkalinity 7.6', { alkalinity: 7.6 }, 'steady'],
    ['alkalinity 6.4', { alkalinity: 6.4 }, 'watch', 'alkalinityWithAnimals'],
    ['alkalinity 4.5 with fish alone', { alkalinity: 4.5 }, 'watch', 'alkalinityWithAnimals'],
    ['alkalinity up 1.5 in a day', { alkalinity: 9.7 }, 'watch', 'alkalinityMoved'],
  ] as [string, Readings, Expected['water'], Statement['code']?][]
).map(([name, readings, water, says]) => [
  name,
  read(readings),
  NOW,
  { water, ...(says ? { says } : {}), add: water === 'steady' ? 'go' : ['wait', 'test'] },
]);

const DOSED: Situation[] = [
  [
    'two mg/L dosed onto a fish: act before a test says it',
    stocked().test(10, GOOD).dose(10.1, 2),
    10.2,
    { water: 'actNow', says: 'dosedWithAnimals', add: ['wait', 'test'] },
  ],
  [
    'a trace dosed onto a fish is tested',
    stocked().test(10, GOOD).dose(10.1, 0.2),
    10.2,
    { water: 'test', says: 'dosedWithAnimals', due: ['ammonia'] },
  ],
  [
    'a zero after the dose ends it',
    stocked().test(10, GOOD).dose(10.1, 2).test(10.15, GOOD),
    10.2,
    { water: 'steady' },
  ],
  [
    'dosed, then a fish put in unseen: a test first',
    new History('zeroZero', KITS).test(9, GOOD).dose(9.5, 2).animal(9.8, 'ocellaris-clownfish'),
    10,
    { water: 'test', says: 'dosedWithAnimals', due: ['ammonia'] },
  ],
];

const DELICATE: Situation[] = [
  ['29.5 ppt with snails', read({ salinity: 29.5 }, 'turban-snail'), NOW, { water: 'actNow' }],
  ['38.5 ppt with a coral', read({ salinity: 38.5 }, 'zoanthid'), NOW, { water: 'actNow' }],
  [
    'alkalinity 4.5 with a coral',
    read({ alkalinity: 4.5 }, 'zoanthid'),
    NOW,
    {
      water: 'actNow',
      says: 'alkalinityWithAnimals',
      steps: ['stepMeasureAgain', 'stepBicarbonate', 'stepTestAt'],
    },
  ],
];

/** What happened, told at once, the day after, and when both tests are done. */
const MISHAPS: Situation[] = INCIDENTS.flatMap((what): Situation[] => {
  const happened = () => stocked().event(10, { kind: 'incident', what });
  return [
    [`${what}, untested`, happened(), 10.1, { water: 'test', says: 'incidentAsksTest', due: ['ammonia'] }],
    [
      `${what}, tested at once, the day after`,
      happened().test(10.2, { ammonia: 0, temperature: 25 }),
      11,
      { water: 'test', says: 'incidentDayAfter', due: ['ammonia'] },
    ],
    [
      `${what}, tested twice`,
      happened().test(10.2, { ammonia: 0 }).test(11, { ammonia: 0, temperature: 25 }),
      11.1,
      { water: 'steady' },
    ],
  ];
});

const lost = (): History => {
  const h = stocked().animal(-80, 'neon-goby');
  const goby = Object.values(h.doc.animals)[1]!;
  h.doc.animals[goby.id] = {
    ...goby,
    moves: [...goby.moves, { to: GONE('died'), at: h.at(10), why: '' }],
  };
  return h;
};
const LIVING: Situation[] = [
  ['a death', lost(), 10.1, { water: 'test', says: 'deathAsksTest', due: ['ammonia'] }],
  ['a death, the day after', lost().test(10.2, { ammonia: 0 }), 11, { water: 'test', says: 'deathDayAfter' }],
  [
    'ammonia and heat at once: the worst first, both in the steps',
    read({ ammonia: 3, ph: 8.3, temperature: 31 }),
    NOW,
    {
      water: 'actNow',
      says: 'freeAmmoniaAct',
      steps: [
        'stepPowerOff',
        'stepHeaterOff',
        'stepAir',
        'stepDeadOut',
        'stepChange',
        'stepCool',
        'stepNoFood',
      ],
    },
  ],
  [
    'half changed after a deadly ammonia: still too much, and the plan goes on',
    read({ ammonia: 4, ph: 8.3 }).event(10.02, { kind: 'waterChange', litres: 50, salinity: 35, tempC: 25 }),
    10.05,
    { water: 'actNow', says: 'stillTooMuch', steps: ['stepChange'] },
  ],
  [
    'changed enough, not tested yet: wait an hour, then test',
    read({ ammonia: 1, ph: 8.2 }).event(10.02, { kind: 'waterChange', litres: 80, salinity: 35, tempC: 25 }),
    10.03,
    { water: 'test', says: 'ammoniaChanged' },
  ],
  [
    'an hour later the test is due',
    read({ ammonia: 1, ph: 8.2 }).event(10.02, { kind: 'waterChange', litres: 80, salinity: 35, tempC: 25 }),
    10.07,
    { water: 'test', says: 'ammoniaChanged', due: ['ammonia'] },
  ],
  [
    'all of it changed with water of 29 ppt',
    stocked().event(10, { kind: 'waterChange', litres: 100, salinity: 29 }),
    NOW,
    { water: 'test', says: 'salinityMixed', add: ['test', 'wait'], due: ['salinity'] },
  ],
  [
    'too fresh, and changed enough: what is expected is tested',
    read({ salinity: 27.5 }).event(10.02, { kind: 'waterChange', litres: 50, salinity: 36 }),
    10.03,
    { water: 'test', says: 'salinityMixed', due: ['salinity'] },
  ],
  [
    'too fresh, and hardly changed: still to be acted on',
    read({ salinity: 25 }).event(10.02, { kind: 'waterChange', litres: 10, salinity: 36 }),
    10.03,
    { water: 'actNow', says: 'salinityWithAnimals' },
  ],
  [
    'snails, and all of it changed with water of 29 ppt',
    stocked('turban-snail').event(10, { kind: 'waterChange', litres: 100, salinity: 29 }),
    NOW,
    { water: 'test', says: 'salinityMixed' },
  ],
  [
    'an old low reading, put right since by a change that said so',
    new History('zeroZero', KITS)
      .animal(-90, 'ocellaris-clownfish')
      .test(2, { ...GOOD, salinity: 31.5 })
      .event(3, { kind: 'waterChange', litres: 50, salinity: 36, tempC: 25 })
      .test(9, { ammonia: 0, nitrite: 0, temperature: 25 }),
    NOW,
    { water: 'test', says: 'salinityMixed' },
  ],
  [
    'most of it changed with water nobody measured',
    stocked().event(10, { kind: 'waterChange', litres: 60 }),
    NOW,
    { water: 'test', says: 'changedSinceTest', due: ['salinity', 'temperature'] },
  ],
  [
    'a tenth changed',
    stocked().event(10, { kind: 'waterChange', litres: 10 }),
    NOW,
    { water: 'steady', add: 'go' },
  ],
  [
    'nothing tested with animals in',
    new History('zeroZero').animal(1, 'ocellaris-clownfish'),
    1.1,
    { water: 'test', says: 'neverTested', due: ['ammonia', 'temperature', 'salinity'] },
  ],
  ['three weeks of silence', stocked(), 30, { water: 'test', says: 'untestedTooLong', due: ['ammonia'] }],
  [
    'a trace borne out the next evening',
    stocked().test(9.5, { ammonia: 0.2 }).test(10, { ammonia: 0.2 }),
    NOW,
    { water: 'watch', says: 'ammoniaWithAnimals', add: 'wait', due: [] },
  ],
  [
    'a trace, and a zero beside it',
    stocked().test(9.5, { ammonia: 0.2 }).test(10, { ammonia: 0 }),
    NOW,
    { water: 'steady', add: 'go' },
  ],
  [
    'a kit whose zero hides too much',
    (() => {
      const kits = PRECISE_KITS.map((k) =>
        k.parameter === 'ammonia'
          ? {
              ...k,
              basis: 'ion' as const,
              scale: { kind: 'steps' as const, steps: [0, 1, 3], topOpen: true },
            }
          : k,
      );
      return new History('zeroZero', kits).animal(-90, 'ocellaris-clownfish').test(10, GOOD);
    })(),
    NOW,
    { water: 'test', says: 'coarseZero' },
  ],
  [
    'five evenings of ammonia read alone outweigh the last clear pair',
    [5, 6, 7, 8, 9].reduce(
      (h, day) => h.test(day + 0.8, { ammonia: 0.3 }),
      new History('zeroZero', PRECISE_KITS).animal(-90, 'ocellaris-clownfish').test(5, GOOD),
    ),
    NOW,
    { water: 'watch', says: 'ammoniaWithAnimals', add: 'wait' },
  ],
  [
    '28.5 and rising by 0.4 an hour is said before the limit',
    stocked()
      .test(9.9, { temperature: 26.9 })
      .test(9.9 + 2 * HOUR, { temperature: 27.7 }),
    9.99,
    { water: 'watch' },
  ],
  [
    'pH 7.65 in the afternoon',
    stocked().test(10 - 5 * HOUR, { ph: 7.65 }),
    NOW,
    { water: 'watch', says: 'phLow' },
  ],
  ['pH 7.65 at night', stocked().test(10 + 6 * HOUR, { ph: 7.65 }), 10.3, { water: 'steady' }],
];

/** A cycle told from its beginning, by school. */
const begun = (school: School = 'proof24') => new History(school).water(0, { ammonia: 0, nitrite: 0 });
const risen = (school: School = 'proof24') => begun(school).dose(1, 2).test(2, { ammonia: 2, nitrite: 0 });
const fallen = (school: School = 'proof24') =>
  risen(school).test(10, { ammonia: 0.5, nitrite: 2 }).test(18, { ammonia: 0, nitrite: 1 });
const cleared = (school: School = 'proof24') =>
  fallen(school)
    .water(24, { ammonia: 0, nitrite: 0, nitrate: 10 })
    .water(26, { ammonia: 0, nitrite: 0, nitrate: 10 });
/** Rock-fed, first tested in week three. */
const unseen = (school: School) => {
  const h = new History(school);
  const t = h.doc.waters.t;
  if (t?.kind === 'display') h.doc.waters.t = { ...t, rockKind: 'cured', ammoniaSource: 'dieOff' };
  return h;
};
const onlyZeros = (school: School) =>
  unseen(school)
    .water(20, { ammonia: 0, nitrite: 0, nitrate: 10 })
    .water(22, { ammonia: 0, nitrite: 0, nitrate: 10 })
    .water(24, { ammonia: 0, nitrite: 0, nitrate: 10 });

const START: Situation[] = [
  ['nothing measured', new History(), 1, { water: null, add: 'test', because: 'waterUnmeasured' }],
  [
    'tap water without conditioner',
    (() => {
      const h = new History().water(1);
      const t = h.doc.waters.t;
      if (t?.kind === 'display')
        h.doc.waters.t = { ...t, filledWith: 'tap', tap: { holds: 'chloramine', conditioned: false } };
      return h;
    })(),
    1.1,
    { add: 'wait', because: 'tapNotConditioned' },
  ],
  ['good water, nothing fed', new History().water(1), 1.1, { add: 'wait', because: 'nothingFed' }],
  ['a zero before any rise', begun(), 0.5, { add: 'wait', because: 'zeroMeansNothing' }],
  [
    'a false trace on day 0',
    new History().water(0, { ammonia: 0.2, nitrite: 0 }),
    0.5,
    { add: 'test', because: 'traceOnly' },
  ],
  [
    'and four days of zeros after it are no cycle',
    [1, 2, 3, 4].reduce(
      (h, d) => h.water(d, { ammonia: 0, nitrite: 0, nitrate: 0 }),
      new History('zeroZero').water(0, { ammonia: 0.2, nitrite: 0 }),
    ),
    4.1,
    { add: 'wait', because: 'zeroMeansNothing' },
  ],
  ['ammonia still high', risen(), 2.1, { add: 'wait', because: 'ammoniaNotFalling' }],
  [
    'nitrite still high',
    risen().test(10, { ammonia: 0.5, nitrite: 5 }),
    10.1,
    { add: 'wait', because: 'nitriteNotFalling' },
  ],
  ['nitrite left', fallen(), 18.1, { add: 'wait', because: 'nitriteLeft' }],
  [
    'both zero once',
    fallen().water(24, { ammonia: 0, nitrite: 0, nitrate: 10 }),
    24.1,
    { add: 'wait', because: 'oneZeroOfTwo' },
  ],
  [
    'zero each, never in one sitting',
    fallen().test(24, { ammonia: 0 }).test(25, { nitrite: 0 }),
    25.1,
    { add: 'test', because: 'noPairedTest', due: ['ammonia', 'nitrite'] },
  ],
  ['both clear: the proof is asked', cleared(), 26.1, { add: 'wait', because: 'proofToCome' }],
  ['zero and zero lets go small', cleared('zeroZero'), 26.1, { add: 'goSmall', because: 'firstStep' }],
  ['the patient school holds', cleared('patient'), 26.1, { add: 'wait', because: 'settling' }],
  [
    'and lets go after two weeks',
    cleared('patient').water(38.5, { ammonia: 0, nitrite: 0, nitrate: 10 }),
    38.6,
    { add: 'goSmall' },
  ],
  ['watch the glass waits for green', cleared('watchGlass'), 26.1, { add: 'wait', because: 'noGreenYet' }],
  [
    'green seen long before the water was clear is named, and asked for again',
    cleared('watchGlass').event(9.9, { kind: 'film', film: 'green', extent: 2 }),
    26.1,
    { add: 'wait', because: 'greenOld' },
  ],
  [
    'green seen lately opens it',
    cleared('watchGlass').event(10.1, { kind: 'film', film: 'green', extent: 2 }),
    26.1,
    { add: 'goSmall', because: 'firstStep' },
  ],
  ['the proof runs', cleared().dose(26.5, 2), 26.6, { add: 'wait', because: 'proofRunning' }],
  [
    'the proof is due',
    cleared().dose(26.5, 2),
    27.45,
    { add: 'test', because: 'proofRunning', due: ['ammonia', 'nitrite'] },
  ],
  [
    'a proof nobody tested: a test before another dose',
    cleared().dose(26.5, 2).water(26.6),
    28.2,
    { add: 'test', because: 'proofMissed', due: ['ammonia', 'nitrite'] },
  ],
  ['a proof that passed', provedHistory(), 28.1, { add: 'goSmall', because: 'firstStep', coral: 'goSmall' }],
  [
    'the second feeding dose in mid-cycle is no failed proof',
    risen().dose(8, 2).test(10, { ammonia: 2, nitrite: 2 }),
    10.1,
    { add: 'wait', because: 'ammoniaNotFalling' },
  ],
  [
    'a trace after both clear is read again',
    cleared('zeroZero').test(27, { ammonia: 0.25, nitrite: 0 }),
    27.1,
    { add: ['wait', 'test'] },
  ],
  [
    'and forgiven by the next zeros',
    cleared('zeroZero')
      .test(27, { ammonia: 0.25, nitrite: 0 })
      .water(28, { ammonia: 0, nitrite: 0, nitrate: 10 }),
    28.1,
    { add: 'goSmall' },
  ],
  [
    'real ammonia after both clear is not',
    cleared('zeroZero').test(27, { ammonia: 1, nitrite: 0 }),
    27.1,
    { add: 'wait', because: 'ammoniaLeft' },
  ],
  [
    'nitrate tested a day after the pair counts for it',
    fallen('zeroZero')
      .water(24, { ammonia: 0, nitrite: 0 })
      .water(26, { ammonia: 0, nitrite: 0 })
      .test(27, { nitrate: 10 }),
    27.1,
    { add: 'goSmall' },
  ],
  [
    'first seen as nitrite: it is ammonia oxidised',
    unseen('zeroZero')
      .water(20, { ammonia: 0, nitrite: 1, nitrate: 10 })
      .test(26, { ammonia: 0, nitrite: 0.25 })
      .water(30, { ammonia: 0, nitrite: 0, nitrate: 10 })
      .water(32, { ammonia: 0, nitrite: 0, nitrate: 10 }),
    32.1,
    { add: 'goSmall' },
  ],
  [
    'a rise nobody saw is not enough for zero and zero',
    onlyZeros('zeroZero'),
    24.1,
    { add: 'wait', because: 'unseenRise' },
  ],
  [
    'the patient school takes it after its hold',
    onlyZeros('patient').water(38, { ammonia: 0, nitrite: 0, nitrate: 10 }),
    38.1,
    { add: 'goSmall' },
  ],
  ['the proof school through a proof', onlyZeros('proof24'), 24.1, { add: 'wait', because: 'proofToCome' }],
  [
    'a dose, two weeks away, both zero and nitrate up 20',
    begun()
      .test(0.5, { nitrate: 0 })
      .dose(1, 2)
      .water(15, { ammonia: 0, nitrite: 0, nitrate: 20 })
      .water(17, { ammonia: 0, nitrite: 0, nitrate: 20 }),
    17.1,
    { add: 'wait', because: 'proofToCome' },
  ],
  [
    'and the proof after it counts',
    begun()
      .test(0.5, { nitrate: 0 })
      .dose(1, 2)
      .water(15, { ammonia: 0, nitrite: 0, nitrate: 20 })
      .water(17, { ammonia: 0, nitrite: 0, nitrate: 20 })
      .dose(17.5, 2)
      .water(18.5, { ammonia: 0, nitrite: 0, nitrate: 20 }),
    18.6,
    { add: 'goSmall' },
  ],
  [
    'three daily zeros are daily: days 2, 9 and 30 are none',
    new History('matureTransfer')
      .water(0)
      .event(1, { kind: 'bacteria', seed: 'rock', mL: null })
      .event(1, { kind: 'food', food: 'pellets', grams: 0.1 })
      .test(2, { ammonia: 0 })
      .test(9, { ammonia: 0 })
      .water(30, { ammonia: 0 }),
    30.1,
    { add: 'test', because: 'dailySoFar', due: [] },
  ],
  [
    'alkalinity that stalls the end is said first',
    fallen().test(19, { alkalinity: 4.2 }),
    19.1,
    { add: 'wait', because: 'alkalinityStall' },
  ],
];

/** After the first animals. */
const stepped = () =>
  provedHistory()
    .animal(29, 'turban-snail', 2)
    .water(30, { ammonia: 0, nitrite: 0 })
    .water(32, { ammonia: 0, nitrite: 0 })
    .water(36, { ammonia: 0, nitrite: 0 });
const moved = () =>
  new History('matureTransfer')
    .event(1, { kind: 'bacteria', seed: 'oldTank', mL: null })
    .animal(1, 'ocellaris-clownfish', 2)
    .water(1.1, { ammonia: 0, nitrite: 0 });
const ARRIVALS: Situation[] = [
  [
    'a day after the first: the test',
    provedHistory().animal(29, 'turban-snail'),
    30,
    { add: 'test', because: 'stepTestDue' },
  ],
  [
    'a week after the first: two weeks are asked',
    stepped(),
    36.5,
    { water: 'steady', add: 'wait', because: 'stepSettling' },
  ],
  [
    'two weeks after the first',
    stepped().water(43, { ammonia: 0, nitrite: 0 }),
    43.1,
    { water: 'steady', add: 'goSmall' },
  ],
  [
    'two weeks after it with nitrate at 80',
    stepped().water(43, { ammonia: 0, nitrite: 0, nitrate: 80 }),
    43.1,
    { add: 'wait', because: 'nitrateHigh' },
  ],
  [
    'a coral in opens no gate for a fish: nitrate 80 stops it',
    provedHistory().animal(28.05, 'zoanthid').water(28.2, { ammonia: 0, nitrite: 0, nitrate: 80 }),
    28.3,
    { add: 'wait', because: 'nitrateHigh' },
  ],
  [
    'nitrite back with animals in',
    stepped().water(42.5, { ammonia: 0, nitrite: 1 }).water(43, { ammonia: 0, nitrite: 1 }),
    43.1,
    { water: 'watch', says: 'nitriteWithAnimals', add: 'wait', because: 'waterFirst' },
  ],
  [
    'nitrite not read for ten days',
    stepped().water(43, { ammonia: 0 }).water(46.5, { ammonia: 0 }),
    46.6,
    { add: 'test', because: 'nitriteOld', due: ['nitrite'] },
  ],
  [
    'one 0.25 in a tank stocked for months never asks for a dose',
    stepped().water(90, { ammonia: 0.25, nitrite: 0 }),
    90.1,
    { water: 'test', says: 'ammoniaTrace' },
  ],
  ['a whole tank moved with its fish', moved(), 1.2, { water: 'steady', add: ['wait', 'test'] }],
  [
    'and two weeks of zeros later',
    [2, 3, 4, 8, 12, 17].reduce((h, d) => h.water(d, { ammonia: 0, nitrite: 0 }), moved()),
    17.1,
    { water: 'steady', add: 'go' },
  ],
  [
    'fish put in before anything was shown',
    [3, 5, 9].reduce(
      (h, d) => h.water(d, { ammonia: 0, nitrite: 0 }),
      new History('proof24').animal(2, 'ocellaris-clownfish').water(2.1, { ammonia: 0, nitrite: 0 }),
    ),
    9.1,
    { water: 'steady', add: ['wait', 'test'] },
  ],
  [
    'weeks of zeros with them in stand for the proof',
    [3, 5, 9, 13, 17].reduce(
      (h, d) => h.water(d, { ammonia: 0, nitrite: 0 }),
      new History('proof24').animal(2, 'ocellaris-clownfish').water(2.1, { ammonia: 0, nitrite: 0 }),
    ),
    17.1,
    { water: 'steady', add: 'go' },
  ],
  [
    'corals first: feeding and zeros stand for the dose',
    new History('coralsFirst')
      .water(0, { ammonia: 0, nitrite: 0 })
      .dose(1, 2)
      .test(2, { ammonia: 2, nitrite: 0 })
      .test(8, { ammonia: 0.5, nitrite: 2 })
      .water(16, { ammonia: 0, nitrite: 0, nitrate: 10 })
      .water(18, { ammonia: 0, nitrite: 0, nitrate: 10 })
      .animal(18.5, 'zoanthid'),
    18.6,
    { water: 'steady', add: 'wait', because: 'provenByFeeding' },
  ],
  [
    'a dose since the last test stops a coral',
    new History('coralsFirst').water(0).water(1, { ammonia: 0 }).dose(1.1, 2),
    1.2,
    { coral: 'test' },
  ],
];

const ALL: Situation[] = [...LIMITS, ...DOSED, ...DELICATE, ...MISHAPS, ...LIVING, ...START, ...ARRIVALS];

test('there are enough of them', () => expect(ALL.length).toBeGreaterThanOrEqual(120));

const judge = (h: History, day: number): Assessment => assessWater(h.doc, 't', START_MS + day * DAY);

test.each(ALL)('%s', (_name, log, day, expected) => {
  const a = judge(log, day);
  const { living } = a;
  if (expected.water !== undefined) expect(living?.word ?? null).toBe(expected.water);
  if (expected.says) expect(living?.reason.code).toBe(expected.says);
  if (expected.add) expect([expected.add].flat()).toContain(a.fish.word);
  if (expected.because) expect(a.fish.reason.code).toBe(expected.because);
  if (expected.coral) expect(a.coral.word).toBe(expected.coral);
  if (expected.due) expect(a.due).toEqual(expect.arrayContaining([...expected.due]));
  const steps = living?.plan?.steps.map((s) => s.code) ?? [];
  if (expected.steps) expect(steps.filter((c) => expected.steps?.includes(c))).toEqual(expected.steps);
  // An Act now always says what to do, and when to look again.
  if (living?.word === 'actNow') expect(steps).toContain('stepTestAt');
  for (const units of [METRIC, US_CUSTOMARY]) spoken(a, units, log);
});

const FOREIGN = {
  metric: /°F|\bgal\b|\binch(es)?\b|SG 2/,
  us: /°C|\blitres?\b|\d L\b|\bppt\b|\bcm\b/,
};

/** Every sentence of a judgement: whole, in the person's units, and never asking for ammonia where somebody lives. */
function spoken(a: Assessment, units: UnitPreferences, log: History): void {
  const words = { units, day: String, written: (d: string) => d, hour: String };
  const plan = a.living?.plan;
  const said = [
    ...[a.fish, a.crew, a.coral, ...(a.living ? [a.living] : [])].flatMap((j) => [j.reason, j.opens]),
    ...a.alarms,
    ...(a.living?.also ?? []).flatMap((f) => [f.finding, f.opens]),
    ...(a.living?.causes ?? []),
    ...(plan ? [...plan.steps, ...plan.avoid, ...(plan.without ? [plan.without] : [])] : []),
    ...a.gates.map((g) => g.finding),
  ].map((s) => sentence(s, words));
  const livesHere = Object.values(log.doc.animals).length > 0 && a.living !== null;
  for (const text of said) {
    expect(text).not.toMatch(/NaN|undefined|Infinity/);
    expect(text).not.toMatch(units === METRIC ? FOREIGN.metric : FOREIGN.us);
    if (livesHere) expect(text).not.toMatch(/\bdose 2|ammonia source|add and log/i);
  }
}
