import { expect, type Page } from '@playwright/test'
import { firstItems } from '../src/core/base/items'
import { minDifference, MIN_DISTINCT_DELTA } from '../src/core/light/distinct-colours'
import { Ear } from './ear'
import { bindByTyping, choice, goTo, openDemo, openProfile, openView, row, test } from './support'

/** For everyone: contrast, names, announcements, and one key after the other. */

/** The computed colour of an element, as #rrggbb. */
const colourOf = (page: Page, selector: string, property: string, pseudo?: string) =>
  page
    .locator(selector)
    .first()
    .evaluate(
      (each, [name, of]) => {
        const canvas = new OffscreenCanvas(1, 1).getContext('2d')
        if (!canvas) throw new Error('This browser has no canvas')
        canvas.fillStyle = getComputedStyle(each, of).getPropertyValue(name)
        canvas.fillRect(0, 0, 1, 1)
        const channels = canvas.getImageData(0, 0, 1, 1).data
        return `#${[...channels.slice(0, 3)].map((channel) => channel.toString(16).padStart(2, '0')).join('')}`
      },
      [property, pseudo] as const,
    )

/** Contrast by WCAG 2.2. */
function contrast(one: string, other: string): number {
  const luminance = (hex: string) => {
    const [r, g, b] = firstItems(
      [1, 3, 5].map((at) => {
        const share = parseInt(hex.slice(at, at + 2), 16) / 255
        return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4
      }),
      3,
    )
    return 0.2126 * r + 0.7152 * g + 0.0722 * b
  }
  const [a, b] = [luminance(one), luminance(other)]
  return (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05)
}

test('more contrast draws every line at 3:1, asked for in Settings or by the system', async ({ page }) => {
  await openDemo(page)
  const line = async () =>
    contrast(
      await colourOf(page, 'main [data-row]', 'border-bottom-color'),
      await colourOf(page, 'body', 'background-color'),
    )
  const soft = async () =>
    contrast(await colourOf(page, 'main .soft', 'color'), await colourOf(page, 'body', 'background-color'))
  await openProfile(page, 'Brinewatch')
  expect(await line()).toBeLessThan(3)
  await page.emulateMedia({ contrast: 'more' })
  await expect.poll(line).toBeGreaterThanOrEqual(3)
  await page.emulateMedia({ contrast: 'no-preference' })
  await expect.poll(line).toBeLessThan(3)
  await goTo(page, '/settings')
  const before = await soft()
  await choice(page, 'Contrast', 'High').click()
  await expect.poll(soft).toBeGreaterThan(before)
  await openProfile(page, 'Brinewatch')
  await expect.poll(line).toBeGreaterThanOrEqual(3)
})

test('lists that fields open have their names, marks can be hit, and Find keeps the focus', async ({
  page,
}) => {
  await openDemo(page)
  await goTo(page, '/devices/rules')
  const field = page.getByRole('combobox', { name: 'Tern 7, rule 1' })
  await field.press('ArrowDown')
  const list = page.getByRole('listbox', { name: 'Tern 7, rule 1' })
  await expect(list).toBeVisible()
  await expect(list).toHaveAttribute('aria-live', 'off')
  await page.keyboard.press('Escape')
  await goTo(page, '/profile/demo-1/light')
  await page.getByRole('button', { name: 'Add trigger' }).click()
  await page.getByRole('menuitem', { name: 'A signal' }).click()
  const box = await page.getByRole('button', { name: /^Remove the trigger/ }).boundingBox()
  expect(Math.min(box?.width ?? 0, box?.height ?? 0)).toBeGreaterThanOrEqual(24)
  await page.keyboard.press('Control+k')
  const find = page.getByRole('combobox', { name: 'Find anything' })
  await expect(find).toBeFocused()
  for (let presses = 0; presses < 3; presses++) await page.keyboard.press('Tab')
  await expect(find).toBeFocused()
  await page.keyboard.press('Escape')
  await expect(find).toBeHidden()
  // A slider moves up from 0.
  const phase = page.getByRole('slider', { name: 'Start phase of Tide' })
  await phase.press('Home')
  await phase.press('ArrowRight')
  await expect(phase).toHaveAttribute('aria-valuenow', '1')
})

test('a search says how much it has found, in every place', async ({ page }) => {
  await openDemo(page)
  const ear = await Ear.at(page)
  for (const [view, name] of [
    ['/library', 'Search profiles'],
    ['/macros', 'Search macros'],
    ['/shelf', 'Search the shelf'],
    ['/settings', 'Search settings'],
  ] as const) {
    await goTo(page, view)
    await page.getByRole('searchbox', { name }).fill('zzz')
    await ear.hears('No results')
    await page.getByRole('searchbox', { name }).fill('a')
    await ear.hears(/^\d+ results?$/)
  }
})

test('chords are captured and cells selected one key after the other', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write'])
  await openDemo(page)
  await goTo(page, '/settings')
  await choice(page, 'Key capture', 'Press one key after another').click()
  await openProfile(page, 'Brinewatch')
  await row(page, 'Side, front').press('Enter')
  for (const key of ['F9', 'Shift', 'Control', 'Shift']) await page.keyboard.press(key)
  await expect(page.getByText('Ctrl+ … press the next key')).toBeVisible()
  await page.keyboard.press('y')
  await expect(page.getByRole('combobox', { name: /^Action of Side, front/ })).toHaveValue(/^Ctrl\+Y/)
  await page.keyboard.press('Escape')
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Select several cells' }).press('Enter')
  await expect(row(page, 'Side, front')).toBeFocused()
  await page.keyboard.press('ArrowUp')
  const tools = page.getByRole('toolbar', { name: 'Selected cells' })
  await expect(tools).toContainText('2 cells')
  await tools.getByRole('button', { name: 'Clear selection' }).press('Enter')
  await row(page, 'Side, front').focus()
  await page.getByRole('button', { name: 'Select several cells' }).press('Enter')
  await tools.getByRole('button', { name: 'Copy' }).press('Enter')
  await tools.getByRole('button', { name: 'Clear selection' }).press('Enter')
  await row(page, 'Under the wheel').focus()
  await page.getByRole('button', { name: 'Select several cells' }).press('Enter')
  await tools.getByRole('button', { name: 'Paste' }).press('Enter')
  await expect(row(page, 'Under the wheel')).toContainText('CtrlY')
})

test('nothing is told by colour alone: each signal has another cue for the three kinds of colour blindness', async ({
  page,
}) => {
  await openDemo(page)
  await openProfile(page, 'Brinewatch crew')
  await bindByTyping(page, 'Thumb 1', 'f5')
  await page.keyboard.press('Escape')
  // Unwritten: a dot that is shown or not, and a text.
  const label = page.locator('.label', { hasText: /^6/ })
  await expect(label.getByTitle('not on the device yet')).toBeVisible()
  await expect(page.getByRole('button', { name: /^6 Thumb 1: .*, not on the device$/ })).toBeVisible()
  await expect(page.locator('[data-state]')).toContainText('1 unwritten edit')
  // Layers: their number next to their actions, and on their tab.
  for (const line of await page.locator('.label .over:not(.tap)').all()) await expect(line).toHaveText(/^\d/)
  await expect(page.getByRole('group', { name: 'Layers' }).getByRole('button').nth(1)).toHaveText(/^1/)
  // Active: the word itself.
  await expect(page.getByTestId('slot-standing')).toContainText('active')
  // Errors and warnings: a sign and a word each.
  await page.getByRole('button', { name: /warnings?$|to fix/ }).click()
  for (const mark of await page.getByRole('dialog', { name: 'Checks' }).locator('.mark').all())
    await expect(mark).toHaveText(/^[!?]$/)
  await page.keyboard.press('Escape')
  // Kinds of bytes: a visible border separates neighbours that look alike to some people.
  const parts = page.locator('.strip span')
  let alike = 0
  for (let index = 1; index < (await parts.count()); index++) {
    const at = (nth: number) => `.strip span:nth-child(${nth})`
    const [left, right] = [
      await colourOf(page, at(index), 'background-color'),
      await colourOf(page, at(index + 1), 'background-color'),
    ]
    if (minDifference(left, right).delta >= MIN_DISTINCT_DELTA) continue
    alike++
    const edge = await colourOf(page, at(index), 'border-right-color')
    expect(minDifference(edge, left).delta).toBeGreaterThanOrEqual(MIN_DISTINCT_DELTA)
  }
  expect(alike).toBeGreaterThan(0)
  await openView(page, 'Motion')
  for (const step of await page.getByRole('button', { name: /^Try step/ }).all())
    await expect(step).toHaveText(/^\d$/)
})
