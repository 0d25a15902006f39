import { readFileSync, rmSync } from 'node:fs'
import { expect, type Page } from '@playwright/test'
import { itemAt } from '../src/core/base/items'
import { newerBuild, serving } from './serving'
import {
  bindByTyping,
  cell,
  choice,
  entry,
  goTo,
  openDemo,
  openProfile,
  openView,
  row,
  slot,
  test,
  violations,
  write,
} from './support'

test('it starts, edits and writes with its server stopped; a newer build waits until it is taken', async ({
  browser,
}) => {
  const server = await serving('dist')
  const context = await browser.newContext({ baseURL: server.at, serviceWorkers: 'allow' })
  const page = await context.newPage()
  await openDemo(page)
  await page.evaluate(() => navigator.serviceWorker.ready)
  await server.stop()

  await page.reload()
  await openProfile(page, 'Gantry Run')
  await bindByTyping(page, 'Side, front', 'f5')
  await write(page)
  await page.goto('/devices')
  await expect(slot(page, 2)).toContainText('same as in the library')
  const computer = await context.newPage()
  await computer.goto('/unplugged.html?device=godwit-19')
  await expect(computer.getByRole('heading', { name: 'Godwit 19' })).toBeVisible()
  await computer.close()

  const root = newerBuild()
  const newer = await serving(root, server.port)
  await openProfile(page, 'Hollow Tithe')
  await cell(page, 'Side, rear').click()
  await entry(page, 'Side, rear').fill('ctrl+')
  await page.evaluate(async () => (await navigator.serviceWorker.ready).update())
  const offer = page.getByText('A newer version of Unisera is available')
  await expect(offer).toBeVisible()
  const mark = () => page.evaluate(async () => (await fetch('/mark.svg')).text())
  expect(await mark()).toContain('#ffb454')
  const loaded = page.waitForEvent('load')
  await page.getByRole('button', { name: 'Update now' }).click()
  await loaded
  await expect(entry(page, 'Side, rear')).toHaveValue('ctrl+')
  expect(await mark()).toContain('#54b4ff')
  await context.close()
  await newer.stop()
  rmSync(root, { recursive: true })
})

test('a file that the system opens Unisera with is recognised by its content, whatever its name', async ({
  page,
}) => {
  // Tests cannot open a file from a desktop: the queue is our own, its file is one of the browser.
  await page.addInitScript(() => {
    const setConsumer = (take: unknown) => Object.assign(window, { launched: take })
    Object.defineProperty(window, 'launchQueue', { value: { setConsumer } })
  })
  await openDemo(page)
  const open = (name: string, text: string) =>
    page.evaluate(
      async ({ called, content }) => {
        const folder = await navigator.storage.getDirectory()
        const handle = await folder.getFileHandle(called, { create: true })
        const stream = await handle.createWritable()
        await stream.write(content)
        await stream.close()
        const { launched } = window as unknown as { launched(launch: { files: unknown[] }): void }
        launched({ files: [handle] })
      },
      { called: name, content: text },
    )
  await open(
    'far.json',
    readFileSync('demo/profiles/gantry-run.json', 'utf8').replaceAll('Gantry Run', 'Far Run'),
  )
  await expect(page.getByRole('link', { name: 'Far Run', exact: true })).toBeVisible()
  await open('macros.txt', readFileSync('demo/macros.json', 'utf8'))
  await expect(page.getByRole('alertdialog', { name: 'Names already in use' })).toBeVisible()
  await open('broken.json', '{"format": "unisera-profile"')
  await expect(page.getByRole('alert')).toContainText('broken.json')
  await open('broken.zip', 'PK nothing')
  await expect(page.getByRole('alert')).toContainText('broken.zip')
})

const ofDevice = async (page: Page, what: string) => {
  await page.getByRole('button', { name: /^More actions for/ }).press('Enter')
  await page.getByRole('menuitem', { name: what }).press('Enter')
}

test('two mice of one model are told apart, one is reset and brought back, and with none work goes on', async ({
  page,
}) => {
  await openDemo(page)
  await page.getByRole('button', { name: 'Add a device' }).click()
  await page.getByRole('menuitem', { name: /^Tern 7/ }).click()
  // The first one now has its serial number in its title.
  await expect(page).toHaveURL(/device=tern-7.+2$/)
  await expect(page.getByRole('heading', { level: 2, name: /^Tern 7 \w{4}$/ })).toBeVisible()
  await expect(slot(page, 5)).toContainText('empty')
  await ofDevice(page, 'Rename the device…')
  await page.getByRole('textbox', { name: /^Name/ }).fill('Travel bag')
  await page.getByRole('button', { name: 'Rename' }).click()
  await expect(page.getByRole('heading', { level: 2, name: 'Travel bag' })).toBeVisible()
  expect(await violations(page)).toEqual([])
  const computer = await page.context().newPage()
  await computer.goto('/unplugged.html')
  await expect(computer.getByRole('tab', { name: 'Travel bag' })).toBeVisible()
  await ofDevice(page, 'Rename the device…')
  await page.getByRole('textbox', { name: /^Name/ }).fill('Bag')
  await page.getByRole('button', { name: 'Rename' }).click()
  await expect(computer.getByRole('tab', { name: 'Bag', exact: true })).toBeVisible()
  await computer.close()
  await expect(page.getByText('Travel bag was renamed to Bag')).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('heading', { level: 2, name: 'Travel bag' })).toBeVisible()

  await openProfile(page, 'Brinewatch')
  await page.getByRole('button', { name: /^Slot 1 of 5/ }).click()
  await page.getByRole('menuitemradio', { name: /^Travel bag/ }).click()
  await expect(page.getByText('Writes to Travel bag')).toBeVisible()
  await write(page)
  await page.getByRole('link', { name: 'Library' }).click()
  await page.getByRole('link', { name: 'Devices' }).click()
  await page.getByRole('link', { name: /^Travel bag/ }).click()
  await expect(slot(page, 1)).toContainText('same as in the library')
  await page.getByRole('link', { name: /^Tern 7/ }).click()
  await expect(slot(page, 1)).toContainText('unwritten edits')

  await page.getByRole('link', { name: /^Travel bag/ }).click()
  await ofDevice(page, 'Reset the device…')
  expect(await violations(page)).toEqual([])
  await page.getByRole('button', { name: 'Reset', exact: true }).click()
  await expect(slot(page, 1)).toContainText('empty')
  await expect(page.getByRole('heading', { level: 2, name: 'Travel bag' })).toBeHidden()
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('heading', { level: 2, name: 'Travel bag' })).toBeVisible()
  await expect(slot(page, 1)).toContainText('Brinewatch')

  const all = page.getByRole('heading', { name: 'No device found' })
  const count = await page.getByRole('navigation', { name: 'All devices' }).getByRole('link').count()
  for (let left = count; left > 0; left--) {
    const title = (await page.getByRole('heading', { level: 2 }).first().textContent()) ?? ''
    await ofDevice(page, 'Remove the device…')
    await page
      .getByRole('button', { name: /^(Copy to library and remove|Remove device)$/ })
      .last()
      .click()
    await expect(page.getByRole('article', { name: title, exact: true })).toBeHidden()
  }
  expect(await violations(page)).toEqual([])
  await page.reload()
  await expect(all).toBeVisible()
  await page.getByRole('link', { name: 'Open the library' }).click()
  await page.getByRole('link', { name: 'Brinewatch', exact: true }).click()
  await bindByTyping(page, 'Side, front', 'f6')
  await expect(row(page, 'Side, front')).toContainText('F6')
  await page.getByRole('link', { name: 'Devices' }).click()
  await page.getByRole('button', { name: 'Add a device' }).click()
  await page.getByRole('menuitem', { name: /^Knot 5/ }).click()
  await expect(slot(page, 1)).toContainText('empty')
})

test('settings are found by their words, hold in every tab, and everything is forgotten when asked twice', async ({
  page,
}) => {
  await openDemo(page)
  await page.keyboard.press('Control+k')
  await page.getByRole('combobox').fill('imperial')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('region', { name: 'Units for hand movement' })).toBeFocused()
  await choice(page, 'Units for hand movement', 'Inches').click()
  await choice(page, 'Text size', '125%').click()
  await choice(page, 'Position of on-screen notes', 'Corner').click()
  await page.getByRole('searchbox', { name: 'Search settings' }).fill('notif')
  await expect(page.getByRole('region', { name: 'Theme' })).toBeHidden()
  await page.getByRole('checkbox', { name: 'Device connected or disconnected' }).uncheck()
  await page.getByRole('searchbox', { name: 'Search settings' }).fill('')
  await choice(page, 'Start view', 'Last view').click()

  await openProfile(page, 'Brinewatch')
  await openView(page, 'Motion')
  await expect(page.getByText(/[\d.]+ in across the screen/).first()).toBeVisible()
  const size = () => page.evaluate(() => getComputedStyle(document.documentElement).fontSize)
  expect(await size()).toBe('17.5px')
  await page.goto('/')
  await expect(page).toHaveURL(/motion$/)

  await page.getByRole('link', { name: 'Settings' }).click()
  await page.getByRole('button', { name: 'Show support text' }).click()
  const support = page.getByLabel('Support text')
  await expect(support).toContainText('firmware 1.')
  await expect(support).not.toContainText('Brinewatch')
  await page.getByRole('checkbox', { name: 'Include profile names' }).check()
  await expect(support).toContainText('Brinewatch')
  expect(await violations(page)).toEqual([])

  await page.getByRole('button', { name: 'Delete all data…' }).click()
  const saved = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save a backup first' }).click()
  expect((await saved).suggestedFilename()).toMatch(/\.zip$/)
  await page.getByRole('button', { name: 'Continue' }).click()
  await page.getByRole('button', { name: 'Delete all data', exact: true }).click()
  await expect(slot(page, 1)).toContainText('Brinewatch')
  expect(await size()).toBe('14px')
})

test('firmware is updated by cable: cut in the middle and begun again; what is not signed is refused', async ({
  page,
}) => {
  await openDemo(page)
  await openProfile(page, 'Brinewatch', 'Light')
  await page.getByRole('button', { name: /^Add effect to/ }).click()
  await page.getByRole('menuitem').filter({ hasText: 'A band that moves' }).click()
  await expect(page.getByTestId('passed-over')).toContainText('Sweep requires firmware 1.1')
  await page.getByRole('link', { name: 'Update firmware' }).click()
  await page.getByRole('button', { name: 'Update to 1.1.0' }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText('signed with Saltmarsh’s demo key')
  await expect(dialog).toContainText('only be updated over the cable')
  await expect(dialog.getByRole('button', { name: 'Update to 1.1.0' })).toBeDisabled()
  expect(await violations(page)).toEqual([])

  const changed = readFileSync('public/firmware/tern-7-1.1.0.unfw')
  changed[changed.length - 1] = itemAt(changed, changed.length - 1) ^ 1
  const choose = page.waitForEvent('filechooser')
  await dialog.getByRole('button', { name: 'Open a file…' }).click()
  await (await choose).setFiles({ name: 'tern.unfw', mimeType: '', buffer: changed })
  await expect(dialog.getByRole('alert')).toContainText('not signed by Saltmarsh')
  await dialog.getByRole('button', { name: 'Cancel' }).click()

  const hands = await page.context().newPage()
  await hands.goto('/unplugged.html')
  await choice(hands, 'Cable', 'Data').click()
  await hands.getByText('500× slower').click()
  await page.getByRole('button', { name: 'Update to 1.1.0' }).click()
  await dialog.getByRole('button', { name: 'Update to 1.1.0' }).click()
  await expect(dialog).toContainText('Do not unplug')
  await choice(hands, 'Cable', 'None').click()
  await hands.getByText('Real time').click()
  await expect(dialog).toContainText('still runs 1.0.0', { timeout: 30_000 })
  await choice(hands, 'Cable', 'Data').click()
  await expect(dialog.getByRole('button', { name: 'Start again' })).toBeEnabled()
  await dialog.getByRole('button', { name: 'Start again' }).click()
  await expect(dialog).toContainText('The device now runs 1.1.0', { timeout: 30_000 })
  await dialog.getByRole('button', { name: 'Close' }).click()
  await expect(page.getByRole('button', { name: 'Update to 1.1.0' })).toBeHidden()
  await expect(slot(page, 1)).toContainText('Brinewatch')
  await openProfile(page, 'Brinewatch', 'Light')
  await expect(page.getByTestId('passed-over')).toBeHidden()
})

const HELPED = [
  ['/devices', 'Devices'],
  ['/library', 'Library'],
  ['/profile/demo-4/buttons', 'Buttons'],
  ['/profile/demo-4/motion', 'Motion'],
  ['/profile/demo-4/light', 'Light'],
  ['/macros', 'Macros'],
  ['/measure', 'Measure'],
  ['/settings', 'Settings'],
] as const

test('help is of the view one is in, and shows each of its tasks on the controls that are there', async ({
  page,
}) => {
  test.slow()
  await openDemo(page)
  const ring = page.getByTestId('ring')
  const callout = page.getByRole('region', { name: 'Step by step' })
  const help = page.getByRole('dialog', { name: 'Help' })
  for (const [path, title] of HELPED) {
    await goTo(page, path)
    await expect(page.getByRole('main').getByRole('button').first()).toBeVisible()
    await page.keyboard.press('?')
    await expect(help.getByRole('heading', { name: title, exact: true })).toBeVisible()
    if (title === 'Motion') {
      expect(await violations(page)).toEqual([])
      await help.getByRole('link', { name: 'debounce' }).isVisible()
    }
    const tasks = await help.getByRole('button', { name: /^Show me:/ }).all()
    expect(tasks.length).toBe(3)
    const names = await Promise.all(tasks.map(async (task) => (await task.getAttribute('aria-label')) ?? ''))
    await page.keyboard.press('Escape')
    for (const name of names) {
      // Away and back, so that the view is in its initial state.
      while (await page.locator('.v-overlay--active:not(.v-snackbar)').count())
        await page.keyboard.press('Escape')
      await goTo(page, title === 'Measure' ? '/library' : '/measure')
      await goTo(page, path)
      await expect(page.getByRole('main').getByRole('button').first()).toBeVisible()
      await page.keyboard.press('?')
      await help.getByRole('button', { name, exact: true }).click()
      await expect(callout).toBeVisible()
      for (;;) {
        await expect(ring).toBeVisible()
        const said = (await callout.textContent()) ?? ''
        if (await callout.getByRole('button', { name: 'Done' }).isVisible()) break
        const box = await ring.boundingBox()
        if (box) await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2)
        await expect(callout).not.toHaveText(said)
      }
      await callout.getByRole('button', { name: 'Done' }).click()
      await expect(callout).toBeHidden()
    }
  }
  await page.goto('/profile/demo-4/motion')
  // Once the device has been read, nothing moves below the pointer.
  await expect(page.getByText(/on Tern 7 · 2.4 GHz · \d+%/)).toBeVisible()
  await page.getByText('Sensor and switches').click()
  await page.getByRole('button', { name: 'Debounce', exact: true }).click()
  await expect(help).toContainText('contacts of a switch bounce')
  expect(await violations(page)).toEqual([])
})
