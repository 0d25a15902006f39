import { consumerById, consumerByUsage } from '../hid/consumer-page'
import { KEY_USAGES, keyByCode, keyByUsage } from '../hid/keyboard-page'
import { FIRST_MODIFIER_USAGE } from '../hid/modifiers'
import { actionRecord } from '../actions/records'
import { kindNamed, type ActionName, type ImageAction, type KnownAction } from '../actions/registry'
import { fromHexBytes, toHexBytes } from '../base/bytes'
import { fromHex, toHex, type Rgb } from '../base/colour'
import { lowerOpening, raiseOpening } from '../computer/openings'
import { mayBeMissing, MOST_TEXT } from './action-schema'
import { sameValue } from './changes'
import type { Action, LaterAction, SingleAction } from './schema'
import { chordOf, shortcutById, shortcutByNumber, type ComputerSetUp } from '../computer/shortcuts'
import { modifierBits, typedBy, typeText } from '../computer/typing'

/**
 * Actions in a profile's terms (names) and in the device's (usages, numbers), both ways. What goes
 * down comes back up the same.
 *
 * @param computer what the profile is made for: shortcuts, openings and texts become its keys
 * @param numberOf the number a macro has in the image, by its id
 * @throws RangeError for an action that has no keys there; the checks find such actions before
 */
export function lowerAction(
  action: Action,
  computer: ComputerSetUp,
  numberOf: MacroNumber = () => 0,
): ImageAction {
  switch (action.kind) {
    case 'key':
      return { kind: 'key', usage: usageOf(action.code), modifiers: modifierBits(action.modifiers) }
    case 'shortcut':
      return lowerShortcut(action.shortcut, computer)
    case 'control':
      return { kind: 'consumer', usage: consumerById(action.control)?.usage ?? 0 }
    case 'scroll': {
      const amount =
        action.direction === 'up' || action.direction === 'right' ? action.amount : -action.amount
      const vertical = action.direction === 'up' || action.direction === 'down'
      return { kind: 'scroll', wheel: vertical ? amount : 0, pan: vertical ? 0 : amount }
    }
    case 'text':
      return { kind: 'strokes', purpose: 'text', strokes: typeText(action.text, computer) }
    case 'open':
      if (!computer.system) throw new RangeError('an opening needs an operating system')
      return {
        kind: 'strokes',
        purpose: action.what,
        strokes: lowerOpening(action, computer.system, computer.layout),
      }
    case 'later':
      return { kind: 'unknown', code: action.code, payload: [...fromHexBytes(action.bytes)] }
    default:
      return lowerAlike(action, computer, numberOf)
  }
}

/** What a document says as the device does, but for colours, ids of macros, and actions within it. */
function lowerAlike(
  action: Extract<Action, { kind: ActionName }>,
  computer: ComputerSetUp,
  numberOf: MacroNumber,
): ImageAction {
  const given = action as unknown as Record<string, unknown>
  const values = Object.entries(kindNamed(action.kind).parameters).flatMap(([name, { kind, optional }]) => {
    const value = given[name]
    if (optional && value === undefined) return []
    if (kind === 'colour') return [[name, fromHex(String(value))]]
    if (kind === 'macro') return [[name, value === undefined ? 0 : numberOf(String(value))]]
    return [[name, kind === 'action' ? lowerAction(value as Action, computer, numberOf) : value]]
  })
  // Its schema is made of the same parameters.
  return { kind: action.kind, ...Object.fromEntries(values) } as ImageAction
}

export type MacroNumber = (id: string) => number
export type MacroId = (number: number) => string | undefined

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

function bytesOf(action: ImageAction): LaterAction {
  const { code, payload } = actionRecord(action)
  return { kind: 'later', code, bytes: toHexBytes(payload) }
}

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
    if (error instanceof RangeError) return false
    throw error
  }
}

const macroNumbers = (action: ImageAction): number[] =>
  action.kind === 'unknown'
    ? []
    : Object.entries(kindNamed(action.kind).parameters).flatMap(([name, { kind }]) =>
        kind === 'macro' ? [Number((action as unknown as Record<string, unknown>)[name])] : [],
      )

function raiseInWords(action: ImageAction, computer: ComputerSetUp, idOf: MacroId): SingleAction | undefined {
  switch (action.kind) {
    case 'key':
      return raiseKey(action, computer)
    case 'consumer': {
      const control = consumerByUsage(action.usage)
      return control && { kind: 'control', control: control.id }
    }
    case 'scroll':
      if (action.wheel !== 0) {
        return { kind: 'scroll', direction: action.wheel > 0 ? 'up' : 'down', amount: Math.abs(action.wheel) }
      }
      return { kind: 'scroll', direction: action.pan > 0 ? 'right' : 'left', amount: Math.abs(action.pan) }
    case 'strokes':
      return raiseStrokes(action, computer)
    case 'pass':
    case 'tap-hold':
    case 'unknown':
      return undefined
    default:
      return raiseAlike(action, idOf)
  }
}

/** The reverse of {@link lowerAlike}; nothing where a macro has no id. */
function raiseAlike(action: KnownAction, idOf: MacroId): SingleAction | undefined {
  const given = action as unknown as Record<string, unknown>
  const values = Object.entries(kindNamed(action.kind).parameters).flatMap(([name, parameter]) => {
    const value = given[name]
    const none = value === undefined || (parameter.kind === 'macro' && value === 0)
    if (none && mayBeMissing(parameter)) return []
    if (parameter.kind === 'colour') return [[name, toHex(value as Rgb)]]
    return [[name, parameter.kind === 'macro' ? idOf(Number(value)) : value]]
  })
  const whole = values.every(([, value]) => value !== undefined)
  // As with lowering: made of the same parameters.
  return whole ? ({ kind: action.kind, ...Object.fromEntries(values) } as unknown as SingleAction) : undefined
}

function lowerShortcut(id: string, computer: ComputerSetUp): ImageAction {
  const shortcut = shortcutById(id)
  const chord = shortcut && chordOf(shortcut, computer)
  if (!chord) throw new RangeError(`${shortcut?.label ?? id} has no keys there`)
  const { number } = shortcut
  return {
    kind: 'key',
    usage: usageOf(chord.code),
    modifiers: modifierBits(chord.modifiers),
    shortcut: number,
  }
}

type KeyOnDevice = Extract<ImageAction, { kind: 'key' }>

/** A shortcut's number counts only while its keys are still those of that system. */
function raiseKey(
  { usage, modifiers, shortcut }: KeyOnDevice,
  computer: ComputerSetUp,
): SingleAction | undefined {
  const named = shortcut === undefined ? undefined : shortcutByNumber(shortcut)
  const chord = named && chordOf(named, computer)
  if (chord && usageOf(chord.code) === usage && modifierBits(chord.modifiers) === modifiers) {
    return { kind: 'shortcut', shortcut: named.id }
  }
  const key = keyByUsage(usage)
  return key && { kind: 'key', code: key.code, modifiers: modifierCodes(modifiers) }
}

function raiseStrokes(
  { purpose, strokes }: Extract<ImageAction, { kind: 'strokes' }>,
  computer: ComputerSetUp,
): SingleAction | undefined {
  if (purpose === 'text') {
    const text = typedBy(strokes, computer)
    return text === '' || text.length > MOST_TEXT ? undefined : { kind: 'text', text }
  }
  const { system, layout } = computer
  const opening = system && raiseOpening(purpose, strokes, system, layout)
  return opening && opening.target.length <= MOST_TEXT && !/^$|[\n\r\t]/.test(opening.target)
    ? { kind: 'open', ...opening }
    : undefined
}

const usageOf = (code: string): number => keyByCode(code)?.usage ?? 0

const modifierCodes = (bits: number): string[] =>
  KEY_USAGES.filter(
    ({ usage }) => usage >= FIRST_MODIFIER_USAGE && bits & (1 << (usage - FIRST_MODIFIER_USAGE)),
  ).map(({ code }) => code)
