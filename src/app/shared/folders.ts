import { shallowRef } from 'vue'
import type { LibraryDatabase } from '../database/library-database'
import { useLibrary } from '../stores/library'

/** A folder the person chose, by what it is for. The browser asks again before it is read after a while. */
export interface ChosenFolder {
  name: string
  handle: FileSystemDirectoryHandle
  /** Whether it may be written to without being asked for. */
  open: boolean
}

/** Not every browser lets a page have a folder. */
const foldersAreHere = (): boolean => 'showDirectoryPicker' in window

const keyOf = (what: string) => `folder ${what}`

/** @returns the folder, or undefined where the person chose none */
async function pickFolder(database: LibraryDatabase, what: string): Promise<ChosenFolder | undefined> {
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

/** The folder that was chosen before, if any. */
async function knownFolder(database: LibraryDatabase, what: string): Promise<ChosenFolder | undefined> {
  const handle = (await database.marks.get(keyOf(what)))?.value
  if (!(handle instanceof FileSystemDirectoryHandle)) return undefined
  const state = (await handle.queryPermission?.({ mode: 'readwrite' })) ?? 'granted'
  return { name: handle.name, handle, open: state === 'granted' }
}

/** Asks for a folder again that was chosen before. @returns whether it may be used now */
async function reopen({ handle }: ChosenFolder): Promise<boolean> {
  const state = (await handle.requestPermission?.({ mode: 'readwrite' })) ?? 'granted'
  return state === 'granted'
}

async function forgetFolder(database: LibraryDatabase, what: string): Promise<void> {
  await database.marks.delete(keyOf(what))
}

/** The folder chosen for one purpose: looked up, chosen, opened again, left. @param opened done whenever it may be used */
export function useFolder(what: string, opened: (how: 'chosen' | 'again') => Promise<void>) {
  const library = useLibrary()
  const { database } = library.library
  const folder = shallowRef<ChosenFolder>()

  /** The one of an earlier visit. */
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

/** Files of a folder whose names end so, at most so many. */
export async function filesIn({ handle }: ChosenFolder, ending: RegExp, most: number): Promise<File[]> {
  const files: File[] = []
  for await (const entry of handle.values()) {
    if (files.length >= most) break
    if (entry.kind === 'file' && ending.test(entry.name)) files.push(await entry.getFile())
  }
  return files
}

/** Writes a file whole: what stood there stays until all of it is. */
export async function writeInto({ handle }: ChosenFolder, name: string, content: Blob): Promise<void> {
  const file = await handle.getFileHandle(name, { create: true })
  const stream = await file.createWritable()
  await stream.write(content)
  await stream.close()
}
