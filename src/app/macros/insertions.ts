import { t, withTexts } from '../../messages/page'
import { pressAndRelease } from '../../core/edits/macro-edits'
import type { EventName } from '../../core/document/event-kinds'
import type { MacroEvent } from '../../core/document/macro'

/** How long an inserted key is held. */
const HELD_MS = 40

interface Insertion {
  label: string
  events(): MacroEvent[]
}

/** The button that inserts each kind of event, or undefined if the event is inserted another way. */
const BY_KIND: Record<EventName, Insertion | undefined> = {
  // Inserted by pressing or typing.
  key: undefined,
  button: withTexts(
    {
      events: (): MacroEvent[] =>
        pressAndRelease({ kind: 'button', button: 1, does: 'press', afterMs: HELD_MS }, HELD_MS),
    },
    { label: 'macros.click' },
  ),
  text: withTexts(
    { events: (): MacroEvent[] => [{ kind: 'text', text: t('macros.text2'), afterMs: 0 }] },
    { label: 'macros.text' },
  ),
  pause: withTexts(
    { events: (): MacroEvent[] => [{ kind: 'pause', fromMs: 100, toMs: 100, afterMs: 0 }] },
    { label: 'macros.delay' },
  ),
  wheel: withTexts(
    { events: (): MacroEvent[] => [{ kind: 'wheel', detents: 1, sideways: 0, afterMs: HELD_MS }] },
    { label: 'macros.wheel3' },
  ),
  move: withTexts(
    { events: (): MacroEvent[] => [{ kind: 'move', x: 50, y: 0, afterMs: HELD_MS }] },
    { label: 'macros.move2' },
  ),
  control: withTexts(
    { events: (): MacroEvent[] => [{ kind: 'control', control: 'nextTrack', afterMs: HELD_MS }] },
    { label: 'macros.mediaKey' },
  ),
  signal: withTexts(
    { events: (): MacroEvent[] => [{ kind: 'signal', colour: '#ffd166', afterMs: 0 }] },
    { label: 'macros.lightSignal' },
  ),
  step: withTexts(
    { events: (): MacroEvent[] => [{ kind: 'step', to: 'next', afterMs: 0 }] },
    { label: 'macros.step' },
  ),
  layer: withTexts(
    { events: (): MacroEvent[] => [{ kind: 'layer', layer: 1, afterMs: 0 }] },
    { label: 'macros.layer' },
  ),
  // Selected by its name.
  macro: undefined,
  // Selected by its name.
  command: undefined,
  // Only read from a device.
  code: undefined,
}

/** Events that can be inserted besides keys; their values are set after inserting. */
export const INSERTIONS = Object.entries(BY_KIND).flatMap(([id, insertion]) =>
  insertion ? [{ id, insertion }] : [],
)

/** An inserted key. */
export const keyPress = (code: string): MacroEvent[] =>
  pressAndRelease({ kind: 'key', code, does: 'press', afterMs: HELD_MS }, HELD_MS)
