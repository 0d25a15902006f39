import { readFileSync } from 'node:fs'
import { expect } from '@playwright/test'
import {
  bindByTyping,
  cell,
  choice,
  entry,
  openDemo,
  openProfile,
  openUnplugged,
  pick,
  pressInput,
  profileRow,
  row,
  slot,
  test,
  write,
  writeBox,
} from './support'

test('what a device cannot do by itself is lowered to keystrokes, shown exactly, and works on the system it was made for', async ({
  page,
}) => {
  await openDemo(page)
  await openProfile(page, 'Brinewatch')
  await bindByTyping(page, 'Under the wheel', 'open program tide-table')
  await expect(page.getByText('A device cannot open a program itself')).toContainText('on Windows')
  const keys = page.locator('ol').filter({ hasText: 'Delay of 500 ms' })
  await expect(keys.getByRole('listitem')).toHaveText([
    'System+R',
    'Delay of 500 ms',
    'tide-table',
    'Delay of 100 ms',
    'Enter',
  ])
  await write(page)
  const computer = await openUnplugged(page)
  await pressInput(computer, 'under-wheel')
  await expect(computer.getByTestId('opened')).toHaveText('tide-table')
  await expect(computer.getByTestId('typed')).toHaveText('')
  // On another system these keys mean something else: they are the keys for Windows.
  await pick(computer.getByRole('combobox', { name: 'Operating system:' }), 'Linux')
  await pressInput(computer, 'under-wheel')
  await expect(computer.getByTestId('typed')).toContainText('tide-table')
})

test('a text is refused where the layout cannot type it, and the checks lead to it when the layout changes', async ({
  page,
}) => {
  await openDemo(page)
  await openProfile(page, 'Score engraving')
  await bindByTyping(page, 'Under the wheel', 'type "Größe 漢"')
  await expect(page.getByRole('alert')).toContainText('The German layout on Linux cannot type 漢')
  await bindByTyping(page, 'Under the wheel', 'type "Größe"')
  await expect(row(page, 'Under the wheel')).toContainText('Type “Größe”')
  await page.getByRole('button', { name: /^Linux · German/ }).click()
  await page.getByRole('menuitemradio', { name: 'US', exact: true }).click()
  await page.keyboard.press('Escape')
  await expect(writeBox(page)).toContainText('Fix the errors before writing')
  await page.getByRole('button', { name: '1 error to fix before writing' }).click()
  const checks = page.getByRole('dialog', { name: 'Checks' })
  await expect(checks).toContainText('Under the wheel: ö ß cannot be typed with the US layout on Linux')
  await checks.getByRole('button', { name: 'Show' }).click()
  await expect(entry(page, 'Under the wheel')).toBeVisible()
  await checks.getByRole('button', { name: 'Set the keyboard layout to German' }).click()
  await expect(page.getByRole('button', { name: 'no warnings' })).toBeVisible()
  await page.keyboard.press('Escape')
  await write(page)
})

test('an action this profile cannot have shows an error and a fix at its cell', async ({ page }) => {
  await openDemo(page)
  await page.getByRole('link', { name: 'Library' }).click()
  await page.getByRole('button', { name: 'New profile for Dunlin 84' }).click()
  await expect(page.getByRole('textbox', { name: 'Name' })).toBeFocused()
  await pick(page.getByRole('combobox', { name: 'Operating system' }), 'Any system')
  await page.getByRole('button', { name: 'Create profile' }).click()
  // A new profile shows all its inputs, not only changed ones.
  await expect(row(page, 'F1')).toBeVisible()
  await entry(page, 'F1').or(row(page, 'F1')).first().click()
  await page.keyboard.type('zoom in')
  await page.keyboard.press('Enter')
  // Enter does not leave a cell with an error.
  await expect(page.getByText('Error:')).toBeVisible()
  await page.getByRole('button', { name: 'Set the operating system to Linux' }).click()
  await expect(page.getByText('Error:')).toBeHidden()
  // A missing macro is created, and a text is typed on a layout that has its characters.
  await entry(page, 'F1').fill('macro Winch drill')
  await page.getByRole('button', { name: 'Set', exact: true }).click()
  await page.getByRole('button', { name: 'Create macro “Winch drill”' }).click()
  await expect(row(page, 'F1')).toContainText('Macro Winch drill')
  await entry(page, 'F1').fill('type "żółw"')
  await page.getByRole('button', { name: 'Set', exact: true }).click()
  await page.getByRole('button', { name: 'Set the keyboard layout to German' }).click()
  await expect(row(page, 'F1')).toContainText('żółw')
})

test('a finding of the demo is mended in one press', async ({ page }) => {
  await openDemo(page)
  await openProfile(page, 'Brinewatch crew')
  await page.getByRole('button', { name: '1 warning' }).click()
  const checks = page.getByRole('dialog', { name: 'Checks' })
  await expect(checks).toContainText('“Lamp” is the in-game name of both Thumb 5 and Thumb 9')
  await checks.getByRole('button', { name: 'Remove the in-game name from Thumb 9' }).click()
  await expect(cell(page, 'Thumb 9')).not.toContainText('Lamp')
  await expect(page.getByRole('button', { name: 'no warnings' })).toBeVisible()
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
  const report = page.getByLabel('Changes in the copy')
  await expect(report).toContainText('Under the wheel in Dive: OffKnot 5 has no similar input')
  await choice(page, 'Model', 'Godwit 19').click()
  await expect(report).toContainText('Side, front: Yon Thumb 1')
  await page.getByRole('button', { name: 'Create copy for Godwit 19' }).click()
  await expect(page.getByText('This copy of “Brinewatch” is for Godwit 19.')).toBeVisible()
  await expect(page.getByText('on Godwit 19')).toBeVisible()
  await expect(cell(page, 'Thumb 1')).toContainText('Release ballast')
  await expect(cell(page, 'Thumb 1', 1)).toContainText('Vent tanks')
  await page.getByRole('link', { name: 'Library' }).click()
  // Names differ for each model.
  await expect(profileRow(page, 'Brinewatch')).toHaveCount(2)
  await expect(profileRow(page, 'Brinewatch').last()).toContainText('Godwit 19')
})

test('a connection that carries no configuration is told apart from none, and from a cable that only charges', async ({
  page,
}) => {
  await openDemo(page)
  await choice(page, 'Wireless', 'Bluetooth').click()
  await expect(page.getByText('read or written over Bluetooth')).toBeVisible()
  await expect(slot(page, 1)).toContainText('Brinewatch')
  await openProfile(page, 'Brinewatch')
  await expect(writeBox(page)).toContainText('Bluetooth cannot change settings')
  await expect(writeBox(page)).toContainText('Use the cable or the receiver')
  await page.getByRole('link', { name: 'Devices' }).click()
  await choice(page, 'Wireless', 'Off').click()
  await choice(page, 'Cable', 'Charging only').click()
  await expect(page.getByText('Not connected. The contents below were read')).toBeVisible()
  await openProfile(page, 'Brinewatch')
  await expect(writeBox(page)).toContainText('Some cables only charge')
  await page.getByRole('link', { name: 'Devices' }).click()
  await choice(page, 'Cable', 'Data').click()
  await openProfile(page, 'Brinewatch')
  await write(page)
})

test('a mouse for either hand shows the flank its thumb is on, and does the same on both', async ({
  page,
}) => {
  await openDemo(page)
  await openProfile(page, 'Proof reading')
  const label = page.getByRole('button', { name: /^5 Side, front/ })
  const before = await label.boundingBox()
  await choice(page, 'Hand', 'left hand').click()
  await expect(async () => {
    const after = await label.boundingBox()
    expect(after?.x ?? 0).toBeGreaterThan((before?.x ?? 0) + 100)
  }).toPass()
  await write(page)
  const computer = await openUnplugged(page, 'knot-5')
  for (const shape of [0, 3]) {
    await expect(computer.getByText('No shortcut or media key yet')).toBeVisible()
    await computer.locator('[data-input="side-front"]').nth(shape).click({ delay: 40 })
    await expect(computer.getByText('Last shortcut or media key: Ctrl+Y')).toBeVisible()
    await computer.getByRole('button', { name: 'Clear' }).click()
  }
})
