import { expect, type Page } from '@playwright/test'
import {
  lightOf,
  bindByTyping,
  choice,
  entry,
  openDemo,
  openProfile,
  openUnplugged,
  openView,
  pressInput,
  row,
  slot,
  write,
  writeBox,
  test,
} from './support'

test('the device is shown with what it is and what its slots hold, though the first page was loaded anew', async ({
  page,
}) => {
  // As soon as there are profiles, while the devices are still being filled.
  await page.goto('/library')
  await expect(page.getByRole('link', { name: 'Brinewatch', exact: true })).toBeVisible()
  await openDemo(page)
  const card = page.getByRole('article', { name: 'Tern 7' })
  await expect(card.getByRole('img', { name: /drawn to scale/ })).toBeVisible()
  await expect(card).toContainText('2.4 GHz')
  await expect(card).toContainText('82%')
  await expect(card).toContainText('1.0.0')
  await expect(slot(page, 1)).toContainText('3 unwritten edits')
  await expect(slot(page, 2)).toContainText('same as in the library')
  await expect(slot(page, 5)).toContainText('empty')
})

test('from an edit to a device that keeps it, with no software', async ({ page }) => {
  await openDemo(page)
  await openProfile(page, 'Brinewatch')
  await expect(writeBox(page)).toContainText('3 unwritten edits')

  // Drawing and sheet share their selection; a binding is typed in its cell.
  await page.locator('[data-input="side-front"]').first().click()
  await expect(entry(page, 'Side, front')).toBeFocused()
  await bindByTyping(page, 'Side, front', 'shift+h')
  await bindByTyping(page, 'Side, rear', 'volume up')
  await expect(page.getByRole('button', { name: /^5 Side, front: Release ballast/ })).toBeVisible()

  // A real key press is captured.
  await row(page, 'Wheel press').click()
  await page.keyboard.press('F9')
  await expect(page.getByText('press a key or chord…')).toBeVisible()
  await page.keyboard.press('Control+Alt+KeyL')
  await expect(row(page, 'Wheel press')).toContainText('CtrlAltL')

  // The last left click cannot be removed.
  await bindByTyping(page, 'Left button', 'y')
  await expect(page.getByRole('alert')).toContainText('Left button is the only left click')
  await expect(row(page, 'Left button')).toContainText('Left click')

  // Steps and polling.
  await openView(page, 'Motion')
  await page.getByRole('textbox', { name: 'Step 2 in DPI' }).fill('1 250')
  await page.keyboard.press('Enter')
  await page.getByText('Polling and power').click()
  await page.getByRole('group', { name: '2.4 GHz' }).getByText('4000').click()

  // Light, in motion.
  await page.emulateMedia({ reducedMotion: 'no-preference' })
  await openView(page, 'Light')
  await page.getByRole('button', { name: 'Crest 2', exact: true }).click()
  await page.getByRole('button', { name: 'Add effect to selected lights' }).click()
  await page.getByRole('menuitem').filter({ hasText: 'All hues in turn' }).click()
  const lamp = () => lightOf(page, 'tern-7', 'crest:1')
  const first = await lamp()
  await expect.poll(lamp).not.toBe(first)

  await write(page)
  await expect(writeBox(page)).toContainText('On the device, read back')
  await page.reload()
  await expect(writeBox(page)).toHaveAttribute('data-state', 'there')
  await openView(page, 'Motion')
  await expect(page.getByRole('textbox', { name: 'Step 2 in DPI' })).toHaveValue('1250')

  // A computer with nothing installed.
  await page.goto('/unplugged.html')
  await expect(page.getByText('connected: 2.4 GHz')).toBeVisible()
  await pressInput(page, 'side-front')
  await expect(page.getByTestId('typed')).toHaveText('H')
  await expect(page.getByTestId('volume')).toHaveText('40%')
  await pressInput(page, 'side-rear')
  await expect(page.getByTestId('volume')).toHaveText('42%')
  await expect(page.locator('tbody')).toContainText('Volume up down')

  // 10 mm at 1,250 DPI are 492 counts; the next step has 1,600 DPI, which gives 629.
  await page.getByRole('button', { name: 'Move it 10 mm right' }).click()
  await expect(page.getByTestId('pointer')).toHaveText('492, 0')
  // Measuring takes a while. Each poll sends a report, so the measured rate equals the set rate.
  await expect(page.getByTestId('polling')).toHaveText('4,000 Hz')
  await pressInput(page, 'under-wheel')
  await expect.poll(() => lightOf(page, 'tern-7', 'crest:1')).toBe('#2e9bd6')
  await page.getByRole('button', { name: 'Move it 10 mm right' }).click()
  await expect(page.getByTestId('pointer')).toHaveText(/^112[12], 0$/)

  // The button on the underside: Gantry Run, where Side, front is Space.
  await pressInput(page, 'slot-button')
  await pressInput(page, 'side-front')
  await expect(page.getByTestId('typed')).toHaveText('H ')
  await page.goto('/')
  await expect(slot(page, 2)).toContainText('active')
})

test('steps are added, nudged, slid, reordered and removed, and every edit is undone and done again', async ({
  page,
}) => {
  await openDemo(page)
  await openProfile(page, 'Gantry Run', 'Motion')
  const dpi = (step: number) => page.getByRole('textbox', { name: `Step ${step} in DPI` })
  await page.getByRole('button', { name: 'Add step' }).click()
  await expect(dpi(3)).toHaveValue('4800')
  await page.getByRole('button', { name: 'Decrease step 3' }).click()
  await expect(dpi(3)).toHaveValue('4750')
  await page.getByRole('slider', { name: 'Step 3' }).focus()
  await page.keyboard.press('PageUp')
  await expect(dpi(3)).toHaveValue('5250')
  await page.getByRole('button', { name: 'Move step 3 up' }).click()
  await expect(dpi(2)).toHaveValue('5250')
  await dpi(1).fill('26001')
  await dpi(1).press('Enter')
  await expect(page.getByRole('alert')).toContainText('Enter 50 to 26,000 DPI')
  await dpi(1).press('Escape')
  // By dragging as well: step 2 is dragged above step 1, and back.
  const grip = (step: number) =>
    page
      .getByRole('listitem')
      .filter({ has: page.getByRole('textbox', { name: `Step ${step} in DPI` }) })
      .locator('.grip')
  await grip(2).dragTo(grip(1))
  await expect(dpi(1)).toHaveValue('5250')
  await expect(dpi(2)).toHaveValue('1200')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(dpi(1)).toHaveValue('1200')
  await page.getByRole('button', { name: 'Remove step 1' }).click()
  await expect(dpi(1)).toHaveValue('5250')
  await expect(writeBox(page)).toContainText('1 unwritten edit')
  await page.getByRole('heading', { name: 'Try-out' }).click()
  for (let edit = 0; edit < 5; edit++) await page.keyboard.press('Control+z')
  await expect(writeBox(page)).toHaveAttribute('data-state', 'there')
  await page.keyboard.press('Control+Shift+z')
  await expect(dpi(3)).toHaveValue('4800')
})

test('profiles are made, renamed, duplicated, and deleted with a way back', async ({ page }) => {
  await openDemo(page)
  await openProfile(page, 'Score engraving')
  await page.getByRole('button', { name: /^Score engraving/ }).click()
  await page.getByRole('menuitem', { name: 'Duplicate' }).click()
  await page.getByRole('button', { name: /^Score engraving copy/ }).click()
  await page.getByRole('menuitem', { name: 'Rename…' }).click()
  await page.getByRole('textbox', { name: /Name/ }).fill('Part extraction')
  await page.getByRole('button', { name: 'Rename', exact: true }).click()
  await expect(page.getByRole('button', { name: /^Part extraction/ })).toBeVisible()
  await page.getByRole('button', { name: /^Part extraction/ }).click()
  await page.getByRole('menuitem', { name: 'Delete' }).click()
  const list = page.getByRole('list', { name: 'Profiles' })
  await expect(list.getByRole('link', { name: 'Part extraction' })).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(list.getByRole('link', { name: 'Part extraction' })).toBeVisible()
  await page.getByRole('button', { name: 'New profile for Tern 7' }).click()
  await page.getByRole('button', { name: 'Create profile' }).click()
  await expect(row(page, 'Side, front')).toContainText('Forward click')

  // A profile in an inactive slot is not used, and the write box says so.
  await write(page)
  await expect(writeBox(page)).toContainText('Slot 1 is active, so this profile is not in use yet.')
  await expect(page.getByTestId('slot-standing')).toContainText('slot 1 is active')
  const computer = await openUnplugged(page)
  await expect(computer.getByTestId('active-slot')).toHaveText('Slot 1 of 5 is active: “Brinewatch”')
  await page.getByRole('button', { name: 'Make slot 4 active' }).click()
  await expect(page.getByRole('button', { name: 'Slot 4 is up to date' })).toBeVisible()
  await expect(computer.getByTestId('active-slot')).toHaveText('Slot 4 of 5 is active: “New Tern 7 profile”')
})

const CUTS = [
  { what: 'the cable is pulled', group: 'Cable', by: 'None', back: 'Data' },
  { what: 'the power is cut', by: 'Cut the power', back: 'Restore the power' },
]
for (const { what, group, by, back } of CUTS) {
  const hand = (page: Page, name: string) =>
    group ? choice(page, group, name) : page.getByRole('button', { name })
  test(`in the middle of a write ${what}`, async ({ page }) => {
    await openDemo(page)
    await choice(page, 'Cable', 'Data').click()
    await page.getByRole('button', { name: 'Unplug the receiver' }).click()
    await expect(page.getByRole('article', { name: 'Tern 7' })).toContainText('charging')
    await openProfile(page, 'Brinewatch')
    await bindByTyping(page, 'Wheel press', 'k')
    const hands = await page.context().newPage()
    await hands.goto('/unplugged.html')
    await hands.getByText('500× slower').click()
    await page.getByRole('button', { name: /^Write to slot/ }).click()
    await expect(page.getByRole('progressbar')).toBeVisible()
    await expect(writeBox(page)).toContainText(/page 1 of 2/)
    await hand(hands, by).click()
    await expect(writeBox(page)).toContainText('your edits are safe here')
    await expect(writeBox(page)).toContainText('complete new profile')
    await hands.getByText('Real time').click()
    await hand(hands, back).click()

    // Complete: either the previous contents or the new ones.
    await expect(async () => {
      const again = page.getByRole('button', { name: /Write (to )?slot 1/ })
      if ((await writeBox(page).getAttribute('data-state')) !== 'there')
        await again.click({ timeout: 15_000 })
      await expect(writeBox(page)).toHaveAttribute('data-state', 'there')
    }).toPass()
    await hands.close()
    const computer = await openUnplugged(page)
    await pressInput(computer, 'wheel-press')
    await expect(computer.getByTestId('typed')).toHaveText('k')
  })
}
