import { expect, type Page } from '@playwright/test'
import {
  bindByTyping,
  cell,
  entry,
  layerTab,
  openDemo,
  openProfile,
  openUnplugged,
  pick,
  pressInput,
  slot,
  test,
  write,
} from './support'

const DIVE = { name: 'Dive', place: 1 }

/** A minute of typing at 40 words of five letters and a space. */
const KEYSTROKES_A_MINUTE = 240

test('a thumb grid is set up for Brinewatch by typing alone, in under a minute of keystrokes', async ({
  page,
}) => {
  await openDemo(page)
  await page.getByRole('link', { name: 'Library' }).click()
  await page.getByRole('button', { name: 'New profile for Godwit 19' }).click()
  await page.getByRole('button', { name: 'Create profile' }).click()
  await cell(page, 'Thumb 1').focus()
  const step = [
    ...[
      '1 = Ballast in',
      '2 = Ballast out',
      '3 = Trim',
      's = Sonar',
      'l = Lamp',
      'f = Flare',
      'w = Winch in',
    ],
    ...['x = Winch out', 'ctrl+b = Bilge', 'copy', 'volume up', 'tap esc, hold shift'],
  ]
  let keystrokes = 0
  const strike = async (key: string) => {
    keystrokes++
    await page.keyboard.press(key)
  }
  for (const [index, text] of step.entries()) {
    // The first letter opens the cell, Enter closes it and selects the next.
    for (const character of text) await strike(character === ' ' ? 'Space' : character)
    await strike('Enter')
    await expect(entry(page, `Thumb ${index + 1}`)).toBeHidden()
    if (index + 1 < step.length) await expect(cell(page, `Thumb ${index + 2}`)).toBeFocused()
  }
  expect(keystrokes).toBeLessThan(KEYSTROKES_A_MINUTE)
  await expect(cell(page, 'Thumb 4')).toContainText('Sonar')
  await expect(page.getByRole('button', { name: /^9 Thumb 4: Sonar/ })).toBeVisible()
  // The keys of Copy depend on the system, which the cell asks for.
  await cell(page, 'Thumb 10').click()
  await page.getByRole('button', { name: 'Linux' }).click()
  await expect(cell(page, 'Thumb 10')).toContainText('Ctrl+C')
  await page.getByRole('button', { name: /^Slot 2 of 5/ }).click()
  await page.getByRole('menuitemradio', { name: /^Slot 3/ }).click()
  await write(page)
  await page.goto('/devices?device=godwit-19')
  await slot(page, 3).getByRole('button', { name: 'Make active' }).click()
  const computer = await openUnplugged(page, 'godwit-19')
  for (const thumb of [1, 4, 7]) await pressInput(computer, `thumb-${thumb}`)
  await expect(computer.getByTestId('typed')).toHaveText('1sw')
  await pressInput(computer, 'thumb-10')
  await expect(computer.getByText('Last shortcut or media key: Ctrl+C')).toBeVisible()
})

test('a held layer on a side button that still middle-clicks on tap', async ({ page }) => {
  await openDemo(page)
  await openProfile(page, 'Gantry Run')
  await page.getByRole('button', { name: 'Add layer' }).click()
  const name = page.getByRole('textbox', { name: /Name/ })
  await expect(name).toBeFocused()
  await name.fill('Dive')
  await name.press('Enter')
  await expect(layerTab(page, 'Dive')).toHaveAttribute('aria-pressed', 'true')

  await bindByTyping(page, 'Side, rear', 'tap middle click, hold dive')
  await expect(page.getByRole('img', { name: /Released before 200 ms: Middle click/ })).toBeVisible()
  await page.getByText('Also on another press').click()
  await page.getByRole('textbox', { name: 'Hold threshold in ms' }).fill('253')
  await page.getByRole('textbox', { name: 'Hold threshold in ms' }).press('Enter')
  await expect(page.getByRole('textbox', { name: 'Hold threshold in ms' })).toHaveValue('250')
  // The layer names its input, and its cells have its own colour and names.
  await expect(page.getByRole('columnheader', { name: /Dive/ })).toContainText('while Side, rear is held')
  await bindByTyping(page, 'Side, front', 'b = Vent tanks', DIVE)
  await expect(page.getByRole('button', { name: /^5 Side, front: Vent tanks/ })).toBeVisible()
  await write(page)

  const computer = await openUnplugged(page)
  await pressInput(computer, 'slot-button')
  const log = computer.locator('tbody tr.v-data-table__tr')
  await pressInput(computer, 'side-rear')
  await expect(log.first()).toContainText('Middle click up')
  await expect(log.nth(1)).toContainText('Middle click down')
  await computer.locator('[data-press="side-rear"]').click({ modifiers: ['Shift'] })
  await expect(computer.getByText('Tern 7: Side, rear is held')).toBeVisible()
  await pressInput(computer, 'side-front')
  await expect(computer.getByTestId('typed')).toHaveText('b')
  await computer.getByRole('button', { name: 'Release' }).click()
  await pressInput(computer, 'side-front')
  await expect(computer.getByTestId('typed')).toHaveText('b ')
  await expect(log.filter({ hasText: 'Middle click down' })).toHaveCount(1)
})

test('a layer key of the keyboard changes the mouse, through the receiver alone', async ({ page }) => {
  await openDemo(page)
  await openProfile(page, 'Engraving desk')
  await layerTab(page, 'Notes').click()
  await page.getByRole('button', { name: 'Notes settings' }).click()
  await pick(page.getByRole('combobox', { name: 'Share with other devices' }), 'Signal 1')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('columnheader', { name: /Notes/ })).toContainText('signal 1 over the receiver')
  await write(page)
  await page.goto('/devices?device=dunlin-84')
  await slot(page, 2).getByRole('button', { name: 'Make active' }).click()
  await expect(slot(page, 2)).toContainText('active')
  await page.close()

  const computer = await openUnplugged({ context: () => page.context() } as Page, 'dunlin-84')
  await computer.locator('[data-input="caps-lock"]').click({ modifiers: ['Shift'] })
  await computer.getByRole('tab', { name: 'Tern 7' }).click()
  // Longer than the hold threshold: the mouse activates its own layer with that signal.
  await expect(async () => {
    await pressInput(computer, 'left')
    await expect(computer.getByTestId('typed')).toHaveText(/2$/, { timeout: 200 })
  }).toPass()
  await expect(computer.locator('tbody tr.v-data-table__tr').first()).toContainText('Tern 7')
  await computer.getByRole('button', { name: 'Release' }).click()
  await pressInput(computer, 'left')
  await expect(computer.locator('tbody tr.v-data-table__tr').first()).toContainText('Left click up')
})

test('cells are selected, filled, swapped, cleared and reset together, and dragged onto the drawing', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write'])
  await openDemo(page)
  await openProfile(page, 'Tithe orders')
  const tools = page.getByRole('toolbar', { name: 'Selected cells' })
  await cell(page, 'Thumb 1').click({ modifiers: ['Control'] })
  await cell(page, 'Thumb 4').click({ modifiers: ['Shift'] })
  await expect(tools).toContainText('4 cells')
  await tools.getByRole('button', { name: 'Fill with the first' }).click()
  for (const thumb of [1, 2, 3, 4]) await expect(cell(page, `Thumb ${thumb}`)).toContainText('F1')
  await page.getByRole('button', { name: 'Undo' }).click()
  await tools.getByRole('button', { name: 'Reset to factory settings' }).click()
  await expect(cell(page, 'Thumb 3')).toHaveText(/^3$/)
  await page.getByRole('button', { name: 'Undo' }).click()

  await cell(page, 'Thumb 8').click({ modifiers: ['Control'] })
  await tools.getByRole('button', { name: 'Clear selection' }).click()
  await cell(page, 'Thumb 8').click({ modifiers: ['Control'] })
  await tools.getByRole('button', { name: 'Swap' }).click()
  await expect(cell(page, 'Thumb 1')).toContainText('Host 8')
  await expect(cell(page, 'Thumb 8')).toContainText('Host 1')

  // As in a spreadsheet: copied with names and pasted elsewhere, also by keyboard.
  await cell(page, 'Thumb 10').focus()
  await page.keyboard.press('Shift+ArrowDown')
  await page.keyboard.press('Control+c')
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe(
    'Ctrl+Shift+M = March\nCtrl+Shift+H = Hold the line',
  )
  await openProfile(page, 'Brinewatch')
  await cell(page, 'Side, rear', 1).focus()
  await page.keyboard.press('Control+v')
  await expect(cell(page, 'Side, front', 1)).toContainText('Hold the line')
  await page.keyboard.press('Delete')
  await expect(cell(page, 'Side, rear', 1)).toContainText('holds this layer')

  // An action is dragged from the suggestions, a binding from the sheet; both are bound on the edited layer.
  await cell(page, 'Wheel press').click()
  await page.getByRole('button', { name: 'Sound and media' }).click()
  await page
    .getByRole('option', { name: 'Mute', exact: true })
    .dragTo(page.locator('[data-input="under-wheel"]').first())
  await expect(cell(page, 'Under the wheel')).toContainText('Mute')
  await page.keyboard.press('Escape')
  await cell(page, 'Side, front').dragTo(page.getByRole('button', { name: /^2 Right button/ }))
  await expect(cell(page, 'Right button')).toContainText('Release ballast')
})

test('the sheet of a keyboard shows what differs, is searched by any word, and stays with the key that was selected', async ({
  page,
}) => {
  await openDemo(page)
  await openProfile(page, 'Brinewatch bridge')
  await expect(cell(page, 'F1', 2)).toContainText('Call the crew')
  await expect(cell(page, 'J')).toHaveCount(0)
  const search = page.getByRole('searchbox', { name: 'Search the binding sheet' })
  await search.fill('flood')
  await expect(cell(page, 'L', 2)).toContainText('Flood light')
  await expect(cell(page, 'F1')).toHaveCount(0)
  await search.fill('no such thing')
  await expect(page.getByText('No input, action or name contains “no such thing”.')).toBeVisible()
  await search.fill('')
  await page.locator('[data-input="key-j"]').click()
  await bindByTyping(page, 'J', 'type "all clear"')
  await page.keyboard.press('Escape')
  await layerTab(page, 'Dive').click()
  await page.locator('[data-input="key-k"]').click()
  await expect(entry(page, 'K', 'Dive')).toBeFocused()
  await bindByTyping(page, 'K', 'ctrl+k', { name: 'Dive', place: 2 })
  await expect(cell(page, 'K', 2)).toContainText('CtrlK')
  await write(page)
  await page.close()
  const computer = await openUnplugged({ context: () => page.context() } as Page, 'dunlin-84')
  // The person's own keyboard presses the keys of the device.
  await computer.getByRole('application').focus()
  await computer.keyboard.press('KeyJ')
  await expect(computer.getByTestId('typed')).toHaveText('all clear')
  await computer.keyboard.press('F4')
  await expect(computer.getByTestId('typed')).toHaveText('all clear')
})
