// npm start: installs what is missing, builds, serves.
import { installPackages, run } from './install.mjs'

installPackages()
if (run('npx', ['vite', 'build', '--logLevel', 'warn']) !== 0) {
  console.error('The build failed; see above.')
  process.exit(1)
}
process.exit(run('npx', ['tsx', 'src/server/main.ts']))
