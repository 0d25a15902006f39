import { expect, type Page } from '@playwright/test'
import { PLACES, PROFILES, UNPLUGGED } from './places'
import { goTo, openDemo, test, violations, writeBox } from './support'

/** Each view is opened once, and then checked at every size and in both themes. */
const SIZES = [
  [2560, 800],
  [1280, 800],
  [1024, 768],
  [640, 400],
  [320, 640],
] as const

async function open(page: Page, view: string): Promise<void> {
  await goTo(page, view)
  await expect(page.getByRole('heading').first()).toBeVisible()
  if (view.startsWith('/unplugged'))
    await expect(page.getByRole('heading', { name: 'Cable and power' })).toBeVisible()
  // Until the device has been read, the box says that it is being searched for.
  if (view.startsWith('/profile')) await expect(writeBox(page)).toHaveAttribute('data-state', /pending|there/)
}

/** Pixels by which the page, or the visible part of a view, overflows horizontally. */
const sideways = (page: Page): Promise<number> =>
  page.evaluate(() => {
    const main = document.querySelector('main')
    const page = document.documentElement.scrollWidth - window.innerWidth
    return Math.max(0, page, (main?.scrollWidth ?? 0) - (main?.clientWidth ?? 0))
  })

async function fitsEverySize(page: Page, view: string): Promise<void> {
  for (const [width, height] of SIZES) {
    await page.setViewportSize({ width, height })
    await expect.poll(() => sideways(page), { message: `${view} at ${width} px` }).toBe(0)
    if (!view.startsWith('/profile') || width === 320) continue
    const writing = page.getByRole('button', { name: /^Write to slot|up to date$/ })
    if (width === 640) await writing.scrollIntoViewIfNeeded()
    await expect(writing).toBeInViewport({ ratio: 1 })
  }
  await page.setViewportSize({ width: 1280, height: 800 })
  await expect.poll(() => cutWithSpacing(page), { message: `${view} with text spacing` }).toEqual([])
}

/** Lists buttons whose text is clipped with the text spacing of WCAG 1.4.12. */
const cutWithSpacing = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const spacing = new CSSStyleSheet()
    spacing.replaceSync(
      '* { line-height: 1.5 !important; letter-spacing: 0.12em !important; word-spacing: 0.16em !important }',
    )
    document.adoptedStyleSheets = [spacing]
    const cut = [...document.querySelectorAll('.v-btn, .v-btn__content')]
      .filter((each) => each.clientWidth > 1 && each.scrollWidth > each.clientWidth + 1)
      .filter(
        (each) =>
          !each.querySelector('.text-ellipsis, .truncate') &&
          getComputedStyle(each).textOverflow !== 'ellipsis',
      )
      .map((each) => each.textContent.trim())
      // The letter spacing after a single character does not clip it.
      .filter((text) => text.length > 1)
    document.adoptedStyleSheets = []
    return cut
  })

for (const [name, views] of [
  ['the places and Unplugged', [...PLACES, ...UNPLUGGED]],
  ['the views of a profile', PROFILES],
] as const)
  test(`${name} are as wide as their window, with nothing out of reach, at every size`, async ({ page }) => {
    await openDemo(page)
    for (const view of views) {
      await open(page, view)
      if (view === '/macros') {
        await page.getByRole('link', { name: 'Blow tanks' }).click()
        await expect(page.getByRole('grid', { name: 'Events' })).toBeVisible()
      }
      await fitsEverySize(page, view)
    }
  })

test('labels of a full mouse are whole at 1280 px, and strips of light stay wide in a narrow window', async ({
  page,
}) => {
  await openDemo(page)
  await goTo(page, '/profile/demo-5/buttons')
  const labels = page.locator('.label .does')
  await expect(labels).toHaveCount(21)
  const cut = await labels.evaluateAll((all) =>
    all.flatMap((each) =>
      each.scrollWidth > each.clientWidth + 1 && each.clientWidth > 0 ? each.textContent : [],
    ),
  )
  expect(cut).toEqual([])
  await page.setViewportSize({ width: 390, height: 844 })
  const drawing = page.getByRole('toolbar', { name: /drawn to scale/ }).first()
  await expect
    .poll(async () => ((await drawing.boundingBox())?.x ?? 0) + ((await drawing.boundingBox())?.width ?? 999))
    .toBeLessThanOrEqual(390)
  await goTo(page, '/profile/demo-5/light')
  const band = page.getByRole('list', { name: 'Effects, from top to bottom' }).locator('.band').first()
  await expect.poll(async () => (await band.boundingBox())?.width ?? 0).toBeGreaterThan(200)
})

/** Every view of every model, every instrument and every device: structure and contrast differ in each. */
const INSTRUMENTS = ['counts', 'clicks', 'keys', 'lines'].map((tool) => `/measure?tool=${tool}`)
const MODELS = ['tern-7', 'godwit-19', 'knot-5', 'dunlin-84']
const OF_A_PROFILE = [
  'buttons',
  'motion',
  'motion?part=sensor',
  'motion?part=power',
  'light',
  'compare',
  'cheat-sheet',
]
const profilesOf = (...ids: string[]) =>
  ids.flatMap((id) => OF_A_PROFILE.map((view) => `/profile/demo-${id}/${view}`))
const devicesOf = (page: string) => MODELS.map((model) => `${page}?device=${model}`)

for (const [name, views] of [
  [
    'the places and Unplugged',
    [...PLACES, ...INSTRUMENTS, ...devicesOf('/devices'), ...devicesOf('/unplugged.html')],
  ],
  ['the views of profiles of two mice', profilesOf('1', '5')],
  ['the views of profiles of a mouse for both hands and a keyboard', profilesOf('7', '8')],
] as const)
  test(`${name} meet WCAG 2.2 AA in both themes`, async ({ page }) => {
    await openDemo(page)
    for (const view of views) {
      await open(page, view)
      if (view.endsWith('buttons')) await page.locator('[data-cell]').nth(3).click()
      expect(await violations(page), view).toEqual([])
      // The colours of the dark theme are the same for each mouse.
      if (/demo-[57]/.test(view)) continue
      await page.emulateMedia({ colorScheme: 'dark' })
      await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark')
      // Other checks do not depend on the theme.
      expect(await violations(page, ['color-contrast', 'link-in-text-block']), `${view}, dark`).toEqual([])
      await page.emulateMedia({ colorScheme: 'light' })
    }
  })
