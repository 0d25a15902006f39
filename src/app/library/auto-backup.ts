import { membersOf } from '../../core/base/tables'
import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { useFolder, writeInto } from '../shared/folders'
import { saveBlob } from '../shared/save-file'
import { useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import { messageOf, useNotices } from '../stores/notices'
import { usePalettes } from '../stores/palettes'
import { useSessions } from '../stores/sessions'
import { archiveFile } from './backup'

const LAST = 'backup last'
const DAY_MS = 24 * 3600 * 1000
/** Without a folder, so many days go by before it is said. */
const REMIND_DAYS = 14

/** When the last backup was made, and what the library was then. */
interface LastBackup {
  at: number
  of: string
}

/** Two libraries that hold the same are told by the same text. */
function useFingerprint() {
  const [library, macros] = [useLibrary(), useMacros()]
  const [sessions, palettes] = [useSessions(), usePalettes()]
  return computed(() => {
    const newest = library.entries.reduce((most, { updatedAt }) => Math.max(most, updatedAt), 0)
    const { length } = library.entries
    return [newest, length, macros.list.length, sessions.list.length, palettes.kept.length].join()
  })
}

/** When the last backup was made, kept with the library. */
function useLastBackup(now: () => string) {
  const library = useLibrary()
  const { marks } = library.library.database
  const last = shallowRef<LastBackup>()

  async function readLast(): Promise<void> {
    const { at, of } = membersOf((await marks.get(LAST))?.value)
    last.value = typeof at === 'number' && typeof of === 'string' ? { at, of } : undefined
  }

  async function note(): Promise<void> {
    last.value = { at: Date.now(), of: now() }
    await library.attempt(() => marks.put({ key: LAST, value: last.value }))
  }

  return { last, readLast, note }
}

/** Said where the browser lets no page have a folder. */
const REMINDER = `The last backup is more than ${REMIND_DAYS} days old, and things have changed since`

/**
 * A backup a day into a folder of the person's choice, when something has changed since the last; where the browser lets
 * no page have a folder, a reminder with the button that saves one.
 */
export const useAutoBackup = defineStore('auto backup', () => {
  const library = useLibrary()
  const macros = useMacros()
  const notices = useNotices()
  const { folder, canChoose, choose, open, leave, ...known } = useFolder('backup', (how) =>
    how === 'chosen' ? write() : tick(),
  )

  const fingerprint = useFingerprint()
  const { last, readLast, note } = useLastBackup(() => fingerprint.value)

  async function look(): Promise<void> {
    await known.look()
    await readLast()
  }

  /** Saves one by hand, wherever the browser puts files. */
  async function save(withHistory: boolean): Promise<void> {
    try {
      const { name, blob } = await archiveFile(withHistory)
      saveBlob(name, blob)
      await note()
    } catch (error) {
      notices.trouble(`The backup could not be made: ${messageOf(error)}. No file was saved; try again.`)
    }
  }

  async function write(): Promise<void> {
    const into = folder.value
    if (!into?.open) return
    try {
      const { blob } = await archiveFile(true)
      const day = new Date().toISOString().slice(0, 10)
      await writeInto(into, `unisera-library-${day}.zip`, blob)
      await note()
    } catch (error) {
      notices.trouble(
        `The backup could not be written to “${into.name}”: ${messageOf(error)}. What was saved there before is as it was.`,
      )
    }
  }

  /** Whether a day has gone by and something has changed. */
  const due = (days: number) =>
    last.value?.of !== fingerprint.value && Date.now() - (last.value?.at ?? 0) > days * DAY_MS

  async function tick(): Promise<void> {
    if (!library.complete || !macros.complete) return
    if (folder.value?.open && due(1)) return write()
    if (!canChoose && last.value && due(REMIND_DAYS))
      notices.say(REMINDER, { label: 'Save one', act: () => void save(true) })
  }

  return { folder, last, canChoose, look, tick, save, choose, open, leave }
})
