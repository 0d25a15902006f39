import 'fake-indexeddb/auto'
import { describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import { itemAt } from '../../core/base/items'
import { tern7 } from '../../core/device/models/tern-7'
import { keyAction } from '../../core/text/context'
import { bind, renameProfile } from '../../core/edits/edits'
import { setStep } from '../../core/edits/motion-edits'
import { factoryProfile } from '../../core/terms/profile'
import { MAX_NAME_BYTES } from '../../core/document/schema'
import { changesBetween } from '../../core/edits/changes'
import { Library } from '../database/library'
import { LibraryDatabase } from '../database/library-database'
import { useUndoableActions } from './undoable-actions'
import { editText } from './edit-texts'
import { useEditor } from './editor'
import { useStorageQueue } from './storage-queue'
import { profileFile, useLibrary } from './library'
import { useNotifications } from './notifications'
import { openPage, useFreshPages } from './pages.test-support'
import { useSessions } from './sessions'
import { useQuarantine } from './quarantine'
import { useSavedVersions } from './saved-versions'

const profile = factoryProfile(tern7, 'Brinewatch')
const key = (code: string) => keyAction(code, [])

useFreshPages()

/** The editor with an open profile of the library. */
async function opened() {
  const library = useLibrary()
  await library.library.add(profile, 0, 1, 'p')
  await vi.waitFor(() => expect(library.entry('p')).toBeDefined())
  const editor = useEditor()
  editor.open('p')
  await nextTick()
  const stored = async () => (await library.library.contents()).entries.find(({ id }) => id === 'p')?.profile
  const bound = (code: string) =>
    editor.edit(['bind', { cell: 'Side, front', does: code }], (now) =>
      bind(now, tern7, 0, 'side-front', key(code)),
    )
  const otherTab = new Library(new LibraryDatabase())
  return { library, editor, stored, bound, otherTab, notices: useNotifications() }
}

describe('the editor', () => {
  it('shows an edit at once, stores it, takes it back and makes it again', async () => {
    const { editor, stored, bound } = await opened()
    expect(bound('KeyY')).toBeUndefined()
    const edited = bind(profile, tern7, 0, 'side-front', key('KeyY'))
    expect(editor.profile).toEqual(edited)
    await vi.waitFor(async () => expect(await stored()).toEqual(edited))
    editor.undo()
    await vi.waitFor(() => expect(editor.profile).toEqual(profile))
    expect(await stored()).toEqual(profile)
    editor.redo()
    await vi.waitFor(() => expect(editor.profile).toEqual(edited))
    expect([editor.past.length, editor.future.length]).toEqual([1, 0])
  })

  it('gives the reason for what it refuses, and keeps no trace of it', async () => {
    const { editor } = await opened()
    expect(
      editor.edit(['bind', { cell: 'Left', does: 'KeyY' }], (now) =>
        bind(now, tern7, 0, 'left', key('KeyY')),
      ),
    ).toMatch(/only left click/)
    expect(editor.profile).toEqual(profile)
    expect(editor.past).toEqual([])
    expect(editor.edit(['mirror'], (now) => ({ ...now }))).toBeUndefined()
    expect(editor.past).toEqual([])
  })

  it('takes back a whole drag at once, and two drags one after the other, and stores neither many times', async () => {
    const { editor } = await opened()
    const stored = vi.spyOn(useLibrary().library, 'edit')
    const drag = (dpi: number, gesture: string) =>
      editor.edit(['step-dpi', { step: 1, dpi }], (now) => setStep(now, tern7, 0, { dpi }), gesture)
    for (const dpi of [450, 500, 550, 600]) drag(dpi, 'first')
    for (const dpi of [650, 700]) drag(dpi, 'second')
    expect(editor.past.length).toBe(2)
    await vi.waitFor(() => expect(itemAt(editor.entry?.profile.steps, 0).dpi).toBe(700))
    // The start and the end of each gesture.
    expect(stored.mock.calls.length).toBeLessThanOrEqual(4)
    editor.undo()
    await vi.waitFor(() => expect(itemAt(editor.profile?.steps, 0).dpi).toBe(600))
    editor.undo()
    await vi.waitFor(() => expect(editor.profile).toEqual(profile))
  })

  it('drops what could be done again when something else is done', async () => {
    const { editor, bound } = await opened()
    bound('KeyA')
    await vi.waitFor(() => expect(editor.entry?.profile).toEqual(editor.profile))
    editor.undo()
    await vi.waitFor(() => expect(editor.profile).toEqual(profile))
    expect(editor.future.length).toBe(1)
    bound('KeyB')
    expect(editor.future).toEqual([])
  })

  it('takes up what another tab stored, and does not undo over it', async () => {
    const { editor, bound, notices, otherTab } = await opened()
    bound('KeyA')
    await vi.waitFor(() => expect(editor.entry?.profile).toEqual(editor.profile))
    await vi.waitFor(() => expect(useStorageQueue().count).toBe(0))
    const before = editor.profile ?? profile
    const elsewhere = renameProfile(bind(before, tern7, 0, 'side-front', key('KeyZ')), 'Elsewhere')
    await otherTab.edit('p', changesBetween(before, elsewhere), 5)
    await vi.waitFor(() => expect(editor.profile).toEqual(elsewhere))
    editor.undo()
    await vi.waitFor(() =>
      expect(notices.current?.text).toMatch(
        /“set Side, front to KeyA” was not undone: .* changed in another tab/,
      ),
    )
    expect(editor.profile).toEqual(elsewhere)
    expect([editor.past, editor.future]).toEqual([[], []])
  })

  it('says what happened when the open profile is deleted elsewhere', async () => {
    const { editor, bound, notices, otherTab } = await opened()
    await otherTab.remove(['p'])
    bound('KeyY')
    await vi.waitFor(() => expect(notices.current?.text).toMatch(/deleted in another tab/))
    expect(editor.profile).toBeUndefined()
    // The state in this tab, with its last edit, can be stored again.
    expect(notices.current?.action?.label).toBe('Save it again')
    notices.current?.action?.act()
    await vi.waitFor(() => expect(editor.profile).toEqual(bind(profile, tern7, 0, 'side-front', key('KeyY'))))
    expect(await useLibrary().binned()).toEqual([])
  })

  it('takes back after a reload what was done before it', async () => {
    const { editor, bound, stored } = await opened()
    bound('KeyA')
    editor.edit(['rename'], (now) => renameProfile(now, 'Deep'))
    await vi.waitFor(async () => expect((await stored())?.name).toBe('Deep'))
    await vi.waitFor(() => expect(useStorageQueue().count).toBe(0))
    openPage()
    const again = useEditor()
    again.open('p')
    await vi.waitFor(() =>
      expect(again.past.map(({ label }) => editText(label))).toEqual(['set Side, front to KeyA', 'rename']),
    )
    await vi.waitFor(() => expect(again.profile?.name).toBe('Deep'))
    again.undo()
    again.undo()
    await vi.waitFor(() => expect(again.profile).toEqual(profile))
  })
})

describe('storage that refuses', () => {
  /** Refuses every write until told otherwise. */
  function refuse() {
    return vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('no room', 'QuotaExceededError')
    })
  }

  it('costs no edit: they wait in order, are part of the profile everywhere, and are stored when it can be', async () => {
    const { library, editor, stored, bound } = await opened()
    const keeping = useStorageQueue()
    const full = refuse()
    bound('KeyY')
    editor.edit(['rename'], (now) => renameProfile(now, 'Deep'))
    library.setSlot('p', 3)
    await vi.waitFor(() => expect(editor.unsaved).toBe(true))
    expect(keeping.trouble).toMatch(/the storage is full.*3 changes to “Brinewatch”.*only in this tab/)
    const edited = renameProfile(bind(profile, tern7, 0, 'side-front', key('KeyY')), 'Deep')
    expect(editor.profile).toEqual(edited)
    expect(library.entry('p')).toMatchObject({ slot: 3, profile: edited })
    expect(JSON.parse(profileFile(editor.profile ?? profile).content)).toEqual(edited)
    // Another profile is opened and closed.
    editor.open('somebody else')
    editor.open('p')
    expect(editor.profile).toEqual(edited)
    editor.undo()
    expect(editor.profile).toEqual(bind(profile, tern7, 0, 'side-front', key('KeyY')))
    editor.redo()
    expect(await stored()).toEqual(profile)
    full.mockRestore()
    await keeping.tryAgain()
    await vi.waitFor(() => expect(keeping.count).toBe(0))
    expect([keeping.trouble, editor.unsaved]).toEqual([undefined, false])
    expect(await stored()).toEqual(edited)
    expect(itemAt((await library.library.contents()).entries, 0).slot).toBe(3)
    expect(useNotifications().current?.text).toMatch(/All changes are saved now/)
  })

  it('puts what waited onto what another tab has stored meanwhile, and tells where they meet', async () => {
    const { editor, stored, bound, otherTab, notices } = await opened()
    const keeping = useStorageQueue()
    const full = refuse()
    bound('KeyY')
    editor.edit(['rename'], (now) => renameProfile(now, 'Deep'))
    editor.edit(['step-dpi', { step: 2, dpi: 900 }], (now) => setStep(now, tern7, 1, { dpi: 900 }))
    await vi.waitFor(() => expect(keeping.refused.size).toBe(1))
    full.mockRestore()
    const theirs = setStep(renameProfile(profile, 'Elsewhere'), tern7, 0, { dpi: 450 })
    await otherTab.edit('p', changesBetween(profile, theirs), 5)
    await vi.waitFor(() => expect(itemAt(editor.profile?.steps, 0).dpi).toBe(450))
    await keeping.tryAgain()
    await vi.waitFor(() => expect(keeping.count).toBe(0))
    const both = setStep(bind(theirs, tern7, 0, 'side-front', key('KeyY')), tern7, 1, { dpi: 900 })
    expect(await stored()).toEqual(both)
    expect(editor.profile).toEqual(both)
    expect(notices.said.map(({ text }) => text).join()).toMatch(
      /“rename” was not saved: the same setting was changed in another tab/,
    )
    expect(editor.past.map(({ label }) => editText(label))).toEqual([
      'set Side, front to KeyY',
      'set step 2 to 900 DPI',
    ])
  })

  it('saves the version of the day once it can, as it was before the first edit', async () => {
    const { editor, stored, bound } = await opened()
    const states = useSavedVersions()
    const full = vi.spyOn(IDBObjectStore.prototype, 'add').mockImplementation(() => {
      throw new DOMException('no room', 'QuotaExceededError')
    })
    bound('KeyA')
    await vi.waitFor(async () => expect(await stored()).toEqual(editor.profile))
    expect(await states.of('p')).toEqual([])
    full.mockRestore()
    bound('KeyB')
    await vi.waitFor(async () =>
      expect(await states.of('p')).toMatchObject([{ why: 'day', document: profile }]),
    )
  })

  it('keeps a session that was logged', async () => {
    const sessions = useSessions()
    const full = refuse()
    vi.spyOn(IDBObjectStore.prototype, 'add').mockImplementation(() => {
      throw new DOMException('no room', 'QuotaExceededError')
    })
    const log = {
      name: 'Salvage',
      startedAt: 7,
      durationMs: 1000,
      sliceMs: 1000,
      actions: [3],
      counts: [800],
      clicks: {},
      keys: { KeyY: 3 },
      dpi: 800,
    }
    void sessions.keep(log)
    await vi.waitFor(() => expect(useStorageQueue().trouble).toMatch(/“Salvage”/))
    expect(sessions.list.map((each) => each.log)).toEqual([log])
    full.mockRestore()
    vi.restoreAllMocks()
    await useStorageQueue().tryAgain()
    await vi.waitFor(async () => expect((await sessions.table.all()).kept.length).toBe(1))
  })
})

describe('records that cannot be read', () => {
  it('are named, whatever the table, and a profile that has lost its place is shown at the end', async () => {
    const { library } = await opened()
    const { database } = library.library
    const raw = (table: string) => database.table<object, string>(table)
    await raw('profiles').put({ id: 'lost', document: renameProfile(profile, 'Lost') })
    await raw('profiles').put({ id: 'broken', stamp: 4, order: 'x', document: { name: 'Torn' } })
    await raw('macros').put({ id: 'm', document: 7 })
    await raw('sessions').put({ id: 's', startedAt: null, document: { name: 'Dive' } })
    const quarantined = useQuarantine()
    await vi.waitFor(() => expect(quarantined.list.length).toBe(3))
    expect(library.entries.map(({ profile: { name } }) => name)).toEqual(['Brinewatch', 'Lost'])
    expect(quarantined.list.map(({ table, name }) => `${table} ${name}`).sort()).toEqual([
      'macros Unnamed record',
      'profiles Torn',
      'sessions Dive',
    ])
    // The same after a reload, when nothing is known yet.
    openPage()
    await vi.waitFor(() => expect(useQuarantine().list.length).toBe(3))
    const torn = useQuarantine().list.find(({ name }) => name === 'Torn')
    if (torn) await useQuarantine().discard(torn)
    await vi.waitFor(() => expect(useQuarantine().list.length).toBe(2))
    await useUndoableActions().undo('library')
    await vi.waitFor(() => expect(useQuarantine().list.length).toBe(3))
  })
})

describe('the library store', () => {
  it('says that an older tab keeps it from being opened, until that has gone', async () => {
    // A tab of an earlier version, which does not close by itself.
    const older = await new Promise<IDBDatabase>((resolve) => {
      const request = indexedDB.open('unisera-library', 10)
      request.onupgradeneeded = () => {
        request.result.createObjectStore('profiles', { keyPath: 'id' }).createIndex('order', 'order')
        request.result.createObjectStore('marks', { keyPath: 'key' })
      }
      request.onsuccess = () => resolve(request.result)
    })
    const library = useLibrary()
    await vi.waitFor(() => expect(library.blocked).toBe(true))
    older.close()
    await vi.waitFor(() => expect(library.blocked).toBe(false))
    await vi.waitFor(() => expect(library.complete).toBe(true))
  })

  it('gives every copy a name of its own that still fits the device', async () => {
    const { library } = await opened()
    const long = 'ü'.repeat(30)
    const COPY_LETTERS = Math.min(30, Math.floor((MAX_NAME_BYTES - 9) / 2))
    await library.library.add(renameProfile(profile, long), 0, 1, 'long')
    await vi.waitFor(() => expect(library.entries.length).toBe(2))
    for (const id of ['p', 'long', 'p']) {
      const source = library.entry(id)
      const count = library.entries.length
      if (source) await library.duplicate(source)
      await vi.waitFor(() => expect(library.entries.length).toBe(count + 1))
    }
    const names = library.entries.map((entry) => entry.profile.name)
    expect(names).toEqual([
      'Brinewatch',
      long,
      'Brinewatch copy',
      `${'ü'.repeat(COPY_LETTERS)} copy`,
      'Brinewatch copy 2',
    ])
  })

  it('deletes with a way back', async () => {
    const { library, notices } = await opened()
    await library.remove({ id: 'p', name: 'Brinewatch' })
    await vi.waitFor(() => expect(library.entries).toEqual([]))
    expect(notices.current?.action?.label).toBe('Undo')
    notices.current?.action?.act()
    await vi.waitFor(() => expect(library.entry('p')?.profile).toEqual(profile))
  })

  it('names files after their profiles, whatever the name', () => {
    expect(profileFile(renameProfile(profile, 'Gantry Run')).name).toBe('gantry-run.json')
    expect(profileFile(renameProfile(profile, '../../ Tüte / x')).name).toBe('tüte-x.json')
    expect(profileFile(renameProfile(profile, '///')).name).toBe('profile.json')
    expect(JSON.parse(profileFile(profile).content)).toEqual(profile)
  })
})
