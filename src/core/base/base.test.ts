import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { itemAt } from './items'
import { ByteReader, ByteWriter, fromHexBytes, ImageError, MAX_VARINT, equalBytes, toHexBytes } from './bytes'
import { parseColour } from './colour-text'
import { crc32 } from './crc32'
import { deepFreeze } from './deep-freeze'
import { cleanName, truncateUtf8, fileStem, nameProblem, utf8Length } from './names'
import {
  choiceParameter,
  colourParameter,
  coloursParameter,
  millis,
  defaultOf,
  percent,
  type DefaultedParameters,
} from './parameters'
import { readValues, writeValues } from './parameter-bytes'
import { randomSource } from './random'
import { MAX_PROBLEMS, ProfileError } from './errors'
import { memoizeByObject } from './memoize'
import { runs } from './runs.test-support'
import { compareVersions, versionText } from './versions'
import { englishText } from '../../messages/plain'

const bytesOf = (write: (writer: ByteWriter) => void): number[] => {
  const writer = new ByteWriter()
  write(writer)
  return [...writer.toBytes()]
}
const readerOf = (...bytes: number[]) => new ByteReader(Uint8Array.from(bytes))

describe('bytes', () => {
  it('are little-endian numbers, LEB128 and text behind its length', () => {
    expect(bytesOf((writer) => writer.u8(0x1ff))).toEqual([0xff])
    expect(bytesOf((writer) => writer.u16(0x1234))).toEqual([0x34, 0x12])
    expect(bytesOf((writer) => writer.u32(0x89abcdef))).toEqual([0xef, 0xcd, 0xab, 0x89])
    expect(bytesOf((writer) => writer.bytes([1, 256, 3]))).toEqual([1, 0, 3])
    expect(bytesOf((writer) => writer.text('é!'))).toEqual([3, 0xc3, 0xa9, 0x21])
    for (const [value, bytes] of [
      [0, [0]],
      [127, [0x7f]],
      [128, [0x80, 1]],
      // The example of the DWARF standard, 7.6.
      [12857, [0xb9, 0x64]],
      [MAX_VARINT, [0xff, 0xff, 0xff, 0x7f]],
    ] as const) {
      expect(bytesOf((writer) => writer.varint(value))).toEqual(bytes)
      expect(readerOf(...bytes).varint()).toBe(value)
    }
    for (const value of [-1, MAX_VARINT + 1])
      expect(() => bytesOf((writer) => writer.varint(value))).toThrow(ImageError)
  })

  it('are read as they were written, and no further than they go', () => {
    const anyNumbers = fc.record({
      a: fc.nat(0xff),
      b: fc.nat(0xffff),
      c: fc.integer({ min: 0, max: 0xffffffff }),
      d: fc.nat(MAX_VARINT),
    })
    fc.assert(
      fc.property(anyNumbers, ({ a, b, c, d }) => {
        const writer = new ByteWriter()
        writer.u8(a)
        writer.u16(b)
        writer.u32(c)
        writer.varint(d)
        const bytes = writer.toBytes()
        expect(writer.length).toBe(bytes.length)
        const reader = new ByteReader(bytes)
        expect([reader.u8(), reader.u16(), reader.u32(), reader.varint(), reader.left]).toEqual([
          a,
          b,
          c,
          d,
          0,
        ])
        expect(() => reader.u8()).toThrow(`Incomplete: byte ${bytes.length} is missing`)
        expect(() => new ByteReader(bytes.subarray(0, 6)).sub(7)).toThrow(
          'expected 7 bytes at byte 0, found 6',
        )
      }),
      runs(60),
    )
    expect(() => readerOf(0x80, 0x80, 0x80, 0x80, 1).varint()).toThrow('more than four bytes')
  })

  it('are taken in parts, and the rest of them', () => {
    const reader = readerOf(1, 2, 3, 4, 5)
    expect(reader.u8()).toBe(1)
    const part = reader.sub(2)
    expect([part.u8(), part.left, part.u8Or(9), part.u8Or(9)]).toEqual([2, 1, 3, 9])
    expect([...part.all()]).toEqual([2, 3])
    expect([...reader.rest()]).toEqual([4, 5])
    expect(reader.left).toBe(0)
    expect(readerOf(0x61, 0xff, 0x62).text()).toBe('a\ufffdb')
  })

  it('are the same digit for digit', () => {
    expect(toHexBytes([0, 10, 255])).toBe('000aff')
    expect([...fromHexBytes('000aff')]).toEqual([0, 10, 255])
    const one = Uint8Array.of(1, 2)
    expect(equalBytes(one, Uint8Array.of(1, 2))).toBe(true)
    for (const other of [Uint8Array.of(1, 3), Uint8Array.of(1), Uint8Array.of(1, 2, 3), undefined])
      expect(equalBytes(one, other)).toBe(false)
    expect(equalBytes(undefined, undefined)).toBe(false)
  })

  it('have the check value that ISO/IEC 13239 gives, taken in parts or as one', () => {
    const text = new TextEncoder().encode('123456789')
    expect(crc32(text)).toBe(0xcbf43926)
    expect(crc32(text.subarray(0, 4), text.subarray(4))).toBe(0xcbf43926)
    expect(crc32()).toBe(0)
  })
})

describe('parameters as data', () => {
  const parameters = {
    period: millis(100, 5000, 1000),
    share: percent(50, 1),
    order: choiceParameter('first', 'second', 'third'),
    colour: colourParameter(1, 2, 3),
    colours: coloursParameter({ red: 0, green: 0, blue: 0 }, { red: 9, green: 9, blue: 9 }),
    inputs: { kind: 'inputs', default: [] as readonly number[] },
    layer: { kind: 'layer', min: 0, max: 255, default: 1 },
  } as const satisfies DefaultedParameters
  const as = (by: object) => ({ ...defaultOf(parameters), ...by })
  const written = (by: object) => bytesOf((writer) => writeValues(writer, parameters, as(by)))
  const read = (...bytes: number[]) => readValues(readerOf(...bytes), parameters)

  it('are left out from the end as far as they are as they come', () => {
    expect(written({})).toEqual([])
    expect(read()).toEqual(as({}))
    // A period of 2,000 ms is 200 units of 10 ms: two bytes. Everything after it is omitted.
    expect(written({ period: 2000 })).toEqual([0xc8, 1])
    expect(written({ order: 'third' })).toEqual([100, 50, 2])
    expect(written({ layer: 3 })).toEqual([100, 50, 0, 1, 2, 3, 2, 0, 0, 0, 9, 9, 9, 0, 3])
    expect(read(100, 50, 2)).toEqual(as({ order: 'third' }))
  })

  it('are the same after bytes, whatever they are', () => {
    const drive = fc.nat(255)
    const rgb = fc.record({ red: drive, green: drive, blue: drive })
    const any = fc.record({
      period: fc.integer({ min: 10, max: 500 }).map((grids) => grids * 10),
      share: fc.integer({ min: 1, max: 100 }),
      order: fc.constantFrom('first', 'second', 'third'),
      colour: rgb,
      colours: fc.array(rgb, { minLength: 2, maxLength: 8 }),
      inputs: fc.array(drive, { maxLength: 5 }),
      layer: drive,
    })
    fc.assert(
      fc.property(any, (values) => {
        expect(read(...written(values))).toEqual(values)
      }),
      runs(80),
    )
  })

  it('are refused beyond their bounds', () => {
    for (const bytes of [[9], [0xf5, 3], [100, 0], [100, 101], [100, 50, 3], [100, 50, 0, 1, 2, 3, 1]])
      expect(() => read(...bytes), String(bytes)).toThrow(/is not from|has no meaning/)
    expect(() => read(100, 50, 0, 1, 2)).toThrow('Incomplete')
    // Values equal to the bounds are allowed.
    expect(read(10).period).toBe(100)
    expect(read(0xf4, 3).period).toBe(5000)
    expect([read(100, 1).share, read(100, 100).share]).toEqual([1, 100])
  })
})

describe('names', () => {
  it.each([
    ['a\u0007b', /cannot be printed \(U\+0007\)/],
    ['a\u2028b', /cannot be printed \(U\+2028\)/],
    ['a\u202eb', /changes the writing direction \(U\+202E\)/],
    ['a\u2066b', /changes the writing direction/],
    ['a\ud800', /incomplete character/],
    ['\udc00a', /incomplete character/],
    ['', /no visible characters/],
    [' \u200b\u3164\u0301', /no visible characters/],
  ])('%j is refused with the reason, and made one that is not', (name, why) => {
    expect(englishText(nameProblem(name) ?? '')).toMatch(why)
    expect(nameProblem(cleanName(name, 24, 'Otherwise'))).toBeUndefined()
  })

  it('are any words of any script, with emoji that are joined', () => {
    for (const name of ['Brinewatch', 'Ünïté 7', '深海', 'عمق', '👩‍🚀', ' x '])
      expect(nameProblem(name), name).toBeUndefined()
  })

  it('are cut at whole characters, and come out no longer than there is room', () => {
    expect(utf8Length('aé深👩')).toBe(1 + 2 + 3 + 4)
    expect(truncateUtf8('aé深👩', 10)).toBe('aé深👩')
    expect(truncateUtf8('aé深👩', 9)).toBe('aé深')
    expect(truncateUtf8('aé深👩', 2)).toBe('a')
    fc.assert(
      fc.property(
        fc.string({ unit: 'binary', maxLength: 40 }),
        fc.integer({ min: 1, max: 30 }),
        (name, max) => {
          const cleaned = cleanName(name, max, 'x')
          expect(utf8Length(cleaned)).toBeLessThanOrEqual(max)
          expect(nameProblem(cleaned)).toBeUndefined()
          if (nameProblem(name) === undefined && utf8Length(name) <= max) expect(cleaned).toBe(name)
        },
      ),
      runs(100),
    )
    expect(cleanName('a\u0007b\u202e', 24, 'x')).toBe('a b')
  })

  it('become parts of file names', () => {
    expect(fileStem('Gantry Run (left)', 'profile')).toBe('gantry-run-left')
    expect(fileStem('Ünïté 7!', 'profile')).toBe('ünïté-7')
    expect(fileStem('!!', 'profile')).toBe('profile')
  })
})

describe('other small things', () => {
  it('colours are read by name, digits or any other way of CSS', () => {
    for (const [typed, hex] of [
      ['rebeccapurple', '#663399'],
      [' F80 ', '#ff8800'],
      ['#0a141e', '#0a141e'],
      ['0a141e', '#0a141e'],
      ['rgb(10 20 30)', '#0a141e'],
      ['hsl(120 100% 50%)', '#00ff00'],
      ['hwb(0 0% 0%)', '#ff0000'],
      ['lab(100 0 0)', '#ffffff'],
      ['oklch(0 0 0)', '#000000'],
    ] as const)
      expect(parseColour(typed), typed).toBe(hex)
    for (const none of ['', 'no colour', '#12', '12345', '#1234567'])
      expect(parseColour(none), none).toBeUndefined()
  })

  it('versions are older and newer part by part', () => {
    const version = (major: number, minor: number, patch?: number) => ({
      major,
      minor,
      ...(patch !== undefined && { patch }),
    })
    const rising = [
      version(0, 9, 9),
      version(1, 0),
      version(1, 0, 1),
      version(1, 2, 0),
      version(1, 10, 0),
      version(2, 0),
    ]
    rising.forEach((a, at) =>
      rising.forEach((b, other) => expect(Math.sign(compareVersions(a, b))).toBe(Math.sign(at - other))),
    )
    expect(compareVersions(version(1, 0), version(1, 0, 0))).toBe(0)
    expect([version(1, 0), version(1, 2, 3)].map(versionText)).toEqual(['1.0', '1.2.3'])
  })

  it('chance is the same for a seed and as its distribution says', () => {
    const draw = (seed: number, how: 'uniform' | 'normal', count = 4000) => {
      const drawn = randomSource(seed)
      return Array.from({ length: count }, () => drawn[how]())
    }
    const mean = (values: number[]) => values.reduce((sum, value) => sum + value, 0) / values.length
    expect(draw(3, 'uniform', 20)).toEqual(draw(3, 'uniform', 20))
    expect(draw(3, 'uniform', 20)).not.toEqual(draw(4, 'uniform', 20))
    const uniform = draw(1, 'uniform')
    expect(Math.min(...uniform)).toBeGreaterThanOrEqual(0)
    expect(Math.max(...uniform)).toBeLessThan(1)
    expect(mean(uniform)).toBeCloseTo(0.5, 1)
    expect(mean(uniform.map((value) => (value - 0.5) ** 2))).toBeCloseTo(1 / 12, 2)
    const normal = draw(2, 'normal')
    expect(Math.abs(mean(normal))).toBeLessThan(0.06)
    expect(Math.abs(mean(normal.map((value) => value ** 2)) - 1)).toBeLessThan(0.1)
    const drawn = randomSource(9)
    const waits = Array.from({ length: 4000 }, () => drawn.exponential(50))
    expect(Math.abs(mean(waits) - 50)).toBeLessThan(4)
    expect(Math.min(...waits)).toBeGreaterThanOrEqual(0)
    // One in e of exponential values is longer than the mean.
    expect(waits.filter((value) => value > 50).length / 4000).toBeCloseTo(1 / Math.E, 1)
  })

  it('what is frozen cannot be changed anywhere in it', () => {
    const value = deepFreeze({ list: [{ deep: 1 }], nothing: null, word: 'x' })
    expect(() => Object.assign(itemAt(value.list, 0), { deep: 2 })).toThrow(TypeError)
    expect(() => (value.list as unknown[]).push(1)).toThrow(TypeError)
    expect(deepFreeze(undefined)).toBeUndefined()
  })

  it('what is remembered is worked out once for each', () => {
    let worked = 0
    const size = memoizeByObject(
      (of: { length: number }) => (worked++, of.length === 0 ? undefined : of.length),
    )
    const [one, none] = [[1], []]
    expect([size(one), size(one), size(none), size(none), size([1])]).toEqual([1, 1, undefined, undefined, 1])
    expect(worked).toBe(3)
  })

  it('a refusal tells each problem once, and the first of very many', () => {
    expect(new ProfileError(['a', 'b', 'a'])).toMatchObject({ problems: ['a', 'b'], message: 'a; b' })
    const many = Array.from({ length: 2 * MAX_PROBLEMS }, (_, at) => `line ${at}`)
    expect(new ProfileError(many).problems).toEqual(many.slice(0, MAX_PROBLEMS))
  })
})
