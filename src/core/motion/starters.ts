import { message, type Message } from '../message/message'
import type { DeviceModel } from '../device/model'
import type { DeviceSettings } from '../onboard/settings'
import { equalFeelSteps } from './feel'
import { nearestDpi } from './steps'

/** Starters by kind of play or work: steps, rates and device settings, adapted to the device. */
export interface Starter {
  id: string
  name: Message
  about: Message
  fromDpi: number
  toDpi: number
  steps: number
  /** The wanted rate over each connection; the nearest supported one is used. */
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
    name: message('starters.motionTurning'),
    fromDpi: 600,
    toDpi: 1600,
    steps: 3,
    rateHz: 2000,
    about: message('starters.motionTurningAbout'),
    settings: { ...usual, debounceMs: 2 },
  },
  {
    id: 'orders',
    name: message('starters.purposeOrders'),
    fromDpi: 800,
    toDpi: 2400,
    steps: 3,
    rateHz: 500,
    about: message('starters.motionOrdersAbout'),
    settings: { ...usual, liftOffMm: 2, sleepMinutes: 20 },
  },
  {
    id: 'drawing',
    name: message('starters.motionDrawing'),
    fromDpi: 400,
    toDpi: 1600,
    steps: 3,
    rateHz: 500,
    about: message('starters.motionDrawingAbout'),
    settings: { ...usual, angleSnapping: true, debounceMs: 8, debounce: 'deferred' },
  },
  {
    id: 'evenings',
    name: message('starters.motionEvenings'),
    fromDpi: 800,
    toDpi: 1600,
    steps: 2,
    rateHz: 250,
    about: message('starters.motionEveningsAbout'),
    settings: { ...usual, sleepMinutes: 3, noticePercent: 25 },
  },
]

export interface StarterPlan {
  dpis: number[]
  rates: Record<string, number>
}

/** A starter adapted to a device. */
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
