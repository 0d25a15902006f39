import { membersOf } from '../../core/base/tables'
import { expose, transfer } from 'comlink'
import Dexie from 'dexie'
import type { ComputerSetUp } from '../../core/computer/shortcuts'
import { parseMacro, type Macro, type MacroShelf } from '../../core/document/macro'
import { sameValue } from '../../core/base/same-value'
import { macroCode } from '../../core/compile/code'
import { readAnyFile, WrongKind, type FoundInFile, type KnownMacros } from '../../core/compile/any-file'
import type { ArchivedState, LibraryFile } from '../../core/files/library-file'
import { packArchive, readArchive, type ArchivedImage } from '../../core/share/archive'
import { isZip } from '../../core/share/zip'
import { carriedText } from '../../core/share/picture'
import { weigh, type FileKind } from '../../core/files/file-kinds'
import { LoweringError, ProfileError } from '../../core/base/refusal'
import { reportFaultsOfWorker } from '../../faults/report'
import { unpacked } from '../../core/document/packed'
import { figuresOf } from '../../core/compile/shown-figures'
import { piecesOf, type Piece } from '../../core/base/pieces'

/** What became of a file: what is in it has been handed over, or where it belongs, or all that is wrong with it. */
export type Reading = 'handed over' | { wrongKind: FileKind } | { problems: readonly string[] }

/** What the gate says of a stored document in the state of a stamp. */
export interface Verdict {
  stamp: unknown
  /** Whether it passes just as it is stored. */
  asItIs: boolean
}

export interface ReadingRequest {
  wanted: FileKind
  file: File
  known: KnownMacros[]
}

reportFaultsOfWorker('reading a file')

const MEMBERS_A_REPORT = 1000

/** Reads files off the page's thread. Who wants to stop it ends the worker. */
const reader = {
  async read(
    { wanted, file, known }: ReadingRequest,
    tell: (done: number) => void,
    hand: (piece: Piece) => void | Promise<void>,
  ): Promise<Reading> {
    let told = 0
    try {
      weigh(wanted, file.size)
      const bytes = new Uint8Array(await file.arrayBuffer())
      const judged = (done: number) => {
        if (done - told < MEMBERS_A_REPORT) return
        told = done
        tell(done)
      }
      const found = isZip(bytes)
        ? readLibraryArchive(wanted, bytes, judged)
        : readAnyFile(wanted, file.name, carriedText(bytes), known, () => crypto.randomUUID(), judged)
      for (const piece of piecesOf(found)) await hand(piece)
      return 'handed over'
    } catch (error) {
      if (error instanceof WrongKind) return { wrongKind: error.kind }
      if (error instanceof ProfileError) return { problems: error.problems }
      throw error
    }
  },

  figures: figuresOf,

  /** Returns the byte code of a macro, or undefined if it cannot be written; the page then finds out why. */
  code(macro: Macro, shelf: MacroShelf, on: ComputerSetUp): Uint8Array | undefined {
    try {
      return macroCode(macro, shelf, on)
    } catch (error) {
      if (error instanceof LoweringError) return undefined
      throw error
    }
  },

  /** Everything in one file, packed where it holds no page. */
  pack(
    library: LibraryFile,
    states: readonly ArchivedState[],
    images: readonly ArchivedImage[],
  ): Uint8Array<ArrayBuffer> {
    const packed = packArchive(library, states, images)
    return transfer(packed, [packed.buffer])
  },

  /** Takes stored macros through the gate where they are kept: the page need not be held by long ones. */
  async judge(database: string, ids: readonly string[]): Promise<Verdict[]> {
    const library = await new Dexie(database).open()
    try {
      const rows: unknown[] = await library.table('macros').bulkGet([...ids])
      return rows.map((row) => {
        const { stamp, document } = membersOf(row)
        return { stamp, asItIs: passesAsItIs(unpacked(document)) }
      })
    } finally {
      library.close()
    }
  },
}

/** @throws WrongKind in a place that takes no whole library; ProfileError */
function readLibraryArchive(
  wanted: FileKind,
  bytes: Uint8Array,
  judged: (done: number) => void,
): FoundInFile {
  if (wanted !== 'library') throw new WrongKind('library')
  return { kind: 'library', ...readArchive(bytes, judged) }
}

function passesAsItIs(document: unknown): boolean {
  try {
    return sameValue(parseMacro(document), document)
  } catch (error) {
    if (error instanceof ProfileError) return false
    throw error
  }
}

export type Reader = typeof reader

expose(reader)
