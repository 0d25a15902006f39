import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium, type Browser, type CDPSession, type Page } from '@playwright/test'
import vue from '@vitejs/plugin-vue'
import { build, preview } from 'vite'
import vuetify from 'vite-plugin-vuetify'
import { itemAt } from '../src/core/base/items'
import type { Macro } from '../src/core/document/macro'
import { againstOtherBuild, bindingCost, bindingCounts } from './bench-binding'
import { gestures } from './bench-edits'
import { LIMIT_COLUMNS, limited } from './bench-limits'
import { launchOptions } from './browser'
import { largeLibrary } from './large-library'

/** Cost of the application on the page's thread, measured in the browser with the existing build. */
const PORT = 4183
const AT = `http://localhost:${PORT}`
const PROFILES = 1000
const MACROS = 500
const EDITS = 30
const ROUNDS = 5

/**
 * @param only `drawn`: only the time until the first device is drawn; `library`: the cost of nine and a thousand
 *   profiles; `edits`: writes and repaints of gestures
 */
export async function inTheBrowser(say: (line?: string) => void, only?: string): Promise<void> {
  const server = await serve('.', PORT)
  const browser = await chromium.launch(launchOptions)
  const newPage = async () => {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    await page.addInitScript(NO_TOUR)
    return page
  }
  try {
    if (only === 'drawn') return await againstBarePage(browser, say)
    if (only !== 'library') await gestureCosts(browser, say)
    if (only === 'edits') return
    if (only !== 'library') {
      const page = await newPage()
      await page.goto(AT)
      await page.getByText('Score engraving').first().waitFor()
      await importOfMacro(page, say)
      await page.close()
    }
    const other = await newPage()
    await other.goto(AT)
    await other.getByText('Score engraving').first().waitFor()
    await librarySizes(other, say)
    if (only === 'library') return
    await againstBarePage(browser, say)
  } finally {
    await browser.close()
    server.kill()
  }
}

/** Without a shell or a launcher in between, so that the server itself is killed later. */
async function serve(folder: string, port: number): Promise<ChildProcess> {
  const server = spawn(process.execPath, ['--import', 'tsx', 'src/server/main.ts'], {
    cwd: folder,
    env: { ...process.env, PORT: String(port) },
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  await new Promise((resolve) => server.stdout.once('data', resolve))
  return server
}

/**
 * Compares binding one input on this build and another one, in one run.
 *
 * @param folder a checkout of this project with a build
 */
export async function bindingBesideBuild(folder: string, say: (line?: string) => void): Promise<void> {
  const servers = [await serve('.', PORT), await serve(folder, PORT + 2)]
  const browser = await chromium.launch(launchOptions)
  try {
    const ratio = await againstOtherBuild(browser, { here: AT, other: `http://localhost:${PORT + 2}` }, say)
    say(`Time of the page's thread for binding one input, times the other build: ${ratio.toFixed(2)}`)
  } finally {
    await browser.close()
    servers.forEach((server) => server.kill())
  }
}

async function gestureCosts(browser: Browser, say: (line?: string) => void): Promise<void> {
  say()
  say('## Gestures in the browser')
  say()
  say('Write transactions and repainted light strips of a drag of 60 moves; counted in one run.')
  say()
  LIMIT_COLUMNS.forEach((line) => say(line))
  for (const { what, count, max } of [
    ...(await gestures(browser, AT)),
    ...bindingCounts(await bindingCost(browser, AT)),
  ])
    say(limited(what, count, max, Number.isInteger(count) ? 0 : 1))
}

/** Imports a file of 20,000 events and measures the page's longest task. */
async function importOfMacro(page: Page, say: (line?: string) => void): Promise<void> {
  await page.getByRole('link', { name: 'Macros' }).click()
  await page.getByRole('heading', { name: 'Macros' }).waitFor()
  const longest: number[] = []
  const took: number[] = []
  for (let round = 0; round < ROUNDS; round++) {
    const file = join(tmpdir(), `unisera-bench-${round}.json`)
    writeFileSync(file, JSON.stringify(longMacro(round)))
    await watchTasks(page)
    const start = Date.now()
    await page.getByLabel('Open a file…').setInputFiles(file)
    await page.getByRole('link', { name: `Long ${round}`, exact: true }).waitFor()
    took.push(Date.now() - start)
    longest.push(await longestTask(page))
  }
  say()
  say('## A macro of 20,000 events from a file, in the browser')
  say()
  say(`Read and validated in a worker; ${ROUNDS} files. Time from the file to its row: ${span(took)} ms.`)
  say(`Longest task of the main thread meanwhile: ${span(longest)} ms.`)
  say()
  LIMIT_COLUMNS.forEach((line) => say(line))
  say(limited('files with a task over 50 ms', longest.filter((ms) => ms > 50).length, 0))
}

const longMacro = (round: number): Macro => ({
  format: 'unisera-macro',
  version: 3,
  id: `long-${round}`,
  name: `Long ${round}`,
  tags: [],
  events: Array.from({ length: 20_000 }, (_, index) => ({
    kind: 'key',
    code: `Key${'ASDF'[(index >> 1) % 4]}`,
    does: index % 2 === 0 ? 'press' : 'release',
    afterMs: 5 + ((index * 7 + round) % 90),
  })),
})

/** The same edit, and the list of profiles, with nine profiles and with a thousand. */
async function librarySizes(page: Page, say: (line?: string) => void): Promise<void> {
  const cdp = await page.context().newCDPSession(page)
  await cdp.send('Performance.enable')
  const few = { edit: await costOfEdit(page, cdp, 'Brinewatch'), list: await firstRows(page) }
  const file = join(tmpdir(), 'unisera-bench-library.json')
  writeFileSync(file, JSON.stringify(largeLibrary(PROFILES, MACROS)))
  await page.getByRole('link', { name: 'Settings' }).click()
  await page.getByRole('heading', { name: 'Settings' }).waitFor()
  await watchTasks(page)
  await page.locator('input[type=file]').setInputFiles(file)
  await page.getByRole('button', { name: /^Bring in \d/ }).click()
  await page.getByText('were imported').waitFor()
  const longest = await longestTask(page)
  const many = { edit: await costOfEdit(page, cdp, 'Salvage 0'), list: await firstRows(page) }
  const keys = await searchKeys(page)
  say()
  say(`## A library of ${PROFILES + 9} profiles and ${MACROS} more macros, in the browser`)
  say()
  say(
    'Edit: mean time of the main thread for binding one input. First row: time until the first row of the list is',
  )
  say('shown, after a reload and after a click; median of five.')
  say()
  say(
    `Longest task of the main thread during the import of a backup of the whole library: ${longest.toFixed(0)} ms (target: 50 ms).`,
  )
  say()
  say('| | 9 profiles | 1,009 profiles | ratio |')
  say('| --- | --- | --- | --- |')
  const line = (what: string, one: number, other: number, digits: number) =>
    say(`| ${what} | ${one.toFixed(digits)} ms | ${other.toFixed(digits)} ms | ${(other / one).toFixed(2)} |`)
  line('an edit', few.edit, many.edit, 1)
  line('the first row, after a reload (target: 200 ms)', few.list.reloaded, many.list.reloaded, 0)
  line('the first row, after a click (target: 200 ms)', few.list.clicked, many.list.clicked, 0)
  say()
  say(
    `Time from a key typed into the search of ${PROFILES + 9} profiles to the next frame: ${span(keys.frames)} ms; longest task of the main thread meanwhile: ${keys.longest.toFixed(0)} ms (target: 50 ms).`,
  )
  say()
  LIMIT_COLUMNS.forEach((line) => say(line))
  say(limited('an edit with 1,009 profiles, relative to 9', many.edit / few.edit, 1.2, 2))
}

/** From each key of a search to the frame with its results, in ms, in a loaded list. */
async function searchKeys(page: Page): Promise<{ frames: number[]; longest: number }> {
  await page.getByLabel('Search profiles').click()
  await settled(page)
  await watchTasks(page)
  const times: number[] = []
  for (const key of ['s', 'a', 'l', 'v', 'a', 'g', 'e', ' ', '7', '7']) {
    await page.evaluate(WATCH_FOR_FRAME)
    await page.keyboard.press(key)
    times.push(Number(await page.evaluate('window.frameAfterKey')))
    await settled(page)
  }
  return { frames: times, longest: await longestTask(page) }
}

/** Time on the page's thread for one edit, in ms: all its tasks, from typing to storage. */
async function costOfEdit(page: Page, cdp: CDPSession, name: string): Promise<number> {
  await page.goto(`${AT}/library`)
  await page.getByRole('link', { name, exact: true }).click()
  const cell = page.locator('[data-cell="side-front 0"]')
  await cell.click()
  const field = page.getByRole('combobox', { name: 'Action of Side, front', exact: true })
  const bind = async (key: string) => {
    await field.fill(key)
    await page.getByRole('button', { name: 'Set', exact: true }).click()
    await cell.getByText(key.toUpperCase(), { exact: true }).waitFor()
  }
  for (const key of ['f5', 'f6', 'f7']) await bind(key)
  await settled(page)
  const before = await taskSeconds(cdp)
  for (let edit = 0; edit < EDITS; edit++) await bind(`f${5 + (edit % 3)}`)
  await settled(page)
  return ((await taskSeconds(cdp)) - before) * (1000 / EDITS)
}

/** First row of the list, in ms: after the page's shell, following a reload; and following a click in the page. */
async function firstRows(page: Page): Promise<{ reloaded: number; clicked: number }> {
  const reloaded: number[] = []
  const clicked: number[] = []
  for (let round = 0; round < ROUNDS; round++) {
    await page.goto(`${AT}/mark.svg`)
    await page.addInitScript(WATCH_FOR_ROW)
    await page.goto(`${AT}/library`, { waitUntil: 'commit' })
    await page.getByRole('list', { name: 'Profiles' }).getByRole('listitem').first().waitFor()
    reloaded.push(Number(await page.evaluate('window.firstRowAt - window.shellAt')))
    await settled(page)
    await page.getByRole('link', { name: 'Settings' }).click()
    await page.getByRole('heading', { name: 'Settings' }).waitFor()
    await settled(page)
    await page.evaluate(CLICK_LIBRARY)
    await page.getByRole('list', { name: 'Profiles' }).getByRole('listitem').first().waitFor()
    clicked.push(Number(await page.evaluate('window.firstRowAt - window.clickedAt')))
  }
  return { reloaded: median(reloaded), clicked: median(clicked) }
}

const PAIRS = Number(process.env.BENCH_PAIRS ?? 7)
/** The tour of a first visit is not measured. */
const NO_TOUR = "localStorage.setItem('unisera-tour', 'seen')"

/**
 * From navigation to the first drawn device, compared with a bare page with the same libraries: in pairs, so that other
 * load of the machine affects both equally.
 */
async function againstBarePage(browser: Browser, say: (line?: string) => void): Promise<void> {
  const outDir = mkdtempSync(join(tmpdir(), 'unisera-bare-'))
  await build({
    root: 'scripts/bare-page',
    configFile: false,
    logLevel: 'silent',
    plugins: [vue(), vuetify({ autoImport: true })],
    build: { outDir, target: 'es2022', emptyOutDir: true },
  })
  const bare = await preview({ configFile: false, build: { outDir }, preview: { port: PORT + 1 } })
  const bareAt = `http://localhost:${PORT + 1}`
  const drawn = async (page: Page, address: string, selector: string) => {
    await page.addInitScript(noteWhenThere(selector))
    await page.goto(address, { waitUntil: 'commit' })
    await page.locator(selector).first().waitFor({ state: 'attached' })
    return Number(await page.evaluate('window.thereAt'))
  }
  const first: number[] = []
  const later: number[] = []
  for (let pair = 0; pair < PAIRS; pair++) {
    const context = await browser.newContext({
      viewport: { width: 1280, height: 800 },
      reducedMotion: 'reduce',
    })
    await context.addInitScript(NO_TOUR)
    const visit = async (address: string, selector: string) => {
      const page = await context.newPage()
      const ms = await drawn(page, address, selector)
      await settled(page)
      await page.close()
      return ms
    }
    const bareFirst = await visit(bareAt, '#drawn')
    first.push((await visit(AT, DEVICE)) / bareFirst)
    const bareLater = await visit(bareAt, '#drawn')
    later.push((await visit(AT, DEVICE)) / bareLater)
    await context.close()
  }
  await bare.close()
  say()
  say('## Time to the first drawn device, relative to a bare page')
  say()
  say(
    `A bare page has Vue, Router, Pinia and about twenty components. Medians of ${PAIRS} pairs, each in a new context.`,
  )
  say()
  say('| visit | relative to a bare page |')
  say('| --- | --- |')
  say(`| first visit, which fills the library (maximum 2) | ${median(first).toFixed(2)} |`)
  say(`| later visit (maximum 1.6) | ${median(later).toFixed(2)} |`)
}

/** The drawing of the first device, to scale. */
const DEVICE = '[aria-label$="drawn to scale"]'

const noteWhenThere = (selector: string): string => `
  new MutationObserver((_, observer) => {
    if (!document.querySelector(${JSON.stringify(selector)})) return
    window.thereAt = performance.now()
    observer.disconnect()
  }).observe(document, { childList: true, subtree: true })
`

const median = (values: number[]): number =>
  itemAt(
    values.sort((a, b) => a - b),
    Math.floor(values.length / 2),
  )

/** Records when shell and first row are in the document, as seen by the page. */
const WATCH_FOR_ROW = `
  window.watchRow = () => new MutationObserver((_, observer) => {
    if (!window.shellAt && document.querySelector('nav a')) window.shellAt = performance.now()
    if (!document.querySelector('[aria-label="Profiles"] [role=listitem]')) return
    window.firstRowAt = performance.now()
    observer.disconnect()
  }).observe(document, { childList: true, subtree: true })
  window.watchRow()
`

/** From the key event's time stamp to the next frame. */
const WATCH_FOR_FRAME = `
  window.frameAfterKey = new Promise((resolve) => {
    addEventListener('keydown', (event) => {
      const from = event.timeStamp
      setTimeout(() => requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - from))))
    }, { once: true, capture: true })
  })
  void 0
`

const CLICK_LIBRARY = `
  window.watchRow()
  window.clickedAt = performance.now()
  document.querySelector('nav a[href="/library"]').click()
`

async function taskSeconds(cdp: CDPSession): Promise<number> {
  const { metrics } = await cdp.send('Performance.getMetrics')
  return metrics.find(({ name }) => name === 'TaskDuration')?.value ?? 0
}

/** Waits until the page's thread has been idle for a moment. As a string, because it runs in the page. */
const settled = (page: Page): Promise<unknown> =>
  page.evaluate(`new Promise((resolve) => {
    let quiet = 0
    const look = () => requestIdleCallback((idle) => {
      quiet = idle.timeRemaining() > 10 ? quiet + 1 : 0
      if (quiet > 6) resolve()
      else look()
    })
    look()
  })`)

const watchTasks = (page: Page): Promise<void> =>
  page.evaluate(() => {
    const longest = { ms: 0 }
    Object.assign(window, { longest })
    new PerformanceObserver((list) => {
      for (const { duration } of list.getEntries()) longest.ms = Math.max(longest.ms, duration)
    }).observe({ type: 'longtask' })
  })

/** Lists tasks of 50 ms and more; 0 if there are none. */
async function longestTask(page: Page): Promise<number> {
  await settled(page)
  return page.evaluate(() => (Reflect.get(window, 'longest') as { ms: number }).ms)
}

const span = (values: readonly number[]): string => {
  const sorted = [...values].sort((a, b) => a - b)
  return `${itemAt(sorted, 0).toFixed(0)} to ${itemAt(sorted, sorted.length - 1).toFixed(0)}`
}
