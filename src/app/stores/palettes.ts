import { t } from '../../messages/page'
import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { parsePalette, type Palette } from '../../core/document/palette'
import { nextStamp } from '../database/documents'
import type { StoredDocument } from '../database/library-database'
import { useUndoableActions } from './undoable-actions'
import { useStorageQueue } from './storage-queue'
import { useLibrary } from './library'
import { liveTable } from './live-table'

export type StoredPalette = Palette & { id: string }

/** Palettes of the library, in sync between all tabs. */
export const usePalettes = defineStore('palettes', () => {
  const library = useLibrary()
  const deeds = useUndoableActions()
  const keeping = useStorageQueue()
  const {
    table,
    kept: stored,
    quarantined,
    readAll,
  } = liveTable<StoredDocument, Palette>(
    ({ palettes }) => palettes,
    {
      table: 'palettes',
      index: 'updatedAt',
      parse: parsePalette,
      order: (a, b) => a.row.updatedAt - b.row.updatedAt,
    },
    (message) => t('faults.palettesCannotBeReadInThisBrowser', { message }),
  )
  /** Palettes being stored. */
  const waiting = shallowRef<readonly StoredPalette[]>([])
  const kept = computed((): readonly StoredPalette[] => {
    const palettes = stored.value.map(({ id, document }) => ({ ...document, id }))
    return [...palettes, ...waiting.value.filter(({ id }) => !palettes.some((each) => each.id === id))]
  })

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
