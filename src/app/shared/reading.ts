import { proxy } from 'comlink'
import { shallowRef } from 'vue'
import type { FoundInFile } from '../../core/compile/any-file'
import type { FileKind } from '../../core/files/file-kinds'
import { useMacros } from '../stores/macros'
import { announce } from '../../look/announce'
import { messageOf } from '../stores/notices'
import { newReader } from '../beside/beside'
import { Gathering, type Piece } from '../../core/base/pieces'
import type { Reading } from '../beside/reading.worker'

/** Why a file was not opened. */
export interface Refusal {
  file: string
  problems: readonly string[]
  /** Where it belongs, when it is a file of another place. */
  belongs?: FileKind
  /** The file itself, to be opened where it belongs. */
  source?: File
}

/** Files are read in a worker: the page stays free, however large they are, and reading can be stopped. */
export function useReading(wanted: FileKind) {
  const macros = useMacros()
  /** The file that is being read, and how many events or documents of it have been judged. */
  const reading = shallowRef<{ file: string; done: number }>()
  const refusal = shallowRef<Refusal>()
  let stopped: (() => void) | undefined

  /** @returns what is in the file, or undefined where it was refused or stopped */
  async function read(file: File): Promise<FoundInFile | undefined> {
    // Stops a file that is still being read: one at a time.
    stopped?.()
    refusal.value = undefined
    reading.value = { file: file.name, done: 0 }
    announce(`Reading ${file.name}`)
    const { worker, reader } = newReader()
    let stopThis = () => {}
    const stop = new Promise<undefined>((resolve) => (stopThis = () => resolve(undefined)))
    stopped = stopThis
    const isLatest = () => stopped === stopThis
    const failed = new Promise<never>((_, reject) => {
      worker.onerror = () => reject(new Error('it could not be read to its end'))
    })
    const known = macros.list.map(({ id, name }) => ({ id, name }))
    const tell = proxy((done: number) => {
      if (isLatest() && reading.value) reading.value = { file: file.name, done }
    })
    const gathering = new Gathering()
    const hand = proxy((piece: Piece) => gathering.add(piece))
    try {
      const became: Reading | undefined = await Promise.race([
        reader.read({ wanted, file, known }, tell, hand),
        stop,
        failed,
      ])
      if (became === undefined) return undefined
      // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- the worker sent it in pieces of this type
      if (became === 'handed over') return gathering.whole() as FoundInFile
      refusal.value =
        'wrongKind' in became
          ? { file: file.name, problems: [], belongs: became.wrongKind, source: file }
          : { file: file.name, problems: became.problems }
    } catch (error) {
      refusal.value = { file: file.name, problems: [messageOf(error)] }
    } finally {
      worker.terminate()
      if (isLatest()) reading.value = undefined
    }
    return undefined
  }

  const stop = () => stopped?.()

  return { reading, refusal, read, stop }
}
