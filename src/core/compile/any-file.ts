import { modelById } from '../device/models'
import { emptyMacro, shelfOf, type Macro } from '../document/macro'
import { macrosFromCsv } from '../files/macro-csv'
import { macrosFromDocument } from '../files/macro-json'
import { checkProfile, findingText } from '../checks/checks'
import { FILE_KINDS, type FileKind } from '../files/file-kinds'
import { parseLibrary, type ArchivedState, type LibraryFile } from '../files/library-file'
import { readProfileFile, refuseCircle, type ProfileFile } from '../files/profile-file'
import { readJson } from '../files/read-json'
import { ProfileError } from '../base/refusal'

export type FoundInFile =
  | { kind: 'profile'; file: ProfileFile }
  | { kind: 'macros'; macros: Macro[] }
  | {
      kind: 'library'
      library: LibraryFile
      /** Of an archive: earlier states of its profiles, and what of it could not be read. */
      states?: readonly ArchivedState[]
      broken?: readonly { name: string; problems: readonly string[] }[]
    }

/** A file that is whole, and belongs to another place. */
export class WrongKind extends Error {
  override name = 'WrongKind'
  constructor(readonly kind: FileKind) {
    super(`This is ${FILE_KINDS[kind].noun}: open it under ${FILE_KINDS[kind].place}`)
  }
}

/** What of the library a file may name: ids of macros, and names. */
export interface KnownMacros {
  id: string
  name: string
}

/**
 * Reads a file of a kind, whole or not at all.
 *
 * @param wanted what the place takes that it was opened in
 * @param known macros that are in the library
 * @param judged told how many events or documents have been judged so far
 * @throws WrongKind for a file of another place; ProfileError for one that is not what it says
 */
export function readAnyFile(
  wanted: FileKind,
  name: string,
  text: string,
  known: readonly KnownMacros[],
  newId: () => string,
  judged: (done: number) => void,
): FoundInFile {
  const kind = kindOf(name, text)
  if (kind.kind !== wanted) throw new WrongKind(kind.kind)
  if (kind.kind === 'library') return { kind: 'library', library: parseLibrary(kind.document, judged) }
  if (kind.kind === 'macros') {
    const macros = kind.csv
      ? macrosFromCsv(text, (wantedName) => known.find((each) => each.name === wantedName)?.id, newId, judged)
      : macrosFromDocument(kind.document, judged)
    refuseCircle(macros)
    return { kind: 'macros', macros }
  }
  const file = readProfileFile(kind.document, judged)
  refuseErrors(file, known)
  return { kind: 'profile', file }
}

/** A profile that no device could be given stays outside. */
function refuseErrors({ profile, macros }: ProfileFile, known: readonly KnownMacros[]): void {
  const model = modelById(profile.model)
  if (!model) throw new ProfileError([`no device model “${profile.model}” is known here`])
  const shelf = shelfOf([...known.map(({ id, name }) => emptyMacro(id, name)), ...macros])
  const errors = checkProfile(profile, model, shelf).filter(({ severity }) => severity === 'error')
  if (errors.length > 0) throw new ProfileError(errors.map(findingText))
}

function kindOf(
  name: string,
  text: string,
): { kind: 'macros'; csv: true } | { kind: FileKind; csv: false; document: unknown } {
  if (/\.csv$/i.test(name)) return { kind: 'macros', csv: true }
  if (/^\s*:[0-9a-f]{10}/i.test(text))
    throw new ProfileError([
      'this is the image of a slot in Intel HEX: `unisera decompile` makes a profile of it',
    ])
  const document = readJson(text)
  const format =
    typeof document === 'object' && document !== null && 'format' in document ? document.format : undefined
  if (format === 'unisera-profile') return { kind: 'profile', csv: false, document }
  if (format === 'unisera-macro' || format === 'unisera-macros')
    return { kind: 'macros', csv: false, document }
  if (format === 'unisera-library') return { kind: 'library', csv: false, document }
  throw new ProfileError([
    'this is no file of Unisera: its `format` is none of unisera-profile, unisera-macro, unisera-macros and unisera-library',
  ])
}
