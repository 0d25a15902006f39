import { englishText } from '../../messages/plain'
import { actionText, typingIn } from '../../messages/english.test-support'
import fc from 'fast-check'
import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import { ACTIONS, endAction, startAction } from '../actions/registry'
import type { DeviceOperations } from '../actions/action'
import { readAction, writeAction } from '../actions/records'
import { ByteReader, ByteWriter } from '../base/bytes'
import { runs } from '../base/runs.test-support'
import { compareVersions, FIRST_FIRMWARE } from '../base/versions'
import { DEVICE_MODELS } from '../device/models'
import { tern7 } from '../device/models/tern-7'
import { SINGLE_NAMES } from '../document/action-schema'
import { anyEvent, SELF_CONTAINED } from '../document/any-macro.test-support'
import { anyKind } from '../document/any-parameter.test-support'
import { anyOfKind } from '../document/any-profile.test-support'
import { EVENTS } from '../document/event-kinds'
import { addLayer } from '../edits/layer-edits'
import { type StackedEffect } from '../document/light'
import { lowerShownLight, newStackItem, withoutMacros } from '../terms/light'
import { lowerMacro } from '../terms/lower-macro'
import { emptyMacro, EMPTY_SHELF, shelfOf } from '../document/macro'
import { lowerAction, raiseAction } from '../terms/onboard-terms'
import { factoryProfile } from '../terms/profile'
import { CONDITION_NAMES, conditionParameters, CONDITIONS, conditionStart } from '../effects/conditions'
import type { LightState } from '../effects/effect'
import { ONE } from '../effects/fixed'
import { painted } from '../effects/painting.test-support'
import {
  EFFECT_NAMES,
  effectKind,
  EFFECTS,
  parametersOf,
  timingOf,
  type LightEffect,
} from '../effects/registry'
import { composeLight, driveLights, prepareLight } from '../light/compose'
import { lightFigures } from '../light/current'
import { effectDurationMs, isAnimated } from '../light/animation'
import { EXTENDED, readMacro, writeMacro } from '../onboard/macro-code'
import { SETTING_KINDS } from '../onboard/settings'
import { contextOf } from '../text/context'
import { emptyProgram } from '../document/program'
import { readCommandList } from '../programs/read-commands'
import { commandActions, plainAction } from '../terms/commands'
import { eventMessage } from '../text/event-text'
import { parseAction } from '../text/parse-action'

/**
 * Requirements for every kind in the registries: a new kind that declares something wrong, or misses a step, fails
 * here.
 */

const terms = withoutMacros(tern7)
const lowered = (effect: object) =>
  itemAt(lowerShownLight([{ ...newStackItem('solid'), effect } as StackedEffect], terms), 0)
const anyEffect = (name: (typeof EFFECT_NAMES)[number]) =>
  anyKind(name, parametersOf(name), { model: tern7 }).map((effect) => lowered(effect).effect)

const PRESS = { input: 1, atMs: 0, upMs: 50 }
const LAYER = { layer: 1, atMs: 0, colour: { red: 255, green: 0, blue: 0 }, inputs: new Set([1]) }
const COUNTDOWN = { atMs: 0, lengthMs: 4000, colour: { red: 255, green: 176, blue: 0 } }
const SET_OFF = {
  press: { presses: [PRESS] },
  layer: { state: { layers: [LAYER] } },
  countdown: { state: { countdown: COUNTDOWN } },
} as const
/** All triggers have occurred. */
const BUSY = { presses: [PRESS], state: { layers: [LAYER], countdown: COUNTDOWN, presses: [PRESS] } }

const look = (effect: LightEffect, moment: Parameters<typeof painted>[1]) => {
  const { red, green, blue, cover } = painted(effect, moment)
  return JSON.stringify([red, green, blue, cover].map((each) => [...each]))
}
const covers = (effect: LightEffect, moment: Parameters<typeof painted>[1]) => [
  ...painted(effect, moment).cover,
]

describe.each(EFFECT_NAMES)('the effect %s', (name) => {
  it('moves as its definition says', () => {
    const times = fc.integer({ min: 0, max: 60_000 })
    fc.assert(
      fc.property(anyEffect(name), times, (effect, ms) => {
        const timing = timingOf(effect)
        if (timing.moves === 'never')
          for (const moment of [{}, BUSY]) expect(look(effect, { ...moment, ms })).toBe(look(effect, moment))
        if (timing.moves !== 'after') return
        expect(covers(effect, { ms }).every((cover) => cover === 0)).toBe(true)
        if (timing.lastsMs === undefined) return
        const over = PRESS.upMs + timing.lastsMs
        expect(covers(effect, { ...SET_OFF[timing.what], ms: over + ms }).every((cover) => cover === 0)).toBe(
          true,
        )
      }),
      runs(30),
    )
  })

  it('moves at all, where its definition says so, and shows by what sets it off', () => {
    const effects = fc.sample(anyEffect(name), { numRuns: 40, seed: 7 })
    const timings = effects.map((effect) => timingOf(effect).moves)
    if (timings.includes('always'))
      expect(
        effects.some(
          (effect) => new Set(Array.from({ length: 16 }, (_, at) => look(effect, { ms: at * 97 }))).size > 1,
        ),
      ).toBe(true)
    for (const effect of effects) {
      const timing = timingOf(effect)
      if (timing.moves === 'after')
        expect(
          Array.from({ length: 40 }, (_, at) =>
            covers(effect, { ...SET_OFF[timing.what], ms: at * 10 }),
          ).some((cover) => cover.some((each) => each > 0)),
        ).toBe(true)
    }
  })

  it('covers all below it, or does not, as its definition says', () => {
    const moment = fc.record({ ms: fc.integer({ min: 0, max: 20_000 }), busy: fc.boolean() })
    const always = (effect: LightEffect, { ms, busy }: { ms: number; busy: boolean }) =>
      covers(effect, { ...(busy ? BUSY : {}), ms }).every((cover) => cover === ONE)
    if (effectKind(name).covers) fc.assert(fc.property(anyEffect(name), moment, always), runs(60))
    else
      expect(
        fc
          .sample(fc.tuple(anyEffect(name), moment), { numRuns: 60, seed: 3 })
          .every(([effect, at]) => always(effect, at)),
      ).toBe(false)
  })

  it('draws the current that its frames draw', () => {
    const state: LightState = {
      step: { red: 0, green: 255, blue: 0 },
      layers: [],
      chargePercent: 70,
      charging: false,
      connection: 1,
      presses: [],
      macros: [],
      lastInputMs: 0,
      arrivalAtMs: 0,
    }
    // The same effects every time: a flash of a hundredth of a period may lie between two sampled moments.
    for (const effect of fc.sample(anyEffect(name), { numRuns: 12, seed: 9 })) {
      const entry = { ...lowered(newStackItem('solid').effect), effect }
      const { meanMa, peakMa } = lightFigures([entry], tern7, state)
      const prepared = prepareLight([entry], tern7)
      const drawn = Array.from({ length: 400 }, (_, at) => {
        const ms = Math.floor((at * Math.max(4000, effectDurationMs(effect))) / 400)
        return driveLights(composeLight(prepared, state, ms), ONE, tern7.electrical).ma
      })
      const max = Math.max(...drawn)
      const mean = drawn.reduce((sum, ma) => sum + ma, 0) / drawn.length
      expect(Math.abs(mean - meanMa)).toBeLessThan(0.6 + 0.05 * max)
      if (!isAnimated(entry)) expect(peakMa).toBeCloseTo(max, 9)
    }
  })
})

describe.each(CONDITION_NAMES)('the condition %s', (name) => {
  it('begins and ends by itself, or does not, as its definition says', () => {
    const resting: LightState = {
      step: { red: 0, green: 0, blue: 0 },
      layers: [LAYER],
      chargePercent: 5,
      charging: true,
      connection: 1,
      presses: [],
      macros: [{ macro: 1, atMs: 0 }],
      lastInputMs: 0,
      arrivalAtMs: 0,
    }
    const changes = fc
      .sample(anyKind(name, conditionParameters(name), { model: tern7 }), { numRuns: 30, seed: 5 })
      .some((when) => {
        const { when: low } = itemAt(
          lowerShownLight([{ ...newStackItem('solid'), when } as StackedEffect], terms),
          0,
        )
        const holds = [0, 40, 400, 4000, 61_000, 3_700_000].map(
          (ms) => conditionStart(low, resting, ms) !== undefined,
        )
        return new Set(holds).size > 1
      })
    expect(changes).toBe(CONDITIONS[name].byItself)
  })
})

describe('codes', () => {
  it.each([
    ['effects', EFFECTS, 30],
    ['conditions', CONDITIONS, 30],
    ['actions', ACTIONS, 30],
    ['settings', SETTING_KINDS, 30],
    ['operations', EXTENDED, 255],
  ] as const)('of %s are each of its own, and within what a record can say', (_, registry, max) => {
    const codes = Object.values(registry as Record<string, { code: number }>).map(({ code }) => code)
    expect(new Set(codes).size).toBe(codes.length)
    expect(Math.max(...codes)).toBeLessThanOrEqual(max)
  })
})

describe('vectors', () => {
  it.each([
    ...EFFECT_NAMES.map((name) => `effect-${name}`),
    ...CONDITION_NAMES.map((name) => `condition-${name}`),
  ])('has frames of %s', (name) => {
    const rows = readFileSync(`docs/vectors/light/${name}.csv`, 'utf8').trim().split('\n')
    expect(rows.length).toBeGreaterThan(20)
  })
})

const context = (model = tern7) => {
  const macros = shelfOf([emptyMacro('sonar', 'Sonar sweep'), emptyMacro('winch', 'Winch 2')])
  const profile = addLayer(factoryProfile(model, 'Brinewatch', { system: 'windows', layout: 'us' }), 'Dive')
  const program = {
    ...emptyProgram('brinewatch', 'Brinewatch'),
    commands: readCommandList('Vent tanks: Ctrl+V\n"Tap, else hold": Mouse 4\nV: wheel up', {
      layout: 'us',
    }).entries.flatMap((entry, index) =>
      entry.kind === 'command' ? [{ id: `c${index}`, ...entry.draft }] : [],
    ),
  }
  return typingIn(contextOf(profile, model, macros, commandActions(program, profile.computer)))
}

describe.each(SINGLE_NAMES)('the action %s', (name) => {
  const inContext = context()
  const any = anyOfKind(name, inContext) ?? fc.constant(undefined as never)
  const ids = ['sonar', 'winch']
  const computer = inContext.computer
  const down = (action: Parameters<typeof lowerAction>[0]) =>
    lowerAction(action, computer, (id) => ids.indexOf(id) + 1)

  it('is read back from its text, and from its bytes', () => {
    fc.assert(
      fc.property(any, (action) => {
        expect(parseAction(actionText(action, inContext), inContext)).toEqual({ action })
        const writer = new ByteWriter()
        writeAction(writer, down(action))
        const read = readAction(new ByteReader(writer.toBytes()))
        expect(read).toEqual(down(action))
        const raised = raiseAction(read, computer, (number) => ids[number - 1])
        expect(actionText(raised, inContext)).toBe(actionText(plainAction(action), inContext))
      }),
      runs(40),
    )
  })

  it('asks the device for something, unless it is there to do nothing', () => {
    fc.assert(
      fc.property(any, (action) => {
        const image = down(action)
        if (image.kind === 'unknown') return
        const asked: string[] = []
        const reach = new Proxy({} as DeviceOperations, {
          get: (_, what: string) => () => void asked.push(what),
        })
        startAction(image, reach)
        endAction(image, reach)
        expect(asked.length > 0).toBe(image.kind !== 'off')
      }),
      runs(20),
    )
  })
})

describe.each(SELF_CONTAINED)('the event %s', (name) => {
  const on = { system: 'windows', layout: 'us' } as const

  it('comes back from its bytes as the same operations, and has words', () => {
    fc.assert(
      fc.property(anyEvent(name), (event) => {
        const macro = { ...emptyMacro('m', 'Sonar'), events: [event] }
        const ops = lowerMacro(macro, EMPTY_SHELF, on)
        expect(readMacro(writeMacro(ops))).toEqual(ops)
        expect(englishText(eventMessage(event, 'us', EMPTY_SHELF))).not.toMatch(/undefined|NaN|\[object/)
      }),
      runs(30),
    )
  })
})

describe('every model', () => {
  const offered = JSON.parse(readFileSync('public/firmware/index.json', 'utf8')) as {
    model: string
    version: { major: number; minor: number }
    file: string
  }[]
  const kinds = [EFFECTS, CONDITIONS, ACTIONS, SETTING_KINDS, EXTENDED, EVENTS].flatMap(
    (registry): { since: typeof FIRST_FIRMWARE }[] => Object.values(registry),
  )

  it.each(DEVICE_MODELS)(
    '$name has firmware to offer, which does all there is, a stand-in and documentation',
    (model) => {
      const found = offered.find(({ model: id }) => id === model.id)
      expect(found, 'run npm run firmware').toBeDefined()
      expect(existsSync(`public/firmware/${found?.file}`)).toBe(true)
      for (const { since } of kinds)
        expect(compareVersions(since, found?.version ?? FIRST_FIRMWARE)).toBeLessThanOrEqual(0)
      expect(model.standIn.serial).toBeGreaterThan(0)
      expect(readFileSync('docs/onboard-tables.md', 'utf8')).toContain(`### ${model.name}\n`)
      expect(
        readdirSync('demo/profiles').some((file) =>
          readFileSync(`demo/profiles/${file}`, 'utf8').includes(`"model": "${model.id}"`),
        ),
      ).toBe(true)
    },
  )
})
