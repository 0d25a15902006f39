import { itemAt } from '../base/items'
import type { DeviceInput, DeviceModel } from './model'

export const ARROW_DIRECTIONS = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
} as const
export type ArrowKey = keyof typeof ARROW_DIRECTIONS

/** Weight of a sideways distance compared with one straight ahead. */
const ASIDE = 3

/**
 * The input that an arrow key leads to from another: the nearest in that direction on the drawing. Inputs at the same
 * place, such as the turns and the press of a knob, follow in their order.
 *
 * @returns undefined if there is none in that direction
 */
export function nearestInput(model: DeviceModel, fromId: string, way: ArrowKey): DeviceInput | undefined {
  const from = model.inputs.find(({ id }) => id === fromId)
  if (!from) return undefined
  const [x, y] = pointOn(model, from)
  const next = model.inputs[model.inputs.indexOf(from) + ARROW_DIRECTIONS[way][0]]
  if (next && next !== from && String(pointOn(model, next)) === String([x, y])) return next
  const [ahead, across] = ARROW_DIRECTIONS[way][0] === 0 ? [1, 0] : [0, 1]
  const sign = ARROW_DIRECTIONS[way][0] + ARROW_DIRECTIONS[way][1]
  let best: { input: DeviceInput; far: number } | undefined
  for (const input of model.inputs) {
    const off = pointOn(model, input)
    const distance = [off[0] - x, off[1] - y]
    const forward = itemAt(distance, ahead) * sign
    if (forward <= 0.5) continue
    const far = forward + ASIDE * Math.abs(itemAt(distance, across))
    if (!best || far < best.far) best = { input, far }
  }
  return best?.input
}

/** The end of its leader line on the input, in mm of the sheet. */
function pointOn(model: DeviceModel, { leader: { view, at } }: DeviceInput): [number, number] {
  const [dx, dy] = model.sheet.views.find(({ id }) => id === view)?.at ?? [0, 0]
  return [at[0] + dx, at[1] + dy]
}
