import { consumerById } from '../hid/consumer-page'
import { keyByCode } from '../hid/keyboard-page'
import type { LayoutId } from '../hid/layouts'
import { foldRepeats } from '../image/fold'
import type { MacroOp } from '../image/macro-code'
import { fromHex } from '../light/colour'
import { typeText } from '../profile/typing'
import type { Macro, MacroEvent, MacroShelf } from './macro'

/**
 * A macro in the device's terms, the macros it plays written out in it, repeats folded.
 *
 * @throws RangeError for a text the layout cannot type, or a circle of macros; the checks find both before
 */
export const lowerMacro = (macro: Macro, shelf: MacroShelf, layout: LayoutId): MacroOp[] =>
  foldRepeats(merged(opsOf(macro, shelf, layout, [])))

/** The same with nothing folded. */
export function opsOf(macro: Macro, shelf: MacroShelf, layout: LayoutId, path: readonly string[]): MacroOp[] {
  if (path.includes(macro.id)) throw new RangeError(`${macro.name} plays itself`)
  const down = new Set<string>()
  return macro.events.flatMap((event): MacroOp[] => {
    const wait: MacroOp[] = event.afterMs > 0 ? [{ kind: 'wait', ms: event.afterMs }] : []
    if (event.kind !== 'macro') return [...wait, ...eventOps(event, layout, down)]
    const inner = shelf.get(event.macro)
    return inner ? [...wait, ...opsOf(inner, shelf, layout, [...path, macro.id])] : wait
  })
}

/** Waits that follow each other are one; none of nothing. */
const merged = (ops: readonly MacroOp[]): MacroOp[] =>
  ops.reduce<MacroOp[]>((whole, op) => {
    const last = whole.at(-1)
    if (op.kind !== 'wait') whole.push(op)
    else if (last?.kind === 'wait') whole[whole.length - 1] = { kind: 'wait', ms: last.ms + op.ms }
    else if (op.ms > 0) whole.push(op)
    return whole
  }, [])

/** Keys and buttons toggle in byte code: a press of what is down, or a release of what is up, says nothing. */
function eventOps(
  event: Exclude<MacroEvent, { kind: 'macro' }>,
  layout: LayoutId,
  down: Set<string>,
): MacroOp[] {
  switch (event.kind) {
    case 'key':
      return changes(event.code, event.does, down)
        ? [{ kind: 'key', usage: keyByCode(event.code)?.usage ?? 0 }]
        : []
    case 'button':
      return changes(`button ${event.button}`, event.does, down)
        ? [{ kind: 'button', button: event.button }]
        : []
    case 'control': {
      const op: MacroOp = { kind: 'consumer', usage: consumerById(event.control)?.usage ?? 0 }
      return [op, op]
    }
    case 'wheel':
      return [{ kind: 'wheel', wheel: event.detents, pan: event.sideways }]
    case 'move':
      return [{ kind: 'move', x: event.x, y: event.y }]
    case 'text':
      return [{ kind: 'strokes', strokes: typeText(event.text, layout) }]
    case 'pause':
      return event.fromMs === event.toMs
        ? [{ kind: 'wait', ms: event.fromMs }]
        : [{ kind: 'random-wait', fromMs: event.fromMs, toMs: event.toMs }]
    case 'signal':
      return [{ kind: 'signal', colour: fromHex(event.colour) }]
    case 'step':
      return [{ kind: 'step', to: event.to }]
    case 'layer':
      return [{ kind: 'layer', layer: event.layer }]
  }
}

function changes(what: string, does: 'press' | 'release', down: Set<string>): boolean {
  if ((does === 'press') === down.has(what)) return false
  if (does === 'press') down.add(what)
  else down.delete(what)
  return true
}
