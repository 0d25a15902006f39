import { wrap, type Remote } from 'comlink'
import { itemAt } from '../../core/base/items'
import type { Reader } from './reading.worker'

/** Starts a worker that reads and validates in parallel to the page. The caller must end it. */
export function startReader(): { worker: Worker; reader: Remote<Reader> } {
  const worker = new Worker(new URL('./reading.worker.ts', import.meta.url), { type: 'module' })
  return { worker, reader: wrap<Reader>(worker) }
}

/**
 * Validates stored macros in parallel to the page.
 *
 * @returns the stamps of those that are valid as stored, by id; the page validates the others itself, or all of them if
 *   there is no worker
 */
export async function validateInWorker(
  database: string,
  ids: readonly string[],
): Promise<Map<string, unknown>> {
  if (typeof Worker === 'undefined') return new Map()
  const { worker, reader } = startReader()
  const failed = new Promise<never>((_, reject) => {
    worker.onerror = () => reject(new Error('the worker could not be started'))
  })
  try {
    const verdicts = await Promise.race([reader.validate(database, ids), failed])
    return new Map(
      ids.flatMap((id, at) =>
        itemAt(verdicts, at).asItIs ? [[id, itemAt(verdicts, at).stamp] as const] : [],
      ),
    )
  } catch {
    // The page can do it too, but is busy meanwhile.
    return new Map()
  } finally {
    worker.terminate()
  }
}
