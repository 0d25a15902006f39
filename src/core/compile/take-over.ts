import { baseLayer } from '../document/base-layer'
import type { DeviceModel } from '../device/model'
import { EditRefused } from '../wording/refused'
import { removeLayer } from '../edits/layer-edits'
import { EMPTY_SHELF, type MacroShelf } from '../document/macro'
import { leftClicks } from '../terms/profile'
import { PLAY_RULES, type Layer, type PlayRule, type Profile } from '../document/schema'
import { editsBetween, type Edit } from './pending'

/**
 * Places of one profile taken into another of the same model: a part of it, single rows, an earlier state, a starter.
 * What there is to take is what {@link differencesBetween} lists, each by its key.
 */

/** What differs between two profiles of one model, also what no device keeps. */
export function differencesBetween(
  before: Profile,
  after: Profile,
  model: DeviceModel,
  macros: MacroShelf = EMPTY_SHELF,
): Edit[] {
  const rules = PLAY_RULES.filter((rule) => before.rules.includes(rule) !== after.rules.includes(rule))
  return [
    ...editsBetween(before, after, model, macros),
    ...rules.map((rule): Edit => {
      const said = ({ rules: all }: Profile) => (all.includes(rule) ? 'asked for' : 'not asked for')
      return {
        key: `rule:${rule}`,
        view: 'profile',
        what: RULE_WORDS[rule],
        from: said(before),
        to: said(after),
      }
    }),
  ]
}

export const RULE_WORDS: Record<PlayRule, string> = {
  'no-repeats': 'No repeating macros',
  'one-action': 'One action a press',
}

/** A part of a profile that is taken as a whole: `layer:1`, `motion`, `light`, `profile`. */
export const partOf = ({ key, view }: Edit): string =>
  view === 'buttons' ? `layer:${/^(?:layer|binding):(\d+)/.exec(key)?.[1] ?? 0}` : view

/**
 * Takes places of a profile into another of the same model; all others stay.
 *
 * @param keys of differences between the two; a layer whose bindings are taken comes along with them
 * @throws EditRefused where no left click would be left
 */
export function takeOver(
  into: Profile,
  from: Profile,
  model: DeviceModel,
  keys: ReadonlySet<string>,
): Profile {
  const has = (key: string) => keys.has(key)
  const taken = takeLayers(into, from, model, has)
  const next: Profile = {
    ...taken,
    name: has('name') ? from.name : into.name,
    computer: has('computer') ? from.computer : into.computer,
    hand: has('hand') ? from.hand : into.hand,
    rules: PLAY_RULES.filter((rule) => (has(`rule:${rule}`) ? from : into).rules.includes(rule)),
    layers: taken.layers.map((layer, index) => takeBindings(layer, from.layers[index], index, has)),
    steps: takeRows(into.steps, from.steps, (index) => has(`step:${index}`)),
    polling: takeMembers(into.polling, from.polling, (id) => has(`polling:${id}`)),
    settings: takeMembers(into.settings, from.settings, (id) => has(`setting:${id}`)),
    light: takeRows(into.light.toReversed(), from.light.toReversed(), (place) =>
      has(`light:${place}`),
    ).toReversed(),
  }
  const last = Math.max(0, next.steps.length - 1)
  next.defaultStep = Math.min(has('defaultStep') ? from.defaultStep : into.defaultStep, last)
  if (has('later')) {
    delete next.later
    if (from.later) next.later = from.later
  }
  if (leftClicks(model, baseLayer(next)).length === 0 && leftClicks(model, baseLayer(into)).length > 0)
    throw new EditRefused('no-left-click')
  return next
}

/** Their names, colours and signals; those that the other has not go, those that it has beyond come. */
function takeLayers(
  into: Profile,
  from: Profile,
  model: DeviceModel,
  has: (key: string) => boolean,
): Profile {
  let next = into
  for (let index = into.layers.length - 1; index >= from.layers.length; index--)
    if (has(`layer:${index}`)) next = removeLayer(next, model, index)
  const wanted = from.layers.findLastIndex(
    (layer, index) =>
      has(`layer:${index}`) || Object.keys(layer.bindings).some((id) => has(`binding:${index}:${id}`)),
  )
  const kept = next.layers.map((layer, index) =>
    has(`layer:${index}`) && from.layers[index] ? withProperties(layer, from.layers[index]) : layer,
  )
  const come = from.layers
    .slice(kept.length, wanted + 1)
    .map((layer) => withProperties({ ...layer, bindings: {} }, layer))
  return { ...next, layers: [...kept, ...come] }
}

const withProperties = ({ bindings }: Layer, { name, colour, signal }: Layer): Layer => ({
  name,
  colour,
  ...(signal !== undefined && { signal }),
  bindings,
})

function takeBindings(
  layer: Layer,
  from: Layer | undefined,
  index: number,
  has: (key: string) => boolean,
): Layer {
  if (!from) return layer
  return {
    ...layer,
    bindings: takeMembers(layer.bindings, from.bindings, (id) => has(`binding:${index}:${id}`)),
  }
}

/** Members by name: taken ones as the other has them, or gone where it has none. */
function takeMembers<T extends object>(into: T, from: T, taken: (id: string) => boolean): T {
  const ids = [...new Set([...Object.keys(into), ...Object.keys(from)])].sort()
  const members = ids.flatMap((id) => {
    const value: unknown = Reflect.get(taken(id) ? from : into, id)
    return value === undefined ? [] : [[id, value] as const]
  })
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- all members come from two values of this type
  return Object.fromEntries(members) as T
}

/** Rows by their place: those beyond the other's end go where they are taken, and its own beyond this one's come. */
function takeRows<T>(into: readonly T[], from: readonly T[], taken: (index: number) => boolean): T[] {
  const count = Math.max(into.length, from.length)
  return Array.from({ length: count }, (_, index) => (taken(index) ? from : into)[index]).filter(
    (row) => row !== undefined,
  )
}
