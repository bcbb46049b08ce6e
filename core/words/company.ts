/** What animals live on, and what they may eat of ours. */
import type { Severity } from '../company';
import type { PreyKind, Species } from '../species';
import type { SourceClass } from '../species/fields';
import type { CompanyCode, Statement } from '../statements';

export const DIET_WORDS: Record<Species['diet'][number], string> = {
  algae: 'algae',
  detritus: 'leftovers',
  meaty: 'meaty food',
  plankton: 'plankton',
  pods: 'pods',
  sponges: 'sponges',
  light: 'light',
};

export const PREY_WORDS: Record<PreyKind, string> = {
  snails: 'snails',
  shrimp: 'shrimps',
  crabs: 'crabs',
  smallFish: 'small fish',
  worms: 'worms',
  clams: 'clams',
  corals: 'corals',
  softCorals: 'soft corals',
  zoanthids: 'zoanthids',
  fleshyCorals: 'fleshy corals',
  smallPolypCorals: 'small-polyped corals',
};

/** What would lift it; null where nothing does. */
const LIFTS: Record<CompanyCode, string | null> = {
  tooLargeForTank: 'Only a larger glass, planned before it is bought.',
  tooLongForTank: 'Only a longer glass.',
  jumpsNoLid: 'A lid or a net without gaps.',
  noLid: 'A lid or a net without gaps.',
  tooManyOfKind: 'Fewer of them.',
  tooFewOfKind: 'More of them on the same day.',
  rival: 'A glass large enough for both; then the gentler first, or both on one day.',
  sameGenus: 'A glass large enough for both; then the gentler first, or both on one day.',
  lateComer: 'The rock moved on the day, a divider for a week, a place to hide.',
  territorialFirst: 'Others first.',
  firstThen: null,
  eats: 'Well fed, watched, and a way to take it out.',
  notAlwaysReefSafe: 'Well fed, watched, and a way to take it out.',
  notReefSafe: 'A tank without corals.',
  stingReach: 'A place with that much free around it, also when it has grown.',
  walksAndStings: 'A rock of its own with sand around it; intakes guarded.',
  podsShared: 'One of them, or pods bred and added.',
  livesOnPods: 'Pods seen at night on the glass, and a culture beside the tank.',
  wantsSand: 'A bed of fine sand.',
  wantsCaves: 'Rock with holes.',
  wantsAlgae: null,
  tooWarmFor: 'Cooler water, all year.',
  tooColdFor: 'Warmer water, slowly.',
  noCommonWater: null,
  youngTank: 'Time.',
  ageNotSaid: 'Say under Edit when it was first filled.',
  grownLoad: 'Steps that never more than double the load in a month, each tested.',
  delicate: null,
  hardToTakeOut: null,
  littleToGraze: 'Film that stands: log it when it shows.',
  littleFalls: 'Fewer, or fed on purpose after lights out.',
  littleSand: 'Fewer of them.',
  firstCorals: 'One now, the others a fortnight later.',
  stayTogether: 'A divider between them, or a stay for each.',
  crewInSteps: 'In steps, the next a week later while film stands.',
};
export const liftWords = (says: Statement): string | null =>
  'anywhere' in says && says.anywhere
    ? 'One of them.'
    : ((LIFTS as Record<string, string | null>)[says.code] ?? null);

export const SOURCE_WORDS: Record<SourceClass, string> = {
  fieldGuide: 'field guides',
  tradePractice: 'traders and keepers',
  measured: 'measured',
};

/** One word for how grave it is. */
export const severityWord = ({ severity, lasting }: { severity: Severity; lasting: boolean }): string =>
  severity === 'no' ? (lasting ? 'No' : 'Not yet') : severity === 'onlyIf' ? 'Only if' : 'Mind';
