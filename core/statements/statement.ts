/** What the core has to say, as data: each statement has a code and exactly the numbers, texts and parameters its sentence needs. The
 *  sentences, in the person's units, stand in core/words. Numbers are in stored units (litres, C, practical salinity, cm, mg N). */
import type { IncidentKind, Parameter, QuarantineLine, SetupItem } from '../document';
import type { Word } from './gates';

/** Nothing beside the code. */
type Nothing = Record<never, never>;
interface Ask {
  parameters: readonly Parameter[];
}
interface OneParameter {
  parameter: Parameter;
}
/** What a kit printed, with unit and basis: "0.5–1 mg/L NO₂". */
interface PrintedAmmonia {
  ammonia: string;
}
interface PrintedNitrite {
  nitrite: string;
}
/** A moment, ms. */
interface At {
  atMs: number;
}

/** Findings at the gates and what would open them. */
interface GateFacts {
  testThese: Ask;
  waterUnmeasured: Ask;
  salinityOff: { salinity: number; low: number; high: number };
  bringSalinity: Nothing;
  temperatureOff: { tempC: number; low: number; high: number };
  bringTemperature: Nothing;
  tapNotConditioned: { holds: 'chlorine' | 'chloramine' | 'unknown' };
  conditionFirst: Nothing;
  waterReady: { salinity: number; tempC: number };
  nothingFed: Nothing;
  zeroMeansNothing: Nothing;
  addAmmonia: Nothing;
  ammoniaFell: Nothing;
  ammoniaUnmeasured: Nothing;
  ammoniaNotFalling: PrintedAmmonia;
  ammoniaFalls: Nothing;
  nitriteFell: Nothing;
  nitriteNeverRose: Nothing;
  nitriteUnmeasured: Nothing;
  nitriteNotSeen: Nothing;
  nitriteRisesOrTwoZeros: Nothing;
  nitriteNotFalling: PrintedNitrite;
  nitriteFalls: Nothing;
  bothClear: { sinceMs: number };
  clearUnseen: { sinceMs: number };
  unseenRise: Nothing;
  unseenNeedsProof: Nothing;
  ammoniaOxidised: Nothing;
  traceOnly: PrintedAmmonia;
  traceAgain: Ask;
  noPairedTest: Nothing;
  oneZeroOfTwo: At;
  secondZero: At;
  noNitrateYet: Nothing;
  nitriteLeft: PrintedNitrite;
  ammoniaLeft: PrintedAmmonia;
  bothLeft: PrintedAmmonia & PrintedNitrite;
  twoZeros: Nothing;
  proofPassed: { mgNPerL: number; hours: number };
  proofRunning: { doseMs: number };
  proofTestAt: At;
  proofIn48: { hours: number };
  proofFailed: Nothing;
  clearThenDose: Nothing;
  doseAsFood: Nothing;
  alkalinityRaised: Nothing;
  proofFaded: { atMs: number; fedMs: number };
  /** Nobody lives in a water that is ready, and its bacteria starve; from `fadesMs` on its proof counts no more, where it has one. */
  filterUnfed: { fedMs: number; fadesMs: number | null };
  proofMissed: Nothing;
  proofToCome: Nothing;
  doseForProof: Nothing;
  doseForSecondZero: Nothing;
  doseAgain: Nothing;
  noAmmoniaNow: Nothing;
  settleAfterClear: Nothing;
  settled: { days: number };
  nitrateLevel: Nothing;
  nitrateRising: Nothing;
  nitriteOld: Nothing;
  settling: { untilMs: number };
  waitUntil: At;
  greenSeen: Nothing;
  noGreenYet: Nothing;
  greenOld: { atMs: number };
  watchForGreen: Nothing;
  transferred: Nothing;
  noTransfer: Nothing;
  logTransfer: Nothing;
  transferUnfed: Nothing;
  feedTransfer: Nothing;
  dailyZeros: { days: number };
  dailySoFar: { days: number };
  dailyTests: { left: number };
  bacteriaIn: Nothing;
  noBacteria: Nothing;
  addBacteria: Nothing;
  resetBeforeAnimals: Nothing;
  resetUnmeasured: Ask;
  nitrateHigh: { nitrateMgN: number };
  changeWater: { fraction: number };
  alkalinityLow: { alkalinity: number };
  alkalinityStall: { alkalinity: number };
  raiseAlkalinity: Nothing;
  resetDone: { nitrateMgN: number; alkalinity: number; salinity: number };
  animalsIn: At;
  nobodyNamed: Nothing;
  nameThem: Nothing;
  oneSmallFishDaily: Nothing;
  addFirstFish: Nothing;
  animalsCameFirst: Nothing;
  fedAndClear: { zeros: number; days: number };
  provenByFeeding: { zeros: number; days: number; wantsZeros: number; wantsDays: number };
  feedAndTest: Nothing;
  waterFirst: Nothing;
  waterUntested: Nothing;
  seeTheWater: Nothing;
  fewZeros: { zeros: number; days: number; wantsDays: number };
  crewFed: { portion: number };
  crewStarving: Nothing;
  crewHungry: Nothing;
  feedCrew: Nothing;
  addCrew: Nothing;
  crewUnfed: Nothing;
  crewLately: Nothing;
  /** After an outbreak: days without fish so far, of how many. */
  fishFallow: { day: number; of: number };
  fishFallowUntil: { day: string };
  outbreakFishIn: Nothing;
  allFishOut: { of: number };
  lookForFilm: Nothing;
  /** Rock and media went into another tank. */
  filterMoved: { atMs: number; into: string };
  enterItAnew: Nothing;
  /** No fish known here, or nothing at all, lives well in so small a glass; what wants least. */
  glassFitsNoFish: { glassL: number; minTankL: number };
  glassFitsNobody: { glassL: number; minTankL: number };
  largerGlass: Nothing;
  firstStep: Nothing;
  addFirst: Nothing;
  afterFirst: Nothing;
  ammoniaAfterStep: PrintedAmmonia;
  ammoniaZeroAgain: Nothing;
  stepTestDue: { since: number; day: number };
  /** `isClear`: ammonia was tested since, and read zero. */
  stepSettling: { since: number; isClear: boolean };
  stepCarried: { since: number };
  addFishAfterCrew: Nothing;
  addNext: Nothing;
  staleTests: Ask;
  unmeasured: Ask;
  dosedSinceTest: Nothing;
  testDoseFrom: At;
  changedSinceTest: Ask;
  setupOpen: { left: number; first: SetupItem };
  finishSetup: Nothing;
  coralUnmeasured: Ask;
  coralAlkalinity: { alkalinity: number };
  coralOneAlkalinity: Nothing;
  coralUnsteady: { spread: number };
  steadyAlkalinity: Nothing;
  coralAmmonia: Nothing;
  coralBeforeDose: Nothing;
  coralOne: Nothing;
  addCoral: Nothing;
}

/** What is found of waters that serve a display. */
interface ServingFacts {
  asTold: { day: string };
  quarantineReady: Nothing;
  quarantineTakes: Nothing;
  quarantineUntested: Ask;
  quarantineSign: Nothing;
  quarantineHealed: Nothing;
  quarantineRunning: { day: number; of: number };
  quarantineFreeOn: { day: string };
  quarantineFree: { days: number };
  quarantineLetIn: Nothing;
  holdingSteady: Nothing;
  holdingEmpty: Nothing;
  holdingWatch: Nothing;
  mixingReady: { salinity: number };
  mixingFit: Nothing;
  outOfUse: { day: string };
  openAgain: Nothing;
}

/** What is risked by letting an animal in. */
interface RiskFacts {
  riskCopper: { name: string };
  riskSign: { name: string; day: string };
  riskAside: { day: string };
  riskFallow: { name: string; day: number; of: number };
  riskClock: { name: string; day: number; of: number };
  riskNoQuarantine: Nothing;
  riskOtherDisplay: { name: string };
  /** With so many fish that would come at once where only a first one or two may. */
  riskDisplay: {
    name: string;
    word: Word;
    /** So many would be the first. */
    fish?: number;
    /** It is not the water nor the filter, but the film. */
    crew?: 'crewUnfed' | 'crewStarving' | 'crewLately';
  };
  riskNoLid: { name: string };
  /** What lasts: no waiting would lift it. */
  riskCompany: { finding: StatementOf<CompanyCode> };
  riskIntakes: { name: string };
  /** All who would come at once bring more than the filter carries. */
  riskLoad: { finding: StatementOf<'overCeiling' | 'ammoniaPeak'> };
}

/** Why a method or a school is proposed. */
interface ProposalFacts {
  proposeMoved: Nothing;
  proposeRots: Nothing;
  proposeCured: Nothing;
  proposeDry: Nothing;
  proposeStocked: Nothing;
  proposeTransferSchool: Nothing;
  proposeFirstFish: Nothing;
  proposePatient: Nothing;
  proposeProof: Nothing;
  proposeProofNow: Nothing;
}

/** Findings that hold besides the gates and may only make the word more careful. */
interface AlarmFacts {
  ammoniaTooHigh: PrintedAmmonia;
  noMoreDose: { fraction: number; toMgN: number };
  expiredKit: OneParameter;
  newKit: OneParameter;
  driftDoubt: OneParameter;
  readAgain: OneParameter;
  instrumentsDisagree: OneParameter & { one: Said; other: Said };
  nitrateDoubted: Nothing;
  nutrientZero: OneParameter;
  /** Told of on a day, and not named since. */
  unnamedAnimals: { day: string };
}

/** Total ammonia as printed, with the free share of it and what that was reckoned from. */
type FreeReckoned = PrintedAmmonia & At & { nh3MgN: number; ph: number; phAssumed: boolean; tempC: number };
interface Change {
  litres: number;
  netL: number;
  fromMgN: number;
  toMgN: number;
  fromFreeMgN: number;
  toFreeMgN: number;
}

/** What is found of water with animals in it, and what is to be done. */
interface LivingFacts {
  livingSteady: { sinceMs: number };
  keepSteady: Nothing;
  /** Dry food for all fish, g a day, while those who just came get a part of it; all of it so many days from now. */
  feedNewcomers: { nowG: number; fullG: number; days: number };
  freeAmmoniaAct: FreeReckoned;
  freeAmmoniaWatch: FreeReckoned;
  freeMeasuredAct: At & { nh3MgN: number };
  freeMeasuredWatch: At & { nh3MgN: number };
  ammoniaWithAnimals: PrintedAmmonia & At;
  ammoniaTrace: PrintedAmmonia & At;
  dosedWithAnimals: At & { leftMgN: number };
  ammoniaChanged: PrintedAmmonia & At & { share: number; leftMgN: number };
  stillTooMuch: PrintedAmmonia & At & { leftMgN: number };
  testAmmoniaAt: At;
  changeNow: Nothing;
  changeSome: Nothing;
  confirmAmmonia: Nothing;
  coarseZero: OneParameter;
  finerKit: OneParameter;
  nitriteWithAnimals: PrintedNitrite & At;
  filterLags: Nothing;
  tooWarm: At & { tempC: number };
  tooCold: At & { tempC: number };
  heatMoved: { tempC: number; by: number; hours: number };
  heatHeading: { tempC: number; perHour: number };
  coolSlowly: Nothing;
  warmSlowly: Nothing;
  salinityWithAnimals: At & { salinity: number };
  salinityMixed: { salinity: number; measured: number };
  saltMoved: { salinity: number; by: number; hours: number };
  saltDrifts: { perDay: number; days: number; limit: number };
  salinitySlowly: Nothing;
  phLow: At & { ph: number };
  phHigh: At & { ph: number };
  freshAir: Nothing;
  stopDosing: Nothing;
  oxygenLow: At & { mgL: number };
  airNow: Nothing;
  alkalinityWithAnimals: At & { alkalinity: number };
  alkalinityDrifts: { perDay: number; days: number; limit: number };
  alkalinityMoved: { alkalinity: number; by: number };
  letAlkalinityFall: Nothing;
  steadyDoses: Nothing;
  deathAsksTest: Nothing;
  deathDayAfter: Nothing;
  missingAsksTest: { missing: string };
  incidentAsksTest: { what: IncidentKind };
  incidentDayAfter: { what: IncidentKind };
  /** More food than the filter keeps up with: what it makes, and what would be kept up with in a day, mg N. */
  fedAsksTest: At & {
    madeMgN: number;
    keptUpMgN: number;
    /** All of it was raw seafood that has been logged out: nothing of it lies there. */
    isOut: boolean;
  };
  fedDayAfter: At & { madeMgN: number; keptUpMgN: number };
  seafoodRots: At & { madeMgN: number; keptUpMgN: number };
  seafoodOutNow: Nothing;
  neverTested: Ask;
  untestedTooLong: Ask;
  causeFilter: Nothing;
  causeDead: Nothing;
  causeFood: Nothing;
  causeMedicine: Nothing;
  causeTap: Nothing;
  causeKit: Nothing;
}

/** The steps of an Act now, what not to do, and what to do without water at hand. */
interface StepFacts {
  stepPowerOff: Nothing;
  stepHeaterOff: Nothing;
  stepStopDoser: Nothing;
  stepAir: Nothing;
  stepDeadOut: Nothing;
  stepChange: Change & { salinity: number; tempC: number };
  stepChangeNitrite: Change & { salinity: number; tempC: number };
  stepChangeNext: Change & { hours: number };
  stepMoveOut: { salinity: number; tempC: number };
  stepBackOn: Nothing;
  stepNoFood: Nothing;
  stepCool: { tempC: number; toC: number; perHour: number; hours: number };
  stepWarm: { tempC: number; toC: number; perHour: number; hours: number };
  stepHeaterCheck: Nothing;
  stepHoldHeat: { tempC: number };
  stepMeasureAgain: OneParameter;
  stepSaltDown: { litres: number; toToday: number; salinity: number; days: number };
  stepSaltUp: { litres: number; incoming: number; toToday: number; salinity: number; days: number };
  stepHoldSalt: Nothing;
  stepFreshAir: Nothing;
  stepBicarbonate: { grams: number; rise: number; days: number };
  stepTestAt: Ask & At & { laterMs: number };
  avoidRaising: Nothing;
  avoidIce: Nothing;
  avoidAcid: Nothing;
  avoidBuffer: Nothing;
  avoidSaltIn: Nothing;
  noWaterReady: Nothing;
}

/** A reading of a named instrument, stored units. */
export interface Said {
  by: string;
  value: number;
}

/** Who may live together, in a tank: `name` is whose misfit it is, `other` the one it does not fit. */
interface CompanyFacts {
  tooLargeForTank: { name: string; adultCm: number; minTankL: number; glassL: number };
  tooLongForTank: { name: string; adultCm: number; minTankCm: number; lengthCm: number };
  jumpsNoLid: { name: string };
  noLid: Nothing;
  tooManyOfKind: { name: string; most: number; would: number };
  tooFewOfKind: { name: string; least: number; count: number };
  /** `anywhere`: however large the glass. */
  rival: { name: string; other: string; ground: string; anywhere: boolean };
  sameGenus: { name: string; other: string; genus: string; anywhere: boolean };
  lateComer: { name: string; other: string };
  territorialFirst: { name: string };
  firstThen: { name: string; other: string };
  eats: { name: string; other: string };
  notAlwaysReefSafe: { name: string };
  notReefSafe: { name: string };
  stingReach: { name: string; reachCm: number };
  walksAndStings: { name: string };
  podsShared: { name: string; other: string; eachL: number };
  livesOnPods: { name: string };
  wantsSand: { name: string };
  wantsCaves: { name: string };
  wantsAlgae: { name: string };
  tooWarmFor: { name: string; tempC: number; high: number };
  tooColdFor: { name: string; tempC: number; low: number };
  noCommonWater: { name: string; other: string };
  youngTank: { name: string; wantsDays: number; ageDays: number };
  ageNotSaid: { name: string; wantsDays: number };
  grownLoad: { mgN: number; carriesMgN: number };
  delicate: { name: string };
  hardToTakeOut: { name: string };
  /** Of those to come: what they live on is little here. */
  littleToGraze: { names: string[] };
  littleFalls: { names: string[]; wantsMgN: number; fallsMgN: number };
  littleSand: { names: string[]; wantsCm2: number; sandCm2: number };
  /** Grazers at once, by what they eat as so many snails, and how many find enough. */
  crewInSteps: { names: string[]; snails: number; portion: number };
  /** For weeks in one quarantine: the first eats or harasses the other, or they fight. */
  /** So many pieces would come where no coral lives yet. */
  firstCorals: { pieces: number };
  stayTogether: { name: string; others: string[]; eats: boolean };
}

/** What speaks against an addition now. */
interface WarningFacts {
  gateShut: Nothing;
  liesFallow: Nothing;
  waterComesFirst: Nothing;
  noQuarantine: { line: QuarantineLine };
  lastStillSettling: Nothing;
  testFirst: Nothing;
  moreThanDouble: { mgN: number; allowedMgN: number };
  twoInAWeek: Nothing;
  noProof: Nothing;
  /** More fish than come first. */
  manyFirst: { count: number };
  overCeiling: { mgN: number; carriesMgN: number };
  /** More than it carries so far, in a step that it grows into. */
  growsInto: { mgN: number; carriesMgN: number };
  ammoniaPeak: { nh3MgN: number };
  ammoniaMayPeak: { nh3MgN: number };
}

/** What may explain a gap between nitrogen put in and found. */
interface CauseFacts {
  volumeWrong: { fitsL: number; netL: number };
  ammoniaBasis: Nothing;
  nitrateBasis: Nothing;
  oldKit: Nothing;
  nitriteInterference: Nothing;
  nitrateFromStart: Nothing;
  nitrateFromSource: Nothing;
  forgottenInput: Nothing;
  takenByAlgae: Nothing;
  lostToGas: Nothing;
  forgottenChange: { fraction: number };
}

/** Before a dose of ammonia. */
interface DoseFacts {
  doseTooMuch: { mgNPerL: number };
  doseNotYet: { mgNPerL: number };
}

/** Why no forecast is made. */
interface CannotFacts {
  nothingLogged: Nothing;
  noTrustedNitrogen: Nothing;
  logTooLong: Nothing;
  onlyZeros: Nothing;
  readingsContradict: Nothing;
}

export type StatementFacts = GateFacts &
  ServingFacts &
  RiskFacts &
  ProposalFacts &
  AlarmFacts &
  LivingFacts &
  StepFacts &
  CompanyFacts &
  WarningFacts &
  CauseFacts &
  DoseFacts &
  CannotFacts;
export type StatementCode = keyof StatementFacts;
/** Steps of an Act now. */
export type StepCode = Extract<keyof StepFacts, `step${string}`>;
export type CompanyCode = keyof CompanyFacts;
export type WarningCode = keyof WarningFacts;
export type RiskCode = keyof RiskFacts;
export type CauseCode = keyof CauseFacts;
export type DoseCode = keyof DoseFacts;
export type CannotCode = keyof CannotFacts;
/** The statement of one code. */
export type StatementOf<C extends StatementCode> = C extends StatementCode
  ? { code: C } & StatementFacts[C]
  : never;
/** A sentence without its number does not compile: the code decides what must be there. */
export type Statement = StatementOf<StatementCode>;
