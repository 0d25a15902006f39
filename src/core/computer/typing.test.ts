import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tern7 } from '../device/models/tern-7'
import { Computer } from './computer'
import { reportDescriptor } from '../hid/descriptor'
import { afterEvent, emptyDesktop } from './desktop'
import { LAYOUTS, layoutById, type LayoutId } from './layouts'
import { FIRST_MODIFIER_USAGE } from '../hid/modifiers'
import { keyboardReport } from '../hid/reports'
import type { Stroke } from '../onboard/strokes'
import { actionText, factoryContext, shortcutKeys } from '../text/action-text'
import { keystrokeLines, lowerOpening } from './openings'
import { OPERATING_SYSTEMS, SHORTCUTS, SYSTEM_NAMES } from './shortcuts'
import { typedBy, typeText, untypable } from './typing'

/** A computer of that layout and system that hears the keys of strokes one after the other. */
function heard(strokes: readonly Stroke[], layout: LayoutId, system: (typeof OPERATING_SYSTEMS)[number]) {
  const computer = new Computer(reportDescriptor(), layoutById(layout))
  let desktop = emptyDesktop(system)
  let atMs = 0
  const send = (usages: number[]) => {
    for (const event of computer.receive(keyboardReport(usages))) desktop = afterEvent(desktop, event, atMs)
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

describe('typing on a layout', () => {
  it.each<[LayoutId, string, string]>([
    ['us', 'Ahoy! {7}~', 'é£ß'],
    ['uk', '£5 @ "dusk" #1 €', '漢'],
    ['de', 'Größe: 5 € {a} [b] @ ~ \\ | é à ô', '漢'],
    ['fr', 'àçèéù 1234567890 @ # € ê ï', '漢ß'],
    ['es', '¿Qué? ¡Año! ñ ü à ê € @ #', '漢'],
    ['nordic', 'Blåbärsöl é à ê ñ ü @ € ~', '漢'],
    ['nordic-no', 'Rødgrød, æ å é ü @ €', '漢'],
    ['nordic-dk', 'Smørrebrød æ å é ü @ €', '漢'],
  ])('%s types “%s”, and not “%s”', (layout, text, strange) => {
    expect(untypable(text, layout)).toEqual([])
    expect(heard(typeText(text, layout), layout, 'windows').text).toBe(text.normalize('NFC'))
    expect(untypable(strange, layout)).toEqual([...strange])
    expect(() => typeText(strange, layout)).toThrow(RangeError)
  })

  it.each(layoutNames)('%s types every character it has, alone and in any order', (_, layout) => {
    const characters = [...new Set(Object.values(layoutById(layout)).flat())].filter(
      (character) => character !== '' && untypable(character, layout).length === 0,
    )
    expect(characters.length).toBeGreaterThan(90)
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...characters, ' ', '\n'), { maxLength: 40 }), (list) => {
        const text = list.join('').normalize('NFC')
        fc.pre(untypable(text, layout).length === 0)
        const strokes = typeText(text, layout)
        expect(typedBy(strokes, layout)).toBe(text)
        expect(heard(strokes, layout, 'windows').text).toBe(text)
      }),
      { numRuns: 60 },
    )
  })
})

describe('opening something by the system’s own keystrokes', () => {
  const targets = [
    { what: 'program', target: 'notepad' },
    { what: 'file', target: '/charts/north bay.txt' },
    { what: 'folder', target: "/charts/Kit's logs" },
    { what: 'address', target: 'www.saltmarsh.example/brinewatch' },
  ] as const
  const cases = OPERATING_SYSTEMS.flatMap((system) =>
    targets.map((opening) => [SYSTEM_NAMES[system], opening, system] as const),
  )

  it.each(cases)('on %s opens %j, on any layout', (_, opening, system) => {
    for (const [, layout] of layoutNames) {
      const desktop = heard(lowerOpening(opening, system, layout), layout, system)
      expect(desktop.opened, layout).toEqual([opening.target])
      expect(desktop.text).toBe('')
      expect(desktop.down).toEqual([])
    }
  })

  it('is shown key for key', () => {
    expect(keystrokeLines(targets[0], 'windows', 'us')).toEqual([
      { kind: 'keys', text: 'System+R' },
      { kind: 'wait', text: '500 ms' },
      { kind: 'line', text: 'notepad' },
      { kind: 'wait', text: '100 ms' },
      { kind: 'keys', text: 'Enter' },
    ])
  })

  it('lands on the page where the box is not waited for', () => {
    const hasty = lowerOpening(targets[0], 'windows', 'us').filter(({ kind }) => kind === 'tap')
    expect(heard(hasty, 'us', 'windows')).toMatchObject({ text: 'notepad\n', opened: [] })
  })
})

describe('shortcuts', () => {
  it('go by the character a system knows them by, wherever the layout has it', () => {
    const keysOn = (id: string, layout: LayoutId, system: (typeof OPERATING_SYSTEMS)[number]) =>
      shortcutKeys(id, { ...factoryContext(tern7), computer: { system, layout } })
    expect(keysOn('undo', 'us', 'windows')).toBe('Ctrl+Z')
    expect(keysOn('undo', 'de', 'linux')).toBe('Ctrl+Z')
    expect(keysOn('selectAll', 'fr', 'macos')).toBe('System+A')
    expect(keysOn('zoomIn', 'de', 'windows')).toBe('Ctrl++')
    expect(keysOn('fileManager', 'us', 'linux')).toBeUndefined()
  })

  it('have each a number and words of their own', () => {
    const all = <T>(list: readonly T[]) => expect(new Set(list).size).toBe(list.length)
    all(SHORTCUTS.map(({ number }) => number))
    all(SHORTCUTS.map(({ id }) => id))
    all(SHORTCUTS.flatMap(({ label, words }) => [...new Set([label.toLowerCase(), ...words])]))
    for (const { id, label } of SHORTCUTS)
      expect(actionText({ kind: 'shortcut', shortcut: id }, factoryContext(tern7))).toBe(label)
  })
})
