import { t } from '../../messages/page'
import { defineStore } from 'pinia'
import { computed, markRaw, shallowRef } from 'vue'
import { parsePalette, type Palette } from '../../core/document/palette'
import { DocumentTable, nextStamp, type QuarantinedDocument } from '../database/documents'
import type { StoredDocument } from '../database/library-database'
import { keepLive } from '../database/live-documents'
import { useUndoableActions } from './undoable-actions'
import { useStorageQueue } from './storage-queue'
import { useLibrary } from './library'
import { errorMessage, useNotifications } from './notifications'

export type StoredPalette = Palette & { id: string }

/** Palettes of the library, in sync between all tabs. */
export const usePalettes = defineStore('palettes', () => {
  const library = useLibrary()
  const notices = useNotifications()
  const deeds = useUndoableActions()
  const keeping = useStorageQueue()
  const { database } = library.library
  const table = markRaw(
    new DocumentTable<StoredDocument, Palette>(database, database.palettes, {
      table: 'palettes',
      index: 'updatedAt',
      parse: parsePalette,
      order: (a, b) => a.row.updatedAt - b.row.updatedAt,
    }),
  )
  const stored = shallowRef<{ palettes: StoredPalette[]; quarantined: QuarantinedDocument[] }>()
  function refresh(): void {
    const { kept, quarantined: aside } = table.now()
    stored.value = {
      palettes: kept.map(({ id, document }) => ({ ...document, id })),
      quarantined: aside,
    }
  }
  const { readAll } = keepLive(
    table,
    refresh,
    (error) =>
      notices.trouble(t('faults.palettesCannotBeReadInThisBrowser', { message: errorMessage(error) })),
    library.firstTold,
  )
  /** Palettes being stored. */
  const waiting = shallowRef<readonly StoredPalette[]>([])
  const kept = computed((): readonly StoredPalette[] => {
    const palettes = stored.value?.palettes ?? []
    return [...palettes, ...waiting.value.filter(({ id }) => !palettes.some((each) => each.id === id))]
  })
  const quarantined = computed(() => stored.value?.quarantined ?? [])

  const rowOf = (document: Palette, id: string = crypto.randomUUID()): StoredDocument => {
    const now = Date.now()
    return { id, stamp: now, updatedAt: now, document }
  }

  async function add(palette: Palette): Promise<void> {
    const row = rowOf(palette)
    const place = `palettes ${row.id}`
    waiting.value = [...waiting.value, { ...palette, id: row.id }]
    const storing = keeping.store(place, palette.name, () => table.put([row]))
    deeds.sayStored(
      'library',
      t('stores.thePaletteWasSaved', { name: palette.name }),
      () => table.remove(row.id),
      place,
    )
    await storing
    waiting.value = waiting.value.filter(({ id }) => id !== row.id)
  }

  async function remove({ id, name }: StoredPalette): Promise<void> {
    const row = await library.attempt(() => table.remove(id))
    if (!row) return
    deeds.sayStored('library', t('stores.thePaletteWasDeleted', { name }), () =>
      table.put([{ ...row, stamp: nextStamp(row, Date.now()) }]),
    )
  }

  return { table, readAll, kept, quarantined, rowOf, add, remove }
})
