import { expect } from '@playwright/test'
import { Ear } from './ear'
import { openDemo, test } from './support'

/**
 * Whole jobs with the keyboard and a screen reader: each step presses keys and compares what is read out, word by word.
 */
test('an input is found and bound, cells are selected, and the profile is written and proved, by ear', async ({
  page,
}) => {
  await openDemo(page)
  const ear = await Ear.at(page)
  await ear.goTo('brinewatch', 'profile Brinewatch Tern 7, option, selected', 'Brinewatch, Buttons, heading')
  await ear.goTo(
    'side front',
    /^input Side, front .*, option, selected$/,
    /^Action of Side, front, combobox, .*, expanded$/,
  )
  await ear.type('v = Vent tanks')
  await ear.press('Enter')
  await ear.hears('Side, front is set to V in this profile')
  await ear.press('ArrowUp')
  await ear.hears('V Vent tanks note not on the mouse, gridcell, selected')
  await ear.press('Shift+ArrowUp')
  await ear.hears('2 cells selected')
  await ear.press('ArrowDown', 'Control+z')
  await ear.hears('Undone: set Side, front to V')
  await ear.press('Control+Shift+z')
  await ear.hears('Redone: set Side, front to V')
  // The drawing is one tab stop; arrow keys move between its inputs.
  await ear.tabTo(/^5 Side, front: Vent tanks, not on the device, button$/, 'Shift+Tab')
  await ear.press('ArrowDown')
  await ear.hears(/^4 Side, rear: .*, button$/)
  await ear.tabTo('Write to slot 1, button')
  await ear.press('Enter')
  await ear.hears('✓On the device, read back')

  await ear.tabTo('Try in Unplugged, link', 'Shift+Tab')
  const [computer] = await Promise.all([page.context().waitForEvent('page'), ear.press('Enter')])
  await expect(computer.getByText('connected:')).toBeVisible()
  const there = await Ear.at(computer)
  await there.tabTo(/^5 Side, front, button/)
  await there.press('Enter')
  await there.hears('v')
})

test('a macro is recorded, edited and undone by ear', async ({ page }) => {
  await openDemo(page)
  const ear = await Ear.at(page)
  await ear.goTo('new macro', 'command New macro, option, selected', 'Macro New macro, heading')
  await ear.tabTo('Record, button')
  await ear.press('Enter')
  await ear.hears(
    'Recording. Enter or F9 stops it; Tab moves to Discard. To record Tab, Enter, Space or Escape, start with F9.',
  )
  await ear.hears('Stop, button')
  await ear.press('x', 'y', 'Tab')
  await ear.hears('Discard, button')
  await ear.press('Shift+Tab', 'Space')
  await ear.hears(/Recorded: 4 events/)
  await ear.hears('Record, button')
  await ear.tabTo(/^Release Y at \d+ ms, option, selected$/)
  await ear.press('Home')
  await ear.hears(/^Press X at 0 ms, held \d+ ms, option, selected$/)
  await ear.press('Alt+ArrowRight')
  await ear.hears(/^Move: Press X at 1 ms/)
  await ear.press('Shift+End')
  await ear.hears('4 events selected')
  await ear.press('Delete')
  await ear.hears('Delete 4 events')
  await ear.press('Control+z')
  await ear.hears('Undone: delete 4 events')
})

test('steps are added and moved, light is composed and two slots are swapped by ear', async ({ page }) => {
  await openDemo(page)
  const ear = await Ear.at(page)
  await ear.goTo('gantry run', 'profile Gantry Run Tern 7, option, selected', 'Gantry Run, Buttons, heading')
  await ear.goTo(
    'dpi steps',
    'view Motion DPI steps and polling rate, Gantry Run, option, selected',
    'Gantry Run, Motion, heading',
  )
  await ear.tabTo('Add step, button')
  for (const [step, dpi] of [
    [3, 4800],
    [4, 9600],
    [5, 19200],
  ]) {
    await ear.press('Enter')
    await ear.hears(`Step ${step} added, ${dpi} DPI`)
  }
  // The button is disabled now: the focus moved to the new step.
  await ear.hears('Try step 5, button')
  await ear.tabTo('Step 5 in DPI, textbox, 19200')
  await ear.press('Control+a')
  await ear.type('99999')
  await ear.press('Enter')
  await ear.hears('Enter 50 to 26,000 DPI')
  await ear.hears('Step 5 in DPI, textbox, 99999, invalid')
  await ear.press('Escape')
  await ear.tabTo('Move step 5 up, button')
  await ear.press('Enter', 'Enter')
  await ear.hears('Step 4 is now 3 of 5')
  await ear.hears('Move step 3 up, button')

  await ear.goTo(
    'light',
    'view Light Zones and effects, Gantry Run, option, selected',
    'Gantry Run, Light, heading',
  )
  await ear.tabTo('Add effect to all lights, button, collapsed')
  await ear.press('Enter')
  await ear.hears(/^Dark .*, menuitem$/)
  await ear.press('w', 'a')
  await ear.hears(/^Wave .*, menuitem$/)
  await ear.press('Enter')
  await ear.hears('Wave added on top')

  await ear.goTo(
    'all slots',
    'view All slots Every slot of every device, option, selected',
    'All slots, heading',
  )
  await ear.tabTo('Slot 2 of Tern 7, Gantry Run, button, collapsed')
  await ear.press('Enter')
  await ear.hears('Open profile, menuitem')
  await ear.type('swap')
  await ear.hears('Swap with slot 1, menuitem')
  await ear.press('Enter')
  await ear.hears(/^Slots 2 and 1 of Tern 7 were swapped/)
  await ear.hears('Slot 2 of Tern 7, Brinewatch, button, collapsed')
})
