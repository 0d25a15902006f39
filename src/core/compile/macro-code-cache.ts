import type { TargetComputer } from '../computer/shortcuts'
import { writeMacro } from '../onboard/macro-code'
import { memoizeByObject } from '../base/memoize'
import { lowerMacro } from '../terms/lower-macro'
import { EMPTY_SHELF, deviceCode, playedIn, type Macro, type MacroShelf } from '../document/macro'

/** Code by shelf, macro and computer: slots, checks and figures request the same repeatedly. */
const known = memoizeByObject((_shelf: MacroShelf) =>
  memoizeByObject((_macro: Macro) => new Map<string, Uint8Array>()),
)

/**
 * The byte code of a macro (docs/onboard-format.md, "Macros"), computed once for each of its states.
 *
 * @throws LoweringError as {@link lowerMacro} does
 */
export function compileMacro(macro: Macro, shelf: MacroShelf, on: TargetComputer): Uint8Array {
  const code = cachedCode(macro, shelf, on) ?? writeMacro(lowerMacro(macro, shelf, on))
  cacheCode(macro, shelf, on, code)
  return code
}

/** Returns the byte code of a macro if it was computed before, or if the macro consists of byte code only. */
export const cachedCode = (macro: Macro, shelf: MacroShelf, on: TargetComputer): Uint8Array | undefined =>
  deviceCode(macro) ?? codesOf(macro, shelf).get(keyOf(on))

/** Stores what {@link compileMacro} returned elsewhere, such as in a worker. */
export function cacheCode(macro: Macro, shelf: MacroShelf, on: TargetComputer, code: Uint8Array): void {
  codesOf(macro, shelf).set(keyOf(on), code)
}

const codesOf = (macro: Macro, shelf: MacroShelf): Map<string, Uint8Array> =>
  known(playedIn(macro).size > 0 ? shelf : EMPTY_SHELF)(macro)
const keyOf = ({ system, layout }: TargetComputer): string => `${system} ${layout}`
