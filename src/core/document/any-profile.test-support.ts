import fc from 'fast-check'
import { slotCapacity } from '../device/lookups'
import type { DeviceModel } from '../device/model'
import { BUTTON_COUNT } from '../hid/button-page'
import { CONSUMER_USAGES } from '../hid/consumer-page'
import { KEY_USAGES } from '../hid/keyboard-page'
import { LAYOUT_IDS, printedOn } from '../computer/layouts'
import { FIRST_MODIFIER_USAGE } from '../hid/modifiers'
import { toHexBytes } from '../base/bytes'
import { compileProfile } from '../compile/compile'
import { MOST_UPPER_LAYERS } from '../onboard/image'
import { EMPTY_SHELF, type MacroShelf } from './macro'
import { keyAction, type ActionContext } from '../text/action-text'
import { checkProfile } from '../checks/checks'
import { bindAll, type Cell } from './edits'
import { addLayer, setLayerColour, setLayerSignal } from './layer-edits'
import { factoryProfile } from './profile'
import {
  LAYER_COLOURS,
  MOST_BINDING_NAME_BYTES,
  MOST_LAYER_NAME_BYTES,
  MOST_NAME_BYTES,
  type Action,
  type Later,
  type Layer,
  type Profile,
  type SingleAction,
} from './schema'
import { OPERATING_SYSTEMS, SHORTCUTS, type ComputerSetUp } from '../computer/shortcuts'
import { openingText } from '../computer/openings'
import { untypable } from '../computer/typing'

import { anyColour, anySettings, anyWords } from './any-settings.test-support'

const modifiers = KEY_USAGES.filter(({ usage }) => usage >= FIRST_MODIFIER_USAGE).map(({ code }) => code)
export const anyComputer: fc.Arbitrary<ComputerSetUp> = fc.record({
  system: fc.constantFrom(...OPERATING_SYSTEMS),
  layout: fc.constantFrom(...LAYOUT_IDS),
})

/** Text that a layout can type, dead keys and all, in one line. */
const anyTypable = (computer: ComputerSetUp): fc.Arbitrary<string> => {
  const characters = Object.values(printedOn(computer.layout))
    .flat()
    .filter((character) => character !== '' && untypable(character, computer).length === 0)
  return fc
    .array(fc.constantFrom(...characters, ' ', ...'éñüà'), { minLength: 1, maxLength: 20 })
    .map((list) => list.filter((character) => untypable(character, computer).length === 0).join(''))
    .map((text) => text.normalize('NFC').trim())
    .filter((text) => text !== '' && untypable(text, computer).length === 0)
}

const word = fc.stringMatching(/^[a-z][a-z0-9-]{0,9}$/)
const anyTarget = fc.oneof(
  word.map((name) => ({ what: 'program' as const, target: name })),
  word.map((name) => ({ what: 'file' as const, target: `${name} notes` })),
  word.map((name) => ({ what: 'folder' as const, target: name })),
  word.map((name) => ({ what: 'address' as const, target: `${name}.example` })),
)

/** Not every Mac layout is known well enough for a quote: what cannot be typed is left out. */
const anyOpening = (computer: ComputerSetUp): fc.Arbitrary<SingleAction> =>
  anyTarget
    .map(({ what, target }) => ({ kind: 'open' as const, what, target }))
    .filter((opening) => untypable(openingText(opening, computer.system ?? 'linux'), computer).length === 0)

const anyPlace = (most: number) =>
  fc.oneof(fc.constantFrom('next' as const, 'previous' as const), fc.integer({ min: 1, max: most }))

/** Steps, where the device has them. */
function anyOfSteps({ sensor }: DeviceModel): fc.Arbitrary<SingleAction>[] {
  if (!sensor) return []
  const { minDpi, maxDpi, resolutionDpi, maxSteps } = sensor
  return [
    fc.record({ kind: fc.constant('step' as const), to: anyPlace(maxSteps) }),
    fc.integer({ min: 1, max: maxSteps }).map((step) => ({ kind: 'hold-step' as const, step })),
    fc
      .integer({ min: 0, max: (maxDpi - minDpi) / resolutionDpi })
      .map((unit) => ({ kind: 'hold-step' as const, dpi: minDpi + unit * resolutionDpi })),
  ]
}

/** Macros, where there are any, in every way there is to play them. */
function anyOfMacros(ids: string[]): fc.Arbitrary<SingleAction>[] {
  if (ids.length === 0) return []
  const id = fc.constantFrom(...ids)
  return [
    fc.constant({ kind: 'stop-macros' as const }),
    fc
      .record({ press: fc.option(id), held: fc.option(id), release: fc.option(id) })
      .filter(({ press, held, release }) => (press ?? held ?? release) !== null)
      .map(({ press, held, release }) => ({
        kind: 'macro-parts' as const,
        ...(press && { press }),
        ...(held && { held }),
        ...(release && { release }),
      })),
    fc
      .record({
        macro: id,
        play: fc.constantFrom('once' as const, 'times' as const, 'held' as const, 'toggle' as const),
        times: fc.integer({ min: 2, max: 10_000 }),
        gapMs: fc.nat(60_000),
        again: fc.constantFrom('ignore' as const, 'restart' as const, 'stop' as const),
        others: fc.constantFrom('go-on' as const, 'stop' as const),
      })
      .map(({ times, play, again, ...rest }) => ({
        kind: 'macro' as const,
        play,
        ...rest,
        // Until pressed again is told by that: its other ways have no words.
        again: play === 'toggle' ? ('stop' as const) : again,
        ...(play === 'times' && { times }),
      })),
  ]
}

/** Any single action that a profile in this context can hold. */
export const anySingle = ({ model, computer, layers, macros }: ActionContext): fc.Arbitrary<SingleAction> => {
  const shortcuts = SHORTCUTS.filter(({ keys }) => computer.system && keys[computer.system])
  return fc.oneof(
    fc
      .tuple(fc.constantFrom(...KEY_USAGES.map(({ code }) => code)), fc.subarray(modifiers))
      .map(([code, held]) => keyAction(code, held)),
    fc.record({
      kind: fc.constant('button' as const),
      button: fc.integer({ min: 1, max: BUTTON_COUNT }),
      clicks: fc.integer({ min: 1, max: 2 }),
    }),
    fc.record({
      kind: fc.constant('scroll' as const),
      direction: fc.constantFrom('up' as const, 'down' as const, 'left' as const, 'right' as const),
      amount: fc.integer({ min: 1, max: 100 }),
    }),
    fc.record({
      kind: fc.constant('control' as const),
      control: fc.constantFrom(...CONSUMER_USAGES.map(({ id }) => id)),
    }),
    fc.record({ kind: fc.constant('slot' as const), to: anyPlace(model.memory.slots) }),
    fc.constant({ kind: 'off' as const }),
    fc.record({
      kind: fc.constant('later' as const),
      code: fc.integer({ min: 17, max: 31 }),
      bytes: fc.uint8Array({ maxLength: 9 }).map(toHexBytes),
    }),
    fc.constantFrom(...(['next', 'brighter', 'dimmer', 'off'] as const)).map((change) => ({
      kind: 'light' as const,
      change,
    })),
    fc.record({
      kind: fc.constant('countdown' as const),
      seconds: fc.integer({ min: 1, max: 86_400 }),
      colour: anyColour,
    }),
    fc.record({ kind: fc.constant('text' as const), text: anyTypable(computer) }),
    ...(computer.system ? [anyOpening(computer)] : []),
    ...(shortcuts.length > 0
      ? [fc.constantFrom(...shortcuts).map(({ id }) => ({ kind: 'shortcut' as const, shortcut: id }))]
      : []),
    ...anyOfMacros([...macros.keys()]),
    ...anyOfSteps(model),
    ...(layers.length > 1
      ? [
          fc.record({
            kind: fc.constant('layer' as const),
            layer: fc.integer({ min: 1, max: layers.length - 1 }),
            how: fc.constantFrom('hold' as const, 'switch' as const),
          }),
        ]
      : []),
  )
}

/** Any action, tap and hold among them. */
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
      name: anyWords(MOST_LAYER_NAME_BYTES),
      colour: fc.constantFrom(...LAYER_COLOURS),
      signal: model.connections.some(({ id }) => id === 'receiver')
        ? fc.option(fc.constant(true), { nil: undefined })
        : fc.constant(undefined),
    }),
    {
      maxLength: MOST_UPPER_LAYERS - (model.factory.layers?.length ?? 0),
      selector: ({ name }) => name.toLowerCase(),
    },
  )

/** What a later version might have left in an image. */
const anyLater: fc.Arbitrary<Later> = fc.record({
  sections: fc.constant([{ code: 0x41, bytes: 'c0ffee' }]),
  settings: fc.constant([{ code: 30, bytes: '0102' }]),
})

function framed(
  profile: Profile,
  base: Pick<Layer, 'name' | 'colour' | 'signal'> | null,
  later: Later | undefined,
): Profile {
  const [first, ...others] = profile.layers
  return {
    ...profile,
    layers: [{ ...first, ...base }, ...others],
    ...(later && { later }),
  }
}

const NAMES_OF_THE_FACTORY = ['base', 'fn']

/** Any set-up of layers for a model, without bindings of its own. */
const anyFrame = (model: DeviceModel): fc.Arbitrary<Profile> =>
  fc
    .record({
      name: anyWords(MOST_NAME_BYTES),
      computer: anyComputer,
      layers: anyLayers(model).filter((layers) =>
        layers.every(({ name }) => !NAMES_OF_THE_FACTORY.includes(name.toLowerCase())),
      ),
      hand: fc.constantFrom('right' as const, 'left' as const),
      base: fc.option(
        fc.record({
          name: anyWords(MOST_LAYER_NAME_BYTES - 1).map((name) => `.${name}`),
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

/** Any profile that a device of this model can keep, its in-game names and all. */
export const anyProfile = (
  model: DeviceModel,
  mostCells = 12,
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
          name: fc.option(anyWords(MOST_BINDING_NAME_BYTES), { nil: undefined }),
        }),
      })
      return fc
        .tuple(fc.array(anyCell, { maxLength: mostCells }), anySettings(model, layers.length - 1))
        .map(([cells, settings]) => ({ ...bindAll(frame, model, cells), ...settings }))
    })
    .filter((profile) => {
      if (checkProfile(profile, model, macros).some(({ severity }) => severity === 'error')) return false
      const { bytes, findings } = compileProfile(profile, model, macros)
      return bytes.length <= slotCapacity(model.memory) && findings.every(({ rule }) => rule !== 'names')
    })
