import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    // Mutation tests run those near what is mutated.
    include: process.env['UNIT_NEAR']?.split(',') ?? ['src/**/*.test.ts'],
    // One a core: by itself it leaves a core to the machine.
    maxWorkers: '100%',
    setupFiles: ['scripts/unit-setup.ts'],
    testTimeout: 60_000 * Math.max(1, Number(process.env['UNIT_DEPTH'] ?? 1)),
    // Tests that begin with an untouched browser delete databases that earlier ones still have open.
    onConsoleLog: (log) => !log.includes('wants to delete database'),
  },
})
