import { consumerByUsage } from '../hid/consumer-page'
import { keyByUsage } from '../hid/keyboard-page'
import type { LayoutId } from '../hid/layouts'
import { unfolded } from '../image/fold'
import type { MacroOp } from '../image/macro-code'
import { toHex } from '../light/colour'
import { typedBy } from '../profile/typing'
import { emptyMacro, MOST_EVENTS, type Macro, type MacroEvent } from './macro'

/** The macro that byte code came from, as far as it can be told: repeats and macros within it written out. */
export function raiseMacro(ops: readonly MacroOp[], id: string, name: string, layout: LayoutId): Macro {
  const events: MacroEvent[] = []
  const down = new Set<string>()
  let afterMs = 0
  const add = (event: Record<string, unknown>) => {
    events.push({ ...event, afterMs } as MacroEvent)
    afterMs = 0
  }
  for (const op of unfolded(ops)) {
    if (events.length >= MOST_EVENTS) break
    if (op.kind === 'wait') afterMs += op.ms
    else for (const event of raised(op, down, layout)) add(event)
  }
  if (afterMs > 0) events.push({ kind: 'pause', fromMs: afterMs, toMs: afterMs, afterMs: 0 })
  return { ...emptyMacro(id, name), events }
}

function raised(op: MacroOp, down: Set<string>, layout: LayoutId): Record<string, unknown>[] {
  switch (op.kind) {
    case 'key': {
      const code = keyByUsage(op.usage)?.code
      return code === undefined ? [] : [{ kind: 'key', code, does: toggled(code, down) }]
    }
    case 'button':
      return [{ kind: 'button', button: op.button, does: toggled(`button ${op.button}`, down) }]
    case 'consumer': {
      // A control is pressed and let go at once; only the press is an event.
      const control = consumerByUsage(op.usage)?.id
      const does = toggled(`control ${op.usage}`, down)
      return control && does === 'press' ? [{ kind: 'control', control }] : []
    }
    case 'wheel':
      return [{ kind: 'wheel', detents: op.wheel, sideways: op.pan }]
    case 'move':
      return [{ kind: 'move', x: op.x, y: op.y }]
    case 'strokes':
      return [{ kind: 'text', text: typedBy(op.strokes, layout) }]
    case 'random-wait':
      return [{ kind: 'pause', fromMs: op.fromMs, toMs: op.toMs }]
    case 'signal':
      return [{ kind: 'signal', colour: toHex(op.colour) }]
    case 'step':
      return op.to === 'next' || op.to === 'previous' ? [{ kind: 'step', to: op.to }] : []
    case 'layer':
      return [{ kind: 'layer', layer: op.layer }]
    case 'wait':
    case 'repeat':
      return []
  }
}

function toggled(what: string, down: Set<string>): 'press' | 'release' {
  if (down.delete(what)) return 'release'
  down.add(what)
  return 'press'
}
