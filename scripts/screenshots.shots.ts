import { expect, test, type Page } from '@playwright/test'
import { openDemo, openProfile, openUnplugged, pressInput, row, writeBox } from '../e2e/support'

/** One current picture of each main view. Lights stand still, so that a picture changes only when its view does. */
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
  await shoot(page, 'library')
})

for (const scheme of ['light', 'dark'] as const) {
  test(`buttons, ${scheme}`, async ({ page }) => {
    await page.emulateMedia({ colorScheme: scheme })
    await openDemo(page)
    await openProfile(page, 'Brinewatch')
    await row(page, 'Side, front').click()
    await page.keyboard.type('ctrl+shift+')
    await expect(writeBox(page)).toHaveAttribute('data-state', 'pending')
    await shoot(page, scheme === 'light' ? 'buttons' : 'buttons-dark')
  })
}

test('motion and light', async ({ page }) => {
  await openDemo(page)
  for (const view of ['Motion', 'Light']) {
    await openProfile(page, 'Brinewatch', view)
    await expect(writeBox(page)).toHaveAttribute('data-state', 'pending')
    await shoot(page, view.toLowerCase())
  }
})

test('unplugged', async ({ page }) => {
  await openDemo(page)
  const computer = await openUnplugged(page)
  for (const input of ['side-front', 'side-rear', 'side-front', 'under-wheel'])
    await pressInput(computer, input)
  await computer.locator('[data-press="wheel-up"]').click()
  await computer.getByRole('button', { name: /Slide it/ }).click()
  await expect(computer.getByTestId('typed')).toHaveText('yby')
  await expect(computer.getByTestId('pointer')).not.toHaveText('0, 0')
  await shoot(computer, 'unplugged')
})
