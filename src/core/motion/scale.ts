import type { SensorRange } from '../device/model'
import { nearestDpi } from './steps'

/**
 * Steps feel alike when their ratio is alike, so the rule they stand on is logarithmic.
 *
 * @returns where a DPI stands on the rule, 0 at the sensor's least and 1 at its most
 */
export const placeOnRule = (sensor: SensorRange, dpi: number): number =>
  Math.log(dpi / sensor.minDpi) / Math.log(sensor.maxDpi / sensor.minDpi)

/** The sensor's nearest setting to a place on the rule; places outside 0 to 1 are taken to its ends. */
export function dpiAtPlace(sensor: SensorRange, place: number): number {
  const within = Math.max(0, Math.min(1, place))
  return nearestDpi(sensor, sensor.minDpi * (sensor.maxDpi / sensor.minDpi) ** within)
}

/** Marks for the rule: every digit of each decade that the sensor covers, with 1, 2 and 5 named. */
export function ruleMarks(sensor: SensorRange): { dpi: number; named: boolean }[] {
  const decades = Array.from({ length: 6 }, (_, power) => 10 ** power)
  return decades
    .flatMap((decade) =>
      [1, 2, 3, 4, 5, 6, 7, 8, 9].map((digit) => ({ dpi: digit * decade, named: [1, 2, 5].includes(digit) })),
    )
    .filter(({ dpi }) => dpi >= sensor.minDpi && dpi <= sensor.maxDpi)
}
