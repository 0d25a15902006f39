import { readFileSync } from 'node:fs'
import { expect, test, type Page } from '@playwright/test'
import {
  bindByTyping,
  cell,
  choice,
  entry,
  openDemo,
  openProfile,
  openUnplugged,
  pressInput,
  row,
  slot,
  write,
  writeBox,
} from './support'

const DIVE = { name: 'Dive', place: 1 }

/** A minute of a person who types 40 words of five letters and a space. */
const KEYSTROKES_A_MINUTE = 240

test('a thumb grid is set up for Brinewatch by typing alone, in under a minute of keystrokes', async ({
  page,
}) => {
  await openDemo(page)
  await page.getByRole('link', { name: 'Library' }).click()
  await page.getByRole('button', { name: 'New for Godwit 19' }).click()
  await cell(page, 'Thumb 1').focus()
  const grid = [
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
  for (const [index, text] of grid.entries()) {
    // The first letter opens the cell; the arrow goes on to the next one.
    for (const character of text) await strike(character === ' ' ? 'Space' : character)
    await strike('Enter')
    await expect(entry(page, `Thumb ${index + 1}`)).toHaveAttribute('data-untouched', '')
    await strike('ArrowDown')
    await strike('Escape')
  }
  expect(keystrokes).toBeLessThan(KEYSTROKES_A_MINUTE)
  await expect(cell(page, 'Thumb 4')).toContainText('Sonar')
  await expect(page.getByRole('button', { name: /^9 Thumb 4 Sonar/ })).toBeVisible()
  // Copy depends on the system, which is asked for where it matters.
  await cell(page, 'Thumb 10').click()
  await page.getByRole('button', { name: 'Linux' }).click()
  await expect(cell(page, 'Thumb 10')).toContainText('Ctrl+C')
  await page.getByRole('button', { name: /^Slot 1 of 5/ }).click()
  await page.getByRole('menuitemradio', { name: /^Slot 3/ }).click()
  await write(page)
  await page.goto('/devices?device=godwit-19')
  await slot(page, 3).getByRole('button', { name: 'Make active' }).click()
  const computer = await openUnplugged(page, 'godwit-19')
  for (const thumb of [1, 4, 7]) await pressInput(computer, `thumb-${thumb}`)
  await expect(computer.getByTestId('typed')).toHaveText('1sw')
  await pressInput(computer, 'thumb-10')
  await expect(computer.getByText('last shortcut or control: Ctrl+C')).toBeVisible()
})

test('a held layer on a side button that still middle-clicks on tap', async ({ page }) => {
  await openDemo(page)
  await openProfile(page, 'Gantry Run')
  await page.getByRole('button', { name: '+ layer' }).click()
  const name = page.getByRole('textbox', { name: /Name/ })
  await expect(name).toBeFocused()
  await name.fill('Dive')
  await name.press('Enter')
  await expect(page.getByRole('button', { name: 'Dive', exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  )

  await bindByTyping(page, 'Side, rear', 'tap middle click, hold dive')
  await expect(page.getByRole('img', { name: /Let go before 200 ms: Middle click/ })).toBeVisible()
  await page.getByText('or by another press').click()
  await page.getByRole('textbox', { name: 'Threshold in ms' }).fill('253')
  await page.getByRole('textbox', { name: 'Threshold in ms' }).press('Enter')
  await expect(page.getByRole('textbox', { name: 'Threshold in ms' })).toHaveValue('250')
  // The layer says on which input it is held, and an input of it is edited in its own colour and under its name.
  await expect(page.getByRole('columnheader', { name: /Dive/ })).toContainText('while Side, rear is held')
  await bindByTyping(page, 'Side, front', 'b = Vent tanks', DIVE)
  await expect(page.getByRole('button', { name: /5 Side, front Vault.*Vent tanks/ })).toBeVisible()
  await write(page)

  const computer = await openUnplugged(page)
  await pressInput(computer, 'slot-button')
  const log = computer.locator('tbody tr')
  await pressInput(computer, 'side-rear')
  await expect(log.first()).toContainText('Middle click up')
  await expect(log.nth(1)).toContainText('Middle click down')
  await computer.locator('[data-press="side-rear"]').click({ modifiers: ['Shift'] })
  await expect(computer.getByText('Tern 7: Side, rear is held down')).toBeVisible()
  await pressInput(computer, 'side-front')
  await expect(computer.getByTestId('typed')).toHaveText('b')
  await computer.getByRole('button', { name: 'Let go' }).click()
  await pressInput(computer, 'side-front')
  await expect(computer.getByTestId('typed')).toHaveText('b ')
  await expect(log.filter({ hasText: 'Middle click down' })).toHaveCount(1)
})

test('a layer key of the keyboard changes the mouse, through the receiver alone', async ({ page }) => {
  await openDemo(page)
  await openProfile(page, 'Engraving desk')
  await page.getByRole('button', { name: 'Notes', exact: true }).click()
  await page.getByRole('button', { name: 'Notes settings ▾' }).click()
  await page
    .getByRole('combobox', { name: /Shared over the receiver/ })
    .selectOption({ label: 'with signal 1' })
  await page.keyboard.press('Escape')
  await expect(page.getByRole('columnheader', { name: /Notes/ })).toContainText(
    'with signal 1 over the receiver',
  )
  await write(page)
  await page.goto('/devices?device=dunlin-84')
  await slot(page, 2).getByRole('button', { name: 'Make active' }).click()
  await expect(slot(page, 2)).toContainText('active')
  await page.close()

  const computer = await openUnplugged({ context: () => page.context() } as Page, 'dunlin-84')
  await computer.locator('[data-input="caps-lock"]').click({ modifiers: ['Shift'] })
  await computer.getByRole('button', { name: 'Tern 7', exact: true }).click()
  // Longer than the threshold of tap and hold: then the mouse has its own layer of that signal.
  await expect(async () => {
    await pressInput(computer, 'left')
    await expect(computer.getByTestId('typed')).toHaveText(/2$/, { timeout: 200 })
  }).toPass()
  await expect(computer.locator('tbody tr').first()).toContainText('Tern 7')
  await computer.getByRole('button', { name: 'Let go' }).click()
  await pressInput(computer, 'left')
  await expect(computer.locator('tbody tr').first()).toContainText('Left click up')
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
  await expect(tools).toContainText('4 cells of 4 inputs')
  await tools.getByRole('button', { name: 'Fill with the first' }).click()
  for (const thumb of [1, 2, 3, 4]) await expect(cell(page, `Thumb ${thumb}`)).toContainText('F1')
  await page.getByRole('button', { name: 'Undo' }).click()
  await tools.getByRole('button', { name: 'Reset to factory' }).click()
  await expect(cell(page, 'Thumb 3')).toHaveText(/^3$/)
  await page.getByRole('button', { name: 'Undo' }).click()

  await cell(page, 'Thumb 8').click({ modifiers: ['Control'] })
  await tools.getByRole('button', { name: 'Only the first' }).click()
  await cell(page, 'Thumb 8').click({ modifiers: ['Control'] })
  await tools.getByRole('button', { name: 'Swap' }).click()
  await expect(cell(page, 'Thumb 1')).toContainText('Host 8')
  await expect(cell(page, 'Thumb 8')).toContainText('Host 1')

  // As in a spreadsheet, out and back in elsewhere, names and all; and by keyboard.
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

  // An action is dragged from the offers, a binding from the sheet; both land on the layer that is edited.
  await cell(page, 'Wheel press').click()
  await page.getByRole('button', { name: 'Sound, media' }).click()
  await page
    .getByRole('option', { name: 'Mute', exact: true })
    .dragTo(page.locator('[data-input="under-wheel"]').first())
  await expect(cell(page, 'Under the wheel')).toContainText('Mute')
  await page.keyboard.press('Escape')
  await cell(page, 'Side, front').dragTo(page.getByRole('button', { name: /^2 Right button/ }))
  await expect(cell(page, 'Right button')).toContainText('Release ballast')
})

test('the sheet of a keyboard shows what differs, is searched by any word, and stays with the key that was chosen', async ({
  page,
}) => {
  await openDemo(page)
  await openProfile(page, 'Brinewatch bridge')
  await expect(cell(page, 'F1', 2)).toContainText('Call the crew')
  await expect(cell(page, 'J')).toHaveCount(0)
  const search = page.getByRole('searchbox', { name: 'Search the sheet' })
  await search.fill('flood')
  await expect(cell(page, 'L', 2)).toContainText('Flood light')
  await expect(cell(page, 'F1')).toHaveCount(0)
  await search.fill('no such thing')
  await expect(page.getByText('No input, action or name here has “no such thing” in it.')).toBeVisible()
  await search.fill('')
  await page.locator('[data-input="key-j"]').click()
  await bindByTyping(page, 'J', 'type "all clear"')
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Dive', exact: true }).click()
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

test('what a device cannot do by itself is lowered to keystrokes, shown exactly, and works on the system it was made for', async ({
  page,
}) => {
  await openDemo(page)
  await openProfile(page, 'Brinewatch')
  await bindByTyping(page, 'Under the wheel', 'open program tide-table')
  await expect(page.getByText('A device cannot open anything by itself')).toContainText('on Windows')
  const keys = page.locator('ol').filter({ hasText: 'waits 500 ms' })
  await expect(keys.getByRole('listitem')).toHaveText([
    'System+R',
    'waits 500 ms',
    'tide-table',
    'waits 100 ms',
    'Enter',
  ])
  await write(page)
  const computer = await openUnplugged(page)
  await pressInput(computer, 'under-wheel')
  await expect(computer.getByTestId('opened')).toHaveText('tide-table')
  await expect(computer.getByTestId('typed')).toHaveText('')
  // On another system the same keys mean something else: they are the keys of Windows.
  await computer.getByRole('combobox', { name: 'This computer runs' }).selectOption({ label: 'Linux' })
  await pressInput(computer, 'under-wheel')
  await expect(computer.getByTestId('typed')).toContainText('tide-table')
})

test('a text is refused where the layout cannot type it, and the checks lead to it when the layout changes', async ({
  page,
}) => {
  await openDemo(page)
  await openProfile(page, 'Score engraving')
  await bindByTyping(page, 'Under the wheel', 'type "Größe 漢"')
  await expect(page.getByRole('alert')).toContainText('The German layout cannot type 漢')
  await bindByTyping(page, 'Under the wheel', 'type "Größe"')
  await expect(row(page, 'Under the wheel')).toContainText('Type “Größe”')
  await page.getByRole('button', { name: /^Linux · German/ }).click()
  await page.getByRole('button', { name: 'US', exact: true }).click()
  await page.keyboard.press('Escape')
  await expect(writeBox(page)).toContainText('Cannot be written yet')
  await page.getByRole('button', { name: '1 to mend before writing' }).click()
  const checks = page.getByRole('dialog', { name: 'Checks' })
  await expect(checks).toContainText('Under the wheel: the US layout cannot type ö ß')
  await checks.getByRole('button', { name: 'Show it' }).click()
  await expect(entry(page, 'Under the wheel')).toBeVisible()
  await checks.getByRole('button', { name: 'Its layout is German' }).click()
  await expect(page.getByRole('button', { name: 'nothing to check' })).toBeVisible()
  await page.keyboard.press('Escape')
  await write(page)
})

test('a finding of the demo is mended in one press', async ({ page }) => {
  await openDemo(page)
  await openProfile(page, 'Brinewatch crew')
  await page.getByRole('button', { name: '1 to check' }).click()
  const checks = page.getByRole('dialog', { name: 'Checks' })
  await expect(checks).toContainText('“Lamp” is the name of Thumb 5 and of Thumb 9')
  await checks.getByRole('button', { name: 'Take the name off Thumb 9' }).click()
  await expect(cell(page, 'Thumb 9')).not.toContainText('Lamp')
  await expect(page.getByRole('button', { name: 'nothing to check' })).toBeVisible()
})

test('the cheat sheet is saved as SVG and as PNG, and printed alone', async ({ page }) => {
  await openDemo(page)
  await openProfile(page, 'Brinewatch')
  await page.getByRole('link', { name: 'Cheat sheet' }).click()
  await expect(page.getByRole('img', { name: 'Cheat sheet of Brinewatch on Tern 7' })).toBeVisible()
  const save = async (how: string) => {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: `Save as ${how}` }).click(),
    ])
    return { name: download.suggestedFilename(), content: readFileSync(await download.path()) }
  }
  const svg = await save('SVG')
  expect(svg.name).toBe('brinewatch-cheat-sheet.svg')
  expect(svg.content.toString()).toContain('Sonar sweep (S)')
  const png = await save('PNG')
  expect(png.content.subarray(1, 4).toString()).toBe('PNG')
  expect([png.content.readUInt32BE(16), png.content.readUInt32BE(20)]).toEqual([2339, 1654])
  await page.evaluate(() => {
    window.print = () => (document.title = `prints ${document.querySelectorAll('.printed-page').length} page`)
  })
  await page.getByRole('button', { name: 'Print' }).click()
  await expect(page).toHaveTitle('prints 1 page')
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden()
})

test('a profile is copied to another model by what its inputs are for, after saying what will become of it', async ({
  page,
}) => {
  await openDemo(page)
  await openProfile(page, 'Brinewatch')
  await page.getByRole('button', { name: /^Brinewatch/ }).click()
  await page.getByRole('menuitem', { name: 'Copy to another model…' }).click()
  await choice(page, 'Model', 'Knot 5').click()
  const report = page.getByLabel('What becomes of it')
  await expect(report).toContainText('Under the wheel in Dive: OffKnot 5 has nothing like it')
  await choice(page, 'Model', 'Godwit 19').click()
  await expect(report).toContainText('Side, front: Yon Thumb 1')
  await page.getByRole('button', { name: 'Make the copy for Godwit 19' }).click()
  await expect(page.getByText('on Godwit 19')).toBeVisible()
  await expect(cell(page, 'Thumb 1')).toContainText('Release ballast')
  await expect(cell(page, 'Thumb 1', 1)).toContainText('Vent tanks')
  await page.getByRole('link', { name: 'Library' }).click()
  await expect(page.getByRole('link', { name: 'Brinewatch', exact: true })).toBeVisible()
  await expect(page.getByRole('link', { name: 'Brinewatch 2', exact: true })).toBeVisible()
})

test('a connection that carries no configuration is told apart from none, and from a cable that only charges', async ({
  page,
}) => {
  await openDemo(page)
  await choice(page, 'Wireless', 'Bluetooth').click()
  await expect(page.getByText('Bluetooth carries no configuration')).toBeVisible()
  await expect(slot(page, 1)).toContainText('Brinewatch')
  await openProfile(page, 'Brinewatch')
  await expect(writeBox(page)).toContainText('Bluetooth carries no configuration')
  await expect(writeBox(page)).toContainText('Use the cable or the receiver')
  await page.getByRole('link', { name: 'Devices' }).click()
  await choice(page, 'Wireless', 'off').click()
  await choice(page, 'Cable', 'charging only').click()
  await expect(page.getByText('Not connected. Below is what was read')).toBeVisible()
  await openProfile(page, 'Brinewatch')
  await expect(writeBox(page)).toContainText('Some cables only charge')
  await page.getByRole('link', { name: 'Devices' }).click()
  await choice(page, 'Cable', 'data').click()
  await openProfile(page, 'Brinewatch')
  await write(page)
})

test('a mouse for either hand shows the flank its thumb is on, and does the same on both', async ({
  page,
}) => {
  await openDemo(page)
  await openProfile(page, 'Proof reading')
  const label = page.getByRole('button', { name: /^5 Side, front|^5 Undo/ })
  const before = await label.boundingBox()
  await choice(page, 'Hand', 'left hand').click()
  await expect(async () => {
    const after = await label.boundingBox()
    expect(after?.x ?? 0).toBeGreaterThan((before?.x ?? 0) + 200)
  }).toPass()
  await write(page)
  const computer = await openUnplugged(page, 'knot-5')
  for (const shape of [0, 3]) {
    await computer.getByRole('button', { name: 'Start afresh' }).click({ force: true })
    await computer.locator('[data-input="side-front"]').nth(shape).click()
    await expect(computer.getByText('last shortcut or control: Ctrl+Y')).toBeVisible()
  }
})
