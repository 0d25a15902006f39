import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import { DEVICE_MODELS } from '../device/models'
import { tern7 } from '../device/models/tern-7'
import { anyProfile } from '../document/any-profile.test-support'
import { factoryProfile } from '../terms/profile'
import { bindingBytes } from '../actions/records'
import { fromHexBytes, ImageError } from '../base/bytes'
import { CompileError, compileProfile } from './compile'
import { anyShelf } from '../document/any-macro.test-support'
import { EMPTY_SHELF, parseMacro, shelfOf, type Macro } from '../document/macro'
import { parseProfile } from '../document/schema'
import { decompileImage, decompileMacros } from './decompile'
import { crc32 } from '../base/crc32'
import { decodeImage, encodeImage } from '../onboard/format'
import { runs } from '../base/runs.test-support'
import { refusalOf } from '../../messages/english.test-support'

const sample = compileProfile(factoryProfile(tern7, 'Brinewatch'), tern7).bytes

const throughGate = (macro: Macro): Macro => parseMacro(JSON.parse(JSON.stringify(macro)))

/** The same document with its members in another order. */
function backwards<T>(value: T): T {
  if (Array.isArray(value)) return value.map(backwards) as T
  if (typeof value !== 'object' || value === null) return value
  return Object.fromEntries(
    Object.entries(value)
      .reverse()
      .map(([key, each]) => [key, backwards(each)]),
  ) as T
}

describe('onboard image', () => {
  it('computes the published check value of CRC-32/ISO-HDLC, in one part or several', () => {
    expect(crc32(new TextEncoder().encode('123456789'))).toBe(0xcbf43926)
    expect(crc32(new TextEncoder().encode('1234'), new TextEncoder().encode('56789'))).toBe(0xcbf43926)
    expect(crc32(new Uint8Array())).toBe(0)
  })

  it.each(DEVICE_MODELS.map((model) => [model.name, model] as const))(
    'brings every profile of %s back the same',
    (_, model) => {
      fc.assert(
        fc.property(anyProfile(model), (profile) => {
          const { bytes, budget } = compileProfile(profile, model)
          expect(decompileImage(bytes, model)).toEqual(profile)
          expect(budget.reduce((sum, part) => sum + part.bytes, 0)).toBe(bytes.length)
        }),
      )
    },
  )

  it.each(DEVICE_MODELS.map((model) => [model.name, model] as const))(
    'every profile of %s that passes the checks comes back through the gate, and makes the same bytes again',
    (_, model) => {
      const anyWithMacros = anyShelf.chain((shelf) =>
        fc.tuple(fc.constant(shelf), anyProfile(model, 6, shelf)),
      )
      fc.assert(
        fc.property(anyWithMacros, ([shelf, profile]) => {
          const { bytes } = compileProfile(profile, model, shelf)
          // Into a library that has the macros, and into an empty one.
          for (const known of [shelf, shelfOf(decompileMacros(bytes, EMPTY_SHELF).map(throughGate))]) {
            const read = parseProfile(JSON.parse(JSON.stringify(decompileImage(bytes, model, known))))
            expect(compileProfile(read, model, known).bytes).toEqual(bytes)
          }
          expect(compileProfile(backwards(profile), model, shelf).bytes).toEqual(bytes)
        }),
        runs(15),
      )
    },
  )

  it('has the bytes the page on the format works through', () => {
    const hex = Buffer.from(sample).toString('hex')
    const published = [
      '5553010007013600 010a4272696e657761746368 0316 0105 9001e04f2f 2003f2c14e 40062e9bd6 800cffffff',
      '0404 0008 0108 49323512',
    ]
    expect(hex).toBe(published.join('').replaceAll(' ', ''))
    expect(bindingBytes({ kind: 'key', usage: 0x1c, modifiers: 0 })).toBe(3)
    expect(bindingBytes({ kind: 'key', usage: 0x1c, modifiers: 3 })).toBe(4)
  })

  it('reads the light of images up to 1.1: one stack a zone, of which the top effect showed', () => {
    const old =
      '5553010007014700010a4272696e657761746368031601059001e04f2f2003f2c14e40062e9bd6800cffffff' +
      '040400080108050f00010c3c2e9bd60101153c502e9bd6c168a498'
    const { light, name } = decompileImage(fromHexBytes(old), tern7)
    expect(name).toBe('Brinewatch')
    // It contained factory settings, and it still does.
    expect(light).toEqual(factoryProfile(tern7, 'x').light)
  })

  it('detects every flip of a single bit', () => {
    for (let bit = 0; bit < sample.length * 8; bit++) {
      const flipped = sample.slice()
      flipped[bit >> 3] = itemAt(flipped, bit >> 3) ^ (1 << (bit & 7))
      expect(() => decodeImage(flipped), `bit ${bit}`).toThrow(ImageError)
    }
  })

  it('refuses anything else with a reason, cut short at any byte or made of noise', () => {
    for (let length = 0; length < sample.length; length++) {
      expect(() => decodeImage(sample.subarray(0, length))).toThrow(ImageError)
    }
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 300 }), (noise) => {
        expect(() => decodeImage(noise)).toThrow(ImageError)
      }),
    )
  })

  it('reads noise under a right header and checksum without crashing', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 200 }), (noise) => {
        const head = Uint8Array.of(0x55, 0x53, 1, 0, 7, 1, noise.length + 12, 0)
        const body = Uint8Array.from([...head, ...noise])
        const sum = crc32(body)
        const image = Uint8Array.from([...body, sum & 255, (sum >> 8) & 255, (sum >> 16) & 255, sum >>> 24])
        try {
          decompileImage(image, tern7)
        } catch (error) {
          expect(error).toBeInstanceOf(ImageError)
        }
      }),
      runs(500),
    )
  })

  it('refuses an image of another model and of a later format', () => {
    const other = encodeImage({ ...decodeImage(sample), model: 0x0999 }).bytes
    expect(() => decompileImage(other, tern7)).toThrow(/model number 0x0999/)
    const later = sample.slice()
    later[2] = 2
    expect(() => decodeImage(later)).toThrow(/format version 2/)
  })

  it('does not compile a profile that has errors, and says all of them', () => {
    const broken = {
      ...factoryProfile(tern7, 'Broken'),
      steps: [{ dpi: 30_000, colour: '#ffffff' }],
      defaultStep: 0,
    }
    broken.polling = { ...broken.polling, cable: 4000 }
    expect(() => compileProfile(broken, tern7)).toThrow(CompileError)
    expect(refusalOf(() => compileProfile(broken, tern7))).toMatch(
      /Enter 50 to 26,000 DPI.*Cable cannot use 4000 Hz/,
    )
  })
})
