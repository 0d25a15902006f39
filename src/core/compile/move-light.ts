import { itemAt } from '../base/items'
import type { DeviceModel } from '../device/model'
import { CONDITIONS } from '../effects/conditions'
import { EFFECTS } from '../effects/registry'
import type { StackedEffect, StackItem, When, Where } from '../document/light'
import { hasConnection } from '../terms/parameter-terms'
import { sameValue } from '../base/same-value'
import { hasWhatItNeeds, lightsIn, placeOf, whyNotShown, zonesIn } from '../edits/light-edits'
import { lightPlan, lightsOfModel } from '../light/plan'
import { itemName } from '../text/light-words'
import type { Moved } from './moved'

/** What another model has in place of an input of this one. */
export type LikeInput = (id: string) => string | undefined

/**
 * A stack for another model: zones by their names or places, single lights by where they lie (the devices scaled to each
 * other), lengths in proportion, inputs by what they are for. What could not come along is in the report.
 *
 * @param layers how many layers the profile has that it goes to
 */
export function moveStack(
  stack: readonly StackItem[],
  from: DeviceModel,
  to: DeviceModel,
  { like, layers }: { like: LikeInput; layers: number },
): { stack: StackItem[]; report: Moved[] } {
  const report: Moved[] = []
  const moved = stack.flatMap((item): StackItem[] => {
    const what = `Light, ${itemName(item)}`
    const leave = (how: string): StackItem[] => {
      report.push({ what, fate: 'left out', how })
      return []
    }
    if (item.kind === 'later') return leave('it is of a later version')
    const where = moveWhere(item.where, from, to)
    const zones = to.zones.filter(({ id }) => zonesIn(to, where).includes(id))
    if (zones.length === 0) return leave(`${to.name} has no lights there`)
    if (whyNotShown(to, item.effect.kind, where))
      return leave(`${itemAt(zones, 0).name} shows ${itemAt(zones, 0).effects?.join(' or ')} only`)
    const when = moveWhen(item.when, to, like, layers)
    if (!when) return leave(`${to.name} has nothing it could wait for`)
    const entry = { ...item, effect: moveLengths(item, from, to), where, when }
    const same = sameValue(entry, item)
    report.push({ what, fate: same ? 'fits' : 'changed', how: zones.map(({ name }) => name).join(', ') })
    return [entry]
  })
  return { stack: moved, report }
}

function moveWhere(where: Where, from: DeviceModel, to: DeviceModel): Where {
  if (where.kind === 'all') return where
  if (where.kind === 'zones') {
    const zones = where.zones.flatMap((id) => {
      const index = from.zones.findIndex((zone) => zone.id === id)
      return (to.zones.find((zone) => zone.id === id) ?? to.zones.at(index))?.id ?? []
    })
    return { kind: 'zones', zones: [...new Set(zones)] }
  }
  const all = lightsOfModel(to)
  const lights = lightsIn(from, where).flatMap((id) => {
    if (all.some((light) => light.id === id)) return id
    const at = placeIn(from, id)
    if (!at) return []
    const away = (light: string) => {
      const other = placeIn(to, light)
      return other ? Math.hypot(other.x - at.x, other.y - at.y) : Infinity
    }
    return all.reduce(
      (nearest, { id: light }) => (away(light) < away(nearest) ? light : nearest),
      itemAt(all, 0).id,
    )
  })
  return placeOf(to, lights)
}

/** Where a light lies in what all lights lie in, 0 to 1 each way. */
function placeIn(model: DeviceModel, id: string): { x: number; y: number } | undefined {
  const plan = lightPlan(model)
  const index = lightsOfModel(model).findIndex((light) => light.id === id)
  if (index < 0) return undefined
  const { left, top, width, height } = plan.box
  return {
    x: (itemAt(plan.x, index) - left) / (width || 1),
    y: (itemAt(plan.y, index) - top) / (height || 1),
  }
}

/** Lengths in mm, as much longer or shorter as the lights reach. */
function moveLengths({ effect }: StackedEffect, from: DeviceModel, to: DeviceModel): StackedEffect['effect'] {
  const reach = (model: DeviceModel) => {
    const { width, height } = lightPlan(model).box
    return Math.max(1, Math.hypot(width, height))
  }
  const [before, after] = [reach(from), reach(to)]
  const { parameters } = EFFECTS[effect.kind]
  const scaled = Object.entries(parameters).flatMap(([name, parameter]) => {
    const value: unknown = Reflect.get(effect, name)
    if (parameter.kind !== 'number' || parameter.unit !== 'mm' || typeof value !== 'number' || value === 0)
      return []
    const length = Math.round((value * after) / before)
    return [[name, Math.max(parameter.least, Math.min(parameter.most, length))]]
  })
  return { ...effect, ...Object.fromEntries(scaled) }
}

function moveWhen(when: When, to: DeviceModel, like: LikeInput, layers: number): When | undefined {
  if (when.kind === 'always') return when
  if (!hasWhatItNeeds(CONDITIONS[when.kind], to, layers - 1)) return undefined
  if (when.kind === 'layer') return when.layer < layers ? when : undefined
  if (when.kind === 'connection') return hasConnection(when.connection, to) ? when : undefined
  if (when.kind !== 'press' || when.inputs.length === 0) return when
  const inputs = when.inputs.flatMap((id) => like(id) ?? [])
  return inputs.length > 0 ? { ...when, inputs } : undefined
}
