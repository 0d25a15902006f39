import { factList, message, type MessageFact, type TextOf } from '../message/message'
import { itemAt } from '../base/items'
import type { DeviceInput, DeviceModel } from '../device/model'
import { actionFamily, actionMessage } from './action-text'
import type { TypingContext } from './context'
import { deepEqual } from '../base/deep-equal'
import { bindingOn, effectiveBinding, factoryAction, factoryLayers } from '../terms/profile'
import type { Binding, LayerColour, Profile } from '../document/schema'

/** The label of an input at its leader line: the base layer, and the layers with other actions. */
export interface InputLabel {
  base: { text: string; family: string }
  /** Its tap action, if it also has a hold action. */
  tap?: string
  layers: { index: number; colour: LayerColour; text: string; factory: boolean }[]
  /**
   * A second line, if there is room: its action if the base layer has an in-game name; otherwise the name of the input.
   */
  below: string
  /** The full text, where there is no room. */
  title: string
  /** Its action on the selected layer, and whether the device has it, as screen readers read it. */
  spoken: string
  pending: boolean
}

const MAX_LAYERS = 2

/** People look for the in-game name, if there is one. Of tap and hold, the hold action counts. */
const wordsOf = ({ action, name }: Pick<Binding, 'action' | 'name'>, context: TypingContext): string =>
  name ?? context.textOf(actionMessage(action.kind === 'tap-hold' ? action.hold : action, context))

/**
 * Accessible names of the inputs of a drawing by input id: number, legend or name, and the text of {@link InputLabel}.
 */
export const accessibleNames = (
  { inputs }: DeviceModel,
  labels: Readonly<Record<string, InputLabel>>,
  nameOf: (input: DeviceInput) => MessageFact,
  textOf: TextOf,
): Record<string, string> =>
  Object.fromEntries(
    inputs.map((input) => [
      input.id,
      textOf(
        message('actions.inputTitle', {
          number: input.number,
          input: nameOf(input),
          action: labels[input.id]?.spoken ?? '',
        }),
      ),
    ]),
  )

/** The labels of a drawing by input id, with the edited layer first. */
export function inputLabels(
  profile: Profile,
  context: TypingContext,
  current: number,
  pending: ReadonlySet<string>,
): Record<string, InputLabel> {
  const order = [current, ...profile.layers.keys()].filter(
    (layer, at, all) => layer > 0 && all.indexOf(layer) === at,
  )
  const { textOf } = context
  const factory = factoryLayers(context.model)
  return Object.fromEntries(
    context.model.inputs.map((input) => {
      const { action, name } = effectiveBinding(profile, 0, input)
      const does = textOf(actionMessage(action, context))
      const base = wordsOf({ action, ...(name && { name }) }, context)
      const tap = action.kind === 'tap-hold' ? textOf(actionMessage(action.tap, context)) : undefined
      const layers = order.flatMap((index) => {
        const own = bindingOn(profile, index, input.id)
        if (!own) return []
        const before = factory[index - 1]?.bindings[input.id]
        const { colour } = itemAt(profile.layers, index)
        return [{ index, colour, text: wordsOf(own, context), factory: deepEqual(own, before) }]
      })
      const family = deepEqual(action, factoryAction(input)) ? 'factory' : actionFamily(action)
      const isPending = profile.layers.some((_, index) => pending.has(`${input.id} ${index}`))
      const label: InputLabel = {
        spoken: spokenText(profile, context, input, current, pending),
        base: { text: base, family },
        below: name ? does : textOf(input.name),
        layers: layers.slice(0, MAX_LAYERS),
        title: titleText(input, profile, { does, ...(name && { name }) }, layers, textOf),
        pending: isPending,
        ...(tap && { tap }),
      }
      return [input.id, label]
    }),
  )
}

/** The number, name and action of an input, and its action on each other layer, one per line. */
const titleText = (
  { number, name: input }: DeviceInput,
  profile: Profile,
  { does, name }: { does: string; name?: string },
  layers: InputLabel['layers'],
  textOf: TextOf,
): string =>
  [
    message('actions.inputTitle', {
      number,
      input,
      action: name ? message('actions.titleNamed', { name, action: does }) : does,
    }),
    ...layers.map(({ index, text }) =>
      message('actions.layerTitle', { layer: itemAt(profile.layers, index).name, action: text }),
    ),
  ]
    .map(textOf)
    .join('\n')

/** The action of an input on a layer, whether it is inherited, and whether the device has it. */
function spokenText(
  profile: Profile,
  context: TypingContext,
  input: DeviceInput,
  layer: number,
  pending: ReadonlySet<string>,
): string {
  const inherits = layer > 0 && !bindingOn(profile, layer, input.id)
  const parts = [
    wordsOf(effectiveBinding(profile, layer, input), context),
    ...(inherits ? [message('actions.inherited')] : []),
    ...(pending.has(`${input.id} ${layer}`) ? [message('actions.notOnTheDevice')] : []),
  ]
  return context.textOf(factList(parts, 'comma'))
}
