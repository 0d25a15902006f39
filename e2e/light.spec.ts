import { expect } from '@playwright/test'
import {
  lightOf,
  openDemo,
  openProfile,
  openUnplugged,
  openView,
  pick,
  slot,
  test,
  write,
  writeBox,
} from './support'

test('light is composed for keys: red ones over a slow wave, rings from presses, a layer told, and the device plays it', async ({
  page,
}) => {
  await openDemo(page)
  await openProfile(page, 'Engraving desk', 'Light')
  const strips = page.getByRole('list', { name: 'Effects, from top to bottom' })
  const add = async (about: string) => {
    await page.getByRole('button', { name: /^Add effect to/ }).click()
    await page.getByRole('menuitem').filter({ hasText: about }).click()
  }
  const lamp = (id: string) => () => lightOf(page, 'dunlin-84', id)

  // The stack is cleared; without effects, all lights are off.
  await page.getByRole('button', { name: 'Remove Notes' }).click()
  await page.getByRole('button', { name: 'Remove Solid' }).click()
  await expect(page.getByText('No effects yet: all lights are off.')).toBeVisible()
  await expect.poll(lamp('keys:key-w')).toBe('#000000')

  await add('Colours that move across the device')
  const period = page.getByRole('slider', { name: 'Period of Wave', exact: true })
  await period.focus()
  await period.press('End')
  await expect(period).toHaveAttribute('aria-valuetext', '60 s')
  const names = page.getByRole('textbox', { name: 'Select lights by name' })
  await names.fill('w a s ä')
  await names.press('Enter')
  await expect(page.getByText(/No light is called “ä”/)).toBeVisible()
  await names.fill('row 6')
  await names.press('Enter')
  await expect(page.getByText('10 lights selected')).toBeVisible()
  await names.fill('w a s d')
  await names.press('Enter')
  await expect(page.getByText('4 lights selected')).toBeVisible()
  await add('One colour, steady')
  const colour = page.getByRole('textbox', { name: 'Colour of Solid, as #rrggbb' })
  await colour.fill('#ff0000')
  await colour.press('Enter')
  await expect.poll(lamp('keys:key-w')).toBe('#ff0000')
  await expect.poll(lamp('keys:key-e')).not.toBe('#ff0000')

  // New effects use all lights from here on.
  await page.getByRole('button', { name: 'None', exact: true }).click()
  await add('A ring from each pressed input')
  await add('Inputs changed by the active layers')
  await expect(strips.getByRole('button', { name: /^(Layer map|Ripple|Solid|Wave)$/ })).toHaveText([
    'Layer map',
    'Ripple',
    'Solid',
    'Wave',
  ])
  await expect(page.getByText(/Light draws [\d.]+ mA, up to [\d.]+/)).toBeVisible()
  await write(page)
  await expect(writeBox(page)).toContainText('read back')

  // The device itself: from its memory, with its own layer and presses.
  await expect(writeBox(page)).toContainText('Slot 1 is active, so this profile is not in use yet.')
  await page.getByRole('link', { name: 'Devices' }).click()
  await page.getByRole('link', { name: /^Dunlin 84/ }).click()
  await slot(page, 2).getByRole('button', { name: 'Make active' }).click()
  await expect(slot(page, 2)).toContainText('active')
  const computer = await openUnplugged(page, 'dunlin-84')
  const there = (id: string) => () => lightOf(computer, 'dunlin-84', id)
  await expect.poll(there('keys:key-a')).toBe('#ff0000')
  await computer.locator('[data-input="caps-lock"]').click({ modifiers: ['Shift'] })
  // “steel” is the colour of the layer Notes; inputs that it does not bind are dimmed.
  await expect.poll(there('keys:digit-2')).toBe('#306890')
  await expect.poll(there('keys:key-a')).not.toBe('#ff0000')
  await computer.locator('[data-input="caps-lock"]').click()
  await expect.poll(there('keys:key-a')).toBe('#ff0000')
})

test('a low charge turns the crest red: seen on the time line by a mark, and taken back', async ({
  page,
}) => {
  await openDemo(page)
  await openProfile(page, 'Hollow Tithe', 'Light')
  const lamp = () => lightOf(page, 'tern-7', 'crest:1')
  await page.getByRole('button', { name: 'Crest 2', exact: true }).click()
  await page.getByRole('button', { name: 'Add effect to selected lights' }).click()
  await page.getByRole('menuitem').filter({ hasText: 'One colour, steady' }).click()
  const colour = page.getByRole('textbox', { name: 'Colour of Solid, as #rrggbb' })
  await colour.fill('#ff0000')
  await colour.press('Enter')
  await expect.poll(lamp).toBe('#ff0000')
  await pick(page.getByRole('combobox', { name: 'Condition for Solid' }), 'While the battery is low')
  await expect.poll(lamp).toBe('#000000')
  await expect(page.getByText('(inactive) battery below 15%')).toBeVisible()
  await page.getByRole('slider', { name: 'Preview time' }).press('Home')
  await page.getByRole('button', { name: 'Add trigger' }).click()
  await page.getByRole('menuitem').filter({ hasText: 'Battery at 10%' }).click()
  await expect.poll(lamp).toBe('#ff0000')
  await page.getByRole('button', { name: 'Remove the trigger battery at 10%' }).click()
  await expect.poll(lamp).toBe('#000000')

  // The strip changes an effect: its start phase by a tenth, and its opacity by keys.
  await page.getByRole('button', { name: 'Hide Solid in the preview' }).click()
  await expect(page.getByRole('button', { name: 'Hide Solid in the preview' })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
  const opacity = page.getByRole('slider', { name: 'Opacity of Solid' })
  await opacity.press('PageDown')
  await expect(opacity).toHaveAttribute('aria-valuenow', '90')
  await page.keyboard.press('Control+z')
  await expect(opacity).toHaveAttribute('aria-valuenow', '100')
  await openView(page, 'Buttons')
  await openView(page, 'Light')
  await expect(
    page.getByRole('list', { name: 'Effects, from top to bottom' }).getByRole('listitem'),
  ).toHaveCount(2)
})

test('a starter is looked at and taken on some lights, colours are kept as a palette, and the light goes onto another mouse', async ({
  page,
}) => {
  await openDemo(page)
  await openProfile(page, 'Brinewatch', 'Light')
  const strips = page.getByRole('list', { name: 'Effects, from top to bottom' }).locator('.name')
  const lamp = (id: string) => () => lightOf(page, 'tern-7', id)
  await expect(strips).toHaveText(['Low charge', 'Press', 'Tide', 'Lamp'])
  const before = await lamp('spine:1')()

  // In the preview, it is only on the drawing.
  await page.getByRole('button', { name: 'Crest 2', exact: true }).click()
  await page.getByRole('button', { name: 'Use a starter…' }).click()
  await page.getByRole('button', { name: 'Preview Still and dim' }).click()
  await expect.poll(lamp('spine:1')).toBe('#402d1b')
  await page.getByRole('button', { name: 'Preview Still and dim' }).click()
  await expect.poll(lamp('spine:1')).toBe(before)
  await page.getByRole('button', { name: 'Apply Still and dim to selected lights' }).click()
  await expect(strips).toHaveText(['Solid', 'Low charge', 'Press', 'Tide', 'Lamp'])
  await expect.poll(lamp('crest:2')).toBe('#402d1b')
  await expect.poll(lamp('spine:1')).toBe(before)

  // A colour can be entered by name; an invalid one is refused in its field.
  await strips.first().click()
  const colour = page.getByRole('textbox', { name: 'Colour of Solid, as #rrggbb' })
  await colour.fill('rebeccapurpel')
  await colour.press('Enter')
  await expect(page.getByText('“rebeccapurpel” is not a colour')).toBeVisible()
  await colour.fill('hsl(120 100% 50%)')
  await colour.press('Enter')
  await expect(colour).toHaveValue('#00ff00')

  await page.getByRole('button', { name: 'Palettes…' }).click()
  const bring = async (name: string, content: string) => {
    const chooser = page.waitForEvent('filechooser')
    await page.getByRole('button', { name: 'Import a file or a picture…' }).click()
    await (await chooser).setFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(content) })
  }
  await bring('wrong.gpl', 'GIMP Palette\nName: Wrong\n300 0 0\tred\n')
  await expect(page.getByText('wrong.gpl: Line 3: expected red, green and blue')).toBeVisible()
  await bring('deep.gpl', 'GIMP Palette\nName: Deep water\n#\n  2  26  46\tNight\n 12 111 138\n')
  await expect(page.getByRole('list', { name: 'Palettes' })).toContainText('Deep water')
  await page.getByRole('button', { name: 'Done' }).click()
  await page.getByRole('button', { name: 'Colour of Solid', exact: true }).click()
  await page.getByRole('button', { name: '#0c6f8a, deep water' }).click()
  await page.keyboard.press('Escape')
  await expect(colour).toHaveValue('#0c6f8a')

  // Copied to another model after a list of what does not fit; undone in the library.
  await page.getByRole('button', { name: 'Copy light to profiles…' }).click()
  await page.getByRole('checkbox', { name: 'Tithe orders, Godwit 19' }).check()
  const report = page.getByRole('list', { name: 'Copied effects' })
  await expect(report).toContainText('Low charge: not copied. Godwit 19 does not have its trigger')
  await expect(report).toContainText('Tide: moved to')
  await page.getByRole('button', { name: 'Copy to one profile' }).click()
  await expect(page.getByText('The light of “Brinewatch” was copied to 1 profile')).toBeVisible()
  await openProfile(page, 'Tithe orders', 'Light')
  await expect(strips).toHaveText(['Solid', 'Press', 'Tide', 'Lamp'])
  await page.getByRole('link', { name: 'Library' }).click()
  await expect(page.getByRole('heading', { name: 'Library' })).toBeVisible()
  await page.keyboard.press('Control+z')
  await openProfile(page, 'Tithe orders', 'Light')
  await expect(strips).toHaveText(['Breathing', 'Solid', 'Hosts'])
})
