// npm start: installs missing packages, builds and serves. When it exits, its child processes exit too.
import { spawn } from 'node:child_process'
import { installPackages } from './install.mjs'

let child
let ending = false
for (const signal of ['SIGTERM', 'SIGINT', 'SIGHUP'])
  process.on(signal, () => {
    ending = true
    if (child) child.kill(signal)
    else process.exit(0)
  })

/** Runs a Node program, shows its output, and lets it detect when this process exits. @returns its exit code */
function runNode(words) {
  return new Promise((resolve) => {
    child = spawn(process.execPath, words, { stdio: ['inherit', 'inherit', 'inherit', 'ipc'] })
    child.on('error', () => resolve(1))
    child.on('exit', (status) => resolve(ending ? 0 : (status ?? 1)))
  })
}

installPackages()
const built = await runNode(['node_modules/vite/bin/vite.js', 'build', '--logLevel', 'warn'])
if (ending) process.exit(0)
if (built !== 0) {
  console.error('The build failed; see above. Nothing was served.')
  process.exit(1)
}
process.exit(await runNode(['--import', 'tsx', 'src/server/main.ts']))
