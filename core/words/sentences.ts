/** Statements in sentences: the one room of words. The person's units and calendar come in with the context, so that nothing here
 *  knows a locale. Ammonia is stated as NH4, nitrate as NO3, free ammonia as NH3-N. */
import { PARAMETER_NAMES, type Parameter } from '../document';
import { EVIDENCE } from '../evidence';
import { RULES } from '../readiness';
import { FREE_AMMONIA } from '../seawater';
import { setupTitle } from '../setup';
import type { Said, Statement, StepCode } from '../statements';
import { PRINTED_PER_N, showQuantity, showRange } from '../units';
import { LINE_WORDS } from './animals';
import { inUnits } from './inUnits';
import { LIVING_WORDS } from './living';
import { WORDS } from './names';
import {
  capital,
  days,
  dkh,
  heat,
  hours,
  listed,
  named,
  nh4,
  nh4Trimmed,
  no2,
  no3,
  plural,
  salt,
  type Sentences,
  type WordsContext,
} from './say';
import { AVOID_WORDS, isStep, stepSentence } from './steps';

const volume = (litres: number, w: WordsContext): string => showQuantity('volume', litres, w.units, 0);
const length = (cm: number, w: WordsContext): string => showQuantity('length', cm, w.units, 0);

/** "grows"; of a kind whose name is of many "grow". */
const verb = ({ name }: { name: string }, word: string): string =>
  /polyps$/i.test(name) ? word : `${word}s`;

/** A statement as one or two sentences in the person's units. */
export function sentence(statement: Statement, context: WordsContext): string {
  // The table holds a function for each code; the compiler cannot follow the pairing through the union.
  if (isStep(statement)) return stepSentence(statement, context);
  const say = SENTENCES[statement.code] as (s: Statement, w: WordsContext) => string;
  return say(statement, context);
}

/** What an instrument said, in the person's unit where the parameter has one. */
function said(s: Said, parameter: Parameter, w: WordsContext): string {
  if (parameter === 'salinity') return `${s.by} ${salt(s.value, w)}`;
  if (parameter === 'temperature') return `${s.by} ${heat(s.value, w)}`;
  return `${s.by} ${s.value.toFixed(1)}`;
}

const GATES = {
  testThese: (s) => `Test ${named(s.parameters)}.`,
  waterUnmeasured: (s) => `No reading of ${named(s.parameters)} yet.`,
  salinityOff: (s, w) =>
    `Salinity is ${salt(s.salinity, w)}; ${showRange('salinity', [s.low, s.high], w.units)} is the aim.`,
  bringSalinity: () => 'Correct salinity in small steps, then measure again.',
  temperatureOff: (s, w) =>
    `The water is ${heat(s.tempC, w)}; the aim is ${showRange('temperature', [s.low, s.high], w.units, 0)}.`,
  bringTemperature: () => 'Check the heater against a second thermometer.',
  tapNotConditioned: (s) =>
    s.holds === 'chlorine'
      ? 'It is filled with tap water: chlorine kills bacteria and burns gills.'
      : `It is filled with tap water: ${s.holds === 'chloramine' ? 'chloramine' : 'what the supplier adds'} kills bacteria, burns gills, and does not gas off by itself.`,
  conditionFirst: () =>
    'Conditioner first, by its label for all of the water, and note it under Edit; bacteria after that.',
  waterReady: (s, w) => `${salt(s.salinity, w)}, ${heat(s.tempC, w)}`,
  nothingFed: () => 'Nothing for the bacteria to eat yet.',
  zeroMeansNothing: () => 'A zero before any rise says nothing about the filter.',
  addAmmonia: () => 'Add and log an ammonia source, then watch it rise and fall.',
  ammoniaFell: () => 'rose, then fell',
  ammoniaUnmeasured: () => 'Ammonia has not been tested yet.',
  ammoniaNotFalling: (s) => `Ammonia is ${s.ammonia} and not falling yet.`,
  ammoniaFalls: () => 'A reading a third lower opens this gate.',
  nitriteFell: () => 'rose, then fell',
  nitriteNeverRose: () => 'never seen, and nitrate is there',
  nitriteUnmeasured: () => 'Nitrite has not been tested yet.',
  nitriteNotSeen: () => 'Nitrite has not risen yet: the first bacteria are still growing.',
  nitriteRisesOrTwoZeros: () =>
    'It rises and falls, or two clear tests with nitrate present show it never will.',
  nitriteNotFalling: (s) => `Nitrite is ${s.nitrite} and not falling yet.`,
  nitriteFalls: () => 'A reading a third lower opens this gate.',
  bothClear: (s, w) => `since ${w.day(s.sinceMs)}, two tests`,
  clearUnseen: (s, w) => `since ${w.day(s.sinceMs)}, two tests; nobody saw the rise, only its nitrate`,
  unseenRise: () => 'Nobody saw ammonia or nitrite rise; nitrate says that something was oxidised.',
  unseenNeedsProof: () =>
    'This school wants to have seen it: feed the tank and watch it rise, or choose a school that ends in a proof or a hold.',
  ammoniaOxidised: () => 'oxidised before it was seen: nitrite shows it',
  traceOnly: (s) => `Ammonia reads ${s.ammonia}, once, and nothing is known that would bring it.`,
  traceAgain: (s) => `Test ${named(s.parameters)} again; log a source if there was one.`,
  noPairedTest: () => 'Ammonia and nitrite have not been read in one sitting with kits in date.',
  oneZeroOfTwo: (s, w) => `Both read zero once, on ${w.day(s.atMs)}.`,
  secondZero: (s, w) => `A second clear test from ${w.hour(s.atMs)} opens this.`,
  noNitrateYet: () => 'Both are zero, but no nitrate is known to show for it.',
  nitriteLeft: (s) => `Ammonia is zero; nitrite is ${s.nitrite}.`,
  ammoniaLeft: (s) => `Ammonia is ${s.ammonia}.`,
  bothLeft: (s) => `Ammonia is ${s.ammonia}, nitrite ${s.nitrite}.`,
  twoZeros: () => 'Two tests at zero, a day or more apart, open this.',
  proofPassed: (s) => `${nh4(s.mgNPerL)} gone, tested after ${hours(s.hours)}`,
  proofRunning: (s, w) => `The proof dose went in on ${w.hour(s.doseMs)}.`,
  proofTestAt: (s, w) => `Test ammonia and nitrite at ${w.hour(s.atMs)}.`,
  proofIn48: (s) => `The dose was gone within ${hours(s.hours)}: enough for the lenient, not for the strict.`,
  proofFailed: () => 'The proof dose was not cleared in a day.',
  doseAsFood: () =>
    'Dose 2 mg/L again as food and test both tomorrow: ammonia is as good as gone, ' +
    `nitrite is ${no2(RULES.feedNitriteMgN)} mg/L NO₂ or less, and more nitrogen grows more bacteria.`,
  clearThenDose: () => 'Wait until both are zero, then dose again.',
  proofFaded: (s, w) =>
    s.fedMs > s.atMs
      ? `Nothing has fed the filter since ${w.day(s.fedMs)}, over ${EVIDENCE.proofFadesDays / 7} weeks: the proof of ${w.day(s.atMs)} says little by now.`
      : `The proof of ${w.day(s.atMs)} is over ${EVIDENCE.proofFadesDays / 7} weeks old and nothing has fed the filter since.`,
  filterUnfed: (s, w) =>
    `Nothing has fed the filter since ${w.day(s.fedMs)}, and its bacteria starve. ` +
    (s.fadesMs === null
      ? 'Unless the first animals come now, give it a little ammonia or a pinch of food, and test both at zero again before they do.'
      : `Unless the first animals come before ${w.day(s.fadesMs)}, when its proof counts no more, dose 2 mg/L again and test after 24 hours.`),
  proofMissed: () => 'The proof dose was not tested within two days.',
  proofToCome: () => 'Both are clear. The filter has not yet shown what it can do in a day.',
  doseForProof: () => 'Dose 2 mg/L ammonia, test after 24 hours.',
  doseForSecondZero: () =>
    'Dose 2 mg/L ammonia now and test after 24 hours: that is the second clear test and the proof in one.',
  doseAgain: () => 'Dose 2 mg/L again and test after 24 hours.',
  noAmmoniaNow: () => 'Animals are in: add no ammonia. Feed sparingly and test ammonia and nitrite.',
  settleAfterClear: () => 'The quiet weeks begin when both are clear.',
  settled: (s) => `${days(s.days)} with nothing found`,
  nitrateLevel: () => 'nitrate rises no further',
  nitrateRising: () => 'Both are clear; whether nitrate still rises is not known yet.',
  nitriteOld: () => 'The last nitrite test is over a week old.',
  settling: (s, w) => `Clear and settling until ${w.day(s.untilMs)}.`,
  waitUntil: (s, w) => `Wait until ${w.day(s.atMs)}, testing on the way.`,
  greenSeen: () => 'green film logged',
  noGreenYet: () => 'No green film has been logged yet.',
  greenOld: (s, w) =>
    `Green was last logged on ${w.day(s.atMs)}: too old a sign of what the filter does now.`,
  watchForGreen: () => 'Look at glass and rock, and log the film you see.',
  transferred: () => 'rock or media moved in',
  noTransfer: () => 'No rock or media from a running tank is logged.',
  logTransfer: () => 'Log the transfer under bacteria added.',
  transferUnfed: () => 'The moved media have not been fed since.',
  feedTransfer: () => 'Log a pinch of food or a small ammonia dose, then test daily.',
  dailyZeros: (s) => `${s.days} daily tests at zero`,
  dailySoFar: (s) => `${s.days} of ${RULES.dailyTests} daily ammonia tests at zero.`,
  dailyTests: (s) => `${s.left} more daily ${plural(s.left, 'zero opens', 'zeros open')} this.`,
  bacteriaIn: () => 'bottle or media logged',
  noBacteria: () => 'No bacteria have been logged yet.',
  addBacteria: () => 'Add a bottle or running media and log it.',
  resetBeforeAnimals: () => 'done before the first animals',
  resetUnmeasured: (s) => `Before animals, ${named(s.parameters)} must be known from the last three days.`,
  nitrateHigh: (s) =>
    `Nitrate is ${no3(s.nitrateMgN)}; ${no3(RULES.nitrateStartMgN)} or less is a good start.`,
  changeWater: (s) => `Change about ${Math.round(s.fraction * 100)} % of the water, then test again.`,
  alkalinityLow: (s) =>
    `Alkalinity is ${dkh(s.alkalinity)}; below ${RULES.alkalinityMin} the end of a cycle can stall.`,
  alkalinityStall: (s) => `Alkalinity is ${dkh(s.alkalinity)}: the bacteria are probably held up.`,
  alkalinityRaised: () => 'Alkalinity was raised after it was last tested: read it again once it has mixed.',
  raiseAlkalinity: () =>
    `Raise alkalinity to ${RULES.alkalinityAim} dKH, at most 1 dKH a day with animals, or change water.`,
  resetDone: (s, w) => `nitrate ${no3(s.nitrateMgN)}, ${dkh(s.alkalinity)}, ${salt(s.salinity, w)}`,
  nobodyNamed: () =>
    'Who lives here already is not named: what they make is not known, so nothing can be added to it.',
  nameThem: () => 'Find each under Stock and say since when it is in.',
  animalsIn: (s, w) => `since ${w.day(s.atMs)}`,
  oneSmallFishDaily: () => 'Your school allows one or two small fish now, with an ammonia test every day.',
  addFirstFish: () => 'One small fish, light feed, lid on, a water change ready.',
  animalsCameFirst: () => 'not shown before the animals came',
  fedAndClear: (s) => `${s.zeros} tests at zero over ${days(s.days)}, fed`,
  provenByFeeding: (s) =>
    `Animals are in, so feeding is the proof: ${s.zeros} of ${s.wantsZeros} zeros on following days.`,
  feedAndTest: () => 'Feed a little and log it; test ammonia and nitrite on the following days.',
  waterFirst: () => 'First the water: nothing goes in while it is not steady.',
  waterUntested: () => 'First the test that the water asks for.',
  seeTheWater: () => 'See above.',
  fewZeros: (s) =>
    `The filter was not shown before the animals came: zeros over ${Math.floor(s.days)} of ${days(s.wantsDays)} so far.`,
  crewFed: (s) => `There is film to eat: about ${s.portion} small cleaners.`,
  crewStarving: () => 'Too little film for those that are there.',
  crewHungry: () => 'The grazers find too little film: dried seaweed every other day, and no more of them.',
  feedCrew: () => 'Feed dried seaweed every other day, and add none.',
  addCrew: () => 'Mixed, then more as algae feeds them; look for parasites and eggs on the shells.',
  fishFallow: (s) => `After an outbreak it lies fallow, day ${s.day} of ${s.of} without fish.`,
  fishFallowUntil: (s, w) =>
    `No fish before ${w.written(s.day)}: one put in sooner feeds what is dying out, and the days begin again.`,
  outbreakFishIn: () => 'An outbreak is logged, and fish are still in.',
  allFishOut: (s) => `All fish out together; then it lies fallow for ${s.of} days.`,
  filterMoved: (s, w) =>
    `Rock and media went into ${s.into} on ${w.day(s.atMs)}, and what they had shown with them.`,
  enterItAnew: () => 'To fill this glass again, enter it as a new tank.',
  crewLately: () => 'The last cleaners came within a week: see first how much film they leave.',
  crewUnfed: () => 'Too little film was seen lately to feed more of them.',
  lookForFilm: () => 'Log the film on glass and rock when it shows.',
  glassFitsNoFish: (s, w) =>
    `No fish known here lives well in a glass of ${volume(s.glassL, w)}: the smallest want ${volume(s.minTankL, w)}.`,
  glassFitsNobody: (s, w) =>
    `Nothing known here lives well in a glass of ${volume(s.glassL, w)}: what wants least wants ${volume(s.minTankL, w)}.`,
  largerGlass: () => 'A larger glass is what it takes; Stock tells how all of it goes into one.',
  firstStep: () => 'The filter has shown enough for a small first step.',
  addFirst: () => 'A few small cleaners, or one small fish or pair after quarantine.',
  afterFirst: () => 'Judged from the first animals on.',
  ammoniaAfterStep: (s) => `Ammonia is ${s.ammonia} since the last addition.`,
  ammoniaZeroAgain: () => 'Feed less and wait for ammonia to read zero.',
  stepTestDue: (s) => `Day ${s.since} after the last addition: the day ${s.day} test is due.`,
  stepSettling: (s) => `Day ${s.since} after the last addition${s.isClear ? ', ammonia at zero' : ''}.`,
  stepCarried: (s) => `${s.since} days since the last addition, ammonia at zero.`,
  addFishAfterCrew: () =>
    'Of fish one small one or a pair first, after quarantine; of others one more small step.',
  addNext: () => 'One more small step, no more than doubling the feed in a month.',
  staleTests: (s) =>
    `The last ${named(s.parameters)} test${plural(s.parameters.length, ' is', 's are')} over three days old.`,
  unmeasured: (s) => `${capital(named(s.parameters))} must be known before going on.`,
  changedSinceTest: (s) =>
    `Much of the water was changed after ${named(s.parameters)} ${plural(s.parameters.length, 'was', 'were')} last tested: what it is now nobody knows.`,
  dosedSinceTest: () => 'Ammonia was dosed after the last test.',
  testDoseFrom: (s, w) => `Test ammonia and nitrite a day after it, on ${w.day(s.atMs)}.`,
  setupOpen: (s, w) =>
    `${s.left} essential point${plural(s.left, '', 's')} of setting up ${plural(s.left, 'is', 'are')} open, first: ${inUnits(setupTitle(s.first), w.units).toLowerCase()}.`,
  finishSetup: () => 'Date them under Setting up, on the bench.',
  coralUnmeasured: (s) => `For corals, ${named(s.parameters)} must be known from the last three days.`,
  coralAlkalinity: (s) =>
    `Alkalinity is ${dkh(s.alkalinity)}; corals want ${RULES.alkalinityMin} to ${RULES.alkalinityMax}, steady.`,
  coralOneAlkalinity: () => 'One alkalinity reading shows no steadiness.',
  coralUnsteady: (s) => `Alkalinity has moved by ${dkh(s.spread)} in two weeks.`,
  steadyAlkalinity: () => `Two weeks within ${RULES.alkalinitySpread} dKH open this.`,
  coralAmmonia: () => 'Corals wait for ammonia at zero.',
  coralBeforeDose: () => 'The proof dose comes first; it would harm them.',
  coralOne: () => 'A hardy coral may go in, one piece.',
  addCoral: () => 'Dip and inspect it, start low and dim.',
} satisfies Partial<Sentences>;

/** Each says what is risked, for animals of an owner in a hurry. */
const RISK_SENTENCES = {
  riskCopper: (s) =>
    `${s.name} has held copper. Rock, sand and silicone give it back for years, and it kills invertebrates and corals: they never go in.`,
  riskSign: (s, w) =>
    `A sign stands in ${s.name} since ${w.written(s.day)}. What ails them goes along, into a tank where it can hardly be treated.`,
  riskFallow: (s) =>
    `${s.name} lies fallow after an outbreak, day ${s.day} of ${s.of}: a fish now feeds the parasite that is dying out, and the days begin again.`,
  riskAside: (s, w) =>
    `It was set aside on arrival, ${w.written(s.day)}, and is not said to be sound yet: what ails it goes along.`,
  riskClock: (s) =>
    `Only ${s.day} of ${s.of} days in ${s.name} were seen clear. A parasite that shows later comes along, and every fish in the display may have to come out.`,
  riskNoQuarantine: () =>
    'It comes from no quarantine of yours. Whatever it carries goes into the display, where it can hardly be treated.',
  riskOtherDisplay: (s) => `It comes from ${s.name}: whatever lives there comes along.`,
  riskDisplay: (s, w) =>
    s.crew !== undefined
      ? `${s.name} itself says ${WORDS[s.word]} to more cleaners. ${sentence({ code: s.crew }, w)}`
      : s.fish === undefined
        ? `${s.name} itself says ${WORDS[s.word]}: its water or its filter is not ready for more.`
        : `No fish lives in ${s.name} yet, and ${s.fish} would come at once: one small fish or a pair first, the others once it has settled.`,
  riskCompany: (s, w) => sentence(s.finding, w),
  riskLoad: (s, w) => sentence(s.finding, w),
  riskNoLid: (s) => `${s.name} jumps, and there is no lid: it may be on the floor tomorrow.`,
  riskIntakes: (s) =>
    `The pump intakes of ${s.name} are not said to be guarded: an anemone that wanders is drawn in, dies and poisons the tank.`,
} satisfies Partial<Sentences>;

const SERVING = {
  asTold: (s, w) => `as told on ${w.written(s.day)}, before the log`,
  quarantineReady: () => 'Nobody is in it, and its water is fit.',
  quarantineTakes: () => 'Book animals in together: all in, all out.',
  quarantineUntested: (s) =>
    `Nobody is in it. Before anyone goes in, ${named(s.parameters)} must be known from the last three days.`,
  quarantineSign: () => 'A sign was seen: the clock stands still for all of them.',
  quarantineHealed: () => 'It starts again at day 1 once all of them are seen healed.',
  quarantineRunning: (s) => `${s.day} of ${s.of} days were seen clear.`,
  quarantineFreeOn: (s, w) => `Free on ${w.written(s.day)} if every day is looked at and clear.`,
  quarantineFree: (s) => `${s.days} days were seen clear.`,
  quarantineLetIn: () => 'Match the water, and let them in together.',
  holdingSteady: () => 'Nothing measured speaks against this water.',
  holdingEmpty: () => 'Nobody is in it.',
  holdingWatch: () => 'Keep it heated, moving and covered; ammonia rises fast in little water.',
  mixingReady: (s, w) => `The water is ${salt(s.salinity, w)}.`,
  mixingFit: () => 'Match temperature before it goes in.',
  outOfUse: (s, w) => `Out of use since ${w.written(s.day)}. Its log is kept.`,
  openAgain: () => 'It can be opened again at any time.',
} satisfies Partial<Sentences>;

const PROPOSALS = {
  proposeMoved: () =>
    'Rock or media from a running tank bring grown bacteria. A pinch of food keeps them fed.',
  proposeRots: () =>
    'Ocean rock that was dried rots by itself: that is your ammonia. A bottle of bacteria shortens the wait.',
  proposeCured: () => 'Cured rock carries bacteria. Small pinches of food feed them without overdoing it.',
  proposeDry: () =>
    'Dry rock brings neither. Bottled ammonia is exact and can be repeated for the proof; a bottle of bacteria shortens the wait.',
  proposeStocked: () =>
    'Animals are in, so no proof dose may be given any more: both at zero, and small steps from here.',
  proposeTransferSchool: () =>
    'The bacteria arrive grown: three daily zeros, fed, show that they came through.',
  proposeFirstFish: () => 'A fish is the source: it asks for a test every day and a water change ready.',
  proposePatient: () => 'What rots goes on for weeks: two quiet weeks after both are clear let it end.',
  proposeProof: () => 'It measures what the filter can do in a day, not only that the water is clear today.',
  proposeProofNow: () => 'Both are clear; a proof dose shows in a day what the filter can carry.',
} satisfies Partial<Sentences>;

const ALARMS = {
  ammoniaTooHigh: (s) =>
    `Ammonia is ${s.ammonia}: above ${(RULES.ammoniaStallMgN * PRINTED_PER_N.ammonia.ion).toFixed(0)} the second bacteria are held back.`,
  noMoreDose: (s) =>
    `Dose no more. Changing about ${Math.round(s.fraction * 100)} % of the water ` +
    `brings it down to about ${nh4Trimmed(s.toMgN)}; then test again.`,
  expiredKit: (s) =>
    `The ${PARAMETER_NAMES[s.parameter]} kit is past its date: its reading is kept, not trusted.`,
  newKit: (s) => `Repeat ${PARAMETER_NAMES[s.parameter]} with a kit in date.`,
  driftDoubt: (s) =>
    `The ${PARAMETER_NAMES[s.parameter]} instrument was found to have drifted: its readings since the last good calibration are kept, not trusted.`,
  readAgain: (s) => `Read ${PARAMETER_NAMES[s.parameter]} again with the corrected instrument.`,
  instrumentsDisagree: (s, w) =>
    `Two sources disagree on ${PARAMETER_NAMES[s.parameter]}: ${said(s.one, s.parameter, w)} against ${said(s.other, s.parameter, w)}. Calibrate before acting.`,
  nitrateDoubted: () => 'Nitrate reads too high while nitrite is present: kept, not trusted.',
  nutrientZero: (s) =>
    `${capital(PARAMETER_NAMES[s.parameter])} reads zero: with life in the tank that is a finding too. Slime and stringy brown films follow.`,
  unnamedAnimals: (s, w) =>
    `Animals are in it, as told on ${w.written(s.day)}, and none of them is named: ` +
    'name them under Stock, so that their load and who may join them can be reckoned.',
} satisfies Partial<Sentences>;

const AVOID = {
  avoidRaising: () => AVOID_WORDS.avoidRaising,
  avoidIce: () => AVOID_WORDS.avoidIce,
  avoidAcid: () => AVOID_WORDS.avoidAcid,
  avoidBuffer: () => AVOID_WORDS.avoidBuffer,
  avoidSaltIn: () => AVOID_WORDS.avoidSaltIn,
  noWaterReady: () => AVOID_WORDS.noWaterReady,
} satisfies Partial<Sentences>;

const COMPANY = {
  tooLargeForTank: (s, w) =>
    `${s.name} ${verb(s, 'grow')} to ${length(s.adultCm, w)} and ${verb(s, 'want')} a glass of ` +
    `${volume(s.minTankL, w)}; this one holds ${volume(s.glassL, w)}. ` +
    'Judge it by its adult size, not the size in the shop.',
  tooLongForTank: (s, w) =>
    `${s.name} ${verb(s, 'want')} ${length(s.minTankCm, w)} of length; this glass has ${length(s.lengthCm, w)}.`,
  jumpsNoLid: (s) => `${s.name} jumps, new ones most of all, and no lid is noted for this tank.`,
  noLid: () => 'No lid is noted for this tank. Nearly every fish may jump in its first days.',
  tooManyOfKind: (s) => `${s.name}: at most ${s.most} to a tank; this makes ${s.would}.`,
  tooFewOfKind: (s) =>
    `${s.name} lives in company: ${s.least} or more, let in on one day; this makes ${s.count}.`,
  rival: (s) =>
    `${s.name} and ${s.other} claim the same ground, both of the ${s.ground} kind${s.anywhere ? ', however large the glass' : ''}: expect a fight.`,
  sameGenus: (s) =>
    `${s.name} and ${s.other} are of one genus, ${s.genus}, and take each other for rivals${s.anywhere ? ', however large the glass' : ''}: expect a fight.`,
  lateComer: (s) => `${s.name} is territorial and there first: it will be hard on ${s.other}.`,
  territorialFirst: (s) => `${s.name} is territorial: it goes in last. As the first it owns the tank.`,
  firstThen: (s) =>
    `${s.name} first, ${s.other} after it: the gentler gets its place before the territorial.`,
  eats: (s) => `${s.name} may eat or harass ${s.other}.`,
  notAlwaysReefSafe: (s) => `${s.name} is not always safe with corals and clams.`,
  notReefSafe: (s) => `${s.name} is not safe with corals.`,
  stingReach: (s, w) =>
    `${s.name} stings up to ${length(s.reachCm, w)} beyond its edge: keep that much free around it.`,
  walksAndStings: (s) => `${s.name} may walk, and stings the corals it passes.`,
  podsShared: (s, w) =>
    `${s.name} and ${s.other} live on the same pods: each wants about ${volume(s.eachL, w)} of old tank.`,
  livesOnPods: (s) => `${s.name} lives on pods: be sure the tank feeds it before it comes home.`,
  wantsSand: (s) => `${s.name} needs a bed of sand, and none is noted here.`,
  wantsCaves: (s) => `${s.name} needs a cave of its own, and no rock is noted here.`,
  wantsAlgae: (s) => `${s.name} grazes all day: dried seaweed where the film is thin.`,
  tooWarmFor: (s, w) => `The water is ${heat(s.tempC, w)}; ${s.name} does well up to ${heat(s.high, w)}.`,
  tooColdFor: (s, w) => `The water is ${heat(s.tempC, w)}; ${s.name} does well from ${heat(s.low, w)} on.`,
  noCommonWater: (s) => `${s.name} and ${s.other} want different water: no temperature suits both.`,
  youngTank: (s) =>
    `${s.name} ${verb(s, 'want')} a tank settled for about ${s.wantsDays} days; this is day ${s.ageDays}.`,
  ageNotSaid: (s) =>
    `${s.name} ${verb(s, 'want')} a tank settled for about ${s.wantsDays} days; when this one was first filled is not said yet, under Edit.`,
  grownLoad: (s) =>
    `Grown up, all of them make ${s.mgN.toFixed(0)} mg N a day; the filter carries about ${s.carriesMgN.toFixed(0)} now and has to grow with them.`,
  delicate: (s) =>
    `${s.name} is delicate: many do not live through the first weeks. Pay only for one seen well: a fish eating, a coral or a clam open.`,
  hardToTakeOut: (s) => `${s.name} is hard to get out again without taking the rock apart: be sure first.`,
  littleToGraze: (s) => `Too little film was seen lately to feed ${listed(s.names)}.`,
  littleFalls: (s) =>
    `With ${listed(s.names)} the scavengers want ${s.wantsMgN.toFixed(1)} mg N a day in food, and about ${s.fallsMgN.toFixed(1)} falls past the others.`,
  littleSand: (s) =>
    `With ${listed(s.names)} the sifters want ${(s.wantsCm2 / s.sandCm2).toFixed(1)} times the open sand there is: they grow thin.`,
  firstCorals: (s) =>
    `No coral lives here yet, and ${s.pieces} pieces would come at once: one hardy piece first shows whether the water suits them.`,
  stayTogether: (s) =>
    s.eats
      ? `In one quarantine ${s.name} may eat or harass ${listed(s.others)}: there is no way out of its reach, for weeks.`
      : `In one quarantine ${s.name} fights ${listed(s.others)}: nobody can get away, for weeks.`,
  crewInSteps: (s) =>
    `So many of ${listed(s.names)} eat as ${Math.ceil(s.snails)} snails of usual size; about ${s.portion} at once find enough film.`,
} satisfies Partial<Sentences>;

const WARNINGS = {
  waterComesFirst: () => 'First the water: see Today.',
  noQuarantine: ({ line }) => {
    const mayGoWithout = line === 'invertebrate' || line === 'coral';
    return (
      `No quarantine for ${LINE_WORDS[line].toLowerCase()} is open: what a newcomer carries comes along. ` +
      `Open one before it is bought${mayGoWithout ? ', or say in the plan why it goes without' : ''}.`
    );
  },
  liesFallow: () => 'After an outbreak no fish is added before the days without them are over: see Today.',
  gateShut: () => 'The gate before it is not open yet: see Today.',
  lastStillSettling: () => 'The last addition is still settling: see Today.',
  testFirst: () => 'A test is due before anything goes in: see Today.',
  moreThanDouble: (s) =>
    `Would bring the daily load to ${s.mgN.toFixed(1)} mg N; no more than ${s.allowedMgN.toFixed(1)} within a month keeps the filter in step.`,
  twoInAWeek: () => 'Fish joined less than a week ago. One step at a time.',
  manyFirst: (s) =>
    `No fish lives here yet: one small fish or a pair first, not ${s.count}; the others once it has settled.`,
  noProof: () => 'No proof is logged, so nobody knows what this filter can carry.',
  overCeiling: (s) =>
    `The filter carries about ${s.carriesMgN.toFixed(0)} mg N a day at invisible ammonia; this makes ${s.mgN.toFixed(1)}.`,
  growsInto: (s) =>
    `The filter carries about ${s.carriesMgN.toFixed(0)} mg N a day at invisible ammonia; this makes ${s.mgN.toFixed(1)}. ` +
    'It grows into such a step within days: feed little at first, and test on the days after.',
  ammoniaPeak: (s) =>
    `Free ammonia is predicted to reach ${s.nh3MgN.toFixed(3)} mg/L NH₃-N; ${FREE_AMMONIA.longTerm} is the limit for long.`,
  ammoniaMayPeak: (s) =>
    `In one future of ten of this tank free ammonia would rise over ${s.nh3MgN.toFixed(3)} mg/L NH₃-N; ${FREE_AMMONIA.longTerm} is the limit for long. Fewer at a time, or wait and test.`,
} satisfies Partial<Sentences>;

const CAUSES = {
  volumeWrong: (s, w) =>
    `The water volume may be wrong: ${volume(s.fitsL, w)} instead of ${volume(s.netL, w)} would make it fit.`,
  ammoniaBasis: () =>
    `A kit’s basis may be mixed up: ammonia as N and as NH₄ differ by ${PRINTED_PER_N.ammonia.ion.toFixed(2)}. Check the kit’s record.`,
  nitrateBasis: () =>
    `The nitrate kit’s basis may be mixed up: as N and as NO₃ differ by ${PRINTED_PER_N.nitrate.ion.toFixed(1)}.`,
  oldKit: () => 'A kit is past its date: its readings are kept, not trusted.',
  nitriteInterference: () => 'Nitrate kits see nitrite as nitrate: wait for nitrite to clear and read again.',
  nitrateFromStart: () => 'Nitrate was there before anything was put in: it came with the water.',
  nitrateFromSource: () => 'The source water may bring nitrate: test it.',
  forgottenInput: () =>
    'A dose, food or something that died may not be logged: rock that rots does this too.',
  takenByAlgae: () => 'Algae and film have taken some up: they are logged.',
  lostToGas: () => 'Some may have gone to gas in rock and sand, or into algae.',
  forgottenChange: (s) =>
    `A water change of about ${Math.round(s.fraction * 100)} % not logged would explain it.`,
} satisfies Partial<Sentences>;

const DOSES = {
  doseTooMuch: (s) =>
    `That would make about ${nh4Trimmed(s.mgNPerL)}; above 4 to 5 the second bacteria are held back. Dose less, or wait.`,
  doseNotYet: (s) =>
    `There is still about ${nh4Trimmed(s.mgNPerL)} to clear: a dose now adds to the wait, not to the growth. It helps once ammonia reads zero.`,
} satisfies Partial<Sentences>;

const CANNOT = {
  nothingLogged: () =>
    'nothing is logged yet: an ammonia source and a first test of ammonia and nitrite start it.',
  noTrustedNitrogen: () =>
    'there is no trusted reading of ammonia or nitrite yet. One sitting with both starts it.',
  logTooLong: () =>
    'the log is over a year long: a forecast of a cycle would say nothing about a tank this old.',
  onlyZeros: () =>
    'all readings are zero and nothing to oxidise is logged: a zero before any rise says nothing about bacteria.',
  readingsContradict: () =>
    'the readings fit no course of what is logged. Repeat ammonia and nitrite with a kit in date, and log what is missing: a dose, food, something that died, a water change.',
} satisfies Partial<Sentences>;

const SENTENCES: Omit<Sentences, StepCode> = {
  ...GATES,
  ...RISK_SENTENCES,
  ...SERVING,
  ...PROPOSALS,
  ...ALARMS,
  ...LIVING_WORDS,
  ...AVOID,
  ...COMPANY,
  ...WARNINGS,
  ...CAUSES,
  ...DOSES,
  ...CANNOT,
};
