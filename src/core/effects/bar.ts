import { mix } from './colours'
import { NONE, put, type Light, type Paint } from './effect'
import { ONE } from './fixed'

/** A row of lights filled to a part of it; the one at its end is on as far as it is filled. A single one stays on. */
export function bar(paint: Paint, count: number, light: Light, part: number): void {
  const filled = part * count
  for (let index = 0; index < count; index++) {
    const own = count === 1 ? ONE : Math.max(0, Math.min(ONE, filled - index * ONE))
    put(paint, index, own === ONE ? light : own === 0 ? NONE : mix(NONE, light, own))
  }
}
