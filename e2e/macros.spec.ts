import { expect, test, type Locator, type Page } from '@playwright/test'
import { bindByTyping, openDemo, openProfile, openUnplugged, pressInput, row, write } from './support'

/** Makes a macro with nothing in it and gives it a name. */
async function newMacro(page: Page, name: string): Promise<void> {
  await page.getByRole('link', { name: 'Macros', exact: true }).first().click()
  await page.getByRole('button', { name: 'New macro' }).click()
  const field = page.getByRole('textbox', { name: 'Name of the macro' })
  await field.fill(name)
  await field.press('Enter')
}

const events = (page: Page): Locator => page.getByRole('listbox', { name: 'Events' }).getByRole('option')

test('a combo is recorded, tidied, bound by its name and played while a thumb key is held', async ({
  page,
}) => {
  await openDemo(page)
  await newMacro(page, 'Vent all')
  await page.getByRole('button', { name: 'Record', exact: true }).click()
  await expect(page.getByRole('status')).toHaveText('Recording')
  for (const key of ['KeyY', 'KeyB', 'KeyX']) await page.keyboard.press(key, { delay: 20 })
  await expect(page.getByRole('list', { name: 'Last events' }).getByRole('listitem')).toHaveCount(6)
  // The key that ends it is no part of it.
  await page.keyboard.press('F9')
  await expect(events(page)).toHaveCount(6)
  await expect(events(page).nth(0)).toContainText('PressY')

  const wait = page.getByRole('textbox', { name: 'Wait before event 3, in ms' })
  await wait.fill('45')
  await wait.press('Enter')
  await expect(wait).toHaveValue('45')
  // A press takes its release with it.
  await events(page).nth(4).locator('.verb').click()
  await page.keyboard.press('Delete')
  await expect(events(page)).toHaveCount(4)
  await page.keyboard.press('Control+z')
  await expect(events(page)).toHaveCount(6)
  await page.keyboard.press('Control+Shift+z')
  await expect(events(page)).toHaveCount(4)
  await page.getByRole('button', { name: 'Wait', exact: true }).click()
  await expect(page.getByRole('complementary', { name: 'What it comes to' })).toContainText('5')

  await openProfile(page, 'Brinewatch crew')
  await bindByTyping(page, 'Thumb 6', 'vent all, while held')
  await expect(row(page, 'Thumb 6')).toContainText('Vent all, while held')
  await write(page)

  const computer = await openUnplugged(page, 'godwit-19')
  const thumb = computer.locator('[data-press="thumb-6"]')
  await thumb.hover()
  await computer.mouse.down()
  await expect(computer.getByTestId('typed')).toContainText('ybyb')
  await computer.mouse.up()
  await expect(thumb).not.toHaveClass(/pressed/)
})

test('a click repeater goes every 50 ms and stops on the second press', async ({ page }) => {
  await openDemo(page)
  await newMacro(page, 'Clicker')
  await page.getByRole('button', { name: 'Click', exact: true }).click()
  for (const [number, ms] of [
    [1, '0'],
    [2, '10'],
  ]) {
    const wait = page.getByRole('textbox', { name: `Wait before event ${number}, in ms` })
    await wait.fill(String(ms))
    await wait.press('Enter')
  }
  await openProfile(page, 'Brinewatch')
  await bindByTyping(page, 'Under the wheel', 'clicker, until pressed again, 40 ms apart')
  await write(page)

  const computer = await openUnplugged(page)
  await computer.evaluate(() => {
    const times: number[] = []
    Object.assign(window, { times })
    new BroadcastChannel('unisera-simulator').addEventListener('message', ({ data }) => {
      // Report 1 is the mouse's, its first byte the buttons.
      if (data.kind === 'report' && data.report[0] === 1 && data.report[1] & 1) times.push(data.atUs / 1000)
    })
  })
  const times = () => computer.evaluate(() => (window as unknown as { times: number[] }).times)
  await pressInput(computer, 'under-wheel')
  await expect.poll(async () => (await times()).length).toBeGreaterThan(8)
  await pressInput(computer, 'under-wheel')
  // It has stopped when nothing comes for far longer than its period.
  let before = -1
  await expect
    .poll(
      async () => {
        const now = (await times()).length
        const same = now === before
        before = now
        return same
      },
      { intervals: [600] },
    )
    .toBe(true)
  const clicks = await times()
  const gaps = clicks.slice(1).map((time, index) => time - clicks[index])
  for (const gap of gaps) expect(Math.abs(gap - 50)).toBeLessThanOrEqual(1)
})
