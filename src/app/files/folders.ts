import { shallowRef } from 'vue'
import type { LibraryDatabase } from '../database/library-database'
import { useLibrary } from '../stores/library'

/** A folder that the person selected, by its purpose. After a while, browsers ask again before it is read. */
export interface SelectedFolder {
  name: string
  handle: FileSystemDirectoryHandle
  /** Whether writing is allowed without asking. */
  open: boolean
}

/** Not every browser supports folders. */
const foldersAreHere = (): boolean => 'showDirectoryPicker' in window

const keyOf = (what: string) => `folder ${what}`

/** @returns the folder, or undefined if none was selected */
async function pickFolder(database: LibraryDatabase, what: string): Promise<SelectedFolder | undefined> {
  try {
    const handle = await window.showDirectoryPicker?.({
      id: `unisera-${what}`,
      mode: 'readwrite',
    })
    if (!handle) return undefined
    await database.marks.put({ key: keyOf(what), value: handle })
    return { name: handle.name, handle, open: true }
  } catch (error) {
    if (error instanceof DOMException && error.name === 'AbortError') return undefined
    throw error
  }
}

/** The folder selected before, if any. */
async function knownFolder(database: LibraryDatabase, what: string): Promise<SelectedFolder | undefined> {
  const handle = (await database.marks.get(keyOf(what)))?.value
  if (!(handle instanceof FileSystemDirectoryHandle)) return undefined
  const state = (await handle.queryPermission?.({ mode: 'readwrite' })) ?? 'granted'
  return { name: handle.name, handle, open: state === 'granted' }
}

/** Asks again for access to a folder. @returns whether it is allowed */
async function reopen({ handle }: SelectedFolder): Promise<boolean> {
  const state = (await handle.requestPermission?.({ mode: 'readwrite' })) ?? 'granted'
  return state === 'granted'
}

async function forgetFolder(database: LibraryDatabase, what: string): Promise<void> {
  await database.marks.delete(keyOf(what))
}

/**
 * The folder for one purpose: find, select, grant access again, stop using it. @param opened called whenever it is
 * accessible
 */
export function useFolder(what: string, opened: (how: 'chosen' | 'again') => Promise<void>) {
  const library = useLibrary()
  const { database } = library.library
  const folder = shallowRef<SelectedFolder>()

  /** The folder of an earlier visit. */
  async function look(): Promise<void> {
    folder.value = await library.attempt(() => knownFolder(database, what))
  }

  async function choose(): Promise<void> {
    const chosen = await pickFolder(database, what)
    if (!chosen) return
    folder.value = chosen
    await opened('chosen')
  }

  async function open(): Promise<void> {
    const known = folder.value
    if (!known) return
    folder.value = { ...known, open: await reopen(known) }
    await opened('again')
  }

  async function leave(): Promise<void> {
    await forgetFolder(database, what)
    folder.value = undefined
  }

  return { folder, canChoose: foldersAreHere(), look, choose, open, leave }
}

/** Files of a folder with one of these endings, up to a maximum number. */
export async function listFiles({ handle }: SelectedFolder, ending: RegExp, max: number): Promise<File[]> {
  const files: File[] = []
  for await (const entry of handle.values()) {
    if (files.length >= max) break
    if (entry.kind === 'file' && ending.test(entry.name)) files.push(await entry.getFile())
  }
  return files
}

/** Writes a whole file: the old one stays until the new one is complete. */
export async function writeToFolder({ handle }: SelectedFolder, name: string, content: Blob): Promise<void> {
  const file = await handle.getFileHandle(name, { create: true })
  const stream = await file.createWritable()
  await stream.write(content)
  await stream.close()
}
