import { itemAt } from '../core/base/items'
import { describe, expect, it } from 'vitest'
import { tern7 } from '../core/device/models/tern-7'
import { CALIBRATION_OPERATION } from '../core/link/packets'
import { SURFACES, surfaceById } from '../core/motion/surface'
import type { DeviceSettings } from '../core/onboard/settings'
import { setPolling, setSettings, setStep } from '../core/edits/motion-edits'
import { factoryProfile } from '../core/terms/profile'
import { Clock } from './clock'
import { SimulatedDevice } from './device'
import { deviceWith } from './device.test-support'

const plain = setStep(factoryProfile(tern7, 'Plain'), tern7, 1, { dpi: 1000 })
const withSettings = (settings: DeviceSettings) => deviceWith(setSettings(plain, tern7, settings))
const surface = (id: string) => surfaceById(id) ?? itemAt(SURFACES, 0)

/** Counts received by the computer since the last call. */
const counts = (heard: Awaited<ReturnType<typeof deviceWith>>['heard']) =>
  heard().reduce(
    (sum, { event }) => (event.kind === 'pointer' ? { x: sum.x + event.x, y: sum.y + event.y } : sum),
    { x: 0, y: 0 },
  )

describe('the sensor', () => {
  it('counts across and along each by its own setting', async () => {
    const { device, heard, after } = await deviceWith(setStep(plain, tern7, 1, { dpiY: 500 }))
    device.move(25.4, 25.4)
    after(50)
    expect(counts(heard)).toEqual({ x: 1000, y: 500 })
  })

  it('loses the surface over its lift-off distance and finds it again', async () => {
    for (const [liftOffMm, held] of [
      [1, 0],
      [2, 1000],
    ] as const) {
      const { device, heard, after } = await withSettings({ liftOffMm })
      device.lift(1.5)
      device.move(25.4, 0)
      after(50)
      expect(counts(heard).x).toBe(held)
      device.lift(0)
      device.move(-25.4, 0)
      after(50)
      expect(counts(heard).x).toBe(-1000)
    }
  })

  it('straightens a nearly straight stroke with angle snapping, and leaves a slanted one alone', async () => {
    const stroke = async (angleSnapping: boolean, slope: number) => {
      const { device, heard, after } = await withSettings({ angleSnapping })
      for (let step = 0; step < 200; step++) {
        device.move(0.25, slope * 0.25)
        after(2)
      }
      return counts(heard).y
    }
    expect(await stroke(false, 0.05)).toBe(98)
    expect(await stroke(true, 0.05)).toBe(0)
    expect(await stroke(true, 0.5)).toBe(await stroke(false, 0.5))
  })

  it('tracks a shiny desk badly until it is measured in, keeps that through a power cut, and forgets it', async () => {
    const { device, session, heard, after } = await withSettings({})
    const lost = () => {
      for (let step = 0; step < 400; step++) {
        device.move(step % 2 ? 0.5 : -0.5, 0.5)
        after(2)
      }
      return 1 - counts(heard).y / ((400 * 0.5 * 1000) / 25.4)
    }
    device.layOn(surface('glass'))
    const before = lost()
    expect(before).toBeGreaterThan(0.2)
    await session.calibrate(CALIBRATION_OPERATION.begin)
    expect(await session.calibrate(CALIBRATION_OPERATION.ask)).toMatchObject({
      running: true,
      movedMm: 0,
      stored: 0,
    })
    for (let moved = 0; moved < 601; moved += 1) device.move(1, 0)
    after(5000)
    const status = await session.calibrate(CALIBRATION_OPERATION.ask)
    expect(status.running).toBe(false)
    expect(Math.abs(status.stored - surface('glass').quality)).toBeLessThan(3)
    counts(heard)
    expect(lost()).toBeLessThan(before / 3)
    device.setPlugs({ cable: 'none', power: false })
    device.setPlugs({ cable: 'data', power: true })
    expect((await session.calibrate(CALIBRATION_OPERATION.ask)).stored).toBe(status.stored)
    expect((await session.calibrate(CALIBRATION_OPERATION.forget)).stored).toBe(0)
  })
})

describe('debounce as a profile sets it', () => {
  it('lets a worn contact’s second press through, or waits until it rests', async () => {
    const presses = async (settings: DeviceSettings) => {
      const { device, heard, after, clock } = await withSettings(settings)
      const pressedUs = clock.nowUs
      device.press('left')
      after(9)
      device.release('left')
      after(3)
      device.press('left')
      after(40)
      device.release('left')
      after(40)
      return heard()
        .filter(({ event }) => event.kind === 'button' && event.down)
        .map(({ atUs }) => Math.floor((atUs - pressedUs) / 1000))
    }
    expect(await presses({ debounceMs: 2, debounce: 'eager' })).toHaveLength(2)
    expect(await presses({ debounceMs: 15, debounce: 'eager' })).toEqual([0])
    expect(await presses({ debounceMs: 5, debounce: 'deferred' })).toEqual([5])
  })
})

describe('power over hours', () => {
  const hour = 3.6e9
  async function overAir(settings: DeviceSettings, rateHz = 1000) {
    const profile = setPolling(setSettings(plain, tern7, settings), tern7, 'receiver', rateHz)
    const setUp = await deviceWith(profile)
    setUp.device.setPlugs({ cable: 'none', receiver: true, radio: 'receiver' })
    return setUp
  }
  /** Moves now and then for some time. @returns the charge used */
  function play({ device, clock }: Awaited<ReturnType<typeof overAir>>, hours: number): number {
    const before = device.state.chargeMah
    const until = clock.nowUs + hours * hour
    while (clock.nowUs < until) {
      device.move(0.5, 0)
      clock.runUntil(clock.nowUs + 400_000)
    }
    return before - device.state.chargeMah
  }

  it('takes more at a higher rate, by what the radio’s reports cost', async () => {
    const [slow, fast] = [play(await overAir({}, 500), 1), play(await overAir({}, 4000), 1)]
    expect(fast - slow).toBeCloseTo((2.4 * 3500) / 1000, 1)
  })

  it('goes dark and sleeps when nothing happens, and wakes with the first press', async () => {
    const setUp = await overAir({ sleepMinutes: 5 })
    const { device, clock, said } = setUp
    clock.runUntil(clock.nowUs + 4.9 * 60e6)
    const lit = () => device.lights().some(({ red, green, blue }) => red + green + blue > 0)
    expect(lit()).toBe(true)
    clock.runUntil(clock.nowUs + 0.2 * 60e6)
    expect(lit()).toBe(false)
    const asleep = device.state.chargeMah
    clock.runUntil(clock.nowUs + 10 * hour)
    expect(asleep - device.state.chargeMah).toBeCloseTo(0.3, 2)
    said()
    device.press('right')
    // Its radio reconnects some ms later, and then works as usual.
    clock.runUntil(clock.nowUs + 1000 * ((tern7.electrical.battery?.wakeMs ?? 0) - 1))
    expect(said()).toHaveLength(0)
    clock.runUntil(clock.nowUs + 3000)
    expect(said()).toHaveLength(1)
    device.release('right')
    clock.runUntil(clock.nowUs + 6000)
    expect(said()).toHaveLength(1)
    expect(lit()).toBe(true)
  })

  it('gives notice once when the charge comes down to the level, and again after a charge', () => {
    const clock = new Clock()
    const device = new SimulatedDevice({ model: tern7, clock, chargeMah: 60 })
    device.setPlugs({ receiver: true })
    const flashes = (hours: number) => {
      let count = 0
      let lit = false
      for (
        const until = clock.nowUs + hours * hour;
        clock.nowUs < until;
        clock.runUntil(clock.nowUs + 125_000)
      ) {
        if (clock.nowUs % 1e6 === 0) device.move(0.2, 0)
        const now = device
          .lights()
          .every(({ red, green, blue }) => red === 255 && green === 90 && blue === 30)
        if (now && !lit) count++
        lit = now
      }
      return count
    }
    // 15% of 320 mAh is 48 mAh: less than two hours from 60.
    expect(flashes(3)).toBe(8)
    device.setPlugs({ cable: 'charging' })
    clock.runUntil(clock.nowUs + 600e6)
    device.setPlugs({ cable: 'none' })
    expect(flashes(5)).toBe(8)
  })
})
