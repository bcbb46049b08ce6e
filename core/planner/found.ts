/** What a search is told, and what it finds. */
import type { Step } from './problem';
import type { Worth } from './label';

/** How a plan is looked for. */
export interface Search {
  /** False for many wishes: then only some batches are tried and nothing is proved. */
  exact: boolean;
  /** Of the beam that finds a first plan. */
  width: number;
  /** And of each later round of it. */
  wider?: readonly number[];
  /** Asked now and then. */
  mayGoOn: () => boolean;
}

export interface Found {
  steps: Step[];
  worth: Worth;
  /** Nothing better exists. */
  proved: boolean;
  /** No plan that places as much ends earlier. */
  lastAtLeast: number;
  /** At most so many can be placed, by level. */
  placedAtMost: number[];
  /** Partial plans that were looked at. */
  looked: number;
  /** It is better than the plan of a day before, which could be followed still; not all could be tried. */
  outdoesTold?: true;
}
