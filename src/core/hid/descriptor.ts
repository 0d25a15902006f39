import { BUTTON_COUNT } from './button-page'
import { CONSUMER, DESKTOP, PAGE } from './pages'
import { FIRST_MODIFIER_USAGE } from './modifiers'
import { CONSUMER_SLOTS, FEATURE_BYTES, KEY_BITS, REPORT_ID } from './reports'

/**
 * The report descriptor of a device, in short items of the Device Class Definition for HID 1.11, section 6.2.2. The
 * computer's parser reads it (descriptor-parser.ts); there is no other agreement between the two.
 *
 * @returns the descriptor's bytes: mouse (16-bit motion, wheel, pan), keyboard (all-key rollover), consumer control,
 *   and the 64-byte configuration feature report with its id
 */
export function reportDescriptor(): Uint8Array {
  return Uint8Array.from([...mouse(), ...keyboard(), ...consumerControl(), ...configuration()])
}

const MAIN = { input: 0x80, feature: 0xb0, collection: 0xa0, end: 0xc0 }
const GLOBAL = { page: 0x04, logicalMin: 0x14, logicalMax: 0x24, size: 0x74, id: 0x84, count: 0x94 }
const LOCAL = { usage: 0x08, usageMin: 0x18, usageMax: 0x28 }
const COLLECTION = { physical: 0x00, application: 0x01 }
/** Bits of an Input item: constant, variable (else array), relative (else absolute). */
const FLAGS = { constant: 0x01, variable: 0x02, relative: 0x06, array: 0x00 }

/** One short item; the value has 1, 2 or 4 bytes, in two's complement if negative. */
function item(tag: number, value?: number): number[] {
  if (value === undefined) return [tag]
  const fits = (bits: number) => value >= -(2 ** (bits - 1)) && value < 2 ** (bits - 1)
  if (fits(8)) return [tag | 1, value & 0xff]
  if (fits(16)) return [tag | 2, value & 0xff, (value >> 8) & 0xff]
  return [tag | 3, value & 0xff, (value >> 8) & 0xff, (value >> 16) & 0xff, (value >> 24) & 0xff]
}

/** An item whose value the parser reads as unsigned (usages, counts), without a sign bit. */
function unsigned(tag: number, value: number): number[] {
  if (value < 0x100) return [tag | 1, value]
  return [tag | 2, value & 0xff, value >> 8]
}

function application(page: number, usage: number, reportId: number, body: number[]): number[] {
  return [
    ...unsigned(GLOBAL.page, page),
    ...unsigned(LOCAL.usage, usage),
    ...item(MAIN.collection, COLLECTION.application),
    ...unsigned(GLOBAL.id, reportId),
    ...body,
    ...item(MAIN.end),
  ]
}

interface FieldShape {
  page: number
  usages: number[] | { from: number; to: number }
  min: number
  max: number
  bits: number
  count: number
  flags: number
}

function field(main: number, shape: FieldShape): number[] {
  const usages = Array.isArray(shape.usages)
    ? shape.usages.flatMap((usage) => unsigned(LOCAL.usage, usage))
    : [...unsigned(LOCAL.usageMin, shape.usages.from), ...unsigned(LOCAL.usageMax, shape.usages.to)]
  return [
    ...unsigned(GLOBAL.page, shape.page),
    ...usages,
    ...item(GLOBAL.logicalMin, shape.min),
    ...item(GLOBAL.logicalMax, shape.max),
    ...unsigned(GLOBAL.size, shape.bits),
    ...unsigned(GLOBAL.count, shape.count),
    ...item(main, shape.flags),
  ]
}

function mouse(): number[] {
  const relative = { count: 1, flags: FLAGS.relative }
  return application(PAGE.genericDesktop, DESKTOP.mouse, REPORT_ID.mouse, [
    ...unsigned(LOCAL.usage, DESKTOP.pointer),
    ...item(MAIN.collection, COLLECTION.physical),
    ...field(MAIN.input, {
      page: PAGE.button,
      usages: { from: 1, to: BUTTON_COUNT },
      min: 0,
      max: 1,
      bits: 1,
      count: BUTTON_COUNT,
      flags: FLAGS.variable,
    }),
    ...field(MAIN.input, {
      page: PAGE.genericDesktop,
      usages: [DESKTOP.x, DESKTOP.y],
      min: -32767,
      max: 32767,
      bits: 16,
      count: 2,
      flags: FLAGS.relative,
    }),
    ...field(MAIN.input, {
      page: PAGE.genericDesktop,
      usages: [DESKTOP.wheel],
      ...relative,
      min: -127,
      max: 127,
      bits: 8,
    }),
    ...field(MAIN.input, {
      page: PAGE.consumer,
      usages: [CONSUMER.acPan],
      ...relative,
      min: -127,
      max: 127,
      bits: 8,
    }),
    ...item(MAIN.end),
  ])
}

function keyboard(): number[] {
  const bit = { page: PAGE.keyboard, min: 0, max: 1, bits: 1, flags: FLAGS.variable }
  return application(PAGE.genericDesktop, DESKTOP.keyboard, REPORT_ID.keyboard, [
    ...field(MAIN.input, {
      ...bit,
      usages: { from: FIRST_MODIFIER_USAGE, to: FIRST_MODIFIER_USAGE + 7 },
      count: 8,
    }),
    ...field(MAIN.input, { ...bit, usages: { from: 0, to: KEY_BITS - 1 }, count: KEY_BITS }),
  ])
}

function consumerControl(): number[] {
  return application(
    PAGE.consumer,
    CONSUMER.consumerControl,
    REPORT_ID.consumer,
    field(MAIN.input, {
      page: PAGE.consumer,
      usages: { from: 0, to: 0x3ff },
      min: 0,
      max: 0x3ff,
      bits: 16,
      count: CONSUMER_SLOTS,
      flags: FLAGS.array,
    }),
  )
}

function configuration(): number[] {
  return application(
    PAGE.vendor,
    0x01,
    REPORT_ID.configuration,
    field(MAIN.feature, {
      page: PAGE.vendor,
      usages: [0x02],
      min: 0,
      max: 255,
      bits: 8,
      count: FEATURE_BYTES,
      flags: FLAGS.variable,
    }),
  )
}
