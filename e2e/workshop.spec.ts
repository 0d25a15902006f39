import { readFileSync } from 'node:fs'
import { expect, type Page } from '@playwright/test'
import {
  deleteProfile,
  openDemo,
  openProfile,
  openUnplugged,
  openView,
  pick,
  profileRow,
  slot,
  test,
  violations,
  writeBox,
} from './support'

/** The library as a workshop: parts taken and given, earlier states, slots at a glance, sharing with nobody between. */

const compareWith = (page: Page, name: RegExp) =>
  page.getByRole('navigation', { name: 'What to compare with' }).getByRole('button', { name }).click()
const part = (page: Page, title: RegExp) => page.getByRole('checkbox', { name: title })
const profiles = (page: Page) => page.getByRole('list', { name: 'Profiles' }).getByRole('listitem')

test('the light alone of a starter is taken, and an earlier state brings it back', async ({ page }) => {
  await openDemo(page)
  await openProfile(page, 'Brinewatch', 'Light')
  const effects = page.getByRole('list', { name: 'Effects, top first' })
  await expect(effects).toContainText('Tide')
  await openView(page, 'Compare')
  await compareWith(page, /^Long battery/)
  await part(page, /^Motion, \d/).uncheck()
  const ticked = page.getByText(/^\d+ of \d+ ticked$/)
  const count = (await ticked.textContent()) ?? ''
  await page.getByRole('button', { name: 'Keep this state…' }).click()
  await page.getByRole('textbox', { name: 'Name of the state' }).fill('The tide')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByRole('button', { name: /The tide/ })).toBeVisible()
  await expect(ticked).toHaveText(count)
  await page.getByRole('button', { name: /^Take \d+ changes/ }).click()
  await expect(page.locator('tbody[data-part="light"]')).toHaveCount(0)
  await expect(page.locator('tbody[data-part="motion"]')).toHaveCount(1)
  await openView(page, 'Light')
  await expect(effects).toContainText('Charge')
  await expect(effects).not.toContainText('Tide')

  await openView(page, 'Compare')
  await compareWith(page, /The tide/)
  await expect(page.locator('tbody[data-part]')).toHaveCount(1)
  expect(await violations(page)).toEqual([])
  await page.getByRole('button', { name: /^Take \d+ changes/ }).click()
  await expect(page.getByText('No difference')).toBeVisible()
  await openView(page, 'Light')
  await expect(effects).toContainText('Tide')
})

test('parts are given to other profiles, several at once, and what a profile begins from is chosen', async ({
  page,
}) => {
  await openDemo(page)
  await openProfile(page, 'Gantry Run', 'Compare')
  await page.getByRole('button', { name: /^Put parts of it/ }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('checkbox', { name: 'Motion' }).check()
  await dialog.getByRole('checkbox', { name: 'Hollow Tithe, Tern 7' }).check()
  await dialog.getByRole('checkbox', { name: 'Brinewatch crew, Godwit 19' }).check()
  await expect(dialog).toContainText('Step 1')
  await dialog.getByRole('button', { name: 'Put them on 2 profiles' }).click()
  await page.getByRole('link', { name: 'Library' }).click()
  const row = profileRow(page, 'Hollow Tithe')
  await expect(row).toContainText('1200, 2400 DPI')
  await page.keyboard.press('Control+z')
  await expect(row).toContainText('600, 1000, 1000 DPI')

  await page.getByRole('button', { name: 'New for Godwit 19' }).click()
  await page.getByRole('radio', { name: /^Thumb grid by fours/ }).check()
  await expect(page.getByRole('dialog')).toContainText('Thumb 9 Ctrl+1')
  await page.getByRole('button', { name: 'Create profile' }).click()
  // The first slot of the device that is empty.
  await expect(page.getByRole('button', { name: 'Write to slot 2', exact: true })).toBeVisible()
})

test('profiles are tagged, found by what they do, deleted together and brought back', async ({ page }) => {
  await openDemo(page)
  await page.getByRole('link', { name: 'Library' }).click()
  await page.getByRole('checkbox', { name: 'Choose Gantry Run' }).check()
  await page.getByRole('checkbox', { name: 'Choose Hollow Tithe' }).check()
  const bar = page.getByRole('toolbar', { name: 'The chosen profiles' })
  await bar.getByRole('button', { name: 'Tags…' }).click()
  // The field has the focus, and typed text applies without Enter.
  await expect(page.getByRole('combobox', { name: /^Tags/ })).toBeFocused()
  await page.keyboard.type('Autumn')
  await page.getByRole('button', { name: 'Save tags' }).click()
  await page.getByRole('group', { name: 'Tags' }).getByRole('button', { name: 'Autumn' }).click()
  await expect(profiles(page)).toHaveCount(2)
  await page.getByRole('group', { name: 'Tags' }).getByRole('button', { name: 'All' }).click()

  await bar.getByRole('button', { name: 'Delete' }).click()
  await expect(profiles(page)).toHaveCount(7)
  const search = page.getByRole('searchbox', { name: 'Search profiles' })
  await expect(search).toHaveCount(0)
  await page.getByRole('button', { name: 'Deleted, 2' }).click()
  expect(await violations(page)).toEqual([])
  await page.getByRole('button', { name: 'Bring back Gantry Run' }).click()
  await page.getByRole('button', { name: 'Bring back Hollow Tithe' }).click()
  await search.fill('vent tanks')
  await expect(profiles(page).first()).toContainText('Brinewatch')
  await search.fill('autumn')
  await expect(profiles(page)).toHaveCount(2)
})

test('a profile goes to another computer by link and by picture', async ({ page, browser, baseURL }) => {
  await openDemo(page)
  await openProfile(page, 'Brinewatch crew')
  await page.getByRole('button', { name: /^Brinewatch crew/ }).click()
  await page.getByRole('menuitem', { name: 'Share…' }).click()
  await expect(page.getByRole('img', { name: 'The link as a QR code' })).toBeVisible()
  expect(await violations(page)).toEqual([])
  const link = await page.getByRole('textbox', { name: 'Link' }).inputValue()
  expect(link.length).toBeLessThan(2000)
  await page.getByRole('dialog').getByRole('link', { name: 'Cheat sheet' }).click()
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save as PNG' }).click()
  const picture = readFileSync(await (await download).path())

  const elsewhere = await browser.newContext({ baseURL })
  const other = await elsewhere.newPage()
  await openDemo(other)
  await other.getByRole('link', { name: 'Library' }).click()
  await deleteProfile(other, 'Brinewatch crew')
  await other.goto(link)
  await expect(other.getByRole('heading', { name: 'Brinewatch crew' })).toBeVisible()
  await expect(
    other.getByRole('region', { name: 'What it changes' }).or(other.getByLabel('What it changes')),
  ).toContainText('Thumb 1')
  expect(await violations(other)).toEqual([])
  await other.getByRole('button', { name: 'Keep it in the library' }).click()
  await expect(other.getByRole('navigation', { name: 'Views of the profile' })).toBeVisible()

  // The picture is the same profile, with its macros and notes.
  await other.getByRole('link', { name: 'Library' }).click()
  const file = { name: 'crew.png', mimeType: 'image/png', buffer: picture }
  await other.getByLabel('Open a file…').setInputFiles(file)
  await expect(other.getByText(/is in the library/)).toBeVisible()
  await other
    .getByLabel('Open a file…')
    .setInputFiles({ ...file, buffer: picture.subarray(0, picture.length / 2) })
  await expect(other.getByRole('alert')).toContainText('was not imported, and nothing was changed')

  await other.goto(`${link.slice(0, -9)}`)
  await expect(other.getByText('This link cannot be opened')).toBeVisible()
  await elsewhere.close()
})

test('two slots change places, also when the cable is pulled in the middle', async ({ page }) => {
  await openDemo(page)
  const hands = await page.context().newPage()
  await hands.goto('/unplugged.html')
  await page.getByRole('link', { name: 'All slots' }).click()
  const slots = page
    .getByRole('region', { name: 'Tern 7' })
    .getByRole('list', { name: 'Slots' })
    .getByRole('listitem')
  await expect(slots.nth(0)).toContainText('Brinewatch')
  expect(await violations(page)).toEqual([])
  await hands.getByText('500 × slower').click()
  await page.getByRole('button', { name: /^Slot 1 of Tern 7/ }).click()
  await page.getByRole('menuitem', { name: 'Swap with slot 2' }).click()
  await expect(page.getByRole('progressbar', { name: 'Slots 1 and 2 change places' })).toBeVisible()
  await hands.getByRole('button', { name: 'Take out the receiver' }).click()
  await expect(page.getByText(/Each slot is either as it was or completely changed/)).toBeVisible({
    timeout: 30_000,
  })
  await hands.getByText('real time').click()
  await hands.getByRole('button', { name: 'Put in the receiver' }).click()
  await expect(page.getByText('was interrupted. It is finished now.')).toBeVisible({ timeout: 30_000 })
  await expect(slots.nth(0)).toContainText('Gantry Run')
  await expect(slots.nth(1)).toContainText('Brinewatch')
  // Both profiles are written to where their images are now.
  await openProfile(page, 'Gantry Run')
  await expect(page.getByRole('button', { name: /^Slot 1 of 5/ })).toBeVisible()
  await expect(writeBox(page)).toHaveAttribute('data-state', 'there')
  await page.getByRole('link', { name: 'Devices' }).click()
  await page.getByRole('link', { name: 'All slots' }).click()
  await page.getByRole('button', { name: /^Write (one|\d) slots?/ }).click()
  await expect(page.getByRole('button', { name: 'Nothing left to write' })).toBeVisible({ timeout: 30_000 })
  await page.getByRole('button', { name: /^Slot 2 of Tern 7/ }).click()
  await page.getByRole('menuitem', { name: 'Compare with its profile' }).click()
  await expect(page.getByText('No difference')).toBeVisible()
  await expect(writeBox(page)).toHaveAttribute('data-state', 'there')
  await hands.close()
})

test('an app rule changes the slot while a program is in front, by the helper and only by it', async ({
  page,
}) => {
  await openDemo(page)
  await page.getByRole('link', { name: 'App rules' }).click()
  await page.getByLabel('Program for a new rule').fill('Ledger*')
  await page.keyboard.press('Enter')
  const added = page.getByRole('row', { name: 'rule 4' })
  await expect(added).toContainText('It changes nothing')
  await pick(added.getByRole('combobox', { name: 'Tern 7, rule 4' }), '2 Gantry Run')
  await expect(added).not.toContainText('It changes nothing')
  await page.getByLabel('Which rule would a program meet?').fill('D:\\Work\\ledgerly.exe')
  await expect(page.getByText('It meets rule 4: Tern 7 goes to slot 2.')).toBeVisible()
  expect(await violations(page)).toEqual([])

  const computer = await openUnplugged(page)
  const told = computer.getByTestId('helper')
  await computer.getByText('Ledgerly.exe').click()
  await expect(told).toContainText('No helper runs')
  await computer.getByLabel('Helper for app rules').press('Space')
  await expect(told).toContainText('Ledgerly.exe meets rule 4. Tern 7: slot 2 is active now.')
  expect(await violations(computer)).toEqual([])
  await page.getByRole('link', { name: 'One by one' }).click()
  await expect(slot(page, 2)).toContainText('active')
  await computer.getByText('HollowTithe.exe').click()
  await expect(told).toContainText('meets no rule. Devices stay as they are.')

  await page.getByRole('link', { name: 'App rules' }).click()
  await page.getByRole('button', { name: 'Delete rule 4' }).click()
  // The helper reads the rules as they are stored, which may be a moment later.
  await expect(async () => {
    await computer.getByText('HollowTithe.exe', { exact: true }).click()
    await computer.getByText('Ledgerly.exe', { exact: true }).click()
    await expect(told).toContainText('Ledgerly.exe meets no rule', { timeout: 2000 })
  }).toPass()
  // Wherever the focus went: a field in which nothing was typed leaves Ctrl Z to the view.
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('row', { name: 'rule 4' })).toBeVisible()
})
