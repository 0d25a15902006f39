import { t } from '../../messages/page'
import { membersOf } from '../../core/base/tables'
import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { useFolder, writeToFolder } from '../files/folders'
import { saveBlob } from '../files/save-file'
import { useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import { errorMessage, useNotifications } from '../stores/notifications'
import { usePalettes } from '../stores/palettes'
import { useSessions } from '../stores/sessions'
import { archiveFile } from './backup-file'

const LAST = 'backup last'
const DAY_MS = 24 * 3600 * 1000
/** Without a folder, days until a reminder. */
const REMIND_DAYS = 14

/** Time of the last backup, and the state of the library at that time. */
interface LastBackup {
  at: number
  of: string
}

/** Libraries with the same contents have the same text. */
function useFingerprint() {
  const [library, macros] = [useLibrary(), useMacros()]
  const [sessions, palettes] = [useSessions(), usePalettes()]
  return computed(() => {
    const newest = library.entries.reduce((max, { updatedAt }) => Math.max(max, updatedAt), 0)
    const { length } = library.entries
    return [newest, length, macros.list.length, sessions.list.length, palettes.kept.length].join()
  })
}

/** The time of the last backup, stored with the library. */
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

/**
 * A daily backup into a folder selected by the person, if something has changed since the last one; in browsers without
 * folders, a reminder with a button.
 */
export const useAutoBackup = defineStore('auto backup', () => {
  const library = useLibrary()
  const macros = useMacros()
  const notices = useNotifications()
  const { folder, canChoose, choose, open, leave, ...known } = useFolder('backup', (how) =>
    how === 'chosen' ? write() : tick(),
  )

  const fingerprint = useFingerprint()
  const { last, readLast, note } = useLastBackup(() => fingerprint.value)

  async function look(): Promise<void> {
    await known.look()
    await readLast()
  }

  /** Saves a backup as a download. */
  async function save(withHistory: boolean): Promise<void> {
    try {
      const { name, blob } = await archiveFile(withHistory)
      saveBlob(name, blob)
      await note()
    } catch (error) {
      notices.trouble(t('library.theBackupCouldNotBeCreatedNo', { message: errorMessage(error) }))
    }
  }

  async function write(): Promise<void> {
    const into = folder.value
    if (!into?.open) return
    try {
      const { blob } = await archiveFile(true)
      const day = new Date().toISOString().slice(0, 10)
      await writeToFolder(into, `unisera-library-${day}.zip`, blob)
      await note()
    } catch (error) {
      notices.trouble(
        t('library.theBackupCouldNotBeWrittenTo', { name: into.name, message: errorMessage(error) }),
      )
    }
  }

  /** Whether a day has passed and something has changed. */
  const due = (days: number) =>
    last.value?.of !== fingerprint.value && Date.now() - (last.value?.at ?? 0) > days * DAY_MS

  async function tick(): Promise<void> {
    if (!library.complete || !macros.complete) return
    if (folder.value?.open && due(1)) return write()
    if (!canChoose && last.value && due(REMIND_DAYS))
      notices.say(t('library.theLastBackupIsMoreThanDays', { days: REMIND_DAYS }), {
        label: t('library.saveABackup'),
        act: () => void save(true),
      })
  }

  return { folder, last, canChoose, look, tick, save, choose, open, leave }
})
