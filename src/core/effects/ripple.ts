import { colourOf, millimetres, millis } from '../base/parameters'
import { brightness, effect, lightOf, period, put } from './effect'
import { lengthOf, levelOf, ONE } from './fixed'

/** Rings that go out from each pressed input and fade. */
export const ripple = effect({
  code: 10,
  parameters: {
    colour: colourOf(255, 255, 255),
    /** The time a ring takes for a spread. */
    periodMs: period(400),
    spreadMm: millimetres(5, 1000, 100),
    widthMm: millimetres(1, 250, 20),
    decayMs: millis(100, 10_000, 1000),
    brightness,
  },
  paint(values, { plan, chosen, presses, nowMs }, paint) {
    const light = lightOf(values.colour, levelOf(values.brightness))
    const rings = presses.flatMap(({ input, atMs }) => {
      const ageMs = nowMs - atMs
      const from = plan.inputs.get(input)
      if (!from || ageMs < 0 || ageMs >= values.decayMs) return []
      const radius = Math.floor((ageMs * values.spreadMm * 10) / values.periodMs)
      return [{ ...from, radius, level: ONE - Math.floor((ageMs * ONE) / values.decayMs) }]
    })
    const width = values.widthMm * 10
    chosen.forEach((each, index) => {
      let cover = 0
      for (const { x, y, radius, level } of rings) {
        const off = Math.abs(lengthOf(plan.x[each] - x, plan.y[each] - y) - radius)
        if (off < width) cover = Math.max(cover, Math.floor(((width - off) * level) / width))
      }
      put(paint, index, light, cover)
    })
  },
})
