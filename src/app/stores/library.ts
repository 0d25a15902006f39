import { t, textOf } from '../../messages/page'
import { defineStore } from 'pinia'
import { computed, markRaw, shallowRef } from 'vue'
import { changesBetween, reverseChanges, type Change } from '../../core/edits/changes'
import { renameProfile } from '../../core/edits/edits'
import { EditRefused } from '../../core/wording/edit-refused'
import { truncateUtf8, fileStem, utf8Length } from '../../core/base/names'
import { profileDocument } from '../../core/files/profile-file'
import { EMPTY_SHELF, type MacroShelf } from '../../core/document/macro'
import { MAX_NAME_BYTES, type Profile } from '../../core/document/schema'
import {
  entryOf,
  Library,
  positionsAfterMove,
  type LibraryEntry,
  type QuarantinedDocument,
} from '../database/library'
import { LibraryDatabase, type StoredProfile } from '../database/library-database'
import { keepLive } from '../database/live-documents'
import { useUndoableActions, type UndoOutcome } from './undoable-actions'
import { useStorageQueue, applyQueued, type StoreOutcome } from './storage-queue'
import { errorMessage, useNotifications } from './notifications'

/** The profiles, in sync between all tabs. */
export const useLibrary = defineStore('library', () => {
  const notices = useNotifications()
  const deeds = useUndoableActions()
  const keeping = useStorageQueue()
  const library = markRaw(new Library(new LibraryDatabase()))
  const contents = shallowRef<{ entries: LibraryEntry[]; quarantined: QuarantinedDocument[] }>()
  /** Whether every row has been read; the first rows of a large library appear earlier. */
  const complete = shallowRef(false)
  const failure = shallowRef<string>()
  /** Whether the library is known to exist, including on a first visit; before, nothing is reported as missing. */
  const begun = shallowRef(false)
  /** An older tab blocks the library's upgrade. */
  const blocked = shallowRef(false)
  library.database.on('blocked', () => (blocked.value = true))
  library.database.on('ready', () => (blocked.value = false), true)

  function refresh(): void {
    const { kept, quarantined: aside } = library.profiles.now()
    contents.value = { entries: kept.map(entryOf), quarantined: aside }
    failure.value = undefined
  }
  const { firstTold, readAll } = keepLive(
    library.profiles,
    (all) => {
      refresh()
      complete.value = all
    },
    (error) => (failure.value = errorMessage(error)),
  )

  const place = (id: string) => `profiles ${id}`
  /** An entry with its waiting changes: edits, and its slot. */
  function withWaiting(entry: LibraryEntry): LibraryEntry {
    const waiting = keeping.waitingFor(place(entry.id))
    if (waiting.length === 0) return entry
    const slot = waiting.findLast((item) => item.slot !== undefined)?.slot
    return { ...entry, slot: slot ?? entry.slot, profile: applyQueued(entry.profile, waiting) }
  }

  const entries = computed(() => contents.value?.entries.map(withWaiting) ?? [])
  const quarantined = computed(() => contents.value?.quarantined ?? [])
  /** The stored entry; evaluated again after every change. */
  function stored(id: string): LibraryEntry | undefined {
    const kept = contents.value && library.profiles.of(id)
    return kept && entryOf(kept)
  }
  function entry(id: string): LibraryEntry | undefined {
    const kept = stored(id)
    return kept && withWaiting(kept)
  }

  /** Changes the library and reports a failure of storage. */
  async function attempt<T>(act: () => Promise<T>): Promise<T | undefined> {
    try {
      return await act()
    } catch (error) {
      notices.trouble(t('stores.thisBrowserDidNotSaveItNothing', { message: errorMessage(error) }))
      return undefined
    }
  }

  const duplicate = ({ profile, slot }: LibraryEntry) =>
    attempt(() =>
      library.add(renameProfile(profile, freeName(copyName(profile.name), profile.model)), slot, Date.now()),
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
        return library.add(renameProfile(profile, freeName(profile.name, profile.model)), slot, Date.now())
      }),
    )

  /**
   * Changes a profile that is not open in the editor.
   *
   * @returns why it was refused, or undefined if it was made
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
      if (error instanceof EditRefused) return textOf(error.reason)
      throw error
    }
  }

  /**
   * Changes several profiles that are not open in the editor, undone together. Those without a change stay as they are.
   */
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
      changed.map(({ id, changes }) => keepChanges(id, t('stores.undo2', { text }), reverseChanges(changes))),
    )
    return outcomes.includes('stored') ? 'undone' : 'impossible'
  }

  function keepChanges(id: string, text: string, changes: Change[]): Promise<StoreOutcome> {
    return keeping.keep({
      place: place(id),
      name: entry(id)?.profile.name ?? '',
      changes,
      store: async () => {
        await library.edit(id, changes, Date.now())
        refresh()
      },
      conflicted: ({ message }) => notices.trouble(t('stores.reason', { edit: text, message })),
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

  /** Records that the image with this checksum was written from a profile and read back. */
  function setWritten(id: string, checksum: number): void {
    void keeping.keep({
      place: place(id),
      name: entry(id)?.profile.name ?? '',
      store: () => library.setWritten(id, checksum),
      conflicted: () => {},
    })
  }

  const remove = ({ id, name }: { id: string; name: string }) =>
    removeMany([id], t('stores.wasDeleted', { name }))

  /** Deletes all of them or none; they are restored together. */
  async function removeMany(ids: readonly string[], text: string): Promise<void> {
    const rows = await attempt(() => library.remove(ids))
    if (!rows?.length) return
    binChanged.value++
    deeds.sayStored('library', text, async () => {
      await library.restoreDeleted(rows)
      binChanged.value++
    })
  }

  /** Increases with each change of the bin. */
  const binChanged = shallowRef(0)
  const binned = () => library.binned(Date.now())

  /** Restores a deleted profile. */
  async function bringBack(row: StoredProfile): Promise<void> {
    const stored = keeping.store(place(row.id), t('stores.deletedProfile'), () =>
      library.restoreDeleted([row]),
    )
    if ((await stored) === 'stored') binChanged.value++
  }

  async function discard(id: string): Promise<void> {
    await attempt(() => library.discard(id))
    binChanged.value++
  }

  /** Moves a profile within the list. @param to its new index, counted from 0 */
  async function move(id: string, to: number): Promise<void> {
    const from = entries.value.findIndex((each) => each.id === id)
    if (from < 0 || to < 0 || to >= entries.value.length || to === from) return
    const places = positionsAfterMove(entries.value, id, to)
    const before = await attempt(() => library.setPlaces(places))
    if (!before) return
    const way = to < from ? 'up' : 'down'
    deeds.sayStored(
      'library',
      t('stores.wasMoved', { name: entry(id)?.profile.name ?? '', direction: way }),
      () => library.setPlaces(before),
    )
  }

  /** All tags of profiles. */
  const tags = computed(() => [...new Set(entries.value.flatMap(({ profile }) => profile.tags))].sort())

  /** Names of the profiles for one device model: profiles for different models may have the same name. */
  const namesFor = (model: string): Set<string> =>
    new Set(entries.value.flatMap(({ profile }) => (profile.model === model ? profile.name : [])))
  const isTaken = (name: string, model: string): boolean => namesFor(model).has(name)
  const freeName = (wanted: string, model: string): string =>
    unusedName(namesFor(model), wanted, MAX_NAME_BYTES)

  return {
    library,
    firstTold,
    contents,
    complete,
    failure,
    begun,
    blocked,
    entries,
    quarantined,
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

/** A copy of a copy is numbered. */
const copyName = (name: string): string =>
  t('stores.copy', {
    name: shortened(name.replace(/ copy( \d+)?$/, ''), MAX_NAME_BYTES - ROOM_FOR_COPY),
  })

/** Room for “ copy 999”. */
const ROOM_FOR_COPY = 9

/** An unused name: `Gantry Run 2` if `Gantry Run` exists. */
export function unusedName(taken: ReadonlySet<string>, wanted: string, maxBytes: number): string {
  if (!taken.has(wanted) && utf8Length(wanted) <= maxBytes) return wanted
  // A final number only counts after a name with one: “New for Tern 7” is a name.
  const uncounted = wanted.replace(/ \d+$/, '')
  const stem = taken.has(uncounted) ? uncounted : wanted
  for (let count = 1; ; count++) {
    const suffix = count === 1 ? '' : ` ${count}`
    const name = `${shortened(stem, maxBytes - suffix.length)}${suffix}`
    if (!taken.has(name)) return name
  }
}

const shortened = (name: string, maxBytes: number): string => truncateUtf8(name, maxBytes).trim()

/** A profile as a file, including the macros it plays. */
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
