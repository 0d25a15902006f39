import { clamp } from '../base/numbers'
import type { SensorRange } from '../device/model'
import { nearestDpi } from './steps'

/**
 * Steps feel equal when their ratios are equal, so their scale is logarithmic.
 *
 * @returns position of a DPI on the scale, 0 at the sensor's minimum and 1 at its maximum
 */
export const scalePosition = (sensor: SensorRange, dpi: number): number =>
  Math.log(dpi / sensor.minDpi) / Math.log(sensor.maxDpi / sensor.minDpi)

/** The nearest supported value for a position on the scale; positions outside 0 to 1 are limited. */
export function dpiAtPosition(sensor: SensorRange, place: number): number {
  const within = clamp(place, 0, 1)
  return nearestDpi(sensor, sensor.minDpi * (sensor.maxDpi / sensor.minDpi) ** within)
}

/** Marks of the scale: every digit of each decade of the sensor, with labels at 1, 2 and 5. */
export function scaleMarks(sensor: SensorRange): { dpi: number; named: boolean }[] {
  const decades = Array.from({ length: 6 }, (_, power) => 10 ** power)
  return decades
    .flatMap((decade) =>
      [1, 2, 3, 4, 5, 6, 7, 8, 9].map((digit) => ({ dpi: digit * decade, named: [1, 2, 5].includes(digit) })),
    )
    .filter(({ dpi }) => dpi >= sensor.minDpi && dpi <= sensor.maxDpi)
}
