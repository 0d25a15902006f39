import { ofKind } from '../base/tables'
import { itemAt } from '../base/items'
import { ByteWriter, ImageError, type ByteReader } from '../base/bytes'
import { readValues, writeValues } from '../base/parameter-bytes'
import { conditionByCode, conditionParameters, CONDITIONS, type LightWhen } from '../effects/conditions'
import { effectByCode, EFFECTS, parametersOf, type LightEffect } from '../effects/registry'
import { readTagged, writeTagged } from '../actions/tagged'
import { message } from '../message/message'

/** The lights of an effect: zones and lights by their indices in the model's lists. */
export type EntryTarget =
  | { kind: 'all' }
  | { kind: 'zones'; zones: readonly number[] }
  | { kind: 'lights'; lights: readonly number[] }

/** One effect of a stack: its kind, lights, condition, opacity and blending. */
export interface LightEntry {
  effect: LightEffect
  where: EntryTarget
  when: LightWhen
  /** In percent, 1 to 100. */
  opacity: number
  /** Whether it adds its light to the effects below instead of covering them. */
  adds: boolean
}

/** An entry from a later version, or with unknown bytes, kept byte for byte. */
export interface UnknownStackEntry {
  kind: 'unknown'
  code: number
  payload: number[]
  /** The known entry at its start, which a device shows. */
  shows?: LightEntry
}

export type StackEntry = LightEntry | UnknownStackEntry

export const MAX_ENTRIES = 16
export const MAX_ZONES = 7
/** Lights are numbered with one byte. */
export const MAX_LIGHTS = 256

const FLAG = { where: 1, when: 2, opacity: 4, adds: 8 } as const
const KNOWN_FLAGS = 15
/**
 * First byte of a light target: zones as a mask, single lights as gaps between them, or lights as a number of bytes
 * with one bit each.
 */
const ZONES = 0x80
const GAPS = 0x40
const MAX_GAPS = 0x3f
const FULL = 100

export const isUnknown = (entry: StackEntry): entry is UnknownStackEntry => 'kind' in entry

/** Section 9, "Light": the number of entries, and each as a tagged record, from top to bottom. */
export function writeLightStack(stack: readonly StackEntry[]): Uint8Array {
  const writer = new ByteWriter()
  writer.u8(stack.length)
  for (const entry of stack) writeEntry(writer, entry)
  return writer.toBytes()
}

/** Reads the section to its end. @throws ImageError if it is incomplete, or has data after its stack */
export function readLightStack(payload: ByteReader): StackEntry[] {
  const count = payload.u8()
  if (count > MAX_ENTRIES)
    throw new ImageError(message('images.manyEffects', { effects: count, max: MAX_ENTRIES }))
  return Array.from({ length: count }, () => readEntry(payload))
}

/** The part of a stack that a device of this version shows. */
export const shownEntries = (stack: readonly StackEntry[]): LightEntry[] =>
  stack.flatMap((entry) => (isUnknown(entry) ? (entry.shows ?? []) : entry))

/** Code and payload of an entry in the section. */
export function entryRecord(entry: StackEntry): { code: number; payload: number[] } {
  if (isUnknown(entry)) return entry
  const { effect, where, when, opacity, adds } = entry
  const writer = new ByteWriter()
  writer.u8(
    (where.kind === 'all' ? 0 : FLAG.where) |
      (when.kind === 'always' ? 0 : FLAG.when) |
      (opacity === FULL ? 0 : FLAG.opacity) |
      (adds ? FLAG.adds : 0),
  )
  if (where.kind !== 'all') writer.bytes(whereBytes(where))
  if (when.kind !== 'always') {
    const values = new ByteWriter()
    writeValues(values, conditionParameters(when.kind), when)
    writeTagged(writer, CONDITIONS[when.kind].code, [...values.toBytes()])
  }
  if (opacity !== FULL) writer.u8(opacity)
  writeValues(writer, parametersOf(effect.kind), effect)
  return { code: EFFECTS[effect.kind].code, payload: [...writer.toBytes()] }
}

export function writeEntry(writer: ByteWriter, entry: StackEntry): void {
  const { code, payload } = entryRecord(entry)
  writeTagged(writer, code, payload)
}

/** The reverse of {@link writeEntry}. @throws ImageError if the record is incomplete */
export function readEntry(reader: ByteReader): StackEntry {
  const { code, payload } = readTagged(reader)
  const bytes = [...payload.all()]
  const shows = knownEntry(code, payload)
  if (shows && payload.left === 0) return shows
  return { kind: 'unknown', code, payload: bytes, ...(shows && { shows }) }
}

function knownEntry(code: number, payload: ByteReader): LightEntry | undefined {
  const name = effectByCode(code)
  if (!name) return undefined
  try {
    const flags = payload.u8()
    if (flags > KNOWN_FLAGS) return undefined
    const where = flags & FLAG.where ? readWhere(payload) : ({ kind: 'all' } as const)
    const when = flags & FLAG.when ? readWhen(payload) : ({ kind: 'always' } as const)
    if (!when) return undefined
    const opacity = flags & FLAG.opacity ? payload.u8() : FULL
    if (opacity < 1 || opacity > FULL) return undefined
    const effect = ofKind<LightEffect>(name, readValues(payload, parametersOf(name)))
    return { effect, where, when, opacity, adds: (flags & FLAG.adds) !== 0 }
  } catch (error) {
    if (error instanceof ImageError) return undefined
    throw error
  }
}

function readWhen(reader: ByteReader): LightWhen | undefined {
  const { code, payload } = readTagged(reader)
  const name = conditionByCode(code)
  if (!name) return undefined
  const when = ofKind<LightWhen>(name, readValues(payload, conditionParameters(name)))
  return payload.left === 0 ? when : undefined
}

function whereBytes(where: Exclude<EntryTarget, { kind: 'all' }>): number[] {
  if (where.kind === 'zones') return [where.zones.reduce((mask, zone) => mask | (1 << zone), ZONES)]
  const lights = [...new Set(where.lights)].sort((a, b) => a - b)
  const bits = Array.from({ length: Math.floor((lights.at(-1) ?? 0) / 8) + 1 }, () => 0)
  for (const light of lights) bits[light >> 3] = itemAt(bits, light >> 3) | (1 << (light & 7))
  if (lights.length > MAX_GAPS || bits.length < lights.length) return [bits.length, ...bits]
  return [GAPS | lights.length, ...lights.map((light, index) => light - (lights[index - 1] ?? 0))]
}

function readWhere(reader: ByteReader): EntryTarget {
  const first = reader.u8()
  if (first & ZONES) {
    const zones = Array.from({ length: MAX_ZONES }, (_, zone) => zone)
    return { kind: 'zones', zones: zones.filter((zone) => first & (1 << zone)) }
  }
  const lights: number[] = []
  if (first & GAPS) {
    let light = 0
    for (let count = first & MAX_GAPS; count > 0; count--) lights.push((light += reader.u8()))
    if (lights.some((each, index) => each >= MAX_LIGHTS || (index > 0 && each <= itemAt(lights, index - 1))))
      throw new ImageError(message('images.lightsOrder'))
  } else {
    for (let byte = 0; byte < first; byte++) {
      const bits = reader.u8()
      for (let bit = 0; bit < 8; bit++) if (bits & (1 << bit)) lights.push(8 * byte + bit)
    }
    if ((lights.at(-1) ?? 0) >= MAX_LIGHTS) throw new ImageError(message('images.manyLights'))
  }
  return { kind: 'lights', lights }
}
