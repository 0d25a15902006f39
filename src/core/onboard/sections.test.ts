import { sha256 } from '@noble/hashes/sha2.js'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import { ByteReader, ByteWriter, ImageError } from '../base/bytes'
import { defaultOf } from '../base/parameters'
import { EFFECTS, type LightEffect } from '../effects/registry'
import { capabilitiesOf, decodeCapabilities, encodeCapabilities } from './capabilities'
import {
  firmwareToSign,
  HEADER_BYTES,
  MAX_FIRMWARE_BYTES,
  readFirmwareFile,
  SIGNATURE_BYTES,
} from './firmware-file'
import { fromIntelHex, toIntelHex } from './intel-hex'
import {
  shownEntries,
  entryRecord,
  readEntry,
  readLightStack,
  writeLightStack,
  type LightEntry,
  type EntryTarget,
} from './light-stack'
import { readZoneLight } from './light-zones'
import { settingKinds } from './settings'
import { readSettings, writeSettings } from './settings-section'
import { MAX_STEPS, readSteps, writeSteps } from './steps-section'
import { writeTagged } from '../actions/tagged'

/** Sections byte by byte, as in docs/onboard-format.md, and files as in docs/firmware-format.md. */

const readerOf = (...bytes: number[]) => new ByteReader(Uint8Array.from(bytes))
const RED = { red: 255, green: 0, blue: 0 }

describe('an effect of a stack', () => {
  const red: LightEffect = { kind: 'solid', colour: RED, brightness: 100 }
  const entry = (by: Partial<LightEntry> = {}): LightEntry => ({
    effect: red,
    where: { kind: 'all' },
    when: { kind: 'always' },
    opacity: 100,
    adds: false,
    ...by,
  })
  const payloadOf = (by: Partial<LightEntry>) => entryRecord(entry(by)).payload
  const recordOf = (payload: readonly number[]) => {
    const writer = new ByteWriter()
    writeTagged(writer, 1, payload)
    return writer.toBytes()
  }
  const whereOf = (where: EntryTarget) => payloadOf({ where }).slice(1, -3)

  it('says by flags what is not as it comes', () => {
    expect([...writeLightStack([entry()])]).toEqual([1, (1 << 3) | 4, 0, 255, 0, 0])
    expect(payloadOf({ opacity: 40 })).toEqual([4, 40, 255, 0, 0])
    expect(payloadOf({ adds: true })).toEqual([8, 255, 0, 0])
    expect(payloadOf({ when: { kind: 'charging' } })).toEqual([2, 6 << 3, 255, 0, 0])
    expect(payloadOf({ when: { kind: 'battery', underPercent: 10 } })).toEqual([
      2,
      (5 << 3) | 1,
      10,
      255,
      0,
      0,
    ])
    const white = { ...defaultOf(EFFECTS.solid.parameters), kind: 'solid' as const }
    expect(payloadOf({ effect: white })).toEqual([0])
  })

  it('has zones as bits, lights as gaps or as bits, whichever is shorter', () => {
    expect(whereOf({ kind: 'zones', zones: [0, 2, 6] })).toEqual([0x80 | 0b1000101])
    expect(whereOf({ kind: 'lights', lights: [83, 3] })).toEqual([0x42, 3, 80])
    expect(whereOf({ kind: 'lights', lights: [0, 1, 2] })).toEqual([1, 0b111])
    const every = Array.from({ length: 84 }, (_, light) => light)
    expect(whereOf({ kind: 'lights', lights: every })).toEqual([11, ...Array(10).fill(0xff), 0x0f])
    for (const lights of [[], [0], [255], [0, 255], every, every.filter((light) => light % 7 === 0)]) {
      const where = { kind: 'lights' as const, lights }
      expect(readLightStack(new ByteReader(writeLightStack([entry({ where })])))).toEqual([entry({ where })])
    }
  })

  it.each([
    ['a flag that is kept free', [16, 255, 0, 0]],
    ['no opacity at all', [4, 0, 255, 0, 0]],
    ['more than all of it', [4, 101, 255, 0, 0]],
    ['a condition of a later version', [2, 30 << 3, 255, 0, 0]],
    ['a condition with more than is known', [2, (6 << 3) | 1, 9, 255, 0, 0]],
    ['a condition out of its bounds', [2, (5 << 3) | 1, 101, 255, 0, 0]],
    ['lights out of order', [1, 0x42, 3, 0, 255, 0, 0]],
    ['too many lights', [1, 0x42, 200, 56, 255, 0, 0]],
    ['a colour cut short', [0, 255]],
  ])('with %s is kept whole and shows nothing', (_, payload) => {
    const found = readEntry(new ByteReader(recordOf(payload)))
    expect(found).toEqual({ kind: 'unknown', code: 1, payload })
    expect(shownEntries([found])).toEqual([])
    expect([...writeLightStack([found])]).toEqual([1, ...recordOf(payload)])
  })

  it('with more than is known shows what is, and keeps the rest', () => {
    const payload = [0, 255, 0, 0, 100, 77]
    const found = readEntry(new ByteReader(recordOf(payload)))
    expect(found).toMatchObject({ kind: 'unknown', payload, shows: entry() })
    expect(shownEntries([found, entry({ adds: true })])).toEqual([entry(), entry({ adds: true })])
    expect(shownEntries([readEntry(readerOf(30 << 3))])).toEqual([])
  })

  it('is one of sixteen', () => {
    const many = Array.from({ length: 16 }, () => entry())
    expect(readLightStack(new ByteReader(writeLightStack(many)))).toHaveLength(16)
    expect(() => readLightStack(new ByteReader(writeLightStack([...many, entry()])))).toThrow('17 effects')
  })
})

describe('the light of images up to 1.1', () => {
  const zone = (...records: number[][]) => [records.length, ...records.flat()]
  const only = (...bytes: number[]) => itemAt(readZoneLight(readerOf(0, ...bytes)), 0).effect

  it('is the top effect of each zone that is known', () => {
    expect(only(...zone([0]))).toEqual({ kind: 'off' })
    expect(only(...zone([(1 << 3) | 4, 60, 255, 0, 0]))).toMatchObject({
      kind: 'solid',
      brightness: 60,
      colour: RED,
    })
    expect(only(...zone([(2 << 3) | 5, 50, 40, 255, 0, 0]))).toMatchObject({
      kind: 'breathing',
      brightness: 50,
      periodMs: 2000,
      colour: RED,
    })
    expect(only(...zone([(3 << 3) | 2, 100, 200]))).toMatchObject({ kind: 'cycle', periodMs: 10_000 })
    expect(only(...zone([(4 << 3) | 1, 7]))).toEqual({ kind: 'step', brightness: 7 })
    const later = [(5 << 3) | 1, 9]
    expect(only(...zone(later, [(4 << 3) | 1, 7]))).toEqual({ kind: 'step', brightness: 7 })
    for (const none of [
      zone(),
      zone(later),
      zone([(4 << 3) | 1, 0]),
      zone([(4 << 3) | 1, 101]),
      zone([(3 << 3) | 2, 9, 9]),
    ])
      expect(only(...none)).toEqual({ kind: 'off' })
  })

  it('has each zone once, in its order', () => {
    const two = readZoneLight(readerOf(1, ...zone([0]), 0, ...zone([(4 << 3) | 1, 7])))
    expect(two.map(({ where }) => where)).toEqual([1, 0].map((each) => ({ kind: 'zones', zones: [each] })))
    expect(() => readZoneLight(readerOf(1, ...zone([0]), 1, ...zone([0])))).toThrow('Zone 1: listed twice')
    expect(() => readZoneLight(readerOf(1, 2, 0))).toThrow(ImageError)
  })
})

describe('steps', () => {
  const steps = [
    { dpi: 800, colour: RED },
    { dpi: 0x1234, colour: { red: 1, green: 2, blue: 3 } },
  ]

  it('take five bytes each, and seven where one has an axis of its own', () => {
    expect([...writeSteps(steps, 1)]).toEqual([1, 5, 0x20, 3, 255, 0, 0, 0x34, 0x12, 1, 2, 3])
    const split = [itemAt(steps, 0), { ...itemAt(steps, 1), dpiY: 400 }]
    const bytes = [...writeSteps(split, 0)]
    expect(bytes).toEqual([0, 7, 0x20, 3, 255, 0, 0, 0, 0, 0x34, 0x12, 1, 2, 3, 0x90, 1])
    expect(readSteps(readerOf(...bytes))).toEqual({ steps: split, defaultStep: 0 })
    expect(writeSteps([], 0)).toHaveLength(0)
  })

  it('are read past what a later version has more', () => {
    expect(readSteps(readerOf(0, 9, 0x20, 3, 255, 0, 0, 0, 0, 77, 78))).toEqual({
      steps: [steps[0]],
      defaultStep: 0,
    })
    expect(readSteps(readerOf(0, 6, 0x20, 3, 255, 0, 0, 99)).steps).toEqual([steps[0]])
  })

  it.each([
    ['shorter than five bytes', [0, 4, 1, 1, 1, 1], 'expected 5'],
    ['of no counts', [0, 5, 0, 0, 1, 1, 1], 'A step has 0 DPI'],
    ['Incomplete', [0, 5, 1, 1, 1], 'Incomplete'],
    [
      'with a default that is not there',
      [1, 5, 0x20, 3, 1, 1, 1],
      'The default is step 2, but the number of steps is 1',
    ],
    ['too many', [0, 5, ...Array(5 * (MAX_STEPS + 1)).fill(1)], '17 steps, but 16 is the maximum'],
  ])('%s are refused', (_, bytes, why) => {
    expect(() => readSteps(readerOf(...bytes))).toThrow(why)
  })

  it('are sixteen at most', () => {
    expect(readSteps(readerOf(15, 5, ...Array(5 * MAX_STEPS).fill(1))).steps).toHaveLength(16)
  })
})

describe('device settings', () => {
  it('are a byte each, by their unit, in the order of their codes', () => {
    const settings = { liftOffMm: 1.2, angleSnapping: true, debounce: 'deferred', sleepMinutes: 255 } as const
    const record = (code: number, byte: number) => [(code << 3) | 1, byte]
    const bytes = [...record(1, 12), ...record(2, 1), ...record(4, 1), ...record(5, 255)]
    expect([...writeSettings(settings)]).toEqual(bytes)
    expect(readSettings(readerOf(...bytes))).toEqual({ settings, kept: [] })
    expect([...writeSettings({}, [{ code: 30, payload: [1, 2] }])]).toEqual([(30 << 3) | 2, 1, 2])
  })

  it('each at its least and its most come back the same, one beyond is kept as it is', () => {
    for (const [key, { code, parameter: kind }] of settingKinds()) {
      if (kind.kind !== 'number') continue
      for (const value of [kind.min, kind.max])
        expect(readSettings(new ByteReader(writeSettings({ [key]: value }))).settings).toEqual({
          [key]: value,
        })
      const beyond = Math.round(kind.max / (kind.step ?? 1)) + 1
      if (beyond < 256)
        expect(readSettings(readerOf((code << 3) | 1, beyond))).toEqual({
          settings: {},
          kept: [{ code, payload: [beyond] }],
        })
      if (kind.min > 0)
        expect(readSettings(readerOf((code << 3) | 1, 0)).kept).toEqual([{ code, payload: [0] }])
    }
  })

  it('keep what is none, and are refused twice', () => {
    for (const record of [[(2 << 3) | 1, 2], [(4 << 3) | 1, 2], [(2 << 3) | 2, 1, 0], [30 << 3]])
      expect(readSettings(readerOf(...record)).kept).toEqual([
        { code: itemAt(record, 0) >> 3, payload: record.slice(1) },
      ])
    expect(readSettings(readerOf((2 << 3) | 1, 0)).settings).toEqual({ angleSnapping: false })
    expect(() => readSettings(readerOf((2 << 3) | 1, 1, (2 << 3) | 1, 0))).toThrow('Setting 2: listed twice')
  })
})

describe('Intel HEX', () => {
  it('is sixteen bytes a record, with its sum and its end, and comes back the same', () => {
    const bytes = Uint8Array.from({ length: 18 }, (_, at) => at)
    const text = toIntelHex(bytes)
    expect(text.split('\n')).toEqual([
      ':020000040000FA',
      ':10000000000102030405060708090A0B0C0D0E0F78',
      ':020010001011CD',
      ':00000001FF',
      '',
    ])
    expect(fromIntelHex(text)).toEqual(bytes)
  })

  it('may begin anywhere and have gaps, which are erased flash', () => {
    expect([...fromIntelHex(':01010000AA54\n:01010300BB40\n:00000001FF\n')]).toEqual([0xaa, 0xff, 0xff, 0xbb])
  })

  it.each([
    ['', 'Not valid Intel HEX'],
    [':00000001FF', 'has no data'],
    [':01000000AA56\n:00000001FF', /record 1|no Intel HEX/],
    ['hello', /Not valid Intel HEX|has no data/],
    [':020000040010EA\n:01000000AA55\n:020000040000FA\n:01000000AA55\n:00000001FF', 'larger than any device'],
  ])('%j is refused', (text, why) => {
    expect(() => fromIntelHex(text)).toThrow(why)
  })
})

describe('a firmware file', () => {
  const payload = Uint8Array.of(9, 8, 7)
  const file = { model: 0x0107, version: { major: 1, minor: 2, patch: 3 }, notes: 'Sweeps.', payload }
  const signed = firmwareToSign(file)
  const signature = new Uint8Array(SIGNATURE_BYTES).fill(5)
  const whole = Uint8Array.from([...signed, ...signature])
  const changed = (at: number, by: number) => whole.map((byte, index) => (index === at ? byte ^ by : byte))

  it('has its header, the sum over its payload, its notes and the payload, and the signature over them', () => {
    expect([...signed.subarray(0, 16)]).toEqual([0x55, 0x4e, 0x46, 0x57, 1, 7, 1, 1, 2, 3, 7, 0, 3, 0, 0, 0])
    expect(signed.subarray(16, HEADER_BYTES)).toEqual(sha256(payload))
    expect(readFirmwareFile(whole)).toEqual({ ...file, signature, signed })
  })

  it.each([
    ['no firmware file', changed(0, 1), 'its first bytes are wrong'],
    ['one of another format', changed(4, 3), 'format 2, but Unisera reads format 1'],
    ['one whose lengths are others', changed(10, 1), 'its lengths do not match'],
    ['one whose payload was changed', changed(HEADER_BYTES + 7, 1), 'its checksum does not match'],
    ['one with another sum', changed(20, 1), 'its checksum does not match'],
    ['one that is cut short', whole.subarray(0, whole.length - 1), 'its lengths do not match'],
    ['one with something behind it', Uint8Array.from([...whole, 0]), 'its lengths do not match'],
    ['a few bytes', whole.subarray(0, HEADER_BYTES + SIGNATURE_BYTES - 1), 'too short'],
    ['one that no device takes', new Uint8Array(MAX_FIRMWARE_BYTES + 1), 'more than the'],
  ])('is not %s', (_, bytes, why) => {
    expect(() => readFirmwareFile(bytes)).toThrow(why)
  })

  it('says what it can do: the newer one shows what the older does not, other entries are passed over', () => {
    const [older, newer] = [capabilitiesOf({ major: 1, minor: 0 }), capabilitiesOf({ major: 1, minor: 1 })]
    expect(older.effects.has(EFFECTS.sweep.code)).toBe(false)
    expect(newer.effects.has(EFFECTS.sweep.code)).toBe(true)
    expect([...older.effects].every((code) => newer.effects.has(code))).toBe(true)
    const table = encodeCapabilities(newer, new Uint8Array(100))
    expect(decodeCapabilities(table)).toEqual(newer)
    expect(decodeCapabilities(Uint8Array.from([...table, 77, 1, 0, 5]))).toEqual(newer)
    // Tables up to 1.1 do not list conditions, actions and operations: they have those of the first firmware.
    const short = decodeCapabilities(Uint8Array.of(1, 1, 0, 15, 2, 1, 0, 3, 3, 1, 0, 5))
    expect(short).toEqual({
      ...older,
      effects: new Set([15]),
      settings: new Set([3]),
      maxEffects: 5,
    })
    expect(() => decodeCapabilities(table.subarray(0, 20))).toThrow(ImageError)
    expect(() => decodeCapabilities(Uint8Array.of(1, 0, 0, 2, 0, 0))).toThrow('lacks entry 3')
    expect(() => decodeCapabilities(Uint8Array.of(1, 0, 0, 2, 0, 0, 3, 0, 0))).toThrow(
      'does not give the number of effects',
    )
  })
})
