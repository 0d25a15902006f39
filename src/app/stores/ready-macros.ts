import { LoweringError } from '../../core/base/errors'
import { watch } from 'vue'
import { startReader } from '../workers/validation'
import { cachedCode, compileMacro, cacheCode } from '../../core/compile/macro-code-cache'
import type { TargetComputer } from '../../core/computer/shortcuts'
import { unreleasedPresses } from '../../core/document/macro-timing'
import { countMacroOperations } from '../../core/terms/lower-macro'
import { shelfWithin, type Macro, type MacroShelf } from '../../core/document/macro'
import { macrosUsed } from '../../core/terms/profile'
import { yieldThread } from '../database/yield-thread'
import { useLibrary } from './library'
import { useMacros } from './macros'

/** Computes the byte code of a macro and caches it: in a worker, or on the page if the worker fails. */
async function codeBeside(macro: Macro, shelf: MacroShelf, on: TargetComputer): Promise<void> {
  if (cachedCode(macro, shelf, on)) return
  const { worker, reader } = startReader()
  const failed = new Promise<undefined>((resolve) => (worker.onerror = () => resolve(undefined)))
  try {
    const played = shelfWithin(macro, shelf)
    const code = await Promise.race([reader.code(macro, played, on), failed])
    if (code) cacheCode(macro, shelf, on, code)
    else compileMacro(macro, shelf, on)
  } finally {
    worker.terminate()
  }
}

/** Shorter ones are computed when needed. */
const LONG_EVENTS = 1000

/**
 * Computes what checks and compiler need about long macros in advance, in small steps, so that no edit waits for all of
 * it. Results are cached for each state of a macro.
 */
export function useReadyMacros(): void {
  const library = useLibrary()
  const macros = useMacros()
  let latest = 0

  watch(
    [() => macros.shelf, () => library.complete],
    async ([shelf, complete]) => {
      if (!complete) return
      const round = ++latest
      for (const { macro, computer } of played()) {
        const works = [
          () => unreleasedPresses(macro.events),
          () => countMacroOperations(macro, shelf, computer),
          () => codeBeside(macro, shelf, computer),
        ]
        for (const work of works) {
          await yieldThread()
          if (round !== latest) return
          try {
            await work()
          } catch (error) {
            // A text that the layout cannot type, or a circle: the checks report it.
            if (!(error instanceof LoweringError)) throw error
          }
        }
      }
    },
    { immediate: true },
  )

  /** Long macros, each with the computers of the profiles that play it. */
  function played(): { macro: Macro; computer: TargetComputer }[] {
    return library.entries.flatMap(({ profile }) =>
      macrosUsed(profile).flatMap((id) => {
        const macro = macros.shelf.get(id)
        return macro && macro.events.length > LONG_EVENTS ? [{ macro, computer: profile.computer }] : []
      }),
    )
  }
}
