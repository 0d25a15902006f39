import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import { runs } from '../base/runs.test-support'
import { checkProfile, findingMessage } from '../checks/checks'
import { tern7 } from '../device/models/tern-7'
import { anyCommandKey } from '../document/any-parameter.test-support'
import type { CommandKey } from '../document/command-key'
import { emptyMacro, shelfOf } from '../document/macro'
import { emptyProgram, programShelf, type Command, type Program } from '../document/program'
import { parseProfile, type Action, type Profile } from '../document/schema'
import { bind } from '../edits/edits'
import { addLayer } from '../edits/layer-edits'
import { linkCommands, refreshCommands, refreshMacroCommands } from '../edits/commands'
import { mapActions } from '../edits/map-actions'
import { commandAction, plainAction } from '../terms/commands'
import { factoryProfile } from '../terms/profile'
import { contextOf } from '../text/context'
import { parseCell, cellText } from '../text/cell-text'
import { suggestActions } from '../text/suggest-action'
import { typingIn } from '../../messages/english.test-support'
import { englishText } from '../../messages/plain'
import { compileProfile } from './compile'
import { decompileImage } from './decompile'

/** Binding by command: documents refer to commands, and devices store only keys. */

const US = { system: 'windows', layout: 'us' } as const
const key = (code: string, ...modifiers: string[]): CommandKey => ({ kind: 'key', code, modifiers })
const command = (id: string, name: string, ...keys: CommandKey[]): Command => ({
  id,
  name,
  keys,
  use: 'press',
  importance: 2,
})
const brinewatch: Program = {
  ...emptyProgram('brinewatch', 'Brinewatch'),
  commands: [
    command('vent', 'Vent tanks', key('KeyV', 'ControlLeft'), key('KeyB')),
    command('lamp', 'Lamp', key('KeyF')),
    command('winch', 'Winch in', { kind: 'button', button: 4, clicks: 1 }),
    { ...command('sonar', 'Sonar', key('KeyQ')), use: 'hold' },
  ],
}
const named = (id: string, program = brinewatch): Command =>
  itemAt(
    program.commands.filter((each) => each.id === id),
    0,
  )
const does = (id: string, program = brinewatch) => commandAction(program, named(id, program), US)
const changed = (id: string, change: Partial<Command>): Program => ({
  ...brinewatch,
  commands: brinewatch.commands.map((each) => (each.id === id ? { ...each, ...change } : each)),
})

const base: Profile = {
  ...addLayer(factoryProfile(tern7, 'Salvage', US), 'Dive'),
  program: 'brinewatch',
}
const bound = (profile: Profile, input: string, action: Action, layer = 0) =>
  bind(profile, tern7, layer, input, action)
const tapHold: Action = {
  kind: 'tap-hold',
  tap: does('lamp'),
  hold: does('sonar'),
  thresholdMs: 200,
  decide: 'time',
}
const profile = bound(
  bound(bound(base, 'side-front', does('vent')), 'side-rear', does('lamp'), 1),
  'wheel-press',
  tapHold,
)
const imageOf = (of: Profile, programs = programShelf([brinewatch])) =>
  compileProfile(of, tern7, shelfOf([]), programs).bytes
const saidOf = (of: Profile, program: Program) =>
  checkProfile(of, tern7, shelfOf([]), programShelf([program]))
    .filter(({ rule }) => rule !== 'unreachable-layer')
    .map(findingMessage)
    .map(englishText)

describe('a profile with commands', () => {
  it('becomes the same bytes as with plain keys and the same names', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom(...tern7.inputs.slice(2)), fc.nat(1), fc.nat(2), anyCommandKey), {
          maxLength: 8,
        }),
        (bindings) => {
          const program: Program = {
            ...emptyProgram('p', 'Any'),
            commands: bindings.map(([, , , own], index) => command(`c${index}`, `Command ${index}`, own)),
          }
          let withCommands = base
          bindings.forEach(([input, layer, form], index) => {
            const single = commandAction(program, itemAt(program.commands, index), US)
            const action: Action =
              form === 2
                ? { kind: 'tap-hold', tap: single, hold: single, thresholdMs: 200, decide: 'time' }
                : single
            withCommands = bound(withCommands, input.id, action, layer)
          })
          const plain: Profile = {
            ...withCommands,
            layers: withCommands.layers.map((layer) => ({
              ...layer,
              bindings: Object.fromEntries(
                Object.entries(layer.bindings).map(([id, { action, name }]) => {
                  const label =
                    action.kind === 'command'
                      ? action.name
                      : action.kind === 'tap-hold' && action.hold.kind === 'command'
                        ? action.hold.name
                        : name
                  return [id, { action: plainAction(action), ...(label !== undefined && { name: label }) }]
                }),
              ),
            })),
          }
          expect(imageOf(parseProfile(withCommands))).toEqual(imageOf(parseProfile(plain)))
        },
      ),
      runs(80),
    )
  })

  it('is read back from a slot, and linked to the commands again where that is certain', () => {
    const read = decompileImage(imageOf(profile), tern7)
    expect(read.layers[0]?.bindings['side-front']).toEqual({
      action: key('KeyV', 'ControlLeft'),
      name: 'Vent tanks',
    })
    const linked = linkCommands(read, brinewatch)
    expect({ ...linked, layers: linked.layers.map(({ bindings }) => bindings) }).toEqual({
      ...profile,
      layers: profile.layers.map(({ bindings }) => bindings),
    })
    // Two commands with one key, or another name: it stays a key.
    const twice = changed('lamp', { keys: [key('KeyV', 'ControlLeft')] })
    expect(linkCommands(read, twice).layers[0]?.bindings['side-front']).toEqual(
      read.layers[0]?.bindings['side-front'],
    )
    const renamed = mapActions(read, (action) => action)
    expect(linkCommands(renamed, { ...brinewatch, commands: [] })).toBe(renamed)
  })

  it('follows the keys and names of its program, and keeps a second key that still exists', () => {
    const moved = programShelf([changed('vent', { name: 'Blow tanks', keys: [key('KeyG')] })])
    const after = refreshCommands(profile, moved)
    expect(after.layers[0]?.bindings['side-front']?.action).toMatchObject({
      name: 'Blow tanks',
      key: { code: 'KeyG' },
    })
    expect(refreshCommands(profile, programShelf([brinewatch]))).toBe(profile)
    const second = bound(base, 'side-front', { ...does('vent'), key: key('KeyB') })
    expect(refreshCommands(second, programShelf([brinewatch]))).toBe(second)
    const macro = {
      ...emptyMacro('m', 'Dive'),
      events: [{ ...does('vent'), kind: 'command' as const, afterMs: 0 }],
    }
    expect(refreshMacroCommands(macro, moved).events).toMatchObject([
      { name: 'Blow tanks', key: { code: 'KeyG' } },
    ])
    expect(refreshMacroCommands(macro, programShelf([brinewatch]))).toBe(macro)
  })

  it('has its keys where another layout has their characters, if its program knows them so', () => {
    const german = { ...US, layout: 'de' as const }
    const editor = {
      ...brinewatch,
      byCharacter: true,
      commands: [command('undo', 'Undo', key('KeyZ', 'ControlLeft'))],
    }
    expect(commandAction(editor, named('undo', editor), german).key).toEqual(key('KeyY', 'ControlLeft'))
    expect(commandAction({ ...editor, byCharacter: false }, named('undo', editor), german).key).toEqual(
      key('KeyZ', 'ControlLeft'),
    )
  })

  it('is checked: lost keys are errors, deleted, changed and unholdable commands are warnings', () => {
    expect(saidOf(profile, brinewatch)).toEqual([])
    const lost = changed('vent', { keys: [] })
    const follows = refreshCommands(profile, programShelf([lost]))
    expect(saidOf(follows, lost)).toEqual(['Side, front: “Vent tanks” has no key in its program'])
    expect(() => imageOf(follows)).toThrow(/has no key/)
    const gone = { ...brinewatch, commands: brinewatch.commands.filter(({ id }) => id !== 'vent') }
    expect(saidOf(profile, gone)).toEqual([
      'Side, front: Brinewatch no longer has the command “Vent tanks”; the input keeps its last key',
    ])
    expect(imageOf(profile, programShelf([gone]))).toEqual(imageOf(profile))
    const other = changed('lamp', { keys: [key('KeyL')] })
    const finding = checkProfile(profile, tern7, shelfOf([]), programShelf([other])).find(
      ({ rule }) => rule === 'command-outdated',
    )
    const fixed = itemAt(finding?.fixes, 0).apply(profile)
    expect(saidOf(fixed, other)).toEqual([])
    expect(saidOf(bound(base, 'wheel-up', does('sonar')), brinewatch)).toEqual([
      'Wheel up: “Sonar” must be held, but this input cannot be held',
    ])
  })
})

describe('a command in a cell', () => {
  const context = typingIn(
    contextOf(
      base,
      tern7,
      shelfOf([]),
      brinewatch.commands.map(({ id }) => does(id)),
    ),
  )

  it('is offered first by a part of its name, and read back from what is shown', () => {
    expect(suggestActions('vent', context)[0]).toMatchObject({
      text: 'Vent tanks · Ctrl+V',
      action: does('vent'),
    })
    expect(suggestActions('tanks', context)[0]?.action).toEqual(does('vent'))
    for (const action of [does('vent'), does('winch'), tapHold])
      expect(parseCell(cellText({ action }, context), context)).toEqual({ action })
    expect(parseCell('lamp', context)).toEqual({ action: does('lamp') })
  })

  it('of another program is pasted as its key', () => {
    expect(parseCell('Crane · R', context)).toEqual({ action: key('KeyR') })
    expect(parseCell('Crane · nowhere', context)).toHaveProperty('problem')
  })
})
