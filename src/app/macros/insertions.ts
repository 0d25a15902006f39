import { pressed } from '../../core/edits/macro-edits'
import type { EventName } from '../../core/document/event-kinds'
import type { MacroEvent } from '../../core/document/macro'

/** How long a key that is put in by hand is held. */
const HELD_MS = 40

interface Insertion {
  label: string
  events(): MacroEvent[]
}

/** The button that inserts each kind of event, or undefined if the event is inserted another way. */
const BY_KIND: Record<EventName, Insertion | undefined> = {
  // Pressed or typed, beside these.
  key: undefined,
  button: {
    label: 'Click',
    events: () => pressed({ kind: 'button', button: 1, does: 'press', afterMs: HELD_MS }, HELD_MS),
  },
  text: { label: 'Text', events: () => [{ kind: 'text', text: 'text', afterMs: 0 }] },
  pause: { label: 'Wait', events: () => [{ kind: 'pause', fromMs: 100, toMs: 100, afterMs: 0 }] },
  wheel: { label: 'Wheel', events: () => [{ kind: 'wheel', detents: 1, sideways: 0, afterMs: HELD_MS }] },
  move: { label: 'Move', events: () => [{ kind: 'move', x: 50, y: 0, afterMs: HELD_MS }] },
  control: {
    label: 'Media key',
    events: () => [{ kind: 'control', control: 'nextTrack', afterMs: HELD_MS }],
  },
  signal: { label: 'Light signal', events: () => [{ kind: 'signal', colour: '#ffd166', afterMs: 0 }] },
  step: { label: 'Step', events: () => [{ kind: 'step', to: 'next', afterMs: 0 }] },
  layer: { label: 'Layer', events: () => [{ kind: 'layer', layer: 1, afterMs: 0 }] },
  // Chosen by its name.
  macro: undefined,
  // Only read from a device.
  code: undefined,
}

/** What can be put into a macro by hand, beside keys; values are set where the event is chosen. */
export const INSERTIONS = Object.entries(BY_KIND).flatMap(([id, insertion]) =>
  insertion ? [{ id, ...insertion }] : [],
)

/** A key put in by hand. */
export const keyPress = (code: string): MacroEvent[] =>
  pressed({ kind: 'key', code, does: 'press', afterMs: HELD_MS }, HELD_MS)
