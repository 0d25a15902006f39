import { FIRST_FIRMWARE } from '../base/versions'
import { colourParameter, millimetres, millis } from '../base/parameters'
import { brightness, defineEffect, lightOf, setLight, type Scene } from './effect'
import { lengthOf, levelOf, ONE } from './fixed'

/**
 * The light nearest to a pressed input lights up while it is held and fades after its release; within the reach, lights
 * further away follow later and weaker.
 */
export const glow = defineEffect({
  code: 11,
  since: FIRST_FIRMWARE,
  parameters: {
    colour: colourParameter(255, 255, 255),
    decayMs: millis(100, 10_000, 800),
    reachMm: millimetres(0, 250, 0),
    /** Additional delay per ten millimetres. */
    delayMs: millis(0, 1000, 0),
    brightness,
  },
  timing: (values) => ({ moves: 'after', what: 'press', lastsMs: fadesIn(values) }),
  covers: false,
  paint(values, scene, paint) {
    const light = lightOf(values.colour, levelOf(values.brightness))
    const cover = new Uint32Array(scene.chosen.length)
    for (const press of scene.presses) spread(press, values, scene, cover)
    for (let index = 0; index < cover.length; index++) setLight(paint, index, light, cover[index])
  },
})

/** Time after a release until the last light, at the end of the reach, has faded, in ms. */
const fadesIn = (values: { decayMs: number; reachMm: number; delayMs: number }): number =>
  values.decayMs + Math.floor((values.reachMm * values.delayMs) / 10)

function spread(
  { input, atMs, upMs }: Scene['presses'][number],
  values: { decayMs: number; reachMm: number; delayMs: number },
  { plan, chosen, nowMs }: Scene,
  cover: Uint32Array,
): void {
  const from = plan.inputs.get(input)
  if (!from || nowMs < atMs || (upMs !== undefined && nowMs - upMs >= fadesIn(values))) return
  const away = (light: number) => lengthOf((plan.x[light] ?? 0) - from.x, (plan.y[light] ?? 0) - from.y)
  let nearest = Infinity
  for (const light of chosen) nearest = Math.min(nearest, away(light))
  const reach = values.reachMm * 10
  for (let index = 0; index < chosen.length; index++) {
    const further = away(chosen[index] ?? 0) - nearest
    if (further > reach) continue
    const near = reach === 0 ? ONE : ONE - Math.floor((further * ONE) / (reach + 1))
    const late = Math.floor((further * values.delayMs) / 100)
    const since = upMs === undefined ? 0 : nowMs - upMs - late
    if (nowMs - atMs < late || since >= values.decayMs) continue
    const left = ONE - Math.floor((Math.max(0, since) * ONE) / values.decayMs)
    cover[index] = Math.max(cover[index] ?? 0, Math.floor((near * left) / ONE))
  }
}
