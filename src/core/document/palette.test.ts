import { englishText } from '../../messages/plain'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { parseColour } from '../base/colour-text'
import { toHex } from '../base/colour'
import { ProfileError } from '../base/errors'
import { checkProfile } from '../checks/checks'
import { compileProfile } from '../compile/compile'
import { moveProfile } from '../compile/move'
import { DEVICE_MODELS } from '../device/models'
import { anyStack } from './any-light.test-support'
import { anyColour } from './any-parameter.test-support'
import { lightsOfModel } from '../light/plan'
import { lightTargetOf, lightsIn } from '../edits/light-edits'
import { LIGHT_STARTERS, starterStack, applyLightStarter } from '../edits/light-starters'
import { mainColours, newPalette, paletteFromGpl, paletteToGpl } from './palette'
import { factoryProfile } from '../terms/profile'
import { runs } from '../base/runs.test-support'

describe('palettes', () => {
  it('go to a file and come back, and a file of anything else is refused by its line', () => {
    fc.assert(
      fc.property(fc.array(anyColour, { minLength: 1, maxLength: 40 }), (colours) => {
        const palette = newPalette('Deep water', colours)
        expect(paletteFromGpl(paletteToGpl(palette), 'x')).toEqual(palette)
      }),
    )
    const read = (text: string) => paletteFromGpl(text, 'From a file')
    expect(read('\ufeffGIMP Palette\r\nColumns: 3\r\n# sea\r\n  0 128 255  Sea\r\n')).toEqual(
      newPalette('From a file', ['#0080ff']),
    )
    for (const [text, reason] of [
      ['{}', /Line 1: not a GIMP palette/],
      ['GIMP Palette\nName: x\n', /no colour/],
      ['GIMP Palette\n1 2 3\n1 2\n', /Line 3/],
      ['GIMP Palette\n0 0 256\n', /Line 2/],
    ] as const) {
      expect(() => read(text)).toThrow(ProfileError)
      expect(() => read(text)).toThrow(reason)
    }
    fc.assert(
      fc.property(fc.string(), (text) => {
        try {
          read(`GIMP Palette\n${text}`)
        } catch (error) {
          expect(error).toBeInstanceOf(ProfileError)
        }
      }),
    )
  })

  it('are drawn from a picture: its own colours, the most frequent first, none of what is clear', () => {
    const pixels = [
      ...Array.from({ length: 60 }, () => [10, 200, 30, 255]),
      ...Array.from({ length: 30 }, () => [250, 0, 0, 255]),
      ...Array.from({ length: 200 }, () => [0, 0, 255, 0]),
    ]
    expect(mainColours(Uint8ClampedArray.from(pixels.flat()), 8).slice(0, 2)).toEqual([
      toHex({ red: 10, green: 200, blue: 30 }),
      toHex({ red: 250, green: 0, blue: 0 }),
    ])
    expect(mainColours(new Uint8ClampedArray(400), 8)).toEqual([])
  })

  it('take colours as people type them', () => {
    expect(
      ['Orange', ' ff9d2e', '#0F0', 'rgb(10 20 30)', 'hsl(0 100% 50%)', 'oklch(1 0 0)'].map(parseColour),
    ).toEqual(['#ffa500', '#ff9d2e', '#00ff00', '#0a141e', '#ff0000', '#ffffff'])
    for (const wrong of ['', 'orangey', '12', '#12345g', 'var(--ink)'])
      expect(parseColour(wrong)).toBeUndefined()
  })
})

describe('light to begin from, and light elsewhere', () => {
  it('can be shown by every device, and passes the checks and the compiler there', () => {
    for (const model of DEVICE_MODELS)
      for (const starter of LIGHT_STARTERS) {
        if (starterStack(starter, model, { kind: 'all' }).length === 0) continue
        const taken = applyLightStarter(factoryProfile(model, 'x'), model, starter, {
          where: { kind: 'all' },
          over: false,
        })
        expect(checkProfile(taken, model), `${model.name}, ${starter.id}`).toEqual([])
        expect(compileProfile(taken, model).findings).toEqual([])
      }
  })

  it('goes by place: a stack of one model becomes one that every other can show', () => {
    for (const from of DEVICE_MODELS)
      for (const to of DEVICE_MODELS)
        fc.assert(
          fc.property(anyStack(from), (light) => {
            const { profile, report } = moveProfile({ ...factoryProfile(from, 'x'), light }, from, to)
            const errors = checkProfile(profile, to).filter(({ severity }) => severity === 'error')
            expect(errors).toEqual([])
            const told = report.filter(({ what }) => englishText(what).startsWith('Light, '))
            expect(told).toHaveLength(light.length)
          }),
          runs(25),
        )
  })

  it('says a set of lights the shortest way, and means the same lights', () => {
    for (const model of DEVICE_MODELS) {
      const ids = lightsOfModel(model).map(({ id }) => id)
      fc.assert(
        fc.property(fc.subarray(ids), (some) => {
          expect(lightsIn(model, lightTargetOf(model, some))).toEqual(some)
        }),
      )
    }
  })
})
