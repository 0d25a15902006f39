import { ProfileError } from '../base/errors'
import { message } from '../message/message'

/** Kinds of files, and their maximum sizes, which are checked before reading. */
export const FILE_KINDS = {
  profile: { mostBytes: 4 << 20, tooLarge: 'problems.profileFileTooLarge' },
  macros: { mostBytes: 8 << 20, tooLarge: 'problems.macroFileTooLarge' },
  library: { mostBytes: 64 << 20, tooLarge: 'problems.libraryFileTooLarge' },
} as const
export type FileKind = keyof typeof FILE_KINDS

/** @throws ProfileError for a file that is too large for its kind */
export function checkFileSize(kind: FileKind, bytes: number): void {
  const { tooLarge, mostBytes } = FILE_KINDS[kind]
  if (bytes > mostBytes)
    throw new ProfileError([message(tooLarge, { size: mebibytes(bytes), max: mebibytes(mostBytes) })])
}

/** To one decimal place. */
const mebibytes = (bytes: number): number => Math.round((bytes / (1 << 20)) * 10) / 10
