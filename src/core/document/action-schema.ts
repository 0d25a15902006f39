import { array, lazy, number, object, string, type InferType, type Schema } from 'yup'
import { BUTTON_COUNT } from '../hid/button-page'
import { consumerById } from '../hid/consumer-page'
import { keyByCode } from '../hid/keyboard-page'
import { isModifierUsage } from '../hid/modifiers'
import { MOST_UPPER_LAYERS } from '../onboard/image'
import { colour, hexBytes, kindOf, literal, oneOf, whole, wholeText, type LazyMeta } from './schema-parts'
import { SHORTCUT_IDS } from '../computer/shortcuts'

/** What an input can do, as a profile's file says it: one schema a kind. */

/** Characters a typed text or the target of an opening may have. */
export const MOST_TEXT = 500
export const TAP_HOLD_MS = { least: 80, most: 1500, standard: 200, unit: 10 } as const
export const MOST_TIMES = 10_000
export const MOST_GAP_MS = 60_000
export const MOST_COUNTDOWN_SECONDS = 24 * 3600

const code = () =>
  string()
    .strict()
    .required('${path} is missing: the `code` of a key')
    .test(
      'key',
      '${path}: "${value}" is not the code of a key that can be bound',
      (value) => !!keyByCode(value),
    )

const modifierCode = () =>
  code().test('modifier', '${path}: "${value}" is not a modifier key', (value) =>
    isModifierUsage(keyByCode(value)?.usage ?? 0),
  )

const targetNumber = number().strict().required().integer().min(1).max(250)
const targetWord = string<'next' | 'previous'>()
  .strict()
  .required('${path} is missing')
  .oneOf(['next', 'previous'], '${path} is next, previous or a number from 1')
const target = () =>
  lazy((value: unknown) => (typeof value === 'number' ? targetNumber : targetWord)).meta({
    oneOf: [targetNumber, targetWord],
  } satisfies LazyMeta)

const keyAction = object({
  kind: literal('key'),
  code: code(),
  modifiers: array(modifierCode()).strict().required('${path} is missing: a list, empty for none'),
}).noUnknown()
const shortcutAction = object({
  kind: literal('shortcut'),
  shortcut: string()
    .strict()
    .required('${path} is missing')
    .test('shortcut', '${path}: "${value}" is not a shortcut that is known', (value) =>
      SHORTCUT_IDS.has(value),
    ),
}).noUnknown()
const buttonAction = object({
  kind: literal('button'),
  button: whole('a mouse button').min(1).max(BUTTON_COUNT),
  clicks: whole('a number of clicks').min(1).max(2),
}).noUnknown()
const scrollAction = object({
  kind: literal('scroll'),
  direction: oneOf('up', 'down', 'left', 'right'),
  amount: whole('an amount of detents').min(1).max(100),
}).noUnknown()
const controlAction = object({
  kind: literal('control'),
  control: string()
    .strict()
    .required('${path} is missing')
    .test(
      'control',
      '${path}: "${value}" is not a control that can be bound',
      (value) => !!consumerById(value),
    ),
}).noUnknown()
const stepAction = object({ kind: literal('step'), to: target() }).noUnknown()
/** A step of the profile, counted from 1, or a DPI of its own, while the input is held. */
const holdStepAction = object({
  kind: literal('hold-step'),
  step: whole('a step').min(1).max(16).optional(),
  dpi: whole('DPI').min(1).max(65_535).optional(),
})
  .noUnknown()
  .test(
    'either',
    '${path} has either a step or a dpi',
    ({ step, dpi }) => (step === undefined) !== (dpi === undefined),
  )
const slotAction = object({ kind: literal('slot'), to: target() }).noUnknown()
/** `layer` is the place in the profile's list of layers; 0 is the base layer and is no target. */
const layerAction = object({
  kind: literal('layer'),
  layer: whole('a layer').min(1).max(MOST_UPPER_LAYERS),
  how: oneOf('hold', 'switch'),
}).noUnknown()
const textAction = object({ kind: literal('text'), text: wholeText(MOST_TEXT) }).noUnknown()
const openAction = object({
  kind: literal('open'),
  what: oneOf('program', 'file', 'folder', 'address'),
  target: wholeText(MOST_TEXT).test('line', '${path} is one line', (value) => !/[\n\r\t]/.test(value)),
}).noUnknown()
const countdownAction = object({
  kind: literal('countdown'),
  seconds: whole('a time in seconds').min(1).max(MOST_COUNTDOWN_SECONDS),
  colour: colour(),
}).noUnknown()
const lightAction = object({
  kind: literal('light'),
  change: oneOf('next', 'previous', 'brighter', 'dimmer', 'off'),
}).noUnknown()
/** A macro of the library, by its id, and how it is played. */
const macroAction = object({
  kind: literal('macro'),
  macro: string().strict().required('${path} is missing: the id of a macro'),
  play: oneOf('once', 'times', 'held', 'toggle'),
  times: whole('a number of times').min(2).max(MOST_TIMES).optional(),
  gapMs: whole('a gap in ms').min(0).max(MOST_GAP_MS),
  again: oneOf('ignore', 'restart', 'stop'),
  others: oneOf('go-on', 'stop'),
})
  .noUnknown()
  .test(
    'times',
    '${path}: times goes with playing so many times',
    ({ play, times }) => (play === 'times') === (times !== undefined),
  )

/** A macro as it is played unless something else is said. */
export const playedOnce = (macro: string): MacroAction => ({
  kind: 'macro',
  macro,
  play: 'once',
  gapMs: 0,
  again: 'ignore',
  others: 'go-on',
})

/** Up to three macros: when the input goes down, over and over while it is, when it comes up. */
const macroPartsAction = object({
  kind: literal('macro-parts'),
  press: string().strict().optional(),
  held: string().strict().optional(),
  release: string().strict().optional(),
})
  .noUnknown()
  .test('some', '${path} has no part at all', ({ press, held, release }) => !!(press ?? held ?? release))
const stopAction = object({ kind: literal('stop-macros') }).noUnknown()
/** An action record that no profile of this version can say: kept byte for byte, and shown as what it is. */
const laterAction = object({
  kind: literal('later'),
  code: whole('the code of an action').min(0).max(31),
  bytes: hexBytes(),
}).noUnknown()
const offAction = object({ kind: literal('off') }).noUnknown()

/** One thing an input does, whether it is tapped or held. */
export type SingleAction =
  | InferType<typeof keyAction>
  | InferType<typeof shortcutAction>
  | InferType<typeof buttonAction>
  | InferType<typeof scrollAction>
  | InferType<typeof controlAction>
  | InferType<typeof stepAction>
  | HoldStep
  | InferType<typeof slotAction>
  | InferType<typeof layerAction>
  | InferType<typeof textAction>
  | InferType<typeof openAction>
  | InferType<typeof countdownAction>
  | InferType<typeof lightAction>
  | MacroAction
  | MacroPartsAction
  | InferType<typeof stopAction>
  | InferType<typeof offAction>
  | LaterAction

export interface LaterAction {
  kind: 'later'
  code: number
  /** Its payload, in hexadecimal. */
  bytes: string
}

export type MacroPartsAction = InferType<typeof macroPartsAction>

export interface MacroAction {
  kind: 'macro'
  macro: string
  play: 'once' | 'times' | 'held' | 'toggle'
  /** With `times` alone. */
  times?: number
  /** Between two passes. */
  gapMs: number
  /** What pressing the same input again does while it plays. */
  again: 'ignore' | 'restart' | 'stop'
  /** What pressing another input does. */
  others: 'go-on' | 'stop'
}

type HoldStep = { kind: 'hold-step'; step: number } | { kind: 'hold-step'; dpi: number }

/** One action when the input is let go before the threshold, another when it is not. */
export interface TapHold {
  kind: 'tap-hold'
  tap: SingleAction
  hold: SingleAction
  thresholdMs: number
  /** `time`: only the threshold decides; `press`: another input pressed before it makes it a hold as well. */
  decide: 'time' | 'press'
}

export type Action = SingleAction | TapHold

const singleSchemas: Record<SingleAction['kind'], Schema> = {
  key: keyAction,
  shortcut: shortcutAction,
  button: buttonAction,
  scroll: scrollAction,
  control: controlAction,
  step: stepAction,
  'hold-step': holdStepAction,
  slot: slotAction,
  layer: layerAction,
  text: textAction,
  open: openAction,
  countdown: countdownAction,
  light: lightAction,
  off: offAction,
  macro: macroAction,
  'macro-parts': macroPartsAction,
  'stop-macros': stopAction,
  later: laterAction,
}

const tapHoldAction = object({
  kind: literal('tap-hold'),
  tap: kindOf('action', singleSchemas),
  hold: kindOf('action', singleSchemas),
  thresholdMs: whole('a threshold in ms')
    .min(TAP_HOLD_MS.least)
    .max(TAP_HOLD_MS.most)
    .test('grid', '${path}: thresholds go by 10 ms', (value) => value % TAP_HOLD_MS.unit === 0),
  decide: oneOf('time', 'press'),
}).noUnknown()

/** The gate for one action. */
export const actionSchema = () => kindOf('action', { ...singleSchemas, 'tap-hold': tapHoldAction })
