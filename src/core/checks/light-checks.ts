import { firstItems, itemAt } from '../base/items'
import { toHex } from '../base/colour'
import { minDifference, nearestDistinctColour, MIN_DISTINCT_DELTA } from '../light/distinct-colours'
import { CONDITIONS } from '../effects/conditions'
import { effectKind } from '../effects/registry'
import { LAYER_LIGHTS } from '../onboard/layer-colours'
import { LAYER_COLOURS } from '../document/schema'
import { type StackedEffect } from '../document/light'
import { lightIds } from '../terms/light'
import { ANY_MACRO, hasConnection } from '../terms/parameter-terms'
import { changeEffect, lightsIn, removeEffect, unsupportedReason, zonesIn } from '../edits/light-edits'
import { stackItemName } from '../text/light-messages'
import { errorFinding, createFix, warningFinding, type Check, type Finding, type Fix } from './finding'

const LIGHT = { view: 'light' } as const

/** Checks of single effects in a stack. */
const each =
  (look: (entry: StackedEffect, place: number, ...rest: Parameters<Check>) => Finding[]): Check =>
  (profile, ...rest) =>
    profile.light.flatMap((item, place) =>
      item.kind === 'effect' ? look(item, place, profile, ...rest) : [],
    )

const places = each((entry, _, __, model) => {
  const { where } = entry
  const [known, said] =
    where.kind === 'zones'
      ? [model.zones.map(({ id }) => id), where.zones]
      : [lightIds(model), where.kind === 'lights' ? where.lights : []]
  const strange = said.filter((id) => !known.includes(id))
  const facts = { effect: stackItemName(entry), model: model.name }
  return strange.map((id) =>
    where.kind === 'zones'
      ? errorFinding('zone', LIGHT, { ...facts, zone: id })
      : errorFinding('light', LIGHT, { ...facts, light: id }),
  )
})

const removal = (place: number): Fix => createFix('remove', undefined, (now) => removeEffect(now, place))

const shown = each((entry, place, _, model) => {
  if (zonesIn(model, entry.where).length === 0)
    return [warningFinding('nowhere', LIGHT, { effect: stackItemName(entry) }, [removal(place)])]
  const problem = unsupportedReason(model, entry.effect.kind, entry.where)
  return problem ? [errorFinding('effect', LIGHT, problem)] : []
})

const conditions = each((entry, _, profile, model, macros) => {
  const { when } = entry
  const effect = stackItemName(entry)
  const facts = { effect, model: model.name }
  if (when.kind === 'layer' && when.layer >= profile.layers.length)
    return [errorFinding('light-layer', LIGHT, { effect, layer: when.layer })]
  if (when.kind === 'macro' && when.macro !== ANY_MACRO && !macros.has(when.macro))
    return [errorFinding('light-macro', LIGHT, { effect })]
  if (when.kind === 'connection' && !hasConnection(when.connection, model))
    return [errorFinding('light-connection', LIGHT, { ...facts, connection: when.connection })]
  if (when.kind === 'press')
    return when.inputs
      .filter((id) => !model.inputs.some((input) => input.id === id))
      .map((input) => errorFinding('light-input', LIGHT, { ...facts, input }))
  if (when.kind !== 'always' && CONDITIONS[when.kind].needs === 'battery' && !model.electrical.battery)
    return [warningFinding('battery', LIGHT, facts)]
  return []
})

/** An effect is never visible below one that always covers all of its lights. */
const covered: Check = (profile, model) => {
  const dark = new Set<string>()
  return profile.light.flatMap((item, place) => {
    if (item.kind === 'later') return []
    const lights = lightsIn(model, item.where)
    const hidden = lights.length > 0 && lights.every((id) => dark.has(id))
    if (
      item.when.kind === 'always' &&
      item.opacity === 100 &&
      item.mix === 'covers' &&
      effectKind(item.effect.kind).covers
    )
      for (const id of lights) dark.add(id)
    return hidden ? [warningFinding('covered', LIGHT, { effect: stackItemName(item) }, [removal(place)])] : []
  })
}

/**
 * Where a colour has a meaning, colour-blind people must also be able to distinguish it: the ends of a gauge, the
 * layers of a map.
 */
const tellable = each((entry, place, profile, model) => {
  const { effect } = entry
  const apart = effectKind(effect.kind).tellApart
  if (apart) {
    const [colour, other] = firstItems(
      apart.map((name) => String(Reflect.get(effect, name))),
      2,
    )
    const { delta, vision } = minDifference(colour, other)
    const better = nearestDistinctColour(other, [colour])
    if (delta >= MIN_DISTINCT_DELTA) return []
    const mended = (by: string) =>
      createFix('gauge-low', { colour: by }, (now) =>
        changeEffect(now, model, place, { effect: { ...effect, [apart[1]]: by } }),
      )
    const facts = { effect: stackItemName(entry), delta, vision }
    return [warningFinding('gauge-colours', LIGHT, facts, better ? [mended(better)] : [])]
  }
  if (!effectKind(effect.kind).showsLayers) return []
  const lit = profile.layers
    .slice(1)
    .map(({ colour }) => toHex(itemAt(LAYER_LIGHTS, LAYER_COLOURS.indexOf(colour))))
  return lit.flatMap((colour, index) =>
    lit.slice(0, index).flatMap((earlier, before) => {
      const { delta, vision } = minDifference(colour, earlier)
      if (delta >= MIN_DISTINCT_DELTA) return []
      const layers: [string, string] = [
        itemAt(profile.layers, before + 1).name,
        itemAt(profile.layers, index + 1).name,
      ]
      return [warningFinding('layer-colours', LIGHT, { effect: stackItemName(entry), layers, delta, vision })]
    }),
  )
})

export const LIGHT_CHECKS: readonly Check[] = [places, shown, conditions, covered, tellable]
