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

/** Working with the library: copying parts, saved versions, all slots, direct sharing. */

const compareWith = (page: Page, name: RegExp) =>
  page.getByRole('navigation', { name: 'Compare with' }).getByRole('button', { name }).click()
const part = (page: Page, title: RegExp) => page.getByRole('checkbox', { name: title })
const profiles = (page: Page) => page.getByRole('list', { name: 'Profiles' }).getByRole('listitem')

test('the light alone of a starter is taken, and an earlier state brings it back', async ({ page }) => {
  await openDemo(page)
  await openProfile(page, 'Brinewatch', 'Light')
  const effects = page.getByRole('list', { name: 'Effects, from top to bottom' })
  await expect(effects).toContainText('Tide')
  await openView(page, 'Compare')
  await compareWith(page, /^Long battery/)
  await part(page, /^Motion, \d/).uncheck()
  const ticked = page.getByText(/^\d+ of \d+ selected$/)
  const count = (await ticked.textContent()) ?? ''
  await page.getByRole('button', { name: 'Save this version…' }).click()
  await page.getByRole('textbox', { name: 'Version name' }).fill('The tide')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByRole('button', { name: /The tide/ })).toBeVisible()
  await expect(ticked).toHaveText(count)
  await page.getByRole('button', { name: /^Copy \d+ changes/ }).click()
  await expect(page.locator('tbody[data-part="light"]')).toHaveCount(0)
  await expect(page.locator('tbody[data-part="motion"]')).toHaveCount(1)
  await openView(page, 'Light')
  await expect(effects).toContainText('Charge')
  await expect(effects).not.toContainText('Tide')

  await openView(page, 'Compare')
  await compareWith(page, /The tide/)
  await expect(page.locator('tbody[data-part]')).toHaveCount(1)
  expect(await violations(page)).toEqual([])
  await page.getByRole('button', { name: /^Copy \d+ changes/ }).click()
  await expect(page.getByText('No differences')).toBeVisible()
  await openView(page, 'Light')
  await expect(effects).toContainText('Tide')
})

test('parts are given to other profiles, several at once, and what a profile begins from is selected', async ({
  page,
}) => {
  await openDemo(page)
  await openProfile(page, 'Gantry Run', 'Compare')
  await page.getByRole('button', { name: /^Copy parts to other profiles/ }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('checkbox', { name: 'Motion' }).check()
  await dialog.getByRole('checkbox', { name: 'Hollow Tithe, Tern 7' }).check()
  await dialog.getByRole('checkbox', { name: 'Brinewatch crew, Godwit 19' }).check()
  await expect(dialog).toContainText('Step 1')
  await dialog.getByRole('button', { name: 'Copy to 2 profiles' }).click()
  await page.getByRole('link', { name: 'Library' }).click()
  const row = profileRow(page, 'Hollow Tithe')
  await expect(row).toContainText('1200, 2400 DPI')
  await page.keyboard.press('Control+z')
  await expect(row).toContainText('600, 1000, 1000 DPI')

  await page.getByRole('button', { name: 'New profile for Godwit 19' }).click()
  await page.getByRole('radio', { name: /^Thumb grid in fours/ }).check()
  await expect(page.getByRole('dialog')).toContainText('Thumb 9 Ctrl+1')
  await page.getByRole('button', { name: 'Create profile' }).click()
  // The first empty slot of the device.
  await expect(page.getByRole('button', { name: 'Write to slot 2', exact: true })).toBeVisible()
})

test('profiles are tagged, found by what they do, deleted together and brought back', async ({ page }) => {
  await openDemo(page)
  await page.getByRole('link', { name: 'Library' }).click()
  await page.getByRole('checkbox', { name: 'Select Gantry Run' }).check()
  await page.getByRole('checkbox', { name: 'Select Hollow Tithe' }).check()
  const bar = page.getByRole('toolbar', { name: 'Selected profiles' })
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
  await page.getByRole('button', { name: 'Deleted: 2' }).click()
  expect(await violations(page)).toEqual([])
  await page.getByRole('button', { name: 'Restore Gantry Run' }).click()
  await page.getByRole('button', { name: 'Restore Hollow Tithe' }).click()
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
  await expect(other.getByRole('region', { name: 'Changes' }).or(other.getByLabel('Changes'))).toContainText(
    'Thumb 1',
  )
  expect(await violations(other)).toEqual([])
  await other.getByRole('button', { name: 'Add to library' }).click()
  await expect(other.getByRole('navigation', { name: 'Profile views' })).toBeVisible()

  // The picture is the same profile, with its macros and notes.
  await other.getByRole('link', { name: 'Library' }).click()
  const file = { name: 'crew.png', mimeType: 'image/png', buffer: picture }
  await other.getByLabel('Open a file…').setInputFiles(file)
  await expect(other.getByText('The library has a different “Brinewatch crew”')).toBeVisible()
  await other
    .getByLabel('Open a file…')
    .setInputFiles({ ...file, buffer: picture.subarray(0, picture.length / 2) })
  await expect(other.getByRole('alert')).toContainText('was not imported. Nothing was changed')

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
  await hands.getByText('500× slower').click()
  await page.getByRole('button', { name: /^Slot 1 of Tern 7/ }).click()
  await page.getByRole('menuitem', { name: 'Swap with slot 2' }).click()
  await expect(page.getByRole('progressbar', { name: 'Swapping slots 1 and 2' })).toBeVisible()
  await hands.getByRole('button', { name: 'Unplug the receiver' }).click()
  await expect(page.getByText(/Each slot is either unchanged or completely swapped/)).toBeVisible({
    timeout: 30_000,
  })
  await hands.getByText('Real time').click()
  await hands.getByRole('button', { name: 'Plug in the receiver' }).click()
  await expect(page.getByText('was interrupted. It is complete now.')).toBeVisible({ timeout: 30_000 })
  await expect(slots.nth(0)).toContainText('Gantry Run')
  await expect(slots.nth(1)).toContainText('Brinewatch')
  // Both profiles refer to the slots that have their images now.
  await openProfile(page, 'Gantry Run')
  await expect(page.getByRole('button', { name: /^Slot 1 of 5/ })).toBeVisible()
  await expect(writeBox(page)).toHaveAttribute('data-state', 'there')
  await page.getByRole('link', { name: 'Devices' }).click()
  await page.getByRole('link', { name: 'All slots' }).click()
  await page.getByRole('button', { name: /^Write (one|\d) slots?/ }).click()
  await expect(page.getByRole('button', { name: 'No unwritten changes' })).toBeVisible({ timeout: 30_000 })
  await page.getByRole('button', { name: /^Slot 2 of Tern 7/ }).click()
  await page.getByRole('menuitem', { name: 'Compare with profile' }).click()
  await expect(page.getByText('No differences')).toBeVisible()
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
  await expect(added).toContainText('The rule has no effect')
  await pick(added.getByRole('combobox', { name: 'Tern 7, rule 4' }), '2 Gantry Run')
  await expect(added).not.toContainText('The rule has no effect')
  await page.getByLabel('Which rule does a program match?').fill('D:\\Work\\ledgerly.exe')
  await expect(page.getByText('It matches rule 4: Tern 7 switches to slot 2.')).toBeVisible()
  expect(await violations(page)).toEqual([])

  const computer = await openUnplugged(page)
  const told = computer.getByTestId('helper')
  await computer.getByText('Ledgerly.exe').click()
  await expect(told).toContainText('The helper is off')
  await computer.getByLabel('Helper for app rules').press('Space')
  await expect(told).toContainText('Ledgerly.exe matches rule 4. Tern 7: slot 2 is now active.')
  expect(await violations(computer)).toEqual([])
  await page.getByRole('link', { name: 'One device' }).click()
  await expect(slot(page, 2)).toContainText('active')
  await computer.getByText('HollowTithe.exe').click()
  await expect(told).toContainText('matches no rule. Devices keep their slots.')

  await page.getByRole('link', { name: 'App rules' }).click()
  await page.getByRole('button', { name: 'Delete rule 4' }).click()
  // The helper reads the stored rules, which may change a moment later.
  await expect(async () => {
    await computer.getByText('HollowTithe.exe', { exact: true }).click()
    await computer.getByText('Ledgerly.exe', { exact: true }).click()
    await expect(told).toContainText('Ledgerly.exe matches no rule', { timeout: 2000 })
  }).toPass()
  // Wherever the focus went: a field without typed text leaves Ctrl Z to the view.
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('row', { name: 'rule 4' })).toBeVisible()
})
