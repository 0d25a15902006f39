import { defineStore } from 'pinia'
import { computed, markRaw, shallowRef } from 'vue'
import { parsePalette, type Palette } from '../../core/document/palette'
import { DocumentTable, stampAfter, type SetAside } from '../database/documents'
import type { StoredDocument } from '../database/library-database'
import { keepLive } from '../database/live-documents'
import { useDeeds } from './deeds'
import { useKeeping } from './keeping'
import { useLibrary } from './library'
import { messageOf, useNotices } from './notices'

export type KeptPalette = Palette & { id: string }

/** Palettes of the library, as they are in every tab. */
export const usePalettes = defineStore('palettes', () => {
  const library = useLibrary()
  const notices = useNotices()
  const deeds = useDeeds()
  const keeping = useKeeping()
  const { database } = library.library
  const table = markRaw(
    new DocumentTable<StoredDocument, Palette>(database, database.palettes, {
      table: 'palettes',
      index: 'updatedAt',
      noun: 'palette',
      gate: parsePalette,
      order: (a, b) => a.row.updatedAt - b.row.updatedAt,
    }),
  )
  const stored = shallowRef<{ palettes: KeptPalette[]; setAside: SetAside[] }>()
  function refresh(): void {
    const { kept, setAside: aside } = table.now()
    stored.value = {
      palettes: kept.map(({ id, document }) => ({ ...document, id })),
      setAside: aside,
    }
  }
  const { readAll } = keepLive(
    table,
    refresh,
    (error) => notices.trouble(`Palettes cannot be read in this browser: ${messageOf(error)}.`),
    library.firstTold,
  )
  /** Those that are on their way to storage. */
  const waiting = shallowRef<readonly KeptPalette[]>([])
  const kept = computed((): readonly KeptPalette[] => {
    const palettes = stored.value?.palettes ?? []
    return [...palettes, ...waiting.value.filter(({ id }) => !palettes.some((each) => each.id === id))]
  })
  const setAside = computed(() => stored.value?.setAside ?? [])

  const rowOf = (document: Palette, id: string = crypto.randomUUID()): StoredDocument => {
    const now = Date.now()
    return { id, stamp: now, updatedAt: now, document }
  }

  async function add(palette: Palette): Promise<void> {
    const row = rowOf(palette)
    const place = `palettes ${row.id}`
    waiting.value = [...waiting.value, { ...palette, id: row.id }]
    const storing = keeping.store(place, palette.name, () => table.put([row]))
    deeds.sayStored('library', `The palette “${palette.name}” was saved`, () => table.remove(row.id), place)
    await storing
    waiting.value = waiting.value.filter(({ id }) => id !== row.id)
  }

  async function remove({ id, name }: KeptPalette): Promise<void> {
    const row = await library.attempt(() => table.remove(id))
    if (!row) return
    deeds.sayStored('library', `The palette “${name}” was deleted`, () =>
      table.put([{ ...row, stamp: stampAfter(row, Date.now()) }]),
    )
  }

  return { table, readAll, kept, setAside, rowOf, add, remove }
})
