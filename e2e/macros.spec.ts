import { expect, type Locator, type Page } from '@playwright/test'
import { itemAt } from '../src/core/base/items'
import {
  bindByTyping,
  openDemo,
  openProfile,
  openUnplugged,
  pick,
  pressInput,
  row,
  test,
  write,
} from './support'

/** Creates an empty macro with a name. */
async function newMacro(page: Page, name: string): Promise<void> {
  await page.getByRole('link', { name: 'Macros', exact: true }).first().click()
  await page.getByRole('button', { name: 'New macro' }).click()
  const field = page.getByRole('textbox', { name: 'Macro name' })
  await field.fill(name)
  await field.press('Enter')
}

const events = (page: Page): Locator =>
  page.getByRole('grid', { name: 'Events' }).getByRole('rowgroup').getByRole('row')

test('a combo is recorded, tidied, bound by its name and played while a thumb key is held', async ({
  page,
}) => {
  await openDemo(page)
  await newMacro(page, 'Vent all')
  await page.getByRole('button', { name: 'Record', exact: true }).click()
  await expect(page.getByText('Recording', { exact: true })).toBeVisible()
  for (const key of ['KeyY', 'KeyB', 'KeyX']) await page.keyboard.press(key, { delay: 20 })
  await expect(page.getByRole('list', { name: 'Last events' }).getByRole('listitem')).toHaveCount(6)
  // The key that stops it is not recorded.
  await page.keyboard.press('F9')
  await expect(events(page)).toHaveCount(6)
  await expect(events(page).nth(0)).toContainText('PressY')

  const wait = page.getByRole('textbox', { name: 'Delay before event 3 in ms' })
  await wait.fill('45')
  await wait.press('Enter')
  await expect(wait).toHaveValue('45')
  // A press is deleted with its release.
  await events(page).nth(4).locator('.verb').click()
  await page.keyboard.press('Delete')
  await expect(events(page)).toHaveCount(4)
  await page.keyboard.press('Control+z')
  await expect(events(page)).toHaveCount(6)
  await page.keyboard.press('Control+Shift+z')
  await expect(events(page)).toHaveCount(4)
  await page.getByRole('button', { name: 'Delay', exact: true }).click()
  await expect(page.getByRole('complementary', { name: 'Macro details' })).toContainText('5')

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
    const wait = page.getByRole('textbox', { name: `Delay before event ${number} in ms` })
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
      // Report 1 is the mouse's; its first byte has the buttons.
      if (data.kind === 'report' && data.report[0] === 1 && data.report[1] & 1) times.push(data.atUs / 1000)
    })
  })
  const times = () => computer.evaluate(() => (window as unknown as { times: number[] }).times)
  await pressInput(computer, 'under-wheel')
  await expect.poll(async () => (await times()).length).toBeGreaterThan(8)
  await pressInput(computer, 'under-wheel')
  // It has stopped when nothing arrives for much longer than its period.
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
  const gaps = clicks.slice(1).map((time, index) => time - itemAt(clicks, index))
  for (const gap of gaps) expect(Math.abs(gap - 50)).toBeLessThanOrEqual(1)
})

test('macros come from files and go into them, asked once about names that are taken', async ({ page }) => {
  await openDemo(page)
  await page.getByRole('link', { name: 'Macros', exact: true }).click()
  const list = page.getByRole('list', { name: 'Macros' }).getByRole('listitem')
  await expect(list).toHaveCount(8)
  const file = page.getByLabel('Import macros…')
  const table =
    'macro,wait ms,does,what\nWide sweep,0,press,KeyS\nWide sweep,90,release,KeyS\nDepth call,0,type,forty metres\n'
  const upload = (name: string, text: string) =>
    file.setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })

  await upload('wrong.csv', table.replace('press,KeyS', 'press,KeyÖ'))
  await expect(page.getByRole('alert').filter({ hasText: 'wrong.csv' })).toContainText('Nothing was changed')
  await expect(list).toHaveCount(8)

  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: /^Drop macro files here/ }).press('Enter'),
  ])
  await chooser.setFiles({ name: 'calls.csv', mimeType: 'text/csv', buffer: Buffer.from(table) })
  await expect(page.getByRole('alertdialog')).toContainText('Wide sweep')
  await page.getByRole('button', { name: 'Keep both' }).click()
  await expect(list).toHaveCount(10)
  await expect(list.filter({ hasText: 'Wide sweep 2' })).toContainText('2 events · 90 ms')

  // An exported macro is imported unchanged.
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    list.filter({ hasText: 'Depth call' }).getByRole('button', { name: 'CSV' }).click(),
  ])
  const saved = await (await download.createReadStream()).toArray()
  expect(Buffer.concat(saved as Buffer[]).toString()).toBe(
    'macro,wait ms,does,what\nDepth call,0,macro,\nDepth call,0,type,forty metres\n',
  )

  // Deleting lists the affected bindings, and can be undone.
  const clicks = list.filter({ hasText: 'Fast clicks' })
  await clicks.getByRole('button', { name: 'Delete' }).click()
  await expect(clicks.getByRole('alert')).toContainText('Tithe orders')
  await clicks.getByRole('button', { name: 'Delete macro anyway' }).click()
  await expect(list).toHaveCount(9)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(list).toHaveCount(10)
  await page
    .getByRole('searchbox', {
      name: 'Search macros',
    })
    .fill('repeats')
  await expect(list).toHaveCount(2)
})

test('the time line is worked by keys, and a dry run tells what a slow poll does', async ({ page }) => {
  await openDemo(page)
  await page.getByRole('link', { name: 'Macros', exact: true }).click()
  await page.getByRole('link', { name: 'Hand off and run' }).click()
  const line = page.getByRole('listbox', { name: 'Timeline' })
  await expect(line).toHaveAttribute('aria-description', /^8 events in 556 ms/)
  await line.focus()
  for (const key of ['Home', 'ArrowRight', 'ArrowRight']) await page.keyboard.press(key)
  await expect(events(page).nth(2)).toHaveAttribute('aria-selected', 'true')
  // Shift and its release move together, by one snap step each time.
  await page.keyboard.press('Alt+ArrowRight')
  await expect(events(page).nth(2)).toContainText('97')
  await expect(events(page).nth(2)).toContainText('held 460 ms')
  await page.keyboard.press('Control+d')
  await expect(events(page)).toHaveCount(10)
  await page.keyboard.press('Delete')
  await expect(events(page)).toHaveCount(8)
  await page.keyboard.press('Control+a')
  await page.keyboard.press('Control+x')
  await expect(events(page)).toHaveCount(0)
  await page.keyboard.press('Control+v')
  await expect(line).toHaveAttribute('aria-description', /^8 events in 557 ms/)

  const dry = page.getByRole('region', { name: 'Dry run' })
  await pick(dry.getByRole('combobox', { name: 'Device of the dry run' }), 'Knot 5')
  await pick(dry.getByRole('combobox', { name: 'Polling rate of the dry run' }), '125 Hz')
  await dry.getByRole('button', { name: 'Play' }).click()
  await expect(dry.getByRole('status')).toContainText(
    /8 reports\. The slowest change was sent [0-8](\.\d)? ms/,
  )
})

test('a recording that loses the focus is whole, and says what it added', async ({ page }) => {
  await openDemo(page)
  await newMacro(page, 'Cut short')
  await page.getByRole('group', { name: 'Recorded inputs' }).getByLabel('clicks').check()
  await page.getByRole('button', { name: 'Record', exact: true }).click()
  // The click that started it is not recorded, and neither is the key repeat of the system.
  await page.keyboard.down('KeyW')
  await page.keyboard.down('KeyW')
  await page.getByRole('heading', { name: 'Timeline' }).click()
  await expect(page.getByRole('list', { name: 'Last events' }).getByRole('listitem')).toHaveCount(3)
  await page.evaluate(() => window.dispatchEvent(new FocusEvent('blur')))
  await expect(page.getByText(/lost focus.*4 events/)).toContainText(
    '1 input was still held and was released at the end',
  )
  await expect(events(page)).toHaveCount(4)
  await expect(events(page).nth(1)).toContainText('Left click')
  await expect(events(page).nth(3)).toContainText('ReleaseW')
  await page.keyboard.up('KeyW')
  await expect(events(page)).toHaveCount(4)
})

test('bars are framed and stretched by hand, and three macros share one input', async ({ page }) => {
  await openDemo(page)
  await page.getByRole('link', { name: 'Macros', exact: true }).first().click()
  await page.getByRole('link', { name: 'Hand off and run' }).click()
  const line = page.getByRole('listbox', { name: 'Timeline' })
  const box = await line.boundingBox()
  if (!box) throw new Error('no time line')
  // A frame from the empty end of the first lane, over the events of Shift and Space.
  await page.mouse.move(box.x + 1000, box.y + 26)
  await page.mouse.down()
  await page.mouse.move(box.x + 700, box.y + box.height - 8, { steps: 4 })
  await page.mouse.up()
  const chosen = events(page).and(page.locator('[aria-selected="true"]'))
  await expect(chosen).toHaveCount(2)
  await page.keyboard.press('Delete')
  await expect(events(page)).toHaveCount(4)
  await page.keyboard.press('Control+z')
  await expect(events(page)).toHaveCount(8)
  // Only the end of a bar is dragged; its start stays.
  const bar = line.locator('.bar rect').first()
  const { x, y, width, height } = (await bar.boundingBox()) ?? { x: 0, y: 0, width: 0, height: 0 }
  const before = await events(page).nth(0).textContent()
  await page.mouse.move(x + width - 2, y + height / 2)
  await page.mouse.down()
  await page.mouse.move(x + width + 60, y + height / 2, { steps: 3 })
  await page.mouse.up()
  await expect.poll(async () => (await bar.boundingBox())?.width).toBeGreaterThan(width + 20)
  expect(await events(page).nth(0).textContent()).not.toBe(before)

  await openProfile(page, 'Brinewatch crew')
  await bindByTyping(page, 'Thumb 6', 'macro Hand off and run')
  await pick(page.getByRole('combobox', { name: 'Playback' }), 'separately for press, hold and release')
  await pick(page.getByRole('combobox', { name: 'Macro when released' }), 'Blow tanks')
  await expect(row(page, 'Thumb 6')).toContainText('Macros held Hand off and run, on release Blow tanks')
  await page.getByRole('button', { name: 'Use one macro' }).click()
  await expect(row(page, 'Thumb 6')).toContainText('Macro Hand off and run')
})

test('a file dropped anywhere opens in the view of its kind, and one that is not valid is refused', async ({
  page,
}) => {
  await openDemo(page)
  await page.getByRole('link', { name: 'Macros', exact: true }).click()
  const list = page.getByRole('list', { name: 'Macros' }).getByRole('listitem')
  await expect(list).toHaveCount(8)
  const drop = async (name: string, text: string) => {
    const dataTransfer = await page.evaluateHandle(
      ({ file, content }) => {
        const transfer = new DataTransfer()
        transfer.items.add(new File([content], file))
        return transfer
      },
      { file: name, content: text },
    )
    const target = page.getByRole('main')
    await target.dispatchEvent('dragenter', { dataTransfer })
    await expect(page.getByTestId('files-over')).toBeVisible()
    await target.dispatchEvent('drop', { dataTransfer })
  }
  await drop('picture.json', 'no JSON at all')
  await expect(page.getByRole('alert').filter({ hasText: 'picture.json' })).toContainText(
    'Nothing was changed',
  )
  // Dropped elsewhere, it opens in the view for macros.
  await page.getByRole('link', { name: 'Devices' }).click()
  await drop('depth.csv', 'macro,wait ms,does,what\nDepth call,0,macro,\nDepth call,0,type,forty metres\n')
  await expect(list).toHaveCount(9)
})
