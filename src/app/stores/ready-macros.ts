import { LoweringError } from '../../core/base/refusal'
import { watch } from 'vue'
import { newReader } from '../beside/beside'
import { knownCode, macroCode, rememberCode } from '../../core/compile/code'
import type { ComputerSetUp } from '../../core/computer/shortcuts'
import { leftDown } from '../../core/document/macro-timing'
import { weightOfMacro } from '../../core/terms/lower-macro'
import { shelfWithin, type Macro, type MacroShelf } from '../../core/document/macro'
import { macrosUsed } from '../../core/terms/profile'
import { freeThread } from '../database/free-thread'
import { useLibrary } from './library'
import { useMacros } from './macros'

/** Computes the byte code of a macro and remembers it: in a worker, or on the page if the worker fails. */
async function codeBeside(macro: Macro, shelf: MacroShelf, on: ComputerSetUp): Promise<void> {
  if (knownCode(macro, shelf, on)) return
  const { worker, reader } = newReader()
  const failed = new Promise<undefined>((resolve) => (worker.onerror = () => resolve(undefined)))
  try {
    const played = shelfWithin(macro, shelf)
    const code = await Promise.race([reader.code(macro, played, on), failed])
    if (code) rememberCode(macro, shelf, on, code)
    else macroCode(macro, shelf, on)
  } finally {
    worker.terminate()
  }
}

/** Shorter ones are worked out in passing. */
const LONG_EVENTS = 1000

/**
 * Works out what checks and compiler ask of long macros that profiles play, piece by piece with the page free between
 * them, so that no edit has to wait for all of it at once. All of it is remembered for each state of a macro.
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
          () => leftDown(macro.events),
          () => weightOfMacro(macro, shelf, computer),
          () => codeBeside(macro, shelf, computer),
        ]
        for (const work of works) {
          await freeThread()
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
  function played(): { macro: Macro; computer: ComputerSetUp }[] {
    return library.entries.flatMap(({ profile }) =>
      macrosUsed(profile).flatMap((id) => {
        const macro = macros.shelf.get(id)
        return macro && macro.events.length > LONG_EVENTS ? [{ macro, computer: profile.computer }] : []
      }),
    )
  }
}
