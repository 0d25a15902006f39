import { wrap, type Remote } from 'comlink'
import { itemAt } from '../../core/base/items'
import type { Reader } from './reading.worker'

/** Starts a worker that reads and judges beside the page. Who started it ends it. */
export function newReader(): { worker: Worker; reader: Remote<Reader> } {
  const worker = new Worker(new URL('./reading.worker.ts', import.meta.url), { type: 'module' })
  return { worker, reader: wrap<Reader>(worker) }
}

/**
 * Judges stored macros beside the page.
 *
 * @returns the stamps of those that pass just as they are stored, by id; the others the page judges itself, and so it
 *   does with all of them where no worker can be had
 */
export async function judgedBeside(database: string, ids: readonly string[]): Promise<Map<string, unknown>> {
  if (typeof Worker === 'undefined') return new Map()
  const { worker, reader } = newReader()
  const failed = new Promise<never>((_, reject) => {
    worker.onerror = () => reject(new Error('the worker could not be started'))
  })
  try {
    const verdicts = await Promise.race([reader.judge(database, ids), failed])
    return new Map(
      ids.flatMap((id, at) =>
        itemAt(verdicts, at).asItIs ? [[id, itemAt(verdicts, at).stamp] as const] : [],
      ),
    )
  } catch {
    // The page can do it as well; it only takes its time there.
    return new Map()
  } finally {
    worker.terminate()
  }
}
