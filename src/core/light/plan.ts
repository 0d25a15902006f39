import { clamp } from '../base/numbers'
import { itemAt } from '../base/items'
import { memoizeByObject } from '../base/memoize'
import { boxOf } from '../device/shapes'
import type { DeviceModel, LightPosition, PlacedShape, Point } from '../device/model'
import type { LightPlan } from '../effects/effect'
import type { EntryTarget } from '../onboard/light-stack'

/** One light of a device, with its zone. */
export interface PlacedLight extends LightPosition {
  /** `zone:index`, or `zone:input` if it belongs to an input. */
  id: string
  zone: string
  zoneIndex: number
}

/** All lights of a model in the order of its zones, which is their order in frames and their numbering in images. */
export const lightsOfModel = memoizeByObject((model: DeviceModel): readonly PlacedLight[] =>
  model.zones.flatMap(({ id, lights }, zoneIndex) =>
    lights.map((light, index) => ({
      ...light,
      id: `${id}:${light.input ?? index + 1}`,
      zone: id,
      zoneIndex,
    })),
  ),
)

/** Within a row, each light is less than this further along the device than the previous one. */
const ROW_MM = 4

/** Ids of the lights in each row of a zone, from the front to the hand; a single light is not a row. */
export const rowsOfLights = memoizeByObject((model: DeviceModel): readonly string[][] => {
  const rows: { zone: string; y: number; ids: string[] }[] = []
  for (const { id, zone, at } of [...lightsOfModel(model)].sort((a, b) => a.at[1] - b.at[1])) {
    const last = rows.findLast((row) => row.zone === zone)
    if (!last || at[1] - last.y >= ROW_MM) rows.push({ zone, y: at[1], ids: [id] })
    else {
      last.ids.push(id)
      last.y = at[1]
    }
  }
  return rows.flatMap(({ ids }) => (ids.length > 1 ? [ids] : []))
})

const TENTHS = 10

/** The layout on which effects paint, from the positions in a model. */
export const lightPlan = memoizeByObject((model: DeviceModel): LightPlan => {
  const lights = lightsOfModel(model)
  const tenths = (mm: number) => Math.round(mm * TENTHS)
  const x = Int32Array.from(lights, ({ at }) => tenths(at[0]))
  const y = Int32Array.from(lights, ({ at }) => tenths(at[1]))
  const [left, top] = [Math.min(...x), Math.min(...y)]
  const numbers = new Map(model.inputs.map(({ id, number }) => [id, number]))
  return {
    count: lights.length,
    x,
    y,
    zone: Uint8Array.from(lights, ({ zoneIndex }) => zoneIndex),
    input: Uint8Array.from(lights, ({ input }) => (input ? (numbers.get(input) ?? 0) : 0)),
    box: { left, top, width: Math.max(...x) - left, height: Math.max(...y) - top },
    inputs: new Map(
      model.inputs.map(({ id, number, shapes }) => {
        const own = lights.find(({ input }) => input === id)
        const [px, py] = own ? own.at : onPlan(model, itemAt(shapes, 0))
        return [number, { x: tenths(px), y: tenths(py) }]
      }),
    ),
  }
})

/**
 * Centre of a shape in millimetres of the top view; other views are aligned with it, so shapes beside it end at its
 * edge.
 */
function onPlan({ sheet: { views } }: DeviceModel, { view, shape }: PlacedShape): Point {
  const plan = views.find(({ id }) => id === 'plan') ?? itemAt(views, 0)
  const own = views.find(({ id }) => id === view) ?? plan
  const { x, y, width, height } = boxOf(shape)
  const [dx, dy] = [own.at[0] - plan.at[0], own.at[1] - plan.at[1]]
  const across = clamp(x + width / 2 + dx, 0, plan.widthMm)
  return [across, clamp(y + height / 2 + dy, 0, plan.heightMm)]
}

/** Numbers of the selected lights, in the model's order; unknown ones are ignored. */
export function targetLights(where: EntryTarget, { count, zone }: LightPlan): number[] {
  const all = Array.from({ length: count }, (_, light) => light)
  if (where.kind === 'all') return all
  if (where.kind === 'zones') return all.filter((light) => where.zones.includes(zone[light] ?? 0))
  return where.lights.filter((light) => light < count)
}
