import 'fake-indexeddb/auto'
import { describe, expect, it, vi } from 'vitest'
import { itemAt } from '../../core/base/items'
import { tern7 } from '../../core/device/models/tern-7'
import { bind } from '../../core/edits/edits'
import { emptyMacro, type Macro } from '../../core/document/macro'
import { setDelay } from '../../core/edits/macro-edits'
import { newPalette } from '../../core/document/palette'
import { factoryProfile } from '../../core/terms/profile'
import { emptySession } from '../../core/document/session-log'
import { readWholeLibrary } from '../library/backup-file'
import { useProfileFiles } from '../library/profile-files'
import { useAppRules } from './app-rules'
import { useUndoableActions, type ActionPlace } from './undoable-actions'
import { useStorageQueue } from './storage-queue'
import { useLibrary } from './library'
import { useMacroEditor } from './macro-editor'
import { useMacros } from './macros'
import { useNotifications } from './notifications'
import { openPage, useFreshPages } from './pages.test-support'
import { usePalettes } from './palettes'
import { useSessions } from './sessions'

const sweep: Macro = {
  ...emptyMacro('sweep', 'Sweep'),
  events: [{ kind: 'key', code: 'KeyS', does: 'press', afterMs: 40 }],
}

useFreshPages()

/** Makes storage refuse writes to some tables, like a full disk. @returns a function that makes room again */
function fillDisk(...tables: string[]): () => void {
  const own = IDBObjectStore.prototype.put
  const refuse = vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(function (
    this: IDBObjectStore,
    ...row
  ) {
    if (tables.length > 0 && !tables.includes(this.name)) return own.apply(this, row)
    throw new DOMException('no room', 'QuotaExceededError')
  })
  return () => refuse.mockRestore()
}

/** For each kind: how to add one, delete the first, and list the stored names. */
const kinds: Record<
  string,
  [ActionPlace, () => { add(): Promise<unknown>; remove(): Promise<unknown>; names(): string[] }]
> = {
  macros: [
    'macros',
    () => {
      const macros = useMacros()
      return {
        add: () => macros.create('Sweep'),
        remove: () => macros.remove(itemAt(macros.list, 0)),
        names: () => macros.list.map(({ name }) => name),
      }
    },
  ],
  sessions: [
    'measure',
    () => {
      const sessions = useSessions()
      return {
        add: () => sessions.keep({ ...emptySession(1, 800), name: 'Sweep' }),
        remove: () => sessions.remove(itemAt(sessions.list, 0)),
        names: () => sessions.list.map(({ log }) => log.name),
      }
    },
  ],
  palettes: [
    'library',
    () => {
      const palettes = usePalettes()
      return {
        add: () => palettes.add(newPalette('Sweep', ['#112233'])),
        remove: () => palettes.remove(itemAt(palettes.kept, 0)),
        names: () => palettes.kept.map(({ name }) => name),
      }
    },
  ],
  'app rules': [
    'devices',
    () => {
      const store = useAppRules()
      const rule = { program: 'Sweep', by: 'name', use: [{ device: 'tern-7', slot: 1 }] } as const
      return {
        add: () => store.change('added', (rules) => ({ ...rules, rules: [{ ...rule, use: [...rule.use] }] })),
        remove: () => store.change('removed', (rules) => ({ ...rules, rules: [] })),
        names: () => store.rules?.rules.map(({ program }) => program) ?? [],
      }
    },
  ],
}

describe('when storage refuses', () => {
  for (const [kind, [place, use]] of Object.entries(kinds))
    it(`an undo of deleted ${kind} waits, is not called done, and is stored when there is room`, async () => {
      const { add, remove, names } = use()
      const [deeds, keeping, notices] = [useUndoableActions(), useStorageQueue(), useNotifications()]
      await add()
      await vi.waitFor(() => expect(names()).toEqual(['Sweep']))
      await remove()
      await vi.waitFor(() => expect(names()).toEqual([]))
      const done = deeds.done.get(place)?.length
      const makeRoom = fillDisk()
      const undone = deeds.undo(place)
      await vi.waitFor(() => expect(keeping.trouble).toContain('cannot save'))
      expect(notices.said.map(({ text }) => text).filter((text) => text.startsWith('Undone'))).toEqual([])
      expect(deeds.done.get(place)).toHaveLength(done ?? NaN)
      makeRoom()
      await deeds.undo(place)
      await undone
      await vi.waitFor(() => expect(names()).toEqual(['Sweep']))
      openPage()
      const { names: stored } = use()
      await vi.waitFor(() => expect(stored()).toEqual(['Sweep']))
    })

  it('edits of a macro wait in order and can be undone before and after they are stored', async () => {
    const macros = useMacros()
    await macros.bring([sweep])
    await vi.waitFor(() => expect(macros.list).toHaveLength(1))
    const [editor, keeping] = [useMacroEditor(), useStorageQueue()]
    editor.open('sweep')
    await vi.waitFor(() => expect(editor.macro).toBeDefined())
    const makeRoom = fillDisk()
    for (const ms of [41, 42, 43])
      editor.editEvents(['delay', { event: 1 }], (events) => setDelay(events, 0, ms))
    await vi.waitFor(() => expect(keeping.trouble).toContain('“Sweep”'))
    editor.undo()
    const delay = () => itemAt(editor.macro?.events, 0).afterMs
    expect(delay()).toBe(42)
    makeRoom()
    await keeping.tryAgain()
    await vi.waitFor(async () =>
      expect(itemAt(itemAt((await macros.stored.contents()).macros, 0).events, 0).afterMs).toBe(42),
    )
    editor.undo()
    expect(delay()).toBe(41)
    await vi.waitFor(() => expect(keeping.count).toBe(0))
  })

  it('a profile and the macros it plays are imported together or not at all, and undone likewise', async () => {
    const [library, macros, deeds, notices] = [
      useLibrary(),
      useMacros(),
      useUndoableActions(),
      useNotifications(),
    ]
    await vi.waitFor(() => expect(library.complete && macros.complete).toBe(true))
    const plays = { kind: 'macro', macro: 'sweep', play: 'once', gapMs: 0, again: 'ignore', others: 'go-on' }
    const profile = bind(factoryProfile(tern7, 'Deep'), tern7, 0, 'side-front', plays as never)
    const file = { profile, macros: [sweep] }
    const held = async () => {
      const { profiles, macros: rows } = library.library.database
      return [await profiles.count(), await rows.count()]
    }
    const { bring } = useProfileFiles()
    const makeRoom = fillDisk('profiles')
    await bring('deep.json', file)
    expect(notices.current?.text).toContain('Nothing was changed')
    expect(await held()).toEqual([0, 0])
    makeRoom()
    await bring('deep.json', file)
    expect(await held()).toEqual([1, 1])
    const room = fillDisk('bin')
    const undone = deeds.undo('library')
    await vi.waitFor(() => expect(useStorageQueue().trouble).toBeDefined())
    expect(await held()).toEqual([1, 1])
    expect(library.entries.map((entry) => entry.profile.name)).toEqual(['Deep'])
    room()
    await deeds.undo('library')
    await undone
    expect(await held()).toEqual([0, 0])
  })
})

describe('a backup', () => {
  it('has everything that is stored, also what this tab has not read yet', async () => {
    const library = useLibrary()
    const { database } = library.library
    const row = (index: number) => ({
      ...{ id: `p${index}`, order: index, slot: 0, stamp: 1, updatedAt: 1 },
      document: factoryProfile(tern7, `Deep ${index}`),
    })
    await database.profiles.bulkPut(Array.from({ length: 300 }, (_, index) => row(index)))
    await useMacros().stored.put([sweep], 1)
    openPage()
    const whole = await readWholeLibrary()
    expect([whole.profiles.length, whole.macros.length]).toEqual([300, 1])
  })
})
