import { computed, onMounted, shallowRef } from 'vue'
import { fileStem } from '../../core/base/names'
import type { ProfileFile } from '../../core/files/profile-file'
import { matchesFilter } from '../../core/find/match'
import { filesIn, useFolder, writeInto, type ChosenFolder } from '../shared/folders'
import { useReading } from '../shared/reading'
import { profileFile } from '../stores/library'
import { useMacros } from '../stores/macros'
import { messageOf, useNotices } from '../stores/notices'
import { searchText } from '../../core/find/search-text'
import type { LibraryEntry } from '../database/library'

/** A profile on the shelf, or why the file that should be one is none. */
export interface Shelved {
  file: string
  from: 'shipped' | 'folder'
  found?: ProfileFile
  problem?: string
}

/** What comes with Unisera; each is a file like any other, and read like one. */
const SHIPPED = import.meta.glob<string>('../../../demo/shelf/*.json', { query: '?raw', import: 'default' })
const MOST_FILES = 300

/** Reads a file as what it should be; one after the other, each in a worker that is ended when it is read. */
function useShelfReading() {
  const { read } = useReading('profile')

  async function shelved(file: File, from: Shelved['from']): Promise<Shelved> {
    const found = await read(file)
    return found?.kind === 'profile'
      ? { file: file.name, from, found: found.file }
      : { file: file.name, from, problem: 'it is no profile, or cannot be read' }
  }

  return { shelved }
}

/** Profiles that others shared as files: those that ship, and a folder of the person's own choice. */
export function useShelf() {
  const macros = useMacros()
  const notices = useNotices()
  const { shelved } = useShelfReading()
  const shipped = shallowRef<readonly Shelved[]>([])
  const ofFolder = shallowRef<readonly Shelved[]>([])
  const { folder, canChoose, look, choose, open, ...known } = useFolder('shelf', () => readFolder())
  const wanted = shallowRef('')

  async function readShipped(): Promise<void> {
    const read: Shelved[] = []
    for (const [path, load] of Object.entries(SHIPPED)) {
      read.push(await shelved(new File([await load()], path.replace(/^.*\//, '')), 'shipped'))
      shipped.value = [...read]
    }
  }

  async function readFolder(): Promise<void> {
    const chosen = folder.value
    if (!chosen?.open) return
    try {
      const read: Shelved[] = []
      for (const file of await filesIn(chosen, /\.(json|png|svg)$/i, MOST_FILES))
        read.push(await shelved(file, 'folder'))
      ofFolder.value = read
    } catch (error) {
      notices.trouble(`The folder “${chosen.name}” cannot be read: ${messageOf(error)}.`)
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
      matchesFilter(wanted.value, [file, found ? searchText(found.profile, macros.shelf) : '']),
    ),
  )

  const { put } = usePutting(folder, ofFolder, readFolder)

  return { shown, wanted, folder, canChoose, choose, open, leave, put }
}

/** Puts profiles of the library into the folder. */
function usePutting(
  folder: { readonly value: ChosenFolder | undefined },
  ofFolder: { readonly value: readonly Shelved[] },
  readFolder: () => Promise<void>,
) {
  const macros = useMacros()
  const notices = useNotices()

  /** Puts a profile of the library into the folder, beside what is there. */
  async function put({ profile }: LibraryEntry): Promise<void> {
    const chosen = folder.value
    if (!chosen) return
    const taken = new Set(ofFolder.value.map(({ file }) => file))
    const stem = fileStem(profile.name, 'profile')
    let name = `${stem}.json`
    for (let count = 2; taken.has(name); count++) name = `${stem}-${count}.json`
    try {
      await writeInto(chosen, name, new Blob([profileFile(profile, macros.shelf).content]))
      notices.say(`“${profile.name}” is in ${chosen.name} now, as ${name}`)
      await readFolder()
    } catch (error) {
      notices.trouble(`It was not put there: ${messageOf(error)}. The folder is as it was.`)
    }
  }

  return { put }
}
