import { firstItems, itemAt } from '../base/items'
import { message, type Message, type MessageFact } from '../message/message'
import { buttonLabel } from '../hid/button-page'
import { consumerByUsage } from '../hid/consumer-page'
import {
  parseReportDescriptor,
  readReport,
  type FieldValue,
  type ReportShape,
} from '../hid/descriptor-parser'
import { keyByUsage } from '../hid/keyboard-page'
import { FIRST_MODIFIER_USAGE, isModifierUsage } from '../hid/modifiers'
import { CONSUMER, DESKTOP, PAGE } from '../hid/pages'
import { ALTGR_LEVEL, COMMON_KEYS, composeDead, isDead, SHIFT_LEVEL, type LayoutOn } from './layouts/layout'

/** Effects of one report on the computer. */
export type ComputerEvent =
  | { kind: 'key'; usage: number; down: boolean; text: string; label: MessageFact }
  | { kind: 'button'; button: number; down: boolean; label: MessageFact }
  | { kind: 'pointer'; x: number; y: number }
  | { kind: 'scroll'; vertical: number; horizontal: number }
  | { kind: 'control'; usage: number; down: boolean; label: MessageFact }

/**
 * A computer that only knows a report descriptor. It tracks which keys, buttons and controls are down, and returns the
 * changes and the typed text of each report for the active layout.
 */
export class Computer {
  private readonly shapes: Map<number, ReportShape>
  private down = new Map<number, Set<string>>()
  /** A dead key that waits for its base character. */
  private dead: string | undefined

  constructor(
    descriptor: Uint8Array,
    private readonly layout: LayoutOn,
  ) {
    const inputs = parseReportDescriptor(descriptor).filter((shape) => shape.kind === 'input')
    this.shapes = new Map(inputs.map((shape) => [shape.id, shape]))
  }

  /**
   * @param report a report as sent over the wire: its id, then its data
   * @throws Error if no input report has this id; RangeError if it is too short
   */
  receive(report: Uint8Array): ComputerEvent[] {
    const shape = this.shapes.get(itemAt(report, 0))
    if (!shape) throw new Error(`there is no input report with the id ${report[0]}`)
    const values = readReport(shape, report.subarray(1))
    return [...this.changes(shape.id, values), ...motionEvents(values)]
  }

  private changes(reportId: number, values: FieldValue[]): ComputerEvent[] {
    const earlier = this.down.get(reportId) ?? new Set<string>()
    const held = values.filter((value) => !value.relative && value.value !== 0)
    const now = new Set(held.map((value) => `${value.usagePage}:${value.usage}`))
    this.down.set(reportId, now)
    const released = [...earlier].filter((key) => !now.has(key))
    // Modifiers first, so that a chord in one report is typed as a chord.
    const pressed = [...now].filter((key) => !earlier.has(key)).sort((a, b) => rank(a) - rank(b))
    return [
      ...released.map((key) => this.event(key, false, now)),
      ...pressed.map((key) => this.event(key, true, now)),
    ]
  }

  private event(key: string, down: boolean, held: Set<string>): ComputerEvent {
    const [page, usage] = firstItems(key.split(':').map(Number), 2)
    if (page === PAGE.button) return { kind: 'button', button: usage, down, label: buttonLabel(usage) }
    if (page === PAGE.keyboard) {
      const known = keyByUsage(usage)
      const text = down && known ? this.textOf(known.code, held) : ''
      return {
        kind: 'key',
        usage,
        down,
        text,
        label: known?.legend ?? message('names.usage', { code: hex(usage) }),
      }
    }
    const label = consumerByUsage(usage)?.label ?? message('names.control', { code: hex(usage) })
    return { kind: 'control', usage, down, label }
  }

  /**
   * Ctrl, left Alt and the system key turn keys into shortcuts. Shift selects another level, and so does the right Alt
   * key if the layout has a level for it.
   */
  private textOf(code: string, held: Set<string>): string {
    const has = (offset: number) => held.has(`${PAGE.keyboard}:${FIRST_MODIFIER_USAGE + offset}`)
    const levels = this.layout.keys[code] ?? COMMON_KEYS[code] ?? []
    if ([0, 2, 3, 4, 7].some(has)) return ''
    const level = (has(1) || has(5) ? SHIFT_LEVEL : 0) + (has(6) ? ALTGR_LEVEL : 0)
    const character = levels[level] ?? ''
    if (character === '') return ''
    const waiting = this.dead
    this.dead = isDead(character) ? character : undefined
    if (this.dead !== undefined) return ''
    return waiting === undefined ? character : composeDead(this.layout, waiting, character)
  }
}

const hex = (usage: number): string => `0x${usage.toString(16)}`

const rank = (key: string): number => {
  const [page, usage] = firstItems(key.split(':').map(Number), 2)
  return page === PAGE.keyboard && isModifierUsage(usage) ? 0 : 1
}

function motionEvents(values: FieldValue[]): ComputerEvent[] {
  const relative = (usagePage: number, usage: number) =>
    values.find((value) => value.relative && value.usagePage === usagePage && value.usage === usage)?.value ??
    0
  const x = relative(PAGE.genericDesktop, DESKTOP.x)
  const y = relative(PAGE.genericDesktop, DESKTOP.y)
  const vertical = relative(PAGE.genericDesktop, DESKTOP.wheel)
  const horizontal = relative(PAGE.consumer, CONSUMER.acPan)
  const events: ComputerEvent[] = []
  if (x !== 0 || y !== 0) events.push({ kind: 'pointer', x, y })
  if (vertical !== 0 || horizontal !== 0) events.push({ kind: 'scroll', vertical, horizontal })
  return events
}

/** An event as one line of the report log. */
export function computerEventMessage(event: ComputerEvent): Message {
  switch (event.kind) {
    case 'key':
    case 'button':
    case 'control':
      return message(event.down ? 'events.down' : 'events.up', { key: event.label })
    case 'pointer':
      return message('events.pointer', { x: signed(event.x), y: signed(event.y) })
    case 'scroll':
      return event.horizontal === 0
        ? message('events.scroll', { detents: signed(event.vertical) })
        : message('events.pan', { detents: signed(event.horizontal) })
  }
}

const signed = (value: number): string => (value > 0 ? `+${value}` : String(value))
