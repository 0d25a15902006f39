import fc from 'fast-check'
import { deflateSync } from 'node:zlib'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import { crc32 } from '../base/crc32'
import { ProfileError } from '../base/errors'
import { compileProfile } from '../compile/compile'
import { DEVICE_MODELS } from '../device/models'
import { tern7 } from '../device/models/tern-7'
import { anyProfile } from '../document/any-profile.test-support'
import { setPlayRule, setProfileTags } from '../edits/edits'
import { factoryProfile } from '../terms/profile'
import { readShared, extractShared, shareLink, shareText } from './link'
import { extractText, embedInPng, embedInSvg } from './picture'
import { deflateBytes, inflateBytes } from './deflate'
import { runs } from '../base/runs.test-support'

const anyShared = fc
  .constantFrom(...DEVICE_MODELS)
  .chain((model) => fc.record({ model: fc.constant(model), profile: anyProfile(model) }))

/** Random words of extreme lengths. */
const mutated = (text: string): fc.Arbitrary<string> =>
  fc
    .record({
      at: fc.nat(text.length - 1),
      put: fc.string({ unit: fc.constantFrom(...'ABCabc019-_'), maxLength: 6 }),
      cut: fc.nat(4),
    })
    .map(({ at, put, cut }) => text.slice(0, at) + put + text.slice(at + cut))

describe('a profile as a link', () => {
  it('is the image its device keeps, its tags and its rules', () => {
    const property = fc.property(anyShared, ({ model, profile }) => {
      const text = shareText(profile, model)
      expect(text).toMatch(/^[\w-]+$/)
      const { profile: read, macros } = readShared(extractShared(shareLink('http://localhost', text)))
      const shelf = new Map(macros.map((macro) => [macro.id, macro]))
      expect(compileProfile(read, model, shelf).bytes).toEqual(compileProfile(profile, model).bytes)
    })
    fc.assert(property, runs(40))
    const tagged = setPlayRule(
      setProfileTags(factoryProfile(tern7, 'Salvage'), ['Brinewatch', 'crew']),
      'one-action',
      true,
    )
    expect(readShared(shareText(tagged, tern7)).profile).toEqual(tagged)
  })

  it('is refused, with the reason, where it is damaged, cut or later', () => {
    const text = shareText(factoryProfile(tern7, 'Salvage'), tern7)
    const property = fc.property(mutated(text), (bad) => {
      fc.pre(bad !== text)
      expect(() => readShared(bad)).toThrow(ProfileError)
    })
    fc.assert(property, runs(400))
    const bytes = Buffer.from(text, 'base64url')
    bytes[0] = 2
    bytes.writeUInt32LE(crc32(bytes.subarray(0, -4)), bytes.length - 4)
    expect(() => readShared(bytes.toString('base64url'))).toThrow(/version 2, but this Unisera reads/)
    expect(() => readShared('no link')).toThrow(/invalid characters/)
  })

  it('unpacks to no more than a profile has', () => {
    const bomb = new Uint8Array(deflateSync(Buffer.alloc(1 << 24))).subarray(2)
    expect(() => inflateBytes(bomb, 1 << 17)).toThrow(/more than 131,072 bytes/)
    const bytes = Uint8Array.from({ length: 5000 }, (_, at) => (at * at) & 0xff)
    expect(inflateBytes(deflateBytes(bytes), 5000)).toEqual(bytes)
    expect(() => inflateBytes(deflateBytes(bytes).subarray(0, -3), 5000)).toThrow(/damaged/)
  })
})

/** One grey pixel. */
const PIXEL = Uint8Array.from(
  Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAAAAAA6fptVAAAACklEQVR4nGNoAAAAggCBd81ytgAAAABJRU5ErkJggg==',
    'base64',
  ),
)

describe('a picture that is a profile', () => {
  const text = JSON.stringify({ format: 'unisera-profile', name: 'Größe < & > "🜲"' })

  it('carries its text as PNG and as SVG', () => {
    expect(extractText(embedInPng(PIXEL, text))).toBe(text)
    const svg = '<svg xmlns="http://www.w3.org/2000/svg" width="1"><title>x</title></svg>'
    const carrying = embedInSvg(svg, text)
    expect(extractText(new TextEncoder().encode(carrying))).toBe(text)
    expect(carrying.replace(/<metadata.*<\/metadata>/, '')).toBe(svg)
    expect(extractText(new TextEncoder().encode(text))).toBe(text)
  })

  it('is refused, with the reason, without one or with a damaged one', () => {
    expect(() => extractText(PIXEL)).toThrow(/contains no profile/)
    expect(() => extractText(new TextEncoder().encode('<svg></svg>'))).toThrow(/contains no profile/)
    const whole = embedInPng(PIXEL, text)
    const property = fc.property(fc.integer({ min: PIXEL.length, max: whole.length - 13 }), (at) => {
      const bad = Uint8Array.from(whole)
      bad[at - 4] = itemAt(bad, at - 4) ^ 0x10
      expect(() => extractText(bad)).toThrow(ProfileError)
    })
    fc.assert(property)
  })
})
