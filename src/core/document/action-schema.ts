import { keysOf } from '../base/tables'
import type { Schema } from 'yup'
import type { ActionKind } from '../actions/action'
import { ACTIONS, kindNamed, type ActionName } from '../actions/registry'
import type { Parameters } from '../base/parameters'
import { kindSchema, type DocumentValues } from './parameter-schema'
import { kindOf } from './schema-parts'
import { WORDED, WORDED_NAMES, wordedKind, type WordedName } from './worded-actions'

/**
 * What an input can do, as a profile's file says it: one schema a kind, each derived from the parameters of its
 * definition. Kinds that say what the device says are in core/actions, the others in worded-actions.ts.
 */

/** Kinds that a document says with the parameters of the device. */
type Alike = {
  [Name in ActionName]: (typeof ACTIONS)[Name] extends ActionKind<infer _, 'alike'> ? Name : never
}[ActionName]

type AlikeAction<Name extends Alike> = { kind: Name } & (Name extends 'hold-step'
  ? { step: number } | { dpi: number }
  : DocumentValues<(typeof ACTIONS)[Name]['parameters']>)
type WordedActionOf<Name extends WordedName> = { kind: Name } & DocumentValues<
  (typeof WORDED)[Name]['parameters']
>

/** One thing an input does, whether it is tapped or held. */
export type SingleAction =
  { [Name in Alike]: AlikeAction<Name> }[Alike] | { [Name in WordedName]: WordedActionOf<Name> }[WordedName]

/** One action when the input is let go before the threshold, another when it is not. */
export interface TapHold extends DocumentValues<(typeof ACTIONS)['tap-hold']['parameters'], SingleAction> {
  kind: 'tap-hold'
}

export type Action = SingleAction | TapHold
export type SingleName = SingleAction['kind']
export type LaterAction = Extract<SingleAction, { kind: 'later' }>
export type MacroAction = Extract<SingleAction, { kind: 'macro' }>
export type MacroPartsAction = Extract<SingleAction, { kind: 'macro-parts' }>

const ALIKE = keysOf(ACTIONS).filter((name): name is Alike => kindNamed(name).inDocuments === 'alike')

/** Every kind of single action, in the order of the definitions. */
export const SINGLE_NAMES: readonly SingleName[] = [...ALIKE, ...WORDED_NAMES]

/** What a document says of a kind. */
export const singleParameters = (name: SingleName): Parameters =>
  isWordedName(name) ? wordedKind(name).parameters : kindNamed(name).parameters

const isWordedName = (name: SingleName): name is WordedName => name in WORDED

function deviceSchema(name: ActionName): Schema {
  const { parameters, refuses } = kindNamed(name)
  const schema = kindSchema(name, parameters, () => kindOf('action', singleSchemas))
  return refuses
    ? schema.test('together', (value, { createError }) => {
        const why = refuses(value)
        return why === undefined || createError({ message: `\${path}: ${why}` })
      })
    : schema
}

const singleSchemas: Record<string, Schema> = Object.fromEntries([
  ...WORDED_NAMES.map((name) => [name, kindSchema(name, singleParameters(name))] as const),
  ...ALIKE.map((name) => [name, deviceSchema(name)] as const),
])

/** The gate for one action. */
export const actionSchema = () => kindOf('action', { ...singleSchemas, 'tap-hold': deviceSchema('tap-hold') })

/** The threshold of tap and hold, and what it is where none is said. */
export const TAP_HOLD_MS = { ...ACTIONS['tap-hold'].parameters.thresholdMs, standard: 200 } as const

/** A macro as it is played unless something else is said. */
export const playedOnce = (macro: string): MacroAction => ({
  kind: 'macro',
  macro,
  play: 'once',
  gapMs: 0,
  again: 'ignore',
  others: 'go-on',
})
