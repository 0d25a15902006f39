import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import { tern7 } from '../device/models/tern-7'
import { isUnknown } from '../onboard/light-stack'
import { lowerAction, raiseAction } from '../terms/onboard-terms'
import { factoryContext } from '../text/context'
import { anyAction, anyComputer } from '../document/any-profile.test-support'
import { factoryProfile } from '../terms/profile'
import { EMPTY_SHELF, parseMacro, shelfOf } from '../document/macro'
import { parseProfile } from '../document/schema'
import { actionRecord, readAction, writeAction } from '../actions/records'
import type { ImageAction } from '../actions/registry'
import { readTagged, writeTagged } from '../actions/tagged'
import { ByteReader, ByteWriter, ImageError } from '../base/bytes'
import { compileProfile } from './compile'
import { crc32 } from '../base/crc32'
import { decompileImage, decompileMacros } from './decompile'
import { decodeImage, encodeImage, FORMAT_VERSION, imageChecksum, MAGIC, checkModel } from '../onboard/format'
import { SECTION } from '../onboard/image'
import { lowerProfile } from './lower'
import { runs } from '../base/runs.test-support'

const FOUR_LAYERS = ['Base', 'Dive', 'Winch', 'Bridge'].map((name) => ({ name, colour: 'sky' as const }))

/** An image built by hand from sections, as a later version might write it. */
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

/** Sections as any writer may combine them: known ones with known and unknown records, and unknown ones. */
const anyRecord = fc
  .tuple(fc.nat(31), fc.array(fc.oneof(fc.nat(9), fc.nat(255)), { maxLength: 9 }))
  .map(([code, payload]) => {
    const writer = new ByteWriter()
    writeTagged(writer, code, payload)
    return [...writer.toBytes()]
  })
const counted = (bytes: number[]) => [bytes.length, ...bytes]
const anyName = fc.array(fc.oneof(fc.integer({ min: 0x61, max: 0x7a }), fc.nat(255)), { maxLength: 30 })
const anySection: fc.Arbitrary<[number, number[]]> = fc.oneof(
  anyName.map((name): [number, number[]] => [SECTION.name, name]),
  fc
    .tuple(
      fc.nat(1),
      fc.uniqueArray(fc.nat(9), { maxLength: 4 }),
      fc.array(anyRecord, { minLength: 4, maxLength: 4 }),
    )
    .map(([layer, inputs, records]): [number, number[]] => [
      SECTION.bindings,
      [layer, ...inputs.flatMap((input, index) => [input, ...itemAt(records, index)])],
    ]),
  fc
    .array(fc.array(anyRecord, { maxLength: 3 }), { maxLength: 3 })
    .map((zones): [number, number[]] => [
      SECTION.light,
      zones.flatMap((stack, zone) => [zone, stack.length, ...stack.flat()]),
    ]),
  anyName.map((name): [number, number[]] => [SECTION.layers, [1, ...counted([1, 9, ...name])]]),
  fc
    .uniqueArray(fc.tuple(fc.integer({ min: 1, max: 9 }), fc.uint8Array({ maxLength: 12 })), {
      selector: ([number]) => number,
      maxLength: 4,
    })
    .map((macros): [number, number[]] => [
      SECTION.macros,
      macros.flatMap(([number, code]) => [number, ...counted([...code])]),
    ]),
  fc
    .uniqueArray(anyRecord, { selector: ([head = 0]) => head >> 3, maxLength: 5 })
    .map((records): [number, number[]] => [SECTION.settings, records.flat()]),
  fc
    .tuple(fc.nat(255), fc.nat(255))
    .map((rates): [number, number[]] => [SECTION.polling, [0, rates[0], 1, rates[1]]]),
  fc
    .tuple(fc.integer({ min: 15, max: 127 }), fc.array(fc.nat(255), { maxLength: 6 }))
    .map(([type, payload]): [number, number[]] => [type, payload]),
)
const anySections = fc.uniqueArray(anySection, { selector: ([type]) => type, maxLength: 7 })

/** The profile of an image, with the macros that only the image has. */
function throughTheLibrary(bytes: Uint8Array): Uint8Array {
  const shelf = shelfOf(decompileMacros(bytes, EMPTY_SHELF))
  const profile = decompileImage(bytes, tern7, shelf)
  // As in storage and files.
  const stored = parseProfile(JSON.parse(JSON.stringify(profile)))
  const macros = [...shelf.values()].map((macro) => parseMacro(JSON.parse(JSON.stringify(macro))))
  return encodeImage(lowerProfile(stored, tern7, shelfOf(macros))).bytes
}

describe('a reader of today and a writer of tomorrow', () => {
  it('whatever is read passes the gate, and what becomes of it stays the same from then on', () => {
    let read = 0
    fc.assert(
      fc.property(anySections, (sections) => {
        const bytes = imageOf(...sections)
        let image
        try {
          image = decodeImage(bytes)
          checkModel(image, { number: tern7.number, factoryLayers: 0 })
        } catch (error) {
          expect(error).toBeInstanceOf(ImageError)
          return
        }
        read++
        const once = throughTheLibrary(bytes)
        expect(throughTheLibrary(once)).toEqual(once)
        // Unknown parts are preserved throughout.
        const again = decodeImage(once)
        expect(again.unknown).toEqual(image.unknown)
        expect(again.settingsKept).toEqual(image.settingsKept)
        expect(again.macros.map(({ number, code }) => [number, code])).toEqual(
          image.macros.map(({ number, code }) => [number, code]),
        )
        expect(unknownActions(again)).toEqual(unknownActions(image))
        expect(unknownLight(again)).toEqual(unknownLight(image))
      }),
      runs(200),
    )
    expect(read).toBeGreaterThan(runs(100).numRuns)
  })

  it('reads an image of the first minor version as it always did', () => {
    const old = imageOf([SECTION.name, [0x61]], [SECTION.steps, [0, 5, 0x90, 1, 1, 2, 3]])
    expect(throughTheLibrary(old)).not.toEqual(old)
    expect(decodeImage(throughTheLibrary(old))).toMatchObject({ minor: 0, name: 'a', steps: [{ dpi: 400 }] })
  })
})

/** Effects from a later version, byte for byte. */
const unknownLight = ({ light }: ReturnType<typeof decodeImage>) => (light ?? []).filter(isUnknown)

/** Unknown records of existing inputs. */
const unknownActions = (image: ReturnType<typeof decodeImage>) =>
  image.layers.flatMap(({ bindings }, layer) =>
    tern7.inputs.flatMap(({ number }) => {
      const action = bindings.get(number)
      return action?.kind === 'unknown' ? [{ layer, number, action }] : []
    }),
  )

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
    const kept: ImageAction[] = [
      { kind: 'unknown', code: 30, payload: [9] },
      { kind: 'key', usage: 0xa7, modifiers: 0 },
      { kind: 'consumer', usage: 0x3fe },
      { kind: 'scroll', wheel: 1, pan: 1 },
      { kind: 'strokes', purpose: 'text', strokes: [{ kind: 'wait', ms: 100 }] },
    ]
    for (const action of kept) {
      const raised = raiseAction(action, computer)
      expect(raised.kind).toBe('later')
      expect(actionRecord(lowerAction(raised, computer))).toEqual(actionRecord(action))
    }
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
