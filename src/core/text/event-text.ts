import { factList, message, type Message, type MessageFact } from '../message/message'
import { buttonLabel } from '../hid/button-page'
import { commandKeyMessage } from './grammar/command'
import { consumerById } from '../hid/consumer-page'
import { keyLegend, type LayoutId } from '../computer/layouts'
import type { EventName, EVENTS } from '../document/event-kinds'
import type { MacroEvent, MacroShelf } from '../document/macro'

/** The object of an event: the key as printed on the layout, the button, the text. */
export function eventObject(event: MacroEvent, layout: LayoutId, shelf: MacroShelf): MessageFact {
  switch (event.kind) {
    case 'key':
      return keyLegend(event.code, layout)
    case 'button':
      return buttonLabel(event.button)
    case 'command':
      return message('actions.command', {
        name: event.name,
        key: event.key ? commandKeyMessage(event.key, layout) : message('actions.commandWithoutKey'),
      })
    case 'control':
      return consumerById(event.control)?.label ?? event.control
    case 'wheel':
      return wheelMessage(event)
    case 'move':
      return message('events.counts', { x: String(event.x), y: String(event.y) })
    case 'text':
      return message('events.quoted', { text: event.text })
    case 'pause':
      return event.fromMs === event.toMs
        ? message('events.time', { time: String(event.fromMs) })
        : message('events.timeRange', { from: String(event.fromMs), to: String(event.toMs) })
    case 'macro':
      return shelf.get(event.macro)?.name ?? message('events.deletedMacro')
    case 'signal':
      return event.colour
    case 'step':
      return typeof event.to === 'number' ? String(event.to) : TARGETS[event.to]
    case 'layer':
      return String(event.layer)
    case 'code':
      return message('events.deviceCode', { size: event.bytes.length / 2 })
  }
}

/** Labels of the parameters of events. */
export const EVENT_FIELDS: {
  [Name in EventName]: Record<keyof (typeof EVENTS)[Name]['parameters'], Message>
} = {
  key: { code: message('events.key'), does: message('events.keyAction') },
  button: { button: message('events.button'), does: message('events.buttonAction') },
  control: { control: message('events.mediaKey') },
  command: {
    program: message('events.program'),
    command: message('events.commandId'),
    name: message('events.commandName'),
    key: message('events.key'),
  },
  wheel: { detents: message('events.detents'), sideways: message('events.sideways') },
  move: { x: message('events.countsRight'), y: message('events.countsDown') },
  text: { text: message('events.text') },
  pause: { fromMs: message('events.minDelay'), toMs: message('events.maxDelay') },
  macro: { macro: message('events.macro') },
  signal: { colour: message('events.colour') },
  step: { to: message('events.step') },
  layer: { layer: message('events.layer') },
  code: { bytes: message('events.bytes') },
}

/** The verbs of events. */
const EVENT_VERBS: Record<Exclude<MacroEvent['kind'], 'key' | 'button'>, Message> = {
  control: message('events.tap'),
  command: message('events.perform'),
  wheel: message('events.turn'),
  move: message('events.move'),
  text: message('events.type'),
  pause: message('events.delay'),
  macro: message('events.play'),
  signal: message('events.show'),
  step: message('events.step'),
  layer: message('events.layer'),
  code: message('events.run'),
}

export const eventVerb = (event: MacroEvent): Message => {
  if (event.kind !== 'key' && event.kind !== 'button') return EVENT_VERBS[event.kind]
  return message(event.does === 'press' ? 'events.press' : 'events.release')
}

/** An event: `Press A`, `Delay 20 to 40 ms`. */
export const eventMessage = (event: MacroEvent, layout: LayoutId, shelf: MacroShelf): Message =>
  message('events.event', { verb: eventVerb(event), object: eventObject(event, layout, shelf) })

const TARGETS = { next: message('events.next'), previous: message('events.previous') }

function wheelMessage({ detents, sideways }: Extract<MacroEvent, { kind: 'wheel' }>): Message {
  const [vertical, horizontal] = [String(Math.abs(detents)), String(Math.abs(sideways))]
  const parts = [
    ...(detents > 0 ? [message('events.wheelUp', { detents: vertical })] : []),
    ...(detents < 0 ? [message('events.wheelDown', { detents: vertical })] : []),
    ...(sideways > 0 ? [message('events.wheelRight', { detents: horizontal })] : []),
    ...(sideways < 0 ? [message('events.wheelLeft', { detents: horizontal })] : []),
  ]
  return message('events.wheel', { parts: parts.length > 0 ? factList(parts, 'comma') : '0' })
}
