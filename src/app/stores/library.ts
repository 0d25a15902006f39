import { liveQuery } from 'dexie'
import { defineStore } from 'pinia'
import { computed, markRaw, shallowRef } from 'vue'
import type { DeviceModel } from '../../core/device/model'
import { rename } from '../../core/profile/edits'
import { profileDocument } from '../../core/profile/profile-file'
import { EMPTY_SHELF, type MacroShelf } from '../../core/macro/macro'
import { factoryProfile } from '../../core/profile/profile'
import { MOST_NAME_BYTES, type Profile } from '../../core/profile/schema'
import { Library, type LibraryContents, type LibraryEntry, type SetAside } from '../library'
import { LibraryDatabase } from '../library-database'
import { messageOf, useNotices } from './notices'

/** The library as it is in every tab: what one tab stores, the live query brings to all. */
export const useLibrary = defineStore('library', () => {
  const notices = useNotices()
  const library = markRaw(new Library(new LibraryDatabase()))
  const contents = shallowRef<LibraryContents>()
  const failure = shallowRef<string>()

  liveQuery(() => library.contents()).subscribe({
    next: (value) => {
      contents.value = value
      failure.value = undefined
    },
    error: (error) => (failure.value = messageOf(error)),
  })

  const entries = computed(() => contents.value?.entries ?? [])
  const setAside = computed(() => contents.value?.setAside ?? [])
  const entry = (id: string): LibraryEntry | undefined => entries.value.find((each) => each.id === id)

  /** Runs a change of the library and says so when it could not be stored. */
  async function attempt<T>(act: () => Promise<T>): Promise<T | undefined> {
    try {
      return await act()
    } catch (error) {
      notices.trouble(`Not stored in this browser: ${messageOf(error)}. What was there before is as it was.`)
      return undefined
    }
  }

  const create = (model: DeviceModel, slot: number) =>
    attempt(() => library.add(factoryProfile(model, freeName(`New for ${model.name}`)), slot, Date.now()))

  const duplicate = (source: LibraryEntry) =>
    attempt(() => library.add(rename(source.profile, freeName(source.profile.name)), source.slot, Date.now()))

  /** Adds a profile beside those that are there; a name that is taken gets a number. */
  const addFromFile = (profile: Profile) =>
    attempt(() => library.add(rename(profile, freeName(profile.name)), 0, Date.now()))

  async function remove({ id, name }: { id: string; name: string }): Promise<void> {
    const row = await attempt(() => library.remove(id))
    if (!row) return
    notices.say(`“${name}” was deleted`, {
      label: 'Undo',
      act: () => void attempt(() => library.putBack(row)),
    })
  }

  const freeName = (wanted: string) =>
    freeNameAmong(new Set(entries.value.map(({ profile }) => profile.name)), wanted, MOST_NAME_BYTES)

  const discard = ({ id, name }: SetAside) => remove({ id, name })

  return {
    library,
    contents,
    failure,
    entries,
    setAside,
    entry,
    attempt,
    create,
    duplicate,
    addFromFile,
    remove,
    discard,
  }
})

/** A name that is not taken: `Gantry Run 2` where `Gantry Run` is. */
export function freeNameAmong(taken: ReadonlySet<string>, wanted: string, mostBytes: number): string {
  const stem = wanted.replace(/ \d+$/, '')
  for (let count = 1; ; count++) {
    const suffix = count === 1 ? '' : ` ${count}`
    const name = `${shortened(stem, mostBytes - suffix.length)}${suffix}`
    if (!taken.has(name)) return name
  }
}

function shortened(name: string, mostBytes: number): string {
  let characters = [...name]
  while (new TextEncoder().encode(characters.join('')).length > mostBytes)
    characters = characters.slice(0, -1)
  return characters.join('').trim()
}

/** A profile written out as a file, the macros it plays in it. */
export function profileFile(
  profile: Profile,
  macros: MacroShelf = EMPTY_SHELF,
): { name: string; content: string } {
  const document = profileDocument(profile, macros)
  return { name: `${fileStem(profile.name)}.json`, content: `${JSON.stringify(document, null, 2)}\n` }
}

/** A name as a file can have it. */
export const fileStem = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '') || 'profile'
