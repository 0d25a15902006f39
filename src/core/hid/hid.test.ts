import { englishText } from '../../messages/plain'
import { reportText } from '../../messages/english.test-support'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { firstItems } from '../base/items'
import { BUTTON_USAGES } from './button-page'
import { OPERATING_SYSTEMS } from '../computer/operating-systems'
import { Computer, type ComputerEvent } from '../computer/computer'
import { CONSUMER_USAGES, consumerById, consumerByUsage } from './consumer-page'
import { reportDescriptor } from './descriptor'
import { parseReportDescriptor, readReport } from './descriptor-parser'
import { KEY_USAGES, keyByCode, keyByUsage } from './keyboard-page'
import { isModifierUsage } from './modifiers'
import { consumerReport, KEY_BITS, keyboardReport, mouseReport } from './reports'
import { LAYOUTS, layoutFor } from '../computer/layouts'

const US_LAYOUT = layoutFor('us', 'windows')

describe('report descriptors', () => {
  it('reads the boot keyboard of the HID 1.11 specification, appendix E.6', () => {
    const published = Buffer.from(
      '05010906a101050719e029e71500250175019508810295017508810195057501050819012905910295017503910195067508' +
        '150025650507190029658100c0',
      'hex',
    )
    const [input, output] = firstItems(parseReportDescriptor(published), 2)
    expect(input).toMatchObject({ kind: 'input', id: 0, bitLength: 64 })
    expect(output).toMatchObject({ kind: 'output', bitLength: 8 })
    const values = readReport(input, Uint8Array.of(0x02, 0, 0x1c, 0x04, 0, 0, 0, 0))
    const down = values.filter(({ value }) => value === 1).map(({ usage }) => usage)
    expect(down).toEqual([0xe1, 0x1c, 0x04])
  })

  it('describe a mouse, a keyboard, a consumer control and the 64-byte feature report', () => {
    const sizes = parseReportDescriptor(reportDescriptor()).map(({ kind, id, bitLength }) => [
      kind,
      id,
      bitLength,
    ])
    expect(sizes).toEqual([
      ['input', 1, 56],
      ['input', 2, 176],
      ['input', 3, 32],
      ['feature', 16, 504],
    ])
  })

  it('are refused with a reason when they are noise, and never hang', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 80 }), (noise) => {
        try {
          parseReportDescriptor(noise)
        } catch (error) {
          expect(String(error)).toMatch(/report descriptor/)
        }
      }),
    )
    expect(() => parseReportDescriptor(reportDescriptor().subarray(0, 40))).toThrow(/has no end|incomplete/)
  })
})

describe('the computer', () => {
  const typed = (events: ComputerEvent[]) =>
    events.map((event) => (event.kind === 'key' ? event.text : '')).join('')

  it('types what the layout says, and no text under a shortcut', () => {
    const computer = new Computer(reportDescriptor(), US_LAYOUT)
    expect(typed(computer.receive(keyboardReport([0x1c])))).toBe('y')
    expect(typed(computer.receive(keyboardReport([0x1c, 0xe1])))).toBe('')
    expect(typed(computer.receive(keyboardReport([0x1e, 0xe1, 0x1c])))).toBe('!')
    computer.receive(keyboardReport([]))
    expect(typed(computer.receive(keyboardReport([0x1c, 0xe0])))).toBe('')
    expect(() => computer.receive(Uint8Array.of(9, 0))).toThrow(/there is no input report with the id 9/)
    expect(() => computer.receive(Uint8Array.of(1, 0))).toThrow(RangeError)
  })

  it('hears every key together, and motion to the last count', () => {
    fc.assert(
      fc.property(fc.subarray(KEY_USAGES.map(({ usage }) => usage)), (usages) => {
        const computer = new Computer(reportDescriptor(), US_LAYOUT)
        const down = computer
          .receive(keyboardReport(usages))
          .map((event) => event.kind === 'key' && event.usage)
        expect(new Set(down)).toEqual(new Set(usages))
        expect(computer.receive(keyboardReport([])).length).toBe(usages.length)
      }),
    )
    const count = fc.integer({ min: -32_767, max: 32_767 })
    fc.assert(
      fc.property(count, count, (x, y) => {
        const [event] = new Computer(reportDescriptor(), US_LAYOUT).receive(
          mouseReport({ buttons: 0, x, y, wheel: 0, pan: 0 }),
        )
        expect(event).toEqual(x === 0 && y === 0 ? undefined : { kind: 'pointer', x, y })
      }),
    )
  })
})

describe('usage tables', () => {
  it('name each usage, code and word once, so that what is typed means one thing', () => {
    const all = <T>(list: readonly T[]) => expect(new Set(list).size).toBe(list.length)
    all(KEY_USAGES.map(({ usage }) => usage))
    all(KEY_USAGES.map(({ code }) => code))
    all(
      KEY_USAGES.flatMap(({ legend, words }) => [...new Set([englishText(legend).toLowerCase(), ...words])]),
    )
    all(CONSUMER_USAGES.map(({ usage }) => usage))
    all(CONSUMER_USAGES.map(({ id }) => id))
    all(
      [...CONSUMER_USAGES, ...BUTTON_USAGES].flatMap(({ label, words }) => [
        ...new Set([englishText(label).toLowerCase(), ...words]),
      ]),
    )
  })

  it('hold the usages that HID Usage Tables 1.5 print for well-known keys and controls', () => {
    const keys = {
      KeyA: 0x04,
      KeyZ: 0x1d,
      Digit1: 0x1e,
      Digit0: 0x27,
      Enter: 0x28,
      Space: 0x2c,
      F1: 0x3a,
      F12: 0x45,
    }
    const more = {
      F13: 0x68,
      F24: 0x73,
      Numpad1: 0x59,
      Numpad0: 0x62,
      ArrowUp: 0x52,
      ControlLeft: 0xe0,
      MetaRight: 0xe7,
    }
    for (const [code, usage] of Object.entries({ ...keys, ...more }))
      expect(keyByCode(code)?.usage).toBe(usage)
    const controls = {
      volumeUp: 0xe9,
      volumeDown: 0xea,
      mute: 0xe2,
      playPause: 0xcd,
      nextTrack: 0xb5,
      calculator: 0x192,
    }
    for (const [id, usage] of Object.entries(controls)) expect(consumerById(id)?.usage).toBe(usage)
    expect(keyByUsage(0x1c)?.code).toBe('KeyY')
    expect(consumerByUsage(0xe9)?.id).toBe('volumeUp')
  })

  it('all fit the reports that carry them', () => {
    for (const { usage } of KEY_USAGES) expect(isModifierUsage(usage) || usage < KEY_BITS).toBe(true)
    for (const { usage } of CONSUMER_USAGES) expect(usage).toBeLessThanOrEqual(0x3ff)
    expect(BUTTON_USAGES.map(({ usage }) => usage)).toEqual([1, 2, 3, 4, 5, 6, 7, 8])
  })

  it('every key of every layout is a key there is', () => {
    for (const { id } of LAYOUTS)
      for (const system of OPERATING_SYSTEMS)
        for (const code of Object.keys(layoutFor(id, system).keys))
          expect(keyByCode(code), code).toBeDefined()
  })
})

describe('reports', () => {
  it('are read back as they were written, controls in any order', () => {
    const computer = new Computer(reportDescriptor(), US_LAYOUT)
    const labels = (report: Uint8Array) => computer.receive(report).map(reportText)
    expect(labels(consumerReport([0xe9, 0xe2]))).toEqual(['Volume up down', 'Mute down'])
    expect(labels(consumerReport([0xe2]))).toEqual(['Volume up up'])
    expect(labels(consumerReport([]))).toEqual(['Mute up'])
    expect(labels(mouseReport({ buttons: 0b101, x: 0, y: 0, wheel: -3, pan: 0 }))).toEqual([
      'Left click down',
      'Middle click down',
      'scroll -3',
    ])
    expect(labels(mouseReport({ buttons: 0, x: -5, y: 7, wheel: 0, pan: 2 }))).toEqual([
      ...['Left click up', 'Middle click up', 'pointer -5, +7', 'pan +2'],
    ])
  })
})
