/** Adds Playwright's counts, and the names of what failed, to files that test.sh sums up. */
import { appendFileSync } from 'node:fs';
import type { FullResult, Reporter, Suite, TestCase } from '@playwright/test/reporter';

export default class CountReporter implements Reporter {
  private suite: Suite | null = null;

  onBegin(_config: unknown, suite: Suite): void {
    this.suite = suite;
  }

  onEnd(_result: FullResult): void {
    const tests: TestCase[] = this.suite?.allTests() ?? [];
    // Passed at the second try is passed; the list names it.
    const good = (t: TestCase) => t.outcome() === 'expected' || t.outcome() === 'flaky';
    const passed = tests.filter((t) => good(t) && t.results.length > 0).length;
    const failed = tests.filter((t) => !good(t) && t.outcome() !== 'skipped');
    const { ZOARIUM_COUNTS: counts, ZOARIUM_FAILURES: failures } = process.env;
    if (counts) appendFileSync(counts, `${passed} ${failed.length}\n`);
    if (failures) appendFileSync(failures, failed.map((t) => `${t.titlePath().join(' › ')}\n`).join(''));
  }
}
