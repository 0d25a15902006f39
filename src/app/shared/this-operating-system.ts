import type { OperatingSystem } from '../../core/computer/operating-systems'

/** The operating system of this computer according to the browser; undefined if profiles do not support it. */
export function thisOperatingSystem(): OperatingSystem | undefined {
  const platform = navigator.userAgentData?.platform ?? navigator.platform
  if (/^win/i.test(platform)) return 'windows'
  if (/^mac/i.test(platform)) return 'macos'
  return /linux|x11/i.test(platform) ? 'linux' : undefined
}
