import { expect, type Page } from '@playwright/test'
import {
  layerTab,
  lightOf,
  ofRow,
  cell,
  openDemo,
  openProfile,
  openView,
  pick,
  row,
  slot,
  test,
  violations,
  write,
  writeBox,
} from './support'

const heading = (page: Page) => page.getByRole('main').getByRole('heading', { level: 1 })

test('each view has a title and one heading, which has the focus when the view comes; a skip link leads past the places', async ({
  page,
}) => {
  await openDemo(page)
  await page.keyboard.press('Tab')
  await expect(page.getByRole('link', { name: 'Skip to the view' })).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('main')).toBeFocused()
  await expect(page).toHaveTitle('Devices · Unisera')
  for (const place of ['Library', 'Macros', 'Measure', 'Settings']) {
    await page.getByRole('link', { name: place }).press('Enter')
    await expect(page).toHaveTitle(`${place} · Unisera`)
    await expect(heading(page)).toHaveCount(1)
    await expect(heading(page)).toBeFocused()
  }
  await openProfile(page, 'Brinewatch')
  await expect(page).toHaveTitle('Brinewatch, Buttons · Unisera')
  for (const view of ['Motion', 'Light', 'Buttons']) {
    await openView(page, view)
    await expect(page).toHaveTitle(`Brinewatch, ${view} · Unisera`)
    await expect(heading(page)).toHaveText(`Brinewatch, ${view}`)
  }
})

test('the focus goes to where a person would go on: after a deletion, a dialog, and a write', async ({
  page,
}) => {
  await openDemo(page)
  await page.getByRole('link', { name: 'Library' }).click()
  await ofRow(page, 'Gantry Run', 'Delete')
  await expect(page.getByRole('link', { name: 'Gantry Run' })).toBeHidden()
  const focused = () =>
    page.evaluate(() => document.activeElement?.closest('[role=listitem]')?.textContent ?? '')
  await expect.poll(focused).toMatch(/Brinewatch|Score engraving/)
  await ofRow(page, 'Hollow Tithe', 'Rename…')
  await expect(page.getByRole('textbox', { name: /^Name/ })).toBeFocused()
  await expect(page.getByRole('textbox', { name: /^Name/ })).toHaveValue('Hollow Tithe')
  expect(await violations(page)).toEqual([])
  await page.keyboard.press('Escape')
  await expect(page.getByRole('button', { name: 'More actions for Hollow Tithe' })).toBeFocused()

  await openProfile(page, 'Brinewatch')
  await page.getByRole('button', { name: 'Brinewatch', exact: true }).press('Enter')
  await page.getByRole('menuitem', { name: 'Rename…' }).press('Enter')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('button', { name: 'Brinewatch', exact: true })).toBeFocused()
  await page.getByRole('button', { name: /^Write to slot/ }).press('Enter')
  await expect(writeBox(page)).toHaveAttribute('data-state', 'there')
  await expect.poll(() => page.evaluate(() => document.activeElement?.tagName)).not.toBe('BODY')
})

test('the sheet is gone over by Home, End, their corners and the pages, and menus by their arrows', async ({
  page,
}) => {
  await openDemo(page)
  await openProfile(page, 'Brinewatch crew')
  await cell(page, 'Thumb 1').focus()
  await page.keyboard.press('End')
  await expect(cell(page, 'Thumb 1', 1)).toBeFocused()
  await page.keyboard.press('Control+End')
  await expect(cell(page, 'Wheel down', 1)).toBeFocused()
  await page.keyboard.press('Home')
  await expect(cell(page, 'Wheel down')).toBeFocused()
  await page.keyboard.press('PageUp')
  await page.keyboard.press('PageUp')
  await expect(cell(page, 'Left button')).toBeFocused()
  await page.keyboard.press('Shift+PageDown')
  await expect(page.getByRole('toolbar', { name: 'Selected cells' })).toContainText('11 cells')
  await page.keyboard.press('Control+Home')
  await expect(cell(page, 'Left button')).toBeFocused()

  await page.getByRole('button', { name: /^Slot 1 of 5/ }).press('ArrowDown')
  await expect(page.getByRole('menuitemradio', { name: /^Slot 1/ })).toBeFocused()
  await page.keyboard.press('ArrowDown')
  await expect(page.getByRole('menuitemradio', { name: /^Slot 2/ })).toBeFocused()
  await page.keyboard.press('End')
  await expect(page.getByRole('menuitem', { name: /^Two inputs for the next slot/ })).toBeFocused()
  await page.keyboard.press('ArrowUp')
  await expect(page.getByRole('menuitemradio', { name: /^Slot 5/ })).toBeFocused()
  expect(await violations(page)).toEqual([])
})

test('what a thing is for is told to who comes to it by keys, and Escape puts it away', async ({ page }) => {
  await openDemo(page)
  await openProfile(page, 'Brinewatch')
  const tip = page.getByRole('tooltip')
  await page.getByRole('button', { name: 'Base', exact: true }).press('Tab')
  await expect(layerTab(page, 'Dive')).toBeFocused()
  await expect(tip).toHaveText(/^Dive: while Side, rear is held/)
  await page.keyboard.press('Escape')
  await expect(tip).toHaveCount(0)
  // The pointer also gets our tip instead of the browser's, and the button keeps its title afterwards.
  await page.getByRole('button', { name: 'Base', exact: true }).hover()
  await expect(tip).toHaveText(/^Base/)
  await page.mouse.move(0, 0)
  await expect(tip).toHaveCount(0)
  await expect(page.getByTitle(/^Base/)).toBeVisible()
})

test('what is open over a view can be used by everybody', async ({ page }) => {
  await openDemo(page)
  await openProfile(page, 'Brinewatch crew')
  const panels: [string, () => Promise<void>][] = [
    ['profile menu', () => page.getByRole('button', { name: 'Brinewatch crew', exact: true }).click()],
    ['checks', () => page.getByRole('button', { name: /warnings?$/ }).click()],
    ['computer', () => page.getByRole('button', { name: /^Windows · US/ }).click()],
    ['find', () => page.keyboard.press('Control+k')],
    ['new layer', () => page.getByRole('button', { name: 'Add layer' }).click()],
  ]
  for (const [panel, open] of panels) {
    await open()
    await expect(page.locator('.v-overlay--active:not(.v-snackbar)')).toBeVisible()
    expect(await violations(page), panel).toEqual([])
    await page.keyboard.press('Escape')
    await expect(page.locator('.v-overlay--active:not(.v-snackbar)')).toHaveCount(0)
  }
  await openView(page, 'Motion')
  await page.getByRole('button', { name: 'Colour of step 1', exact: true }).click()
  await expect(page.locator('.v-color-picker')).toBeVisible()
  expect(await violations(page), 'colour').toEqual([])
})

test('with a person’s own few colours what is chosen is still told', async ({ page }) => {
  await page.emulateMedia({ forcedColors: 'active' })
  await openDemo(page)
  await openProfile(page, 'Brinewatch')
  const views = page.getByRole('navigation', { name: 'Profile views' })
  const ground = (name: string) =>
    views.getByRole('link', { name }).evaluate((link) => getComputedStyle(link).backgroundColor)
  expect(await ground('Buttons')).not.toBe(await ground('Motion'))
  const highlight = await views.evaluate((nav) => {
    const sample = nav.appendChild(document.createElement('i'))
    sample.style.backgroundColor = 'Highlight'
    const colour = getComputedStyle(sample).backgroundColor
    sample.remove()
    return colour
  })
  expect(await ground('Buttons')).toBe(highlight)
  // A selected cell has a background, the focus an outline: they look different.
  const outline = () => row(page, 'Side, front').evaluate((each) => getComputedStyle(each).outlineStyle)
  const cellGround = (name: string) =>
    row(page, name).evaluate((each) => getComputedStyle(each).backgroundColor)
  await row(page, 'Side, rear').press('ArrowDown')
  await expect(row(page, 'Side, front')).toBeFocused()
  expect(await outline()).toBe('solid')
  await page.getByRole('link', { name: 'Cheat sheet' }).focus()
  expect(await outline()).toBe('none')
  expect(await cellGround('Side, front')).not.toBe(await cellGround('Side, rear'))
  await openView(page, 'Motion')
  const choice = page
    .getByRole('radio', { name: 'Free' })
    .locator('xpath=ancestor::*[contains(@class,"v-radio")][1]')
  const other = page
    .getByRole('radio', { name: 'Targets' })
    .locator('xpath=ancestor::*[contains(@class,"v-radio")][1]')
  const painted = (field: typeof choice) => field.evaluate((each) => getComputedStyle(each).backgroundColor)
  expect(await painted(choice)).not.toBe(await painted(other))
})

test('lights rest in every drawing of both pages once they are paused, and after a reload', async ({
  page,
}) => {
  await page.emulateMedia({ reducedMotion: 'no-preference' })
  await openDemo(page)
  await page.getByRole('button', { name: 'Pause lights' }).click()
  await openProfile(page, 'Brinewatch', 'Light')
  const lamp = () => lightOf(page, 'tern-7', 'spine:1')
  await expect(page.getByRole('button', { name: 'Play lights' })).toBeVisible()
  const rests = await lamp()
  await page.reload()
  await expect(page.getByRole('button', { name: 'Play lights' })).toBeVisible()
  expect(await lamp()).toBe(rests)
  await page.goto('/unplugged.html')
  await expect(page.getByRole('button', { name: 'Play lights' })).toBeVisible()
  await page.getByRole('button', { name: 'Play lights' }).click()
  const shown = await lamp()
  await expect.poll(lamp).not.toBe(shown)
})

test('profiles are put in another order by keys and by buttons, taken back, and found among many', async ({
  page,
}) => {
  await openDemo(page)
  await page.getByRole('link', { name: 'Library' }).click()
  const names = () =>
    page.getByRole('list', { name: 'Profiles' }).getByRole('listitem').getByRole('link').allTextContents()
  await expect
    .poll(async () => (await names()).slice(0, 3))
    .toEqual(['Brinewatch', 'Gantry Run', 'Score engraving'])
  await page.getByRole('link', { name: 'Score engraving' }).press('Alt+ArrowUp')
  await expect
    .poll(async () => (await names()).slice(0, 3))
    .toEqual(['Brinewatch', 'Score engraving', 'Gantry Run'])
  await expect(page.getByRole('link', { name: 'Score engraving' })).toBeFocused()
  await ofRow(page, 'Brinewatch', 'Move down')
  await expect
    .poll(async () => (await names()).slice(0, 3))
    .toEqual(['Score engraving', 'Brinewatch', 'Gantry Run'])
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  await expect
    .poll(async () => (await names()).slice(0, 3))
    .toEqual(['Brinewatch', 'Gantry Run', 'Score engraving'])
  await ofRow(page, 'Gantry Run', 'Duplicate')
  await page.getByRole('searchbox', { name: 'Search profiles' }).fill('run gan')
  await expect.poll(names).toEqual(['Gantry Run', 'Gantry Run copy'])
  await page.getByRole('searchbox', { name: 'Search profiles' }).fill('kraken')
  await expect(page.getByText('No matching profiles')).toBeVisible()
  await page.getByRole('searchbox', { name: 'Search profiles' }).fill('')
  await openProfile(page, 'Tithe orders')
  await page.getByRole('link', { name: 'Library' }).click()
  await pick(page.getByRole('combobox', { name: 'Sort by' }), 'Last used')
  await expect.poll(async () => (await names())[0]).toBe('Tithe orders')
})

test('a device shows what it holds and does not do', async ({ page }) => {
  await openDemo(page)
  await openProfile(page, 'Brinewatch')
  await row(page, 'Under the wheel').click()
  await page.getByRole('combobox', { name: 'Action of Under the wheel' }).fill('from a later version 29 0102')
  await page.keyboard.press('Enter')
  await write(page)
  await page.getByRole('link', { name: 'Devices' }).click()
  await expect(slot(page, 1)).toContainText('same as in the library')
  await page.evaluate(() => window.open('/unplugged.html?device=tern-7'))
  const computer = await page.context().waitForEvent('page')
  await computer.locator('[data-press="under-wheel"]').press('Enter')
  await page.reload()
  await expect(page.getByText(/ignores them: action 29 \(1×\)/)).toBeVisible()
})
