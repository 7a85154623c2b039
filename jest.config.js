/** Unit tests beside their files; those of the server need a database and have a run of their own. */
const shared = {
  testEnvironment: 'node',
  extensionsToTreatAsEsm: ['.ts'],
  transform: {
    '^.+\\.ts$': [
      '@swc/jest',
      { jsc: { target: 'es2022', parser: { syntax: 'typescript' } }, module: { type: 'es6' } },
    ],
  },
  testMatch: ['<rootDir>/**/*.test.ts'],
}

export default {
  // Room for a machine under load; how fast anything is, the benchmarks say.
  testTimeout: 30_000,
  projects: [
    {
      ...shared,
      displayName: 'unit',
      roots: ['core', 'contract', 'demo', 'devices', 'web', 'scripts'].map((room) => `<rootDir>/${room}`),
    },
    { ...shared, displayName: 'api', roots: ['<rootDir>/server'] },
  ],
}
