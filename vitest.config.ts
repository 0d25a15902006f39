import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    include: ['src/**/*.test.ts'],
    testTimeout: 60_000,
    // Tests that begin with an untouched browser delete databases that earlier ones still have open.
    onConsoleLog: (log) => !log.includes('wants to delete database'),
  },
})
