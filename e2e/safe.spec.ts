import { readFileSync } from 'node:fs'
import { expect, type Page } from '@playwright/test'
import {
  bindByTyping,
  breakMethod,
  cell,
  deleteProfile,
  entry,
  openDemo,
  ofRow,
  openProfile,
  row,
  slot,
  test,
  violations,
  write,
  writeBox,
} from './support'

/** From now on, storage refuses every write of the library, or works again. */
const setFull = (page: Page, full: boolean) =>
  breakMethod(
    page,
    ['IDBObjectStore', 'put'],
    full ? { name: 'QuotaExceededError', message: 'full' } : undefined,
  )

test('with a full disk edits are kept, saved in files and written to the device, and stored once there is room', async ({
  page,
}) => {
  await openDemo(page)
  await openProfile(page, 'Gantry Run')
  await setFull(page, true)
  await bindByTyping(page, 'Side, front', 'f5')
  const waiting = page.getByTestId('waiting')
  await expect(waiting).toContainText(/storage is full.*One change to “Gantry Run” exists only in this tab/)
  await page.keyboard.press('Escape')
  await bindByTyping(page, 'Side, rear', 'f6')
  await expect(waiting).toContainText('2 changes')
  await page.getByRole('button', { name: /^Gantry Run/ }).click()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: 'Export as a file' }).click(),
  ])
  expect(readFileSync(await download.path(), 'utf8')).toContain('"F6"')
  await write(page)
  // Another profile and back: nothing is dropped. Leaving the page asks.
  await openProfile(page, 'Hollow Tithe')
  await openProfile(page, 'Gantry Run')
  await expect(row(page, 'Side, rear')).toContainText('F6')
  let asked = false
  page.once('dialog', (dialog) => {
    asked = dialog.type() === 'beforeunload'
    void dialog.dismiss()
  })
  await page.reload({ timeout: 2000 }).catch(() => {})
  expect(asked).toBe(true)
  await setFull(page, false)
  // It is also retried automatically, with the same result.
  await waiting
    .getByRole('button', { name: 'Try again now' })
    .click({ timeout: 1000 })
    .catch(() => {})
  await expect(waiting).toBeHidden()
  await page.reload()
  await expect(row(page, 'Side, front')).toContainText('F5')
  await expect(writeBox(page)).toHaveAttribute('data-state', 'there')
  // Edits from before the reload can be undone afterwards.
  await page.keyboard.press('Control+z')
  await expect(row(page, 'Side, rear')).not.toContainText('F6')
})

test('a half-typed cell is there again after a reload', async ({ page }) => {
  await openDemo(page)
  await openProfile(page, 'Hollow Tithe')
  await cell(page, 'Side, front').click()
  await entry(page, 'Side, front').fill('ctrl+shift+')
  await page.reload()
  await expect(entry(page, 'Side, front')).toHaveValue('ctrl+shift+')
  await entry(page, 'Side, front').press('Escape')
  await page.reload()
  await expect(row(page, 'Side, front')).toBeVisible()
  await expect(entry(page, 'Side, front')).toBeHidden()
})

test('a library that has gone is told, and comes back from the devices or from a backup', async ({
  page,
}) => {
  await openDemo(page)
  await page.getByRole('link', { name: 'Settings' }).click()
  await expect(page.getByTestId('kept')).toBeVisible()
  await expect(page.getByText('Space left', { exact: true })).toBeVisible()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save a backup' }).click(),
  ])
  const backup = await download.path()
  const asZip = { name: 'library.zip', mimeType: 'application/zip' }
  const clear = async () => {
    await page.goto('/mark.svg')
    await page.evaluate(
      () => new Promise((resolve) => (indexedDB.deleteDatabase('unisera-library').onsuccess = resolve)),
    )
    await page.goto('/library')
    await expect(page.getByRole('heading', { name: 'The library in this browser is gone' })).toBeVisible()
  }
  await clear()
  await page.getByRole('button', { name: 'Copy all slots' }).click()
  const profiles = page.getByRole('list', { name: 'Profiles' }).getByRole('listitem')
  await expect(profiles).toHaveCount(7)
  await expect(page.getByText('Hollow Tithe', { exact: true })).toBeHidden()
  await clear()
  await page.locator('input[type=file]').setInputFiles({ ...asZip, buffer: readFileSync(backup) })
  await page.getByRole('button', { name: 'Import 9 profiles' }).click()
  await expect(profiles).toHaveCount(9)
  await page.getByRole('link', { name: 'Macros' }).click()
  await expect(page.getByRole('list', { name: 'Macros' }).getByRole('listitem')).toHaveCount(8)
  // Imported a second time, it changes nothing.
  await page.getByRole('link', { name: 'Settings' }).click()
  await expect(page.getByRole('heading', { name: 'Settings' })).toBeVisible()
  await page.locator('input[type=file]').setInputFiles({ ...asZip, buffer: readFileSync(backup) })
  await expect(page.getByText('9 profiles are already in the library')).toBeVisible()
  await page.getByRole('button', { name: 'Import what is missing' }).click()
  await expect(page.getByText('9 profiles were already here')).toBeVisible()
  await page.keyboard.press('Control+z')
  await page.getByRole('link', { name: 'Library' }).click()
  await expect(profiles).toHaveCount(9)
})

test('hostile files are refused with the page free all the while, and reading can be stopped', async ({
  page,
}) => {
  await openDemo(page)
  await page.getByRole('link', { name: 'Macros' }).click()
  const open = page.getByLabel('Import macros…')
  const alert = page.getByRole('alert')
  const give = (name: string, content: string) =>
    open.setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(content) })
  await page.evaluate(() => {
    const longest = { ms: 0 }
    Object.assign(window, { longest })
    new PerformanceObserver((list) => {
      for (const { duration } of list.getEntries()) longest.ms = Math.max(longest.ms, duration)
    }).observe({ type: 'longtask' })
  })
  const macro = (events: string) =>
    `{"format":"unisera-macro","version":2,"id":"big","name":"Big","tags":[],"events":[${events}]}`
  const event = '{"kind":"key","code":"KeyA","does":"press","afterMs":1}'
  await give('million.json', macro(Array(160_000).fill(event).join()))
  await expect(alert).toContainText('The file has 8.5 MiB, but macros can have up to 8 MiB. It was not read')
  await give('wrong.json', macro(Array(20_000).fill(event.replace('KeyA', 'KeyÄ')).join()))
  await expect(alert).toContainText('events[0].code')
  await give('twice.json', '{"format":"unisera-macro","format":"unisera-macro"}')
  await expect(alert).toContainText('“format” appears twice')
  await give('deep.json', '['.repeat(100_000))
  await expect(alert).toContainText('more than 60 nested objects')
  const whole = macro(Array(20_000).fill(event).join())
  await give('whole.json', whole)
  await expect(page.getByRole('link', { name: 'Big', exact: true })).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('link', { name: 'Big', exact: true })).toBeHidden()
  const longest = await page.evaluate(() => (Reflect.get(window, 'longest') as { ms: number }).ms)
  test.info().annotations.push({ type: 'longest task', description: `${longest} ms` })
  // Thirty macros, each of which plays the previous one twice: recognised without expanding them.
  const play = (id: number) => `{"kind":"macro","macro":"m${id}","afterMs":0}`
  const chain = Array.from({ length: 30 }, (_, id) =>
    macro(id === 0 ? event : `${play(id - 1)},${play(id - 1)}`)
      .replace('"big"', `"m${id}"`)
      .replace('"Big"', `"Chain ${id}"`),
  )
  await give('chain.json', `{"format":"unisera-macros","version":1,"macros":[${chain.join()}]}`)
  await expect(page.locator('.name', { hasText: /^Chain 29$/ })).toBeVisible()
  await give('circle.json', macro(play(0).replace('m0', 'big')))
  await expect(alert).toContainText('would never end')
})

test('the devices come back when the browser has ended their worker', async ({ page, browser }) => {
  await openDemo(page)
  await openProfile(page, 'Gantry Run')
  const cdp = await browser.newBrowserCDPSession()
  const { targetInfos } = await cdp.send('Target.getTargets', { filter: [{ type: 'shared_worker' }] })
  for (const { targetId } of targetInfos) await cdp.send('Target.closeTarget', { targetId })
  await expect(page.getByText('The simulated devices stopped and were restarted')).toBeVisible()
  await bindByTyping(page, 'Side, front', 'f5')
  await write(page)
  await page.getByRole('link', { name: 'Devices' }).click()
  await expect(slot(page, 2)).toContainText('same as in the library')
})

test('what is done in the library is taken back by Ctrl Z, the last first', async ({ page }) => {
  await openDemo(page)
  await page.getByRole('link', { name: 'Library' }).click()
  await deleteProfile(page, 'Hollow Tithe')
  await expect(page.getByRole('link', { name: 'Hollow Tithe', exact: true })).toBeHidden()
  await ofRow(page, 'Gantry Run', 'Rename…')
  await page.getByRole('textbox', { name: /Name/ }).fill('Brinewatch')
  await page.keyboard.press('Enter')
  // A name that another profile for the same model has must be confirmed.
  await expect(page.getByRole('alert')).toContainText('“Brinewatch” already exists')
  await page.getByRole('textbox', { name: /Name/ }).fill('Rooftops')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('link', { name: 'Rooftops' })).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('link', { name: 'Gantry Run' })).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('link', { name: 'Hollow Tithe', exact: true })).toBeVisible()
})

test('a backup goes into the folder that was chosen, and a shared profile is put there and taken', async ({
  page,
}) => {
  // A folder of the browser stands for one of the person's.
  await page.addInitScript(() => {
    Object.assign(window, {
      showDirectoryPicker: async ({ id }: { id: string }) =>
        (await navigator.storage.getDirectory()).getDirectoryHandle(id, { create: true }),
    })
  })
  await openDemo(page)
  await page.getByRole('link', { name: 'Settings' }).click()
  await expect(page.getByTestId('last-backup')).toHaveText('No backup yet')
  await page.getByRole('button', { name: 'Back up daily to a folder…' }).click()
  await expect(page.getByTestId('last-backup')).toContainText('Last backup')
  const names = await page.evaluate(async () => {
    const folder = await (await navigator.storage.getDirectory()).getDirectoryHandle('unisera-backup')
    const found: string[] = []
    for await (const name of (folder as unknown as { keys(): AsyncIterable<string> }).keys()) found.push(name)
    return found
  })
  expect(names).toEqual([expect.stringMatching(/^unisera-library-\d{4}-\d\d-\d\d\.zip$/)])

  await page.goto('/shelf')
  const files = page.getByRole('navigation', { name: 'Shared profiles' })
  await files.getByRole('button', { name: 'Open a folder…' }).click()
  await files.getByRole('button', { name: 'Add to this folder' }).click()
  await page.getByRole('menuitem', { name: 'Score engraving' }).click()
  await expect(page.getByText('was added to unisera-shelf as score-engraving.json')).toBeVisible()
  await files.getByRole('searchbox', { name: 'Search the shelf' }).fill('winch in')
  await files.getByRole('button', { name: /^Winch master/ }).click()
  await expect(page.getByLabel('Changes')).toContainText('Winch in')
  expect(await violations(page)).toEqual([])
  await page.getByRole('button', { name: 'Import into library' }).click()
  await expect(page.getByRole('button', { name: /^Winch master/ })).toBeVisible()
})
