import { FIRST_FIRMWARE } from '../base/versions'
import { colourParameter, millimetres, millis } from '../base/parameters'
import { brightness, defineEffect, lightOf, period, setLight, setAllLights } from './effect'
import { lengthOf, levelOf, ONE } from './fixed'

/** Rings that spread from each pressed input and fade. */
export const ripple = defineEffect({
  code: 10,
  since: FIRST_FIRMWARE,
  parameters: {
    colour: colourParameter(255, 255, 255),
    /** Time of a ring for one spread. */
    periodMs: period(400),
    spreadMm: millimetres(5, 1000, 100),
    widthMm: millimetres(1, 250, 20),
    decayMs: millis(100, 10_000, 1000),
    brightness,
  },
  timing: ({ decayMs }) => ({ moves: 'after', what: 'press', lastsMs: decayMs }),
  covers: false,
  paint(values, scene, paint) {
    const { plan, chosen, presses, nowMs } = scene
    const light = lightOf(values.colour, levelOf(values.brightness))
    const rings = presses.flatMap(({ input, atMs }) => {
      const ageMs = nowMs - atMs
      const from = plan.inputs.get(input)
      if (!from || ageMs < 0 || ageMs >= values.decayMs) return []
      const radius = Math.floor((ageMs * values.spreadMm * 10) / values.periodMs)
      return [{ ...from, radius, level: ONE - Math.floor((ageMs * ONE) / values.decayMs) }]
    })
    const width = values.widthMm * 10
    if (rings.length === 0) return setAllLights(paint, scene, light, 0)
    for (let index = 0; index < chosen.length; index++) {
      const [px, py] = [plan.x[chosen[index] ?? 0] ?? 0, plan.y[chosen[index] ?? 0] ?? 0]
      let cover = 0
      for (const { x, y, radius, level } of rings) {
        const off = Math.abs(lengthOf(px - x, py - y) - radius)
        if (off < width) cover = Math.max(cover, Math.floor(((width - off) * level) / width))
      }
      setLight(paint, index, light, cover)
    }
  },
})
