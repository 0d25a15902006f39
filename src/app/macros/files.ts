import { t, textOf } from '../../messages/page'
import { shallowRef } from 'vue'
import { itemAt } from '../../core/base/items'
import type { Macro } from '../../core/document/macro'
import { macrosToCsv } from '../../core/files/macro-csv'
import { macrosToJson } from '../../core/files/macro-json'
import { rejectDuplicateIds } from '../../core/files/file-problems'
import { rejectCycleWith } from '../../core/files/profile-file'
import { ProfileError } from '../../core/base/errors'
import { useOpening } from '../files/open-file'
import { yieldThread } from '../database/yield-thread'
import { saveFile } from '../files/save-file'
import { fileStem } from '../../core/base/names'
import { useMacros } from '../stores/macros'
import { useUndoableActions } from '../stores/undoable-actions'
import { useNotifications } from '../stores/notifications'

export type ClashAnswer = 'both' | 'replace' | 'skip' | 'cancel'

/** Exports macros as a file. */
export function saveMacros(macros: readonly Macro[], kind: 'json' | 'csv'): void {
  const { shelf } = useMacros()
  const content = kind === 'csv' ? macrosToCsv(macros, (id) => shelf.get(id)?.name) : macrosToJson(macros)
  saveFile({
    name: `${macros.length === 1 ? fileStem(itemAt(macros, 0).name, 'macro') : 'macros'}.${kind}`,
    content,
  })
}

/** Import and export of macros. Files are imported completely or not at all. */
export function useMacroFiles() {
  const macros = useMacros()
  const deeds = useUndoableActions()
  const notices = useNotifications()
  const { refuse } = useOpening()
  const clash = shallowRef<{ names: string[]; found: Macro[] }>()

  /** @param file its name */
  async function take(file: string, found: Macro[]): Promise<void> {
    clash.value = undefined
    await yieldThread()
    await macros.readAll()
    try {
      rejectDuplicateIds(found)
      rejectCycleWith(found, macros.shelf)
    } catch (error) {
      if (!(error instanceof ProfileError)) throw error
      return refuse(file, error.problems.map(textOf))
    }
    const names = found.flatMap(({ name }) =>
      macros.list.some((macro) => macro.name === name) ? [name] : [],
    )
    if (names.length > 0) clash.value = { names, found }
    else {
      await yieldThread()
      await bring(found, 'both')
    }
  }

  /** Macros with the same id are the same macro; one kept in addition gets a new id. */
  async function bring(found: readonly Macro[], answer: Exclude<ClashAnswer, 'cancel'>): Promise<void> {
    const here = new Map(macros.list.map((macro) => [macro.name, macro]))
    const kept = answer === 'skip' ? found.filter(({ name }) => !here.has(name)) : found
    const ids = new Map<string, string>()
    for (const { id, name } of kept) {
      const same = here.get(name)
      if (same && answer === 'replace') ids.set(id, same.id)
      else if (macros.list.some((macro) => macro.id === id)) ids.set(id, crypto.randomUUID())
    }
    for (const { id, name } of found) {
      const same = here.get(name)
      if (answer === 'skip' && same) ids.set(id, same.id)
    }
    const taken = new Set<string>()
    const brought = kept.map((macro) => {
      const name = answer === 'replace' ? macro.name : macros.freeName(macro.name, taken)
      taken.add(name)
      const events = macro.events.map((event) =>
        event.kind === 'macro' ? { ...event, macro: ids.get(event.macro) ?? event.macro } : event,
      )
      return { ...macro, id: ids.get(macro.id) ?? macro.id, name, events }
    })
    const undo = await macros.bring(brought)
    if (undo && brought.length > 0) deeds.sayStored('macros', broughtText(brought), undo)
    else if (undo) notices.say(broughtText(brought))
  }

  async function settle(answer: ClashAnswer): Promise<void> {
    const { found } = clash.value ?? {}
    clash.value = undefined
    if (found && answer !== 'cancel') await bring(found, answer)
  }

  return { clash, take, settle }
}

const broughtText = (brought: readonly Macro[]): string => {
  const [first] = brought
  if (!first) return t('macros.nothingWasImportedEveryNameIs')
  return brought.length === 1
    ? t('macros.wasAddedToTheLibrary', { name: first.name })
    : t('macros.macrosWereAddedToTheLibrary', { count: brought.length })
}
