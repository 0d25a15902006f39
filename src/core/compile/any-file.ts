import { type MessageFact, factList, message } from '../message/message'
import { modelById } from '../device/models'
import { emptyMacro, shelfOf, type Macro } from '../document/macro'
import { macrosFromCsv } from '../files/macro-csv'
import { macrosFromDocument } from '../files/macro-json'
import { checkProfile, findingMessage } from '../checks/checks'
import { checkFileSize, type FileKind } from '../files/file-kinds'
import { parseLibrary, type ArchivedState, type LibraryFile } from '../files/library-file'
import { readProfileFile, rejectCycle, type ProfileFile } from '../files/profile-file'
import { readJson } from '../files/read-json'
import { ProfileError } from '../base/errors'

export type FileContent =
  | { kind: 'profile'; file: ProfileFile }
  | { kind: 'macros'; macros: Macro[] }
  | {
      kind: 'library'
      library: LibraryFile
      /** Of an archive: saved versions of its profiles, and its unreadable parts. */
      states?: readonly ArchivedState[]
      broken?: readonly { name: string; problems: readonly MessageFact[] }[]
    }

/** Contents of the library that a file may refer to: ids of macros, and names. */
export interface KnownMacros {
  id: string
  name: string
}

/**
 * Recognises a file by its content and reads it completely or not at all.
 *
 * @param name of the file, by which CSV is recognised
 * @param text content of the file; for a picture, the document in it
 * @param known macros that are in the library
 * @param onProgress receives the number of events or documents validated so far
 * @throws ProfileError for a file that is too large for its kind, or has invalid content
 */
export function readAnyFile(
  name: string,
  text: string,
  known: readonly KnownMacros[],
  newId: () => string,
  onProgress: (done: number) => void,
): FileContent {
  const kind = kindOf(name, text)
  // A character has at least one byte.
  checkFileSize(kind.kind, text.length)
  if (kind.kind === 'library') return { kind: 'library', library: parseLibrary(kind.document, onProgress) }
  if (kind.kind === 'macros') {
    const macros = kind.csv
      ? macrosFromCsv(
          text,
          (requestedName) => known.find((each) => each.name === requestedName)?.id,
          newId,
          onProgress,
        )
      : macrosFromDocument(kind.document, onProgress)
    rejectCycle(macros)
    return { kind: 'macros', macros }
  }
  const file = readProfileFile(kind.document, onProgress)
  refuseErrors(file, known)
  return { kind: 'profile', file }
}

/** A profile without a known device model is not imported. */
function refuseErrors({ profile, macros }: ProfileFile, known: readonly KnownMacros[]): void {
  const model = modelById(profile.model)
  if (!model) throw new ProfileError([message('problems.unknownModel', { model: profile.model })])
  const shelf = shelfOf([...known.map(({ id, name }) => emptyMacro(id, name)), ...macros])
  const errors = checkProfile(profile, model, shelf).filter(({ severity }) => severity === 'error')
  if (errors.length > 0) throw new ProfileError(errors.map(findingMessage))
}

function kindOf(
  name: string,
  text: string,
): { kind: 'macros'; csv: true } | { kind: FileKind; csv: false; document: unknown } {
  if (/\.csv$/i.test(name)) return { kind: 'macros', csv: true }
  if (/^\s*:[0-9a-f]{10}/i.test(text)) throw new ProfileError([message('problems.slotImage')])
  const document = readJson(text)
  const format =
    typeof document === 'object' && document !== null && 'format' in document ? document.format : undefined
  if (format === 'unisera-profile') return { kind: 'profile', csv: false, document }
  if (format === 'unisera-macro' || format === 'unisera-macros')
    return { kind: 'macros', csv: false, document }
  if (format === 'unisera-library') return { kind: 'library', csv: false, document }
  throw new ProfileError([
    message('problems.notUnisera', {
      formats: factList(['unisera-profile', 'unisera-macro', 'unisera-macros', 'unisera-library'], 'or'),
    }),
  ])
}
