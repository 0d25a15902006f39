import type { ComputerSetUp } from '../computer/shortcuts'
import { writeMacro } from '../onboard/macro-code'
import { rememberedFor } from '../base/remembered'
import { lowerMacro } from '../document/lower-macro'
import { EMPTY_SHELF, ownCode, playedIn, type Macro, type MacroShelf } from '../document/macro'

/** Code by shelf, macro and computer: slots, checks and figures ask for the same over and over. */
const known = rememberedFor((_shelf: MacroShelf) =>
  rememberedFor((_macro: Macro) => new Map<string, Uint8Array>()),
)

/**
 * The byte code of a macro (docs/onboard-format.md, "Macros"), worked out once for each state of it.
 *
 * @throws RangeError as {@link lowerMacro} does
 */
export function macroCode(macro: Macro, shelf: MacroShelf, on: ComputerSetUp): Uint8Array {
  const own = ownCode(macro)
  if (own) return own
  const byComputer = known(playedIn(macro).size > 0 ? shelf : EMPTY_SHELF)(macro)
  const key = `${on.system} ${on.layout}`
  const code = byComputer.get(key) ?? writeMacro(lowerMacro(macro, shelf, on))
  byComputer.set(key, code)
  return code
}
