import { itemAt } from '../base/items'

/**
 * The computer's side: parses a report descriptor into the fields of every report (HID 1.11, sections 5.4, 6.2.2). It
 * does not depend on Unisera's devices and accepts any well-formed descriptor of short items.
 */
export interface ReportField {
  kind: 'input' | 'output' | 'feature'
  /** Bit position in the report's data, without the report id. */
  bitOffset: number
  bitSize: number
  count: number
  usagePage: number
  /** One usage for each value of a variable field; the possible usages of an array, in order. */
  usages: number[]
  logicalMin: number
  logicalMax: number
  constant: boolean
  variable: boolean
  relative: boolean
}

export interface ReportShape {
  id: number
  kind: ReportField['kind']
  bitLength: number
  fields: ReportField[]
}

/** A value in a report: the number of a variable field, or 1 for each usage present in an array field. */
export interface FieldValue {
  usagePage: number
  usage: number
  value: number
  relative: boolean
}

interface GlobalState {
  usagePage: number
  logicalMin: number
  logicalMax: number
  reportSize: number
  reportCount: number
  reportId: number
}

const MAIN_KINDS: Record<number, ReportField['kind'] | undefined> = { 8: 'input', 9: 'output', 11: 'feature' }
const MAX_USAGES = 0x10000

/**
 * @param descriptor the report descriptor's bytes
 * @returns one shape for each report id and kind, in the order of their first field
 * @throws Error naming the byte where the descriptor is incomplete, nested wrongly or too large
 */
export function parseReportDescriptor(descriptor: Uint8Array): ReportShape[] {
  const shapes = new Map<string, ReportShape>()
  const stack: GlobalState[] = []
  let state: GlobalState = {
    usagePage: 0,
    logicalMin: 0,
    logicalMax: 0,
    reportSize: 0,
    reportCount: 0,
    reportId: 0,
  }
  let usages: number[] = []
  let usageMin: number | undefined
  let depth = 0

  for (let at = 0; at < descriptor.length;) {
    const { type, tag, unsigned, signed, next } = readItem(descriptor, at)
    const wrong = (reason: string) => new Error(`report descriptor, byte ${at}: ${reason}`)
    if (type === 1) {
      if (tag === 0) state = { ...state, usagePage: unsigned }
      else if (tag === 1) state = { ...state, logicalMin: signed }
      else if (tag === 2) state = { ...state, logicalMax: signed < state.logicalMin ? unsigned : signed }
      else if (tag === 7) state = { ...state, reportSize: unsigned }
      else if (tag === 8) state = { ...state, reportId: unsigned }
      else if (tag === 9) state = { ...state, reportCount: unsigned }
      else if (tag === 10) stack.push(state)
      else if (tag === 11) {
        const earlier = stack.pop()
        if (!earlier) throw wrong('pop without a push')
        state = earlier
      }
    } else if (type === 2) {
      if (tag === 0) usages.push(unsigned)
      else if (tag === 1) usageMin = unsigned
      else if (tag === 2) {
        const from = usageMin ?? 0
        if (unsigned < from || unsigned - from >= MAX_USAGES)
          throw wrong('usage range is reversed or too large')
        for (let usage = from; usage <= unsigned; usage++) usages.push(usage)
      }
    } else if (type === 0) {
      const kind = MAIN_KINDS[tag]
      if (kind) addField(shapes, kind, state, usages, unsigned, wrong)
      else if (tag === 10) depth++
      else if (tag === 12 && --depth < 0) throw wrong('a collection ends without a start')
      usages = []
      usageMin = undefined
    }
    at = next
  }
  if (depth !== 0) throw new Error('report descriptor: a collection has no end')
  return [...shapes.values()]
}

/**
 * Reads one report by its shape.
 *
 * @param shape the report's shape as parsed from the descriptor
 * @param data the report's bytes without its id
 * @throws RangeError when the data is shorter than the shape
 */
export function readReport(shape: ReportShape, data: Uint8Array): FieldValue[] {
  if (data.length * 8 < shape.bitLength) {
    throw new RangeError(
      `report ${shape.id}: ${data.length} bytes, expected ${Math.ceil(shape.bitLength / 8)}`,
    )
  }
  const values: FieldValue[] = []
  for (const field of shape.fields) {
    if (field.constant) continue
    for (let index = 0; index < field.count; index++) {
      const raw = readBits(data, field.bitOffset + index * field.bitSize, field.bitSize, field.logicalMin < 0)
      const { usagePage, relative } = field
      if (field.variable) {
        const usage = field.usages[Math.min(index, field.usages.length - 1)] ?? 0
        values.push({ usagePage, usage, value: raw, relative })
      } else if (raw !== 0 && raw >= field.logicalMin && raw <= field.logicalMax) {
        const usage = field.usages[raw - field.logicalMin]
        if (usage !== undefined) values.push({ usagePage, usage, value: 1, relative })
      }
    }
  }
  return values
}

function readItem(bytes: Uint8Array, at: number) {
  const prefix = itemAt(bytes, at)
  if (prefix === 0xfe) throw new Error(`report descriptor, byte ${at}: long items are not supported`)
  const size = itemAt([0, 1, 2, 4], prefix & 3)
  if (at + 1 + size > bytes.length) throw new Error(`report descriptor, byte ${at}: the item is incomplete`)
  let unsigned = 0
  for (let index = size - 1; index >= 0; index--) unsigned = unsigned * 256 + itemAt(bytes, at + 1 + index)
  const signed = size > 0 && unsigned >= 2 ** (size * 8 - 1) ? unsigned - 2 ** (size * 8) : unsigned
  return { type: (prefix >> 2) & 3, tag: prefix >> 4, unsigned, signed, next: at + 1 + size }
}

function addField(
  shapes: Map<string, ReportShape>,
  kind: ReportField['kind'],
  state: GlobalState,
  usages: number[],
  flags: number,
  wrong: (reason: string) => Error,
): void {
  const bits = state.reportSize * state.reportCount
  if (state.reportSize > 32 || bits > 8 * 0x10000) throw wrong('a field is larger than any report')
  const key = `${kind} ${state.reportId}`
  const shape = shapes.get(key) ?? { id: state.reportId, kind, bitLength: 0, fields: [] }
  shapes.set(key, shape)
  shape.fields.push({
    kind,
    bitOffset: shape.bitLength,
    bitSize: state.reportSize,
    count: state.reportCount,
    usagePage: state.usagePage,
    usages,
    logicalMin: state.logicalMin,
    logicalMax: state.logicalMax,
    constant: (flags & 1) !== 0,
    variable: (flags & 2) !== 0,
    relative: (flags & 4) !== 0,
  })
  shape.bitLength += bits
}

function readBits(data: Uint8Array, bitOffset: number, bitSize: number, signed: boolean): number {
  let value = 0
  for (let bit = bitSize - 1; bit >= 0; bit--) {
    const position = bitOffset + bit
    value = value * 2 + (((data[position >> 3] ?? 0) >> (position & 7)) & 1)
  }
  return signed && bitSize > 0 && value >= 2 ** (bitSize - 1) ? value - 2 ** bitSize : value
}
