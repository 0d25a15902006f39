import { definitionIn, keysOf } from '../base/tables'
import type { ActionKind, ActionValues, DeviceOperations } from './action'
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

/** All actions. A new one needs its file, a line here, its words and its test. */
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

/** Combinations that the single parameters cannot express. */
interface Closer {
  'hold-step': { step: number } | { dpi: number }
  'tap-hold': { thresholdMs: number; decide: 'time' | 'press'; tap: ImageAction; hold: ImageAction }
}
type Values<Name extends ActionName> = Name extends keyof Closer
  ? Closer[Name]
  : ActionValues<(typeof ACTIONS)[Name]['parameters']>

/** A known action in the device's own terms: usages and numbers, no names. */
export type KnownAction = { [Name in ActionName]: { kind: Name } & Values<Name> }[ActionName]

/** The action of an input. */
export type ImageAction =
  | KnownAction
  /**
   * A record from a later version, or one that no device can perform: kept byte for byte. `does` is the known action at
   * its start, if unknown bytes follow it; a device performs that action.
   */
  | { kind: 'unknown'; code: number; payload: number[]; does?: KnownAction }

export type LightChange = Extract<KnownAction, { kind: 'light' }>['change']

/** Returns the definition of an action by its name. */
export const actionKind = (name: ActionName): ActionKind => definitionIn(ACTIONS, name)

export const actionByCode = (code: number): ActionName | undefined =>
  keysOf(ACTIONS).find((name) => ACTIONS[name].code === code)

/** Behaviour of a device for an action; none for an unknown one. */
export const behaviourOf = (action: ImageAction): KnownAction =>
  action.kind === 'unknown' ? (action.does ?? { kind: 'off' }) : action

/** Starts an action when its input is pressed. */
export const startAction = ({ kind, ...values }: KnownAction, reach: DeviceOperations): void =>
  actionKind(kind).start?.(values, reach)

/** Ends it when its input is released. */
export const endAction = ({ kind, ...values }: KnownAction, reach: DeviceOperations): void =>
  actionKind(kind).end?.(values, reach)

/** Whether it continues until it is ended. */
export const isContinuous = ({ kind, ...values }: KnownAction): boolean =>
  actionKind(kind).lasts?.(values) ?? false
