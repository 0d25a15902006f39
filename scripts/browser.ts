import { existsSync } from 'node:fs'
import { delimiter, join } from 'node:path'

/** Debian's Chromium from the PATH, as started by tests, screenshots and benchmarks. */
export const launchOptions = {
  executablePath: (process.env.PATH ?? '')
    .split(delimiter)
    .map((folder) => join(folder, 'chromium'))
    .find((file) => existsSync(file)),
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
}
