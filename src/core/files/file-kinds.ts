import { ProfileError } from '../base/errors'
import { message } from '../message/message'

/** Kinds of files, and their maximum sizes, which are checked before reading. */
export const FILE_KINDS = {
  profile: { maxBytes: 4 << 20, tooLarge: 'problems.profileFileTooLarge' },
  macros: { maxBytes: 8 << 20, tooLarge: 'problems.macroFileTooLarge' },
  library: { maxBytes: 64 << 20, tooLarge: 'problems.libraryFileTooLarge' },
} as const
export type FileKind = keyof typeof FILE_KINDS

/** @throws ProfileError for a file that is too large for its kind */
export function checkFileSize(kind: FileKind, bytes: number): void {
  const { tooLarge, maxBytes } = FILE_KINDS[kind]
  if (bytes > maxBytes)
    throw new ProfileError([message(tooLarge, { size: mebibytes(bytes), max: mebibytes(maxBytes) })])
}

/** To one decimal place. */
const mebibytes = (bytes: number): number => Math.round((bytes / (1 << 20)) * 10) / 10
