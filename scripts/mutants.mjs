// npm run mutants -- PATH [PATH …] [--one-in N]: makes small changes in the code of folders or files, and counts how
// many the tests detect. Property tests have fewer runs than in npm test, so faults that need luck are not detected.
// With --one-in it takes a sample: every Nth part of 12 lines of each file. Larger changes, such as a missing function,
// are not in a sample, so the result is rather too low than too high.
import { spawnSync } from 'node:child_process'
import { readdirSync, readFileSync, statSync } from 'node:fs'
import { parseArgs } from 'node:util'
import { installPackages, readJson } from './install.mjs'

const {
  values: { 'one-in': share },
  positionals: paths,
} = parseArgs({ options: { 'one-in': { type: 'string', default: '1' } }, allowPositionals: true })
const STRETCH = 12
if (paths.length === 0) {
  console.error('say which folder or file, as in: npm run mutants -- src/core/motion')
  process.exit(2)
}
installPackages()
const files = paths.flatMap((path) =>
  statSync(path).isDirectory()
    ? readdirSync(path, { recursive: true })
        .map((name) => `${path}/${name}`)
        .filter((name) => name.endsWith('.ts') && !/\.test(-support)?\.ts$/.test(name))
    : [path],
)
const chosen = share === '1' ? files : files.flatMap((file, index) => stretchesOf(file, index))
/** Neighbouring tests, and those of folders whose tests are elsewhere. */
const NEAR = {
  'src/core/actions': ['src/core/onboard', 'src/core/compile'],
  'src/core/onboard': ['src/core/compile', 'src/core/hid'],
  'src/core/compile': [
    'src/core/files',
    'src/core/edits',
    'src/simulator/dry-run.test.ts',
    'src/cli',
    'src/core/share',
  ],
  'src/core/document': ['src/core/files', 'src/core/edits', 'src/core/compile', 'src/core/text'],
  'src/core/wording': ['src/core/edits', 'src/core/checks'],
  'src/core/terms': ['src/core/edits', 'src/core/files', 'src/core/compile'],
  'src/core/edits': ['src/core/files', 'src/core/compile'],
  'src/core/files': ['src/core/share'],
  'src/core/effects': ['src/core/light'],
  'src/core/checks': ['src/core/edits'],
  'src/core/link': ['src/firmware'],
}
const folderOf = (path) => (statSync(path).isDirectory() ? path : path.slice(0, path.lastIndexOf('/')))
const near = paths.flatMap((path) => [folderOf(path), ...(NEAR[folderOf(path)] ?? [])])
const { status } = spawnSync('npx', ['stryker', 'run', '--mutate', chosen.join(',')], {
  stdio: 'inherit',
  env: {
    ...process.env,
    UNIT_DEPTH: '0.2',
    UNIT_NEAR: near.map((each) => (each.endsWith('.ts') ? each : `${each}/**/*.test.ts`)).join(','),
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
const of = share === '1' ? 'all' : `all, one stretch in ${share}`
console.log(`${noticed}\t${all}\t${((100 * noticed) / all).toFixed(1)} %\t${of}`)

/** Every Nth part of a file, starting with a different part in each file. */
function stretchesOf(file, index) {
  const lines = readFileSync(file, 'utf8').split('\n').length
  const stretches = []
  for (let at = (index % share) * STRETCH; at < lines; at += share * STRETCH)
    stretches.push(`${file}:${at + 1}-${Math.min(lines, at + STRETCH)}`)
  return stretches
}
