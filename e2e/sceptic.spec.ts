import { expect, type Page } from '@playwright/test'
import { scriptsOf } from '../scripts/first-view'
import { FIRST_AREAS } from '../src/messages/areas'
import {
  lightOf,
  bindByTyping,
  choice,
  entry,
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

test('the first view loads within its budget', () => {
  const bytes = (chunks: string[]) =>
    scriptsOf('index.html', chunks).reduce((sum, { gzipBytes }) => sum + gzipBytes, 0)
  const view = ['DevicesView', ...FIRST_AREAS]
  expect(bytes(view)).toBeLessThan(310_000)
  expect(bytes(view) - bytes(['DevicesView'])).toBeLessThan(12_000)
  // Code that fills the library on a first visit loads after the first screen.
  expect(bytes([...view, 'demo']) - bytes(view)).toBeLessThan(10_000)
  // The worker with the simulated devices loads separately and delays nothing.
  expect(bytes(['DevicesView', 'demo', 'worker']) - bytes(['DevicesView', 'demo'])).toBeLessThan(90_000)
})

/** Disconnects everything and waits until the application notices. */
async function unplug(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Unplug the receiver' }).click()
  await expect(page.getByText('The contents below were read')).toBeVisible()
}

test('with the device away, edits are kept, what it held is known, and it is all there when it is back', async ({
  page,
}) => {
  await openDemo(page)
  await unplug(page)
  await expect(slot(page, 2)).toContainText('Gantry Run')
  await expect(slot(page, 2).getByRole('button', { name: 'Make active' })).toBeDisabled()
  await openProfile(page, 'Gantry Run')
  await expect(writeBox(page)).toContainText('Tern 7 is not connected')
  await bindByTyping(page, 'Side, front', 'f5')
  await page.getByRole('link', { name: 'Devices' }).click()
  await choice(page, 'Cable', 'Data').click()
  await expect(slot(page, 2)).toContainText('1 unwritten edit')
  await slot(page, 2).getByRole('link', { name: 'Open' }).click()
  await expect(row(page, 'Side, front')).toContainText('F5')
  await write(page)
})

test('a page that is closed in the middle of a write leaves the slot whole', async ({ page }) => {
  await openDemo(page)
  const computer = await openUnplugged(page)
  await openProfile(page, 'Gantry Run')
  await bindByTyping(page, 'Wheel press', 'g')
  await computer.getByText('500× slower').click()
  await page.getByRole('button', { name: /^Write to slot/ }).click()
  await expect(page.getByRole('progressbar')).toBeVisible()
  await page.close()
  await computer.getByText('Real time').click()
  const again = await computer.context().newPage()
  await again.goto('/')
  await expect(slot(again, 2)).toContainText(/Gantry Run.*(1 unwritten edit|same as in the library)/)
  await openProfile(again, 'Gantry Run')
  if ((await writeBox(again).getAttribute('data-state')) !== 'there') await write(again)
  await pressInput(computer, 'slot-button')
  await pressInput(computer, 'wheel-press')
  await expect(computer.getByTestId('typed')).toHaveText('g')
})

test('keys the browser keeps for itself are captured too, and typing anything odd is refused with a reason', async ({
  page,
}) => {
  await openDemo(page)
  await openProfile(page, 'Hollow Tithe')
  await row(page, 'Side, front').click()
  for (const key of ['Escape', 'Tab', 'F9', 'Control+KeyW']) {
    await page.keyboard.press('F9')
    await expect(page.getByText('press a key or chord…')).toBeVisible()
    // Escape cancels, unless it is held.
    await page.keyboard.press(key, { delay: key === 'Escape' ? 900 : 0 })
    await expect(page.getByText('press a key or chord…')).toBeHidden()
    if (key === 'Escape') await expect(row(page, 'Side, front')).toContainText('Esc')
  }
  await page.keyboard.press('F9')
  await page.keyboard.press('Escape')
  await expect(page.getByText('press a key or chord…')).toBeHidden()
  await expect(row(page, 'Side, front')).toContainText('CtrlW')
  // A modifier alone is also a key.
  await page.keyboard.press('F9')
  await page.keyboard.press('Shift')
  await expect(row(page, 'Side, front')).toContainText('Shift')
  for (const [typed, reason] of [
    ['warp drive', 'is not a key or an action'],
    ['a+b', 'Create a macro'],
    ['step 6', 'can store 5 steps'],
    ['<img src=x onerror=alert(1)>', 'is not a key or an action'],
  ] as const) {
    await bindByTyping(page, 'Side, front', typed)
    await expect(page.getByRole('alert')).toContainText(reason)
  }
  await expect(row(page, 'Side, front')).toContainText('Shift')
})

test('the theme is the system’s until it is chosen, and then kept', async ({ page }) => {
  await page.emulateMedia({ colorScheme: 'dark' })
  await openDemo(page)
  const theme = () => page.evaluate(() => document.documentElement.dataset.theme)
  expect(await theme()).toBe('dark')
  await page.getByRole('button', { name: 'Use the light theme' }).click()
  expect(await theme()).toBe('light')
  await page.reload()
  await expect(page.getByRole('button', { name: 'Use the dark theme' })).toBeVisible()
  await page.goto('/unplugged.html')
  await expect(page.getByText('connected:')).toBeVisible()
  expect(await theme()).toBe('light')
})

test('menus and dialogs work by keyboard, and an address of nothing leads somewhere', async ({ page }) => {
  await openDemo(page)
  await openProfile(page, 'Brinewatch')
  const name = page.getByRole('button', { name: /^Brinewatch/ })
  await name.focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('menuitem', { name: 'Rename…' })).toBeVisible()
  await page.getByRole('menuitem', { name: 'Rename…' }).press('Enter')
  const field = page.getByRole('textbox', { name: /Name/ })
  await expect(field).toBeFocused()
  await field.fill('   ')
  await field.press('Enter')
  await expect(page.getByRole('alert')).toContainText('has no name')
  await field.fill('Brinewatch, night')
  await field.press('Enter')
  await expect(page.getByRole('button', { name: /^Brinewatch, night/ })).toBeVisible()
  await expect(writeBox(page)).toContainText('4 unwritten edits')
  await page.keyboard.press('Control+z')
  await expect(writeBox(page)).toContainText('3 unwritten edits')
  await page.goto('/profile/nobody/buttons')
  await expect(page.getByRole('heading', { name: 'Profile not found' })).toBeVisible()
  await page.getByRole('link', { name: 'Open the library' }).click()
  await expect(page.getByRole('list', { name: 'Profiles' })).toBeVisible()
})

test('a held key stays down on the computer until it is let go, and the light stands still for who wants it so', async ({
  page,
}) => {
  await openDemo(page)
  await openProfile(page, 'Brinewatch')
  await openView(page, 'Light')
  const lamp = () => lightOf(page, 'tern-7', 'spine:1')
  const still = await lamp()
  await page.getByRole('button', { name: 'Play lights' }).click()
  await expect.poll(lamp).not.toBe(still)
  await page.getByRole('button', { name: 'Pause lights' }).click()
  const computer = await openUnplugged(page)
  const button = computer.locator('[data-press="side-front"]')
  await button.hover()
  await computer.mouse.down()
  await expect(computer.getByTestId('down')).toHaveText('Y')
  await computer.mouse.move(900, 700)
  await computer.mouse.up()
  await expect(computer.getByTestId('down')).toHaveText('none')
})

test('one box finds any input, action, profile, view and setting', async ({ page }) => {
  await openDemo(page)
  const find = async (typed: string) => {
    await page.keyboard.press('Control+k')
    await expect(page.getByRole('combobox', { name: 'Find anything' })).toBeFocused()
    await page.keyboard.type(typed)
  }
  // Without an open profile, the actions of all profiles are found, with their profiles.
  await find('lamp')
  await expect(page.getByRole('option').filter({ hasText: 'in Brinewatch crew' }).first()).toBeVisible()
  await page.keyboard.press('Escape')
  await find('gantry')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: /^Gantry Run/ })).toBeVisible()
  // An input by its action; an input by its name.
  await find('space')
  await expect(page.getByRole('option').first()).toContainText('Side, front')
  await page.keyboard.press('Enter')
  await expect(entry(page, 'Side, front')).toBeVisible()
  await page.keyboard.press('Escape')
  await find('underside')
  await page.keyboard.press('Enter')
  await expect(entry(page, 'Underside')).toBeVisible()
  await find('polling 2.4')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('radiogroup', { name: 'Polling rate over 2.4 GHz' })).toBeVisible()
  await find('debounce')
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('Debounce in ms')).toBeVisible()
  await find('score')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('ArrowUp')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('combobox', { name: 'Find anything' })).toBeHidden()
  await expect(page.getByRole('button', { name: /^Gantry Run/ })).toBeVisible()
  // An action to be bound to an input; a layer and an in-game name are found as well.
  await find('mute')
  await page.keyboard.press('Enter')
  await expect(page.getByText('Select the input for this action')).toBeVisible()
  await page.locator('[data-input="under-wheel"]').first().click()
  await expect(row(page, 'Under the wheel')).toContainText('Mute')
  await find('brinewatch')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: /^Brinewatch/ })).toBeVisible()
  await find('sonar sweep')
  await page.keyboard.press('Enter')
  await expect(entry(page, 'Right button', 'Dive')).toBeVisible()
  await page.keyboard.press('Escape')
  // The address has the open parts, which are restored after a reload and on going back.
  await row(page, 'Side, front').click()
  await expect(page).toHaveURL(/buttons\?input=side-front$/)
  await page.reload()
  await expect(entry(page, 'Side, front')).toBeVisible()
  await openView(page, 'Light')
  await page
    .getByTitle(/^Settings of/)
    .first()
    .click()
  await expect(page).toHaveURL(/light\?effect=1$/)
  await page.goBack()
  await expect(entry(page, 'Side, front')).toBeVisible()
  await page.goForward()
  await expect(page).toHaveURL(/light\?effect=1$/)
  await expect(page.getByTitle(/^Settings of/).first()).toHaveAttribute('aria-expanded', 'true')
  await openView(page, 'Buttons')
  // Commands, by common words.
  for (const [word, text] of [
    ['help', 'Keys and shortcuts'],
    ['swap', 'Swap with slot 2'],
    ['make active', 'Make active: slot 2'],
    ['compare', 'Compare'],
    ['factory', 'New profile'],
    ['firmware', 'Devices'],
    ['sleep', 'Sleep after'],
    ['battery', 'Low-battery warning'],
    ['mirror', 'Mirror for the other hand'],
    ['rename', 'Rename…'],
    ['export', 'Save a backup'],
    ['import', 'Open a file…'],
    ['language', 'Receiving computer'],
    ['theme', 'Change the theme'],
    ['clicker', 'Macros'],
    ['turbo', 'Macros'],
    ['rapid fire', 'Left click 10 a second'],
    ['train', 'Motion'],
  ] as const) {
    await find(word)
    await expect(page.getByRole('option').filter({ hasText: text }).first()).toBeVisible()
    await page.keyboard.press('Escape')
  }
  // Help pages are found by their words; a task starts on its controls.
  await find('contacts bounce')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('dialog', { name: 'Help' })).toContainText('contacts of a switch bounce')
  await page.keyboard.press('Escape')
  await find('add a simulated device')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('region', { name: 'Step by step' })).toContainText('Add a device')
  await expect(page.getByTestId('ring')).toBeVisible()
  await page.keyboard.press('Escape')
  await openProfile(page, 'Brinewatch')
  await find('rename')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('textbox', { name: /Name/ })).toHaveValue('Brinewatch')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('textbox', { name: /Name/ })).toBeHidden()
  // On a cell, a character starts typing; F1 works there as well.
  await row(page, 'Right button').focus()
  await page.keyboard.press('F1')
  await expect(page.getByRole('dialog', { name: 'Keys' })).toContainText('Fill the selected cells')
  await page.keyboard.press('Escape')
  await find('capture')
  await expect(page.getByRole('option').first()).toContainText('F9')
  await page.keyboard.press('Escape')
  await find('zzz')
  await expect(page.getByText('Nothing contains “zzz”')).toBeVisible()
})
