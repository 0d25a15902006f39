import { expect, type Page } from '@playwright/test'
import { choice, openDemo, openProfile, openUnplugged, pick, test, write } from './support'

/** Three steps spread evenly, tried, and confirmed on the device; the current of a rate; a calibrated sensor. */

const pane = (page: Page) => page.getByRole('region', { name: 'Try-out' })
const surface = (page: Page) => page.getByRole('application', { name: /^Try-out surface/ })
const counts = (page: Page) => pane(page).getByTestId('counts')

/** The person's hand moves by some mm to the right, with one key press per mm. */
async function moveRight(page: Page, mm: number): Promise<void> {
  await pane(page).getByRole('button', { name: 'Clear' }).click()
  await surface(page).focus()
  for (let moved = 0; moved < mm; moved++) await page.keyboard.press('ArrowRight')
}

test('three steps that feel alike are spread, felt at once, written, and felt on the device', async ({
  page,
}) => {
  await openDemo(page)
  await openProfile(page, 'Brinewatch', 'Motion')
  await page.getByRole('button', { name: 'Spread steps evenly' }).click()
  const spread = page.getByRole('region', { name: 'Spread steps evenly' })
  await pick(spread.getByRole('combobox', { name: 'Number of steps' }), '3 steps')
  await spread.getByLabel('Lowest step in DPI').fill('500')
  await spread.getByLabel('Lowest step in DPI').press('Enter')
  // The slider moves between supported values; a typed number is rounded to them.
  await spread.getByRole('slider', { name: 'Lowest step' }).press('ArrowRight')
  await expect(spread.getByLabel('Lowest step in DPI')).toHaveValue('550')
  await spread.getByLabel('Lowest step in DPI').press('ArrowDown')
  await spread.getByLabel('Highest step in DPI').fill('1950')
  await spread.getByLabel('Highest step in DPI').press('Enter')
  await expect(spread.getByRole('listitem').nth(1)).toContainText('1000exactly 987, off by +1.3%')
  await spread.getByRole('button', { name: 'Apply steps' }).click()
  await expect(page.getByRole('textbox', { name: 'Step 2 in DPI' })).toHaveValue('1000')

  // A refused value is explained at its field, and describes it; Escape restores the current one.
  const name = page.getByRole('textbox', { name: 'Name of step 2' })
  await name.fill('A name that no device has room for')
  await name.press('Enter')
  await expect(name).toHaveAccessibleDescription(/The name is too long: the maximum is 24 bytes/)
  await name.press('Escape')
  await expect(name).toHaveValue('Hull')

  // The device counts the movement: 25 mm at 500, 1000 and 1950 DPI, within one count.
  for (const [index, dpi] of [500, 1000, 1950].entries()) {
    await page.getByRole('button', { name: `Try step ${index + 1}`, exact: true }).click()
    await expect(pane(page)).toContainText(`${dpi} DPI`)
    await moveRight(page, 25)
    const wanted = Math.trunc((25 / 25.4) * dpi)
    await expect.poll(async () => Number((await counts(page).textContent())?.split(',')[0])).toBe(wanted)
  }
  // The step changes on the device itself, and the surface shows it.
  await page.keyboard.press('2')
  await expect(pane(page).getByRole('status')).toHaveText('Step 2, Hull: 1000 DPI')

  await page.getByLabel('Step 2 in DPI').fill('1050')
  await page.getByLabel('Step 2 in DPI').press('Enter')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('textbox', { name: 'Step 2 in DPI' })).toHaveValue('1000')
  await write(page)
  const computer = await openUnplugged(page)
  await computer.getByRole('button', { name: /^Move it/ }).click()
  await expect(computer.getByTestId('pointer')).toHaveText('393, 0')
})

test('a stroke is straightened by snapping, and a lower rate gives hours', async ({ page }) => {
  await openDemo(page)
  await openProfile(page, 'Brinewatch', 'Motion')
  const drawn = async () => {
    await pane(page).getByRole('button', { name: 'Nearly straight' }).click()
    await expect
      .poll(async () => Number((await counts(page).textContent())?.split(',')[0]))
      .toBeGreaterThan(1450)
    return Number((await counts(page).textContent())?.split(',')[1])
  }
  expect(await drawn()).toBeGreaterThan(40)
  await page.getByText('Sensor and switches').click()
  await choice(page, 'Angle snapping', 'On').click()
  await expect.poll(drawn).toBeLessThan(5)

  const glass = page.getByRole('region', { name: 'Surface' })
  await choice(page, 'Simulated surface', 'Frosted glass').click()
  const lost = glass.getByRole('row').filter({ hasText: 'Movement lost' })
  await expect(lost).toContainText(/[3-9]\d%/)
  await glass.getByRole('button', { name: 'Calibrate for this surface' }).click()
  await expect(glass.getByRole('status')).toContainText('Calibrated for quality 4')
  await expect(lost).toContainText(/[3-9]\d%\s*\d%/)

  await page.getByText('Polling and power').click()
  const hours = page.getByTestId('hours')
  const before = parseInt((await hours.textContent()) ?? '')
  await choice(page, 'Polling rate over 2.4 GHz', '125').click()
  await expect.poll(async () => parseInt((await hours.textContent()) ?? '')).toBeGreaterThan(before)
  await page.getByRole('button', { name: 'Simulate a full discharge' }).click()
  const lasted = page.getByText(/^Lasted/)
  const estimated = parseInt((await hours.textContent()) ?? '')
  await expect(lasted).toBeVisible()
  // The device's own battery matches the estimate.
  const played = parseInt(((await lasted.textContent()) ?? '').replace(/\D+/, ''))
  expect(Math.abs(played - estimated)).toBeLessThanOrEqual(1)
})

test('a starter is seen before it is taken, a step is held and felt, and targets take keys alone', async ({
  page,
}) => {
  await openDemo(page)
  await openProfile(page, 'Brinewatch', 'Motion')
  const starters = page.getByRole('region', { name: 'Starters' })
  await starters.getByRole('button', { name: 'Fine drawing' }).click()
  await expect(starters.getByRole('listitem').filter({ hasText: 'Angle snapping' })).toContainText('off → on')
  await starters.getByRole('button', { name: /^Apply \d+ change/ }).click()
  await expect(page.getByRole('textbox', { name: 'Step 3 in DPI' })).toHaveValue('1600')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('textbox', { name: 'Step 4 in DPI' })).toHaveValue('3200')
  // Two colours that are too similar are reported, and fixed by one click.
  const colour = page.getByRole('textbox', { name: 'Colour of step 1, as #rrggbb' })
  await colour.fill('#f0c050')
  await colour.press('Enter')
  await expect(page.getByText(/hard to distinguish/).first()).toBeVisible()
  await page
    .getByRole('button', { name: /^Change step 2 to #/ })
    .first()
    .click()
  await expect(page.getByText(/hard to distinguish/)).toHaveCount(0)

  // A hold step: bound here, held next to the surface, and tried.
  await pick(page.getByRole('combobox', { name: 'Input', exact: true }), '6 Under the wheel')
  await pick(page.getByRole('combobox', { name: 'DPI step', exact: true }), 'Step 3, 1600 DPI')
  await page.getByRole('button', { name: 'Set hold step' }).click()
  // The page names what the paste replaces, before and after.
  await pick(page.getByRole('combobox', { name: 'Input', exact: true }), '4 Side, rear')
  await expect(page.getByText('Replaces “')).toBeVisible()
  await page.getByRole('button', { name: 'Set hold step' }).click()
  await expect(page.getByText(/^Side, rear now holds step \d\. It replaced “.+”/)).toBeVisible()
  await page.getByRole('button', { name: 'Undo', exact: true }).last().click()
  const held = page.getByRole('combobox', { name: 'Input held in the try-out' })
  await pick(held, '6 Under the wheel')
  await expect(pane(page).getByRole('status')).toHaveText('Hold step: 1600 DPI')
  await moveRight(page, 25)
  await expect(counts(page)).toHaveText(`${Math.trunc((25 / 25.4) * 1600)}, 0`)
  await pick(held, 'No input')
  await expect(pane(page).getByRole('status')).toHaveText('Step 2, Hull: 800 DPI')

  await choice(page, 'Task', 'Targets').click()
  await pane(page)
    .getByRole('button', { name: /^Start 12/ })
    .click()
  await surface(page).focus()
  await page.keyboard.press('Space')
  await page.keyboard.press('ArrowRight')
  await expect(counts(page)).not.toHaveText('0, 0')
})
