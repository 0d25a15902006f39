import { capital } from '../base/names'
import type { DeviceModel } from '../device/model'
import { buttonLabel } from '../hid/button-page'
import { consumerById } from '../hid/consumer-page'
import { KEY_USAGES } from '../hid/keyboard-page'
import { keyLegend } from '../computer/layouts'
import { FIRST_MODIFIER_USAGE } from '../hid/modifiers'
import { TAP_HOLD_MS } from '../document/action-schema'
import { factoryProfile } from '../document/profile'
import { EMPTY_SHELF, type MacroShelf } from '../document/macro'
import type { MacroAction } from '../document/action-schema'
import type { Action, LayerColour, Profile, SingleAction } from '../document/schema'
import { chordOf, shortcutById, type ComputerSetUp } from '../computer/shortcuts'

/** What the text of an action depends on besides the action. */
export interface ActionContext {
  model: DeviceModel
  computer: ComputerSetUp
  layers: readonly { name: string; colour: LayerColour }[]
  macros: MacroShelf
}

export const contextOf = (
  { computer, layers }: Profile,
  model: DeviceModel,
  macros: MacroShelf = EMPTY_SHELF,
): ActionContext => ({ model, computer, layers, macros })

/** For what is said of a model and no profile of it. */
export const factoryContext = (model: DeviceModel): ActionContext =>
  contextOf(factoryProfile(model, '–'), model)

export const STANDARD_SIGNAL_COLOUR = '#ffb000'

/**
 * The one text of an action, as the sheet and the drawing show it; `parseAction` reads it back as the same
 * action in the same context.
 */
export function actionText(action: Action, context: ActionContext): string {
  return action.kind === 'tap-hold' ? tapHoldText(action, context) : singleText(action, context)
}

function tapHoldText(
  { tap, hold, thresholdMs, decide }: Extract<Action, { kind: 'tap-hold' }>,
  context: ActionContext,
): string {
  // What is opened could end like one of these: then the threshold is always said, and stands last.
  const after = thresholdMs === TAP_HOLD_MS.standard && hold.kind !== 'open' ? '' : ` after ${thresholdMs} ms`
  const press = decide === 'press' ? ' or at the next press' : ''
  return `Tap ${singleText(tap, context)}, else ${singleText(hold, context)}${after}${press}`
}

function singleText(action: SingleAction, context: ActionContext): string {
  switch (action.kind) {
    case 'off':
      return 'Off'
    case 'key':
      return [...action.modifiers, action.code]
        .map((code) => keyLegend(code, context.computer.layout))
        .join('+')
    case 'shortcut':
      return shortcutById(action.shortcut)?.label ?? action.shortcut
    case 'button':
      return action.clicks === 2 ? doubled(buttonLabel(action.button)) : buttonLabel(action.button)
    case 'scroll':
      return action.amount === 1
        ? `Scroll ${action.direction}`
        : `Scroll ${action.direction} ${action.amount}`
    case 'control':
      return consumerById(action.control)?.label ?? action.control
    case 'step':
    case 'slot':
      return typeof action.to === 'number'
        ? `${capital(action.kind)} ${action.to}`
        : `${capital(action.to)} ${action.kind}`
    case 'hold-step':
      return 'step' in action ? `Hold step ${action.step}` : `Hold ${action.dpi} DPI`
    case 'layer':
      return `${capital(action.how)} layer ${layerName(action.layer, context)}`
    case 'text':
      return `Type “${escaped(action.text)}”`
    case 'open':
      return `Open ${OPENING_WORDS[action.what]} ${action.target}`
    case 'countdown':
      return `Countdown ${durationText(action.seconds)}${action.colour === STANDARD_SIGNAL_COLOUR ? '' : ` in ${action.colour}`}`
    case 'light':
      return LIGHT_TEXT[action.change]
    case 'macro':
      return macroText(action, context)
    case 'macro-parts':
      return partsText(action, context)
    case 'stop-macros':
      return 'Stop macros'
    case 'later':
      return `From a later version ${action.code}${action.bytes === '' ? '' : ` ${action.bytes}`}`
  }
}

export const PLAY_TEXT = { once: '', held: ', while held', toggle: ', until pressed again' } as const

function macroText(
  { macro, play, times, gapMs, again, others }: MacroAction,
  context: ActionContext,
): string {
  const how = play === 'times' ? `, ${times} times` : PLAY_TEXT[play]
  const gap = gapMs > 0 ? `, ${gapMs} ms apart` : ''
  const same =
    again === 'restart' ? ', again starts over' : again === 'stop' && play !== 'toggle' ? ', again stops' : ''
  const other = others === 'stop' ? ', others stop it' : ''
  return `Macro ${macroName(macro, context)}${how}${gap}${same}${other}`
}

function partsText(
  { press, held, release }: Extract<SingleAction, { kind: 'macro-parts' }>,
  context: ActionContext,
): string {
  const part = (word: string, id: string | undefined) =>
    id === undefined ? [] : [`${word} ${macroName(id, context)}`]
  return `Macros ${[...part('on press', press), ...part('held', held), ...part('on release', release)].join(', ')}`
}

/** A macro's name as an action has it; in quotes where it could be taken for something else. */
export function macroName(id: string, { macros }: Pick<ActionContext, 'macros'>): string {
  const name = macros.get(id)?.name ?? id
  return /^[\p{L}\p{N}][\p{L}\p{N} '-]*$/u.test(name) && !/ (held|on press|on release)\b/i.test(` ${name}`)
    ? name
    : `“${escaped(name)}”`
}

/** Name of a layer as an action names it; its number where it has gone. */
export const layerName = (layer: number, { layers }: ActionContext): string =>
  layers[layer]?.name ?? String(layer)

export const OPENING_WORDS = { program: 'program', file: 'file', folder: 'folder', address: 'web' } as const
export const LIGHT_TEXT = {
  next: 'Next light',
  previous: 'Previous light',
  brighter: 'Light brighter',
  dimmer: 'Light dimmer',
  off: 'Light off',
} as const

/** `1 h 5 min 30 s`, without the parts that are none. */
export function durationText(seconds: number): string {
  const parts: [number, string][] = [
    [Math.floor(seconds / 3600), 'h'],
    [Math.floor(seconds / 60) % 60, 'min'],
    [seconds % 60, 's'],
  ]
  return parts
    .filter(([amount]) => amount > 0)
    .map(([amount, unit]) => `${amount} ${unit}`)
    .join(' ')
}

/** Line ends, tabs, quotes and the backslash itself as a person can type them in one line. */
const escaped = (text: string): string =>
  text
    .replaceAll(/[\\“”"]/g, '\\$&')
    .replaceAll('\n', '\\n')
    .replaceAll('\t', '\\t')

export const doubled = (label: string): string => `Double ${label[0].toLowerCase()}${label.slice(1)}`

/** Family an action belongs to; the interface gives each family its colour. */
export type ActionFamily = 'binding' | 'macro' | 'motion' | 'light' | 'system'

export const actionFamily = ({ kind }: Action): ActionFamily => {
  if (kind === 'step' || kind === 'hold-step') return 'motion'
  if (kind === 'light' || kind === 'countdown') return 'light'
  if (kind === 'macro' || kind === 'macro-parts' || kind === 'stop-macros') return 'macro'
  return kind === 'slot' || kind === 'off' || kind === 'later' ? 'system' : 'binding'
}

/** A key action with its modifiers in the order of their usages, each once, and not the key itself. */
export function keyAction(code: string, modifiers: Iterable<string>): SingleAction {
  const held = new Set([...modifiers].filter((modifier) => modifier !== code))
  const sorted = MODIFIERS.filter((key) => held.has(key.code)).map((key) => key.code)
  return { kind: 'key', code, modifiers: sorted }
}

const MODIFIERS = KEY_USAGES.filter((key) => key.usage >= FIRST_MODIFIER_USAGE)

/** The keys a shortcut is on the computer of a context; undefined when it has none there, or none is said. */
export function shortcutKeys(id: string, { computer }: ActionContext): string | undefined {
  const shortcut = shortcutById(id)
  const chord = shortcut && chordOf(shortcut, computer)
  return chord && [...chord.modifiers, chord.code].map((code) => keyLegend(code, computer.layout)).join('+')
}
