import { actionText, inEnglish, typingIn } from '../../messages/english.test-support'
import { englishText } from '../../messages/plain'
import { describe, expect, it } from 'vitest'
import { defaultOf } from '../base/parameters'
import { dunlin84 } from '../device/models/dunlin-84'
import { tern7 } from '../device/models/tern-7'
import type { Effect, StackedEffect, EffectCondition } from '../document/light'
import { emptyMacro, shelfOf, type MacroEvent } from '../document/macro'
import type { Action } from '../document/schema'
import { CONDITION_NAMES, conditionParameters } from '../effects/conditions'
import { EFFECT_NAMES, parametersOf } from '../effects/registry'
import { actionFamily } from './action-text'
import { macroName } from './grammar/macros'
import { durationMessage } from './grammar/countdown'
import { factoryContext, keyAction, shortcutKeys } from './context'
import { eventMessage, eventObject } from './event-text'
import { parameterLabel } from '../wording/effect-messages'
import {
  amount,
  conditionMessage,
  effectMessage,
  lightName,
  lightTargetMessage,
  stackItemMessage,
  stackItemName,
} from './light-messages'
import { unsupportedReason, replaceSynonyms } from './synonyms'

const SHELF = shelfOf([emptyMacro('m1', 'Sonar sweep'), emptyMacro('m2', 'Held, on press')])
const context = {
  ...typingIn(factoryContext(tern7)),
  computer: { system: 'windows', layout: 'us' } as const,
  layers: ['Base', 'Dive'].map((name) => ({ name, colour: 'sky' as const })),
  macros: SHELF,
}

describe('the words of light', () => {
  const effect = (by: object): Effect =>
    ({ kind: 'solid', colour: '#ff0000', brightness: 100, ...by }) as Effect
  const item = (by: Partial<StackedEffect> = {}): StackedEffect => ({
    kind: 'effect',
    effect: effect({}),
    where: { kind: 'all' },
    when: { kind: 'always' },
    opacity: 100,
    mix: 'covers',
    ...by,
  })

  it('there is one for whatever can be set', () => {
    const names = [
      ...EFFECT_NAMES.flatMap((name) => Object.keys(parametersOf(name))),
      ...CONDITION_NAMES.flatMap((name) => Object.keys(conditionParameters(name))),
    ]
    for (const name of names) expect(parameterLabel(name), name).not.toBe(name)
    expect(parameterLabel('nothing')).toBe('nothing')
  })

  it('amounts are told with their unit, long times in seconds', () => {
    const whole = (unit?: 'ms' | '°' | '%') =>
      ({ kind: 'number', min: 0, max: 9999, ...(unit && { unit }) }) as const
    expect(
      [
        englishText(amount(990, whole('ms'))),
        englishText(amount(1000, whole('ms'))),
        englishText(amount(1250, whole('ms'))),
        englishText(amount(45, whole('°'))),
        englishText(amount(7, whole())),
        englishText(amount(30, whole('%'))),
      ].join(', '),
    ).toBe('990 ms, 1 s, 1.25 s, 45°, 7, 30%')
  })

  it('an effect is its kind, its colours, its period and its brightness, where they say something', () => {
    expect(englishText(effectMessage(effect({})))).toBe('Solid, #ff0000')
    expect(englishText(effectMessage(effect({ brightness: 40 })))).toBe('Solid, #ff0000, at 40%')
    const wave = {
      ...defaultOf(parametersOf('wave')),
      kind: 'wave',
      colours: ['#000000', '#ffffff'],
      periodMs: 2500,
    }
    expect(englishText(effectMessage(wave as unknown as Effect))).toBe('Wave, #000000 #ffffff, every 2.5 s')
    expect(englishText(effectMessage({ kind: 'off' } as Effect))).toBe('Dark')
  })

  it('what two entries differ in is in their words', () => {
    expect(englishText(stackItemMessage(item(), context))).toBe('Solid, #ff0000, all lights, always')
    const other = item({
      name: 'Lamp',
      opacity: 60,
      mix: 'adds',
      where: { kind: 'zones', zones: ['crest', 'gone'] },
    })
    expect(englishText(stackItemMessage(other, context))).toBe(
      'Lamp: Solid, #ff0000, Crest and gone, always, opacity 60%, added',
    )
    const blink = item({ effect: effect({ kind: 'blink', litPart: 20, periodMs: 1000 }) })
    expect(englishText(stackItemMessage(blink, context))).toBe(
      'Blink, #ff0000, every 1 s, all lights, always, On time: 20%',
    )
    expect(englishText(stackItemMessage({ kind: 'later', code: 30, bytes: '0a' }, context))).toBe(
      'From a later version, 0a',
    )
    expect(
      [item(), item({ name: 'Lamp' }), { kind: 'later', code: 1, bytes: '' } as const].map((each) =>
        englishText(stackItemName(each)),
      ),
    ).toEqual(['Solid', 'Lamp', 'From a later version'])
  })

  it('lights are named while they are few, by their key, their input or their place', () => {
    const lights = (...ids: string[]) =>
      englishText(lightTargetMessage({ kind: 'lights', lights: ids }, tern7))
    expect(lights('spine:1', 'crest:2')).toBe('Spine 1 and Crest 2')
    expect(lights('spine:1', 'spine:2', 'spine:3', 'spine:4')).toBe('Spine 1, Spine 2, Spine 3 and Spine 4')
    expect(lights('spine:1', 'spine:2', 'spine:3', 'spine:4', 'crest:1')).toBe('5 lights')
    expect(lights('gone')).toBe('no light')
    expect(englishText(lightTargetMessage({ kind: 'zones', zones: [] }, tern7))).toBe('no light')
    expect(englishText(lightTargetMessage({ kind: 'lights', lights: ['keys:key-w'] }, dunlin84))).toBe('W')
    expect(englishText(lightName({ id: 'elsewhere:3', zone: 'elsewhere' }, tern7))).toBe('elsewhere 3')
  })

  it.each<[EffectCondition, string]>([
    [{ kind: 'always' }, 'always'],
    [{ kind: 'layer', layer: 1 }, 'while Dive is active'],
    [{ kind: 'layer', layer: 5 }, 'while 5 is active'],
    [{ kind: 'press', forMs: 1500, inputs: [] }, 'for 1.5 s after a press of any input'],
    [
      { kind: 'press', forMs: 500, inputs: ['side-front', 'gone'] },
      'for 0.5 s after a press of Side, front or gone',
    ],
    [{ kind: 'press', forMs: 1000, inputs: ['a', 'b', 'c', 'd', 'e'] }, 'for 1 s after a press of 5 inputs'],
    [{ kind: 'macro', macro: 'any' }, 'while a macro is running'],
    [{ kind: 'macro', macro: 'm1' }, 'while “Sonar sweep” is running'],
    [{ kind: 'macro', macro: 'gone' }, 'while “gone” is running'],
    [{ kind: 'signal', forMs: 2000 }, 'for 2 s on a signal'],
    [{ kind: 'battery', underPercent: 15 }, 'battery below 15%'],
    [{ kind: 'charging' }, 'while charging'],
    [{ kind: 'connection', connection: 'pairing' }, 'while pairing'],
    [{ kind: 'connection', connection: 'none' }, 'not connected'],
    [{ kind: 'connection', connection: 'receiver' }, 'over 2.4 GHz'],
    [{ kind: 'connection', connection: 'thread' }, 'over thread'],
    [{ kind: 'arrival', forMs: 800 }, 'for 0.8 s when the slot becomes active'],
    [{ kind: 'idle', seconds: 60 }, 'idle for 60 s'],
  ])('%j is “%s”', (when, text) => {
    expect(englishText(conditionMessage(when, context))).toBe(text)
  })
})

describe('the words of macros', () => {
  it.each<[MacroEvent, string]>([
    [{ kind: 'key', code: 'KeyY', does: 'press', afterMs: 0 }, 'Press Z'],
    [{ kind: 'key', code: 'KeyA', does: 'release', afterMs: 0 }, 'Release A'],
    [{ kind: 'button', button: 3, does: 'press', afterMs: 0 }, 'Press Middle click'],
    [{ kind: 'wheel', detents: 2, sideways: 0, afterMs: 0 }, 'Turn wheel up 2'],
    [{ kind: 'wheel', detents: -1, sideways: -3, afterMs: 0 }, 'Turn wheel down 1, left 3'],
    [{ kind: 'wheel', detents: 0, sideways: 1, afterMs: 0 }, 'Turn wheel right 1'],
    [{ kind: 'wheel', detents: 0, sideways: 0, afterMs: 0 }, 'Turn wheel 0'],
    [{ kind: 'move', x: -4, y: 9, afterMs: 0 }, 'Move -4, 9 counts'],
    [{ kind: 'text', text: 'gg', afterMs: 0 }, 'Type “gg”'],
    [{ kind: 'pause', fromMs: 30, toMs: 30, afterMs: 0 }, 'Delay 30 ms'],
    [{ kind: 'pause', fromMs: 30, toMs: 50, afterMs: 0 }, 'Delay 30 to 50 ms'],
    [{ kind: 'layer', layer: 2, afterMs: 0 }, 'Layer 2'],
  ])('%j is “%s” on a German keyboard', (event, text) => {
    expect(englishText(eventMessage(event, 'de', SHELF))).toBe(text)
  })

  it('a macro within is called by its name, or said to be gone', () => {
    const within = (macro: string) =>
      englishText(eventObject({ kind: 'macro', macro, times: 1, afterMs: 0 } as MacroEvent, 'us', SHELF))
    expect([within('m1'), within('m9')]).toEqual(['Sonar sweep', 'a deleted macro'])
    expect(
      englishText(eventObject({ kind: 'code', bytes: '0a0b', afterMs: 0 } as MacroEvent, 'us', SHELF)),
    ).toMatch(/^2 B of/)
  })

  it('a name that could be taken for something else stands in quotes', () => {
    expect([macroName('m1', context), macroName('m2', context), macroName('m9', context)]).toEqual([
      'Sonar sweep',
      '“Held, on press”',
      'm9',
    ])
  })
})

describe('the words of actions', () => {
  it('durations leave out what is none of them', () => {
    expect([1, 60, 90, 3600, 3661, 86_400].map((seconds) => englishText(durationMessage(seconds)))).toEqual([
      '1 s',
      '1 min',
      '1 min 30 s',
      '1 h',
      '1 h 1 min 1 s',
      '24 h',
    ])
  })

  it.each<[Action, string, ReturnType<typeof actionFamily>]>([
    [{ kind: 'off' }, 'Off', 'system'],
    [{ kind: 'button', button: 1, clicks: 2 }, 'Double left click', 'binding'],
    [{ kind: 'scroll', direction: 'up', amount: 1 }, 'Scroll up', 'binding'],
    [{ kind: 'scroll', direction: 'left', amount: 5 }, 'Scroll left 5', 'binding'],
    [{ kind: 'step', to: 'next' }, 'Next step', 'motion'],
    [{ kind: 'slot', to: 3 }, 'Slot 3', 'system'],
    [{ kind: 'hold-step', step: 2 }, 'Hold step 2', 'motion'],
    [{ kind: 'hold-step', dpi: 400 }, 'Hold 400 DPI', 'motion'],
    [{ kind: 'layer', layer: 1, how: 'switch' }, 'Switch layer Dive', 'binding'],
    [{ kind: 'text', text: 'a "b"\n\t\\' }, 'Type “a \\"b\\"\\n\\t\\\\”', 'binding'],
    [
      { kind: 'open', what: 'address', target: 'www.saltmarsh.example' },
      'Open web www.saltmarsh.example',
      'binding',
    ],
    [{ kind: 'countdown', seconds: 90, colour: '#ffb000' }, 'Countdown 1 min 30 s', 'light'],
    [{ kind: 'countdown', seconds: 5, colour: '#ff0000' }, 'Countdown 5 s in #ff0000', 'light'],
    [{ kind: 'light', change: 'dimmer' }, 'Light dimmer', 'light'],
    [{ kind: 'stop-macros' }, 'Stop macros', 'macro'],
    [
      { kind: 'macro-parts', press: 'm1', release: 'm2' },
      'Macros on press Sonar sweep, on release “Held, on press”',
      'macro',
    ],
    [{ kind: 'later', code: 30, bytes: '' }, 'From a later version 30', 'system'],
  ])('%j is “%s”, of the family %s', (action, text, family) => {
    expect(actionText(action, context)).toBe(text)
    expect(actionFamily(action)).toBe(family)
  })

  it('modifiers stand in one order, each once, without the key itself', () => {
    expect(keyAction('ShiftLeft', ['ShiftLeft', 'AltLeft', 'ControlLeft', 'AltLeft'])).toEqual({
      kind: 'key',
      code: 'ShiftLeft',
      modifiers: ['ControlLeft', 'AltLeft'],
    })
    expect(inEnglish(shortcutKeys('copy', context))).toBe('Ctrl+C')
    expect(shortcutKeys('nothing', context)).toBeUndefined()
  })

  it('what others call things is read in our words, and nothing else is touched', () => {
    expect(
      ['M5', 'btn-2', 'mb 8', 'Next Profile', 'profile 3', 'DPI +', 'dpi -', 'Unbound'].map(replaceSynonyms),
    ).toEqual([
      'button 5',
      'button 2',
      'button 8',
      'Next slot',
      'slot 3',
      'next step',
      'previous step',
      'off',
    ])
    for (const own of ['m', 'mouse 9', 'profile', 'profiles 3', 'y']) expect(replaceSynonyms(own)).toBe(own)
    expect(englishText(unsupportedReason('mute microphone') ?? '')).toMatch(/No key mutes/)
    expect(unsupportedReason('mute')).toBeUndefined()
  })
})
