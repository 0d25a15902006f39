import { baseLayer } from '../document/base-layer'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import { DEVICE_MODELS } from '../device/models'
import { dunlin84 } from '../device/models/dunlin-84'
import { tern7 } from '../device/models/tern-7'
import { factoryContext, keyAction, type TypingContext } from './context'
import { anyAction, anyComputer } from '../document/any-profile.test-support'
import { cellText, parseCell } from './cell-text'
import type { MacroAction } from '../document/action-schema'
import { EMPTY_SHELF, emptyMacro, parseMacro, shelfOf } from '../document/macro'
import { parseAction } from './parse-action'
import { bindingNameSchema, type Action } from '../document/schema'
import { suggestActions } from './suggest-action'
import { runs } from '../base/runs.test-support'
import { actionText, pseudoText, inEnglish, typingIn } from '../../messages/english.test-support'
import { englishText } from '../../messages/plain'

const WINDOWS = { system: 'windows', layout: 'us' } as const
const LAYERS = ['Base', 'Dive', 'Winch = up', 'Numbers'].map((name) => ({ name, colour: 'sky' as const }))
const SHELF = shelfOf([
  emptyMacro('m1', 'Sonar sweep'),
  emptyMacro('m2', 'Held, on press'),
  emptyMacro('m3', 'y'),
])
const context: TypingContext = {
  ...typingIn(factoryContext(tern7)),
  computer: { system: 'windows', layout: 'us' },
  layers: LAYERS,
  macros: SHELF,
}
const german: TypingContext = { ...context, computer: { system: 'linux', layout: 'de' } }
const dive = { kind: 'layer', layer: 1, how: 'hold' } as const
const middle = { kind: 'button', button: 3, clicks: 1 } as const

const played = (change: object): Action => ({
  kind: 'macro',
  macro: 'm1',
  play: 'once',
  gapMs: 0,
  again: 'ignore',
  others: 'go-on',
  ...change,
})

describe('actions a person can type', () => {
  it('reads what people say elsewhere, with or without the commas and plus signs', () => {
    const context = {
      ...typingIn(factoryContext(tern7)),
      computer: WINDOWS,
      macros: shelfOf([emptyMacro('d', 'Dash'), emptyMacro('f', 'Fast clicks')]),
    }
    const read = (typed: string) => {
      const parsed = parseAction(typed, context)
      return 'action' in parsed ? parsed.action : englishText(parsed.problem)
    }
    for (const [said, ours] of [
      ['mouse 4', 'button 4'],
      ['profile 2', 'slot 2'],
      ['next profile', 'next slot'],
      ['dpi up', 'next step'],
      ['lmb', 'left click'],
      ['win+e', 'super+e'],
      ['cmd+c', 'super+c'],
      ['hold w', 'w'],
      ['ctrl c', 'ctrl+c'],
      ['alt-tab', 'alt+tab'],
      ['disable', 'off'],
      ['Dash while held', 'Dash, while held'],
      ['Dash 3 times, 50 ms apart', 'Dash, 3 times, 50 ms apart'],
      ['type "gg" enter', 'type "gg\\n"'],
      ['countdown 10 s in rebeccapurple', 'countdown 10 s in #663399'],
    ] as const)
      expect(read(said), said).toEqual(read(ours))
    expect(read('mic mute')).toMatch(/No key mutes the microphone/)
    expect(read('y x')).toMatch(/is not a key or an action/)
    expect(read('type "gg" next step')).toMatch(/“next step” after the text is not a key/)
    expect(read('fast clicks')).toMatchObject({ macro: 'f' })
  })

  it('says which layer is missing, as it was typed, where one could be made', () => {
    const context = typingIn(factoryContext(tern7))
    const missing = (typed: string, of = context) => {
      const parsed = parseCell(typed, of)
      return 'problem' in parsed ? parsed.layer : parsed
    }
    for (const typed of ['hold layer Two', 'tap y, hold layer Two', 'switch layer  Two', 'hold Two layer'])
      expect(missing(typed), typed).toBe('Two')
    expect(missing(`hold layer ${'x'.repeat(40)}`)).toBeUndefined()
    const layers = Array.from({ length: 8 }, (_, index) => ({
      ...baseLayer(context),
      name: `L${index}`,
    }))
    expect(missing('hold layer Two', { ...context, layers })).toBeUndefined()
    expect(missing('hold layer L3', { ...context, layers })).toMatchObject({ action: { layer: 3 } })
  })

  it('makes a macro on the spot for a click so many times a second, and for a text and a key', () => {
    const context = { ...typingIn(factoryContext(tern7)), computer: WINDOWS }
    const made = (typed: string, macros = EMPTY_SHELF) => {
      const parsed = parseAction(typed, { ...context, macros })
      if (!('action' in parsed) || !parsed.makes) throw new Error(JSON.stringify(parsed))
      return { action: parsed.action as MacroAction, makes: parseMacro(parsed.makes) }
    }
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 50 }), (aSecond) => {
        const { action, makes } = made(`rapid click ${aSecond}/s`)
        expect(action).toMatchObject({ macro: makes.id, play: 'held' })
        // Pressed and released for at least ten ms each, with the nearest period in whole ms.
        const heldMs = itemAt(makes.events, 1).afterMs
        expect(Math.min(heldMs, action.gapMs)).toBeGreaterThanOrEqual(10)
        expect(heldMs + action.gapMs).toBe(Math.round(1000 / aSecond))
      }),
    )
    const { makes } = made('type "gg" then ctrl+a')
    expect(makes.events[0]).toEqual({ kind: 'text', text: 'gg', afterMs: 0 })
    expect(makes.events.slice(1).map((event) => ('code' in event ? event.code : ''))).toEqual([
      'ControlLeft',
      'KeyA',
      'KeyA',
      'ControlLeft',
    ])
    // An identical macro is created once; one that was edited since is left alone.
    expect(made('rapid click 20/s', shelfOf([made('rapid click 20/s').makes])).makes.id).toBe(
      'made-left-20-a-second',
    )
    const edited = { ...made('rapid click 20/s').makes, events: [] }
    expect(made('rapid click 20/s', shelfOf([edited])).makes.id).toBe('made-left-20-a-second-2')
    expect(inEnglish(parseAction('rapid click 90/s', context))).toEqual({
      problem: 'Enter 1 to 50 times per second',
    })
  })

  it.each<[string, Action]>([
    ['hold dive', dive],
    ['dive layer', dive],
    ['switch layer DIVE', { kind: 'layer', layer: 1, how: 'switch' }],
    [
      'tap middle click, hold dive',
      { kind: 'tap-hold', tap: middle, hold: dive, thresholdMs: 200, decide: 'time' },
    ],
    [
      'tap y hold ctrl after 350 ms or at the next press',
      {
        kind: 'tap-hold',
        tap: keyAction('KeyY', []),
        hold: keyAction('ControlLeft', []),
        thresholdMs: 350,
        decide: 'press',
      },
    ],
    ['type "a, else b"', { kind: 'text', text: 'a, else b' }],
    ['type hold the line', { kind: 'text', text: 'hold the line' }],
    ['type “one\\ntwo\\t”', { kind: 'text', text: 'one\ntwo\t' }],
    ['open divelog', { kind: 'open', what: 'program', target: 'divelog' }],
    ['open www.saltmarsh.example', { kind: 'open', what: 'address', target: 'www.saltmarsh.example' }],
    ['open C:\\Charts\\', { kind: 'open', what: 'folder', target: 'C:\\Charts\\' }],
    ['open folder Charts and logs', { kind: 'open', what: 'folder', target: 'Charts and logs' }],
    ['countdown 1:30', { kind: 'countdown', seconds: 90, colour: '#ffb000' }],
    ['timer 1 h 5 min', { kind: 'countdown', seconds: 3900, colour: '#ffb000' }],
    ['hold 400 dpi', { kind: 'hold-step', dpi: 400 }],
    ['hold step 2', { kind: 'hold-step', step: 2 }],
    ['copy', { kind: 'shortcut', shortcut: 'copy' }],
    ['lights off', { kind: 'light', change: 'off' }],
    ['macro sonar sweep', played({})],
    ['sonar sweep, while held', played({ play: 'held' })],
    ['sonar sweep, 3 times, 50 ms apart', played({ play: 'times', times: 3, gapMs: 50 })],
    [
      'Sonar Sweep, until pressed again, others stop it',
      played({ play: 'toggle', again: 'stop', others: 'stop' }),
    ],
    ['y', keyAction('KeyY', [])],
    ['macro y', played({ macro: 'm3' })],
    ['macros on press sonar sweep, held “Held, on press”', { kind: 'macro-parts', press: 'm1', held: 'm2' }],
    ['stop macros', { kind: 'stop-macros' }],
    ['?', keyAction('Slash', ['ShiftLeft'])],
  ])('reads “%s”', (typed, action) => {
    expect(parseAction(typed, context)).toEqual({ action })
  })

  it('goes by what the layout prints on the keys', () => {
    expect(parseAction('ctrl+z', german)).toEqual({ action: keyAction('KeyY', ['ControlLeft']) })
    expect(parseAction('ü', german)).toEqual({ action: keyAction('BracketLeft', []) })
    expect(parseAction('@', german)).toEqual({ action: keyAction('KeyQ', ['AltRight']) })
    expect(actionText(keyAction('KeyZ', []), german)).toBe('Y')
  })

  it.each([
    ['type “naïve”', context, /The US layout on Windows cannot type ï. Use the layout French or Spanish/],
    ['type ""', context, /text between the quotation marks/],
    ['hold layer bridge', context, /no layer “bridge”; the profile has Dive, Winch = up and Numbers/],
    ['hold layer dive', typingIn(factoryContext(tern7)), /only the base layer/],
    ['tap y', context, /Also enter the hold action/],
    ['tap y hold ctrl after 45 ms', context, /80 to 1500 ms, in steps of 10/],
    ['tap fnord, hold ctrl', context, /“fnord” is not a key/],
    ['countdown soon', context, /“soon” is not a time/],
    ['countdown 2 h 400 h', context, /one second to one day/],
    ['hold 420 dpi', context, /420 DPI is not possible. Enter a multiple of 50/],
    ['step 1', typingIn(factoryContext(dunlin84)), /no sensor, so it has no DPI steps/],
    ['open über.txt', context, /The US layout on Windows cannot type ü. Use the layout German or French/],
    ['macro warp', context, /no macro “warp”/],
    ['sonar sweep, sideways', context, /“sideways” is not a playback option/],
    ['slot 4', typingIn(factoryContext(dunlin84)), /has 3 slots, so there is no slot 4/],
  ])('refuses “%s” with a reason', (typed, where, reason) => {
    expect(inEnglish(parseAction(typed, where))).toMatchObject({ problem: expect.stringMatching(reason) })
  })

  it('is offered what the words are on their way to, and what a kind begins with', () => {
    const texts = (typed: string) => suggestActions(typed, context).map(({ text }) => text)
    expect(texts('div')).toContain('Hold layer Dive')
    expect(texts('screens')).toContain('Screenshot')
    expect(texts('countd')).toContain('Countdown 1 min 30 s')
    expect(texts('brigh')).toEqual(expect.arrayContaining(['Light brighter', 'Screen brighter']))
  })
})

describe('cells', () => {
  const anyName = fc
    .string({ unit: 'grapheme', minLength: 1, maxLength: 16 })
    .map((name) => name.trim())
    .filter((name) => bindingNameSchema.isValidSync(name))
  const anyWhere = fc
    .tuple(fc.constantFrom(...DEVICE_MODELS), anyComputer, fc.constantFrom(englishText, pseudoText))
    .map(([model, computer, textOf]): TypingContext => ({
      model,
      computer,
      layers: LAYERS,
      macros: SHELF,
      textOf,
    }))

  it('are read back as they were written, whatever the action, the name, the model, the system, the layout and the language', () => {
    const anyCell = anyWhere.chain((where) =>
      fc.tuple(
        fc.constant(where),
        anyAction(where),
        fc.option(fc.oneof(anyName, fc.constantFrom('a = b', '“x” = y', 'y =')), { nil: undefined }),
      ),
    )
    fc.assert(
      fc.property(anyCell, ([where, action, name]) => {
        const parsed = parseCell(cellText({ action, ...(name && { name }) }, where), where)
        if (!('action' in parsed)) throw new Error(JSON.stringify(parsed))
        expect(parsed.action).toEqual(action)
        expect(parsed.name || undefined).toEqual(name)
      }),
      runs(200),
    )
  })

  it('know a quote that is a key from one that opens a text', () => {
    const french: TypingContext = { ...context, computer: { system: 'linux', layout: 'fr' } }
    const quote = keyAction('Digit3', [])
    const tapHold = (tap: Action, hold: Action): Action =>
      ({ kind: 'tap-hold', tap, hold, thresholdMs: 200, decide: 'time' }) as Action
    const cells: [string, Action, string | undefined][] = [
      ['" = Lamp', quote, 'Lamp'],
      ['Ctrl+" = Lamp', keyAction('Digit3', ['ControlLeft']), 'Lamp'],
      ['Tap ", else Type “a, else b”', tapHold(quote, { kind: 'text', text: 'a, else b' }), undefined],
      ['Tap Type “"”, else " = Lamp', tapHold({ kind: 'text', text: '"' }, quote), 'Lamp'],
      ['type "a = b"', { kind: 'text', text: 'a = b' }, undefined],
    ]
    for (const [text, action, name] of cells) {
      expect(parseCell(text, french), text).toEqual({ action, ...(name && { name }) })
      expect(parseCell(cellText({ action, ...(name && { name }) }, french), french)).toMatchObject({ action })
    }
  })

  it('take a name behind an equals sign, keep it where none is said, and drop it for an empty one', () => {
    const y = keyAction('KeyY', [])
    expect(parseCell('y = Release ballast', context)).toEqual({ action: y, name: 'Release ballast' })
    expect(parseCell('y', context)).toEqual({ action: y })
    expect(parseCell('y =', context)).toEqual({ action: y, name: '' })
    expect(parseCell('ctrl + =', context)).toEqual({ action: keyAction('Equal', ['ControlLeft']) })
    expect(parseCell('inherited', context)).toEqual({ clear: true })
    expect(inEnglish(parseCell(`y = ${'ü'.repeat(30)}`, context))).toEqual({
      problem: expect.stringMatching(/too long/),
    })
  })
})
