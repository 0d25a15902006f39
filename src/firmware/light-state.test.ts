import { describe, expect, it } from 'vitest'
import { itemAt } from '../core/base/items'
import { tern7 } from '../core/device/models/tern-7'
import { bind } from '../core/edits/edits'
import { type EffectCondition } from '../core/document/light'
import { newStackItem } from '../core/terms/light'
import { targetLights, lightPlan } from '../core/light/plan'
import type { Profile } from '../core/document/schema'
import { Clock } from './clock'
import { SimulatedDevice } from './device'
import { deviceWith } from './device.test-support'
import { sheet } from './sheet.test-support'

/**
 * The state for the lights, as the device knows it: presses, layers, countdowns and times (docs/onboard-format.md,
 * "Light").
 */
const CELLS: [input: string, layer: number, text: string][] = [
  ['side-rear', 0, 'hold layer Dive'],
  ['under-wheel', 0, 'countdown 2 s #00ff00'],
]
const device = (light: Profile['light'], change: (profile: Profile) => Profile = (same) => same) => {
  const profile = change({ ...sheet(tern7, ['Dive'], ...CELLS), light })
  return deviceWith(profile, { ...profile, name: 'Other' })
}
type Device = Awaited<ReturnType<typeof device>>
const red = (when: EffectCondition) => [
  newStackItem('solid', { colour: '#ff0000', brightness: 100 }, { when }),
]
/** Whether its lights are red, after each of some delays in ms. */
const shows = ({ device: each, after }: Device, ...afterMs: number[]) =>
  afterMs.map((ms) => {
    after(ms)
    return each.lights().every((light) => light.red === 255)
  })

/** All flash contents of a device. */
const flashOf = ({ flash }: SimulatedDevice): Uint8Array =>
  flash.read(0, flash.geometry.sectors * flash.geometry.sectorBytes)

describe('light goes by', () => {
  it('a press of the input that is meant, for as long as is set, however long it is held', async () => {
    const on = await device(red({ kind: 'press', forMs: 500, inputs: ['side-front'] }))
    expect(shows(on, 100)).toEqual([false])
    on.device.press('right')
    expect(shows(on, 20)).toEqual([false])
    on.device.press('side-front')
    expect(shows(on, 20, 400, 100, 1000)).toEqual([true, true, false, false])
    on.device.release('side-front')
    expect(shows(on, 20)).toEqual([false])
  })

  it('a layer while it is on, and a slot that comes on', async () => {
    const layered = await device(red({ kind: 'layer', layer: 1 }))
    expect(shows(layered, 10)).toEqual([false])
    layered.device.press('side-rear')
    expect(shows(layered, 20, 5000)).toEqual([true, true])
    layered.device.release('side-rear')
    expect(shows(layered, 20)).toEqual([false])
    const arriving = await device(red({ kind: 'arrival', forMs: 3000 }))
    arriving.after(5000)
    expect(shows(arriving, 0)).toEqual([false])
    await arriving.session.select(1)
    // Its number is shown by flashes first.
    expect(shows(arriving, 2500, 1000)).toEqual([true, false])
  })

  it('a rest of the hand, and a signal', async () => {
    const idle = await device(red({ kind: 'idle', seconds: 4 }))
    idle.device.press('right')
    idle.device.release('right')
    expect(shows(idle, 3900, 200)).toEqual([false, true])
    idle.device.press('right')
    expect(shows(idle, 20)).toEqual([false])
    // A finished countdown sends a signal.
    const signalled = await device(red({ kind: 'signal', forMs: 5000 }))
    signalled.device.press('under-wheel')
    signalled.device.release('under-wheel')
    expect(shows(signalled, 1900, 200, 4800, 200)).toEqual([false, true, true, false])
  })

  it('how long a finger has been gone: a glow fades evenly from the moment it is let go', async () => {
    const on = await device([
      newStackItem('glow', { colour: '#ffffff', decayMs: 1000, reachMm: 0, brightness: 100 }),
    ])
    const brightest = (ms: number) => {
      on.after(ms)
      return Math.max(...on.device.lights().map((light) => light.green))
    }
    expect(brightest(10)).toBe(0)
    on.device.press('side-front')
    expect(brightest(20)).toBe(255)
    expect(brightest(3000)).toBe(255)
    on.device.release('side-front')
    const falling = [brightest(250), brightest(250), brightest(250), brightest(300)]
    // The remaining part is linear in light; colours are sRGB.
    const coded = (left: number) => 255 * (1.055 * left ** (1 / 2.4) - 0.055)
    for (const [at, left] of [0.75, 0.5, 0.25].entries())
      expect(Math.abs(itemAt(falling, at) - coded(left))).toBeLessThan(2)
    expect(falling[3]).toBe(0)
    expect(on.device.lights().filter((light) => light.green > 0)).toHaveLength(0)
  })

  it('a countdown: as many lights as there is time left', async () => {
    const on = await device([newStackItem('countdown', { brightness: 100 })])
    const lit = (ms: number) => {
      on.after(ms)
      return on.device.lights().filter((light) => light.green > 0 && light.red === 0).length
    }
    expect(lit(10)).toBe(0)
    on.device.press('under-wheel')
    on.device.release('under-wheel')
    const all = on.device.lights().length
    expect(lit(20)).toBe(all)
    const half = lit(1000)
    expect(Math.abs(half - all / 2)).toBeLessThanOrEqual(1)
    expect(lit(900)).toBe(1)
    // Its end is flashed on all lights, which then turn off.
    expect(lit(200)).toBe(all)
    expect(lit(200)).toBe(0)
    expect(lit(200)).toBe(all)
    expect(lit(10_000)).toBe(0)
  })

  it('a step note on the indicator alone, in the brightness that is set', async () => {
    const dimmed = (profile: Profile) => ({
      ...profile,
      settings: { lightCablePercent: 30, lightBatteryPercent: 30 },
    })
    const solid = newStackItem('solid', { colour: '#ffffff', brightness: 100 })
    const on = await device([solid], (profile) =>
      dimmed(bind(profile, tern7, 0, 'side-front', { kind: 'step', to: 'next' })),
    )
    on.after(5000)
    const before = on.device.lights()
    on.device.press('side-front')
    on.device.release('side-front')
    on.after(100)
    const during = on.device.lights()
    const indicator = targetLights(
      { kind: 'zones', zones: [tern7.zones.findIndex(({ id }) => id === tern7.indicatorZone)] },
      lightPlan(tern7),
    )
    const brightest = Math.max(...before.flatMap(({ red: level, green, blue }) => [level, green, blue]))
    for (const [index, light] of during.entries()) {
      expect(Math.max(light.red, light.green, light.blue)).toBeLessThanOrEqual(brightest)
      if (!indicator.includes(index)) expect(light).toEqual(before[index])
    }
    expect(indicator.some((index) => itemAt(during, index).green !== itemAt(before, index).green)).toBe(true)
  })

  it('a low charge that is there at power-on, by the effect that waits for a signal and not by flashes', async () => {
    const lowOn = async (when: EffectCondition) => {
      const profile = { ...sheet(tern7, []), light: red(when), settings: { noticePercent: 50 } }
      const { device: written } = await deviceWith(profile)
      const clock = new Clock()
      const chargeMah = (tern7.electrical.battery?.capacityMah ?? 0) / 10
      const low = new SimulatedDevice({ model: tern7, clock, flash: flashOf(written), chargeMah })
      const levels = new Set<string>()
      low.setPlugs({ receiver: true, radio: 'receiver', power: true })
      for (let ms = 0; ms < 1500; ms += 50) {
        clock.runUntil(clock.nowUs + 50_000)
        for (const light of low.lights()) levels.add(`${light.red} ${light.green} ${light.blue}`)
      }
      return [...levels].sort()
    }
    expect(await lowOn({ kind: 'signal', forMs: 5000 })).toEqual(['255 0 0'])
    // If no effect waits for it, all lights flash.
    expect((await lowOn({ kind: 'press', forMs: 50, inputs: [] })).length).toBeGreaterThan(1)
  })
})
