import { t, textOf } from '../../messages/page'
import { computed, onMounted, shallowRef } from 'vue'
import { fileStem } from '../../core/base/names'
import type { ProfileFile } from '../../core/files/profile-file'
import { matchesFilter } from '../../core/base/matching'
import { listFiles, useFolder, writeToFolder, type SelectedFolder } from '../files/folders'
import { useReading } from '../files/reading'
import { profileFile } from '../stores/library'
import { useMacros } from '../stores/macros'
import { errorMessage, useNotifications } from '../stores/notifications'
import { searchText } from '../../core/find/search-text'
import type { LibraryEntry } from '../database/library'

/** A profile on the shelf, or why a file is not a valid profile. */
export interface ShelfProfile {
  file: string
  from: 'shipped' | 'folder'
  found?: ProfileFile
  problem?: string
}

/** Included profiles, which are normal files. */
const SHIPPED = import.meta.glob<string>('../../../demo/shelf/*.json', { query: '?raw', import: 'default' })
const MAX_FILES = 300

/** Reads files in sequence, each in a worker that is ended afterwards. */
function useShelfReading() {
  const { read } = useReading()

  async function shelved(file: File, from: ShelfProfile['from']): Promise<ShelfProfile> {
    const found = await read(file)
    return found?.kind === 'profile'
      ? { file: file.name, from, found: found.file }
      : { file: file.name, from, problem: t('library.itIsNotAProfileOrIt') }
  }

  return { shelved }
}

/** Profiles that others shared as files: included ones, and a folder selected by the person. */
export function useShelf() {
  const macros = useMacros()
  const notices = useNotifications()
  const { shelved } = useShelfReading()
  const shipped = shallowRef<readonly ShelfProfile[]>([])
  const ofFolder = shallowRef<readonly ShelfProfile[]>([])
  const { folder, canChoose, look, choose, open, ...known } = useFolder('shelf', () => readFolder())
  const wanted = shallowRef('')

  async function readShipped(): Promise<void> {
    const read: ShelfProfile[] = []
    for (const [path, load] of Object.entries(SHIPPED)) {
      read.push(await shelved(new File([await load()], path.replace(/^.*\//, '')), 'shipped'))
      shipped.value = [...read]
    }
  }

  async function readFolder(): Promise<void> {
    const chosen = folder.value
    if (!chosen?.open) return
    try {
      const read: ShelfProfile[] = []
      for (const file of await listFiles(chosen, /\.(json|png|svg)$/i, MAX_FILES))
        read.push(await shelved(file, 'folder'))
      ofFolder.value = read
    } catch (error) {
      notices.trouble(t('library.theFolderCannotBeRead', { name: chosen.name, message: errorMessage(error) }))
    }
  }

  async function leave(): Promise<void> {
    await known.leave()
    ofFolder.value = []
  }

  onMounted(async () => {
    await look()
    void readFolder()
    await readShipped()
  })

  const shown = computed(() =>
    [...ofFolder.value, ...shipped.value].filter(({ file, found }) =>
      matchesFilter(wanted.value, [file, found ? searchText(found.profile, macros.shelf, textOf) : '']),
    ),
  )

  const { put } = usePutting(folder, ofFolder, readFolder)

  return { shown, wanted, folder, canChoose, choose, open, leave, put }
}

/** Adds profiles of the library to the folder. */
function usePutting(
  folder: { readonly value: SelectedFolder | undefined },
  ofFolder: { readonly value: readonly ShelfProfile[] },
  readFolder: () => Promise<void>,
) {
  const macros = useMacros()
  const notices = useNotifications()

  /** Adds a profile of the library to the folder, next to its other files. */
  async function put({ profile }: LibraryEntry): Promise<void> {
    const chosen = folder.value
    if (!chosen) return
    const taken = new Set(ofFolder.value.map(({ file }) => file))
    const stem = fileStem(profile.name, 'profile')
    let name = `${stem}.json`
    for (let count = 2; taken.has(name); count++) name = `${stem}-${count}.json`
    try {
      await writeToFolder(chosen, name, new Blob([profileFile(profile, macros.shelf).content]))
      notices.say(t('library.wasAddedToAs', { name: profile.name, folder: chosen.name, file: name }))
      await readFolder()
    } catch (error) {
      notices.trouble(t('library.theProfileWasNotAddedTheFolder', { message: errorMessage(error) }))
    }
  }

  return { put }
}
