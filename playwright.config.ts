import { defineConfig } from '@playwright/test'
import { launchOptions } from './scripts/browser'

const PORT = 4179

/** Serves the build that is there: `npm test` makes it first, and so does `vite build`. */
export default defineConfig({
  testDir: 'e2e',
  testMatch: '*.spec.ts',
  workers: 2,
  // By story and not by file: no browser waits for the last long file.
  fullyParallel: true,
  // Limits are for what hangs: none of them is reached on a machine that four other programs keep busy.
  timeout: 180_000,
  // What passes only at its second try is named by `npm test`: a race in the product looks like that.
  retries: process.env['E2E_RETRIES'] ? Number(process.env['E2E_RETRIES']) : 0,
  expect: { timeout: 30_000 },
  reporter: [['list']],
  use: {
    baseURL: `http://localhost:${PORT}`,
    viewport: { width: 1280, height: 800 },
    // Lights rest, or two browsers paint glows all the while: a story that watches them asks for motion itself.
    contextOptions: { reducedMotion: 'reduce' },
    // Keeping a build for later takes each new context a while: the story that is about it asks for it.
    serviceWorkers: 'block',
    actionTimeout: 45_000,
    launchOptions,
  },
  webServer: {
    command: 'npx tsx src/server/main.ts',
    env: { PORT: String(PORT) },
    url: `http://localhost:${PORT}`,
    reuseExistingServer: false,
  },
})
