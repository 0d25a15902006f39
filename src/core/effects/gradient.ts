import { FIRST_FIRMWARE } from '../base/versions'
import { coloursOf, millimetres } from '../base/parameters'
import { lightsOf, putOnRow } from './colours'
import { brightness, effect, still } from './effect'
import { along, axisOf, DIRECTION_GRID, ONE } from './fixed'

export const direction = (otherwise: number) =>
  ({ kind: 'number', least: 0, most: 345, grid: DIRECTION_GRID, unit: '°', otherwise }) as const

/** Colours next to each other, still: over a length from the first light on, or over all lights there are. */
export const gradient = effect({
  code: 6,
  since: FIRST_FIRMWARE,
  parameters: {
    colours: coloursOf({ red: 255, green: 180, blue: 90 }, { red: 40, green: 90, blue: 255 }),
    direction: direction(0),
    brightness,
    /** 0 for as long as the lights reach. */
    spreadMm: millimetres(0, 1000, 0),
  },
  timing: still,
  covers: true,
  paint(values, scene, paint) {
    const { plan, chosen } = scene
    const lights = lightsOf(values.colours, values.brightness)
    const axis = axisOf(values.direction)
    let first = Infinity
    let last = -Infinity
    for (const light of chosen) {
      const place = along(plan.x[light] ?? 0, plan.y[light] ?? 0, axis)
      first = Math.min(first, place)
      last = Math.max(last, place)
    }
    const length = values.spreadMm > 0 ? values.spreadMm * 10 : last - first
    for (let index = 0; index < chosen.length; index++) {
      const place = along(plan.x[chosen[index] ?? 0] ?? 0, plan.y[chosen[index] ?? 0] ?? 0, axis)
      const part = length === 0 ? 0 : Math.min(ONE, Math.floor(((place - first) * ONE) / length))
      putOnRow(paint, index, lights, part)
    }
  },
})
