import { defineConfig } from 'vitest/config'

/** Mutation tests run those near what is mutated. */
const near = process.env['UNIT_NEAR']?.split(',')
const shared = {
  chaiConfig: { truncateThreshold: 0 },
  setupFiles: ['scripts/unit-setup.ts'],
  testTimeout: 60_000 * Math.max(1, Number(process.env['UNIT_DEPTH'] ?? 1)),
}

export default defineConfig({
  test: {
    // One a core: by itself it leaves a core to the machine.
    maxWorkers: '100%',
    // Tests that begin with an untouched browser delete databases that earlier ones still have open.
    onConsoleLog: (log) => !log.includes('wants to delete database'),
    projects: near
      ? [{ test: { ...shared, name: 'near', include: near } }]
      : [
          {
            test: {
              ...shared,
              name: 'pure',
              include: ['src/{core,firmware,cli,server,look,helper}/**/*.test.ts'],
              // Their modules keep no state of a browser, so a worker loads each of them once.
              isolate: false,
            },
          },
          {
            test: {
              ...shared,
              name: 'pages',
              include: ['src/{app,faults,messages,simulator,unplugged}/**/*.test.ts'],
            },
          },
        ],
  },
})
