import { itemAt } from '../base/items'
import type { DeviceModel } from '../device/model'
import { checked } from './edits'
import type { ShownProblem } from '../wording/gate-words'
import { EFFECT_NAMES, effectKind, type EffectName } from '../effects/registry'
import { CONDITIONS, CONDITION_NAMES, type ConditionName } from '../effects/conditions'
import { lightsOfModel } from '../light/plan'
import { MOST_ENTRIES } from '../onboard/light-stack'
import {
  type Effect,
  type StackedEffect,
  type StackItem,
  type Where,
  effectNameSchema,
} from '../document/light'
import { lightIds, newEffect, stacked } from '../terms/light'
import { EditRefused } from '../wording/refused'
import type { Profile } from '../document/schema'

/** Edits of a profile's stack of effects; places count from 0, the top. */

/** A new effect on top of the stack. @throws EditRefused where there is no room, or none of its lights can show it */
export function addEffect(profile: Profile, model: DeviceModel, kind: EffectName, where: Where): Profile {
  refuseUnshown(model, kind, where)
  return setStack(profile, [stacked(kind, {}, { where }), ...profile.light])
}

/** @throws EditRefused for an entry of a later version, an effect that none of its lights can show, or a name too long */
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
  if (change.name) checked(effectNameSchema, change.name)
  const { name, ...rest } = next
  return { ...profile, light: profile.light.with(place, name ? { ...rest, name } : rest) }
}

/** Another kind of effect in its place: what both have stays as it is set. */
export function withKind(effect: Effect, kind: EffectName): Effect {
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

/** @throws EditRefused where there is no room */
export const duplicateEffect = (profile: Profile, place: number): Profile =>
  setStack(profile, profile.light.toSpliced(place, 0, itemAt(profile.light, place)))

/** An effect moves to another place; those between make room. */
export function moveEffect(profile: Profile, place: number, to: number): Profile {
  const moved = itemAt(profile.light.slice(place, place + 1), 0)
  return { ...profile, light: profile.light.toSpliced(place, 1).toSpliced(to, 0, moved) }
}

/** Another stack. @throws EditRefused for one of more effects than there can be */
export function setStack(profile: Profile, light: readonly StackItem[]): Profile {
  if (light.length > MOST_ENTRIES) throw new EditRefused('most-effects', { most: MOST_ENTRIES })
  return { ...profile, light: [...light] }
}

/** @throws EditRefused */
function refuseUnshown(model: DeviceModel, kind: EffectName, where: Where): void {
  if (zonesIn(model, where).length === 0) throw new EditRefused('no-light')
  const problem = whyNotShown(model, kind, where)
  if (problem) throw new EditRefused('not-shown', problem)
}

/** Why no light of a place can show an effect; undefined where one can, or where there is none. */
export function whyNotShown(model: DeviceModel, kind: EffectName, where: Where): ShownProblem | undefined {
  const zones = model.zones.filter(({ id }) => zonesIn(model, where).includes(id))
  if (zones.length === 0 || zones.some(({ effects }) => effects?.includes(kind) ?? true)) return undefined
  const { name: zone, effects = [] } = itemAt(zones, 0)
  return { key: 'not-shown', facts: { zone, effect: kind, effects } }
}

/** What a model can show at all, in the order it is offered. */
export const kindsOf = (model: DeviceModel): EffectName[] =>
  EFFECT_NAMES.filter((kind) => !whyNotShown(model, kind, { kind: 'all' })).filter((kind) =>
    hasWhatItNeeds(effectKind(kind), model),
  )

/**
 * Whether a device and its profile have what an effect or a condition needs.
 *
 * @param layers how many the profile has above the base layer, where that is known
 */
export function hasWhatItNeeds(
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
export const conditionsOf = (model: DeviceModel, layers: number): ConditionName[] =>
  CONDITION_NAMES.filter((name) => hasWhatItNeeds(CONDITIONS[name], model, layers))

/** Ids of the zones that a place has lights in. */
export function zonesIn(model: DeviceModel, where: Where): string[] {
  if (where.kind === 'zones') return where.zones
  if (where.kind === 'all') return model.zones.map(({ id }) => id)
  return [...new Set(lightsOfModel(model).flatMap(({ id, zone }) => (where.lights.includes(id) ? zone : [])))]
}

/** Ids of the lights in a place. */
export function lightsIn(model: DeviceModel, where: Where): string[] {
  if (where.kind === 'lights') return where.lights
  if (where.kind === 'all') return lightIds(model)
  return lightsOfModel(model).flatMap(({ id, zone }) => (where.zones.includes(zone) ? id : []))
}

/** The shortest way to say some lights: all, whole zones, or each. */
export function placeOf(model: DeviceModel, lights: readonly string[]): Where {
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
