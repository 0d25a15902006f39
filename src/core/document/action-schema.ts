import { keysOf } from '../base/tables'
import type { Schema } from 'yup'
import type { ActionKind } from '../actions/action'
import { ACTIONS, actionKind, type ActionName } from '../actions/registry'
import type { Parameters } from '../base/parameters'
import { kindSchema, type DocumentValues } from './parameter-schema'
import { kindSchemaOf, problem } from './schema-parts'
import {
  DOCUMENT_ACTIONS,
  DOCUMENT_ACTION_NAMES,
  documentAction,
  type DocumentActionName,
} from './document-actions'

/**
 * Schemas of actions in a profile's file, one per kind, derived from the parameters of its definition. Kinds with the
 * parameters of the device are in core/actions, the others in document-actions.ts.
 */

/** Kinds that documents write with the parameters of the device. */
type Alike = {
  [Name in ActionName]: (typeof ACTIONS)[Name] extends ActionKind<infer _, 'alike'> ? Name : never
}[ActionName]

type AlikeAction<Name extends Alike> = { kind: Name } & (Name extends 'hold-step'
  ? { step: number } | { dpi: number }
  : DocumentValues<(typeof ACTIONS)[Name]['parameters']>)
type WordedActionOf<Name extends DocumentActionName> = { kind: Name } & DocumentValues<
  (typeof DOCUMENT_ACTIONS)[Name]['parameters']
>

/** A single action, for a tap or for a hold. */
export type SingleAction =
  | { [Name in Alike]: AlikeAction<Name> }[Alike]
  | { [Name in DocumentActionName]: WordedActionOf<Name> }[DocumentActionName]

/** One action if the input is released before the threshold, another if it is not. */
export interface TapHold extends DocumentValues<(typeof ACTIONS)['tap-hold']['parameters'], SingleAction> {
  kind: 'tap-hold'
}

export type Action = SingleAction | TapHold
export type SingleName = SingleAction['kind']
export type UnknownAction = Extract<SingleAction, { kind: 'later' }>
export type MacroAction = Extract<SingleAction, { kind: 'macro' }>
export type MacroPartsAction = Extract<SingleAction, { kind: 'macro-parts' }>

const ALIKE = keysOf(ACTIONS).filter((name): name is Alike => actionKind(name).inDocuments === 'alike')

/** Every kind of single action, in the order of the definitions. */
export const SINGLE_NAMES: readonly SingleName[] = [...ALIKE, ...DOCUMENT_ACTION_NAMES]

/** The form of a kind in documents. */
export const singleParameters = (name: SingleName): Parameters =>
  isWordedName(name) ? documentAction(name).parameters : actionKind(name).parameters

const isWordedName = (name: SingleName): name is DocumentActionName => name in DOCUMENT_ACTIONS

function deviceSchema(name: ActionName): Schema {
  const { parameters, refuses } = actionKind(name)
  const schema = kindSchema(name, parameters, () => kindSchemaOf(singleSchemas))
  return refuses
    ? schema.test('together', (value, { createError }) => {
        const why = refuses(value)
        return why === undefined || createError({ message: problem(why) })
      })
    : schema
}

const singleSchemas: Record<string, Schema> = Object.fromEntries([
  ...DOCUMENT_ACTION_NAMES.map((name) => [name, kindSchema(name, singleParameters(name))] as const),
  ...ALIKE.map((name) => [name, deviceSchema(name)] as const),
])

/** The schema of one action. */
export const actionSchema = () => kindSchemaOf({ ...singleSchemas, 'tap-hold': deviceSchema('tap-hold') })

/** The threshold of tap and hold, with its default. */
export const TAP_HOLD_MS = { ...ACTIONS['tap-hold'].parameters.thresholdMs, standard: 200 } as const

/** The default playback of a macro. */
export const PLAY_ONCE = (macro: string): MacroAction => ({
  kind: 'macro',
  macro,
  play: 'once',
  gapMs: 0,
  again: 'ignore',
  others: 'go-on',
})
