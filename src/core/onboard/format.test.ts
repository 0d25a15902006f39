import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import { ByteWriter, ImageError } from '../base/bytes'
import { crc32 } from '../base/crc32'
import { decodeImage, encodeImage, MAX_IMAGE_BYTES, readHeader, checkModel } from './format'
import { emptyImage, emptyLayer, type ImageLayer, type OnboardImage } from './image'

/** An image as documented: header, sections in sequence, checksum. */
function bytesOf(
  sections: number[][],
  { magic = 0x5355, version = 1, minor = 2, model = 0x0107, length = 0 } = {},
) {
  const body = sections.flatMap(([type = 0, ...payload]) => [type, payload.length, ...payload])
  const writer = new ByteWriter()
  writer.u16(magic)
  writer.bytes([version, minor])
  writer.u16(model)
  writer.u16(length || 8 + body.length + 4)
  writer.bytes(body)
  writer.u32(crc32(writer.toBytes()))
  return writer.toBytes()
}
const read = (...sections: number[][]) => decodeImage(bytesOf(sections))
const image = (by: Partial<OnboardImage> = {}): OnboardImage => ({ ...emptyImage(0x0107), ...by })
const layer = (by: Partial<ImageLayer> = {}): ImageLayer => ({ ...emptyLayer(), ...by })
/** The written sections: each type with its payload. */
function written(from: OnboardImage): number[][] {
  const { bytes, sections } = encodeImage(from)
  let at = 8
  return sections.map(({ type, bytes: length }) => {
    const payload = [...bytes.slice(at + 2, at + length)]
    at += length
    return [type, ...payload]
  })
}
const OFF = { kind: 'off' } as const

describe('the header of an image', () => {
  it('is twelve bytes around nothing, and read back', () => {
    const { bytes } = encodeImage(image())
    expect([...bytes.slice(0, 8)]).toEqual([0x55, 0x53, 1, 0, 0x07, 0x01, 12, 0])
    expect(readHeader(bytes)).toEqual({ model: 0x0107, minor: 0, length: 12 })
    expect(decodeImage(bytes)).toEqual(image())
  })

  it.each([
    ['too short for one', bytesOf([]).slice(0, 11), /11 bytes are too few/],
    ['something else', bytesOf([], { magic: 0x5354 }), /does not start with the bytes 55 53/],
    [
      'a later format',
      bytesOf([], { version: 2 }),
      /The image has format version 2, but Unisera reads version 1/,
    ],
    ['longer than it is', bytesOf([], { length: 13 }), /should have 13 bytes but has 12/],
    ['shorter than a header', bytesOf([], { length: 11 }), /should have 11 bytes but has 12/],
    [
      'changed on the way',
      bytesOf([[1, 65]]).map((byte, at) => (at === 10 ? 66 : byte)),
      /: [0-9A-F]{8} stored, [0-9A-F]{8} computed$/,
    ],
  ])('%s is refused, and why is said', (_, bytes, why) => {
    expect(() => decodeImage(bytes)).toThrow(ImageError)
    expect(() => readHeader(bytes)).toThrow(why)
  })

  it('does not look at what lies behind its end', () => {
    expect(decodeImage(Uint8Array.from([...bytesOf([[1, 65]]), 9, 9])).name).toBe('A')
  })

  it('names the least version that has all that is said', () => {
    const minorOf = (by: Partial<OnboardImage>) => encodeImage(image(by)).bytes[3]
    expect(minorOf({ layers: [layer({ bindings: new Map([[1, OFF]]) })] })).toBe(0)
    expect(minorOf({ revision: 1 })).toBe(1)
    expect(minorOf({ layers: [layer(), layer({ name: 'Dive' })], layersListed: true })).toBe(0)
    for (const says of [{ name: 'Base' }, { colour: 2 }, { signal: 1 }])
      expect(minorOf({ layers: [layer(says), layer()], layersListed: true })).toBe(1)
    expect(minorOf({ light: [] })).toBe(2)
    expect(minorOf({ minor: 5, light: [] })).toBe(5)
  })

  it('cannot say more than its length field has room for', () => {
    const name = (bytes: number) => encodeImage(image({ name: 'a'.repeat(bytes) })).bytes.length
    // Type and length of the name take four bytes.
    expect(name(MAX_IMAGE_BYTES - 16)).toBe(MAX_IMAGE_BYTES)
    expect(() => name(MAX_IMAGE_BYTES - 15)).toThrow(/65,536 bytes, but 65,535 is the maximum/)
  })
})

describe('the sections of an image', () => {
  it.each<[what: string, ...sections: number[][]]>([
    ['its name', [1, 65], [1, 66]],
    ['bindings of a layer', [2, 0, 1, 0], [2, 0, 2, 0]],
    ['an input on a layer', [2, 0, 1, 0, 1, 0]],
    ['a rate of a connection', [4, 0, 8, 0, 4]],
    ['a layer in the list', [6, 1, 2, 0, 0, 1, 2, 0, 0]],
    ['a macro', [7, 1, 0, 1, 0]],
    ['a name of an input', [8, 0, 1, 1, 65, 0, 1, 1, 66]],
    ['a name of a macro', [12, 1, 1, 65, 1, 1, 66]],
    ['a name of a step', [13, 0, 1, 65, 0, 1, 66]],
    ['a name of an effect', [15, 0, 1, 65, 0, 1, 66]],
  ])('say %s once', (_, ...sections) => {
    expect(() => read(...sections)).toThrow(/listed twice/)
  })

  it('are kept where they are not known, each for itself, but for those without which nothing is as it seems', () => {
    const bytes = bytesOf([[0x7f, 1, 2]])
    const { unknown } = decodeImage(bytes)
    expect(unknown).toEqual([{ type: 0x7f, payload: Uint8Array.of(1, 2) }])
    bytes.fill(0)
    expect(itemAt(unknown, 0).payload).toEqual(Uint8Array.of(1, 2))
    expect(written(image({ unknown: [{ type: 0x7f, payload: new Uint8Array() }] }))).toEqual([[0x7f]])
    expect(() => read([0x80])).toThrow(/Section 128 is from a later version/)
  })

  it('have bindings by the number of their input, and none of a layer without', () => {
    const bindings = new Map([
      [3, OFF],
      [1, OFF],
    ])
    expect(written(image({ layers: [layer({ bindings }), layer()] }))).toEqual([[2, 0, 1, 0, 3, 0]])
  })

  it('list layers, those that are bound among them', () => {
    const dive = [1, 6, 2, 3, 68, 105, 118, 101]
    const { layers, layersListed } = read([6, ...dive], [2, 1, 5, 0])
    expect(layersListed).toBe(true)
    expect(layers[1]).toEqual({ name: 'Dive', colour: 2, signal: 3, bindings: new Map([[5, OFF]]) })
    expect(read([2, 1, 5, 0]).layersListed).toBe(false)
    expect(() => read([6, ...dive], [2, 2, 5, 0])).toThrow(/Layer 2 is not in the list/)
    expect(() => read([2, 8, 5, 0])).toThrow(/expected a number up to 7/)
    // A signal that no device has is invalid.
    expect(itemAt(read([6, 1, 2, 0, 8]).layers, 1).signal).toBe(0)
    const base = layer({ name: 'B', colour: 1 })
    expect(written(image({ layers: [base, layer({ name: 'D' })], layersListed: true }))).toEqual([
      [6, 0, 3, 1, 0, 66, 1, 3, 0, 0, 68],
    ])
  })

  it('have macros by number, and their names apart', () => {
    const { macros } = read([7, 2, 1, 0x81, 1, 1, 0x82], [12, 2, 1, 65, 200, 1, 66])
    expect(macros).toEqual([
      { number: 1, name: '', code: Uint8Array.of(0x82) },
      { number: 2, name: 'A', code: Uint8Array.of(0x81) },
      { number: 200, name: 'B', code: new Uint8Array() },
    ])
    expect(written(image({ macros: macros.slice(0, 2) }))).toEqual([
      [7, 1, 1, 0x82, 2, 1, 0x81],
      [12, 2, 1, 65],
    ])
    for (const number of [0, 201]) {
      expect(() => read([7, number, 0])).toThrow(/expected a number from 1 to 200/)
      expect(() => read([12, number, 0])).toThrow(/expected a number from 1 to 200/)
    }
  })

  it('say what they were made for as soon as any of it is said', () => {
    const made = { system: 0, layout: 0, hand: 0 }
    expect(written(image())).toEqual([])
    expect(written(image({ made: { ...made, system: 2 } }))).toEqual([[11, 2, 0, 0]])
    expect(written(image({ made: { ...made, layout: 3 } }))).toEqual([[11, 0, 3, 0]])
    expect(written(image({ made: { ...made, hand: 1 } }))).toEqual([[11, 0, 0, 1]])
    expect(read([11, 2]).made).toEqual({ system: 2, layout: 0, hand: 0 })
  })

  it('have names, rates and the revision as their document says', () => {
    const names = [{ layer: 1, input: 4, name: 'Lamp' }]
    const stepNames = [{ step: 2, name: 'aim' }]
    const lightNames = [{ entry: 1, name: 'Low' }]
    const polling = [{ connection: 1, rateHz: 1000 }]
    const whole = image({ name: 'N', names, stepNames, lightNames, polling, revision: 3 })
    expect(written(whole)).toEqual([
      [1, 78],
      [4, 1, 8],
      [8, 1, 4, 4, 76, 97, 109, 112],
      [13, 2, 3, 97, 105, 109],
      [15, 1, 3, 76, 111, 119],
      [14, 3],
    ])
    expect(decodeImage(encodeImage(whole).bytes)).toEqual({ ...whole, minor: 1 })
  })

  it('take the stack of light before lights by zone, whichever comes first', () => {
    const dark = [5, 0, 0]
    const stack = itemAt(written(image({ light: [] })), 0)
    expect(read(dark).light).not.toEqual([])
    for (const order of [
      [stack, dark],
      [dark, stack],
    ])
      expect(read(...order).light).toEqual([])
  })
})

describe('an image and the model it is for', () => {
  it('are told apart by number, and by layers that only the factory knows', () => {
    const listed = image({ layers: [layer(), layer()], layersListed: true })
    const bound = image({ layers: [layer(), layer()] })
    expect(() => checkModel(bound, { number: 0x0108, factoryLayers: 1 })).toThrow(/0x0107, this is 0x0108/)
    expect(() => checkModel(bound, { number: 0x0107, factoryLayers: 1 })).not.toThrow()
    expect(() => checkModel(bound, { number: 0x0107, factoryLayers: 0 })).toThrow(/^Layer 1 has bindings/)
    expect(() => checkModel(listed, { number: 0x0107, factoryLayers: 0 })).not.toThrow()
  })
})
