import { baseLayer } from './base-layer'
import fc from 'fast-check'
import { slotCapacity } from '../device/lookups'
import type { DeviceModel } from '../device/model'
import { KEY_USAGES, MODIFIER_CODES } from '../hid/keyboard-page'
import { LAYOUT_IDS, printedLegends } from '../computer/layouts'
import { toHexBytes } from '../base/bytes'
import { compileProfile } from '../compile/compile'
import { MAX_UPPER_LAYERS } from '../onboard/image'
import { EMPTY_SHELF, type MacroShelf } from './macro'
import { keyAction, type ActionContext } from '../text/context'
import { checkProfile } from '../checks/checks'
import { bindAll, type Cell } from '../edits/edits'
import { addLayer, setLayerColour, setLayerSignal } from '../edits/layer-edits'
import { ACTIONS } from '../actions/registry'
import { SINGLE_NAMES, singleParameters, type SingleName } from './action-schema'
import { anyKind, type Around } from './any-parameter.test-support'
import { factoryProfile, macrosOf } from '../terms/profile'
import {
  LAYER_COLOURS,
  MAX_BINDING_NAME_BYTES,
  MAX_LAYER_NAME_BYTES,
  MAX_NAME_BYTES,
  type Action,
  type UnknownContent,
  type Layer,
  type Profile,
  type SingleAction,
} from './schema'
import { OPERATING_SYSTEMS, SHORTCUTS, type TargetComputer } from '../computer/shortcuts'
import { launchText } from '../computer/launches'
import { untypableCharacters } from '../computer/typing'

import { anySettings, anyWords } from './any-settings.test-support'

export const anyComputer: fc.Arbitrary<TargetComputer> = fc.record({
  system: fc.constantFrom(...OPERATING_SYSTEMS),
  layout: fc.constantFrom(...LAYOUT_IDS),
})

/** Text in one line that a layout can type, including dead keys. */
const anyTypable = (computer: TargetComputer): fc.Arbitrary<string> => {
  const characters = Object.values(printedLegends(computer.layout))
    .flat()
    .filter((character) => character !== '' && untypableCharacters(character, computer).length === 0)
  return fc
    .array(fc.constantFrom(...characters, ' ', ...'éñüà'), { minLength: 1, maxLength: 20 })
    .map((list) => list.filter((character) => untypableCharacters(character, computer).length === 0).join(''))
    .map((text) => text.normalize('NFC').trim())
    .filter((text) => text !== '' && untypableCharacters(text, computer).length === 0)
}

const word = fc.stringMatching(/^[a-z][a-z0-9-]{0,9}$/)
const anyTarget = fc.oneof(
  word.map((name) => ({ what: 'program' as const, target: name })),
  word.map((name) => ({ what: 'file' as const, target: `${name} notes` })),
  word.map((name) => ({ what: 'folder' as const, target: name })),
  word.map((name) => ({ what: 'address' as const, target: `${name}.example` })),
)

/**
 * Some Mac layouts are not known well enough to type quotation marks, so characters that cannot be typed are left out.
 */
const anyOpening = (computer: TargetComputer): fc.Arbitrary<SingleAction> =>
  anyTarget
    .map(({ what, target }) => ({ kind: 'open' as const, what, target }))
    .filter(
      (opening) =>
        untypableCharacters(launchText(opening, computer.system ?? 'linux'), computer).length === 0,
    )

/**
 * Restrictions where the parameters of a kind allow more than a profile in a context, or than its text expresses.
 * Nothing if a context has none of it.
 */
const CLOSER: {
  [Name in SingleName]?: (context: ActionContext) => fc.Arbitrary<SingleAction> | undefined
} = {
  key: () =>
    fc
      .tuple(fc.constantFrom(...KEY_USAGES.map(({ code }) => code)), fc.subarray([...MODIFIER_CODES]))
      .map(([code, held]) => keyAction(code, held)),
  text: ({ computer }) => anyTypable(computer).map((text) => ({ kind: 'text', text })),
  open: ({ computer }) => (computer.system ? anyOpening(computer) : undefined),
  shortcut({ computer: { system } }) {
    const there = SHORTCUTS.filter(({ keys }) => system && keys[system])
    return there.length > 0
      ? fc.constantFrom(...there).map(({ id }) => ({ kind: 'shortcut', shortcut: id }))
      : undefined
  },
  // A known code would be read as its action.
  later: () =>
    fc.record({
      kind: fc.constant('later' as const),
      code: fc.integer({ min: FIRST_FREE_CODE, max: 31 }),
      bytes: fc.uint8Array({ maxLength: 9 }).map(toHexBytes),
    }),
  step: ({ model }) => (model.sensor ? derived('step', { model }) : undefined),
  'hold-step': ({ model: { sensor } }) =>
    sensor &&
    fc.oneof(
      fc.integer({ min: 1, max: sensor.maxSteps }).map((step) => ({ kind: 'hold-step' as const, step })),
      fc
        .integer({ min: 0, max: (sensor.maxDpi - sensor.minDpi) / sensor.resolutionDpi })
        .map((unit) => ({ kind: 'hold-step' as const, dpi: sensor.minDpi + unit * sensor.resolutionDpi })),
    ),
  layer: ({ layers }) => (layers.length > 1 ? derived('layer', { layers: layers.length - 1 }) : undefined),
  macro: ({ macros }) =>
    macros.size > 0
      ? derived('macro', { macros: [...macros.keys()] }).map((action) => {
          if (action.kind !== 'macro') return action
          const { times, ...rest } = action
          return {
            ...rest,
            // Playback until pressed again implies its other options, which have no text.
            again: rest.play === 'toggle' ? ('stop' as const) : rest.again,
            ...(rest.play === 'times' && { times: times ?? 2 }),
          }
        })
      : undefined,
  // The list of the program has its name and its key.
  command: ({ commands = [] }) => (commands.length > 0 ? fc.constantFrom(...commands) : undefined),
  'macro-parts': ({ macros }) =>
    macros.size > 0
      ? derived('macro-parts', { macros: [...macros.keys()] }).filter((action) => macrosOf(action).length > 0)
      : undefined,
}

const FIRST_FREE_CODE = Math.max(...Object.values(ACTIONS).map(({ code }) => code)) + 1

const derived = (name: SingleName, around: Around): fc.Arbitrary<SingleAction> =>
  // Its type is built from the same parameters.
  anyKind(name, singleParameters(name), around) as fc.Arbitrary<SingleAction>

/** Any action of a kind that a profile in this context can have, or nothing if it can have none. */
export function anyOfKind(name: SingleName, context: ActionContext): fc.Arbitrary<SingleAction> | undefined {
  const closer = CLOSER[name]
  return closer ? closer(context) : derived(name, { model: context.model })
}

/** Any single action, of every kind, that a profile in this context can have. */
export const anySingle = (context: ActionContext): fc.Arbitrary<SingleAction> =>
  fc.oneof(...SINGLE_NAMES.flatMap((name) => anyOfKind(name, context) ?? []))

/** Any action, including tap and hold. */
export const anyAction = (context: ActionContext): fc.Arbitrary<Action> =>
  fc.oneof(
    { weight: 6, arbitrary: anySingle(context) },
    {
      weight: 1,
      arbitrary: fc.record({
        kind: fc.constant('tap-hold' as const),
        tap: anySingle(context),
        hold: anySingle(context),
        thresholdMs: fc.integer({ min: 8, max: 150 }).map((unit) => unit * 10),
        decide: fc.constantFrom('time' as const, 'press' as const),
      }),
    },
  )

const anyLayers = (model: DeviceModel) =>
  fc.uniqueArray(
    fc.record({
      name: anyWords(MAX_LAYER_NAME_BYTES),
      colour: fc.constantFrom(...LAYER_COLOURS),
      signal: model.connections.some(({ id }) => id === 'receiver')
        ? fc.option(fc.constant(true), { nil: undefined })
        : fc.constant(undefined),
    }),
    {
      maxLength: MAX_UPPER_LAYERS - (model.factory.layers?.length ?? 0),
      selector: ({ name }) => name.toLowerCase(),
    },
  )

/** Data that a later version might write into an image. */
const anyLater: fc.Arbitrary<UnknownContent> = fc.record({
  sections: fc.constant([{ code: 0x41, bytes: 'c0ffee' }]),
  settings: fc.constant([{ code: 30, bytes: '0102' }]),
})

function framed(
  profile: Profile,
  base: Pick<Layer, 'name' | 'colour' | 'signal'> | null,
  later: UnknownContent | undefined,
): Profile {
  return {
    ...profile,
    layers: [{ ...baseLayer(profile), ...base }, ...profile.layers.slice(1)],
    ...(later && { later }),
  }
}

const NAMES_OF_THE_FACTORY = ['base', 'fn']

/** Any set of layers for a model, without their own bindings. */
const anyFrame = (model: DeviceModel): fc.Arbitrary<Profile> =>
  fc
    .record({
      name: anyWords(MAX_NAME_BYTES),
      computer: anyComputer,
      layers: anyLayers(model).filter((layers) =>
        layers.every(({ name }) => !NAMES_OF_THE_FACTORY.includes(name.toLowerCase())),
      ),
      hand: fc.constantFrom('right' as const, 'left' as const),
      base: fc.option(
        fc.record({
          name: anyWords(MAX_LAYER_NAME_BYTES - 1).map((name) => `.${name}`),
          colour: fc.constantFrom(...LAYER_COLOURS),
          signal: fc.constant(7),
        }),
      ),
      later: fc.option(anyLater, { nil: undefined }),
    })
    .map(({ name, computer, layers, hand, base, later }) =>
      layers.reduce(
        (profile, { name: layer, colour: shade, signal }) => {
          const next = addLayer(profile, layer)
          const index = next.layers.length - 1
          return setLayerSignal(
            setLayerColour(next, index, shade),
            index,
            signal && index < 7 ? index : undefined,
          )
        },
        framed({ ...factoryProfile(model, name, computer), hand }, base, later),
      ),
    )

/** Any profile that a device of this model can store, including its in-game names. */
export const anyProfile = (
  model: DeviceModel,
  maxCells = 12,
  macros: MacroShelf = EMPTY_SHELF,
): fc.Arbitrary<Profile> =>
  anyFrame(model)
    .chain((frame) => {
      const { computer, layers } = frame
      const context: ActionContext = { model, computer, layers, macros }
      const anyCell: fc.Arbitrary<Cell> = fc.record({
        layer: fc.nat(layers.length - 1),
        input: fc.constantFrom(...model.inputs.slice(model.kind === 'mouse' ? 1 : 0).map(({ id }) => id)),
        put: fc.record({
          action: anyAction(context),
          name: fc.option(anyWords(MAX_BINDING_NAME_BYTES), { nil: undefined }),
        }),
      })
      return fc
        .tuple(fc.array(anyCell, { maxLength: maxCells }), anySettings(model, layers.length - 1))
        .map(([cells, settings]) => ({ ...bindAll(frame, model, cells), ...settings }))
    })
    .filter((profile) => {
      if (checkProfile(profile, model, macros).some(({ severity }) => severity === 'error')) return false
      const { bytes, findings } = compileProfile(profile, model, macros)
      return bytes.length <= slotCapacity(model.memory) && findings.every(({ rule }) => rule !== 'names')
    })
