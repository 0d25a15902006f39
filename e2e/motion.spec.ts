import { expect, type Page } from '@playwright/test'
import { choice, openDemo, openProfile, openUnplugged, pick, test, write } from './support'

/** Three steps by the helper, felt, and seen to be on the device; what a rate costs; a sensor measured in. */

const pane = (page: Page) => page.getByRole('region', { name: 'Try-out' })
const surface = (page: Page) => page.getByRole('application', { name: /^Try-out surface/ })
const counts = (page: Page) => pane(page).getByTestId('counts')

/** The person's hand moves it so many mm to the right, by keys, a mm each. */
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
  await page.getByRole('button', { name: 'Spread evenly…' }).click()
  const spread = page.getByRole('region', { name: 'Spread evenly' })
  await pick(spread.getByRole('combobox', { name: 'How many steps' }), '3 steps')
  await spread.getByLabel('Lowest step in DPI').fill('500')
  await spread.getByLabel('Lowest step in DPI').press('Enter')
  // By hand it goes from setting to setting of the sensor; a number goes by the same steps.
  await spread.getByRole('slider', { name: 'Lowest step' }).press('ArrowRight')
  await expect(spread.getByLabel('Lowest step in DPI')).toHaveValue('550')
  await spread.getByLabel('Lowest step in DPI').press('ArrowDown')
  await spread.getByLabel('Highest step in DPI').fill('1950')
  await spread.getByLabel('Highest step in DPI').press('Enter')
  await expect(spread.getByRole('listitem').nth(1)).toContainText('1000987 wanted, +1.3 %')
  await spread.getByRole('button', { name: 'Use these' }).click()
  await expect(page.getByRole('textbox', { name: 'Step 2 in DPI' })).toHaveValue('1000')

  // What a gate refuses is told at its field, and described by it; Escape puts back what is.
  const name = page.getByRole('textbox', { name: 'Name of step 2' })
  await name.fill('A name that no device has room for')
  await name.press('Enter')
  await expect(name).toHaveAccessibleDescription(/The name of a step takes 24 bytes at most/)
  await name.press('Escape')
  await expect(name).toHaveValue('Hull')

  // What is felt is counted by the device: 25 mm at 500, 1000 and 1950 DPI, to within a count.
  for (const [index, dpi] of [500, 1000, 1950].entries()) {
    await page.getByRole('button', { name: `Try step ${index + 1}`, exact: true }).click()
    await expect(pane(page)).toContainText(`${dpi} DPI`)
    await moveRight(page, 25)
    const wanted = Math.trunc((25 / 25.4) * dpi)
    await expect.poll(async () => Number((await counts(page).textContent())?.split(',')[0])).toBe(wanted)
  }
  // The step changes on the device itself, and the surface says so.
  await page.keyboard.press('2')
  await expect(pane(page).getByRole('status')).toHaveText('Step 2, Hull: 1000 DPI')

  await page.getByLabel('Step 2 in DPI').fill('1050')
  await page.getByLabel('Step 2 in DPI').press('Enter')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('textbox', { name: 'Step 2 in DPI' })).toHaveValue('1000')
  await write(page)
  const computer = await openUnplugged(page)
  await computer.getByRole('button', { name: /Slide it/ }).click()
  await expect(computer.getByTestId('pointer')).toHaveText('393, 0')
})

test('a stroke is straightened by snapping, and a lower rate gives hours', async ({ page }) => {
  await openDemo(page)
  await openProfile(page, 'Brinewatch', 'Motion')
  const drawn = async () => {
    await pane(page).getByRole('button', { name: 'nearly straight' }).click()
    await expect
      .poll(async () => Number((await counts(page).textContent())?.split(',')[0]))
      .toBeGreaterThan(1450)
    return Number((await counts(page).textContent())?.split(',')[1])
  }
  expect(await drawn()).toBeGreaterThan(40)
  await page.getByText('Sensor and switches').click()
  await choice(page, 'Angle snapping', 'on').click()
  await expect.poll(drawn).toBeLessThan(5)

  const glass = page.getByRole('region', { name: 'Surface' })
  await choice(page, 'What it lies on', 'Frosted glass').click()
  const lost = glass.getByRole('row').filter({ hasText: 'Movement lost' })
  await expect(lost).toContainText(/[3-9]\d %/)
  await glass.getByRole('button', { name: 'Measure in to this surface' }).click()
  await expect(glass.getByRole('status')).toContainText('Measured in to a quality of 4')
  await expect(lost).toContainText(/[3-9]\d %\s*\d %/)

  await page.getByText('Polling and power').click()
  const hours = page.getByTestId('hours')
  const before = parseInt((await hours.textContent()) ?? '')
  await choice(page, 'Polling rate over 2.4 GHz', '125').click()
  await expect.poll(async () => parseInt((await hours.textContent()) ?? '')).toBeGreaterThan(before)
  await page.getByRole('button', { name: 'Run a full battery down' }).click()
  const lasted = page.getByText(/It lasted/)
  const estimated = parseInt((await hours.textContent()) ?? '')
  await expect(lasted).toBeVisible()
  // The device's own battery agrees with the estimate.
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
  await starters.getByRole('button', { name: /^Change these/ }).click()
  await expect(page.getByRole('textbox', { name: 'Step 3 in DPI' })).toHaveValue('1600')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('textbox', { name: 'Step 4 in DPI' })).toHaveValue('3200')
  // Two colours too near to each other are said, and mended by one click.
  const colour = page.getByRole('textbox', { name: 'Colour of step 1, as #rrggbb' })
  await colour.fill('#f0c050')
  await colour.press('Enter')
  await expect(page.getByText(/hard to tell apart/).first()).toBeVisible()
  await page
    .getByRole('button', { name: /^Make step 2 #/ })
    .first()
    .click()
  await expect(page.getByText(/hard to tell apart/)).toHaveCount(0)

  // A step while an input is held: bound here, held down beside the surface, and felt.
  await pick(page.getByRole('combobox', { name: 'Input to hold' }), '6 Under the wheel')
  await pick(page.getByRole('combobox', { name: 'Step while held', exact: true }), 'step 3, 1600 DPI')
  await page.getByRole('button', { name: 'Set hold step' }).click()
  // The page names what the paste replaces, before and after.
  await pick(page.getByRole('combobox', { name: 'Input to hold' }), '4 Side, rear')
  await expect(page.getByText('Replaces “')).toBeVisible()
  await page.getByRole('button', { name: 'Set hold step' }).click()
  await expect(page.getByText(/^Side, rear holds step \d now; “.+” was replaced/)).toBeVisible()
  await page.getByRole('button', { name: 'Undo', exact: true }).last().click()
  const held = page.getByRole('combobox', { name: 'Input held down in the try-out' })
  await pick(held, '6 Under the wheel')
  await expect(pane(page).getByRole('status')).toHaveText('Held: 1600 DPI')
  await moveRight(page, 25)
  await expect(counts(page)).toHaveText(`${Math.trunc((25 / 25.4) * 1600)}, 0`)
  await pick(held, 'no input')
  await expect(pane(page).getByRole('status')).toHaveText('Step 2, Hull: 800 DPI')

  await choice(page, 'What to do', 'Targets').click()
  await pane(page)
    .getByRole('button', { name: /^Start 12/ })
    .click()
  await surface(page).focus()
  await page.keyboard.press('Space')
  await page.keyboard.press('ArrowRight')
  await expect(counts(page)).not.toHaveText('0, 0')
})
