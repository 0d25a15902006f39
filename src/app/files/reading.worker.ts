import { expose } from 'comlink'
import { readAnyFile, WrongKind, type FoundInFile, type KnownMacros } from '../../core/profile/any-file'
import { weigh, type FileKind } from '../../core/profile/file-kinds'
import { ProfileError } from '../../core/profile/refusal'
import { figuresOf } from '../macros/figures-of'

/** What became of a file: what is in it, where it belongs, or all that is wrong with it. */
export type Reading = { found: FoundInFile } | { wrongKind: FileKind } | { problems: readonly string[] }

export interface ReadingRequest {
  wanted: FileKind
  file: File
  known: KnownMacros[]
}

const MEMBERS_A_REPORT = 1000

/** Reads files off the page's thread. Who wants to stop it ends the worker. */
const reader = {
  async read({ wanted, file, known }: ReadingRequest, tell: (done: number) => void): Promise<Reading> {
    let told = 0
    try {
      weigh(wanted, file.size)
      const text = await file.text()
      const judged = (done: number) => {
        if (done - told < MEMBERS_A_REPORT) return
        told = done
        tell(done)
      }
      return { found: readAnyFile(wanted, file.name, text, known, () => crypto.randomUUID(), judged) }
    } catch (error) {
      if (error instanceof WrongKind) return { wrongKind: error.kind }
      if (error instanceof ProfileError) return { problems: error.problems }
      throw error
    }
  },

  figures: figuresOf,
}

export type Reader = typeof reader

expose(reader)
