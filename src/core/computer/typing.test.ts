import { actionText, inEnglish } from '../../messages/english.test-support'
import { LoweringError } from '../base/errors'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tern7 } from '../device/models/tern-7'
import { Computer } from './computer'
import { reportDescriptor } from '../hid/descriptor'
import { applyEvent, emptyDesktop } from './desktop'
import { LAYOUTS, layoutFor, type LayoutId } from './layouts'
import { keyByCode } from '../hid/keyboard-page'
import { FIRST_MODIFIER_USAGE } from '../hid/modifiers'
import { keyboardReport } from '../hid/reports'
import type { Stroke } from '../actions/strokes'
import { factoryContext, shortcutKeys } from '../text/context'
import { keystrokeLines, lowerLaunch } from './launches'
import {
  chordOf,
  OPERATING_SYSTEMS,
  shortcutById,
  SHORTCUTS,
  OPERATING_SYSTEM_NAMES,
  type OperatingSystem,
} from './shortcuts'
import {
  uncertainOnMac,
  differentlyTypedOn,
  textOfStrokes,
  typeText,
  typingProblem,
  untypableCharacters,
} from './typing'
import { runs } from '../base/runs.test-support'
import type { TargetComputer } from './shortcuts'
import { englishText } from '../../messages/plain'

/** A computer with a layout and system that receives the keys of strokes in sequence. */
function heard(strokes: readonly Stroke[], layout: LayoutId, system: (typeof OPERATING_SYSTEMS)[number]) {
  const computer = new Computer(reportDescriptor(), layoutFor(layout, system))
  let desktop = emptyDesktop(system)
  let atMs = 0
  const send = (usages: number[]) => {
    for (const event of computer.receive(keyboardReport(usages))) desktop = applyEvent(desktop, event, atMs)
    atMs += 1
  }
  for (const stroke of strokes) {
    if (stroke.kind === 'wait') atMs += stroke.ms
    else {
      const held = Array.from({ length: 8 }, (_, bit) => bit).filter((bit) => stroke.modifiers & (1 << bit))
      send([...held.map((bit) => FIRST_MODIFIER_USAGE + bit), stroke.usage])
      send([])
    }
  }
  return desktop
}

const layoutNames = LAYOUTS.map(({ id, name }) => [name, id] as const)

const textOfProblem = (text: string, on: TargetComputer) => englishText(typingProblem(text, on) ?? '')

describe('typing on a layout, as a system has it', () => {
  it.each<[LayoutId, OperatingSystem, string, string]>([
    ['us', 'windows', 'Ahoy! {7}~', 'é£ß'],
    ['uk', 'windows', '£5 @ "dusk" #1 € café \\', '©æ漢'],
    ['uk', 'macos', '£5 @ "dusk" #1 € café \\ ©', '漢'],
    ['uk', 'linux', '£5 @ "dusk" æ ©', '漢'],
    ['de', 'windows', 'Größe: 5 € {a} [b] @ ~ \\ | é à ô ´ ^', 'ÇĆ¿'],
    ['de', 'macos', 'Größe: 5 € {a} [b] @ ~ \\ | é à ô Ça ¿', '漢'],
    ['de', 'linux', 'Größe: {a} @ ~ Ça ¿ ć', '漢'],
    ['fr', 'windows', 'àçèéù 1234567890 @ # € ê ï ~ ` - _ =', 'ÇÉ漢'],
    ['fr', 'macos', 'àçèéù - _ = ! " @ # € ê ï ~', '漢'],
    ['es', 'windows', '¿Qué? ¡Año! ñ ü à ê € @ # [ ] { | } ~', 'ßć'],
    ['es', 'macos', '¿Qué? ¡Año! [ ] { | } ~ @', 'ć'],
    ['nordic', 'windows', 'Blåbärsöl é à ê ñ ü @ € ~ { } |', 'ßæ'],
    ['nordic', 'macos', 'Blåbärsöl @ [ ] { } | \\', '€'],
    ['nordic-no', 'linux', 'Rødgrød, æ å é ü @ €', '漢'],
    ['nordic-dk', 'windows', 'Smørrebrød æ å é ü @ €', '漢'],
    ['fi', 'linux', 'Äänekoski åäö @ € š', '漢'],
    ['pt', 'windows', 'Ação é à õ ê « » { } @ €', 'ń'],
    ['br', 'windows', 'Ação é à õ ê / ? \\ ü', '«'],
    ['it', 'windows', 'perché città € @ # [ ] { }', 'ÀÈ~'],
    ['pl', 'windows', 'Zażółć gęślą jaźń ~ €', 'éü'],
    ['ch', 'windows', 'Grüsse é à ç ê @ # { } [ ] \\ |', 'ßÇ'],
    ['us-intl', 'windows', `it's "quoted" é ü ñ ç ~ \` ^ €`, 'ć'],
    ['dvorak', 'windows', 'Quick, brown: fox; "it\'s" {1} ~', 'é'],
  ])('%s on %s types “%s”, and not “%s”', (layout, system, text, strange) => {
    const on = { layout, system }
    expect(untypableCharacters(text, on)).toEqual([])
    expect(heard(typeText(text, on), layout, system).text).toBe(text.normalize('NFC'))
    expect(untypableCharacters(strange, on)).toEqual([...strange])
    expect(() => typeText(strange, on)).toThrow(LoweringError)
    expect(textOfProblem(strange, on)).toContain(`cannot type ${[...strange].join(' ')}. `)
  })

  const places = LAYOUTS.flatMap(({ id }) => OPERATING_SYSTEMS.map((system) => [id, system] as const))
  it.each(places)('%s on %s types every character it has, alone and in any order', (layout, system) => {
    const on = { layout, system }
    const characters = [...new Set(Object.values(layoutFor(layout, system).keys).flat())].filter(
      (character) => character !== '' && untypableCharacters(character, on).length === 0,
    )
    expect(characters.length).toBeGreaterThan(80)
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...characters, ' ', '\n'), { maxLength: 40 }), (list) => {
        const text = list.join('').normalize('NFC')
        fc.pre(untypableCharacters(text, on).length === 0)
        const strokes = typeText(text, on)
        expect(textOfStrokes(strokes, on)).toBe(text)
        expect(heard(strokes, layout, system).text).toBe(text)
      }),
      runs(25),
    )
  })

  it.each(layoutNames)('%s for any system types what it types on all of them, alike', (_, layout) => {
    const letters = [...'abcdefghijklmnopqrstuvwxyz ABC 0123456789 .,-_!?+*/=()']
    const text = letters.filter((each) => untypableCharacters(each, { layout }).length === 0).join('')
    expect(text.length).toBeGreaterThan(45)
    for (const system of OPERATING_SYSTEMS) {
      expect(heard(typeText(text, { layout }), layout, system).text).toBe(text)
      expect(differentlyTypedOn(text, { layout }, system)).toEqual([])
    }
  })

  it('knows the keys of all of ASCII on every layout and system, but for the two that an Italian Windows has not', () => {
    const ascii = Array.from({ length: 95 }, (_, place) => String.fromCodePoint(0x20 + place)).join('')
    const missing = layoutNames.flatMap(([, layout]) =>
      OPERATING_SYSTEMS.map((system) => [
        layout,
        system,
        untypableCharacters(ascii, { layout, system }).join(''),
      ]),
    )
    expect(missing.filter(([, , none]) => none !== '')).toEqual([['it', 'windows', '`~']])
    // The same keys as on such Macs.
    const braces: [LayoutId, string][] = [
      ['nordic-dk', 'Digit8'],
      ['pt', 'Digit8'],
      ['ch', 'Digit8'],
    ]
    for (const [layout, code] of braces) {
      const [stroke] = typeText('{', { layout, system: 'macos' })
      expect(stroke).toMatchObject({ usage: keyByCode(code)?.usage })
    }
  })

  it('takes the keys that are right everywhere where there are such, and says where others are not', () => {
    // A dead key and a space work on all three systems; AltGr and 9 on two.
    const on = { layout: 'fr', system: 'windows' } as const
    expect(typeText('^', on)).toHaveLength(2)
    expect(differentlyTypedOn('^é', on, 'macos')).toEqual([])
    expect(differentlyTypedOn('a-b_c @', on, 'macos')).toEqual(['-', '_', '@'])
    expect(differentlyTypedOn('a-b_c @', on, 'linux')).toEqual([])
    expect(untypableCharacters('{', { layout: 'de' })).toEqual(['{'])
    expect(textOfProblem('{', { layout: 'de' })).toContain(
      'set the operating system to Windows, macOS or Linux',
    )
    // With a space, an acute accent becomes an apostrophe only on Linux.
    expect(heard(typeText('´', { layout: 'de', system: 'windows' }), 'de', 'linux').text).toBe("'")
    expect(uncertainOnMac('<a^', { layout: 'de', system: 'macos' })).toEqual(['<', '^'])
    expect(uncertainOnMac('<a^', { layout: 'de', system: 'linux' })).toEqual([])
  })
})

describe('opening something by the system’s own keystrokes', () => {
  const targets = [
    { what: 'program', target: 'divelog' },
    { what: 'file', target: '/charts/north bay.txt' },
    { what: 'folder', target: "/charts/Kit's logs" },
    { what: 'address', target: 'www.saltmarsh.example/brinewatch' },
  ] as const
  const cases = OPERATING_SYSTEMS.flatMap((system) =>
    targets.map((opening) => [OPERATING_SYSTEM_NAMES[system], opening, system] as const),
  )

  it.each(cases)('on %s opens %j, on any layout', (_, opening, system) => {
    for (const [, layout] of layoutNames) {
      const desktop = heard(lowerLaunch(opening, system, layout), layout, system)
      expect(desktop.opened, layout).toEqual([opening.target])
      expect(desktop.text).toBe('')
      expect(desktop.down).toEqual([])
    }
  })

  it('is shown key for key', () => {
    expect(inEnglish(keystrokeLines(targets[0], 'windows', 'us'))).toEqual([
      { kind: 'keys', text: 'System+R' },
      { kind: 'wait', text: '500 ms' },
      { kind: 'line', text: 'divelog' },
      { kind: 'wait', text: '100 ms' },
      { kind: 'keys', text: 'Enter' },
    ])
  })

  it('lands on the page where the box is not waited for', () => {
    const hasty = lowerLaunch(targets[0], 'windows', 'us').filter(({ kind }) => kind === 'tap')
    expect(heard(hasty, 'us', 'windows')).toMatchObject({ text: 'divelog\n', opened: [] })
  })
})

describe('shortcuts', () => {
  it('go by the character a system knows them by, wherever the layout has it', () => {
    const keysOn = (id: string, layout: LayoutId, system: (typeof OPERATING_SYSTEMS)[number]) =>
      inEnglish(shortcutKeys(id, { ...factoryContext(tern7), computer: { system, layout } }))
    expect(keysOn('undo', 'us', 'windows')).toBe('Ctrl+Z')
    expect(keysOn('undo', 'de', 'linux')).toBe('Ctrl+Z')
    expect(keysOn('selectAll', 'fr', 'macos')).toBe('System+A')
    expect(keysOn('zoomIn', 'de', 'windows')).toBe('Ctrl++')
    expect(keysOn('fileManager', 'us', 'linux')).toBeUndefined()
    // On French the full stop shares the key of the semicolon, and a Mac has = and + on different keys.
    const code = (id: string, layout: LayoutId, system: OperatingSystem) => {
      const shortcut = shortcutById(id)
      return shortcut && chordOf(shortcut, { system, layout })?.code
    }
    expect(code('emoji', 'fr', 'windows')).toBe('Comma')
    expect(code('zoomIn', 'fr', 'windows')).toBe('Equal')
    expect(code('zoomIn', 'fr', 'macos')).toBe('Slash')
    expect(code('zoomOut', 'fr', 'windows')).toBe('Digit6')
    expect(code('zoomOut', 'fr', 'macos')).toBe('Equal')
    expect(code('copy', 'dvorak', 'linux')).toBe('KeyI')
    expect(code('showDesktop', 'us', 'linux')).toBeUndefined()
  })

  it('have each a number and words of their own', () => {
    const all = <T>(list: readonly T[]) => expect(new Set(list).size).toBe(list.length)
    all(SHORTCUTS.map(({ number }) => number))
    all(SHORTCUTS.map(({ id }) => id))
    all(SHORTCUTS.flatMap(({ words }) => words))
    for (const { label, words } of SHORTCUTS) expect(words).toContain(englishText(label).toLowerCase())
    for (const { id, label } of SHORTCUTS)
      expect(actionText({ kind: 'shortcut', shortcut: id }, factoryContext(tern7))).toBe(englishText(label))
  })
})
