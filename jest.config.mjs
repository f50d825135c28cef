const swc = [
  '@swc/jest',
  {
    jsc: { parser: { syntax: 'typescript', tsx: true }, target: 'es2022', transform: { react: { runtime: 'automatic' } } },
    module: { type: 'commonjs' },
  },
];
const common = {
  transform: { '^.+\\.[cm]?[jt]sx?$': swc },
  transformIgnorePatterns: ['/node_modules/(?!(jsep|comlink|yup|delaunator|robust-predicates|recharts|d3-[a-z]+|internmap|es-toolkit)/)'],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
};
const config = {
  globalSetup: '<rootDir>/scripts/bundle-thread.mjs',
  projects: [
    { ...common, displayName: 'core', testEnvironment: 'node', testMatch: ['<rootDir>/tests/**/*.test.ts', '<rootDir>/src/**/*.test.ts'] },
    { ...common, displayName: 'ui', testEnvironment: 'jsdom', testMatch: ['<rootDir>/tests/**/*.test.tsx', '<rootDir>/src/**/*.test.tsx'] },
  ],
};
export default config;
