import { firstItems, itemAt } from '../base/items'
import { toHex } from '../base/colour'
import { leastDifference, nearestTellable, TELLABLE_DELTA } from '../light/tellable'
import { CONDITIONS } from '../effects/conditions'
import { effectKind } from '../effects/registry'
import { LAYER_LIGHTS } from '../onboard/layer-colours'
import { LAYER_COLOURS } from '../document/schema'
import { type StackedEffect } from '../document/light'
import { lightIds } from '../terms/light'
import { ANY_MACRO, hasConnection } from '../terms/parameter-terms'
import { changeEffect, lightsIn, removeEffect, whyNotShown, zonesIn } from '../edits/light-edits'
import { itemName } from '../text/light-words'
import { error, fix, warning, type Check, type Finding, type Fix } from './finding'

const LIGHT = { view: 'light' } as const

/** Each effect of a stack by itself. */
const each =
  (look: (entry: StackedEffect, place: number, ...rest: Parameters<Check>) => Finding[]): Check =>
  (profile, model, macros) =>
    profile.light.flatMap((item, place) =>
      item.kind === 'effect' ? look(item, place, profile, model, macros) : [],
    )

const places = each((entry, _, __, model) => {
  const { where } = entry
  const [known, said] =
    where.kind === 'zones'
      ? [model.zones.map(({ id }) => id), where.zones]
      : [lightIds(model), where.kind === 'lights' ? where.lights : []]
  const strange = said.filter((id) => !known.includes(id))
  const facts = { effect: itemName(entry), model: model.name }
  return strange.map((id) =>
    where.kind === 'zones'
      ? error('zone', LIGHT, { ...facts, zone: id })
      : error('light', LIGHT, { ...facts, light: id }),
  )
})

const removal = (place: number): Fix => fix('remove', undefined, (now) => removeEffect(now, place))

const shown = each((entry, place, _, model) => {
  if (zonesIn(model, entry.where).length === 0)
    return [warning('nowhere', LIGHT, { effect: itemName(entry) }, [removal(place)])]
  const problem = whyNotShown(model, entry.effect.kind, entry.where)
  return problem ? [error('effect', LIGHT, problem)] : []
})

const conditions = each((entry, _, profile, model, macros) => {
  const { when } = entry
  const effect = itemName(entry)
  const facts = { effect, model: model.name }
  if (when.kind === 'layer' && when.layer >= profile.layers.length)
    return [error('light-layer', LIGHT, { effect, layer: when.layer })]
  if (when.kind === 'macro' && when.macro !== ANY_MACRO && !macros.has(when.macro))
    return [error('light-macro', LIGHT, { effect })]
  if (when.kind === 'connection' && !hasConnection(when.connection, model))
    return [error('light-connection', LIGHT, { ...facts, connection: when.connection })]
  if (when.kind === 'press')
    return when.inputs
      .filter((id) => !model.inputs.some((input) => input.id === id))
      .map((input) => error('light-input', LIGHT, { ...facts, input }))
  if (when.kind !== 'always' && CONDITIONS[when.kind].needs === 'battery' && !model.electrical.battery)
    return [warning('battery', LIGHT, facts)]
  return []
})

/** An effect under one that always covers all of its lights is never seen. */
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
    return hidden ? [warning('covered', LIGHT, { effect: itemName(item) }, [removal(place)])] : []
  })
}

/** Where a colour carries meaning, every sight has to tell it: the ends of a gauge, the layers of a map. */
const tellable = each((entry, place, profile, model) => {
  const { effect } = entry
  const apart = effectKind(effect.kind).tellApart
  if (apart) {
    const [colour, other] = firstItems(
      apart.map((name) => String(Reflect.get(effect, name))),
      2,
    )
    const { delta, vision } = leastDifference(colour, other)
    const better = nearestTellable(other, [colour])
    if (delta >= TELLABLE_DELTA) return []
    const mended = (by: string) =>
      fix('gauge-low', { colour: by }, (now) =>
        changeEffect(now, model, place, { effect: { ...effect, [apart[1]]: by } }),
      )
    const facts = { effect: itemName(entry), delta, vision }
    return [warning('gauge-colours', LIGHT, facts, better ? [mended(better)] : [])]
  }
  if (!effectKind(effect.kind).showsLayers) return []
  const lit = profile.layers
    .slice(1)
    .map(({ colour }) => toHex(itemAt(LAYER_LIGHTS, LAYER_COLOURS.indexOf(colour))))
  return lit.flatMap((colour, index) =>
    lit.slice(0, index).flatMap((earlier, before) => {
      const { delta, vision } = leastDifference(colour, earlier)
      if (delta >= TELLABLE_DELTA) return []
      const layers: [string, string] = [
        itemAt(profile.layers, before + 1).name,
        itemAt(profile.layers, index + 1).name,
      ]
      return [warning('layer-colours', LIGHT, { effect: itemName(entry), layers, delta, vision })]
    }),
  )
})

export const CHECKS_OF_LIGHT: readonly Check[] = [places, shown, conditions, covered, tellable]
