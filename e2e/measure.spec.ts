import { readFileSync } from 'node:fs'
import { expect, type Page } from '@playwright/test'
import { choice, openDemo, test } from './support'

/** Instruments measure a simulated mouse with known faults, and a session is recorded by hand. */

const tool = (page: Page, name: string) => page.getByRole('tab', { name, exact: true }).click()
const measure = (page: Page) => page.getByRole('button', { name: 'Measure the test device' }).click()
const number = (text: string | null) => Number(/[\d,]+(\.\d+)?/.exec(text ?? '')?.[0].replaceAll(',', ''))

test('a simulated mouse is measured, and its true DPI, rate and faults are found', async ({ page }) => {
  await openDemo(page)
  await page.getByRole('link', { name: 'Measure' }).click()
  await choice(page, 'Measured device', 'Test device with known faults').click()
  await tool(page, 'Counts per inch')
  await measure(page)
  for (const axis of ['across', 'along']) {
    const found = number(await page.getByTestId(`dpi-${axis}`).textContent())
    expect(Math.abs(found - 1600 * 1.032)).toBeLessThan(8)
  }
  await expect(page.getByRole('row', { name: /^across/ })).toContainText(/4\.[01]°|3\.9°/)

  await tool(page, 'Polling')
  await measure(page)
  await expect.poll(async () => number(await page.getByTestId('rate').textContent())).toBeGreaterThan(999)
  expect(number(await page.getByTestId('rate').textContent())).toBeLessThan(1001)
  await page.getByText('Show figures', { exact: true }).first().click()
  await expect(page.getByRole('columnheader', { name: 'Reports', exact: true })).toBeVisible()

  await tool(page, 'Clicks')
  await measure(page)
  await expect(page.getByText('actual value 2% double presses: within the interval')).toBeVisible()
  // The person's own gaps are only mentioned if they come close to the limit.
  await expect(page.getByText('comes from the switch, not from your finger.')).toBeVisible()
  await expect(page.getByText('You click so fast')).toBeHidden()
  await tool(page, 'Lines')
  await measure(page)
  await expect(page.getByText('No angle snapping.')).toBeVisible()
})

test('keys together and a session are heard from the person’s own hands, kept, and exported', async ({
  page,
}) => {
  await openDemo(page)
  await page.getByRole('link', { name: 'Measure' }).click()
  await tool(page, 'Keys')
  await page.getByRole('button', { name: 'Start', exact: true }).click()
  await expect(page.getByText('hold keys down').first()).toBeVisible()
  for (const key of ['KeyQ', 'KeyW', 'KeyE', 'Space']) await page.keyboard.down(key)
  await expect(page.getByTestId('rollover')).toHaveText('4')
  // Finds keys by their printed legends.
  await expect(page.getByRole('row', { name: 'E Q W Space' })).toBeVisible()
  for (const key of ['KeyQ', 'KeyW', 'KeyE', 'Space']) await page.keyboard.up(key)
  await page.keyboard.press('Escape')

  await tool(page, 'Session')
  await page.getByRole('button', { name: 'Start', exact: true }).click()
  await expect(page.getByText('play or work').first()).toBeVisible()
  await page.keyboard.press('KeyW')
  await page.mouse.move(300, 320, { steps: 4 })
  await page.mouse.down()
  await page.mouse.up()
  await expect(page.getByRole('status').first()).toContainText('1 click · 1 key')
  await page.keyboard.press('Escape')
  await page.getByLabel('Session name').fill('Evening of salvage')
  await page.getByRole('button', { name: 'Save session' }).click()
  const kept = page.getByRole('list', { name: 'Saved sessions' }).getByRole('listitem')
  await expect(kept).toContainText('Evening of salvage')
  // It is still there after a reload, can be compared with the next one, and exported to a spreadsheet.
  await page.reload()
  await tool(page, 'Session')
  await kept.getByRole('button', { name: 'Compare' }).click()
  await expect(page.getByRole('row', { name: /^Clicks/ })).toContainText('1')
  const download = page.waitForEvent('download')
  await kept.getByRole('button', { name: 'CSV' }).click()
  const file = await (await download).path()
  expect(readFileSync(file, 'utf8')).toMatch(/^minute,actions a minute,metres\n0\.042,24,/)
  await kept.getByRole('button', { name: /^Delete/ }).click()
  await expect(kept).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(kept).toHaveCount(1)
})
