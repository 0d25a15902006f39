import { definitionIn, keysOf } from '../base/tables'
import type { ActionKind, ActionValues, Reach } from './action'
import { button } from './button'
import { consumer } from './consumer'
import { countdown } from './countdown'
import { holdStep } from './hold-step'
import { key } from './key'
import { layer } from './layer'
import { light } from './light'
import { macro } from './macro'
import { macroParts } from './macro-parts'
import { off } from './off'
import { pass } from './pass'
import { scroll } from './scroll'
import { slot } from './slot'
import { step } from './step'
import { stopMacros } from './stop-macros'
import { tapHold } from './tap-hold'
import { strokes } from './type-strokes'

/** Every action there is. A new one is its file, a line here, its words and its test. */
export const ACTIONS = {
  off,
  key,
  button,
  scroll,
  consumer,
  step,
  slot,
  layer,
  macro,
  'tap-hold': tapHold,
  light,
  strokes,
  countdown,
  'hold-step': holdStep,
  pass,
  'macro-parts': macroParts,
  'stop-macros': stopMacros,
} as const

export type ActionName = keyof typeof ACTIONS

/** Where a kind says more than its parameters do each for itself. */
interface Closer {
  'hold-step': { step: number } | { dpi: number }
  'tap-hold': { thresholdMs: number; decide: 'time' | 'press'; tap: ImageAction; hold: ImageAction }
}
type Values<Name extends ActionName> = Name extends keyof Closer
  ? Closer[Name]
  : ActionValues<(typeof ACTIONS)[Name]['parameters']>

/** An action that this version knows, in the device's own terms: usages and numbers, no names. */
export type KnownAction = { [Name in ActionName]: { kind: Name } & Values<Name> }[ActionName]

/** What an input does. */
export type ImageAction =
  | KnownAction
  /**
   * A record of a later version, or one that says what no device can do: kept byte for byte. `does`: the action of
   * this version it begins with, where bytes follow that this version does not know; a device does that.
   */
  | { kind: 'unknown'; code: number; payload: number[]; does?: KnownAction }

export type LightChange = Extract<KnownAction, { kind: 'light' }>['change']

/** An action's definition by its name. */
export const kindNamed = (name: ActionName): ActionKind => definitionIn(ACTIONS, name)

export const nameByCode = (code: number): ActionName | undefined =>
  keysOf(ACTIONS).find((name) => ACTIONS[name].code === code)

/** What a device does for an action; nothing for one it does not know. */
export const doneFor = (action: ImageAction): KnownAction =>
  action.kind === 'unknown' ? (action.does ?? { kind: 'off' }) : action

/** Begins an action whose input went down. */
export const startAction = ({ kind, ...values }: KnownAction, reach: Reach): void =>
  kindNamed(kind).start?.(values, reach)

/** Ends it: its input came up. */
export const endAction = ({ kind, ...values }: KnownAction, reach: Reach): void =>
  kindNamed(kind).end?.(values, reach)

/** Whether it goes on until it is ended. */
export const lasts = ({ kind, ...values }: KnownAction): boolean => kindNamed(kind).lasts?.(values) ?? false
