/** Mutation testing: `npm run mutants -- src/core/motion`. What it found is in docs/testing.md. */
export default {
  testRunner: 'vitest',
  plugins: ['@stryker-mutator/vitest-runner'],
  vitest: { configFile: 'vitest.config.ts', related: false },
  coverageAnalysis: 'perTest',
  // Constants of a module are there before any test: each would need a run of all tests.
  ignoreStatic: true,
  // Words of messages are for people to judge.
  mutator: { excludedMutations: ['StringLiteral'] },
  concurrency: 2,
  timeoutMS: 6_000,
  tempDirName: '.stryker-tmp',
  reporters: ['clear-text', 'json'],
  jsonReporter: { fileName: '.reports/mutants.json' },
  clearTextReporter: { allowColor: false, logTests: false, reportTests: false },
}
