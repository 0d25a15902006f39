// Installs what a fresh clone needs before it can run. Uses only Node's own modules.
import { spawn, spawnSync } from 'node:child_process'
import { existsSync, readFileSync, statSync } from 'node:fs'
import { delimiter, join } from 'node:path'

/** Runs a command with its output shown. @returns its exit code */
export function run(command, words, options = {}) {
  const { status } = spawnSync(command, words, { stdio: 'inherit', ...options })
  return status ?? 1
}

/** Runs a command and collects its output until it ends. @returns its exit code and its output */
export function runAside(command, words, options = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, words, { ...options, stdio: ['ignore', 'pipe', 'pipe'] })
    let output = ''
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (data) => (output += data))
    child.on('error', (error) => resolve({ status: 1, output: String(error) }))
    child.on('close', (status) => resolve({ status: status ?? 1, output }))
  })
}

/** Installs packages when they are missing or older than the lock file. */
export function installPackages() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major < 20 || (major === 20 && minor < 19)) {
    console.error(`Unisera needs Node 20.19 or later; this is ${process.versions.node}.`)
    process.exit(2)
  }
  const marker = 'node_modules/.package-lock.json'
  if (existsSync(marker) && statSync(marker).mtimeMs >= statSync('package-lock.json').mtimeMs) return
  console.log('Installing packages…')
  if (run('npm', ['ci']) !== 0) {
    console.error('The packages could not be installed; nothing else was changed. See above.')
    process.exit(1)
  }
}

/** Path of a Debian program for tests, installed if it is missing. */
export function debian(name) {
  const found = onPath(name)
  if (found) return found
  console.log(`Installing ${name} for the tests…`)
  run('apt-get', ['update', '-qq'])
  run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', name], {
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  })
  const installed = onPath(name)
  if (!installed) {
    console.error(`${name} is not on the PATH and could not be installed; the tests need it.`)
    process.exit(1)
  }
  return installed
}

export const readJson = (file) => JSON.parse(readFileSync(file, 'utf8'))

function onPath(name) {
  return (process.env.PATH ?? '')
    .split(delimiter)
    .map((folder) => join(folder, name))
    .find((file) => existsSync(file))
}
