import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { firstItems, itemAt } from '../core/base/items'
import { tern7 } from '../core/device/models/tern-7'
import type { Profile } from '../core/document/schema'
import { bound, deviceWith as playing, macro, play, tap } from './macros.test-support'
import { deviceWith } from './device.test-support'
import { sheet, timed } from './sheet.test-support'
import { runs } from '../core/base/runs.test-support'

const pressing = (pressMs: number | undefined, ...cells: [input: string, layer: number, text: string][]) => {
  const profile: Profile = sheet(tern7, [], ...cells)
  return pressMs === undefined ? profile : { ...profile, settings: { ...profile.settings, pressMs } }
}

describe('a press of its own', () => {
  const tapped = ['side-rear', 0, 'tap e, hold ctrl after 180 ms'] as const

  it('lasts as long as is set, and at least two reports', async () => {
    const lasted = async (pressMs: number | undefined, rateHz: number) => {
      const profile = pressing(pressMs, [...tapped])
      const at = { ...profile, polling: { ...profile.polling, cable: rateHz } }
      const [down, up] = firstItems(
        await timed(at, [
          [0, 'press', 'side-rear'],
          [80, 'release', 'side-rear'],
        ]),
        2,
      )
      expect([down, up].map((line) => line.replace(/^\d+ /, ''))).toEqual(['E down', 'E up'])
      return (Number.parseInt(up) - Number.parseInt(down)) / 1000
    }
    expect(await lasted(undefined, 1000)).toBe(10)
    expect(await lasted(25, 1000)).toBe(25)
    expect(await lasted(1, 1000)).toBe(2)
    expect(await lasted(1, 125)).toBe(16)
  })

  it('is seen for each turn of a wheel, however fast, in the order of the turns', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.integer({ min: 1, max: 40 }), { minLength: 1, maxLength: 30 }),
        async (gaps) => {
          let atMs = 0
          const heard = await timed(
            pressing(undefined, ['wheel-up', 0, 'w']),
            gaps.map((gap) => [(atMs += gap), 'turn', 'wheel-up']),
          )
          const times = heard.map((line) => Number.parseInt(line) / 1000)
          expect(heard.map((line) => line.split(' ')[2])).toEqual(gaps.flatMap(() => ['down', 'up']))
          const lasted = gaps.map((_, turn) => itemAt(times, 2 * turn + 1) - itemAt(times, 2 * turn))
          // The last four need not wait for others.
          for (const each of lasted) expect(each).toBeGreaterThanOrEqual(2)
          for (const each of lasted.slice(-4)) expect(each).toBe(10)
          if (Math.min(...gaps) > 11) expect(new Set(lasted)).toEqual(new Set([10]))
        },
      ),
      runs(10),
    )
  })

  it('is each of two clicks, though the input is let go at once, and the last as long as it is held', async () => {
    const clicks = async (heldMs: number) =>
      (
        await timed(pressing(undefined, ['side-rear', 0, 'double click']), [
          [0, 'press', 'side-rear'],
          [heldMs, 'release', 'side-rear'],
        ])
      ).map((line) => Number.parseInt(line) / 1000)
    expect(await clicks(1)).toEqual([0, 10, 12, 22])
    expect(await clicks(70)).toEqual([0, 10, 12, 70])
  })

  it('is let go at once when another slot comes on, or when what it was becomes a hold', async () => {
    const { device, after, said, session } = await deviceWith(pressing(100, [...tapped]), pressing(100))
    const tapIt = () => {
      device.press('side-rear')
      after(90)
      device.release('side-rear')
      after(5)
    }
    tapIt()
    expect(said()).toEqual(['E down'])
    await session.select(1)
    after(20)
    expect(said()).toEqual(['E up'])
    await session.select(0)
    tapIt()
    device.press('side-rear')
    after(90)
    device.release('side-rear')
    after(250)
    expect(said()).toEqual(['E down', 'E up', 'E down', 'E up'])
  })
})

describe('a repeating macro', () => {
  it('comes again after exactly what its waits and its gap say, when its reports have room there', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.integer({ min: 0, max: 400 }),
        fc.integer({ min: 0, max: 40 }),
        fc.integer({ min: 0, max: 992 }),
        async (heldMs, afterMs, gapMs) => {
          const { device, at, heard } = await playing(
            bound(['side-front', play({ macro: 'one', play: 'held', gapMs })]),
            [macro('one', tap('KeyA', heldMs, afterMs))],
          )
          device.press('side-front')
          at(5000)
          const downs = heard().flatMap((line) =>
            line.endsWith('A down') ? [Number.parseInt(line) / 1000] : [],
          )
          const all = downs.slice(1).map((ms, index) => ms - itemAt(downs, index))
          // When released and pressed again at one moment, the press is one report later, from the second time on.
          const apart = new Set(afterMs + gapMs === 0 ? all.slice(1) : all)
          // A press and a release are two reports.
          expect([...apart]).toEqual([Math.max(2, heldMs + afterMs + gapMs)])
        },
      ),
      { ...runs(10), examples: [[2, 0, 0]] },
    )
  })

  it('does not let what waits grow when two send at once, and ends when it is let go', async () => {
    const { device, at, heard } = await playing(
      bound(
        ['side-front', play({ macro: 'one', play: 'held' })],
        ['side-rear', play({ macro: 'two', play: 'held' })],
      ),
      [macro('one', tap('KeyA', 1)), macro('two', tap('KeyB', 1))],
    )
    device.press('side-front')
    device.press('side-rear')
    at(3000)
    device.release('side-front')
    device.release('side-rear')
    at(4000)
    const last = heard().at(-1)
    expect(Number.parseInt(last ?? '')).toBeLessThan(3_012_000)
  })
})
