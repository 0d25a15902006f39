import type { LayoutId } from '../computer/layouts'
import { writeMacro } from '../onboard/macro-code'
import { rememberedFor } from '../base/remembered'
import { lowerMacro } from '../document/lower-macro'
import { EMPTY_SHELF, ownCode, type Macro, type MacroShelf } from '../document/macro'

/** Code by shelf, macro and layout: slots, checks and figures ask for the same over and over. */
const known = rememberedFor((_shelf: MacroShelf) =>
  rememberedFor((_macro: Macro) => new Map<LayoutId, Uint8Array>()),
)

/**
 * The byte code of a macro (docs/onboard-format.md, "Macros"), worked out once for each state of it.
 *
 * @throws RangeError as {@link lowerMacro} does
 */
export function macroCode(macro: Macro, shelf: MacroShelf, layout: LayoutId): Uint8Array {
  const own = ownCode(macro)
  if (own) return own
  const playsOthers = macro.events.some(({ kind }) => kind === 'macro')
  const byLayout = known(playsOthers ? shelf : EMPTY_SHELF)(macro)
  const code = byLayout.get(layout) ?? writeMacro(lowerMacro(macro, shelf, layout))
  byLayout.set(layout, code)
  return code
}
