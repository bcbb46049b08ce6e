/** What was found of a company: how grave, whom it takes, and whether waiting or doing something lifts it. */
import type { SourceClass } from '../species/fields';
import type { CompanyCode, StatementOf } from '../statements';

/** `no`: it goes wrong. `onlyIf`: it goes well where what lifts it is seen to. `note`: to be known. */
export type Severity = 'no' | 'onlyIf' | 'note';

export interface Finding {
  severity: Severity;
  /** No waiting helps, and nothing that is done to this tank: another glass, or another animal. */
  lasting: boolean;
  /** Those it takes: without any one of them it is gone. */
  ids: readonly string[];
  says: StatementOf<CompanyCode>;
  source: SourceClass;
}

type Kind = Pick<Finding, 'severity' | 'lasting' | 'source'>;

/** Gravity and source of each, where the case does not say otherwise. */
const KINDS: Record<CompanyCode, Kind> = {
  tooLargeForTank: { severity: 'no', lasting: true, source: 'tradePractice' },
  tooLongForTank: { severity: 'no', lasting: true, source: 'tradePractice' },
  jumpsNoLid: { severity: 'no', lasting: false, source: 'tradePractice' },
  noLid: { severity: 'onlyIf', lasting: false, source: 'tradePractice' },
  tooManyOfKind: { severity: 'no', lasting: true, source: 'tradePractice' },
  tooFewOfKind: { severity: 'onlyIf', lasting: false, source: 'tradePractice' },
  rival: { severity: 'no', lasting: true, source: 'tradePractice' },
  sameGenus: { severity: 'no', lasting: true, source: 'tradePractice' },
  lateComer: { severity: 'onlyIf', lasting: false, source: 'tradePractice' },
  territorialFirst: { severity: 'onlyIf', lasting: false, source: 'tradePractice' },
  firstThen: { severity: 'note', lasting: false, source: 'tradePractice' },
  eats: { severity: 'onlyIf', lasting: true, source: 'fieldGuide' },
  notAlwaysReefSafe: { severity: 'onlyIf', lasting: true, source: 'tradePractice' },
  notReefSafe: { severity: 'note', lasting: true, source: 'tradePractice' },
  stingReach: { severity: 'onlyIf', lasting: true, source: 'tradePractice' },
  walksAndStings: { severity: 'onlyIf', lasting: true, source: 'tradePractice' },
  podsShared: { severity: 'onlyIf', lasting: false, source: 'tradePractice' },
  livesOnPods: { severity: 'note', lasting: false, source: 'fieldGuide' },
  wantsSand: { severity: 'no', lasting: false, source: 'fieldGuide' },
  wantsCaves: { severity: 'onlyIf', lasting: false, source: 'tradePractice' },
  wantsAlgae: { severity: 'note', lasting: false, source: 'fieldGuide' },
  tooWarmFor: { severity: 'onlyIf', lasting: false, source: 'fieldGuide' },
  tooColdFor: { severity: 'onlyIf', lasting: false, source: 'fieldGuide' },
  noCommonWater: { severity: 'no', lasting: true, source: 'fieldGuide' },
  youngTank: { severity: 'onlyIf', lasting: false, source: 'tradePractice' },
  ageNotSaid: { severity: 'onlyIf', lasting: false, source: 'tradePractice' },
  grownLoad: { severity: 'onlyIf', lasting: false, source: 'measured' },
  delicate: { severity: 'note', lasting: false, source: 'tradePractice' },
  hardToTakeOut: { severity: 'note', lasting: false, source: 'tradePractice' },
  littleToGraze: { severity: 'onlyIf', lasting: false, source: 'tradePractice' },
  littleFalls: { severity: 'onlyIf', lasting: false, source: 'tradePractice' },
  littleSand: { severity: 'onlyIf', lasting: false, source: 'tradePractice' },
  crewInSteps: { severity: 'onlyIf', lasting: false, source: 'tradePractice' },
  firstCorals: { severity: 'onlyIf', lasting: false, source: 'tradePractice' },
  stayTogether: { severity: 'onlyIf', lasting: false, source: 'tradePractice' },
};

/** @param as where this case is graver or lighter than usual */
export const finding = (
  ids: readonly string[],
  says: StatementOf<CompanyCode>,
  as: Partial<Omit<Kind, 'source'>> = {},
): Finding => ({ ...KINDS[says.code], ...as, ids, says });
