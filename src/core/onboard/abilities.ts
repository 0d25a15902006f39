import { keysOf, tableOf } from '../base/tables'
import { ACTIONS } from '../actions/registry'
import { ByteReader, ByteWriter, ImageError } from '../base/bytes'
import { compareVersions, FIRST_FIRMWARE, type FirmwareVersion } from '../base/versions'
import { CONDITIONS } from '../effects/conditions'
import { EFFECTS } from '../effects/registry'
import { MOST_ENTRIES } from './light-stack'
import { EXTENDED } from './macro-code'
import { SETTING_KINDS } from './settings'

/**
 * What a firmware can do, as its payload says it (docs/firmware-format.md): a table the device goes by. What is not in it
 * is passed over like anything of a later version.
 */
export type Abilities = { readonly [List in ListName]: ReadonlySet<number> } & {
  /** Effects of a stack it shows, from the top. */
  readonly mostEffects: number
}

type Coded = Readonly<Record<string, { code: number; since: FirmwareVersion }>>

/** Lists of codes, and the registry each is about. What a table does not list is that of the first firmware. */
const LISTS = {
  effects: { tag: 1, of: EFFECTS },
  settings: { tag: 2, of: SETTING_KINDS },
  conditions: { tag: 4, of: CONDITIONS },
  actions: { tag: 5, of: ACTIONS },
  /** Further operations of macros; all others are those of the first firmware. */
  operations: { tag: 6, of: EXTENDED },
} as const satisfies Record<string, { tag: number; of: Coded }>

type ListName = keyof typeof LISTS
const LIST_NAMES = keysOf(LISTS)
/** A table without these cannot be gone by. */
const NEEDED: readonly ListName[] = ['effects', 'settings']
const MOST_EFFECTS_TAG = 3
const CODE_TAG = 255

const codesSince = (list: ListName, version: FirmwareVersion): ReadonlySet<number> =>
  new Set(
    Object.values<Coded[string]>(LISTS[list].of)
      .filter(({ since }) => compareVersions(since, version) <= 0)
      .map(({ code }) => code),
  )

const listsOf = (codes: (list: ListName) => ReadonlySet<number>) => tableOf(LIST_NAMES, codes)

/** What is known here that a firmware of that version does. */
export const abilitiesOf = (version: FirmwareVersion): Abilities => ({
  ...listsOf((list) => codesSince(list, version)),
  mostEffects: MOST_ENTRIES,
})

/**
 * The payload: the table, and behind it what would be the machine code, which no simulated device runs.
 *
 * @param code stands for it, so that an update takes the time it would
 */
export function encodeAbilities(abilities: Abilities, code: Uint8Array): Uint8Array {
  const writer = new ByteWriter()
  const entry = (tag: number, bytes: Uint8Array): void => {
    writer.u8(tag)
    writer.u16(bytes.length)
    writer.bytes(bytes)
  }
  const list = (name: ListName) =>
    entry(LISTS[name].tag, Uint8Array.from([...abilities[name]].sort((a, b) => a - b)))
  NEEDED.forEach(list)
  entry(MOST_EFFECTS_TAG, Uint8Array.of(abilities.mostEffects))
  LIST_NAMES.filter((name) => !NEEDED.includes(name)).forEach(list)
  entry(CODE_TAG, code)
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
  const lists = listsOf((list) => {
    const { tag } = LISTS[list]
    return NEEDED.includes(list) || entries.has(tag) ? new Set(entry(tag)) : codesSince(list, FIRST_FIRMWARE)
  })
  const [mostEffects] = entry(MOST_EFFECTS_TAG)
  if (mostEffects === undefined) throw new ImageError('the table says no number of effects')
  return { ...lists, mostEffects }
}
