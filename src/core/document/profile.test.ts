import { englishText } from '../../messages/plain'
import { baseLayer } from './base-layer'
import fc from 'fast-check'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import { tern7 } from '../device/models/tern-7'
import { factoryContext, keyAction } from '../text/context'
import { anyAction, anyProfile } from './any-profile.test-support'
import { applyChanges, changesBetween, reverseChanges } from '../edits/changes'
import { bind, bindAll, mirrorBindings, renameProfile } from '../edits/edits'
import { EditRefused } from '../wording/edit-refused'
import { addStep, moveStep, removeStep, setPolling, setStep } from '../edits/motion-edits'
import { editsBetween } from '../compile/pending'
import { newEffect, newStackItem } from '../terms/light'
import { factoryProfile } from '../terms/profile'
import { parseAction } from '../text/parse-action'
import { parseProfile, ProfileError, type Action } from './schema'
import { macrosFromJson } from '../files/macro-json'
import { readProfileFile } from '../files/profile-file'
import { suggestActions } from '../text/suggest-action'
import { inEnglish, refusalOf, typingIn } from '../../messages/english.test-support'

const profile = factoryProfile(tern7, 'Brinewatch')
const context = typingIn(factoryContext(tern7))
const y = keyAction('KeyY', [])
const leftClick = { kind: 'button', button: 1, clicks: 1 } as const

describe('actions as text', () => {
  it.each([
    ['y', y],
    [' Ctrl + Shift+Y ', keyAction('KeyY', ['ControlLeft', 'ShiftLeft'])],
    ['shift+ctrl+y', keyAction('KeyY', ['ControlLeft', 'ShiftLeft'])],
    ['middle click', { kind: 'button', button: 3, clicks: 1 }],
    ['double left click', { kind: 'button', button: 1, clicks: 2 }],
    ['VOLUME UP', { kind: 'control', control: 'volumeUp' }],
    ['next step', { kind: 'step', to: 'next' }],
    ['step 3', { kind: 'step', to: 3 }],
    ['scroll down 5', { kind: 'scroll', direction: 'down', amount: 5 }],
    ['ctrl++', keyAction('Equal', ['ControlLeft'])],
    ['altgr', keyAction('AltRight', [])],
    ['off', { kind: 'off' }],
  ])('reads “%s”', (typed, action) => {
    expect(parseAction(typed, context)).toEqual({ action })
  })

  it.each([
    ['', /Type a key/],
    ['ctrl+', /ends with a plus sign/],
    ['a+b', /Create a macro/],
    ['step 9', /can store 5 steps, so there is no step 9/],
    ['fnord', /“fnord” is not a key/],
    ['scroll up 101', /1 to 100/],
  ])('refuses “%s” with a reason', (typed, reason) => {
    expect(inEnglish(parseAction(typed, context))).toEqual({ problem: expect.stringMatching(reason) })
  })

  it('survives anything typed', () => {
    fc.assert(
      fc.property(fc.string(), (typed) => {
        const parsed = parseAction(typed, context)
        expect('action' in parsed || englishText(parsed.problem).length > 5).toBe(true)
        expect(suggestActions(typed, context).length).toBeLessThanOrEqual(8)
      }),
    )
  })

  it('offers what the words are on their way to', () => {
    expect(suggestActions('vol', context).map(({ text }) => text)).toContain('Volume up')
    expect(itemAt(suggestActions('ctrl+shift+pag', context), 0).text).toBe('Ctrl+Shift+Page Up')
    expect(itemAt(suggestActions('mid', context), 0).text).toBe('Middle click')
  })
})

describe('edits', () => {
  it('never loses the last left click, and says why', () => {
    expect(refusalOf(() => bind(profile, tern7, 0, 'left', y))).toMatch(
      /only left click.*Bind left click to another/,
    )
    const moved = bind(bind(profile, tern7, 0, 'right', leftClick), tern7, 0, 'left', y)
    expect(() => bind(moved, tern7, 0, 'right', y)).toThrow(EditRefused)
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom(...tern7.inputs.map(({ id }) => id)), anyAction(context))),
        (attempts) => {
          let current = profile
          for (const [input, action] of attempts) {
            try {
              current = bind(current, tern7, 0, input, action)
            } catch (error) {
              expect(error).toBeInstanceOf(EditRefused)
            }
          }
          expect(parseProfile(JSON.parse(JSON.stringify(current)))).toEqual(current)
          const clicks = tern7.inputs.filter(({ id, kind, factory }) => {
            const action = baseLayer(current).bindings[id]?.action ?? factory
            return kind === 'press' && action.kind === 'button' && action.button === 1 && action.clicks === 1
          })
          expect(clicks.length).toBeGreaterThan(0)
        },
      ),
    )
  })

  it('binds several at once by how it ends: a swap of the only left click is none lost', () => {
    const right = { kind: 'button', button: 2, clicks: 1 } as const
    const all = (from: typeof profile, ...cells: [input: string, put: Action][]) =>
      bindAll(
        from,
        tern7,
        cells.map(([input, put]) => ({ layer: 0, input, put })),
      )
    const swapped = all(profile, ['left', right], ['right', leftClick])
    expect(baseLayer(swapped).bindings).toEqual({
      left: { action: right },
      right: { action: leftClick },
    })
    expect(all(swapped, ['right', right], ['left', leftClick])).toEqual(profile)
    expect(refusalOf(() => all(profile, ['right', y], ['left', y]))).toMatch(
      /Left button is the only left click/,
    )
    expect(refusalOf(() => all(profile, ['right', y], ['nose', y]))).toMatch(/no input “nose”/)
    expect(refusalOf(() => bindAll(profile, tern7, [{ layer: 7, input: 'right', put: y }]))).toMatch(
      /no layer 8/,
    )
  })

  it('mirrors for the other hand, and back', () => {
    const mirrored = mirrorBindings(profile, tern7)
    const right = { kind: 'button', button: 2, clicks: 1 }
    expect(baseLayer(mirrored).bindings).toEqual({
      left: { action: right },
      right: { action: leftClick },
    })
    fc.assert(
      fc.property(anyProfile(tern7), (any) => {
        expect(mirrorBindings(mirrorBindings(any, tern7), tern7)).toEqual(any)
      }),
    )
    const oneSided = { ...tern7, inputs: tern7.inputs.map((input) => ({ ...input, mirror: undefined })) }
    expect(refusalOf(() => mirrorBindings(profile, oneSided))).toMatch(/no mirrored inputs/)
  })

  it('takes a binding away when the factory action is set', () => {
    const bound = bind(profile, tern7, 0, 'side-front', y)
    expect(baseLayer(bound).bindings).toEqual({ 'side-front': { action: y } })
    expect(bind(bound, tern7, 0, 'side-front', { kind: 'button', button: 5, clicks: 1 })).toEqual(profile)
  })

  it('keeps steps within the sensor and the default on its step', () => {
    expect(refusalOf(() => setStep(profile, tern7, 0, { dpi: 49 }))).toMatch(/50 to 26,000 DPI/)
    expect(refusalOf(() => setStep(profile, tern7, 0, { dpi: 825 }))).toMatch(/multiple of 50/)
    const five = addStep(profile, tern7, { dpi: 26_000, colour: '#00ff00' })
    expect(refusalOf(() => addStep(five, tern7, { dpi: 50, colour: '#00ff00' }))).toMatch(
      /can store up to 5 steps/,
    )
    const moved = moveStep(five, profile.defaultStep, 4)
    expect(moved.steps[moved.defaultStep]).toEqual(profile.steps[profile.defaultStep])
    const fewer = removeStep(moved, 0)
    expect(fewer.steps[fewer.defaultStep]).toEqual(profile.steps[profile.defaultStep])
    expect(() => removeStep({ ...profile, steps: [itemAt(profile.steps, 0)], defaultStep: 0 }, 0)).toThrow(
      EditRefused,
    )
    expect(() => setPolling(profile, tern7, 'bluetooth', 125)).toThrow(EditRefused)
    expect(refusalOf(() => renameProfile(profile, '  '))).toMatch(/has no name/)
    expect(refusalOf(() => renameProfile(profile, 'ü'.repeat(31)))).toMatch(/60 bytes/)
  })
})

describe('changes', () => {
  it('lead from any profile to any other and back again', () => {
    fc.assert(
      fc.property(anyProfile(tern7), anyProfile(tern7), (before, after) => {
        const changes = changesBetween(before, after)
        expect(applyChanges(before, changes)).toEqual(after)
        expect(applyChanges(after, reverseChanges(changes))).toEqual(before)
        expect(editsBetween(before, after, tern7).length === 0).toBe(changes.length === 0)
      }),
    )
  })

  it('take back one edit and leave what came after it elsewhere', () => {
    const bound = bind(profile, tern7, 0, 'side-front', y)
    const both = renameProfile(bound, 'Gantry Run')
    const undone = applyChanges(both, reverseChanges(changesBetween(profile, bound)))
    expect(undone).toEqual(renameProfile(profile, 'Gantry Run'))
    const over = bind(both, tern7, 0, 'side-front', { kind: 'off' })
    expect(applyChanges(over, reverseChanges(changesBetween(profile, bound)))).toBeUndefined()
  })

  it('are counted as a person counts them', () => {
    const edited = setStep(bind(profile, tern7, 0, 'side-front', y), tern7, 1, {
      dpi: 900,
      colour: '#123456',
    })
    expect(inEnglish(editsBetween(profile, edited, tern7))).toEqual([
      {
        key: 'binding:0:side-front',
        view: 'buttons',
        what: 'Side, front',
        from: 'Forward click',
        to: 'Y',
        at: { layer: 0, input: 'side-front' },
      },
      { key: 'step:1', view: 'motion', what: 'Step 2', from: '800 DPI, #f2c14e', to: '900 DPI, #123456' },
    ])
  })
})

const lit = newStackItem('solid')

describe('the gate for profiles', () => {
  it('lets whole profiles through and names what is wrong with others', () => {
    const wrong: [unknown, RegExp][] = [
      [null, /Not a profile/],
      [[], /Not a profile/],
      [{ ...profile, version: 8 }, /up to version 7, not 8/],
      [{ ...profile, extra: 1 }, /extra/],
      [{ ...profile, steps: [{ dpi: '800', colour: '#ffffff' }] }, /steps\[0\]\.dpi/],
      [
        { ...profile, layers: [{ ...profile.layers[0], bindings: { left: { action: { kind: 'fly' } } } }] },
        /“fly” is not a known kind/,
      ],
      [
        {
          ...profile,
          layers: [
            {
              ...profile.layers[0],
              bindings: { left: { action: { kind: 'key', code: 'KeyÄ', modifiers: [] } } },
            },
          ],
        },
        /KeyÄ/,
      ],
      [
        { ...profile, light: [{ ...lit, effect: { ...newEffect('solid'), colour: 'red' } }] },
        /light\[0\]\.effect\.colour: “red” is not a colour/,
      ],
      [
        { ...profile, light: [{ ...lit, effect: { ...newEffect('wave'), periodMs: 105 } }] },
        /light\[0\]\.effect\.periodMs: Must be a multiple of 10/,
      ],
      [{ ...profile, light: Array.from({ length: 17 }, () => lit) }, /light: Expected at most 16 effects/],
    ]
    for (const [value, reason] of wrong) {
      expect(() => parseProfile(value)).toThrow(ProfileError)
      expect(() => parseProfile(value)).toThrow(reason)
    }
  })

  it('opens files of the version before, with names that were allowed then', () => {
    const old = JSON.parse(readFileSync('src/core/files/old-files/profile-3.json', 'utf8')) as object
    const { profile, macros } = readProfileFile({ ...old, name: '\u202eSalvage\u0007 run' })
    expect(profile).toMatchObject({ version: 7, name: 'Salvage  run', model: 'godwit-19' })
    for (const { version } of macros) expect(version).toBe(3)
    const library = readFileSync('src/core/files/old-files/macros-1.json', 'utf8')
    expect(macrosFromJson(library)).toHaveLength(8)
    expect(refusalOf(() => parseProfile({ ...profile, name: '\u202eSalvage' }))).toMatch(
      /changes the writing direction.*U\+202E/,
    )
    expect(refusalOf(() => parseProfile({ ...profile, name: 'a\u0007' }))).toMatch(
      /cannot be printed \(U\+0007\)/,
    )
    expect(refusalOf(() => parseProfile({ ...profile, name: '\u3164\u200b' }))).toMatch(
      /no visible characters/,
    )
  })

  it('opens files from before there were programs', () => {
    const old = JSON.parse(readFileSync('src/core/files/old-files/profile-6.json', 'utf8')) as object
    const { profile, macros } = readProfileFile(old)
    expect(profile).toMatchObject({ version: 7, name: 'Brinewatch' })
    expect(profile).not.toHaveProperty('program')
    for (const { version } of macros) expect(version).toBe(3)
    const library = readFileSync('src/core/files/old-files/macros-2.json', 'utf8')
    expect(macrosFromJson(library).map(({ version }) => version)).toEqual([3, 3])
  })

  it('opens files from before there were tags and rules', () => {
    const old = JSON.parse(readFileSync('src/core/files/old-files/profile-5.json', 'utf8')) as object
    expect(readProfileFile(old).profile).toMatchObject({
      version: 7,
      name: 'Brinewatch',
      tags: [],
      rules: [],
    })
    expect(refusalOf(() => parseProfile({ ...readProfileFile(old).profile, rules: ['no-fun'] }))).toMatch(
      /rules\[0\]: Must be one of/,
    )
  })

  it('opens files of when a zone had one effect, and shows what they showed', () => {
    const old = JSON.parse(readFileSync('src/core/files/old-files/profile-4.json', 'utf8')) as object
    const { profile: opened } = readProfileFile(old)
    expect(opened.light).toEqual([
      {
        ...lit,
        effect: { ...newEffect('cycle'), brightness: 60, periodMs: 3000 },
        where: { kind: 'zones', zones: ['spine'] },
      },
      {
        ...lit,
        effect: { ...newEffect('solid'), colour: '#3ad17a', brightness: 80 },
        where: { kind: 'zones', zones: ['crest'] },
      },
    ])
  })

  it('never crashes, whatever JSON it is given', () => {
    fc.assert(
      fc.property(
        fc.jsonValue(),
        fc.jsonValue(),
        fc.constantFrom(...Object.keys(profile)),
        (whole, part, key) => {
          for (const value of [whole, { ...profile, [key]: part }]) {
            try {
              parseProfile(value)
            } catch (error) {
              expect(error).toBeInstanceOf(ProfileError)
            }
          }
        },
      ),
    )
  })
})
