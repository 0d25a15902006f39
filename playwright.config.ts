import { existsSync } from 'node:fs'
import { delimiter, join } from 'node:path'
import { defineConfig } from '@playwright/test'

const PORT = 4179

/** Debian's Chromium, wherever it is on the PATH. */
const executablePath = (process.env.PATH ?? '')
  .split(delimiter)
  .map((folder) => join(folder, 'chromium'))
  .find((file) => existsSync(file))

/** Serves the build that is there: `npm test` makes it first, and so does `vite build`. */
export default defineConfig({
  testDir: 'e2e',
  testMatch: '*.spec.ts',
  workers: 2,
  timeout: 60_000,
  expect: { timeout: 10_000 },
  reporter: [['list']],
  use: {
    baseURL: `http://localhost:${PORT}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath,
      args: [
        ...[
          '--no-sandbox',
          '--disable-gpu',
          '--disable-quic',
          '--no-first-run',
          '--disable-background-networking',
        ],
        ...['--disable-component-update', '--disable-sync'],
      ],
    },
  },
  webServer: {
    command: 'npx tsx src/server/main.ts',
    env: { PORT: String(PORT) },
    url: `http://localhost:${PORT}`,
    reuseExistingServer: false,
  },
})
