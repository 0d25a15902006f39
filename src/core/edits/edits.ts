import { baseLayer } from '../document/base-layer'
import { ValidationError, type Schema } from 'yup'
import { itemAt } from '../base/items'
import type { DeviceModel } from '../device/model'
import { inputById } from '../device/lookups'
import { sameValue } from '../base/same-value'
import { bindingOn, factoryAction, factoryLayers, leftClicks } from '../terms/profile'
import { EditRefused } from '../wording/refused'
import { cleanTags, tagsSchema } from '../document/schema-parts'
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
import type { ComputerSetUp } from '../computer/shortcuts'

/**
 * Every edit of a profile: a pure function from one immutable profile to the next. One that may not be done
 * throws {@link EditRefused} with the reason, as a key and in words for the person. Edits of layers are in
 * layer-edits.ts, those of steps, rates and finer settings in motion-edits.ts.
 */

/** @throws EditRefused for a tag that is none, or too many of them */
export const setProfileTags = (profile: Profile, tags: readonly string[]): Profile => ({
  ...profile,
  tags: checked(tagsSchema(), cleanTags(tags)),
})

/** What a game forbids: the checks hold the profile to it. */
export const setPlayRule = (profile: Profile, rule: PlayRule, on: boolean): Profile => ({
  ...profile,
  rules: PLAY_RULES.filter((each) => (each === rule ? on : profile.rules.includes(each))),
})

/** @throws EditRefused for a name that is empty or too long */
export const rename = (profile: Profile, name: string): Profile => ({
  ...profile,
  name: checked(profileNameSchema, name.trim()),
})

/** What a schema says of a value a person typed. @throws EditRefused in its words */
export function checked<T>(schema: Schema<T>, value: T): T {
  try {
    return schema.validateSync(value)
  } catch (error) {
    if (error instanceof ValidationError)
      throw new EditRefused('gate', { problem: error.message.replace(/^this:? /, '') })
    throw error
  }
}

/**
 * What is to stand at an input: a binding, an action (which leaves the in-game name and the note that are there),
 * or undefined, which leaves the input to the layer below or, on the base layer, to the factory.
 */
export type Cell = { input: string; layer: number; put: Binding | Action | undefined }

/**
 * Binds an action to an input on a layer; on the base layer the factory's own action takes the binding away again.
 *
 * @throws EditRefused when it would take the last left click off the base layer, or nothing of that name is there
 */
export const bind = (
  profile: Profile,
  model: DeviceModel,
  layer: number,
  input: string,
  action: Action,
): Profile => bindAll(profile, model, [{ layer, input, put: action }])

/** Leaves an input to the layer below, or to the factory. @throws EditRefused as {@link bind} does */
export const unbind = (profile: Profile, model: DeviceModel, layer: number, input: string): Profile =>
  bindAll(profile, model, [{ layer, input, put: undefined }])

/**
 * Fills several cells at once. What counts is how it ends: two inputs may swap the only left click.
 *
 * @throws EditRefused as {@link bind} does; then nothing of it was done
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
      sameValue(binding.action, factoryAction(input))
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

/** Without the parts that say nothing, so that equal bindings are equal documents. */
const tidy = ({ action, name, note }: Binding): Binding => ({
  action,
  ...(name !== undefined && name !== '' && { name }),
  ...(note !== undefined && note !== '' && { note }),
})

const inOrder = (bindings: Iterable<[string, Binding]>): Record<string, Binding> =>
  Object.fromEntries([...bindings].sort(([a], [b]) => (a < b ? -1 : 1)))

/**
 * Says what a binding is called in the game, or a note on it; empty takes it away. An input that is as the
 * factory set it gets a binding of its own by that.
 *
 * @throws EditRefused for words that are too long, or an input the layer leaves alone
 */
export function setWords(
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
  if (name) checked(bindingNameSchema, name)
  if (note) checked(noteSchema, note)
  return bindAll(profile, model, [{ layer, input: inputId, put: { action: binding.action, name, note } }])
}

/** Every layer of some inputs as the factory has it. @throws EditRefused as {@link bind} does */
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

/** Two cells change places, with their names and notes. @throws EditRefused as {@link bind} does */
export function swap(
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
 * Gives each input what its mirror does on every layer, for the other hand; twice is as before. On a mouse with
 * buttons on both flanks the other flank is the thumb's from then on.
 *
 * @throws EditRefused where nothing of the model has a mirror
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
  return hasFlanks(model) ? { ...mirrored, hand: profile.hand === 'right' ? 'left' : 'right' } : mirrored
}

/** True for a mouse with buttons for the thumb of either hand. */
export const hasFlanks = (model: DeviceModel): boolean =>
  model.inputs.some(({ leftHandLeader }) => leftHandLeader !== undefined)

export const setHand = (profile: Profile, hand: Hand): Profile => ({ ...profile, hand })

/** Says which computer the profile is made for. */
export const setComputer = (profile: Profile, computer: ComputerSetUp): Profile => ({
  ...profile,
  computer: { ...(computer.system && { system: computer.system }), layout: computer.layout },
})
