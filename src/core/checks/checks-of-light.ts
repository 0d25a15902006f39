import { toHex } from '../base/colour'
import { leastDifference, nearestTellable, TELLABLE_DELTA } from '../light/tellable'
import { LAYER_LIGHTS } from '../onboard/layer-colours'
import { LAYER_COLOURS } from '../document/schema'
import { ANY_MACRO, lightIds, LOOKS_FOR_ONE, NO_CONNECTION, type StackedEffect } from '../document/light'
import { changeEffect, lightsIn, removeEffect, whyNotShown, zonesIn } from '../document/light-edits'
import { itemName } from '../text/light-words'
import { error, warning, type Check, type Finding } from './finding'

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
  return strange.map((id) =>
    error(
      'zone',
      LIGHT,
      `${itemName(entry)}: ${model.name} has no ${where.kind === 'zones' ? 'zone' : 'light'} “${id}”`,
    ),
  )
})

const shown = each((entry, place, _, model) => {
  if (zonesIn(model, entry.where).length === 0) {
    const remove = { label: 'Remove it', apply: (now: Parameters<Check>[0]) => removeEffect(now, place) }
    return [warning('nowhere', LIGHT, `${itemName(entry)} is on no light`, [remove])]
  }
  const why = whyNotShown(model, entry.effect.kind, entry.where)
  return why ? [error('effect', LIGHT, why)] : []
})

const conditions = each((entry, _, profile, model, macros) => {
  const { when } = entry
  const name = itemName(entry)
  if (when.kind === 'layer' && when.layer >= profile.layers.length)
    return [error('layer', LIGHT, `${name} waits for layer ${when.layer}, and there is none`)]
  if (when.kind === 'macro' && when.macro !== ANY_MACRO && !macros.has(when.macro))
    return [error('macro', LIGHT, `${name} waits for a macro that the library does not have`)]
  if (when.kind === 'connection' && ![NO_CONNECTION, LOOKS_FOR_ONE].includes(when.connection))
    return model.connections.some(({ id }) => id === when.connection)
      ? []
      : [error('connection', LIGHT, `${name}: ${model.name} has no connection “${when.connection}”`)]
  if (when.kind === 'press')
    return when.inputs
      .filter((id) => !model.inputs.some((input) => input.id === id))
      .map((id) => error('input', LIGHT, `${name}: ${model.name} has no input “${id}”`))
  if ((when.kind === 'battery' || when.kind === 'charging') && !model.electrical.battery)
    return [warning('battery', LIGHT, `${name} waits for a battery, and ${model.name} has none`)]
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
      COVERS.has(item.effect.kind)
    )
      for (const id of lights) dark.add(id)
    if (!hidden) return []
    const remove = { label: 'Remove it', apply: (now: typeof profile) => removeEffect(now, place) }
    return [
      warning('covered', LIGHT, `${itemName(item)} is never seen: what lies over it covers its lights`, [
        remove,
      ]),
    ]
  })
}

/** Effects that leave nothing of what is below. */
const COVERS = new Set<string>([
  'off',
  'solid',
  'blink',
  'breathing',
  'cycle',
  'gradient',
  'wave',
  'sequence',
  'step',
  'battery',
])

/** Where a colour carries meaning, every sight has to tell it: the ends of a gauge, the layers of a map. */
const tellable = each((entry, place, profile, model) => {
  const { effect } = entry
  if (effect.kind === 'battery') {
    const { delta, vision } = leastDifference(effect.full, effect.low)
    const better = nearestTellable(effect.low, [effect.full])
    if (delta >= TELLABLE_DELTA) return []
    const fix = (low: string) => ({
      label: `Make low ${low}`,
      apply: (now: typeof profile) => changeEffect(now, model, place, { effect: { ...effect, low } }),
    })
    return [
      warning(
        'gauge-colours',
        LIGHT,
        `${itemName(entry)}: full and low are hard to tell apart: ΔE ${delta.toFixed(0)} by ${vision}, ${TELLABLE_DELTA} are due`,
        better ? [fix(better)] : [],
      ),
    ]
  }
  if (effect.kind !== 'layers') return []
  const lit = profile.layers.slice(1).map(({ colour }) => toHex(LAYER_LIGHTS[LAYER_COLOURS.indexOf(colour)]))
  return lit.flatMap((colour, index) =>
    lit.slice(0, index).flatMap((earlier, before) => {
      const { delta, vision } = leastDifference(colour, earlier)
      if (delta >= TELLABLE_DELTA) return []
      const names = [before, index].map((layer) => profile.layers[layer + 1].name).join('” and “')
      return [
        warning(
          'layer-colours',
          LIGHT,
          `${itemName(entry)}: the layers “${names}” are hard to tell apart: ΔE ${delta.toFixed(0)} by ${vision}`,
        ),
      ]
    }),
  )
})

export const CHECKS_OF_LIGHT: readonly Check[] = [places, shown, conditions, covered, tellable]
