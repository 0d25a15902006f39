/** Operating systems, which decide the keys of shortcuts and how something is opened by typing. */
export const OPERATING_SYSTEMS = ['windows', 'macos', 'linux'] as const
export type OperatingSystem = (typeof OPERATING_SYSTEMS)[number]

export const OPERATING_SYSTEM_NAMES: Record<OperatingSystem, string> = {
  windows: 'Windows',
  macos: 'macOS',
  linux: 'Linux',
}
