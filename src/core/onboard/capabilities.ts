import { keysOf, recordFromKeys } from '../base/tables'
import { ACTIONS } from '../actions/registry'
import { ByteReader, ByteWriter, ImageError } from '../base/bytes'
import { compareVersions, FIRST_FIRMWARE, type FirmwareVersion } from '../base/versions'
import { CONDITIONS } from '../effects/conditions'
import { EFFECTS } from '../effects/registry'
import { MAX_ENTRIES } from './light-stack'
import { EXTENDED } from './macro-code'
import { SETTING_KINDS } from './settings'
import { message } from '../message/message'

/**
 * The features of a firmware, as a table in its payload (docs/firmware-format.md) that the device follows. Everything
 * else is ignored like parts from a later version.
 */
export type Capabilities = { readonly [List in ListName]: ReadonlySet<number> } & {
  /** Maximum number of effects shown, from the top. */
  readonly maxEffects: number
}

type Coded = Readonly<Record<string, { code: number; since: FirmwareVersion }>>

/** Lists of codes, each with its registry. A missing list has the codes of the first firmware. */
const LISTS = {
  effects: { tag: 1, of: EFFECTS },
  settings: { tag: 2, of: SETTING_KINDS },
  conditions: { tag: 4, of: CONDITIONS },
  actions: { tag: 5, of: ACTIONS },
  /** Additional macro operations; all others exist in the first firmware. */
  operations: { tag: 6, of: EXTENDED },
} as const satisfies Record<string, { tag: number; of: Coded }>

type ListName = keyof typeof LISTS
const LIST_NAMES = keysOf(LISTS)
/** A table without these is invalid. */
const NEEDED: readonly ListName[] = ['effects', 'settings']
const MAX_EFFECTS_TAG = 3
const CODE_TAG = 255

const codesSince = (list: ListName, version: FirmwareVersion): ReadonlySet<number> =>
  new Set(
    Object.values<Coded[string]>(LISTS[list].of)
      .filter(({ since }) => compareVersions(since, version) <= 0)
      .map(({ code }) => code),
  )

const listsOf = (codes: (list: ListName) => ReadonlySet<number>) => recordFromKeys(LIST_NAMES, codes)

/** Known kinds that a firmware of this version supports. */
export const capabilitiesOf = (version: FirmwareVersion): Capabilities => ({
  ...listsOf((list) => codesSince(list, version)),
  maxEffects: MAX_ENTRIES,
})

/**
 * The payload: the table, followed by a placeholder for machine code, which simulated devices do not run.
 *
 * @param code its length, so that an update takes a realistic time
 */
export function encodeCapabilities(abilities: Capabilities, code: Uint8Array): Uint8Array {
  const writer = new ByteWriter()
  const entry = (tag: number, bytes: Uint8Array): void => {
    writer.u8(tag)
    writer.u16(bytes.length)
    writer.bytes(bytes)
  }
  const list = (name: ListName) =>
    entry(LISTS[name].tag, Uint8Array.from([...abilities[name]].sort((a, b) => a - b)))
  NEEDED.forEach(list)
  entry(MAX_EFFECTS_TAG, Uint8Array.of(abilities.maxEffects))
  LIST_NAMES.filter((name) => !NEEDED.includes(name)).forEach(list)
  entry(CODE_TAG, code)
  return writer.toBytes()
}

/** Entries with other tags are ignored. @throws ImageError for an incomplete table, or a missing entry */
export function decodeCapabilities(payload: Uint8Array): Capabilities {
  const reader = new ByteReader(payload)
  const entries = new Map<number, Uint8Array>()
  while (reader.left > 0) {
    const tag = reader.u8()
    entries.set(tag, reader.sub(reader.u16()).rest())
  }
  const entry = (tag: number): Uint8Array => {
    const bytes = entries.get(tag)
    if (!bytes) throw new ImageError(message('images.tableEntry', { tag }))
    return bytes
  }
  const lists = listsOf((list) => {
    const { tag } = LISTS[list]
    return NEEDED.includes(list) || entries.has(tag) ? new Set(entry(tag)) : codesSince(list, FIRST_FIRMWARE)
  })
  const [maxEffects] = entry(MAX_EFFECTS_TAG)
  if (maxEffects === undefined) throw new ImageError(message('images.tableEffects'))
  return { ...lists, maxEffects }
}
