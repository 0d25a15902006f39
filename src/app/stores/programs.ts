import { t, textOf } from '../../messages/page'
import { defineStore } from 'pinia'
import { computed } from 'vue'
import { cleanName } from '../../core/base/names'
import { changesBetween, reverseChanges, type Change } from '../../core/edits/changes'
import { refreshCommands, refreshMacroCommands } from '../../core/edits/commands'
import { parseProgram } from '../../core/document/program-schema'
import { emptyProgram, MAX_PROGRAM_NAME_BYTES, programShelf, type Program } from '../../core/document/program'
import { ProfileError } from '../../core/base/errors'
import { macroChanges } from '../database/macro-library'
import { nextStamp } from '../database/documents'
import type { StoredDocument } from '../database/library-database'
import { useUndoableActions } from './undoable-actions'
import { useStorageQueue } from './storage-queue'
import { unusedName, useLibrary } from './library'
import { useMacros } from './macros'
import { usePreferences } from './preferences'
import { liveTable } from './live-table'

/** Changes of some documents that are stored and undone together. */
interface CommonChanges {
  program: Change[]
  profiles: { id: string; changes: Change[] }[]
  macros: { id: string; changes: Change[] }[]
}

/** Programs and their commands, in sync between all tabs. Profiles and macros follow each change of a command. */
export const usePrograms = defineStore('programs', () => {
  const library = useLibrary()
  const macros = useMacros()
  const deeds = useUndoableActions()
  const keeping = useStorageQueue()
  const preferences = usePreferences()
  const { table, stored, kept, quarantined, refresh, readAll } = liveTable<StoredDocument, Program>(
    ({ programs }) => programs,
    {
      table: 'programs',
      index: 'updatedAt',
      parse: parseProgram,
      order: (a, b) => a.document.name.localeCompare(b.document.name),
    },
    (message) => t('stores.programsCannotBeRead', { message }),
  )
  const list = computed(() => kept.value.map(({ document }) => document))
  const shelf = computed(() => programShelf(list.value))

  const freeName = (wanted: string) =>
    unusedName(new Set(list.value.map(({ name }) => name)), wanted, MAX_PROGRAM_NAME_BYTES)

  const rowOf = (document: Program): StoredDocument => {
    const now = Date.now()
    return {
      id: document.id,
      stamp: nextStamp(table.of(document.id)?.row ?? {}, now),
      updatedAt: now,
      document,
    }
  }

  /** Adds a program. If another one has its name, it gets a number. @returns its id, or undefined if it was not stored */
  async function add(program: Program): Promise<string | undefined> {
    const id = shelf.value.has(program.id) ? crypto.randomUUID() : program.id
    const named = { ...program, id, name: freeName(program.name) }
    const done = await library.attempt(async () => {
      await table.put([rowOf(named)], [named])
      return true
    })
    if (!done) return undefined
    refresh()
    deeds.sayStored('programs', t('stores.programWasAdded', { name: named.name }), async () => {
      await table.remove(id)
      refresh()
    })
    return id
  }

  const create = (name: string) =>
    add(
      emptyProgram(
        crypto.randomUUID(),
        cleanName(name, MAX_PROGRAM_NAME_BYTES, t('stores.newProgram')),
        preferences.computer.layout,
      ),
    )

  async function remove({ id, name }: Program): Promise<void> {
    const row = await library.attempt(() => table.remove(id))
    if (!row) return
    refresh()
    deeds.sayStored('programs', t('stores.wasDeleted', { name }), async () => {
      await table.put([{ ...row, stamp: nextStamp(row, Date.now()) }])
      refresh()
    })
  }

  /**
   * Changes a program; profiles and macros that refer to its commands follow, in one transaction and one undo step.
   *
   * @param text the change, as a sentence without its full stop
   * @returns why it is refused, or undefined if it was made
   */
  async function change(
    id: string,
    text: string,
    act: (program: Program) => Program,
  ): Promise<string | undefined> {
    const before = shelf.value.get(id)
    if (!before) return undefined
    try {
      const after = parseProgram(act(before))
      const changes = changesBetween(before, after)
      if (changes.length === 0) return undefined
      const common = { program: changes, ...followersOf(after) }
      const followers = common.profiles.length + common.macros.length
      const said = followers === 0 ? text : t('stores.programChangeFollowed', { text, count: followers })
      const place = `programs ${id}`
      const stored = await keeping.store(place, said, () => store(id, common))
      if (stored === 'stored') deeds.sayStored('programs', said, () => store(id, reversed(common)), place)
      return undefined
    } catch (error) {
      if (error instanceof ProfileError) return textOf(error.problems[0] ?? '')
      throw error
    }
  }

  /** The changes by which all profiles and macros follow a program. */
  function followersOf(program: Program): Pick<CommonChanges, 'profiles' | 'macros'> {
    const programs = new Map(shelf.value).set(program.id, program)
    return {
      profiles: library.entries.flatMap(({ id, profile }) => {
        const changes = changesBetween(profile, refreshCommands(profile, programs))
        return changes.length > 0 ? [{ id, changes }] : []
      }),
      macros: macros.list.flatMap((macro) => {
        const changes = macroChanges(macro, refreshMacroCommands(macro, programs))
        return changes.length > 0 ? [{ id: macro.id, changes }] : []
      }),
    }
  }

  const reversed = ({ program, profiles, macros: followed }: CommonChanges): CommonChanges => {
    const back = ({ id, changes }: { id: string; changes: Change[] }) => ({
      id,
      changes: reverseChanges(changes),
    })
    return { program: reverseChanges(program), profiles: profiles.map(back), macros: followed.map(back) }
  }

  async function store(id: string, { program, profiles, macros: followed }: CommonChanges): Promise<void> {
    const now = Date.now()
    await library.library.together(async () => {
      await table.edit(id, { changes: program }, now)
      for (const each of profiles) await library.library.edit(each.id, each.changes, now)
      for (const each of followed) await macros.stored.table.edit(each.id, { changes: each.changes }, now)
    })
    refresh()
    library.refresh()
    macros.refresh()
  }

  return { table, readAll, list, shelf, quarantined, stored, add, create, remove, change }
})
