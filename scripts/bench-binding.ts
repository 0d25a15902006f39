import type { Browser, CDPSession, Page } from '@playwright/test'
import type { Counted } from './bench-edits'

/**
 * Cost of binding one input on the page's thread, at the pace of a hand: the cell is opened, a key is typed, Enter sets
 * it. Input is sent like from the operating system, and the page is not queried meanwhile, so that only its own work is
 * counted.
 */
const EDITS = 10
/** Time between two steps of the hand, in ms. */
const PACE_MS = 400
const SECOND_MS = 1000
const STEPS = ['open', 'type', 'enter'] as const

export interface BindingCost {
  /** Time on the page's thread, in ms: mean of one edit, including lights. */
  ms: Record<(typeof STEPS)[number], number>
  /** Layouts of the page, and painted frames of light: mean of one edit. */
  layouts: number
  lit: number
  /** Changed elements of the sheet outside the edited row, while two keys are typed: mean of one edit. */
  elsewhere: number
  /** Frames of light painted during a second without input. */
  litInSecond: number
}

/** Binds one input repeatedly in the demo profile, on the build served at an address. */
export async function bindingCost(browser: Browser, at: string): Promise<BindingCost> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.addInitScript("localStorage.setItem('unisera-tour', 'seen')")
  await page.goto(`${at}/library`)
  await page.getByRole('link', { name: 'Brinewatch', exact: true }).click()
  const box = await page.locator('[data-cell="side-front 0"]').boundingBox()
  if (!box) throw new Error('the cell to bind was not found')
  const cdp = await page.context().newCDPSession(page)
  await cdp.send('Performance.enable')
  await page.evaluate(WATCH_SHEET)
  const cost = { ms: { open: 0, type: 0, enter: 0 }, layouts: 0, lit: 0, elsewhere: 0, litInSecond: 0 }
  const acts = {
    open: () => page.mouse.click(box.x + 20, box.y + box.height / 2),
    type: async (edit: number) => {
      for (const key of ['ControlOrMeta+a', 'f', String(5 + (edit % 3))]) await page.keyboard.press(key)
    },
    enter: () => page.keyboard.press('Enter'),
  }
  // The first two edits do not count: they load code for the others.
  for (let edit = -2; edit < EDITS; edit++) {
    for (const step of STEPS) {
      const before = await metrics(cdp, page)
      await acts[step](edit + 2)
      await page.waitForTimeout(PACE_MS)
      const after = await metrics(cdp, page)
      if (edit < 0) continue
      cost.ms[step] += (after.ms - before.ms) / EDITS
      cost.layouts += (after.layouts - before.layouts) / EDITS
      cost.lit += (after.lit - before.lit) / EDITS
      if (step === 'type') cost.elsewhere += (after.elsewhere - before.elsewhere) / EDITS
    }
    await page.keyboard.press('Escape')
    await page.waitForTimeout(PACE_MS)
  }
  // Lights continue a moment after the last edit.
  await page.waitForTimeout(3 * PACE_MS)
  const { lit } = await metrics(cdp, page)
  await page.waitForTimeout(SECOND_MS)
  cost.litInSecond = (await metrics(cdp, page)).lit - lit
  await page.close()
  return cost
}

/** The counts for binding one input, with their limits. */
export const bindingCounts = ({ layouts, lit, elsewhere, litInSecond }: BindingCost): Counted[] => [
  { what: 'binding one input: layouts', count: layouts, max: 9 },
  { what: 'binding one input: frames of light painted', count: lit, max: 2 },
  { what: 'one second without input: light frames painted', count: litInSecond, max: 22 },
  { what: 'typing two keys: changes outside the open row', count: elsewhere, max: 0 },
]

/** Pairs of runs, so that other load of the machine affects both builds equally; the median of their ratios. */
export async function againstOtherBuild(
  browser: Browser,
  { here, other }: { here: string; other: string },
  say: (line: string) => void,
): Promise<number> {
  const ratios: number[] = []
  say('| pair | the other build | this build | ratio |')
  say('| --- | --- | --- | --- |')
  for (let pair = 1; pair <= PAIRS; pair++) {
    const [before, now] = [await bindingCost(browser, other), await bindingCost(browser, here)]
    const ratio = sum(now) / sum(before)
    ratios.push(ratio)
    say(`| ${pair} | ${told(before)} | ${told(now)} | ${ratio.toFixed(2)} |`)
  }
  return ratios.sort((a, b) => a - b)[PAIRS >> 1] ?? 0
}

const PAIRS = 5

const sum = ({ ms }: BindingCost): number => STEPS.reduce((total, step) => total + ms[step], 0)
const told = (cost: BindingCost): string =>
  `${sum(cost).toFixed(0)} ms (${STEPS.map((step) => `${step} ${cost.ms[step].toFixed(0)}`).join(', ')})`

/**
 * Counts changes in the sheet outside the open row and its editor, and painted frames. As a string, because it runs in
 * the page.
 */
const WATCH_SHEET = `
  window.watched = { elsewhere: 0, lit: 0 }
  new MutationObserver((changes) => {
    for (const { target } of changes) {
      const element = target instanceof Element ? target : target.parentElement
      const row = element?.closest('[role=row]')
      if (!row || row.classList.contains('open') || row.previousElementSibling?.classList.contains('open')) continue
      window.watched.elsewhere++
    }
  }).observe(document.querySelector('[role=grid]'), {
    subtree: true, childList: true, attributes: true, characterData: true,
  })
  const { putImageData } = CanvasRenderingContext2D.prototype
  CanvasRenderingContext2D.prototype.putImageData = function (...what) {
    window.watched.lit++
    return putImageData.apply(this, what)
  }
`

async function metrics(
  cdp: CDPSession,
  page: Page,
): Promise<{ ms: number; layouts: number; lit: number; elsewhere: number }> {
  const found = (await cdp.send('Performance.getMetrics')).metrics
  const value = (name: string) => found.find((metric) => metric.name === name)?.value ?? 0
  const watched: { lit: number; elsewhere: number } = await page.evaluate('window.watched')
  return { ms: 1000 * value('TaskDuration'), layouts: value('LayoutCount'), ...watched }
}
