/** Door to practice, so that it is loaded only when asked for. */
import { begin, SCENARIOS, scenarioFrom, type Scenario } from '../../core/practice';
import type { Document } from '../../core/document';
import { localDay } from './time';
import type { PracticeRun } from './whose';

/** The scenario of a run. @throws Error where it is none */
export const scenarioOf = (run: PracticeRun): Scenario =>
  typeof run.scenario === 'string'
    ? (SCENARIOS.find((s) => s.id === run.scenario) ?? scenarioFrom(null))
    : scenarioFrom(run.scenario);

/** The document a practice tank begins with. */
export const begun = (run: PracticeRun): Document => begin(scenarioOf(run), run.startMs, localDay);
