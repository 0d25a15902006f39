import 'fake-indexeddb/auto'
import { describe, expect, it, vi } from 'vitest'
import { itemAt } from '../../core/base/items'
import { tern7 } from '../../core/device/models/tern-7'
import type { Command, Program } from '../../core/document/program'
import { emptyProgram } from '../../core/document/program'
import type { Action, Profile } from '../../core/document/schema'
import { bind } from '../../core/edits/edits'
import { commandAction } from '../../core/terms/commands'
import { factoryProfile } from '../../core/terms/profile'
import { useLibrary } from './library'
import { useMacros } from './macros'
import { useNotifications } from './notifications'
import { useFreshPages } from './pages.test-support'
import { usePrograms } from './programs'
import { useUndoableActions } from './undoable-actions'

/** A program in the library, and the documents that follow it. */

useFreshPages()

const US = { system: 'windows', layout: 'us' } as const
const vent: Command = {
  id: 'vent',
  name: 'Vent tanks',
  keys: [{ kind: 'key', code: 'KeyV', modifiers: [] }],
  use: 'press',
  importance: 3,
}
const brinewatch: Program = { ...emptyProgram('brinewatch', 'Brinewatch'), commands: [vent] }
const onKey =
  (code: string) =>
  (program: Program): Program => ({
    ...program,
    commands: [{ ...vent, keys: [{ kind: 'key', code, modifiers: [] }] }],
  })

/** Two profiles and a macro that perform the command, and a profile that does not. */
async function fill() {
  const [library, macros, programs] = [useLibrary(), useMacros(), usePrograms()]
  await programs.add(brinewatch)
  const does = commandAction(brinewatch, vent, US)
  const named = (name: string, action?: Action): Profile => {
    const profile = factoryProfile(tern7, name, US)
    return action ? bind(profile, tern7, 0, 'side-front', action) : profile
  }
  await library.library.add(named('Salvage', does), 0, 1, 'a')
  const hold: Action = {
    kind: 'tap-hold',
    tap: { kind: 'off' },
    hold: does,
    thresholdMs: 200,
    decide: 'time',
  }
  await library.library.add(named('Wreck', hold), 1, 1, 'b')
  await library.library.add(named('Harbour'), 2, 1, 'c')
  const macro = await macros.create('Dive', [{ ...does, kind: 'command', afterMs: 0 }])
  await vi.waitFor(() => expect([library.entries.length, programs.list.length]).toEqual([3, 1]))
  await vi.waitFor(() => expect(macros.list).toHaveLength(1))
  const keysOf = (text: string) => [...text.matchAll(/"code":"(\w+)"/g)].map(([, code]) => code)
  return {
    programs,
    macro,
    keys: () => keysOf(JSON.stringify([library.entries.map(({ profile }) => profile.layers), macros.list])),
    stored: () => library.library.database.profiles.bulkGet(['a', 'b', 'c']),
  }
}

describe('a program', () => {
  it('is followed by all documents in one undo step; the others are not touched', async () => {
    const { programs, keys, stored } = await fill()
    const [, , harbour] = await stored()
    expect(
      await programs.change('brinewatch', 'The key of “Vent tanks” was changed', onKey('KeyG')),
    ).toBeUndefined()
    await vi.waitFor(() => expect(keys()).toEqual(['KeyG', 'KeyG', 'KeyG']))
    expect(useNotifications().current?.text).toBe(
      'The key of “Vent tanks” was changed. 3 profiles and macros follow',
    )
    expect(itemAt(await stored(), 2)).toEqual(harbour)
    await useUndoableActions().undo('programs')
    await vi.waitFor(() => expect(keys()).toEqual(['KeyV', 'KeyV', 'KeyV']))
    expect(programs.shelf.get('brinewatch')).toEqual(brinewatch)
  })

  it('changes with all that follows it or not at all', async () => {
    const { programs, macro, keys } = await fill()
    // The last of the documents cannot be stored: nothing of the change is.
    const { table } = useMacros().stored
    vi.spyOn(table, 'edit').mockRejectedValueOnce(new Error('the disk is full'))
    const changing = programs.change('brinewatch', 'The key was changed', onKey('KeyG'))
    await vi.waitFor(() =>
      expect(table.edit).toHaveBeenCalledWith(macro, expect.anything(), expect.anything()),
    )
    const { database } = useLibrary().library
    const rows = await Promise.all([database.profiles.toArray(), database.programs.toArray()])
    expect(JSON.stringify(rows)).not.toContain('KeyG')
    // It waits in the queue, and is stored when there is room.
    await changing
    await vi.waitFor(() => expect(keys()).toEqual(['KeyG', 'KeyG', 'KeyG']))
  })

  it('is refused with a reason, and keeps what refers to it when it is deleted', async () => {
    const { programs, keys } = await fill()
    const twice = (program: Program) => ({ ...program, commands: [vent, { ...vent, id: 'other' }] })
    expect(await programs.change('brinewatch', 'x', twice)).toMatch(/has the same name or id as “Vent tanks”/)
    await programs.remove(brinewatch)
    await vi.waitFor(() => expect(programs.list).toEqual([]))
    expect(keys()).toEqual(['KeyV', 'KeyV', 'KeyV'])
    await useUndoableActions().undo('programs')
    await vi.waitFor(() => expect(programs.list).toEqual([brinewatch]))
  })

  it('gets a number if its name is taken', async () => {
    const { programs } = await fill()
    const id = await programs.create('Brinewatch')
    await vi.waitFor(() => expect(programs.shelf.get(id ?? '')?.name).toBe('Brinewatch 2'))
  })
})
