import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tern7 } from '../device/models/tern-7'
import { lowerAction, lowerEffect, raiseAction, raiseEffect } from '../profile/onboard-terms'
import { factoryContext } from '../profile/action-text'
import { anyAction, anyComputer } from '../profile/any-profile.test-support'
import { factoryProfile } from '../profile/profile'
import { readAction, readTagged, writeAction, writeTagged } from './actions'
import { ByteReader, ByteWriter, ImageError } from './bytes'
import { compileProfile } from './compile'
import { crc32 } from './crc32'
import { decodeImage, FORMAT_VERSION, imageChecksum, MAGIC, SECTION } from './format'

const FOUR_LAYERS = ['Base', 'Dive', 'Winch', 'Bridge'].map((name) => ({ name, colour: 'sky' as const }))

/** An image put together by hand from sections, as a later writer might. */
function imageOf(...sections: [type: number, payload: number[]][]): Uint8Array {
  const body = new ByteWriter()
  for (const [type, payload] of sections) {
    body.u8(type)
    body.varint(payload.length)
    body.bytes(payload)
  }
  const writer = new ByteWriter()
  writer.u16(MAGIC)
  writer.bytes([FORMAT_VERSION, 0])
  writer.u16(tern7.number)
  writer.u16(body.length + 12)
  writer.bytes(body.toBytes())
  writer.u32(crc32(writer.toBytes()))
  return writer.toBytes()
}

describe('a reader of today and a writer of tomorrow', () => {
  it('reads steps whose entries have grown', () => {
    const entry = (dpi: number) => [dpi & 0xff, dpi >> 8, 1, 2, 3, 0, 0, 0xaa, 0xbb]
    const image = decodeImage(imageOf([SECTION.steps, [1, 9, ...entry(400), ...entry(800)]]))
    expect(image.steps).toEqual([400, 800].map((dpi) => ({ dpi, colour: { red: 1, green: 2, blue: 3 } })))
    expect(image.defaultStep).toBe(1)
  })

  it('passes over actions and effects it does not know, and over what known ones have grown by', () => {
    const bindings = [0, 4, (30 << 3) | 2, 9, 9, 5, (1 << 3) | 5, 0x1c, 0, 0, 7, 7]
    const light = [
      0,
      2,
      (9 << 3) | 1,
      5,
      (1 << 3) | 5,
      50,
      1,
      2,
      3,
      99,
      1,
      1,
      (8 << 3) | 7,
      9,
      ...Array<number>(9).fill(3),
    ]
    const image = decodeImage(imageOf([SECTION.bindings, bindings], [SECTION.light, light]))
    expect(image.layers[0].bindings.get(4)).toEqual({ kind: 'unknown', code: 30, payload: [9, 9] })
    expect(image.layers[0].bindings.get(5)).toEqual({ kind: 'key', usage: 0x1c, modifiers: 0 })
    expect(image.light[0].stack).toEqual([
      { kind: 'solid', brightness: 50, colour: { red: 1, green: 2, blue: 3 } },
    ])
    expect(image.light[1]).toEqual({ zone: 1, stack: [] })
  })

  it('takes sections in any order, and layers it does not use', () => {
    const image = decodeImage(
      imageOf([SECTION.polling, [0, 8]], [0x60, []], [SECTION.bindings, [2, 1, 0]], [SECTION.name, [0x61]]),
    )
    expect(image).toMatchObject({ name: 'a', polling: [{ connection: 0, rateHz: 1000 }] })
    expect(image.layers.map(({ bindings }) => bindings.size)).toEqual([0, 0, 1])
    expect(image.unknown).toEqual([{ type: 0x60, payload: new Uint8Array() }])
  })

  it.each<[string, [number, number[]], RegExp]>([
    ['a name that is not UTF-8', [SECTION.name, [0xff, 0xfe]], /not UTF-8/],
    [
      'a default step that is not there',
      [SECTION.steps, [3, 5, 1, 0, 0, 0, 0]],
      /step 4 is the default, 1 are there/,
    ],
    ['steps too short to be any', [SECTION.steps, [0, 4, 1, 0, 0, 0]], /takes 4 bytes, 5 are due/],
    ['half a step', [SECTION.steps, [0, 5, 1, 0, 0]], /cut short/],
    ['a layer beyond all', [SECTION.bindings, [16]], /layers go up to 15/],
    ['half an action', [SECTION.bindings, [0, 5, (1 << 3) | 2, 0x1c]], /cut short/],
    ['an action of no bytes that needs one', [SECTION.bindings, [0, 5, 1 << 3]], /cut short/],
    ['half a polling rate', [SECTION.polling, [0]], /cut short/],
    ['fewer effects than it says', [SECTION.light, [0, 2, 0]], /cut short/],
  ])('refuses %s', (_, section, reason) => {
    expect(() => decodeImage(imageOf(section))).toThrow(reason)
  })

  it('never lets a light be brighter than full', () => {
    const image = decodeImage(imageOf([SECTION.light, [0, 1, (1 << 3) | 4, 255, 9, 9, 9]]))
    expect(image.light[0].stack[0]).toMatchObject({ brightness: 100 })
  })
})

describe('tagged records', () => {
  it('carry any payload of any length', () => {
    fc.assert(
      fc.property(fc.nat(31), fc.uint8Array({ maxLength: 400 }), (code, payload) => {
        const writer = new ByteWriter()
        writeTagged(writer, code, [...payload])
        const read = readTagged(new ByteReader(writer.toBytes()))
        expect(read.code).toBe(code)
        expect([...read.payload.rest()]).toEqual([...payload])
        expect(writer.length).toBe(payload.length + (payload.length < 7 ? 1 : payload.length < 128 ? 2 : 3))
      }),
    )
  })

  it('bring every action down to bytes and back up the same', () => {
    fc.assert(
      fc.property(
        anyComputer.chain((computer) =>
          fc.tuple(
            fc.constant(computer),
            anyAction({ ...factoryContext(tern7), computer, layers: FOUR_LAYERS }),
          ),
        ),
        ([computer, action]) => {
          const writer = new ByteWriter()
          writeAction(writer, lowerAction(action, computer))
          expect(raiseAction(readAction(new ByteReader(writer.toBytes())), computer)).toEqual(action)
        },
      ),
    )
    const { computer } = factoryContext(tern7)
    expect(raiseAction({ kind: 'unknown', code: 9, payload: [] }, computer)).toBeUndefined()
    expect(raiseAction({ kind: 'key', usage: 0xa7, modifiers: 0 }, computer)).toBeUndefined()
    expect(raiseAction({ kind: 'consumer', usage: 0x3fe }, computer)).toBeUndefined()
    const effect = { kind: 'breathing', colour: '#0a0b0c', brightness: 7, periodMs: 550 } as const
    expect(raiseEffect(lowerEffect(effect))).toEqual(effect)
  })

  it('have lengths that end', () => {
    expect(() => new ByteReader(Uint8Array.of(0x80, 0x80, 0x80, 0x80, 1)).varint()).toThrow(ImageError)
    fc.assert(
      fc.property(fc.nat(2 ** 28 - 1), (value) => {
        const writer = new ByteWriter()
        writer.varint(value)
        expect(new ByteReader(writer.toBytes()).varint()).toBe(value)
      }),
    )
  })
})

describe('the checksum that tells images apart', () => {
  it('differs where images do, though a CRC over an image and its own CRC never does', () => {
    const images = ['Brinewatch', 'Gantry Run', 'Hollow Tithe'].map(
      (name) => compileProfile(factoryProfile(tern7, name), tern7).bytes,
    )
    expect(new Set(images.map(imageChecksum)).size).toBe(3)
    expect(new Set(images.map((image) => crc32(image))).size).toBe(1)
  })
})
