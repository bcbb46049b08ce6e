/** Door to practice, so that it is loaded only when asked for. */
import { begin, SCENARIOS, scenarioFrom, type Scenario } from '../../core/practice';
import type { Document } from '../../core/document';
import { readDocument } from '../../core/document/checks';
import { localDay } from './time';
import { practiceBegunWith, type PracticeRun } from './whose';

/** The scenario of a run. @throws Error where it is none */
export const scenarioOf = (run: PracticeRun): Scenario =>
  typeof run.scenario === 'string'
    ? (SCENARIOS.find((s) => s.id === run.scenario) ?? scenarioFrom(null))
    : scenarioFrom(run.scenario);

/** The document a practice tank begins with: of a run from a file, what its player had logged. */
export function begun(run: PracticeRun): Document {
  const text = practiceBegunWith();
  const held = text === null ? null : readDocument(text);
  return held?.status === 'ok' ? held.document : begin(scenarioOf(run), run.startMs, localDay);
}
