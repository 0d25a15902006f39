import { settingKinds, type DeviceSettings } from './settings'
import { readTagged, writeTagged } from '../actions/tagged'
import { ByteWriter, ImageError, type ByteReader } from '../base/bytes'

/** A tagged record of a later version, or with a value that none of this version has: kept byte for byte. */
export interface UnknownRecord {
  code: number
  payload: number[]
}

/** Section 10, "Finer settings": a record for each that is not as the factory set it, one byte each. */
export function writeSettings(settings: DeviceSettings, kept: readonly UnknownRecord[] = []): Uint8Array {
  const writer = new ByteWriter()
  for (const [key, kind] of settingKinds()) {
    const value = settings[key]
    if (value === undefined) continue
    const byte =
      kind.kind === 'number'
        ? Math.round(Number(value) / kind.unit)
        : kind.kind === 'choice'
          ? kind.of.indexOf(String(value))
          : Number(value)
    writeTagged(writer, kind.code, [byte])
  }
  for (const { code, payload } of kept) writeTagged(writer, code, payload)
  return writer.toBytes()
}

/** Reads the section to its end. @throws ImageError when it is cut short or says a setting twice */
export function readSettings(payload: ByteReader): { settings: DeviceSettings; kept: UnknownRecord[] } {
  const settings: DeviceSettings = {}
  const kept: UnknownRecord[] = []
  const seen = new Set<number>()
  while (payload.left > 0) {
    const { code, payload: value } = readTagged(payload)
    if (seen.has(code)) throw new ImageError(`setting ${code}: there twice`)
    seen.add(code)
    const known = value.left === 1 && settingOf(code, value.u8())
    if (known) Object.assign(settings, known)
    else kept.push({ code, payload: [...value.all()] })
  }
  return { settings, kept }
}

/** What a code and its byte set; undefined for one that this version does not have. */
function settingOf(code: number, byte: number): DeviceSettings | undefined {
  const found = settingKinds().find(([, kind]) => kind.code === code)
  if (!found) return undefined
  const [key, kind] = found
  if (kind.kind === 'flag') return byte > 1 ? undefined : { [key]: byte === 1 }
  if (kind.kind === 'choice') return kind.of[byte] === undefined ? undefined : { [key]: kind.of[byte] }
  // Divided, so that a tenth is the number nearest to it.
  const value = byte / Math.round(1 / kind.unit)
  return value < kind.least || value > kind.most ? undefined : { [key]: value }
}
