import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { runs } from '../base/runs.test-support'
import { LAYOUT_IDS, printedLegends } from '../computer/layouts'
import { anyCommandKey } from '../document/any-parameter.test-support'
import { commandKeyId } from '../document/command-key-id'
import { type CommandKey } from '../document/command-key'
import { parseProgram } from '../document/program-schema'
import { COMMAND_USES, commandLabel, emptyProgram, type Command, type Program } from '../document/program'
import { KEY_USAGES } from '../hid/keyboard-page'
import { englishText } from '../../messages/plain'
import { refusalOf } from '../../messages/english.test-support'
import { readKey } from './key-names'
import { compareCommands, mergeCommands } from './merge-commands'
import { readCommandList, type CommandDraft, type ListEntry } from './read-commands'
import { commandsToCsv, commandsToText } from './write-commands'

/** Lists of commands as people keep them, and as programs write them. */

const read = (text: string, layout: (typeof LAYOUT_IDS)[number] = 'us') => readCommandList(text, { layout })
const draftsOf = (entries: readonly ListEntry[]): CommandDraft[] =>
  entries.flatMap((entry) => (entry.kind === 'command' ? [entry.draft] : []))
const said = (entries: readonly ListEntry[]): string[] =>
  entries.map((entry) =>
    entry.kind === 'problem'
      ? `${entry.line}: ${englishText(entry.problem)}`
      : entry.kind === 'question'
        ? `${entry.draft.name}? ${entry.options.map(commandKeyId).join(' / ')}`
        : `${entry.draft.group ? `${entry.draft.group} / ` : ''}${entry.draft.name} = ${entry.draft.keys.map(commandKeyId).join(', ')}${entry.draft.use === 'press' ? '' : ` (${entry.draft.use})`}`,
  )

const anyName = fc.stringMatching(/^[A-Za-z][a-z]{1,7}( [a-z]{2,8}){0,2}$/)
const anyCommand: fc.Arbitrary<Command> = fc
  .record({
    name: anyName,
    group: fc.option(anyName, { nil: undefined }),
    keys: fc.uniqueArray(anyCommandKey, { maxLength: 2, selector: commandKeyId }),
    use: fc.constantFrom(...COMMAND_USES),
    importance: fc.constantFrom(1 as const, 2 as const, 3 as const),
    perHour: fc.option(fc.nat(9000), { nil: undefined }),
  })
  .map(({ group, perHour, ...rest }) => ({
    id: 'x',
    ...rest,
    ...(group !== undefined && { group }),
    ...(perHour !== undefined && { perHour }),
  }))
const anyProgram: fc.Arbitrary<Program> = fc
  .record({
    layout: fc.constantFrom(...LAYOUT_IDS),
    commands: fc.uniqueArray(anyCommand, {
      maxLength: 12,
      selector: ({ name, group }) => `${name} ${group ?? ''}`.toLowerCase(),
    }),
  })
  .map(({ layout, commands }) => ({
    ...emptyProgram('p', 'Brinewatch', layout),
    commands: commands.map((command, index) => ({ ...command, id: `c${index}` })),
  }))

describe('a list of commands is read', () => {
  it('from lines with the command first or the key first, with groups and without', () => {
    expect(
      said(
        read('# Diving\nVent tanks: Ctrl+V\nSonar ping = "KeyQ"\n\n[Deck]\nWinch in -> Mouse 4\n').entries,
      ),
    ).toEqual([
      'Diving / Vent tanks = ControlLeft+KeyV',
      'Diving / Sonar ping = KeyQ',
      'Deck / Winch in = button-4',
    ])
    expect(said(read('V - Vent tanks\nQ - Sonar ping\nWheel up - Raise lamp').entries)).toEqual([
      'Vent tanks = KeyV',
      'Sonar ping = KeyQ',
      'Raise lamp = wheel-up',
    ])
    expect(said(read('vent_tanks = "KeyV"\nsonarPing = "0x14"').entries)).toEqual([
      'Vent tanks = KeyV',
      'Sonar ping = KeyQ',
    ])
    expect(said(read('hold F: Lamp\ndouble tap G: Dash\nH (toggle): Crouch').entries)).toEqual([
      'Lamp = KeyF (hold)',
      'Dash = KeyG (double)',
      'Crouch = KeyH (toggle)',
    ])
  })

  it('from tables with any columns, and from JSON with groups', () => {
    const table =
      'Category\tFunction\tPrimary key\tSecondary\nDiving\tVent tanks\tV\tMouse 5\nDeck\tWinch in\tnone\t\n'
    expect(said(read(table).entries)).toEqual(['Diving / Vent tanks = KeyV, button-5', 'Deck / Winch in = '])
    expect(said(read('Vent tanks,V,Diving\nSonar,Q,Diving\nWinch,R,Deck\nCrane,T,Deck').entries)).toEqual([
      'Diving / Vent tanks = KeyV',
      'Diving / Sonar = KeyQ',
      'Deck / Winch = KeyR',
      'Deck / Crane = KeyT',
    ])
    expect(
      said(read('{"Diving": {"Vent tanks": "V", "Sonar": ["Q", "Mouse4"]}, "Jump": "Space"}').entries),
    ).toEqual(['Diving / Vent tanks = KeyV', 'Diving / Sonar = KeyQ, button-4', 'Jump = Space'])
    expect(said(read('[{"command": "Vent tanks", "key": "ctrl+v", "importance": "high"}]').entries)).toEqual([
      'Vent tanks = ControlLeft+KeyV',
    ])
  })

  it('and asks or reports what is not certain, without guessing', () => {
    const { entries } = read('Map: M\nZoom in: +\nLamp: Blorp\nCrane\nAnchor: A or B or C')
    expect(said(entries)).toEqual([
      'Map = KeyM',
      'Zoom in? ShiftLeft+Equal / Equal',
      '3: “Blorp” is not a key',
      '4: The line has no key. Separate the name and the key with a colon, such as Vent tanks: V',
      '5: A command can have up to 2 keys',
    ])
    // Each side of these could be the key.
    expect(read('Home: H\nEnd: E').uncertainOrder).toBe(true)
    expect(read('Vent tanks: H\nEnd: E').uncertainOrder).toBe(false)
    const turned = readCommandList('Home: H\nEnd: E', { layout: 'us', columns: ['key', 'name'] })
    expect(said(turned.entries)).toEqual(['H = Home', 'E = End'])
  })

  it('by the legends of its layout', () => {
    expect(said(read('Lamp: Ö\nMap: Z', 'de').entries)).toEqual(['Lamp = Semicolon', 'Map = KeyY'])
    expect(said(read('Lamp: Ö', 'us').entries)).toEqual(['1: “Ö” is not a key'])
  })

  it('whatever it contains: it never throws, and every key is in its line', () => {
    const fragment = fc.oneof(
      { weight: 3, arbitrary: fc.constantFrom(...KEY_USAGES.flatMap(({ code, words }) => [code, ...words])) },
      {
        weight: 2,
        arbitrary: fc.constantFrom(
          ':',
          '=',
          ' - ',
          '\t',
          ',',
          ';',
          '|',
          '+',
          '"',
          '->',
          '  ',
          '#',
          '[',
          ']',
          '(',
          'hold ',
        ),
      },
      { weight: 2, arbitrary: anyName },
      fc.string({ unit: 'binary', maxLength: 6 }),
    )
    const line = fc.array(fragment, { maxLength: 7 }).map((parts) => parts.join(''))
    fc.assert(
      fc.property(fc.array(line, { maxLength: 6 }), fc.constantFrom(...LAYOUT_IDS), (lines, layout) => {
        const text = lines.join('\n')
        for (const entry of read(text, layout).entries) {
          if (entry.kind === 'problem') continue
          for (const key of entry.draft.keys) expectWritten(key, text, layout)
        }
      }),
      runs(1500),
    )
  })
})

/** That some way to write each part of a key is in a text. */
function expectWritten(key: CommandKey, text: string, layout: (typeof LAYOUT_IDS)[number]): void {
  const lower = text.toLowerCase()
  if (key.kind === 'button') {
    const side = [/l|prim|click/, /r|second/, /m|wheel/, /back/, /forward/][key.button - 1]
    expect(lower.includes(String(key.button)) || side?.test(lower), text).toBe(true)
    return
  }
  if (key.kind === 'scroll') return expect(lower, text).toContain(key.direction)
  for (const code of [key.code, ...key.modifiers]) {
    const known = KEY_USAGES.find((each) => each.code === code)
    const signs = printedLegends(layout)[code] ?? []
    const ways = [
      code,
      ...(known?.words ?? []),
      ...signs,
      known?.usage.toString(16) ?? '',
      String(known?.usage),
    ]
    const short = /Left$|Right$|^Numpad|^Page|^Arrow|^Space|^Escape|^Backquote/.test(code)
    expect(
      short || ways.some((way) => way !== '' && lower.includes(way.toLowerCase())),
      `${code} in ${text}`,
    ).toBe(true)
  }
}

describe('a program', () => {
  it('is the same after its list was exported and imported', () => {
    fc.assert(
      fc.property(anyProgram, (program) => {
        const again = (text: string) => draftsOf(read(text, program.layout).entries)
        const drafts = program.commands.map(({ id: _, ...draft }) => draft)
        if (drafts.length === 0) return
        expect(again(commandsToCsv(program))).toEqual(drafts)
        const plain = new Map(drafts.map(({ name, group, keys }) => [`${name} ${group}`, keys]))
        const lines = again(commandsToText(program))
        expect(new Map(lines.map(({ name, group, keys }) => [`${name} ${group}`, keys]))).toEqual(plain)
        expect(parseProgram(JSON.parse(JSON.stringify(program)))).toEqual(program)
      }),
      runs(300),
    )
  })

  it('has each key written so that it is read as the same key, on every layout', () => {
    fc.assert(
      fc.property(anyCommandKey, fc.constantFrom(...LAYOUT_IDS), (key, layout) => {
        const program = {
          ...emptyProgram('p', 'x', layout),
          commands: [{ id: 'a', name: 'Vent', keys: [key], use: 'press' as const, importance: 2 as const }],
        }
        const [draft] = draftsOf(read(commandsToText(program), layout).entries)
        expect(draft?.keys.map(commandKeyId)).toEqual([commandKeyId(key)])
      }),
      runs(400),
    )
  })

  it('is refused with the place of each problem, and has commands with different names', () => {
    const program = {
      ...emptyProgram('p', 'Brinewatch'),
      commands: [{ id: 'a', name: 'Jump', keys: [], use: 'press', importance: 2 }],
    }
    expect(
      refusalOf(() =>
        parseProgram({ ...program, commands: [...program.commands, { ...program.commands[0], id: 'b' }] }),
      ),
    ).toBe('commands[1]: “Jump” has the same name or id as “Jump”')
    expect(
      refusalOf(() =>
        parseProgram({
          ...program,
          commands: [{ ...program.commands[0], keys: [{ kind: 'key', code: 'Nope', modifiers: [] }] }],
        }),
      ),
    ).toMatch(/commands\[0\]\.keys\[0\]\.code: “Nope” is not the code/)
    const two = parseProgram({
      ...program,
      commands: ['On foot', 'Swimming'].map((group, index) => ({
        ...program.commands[0],
        id: `c${index}`,
        group,
      })),
    })
    expect(two.commands.map((command) => commandLabel(command, two))).toEqual([
      'Jump (On foot)',
      'Jump (Swimming)',
    ])
  })
})

describe('importing a list again', () => {
  const program: Program = {
    ...emptyProgram('p', 'Brinewatch'),
    commands: draftsOf(read('# Diving\nVent tanks: V\nSonar: Q\nLamp: F').entries).map((draft, index) => ({
      id: `c${index}`,
      ...draft,
      importance: 3,
    })),
  }

  it('shows what is new, changed and missing, and keeps ids and what the person set', () => {
    const changes = compareCommands(
      program,
      draftsOf(read('Vent tanks: Ctrl+V\nLamp: F\nCrane: R\nCrane: T').entries),
    )
    expect(changes).toMatchObject({
      added: [{ name: 'Crane' }],
      changed: [{ before: { id: 'c0' }, after: { importance: 3, group: 'Diving' }, keysChanged: true }],
      missing: [{ name: 'Sonar' }],
      same: [{ name: 'Lamp' }],
      repeated: [{ name: 'Crane' }],
    })
    const merged = parseProgram(mergeCommands(program, changes, changes.missing, () => 'new'))
    expect(merged.commands.map(({ id }) => id)).toEqual(['c0', 'c2', 'new'])
    expect(compareCommands(merged, draftsOf(read(commandsToText(merged)).entries))).toMatchObject({
      added: [],
      changed: [],
      missing: [],
    })
  })
})

it('a key is read by its legend, its code, its usage and common names', () => {
  const keyOf = (text: string, layout: (typeof LAYOUT_IDS)[number] = 'us') => {
    const found = readKey(text, layout)
    return 'key' in found
      ? commandKeyId(found.key)
      : 'options' in found
        ? found.options.map(commandKeyId)
        : undefined
  }
  for (const [text, id] of [
    ['ctrl-shift-v', 'ControlLeft+ShiftLeft+KeyV'],
    ['Ctrl + +', ['ControlLeft+ShiftLeft+Equal', 'ControlLeft+Equal']],
    ['⇧⌘V', 'ShiftLeft+MetaLeft+KeyV'],
    ['LMB', 'button-1'],
    ['Mouse4', 'button-4'],
    ['MWheelUp', 'wheel-up'],
    ['num 5', 'Numpad5'],
    ['Numpad5', 'Numpad5'],
    ['usage 25', 'KeyV'],
    ['<Space>', 'Space'],
    ['page up', 'PageUp'],
    ['Right Shift', 'ShiftRight'],
  ] as const)
    expect(keyOf(text), text).toEqual(id)
  expect(keyOf('a b c')).toBeUndefined()
})
