import { itemAt } from '../base/items'
import type { DeviceInput, DeviceModel } from './model'

export const WAYS = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] } as const
export type Way = keyof typeof WAYS

/** What lies aside of the way counts so many times as much as what lies ahead. */
const ASIDE = 3

/**
 * The input one comes to from another by an arrow key: the nearest ahead of it on the drawing. Those in one place, as the
 * turns of a knob and its press, are gone through in their order.
 *
 * @returns undefined where none lies that way
 */
export function inputBeside(model: DeviceModel, fromId: string, way: Way): DeviceInput | undefined {
  const from = model.inputs.find(({ id }) => id === fromId)
  if (!from) return undefined
  const [x, y] = pointOn(model, from)
  const next = model.inputs[model.inputs.indexOf(from) + WAYS[way][0]]
  if (next && next !== from && String(pointOn(model, next)) === String([x, y])) return next
  const [ahead, across] = WAYS[way][0] === 0 ? [1, 0] : [0, 1]
  const sign = WAYS[way][0] + WAYS[way][1]
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

/** Where its leader points: on the input, in mm of the sheet. */
function pointOn(model: DeviceModel, { leader: { view, at } }: DeviceInput): [number, number] {
  const [dx, dy] = model.sheet.views.find(({ id }) => id === view)?.at ?? [0, 0]
  return [at[0] + dx, at[1] + dy]
}
