import { t, textOf } from '../../messages/page'
import { proxy } from 'comlink'
import { shallowRef } from 'vue'
import { PieceJoiner, type Piece } from '../../core/base/pieces'
import type { FileContent } from '../../core/compile/any-file'
import { announce } from '../../look/announce'
import { startReader } from '../workers/validation'
import type { Reading } from '../workers/reading.worker'
import { useMacros } from '../stores/macros'
import { errorMessage } from '../stores/notifications'

/** A read and validated file: its name, and its documents. */
export interface OpenedFile {
  name: string
  found: FileContent
}

/** Why a file was refused. */
export interface RejectedFile {
  file: string
  problems: readonly string[]
  /** A valid file of another kind, which can be opened in its own view. */
  opened?: OpenedFile
}

/**
 * Reads files in a worker, which recognises them by their content and validates them. The page stays responsive,
 * however large they are, and reading can be stopped.
 */
export function useReading() {
  const macros = useMacros()
  /** The file being read, and its number of validated events or documents. */
  const reading = shallowRef<{ file: string; done: number }>()
  const refusal = shallowRef<RejectedFile>()
  let stopped: (() => void) | undefined

  /** @returns the contents of the file, or undefined if it was refused or stopped */
  async function read(file: File): Promise<FileContent | undefined> {
    // One at a time: a file still being read is stopped.
    stopped?.()
    refusal.value = undefined
    reading.value = { file: file.name, done: 0 }
    announce(t('files.reading2', { name: file.name }))
    const { worker, reader } = startReader()
    let stopThis = () => {}
    const stop = new Promise<undefined>((resolve) => (stopThis = () => resolve(undefined)))
    stopped = stopThis
    const isLatest = () => stopped === stopThis
    const failed = new Promise<never>((_, reject) => {
      worker.onerror = () => reject(new Error(t('files.theEndOfTheFileCouldNot')))
    })
    const known = macros.list.map(({ id, name }) => ({ id, name }))
    const tell = proxy((done: number) => {
      if (isLatest() && reading.value) reading.value = { file: file.name, done }
    })
    const gathering = new PieceJoiner()
    const hand = proxy((piece: Piece) => gathering.add(piece))
    try {
      const became: Reading | undefined = await Promise.race([
        reader.read({ file, known }, tell, hand),
        stop,
        failed,
      ])
      if (became === undefined) return undefined
      // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- the worker sent it in pieces of this type
      if (became === 'handed over') return gathering.whole() as FileContent
      refusal.value = { file: file.name, problems: became.problems.map(textOf) }
    } catch (error) {
      refusal.value = { file: file.name, problems: [errorMessage(error)] }
    } finally {
      worker.terminate()
      if (isLatest()) reading.value = undefined
    }
    return undefined
  }

  const stop = () => stopped?.()

  return { reading, refusal, read, stop }
}
