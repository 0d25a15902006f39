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
  foldRepeats(opsOf(macro, shelf, layout))

/** The same with nothing folded. @throws RangeError as {@link lowerMacro} does */
export function opsOf(macro: Macro, shelf: MacroShelf, layout: LayoutId): MacroOp[] {
  const ops: MacroOp[] = []
  /** What is down when one macro ends is down in the next. */
  const down = new Set<string>()
  const write = ({ id, name, events }: Macro, path: readonly string[]): void => {
    if (path.includes(id)) throw new RangeError(`${name} plays itself`)
    for (const event of events) {
      if (event.afterMs > 0) ops.push({ kind: 'wait', ms: event.afterMs })
      if (event.kind !== 'macro') {
        ops.push(...eventOps(event, layout, down))
        continue
      }
      const inner = shelf.get(event.macro)
      if (inner) write(inner, [...path, id])
    }
  }
  write(macro, [])
  return merged(ops)
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
