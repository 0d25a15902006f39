/** Firmware versions, as in the link protocol and in files. */
export interface FirmwareVersion {
  major: number
  minor: number
  patch?: number
}

/** The firmware of devices from the factory. */
export const FIRST_FIRMWARE: FirmwareVersion = { major: 1, minor: 0 }

/** Negative if the first is older, positive if it is newer. */
export const compareVersions = (a: FirmwareVersion, b: FirmwareVersion): number =>
  a.major - b.major || a.minor - b.minor || (a.patch ?? 0) - (b.patch ?? 0)

export const versionText = ({ major, minor, patch }: FirmwareVersion): string =>
  [major, minor, ...(patch === undefined ? [] : [patch])].join('.')
