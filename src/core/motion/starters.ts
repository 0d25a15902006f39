import type { DeviceModel } from '../device/model'
import type { DeviceSettings } from '../onboard/settings'
import { equalFeelSteps } from './feel'
import { nearestDpi } from './steps'

/** Where to begin by kind of play or work: steps, rates and finer settings, taken to what the device can do. */
export interface Starter {
  id: string
  name: string
  about: string
  fromDpi: number
  toDpi: number
  steps: number
  /** The rate wanted over each connection; the nearest there is. */
  rateHz: number
  settings: Omit<Required<DeviceSettings>, 'pressMs' | `${'light' | 'slotKey'}${string}`>
}

const usual = {
  liftOffMm: 1,
  angleSnapping: false,
  debounceMs: 4,
  debounce: 'eager',
  sleepMinutes: 10,
  noticePercent: 15,
} as const

export const STARTERS: readonly Starter[] = [
  {
    id: 'turning',
    name: 'Quick turns',
    fromDpi: 600,
    toDpi: 1600,
    steps: 3,
    rateHz: 2000,
    about: 'Turning and stopping fast: low lift-off, no snapping, short debounce, a high rate',
    settings: { ...usual, debounceMs: 2 },
  },
  {
    id: 'orders',
    name: 'Many orders',
    fromDpi: 800,
    toDpi: 2400,
    steps: 3,
    rateHz: 500,
    about: 'Slow strategy over large maps: wide steps, a rate that spares the battery',
    settings: { ...usual, liftOffMm: 2, sleepMinutes: 20 },
  },
  {
    id: 'drawing',
    name: 'Fine drawing',
    fromDpi: 400,
    toDpi: 1600,
    steps: 3,
    rateHz: 500,
    about: 'Straight lines and small marks: snapping on, clicks that never double',
    settings: { ...usual, angleSnapping: true, debounceMs: 8, debounce: 'deferred' },
  },
  {
    id: 'evenings',
    name: 'Long evenings',
    fromDpi: 800,
    toDpi: 1600,
    steps: 2,
    rateHz: 250,
    about: 'Hours between charges: a low rate, early sleep, early notice',
    settings: { ...usual, sleepMinutes: 3, noticePercent: 25 },
  },
]

export interface StarterPlan {
  dpis: number[]
  rates: Record<string, number>
}

/** What a starter comes to on a device. */
export function planStarter({ fromDpi, toDpi, steps, rateHz }: Starter, model: DeviceModel): StarterPlan {
  const { sensor } = model
  const count = sensor ? Math.min(steps, sensor.maxSteps) : 0
  const dpis = sensor
    ? equalFeelSteps(sensor, nearestDpi(sensor, fromDpi), nearestDpi(sensor, toDpi), count).map(
        ({ dpi }) => dpi,
      )
    : []
  const rates = model.connections.flatMap(({ id, configurable, ratesHz }) => {
    const near = ratesHz.reduce((a, b) => (Math.abs(b - rateHz) < Math.abs(a - rateHz) ? b : a))
    return configurable ? [[id, near] as const] : []
  })
  return { dpis: [...new Set(dpis)], rates: Object.fromEntries(rates) }
}
