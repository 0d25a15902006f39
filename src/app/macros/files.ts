import { shallowRef } from 'vue'
import { itemAt } from '../../core/base/items'
import type { Macro } from '../../core/document/macro'
import { macrosToCsv } from '../../core/files/macro-csv'
import { macrosToJson } from '../../core/files/macro-json'
import { refuseTwins } from '../../core/files/refusals'
import { refuseCircleWith } from '../../core/files/profile-file'
import { ProfileError } from '../../core/base/refusal'
import { useReading } from '../shared/reading'
import { freeThread } from '../database/free-thread'
import { saveFile } from '../shared/save-file'
import { fileStem } from '../../core/base/names'
import { useMacros } from '../stores/macros'
import { useDeeds } from '../stores/deeds'
import { useNotices } from '../stores/notices'

export type ClashAnswer = 'both' | 'replace' | 'skip' | 'cancel'

/** Hands macros to the person as a file. */
export function saveMacros(macros: readonly Macro[], kind: 'json' | 'csv'): void {
  const { shelf } = useMacros()
  const content = kind === 'csv' ? macrosToCsv(macros, (id) => shelf.get(id)?.name) : macrosToJson(macros)
  saveFile({
    name: `${macros.length === 1 ? fileStem(itemAt(macros, 0).name, 'macro') : 'macros'}.${kind}`,
    content,
  })
}

/** Macros from files and to files. Files come in whole or not at all. */
export function useMacroFiles() {
  const macros = useMacros()
  const deeds = useDeeds()
  const notices = useNotices()
  const { reading, refusal, read, stop } = useReading('macros')
  const clash = shallowRef<{ names: string[]; found: Macro[] }>()

  async function take(files: readonly File[]): Promise<void> {
    clash.value = undefined
    const found: Macro[] = []
    for (const file of files) {
      const inFile = await read(file)
      if (inFile?.kind !== 'macros') return
      await freeThread()
      await macros.readAll()
      found.push(...inFile.macros)
      try {
        refuseTwins(found)
        refuseCircleWith(found, macros.shelf)
      } catch (error) {
        if (!(error instanceof ProfileError)) throw error
        refusal.value = { file: file.name, problems: error.problems }
        return
      }
    }
    const names = found.flatMap(({ name }) =>
      macros.list.some((macro) => macro.name === name) ? [name] : [],
    )
    if (names.length > 0) clash.value = { names, found }
    else {
      await freeThread()
      await bring(found, 'both')
    }
  }

  /** Those of one id are the same macro; one that comes beside it gets an id of its own. */
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

  return { reading, refusal, clash, open: take, settle, stop }
}

const broughtText = (brought: readonly Macro[]): string => {
  const [first] = brought
  if (!first) return 'Nothing was brought in; every name is here already'
  return brought.length === 1
    ? `“${first.name}” is in the library`
    : `${brought.length} macros are in the library`
}
