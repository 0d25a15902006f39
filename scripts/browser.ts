import { existsSync } from 'node:fs'
import { delimiter, join } from 'node:path'

/** Debian's Chromium, wherever it is on the PATH, as tests, pictures and benches start it. */
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
