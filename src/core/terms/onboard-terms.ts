import { ofKind } from '../base/tables'
import { LoweringError } from '../base/refusal'
import { actionRecord } from '../actions/records'
import { kindNamed, type ImageAction, type KnownAction } from '../actions/registry'
import type { ComputerSetUp } from '../computer/shortcuts'
import { sameValue } from '../base/same-value'
import { lowerValues, raiseValues, type Terms } from './parameter-terms'
import type { LaterAction, SingleName } from '../document/action-schema'
import type { Action, SingleAction } from '../document/schema'
import { WORDED, WORDED_NAMES, wordedKind, type WordedName } from '../document/worded-actions'

export type MacroNumber = (id: string) => number
export type MacroId = (number: number) => string | undefined

/**
 * Actions in a profile's terms (names) and in the device's (usages, numbers), both ways. What goes
 * down comes back up the same.
 *
 * @param computer what the profile is made for: shortcuts, openings and texts become its keys
 * @param numberOf the number a macro has in the image, by its id
 * @throws LoweringError for an action that has no keys there; the checks find such actions before
 */
export function lowerAction(
  action: Action,
  computer: ComputerSetUp,
  numberOf: MacroNumber = () => 0,
): ImageAction {
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- name and values belong together by the type of the registry
  if (isWorded(action)) return wordedKind(action.kind).lower(action as never, computer)
  const terms: Terms = {
    macroNumber: numberOf,
    macroId: () => undefined,
    action: {
      // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- name and values belong together by the type of the registry
      lower: (inner) => lowerAction(inner as Action, computer, numberOf),
      raise: (inner) => inner,
    },
  }
  return ofKind<ImageAction>(action.kind, lowerValues(kindNamed(action.kind).parameters, action, terms))
}

/** Tells whether a document describes an action differently from a device. */
export const isWorded = (action: Action): action is Extract<Action, { kind: WordedName }> =>
  action.kind in WORDED

/**
 * @param idOf the id of the macro that has a number in the image
 * @returns the action; one that no profile of this version can say comes back with its bytes
 */
export function raiseAction(
  action: ImageAction,
  computer: ComputerSetUp,
  idOf: MacroId = () => undefined,
): Action {
  if (action.kind !== 'tap-hold') return raiseSingle(action, computer, idOf)
  const { kind, thresholdMs, decide } = action
  const [tap, hold] = [raiseSingle(action.tap, computer, idOf), raiseSingle(action.hold, computer, idOf)]
  return { kind, tap, hold, thresholdMs, decide }
}

/** In words where these become the same bytes again, and as those bytes where they do not. */
function raiseSingle(action: ImageAction, computer: ComputerSetUp, idOf: MacroId): SingleAction {
  const raised = raiseInWords(action, computer, idOf)
  return raised && sameAgain(raised, action, computer, idOf) ? raised : bytesOf(action)
}

const bytesOf = (action: ImageAction): LaterAction =>
  ofKind<LaterAction>('later', wordedKind('later').raise(action, { layout: 'us' }) ?? {})

/** A shortcut's number counts only while its keys are still those of that system: it may be lost. */
function sameAgain(
  raised: SingleAction,
  action: ImageAction,
  computer: ComputerSetUp,
  idOf: MacroId,
): boolean {
  const wanted = action.kind === 'key' && raised.kind === 'key' ? { ...action, shortcut: undefined } : action
  try {
    const numbers = macroNumbers(action)
    const again = lowerAction(raised, computer, (id) => numbers.find((number) => idOf(number) === id) ?? 0)
    return sameValue(actionRecord(again), actionRecord(wanted))
  } catch (error) {
    if (error instanceof LoweringError) return false
    throw error
  }
}

const macroNumbers = (action: ImageAction): number[] =>
  action.kind === 'unknown'
    ? []
    : Object.entries(kindNamed(action.kind).parameters).flatMap(([name, { kind }]) =>
        kind === 'macro' ? [Number(Reflect.get(action, name))] : [],
      )

/** Tells whether documents describe an action as devices do. */
const isAlike = (action: KnownAction): action is Extract<KnownAction, { kind: SingleName }> =>
  kindNamed(action.kind).inDocuments === 'alike'

function raiseInWords(action: ImageAction, computer: ComputerSetUp, idOf: MacroId): SingleAction | undefined {
  for (const kind of WORDED_NAMES) {
    const values = wordedKind(kind).of === action.kind && wordedKind(kind).raise(action, computer)
    if (values) return ofKind<SingleAction>(kind, values)
  }
  if (action.kind === 'unknown') return undefined
  if (!isAlike(action)) return undefined
  const { parameters } = kindNamed(action.kind)
  const values = raiseValues(parameters, action, { macroNumber: () => 0, macroId: idOf })
  return values && ofKind<SingleAction>(action.kind, values)
}
