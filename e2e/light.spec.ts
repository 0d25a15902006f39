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
  const strips = page.getByRole('list', { name: 'Effects, top first' })
  const add = async (about: string) => {
    await page.getByRole('button', { name: /^Effect on/ }).click()
    await page.getByRole('listitem').filter({ hasText: about }).click()
  }
  const lamp = (id: string) => () => lightOf(page, 'dunlin-84', id)

  // What is there goes; without an effect all is dark.
  await page.getByRole('button', { name: 'Remove Notes' }).click()
  await page.getByRole('button', { name: 'Remove Solid' }).click()
  await expect(page.getByText('No effect: all lights are dark.')).toBeVisible()
  await expect.poll(lamp('keys:key-w')).toBe('#000000')

  await add('Colours that move over the device')
  const period = page.getByRole('slider', { name: 'Period of Wave', exact: true })
  await period.focus()
  await period.press('End')
  await expect(period).toHaveAttribute('aria-valuetext', '60 s')
  const names = page.getByRole('textbox', { name: 'Choose lights by their names' })
  await names.fill('w a s ä')
  await names.press('Enter')
  await expect(page.getByText(/there is no light “ä”/)).toBeVisible()
  await names.fill('w a s d')
  await names.press('Enter')
  await expect(page.getByText('4 lights chosen')).toBeVisible()
  await add('One colour, steady')
  const colour = page.getByRole('textbox', { name: 'Colour of Solid, as #rrggbb' })
  await colour.fill('#ff0000')
  await colour.press('Enter')
  await expect.poll(lamp('keys:key-w')).toBe('#ff0000')
  await expect.poll(lamp('keys:key-e')).not.toBe('#ff0000')

  // Over every light from here on.
  await page.getByRole('button', { name: 'None', exact: true }).click()
  await add('A ring from each pressed input')
  await add('What the layers now on change')
  await expect(strips.getByRole('button', { name: /^(Layer map|Ripple|Solid|Wave)$/ })).toHaveText([
    'Layer map',
    'Ripple',
    'Solid',
    'Wave',
  ])
  await expect(page.getByText(/light takes [\d.]+ mA, at most [\d.]+/)).toBeVisible()
  await write(page)
  await expect(writeBox(page)).toContainText('read back')

  // The device itself: from its memory, with its own layer and its own presses.
  await expect(writeBox(page)).toContainText('Slot 2')
  await page.getByRole('link', { name: 'Devices' }).click()
  await page.getByRole('link', { name: /^Dunlin 84/ }).click()
  await slot(page, 2).getByRole('button', { name: 'Make active' }).click()
  await expect(slot(page, 2)).toContainText('active')
  const computer = await openUnplugged(page, 'dunlin-84')
  const there = (id: string) => () => lightOf(computer, 'dunlin-84', id)
  await expect.poll(there('keys:key-a')).toBe('#ff0000')
  await computer.locator('[data-input="caps-lock"]').click({ modifiers: ['Shift'] })
  // “steel” is the colour of the layer Notes; what it does not bind is dimmed.
  await expect.poll(there('keys:digit-2')).toBe('#307890')
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
  await page.getByRole('button', { name: 'Effect on the chosen lights' }).click()
  await page.getByRole('listitem').filter({ hasText: 'One colour, steady' }).click()
  const colour = page.getByRole('textbox', { name: 'Colour of Solid, as #rrggbb' })
  await colour.fill('#ff0000')
  await colour.press('Enter')
  await expect.poll(lamp).toBe('#ff0000')
  await pick(page.getByRole('combobox', { name: 'When Solid shows' }), 'Battery is low')
  await expect.poll(lamp).toBe('#000000')
  await expect(page.getByText('(not now) battery under 15 %')).toBeVisible()
  await page.getByRole('slider', { name: 'Moment that shows' }).press('Home')
  await page.getByRole('button', { name: 'Set a mark' }).click()
  await page.getByRole('listitem').filter({ hasText: 'Battery at 10 %' }).click()
  await expect.poll(lamp).toBe('#ff0000')
  await page.getByRole('button', { name: 'Remove the mark battery at 10 %' }).click()
  await expect.poll(lamp).toBe('#000000')

  // An effect is moved by its strip: a tenth of its period later, and its opacity by keys.
  await page.getByRole('button', { name: 'See without Solid' }).click()
  await expect(page.getByRole('button', { name: 'See without Solid' })).toHaveAttribute(
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
  await expect(page.getByRole('list', { name: 'Effects, top first' }).getByRole('listitem')).toHaveCount(2)
})
