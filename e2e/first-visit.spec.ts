import { expect } from '@playwright/test'
import { test, violations } from './support'

test('on a first visit nothing is claimed of devices and profiles that have not been read', async ({
  browser,
  baseURL,
}) => {
  const context = await browser.newContext({ baseURL, reducedMotion: 'reduce', serviceWorkers: 'block' })
  const page = await context.newPage()
  // The page makes no claims about a device that is still being filled, or a profile that is still loading.
  await page.addInitScript(() => {
    const claims: string[] = []
    Object.assign(window, { claims })
    new MutationObserver(() => {
      for (const each of document.querySelectorAll('.tab, .state'))
        if (/factory settings|not on a device/.test(each.textContent)) claims.push(each.textContent)
    }).observe(document, { childList: true, subtree: true, characterData: true })
  })
  await page.goto('/devices')
  await expect(page.getByRole('link', { name: /^Dunlin 84/ })).toContainText('Brinewatch bridge')
  expect(await page.evaluate(() => Reflect.get(window, 'claims') as string[])).toEqual([])
  await expect(page.getByRole('region', { name: 'Step by step' })).toBeVisible()
  await context.close()
})

test('a first visit goes through the tour by keys alone, and never sees it again', async ({
  browser,
  baseURL,
}) => {
  const context = await browser.newContext({ baseURL, reducedMotion: 'reduce', serviceWorkers: 'block' })
  const page = await context.newPage()
  const faults: string[] = []
  page.on('pageerror', ({ message }) => faults.push(message))
  // The tour is not about a shared link, so it waits for Devices.
  await page.goto('/library')
  await expect(page.getByRole('link', { name: 'Brinewatch', exact: true })).toBeVisible()
  await page.getByRole('link', { name: 'Devices' }).click()
  const callout = page.getByRole('region', { name: 'Step by step' })
  for (const step of [1, 2, 3, 4, 5]) {
    await expect(callout).toContainText(`Welcome · ${step} of 5`)
    await expect(page.getByTestId('ring')).toBeVisible()
    if (step === 1) expect(await violations(page)).toEqual([])
    await expect(callout.getByRole('button', { name: step < 5 ? 'Next' : 'Done' })).toBeFocused()
    await page.keyboard.press('Enter')
  }
  await expect(callout).toBeHidden()
  await page.reload()
  await expect(page.getByRole('grid', { name: 'Binding sheet' })).toBeVisible()
  await expect(callout).toBeHidden()
  expect(faults).toEqual([])
  await context.close()
})
