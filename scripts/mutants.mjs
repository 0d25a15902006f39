// npm run mutants -- PATH [PATH …]: plants small faults in the code of folders or files, and counts how many the tests
// notice. Properties are tried fewer times than in npm test: a fault that needs luck to be seen is not noticed.
import { spawnSync } from 'node:child_process'
import { statSync } from 'node:fs'
import { installPackages, readJson } from './install.mjs'

const paths = process.argv.slice(2)
if (paths.length === 0) {
  console.error('say which folder or file, as in: npm run mutants -- src/core/motion')
  process.exit(2)
}
installPackages()
const globs = paths.flatMap((path) =>
  statSync(path).isDirectory() ? [`${path}/**/*.ts`, `!${path}/**/*.test*.ts`] : [path],
)
/** Tests beside the code, and where those of a folder are elsewhere, these. */
const NEAR = {
  'src/core/actions': ['src/core/onboard', 'src/core/compile'],
  'src/core/onboard': ['src/core/compile', 'src/core/hid'],
  'src/core/compile': ['src/core/document'],
  'src/core/document': ['src/core/compile', 'src/core/text'],
  'src/core/effects': ['src/core/light'],
  'src/core/checks': ['src/core/document'],
  'src/core/link': ['src/firmware'],
}
const folderOf = (path) => (statSync(path).isDirectory() ? path : path.slice(0, path.lastIndexOf('/')))
const near = paths.flatMap((path) => [folderOf(path), ...(NEAR[folderOf(path)] ?? [])])
const { status } = spawnSync('npx', ['stryker', 'run', '--mutate', globs.join(',')], {
  stdio: 'inherit',
  env: {
    ...process.env,
    UNIT_DEPTH: '0.2',
    UNIT_NEAR: near.map((folder) => `${folder}/**/*.test.ts`).join(','),
  },
})
if (status !== 0) process.exit(status ?? 1)

const NOTICED = ['Killed', 'Timeout']
const LEFT = ['Survived', 'NoCoverage']
console.log('\nnoticed\tof\tshare\tfile')
let [noticed, all] = [0, 0]
for (const [file, { mutants }] of Object.entries(readJson('.reports/mutants.json').files)) {
  const killed = mutants.filter(({ status }) => NOTICED.includes(status)).length
  const count = killed + mutants.filter(({ status }) => LEFT.includes(status)).length
  if (count > 0) console.log(`${killed}\t${count}\t${Math.round((100 * killed) / count)} %\t${file}`)
  noticed += killed
  all += count
}
console.log(`${noticed}\t${all}\t${((100 * noticed) / all).toFixed(1)} %\tall`)
