import type { ComputerSetUp } from '../computer/shortcuts'
import { writeMacro } from '../onboard/macro-code'
import { rememberedFor } from '../base/remembered'
import { lowerMacro } from '../terms/lower-macro'
import { EMPTY_SHELF, ownCode, playedIn, type Macro, type MacroShelf } from '../document/macro'

/** Code by shelf, macro and computer: slots, checks and figures ask for the same over and over. */
const known = rememberedFor((_shelf: MacroShelf) =>
  rememberedFor((_macro: Macro) => new Map<string, Uint8Array>()),
)

/**
 * The byte code of a macro (docs/onboard-format.md, "Macros"), worked out once for each state of it.
 *
 * @throws LoweringError as {@link lowerMacro} does
 */
export function macroCode(macro: Macro, shelf: MacroShelf, on: ComputerSetUp): Uint8Array {
  const code = knownCode(macro, shelf, on) ?? writeMacro(lowerMacro(macro, shelf, on))
  rememberCode(macro, shelf, on, code)
  return code
}

/** Returns the byte code of a macro if it has been computed before, or is all the macro has. */
export const knownCode = (macro: Macro, shelf: MacroShelf, on: ComputerSetUp): Uint8Array | undefined =>
  ownCode(macro) ?? codesOf(macro, shelf).get(keyOf(on))

/** Remembers what {@link macroCode} returned elsewhere, such as in a worker. */
export function rememberCode(macro: Macro, shelf: MacroShelf, on: ComputerSetUp, code: Uint8Array): void {
  codesOf(macro, shelf).set(keyOf(on), code)
}

const codesOf = (macro: Macro, shelf: MacroShelf): Map<string, Uint8Array> =>
  known(playedIn(macro).size > 0 ? shelf : EMPTY_SHELF)(macro)
const keyOf = ({ system, layout }: ComputerSetUp): string => `${system} ${layout}`
