/** Mutation testing of one room: `npm run mutation -- ROOM`. Survivors and the score are printed and kept under reports/.
 *  Only the tests named for the room are run: the slow statistics of the forecast stay out. */
import { readdirSync, writeFileSync } from 'node:fs';
import { spawnSync } from 'node:child_process';

// Without the one of a long history, which takes most of the time and says how long, not what.
const VERDICT_TESTS = ['boundaries', 'readiness', 'animalsIn', 'situations'].map(
  (name) => `core/readiness/${name}.test.ts`,
);

const GATES = ['gates', 'found', 'cycle', 'proof', 'additions'].map((name) => `core/readiness/${name}.ts`);

/** What is mutated and which tests must notice. */
const ROOMS = {
  evidence: {
    mutate: ['core/evidence/*.ts'],
    tests: ['core/evidence/**', 'core/readiness/readiness.test.ts'],
  },
  living: {
    mutate: ['core/living/*.ts'],
    tests: ['core/living/**', 'core/readiness/situations.test.ts', 'core/readiness/serving.test.ts'],
  },
  // The verdict in two halves: each is done in the time one waits for.
  gates: { mutate: GATES, tests: VERDICT_TESTS },
  alarms: { mutate: ['core/readiness/*.ts', ...GATES.map((f) => `!${f}`)], tests: VERDICT_TESTS },
  quarantine: { mutate: ['core/quarantine/*.ts'], tests: ['core/quarantine/**'] },
  acclimation: { mutate: ['core/acclimation/*.ts'], tests: ['core/acclimation/**'] },
  seawater: {
    mutate: ['core/seawater/*.ts'],
    tests: ['core/seawater/**', 'core/testing/workedCases.test.ts'],
  },
  dosing: { mutate: ['core/dosing/*.ts'], tests: ['core/dosing/**', 'core/testing/calculators.test.ts'] },
  document: {
    mutate: ['core/document/*.ts'],
    tests: ['core/document/**'],
    // The schemas run once, when their module is loaded: each change to them would run every test. The published format holds them.
    ignoreStatic: true,
  },
  company: { mutate: ['core/company/*.ts'], tests: ['core/company/**'] },
  placement: { mutate: ['core/placement/*.ts'], tests: ['core/placement/**'] },
  store: { mutate: ['src/store/*.ts'], tests: ['src/store/**'] },
};

const [name = ''] = process.argv.slice(2);
const room = ROOMS[name];
if (!room) {
  console.error(`Name a room: ${Object.keys(ROOMS).join(', ')}. Got "${name}".`);
  process.exit(1);
}
// Texts are read by people, not by rules; limits are checked against the page written from them.
const config = {
  packageManager: 'npm',
  testRunner: 'jest',
  plugins: ['@stryker-mutator/jest-runner'],
  jest: {
    projectType: 'custom',
    configFile: `.cache/jest.mutation.${name}.cjs`,
    enableFindRelatedTests: false,
  },
  coverageAnalysis: 'perTest',
  ignoreStatic: room.ignoreStatic ?? false,
  // Limits are numbers in a table, held by the page written from them and by the boundary tests.
  mutate: [...room.mutate, '!**/*.test.ts', '!**/index.ts', '!**/limits.ts'],
  mutator: { excludedMutations: ['StringLiteral'] },
  ignorePatterns: [
    'dist',
    '.cache/bare',
    '.cache/shots',
    'reports',
    'docs/screenshots',
    'e2e',
    'test-results',
  ],
  concurrency: 2,
  timeoutMS: 8000,
  incremental: true,
  incrementalFile: `reports/mutation/${name}.incremental.json`,
  reporters: ['clear-text', 'json'],
  clearTextReporter: { allowColor: false, logTests: false, reportTests: false },
  jsonReporter: { fileName: `reports/mutation/${name}.json` },
  tempDirName: '.cache/stryker',
};
// One file that takes in all tests of the room: what they share is loaded once for each mutant, not once for each file.
const files = room.tests.flatMap((t) => {
  const [folder, all] = t.split('/**');
  return all === undefined
    ? [t]
    : readdirSync(folder).flatMap((f) => (f.endsWith('.test.ts') ? [`${folder}/${f}`] : []));
});
writeFileSync(
  `.cache/mutation.${name}.test.ts`,
  files.map((file) => `import '../${file.replace(/\.ts$/, '')}';\n`).join(''),
);
const jest = {
  rootDir: '..',
  setupFiles: ['<rootDir>/scripts/mutation.setup.cjs'],
  testMatch: [`<rootDir>/.cache/mutation.${name}.test.ts`],
  modulePathIgnorePatterns: [],
};
writeFileSync(
  `.cache/jest.mutation.${name}.cjs`,
  `const node = require('../jest.config.js').projects[0];\n` +
    `module.exports = { ...node, ...${JSON.stringify(jest)}, displayName: undefined };\n`,
);
writeFileSync(`.cache/stryker.${name}.json`, JSON.stringify(config, null, 2));
const run = spawnSync('npx', ['stryker', 'run', `.cache/stryker.${name}.json`], { stdio: 'inherit' });
process.exit(run.status ?? 1);
