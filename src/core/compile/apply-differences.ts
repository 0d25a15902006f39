import { baseLayer } from '../document/base-layer'
import type { DeviceModel } from '../device/model'
import { EditRefused } from '../wording/edit-refused'
import { removeLayer } from '../edits/layer-edits'
import { EMPTY_SHELF, type MacroShelf } from '../document/macro'
import { leftClicks } from '../terms/profile'
import { PLAY_RULES, type Layer, type PlayRule, type Profile } from '../document/schema'
import { message, type Message } from '../message/message'
import { editsBetween, type Edit } from './pending'

/**
 * Copies parts of one profile into another of the same model: a whole part, single rows, a saved version, a starter.
 * {@link differencesBetween} lists what can be copied, each with its key.
 */

/** Differences between two profiles of one model, including those that no device stores. */
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
      const required = ({ rules: all }: Profile) =>
        message(all.includes(rule) ? 'differences.required' : 'differences.notRequired')
      return {
        key: `rule:${rule}`,
        view: 'profile',
        what: PLAY_RULE_NAMES[rule],
        from: required(before),
        to: required(after),
      }
    }),
  ]
}

/** The names of tournament rules. */
export const PLAY_RULE_NAMES: Record<PlayRule, Message> = {
  'no-repeats': message('differences.noRepeats'),
  'one-action': message('differences.oneAction'),
}

/** A part of a profile that is copied as a whole: `layer:1`, `motion`, `light`, `profile`. */
export const partOf = ({ key, view }: Edit): string =>
  view === 'buttons' ? `layer:${/^(?:layer|binding):(\d+)/.exec(key)?.[1] ?? 0}` : view

/**
 * Copies differences of a profile into another of the same model; everything else stays.
 *
 * @param keys of differences between the two; copied bindings bring their layer with them
 * @throws EditRefused if no left click would remain
 */
export function applyDifferences(
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

/** Their names, colours and signals: missing layers are removed, and additional ones are added. */
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

/** Members by name: copied from the other, or removed if it has none. */
function takeMembers<T extends object>(into: T, from: T, taken: (id: string) => boolean): T {
  const ids = [...new Set([...Object.keys(into), ...Object.keys(from)])].sort()
  const members = ids.flatMap((id) => {
    const value: unknown = Reflect.get(taken(id) ? from : into, id)
    return value === undefined ? [] : [[id, value] as const]
  })
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- all members come from two values of this type
  return Object.fromEntries(members) as T
}

/** Rows by index: copied rows beyond the end of the other are removed, and additional ones are added. */
function takeRows<T>(into: readonly T[], from: readonly T[], taken: (index: number) => boolean): T[] {
  const count = Math.max(into.length, from.length)
  return Array.from({ length: count }, (_, index) => (taken(index) ? from : into)[index]).filter(
    (row) => row !== undefined,
  )
}
