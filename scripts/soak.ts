import { spawn } from 'node:child_process'
import { readdirSync, readFileSync } from 'node:fs'
import { chromium, type CDPSession, type Page } from '@playwright/test'
import { itemAt } from '../src/core/base/items'
import { launchOptions } from './browser'

/**
 * npm run soak: effects of long use: heap and processor with an open profile and moving lights, the worker of the
 * devices without a viewer, and two thousand edits undone and redone. Uses the existing build; SOAK_MINUTES (10; 0
 * skips the long parts), SOAK_EDITS (2000) and SOAK_TRIES (5) shorten it. Exits with 1 if a limit is exceeded.
 */
const PORT = 4184
const AT = `http://localhost:${PORT}`
const MINUTES = Number(process.env.SOAK_MINUTES ?? 10)
const EDITS = Number(process.env.SOAK_EDITS ?? 2000)
const TRIES = Number(process.env.SOAK_TRIES ?? 5)
const MINUTE_MS = 60_000
let missed = 0

/** Prints a figure with its limit. */
function checkLimit(what: string, value: number, limit: number, digits = 2): void {
  const kept = value <= limit
  if (!kept) missed++
  console.log(`${kept ? 'kept  ' : 'MISSED'} ${what}: ${value.toFixed(digits)} (limit ${limit})`)
}

const median = (values: readonly number[]): number =>
  itemAt(
    [...values].sort((a, b) => a - b),
    Math.floor(values.length / 2),
  )

const minutes = (count: number): Promise<void> =>
  new Promise((resolve) => setTimeout(resolve, count * MINUTE_MS))

/** Bytes of reachable JavaScript objects. */
async function heapBytes(cdp: CDPSession): Promise<number> {
  // Objects freed by the first collection may hold more.
  for (let times = 0; times < 3; times++) await cdp.send('HeapProfiler.collectGarbage')
  return (await cdp.send('Runtime.getHeapUsage')).usedSize
}

/** Processor seconds of threads with a name, in all browsers started here. */
function threadSeconds(name: string): number {
  let ticks = 0
  for (const pid of readdirSync('/proc').filter((each) => /^\d+$/.test(each))) {
    try {
      for (const thread of readdirSync(`/proc/${pid}/task`)) {
        const stat = readFileSync(`/proc/${pid}/task/${thread}/stat`, 'utf8')
        if (!stat.includes(`(${name}`)) continue
        const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ')
        ticks += Number(fields[11]) + Number(fields[12])
      }
    } catch {
      // It has ended meanwhile.
    }
  }
  return ticks / 100
}

async function taskSeconds(cdp: CDPSession): Promise<number> {
  const { metrics } = await cdp.send('Performance.getMetrics')
  return metrics.find(({ name }) => name === 'TaskDuration')?.value ?? 0
}

/** An open profile with moving lights: its reachable memory does not grow. */
async function playing(page: Page, cdp: CDPSession): Promise<void> {
  await page.goto(`${AT}/profile/demo-1/light`)
  await page.getByRole('heading', { name: 'What the lights show' }).waitFor()
  await minutes(1)
  const first = await heapBytes(cdp)
  const [before, workerBefore] = [await taskSeconds(cdp), threadSeconds('SharedWorker th')]
  await minutes(MINUTES - 1)
  const share = (after: number, from: number) => (100 * (after - from)) / (60 * (MINUTES - 1))
  const [busy, worker] = [
    share(await taskSeconds(cdp), before),
    share(threadSeconds('SharedWorker th'), workerBefore),
  ]
  const last = await heapBytes(cdp)
  console.log(`       lights of a mouse: page ${busy.toFixed(1)} % of a core, worker ${worker.toFixed(1)} %`)
  console.log(
    `       heap ${(first / 1e6).toFixed(2)} MB after a minute, ${(last / 1e6).toFixed(2)} MB in the end`,
  )
  checkLimit(`heap after ${MINUTES} minutes with lights playing, times that of the first`, last / first, 1.1)
}

/** The worker, with the application open and no device visible. */
async function nobodyLooks(page: Page): Promise<void> {
  await page.goto(`${AT}/library`)
  await page.getByRole('list', { name: 'Profiles' }).waitFor()
  await minutes(0.2)
  const before = threadSeconds('SharedWorker th')
  await minutes(1)
  checkLimit(
    'worker while nobody looks, % of a core',
    (100 * (threadSeconds('SharedWorker th') - before)) / 60,
    5,
  )
}

/**
 * One input bound repeatedly, each edit made {@link TRIES} times, undone after each and redone at last. The time is
 * measured on the page's thread from pressing Set to the updated cell, relative to constant work done just before (the
 * speed of these machines varies by half within minutes); the minimum counts, because single slow runs come from the
 * machine or from memory management. The pointer is sent to a button's position, because looking it up by role would be
 * counted too.
 */
async function edits(page: Page, cdp: CDPSession): Promise<void> {
  // Lights are still, or their time would be counted with each edit.
  await page.emulateMedia({ reducedMotion: 'reduce' })
  await page.goto(`${AT}/profile/demo-1/buttons`)
  const cell = page.locator('[data-cell="side-front 0"]')
  await cell.click()
  const field = page.getByRole('combobox', { name: 'Action of Side, front', exact: true })
  const middleOf = async (name: string | RegExp) => {
    const box = await page.getByRole('button', { name, exact: true }).boundingBox()
    if (!box) throw new Error(`there is no button ${name} to press`)
    return [box.x + box.width / 2, box.y + box.height / 2] as const
  }
  const press = async ([x, y]: readonly [number, number], shows: string) => {
    const before = await taskSeconds(cdp)
    await page.mouse.click(x, y)
    await page.waitForFunction(
      (wanted) => document.querySelector('[data-cell="side-front 0"]')?.textContent.includes(wanted),
      shows,
    )
    return 1000 * ((await taskSeconds(cdp)) - before)
  }
  await field.fill('f8')
  const set = await middleOf('Set')
  await press(set, 'F8')
  const begun = await heapBytes(cdp)
  // Undo steps grow with the edits, up to two hundred.
  let heap = begun
  const [undo, redo] = [await middleOf(/^Undo/), await middleOf(/^Redo/)]
  const same = async () => {
    const before = await taskSeconds(cdp)
    await page.evaluate(() => {
      let sum = 0
      for (let at = 1; at < 1_500_000; at++) sum += Math.sqrt(at) % 7
      return sum
    })
    return 1000 * ((await taskSeconds(cdp)) - before)
  }
  const make = async (key: string) => {
    await field.fill(key.toLowerCase())
    const reference = await same()
    const ms = await press(set, key)
    all.push(ms)
    return ms / reference
  }
  const all: number[] = []
  const took: number[] = []
  for (let edit = 0; edit < EDITS; edit++) {
    const [key, earlier] = [`F${5 + (edit % 4)}`, `F${5 + ((edit + 3) % 4)}`]
    const tries: number[] = []
    for (let time = 0; time < TRIES; time++) {
      tries.push(await make(key))
      await press(undo, earlier)
    }
    took.push(Math.min(...tries))
    await press(redo, key)
    if (edit % 100 === 99) {
      const bytes = await heapBytes(cdp)
      if (edit === 99) heap = bytes
      const mb = (bytes / 1e6).toFixed(2)
      const [ms, times] = [median(all.slice(-100 * TRIES)).toFixed(1), median(took.slice(-100)).toFixed(2)]
      console.log(
        `       ${edit + 1} edits, the last hundred ${ms} ms each, ${times} times the reference (at most ${Math.max(...took).toFixed(2)} so far), heap ${mb} MB`,
      )
    }
  }
  const first = median(took.slice(0, 100))
  const slowest = Math.max(...took)
  checkLimit(
    `slowest of ${EDITS} edits (number ${took.indexOf(slowest) + 1}), times the median of the first hundred`,
    slowest / first,
    1.5,
  )
  const last = await heapBytes(cdp)
  console.log(`       heap ${(begun / 1e6).toFixed(2)} MB before any edit`)
  checkLimit('heap after all edits, times that after the first hundred', last / heap, 1.2)
}

const server = spawn(process.execPath, ['--import', 'tsx', 'src/server/main.ts'], {
  env: { ...process.env, PORT: String(PORT) },
  stdio: ['ignore', 'pipe', 'inherit'],
})
await new Promise((resolve) => server.stdout.once('data', resolve))
const browser = await chromium.launch(launchOptions)
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' })
  await page.addInitScript("localStorage.setItem('unisera-tour', 'seen')")
  const cdp = await page.context().newCDPSession(page)
  await cdp.send('Performance.enable', { timeDomain: 'threadTicks' })
  await page.goto(AT)
  await page.getByText('Score engraving').first().waitFor()
  if (MINUTES) await playing(page, cdp)
  if (MINUTES) await nobodyLooks(page)
  await edits(page, cdp)
} finally {
  await browser.close()
  server.kill()
}
process.exitCode = missed > 0 ? 1 : 0
