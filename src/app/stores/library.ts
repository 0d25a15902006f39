import { defineStore } from 'pinia'
import { computed, markRaw, shallowRef } from 'vue'
import { changesBetween, reversed, type Change } from '../../core/edits/changes'
import { rename } from '../../core/edits/edits'
import { EditRefused } from '../../core/wording/refused'
import { cutTo, fileStem, utf8Bytes } from '../../core/base/names'
import { profileDocument } from '../../core/files/profile-file'
import { EMPTY_SHELF, type MacroShelf } from '../../core/document/macro'
import { MOST_NAME_BYTES, type Profile } from '../../core/document/schema'
import { entryOf, Library, placesAfterMove, type LibraryEntry, type SetAside } from '../database/library'
import { LibraryDatabase, type StoredProfile } from '../database/library-database'
import { keepLive } from '../database/live-documents'
import { useDeeds, type UndoOutcome } from './deeds'
import { useKeeping, withChanges, type Outcome } from './keeping'
import { messageOf, useNotices } from './notices'

/** The profiles as they are in every tab: what one tab stores, the others read. */
export const useLibrary = defineStore('library', () => {
  const notices = useNotices()
  const deeds = useDeeds()
  const keeping = useKeeping()
  const library = markRaw(new Library(new LibraryDatabase()))
  const contents = shallowRef<{ entries: LibraryEntry[]; setAside: SetAside[] }>()
  /** Whether every row has been read; the first of a large library are shown before. */
  const complete = shallowRef(false)
  const failure = shallowRef<string>()
  /** Whether it is known that there is a library, filled on a first visit: before, nothing is said of what is not in it. */
  const begun = shallowRef(false)
  /** An older tab keeps the library from being opened in its newer form. */
  const blocked = shallowRef(false)
  library.database.on('blocked', () => (blocked.value = true))
  library.database.on('ready', () => (blocked.value = false), true)

  function refresh(): void {
    const { kept, setAside: aside } = library.profiles.now()
    contents.value = { entries: kept.map(entryOf), setAside: aside }
    failure.value = undefined
  }
  const { firstTold, readAll } = keepLive(
    library.profiles,
    (all) => {
      refresh()
      complete.value = all
    },
    (error) => (failure.value = messageOf(error)),
  )

  const place = (id: string) => `profiles ${id}`
  /** An entry with what waits to be stored of it: the edits of the editor, and its slot. */
  function withWaiting(entry: LibraryEntry): LibraryEntry {
    const waiting = keeping.waitingFor(place(entry.id))
    if (waiting.length === 0) return entry
    const slot = waiting.findLast((item) => item.slot !== undefined)?.slot
    return { ...entry, slot: slot ?? entry.slot, profile: withChanges(entry.profile, waiting) }
  }

  const entries = computed(() => contents.value?.entries.map(withWaiting) ?? [])
  const setAside = computed(() => contents.value?.setAside ?? [])
  /** As it is stored; asked anew whenever anything is. */
  function stored(id: string): LibraryEntry | undefined {
    const kept = contents.value && library.profiles.of(id)
    return kept && entryOf(kept)
  }
  function entry(id: string): LibraryEntry | undefined {
    const kept = stored(id)
    return kept && withWaiting(kept)
  }

  /** Runs a change of the library and says so when it could not be stored. */
  async function attempt<T>(act: () => Promise<T>): Promise<T | undefined> {
    try {
      return await act()
    } catch (error) {
      notices.trouble(`This browser did not store it: ${messageOf(error)}. Nothing was changed.`)
      return undefined
    }
  }

  const duplicate = ({ profile, slot }: LibraryEntry) =>
    attempt(() =>
      library.add(rename(profile, freeName(copyName(profile.name), profile.model)), slot, Date.now()),
    )

  /**
   * Adds a profile to the library. If another profile for its model has the name, it gets a number.
   *
   * @param first stores what the profile needs, in the same transaction
   */
  const addFromFile = (profile: Profile, slot = 0, first: () => Promise<unknown> = async () => {}) =>
    attempt(() =>
      library.together(async () => {
        await first()
        return library.add(rename(profile, freeName(profile.name, profile.model)), slot, Date.now())
      }),
    )

  /**
   * Changes a profile that is not open in the editor.
   *
   * @returns why it was refused, or undefined when it was made
   */
  function change(id: string, text: string, change: (profile: Profile) => Profile): string | undefined {
    const before = entry(id)?.profile
    if (!before) return undefined
    try {
      const changes = changesBetween(before, change(before))
      if (changes.length === 0) return undefined
      void keepChanges(id, text, changes)
      deeds.say('library', text, () => undoChanges(text, [{ id, changes }]))
      return undefined
    } catch (error) {
      if (error instanceof EditRefused) return error.message
      throw error
    }
  }

  /** Changes several profiles that are not open in the editor, taken back together. Those it leaves alone stay. */
  function changeMany(
    text: string,
    ids: readonly string[],
    change: (profile: Profile, id: string) => Profile,
  ): void {
    const changed = ids.flatMap((id) => {
      const before = entry(id)?.profile
      const changes = before ? changesBetween(before, change(before, id)) : []
      return changes.length > 0 ? [{ id, changes }] : []
    })
    if (changed.length === 0) return
    for (const { id, changes } of changed) void keepChanges(id, text, changes)
    deeds.say('library', text, () => undoChanges(text, changed))
  }

  async function undoChanges(
    text: string,
    changed: readonly { id: string; changes: readonly Change[] }[],
  ): Promise<UndoOutcome> {
    const outcomes = await Promise.all(
      changed.map(({ id, changes }) => keepChanges(id, `Undo “${text}”`, reversed(changes))),
    )
    return outcomes.includes('stored') ? 'undone' : 'impossible'
  }

  function keepChanges(id: string, text: string, changes: Change[]): Promise<Outcome> {
    return keeping.keep({
      place: place(id),
      name: entry(id)?.profile.name ?? '',
      changes,
      store: async () => {
        await library.edit(id, changes, Date.now())
        refresh()
      },
      conflicted: ({ message }) => notices.trouble(`${text}: not done, because ${message}.`),
    })
  }

  function setSlot(id: string, slot: number): void {
    void keeping.keep({
      place: place(id),
      name: entry(id)?.profile.name ?? '',
      slot,
      store: async () => {
        await library.setSlot(id, slot)
        await library.profiles.read([id])
        refresh()
      },
      conflicted: () => {},
    })
  }

  /** Notes that an image of this checksum was written from a profile and read back. */
  function setWritten(id: string, checksum: number): void {
    void keeping.keep({
      place: place(id),
      name: entry(id)?.profile.name ?? '',
      store: () => library.setWritten(id, checksum),
      conflicted: () => {},
    })
  }

  const remove = ({ id, name }: { id: string; name: string }) => removeMany([id], `“${name}” was deleted`)

  /** All of them or none; brought back together. */
  async function removeMany(ids: readonly string[], text: string): Promise<void> {
    const rows = await attempt(() => library.remove(ids))
    if (!rows?.length) return
    binChanged.value++
    deeds.sayStored('library', text, async () => {
      await library.putBack(rows)
      binChanged.value++
    })
  }

  /** Grows with each profile that goes into the bin or out of it. */
  const binChanged = shallowRef(0)
  const binned = () => library.binned(Date.now())

  /** Brings a deleted profile back, as it was. */
  async function bringBack(row: StoredProfile): Promise<void> {
    const stored = keeping.store(place(row.id), 'Deleted profile', () => library.putBack([row]))
    if ((await stored) === 'stored') binChanged.value++
  }

  async function discard(id: string): Promise<void> {
    await attempt(() => library.discard(id))
    binChanged.value++
  }

  /** Moves a profile within the list. @param to its place there, counted from 0 */
  async function move(id: string, to: number): Promise<void> {
    const from = entries.value.findIndex((each) => each.id === id)
    if (from < 0 || to < 0 || to >= entries.value.length || to === from) return
    const places = placesAfterMove(entries.value, id, to)
    const before = await attempt(() => library.setPlaces(places))
    if (!before) return
    const way = to < from ? 'up' : 'down'
    deeds.sayStored('library', `“${entry(id)?.profile.name ?? ''}” was moved ${way}`, () =>
      library.setPlaces(before),
    )
  }

  /** Every tag that is in use. */
  const tags = computed(() => [...new Set(entries.value.flatMap(({ profile }) => profile.tags))].sort())

  /** Names of the profiles for one device model: profiles for different models may have the same name. */
  const namesFor = (model: string): Set<string> =>
    new Set(entries.value.flatMap(({ profile }) => (profile.model === model ? profile.name : [])))
  const isTaken = (name: string, model: string): boolean => namesFor(model).has(name)
  const freeName = (wanted: string, model: string): string =>
    freeNameAmong(namesFor(model), wanted, MOST_NAME_BYTES)

  return {
    library,
    firstTold,
    contents,
    complete,
    failure,
    begun,
    blocked,
    entries,
    setAside,
    entry,
    stored,
    refresh,
    readAll,
    attempt,
    duplicate,
    addFromFile,
    change,
    changeMany,
    setSlot,
    setWritten,
    remove,
    removeMany,
    binChanged,
    binned,
    bringBack,
    discard,
    move,
    tags,
    namesFor,
    isTaken,
    freeName,
  }
})

/** A copy of a copy is a second copy. */
const copyName = (name: string): string =>
  `${shortened(name.replace(/ copy( \d+)?$/, ''), MOST_NAME_BYTES - ROOM_FOR_COPY)} copy`

/** For “ copy 999”. */
const ROOM_FOR_COPY = 9

/** A name that is not taken: `Gantry Run 2` where `Gantry Run` is. */
export function freeNameAmong(taken: ReadonlySet<string>, wanted: string, mostBytes: number): string {
  if (!taken.has(wanted) && utf8Bytes(wanted) <= mostBytes) return wanted
  // A number behind it counts only where there is one to count from: “New for Tern 7” is a name.
  const uncounted = wanted.replace(/ \d+$/, '')
  const stem = taken.has(uncounted) ? uncounted : wanted
  for (let count = 1; ; count++) {
    const suffix = count === 1 ? '' : ` ${count}`
    const name = `${shortened(stem, mostBytes - suffix.length)}${suffix}`
    if (!taken.has(name)) return name
  }
}

const shortened = (name: string, mostBytes: number): string => cutTo(name, mostBytes).trim()

/** A profile written out as a file, the macros it plays in it. */
export function profileFile(
  profile: Profile,
  macros: MacroShelf = EMPTY_SHELF,
): { name: string; content: string } {
  const document = profileDocument(profile, macros)
  return {
    name: `${fileStem(profile.name, 'profile')}.json`,
    content: `${JSON.stringify(document, null, 2)}\n`,
  }
}
