import { FIRST_FIRMWARE } from '../base/versions'
import { coloursParameter, millimetres } from '../base/parameters'
import { lightsOf, setFromRow } from './colours'
import { brightness, defineEffect, notMoving } from './effect'
import { distanceAlong, axisOf, DIRECTION_STEP, ONE } from './fixed'

export const direction = (defaultValue: number) =>
  ({ kind: 'number', min: 0, max: 345, step: DIRECTION_STEP, unit: '°', default: defaultValue }) as const

/** Still colours next to each other: over a length from the first light on, or over all lights. */
export const gradient = defineEffect({
  code: 6,
  since: FIRST_FIRMWARE,
  parameters: {
    colours: coloursParameter({ red: 255, green: 180, blue: 90 }, { red: 40, green: 90, blue: 255 }),
    direction: direction(0),
    brightness,
    /** 0 for the extent of the lights. */
    spreadMm: millimetres(0, 1000, 0),
  },
  timing: notMoving,
  covers: true,
  paint(values, scene, paint) {
    const { plan, chosen } = scene
    const lights = lightsOf(values.colours, values.brightness)
    const axis = axisOf(values.direction)
    let first = Infinity
    let last = -Infinity
    for (const light of chosen) {
      const place = distanceAlong(plan.x[light] ?? 0, plan.y[light] ?? 0, axis)
      first = Math.min(first, place)
      last = Math.max(last, place)
    }
    const length = values.spreadMm > 0 ? values.spreadMm * 10 : last - first
    for (let index = 0; index < chosen.length; index++) {
      const place = distanceAlong(plan.x[chosen[index] ?? 0] ?? 0, plan.y[chosen[index] ?? 0] ?? 0, axis)
      const part = length === 0 ? 0 : Math.min(ONE, Math.floor(((place - first) * ONE) / length))
      setFromRow(paint, index, lights, part)
    }
  },
})
