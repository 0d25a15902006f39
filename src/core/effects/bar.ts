import { clamp } from '../base/numbers'
import { mix } from './colours'
import { NO_LIGHT, setLight, type Light, type Paint } from './effect'
import { ONE } from './fixed'

/** Fills a part of a row of lights; the last one is lit in proportion. A single light stays on. */
export function bar(paint: Paint, count: number, light: Light, part: number): void {
  const filled = part * count
  for (let index = 0; index < count; index++) {
    const own = count === 1 ? ONE : clamp(filled - index * ONE, 0, ONE)
    setLight(paint, index, own === ONE ? light : own === 0 ? NO_LIGHT : mix(NO_LIGHT, light, own))
  }
}
