// npm test: installs what is missing, then types, lint, dependency rules, unit tests, build, end-to-end tests. Ends
// with one line, `N passed, N failed`, over unit and end-to-end tests; exits with 1 if anything failed.
import { mkdirSync, rmSync, existsSync } from 'node:fs'
import { debian, installPackages, readJson, run, runAside } from './install.mjs'

const REPORTS = '.reports'
let passed = 0
let failed = 0

installPackages()
debian('chromium')
// Verifies signatures made by our own code, with an independent program.
debian('openssl')
rmSync(REPORTS, { recursive: true, force: true })
mkdirSync(REPORTS, { recursive: true })

/** Each uses one core, so two run at a time. */
const checks = [
  ['types', 'npx', ['vue-tsc', '--noEmit', '-p', 'tsconfig.json']],
  ['lint', 'npx', ['eslint', '.']],
  ['format', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']],
  [
    'dependency rules',
    'npx',
    ['depcruise', 'src', '--config', '.dependency-cruiser.cjs', '--output-type', 'err'],
  ],
  [
    'no circles between folders',
    'npx',
    ['depcruise', 'src', '--config', '.dependency-cruiser.folders.cjs', '--output-type', 'err'],
  ],
  ['unused code', 'npx', ['knip']],
]
const steps = [
  [
    'unit tests',
    'npx',
    ['vitest', 'run', '--reporter=default', '--reporter=json', `--outputFile=${REPORTS}/unit.json`],
  ],
  ['build', 'npx', ['vite', 'build', '--logLevel', 'warn']],
  ['end-to-end tests', 'npx', ['playwright', 'test', '--reporter=list,json']],
]

const broken = []
const took = (start) => `${((Date.now() - start) / 1000).toFixed(1)} s`

async function runChecks() {
  for (let check = checks.shift(); check; check = checks.shift()) {
    const [name, command, words] = check
    const start = Date.now()
    const { status, output } = await runAside(command, words, { env: { ...process.env, FORCE_COLOR: '0' } })
    if (status !== 0) broken.push(name)
    console.log(`\n== ${name}: ${took(start)}\n${output.trimEnd()}`)
  }
}
await Promise.all([runChecks(), runChecks()])

for (const [name, command, words] of steps) {
  const start = Date.now()
  console.log(`\n== ${name}`)
  const env = {
    ...process.env,
    PLAYWRIGHT_JSON_OUTPUT_NAME: `${REPORTS}/e2e.json`,
    E2E_RETRIES: '1',
    FORCE_COLOR: '0',
  }
  if (run(command, words, { env }) !== 0) broken.push(name)
  console.log(`== ${name}: ${took(start)}`)
}

const unit = report('unit')
passed += unit?.numPassedTests ?? 0
failed += unit?.numFailedTests ?? 0
// A file that cannot be loaded fails without a test.
failed +=
  unit?.testResults.filter((file) => file.status === 'failed' && file.assertionResults.length === 0).length ??
  1
const e2e = report('e2e')
passed += e2e ? e2e.stats.expected + e2e.stats.flaky : 0
failed += e2e ? e2e.stats.unexpected + e2e.errors.length : 1
for (const title of flakyIn(e2e?.suites ?? [])) console.log(`\nPassed at its second try only: ${title}`)

const others = broken.filter((name) => !name.endsWith('tests'))
if (broken.length > 0) console.log(`\nFailed: ${broken.join(', ')}`)
console.log(`\n${passed} passed, ${failed + others.length} failed`)
process.exit(broken.length > 0 || failed > 0 ? 1 : 0)

/** Stories that passed at their second attempt; each must be examined. */
function flakyIn(suites) {
  return suites.flatMap(({ suites: within = [], specs = [] }) => [
    ...specs
      .filter(({ tests }) => tests.some(({ status }) => status === 'flaky'))
      .map(({ file, title }) => `${file}, ${title}`),
    ...flakyIn(within),
  ])
}

function report(name) {
  const file = `${REPORTS}/${name}.json`
  return existsSync(file) ? readJson(file) : undefined
}
