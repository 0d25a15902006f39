import type { DeviceModel } from '../device/model'
import { conditionParameters, type ConditionName, type LightWhen } from '../effects/conditions'
import { parametersOf, type EffectName, type LightEffect } from '../effects/registry'
import { fromHexBytes, toHexBytes } from '../base/bytes'
import { MOST_EFFECT_NAME_BYTES } from '../base/name-lengths'
import { cleanName } from '../base/names'
import { otherwiseOf, type DeviceParameters } from '../base/parameters'
import { ofKind, withMembers } from '../base/tables'
import { lightsOfModel } from '../light/plan'
import {
  entryRecord,
  isUnknown,
  type LightEntry,
  type StackEntry,
  type Where as PlacesOn,
} from '../onboard/light-stack'
import type { Effect, StackedEffect, StackItem, When, Where } from '../document/light'
import { ANY_MACRO, lowerValues, raiseValues, type Terms } from './parameter-terms'

/** A profile's light in the device's terms and back: effects and conditions by their codes, everything else by number. */

/** What ids and numbers are to each other; light names inputs and connections of a model. */
export type LightTerms = Terms & { model: DeviceModel }

/** A stack in the device's terms. What the model does not have is left out of it; the checks say so before. */
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

/** What a device of this version shows of a stack: an entry it does not know shows nothing. */
export const lowerShown = (stack: readonly StackItem[], terms: LightTerms): LightEntry[] =>
  lowerLight(stack, terms).flatMap((entry) => (isUnknown(entry) ? [] : entry))

/** A stack in a document's terms; entries of a later version come back with their bytes. */
export const raiseLight = (
  stack: readonly StackEntry[],
  names: readonly { entry: number; name: string }[],
  terms: LightTerms,
): StackItem[] =>
  stack.map((entry, place) => {
    if (isUnknown(entry)) return { kind: 'later', code: entry.code, bytes: toHexBytes(entry.payload) }
    const found = names.find(({ entry: number }) => number === place)?.name ?? ''
    const name = cleanName(found, MOST_EFFECT_NAME_BYTES, '')
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
    when.kind === 'always' ? when : raiseKind<When>(when, conditionParameters(when.kind), terms)
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

/** Terms where no macro is named: the factory's light, effects by themselves. */
export const withoutMacros = (model: DeviceModel): LightTerms => ({ ...NO_TERMS, model })

/** An effect with everything as it is where nothing is said. */
export const newEffect = (kind: EffectName): Effect => {
  const parameters = parametersOf(kind)
  // No effect names what only a model or a library has.
  return ofKind<Effect>(kind, raiseValues(parameters, otherwiseOf(parameters), NO_TERMS) ?? {})
}

const NO_TERMS: Terms = { macroNumber: () => 0, macroId: () => undefined }

/** An entry of a stack: an effect, set as far as is said, on all lights, always, over what is below. */
export const stacked = <Name extends EffectName>(
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

/** The same of a condition, for a model. */
export function newCondition(kind: ConditionName | 'always', model: DeviceModel): When {
  if (kind === 'always') return { kind }
  const parameters = conditionParameters(kind)
  return ofKind<When>(kind, raiseValues(parameters, otherwiseOf(parameters), withoutMacros(model)) ?? {})
}

function lowerWhere(where: Where, model: DeviceModel): PlacesOn {
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

function raiseWhere(where: PlacesOn, model: DeviceModel): Where {
  if (where.kind === 'all') return { kind: 'all' }
  if (where.kind === 'zones')
    return { kind: 'zones', zones: where.zones.flatMap((zone) => model.zones[zone]?.id ?? []) }
  const known = lightIds(model)
  return { kind: 'lights', lights: where.lights.flatMap((light) => known[light] ?? []) }
}

/** Ids of all lights of a model, in their order. */
export const lightIds = (model: DeviceModel): string[] => lightsOfModel(model).map(({ id }) => id)

/** Ids of the macros a stack waits for. */
export const macrosOfLight = (stack: readonly StackItem[]): string[] =>
  stack.flatMap((item) =>
    item.kind === 'effect' && item.when.kind === 'macro' && item.when.macro !== ANY_MACRO
      ? [item.when.macro]
      : [],
  )
