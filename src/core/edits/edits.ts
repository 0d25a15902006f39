import { baseLayer } from '../document/base-layer'
import { ValidationError, type Schema } from 'yup'
import { itemAt } from '../base/items'
import type { DeviceModel } from '../device/model'
import { inputById } from '../device/lookups'
import { deepEqual } from '../base/deep-equal'
import { bindingOn, factoryAction, factoryLayers, leftClicks } from '../terms/profile'
import { EditRefused } from '../wording/edit-refused'
import { normaliseTags, tagsSchema } from '../document/schema-parts'
import {
  bindingNameSchema,
  noteSchema,
  PLAY_RULES,
  profileNameSchema,
  type Action,
  type Binding,
  type Hand,
  type PlayRule,
  type Profile,
} from '../document/schema'
import type { TargetComputer } from '../computer/shortcuts'
import { problemsOf } from '../document/schema-parts'

/**
 * All edits of a profile: pure functions from one immutable profile to the next. An edit that is not allowed throws
 * {@link EditRefused} with the reason as a key and a text. Edits of layers are in layer-edits.ts, those of steps, rates
 * and device settings in motion-edits.ts.
 */

/** @throws EditRefused for an invalid tag, or too many tags */
export const setProfileTags = (profile: Profile, tags: readonly string[]): Profile => ({
  ...profile,
  tags: validateEdit(tagsSchema(), normaliseTags(tags)),
})

/** Rules of a game, which the checks enforce. */
export const setPlayRule = (profile: Profile, rule: PlayRule, on: boolean): Profile => ({
  ...profile,
  rules: PLAY_RULES.filter((each) => (each === rule ? on : profile.rules.includes(each))),
})

/** @throws EditRefused for an empty or too long name */
export const renameProfile = (profile: Profile, name: string): Profile => ({
  ...profile,
  name: validateEdit(profileNameSchema, name.trim()),
})

/** Validates a typed value with a schema. @throws EditRefused with its text */
export function validateEdit<T>(schema: Schema<T>, value: T): T {
  try {
    return schema.validateSync(value)
  } catch (error) {
    if (error instanceof ValidationError)
      throw new EditRefused('invalid', { problem: problemsOf(error)[0] ?? '' })
    throw error
  }
}

/**
 * The new content of a cell: a binding, an action (which keeps the existing in-game name and note), or undefined to
 * inherit from the layer below or, on the base layer, from the factory.
 */
export type Cell = { input: string; layer: number; put: Binding | Action | undefined }

/**
 * Binds an action to an input on a layer; binding the factory action on the base layer removes the binding.
 *
 * @throws EditRefused if it would remove the last left click from the base layer, or the input does not exist
 */
export const bind = (
  profile: Profile,
  model: DeviceModel,
  layer: number,
  input: string,
  action: Action,
): Profile => bindAll(profile, model, [{ layer, input, put: action }])

/** Clears a cell, which then inherits from the layer below or the factory. @throws EditRefused as {@link bind} does */
export const unbind = (profile: Profile, model: DeviceModel, layer: number, input: string): Profile =>
  bindAll(profile, model, [{ layer, input, put: undefined }])

/**
 * Fills several cells at once. Only the result counts: two inputs may swap the only left click.
 *
 * @throws EditRefused as {@link bind} does, without any change
 */
export function bindAll(profile: Profile, model: DeviceModel, cells: readonly Cell[]): Profile {
  const layers = profile.layers.map((layer) => ({
    ...layer,
    bindings: new Map(Object.entries(layer.bindings)),
  }))
  for (const { layer, input: inputId, put } of cells) {
    const input = inputById(model, inputId)
    if (!layers[layer]) throw new EditRefused('no-layer', { layer: layer + 1 })
    if (!input) throw new EditRefused('no-input', { model: model.name, input: inputId })
    const { bindings } = layers[layer]
    const binding = put && 'kind' in put ? { ...bindings.get(inputId), action: put } : put
    const idle =
      layer === 0 &&
      binding &&
      !binding.name &&
      !binding.note &&
      deepEqual(binding.action, factoryAction(input))
    if (!binding || idle) bindings.delete(inputId)
    else bindings.set(inputId, tidy(binding))
  }
  const next = {
    ...profile,
    layers: layers.map((layer) => ({ ...layer, bindings: inOrder(layer.bindings) })),
  }
  refuseLostClick(profile, next, model)
  return next
}

function refuseLostClick(before: Profile, after: Profile, model: DeviceModel): void {
  const clicks = leftClicks(model, baseLayer(before))
  if (clicks.length === 0 || leftClicks(model, baseLayer(after)).length > 0) return
  throw new EditRefused('only-left-click', { input: itemAt(clicks, 0).name })
}

/** Removes empty parts, so that equal bindings are equal documents. */
const tidy = ({ action, name, note }: Binding): Binding => ({
  action,
  ...(name !== undefined && name !== '' && { name }),
  ...(note !== undefined && note !== '' && { note }),
})

const inOrder = (bindings: Iterable<[string, Binding]>): Record<string, Binding> =>
  Object.fromEntries([...bindings].sort(([a], [b]) => (a < b ? -1 : 1)))

/**
 * Sets the in-game name or the note of a binding; an empty text removes it. An input with factory settings gets its own
 * binding.
 *
 * @throws EditRefused for a text that is too long, or an inherited cell
 */
export function setBindingText(
  profile: Profile,
  model: DeviceModel,
  layer: number,
  inputId: string,
  words: { name?: string; note?: string },
): Profile {
  const input = inputById(model, inputId)
  const binding =
    bindingOn(profile, layer, inputId) ??
    (layer === 0 && input ? { action: factoryAction(input) } : undefined)
  if (!binding) throw new EditRefused('nothing-to-name')
  const name = words.name === undefined ? binding.name : words.name.trim()
  const note = words.note === undefined ? binding.note : words.note.trim()
  if (name) validateEdit(bindingNameSchema, name)
  if (note) validateEdit(noteSchema, note)
  return bindAll(profile, model, [{ layer, input: inputId, put: { action: binding.action, name, note } }])
}

/** Resets some inputs to factory settings on all layers. @throws EditRefused as {@link bind} does */
export function resetInputs(profile: Profile, model: DeviceModel, inputs: readonly string[]): Profile {
  const factory = factoryLayers(model)
  return bindAll(
    profile,
    model,
    inputs.flatMap((input) =>
      profile.layers.map((_, layer): Cell => ({ layer, input, put: factory[layer - 1]?.bindings[input] })),
    ),
  )
}

/** Swaps two cells with their names and notes. @throws EditRefused as {@link bind} does */
export function swapBindings(
  profile: Profile,
  model: DeviceModel,
  first: Pick<Cell, 'layer' | 'input'>,
  second: Pick<Cell, 'layer' | 'input'>,
): Profile {
  const at = ({ layer, input: inputId }: Pick<Cell, 'layer' | 'input'>): Binding | undefined => {
    const input = inputById(model, inputId)
    const factory = layer === 0 && input ? { action: factoryAction(input) } : undefined
    return bindingOn(profile, layer, inputId) ?? factory
  }
  return bindAll(profile, model, [
    { ...first, put: at(second) },
    { ...second, put: at(first) },
  ])
}

/**
 * Swaps each input with its mirror on all layers, for the other hand; doing it twice changes nothing. On a mouse with
 * buttons on both sides, the thumb switches sides.
 *
 * @throws EditRefused if the model has no mirrored inputs
 */
export function mirrorBindings(profile: Profile, model: DeviceModel): Profile {
  const pairs = model.inputs.flatMap(({ id, mirror }) => (mirror === undefined ? [] : [{ id, mirror }]))
  if (pairs.length === 0) throw new EditRefused('no-mirror', { model: model.name })
  const cells = profile.layers.flatMap((_, layer) =>
    pairs.map(({ id, mirror }): Cell => {
      const other = inputById(model, mirror)
      const factory = layer === 0 && other ? { action: factoryAction(other) } : undefined
      return { layer, input: id, put: bindingOn(profile, layer, mirror) ?? factory }
    }),
  )
  const mirrored = bindAll(profile, model, cells)
  return isAmbidextrous(model) ? { ...mirrored, hand: profile.hand === 'right' ? 'left' : 'right' } : mirrored
}

/** Whether a mouse has thumb buttons for either hand. */
export const isAmbidextrous = (model: DeviceModel): boolean =>
  model.inputs.some(({ leftHandLeader }) => leftHandLeader !== undefined)

export const setHand = (profile: Profile, hand: Hand): Profile => ({ ...profile, hand })

/** Sets the computer of the profile. */
export const setComputer = (profile: Profile, computer: TargetComputer): Profile => ({
  ...profile,
  computer: { ...(computer.system && { system: computer.system }), layout: computer.layout },
})
