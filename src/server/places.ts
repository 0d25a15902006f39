/** Addresses with a page: those of the application's router, and Unplugged. */
const APPLICATION: readonly RegExp[] = [
  /^\/$/,
  /^\/(?:devices|library|shelf|open|measure|macros|settings)$/,
  /^\/devices\/(?:slots|rules)$/,
  /^\/macros\/[\w-]+$/,
  /^\/profile\/[\w-]+(?:\/(?:buttons|motion|light|compare|cheat-sheet))?$/,
]

/** The page of the build for an address, or undefined. */
export function pageOf(path: string): string | undefined {
  if (path === '/unplugged' || path === '/unplugged.html') return '/unplugged.html'
  return path === '/index.html' || APPLICATION.some((place) => place.test(path)) ? '/index.html' : undefined
}
