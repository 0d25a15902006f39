import type { MessageFact } from '../../core/message/message'
import { membersOf } from '../../core/base/tables'
import { expose, transfer } from 'comlink'
import Dexie from 'dexie'
import type { TargetComputer } from '../../core/computer/shortcuts'
import { parseMacro, type Macro, type MacroShelf } from '../../core/document/macro'
import { deepEqual } from '../../core/base/deep-equal'
import { compileMacro } from '../../core/compile/macro-code-cache'
import { readAnyFile, type FileContent, type KnownMacros } from '../../core/compile/any-file'
import type { ArchivedState, LibraryFile } from '../../core/files/library-file'
import { packArchive, readArchive, type ArchivedImage } from '../../core/share/archive'
import { isZip } from '../../core/share/zip'
import { extractText } from '../../core/share/picture'
import { checkFileSize } from '../../core/files/file-kinds'
import { LoweringError, ProfileError } from '../../core/base/errors'
import { reportFaultsOfWorker } from '../../faults/report'
import { unpackMacro } from '../../core/document/packed-macro'
import { displayFigures } from '../../core/compile/shown-figures'
import { splitIntoPieces, type Piece } from '../../core/base/pieces'

/** The result for a file: its documents have been sent, or the list of all its problems. */
export type Reading = 'handed over' | { problems: readonly MessageFact[] }

/** The result of validating a stored document, with the stamp of its state. */
export interface ValidationResult {
  stamp: unknown
  /** Whether it is valid exactly as stored. */
  asItIs: boolean
}

export interface ReadingRequest {
  file: File
  known: KnownMacros[]
}

reportFaultsOfWorker('reading a file')

const MEMBERS_A_REPORT = 1000

/** Reads files outside the page's thread. The caller ends the worker to stop it. */
const reader = {
  async read(
    { file, known }: ReadingRequest,
    tell: (done: number) => void,
    hand: (piece: Piece) => void | Promise<void>,
  ): Promise<Reading> {
    let told = 0
    try {
      // The largest kind; the actual kind is checked afterwards.
      checkFileSize('library', file.size)
      const bytes = new Uint8Array(await file.arrayBuffer())
      const onProgress = (done: number) => {
        if (done - told < MEMBERS_A_REPORT) return
        told = done
        tell(done)
      }
      const found: FileContent = isZip(bytes)
        ? { kind: 'library', ...readArchive(bytes, onProgress) }
        : readAnyFile(file.name, extractText(bytes), known, () => crypto.randomUUID(), onProgress)
      for (const piece of splitIntoPieces(found)) await hand(piece)
      return 'handed over'
    } catch (error) {
      if (error instanceof ProfileError) return { problems: error.problems }
      throw error
    }
  },

  figures: displayFigures,

  /** Returns the byte code of a macro, or undefined if it cannot be written; the page then finds out why. */
  code(macro: Macro, shelf: MacroShelf, on: TargetComputer): Uint8Array | undefined {
    try {
      return compileMacro(macro, shelf, on)
    } catch (error) {
      if (error instanceof LoweringError) return undefined
      throw error
    }
  },

  /** Everything in one file, compressed without blocking the page. */
  pack(
    library: LibraryFile,
    states: readonly ArchivedState[],
    images: readonly ArchivedImage[],
  ): Uint8Array<ArrayBuffer> {
    const packed = packArchive(library, states, images)
    return transfer(packed, [packed.buffer])
  },

  /** Validates stored macros where they are stored, so that long ones do not block the page. */
  async validate(database: string, ids: readonly string[]): Promise<ValidationResult[]> {
    const library = await new Dexie(database).open()
    try {
      const rows: unknown[] = await library.table('macros').bulkGet([...ids])
      return rows.map((row) => {
        const { stamp, document } = membersOf(row)
        return { stamp, asItIs: passesAsItIs(unpackMacro(document)) }
      })
    } finally {
      library.close()
    }
  },
}

function passesAsItIs(document: unknown): boolean {
  try {
    return deepEqual(parseMacro(document), document)
  } catch (error) {
    if (error instanceof ProfileError) return false
    throw error
  }
}

export type Reader = typeof reader

expose(reader)
