import { readdirSync, readFileSync } from 'node:fs'
import { basename } from 'node:path'
import { expect, type Page } from '@playwright/test'
import { accented, pseudoMessage } from '../src/messages/pseudo.test-support'
import { OPENERS, overlays, PLACES, PROFILES } from './places'
import { goTo, test } from './support'

/** Text without brackets did not come from the catalogue, and text that is cut had only room for English. */
const AREAS = readdirSync('src/messages/en').map((file) => basename(file, '.json'))
/** Replaces each area of the catalogue, as the page fetches it. */
async function speakPseudo(page: Page): Promise<void> {
  const areas = new RegExp(`/assets/(${AREAS.join('|')})-[\\w-]+\\.js$`)
  await page.context().route(areas, async (route) => {
    const area = areas.exec(route.request().url())?.[1] ?? ''
    const original = await route.fetch()
    // A view may have the same name as an area.
    if (!/^var \w+=\{\w+:[`'"]/.test(await original.text())) return route.fulfill({ response: original })
    const messages = JSON.parse(readFileSync(`src/messages/en/${area}.json`, 'utf8')) as Record<
      string,
      string
    >
    const texts = Object.fromEntries(
      Object.entries(messages).map(([key, text]) => [key, pseudoMessage(text)]),
    )
    await route.fulfill({
      contentType: 'text/javascript',
      body: `const texts = ${JSON.stringify(texts)}\nexport { texts as default }`,
    })
  })
}

/** Names of the demo's documents, devices and systems, units and formats: the same in each language. */
const NAMES = [
  ...readdirSync('demo', { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.json'))
    .flatMap((file) => [
      ...readFileSync(`demo/${file}`, 'utf8').matchAll(
        /"(?:name|note|title|target|text|author)": "([^"]+)"|"tags": (\[[^\]]*\])/g,
      ),
    ])
    .flatMap(([, name, tags]) => (name ? [name] : (JSON.parse(tags ?? '[]') as string[]))),
  ...[
    'Unisera',
    'Saltmarsh',
    'Tern 7',
    'Godwit 19',
    'Knot 5',
    'Dunlin 84',
    'Windows',
    'macOS',
    'Linux',
    'Base',
  ],
  ...['DPI', 'CSV', 'JSON', '2.4 GHz'],
].sort((a, b) => b.length - a.length)

/** One profile of each kind of device is enough here: the texts are the same. */
const VIEWS = [...PLACES, ...PROFILES.filter((view) => !view.includes('demo-7')), '/unplugged.html']

/**
 * Visible texts and names with words that did not come from the catalogue. Names on key caps, and the notes in a
 * firmware file, are data.
 */
const strange = (page: Page): Promise<string[]> =>
  page.evaluate((names) => {
    const withoutNames = (text: string) =>
      names
        .reduce((rest, name) => rest.replaceAll(name, ''), text)
        .replaceAll(/[\w-]+\.json|#[\da-f]{6}|\b(?:and|or)\b/g, '')
    const plain = /[a-z]{3,}|\[object|"key"/i
    const found = new Set<string>()
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const element = node.parentElement
      const text = node.textContent ?? ''
      if (
        !element ||
        !plain.test(withoutNames(text)) ||
        element.closest('script, style, noscript, .cap .line, .whitespace-pre-line')
      )
        continue
      if (element.closest('.v-overlay-container') === null && element.getClientRects().length === 0) continue
      found.add(text.trim())
    }
    for (const element of document.querySelectorAll('[aria-label], [title], [placeholder]'))
      for (const name of ['aria-label', 'title', 'placeholder']) {
        const text = element.getAttribute(name) ?? ''
        if (plain.test(withoutNames(text))) found.add(`${name}: ${text}`)
      }
    return [...found]
  }, NAMES)

/** Parts with text that is cut, and controls that overlap another one. */
const misfits = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const label = (element: Element) =>
      `${element.tagName} ${element.className} “${element.textContent.trim().slice(0, 60)}”`
    const shown = (element: Element) =>
      element.checkVisibility({ opacityProperty: true, visibilityProperty: true })
    const cut = [
      ...document.querySelectorAll('.v-btn, .v-btn__content, h1, h2, h3, dt, dd, th, label, .caption'),
    ]
      .filter(
        (element) =>
          shown(element) && element.clientWidth > 1 && element.scrollWidth > element.clientWidth + 1,
      )
      // Text that ends in “…” is complete in its title or its accessible name.
      .filter(
        (element) =>
          getComputedStyle(element).overflow !== 'visible' &&
          getComputedStyle(element).textOverflow !== 'ellipsis' &&
          !element.querySelector('.truncate, .text-ellipsis, i, svg'),
      )
      // Labels of one character, such as the numbers of steps, are drawn over the edge on purpose.
      .filter((element) => element.textContent.trim().length > 1)
      .map((element) => `cut: ${label(element)}`)
    const controls = [...document.querySelectorAll('main .v-btn, main input, nav a')].filter(shown)
    const boxes = controls.map((element) => ({ element, box: element.getBoundingClientRect() }))
    const over = boxes.flatMap(({ element, box }, index) =>
      boxes.slice(index + 1).flatMap(({ element: other, box: at }) => {
        if (element.contains(other) || other.contains(element) || box.width < 2 || at.width < 2) return []
        const wide = Math.min(box.right, at.right) - Math.max(box.left, at.left)
        const high = Math.min(box.bottom, at.bottom) - Math.max(box.top, at.top)
        if (wide <= 2 || high <= 2) return []
        // Parts that are scrolled out of their list are not there.
        const there = document.elementsFromPoint(
          Math.max(box.left, at.left) + wide / 2,
          Math.max(box.top, at.top) + high / 2,
        )
        return there.includes(element) && there.includes(other)
          ? [`overlap: ${label(element)} and ${label(other)}`]
          : []
      }),
    )
    const page = document.documentElement.scrollWidth - window.innerWidth
    return [...cut, ...over, ...(page > 0 ? [`the page is ${page} px too wide`] : [])]
  })

const WIDTHS = [
  [2560, 800],
  [1280, 800],
  [1024, 768],
  [640, 400],
  [390, 844],
] as const

test('every view shows only text from the catalogue, and has room for a longer language', async ({
  page,
}) => {
  await speakPseudo(page)
  await page.goto('/')
  await expect(page.getByText('Brinewatch bridge').first()).toBeVisible()
  for (const place of VIEWS) {
    await goTo(page, place)
    await expect(page.getByRole('heading').first()).toBeVisible()
    if (place.startsWith('/profile'))
      await expect(page.locator('[data-state]').first()).toHaveAttribute('data-state', /pending|there/)
    await expect
      .poll(() => strange(page), { message: `${place} shows text from outside the catalogue` })
      .toEqual([])
    for (const [width, height] of WIDTHS) {
      await page.setViewportSize({ width, height })
      await expect.poll(() => misfits(page), { message: `${place} at ${width} px` }).toEqual([])
    }
    await page.setViewportSize({ width: 1280, height: 800 })
  }
})

/** Menu items that open a file instead of a dialog. */
const FILE_ITEM = new RegExp(`${accented('Open')}|${accented('Drop')}`)

/** Views with something selected or open, whose menus and dialogs have most of the texts. */
const OPEN = [
  '/devices',
  '/devices/slots',
  '/library',
  '/macros',
  '/settings',
  '/profile/demo-1/buttons?input=side-front&layer=1',
  '/profile/demo-1/motion',
  '/profile/demo-1/light?effect=1',
  '/profile/demo-1/compare',
  '/profile/demo-8/buttons',
]

test('every menu and dialog shows only text from the catalogue', async ({ page }) => {
  await speakPseudo(page)
  await page.goto('/')
  await expect(page.getByText('Brinewatch bridge').first()).toBeVisible()
  let opened = 0
  const seen = new Set<string>()
  const look = async (at: string) => {
    opened++
    await expect.poll(() => strange(page), { message: at }).toEqual([])
  }
  // Escape belongs to an overlay only once it has the focus.
  const closeAll = () =>
    expect(async () => {
      if ((await overlays(page).count()) > 0) await page.keyboard.press('Escape')
      await expect(overlays(page)).toHaveCount(0, { timeout: 2000 })
    }).toPass()
  for (const place of OPEN) {
    await goTo(page, place)
    await expect(page.getByRole('heading').first()).toBeVisible()
    if (place.startsWith('/profile'))
      await expect(page.locator('[data-state]').first()).toHaveAttribute('data-state', /pending|there/)
    const openers = page.locator(OPENERS)
    for (let index = 0; index < (await openers.count()); index++) {
      const kind = await openers.nth(index).evaluate((element) => element.outerHTML.replaceAll(/\d+/g, ''))
      if (seen.has(kind)) continue
      seen.add(kind)
      const open = async () => {
        await openers.nth(index).click()
        await expect(overlays(page).first()).toBeVisible()
      }
      await open()
      await look(place)
      // What ends in “…” opens a dialog, unless it selects a file.
      const items = page.getByRole('menuitem').filter({ hasText: '…' }).filter({ hasNotText: FILE_ITEM })
      for (let item = 0; item < (await items.count()); item++) {
        const wanted = items.nth(item)
        if ((await wanted.getAttribute('aria-disabled')) === 'true') continue
        await wanted.click()
        await expect(page.getByRole('dialog').first()).toBeVisible()
        await look(`${place}, item ${item}`)
        await closeAll()
        await open()
      }
      await closeAll()
    }
  }
  expect(opened).toBeGreaterThan(40)
})
