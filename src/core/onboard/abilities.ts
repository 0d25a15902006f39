import { ByteReader, ByteWriter, ImageError } from '../base/bytes'
import { compareVersions, type FirmwareVersion } from '../base/versions'
import { EFFECT_NAMES, EFFECTS, sinceOf } from '../effects/registry'
import { MOST_ENTRIES } from './light-stack'
import { settingKinds } from './settings'

/**
 * What a firmware can do, as its payload says it (docs/firmware-format.md): a table the device goes by. What is not in it
 * is passed over like anything of a later version.
 */
export interface Abilities {
  /** Codes of effects it shows. */
  effects: ReadonlySet<number>
  /** Codes of finer settings it keeps to. */
  settings: ReadonlySet<number>
  /** Effects of a stack it shows, from the top. */
  mostEffects: number
}

const TAG = { effects: 1, settings: 2, mostEffects: 3, code: 255 } as const

/** What is known here that a firmware of that version does. */
export const abilitiesOf = (version: FirmwareVersion): Abilities => ({
  effects: new Set(
    EFFECT_NAMES.filter((name) => {
      const since = sinceOf(name)
      return !since || compareVersions(since, version) <= 0
    }).map((name) => EFFECTS[name].code),
  ),
  settings: new Set(settingKinds().map(([, { code }]) => code)),
  mostEffects: MOST_ENTRIES,
})

/**
 * The payload: the table, and behind it what would be the machine code, which no simulated device runs.
 *
 * @param code stands for it, so that an update takes the time it would
 */
export function encodeAbilities({ effects, settings, mostEffects }: Abilities, code: Uint8Array): Uint8Array {
  const writer = new ByteWriter()
  const entry = (tag: number, bytes: Uint8Array): void => {
    writer.u8(tag)
    writer.u16(bytes.length)
    writer.bytes(bytes)
  }
  entry(TAG.effects, Uint8Array.from([...effects].sort((a, b) => a - b)))
  entry(TAG.settings, Uint8Array.from([...settings].sort((a, b) => a - b)))
  entry(TAG.mostEffects, Uint8Array.of(mostEffects))
  entry(TAG.code, code)
  return writer.toBytes()
}

/** Entries of other tags are passed over. @throws ImageError for a table that is cut short or lacks an entry */
export function decodeAbilities(payload: Uint8Array): Abilities {
  const reader = new ByteReader(payload)
  const entries = new Map<number, Uint8Array>()
  while (reader.left > 0) {
    const tag = reader.u8()
    entries.set(tag, reader.sub(reader.u16()).rest())
  }
  const entry = (tag: number): Uint8Array => {
    const bytes = entries.get(tag)
    if (!bytes) throw new ImageError(`the table lacks entry ${tag}`)
    return bytes
  }
  const [mostEffects] = entry(TAG.mostEffects)
  if (mostEffects === undefined) throw new ImageError('the table says no number of effects')
  return {
    effects: new Set(entry(TAG.effects)),
    settings: new Set(entry(TAG.settings)),
    mostEffects,
  }
}
