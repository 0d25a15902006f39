import { settingKinds, type DeviceSettings } from './settings'
import { readTagged, writeTagged } from '../actions/tagged'
import { ByteWriter, ImageError, type ByteReader } from '../base/bytes'
import { readValue, writeValue } from '../base/parameter-bytes'
import { message } from '../message/message'

/** A tagged record from a later version, or with an unknown value, kept byte for byte. */
export interface UnknownRecord {
  code: number
  payload: number[]
}

/** Section 10, "Device settings": a record for each that differs from factory settings, with one byte each. */
export function writeSettings(settings: DeviceSettings, kept: readonly UnknownRecord[] = []): Uint8Array {
  const writer = new ByteWriter()
  for (const [key, kind] of settingKinds()) {
    const value = settings[key]
    if (value === undefined) continue
    const bytes = new ByteWriter()
    writeValue(bytes, kind.parameter, value)
    writeTagged(writer, kind.code, [...bytes.toBytes()])
  }
  for (const { code, payload } of kept) writeTagged(writer, code, payload)
  return writer.toBytes()
}

/** Reads the section to its end. @throws ImageError if it is incomplete or has a setting twice */
export function readSettings(payload: ByteReader): { settings: DeviceSettings; kept: UnknownRecord[] } {
  const settings: DeviceSettings = {}
  const kept: UnknownRecord[] = []
  const seen = new Set<number>()
  while (payload.left > 0) {
    const { code, payload: value } = readTagged(payload)
    if (seen.has(code))
      throw new ImageError(message('images.listedTwice', { part: message('images.setting', { code }) }))
    seen.add(code)
    const known = value.left === 1 && settingOf(code, value)
    if (known) Object.assign(settings, known)
    else kept.push({ code, payload: [...value.all()] })
  }
  return { settings, kept }
}

/** The setting of a code and its byte; undefined for one that this version does not have. */
function settingOf(code: number, payload: ByteReader): DeviceSettings | undefined {
  const found = settingKinds().find(([, kind]) => kind.code === code)
  if (!found) return undefined
  const [key, { parameter }] = found
  try {
    return { [key]: readValue(payload, parameter) }
  } catch (error) {
    if (error instanceof ImageError) return undefined
    throw error
  }
}
