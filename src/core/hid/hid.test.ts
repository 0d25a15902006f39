import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { Computer, type ComputerEvent } from './computer'
import { reportDescriptor } from './descriptor'
import { parseReportDescriptor, readReport } from './descriptor-parser'
import { KEY_USAGES } from './keyboard-page'
import { keyboardReport, mouseReport } from './reports'
import { US_LAYOUT } from './us-layout'

describe('report descriptors', () => {
  it('reads the boot keyboard of the HID 1.11 specification, appendix E.6', () => {
    const published = Buffer.from(
      '05010906a101050719e029e71500250175019508810295017508810195057501050819012905910295017503910195067508' +
        '150025650507190029658100c0',
      'hex',
    )
    const [input, output] = parseReportDescriptor(published)
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
    expect(() => parseReportDescriptor(reportDescriptor().subarray(0, 40))).toThrow(/not ended|cut short/)
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
    expect(() => computer.receive(Uint8Array.of(9, 0))).toThrow(/no input report has the id 9/)
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
