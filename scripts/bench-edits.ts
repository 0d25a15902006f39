import type { Browser, Locator, Page } from '@playwright/test'

/** Cost of gestures and edits, in counts of work: equal on every machine, however busy it is. */

/** A line of the results; `most` is the limit. */
export interface Counted {
  what: string
  count: number
  max: number
}

const MOVES = 60
const MAX_STORED = 3

/** Counts write transactions and repainted strips. A string, because it runs in the page. */
const COUNTERS = `
  const stored = IDBDatabase.prototype.transaction
  window.counts = { stored: 0, painted: 0 }
  IDBDatabase.prototype.transaction = function (stores, mode, ...rest) {
    const names = typeof stores === 'string' ? [stores] : [...stores]
    if (mode === 'readwrite' && names.some((name) => name === 'profiles' || name === 'macros')) window.counts.stored++
    return stored.call(this, stores, mode, ...rest)
  }
  const { toDataURL } = HTMLCanvasElement.prototype
  HTMLCanvasElement.prototype.toDataURL = function (...how) {
    window.counts.painted++
    return toDataURL.apply(this, how)
  }
`

const counts = (page: Page): Promise<{ stored: number; painted: number }> => page.evaluate('window.counts')
const reset = (page: Page): Promise<unknown> =>
  page.evaluate('void (window.counts.stored = 0, window.counts.painted = 0)')

/** Waits until the number of write transactions stops growing. */
async function allStored(page: Page): Promise<void> {
  await page.evaluate(`new Promise((resolve) => {
    let before = -1
    const look = () => {
      const now = window.counts.stored
      if (now === before) resolve()
      else { before = now; setTimeout(look, 700) }
    }
    look()
  })`)
}

/** Drags a handle by a distance in px, one move per frame. */
async function drag(page: Page, handle: Locator, by: { x: number; y: number }): Promise<void> {
  const box = await handle.boundingBox()
  if (!box) throw new Error('there is nothing to drag')
  const from = { x: box.x + box.width / 2, y: box.y + box.height / 2 }
  await page.mouse.move(from.x, from.y)
  await page.mouse.down()
  for (let move = 1; move <= MOVES; move++) {
    await page.mouse.move(from.x + (by.x * move) / MOVES, from.y + (by.y * move) / MOVES)
    await page.evaluate('new Promise((resolve) => requestAnimationFrame(resolve))')
  }
  await page.mouse.up()
}

/** Writes and repaints of each gesture. */
export async function gestures(browser: Browser, at: string): Promise<Counted[]> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.addInitScript("localStorage.setItem('unisera-tour', 'seen')")
  await page.addInitScript(COUNTERS)
  await page.goto(`${at}/library`)
  await page.getByRole('link', { name: 'Brinewatch', exact: true }).click()
  const found: Counted[] = []
  const measured = async (what: string, act: () => Promise<void>) => {
    await allStored(page)
    await reset(page)
    await act()
    await allStored(page)
    found.push({ what: `${what}: stored`, count: (await counts(page)).stored, max: MAX_STORED })
  }

  await page.getByRole('link', { name: 'Light', exact: true }).first().click()
  const strips = page.locator('li.effect')
  await strips.first().waitFor()
  const shift = page.getByRole('slider', { name: /^Start phase/ }).first()
  if ((await shift.count()) > 0) {
    await measured('a strip dragged sideways', () => drag(page, shift, { x: 200, y: 0 }))
    found.push({
      what: `a strip of ${await strips.count()} dragged sideways, ${MOVES} moves: strips painted`,
      count: (await counts(page)).painted,
      // Its own strip, and the combined one.
      max: 2 * (MOVES + 1),
    })
  }
  await measured('opacity dragged', () =>
    drag(page, page.getByRole('slider', { name: /^Opacity of/ }).first(), { x: 0, y: 20 }),
  )
  await strips.first().locator('.name').click()
  const brightness = page.getByRole('slider', { name: /^Brightness of/ }).first()
  await measured('a slider dragged', () => drag(page, brightness, { x: -80, y: 0 }))

  await page.getByRole('link', { name: 'Motion', exact: true }).first().click()
  const step = page.getByRole('slider', { name: /step 2/i }).first()
  await measured('a step dragged on the DPI ruler', () => drag(page, step, { x: 60, y: 0 }))
  await measured('a step dragged to another place', () =>
    drag(page, page.locator('li .grip').first(), { x: 0, y: 150 }),
  )
  await page.getByRole('button', { name: 'Colour of step 1', exact: true }).click()
  const plane = page.locator('.v-color-picker-canvas')
  await measured('a colour dragged in the colour picker', () => drag(page, plane, { x: 60, y: 30 }))
  await page.close()
  return found
}
