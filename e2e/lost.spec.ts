import { rmSync } from 'node:fs'
import { expect, type Browser, type Page } from '@playwright/test'
import { newerBuild, serving } from './serving'
import { bindByTyping, cell, openDemo, openProfile, openUnplugged, slot, test, writeBox } from './support'

/** Parts of the application, its storage and its build that disappear while it is in use. */

/** Damages or removes a file of the build stored by the service worker. */
const spoil = (page: Page, part: string, how: 'spoilt' | 'gone') =>
  page.evaluate(
    async ({ named, way }) => {
      const name = (await caches.keys()).find((each) => each.includes('precache')) ?? ''
      const cache = await caches.open(name)
      const request = (await cache.keys()).find(({ url }) => new RegExp(named).test(url))
      if (!request) throw new Error(`nothing stored is called ${named}`)
      if (way === 'gone') await cache.delete(request)
      else await cache.put(request, new Response('}{', { headers: { 'content-type': 'text/javascript' } }))
    },
    { named: part, way: how },
  )

/** Serves the demo on a separate server, with a service worker. */
async function openedServed(browser: Browser) {
  const server = await serving('dist')
  const context = await browser.newContext({
    baseURL: server.at,
    serviceWorkers: 'allow',
    reducedMotion: 'reduce',
  })
  const page = await context.newPage()
  await openDemo(page)
  return { server, context, page }
}

test.describe('a build that was stored', () => {
  test.use({ expectedErrors: [/Unexpected token/, /Failed to fetch dynamically imported module/] })

  test('reports that it is ready, repairs damaged files, and explains a lost part when it is clicked', async ({
    browser,
  }) => {
    const { server, context, page } = await openedServed(browser)
    await page.goto('/settings')
    await expect(page.getByTestId('offline-use')).toContainText('Ready.', { timeout: 30_000 })
    // Installation is offered if the browser supports it for the page.
    await page.evaluate(() => {
      const offer = new Event('beforeinstallprompt', { cancelable: true })
      window.dispatchEvent(Object.assign(offer, { prompt: () => Promise.resolve({ outcome: 'accepted' }) }))
    })
    await page.getByRole('button', { name: 'Install Unisera…' }).click()
    await expect(page.getByRole('button', { name: 'Install Unisera…' })).toBeHidden()

    // A file is damaged while the page is open: the click explains it, and the stored build is repaired.
    await page.goto('/devices')
    await spoil(page, 'assets/LibraryView-[^.]*\\.js', 'spoilt')
    await page.getByRole('link', { name: 'Library' }).click()
    await expect(page.getByText('The stored copy of Unisera was damaged and has been repaired')).toBeVisible()
    await page.getByRole('button', { name: 'Reload', exact: true }).click()
    await page.getByRole('link', { name: 'Library' }).click()
    await expect(page.getByRole('link', { name: 'Brinewatch', exact: true })).toBeVisible()

    // Evicted between two visits: with a network it is fetched again, and then it starts without one.
    await spoil(page, 'assets/MeasureView-[^.]*\\.js', 'gone')
    await context.newPage().then(async (other) => {
      // A worker that ended checks its store with the first page after its restart; here it is told to.
      await other.goto('/devices')
      await other.evaluate(
        () =>
          new Promise((resolve) => {
            const { port1, port2 } = new MessageChannel()
            port1.onmessage = resolve
            navigator.serviceWorker.controller?.postMessage({ type: 'CARE' }, [port2])
          }),
      )
      await other.close()
    })
    await server.stop()
    await page.goto('/measure')
    await expect(page.getByRole('heading', { name: 'Measure' })).toBeVisible()
    await context.close()
  })
})

test('a newer build waits for the write of another tab, and says so', async ({ browser }) => {
  const { server, context, page } = await openedServed(browser)
  await page.evaluate(() => navigator.serviceWorker.ready)
  await server.stop()
  const root = newerBuild()
  const newer = await serving(root, server.port)

  const computer = await openUnplugged(page)
  const writing = await context.newPage()
  await writing.goto('/library')
  await openProfile(writing, 'Gantry Run')
  await bindByTyping(writing, 'Side, front', 'f5')
  await writing.keyboard.press('Escape')
  await expect(writing.getByRole('button', { name: /^Write to slot/ })).toBeVisible()
  await computer.getByText('500× slower').click()
  await writing.getByRole('button', { name: /^Write to slot/ }).click()
  await expect(writeBox(writing)).toHaveAttribute('data-state', 'writing')

  await page.evaluate(async () => (await navigator.serviceWorker.ready).update())
  let loads = 0
  writing.on('load', () => loads++)
  await page.getByRole('button', { name: 'Update now' }).click()
  await expect(page.getByText(/starts when this is finished: writing to a device/)).toBeVisible()
  expect(await page.evaluate(async () => (await fetch('/mark.svg')).text())).toContain('#ffb454')
  expect(loads).toBe(0)
  const loaded = page.waitForEvent('load')
  await computer.getByText('Real time').click()
  await loaded
  await page.goto('/devices')
  await expect(slot(page, 2)).toContainText('same as in the library')
  await context.close()
  await newer.stop()
  rmSync(root, { recursive: true })
})

test.describe('a part of the application that is not there', () => {
  test.use({ expectedErrors: [/Failed to fetch dynamically imported module/] })

  test('is reported where it was requested, and the rest keeps working', async ({ page }) => {
    await openDemo(page)
    await page.route(/assets\/MeasureView-/, (route) => route.fulfill({ status: 404 }))
    await page.getByRole('link', { name: 'Measure' }).click()
    await expect(page.getByText('A part of Unisera could not be loaded')).toBeVisible()
    await page.unroute(/assets\/MeasureView-/)
    await page.getByRole('link', { name: 'Library' }).click()
    await expect(page.getByRole('link', { name: 'Brinewatch', exact: true })).toBeVisible()
  })
})

test.describe('a library that is deleted under an open page', () => {
  test.use({ expectedErrors: [/Another connection wants to delete database/] })

  test('stays in the page, is stored again on request, and survives a reload', async ({ page }) => {
    await openDemo(page)
    await openProfile(page, 'Gantry Run')
    await page.evaluate(
      () =>
        new Promise((resolve, reject) => {
          const request = indexedDB.deleteDatabase('unisera-library')
          request.onsuccess = resolve
          request.onerror = reject
        }),
    )
    const lost = page.getByTestId('lost-library')
    await expect(lost).toContainText('This page still has its profiles (9) and macros (8)')
    await lost.getByRole('button', { name: 'Save them again' }).click()
    await expect(lost).toBeHidden()
    await bindByTyping(page, 'Side, front', 'f5')
    await expect(cell(page, 'Side, front')).toContainText('F5')
    await page.reload()
    await expect(cell(page, 'Side, front')).toContainText('F5')
    await page.getByRole('link', { name: 'Library' }).click()
    await expect(page.getByRole('list', { name: 'Profiles' }).getByRole('listitem')).toHaveCount(9)
  })
})

test('a setting that the browser refuses holds in this tab, and is stored when it can be', async ({
  page,
}) => {
  await openDemo(page)
  await page.goto('/settings')
  const set = (refuses: boolean) =>
    page.evaluate((no) => {
      const own =
        (Reflect.get(window, 'ownSet') as Storage['setItem'] | undefined) ?? Storage.prototype.setItem
      Reflect.set(window, 'ownSet', own)
      Storage.prototype.setItem = no
        ? () => {
            throw new DOMException('full', 'QuotaExceededError')
          }
        : own
    }, refuses)
  await set(true)
  await page.getByText('Inches', { exact: true }).click()
  await expect(page.getByTestId('waiting')).toContainText(/change.* to “Settings”/)
  await set(false)
  await page.getByRole('button', { name: 'Try again now' }).click()
  await expect(page.getByTestId('waiting')).toBeHidden()
  await page.reload()
  await expect(page.getByRole('radio', { name: 'Inches' })).toBeChecked()
})

test('a list removed while it closes does not move', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'no-preference' })
  await openDemo(page)
  await openProfile(page, 'Brinewatch', 'Light')
  await page.getByRole('combobox', { name: 'Length of the timeline' }).press('ArrowDown')
  await expect(page.getByRole('option', { name: '4 s' })).toBeVisible()
  await page.evaluate(async () => {
    const option = [...document.querySelectorAll<HTMLElement>('[role=option]')].at(0)
    option?.click()
    option?.closest('.v-overlay')?.remove()
    // If it moves, it does so within two frames.
    for (let frame = 0; frame < 3; frame++) await new Promise(requestAnimationFrame)
  })
})
