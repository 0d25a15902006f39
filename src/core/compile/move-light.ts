import { clamp } from '../base/numbers'
import { itemAt } from '../base/items'
import type { DeviceModel } from '../device/model'
import { CONDITIONS } from '../effects/conditions'
import { EFFECTS } from '../effects/registry'
import type { StackedEffect, StackItem, EffectCondition, EffectTarget } from '../document/light'
import { hasConnection } from '../terms/parameter-terms'
import { deepEqual } from '../base/deep-equal'
import { meetsRequirements, lightsIn, lightTargetOf, unsupportedReason, zonesIn } from '../edits/light-edits'
import { lightPlan, lightsOfModel } from '../light/plan'
import { factList, message, type MessageFact } from '../message/message'
import { EFFECT_MESSAGES } from '../wording/effect-messages'
import { stackItemName } from '../text/light-messages'
import type { MoveChange } from './move-change'

/** Inputs of another model that replace those of this one. */
export type InputMatch = (id: string) => string | undefined

/**
 * Converts a stack for another model: zones by their names or places, single lights by their positions (with the
 * devices scaled to each other), lengths in proportion, inputs by their purpose. The report lists what was left out.
 *
 * @param layers number of layers of the target profile
 */
export function moveStack(
  stack: readonly StackItem[],
  from: DeviceModel,
  to: DeviceModel,
  { like, layers }: { like: InputMatch; layers: number },
): { stack: StackItem[]; report: MoveChange[] } {
  const report: MoveChange[] = []
  const moved = stack.flatMap((item): StackItem[] => {
    const what = message('differences.light', { effect: stackItemName(item) })
    const leave = (how: MessageFact): StackItem[] => {
      report.push({ what, fate: 'left out', how })
      return []
    }
    if (item.kind === 'later') return leave(message('move.fromLaterVersion'))
    const where = moveWhere(item.where, from, to)
    const zones = to.zones.filter(({ id }) => zonesIn(to, where).includes(id))
    if (zones.length === 0) return leave(message('move.noLights', { model: to.name }))
    if (unsupportedReason(to, item.effect.kind, where)) {
      const { name: zone, effects = [] } = itemAt(zones, 0)
      const names = effects.map((effect) => EFFECT_MESSAGES[effect].name)
      return leave(message('move.zoneShowsOnly', { zone, effects: factList(names) }))
    }
    const when = moveWhen(item.when, to, like, layers)
    if (!when) return leave(message('move.noTrigger', { model: to.name }))
    const entry = { ...item, effect: moveLengths(item, from, to), where, when }
    const same = deepEqual(entry, item)
    report.push({ what, fate: same ? 'fits' : 'changed', how: factList(zones.map(({ name }) => name)) })
    return [entry]
  })
  return { stack: moved, report }
}

function moveWhere(where: EffectTarget, from: DeviceModel, to: DeviceModel): EffectTarget {
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
  return lightTargetOf(to, lights)
}

/** Relative position of a light within all lights, 0 to 1 per axis. */
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

/** Lengths in mm, scaled by the extents of the lights. */
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
    return [[name, clamp(length, parameter.min, parameter.max)]]
  })
  return { ...effect, ...Object.fromEntries(scaled) }
}

function moveWhen(
  when: EffectCondition,
  to: DeviceModel,
  like: InputMatch,
  layers: number,
): EffectCondition | undefined {
  if (when.kind === 'always') return when
  if (!meetsRequirements(CONDITIONS[when.kind], to, layers - 1)) return undefined
  if (when.kind === 'layer') return when.layer < layers ? when : undefined
  if (when.kind === 'connection') return hasConnection(when.connection, to) ? when : undefined
  if (when.kind !== 'press' || when.inputs.length === 0) return when
  const inputs = when.inputs.flatMap((id) => like(id) ?? [])
  return inputs.length > 0 ? { ...when, inputs } : undefined
}
