import { defineStore } from 'pinia'
import { computed } from 'vue'
import { EditRefused } from '../../core/wording/edit-refused'
import { deviceCode, type Macro, type MacroEvent } from '../../core/document/macro'
import { macroChanges } from '../database/macro-library'
import { documentEditor } from './document-editor'
import type { EditName } from './edit-texts'
import { useMacros } from './macros'

/** The open macro, its edits, and their undo. States share their unchanged events. */
export const useMacroEditor = defineStore('macro editor', () => {
  const macros = useMacros()
  const { document: macro, ...editor } = documentEditor<Macro>({
    table: 'macros',
    stored: (id) => macros.storedMacro(id),
    changes: macroChanges,
    store: async (id, edit, history) => {
      await macros.stored.table.edit(id, edit, Date.now(), history)
      macros.refresh()
    },
    restore: (_, held) => macros.stored.put([held], Date.now()),
    isOwn: (id) => macros.stored.table.isOwn(id),
    history: (id) => macros.stored.table.history(id),
    merges: true,
  })
  const savedAt = computed(
    () => editor.savedAt.value ?? macros.stored.table.of(editor.openId.value ?? '')?.row.updatedAt,
  )

  /** A macro in device code has no events to edit. */
  function edit(label: EditName, change: (current: Macro) => Macro, gesture?: string): string | undefined {
    return editor.edit(
      label,
      (current) => {
        const next = change(current)
        if (deviceCode(current) && next.events !== current.events)
          throw new EditRefused('own-code', { macro: current.name })
        return next
      },
      gesture,
    )
  }

  const editEvents = (
    label: EditName,
    change: (events: readonly MacroEvent[]) => MacroEvent[],
    gesture?: string,
  ) => edit(label, (current) => ({ ...current, events: change(current.events) }), gesture)

  return { ...editor, macro, savedAt, edit, editEvents }
})
