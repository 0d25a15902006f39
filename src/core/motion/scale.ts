import { nearestDpi, type SensorRange } from './steps'

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

/** Marks for the rule: 1, 2 and 5 of each decade that the sensor covers. */
export function ruleMarks(sensor: SensorRange): number[] {
  const decades = Array.from({ length: 6 }, (_, power) => 10 ** power)
  return decades
    .flatMap((decade) => [1, 2, 5].map((digit) => digit * decade))
    .filter((dpi) => dpi >= sensor.minDpi && dpi <= sensor.maxDpi)
}
