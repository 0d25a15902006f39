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
