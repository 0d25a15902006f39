import type { DeviceModel } from '../device/model'
import { conditionParameters, type ConditionName, type LightWhen } from '../effects/conditions'
import { parametersOf, type EffectName, type LightEffect } from '../effects/registry'
import { fromHexBytes, toHexBytes } from '../base/bytes'
import { MAX_EFFECT_NAME_BYTES } from '../base/name-lengths'
import { cleanName } from '../base/names'
import { defaultOf, type DeviceParameters } from '../base/parameters'
import { ofKind, withMembers } from '../base/tables'
import { lightsOfModel } from '../light/plan'
import {
  entryRecord,
  isUnknown,
  type LightEntry,
  type StackEntry,
  type EntryTarget as PlacesOn,
} from '../onboard/light-stack'
import type { Effect, StackedEffect, StackItem, EffectCondition, EffectTarget } from '../document/light'
import { ANY_MACRO, lowerValues, raiseValues, type IdMapping } from './parameter-terms'

/**
 * Converts a profile's light to the device's terms and back: effects and conditions by their codes, everything else by
 * number.
 */

/** The mapping between ids and numbers; light refers to inputs and connections of a model. */
export type LightTerms = IdMapping & { model: DeviceModel }

/** A stack in the device's terms. Parts that the model does not have are left out; the checks report them earlier. */
export const lowerLight = (stack: readonly StackItem[], terms: LightTerms): StackEntry[] =>
  stack.map((item) =>
    item.kind === 'later'
      ? { kind: 'unknown', code: item.code, payload: [...fromHexBytes(item.bytes)] }
      : lowerEntry(item, terms),
  )

const lowerKind = <Lowered extends { kind: string }>(
  value: { kind: Lowered['kind'] },
  parameters: DeviceParameters,
  terms: LightTerms,
): Lowered => ofKind(value.kind, lowerValues(parameters, value, terms))

const raiseKind = <Raised extends { kind: string }>(
  value: { kind: Raised['kind'] },
  parameters: DeviceParameters,
  terms: LightTerms,
): Raised | undefined => {
  const values = raiseValues(parameters, value, terms)
  return values && ofKind(value.kind, values)
}

function lowerEntry({ effect, where, when, opacity, mix }: StackedEffect, terms: LightTerms): LightEntry {
  return {
    effect: lowerKind<LightEffect>(effect, parametersOf(effect.kind), terms),
    where: lowerWhere(where, terms.model),
    when: when.kind === 'always' ? when : lowerKind<LightWhen>(when, conditionParameters(when.kind), terms),
    opacity,
    adds: mix === 'adds',
  }
}

/** The part of a stack that a device of this version shows: unknown entries show nothing. */
export const lowerShownLight = (stack: readonly StackItem[], terms: LightTerms): LightEntry[] =>
  lowerLight(stack, terms).flatMap((entry) => (isUnknown(entry) ? [] : entry))

/** A stack in a document's terms; entries from a later version keep their bytes. */
export const raiseLight = (
  stack: readonly StackEntry[],
  names: readonly { entry: number; name: string }[],
  terms: LightTerms,
): StackItem[] =>
  stack.map((entry, place) => {
    if (isUnknown(entry)) return { kind: 'later', code: entry.code, bytes: toHexBytes(entry.payload) }
    const found = names.find(({ entry: number }) => number === place)?.name ?? ''
    const name = cleanName(found, MAX_EFFECT_NAME_BYTES, '')
    const raised = raiseEntry(entry, terms)
    if (!raised) {
      const { code, payload } = entryRecord(entry)
      return { kind: 'later', code, bytes: toHexBytes(payload) }
    }
    return name ? { ...raised, name } : raised
  })

export function raiseEntry(
  { effect, where, when, opacity, adds }: LightEntry,
  terms: LightTerms,
): StackedEffect | undefined {
  const raisedWhen =
    when.kind === 'always' ? when : raiseKind<EffectCondition>(when, conditionParameters(when.kind), terms)
  const raisedEffect = raiseKind<Effect>(effect, parametersOf(effect.kind), terms)
  if (!raisedWhen || !raisedEffect) return undefined
  return {
    kind: 'effect',
    effect: raisedEffect,
    where: raiseWhere(where, terms.model),
    when: raisedWhen,
    opacity,
    mix: adds ? 'adds' : 'covers',
  }
}

/** Terms for light without macros: the factory light, and single effects. */
export const withoutMacros = (model: DeviceModel): LightTerms => ({ ...NO_TERMS, model })

/** An effect with all default settings. */
export const newEffect = (kind: EffectName): Effect => {
  const parameters = parametersOf(kind)
  // Effects do not refer to parts of a model or a library by default.
  return ofKind<Effect>(kind, raiseValues(parameters, defaultOf(parameters), NO_TERMS) ?? {})
}

const NO_TERMS: IdMapping = { macroNumber: () => 0, macroId: () => undefined }

/**
 * A new entry of a stack: an effect with the given settings, on all lights, always active, covering the effects below.
 */
export const newStackItem = <Name extends EffectName>(
  kind: Name,
  settings: Partial<Extract<Effect, { kind: Name }>> = {},
  more: Partial<Omit<StackedEffect, 'kind' | 'effect'>> = {},
): StackedEffect => ({
  kind: 'effect',
  effect: withMembers(newEffect(kind), settings),
  where: { kind: 'all' },
  when: { kind: 'always' },
  opacity: 100,
  mix: 'covers',
  ...more,
})

/** The same for a condition, on a model. */
export function newCondition(kind: ConditionName | 'always', model: DeviceModel): EffectCondition {
  if (kind === 'always') return { kind }
  const parameters = conditionParameters(kind)
  return ofKind<EffectCondition>(
    kind,
    raiseValues(parameters, defaultOf(parameters), withoutMacros(model)) ?? {},
  )
}

function lowerWhere(where: EffectTarget, model: DeviceModel): PlacesOn {
  if (where.kind === 'all') return where
  const places = (known: readonly string[], asked: readonly string[]) =>
    [...new Set(asked)].flatMap((id) => (known.includes(id) ? known.indexOf(id) : [])).sort((a, b) => a - b)
  if (where.kind === 'zones') {
    return {
      kind: 'zones',
      zones: places(
        model.zones.map(({ id }) => id),
        where.zones,
      ),
    }
  }
  return { kind: 'lights', lights: places(lightIds(model), where.lights) }
}

function raiseWhere(where: PlacesOn, model: DeviceModel): EffectTarget {
  if (where.kind === 'all') return { kind: 'all' }
  if (where.kind === 'zones')
    return { kind: 'zones', zones: where.zones.flatMap((zone) => model.zones[zone]?.id ?? []) }
  const known = lightIds(model)
  return { kind: 'lights', lights: where.lights.flatMap((light) => known[light] ?? []) }
}

/** Ids of all lights of a model, in their order. */
export const lightIds = (model: DeviceModel): string[] => lightsOfModel(model).map(({ id }) => id)

/** Ids of the macros that conditions of a stack refer to. */
export const macrosOfLight = (stack: readonly StackItem[]): string[] =>
  stack.flatMap((item) =>
    item.kind === 'effect' && item.when.kind === 'macro' && item.when.macro !== ANY_MACRO
      ? [item.when.macro]
      : [],
  )
