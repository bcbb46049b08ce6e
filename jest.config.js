/** Two projects: the core and the stores in plain Node, the components in jest-expo's web preset. */
const node = {
  displayName: 'core',
  testEnvironment: 'node',
  testMatch: ['<rootDir>/{core,src,demo,server}/**/*.test.ts'],
  transform: { '\\.[jt]sx?$': 'babel-jest' },
  transformIgnorePatterns: ['/node_modules/(?!(d3-[a-z]+|internmap|delaunator|robust-predicates)/)'],
};
const components = {
  displayName: 'components',
  preset: 'jest-expo/web',
  testMatch: ['<rootDir>/src/**/*.test.tsx'],
};
module.exports = { projects: [node, components] };
