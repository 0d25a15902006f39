/** What a computer runs; it decides which keys a shortcut is and how something is opened by typing. */
export const OPERATING_SYSTEMS = ['windows', 'macos', 'linux'] as const
export type OperatingSystem = (typeof OPERATING_SYSTEMS)[number]

export const SYSTEM_NAMES: Record<OperatingSystem, string> = {
  windows: 'Windows',
  macos: 'macOS',
  linux: 'Linux',
}
