/** Every statement in sentences, in both unit systems. A code without an example here does not compile. */
import { SETUP_ITEMS, type SetupItem } from '../document';
import { EVIDENCE } from '../evidence';
import { COURSE_NAMES } from './forecast';
import { setupLists } from '../setup';
import { guideOf } from '../species/guide';
import { SPECIES } from '../species';
import type { GateId, Statement, StatementCode, StatementFacts } from '../statements';
import { METRIC, type UnitPreferences } from '../units';
import { GATE_NAMES, gateRule, inUnits, SCHOOL_WORDS, sentence } from '.';

const US: UnitPreferences = { volume: 'gal', temperature: 'F', salinity: 'sg2525', length: 'in', mass: 'lb' };
const day = (ms: number) => `day ${ms / 86_400_000}`;
const written = (text: string) => `the ${text}`;
const hour = (ms: number) => `hour ${ms / 3_600_000}`;
const DAY = 86_400_000;

const RECKONED = { ammonia: '1.5 mg/L NH₄', atMs: 40 * DAY, ph: 8.13, phAssumed: false, tempC: 25.4 };
const CHANGE = { litres: 37.6, netL: 75, fromMgN: 1, toMgN: 0.47, fromFreeMgN: 0.0517, toFreeMgN: 0.0243 };

/** One example of each, with numbers that no sentence holds by itself. */
const EXAMPLES: { [C in StatementCode]: StatementFacts[C] } = {
  testThese: { parameters: ['ammonia', 'nitrite', 'salinity'] },
  waterUnmeasured: { parameters: ['temperature'] },
  salinityOff: { salinity: 30.6, low: 33, high: 36 },
  bringSalinity: {},
  temperatureOff: { tempC: 19.7, low: 24, high: 26 },
  bringTemperature: {},
  tapNotConditioned: { holds: 'chloramine' },
  conditionFirst: {},
  waterReady: { salinity: 34.7, tempC: 25.3 },
  nothingFed: {},
  zeroMeansNothing: {},
  addAmmonia: {},
  ammoniaFell: {},
  ammoniaUnmeasured: {},
  ammoniaNotFalling: { ammonia: '2–4 mg/L NH₄' },
  ammoniaFalls: {},
  nitriteFell: {},
  nitriteNeverRose: {},
  nitriteUnmeasured: {},
  nitriteNotSeen: {},
  nitriteRisesOrTwoZeros: {},
  nitriteNotFalling: { nitrite: '5 mg/L NO₂' },
  nitriteFalls: {},
  bothClear: { sinceMs: 17 * DAY },
  noPairedTest: {},
  oneZeroOfTwo: { atMs: 18 * DAY },
  secondZero: { atMs: 19 * DAY },
  noNitrateYet: {},
  nitriteLeft: { nitrite: '0.25 mg/L NO₂' },
  ammoniaLeft: { ammonia: '0.5 mg/L NH₄' },
  bothLeft: { ammonia: '0.5 mg/L NH₄', nitrite: '0.25 mg/L NO₂' },
  twoZeros: {},
  proofPassed: { mgNPerL: 1.553, hours: 23.4 },
  proofRunning: { doseMs: 21 * DAY },
  proofTestAt: { atMs: 22 * DAY },
  proofIn48: { hours: 41.2 },
  proofFailed: {},
  clearThenDose: {},
  doseAsFood: {},
  alkalinityRaised: {},
  proofFaded: { atMs: 23 * DAY, fedMs: 23 * DAY },
  filterUnfed: { fedMs: 23 * DAY, fadesMs: 44 * DAY },
  proofMissed: {},
  proofToCome: {},
  doseForProof: {},
  doseForSecondZero: {},
  noAmmoniaNow: {},
  doseAgain: {},
  settleAfterClear: {},
  settled: { days: 14 },
  settling: { untilMs: 24 * DAY },
  waitUntil: { atMs: 25 * DAY },
  greenSeen: {},
  noGreenYet: {},
  greenOld: { atMs: 26 * DAY },
  watchForGreen: {},
  transferred: {},
  noTransfer: {},
  logTransfer: {},
  transferUnfed: {},
  feedTransfer: {},
  dailyZeros: { days: 4 },
  dailySoFar: { days: 2 },
  dailyTests: { left: 1 },
  bacteriaIn: {},
  noBacteria: {},
  addBacteria: {},
  resetBeforeAnimals: {},
  resetUnmeasured: { parameters: ['nitrate', 'salinity'] },
  nitrateHigh: { nitrateMgN: 10 },
  changeWater: { fraction: 0.63 },
  alkalinityLow: { alkalinity: 6.3 },
  alkalinityStall: { alkalinity: 4.3 },
  raiseAlkalinity: {},
  resetDone: { nitrateMgN: 2, alkalinity: 8.3, salinity: 34.7 },
  animalsIn: { atMs: 26 * DAY },
  oneSmallFishDaily: {},
  addFirstFish: {},
  firstStep: {},
  addFirst: {},
  afterFirst: {},
  ammoniaAfterStep: { ammonia: '0.25 mg/L NH₄' },
  ammoniaZeroAgain: {},
  stepTestDue: { since: 5, day: 3 },
  stepSettling: { since: 5, isClear: true },
  stepCarried: { since: 9 },
  addFishAfterCrew: {},
  addNext: {},
  staleTests: { parameters: ['ammonia', 'nitrite'] },
  unmeasured: { parameters: ['alkalinity'] },
  dosedSinceTest: {},
  setupOpen: { left: 2, first: 'sandBefore' },
  finishSetup: {},
  coralUnmeasured: { parameters: ['alkalinity'] },
  coralAlkalinity: { alkalinity: 13.3 },
  coralOneAlkalinity: {},
  coralUnsteady: { spread: 1.7 },
  steadyAlkalinity: {},
  coralAmmonia: {},
  coralBeforeDose: {},
  coralOne: {},
  addCoral: {},
  deathAsksTest: {},
  missingAsksTest: { missing: 'the goby' },
  freeAmmoniaAct: { ...RECKONED, nh3MgN: 0.07 },
  changeNow: {},
  freeAmmoniaWatch: { ...RECKONED, nh3MgN: 0.03, phAssumed: true },
  ammoniaTooHigh: { ammonia: 'over 8 mg/L NH₄' },
  noMoreDose: { fraction: 0.6, toMgN: 1.55 },
  expiredKit: { parameter: 'nitrite' },
  newKit: { parameter: 'nitrite' },
  driftDoubt: { parameter: 'salinity' },
  readAgain: { parameter: 'salinity' },
  instrumentsDisagree: {
    parameter: 'salinity',
    one: { by: 'Old meter', value: 33.1 },
    other: { by: 'New meter', value: 35.2 },
  },
  nitrateDoubted: {},
  nutrientZero: { parameter: 'phosphate' },
  unnamedAnimals: { day: '2026-01-01' },
  tooLargeForTank: { name: 'Tang', adultCm: 23, minTankL: 400, glassL: 210 },
  tooLongForTank: { name: 'Tang', adultCm: 23, minTankCm: 120, lengthCm: 80 },
  jumpsNoLid: { name: 'Firefish' },
  noLid: {},
  tooManyOfKind: { name: 'Gramma', most: 1, would: 3 },
  tooFewOfKind: { name: 'Chromis', least: 3, count: 1 },
  rival: { name: 'Royal gramma', other: 'Blackcap basslet', ground: 'caves', anywhere: false },
  sameGenus: { name: 'Percula clownfish', other: 'Tomato clownfish', genus: 'Amphiprion', anywhere: true },
  lateComer: { name: 'Damsel', other: 'Goby' },
  territorialFirst: { name: 'Damsel' },
  firstThen: { name: 'Goby', other: 'Damsel' },
  eats: { name: 'Hawkfish', other: 'Cleaner shrimp' },
  notAlwaysReefSafe: { name: 'Flame angelfish' },
  notReefSafe: { name: 'Valentini puffer' },
  stingReach: { name: 'Torch coral', reachCm: 15 },
  walksAndStings: { name: 'Bubble-tip anemone' },
  podsShared: { name: 'Mandarin dragonet', other: 'Scooter dragonet', eachL: 200 },
  livesOnPods: { name: 'Mandarin dragonet' },
  wantsSand: { name: 'Melanurus wrasse' },
  wantsCaves: { name: 'Royal gramma' },
  wantsAlgae: { name: 'Yellow tang' },
  tooWarmFor: { name: 'Mexican turban snail', tempC: 26, high: 24 },
  tooColdFor: { name: 'Linckia', tempC: 21, low: 23 },
  noCommonWater: { name: 'Mexican turban snail', other: 'Clam' },
  youngTank: { name: 'Dragonet', wantsDays: 180, ageDays: 41 },
  ageNotSaid: { name: 'Dragonet', wantsDays: 180 },
  grownLoad: { mgN: 120.4, carriesMgN: 44 },
  delicate: { name: 'Elegance coral' },
  hardToTakeOut: { name: 'Blue damselfish' },
  noQuarantine: { line: 'coral' },
  gateShut: {},
  liesFallow: {},
  waterComesFirst: {},
  littleToGraze: { names: ['Astrea snail', 'Nerite snail'] },
  littleFalls: { names: ['Nassarius snail'], wantsMgN: 3.5, fallsMgN: 0.3 },
  littleSand: { names: ['Fighting conch'], wantsCm2: 5000, sandCm2: 2500 },
  stayTogether: { name: 'Longnose hawkfish', others: ['Neon cleaner goby', 'Yasha goby'], eats: true },
  crewInSteps: { names: ['Astrea snail'], snails: 19.2, portion: 6 },
  lastStillSettling: {},
  testFirst: {},
  moreThanDouble: { mgN: 31.4, allowedMgN: 23.6 },
  twoInAWeek: {},
  noProof: {},
  manyFirst: { count: 3 },
  overCeiling: { mgN: 57.3, carriesMgN: 44 },
  growsInto: { mgN: 15.5, carriesMgN: 12.2 },
  firstCorals: { pieces: 3 },
  ammoniaPeak: { nh3MgN: 0.061 },
  ammoniaMayPeak: { nh3MgN: 0.043 },
  volumeWrong: { fitsL: 187, netL: 238 },
  ammoniaBasis: {},
  nitrateBasis: {},
  oldKit: {},
  nitriteInterference: {},
  nitrateFromStart: {},
  nitrateFromSource: {},
  forgottenInput: {},
  takenByAlgae: {},
  lostToGas: {},
  forgottenChange: { fraction: 0.38 },
  doseTooMuch: { mgNPerL: 4.66 },
  doseNotYet: { mgNPerL: 0.78 },
  nothingLogged: {},
  noTrustedNitrogen: {},
  logTooLong: {},
  onlyZeros: {},
  readingsContradict: {},
  asTold: { day: '2026-03-04' },
  quarantineReady: {},
  quarantineTakes: {},
  quarantineUntested: { parameters: ['ammonia', 'salinity'] },
  quarantineSign: {},
  quarantineHealed: {},
  quarantineRunning: { day: 12, of: 28 },
  quarantineFreeOn: { day: '2026-03-20' },
  quarantineFree: { days: 31 },
  quarantineLetIn: {},
  riskCopper: { name: 'Spare tank' },
  riskSign: { name: 'Spare tank', day: '2026-04-18' },
  riskFallow: { name: 'North Window', day: 12, of: 76 },
  riskAside: { day: '2026-04-18' },
  riskClock: { name: 'Spare tank', day: 12, of: 28 },
  riskNoQuarantine: {},
  riskOtherDisplay: { name: 'Pantry Cube' },
  riskDisplay: { name: 'North Window', word: 'wait' },
  riskCompany: {
    finding: { code: 'rival', name: 'Gramma', other: 'Basslet', ground: 'caves', anywhere: true },
  },
  riskLoad: { finding: { code: 'overCeiling', mgN: 61.5, carriesMgN: 44.2 } },
  riskNoLid: { name: 'Neon goby' },
  riskIntakes: { name: 'North Window' },
  ammoniaWithAnimals: { ammonia: '0.5 mg/L NH₄', atMs: 41 * DAY },
  holdingSteady: {},
  holdingEmpty: {},
  holdingWatch: {},
  mixingReady: { salinity: 34.2 },
  mixingFit: {},
  outOfUse: { day: '2026-02-11' },
  openAgain: {},
  changedSinceTest: { parameters: ['salinity', 'alkalinity'] },
  nitrateLevel: {},
  nitrateRising: {},
  nitriteOld: {},
  clearUnseen: { sinceMs: 21 * DAY },
  unseenRise: {},
  unseenNeedsProof: {},
  ammoniaOxidised: {},
  traceOnly: { ammonia: '0.25 mg/L NH₄' },
  traceAgain: { parameters: ['ammonia'] },
  animalsCameFirst: {},
  fedAndClear: { zeros: 5, days: 16.2 },
  provenByFeeding: { zeros: 1, days: 1, wantsZeros: 3, wantsDays: 2 },
  feedAndTest: {},
  waterFirst: {},
  waterUntested: {},
  seeTheWater: {},
  fewZeros: { zeros: 2, days: 6.4, wantsDays: 14 },
  crewFed: { portion: 5 },
  crewStarving: {},
  crewHungry: {},
  feedCrew: {},
  saltDrifts: { perDay: 0.23, days: 4.2, limit: 37 },
  addCrew: {},
  crewUnfed: {},
  crewLately: {},
  nobodyNamed: {},
  nameThem: {},
  fishFallow: { day: 6, of: 76 },
  fishFallowUntil: { day: '2026-07-10' },
  outbreakFishIn: {},
  allFishOut: { of: 76 },
  lookForFilm: {},
  filterMoved: { atMs: 30 * DAY, into: 'Great Reef' },
  enterItAnew: {},
  glassFitsNoFish: { glassL: 25, minTankL: 40 },
  glassFitsNobody: { glassL: 5, minTankL: 20 },
  largerGlass: {},
  livingSteady: { sinceMs: 39 * DAY },
  keepSteady: {},
  feedNewcomers: { nowG: 0.033, fullG: 0.1, days: 6 },
  freeMeasuredAct: { nh3MgN: 0.081, atMs: 40 * DAY },
  freeMeasuredWatch: { nh3MgN: 0.031, atMs: 40 * DAY },
  ammoniaTrace: { ammonia: '0.25 mg/L NH₄', atMs: 40 * DAY },
  dosedWithAnimals: { atMs: 40 * DAY, leftMgN: 1.553 },
  ammoniaChanged: { ammonia: '1 mg/L NH₄', atMs: 40 * DAY, share: 0.5, leftMgN: 0.39 },
  stillTooMuch: { ammonia: '5 mg/L NH₄', atMs: 40 * DAY, leftMgN: 1.9 },
  testAmmoniaAt: { atMs: 40 * DAY },
  testDoseFrom: { atMs: 40 * DAY },
  changeSome: {},
  coarseZero: { parameter: 'ammonia' },
  finerKit: { parameter: 'ammonia' },
  heatMoved: { tempC: 26.4, by: 1.4, hours: 2.5 },
  heatHeading: { tempC: 28.5, perHour: 0.4 },
  salinityMixed: { salinity: 29.3, measured: 34.7 },
  saltMoved: { salinity: 33.1, by: -1.6, hours: 20 },
  alkalinityWithAnimals: { alkalinity: 6.1, atMs: 41 * DAY },
  alkalinityDrifts: { perDay: -0.25, days: 3.4, limit: 6.5 },
  alkalinityMoved: { alkalinity: 8.3, by: 1.4 },
  letAlkalinityFall: {},
  steadyDoses: {},
  deathDayAfter: {},
  incidentAsksTest: { what: 'powerCut' },
  incidentDayAfter: { what: 'filterCleaned' },
  fedAsksTest: { madeMgN: 133.1, keptUpMgN: 39.8, atMs: 41 * DAY, isOut: false },
  fedDayAfter: { madeMgN: 133.1, keptUpMgN: 39.8, atMs: 41 * DAY },
  seafoodRots: { madeMgN: 486.6, keptUpMgN: 39.8, atMs: 41 * DAY },
  seafoodOutNow: {},
  neverTested: { parameters: ['ammonia', 'temperature'] },
  untestedTooLong: { parameters: ['salinity'] },
  causeFilter: {},
  causeDead: {},
  causeFood: {},
  causeMedicine: {},
  causeTap: {},
  causeKit: {},
  stepPowerOff: {},
  stepHeaterOff: {},
  stepStopDoser: {},
  stepAir: {},
  stepDeadOut: {},
  stepChange: { ...CHANGE, salinity: 34.7, tempC: 25.3 },
  stepChangeNitrite: { ...CHANGE, salinity: 34.7, tempC: 25.3 },
  stepChangeNext: { ...CHANGE, hours: 12 },
  stepMoveOut: { salinity: 34.7, tempC: 25.3 },
  stepBackOn: {},
  stepNoFood: {},
  stepCool: { tempC: 31.2, toC: 26, perHour: 1, hours: 6 },
  stepWarm: { tempC: 18.3, toC: 24, perHour: 1, hours: 6 },
  stepHeaterCheck: {},
  stepHoldHeat: { tempC: 27.3 },
  stepMeasureAgain: { parameter: 'salinity' },
  stepSaltDown: { litres: 2.4, toToday: 39.3, salinity: 36, days: 4 },
  stepSaltUp: { litres: 12.4, incoming: 36, toToday: 28.3, salinity: 33, days: 6 },
  stepHoldSalt: {},
  stepFreshAir: {},
  stepBicarbonate: { grams: 2.25, rise: 1, days: 3 },
  stepTestAt: { parameters: ['ammonia'], atMs: 40 * DAY, laterMs: 41 * DAY },
  avoidRaising: {},
  avoidIce: {},
  avoidAcid: {},
  avoidBuffer: {},
  avoidSaltIn: {},
  noWaterReady: {},
  confirmAmmonia: {},
  nitriteWithAnimals: { nitrite: '1 mg/L NO₂', atMs: 41 * DAY },
  filterLags: {},
  tooWarm: { tempC: 31.2, atMs: 41 * DAY },
  tooCold: { tempC: 18.4, atMs: 41 * DAY },
  coolSlowly: {},
  warmSlowly: {},
  salinityWithAnimals: { salinity: 29.3, atMs: 41 * DAY },
  salinitySlowly: {},
  phLow: { ph: 7.3, atMs: 41 * DAY },
  phHigh: { ph: 9, atMs: 41 * DAY },
  freshAir: {},
  stopDosing: {},
  oxygenLow: { mgL: 4.2, atMs: 41 * DAY },
  airNow: {},
  proposeMoved: {},
  proposeRots: {},
  proposeCured: {},
  proposeDry: {},
  proposeStocked: {},
  proposeTransferSchool: {},
  proposeFirstFish: {},
  proposePatient: {},
  proposeProof: {},
  proposeProofNow: {},
};
const CODES = Object.keys(EXAMPLES) as StatementCode[];
const say = (code: StatementCode, units: UnitPreferences): string =>
  sentence({ code, ...EXAMPLES[code] } as Statement, { units, day, written, hour });

/** Units a person of one system did not choose. A bare "degree", "litre" or "gallon" counts too. */
const FOREIGN = {
  metric: /°F|\bgal(lons?)?\b|\binch(es)?\b|\d in\b|\blb\b|SG 2/,
  us: /°C|\blitres?\b|\d L\b|\bppt\b|\bcm\b|\bkg\b/,
};
const whole = (text: string) => {
  expect(text).not.toMatch(/NaN|undefined|Infinity|\[object|\{|\}/);
  expect(text.trim()).not.toBe('');
};

test.each(CODES)('%s speaks the units of the person', (code) => {
  whole(say(code, METRIC));
  whole(say(code, US));
  expect(say(code, METRIC)).not.toMatch(FOREIGN.metric);
  expect(say(code, US)).not.toMatch(FOREIGN.us);
});

test.each([
  ['salinityOff', 'Salinity is 30.6 ppt; 33 to 36 ppt is the aim.'],
  ['temperatureOff', 'The water is 19.7 °C; the aim is 24 to 26 °C.'],
  ['proofPassed', '2.0 mg/L gone, tested after 23 h'],
  ['nitrateHigh', 'Nitrate is 44 mg/L; 20 mg/L or less is a good start.'],
  [
    'instrumentsDisagree',
    'Two sources disagree on salinity: Old meter 33.1 ppt against New meter 35.2 ppt. Calibrate before acting.',
  ],
  ['volumeWrong', 'The water volume may be wrong: 187 L instead of 238 L would make it fit.'],
  ['setupOpen', '2 essential points of setting up are open, first: sand in, 2.5 to 5 cm.'],
  ['staleTests', 'The last ammonia and nitrite tests are over three days old.'],
  [
    'doseTooMuch',
    'That would make about 6 mg/L; above 4 to 5 the second bacteria are held back. Dose less, or wait.',
  ],
] as const)('%s in metric words', (code, text) => expect(say(code, METRIC)).toBe(text));

test.each([
  ['salinityOff', 'Salinity is 1.0230 SG 25/25; 1.0249 to 1.0271 SG 25/25 is the aim.'],
  ['temperatureOff', 'The water is 67.5 °F; the aim is 75 to 79 °F.'],
  ['volumeWrong', 'The water volume may be wrong: 49 gal instead of 63 gal would make it fit.'],
  [
    'tooLargeForTank',
    'Tang grows to 9 in and wants a glass of 106 gal; this one holds 55 gal. Judge it by its adult size, not the size in the shop.',
  ],
  ['setupOpen', '2 essential points of setting up are open, first: sand in, 1 to 2 in.'],
] as const)('%s in US words', (code, text) => expect(say(code, US)).toBe(text));

test('more fish than come first are counted; what the display itself says is another sentence', () => {
  const said = (fish: number) =>
    sentence(
      { code: 'riskDisplay', name: 'North Window', word: 'goSmall', fish },
      { units: METRIC, day, written, hour },
    );
  expect(said(5)).toMatch(/^No fish lives in North Window yet, and 5 would come at once/);
  expect(said(5)).not.toMatch(/Go small/);
  const crew = sentence(
    { code: 'riskDisplay', name: 'North Window', word: 'wait', crew: 'crewUnfed' },
    { units: METRIC, day, written, hour },
  );
  expect(crew).toBe(
    'North Window itself says Wait to more cleaners. Too little film was seen lately to feed more of them.',
  );
});
test('one is said as one', () => {
  const one = (code: 'setupOpen' | 'staleTests') =>
    code === 'setupOpen'
      ? sentence({ code, left: 1, first: 'floor' }, { units: METRIC, day, written, hour })
      : sentence({ code, parameters: ['ph'] }, { units: METRIC, day, written, hour });
  expect(one('setupOpen')).toMatch(/^1 essential point of setting up is open/);
  expect(one('staleTests')).toBe('The last pH test is over three days old.');
});

describe('fixed texts', () => {
  const gates = Object.keys(GATE_NAMES) as GateId[];
  test.each(gates)('the rule of %s', (gate) => {
    whole(gateRule(gate, METRIC));
    expect(gateRule(gate, METRIC)).not.toMatch(FOREIGN.metric);
    expect(gateRule(gate, US)).not.toMatch(FOREIGN.us);
  });
  test('setting up, species and courses', () => {
    const lists = (['before', 'after'] as const).flatMap((sand) => {
      const l = setupLists({ school: 'proof24', sand, hasSump: true, hasSand: true });
      return [...l.beforeWater, ...l.filling];
    });
    const items = new Set<SetupItem>(lists.map((p) => p.item));
    expect(SETUP_ITEMS.filter((i) => !items.has(i)).length).toBeLessThan(3);
    const texts = [
      ...lists.flatMap((p) => [p.title, p.reason]),
      ...SPECIES.map((s) => guideOf(s)!.care),
      ...Object.values(COURSE_NAMES),
    ];
    for (const text of texts) {
      whole(inUnits(text, METRIC));
      expect(inUnits(text, METRIC)).not.toMatch(FOREIGN.metric);
      expect(inUnits(text, US)).not.toMatch(FOREIGN.us);
    }
  });
  test('the rule of a school is the rule the gate judges by', () => {
    expect(SCHOOL_WORDS.proof24.rule).toContain(`up to ${EVIDENCE.proofHours} hours`);
    expect(gateRule('proof', METRIC)).toContain(
      `${EVIDENCE.proofEarliestHours} to ${EVIDENCE.proofHours} hours`,
    );
    expect(gateRule('seaWater', METRIC)).toContain('32.5 to 36.5 ppt');
  });
  test('a marked quantity is shown in the unit chosen, a difference as a difference', () => {
    expect(inUnits('{volume:0.15} and {temperature:25:0}, {Δtemperature:2:0} more', METRIC)).toBe(
      '0.1 L and 25 °C, 2 °C more',
    );
    expect(inUnits('{volume:0.15} and {temperature:25:0}, {Δtemperature:2:0} more', US)).toBe(
      '0.04 gal and 77 °F, 4 °F more',
    );
  });
});

test('food too little to weigh is never said to be 0.00 g', () => {
  const said = (fullG: number) =>
    sentence({ code: 'feedNewcomers', nowG: 0.001, fullG, days: 7 }, { units: METRIC, day, written, hour });
  expect(said(0.004)).toMatch(/^No food today: .* All of it, less than 0\.01 g a day, in 7 days/);
  expect(said(0.006)).toMatch(/All of it, 0\.01 g a day, in 7 days/);
});
