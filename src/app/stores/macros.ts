import { until } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, markRaw, shallowReactive, shallowRef } from 'vue'
import { macrosUsed } from '../../core/terms/profile'
import { ImageError } from '../../core/base/bytes'
import { macrosOfImage } from '../../core/compile/decompile'
import { renameMacro } from '../../core/edits/macro-edits'
import {
  emptyMacro,
  MOST_MACRO_NAME_BYTES,
  playedIn,
  shelfOf,
  type Macro,
  type MacroEvent,
} from '../../core/document/macro'
import type { SetAside } from '../database/documents'
import { judgedBeside } from '../beside/beside'
import { keepLive } from '../database/live-documents'
import { MacroLibrary } from '../database/macro-library'
import { useDeeds } from './deeds'
import { useKeeping, withChanges } from './keeping'
import { freeNameAmong, useLibrary } from './library'
import { messageOf, useNotices } from './notices'

/** Where a macro is used: bindings of profiles, or another macro. */
export interface MacroUse {
  /** The profile or macro that uses it. */
  name: string
  /** Address of what uses it. */
  to: string
}

/** The macros of the library as they are in every tab, and those that devices hold beside them. */
export const useMacros = defineStore('macros', () => {
  const library = useLibrary()
  const notices = useNotices()
  const stored = markRaw(new MacroLibrary(library.library.database, judgedBeside))
  const contents = shallowRef<{ macros: Macro[]; setAside: SetAside[] }>()
  const complete = shallowRef(false)
  const keeping = useKeeping()
  const deeds = useDeeds()
  /** Macros in images of devices that are not those of the library, by where they were read. */
  const onDevices = shallowReactive(new Map<string, Macro[]>())

  function refresh(): void {
    const { kept, setAside: aside } = stored.table.now()
    contents.value = { macros: kept.map(({ document }) => document), setAside: aside }
  }
  const { readAll } = keepLive(
    stored.table,
    (all) => {
      refresh()
      complete.value = all
    },
    (error) => {
      notices.trouble(
        `The macros could not be read: ${messageOf(error)}. Nothing was changed; reload the page.`,
      )
    },
    library.firstTold,
  )

  /** A macro with the edits that wait to be stored. */
  const withWaiting = (macro: Macro): Macro => withChanges(macro, keeping.waitingFor(`macros ${macro.id}`))

  const list = computed(() => contents.value?.macros.map(withWaiting) ?? [])
  const setAside = computed(() => contents.value?.setAside ?? [])
  const shelf = computed(() => shelfOf(list.value))
  /** Those of the library, and the others that devices hold, told apart from them by their names. */
  const wholeShelf = computed(() => {
    const taken = new Set(list.value.map(({ name }) => name))
    const others = [...onDevices.values()].flat().map((macro) => ({
      ...macro,
      name: taken.has(macro.name) ? `${macro.name} as the device has it` : macro.name,
    }))
    return shelfOf([...others, ...list.value])
  })
  /** As it is stored; asked anew whenever anything is. */
  const storedMacro = (id: string): Macro | undefined => contents.value && stored.table.of(id)?.document

  const uses = computed(() => {
    const found = new Map<string, MacroUse[]>()
    const add = (macro: string, use: MacroUse) => found.set(macro, [...(found.get(macro) ?? []), use])
    for (const { id, profile } of library.entries)
      for (const macro of macrosUsed(profile))
        add(macro, { name: profile.name, to: `/profile/${id}/buttons` })
    for (const macro of list.value)
      for (const inner of playedIn(macro)) add(inner, { name: macro.name, to: `/macros/${macro.id}` })
    return found
  })

  /** A name that no macro has; nor one of those that are about to come. */
  const freeName = (wanted: string, coming: ReadonlySet<string> = new Set()) =>
    freeNameAmong(new Set([...list.value.map(({ name }) => name), ...coming]), wanted, MOST_MACRO_NAME_BYTES)

  /** Prepares to add macros, or to replace those of the same id. @returns what does that in storage, and undoes it */
  function prepareImport(brought: readonly Macro[]) {
    const before = brought.flatMap(({ id }) => stored.table.of(id)?.row ?? [])
    const added = brought.filter(({ id }) => !stored.table.of(id))
    return {
      store: () => stored.put(brought, Date.now()),
      undo: () =>
        library.library.together(async () => {
          for (const { id } of added) await stored.remove(id)
          for (const row of before) await stored.putBack(row)
        }),
    }
  }

  /**
   * Adds macros, or replaces those of the same id, all of them or none.
   *
   * @returns what undoes that in storage, or undefined when they could not be stored
   */
  async function bring(brought: readonly Macro[]): Promise<(() => Promise<unknown>) | undefined> {
    const { store, undo } = prepareImport(brought)
    return library.attempt(async () => {
      if (brought.length > 0) await store()
      return undo
    })
  }

  /** Adds a macro. @returns its id, or undefined when it could not be stored */
  async function create(name = 'New macro', events: readonly MacroEvent[] = [], tags: string[] = []) {
    const macro = { ...emptyMacro(crypto.randomUUID(), freeName(name)), events: [...events], tags }
    return (await bring([macro])) ? macro.id : undefined
  }

  /** The same, and waits until it is known by its name. */
  async function createNow(name: string): Promise<void> {
    const id = await create(name)
    if (id !== undefined) await until(() => shelf.value.has(id)).toBe(true)
  }

  /**
   * Puts macros that were made on the spot into the library, those it has not, and does what needs them: at once where
   * there are none, for what is typed and pasted follows each other.
   */
  async function making(wanted: readonly (Macro | undefined)[], then: () => void): Promise<void> {
    const fresh = wanted.flatMap((macro) => (macro && !shelf.value.has(macro.id) ? [macro] : []))
    if (fresh.length > 0) {
      if (!(await bring(fresh))) return
      await until(() => fresh.every(({ id }) => shelf.value.has(id))).toBe(true)
      notices.say(`Made for it: ${fresh.map(({ name }) => `the macro “${name}”`).join(', ')}`)
    }
    then()
  }

  const duplicate = ({ name, events, tags }: Macro) => create(name, events, tags)

  async function remove(macro: Macro): Promise<void> {
    const row = await library.attempt(() => stored.remove(macro.id))
    if (!row) return
    deeds.sayStored('macros', `“${macro.name}” was deleted`, () => stored.putBack(row))
  }

  /** Notes what macros an image of a device holds. */
  function read(place: string, image: Uint8Array | undefined): void {
    const found = image ? macrosHeld(image) : []
    if (found.length > 0) onDevices.set(place, found)
    else onDevices.delete(place)
  }

  function macrosHeld(image: Uint8Array): Macro[] {
    try {
      return macrosOfImage(image, shelf.value)
    } catch (error) {
      // The slot itself is said to be unreadable where it is shown.
      if (error instanceof ImageError) return []
      throw error
    }
  }

  /** Takes macros that only a device holds into the library, for profiles that use them. */
  async function adopt(ids: Iterable<string>): Promise<void> {
    const wanted = new Set([...ids].filter((id) => !shelf.value.has(id)))
    const found = [...onDevices.values()].flat().filter(({ id }) => wanted.has(id))
    const named = found.map((macro) => renameMacro(macro, freeName(macro.name)))
    if (named.length > 0) await library.attempt(() => stored.put(named, Date.now()))
  }

  return {
    stored,
    contents,
    complete,
    list,
    setAside,
    shelf,
    wholeShelf,
    uses,
    refresh,
    readAll,
    storedMacro,
    freeName,
    prepareImport,
    bring,
    create,
    createNow,
    making,
    duplicate,
    remove,
    read,
    adopt,
  }
})
