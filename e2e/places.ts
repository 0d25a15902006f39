import { expect, type Page } from '@playwright/test'

/** The views of the application, by address. */
export const PLACES = [
  '/devices',
  '/devices/slots',
  '/devices/rules',
  '/library',
  '/shelf',
  '/macros',
  '/measure',
  '/measure?tool=session',
  '/settings',
]
export const PROFILES = [
  '/profile/demo-1/buttons',
  '/profile/demo-1/motion',
  '/profile/demo-1/motion?part=sensor',
  '/profile/demo-1/motion?part=power',
  '/profile/demo-1/light',
  '/profile/demo-1/compare',
  '/profile/demo-5/buttons',
  '/profile/demo-7/buttons',
  '/profile/demo-8/buttons',
  '/profile/demo-8/motion',
  '/profile/demo-8/light',
  '/profile/demo-8/cheat-sheet',
]
export const UNPLUGGED = ['/unplugged.html', '/unplugged.html?device=dunlin-84']

/** What opens a menu or a dialog in a view. */
export const OPENERS = 'main [aria-haspopup]:not([aria-haspopup="listbox"]):not(:disabled):visible'
export const overlays = (page: Page) => page.locator('.v-overlay--active:not(.v-tooltip, .v-snackbar)')

export async function closeOverlays(page: Page): Promise<void> {
  // Escape closes the topmost overlay first.
  for (let left = await overlays(page).count(); left > 0; left--) {
    await page.keyboard.press('Escape')
    await expect(overlays(page)).toHaveCount(left - 1)
  }
}
