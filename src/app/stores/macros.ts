import { listText, t } from '../../messages/page'
import { until } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, markRaw, shallowReactive, shallowRef } from 'vue'
import { macrosUsed } from '../../core/terms/profile'
import { ImageError } from '../../core/base/bytes'
import { decompileMacros } from '../../core/compile/decompile'
import { renameMacro } from '../../core/edits/macro-edits'
import {
  emptyMacro,
  MAX_MACRO_NAME_BYTES,
  playedIn,
  shelfOf,
  type Macro,
  type MacroEvent,
} from '../../core/document/macro'
import type { QuarantinedDocument } from '../database/documents'
import { validateInWorker } from '../workers/validation'
import { keepLive } from '../database/live-documents'
import { MacroLibrary } from '../database/macro-library'
import { useUndoableActions } from './undoable-actions'
import { useStorageQueue, applyQueued } from './storage-queue'
import { unusedName, useLibrary } from './library'
import { errorMessage, useNotifications } from './notifications'

/** A use of a macro: bindings of a profile, or another macro. */
export interface MacroUse {
  /** The profile or macro that uses it. */
  name: string
  /** Its address. */
  to: string
}

/** The macros of the library, in sync between all tabs, and additional ones on devices. */
export const useMacros = defineStore('macros', () => {
  const library = useLibrary()
  const notices = useNotifications()
  const stored = markRaw(new MacroLibrary(library.library.database, validateInWorker))
  const contents = shallowRef<{ macros: Macro[]; quarantined: QuarantinedDocument[] }>()
  const complete = shallowRef(false)
  const keeping = useStorageQueue()
  const deeds = useUndoableActions()
  /** Macros in images of devices that the library does not have, by the slot they were read from. */
  const onDevices = shallowReactive(new Map<string, Macro[]>())

  function refresh(): void {
    const { kept, quarantined: aside } = stored.table.now()
    contents.value = { macros: kept.map(({ document }) => document), quarantined: aside }
  }
  const { readAll } = keepLive(
    stored.table,
    (all) => {
      refresh()
      complete.value = all
    },
    (error) => {
      notices.trouble(t('faults.theMacrosCouldNotBeReadNothing', { message: errorMessage(error) }))
    },
    library.firstTold,
  )

  /** A macro with its waiting changes. */
  const withWaiting = (macro: Macro): Macro => applyQueued(macro, keeping.waitingFor(`macros ${macro.id}`))

  const list = computed(() => contents.value?.macros.map(withWaiting) ?? [])
  const quarantined = computed(() => contents.value?.quarantined ?? [])
  const shelf = computed(() => shelfOf(list.value))
  /** Macros of the library, and additional ones on devices with different names. */
  const wholeShelf = computed(() => {
    const taken = new Set(list.value.map(({ name }) => name))
    const others = [...onDevices.values()].flat().map((macro) => ({
      ...macro,
      name: taken.has(macro.name) ? t('stores.fromTheDevice', { name: macro.name }) : macro.name,
    }))
    return shelfOf([...others, ...list.value])
  })
  /** The stored macro; evaluated again after every change. */
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

  /** A name that no existing or new macro has. */
  const freeName = (wanted: string, coming: ReadonlySet<string> = new Set()) =>
    unusedName(new Set([...list.value.map(({ name }) => name), ...coming]), wanted, MAX_MACRO_NAME_BYTES)

  /** Prepares adding macros, or replacing those with the same id. @returns functions that do and undo it in storage */
  function prepareImport(brought: readonly Macro[]) {
    const before = brought.flatMap(({ id }) => stored.table.of(id)?.row ?? [])
    const added = brought.filter(({ id }) => !stored.table.of(id))
    return {
      store: () => stored.put(brought, Date.now()),
      undo: () =>
        library.library.together(async () => {
          for (const { id } of added) await stored.remove(id)
          for (const row of before) await stored.restoreDeleted(row)
        }),
    }
  }

  /**
   * Adds macros, or replaces those with the same id, all or none.
   *
   * @returns a function that undoes it in storage, or undefined if they could not be stored
   */
  async function bring(brought: readonly Macro[]): Promise<(() => Promise<unknown>) | undefined> {
    const { store, undo } = prepareImport(brought)
    return library.attempt(async () => {
      if (brought.length > 0) await store()
      return undo
    })
  }

  /** Adds a macro. @returns its id, or undefined if it could not be stored */
  async function create(
    name = t('stores.newMacro'),
    events: readonly MacroEvent[] = [],
    tags: string[] = [],
  ) {
    const macro = { ...emptyMacro(crypto.randomUUID(), freeName(name)), events: [...events], tags }
    return (await bring([macro])) ? macro.id : undefined
  }

  /** The same, and waits until it is known by its name. */
  async function createNow(name: string): Promise<void> {
    const id = await create(name)
    if (id !== undefined) await until(() => shelf.value.has(id)).toBe(true)
  }

  /**
   * Adds missing macros created in a cell, and then runs what needs them: at once if none are missing, so that typing
   * and pasting keep their order.
   */
  async function making(wanted: readonly (Macro | undefined)[], then: () => void): Promise<void> {
    const fresh = wanted.flatMap((macro) => (macro && !shelf.value.has(macro.id) ? [macro] : []))
    if (fresh.length > 0) {
      if (!(await bring(fresh))) return
      await until(() => fresh.every(({ id }) => shelf.value.has(id))).toBe(true)
      notices.say(
        t('stores.alsoCreated', { items: listText(fresh.map(({ name }) => t('stores.theMacro', { name }))) }),
      )
    }
    then()
  }

  const duplicate = ({ name, events, tags }: Macro) => create(name, events, tags)

  async function remove(macro: Macro): Promise<void> {
    const row = await library.attempt(() => stored.remove(macro.id))
    if (!row) return
    deeds.sayStored('macros', t('stores.wasDeleted', { name: macro.name }), () => stored.restoreDeleted(row))
  }

  /** Records the macros in an image of a device. */
  function read(place: string, image: Uint8Array | undefined): void {
    const found = image ? macrosHeld(image) : []
    if (found.length > 0) onDevices.set(place, found)
    else onDevices.delete(place)
  }

  function macrosHeld(image: Uint8Array): Macro[] {
    try {
      return decompileMacros(image, shelf.value)
    } catch (error) {
      // An unreadable slot is reported where it is shown.
      if (error instanceof ImageError) return []
      throw error
    }
  }

  /** Adds macros from a device to the library, for profiles that use them. */
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
    quarantined,
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
