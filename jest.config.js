/**
 * Unit tests beside their files; those of the server need a database and have a run of their own. The runner takes them
 * in plain threads: in the default one's realm of its own every look at a global such as `Object` is some thirty times
 * slower, and the query builder looks a great deal.
 */
const shared = {
  runner: 'jest-light-runner',
  setupFiles: ['<rootDir>/scripts/testing/setUpTests.mjs'],
  extensionsToTreatAsEsm: ['.ts'],
  transform: {},
  testMatch: ['<rootDir>/**/*.test.ts'],
}

export default {
  // Only ends what hangs, on a machine under load; how fast anything is, the benchmarks say.
  testTimeout: 120_000,
  projects: [
    {
      ...shared,
      displayName: 'unit',
      roots: ['core', 'contract', 'demo', 'devices', 'web', 'scripts', 'benchmarks'].map(
        (room) => `<rootDir>/${room}`,
      ),
    },
    { ...shared, displayName: 'api', roots: ['<rootDir>/server'] },
  ],
}
