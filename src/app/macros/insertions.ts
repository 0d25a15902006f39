import { pressed } from '../../core/document/macro-edits'
import type { MacroEvent } from '../../core/document/macro'

/** How long a key that is put in by hand is held. */
const HELD_MS = 40

const text: MacroEvent = { kind: 'text', text: 'text', afterMs: 0 }

/** What can be put into a macro by hand, beside keys; values are set where the event is chosen. */
export const INSERTIONS: { id: string; label: string; events: () => MacroEvent[] }[] = [
  {
    id: 'click',
    label: 'Click',
    events: () => pressed({ kind: 'button', button: 1, does: 'press', afterMs: HELD_MS }, HELD_MS),
  },
  { id: 'text', label: 'Text', events: () => [text] },
  { id: 'wait', label: 'Wait', events: () => [{ kind: 'pause', fromMs: 100, toMs: 100, afterMs: 0 }] },
  {
    id: 'wheel',
    label: 'Wheel',
    events: () => [{ kind: 'wheel', detents: 1, sideways: 0, afterMs: HELD_MS }],
  },
  { id: 'move', label: 'Move', events: () => [{ kind: 'move', x: 50, y: 0, afterMs: HELD_MS }] },
  {
    id: 'control',
    label: 'Media key',
    events: () => [{ kind: 'control', control: 'nextTrack', afterMs: HELD_MS }],
  },
  { id: 'signal', label: 'Light signal', events: () => [{ kind: 'signal', colour: '#ffd166', afterMs: 0 }] },
  { id: 'step', label: 'Step', events: () => [{ kind: 'step', to: 'next', afterMs: 0 }] },
  { id: 'layer', label: 'Layer', events: () => [{ kind: 'layer', layer: 1, afterMs: 0 }] },
]

/** A key put in by hand. */
export const keyPress = (code: string): MacroEvent[] =>
  pressed({ kind: 'key', code, does: 'press', afterMs: HELD_MS }, HELD_MS)
