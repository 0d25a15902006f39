import { buttonLabel } from '../hid/button-page'
import { consumerById } from '../hid/consumer-page'
import { keyLegend, type LayoutId } from '../computer/layouts'
import type { EventName, EVENTS } from '../document/event-kinds'
import type { MacroEvent, MacroShelf } from '../document/macro'

/** What an event is about: the key as the layout prints it, the button, the text. */
export function eventThing(event: MacroEvent, layout: LayoutId, shelf: MacroShelf): string {
  switch (event.kind) {
    case 'key':
      return keyLegend(event.code, layout)
    case 'button':
      return buttonLabel(event.button)
    case 'control':
      return consumerById(event.control)?.label ?? event.control
    case 'wheel':
      return wheelText(event)
    case 'move':
      return `${event.x}, ${event.y} counts`
    case 'text':
      return `“${event.text}”`
    case 'pause':
      return event.fromMs === event.toMs ? `${event.fromMs} ms` : `${event.fromMs} to ${event.toMs} ms`
    case 'macro':
      return shelf.get(event.macro)?.name ?? 'a macro that is gone'
    case 'signal':
      return event.colour
    case 'step':
      return event.to
    case 'layer':
      return String(event.layer)
    case 'code':
      return `${event.bytes.length / 2} B of a device’s own code, kept as it is`
  }
}

/** What can be set in each event, as its field is called. */
export const EVENT_FIELDS: {
  [Name in EventName]: Record<keyof (typeof EVENTS)[Name]['parameters'], string>
} = {
  key: { code: 'Key', does: 'What the key does' },
  button: { button: 'Button', does: 'What the button does' },
  control: { control: 'Media key' },
  wheel: { detents: 'Detents, up positive', sideways: 'Sideways, right positive' },
  move: { x: 'Counts to the right', y: 'Counts down' },
  text: { text: 'Text to type' },
  pause: { fromMs: 'Wait at least, in ms', toMs: 'Wait at most, in ms' },
  macro: { macro: 'Macro' },
  signal: { colour: 'Colour of the signal' },
  step: { to: 'Step' },
  layer: { layer: 'Layer' },
  code: { bytes: 'Bytes' },
}

/** What is done, in a word. */
export const EVENT_VERBS: Record<Exclude<MacroEvent['kind'], 'key' | 'button'>, string> = {
  control: 'Tap',
  wheel: 'Turn',
  move: 'Move',
  text: 'Type',
  pause: 'Wait',
  macro: 'Play',
  signal: 'Show',
  step: 'Step',
  layer: 'Layer',
  code: 'Run',
}

export const eventVerb = (event: MacroEvent): string => {
  if (event.kind !== 'key' && event.kind !== 'button') return EVENT_VERBS[event.kind]
  return event.does === 'press' ? 'Press' : 'Let go'
}

/** An event in words: `Press A`, `Wait 20 to 40 ms`. */
export const eventText = (event: MacroEvent, layout: LayoutId, shelf: MacroShelf): string =>
  `${eventVerb(event)} ${eventThing(event, layout, shelf)}`

function wheelText({ detents, sideways }: Extract<MacroEvent, { kind: 'wheel' }>): string {
  const parts = [
    ...(detents !== 0 ? [`${detents > 0 ? 'up' : 'down'} ${Math.abs(detents)}`] : []),
    ...(sideways !== 0 ? [`${sideways > 0 ? 'right' : 'left'} ${Math.abs(sideways)}`] : []),
  ]
  return `wheel ${parts.join(', ') || '0'}`
}
