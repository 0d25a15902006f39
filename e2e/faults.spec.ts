import { expect, type Page } from '@playwright/test'
import { breakMethod, goTo, openDemo, openView, test } from './support'

/** Plants unexpected errors in a view, in a timer and in a worker. */
test.use({ expectedErrors: [/planted/] })

/** Makes every canvas fail, as in a browser without memory for them, or work again. */
const setCanvases = (page: Page, fail: boolean) =>
  breakMethod(
    page,
    ['HTMLCanvasElement', 'getContext'],
    fail ? { name: 'Error', message: 'planted in a view' } : undefined,
  )

test('a view that fails says so and can be tried again, and the rest goes on working', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write'])
  await openDemo(page)
  await goTo(page, '/profile/demo-1/motion')
  await expect(page.getByRole('heading', { name: 'Try-out' })).toBeVisible()
  await setCanvases(page, true)
  await openView(page, 'Light')
  const failed = page.getByTestId('failed-view')
  await expect(failed).toContainText('This view failed')
  await expect(failed).toContainText('planted in a view')
  // The title block and the other views still work.
  await expect(page.getByRole('button', { name: /^Slot 1 of 5/ })).toBeVisible()
  await failed.getByRole('button', { name: 'Report the error…' }).click()
  await page.getByRole('button', { name: 'Copy report' }).click()
  await expect(page.getByRole('button', { name: 'Report copied' })).toBeVisible()
  const report = await page.evaluate(() => navigator.clipboard.readText())
  expect(report).toMatch(/^Unisera \d+\.\d+\.\d+\n/)
  expect(report).toContain('/profile/demo-1/light')
  expect(report).toMatch(/planted in a view\n.*at /s)
  expect(report).not.toContain('Brinewatch')
  await page.getByRole('link', { name: 'Settings' }).click()
  await expect(page.getByRole('heading', { name: 'Settings' })).toBeVisible()
  await page.goBack()
  await expect(failed).toBeVisible()
  await setCanvases(page, false)
  await failed.getByRole('button', { name: 'Try again' }).click()
  await expect(page.getByRole('heading', { name: 'Light preview' })).toBeVisible()
})

test('an error of a timer, of a promise or of the devices’ worker is told on both pages, and work goes on', async ({
  page,
  browser,
}) => {
  await openDemo(page)
  const unplugged = await page.context().newPage()
  await unplugged.goto('/unplugged.html')
  await expect(unplugged.getByText('connected:')).toBeVisible()
  for (const [where, throwing] of [
    [
      page,
      () =>
        void setTimeout(() => {
          throw new Error('planted in a timer')
        }),
    ],
    [unplugged, () => void Promise.reject(new Error('planted in a promise'))],
  ] as const) {
    await where.evaluate(throwing)
    await expect(where.getByTestId('fault')).toContainText('planted')
    await where.getByRole('button', { name: 'Dismiss' }).click()
    await expect(where.getByTestId('fault')).toBeHidden()
  }
  const cdp = await browser.newBrowserCDPSession()
  const { targetInfos } = await cdp.send('Target.getTargets', { filter: [{ type: 'shared_worker' }] })
  for (const { targetId } of targetInfos) {
    const { sessionId } = await cdp.send('Target.attachToTarget', { targetId, flatten: false })
    const expression = 'setTimeout(() => { throw new Error("planted in a worker") })'
    const message = JSON.stringify({ id: 1, method: 'Runtime.evaluate', params: { expression } })
    await cdp.send('Target.sendMessageToTarget', { message, sessionId })
  }
  for (const each of [page, unplugged])
    await expect(each.getByTestId('fault')).toContainText('planted in a worker')
  await page.getByRole('button', { name: 'Dismiss' }).click()
  await page.getByRole('link', { name: 'Library' }).click()
  await expect(page.getByRole('link', { name: 'Gantry Run', exact: true })).toBeVisible()
})
