import { expect, test, type Page } from '@playwright/test'
import { choice, openDemo, openProfile, openUnplugged, pick, pressInput, writeBox } from '../e2e/support'

/** One current picture of each main view. Lights are still, so that a picture only changes when its view does. */
test.beforeEach(({ page }) => page.addInitScript(() => localStorage.setItem('unisera-tour', 'seen')))
test.use({ contextOptions: { reducedMotion: 'reduce' } })

const shoot = async (page: Page, name: string) => {
  await page.mouse.move(2, 790)
  await page.screenshot({ path: `docs/screenshots/${name}.png` })
}

test('devices and library', async ({ page }) => {
  await openDemo(page)
  await shoot(page, 'devices')
  await page.getByRole('link', { name: 'Library' }).click()
  await expect(page.getByRole('list', { name: 'Profiles' })).toBeVisible()
  // One strip of light appears per frame.
  await expect(page.locator('.glance .strip[style*=url]')).toHaveCount(9)
  await shoot(page, 'library')
})

test('all slots, the shelf, comparing and settings', async ({ page }) => {
  await openDemo(page)
  await page.getByRole('link', { name: 'All slots' }).click()
  await expect(page.getByRole('button', { name: /^Write (one|\d) slots?/ })).toBeVisible()
  await shoot(page, 'slots')
  await page.goto('/shelf')
  await page.getByRole('button', { name: /^Winch master/ }).click()
  await shoot(page, 'shelf')
  await openProfile(page, 'Brinewatch', 'Compare')
  await page.getByRole('button', { name: /^Fast aim/ }).click()
  await shoot(page, 'compare')
  await page.getByRole('link', { name: 'Settings' }).click()
  await expect(page.getByTestId('kept')).toBeVisible()
  await shoot(page, 'settings')
})

test('help and firmware', async ({ page }) => {
  await openDemo(page)
  await page.goto('/devices?device=godwit-19')
  await page.getByRole('button', { name: 'Update to 1.1.0' }).click()
  await expect(page.getByText('signed with Saltmarsh’s demo key')).toBeVisible()
  await shoot(page, 'firmware')
  await page.getByRole('button', { name: 'Cancel' }).click()
  await openProfile(page, 'Brinewatch', 'Motion')
  await expect(page.getByText('Sensor and switches')).toBeVisible()
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog', { name: 'Help' })).toBeVisible()
  await shoot(page, 'help')
})

const BUTTONS = [
  { name: 'buttons', profile: 'Brinewatch', cell: 'side-rear 0' },
  { name: 'buttons-godwit', profile: 'Brinewatch crew', cell: 'thumb-4 1' },
  { name: 'buttons-dunlin', profile: 'Brinewatch bridge' },
]
for (const scheme of ['light', 'dark'] as const) {
  for (const { name, profile, cell } of BUTTONS) {
    if (scheme === 'dark' && name !== 'buttons') continue
    test(`${name}, ${scheme}`, async ({ page }) => {
      await page.emulateMedia({ colorScheme: scheme })
      await openDemo(page)
      await openProfile(page, profile)
      await expect(writeBox(page)).toHaveAttribute('data-state', /pending|there/)
      if (cell) await page.locator(`[data-cell="${cell}"]`).click()
      await shoot(page, scheme === 'light' ? name : `${name}-dark`)
    })
  }
}

test('cheat sheet', async ({ page }) => {
  await openDemo(page)
  await openProfile(page, 'Brinewatch crew')
  await page.getByRole('link', { name: 'Cheat sheet' }).click()
  await expect(page.getByRole('img', { name: /^Cheat sheet of/ })).toBeVisible()
  await shoot(page, 'cheat-sheet')
})

test('macros', async ({ page }) => {
  await openDemo(page)
  await page.getByRole('link', { name: 'Macros', exact: true }).click()
  await expect(page.getByRole('list', { name: 'Macros' })).toBeVisible()
  await shoot(page, 'macros')
  await page.getByRole('link', { name: 'Blow tanks' }).click()
  const dry = page.getByRole('region', { name: 'Dry run' })
  await pick(dry.getByRole('combobox', { name: 'Polling rate of the dry run' }), '125 Hz')
  await dry.getByRole('button', { name: 'Play' }).click()
  await expect(dry.getByRole('status')).toBeVisible()
  await page.getByRole('grid', { name: 'Events' }).getByRole('row').nth(2).locator('.verb').click()
  await shoot(page, 'macro')
})

test('motion, its try-out, and light', async ({ page }) => {
  await openDemo(page)
  await openProfile(page, 'Brinewatch', 'Motion')
  await expect(writeBox(page)).toHaveAttribute('data-state', 'pending')
  const tryOut = page.getByRole('region', { name: 'Try-out' })
  await tryOut.getByRole('button', { name: 'Circle' }).click()
  await expect(tryOut.getByTestId('counts')).not.toHaveText('0, 0')
  await page.getByRole('button', { name: 'Spread steps evenly' }).click()
  let last: string | null = ''
  await expect(async () => {
    const [before, now] = [last, await tryOut.getByTestId('counts').textContent()]
    last = now
    expect(now).toBe(before)
  }).toPass({ intervals: [300] })
  await shoot(page, 'motion')
  await openProfile(page, 'Brinewatch', 'Light')
  await expect(writeBox(page)).toHaveAttribute('data-state', 'pending')
  await page.getByRole('button', { name: 'Tide', exact: true }).click()
  await shoot(page, 'light')
})

test('measure', async ({ page }) => {
  await openDemo(page)
  await page.getByRole('link', { name: 'Measure' }).click()
  await choice(page, 'Measured device', 'Test device with known faults').click()
  await page.getByRole('button', { name: 'Measure the test device' }).click()
  await expect(page.getByTestId('rate')).toBeVisible()
  await expect(page.getByText('Show figures', { exact: true })).toHaveCount(2)
  await shoot(page, 'measure')
})

test('unplugged', async ({ page }) => {
  await openDemo(page)
  const computer = await openUnplugged(page)
  for (const input of ['side-front', 'side-rear', 'side-front', 'under-wheel'])
    await pressInput(computer, input)
  await computer.locator('[data-press="wheel-up"]').click()
  await computer.getByRole('button', { name: /^Move it/ }).click()
  await expect(computer.getByTestId('typed')).toHaveText('yy')
  await expect(computer.getByTestId('pointer')).not.toHaveText('0, 0')
  await shoot(computer, 'unplugged')
})
