import { ofKind } from '../base/tables'
import { LoweringError } from '../base/errors'
import { actionRecord } from '../actions/records'
import { actionKind, type ImageAction, type KnownAction } from '../actions/registry'
import type { TargetComputer } from '../computer/shortcuts'
import { deepEqual } from '../base/deep-equal'
import { lowerValues, raiseValues, type IdMapping } from './parameter-terms'
import type { UnknownAction, SingleName } from '../document/action-schema'
import type { Action, SingleAction } from '../document/schema'
import {
  DOCUMENT_ACTIONS,
  DOCUMENT_ACTION_NAMES,
  documentAction,
  type DocumentActionName,
} from '../document/document-actions'

export type MacroNumber = (id: string) => number
export type MacroId = (number: number) => string | undefined

/**
 * Converts actions between a profile's terms (names) and the device's (usages, numbers), without loss in either
 * direction.
 *
 * @param computer the computer of the profile, which determines the keys of shortcuts, openings and texts
 * @param numberOf the number of a macro in the image, by its id
 * @throws LoweringError for an action without keys; the checks find such actions earlier
 */
export function lowerAction(
  action: Action,
  computer: TargetComputer,
  numberOf: MacroNumber = () => 0,
): ImageAction {
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- name and values belong together by the type of the registry
  if (isDocumentAction(action)) return documentAction(action.kind).lower(action as never, computer)
  const terms: IdMapping = {
    macroNumber: numberOf,
    macroId: () => undefined,
    action: {
      // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- name and values belong together by the type of the registry
      lower: (inner) => lowerAction(inner as Action, computer, numberOf),
      raise: (inner) => inner,
    },
  }
  return ofKind<ImageAction>(action.kind, lowerValues(actionKind(action.kind).parameters, action, terms))
}

/** Tells whether a document describes an action differently from a device. */
export const isDocumentAction = (action: Action): action is Extract<Action, { kind: DocumentActionName }> =>
  action.kind in DOCUMENT_ACTIONS

/**
 * @param idOf the id of the macro with a number in the image
 * @returns the action; one that profiles of this version cannot express keeps its bytes
 */
export function raiseAction(
  action: ImageAction,
  computer: TargetComputer,
  idOf: MacroId = () => undefined,
): Action {
  if (action.kind !== 'tap-hold') return raiseSingle(action, computer, idOf)
  const { kind, thresholdMs, decide } = action
  const [tap, hold] = [raiseSingle(action.tap, computer, idOf), raiseSingle(action.hold, computer, idOf)]
  return { kind, tap, hold, thresholdMs, decide }
}

/** In a document's terms if these produce the same bytes again, otherwise as bytes. */
function raiseSingle(action: ImageAction, computer: TargetComputer, idOf: MacroId): SingleAction {
  const raised = raiseInWords(action, computer, idOf)
  return raised && sameAgain(raised, action, computer, idOf) ? raised : bytesOf(action)
}

const bytesOf = (action: ImageAction): UnknownAction =>
  ofKind<UnknownAction>('later', documentAction('later').raise(action, { layout: 'us' }) ?? {})

/** The number of a shortcut only counts while its keys still match those of that system, so it may be lost. */
function sameAgain(
  raised: SingleAction,
  action: ImageAction,
  computer: TargetComputer,
  idOf: MacroId,
): boolean {
  const wanted = action.kind === 'key' && raised.kind === 'key' ? { ...action, shortcut: undefined } : action
  try {
    const numbers = macroNumbers(action)
    const again = lowerAction(raised, computer, (id) => numbers.find((number) => idOf(number) === id) ?? 0)
    return deepEqual(actionRecord(again), actionRecord(wanted))
  } catch (error) {
    if (error instanceof LoweringError) return false
    throw error
  }
}

const macroNumbers = (action: ImageAction): number[] =>
  action.kind === 'unknown'
    ? []
    : Object.entries(actionKind(action.kind).parameters).flatMap(([name, { kind }]) =>
        kind === 'macro' ? [Number(Reflect.get(action, name))] : [],
      )

/** Tells whether documents describe an action as devices do. */
const isAlike = (action: KnownAction): action is Extract<KnownAction, { kind: SingleName }> =>
  actionKind(action.kind).inDocuments === 'alike'

function raiseInWords(
  action: ImageAction,
  computer: TargetComputer,
  idOf: MacroId,
): SingleAction | undefined {
  for (const kind of DOCUMENT_ACTION_NAMES) {
    const values = documentAction(kind).of === action.kind && documentAction(kind).raise(action, computer)
    if (values) return ofKind<SingleAction>(kind, values)
  }
  if (action.kind === 'unknown') return undefined
  if (!isAlike(action)) return undefined
  const { parameters } = actionKind(action.kind)
  const values = raiseValues(parameters, action, { macroNumber: () => 0, macroId: idOf })
  return values && ofKind<SingleAction>(action.kind, values)
}
