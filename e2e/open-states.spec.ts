import { expect } from '@playwright/test'
import { closeOverlays, OPENERS, overlays } from './places'
import { goTo, openDemo, test, violations } from './support'

/** Opens every menu and dialog that a view offers, and checks each with all rules of axe. */
interface Sweep {
  views: readonly string[]
  /** Dialogs that open from buttons without a menu: the view, and the button. */
  dialogs: readonly (readonly [view: string, button: string | RegExp])[]
}
const SWEEPS: Record<string, Sweep> = {
  'the places': {
    views: [
      '/devices',
      '/devices?device=godwit-19',
      '/devices/slots',
      '/library',
      '/macros',
      '/macros/:first',
      '/settings',
    ],
    dialogs: [
      ['/devices', 'Battery details'],
      ['/devices?device=godwit-19', 'Update to 1.1.0'],
      ['/library', 'New profile for Tern 7'],
    ],
  },
  'a profile': {
    views: [
      '/profile/demo-1/buttons?input=side-front&layer=1',
      '/profile/demo-1/motion',
      '/profile/demo-1/light?effect=1',
      '/profile/demo-1/compare',
      '/profile/demo-5/buttons',
      '/profile/demo-8/buttons',
      '/profile/demo-8/light?effect=1',
    ],
    dialogs: [
      ['/profile/demo-1/buttons', 'Add layer'],
      ['/profile/demo-1/light', 'Palettes…'],
      ['/profile/demo-1/light', 'Copy light to profiles…'],
    ],
  },
}

for (const [name, { views, dialogs }] of Object.entries(SWEEPS))
  test(`what opens over ${name} passes all rules of axe`, async ({ page }) => {
    await openDemo(page)
    let looked = 0
    const found = new Set<string>()
    /** The same menu is opened once, not for every row or view. */
    const seen = new Set<string>()
    const look = async (at: string) => {
      looked++
      // The view below is checked elsewhere.
      const there = '.v-overlay-container'
      // All menus are the same kind of list: only dialogs can differ in the dark theme.
      if ((await page.getByRole('dialog').count()) > 0) {
        await page.emulateMedia({ colorScheme: 'dark' })
        for (const violation of await violations(page, ['color-contrast'], there))
          found.add(`${at}, dark: ${violation}`)
        await page.emulateMedia({ colorScheme: 'light' })
      }
      for (const violation of await violations(page, undefined, there)) found.add(`${at}: ${violation}`)
    }
    for (const view of views) {
      if (view === '/macros/:first')
        await page.getByRole('list', { name: 'Macros' }).getByRole('link').first().click()
      else await goTo(page, view)
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
      const openers = await page.locator(OPENERS).count()
      for (let index = 0; index < openers; index++) {
        const opener = page.locator(OPENERS).nth(index)
        const label = (await opener.getAttribute('aria-label')) ?? (await opener.textContent()) ?? ''
        const kind = label.replace(/\d+|for .*|of .*/g, '').trim()
        if (seen.has(kind)) continue
        seen.add(kind)
        await opener.click()
        await expect(overlays(page)).not.toHaveCount(0)
        await look(`${view}, ${label}`)
        const items = await page.getByRole('menuitem', { name: /…$/ }).allTextContents()
        for (const item of items) {
          if (/Open|Drop/.test(item)) continue
          const wanted = page.getByRole('menuitem', { name: item.trim() }).first()
          if ((await overlays(page).count()) === 0) await opener.click()
          await expect(wanted).toBeVisible()
          if ((await wanted.getAttribute('aria-disabled')) === 'true') continue
          await wanted.click()
          await expect(page.getByRole('dialog').first()).toBeVisible()
          await look(`${view}, ${label}, ${item}`)
          await closeOverlays(page)
        }
        await closeOverlays(page)
      }
    }
    for (const [view, button] of dialogs) {
      await goTo(page, view)
      await page.getByRole('button', { name: button }).click()
      await expect(page.getByRole('dialog')).toBeVisible()
      await look(`${view}, ${button}`)
      await closeOverlays(page)
    }
    for (const key of ['Control+k', 'F1', '?']) {
      await page
        .getByRole('navigation', { name: 'Main views' })
        .getByRole('link', { name: 'Library' })
        .press(key)
      await expect(overlays(page)).not.toHaveCount(0)
      await look(key)
      if (key === 'Control+k') {
        await page.keyboard.type('zzz')
        await expect(page.getByText('Nothing contains “zzz”')).toBeVisible()
        await look('Find without a result')
      }
      await closeOverlays(page)
    }
    test.info().annotations.push({ type: 'open states', description: String(looked) })
    expect([...found]).toEqual([])
  })
