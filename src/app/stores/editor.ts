import { defineStore } from 'pinia'
import { computed } from 'vue'
import { modelById } from '../../core/device/models'
import { changesBetween } from '../../core/edits/changes'
import { documentEditor } from './document-editor'
import { useLibrary } from './library'
import { useSavedVersions } from './saved-versions'

/** The open profile, its edits, and their undo. The stored library is authoritative. */
export const useEditor = defineStore('editor', () => {
  const library = useLibrary()
  const states = useSavedVersions()
  const { document: profile, ...editor } = documentEditor({
    table: 'profiles',
    stored: (id) => library.stored(id)?.profile,
    changes: (before, after) => changesBetween(before, after),
    store: async (id, { changes, after }, history) => {
      const before = library.stored(id)?.profile
      if (before) await states.beforeEdit(id, before)
      await library.library.edit(id, changes, Date.now(), after, history)
      library.refresh()
    },
    restore: async (id, held) => {
      const { database } = library.library
      await database.transaction('rw', database.profiles, database.bin, async () => {
        await library.library.add(held, library.entry(id)?.slot ?? 0, Date.now(), id)
        await database.bin.delete(id)
      })
    },
    isOwn: (id) => library.library.profiles.isOwn(id),
    history: (id) => library.library.profiles.history(id),
  })
  const entry = computed(() =>
    editor.openId.value === undefined ? undefined : library.entry(editor.openId.value),
  )
  const model = computed(() => (profile.value ? modelById(profile.value.model) : undefined))
  const savedAt = computed(() => editor.savedAt.value ?? entry.value?.updatedAt)

  return { ...editor, profile, entry, model, savedAt }
})
