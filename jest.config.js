/** Two projects: the core, the store and all plain functions in Node; the components in jest-expo's web preset. */
const modules =
  '(jest-)?react-native|@react-native(-community)?|@react-native-async-storage|idb|expo(nent)?|@expo(nent)?/.*|@expo-google-fonts/.*|react-navigation|@react-navigation/.*|react-native-svg|lucide-react-native|d3-[a-z]+|internmap';
const transformIgnorePatterns = [`/node_modules/(?!(${modules}))`];
const transform = { '\\.m?[jt]sx?$': '<rootDir>/scripts/jest.transform.cjs' };
// In Jest a name of the language is looked up through the sandbox each time; handed in, what computes much runs up to three times as fast.
const sandboxInjectedGlobals = [
  'Array',
  'Error',
  'Float64Array',
  'JSON',
  'Map',
  'Math',
  'Number',
  'Object',
  'Set',
  'String',
  'WeakMap',
];
const modulePathIgnorePatterns = ['<rootDir>/dist/', '<rootDir>/.cache/'];
const node = {
  displayName: 'core',
  sandboxInjectedGlobals,
  testEnvironment: 'node',
  testMatch: ['<rootDir>/{core,formats,src,demo,server,headless}/**/*.test.ts'],
  transform,
  transformIgnorePatterns,
  modulePathIgnorePatterns,
};
const components = {
  displayName: 'components',
  sandboxInjectedGlobals,
  preset: 'jest-expo/web',
  testMatch: ['<rootDir>/src/**/*.test.tsx'],
  setupFiles: ['jest.language', 'jest.styles', 'jest.react'].map((name) => `<rootDir>/scripts/${name}.cjs`),
  transform,
  moduleNameMapper: {
    '^react-native$': 'react-native-web',
    '^expo-router$': '<rootDir>/src/features/shell/testing/router.tsx',
  },
  transformIgnorePatterns,
  modulePathIgnorePatterns,
};
// A slow machine is no failure: a test stands or falls by what it says.
module.exports = { testTimeout: 60_000, projects: [node, components] };
