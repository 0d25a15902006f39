/** Versions of firmware, as they are told on the link and in files. */
export interface FirmwareVersion {
  major: number
  minor: number
  patch?: number
}

/** The firmware that devices leave the factory with. */
export const FIRST_FIRMWARE: FirmwareVersion = { major: 1, minor: 0 }

/** Less than 0 where the first is older, more where it is newer. */
export const compareVersions = (a: FirmwareVersion, b: FirmwareVersion): number =>
  a.major - b.major || a.minor - b.minor || (a.patch ?? 0) - (b.patch ?? 0)

export const versionText = ({ major, minor, patch }: FirmwareVersion): string =>
  [major, minor, ...(patch === undefined ? [] : [patch])].join('.')
