import { itemAt } from '../base/items'
import type { DeviceModel } from '../device/model'
import { validateEdit } from './edits'
import type { ShownProblem } from '../wording/problem-messages'
import { EFFECT_NAMES, effectKind, type EffectName } from '../effects/registry'
import { CONDITIONS, CONDITION_NAMES, type ConditionName } from '../effects/conditions'
import { lightsOfModel } from '../light/plan'
import { MAX_ENTRIES } from '../onboard/light-stack'
import {
  type Effect,
  type StackedEffect,
  type StackItem,
  type EffectTarget,
  effectNameSchema,
} from '../document/light'
import { lightIds, newEffect, newStackItem } from '../terms/light'
import { EditRefused } from '../wording/edit-refused'
import type { Profile } from '../document/schema'

/** Edits of a profile's effect stack; indices count from 0, the top. */

/** Adds an effect on top of the stack. @throws EditRefused if the stack is full, or none of the lights can show it */
export function addEffect(
  profile: Profile,
  model: DeviceModel,
  kind: EffectName,
  where: EffectTarget,
): Profile {
  refuseUnshown(model, kind, where)
  return setStack(profile, [newStackItem(kind, {}, { where }), ...profile.light])
}

/**
 * @throws EditRefused for an entry from a later version, an effect that none of its lights can show, or a name that is
 *   too long
 */
export function changeEffect(
  profile: Profile,
  model: DeviceModel,
  place: number,
  change: Partial<Omit<StackedEffect, 'kind'>>,
): Profile {
  const now = profile.light[place]
  if (now?.kind !== 'effect') throw new EditRefused('later-effect')
  const next = { ...now, ...change }
  refuseUnshown(model, next.effect.kind, next.where)
  if (change.name) validateEdit(effectNameSchema, change.name)
  const { name, ...rest } = next
  return { ...profile, light: profile.light.with(place, name ? { ...rest, name } : rest) }
}

/** Replaces an effect by another kind; common settings are kept. */
export function changeKind(effect: Effect, kind: EffectName): Effect {
  const fresh = newEffect(kind)
  const kept = Object.entries(effect).filter(
    ([name, value]) => name !== 'kind' && name in fresh && typeof value === typeof Reflect.get(fresh, name),
  )
  return { ...fresh, ...Object.fromEntries(kept) }
}

export const removeEffect = (profile: Profile, place: number): Profile => ({
  ...profile,
  light: profile.light.toSpliced(place, 1),
})

/** @throws EditRefused if the stack is full */
export const duplicateEffect = (profile: Profile, place: number): Profile =>
  setStack(profile, profile.light.toSpliced(place, 0, itemAt(profile.light, place)))

/** Moves an effect to another index. */
export function moveEffect(profile: Profile, place: number, to: number): Profile {
  const moved = itemAt(profile.light.slice(place, place + 1), 0)
  return { ...profile, light: profile.light.toSpliced(place, 1).toSpliced(to, 0, moved) }
}

/** Replaces the stack. @throws EditRefused if it has too many effects */
export function setStack(profile: Profile, light: readonly StackItem[]): Profile {
  if (light.length > MAX_ENTRIES) throw new EditRefused('most-effects', { max: MAX_ENTRIES })
  return { ...profile, light: [...light] }
}

/** @throws EditRefused */
function refuseUnshown(model: DeviceModel, kind: EffectName, where: EffectTarget): void {
  if (zonesIn(model, where).length === 0) throw new EditRefused('no-light')
  const problem = unsupportedReason(model, kind, where)
  if (problem) throw new EditRefused('not-shown', problem)
}

/** Why none of the selected lights can show an effect; undefined if one can, or none is selected. */
export function unsupportedReason(
  model: DeviceModel,
  kind: EffectName,
  where: EffectTarget,
): ShownProblem | undefined {
  const zones = model.zones.filter(({ id }) => zonesIn(model, where).includes(id))
  if (zones.length === 0 || zones.some(({ effects }) => effects?.includes(kind) ?? true)) return undefined
  const { name: zone, effects = [] } = itemAt(zones, 0)
  return { key: 'not-shown', facts: { zone, effect: kind, effects } }
}

/** Effects that a model can show at all, in the order they are offered. */
export const supportedEffects = (model: DeviceModel): EffectName[] =>
  EFFECT_NAMES.filter((kind) => !unsupportedReason(model, kind, { kind: 'all' })).filter((kind) =>
    meetsRequirements(effectKind(kind), model),
  )

/**
 * Whether a device and its profile meet the requirements of an effect or condition.
 *
 * @param layers number of layers above the base layer, if known
 */
export function meetsRequirements(
  { needs }: { needs?: 'battery' | 'sensor' | 'layers' },
  { electrical, sensor }: DeviceModel,
  layers = Infinity,
): boolean {
  switch (needs) {
    case undefined:
      return true
    case 'battery':
      return electrical.battery !== undefined
    case 'sensor':
      return sensor !== undefined
    case 'layers':
      return layers > 0
  }
}

/** Conditions that a device and its profile can meet, in the order they are offered. */
export const supportedConditions = (model: DeviceModel, layers: number): ConditionName[] =>
  CONDITION_NAMES.filter((name) => meetsRequirements(CONDITIONS[name], model, layers))

/** Ids of the zones with selected lights. */
export function zonesIn(model: DeviceModel, where: EffectTarget): string[] {
  if (where.kind === 'zones') return where.zones
  if (where.kind === 'all') return model.zones.map(({ id }) => id)
  return [...new Set(lightsOfModel(model).flatMap(({ id, zone }) => (where.lights.includes(id) ? zone : [])))]
}

/** Ids of the selected lights. */
export function lightsIn(model: DeviceModel, where: EffectTarget): string[] {
  if (where.kind === 'lights') return where.lights
  if (where.kind === 'all') return lightIds(model)
  return lightsOfModel(model).flatMap(({ id, zone }) => (where.zones.includes(zone) ? id : []))
}

/** The shortest expression for some lights: all, whole zones, or single lights. */
export function lightTargetOf(model: DeviceModel, lights: readonly string[]): EffectTarget {
  const chosen = new Set(lights)
  const all = lightsOfModel(model)
  if (all.every(({ id }) => chosen.has(id))) return { kind: 'all' }
  const whole = model.zones.filter((zone) =>
    all.filter((light) => light.zone === zone.id).every(({ id }) => chosen.has(id)),
  )
  const inWhole = all.filter(({ zone }) => whole.some(({ id }) => id === zone))
  if (inWhole.length === chosen.size) return { kind: 'zones', zones: whole.map(({ id }) => id) }
  return { kind: 'lights', lights: all.flatMap(({ id }) => (chosen.has(id) ? id : [])) }
}
