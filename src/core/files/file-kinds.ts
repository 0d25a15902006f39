import { ProfileError } from '../base/refusal'

/** What kinds of file there are, and how large each may be; it is weighed before it is read. */
export const FILE_KINDS = {
  profile: { noun: 'a profile', mostBytes: 4 << 20, place: 'Library' },
  macros: { noun: 'macros', mostBytes: 8 << 20, place: 'Macros' },
  library: { noun: 'a whole library', mostBytes: 64 << 20, place: 'Settings' },
} as const
export type FileKind = keyof typeof FILE_KINDS

/** @throws ProfileError for a file of more bytes than its kind may have */
export function weigh(kind: FileKind, bytes: number): void {
  const { noun, mostBytes } = FILE_KINDS[kind]
  if (bytes > mostBytes)
    throw new ProfileError([
      `the file has ${mebibytes(bytes)} MiB; ${noun} may have ${mebibytes(mostBytes)}. It was not read`,
    ])
}

const mebibytes = (bytes: number): string => (bytes / (1 << 20)).toFixed(bytes % (1 << 20) === 0 ? 0 : 1)
