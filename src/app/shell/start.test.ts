import 'fake-indexeddb/auto'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick, ref } from 'vue'
import { createPinia, setActivePinia } from 'pinia'
import brinewatchAsWritten from '../../../demo/on-device/tern-7-slot-1.json'
import { compileProfile } from '../../core/compile/compile'
import { tern7 } from '../../core/device/models/tern-7'
import { shelfOf } from '../../core/document/macro'
import { readProfileFile } from '../../core/files/profile-file'
import { imageChecksum } from '../../core/onboard/format'
import { Library } from '../database/library'
import { LibraryDatabase } from '../database/library-database'
import { useUndoableActions } from '../stores/undoable-actions'
import { useNotifications } from '../stores/notifications'
import { useStorageCare } from '../stores/storage-care'
import { fillLibrary } from './demo'
import { recordLibrary, fillDevices, libraryState } from './start'

const kept = new Map<string, string>()
const store = {
  getItem: (key: string) => kept.get(key) ?? null,
  setItem: (key: string, value: string) => void kept.set(key, value),
}
const fresh = () => new Library(new LibraryDatabase(`start ${Math.random()}`))

beforeEach(() => {
  kept.clear()
  vi.stubGlobal('localStorage', store)
  setActivePinia(createPinia())
})
afterEach(() => vi.unstubAllGlobals())

describe('how a library stands when the application starts', () => {
  it('tells a first visit, a library that is here, and one that was there and is not any more', async () => {
    const first = fresh()
    expect(await libraryState(first, false)).toBe('first visit')
    const fill = vi.fn(() => Promise.resolve())
    await recordLibrary(first, fill)
    await recordLibrary(first, fill)
    expect(fill).toHaveBeenCalledTimes(1)
    expect(await libraryState(first, false)).toBe('here')
    // Cleared by the browser: a note outside the library shows that there was one.
    expect(await libraryState(fresh(), false)).toBe('gone')
  })

  it('takes a device that was written to for a visit before, and a library of an earlier version for one', async () => {
    expect(await libraryState(fresh(), true)).toBe('gone')
    const old = fresh()
    await old.database.marks.put({ key: 'demo', value: true })
    expect(await libraryState(old, false)).toBe('here')
    expect(kept.size).toBe(1)
  })

  it('starts where notes beside the library are forbidden', async () => {
    const refuse = () => {
      throw new Error('forbidden')
    }
    vi.stubGlobal('localStorage', { getItem: refuse, setItem: refuse })
    const library = fresh()
    expect(await libraryState(library, false)).toBe('first visit')
    await recordLibrary(library, () => Promise.resolve())
    expect(await libraryState(library, false)).toBe('here')
  })

  it('is filled whole or not at all', async () => {
    const library = fresh()
    await expect(
      recordLibrary(library, async () => {
        await library.database.profiles.put({
          id: 'p',
          order: 1,
          updatedAt: 1,
          stamp: 1,
          slot: 0,
          document: {},
        })
        throw new Error('full')
      }),
    ).rejects.toThrow('full')
    expect(await library.database.profiles.count()).toBe(0)
    expect(await libraryState(library, false)).toBe('first visit')
  })
})

describe('devices at the first visit', () => {
  it('are filled, the others too where one goes away, and the rest of them by the next page where one was left', async () => {
    const library = fresh()
    await recordLibrary(library, () => Promise.resolve(), ['tern', 'godwit', 'knot', 'dunlin'])
    const filled: string[] = []
    // The page that fills them disappears at the third.
    void fillDevices(library, (id) => {
      filled.push(id)
      if (id === 'godwit') return Promise.reject(new Error('away'))
      return id === 'knot' ? new Promise(() => undefined) : Promise.resolve()
    })
    await vi.waitFor(() => expect(filled).toEqual(['tern', 'godwit', 'knot']))
    const later = vi.fn(() => Promise.resolve())
    await fillDevices(library, later)
    expect(later.mock.calls).toEqual([['knot'], ['dunlin']])
    await fillDevices(library, later)
    expect(later).toHaveBeenCalledTimes(2)
  })
})

describe('the demo', () => {
  it('is on its device as a device would take it, checked and whole', async () => {
    const library = fresh()
    await fillLibrary(library)
    const written = (await library.database.profiles.toArray()).filter(({ written }) => written !== undefined)
    const { profile, macros } = readProfileFile(brinewatchAsWritten)
    const { bytes } = compileProfile(profile, tern7, shelfOf(macros))
    expect(written.map((each) => each.written)).toContain(imageChecksum(bytes))
  })
})

describe('how well the browser keeps it', () => {
  it('is asked once, at the first edit, and only where it is not kept for good already', async () => {
    const persist = vi.fn(() => Promise.resolve(true))
    let granted = false
    vi.stubGlobal('navigator', {
      storage: {
        persist: () => persist().then((yes) => (granted = yes)),
        persisted: () => Promise.resolve(granted),
        estimate: () => Promise.resolve({ usage: 5, quota: 12 }),
      },
    })
    const care = useStorageCare()
    care.firstEdit()
    care.firstEdit()
    await vi.waitFor(() => expect(care.keptForGood).toBe(true))
    expect(persist).toHaveBeenCalledTimes(1)
    expect(care.room).toEqual({ usedBytes: 5, leftBytes: 7 })
  })

  it('is not guessed where the browser does not say', async () => {
    vi.stubGlobal('navigator', { storage: { persisted: () => Promise.reject(new Error('no')) } })
    const care = useStorageCare()
    expect(await care.ask()).toBe(false)
    expect(care.keptForGood).toBeUndefined()
    expect(care.room).toBeUndefined()
  })
})

describe('what was done outside an editor', () => {
  it('is taken back where it was done, the last first, once each', async () => {
    const deeds = useUndoableActions()
    const undone: string[] = []
    const undo = (what: string) => async () => {
      undone.push(what)
      return 'undone' as const
    }
    deeds.say('library', 'A was deleted', undo('a'))
    deeds.say('macros', 'M was deleted', undo('m'))
    deeds.say('library', 'B was renamed', undo('b'))
    // From the notification as well, and then not again by the key.
    useNotifications().current?.action?.act()
    await vi.waitFor(() => expect(undone).toEqual(['b']))
    await deeds.undo('library')
    await deeds.undo('library')
    expect(undone).toEqual(['b', 'a'])
    expect(useNotifications().current?.text).toBe('Undone: A was deleted')
    await deeds.undo('macros')
    expect(undone).toEqual(['b', 'a', 'm'])
  })
})

describe('what is said at the foot', () => {
  it('goes when it is not so any more; what was refused in a view goes with the view', async () => {
    const notices = useNotifications()
    const full = ref(true)
    notices.trouble('No room', undefined, () => full.value)
    notices.left()
    expect(notices.current?.text).toBe('No room')
    full.value = false
    await nextTick()
    expect(notices.current).toBeUndefined()
    notices.refuse('No such layer')
    expect(notices.current?.tone).toBe('trouble')
    notices.left()
    expect(notices.current).toBeUndefined()
    expect(notices.said.map(({ text }) => text)).toEqual(['No room', 'No such layer'])
  })
})
