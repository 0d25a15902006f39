import { buttonLabel } from '../hid/button-page'
import { consumerById } from '../hid/consumer-page'
import { keyLegend, type LayoutId } from '../computer/layouts'
import type { EventName, EVENTS } from '../document/event-kinds'
import type { MacroEvent, MacroShelf } from '../document/macro'

/** The object of an event: the key as printed on the layout, the button, the text. */
export function eventObject(event: MacroEvent, layout: LayoutId, shelf: MacroShelf): string {
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
      return shelf.get(event.macro)?.name ?? 'a deleted macro'
    case 'signal':
      return event.colour
    case 'step':
      return event.to
    case 'layer':
      return String(event.layer)
    case 'code':
      return `${event.bytes.length / 2} B of device code, kept unchanged`
  }
}

/** Labels of the parameters of events. */
export const EVENT_FIELDS: {
  [Name in EventName]: Record<keyof (typeof EVENTS)[Name]['parameters'], string>
} = {
  key: { code: 'Key', does: 'Key action' },
  button: { button: 'Button', does: 'Button action' },
  control: { control: 'Media key' },
  wheel: { detents: 'Detents (up is positive)', sideways: 'Sideways (right is positive)' },
  move: { x: 'Counts right', y: 'Counts down' },
  text: { text: 'Text to type' },
  pause: { fromMs: 'Minimum delay in ms', toMs: 'Maximum delay in ms' },
  macro: { macro: 'Macro' },
  signal: { colour: 'Signal colour' },
  step: { to: 'Step' },
  layer: { layer: 'Layer' },
  code: { bytes: 'Bytes' },
}

/** The verb of an event. */
export const EVENT_VERBS: Record<Exclude<MacroEvent['kind'], 'key' | 'button'>, string> = {
  control: 'Tap',
  wheel: 'Turn',
  move: 'Move',
  text: 'Type',
  pause: 'Delay',
  macro: 'Play',
  signal: 'Show',
  step: 'Step',
  layer: 'Layer',
  code: 'Run',
}

export const eventVerb = (event: MacroEvent): string => {
  if (event.kind !== 'key' && event.kind !== 'button') return EVENT_VERBS[event.kind]
  return event.does === 'press' ? 'Press' : 'Release'
}

/** The text of an event: `Press A`, `Delay 20 to 40 ms`. */
export const eventText = (event: MacroEvent, layout: LayoutId, shelf: MacroShelf): string =>
  `${eventVerb(event)} ${eventObject(event, layout, shelf)}`

function wheelText({ detents, sideways }: Extract<MacroEvent, { kind: 'wheel' }>): string {
  const parts = [
    ...(detents !== 0 ? [`${detents > 0 ? 'up' : 'down'} ${Math.abs(detents)}`] : []),
    ...(sideways !== 0 ? [`${sideways > 0 ? 'right' : 'left'} ${Math.abs(sideways)}`] : []),
  ]
  return `wheel ${parts.join(', ') || '0'}`
}
