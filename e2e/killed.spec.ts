import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium, expect, test, type BrowserContext, type Page } from '@playwright/test'
import { itemAt } from '../src/core/base/items'
import { launchOptions } from '../scripts/browser'
import { largeLibrary } from '../scripts/large-library'
import { bindByTyping, choice, openDemo, openProfile, slot, writeBox } from './support'

/** A browser with its own profile folder, killed like a hung program: nothing in it can clean up. */
interface Home {
  open(): Promise<Page>
  kill(): Promise<void>
}

function homeAt(folder: string, baseURL: string): Home {
  let context: BrowserContext | undefined
  return {
    async open() {
      context = await chromium.launchPersistentContext(folder, {
        ...launchOptions,
        baseURL,
        viewport: { width: 1280, height: 800 },
        reducedMotion: 'reduce',
        serviceWorkers: 'block',
      })
      return context.newPage()
    },
    async kill() {
      const gone = context?.waitForEvent('close')
      for (const pid of readdirSync('/proc').filter((name) => /^\d+$/.test(name))) {
        if (commandOf(pid).includes(folder)) process.kill(Number(pid), 'SIGKILL')
      }
      await gone
    },
  }
}

function commandOf(pid: string): string {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8')
  } catch {
    return ''
  }
}

let home: Home
let folder: string
test.beforeEach(({ baseURL }) => {
  folder = mkdtempSync(join(tmpdir(), 'unisera-home-'))
  home = homeAt(folder, baseURL ?? '')
})
test.afterEach(async () => {
  await home.kill()
  rmSync(folder, { recursive: true, force: true })
})

/** The devices at their slowest, so that short operations can be interrupted. */
async function slowly(page: Page, act: () => Promise<unknown> = async () => {}): Promise<void> {
  const hands = await page.context().newPage()
  await hands.goto('/unplugged.html')
  await expect(hands.getByText('connected:')).toBeVisible()
  await act()
  await hands.getByText('500× slower').click()
}

/** The slots of the first device. */
const onBoard = (page: Page) =>
  page.getByRole('region', { name: 'Tern 7' }).getByRole('list', { name: 'Slots' }).getByRole('listitem')

test('the browser is killed in a write, and in a swap of two slots: the write is one or the other, the swap is finished', async () => {
  let page = await home.open()
  await openDemo(page)
  await openProfile(page, 'Gantry Run')
  await bindByTyping(page, 'Wheel press', 'g')
  await slowly(page)
  await page.getByRole('button', { name: /^Write to slot/ }).click()
  await expect(page.getByRole('progressbar')).toBeVisible()
  await home.kill()

  page = await home.open()
  await page.goto('/devices')
  await expect(slot(page, 2)).toContainText(/Gantry Run.*(1 unwritten edit|same as in the library)/)
  await page.goto('/devices/slots')
  await expect(onBoard(page).nth(0)).toContainText('Brinewatch')
  await slowly(page)
  await page.getByRole('button', { name: /^Slot 1 of Tern 7/ }).click()
  await page.getByRole('menuitem', { name: 'Swap with slot 2' }).click()
  await expect(page.getByRole('progressbar', { name: 'Swapping slots 1 and 2' })).toBeVisible()
  await home.kill()

  page = await home.open()
  await page.goto('/devices/slots')
  await expect(page.getByText('was interrupted. It is complete now.')).toBeVisible({ timeout: 30_000 })
  await expect(onBoard(page).nth(0)).toContainText('Gantry Run')
  await expect(onBoard(page).nth(1)).toContainText('Brinewatch')
})

test('the browser is killed in an update of firmware, and while a library comes in: the device runs one version whole, the library has all of it or nothing', async () => {
  let page = await home.open()
  await openDemo(page)
  await slowly(page, () => choice(itemAt(page.context().pages(), 2), 'Cable', 'Data').click())
  await page.getByRole('button', { name: 'Update to 1.1.0' }).click()
  let dialog = page.getByRole('dialog')
  await dialog.getByRole('button', { name: 'Update to 1.1.0' }).click()
  await expect(dialog).toContainText('Do not unplug')
  await expect(dialog.getByRole('progressbar')).toBeVisible()
  await home.kill()

  page = await home.open()
  await page.goto('/devices')
  await expect(slot(page, 1)).toContainText('Brinewatch')
  dialog = page.getByRole('dialog')
  await page.getByRole('button', { name: 'Update to 1.1.0' }).click()
  await expect(dialog).toContainText('This device runs 1.0.0')
  await dialog.getByRole('button', { name: 'Update to 1.1.0' }).click()
  await expect(dialog).toContainText('The device now runs 1.1.0', { timeout: 30_000 })
  await page.goto('/settings')
  const file = {
    name: 'library.json',
    mimeType: '',
    buffer: Buffer.from(JSON.stringify(largeLibrary(1000))),
  }
  await page.locator('input[type=file]').setInputFiles(file)
  await page.evaluate(() => {
    const { put } = IDBObjectStore.prototype
    let rows = 0
    IDBObjectStore.prototype.put = function (...row) {
      document.documentElement.dataset.rows = String(++rows)
      return put.apply(this, row)
    }
  })
  await page.getByRole('button', { name: /^Import 1/ }).click()
  await expect(page.locator('html')).toHaveAttribute('data-rows', /\d{3}/)
  await home.kill()

  page = await home.open()
  await page.goto('/library')
  await expect(page.getByRole('link', { name: 'Hollow Tithe', exact: true })).toBeVisible()
  const search = page.getByRole('searchbox', { name: 'Search profiles' })
  await search.fill('salvage')
  const first = page.getByRole('link', { name: 'Salvage 0', exact: true })
  await expect(first.or(page.getByText('No matching profiles'))).toBeVisible()
  if (await first.isVisible()) {
    await search.fill('salvage 999')
    await expect(page.getByRole('link', { name: 'Salvage 999', exact: true })).toBeVisible()
  }
  await search.fill('hollow')
  await page.getByRole('link', { name: 'Hollow Tithe', exact: true }).click()
  await expect(writeBox(page)).toHaveAttribute('data-state', /pending|there/)
})
