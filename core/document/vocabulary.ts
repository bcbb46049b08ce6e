/** The fixed names of the document: what schema, screens and rules choose from. No checks here, so that what only names things
 *  carries none along. */
import { TAKEN } from './limits';

export const FORMAT = 'zoarium';

export const VERSION = 12;

/** The person's own parameters, six at most: what they are called stands in the collection of that name. */
export const OWN_PARAMETERS = ['own1', 'own2', 'own3', 'own4', 'own5', 'own6'] as const;
export type OwnParameter = (typeof OWN_PARAMETERS)[number];
export const PARAMETERS = [
  'temperature',
  'salinity',
  'ph',
  'alkalinity',
  'calcium',
  'magnesium',
  'ammonia',
  'freeAmmonia',
  'nitrite',
  'nitrate',
  'phosphate',
  'silicate',
  'oxygen',
  'orp',
  'tdsSource',
  'tdsMembrane',
  'tdsResin',
  'par',
  ...OWN_PARAMETERS,
] as const;
export type Parameter = (typeof PARAMETERS)[number];

export const SCHOOLS = [
  'proof24',
  'zeroZero',
  'patient',
  'watchGlass',
  'matureTransfer',
  'firstFish',
  'coralsFirst',
] as const;
export type School = (typeof SCHOOLS)[number];

export const AMMONIA_SOURCES = ['bottled', 'seafood', 'feeding', 'dieOff', 'fish'] as const;
/** What the rock was: mined or made and dry, cured live rock, ocean rock dried out (it rots), or out of a running tank. */
export const ROCK_KINDS = ['dryMade', 'cured', 'driedOcean', 'running'] as const;
export const BACTERIA_SOURCES = ['bottle', 'media', 'liveSand'] as const;

export const MAX_NAME = TAKEN.name;

export const MAX_NOTE = TAKEN.note;

export const MAX_PLAN = TAKEN.plan;

export const FOODS = ['pellets', 'frozen', 'seafood'] as const;
/** What was left of a strip of seaweed after half a day. */
export const STRIP_LEFT = ['none', 'some', 'most'] as const;
export const FILMS = ['brown', 'green', 'hair', 'slime', 'stringy', 'coralline'] as const;
/** `oldTank` is everything of a running tank moved over in a day: rock, media, livestock. */
export const SEEDS = ['bottle', 'media', 'rock', 'liveSand', 'oldTank'] as const;
export const SMELLS = ['none', 'sea', 'earthy', 'rotten', 'chemical'] as const;
export const SOUNDS = ['usual', 'gurgling', 'rattling', 'silent'] as const;
export const CLARITIES = ['clear', 'hazy', 'cloudy', 'yellow'] as const;
export const DOSED = ['alkalinity', 'calcium', 'magnesium'] as const;

export const SETUP_ITEMS = [
  'floor',
  'power',
  'place',
  'leakTest',
  'overflow',
  'drainDown',
  'rockFirm',
  'sandRinse',
  'sandBefore',
  'heaterBucket',
  'topOffStop',
  'lidReady',
  'waterMade',
  'saltMixed',
  'fillSlow',
  'heatFirst',
  'saltTest',
  'secondThermometer',
  'flowOn',
  'waterLine',
  'sandAfter',
  'lightsOff',
  'lightsOn',
  'lidOn',
] as const;
/** The seven points of a quarantine's kit, ticked off in the same collection. */
export const QUARANTINE_KIT = [
  'qHeater',
  'qFilter',
  'qTools',
  'qCover',
  'qShelter',
  'qLight',
  'qSpareWater',
] as const;

/** How a skimmer foams while it breaks in. */
export const FOAMS = ['none', 'wet', 'right', 'flood'] as const;
export type Foam = (typeof FOAMS)[number];
export const RODI_STAGES = ['sediment', 'carbon', 'membrane', 'resin'] as const;
export const EQUIPMENT_KINDS = [
  'heater',
  'pump',
  'skimmer',
  'light',
  'filter',
  'topOff',
  'rodi',
  'probe',
  'consumable',
  'other',
] as const;

/** What a body of water is for. A display is what the others serve. */
export const WATER_KINDS = ['display', 'quarantine', 'holding', 'mixing'] as const;
export type WaterKind = (typeof WATER_KINDS)[number];
/** Whom a quarantine is for: each line has nets, siphon and rules of its own. */
export const QUARANTINE_LINES = ['fish', 'invertebrate', 'coral', 'anemone'] as const;
export type QuarantineLine = (typeof QUARANTINE_LINES)[number];

/** Where a display stood when its log began, as told. */
export const STAGES = ['empty', 'filling', 'cycling', 'bothZero', 'animalsIn', 'moving'] as const;
export type Stage = (typeof STAGES)[number];

/** Why an animal is gone. `notSaid` is what older files hold. */
export const GONE_REASONS = ['died', 'rehomed', 'returned', 'eaten', 'missing', 'notSaid'] as const;
export type GoneReason = (typeof GONE_REASONS)[number];

/** Where animals come from. */
export const SOURCES = ['shop', 'ownTank', 'keeper', 'sea'] as const;

/** What the look into each on arrival may find. */
export const FOUND_ON_ARRIVAL = ['parasites', 'eggs', 'shellOrFoot', 'tissue', 'weak'] as const;

/** What may speak against letting an animal in. */
export const RISKS = [
  'riskCopper',
  'riskSign',
  'riskAside',
  'riskFallow',
  'riskClock',
  'riskNoQuarantine',
  'riskOtherDisplay',
  'riskDisplay',
  'riskNoLid',
  'riskIntakes',
  'riskCompany',
  'riskLoad',
] as const;

/** What is switched off for some work, and has to go on again. */
export const SWITCHED = ['topOff', 'heater', 'pumps', 'skimmer', 'light', 'dosing'] as const;
export type Switched = (typeof SWITCHED)[number];
/** What a column of a foreign table holds. */
export const COLUMN_ROLES = [
  'when',
  'day',
  'clock',
  'water',
  'waterId',
  'sample',
  'parameter',
  'value',
  'unit',
  'basis',
  'kit',
  'kitId',
  'doubted',
  'corrected',
  'photo',
  'note',
  'reading',
  'ignore',
] as const;
export const DATE_ORDERS = ['ymd', 'dmy', 'mdy'] as const;
export const SEPARATORS = [',', ';', '\t', '|'] as const;

/** How the water moves at a place. */
export const FLOWS = ['low', 'medium', 'high'] as const;
export const TEMPERAMENTS = ['gentle', 'firm', 'territorial'] as const;
/** Whether it leaves corals alone. */
export const REEF_SAFE = ['yes', 'caution', 'no'] as const;
/** Dates of the start a plan is made with: the middle of the forecast, or its late end. */
export const PLANS = ['likely', 'cautious'] as const;

/** What happens to a water besides its care, and may be followed by ammonia. */
export const INCIDENTS = [
  'foodSpilled',
  'filterCleaned',
  'filterOff',
  'powerCut',
  'medicine',
  'algaeHarvested',
  'contaminated',
  'outbreak',
] as const;
export type IncidentKind = (typeof INCIDENTS)[number];
/** What the first fill was made of. */
export const FILLED_WITH = ['rodi', 'boughtFresh', 'boughtSalt', 'natural', 'tap'] as const;
/** What the supplier of tap water keeps it clean with. */
export const TAP_HOLDS = ['chlorine', 'chloramine', 'unknown'] as const;

/** How nitrite counts at the end of a cycle: as the sign that the second bacteria are missing, or by what it does to fish in sea water. */
export const NITRITE_WEIGHTS = ['strict', 'seaWater'] as const;
export const SIGNS = [
  'spots',
  'fastBreathing',
  'scratching',
  'notEating',
  'clampedFins',
  'cloudyEyes',
  'sores',
  'hiding',
  'pests',
  'eggs',
  'slime',
  'recession',
  'notOpening',
  'notMoving',
  'overturned',
] as const;
/** What a treatment may hide: the signs it is looked for by, or the ammonia a kit would show. */
export const HIDDEN_BY_TREATMENT = ['signs', 'ammonia'] as const;
/** What it holds, as far as it matters for those who live in the water or ever will. */
export const TREATMENT_HOLDS = ['copper', 'antibiotic', 'other'] as const;

export const DRIP_CHECKS = [
  'toppedOff',
  'topOffUnplugged',
  'lidOn',
  'lightsLow',
  'topOffBackOn',
  'dripWaterReplaced',
] as const;
/** Ways out of the bag. `cleanWater`: by temperature into clean water of the bag's own salinity, and the drip in that. */
export const BAG_WAYS = ['slowDrip', 'quickDrip', 'temperatureOnly', 'cleanWater'] as const;
/** What one animal of a group was found to be on arrival. */
export const FOUND_TO_BE = ['sound', 'setAside', 'dead'] as const;
/** What a dip of a coral may wash off. */
export const FOUND_IN_DIP = ['nothing', 'worms', 'nudibranchs', 'crabs', 'eggs', 'slime'] as const;

/** Every collection of the document, in the order of the file. */
export const COLLECTION_NAMES = [
  'settings',
  'waters',
  'kits',
  'samples',
  'events',
  'animals',
  'looks',
  'drips',
  'calibrations',
  'targets',
  'ownParameters',
  'tasks',
  'setup',
  'equipment',
  'forecasts',
  'treatments',
  'purchases',
  'species',
  'plans',
  'agenda',
  'mappings',
  'photos',
  'cards',
  'mixes',
  'monitors',
  'monitorDays',
  'tombstones',
] as const;
export type CollectionName = (typeof COLLECTION_NAMES)[number];
