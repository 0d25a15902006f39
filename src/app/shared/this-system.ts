import type { OperatingSystem } from '../../core/computer/systems'

/** The operating system of this computer, as far as the browser says; undefined for one that profiles do not know. */
export function thisSystem(): OperatingSystem | undefined {
  const platform = navigator.userAgentData?.platform ?? navigator.platform
  if (/^win/i.test(platform)) return 'windows'
  if (/^mac/i.test(platform)) return 'macos'
  return /linux|x11/i.test(platform) ? 'linux' : undefined
}
