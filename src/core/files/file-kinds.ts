import { ProfileError } from '../base/errors'

/** Kinds of files, and their maximum sizes, which are checked before reading. */
export const FILE_KINDS = {
  profile: { noun: 'a profile', mostBytes: 4 << 20, place: 'Library' },
  macros: { noun: 'macros', mostBytes: 8 << 20, place: 'Macros' },
  library: { noun: 'a whole library', mostBytes: 64 << 20, place: 'Settings' },
} as const
export type FileKind = keyof typeof FILE_KINDS

/** @throws ProfileError for a file that is too large for its kind */
export function checkFileSize(kind: FileKind, bytes: number): void {
  const { noun, mostBytes } = FILE_KINDS[kind]
  if (bytes > mostBytes)
    throw new ProfileError([
      `the file has ${mebibytes(bytes)} MiB, but ${noun} can have up to ${mebibytes(mostBytes)} MiB. It was not read`,
    ])
}

const mebibytes = (bytes: number): string => (bytes / (1 << 20)).toFixed(bytes % (1 << 20) === 0 ? 0 : 1)
