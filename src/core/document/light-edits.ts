import type { DeviceModel } from '../device/model'
import type { EffectName } from '../effects/registry'
import { lightsOfModel } from '../light/plan'
import { MOST_ENTRIES } from '../onboard/light-stack'
import { lightIds, newEffect, type Effect, type StackedEffect, type StackItem, type Where } from './light'
import { EditRefused } from './edits'
import type { Profile } from './schema'

/** Edits of a profile's stack of effects; places count from 0, the top. */

/** A new effect on top of the stack. @throws EditRefused where there is no room, or none of its lights can show it */
export function addEffect(profile: Profile, model: DeviceModel, kind: EffectName, where: Where): Profile {
  if (profile.light.length >= MOST_ENTRIES)
    throw new EditRefused(`there can be ${MOST_ENTRIES} effects over each other`)
  refuseUnshown(model, kind, where)
  const added: StackedEffect = {
    kind: 'effect',
    effect: newEffect(kind),
    where,
    when: { kind: 'always' },
    opacity: 100,
    mix: 'covers',
  }
  return { ...profile, light: [added, ...profile.light] }
}

/** @throws EditRefused for an entry of a later version, or an effect that none of its lights can show */
export function changeEffect(
  profile: Profile,
  model: DeviceModel,
  place: number,
  change: Partial<Omit<StackedEffect, 'kind'>>,
): Profile {
  const now = profile.light[place]
  if (now?.kind !== 'effect') throw new EditRefused('an effect of a later version is kept as it is')
  const next = { ...now, ...change }
  refuseUnshown(model, next.effect.kind, next.where)
  const { name, ...rest } = next
  return { ...profile, light: profile.light.with(place, name ? { ...rest, name } : rest) }
}

/** Another kind of effect in its place: what both have stays as it is set. */
export function withKind(effect: Effect, kind: EffectName): Effect {
  const fresh = newEffect(kind)
  const kept = Object.entries(effect).filter(
    ([name, value]) =>
      name !== 'kind' && name in fresh && typeof value === typeof fresh[name as keyof Effect],
  )
  return { ...fresh, ...Object.fromEntries(kept) }
}

export const removeEffect = (profile: Profile, place: number): Profile => ({
  ...profile,
  light: profile.light.toSpliced(place, 1),
})

export const duplicateEffect = (profile: Profile, place: number): Profile => {
  if (profile.light.length >= MOST_ENTRIES)
    throw new EditRefused(`there can be ${MOST_ENTRIES} effects over each other`)
  return { ...profile, light: profile.light.toSpliced(place, 0, profile.light[place]) }
}

/** An effect moves to another place; those between make room. */
export function moveEffect(profile: Profile, place: number, to: number): Profile {
  const [moved] = profile.light.slice(place, place + 1)
  return { ...profile, light: profile.light.toSpliced(place, 1).toSpliced(to, 0, moved) }
}

export const setStack = (profile: Profile, light: readonly StackItem[]): Profile => ({
  ...profile,
  light: [...light],
})

/** @throws EditRefused */
function refuseUnshown(model: DeviceModel, kind: EffectName, where: Where): void {
  const zones = model.zones.filter(({ id }) => zonesIn(model, where).includes(id))
  if (zones.length === 0) throw new EditRefused('choose at least one light it is to be on')
  if (zones.some(({ effects }) => effects?.includes(kind) ?? true)) return
  const [{ name, effects = [] }] = zones
  throw new EditRefused(`${name} cannot show ${kind}; it can show ${effects.join(', ')}`)
}

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
