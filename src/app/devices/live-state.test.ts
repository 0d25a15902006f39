import { describe, expect, it } from 'vitest'
import { itemAt } from '../../core/base/items'
import { fromHex } from '../../core/base/colour'
import { tern7 } from '../../core/device/models/tern-7'
import { NO_BATTERY } from '../../core/link/packets'
import { factoryProfile } from '../../core/terms/profile'
import { liveState } from './live-state'

const profile = factoryProfile(tern7, 'Salvage')
const info = { activeSlot: 1, activeStep: 3, batteryPercent: 41, charging: true, connection: 1 }
const slots = [{ profile: undefined }, { profile }]

describe('what the lights of a device may tell', () => {
  it('comes from its active slot, its active step, its charge and its connection', () => {
    expect(liveState({ info, slots })).toMatchObject({
      step: fromHex(itemAt(profile.steps, 2).colour),
      chargePercent: 41,
      charging: true,
      connection: 2,
    })
  })

  it('is a full charge on a device without a battery, and the default step where it has none', () => {
    const wired = { ...info, batteryPercent: NO_BATTERY, activeStep: 0 }
    expect(liveState({ info: wired, slots })).toMatchObject({
      chargePercent: 100,
      step: fromHex(itemAt(profile.steps, profile.defaultStep).colour),
    })
  })

  it('is nothing before the device was read, and for an empty slot', () => {
    expect(liveState({ info: undefined, slots })).toBeUndefined()
    expect(liveState({ info: { ...info, activeSlot: 0 }, slots })).toBeUndefined()
  })
})
