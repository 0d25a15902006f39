import { readFileSync } from 'node:fs'
import { expect } from '@playwright/test'
import {
  bindByTyping,
  entry,
  deleteProfile,
  openDemo,
  openProfile,
  openUnplugged,
  pressInput,
  row,
  slot,
  write,
  writeBox,
  test,
} from './support'

test('two tabs agree, and neither takes back what the other did', async ({ page }) => {
  await openDemo(page)
  await openProfile(page, 'Gantry Run')
  const other = await page.context().newPage()
  await other.goto(page.url())
  await bindByTyping(page, 'Side, front', 'v')
  await expect(row(other, 'Side, front')).toContainText('V')
  await bindByTyping(other, 'Side, rear', 'w')
  await expect(row(page, 'Side, rear')).toContainText('W')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(row(page, 'Side, front')).toContainText('Space')
  await expect(row(other, 'Side, front')).toContainText('Space')
  await expect(row(other, 'Side, rear')).toContainText('W')
  // Both tabs edit the same cell: the replaced tab and the typing tab each show a notification.
  await bindByTyping(page, 'Side, front', 'f1')
  await bindByTyping(other, 'Side, front', 'f2')
  await expect(
    page.getByText('Another tab changed what you edited here: set Side, front to F1'),
  ).toBeVisible()
  await entry(page, 'Side, front').fill('f')
  await bindByTyping(other, 'Side, front', 'f3')
  await expect(page.getByText('changed to “F3 = Vault” elsewhere while you were typing')).toBeVisible()
  await page.keyboard.press('Escape')
  await write(other)
  await expect(writeBox(page)).toHaveAttribute('data-state', 'there')
})

test('a broken document is set aside and named, and a bad file changes nothing', async ({ page }) => {
  await openDemo(page)
  await page.evaluate(async () => {
    const database = await new Promise<IDBDatabase>((resolve, reject) => {
      const request = indexedDB.open('unisera-library')
      request.onsuccess = () => resolve(request.result)
      request.onerror = () => reject(request.error)
    })
    const stored = {
      id: 'broken',
      order: 9,
      updatedAt: 0,
      slot: 0,
      document: { name: 'Old lamp', format: 'unisera-profile' },
    }
    const writing = database.transaction('profiles', 'readwrite')
    writing.objectStore('profiles').put(stored)
    await new Promise((resolve) => (writing.oncomplete = resolve))
    database.close()
  })
  // Tall enough for all rows of the virtual list.
  await page.setViewportSize({ width: 1280, height: 1200 })
  await page.goto('/library')
  await expect(page.getByText('Old lamp')).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Unreadable records' })).toBeVisible()
  await expect(page.getByRole('list', { name: 'Profiles' }).getByRole('link')).toHaveCount(9)
  const open = async (name: string, content: string) =>
    page
      .getByLabel('Open a file…')
      .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(content) })
  await open('noise.json', '{"format": ')
  await expect(page.getByRole('alert')).toContainText('“noise.json” was not imported. Nothing was changed.')
  const good = readFileSync('demo/profiles/brinewatch.json', 'utf8')
  await open('fast.json', good.replace('"dpi": 400', '"dpi": 99999'))
  await expect(page.getByRole('alert')).toContainText('steps[0].dpi')
  await open('again.json', good.replace('"name": "Brinewatch"', '"name": "Salvage night"'))
  await expect(page.getByRole('link', { name: 'Salvage night' })).toBeVisible()
})

test('a profile that is only on the device is kept when its slot is written over; a cleared slot comes back', async ({
  page,
}) => {
  await openDemo(page)
  await page.getByRole('link', { name: 'Library' }).click()
  const list = page.getByRole('list', { name: 'Profiles' })
  await deleteProfile(page, 'Gantry Run')
  await expect(list.getByRole('listitem')).toHaveCount(8)
  await openProfile(page, 'Hollow Tithe')
  await page.getByRole('button', { name: /^Slot 4 of 5/ }).click()
  await page.getByRole('menuitemradio', { name: /^Slot 2/ }).click()
  await expect(writeBox(page)).toContainText('holds another profile')
  await write(page)
  await page.goto('/library')
  await expect(list.getByRole('link', { name: 'Gantry Run' })).toBeVisible()
  await page.getByRole('link', { name: 'Devices' }).click()
  await slot(page, 3).getByRole('button', { name: 'Clear' }).click()
  await expect(slot(page, 3)).toContainText('empty')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(slot(page, 3)).toContainText('Score engraving')
})

test('the computer without Unisera has none of the configurator', async ({ page }) => {
  const scripts: string[] = []
  page.on('response', async (response) => {
    if (response.url().endsWith('.js')) scripts.push(await response.text().catch(() => ''))
  })
  await page.goto('/unplugged.html')
  await expect(page.getByText('connected:')).toBeVisible()
  await expect.poll(() => scripts.length).toBeGreaterThan(1)
  for (const code of scripts) expect(code).not.toMatch(/unisera-library|unisera-profile/)
})

test('by keyboard alone: find an input, bind it, write it, press it', async ({ page }) => {
  await openDemo(page)
  await openProfile(page, 'Score engraving')
  await row(page, 'Side, front').focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('combobox')).toBeFocused()
  await page.keyboard.type('vol')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(row(page, 'Side, front')).toContainText('Volume up')
  // The editor closes, and the cell below is selected.
  await expect(page.getByRole('combobox')).toBeHidden()
  await expect(row(page, 'Under the wheel')).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('combobox', { name: 'Action of Under the wheel' })).toBeFocused()
  await page.keyboard.press('Escape')
  await expect(row(page, 'Under the wheel')).toBeFocused()
  await page.getByRole('button', { name: /^Write to slot/ }).focus()
  await page.keyboard.press('Enter')
  await expect(writeBox(page)).toHaveAttribute('data-state', 'there')
  await page.goto('/')
  await slot(page, 3).getByRole('button', { name: 'Make active' }).press('Enter')
  await expect(slot(page, 3)).toContainText('active')
  const computer = await openUnplugged(page)
  await computer.getByRole('application').focus()
  await computer.keyboard.press('Digit5')
  await expect(computer.getByTestId('volume')).toHaveText('42%')
  await computer.keyboard.press('ArrowRight')
  await expect(computer.getByTestId('pointer')).toHaveText('78, 0')
})

test('an input is found by pressing it on the device', async ({ page }) => {
  await openDemo(page)
  const computer = await openUnplugged(page)
  await openProfile(page, 'Brinewatch')
  const wait = page.getByText('Press or turn an input on the mouse…')
  await page.getByRole('button', { name: 'Find by pressing' }).click()
  await expect(wait).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(wait).toBeHidden()
  for (const [input, name] of [
    ['under-wheel', 'Under the wheel'],
    ['slot-button', 'Underside'],
  ] as const) {
    await page.getByRole('button', { name: 'Find by pressing' }).click()
    await expect(wait).toBeVisible()
    // The first answer reports an earlier press; later presses count.
    await expect(async () => {
      await pressInput(computer, input)
      await expect(wait).toBeHidden({ timeout: 1000 })
    }).toPass()
    await expect(entry(page, name)).toBeVisible()
  }
})

test('a person’s own mouse drives the device while the screen has the pointer', async ({ page }) => {
  await openDemo(page)
  const computer = await openUnplugged(page)
  await computer.getByRole('button', { name: 'Use my own mouse here' }).click()
  await expect(computer.getByText('Press Esc to release it')).toBeVisible()
  await computer.mouse.move(700, 300)
  await computer.mouse.down()
  await expect(computer.getByTestId('down')).toHaveText('Left click')
  await computer.mouse.up()
  await expect(computer.getByTestId('down')).toHaveText('none')
  await computer.mouse.wheel(0, -100)
  await expect(computer.getByTestId('scrolled')).toHaveText('1')
  await expect(computer.getByTestId('pointer')).not.toHaveText('0, 0')
})
