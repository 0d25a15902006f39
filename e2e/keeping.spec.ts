import { readFileSync } from 'node:fs'
import { expect } from '@playwright/test'
import { itemAt } from '../src/core/base/items'
import {
  bindByTyping,
  deleteProfile,
  openDemo,
  openProfile,
  openUnplugged,
  openView,
  pressInput,
  row,
  slot,
  write,
  writeBox,
  test,
} from './support'

test('a profile goes out as a file; coming in again it asks, with what differs to look at', async ({
  page,
}) => {
  await openDemo(page)
  await openProfile(page, 'Gantry Run')
  await bindByTyping(page, 'Side, front', 'ctrl+alt+k')
  await page.getByRole('button', { name: /^Gantry Run/ }).click()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: 'Export as a file' }).click(),
  ])
  expect(download.suggestedFilename()).toBe('gantry-run.json')
  const file = await download.path()
  const saved: unknown = JSON.parse(readFileSync(file, 'utf8'))
  expect(saved).toMatchObject({
    format: 'unisera-profile',
    name: 'Gantry Run',
    model: 'tern-7',
    layers: [
      { bindings: { 'side-front': { action: { code: 'KeyK', modifiers: ['ControlLeft', 'AltLeft'] } } } },
    ],
  })
  await page.getByRole('link', { name: 'Library' }).click()
  const open = page.getByLabel('Open a file…')
  await open.setInputFiles(file)
  await expect(page.getByText('already in the library and identical')).toBeVisible()
  await openProfile(page, 'Gantry Run')
  await bindByTyping(page, 'Side, front', 'f7')
  await page.getByRole('link', { name: 'Library' }).click()
  await open.setInputFiles(file)
  const asked = page.getByRole('alertdialog')
  await expect(asked.getByRole('row', { name: /Side, front/ })).toContainText(/F7.*Ctrl\+Alt\+K/)
  await asked.getByRole('button', { name: 'Keep both' }).click()
  await page.getByRole('link', { name: 'Gantry Run 2' }).click()
  await expect(row(page, 'Side, front')).toContainText('CtrlAltK')
  // Undone where it was done, and replaced instead.
  await page.getByRole('link', { name: 'Library' }).click()
  await expect(page.getByRole('link', { name: 'Gantry Run 2' })).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('link', { name: 'Gantry Run 2' })).toBeHidden()
  await open.setInputFiles(file)
  await asked.getByRole('button', { name: 'Replace the existing one' }).click()
  await openProfile(page, 'Gantry Run')
  await expect(row(page, 'Side, front')).toContainText('CtrlAltK')
  // To compare with, only a profile can be opened; a file of macros opens in its own view.
  await openView(page, 'Compare')
  await page.getByLabel('Open a file…').setInputFiles('demo/macros.json')
  await expect(page.getByRole('alert')).toContainText('It contains macros.')
  await page.getByRole('alert').getByRole('button', { name: 'Open in Macros' }).click()
  await expect(page.getByRole('alertdialog', { name: 'Names already in use' })).toBeVisible()
  await page.getByRole('button', { name: 'Cancel' }).click()
  // Opened in the library, it moves there automatically.
  await page.getByRole('link', { name: 'Library' }).click()
  await expect(page.getByRole('heading', { name: 'Library' })).toBeVisible()
  await open.setInputFiles('demo/macros.json')
  await expect(page.getByRole('heading', { name: 'Macros' })).toBeVisible()
  await expect(page.getByRole('alertdialog', { name: 'Names already in use' })).toBeVisible()
})

test('a profile that is only in a slot is copied to the library, edited there, and written to another slot', async ({
  page,
}) => {
  await openDemo(page)
  await page.getByRole('link', { name: 'Library' }).click()
  await deleteProfile(page, 'Score engraving')
  await page.getByRole('link', { name: 'Devices' }).click()
  await expect(slot(page, 3)).toContainText('not in the library')
  await slot(page, 3).getByRole('button', { name: 'Copy to library' }).click()
  await expect(slot(page, 3)).toContainText('same as in the library')
  await slot(page, 3).getByRole('link', { name: 'Open' }).click()
  await expect(writeBox(page)).toHaveAttribute('data-state', 'there')
  await page.getByRole('button', { name: /^Slot 3 of 5/ }).click()
  await expect(page.getByRole('menuitemradio', { name: /^Slot 2/ })).toContainText('Gantry Run')
  await page.getByRole('menuitemradio', { name: /^Slot 5/ }).click()
  await expect(writeBox(page)).toContainText('Not on the device yet')
  await write(page)
  await page.getByRole('link', { name: 'Devices' }).click()
  await expect(slot(page, 5)).toContainText('Score engraving')
  await expect(slot(page, 3)).toContainText('Score engraving')
})

test('the computer hears each kind of action as what it is', async ({ page }) => {
  await openDemo(page)
  await openProfile(page, 'Brinewatch')
  const bindings: [string, string][] = [
    ['Side, front', 'double left click'],
    ['Side, rear', 'scroll down 4'],
    ['Wheel press', 'play or pause'],
    ['Right button', 'off'],
    ['Under the wheel', 'ctrl+shift+z'],
    ['Wheel up', 'mute'],
  ]
  for (const [input, text] of bindings) await bindByTyping(page, input, text)
  await openView(page, 'Motion')
  await page.getByText('Polling and power').click()
  await page.getByRole('group', { name: '2.4 GHz' }).getByText('125', { exact: true }).click()
  await write(page)
  const computer = await openUnplugged(page)
  const log = computer.locator('tbody tr.v-data-table__tr')
  await pressInput(computer, 'right')
  await pressInput(computer, 'side-front')
  await expect(log.first()).toContainText('Left click up')
  await expect(log).toHaveCount(4)
  // At 125 Hz, two reports of one kind are at least 8 ms apart.
  const times = (await log.locator('td:first-child').allTextContents()).map(Number).reverse()
  times.slice(1).forEach((time, index) => expect(time - itemAt(times, index)).toBeGreaterThanOrEqual(8))
  await pressInput(computer, 'side-rear')
  await expect(computer.getByTestId('scrolled')).toHaveText('-4')
  await pressInput(computer, 'wheel-press')
  await expect(computer.getByText('playing')).toBeVisible()
  await pressInput(computer, 'under-wheel')
  await expect(computer.getByText('Last shortcut or media key: Ctrl+Shift+Z')).toBeVisible()
  await expect(computer.getByTestId('typed')).toHaveText('')
  await computer.locator('[data-press="wheel-up"]').click()
  await expect(computer.getByTestId('volume')).toHaveText('muted')
  await computer.getByRole('button', { name: 'Clear' }).click()
  await expect(computer.getByText('No reports yet')).toBeVisible()
})

test('bindings are copied from row to row, pasted as a column, and put back', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write'])
  await openDemo(page)
  await openProfile(page, 'Brinewatch')
  await row(page, 'Side, front').focus()
  await page.keyboard.press('Control+c')
  await row(page, 'Under the wheel').focus()
  await page.keyboard.press('Control+v')
  await expect(row(page, 'Under the wheel')).toContainText('Y')

  // A column from a spreadsheet, which also swaps the only left click.
  await page.evaluate(() => navigator.clipboard.writeText('right click\nleft click\nctrl+tab'))
  await row(page, 'Left button').focus()
  await page.keyboard.press('Control+v')
  await expect(row(page, 'Left button')).toContainText('Right click')
  await expect(row(page, 'Right button')).toContainText('Left click')
  await expect(row(page, 'Wheel press')).toContainText('CtrlTab')
  await page.keyboard.press('Control+z')
  await expect(row(page, 'Left button')).toContainText('Left click')

  // One unreadable line, and nothing is pasted.
  await page.evaluate(() => navigator.clipboard.writeText('x\nwarp'))
  await row(page, 'Wheel up').focus()
  await page.keyboard.press('Control+v')
  const refused = page.getByText(
    /^Nothing was pasted\. In the cell for .+, “warp”: “warp” is not a key or an action/,
  )
  await expect(refused).toBeVisible()
  // An empty cell now leaves its input unchanged, and the earlier refusal disappears.
  await page.evaluate(() => navigator.clipboard.writeText('\nz'))
  await page.keyboard.press('Control+v')
  await page.getByRole('button', { name: 'Skip empty cells' }).click()
  await expect(refused).toBeHidden()
  await expect(row(page, 'Wheel down')).toContainText('Z')
  await expect(row(page, 'Wheel up')).toContainText('Scroll up')
  await page.evaluate(() => navigator.clipboard.writeText('x\ny\nz'))
  await page.keyboard.press('Control+v')
  await expect(page.getByText('3 rows and 1 columns do not fit')).toBeVisible()

  await row(page, 'Side, front').focus()
  await page.keyboard.press('Delete')
  await expect(row(page, 'Side, front')).toContainText('Forward click')
})

test('a profile is mirrored for the left hand, and the device clicks on the other side', async ({ page }) => {
  await openDemo(page)
  await openProfile(page, 'Brinewatch')
  await page.getByRole('button', { name: /^Brinewatch/ }).click()
  await page.getByRole('menuitem', { name: 'Mirror for the other hand' }).click()
  const dialog = page.getByRole('dialog', { name: 'Mirror for the other hand' })
  await expect(dialog).toContainText('Left button ↔ Right button')
  await expect(dialog.getByLabel('Changes')).toContainText('Right button')
  await dialog.getByRole('button', { name: 'Mirror bindings' }).click()
  await expect(row(page, 'Right button')).toContainText('Left click')
  await page.getByRole('button', { name: 'Undo', exact: true }).last().click()
  await expect(row(page, 'Right button')).toContainText('Right click')
  await page.getByRole('button', { name: 'Redo' }).click()
  await write(page)
  const computer = await openUnplugged(page)
  await pressInput(computer, 'right')
  await expect(computer.locator('tbody tr.v-data-table__tr').last()).toContainText('Left click down')
})
