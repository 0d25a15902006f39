import { describe, expect, it } from 'vitest'
import { Clock, PoweredAlarms } from './clock'
import { Outbox } from './outbox'

describe('reports on their way', () => {
  const outboxAt = (rateHz: number) => {
    const clock = new Clock()
    const sent: { atUs: number; report: Uint8Array }[] = []
    const outbox = new Outbox(new PoweredAlarms(clock), (report) => sent.push({ atUs: clock.nowUs, report }))
    outbox.attach(rateHz)
    return { clock, outbox, sent }
  }

  it.each([125, 250, 500, 1000, 2000, 4000, 8000])(
    'go at whole intervals of %i Hz, one of a kind in each',
    (rateHz) => {
      const { clock, outbox, sent } = outboxAt(rateHz)
      for (let step = 0; step < 400; step++) {
        clock.runUntil(step * 137)
        if (step % 3 === 0) outbox.pressKeys([4 + (step % 20)])
        if (step % 3 === 1) outbox.releaseKeys([4 + ((step - 1) % 20)])
        outbox.move(3, -2)
      }
      clock.runUntil(10e6)
      const interval = 1e6 / rateHz
      for (const { atUs } of sent) expect(atUs % interval).toBe(0)
      const keys = sent.map(({ atUs, report }) => `${report[0]} ${atUs}`)
      expect(new Set(keys).size).toBe(keys.length)
      const moved = sent
        .filter(({ report }) => report[0] === 1)
        .reduce((sum, { report }) => sum + new DataView(report.buffer).getInt16(2, true), 0)
      expect(moved).toBe(1200)
    },
  )

  it('carry movement too large for one report in several', () => {
    const { clock, outbox, sent } = outboxAt(1000)
    outbox.move(100_000, -40_000)
    clock.runUntil(1e6)
    const sum = (offset: number) =>
      sent.reduce((total, { report }) => total + new DataView(report.buffer).getInt16(offset, true), 0)
    expect([sum(2), sum(4)]).toEqual([100_000, -40_000])
    expect(sent.length).toBe(4)
  })

  it('let a key up only when the last who holds it lets go', () => {
    const { clock, outbox, sent } = outboxAt(1000)
    outbox.pressKeys([4])
    outbox.pressKeys([4, 5])
    outbox.releaseKeys([4])
    clock.runUntil(1e5)
    expect(sent.map(({ report }) => report[2])).toEqual([0b10000, 0b110000])
    outbox.releaseKeys([4, 5])
    clock.runUntil(2e5)
    expect(sent.at(-1)?.report[2]).toBe(0)
  })

  it('wait for nobody: without a computer nothing is kept, and a slower rate still sends all', () => {
    const { clock, outbox, sent } = outboxAt(0)
    outbox.pressButton(1)
    outbox.move(5, 5)
    clock.runUntil(1e6)
    expect(clock.nextAlarmUs).toBeUndefined()
    outbox.attach(1000)
    outbox.pressKeys([4])
    outbox.releaseKeys([4])
    outbox.setRate(125)
    clock.runUntil(2e6)
    expect(sent.map(({ report }) => report[2])).toEqual([0b10000, 0])
  })
})

describe('reports on their way', () => {
  const outbox = (rateHz: number) => {
    const clock = new Clock()
    const sent: [atUs: number, report: number[]][] = []
    const box = new Outbox(new PoweredAlarms(clock), (report) => sent.push([clock.nowUs, [...report]]))
    box.attach(rateHz)
    return { clock, box, sent: () => sent.splice(0) }
  }

  it('are one of each kind at a poll: what comes at the moment of an answered one waits for the next', () => {
    const { clock, box, sent } = outbox(1000)
    box.pressButton(1)
    clock.runUntil(0)
    box.releaseButton(1)
    box.pressKeys([4])
    box.pressControl(0xe2)
    clock.runUntil(10_000)
    expect(sent().map(([atUs, [id]]) => [atUs, id])).toEqual([
      [0, expect.any(Number)],
      ...Array.from({ length: 3 }, () => [1000, expect.any(Number)]),
    ])
  })

  it('say of a key that two inputs hold only that it is down, and up when both have let go', () => {
    const { clock, box, sent } = outbox(1000)
    for (const step of ['press', 'press', 'release', 'release', 'release'] as const) {
      if (step === 'press') box.pressKeys([4, 5])
      else box.releaseKeys([4, 5])
      clock.runUntil(clock.nowUs + 5000)
    }
    // Pressed once, released once; releasing a released key sends nothing.
    expect(sent().length).toBe(2)
  })

  it('carry movement beyond what one holds in the next ones, with the buttons as they are', () => {
    const { clock, box, sent } = outbox(500)
    box.pressButton(2)
    box.move(40_000, -70_000)
    clock.runUntil(20_000)
    const moved = sent().map(([, report]) => {
      const view = new DataView(Uint8Array.from(report).buffer)
      return [report[1], view.getInt16(2, true), view.getInt16(4, true)]
    })
    expect(moved).toEqual([
      [2, 32_767, -32_767],
      [2, 7233, -32_767],
      [2, 0, -4466],
    ])
    box.move(0, 0)
    clock.runUntil(40_000)
    expect(sent()).toEqual([])
  })

  it('that wait for one computer are not sent to another, nor any while none polls', () => {
    const { clock, box, sent } = outbox(1000)
    box.pressKeys([4])
    box.attach(0)
    box.move(5, 5)
    box.pressKeys([5])
    clock.runUntil(10_000)
    box.attach(125)
    clock.runUntil(50_000)
    expect(sent()).toEqual([])
    box.releaseKeys([5])
    clock.runUntil(90_000)
    expect(sent().length).toBe(1)
    expect(box.pressUs).toBe(16_000)
  })
})
