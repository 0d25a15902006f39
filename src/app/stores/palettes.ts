import { defineStore } from 'pinia'
import { computed, markRaw, shallowRef } from 'vue'
import { parsePalette, type Palette } from '../../core/document/palette'
import { DocumentTable, stampAfter, type SetAside } from '../database/documents'
import type { StoredDocument } from '../database/library-database'
import { keepLive } from '../database/live-documents'
import { useDeeds } from './deeds'
import { useLibrary } from './library'
import { messageOf, useNotices } from './notices'

export type KeptPalette = Palette & { id: string }

/** Palettes of the library, as they are in every tab. */
export const usePalettes = defineStore('palettes', () => {
  const library = useLibrary()
  const notices = useNotices()
  const deeds = useDeeds()
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
  void keepLive(
    table,
    () => {
      const { kept, setAside: aside } = table.now()
      stored.value = {
        palettes: kept.map(({ id, document }) => ({ ...document, id })),
        setAside: aside,
      }
    },
    (error) => notices.trouble(`Palettes cannot be read in this browser: ${messageOf(error)}.`),
    library.firstTold,
  )
  const kept = computed((): readonly KeptPalette[] => stored.value?.palettes ?? [])
  const setAside = computed(() => stored.value?.setAside ?? [])

  const rowOf = (document: Palette, id: string = crypto.randomUUID()): StoredDocument => {
    const now = Date.now()
    return { id, stamp: now, updatedAt: now, document }
  }

  async function add(palette: Palette): Promise<void> {
    const row = rowOf(palette)
    const done = await library.attempt(() => table.put([row]).then(() => true))
    if (done)
      deeds.say('library', `The palette “${palette.name}” was kept`, () =>
        library.attempt(() => table.remove(row.id)),
      )
  }

  async function remove({ id, name }: KeptPalette): Promise<void> {
    const row = await library.attempt(() => table.remove(id))
    if (!row) return
    deeds.say('library', `The palette “${name}” was deleted`, () =>
      library.attempt(() => table.put([{ ...row, stamp: stampAfter(row, Date.now()) }])),
    )
  }

  return { table, kept, setAside, rowOf, add, remove }
})
