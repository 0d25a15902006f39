import { boundOn } from '../edits/bound.test-support'
import { baseLayer } from '../document/base-layer'
import { describe, expect, it } from 'vitest'
import { itemAt, valueOf } from '../base/items'
import rules from '../../../demo/rules.json'
import { tern7 } from '../device/models/tern-7'
import { ONE_DELAY, NO_OPERATIONS, countOperations } from '../onboard/macro-budget'
import { writeMacro } from '../onboard/macro-code'
import { keyAction } from '../text/context'
import { PLAY_ONCE } from '../document/action-schema'
import { parseAppRules, readAppRules } from './app-rules-file'
import { bindAll } from '../edits/edits'
import { lowerMacro, countMacroOperations } from '../terms/lower-macro'
import { emptyMacro, EMPTY_SHELF, parseMacro, shelfOf, type Macro, type MacroEvent } from '../document/macro'
import { macrosFromCsv } from './macro-csv'
import { paletteFromGpl } from '../document/palette'
import { effectiveBinding, factoryProfile, isLeftClick } from '../terms/profile'
import { importProfile, importMacros, withMacroIds } from './import-profile'
import { profileDocument, readProfileFile, rejectCycle, rejectCycleWith } from './profile-file'
import { parseProfile, type Action } from '../document/schema'
import { emptySession, parseSession } from '../document/session-log'
import { refusalOf } from '../../messages/english.test-support'

/** The exact problems reported for files, and the limits of valid ones. */

const macro = (id: string, events: MacroEvent[] = []): Macro => ({ ...emptyMacro(id, `Macro ${id}`), events })
const plays = (id: string): MacroEvent => ({ kind: 'macro', macro: id, afterMs: 0 })
const turn: MacroEvent = { kind: 'wheel', detents: 1, sideways: 0, afterMs: 0 }

describe('macros as CSV', () => {
  const read = (text: string) =>
    macrosFromCsv(
      text,
      () => undefined,
      () => 'new',
    )
  const HEAD = 'macro,wait ms,does,what\n'

  it.each([
    ['', 'Row 1: expected the columns macro, wait ms, does, what'],
    ['macro,wait ms,what,does\n', 'Row 1: expected the columns macro, wait ms, does, what'],
    ['macro,wait ms,does\n', 'Row 1: expected the columns macro, wait ms, does, what'],
    [`${HEAD}Winch,0,press,"Y\nDeck,0,press,Y\n`, 'Row 2: a quotation mark has no partner'],
  ])('%j is refused', (text, why) => {
    expect(() => read(text)).toThrow(why)
  })

  it('takes a mark at its beginning, heads in any letters, and rows with nothing in them', () => {
    const [winch, ...none] = read(
      '\ufeff Macro , WAIT MS ,Does,what\n , ,,\nWinch, 5 , press ,KeyY\n\nWinch,10,release,KeyY\n',
    )
    expect(none).toEqual([])
    expect(winch).toMatchObject({
      name: 'Winch',
      events: [
        { kind: 'key', code: 'KeyY', does: 'press', afterMs: 5 },
        { kind: 'key', code: 'KeyY', does: 'release', afterMs: 10 },
      ],
    })
  })
})

describe('palettes', () => {
  const lines = (count: number) => `GIMP Palette\n${'# tide\n'.repeat(count - 2)}1 2 3`

  it.each([
    ['', 'Line 1: not a GIMP palette'],
    ['Palette\n1 2 3', 'Line 1: not a GIMP palette'],
    ['GIMP Palette\n256 0 0', 'Line 2: expected red, green and blue from 0 to 255'],
    ['GIMP Palette\n1 2', 'Line 2: expected red, green and blue from 0 to 255'],
    ['GIMP Palette\n# none', 'The palette has no colours'],
    [lines(5001), 'More than 5000 lines'],
  ])('%# is refused', (text, why) => {
    expect(() => paletteFromGpl(text, 'Tide')).toThrow(why)
  })

  it('are read with a mark at their beginning, spaces, and as many lines as may be', () => {
    expect(
      paletteFromGpl('\ufeffGIMP Palette \r\nName:  \r\nColumns: 3\r\n 0 128 255\tFoam', 'Tide'),
    ).toMatchObject({
      name: 'Tide',
      colours: ['#0080ff'],
    })
    expect(paletteFromGpl(lines(5000), 'Tide').colours).toEqual(['#010203'])
    // A mark in any other place is not a mark.
    expect(refusalOf(() => paletteFromGpl('GIMP Palette\n\ufeff1 2 3 4\n9', 'Tide'))).toMatch(/Line 3/)
  })
})

describe('app rules', () => {
  it('ask for a slot or a profile, one of them at least', () => {
    const otherwise = (target: object) => ({ ...rules, otherwise: [{ device: 'tern-7', ...target }] })
    expect(refusalOf(() => parseAppRules(otherwise({})))).toContain('otherwise[0]: Needs a slot or a profile')
    for (const target of [{ slot: 0 }, { profile: 'Brinewatch' }, { slot: 1, profile: 'Brinewatch' }])
      expect(parseAppRules(otherwise(target)).otherwise[0]).toMatchObject(target)
    expect(refusalOf(() => readAppRules(' '.repeat((512 << 10) + 1)))).toContain(
      'The file is too large for app rules',
    )
    expect(readAppRules(`${JSON.stringify(rules)}${' '.repeat(1000)}`)).toEqual(parseAppRules(rules))
  })
})

describe('profiles and the macros in their files', () => {
  const tern = factoryProfile(tern7, 'Brinewatch')
  const bound = (...actions: Action[]) => boundOn(tern, tern7, ...actions)

  it('hold no macros that play each other for ever, among themselves or with those of the library', () => {
    const [one, other] = [macro('one', [plays('other')]), macro('other', [plays('one')])]
    expect(refusalOf(() => rejectCycle([one, other]))).toContain('would never end')
    expect(() => rejectCycle([one])).not.toThrow()
    expect(refusalOf(() => rejectCycleWith([one], shelfOf([other])))).toMatch(/Macro other and Macro one/)
    expect(() => rejectCycleWith([macro('third', [turn])], shelfOf([one, other]))).not.toThrow()
    expect(() => rejectCycleWith([], shelfOf([one, other]))).not.toThrow()
    expect(refusalOf(() => readProfileFile({ ...tern, macros: [one, other] }))).toContain('would never end')
  })

  it('say all that is wrong with each, and count the events of all', () => {
    expect(refusalOf(() => readProfileFile({ ...tern, macros: {} }))).toContain(
      'macros: Missing; expected a list of macros',
    )
    expect(refusalOf(() => readProfileFile({ ...tern, name: '', macros: [{}, macro('a')] }))).toMatch(
      /macros\[0\]: /,
    )
    expect(refusalOf(() => readProfileFile({ ...tern, macros: [macro('a'), macro('a')] }))).toContain(
      'macros[1]: “Macro a” has the id of “Macro a”, “a”',
    )
    const counted: number[] = []
    readProfileFile({ ...tern, macros: [macro('a', [turn, turn]), macro('b', [turn])] }, (events) =>
      counted.push(events),
    )
    expect(counted.at(-1)).toBe(3)
    for (const strange of [null, 'text', 3]) {
      expect(refusalOf(() => readProfileFile(strange))).toContain('Not a profile: expected a JSON object')
      expect(refusalOf(() => parseSession(strange))).toContain('Not a session: expected an object')
    }
    expect(readProfileFile(tern)).toEqual({ profile: tern, macros: [] })
    expect(parseSession(emptySession(1, 800))).toEqual(emptySession(1, 800))
    expect(refusalOf(() => parseProfile([]))).toContain('Not a profile: expected a JSON object')
    expect(refusalOf(() => parseProfile('text'))).toContain('Not a profile: expected a JSON object')
    expect(refusalOf(() => parseProfile({ ...tern, polling: [] }))).toMatch(/polling/)
    expect(() => parseMacro(undefined)).toThrow()
  })

  it('take along what their macros play; brought in, equal ones are one and others get an id of their own', () => {
    const [inner, outer] = [macro('inner', [turn]), macro('outer', [plays('inner'), turn])]
    const shelf = shelfOf([inner, outer, macro('more', [turn])])
    const profile = bound(PLAY_ONCE('outer'), {
      kind: 'macro-parts',
      press: 'inner',
      release: 'gone',
    } as Action)
    expect(
      profileDocument(profile, shelf)
        .macros?.map(({ id }) => id)
        .sort(),
    ).toEqual(['inner', 'outer'])
    expect(profileDocument(tern, shelf)).toBe(tern)
    const here = shelfOf([{ ...inner, id: 'same' }, macro('outer', [turn])])
    const brought = importProfile({ profile, macros: [inner, outer] }, here, () => 'new')
    expect(brought.macros).toEqual([{ ...outer, id: 'new', events: [plays('same'), turn] }])
    expect(valueOf(baseLayer(brought.profile).bindings, 'side-front').action).toEqual(PLAY_ONCE('new'))
    expect(valueOf(baseLayer(brought.profile).bindings, 'side-rear').action).toMatchObject({
      press: 'same',
      release: 'gone',
    })
    expect(importMacros([inner], EMPTY_SHELF, () => 'new')).toEqual({ added: [inner], ids: new Map() })
    expect(importProfile({ profile, macros: [] }, here, () => 'new').profile).toBe(profile)
    const within = bound({
      kind: 'tap-hold',
      tap: PLAY_ONCE('outer'),
      hold: PLAY_ONCE('inner'),
      thresholdMs: 200,
      decide: 'time',
    } as Action)
    expect(
      valueOf(itemAt(withMacroIds(within, new Map([['inner', 'x']])).layers, 0).bindings, 'side-front')
        .action,
    ).toMatchObject({
      tap: { macro: 'outer' },
      hold: { macro: 'x' },
    })
  })

  it('say what an input does on a layer: its own, that of the base, or the factory’s', () => {
    const input = tern7.inputs.find(({ id }) => id === 'side-front')
    if (!input) throw new Error('there is such an input')
    const y = keyAction('KeyY', [])
    const named = bindAll(tern, tern7, [{ layer: 0, input: input.id, put: { action: y, name: 'Lamp' } }])
    const layered = {
      ...named,
      layers: [...named.layers, { ...baseLayer(named), name: 'Dive', bindings: {} }],
    }
    expect(effectiveBinding(layered, 1, input)).toEqual({ action: y, name: 'Lamp', from: 0 })
    expect(effectiveBinding(bound(y), 0, input)).toEqual({ action: y, from: 0 })
    expect(effectiveBinding(tern, 0, input)).toMatchObject({ from: 0 })
    const click = { kind: 'button', button: 1, clicks: 1 } as const
    expect(isLeftClick(click)).toBe(true)
    for (const other of [{ ...click, button: 2 }, { ...click, clicks: 2 }, y] as Action[])
      expect(isLeftClick(other)).toBe(false)
  })
})

describe('what a macro asks of a device', () => {
  const US = { layout: 'us' } as const
  const weigh = (subject: Macro, ...more: Macro[]) => countMacroOperations(subject, shelfOf(more), US)

  it('is that of its waits, its events, its code and the macros within it, each as often as it is played', () => {
    expect(weigh(macro('a'))).toEqual(NO_OPERATIONS)
    const once = weigh(macro('a', [turn]))
    expect(once).toEqual(countOperations(lowerMacro(macro('a', [turn]), EMPTY_SHELF, US)))
    const waited = weigh(macro('a', [turn, { ...turn, afterMs: 5 }]))
    expect(waited).toMatchObject({ steps: 2 * once.steps + ONE_DELAY.steps, passesTime: true })
    expect(weigh(macro('b', [plays('a'), plays('a'), plays('a')]), macro('a', [turn])).steps).toBe(
      3 * once.steps,
    )
    expect(weigh(macro('b', [plays('gone')]))).toEqual(NO_OPERATIONS)
    const code = Buffer.from(writeMacro(lowerMacro(macro('a', [turn, turn]), EMPTY_SHELF, US))).toString(
      'hex',
    )
    expect(weigh(macro('c', [{ kind: 'code', bytes: code, afterMs: 0 }])).steps).toBe(2 * once.steps)
    expect(refusalOf(() => weigh(macro('a', [plays('a')]), macro('a', [plays('a')])))).toMatch(/plays itself/)
  })

  it('a signal of light goes down and comes up with its colour', () => {
    const signal = { kind: 'signal', colour: '#12ab00', afterMs: 0 } as MacroEvent
    expect(lowerMacro(macro('a', [signal]), EMPTY_SHELF, US)).toEqual([
      { kind: 'signal', colour: { red: 0x12, green: 0xab, blue: 0 } },
    ])
  })
})
