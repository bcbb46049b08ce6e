/** Adds Jest's counts, and the names of what failed, to files that test.sh sums up: jestCounts.mjs RESULTS COUNTS FAILURES. */
import { appendFileSync, readFileSync } from 'node:fs';

const [results, counts, failures] = process.argv.slice(2);
const run = JSON.parse(readFileSync(results, 'utf8'));
appendFileSync(counts, `${run.numPassedTests} ${run.numFailedTests + run.numRuntimeErrorTestSuites}\n`);
for (const suite of run.testResults.filter((s) => s.status === 'failed')) {
  const names = suite.assertionResults.filter((t) => t.status === 'failed').map((t) => t.fullName);
  for (const name of names.length > 0 ? names : ['did not run'])
    appendFileSync(failures, `${suite.name}: ${name}\n`);
}
