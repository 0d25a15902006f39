import { formatMessage } from '../base/tables'
import { layoutName, macKind, type LayoutId } from '../computer/layouts'
import { OPERATING_SYSTEM_NAMES, type OperatingSystem } from '../computer/shortcuts'
import { computerNames } from '../computer/typing'
import type { SettingProblem } from '../document/device-settings'
import { factList, message, type Message, type MessageFact } from '../message/message'
import { budgetMessage, problemMessage, type ShownProblem } from '../wording/problem-messages'
import { MIN_DISTINCT_DELTA } from '../light/distinct-colours'
import type { DpiProblem } from '../motion/steps'
import type { BudgetProblem } from '../onboard/macro-budget'

/** The messages of findings, by their keys and facts. */

/** An input by its name, with the name of its layer above the base layer. */
export interface NamedInput {
  input: MessageFact
  layer?: string
}
/** A finding about the cell `where`. */
interface Placed {
  where: NamedInput
}
interface OnModel {
  model: string
}
interface OfEffect {
  effect: MessageFact
}
/** The smallest colour difference, and the colour vision that sees it. */
interface Difference {
  delta: number
  vision: MessageFact
}
type Computer = { system?: OperatingSystem | undefined; layout: LayoutId }

/** `Side, rear`, or `Side, rear in Dive`. */
export const inputPlaceName = ({ input, layer }: NamedInput): MessageFact =>
  layer === undefined ? input : message('checks.inputPlace', { input, layer })

const some = (characters: readonly string[]): string => characters.slice(0, 5).join(' ')
const differing = ({ delta, vision }: Difference) => ({ delta: Math.round(delta), vision })

export const FINDING_MESSAGES = {
  'left-click': () => message('checks.leftClick'),
  input: (facts: OnModel & { input: string }) => message('checks.input', facts),
  'no-sensor': ({ where, model }: Placed & OnModel) =>
    message('checks.noSensor', { where: inputPlaceName(where), model }),
  'chosen-step': ({ where, ...facts }: Placed & { step: number; steps: number }) =>
    message('checks.chosenStep', { where: inputPlaceName(where), ...facts }),
  'chosen-slot': ({ where, ...facts }: Placed & OnModel & { slot: number; slots: number }) =>
    message('checks.chosenSlot', { where: inputPlaceName(where), ...facts }),
  'system-opening': ({ where }: Placed) => message('checks.systemOpening', { where: inputPlaceName(where) }),
  'system-shortcut': ({ where, shortcut }: Placed & { shortcut: MessageFact }) =>
    message('checks.systemShortcut', { where: inputPlaceName(where), shortcut }),
  shortcut: ({ where, shortcut, system }: Placed & { shortcut: MessageFact; system: OperatingSystem }) =>
    message('checks.shortcut', {
      where: inputPlaceName(where),
      shortcut,
      system: OPERATING_SYSTEM_NAMES[system],
    }),
  untypable: ({ where, characters, computer }: Placed & { characters: string[]; computer: Computer }) =>
    message('checks.untypable', {
      where: inputPlaceName(where),
      characters: some(characters),
      ...computerNames(computer),
    }),
  'mac-characters': ({ where, characters, layout }: Placed & { characters: string[]; layout: LayoutId }) =>
    message('checks.macCharacters', {
      where: inputPlaceName(where),
      characters: some(characters),
      kind: macKind(layout),
    }),
  'same-name': ({ where, first, name }: Placed & { first: NamedInput; name: string }) =>
    message('checks.sameName', { name, first: inputPlaceName(first), where: inputPlaceName(where) }),
  'connection-input': ({
    where,
    connection,
    because,
  }: Placed & { connection: MessageFact; because: MessageFact }) =>
    message('checks.connectionInput', { where: inputPlaceName(where), connection, because }),

  'command-no-key': ({ where, command }: Placed & { command: string }) =>
    message('checks.commandNoKey', { where: inputPlaceName(where), command }),
  'command-deleted': ({ where, ...facts }: Placed & { command: string; program: string }) =>
    message('checks.commandDeleted', { where: inputPlaceName(where), ...facts }),
  'command-outdated': ({ where, command }: Placed & { command: string }) =>
    message('checks.commandOutdated', { where: inputPlaceName(where), command }),
  'command-hold': ({ where, command }: Placed & { command: string }) =>
    message('checks.commandHold', { where: inputPlaceName(where), command }),
  'macro-command': (facts: { macro: string; command: string }) => message('checks.macroCommand', facts),

  'unreachable-layer': (facts: { layer: string }) => message('checks.unreachableLayer', facts),
  layer: ({ where, layer }: Placed & { layer: number }) =>
    message('checks.layer', { where: inputPlaceName(where), layer }),
  'layer-key-held': (facts: { input: MessageFact; layer: string }) => message('checks.layerKeyHeld', facts),
  'layer-key-switch': (facts: { input: MessageFact; layer: string }) =>
    message('checks.layerKeySwitch', facts),
  signal: (facts: OnModel & { layer: string; signal: number }) => message('checks.signal', facts),

  zone: (facts: OnModel & OfEffect & { zone: string }) => message('checks.zone', facts),
  light: (facts: OnModel & OfEffect & { light: string }) => message('checks.light', facts),
  nowhere: (facts: OfEffect) => message('checks.nowhere', facts),
  effect: (problem: ShownProblem) => problemMessage(problem),
  'light-layer': (facts: OfEffect & { layer: number }) => message('checks.lightLayer', facts),
  'light-macro': (facts: OfEffect) => message('checks.lightMacro', facts),
  'light-connection': (facts: OnModel & OfEffect & { connection: string }) =>
    message('checks.lightConnection', facts),
  'light-input': (facts: OnModel & OfEffect & { input: string }) => message('checks.lightInput', facts),
  battery: (facts: OnModel & OfEffect) => message('checks.battery', facts),
  covered: (facts: OfEffect) => message('checks.covered', facts),
  'gauge-colours': ({ effect, ...difference }: Difference & OfEffect) =>
    message('checks.gaugeColours', { effect, ...differing(difference), min: MIN_DISTINCT_DELTA }),
  'layer-colours': ({
    effect,
    layers: [one, other],
    ...difference
  }: Difference & OfEffect & { layers: [string, string] }) =>
    message('checks.layerColours', { effect, one, other, ...differing(difference) }),

  'macro-missing': ({ where }: Placed) => message('checks.macroMissing', { where: inputPlaceName(where) }),
  'macro-circle': ({ where, macros }: Placed & { macros: string[] }) =>
    macros.length > 2
      ? message('checks.macroCycle', {
          where: inputPlaceName(where),
          macros: factList([...new Set(macros)]),
        })
      : message('checks.macroPlaysItself', { where: inputPlaceName(where), macro: macros[0] ?? '' }),
  'macro-text': ({
    macro,
    characters,
    computer,
  }: {
    macro: string
    characters: string[]
    computer: Computer
  }) => message('checks.macroText', { macro, characters: some(characters), ...computerNames(computer) }),
  'macro-budget': ({ where, macro, problem }: Placed & { macro: string; problem: BudgetProblem }) =>
    message('checks.macroBudget', { where: inputPlaceName(where), problem: budgetMessage(macro, problem) }),
  'macro-unread': ({ where, ...facts }: Placed & { macro: string; within: string }) =>
    message('checks.macroUnread', { where: inputPlaceName(where), ...facts }),
  'macro-unplayed': ({ where, macro }: Placed & { macro: string }) =>
    message('checks.macroUnplayed', { where: inputPlaceName(where), macro }),
  'macro-left-down': ({ where, macro, keys }: Placed & { macro: string; keys: number }) =>
    message('checks.macroLeftDown', { where: inputPlaceName(where), macro, count: keys }),
  macros: (facts: OnModel & { macros: number; max: number }) => message('checks.macros', facts),

  'play-repeats': ({ where }: Placed) => message('checks.playRepeats', { where: inputPlaceName(where) }),
  'play-several': ({ where }: Placed) => message('checks.playSeveral', { where: inputPlaceName(where) }),

  'steps-no-sensor': (facts: OnModel & { steps: number }) => message('checks.stepsNoSensor', facts),
  'steps-none': () => message('checks.stepsNone'),
  steps: (facts: OnModel & { steps: number; max: number }) => message('checks.steps', facts),
  step: ({ step, dpi, problem }: { step: number; dpi: number; problem: DpiProblem }) =>
    message('checks.step', { step, dpi, problem: problemMessage(problem) }),
  'step-axes': (facts: OnModel & { step: number }) => message('checks.stepAxes', facts),
  'default-step': (facts: { step: number }) => message('checks.defaultStep', facts),
  'same-step': ({ steps: [one, other], dpi }: { steps: [number, number]; dpi: string }) =>
    message('checks.sameStep', { one, other, dpi }),
  'step-colours': ({ steps: [one, other], ...difference }: Difference & { steps: [number, number] }) =>
    message('checks.stepColours', { one, other, ...differing(difference), min: MIN_DISTINCT_DELTA }),
  setting: (problem: SettingProblem) => problemMessage(problem),
  'slot-keys-same': () => message('checks.slotKeysSame'),
  'slot-keys-one': () => message('checks.slotKeysOne'),
  connection: (facts: OnModel & { connection: string }) => message('checks.connection', facts),
  rate: ({
    connection,
    rate,
    rates,
  }: {
    connection: MessageFact
    rate: number | undefined
    rates: readonly number[]
  }) =>
    rate === undefined
      ? message('checks.noRate', { connection, rates: factList(rates, 'or') })
      : message('checks.rate', { connection, rate, rates: factList(rates) }),

  size: ({
    binding: { where, bytes: bindingBytes },
    macro,
    ...facts
  }: OnModel & {
    bytes: number
    over: number
    binding: { where: NamedInput; bytes: number }
    macro: { name: string; bytes: number } | undefined
  }) => {
    const largest = { ...facts, binding: inputPlaceName(where), bindingBytes }
    return macro
      ? message('checks.sizeWithMacro', { ...largest, macro: macro.name, macroBytes: macro.bytes })
      : message('checks.size', largest)
  },
  names: (facts: OnModel & { bytes: number }) => message('checks.names', facts),
}

/** Labels of the fixes of a finding. */
export const FIX_MESSAGES = {
  factory: () => message('checks.resetToFactory'),
  below: () => message('checks.inheritFromBelow'),
  clear: () => message('checks.clearCell'),
  'clear-place': ({ where, bytes }: Placed & { bytes: number }) =>
    message('checks.clearPlace', { where: inputPlaceName(where), bytes }),
  remove: () => message('checks.remove'),
  'keep-key': () => message('checks.keepKey'),
  'refresh-commands': () => message('checks.refreshCommands'),
  'left-click': (facts: { input: MessageFact }) => message('checks.bindLeftClick', facts),
  system: ({ system }: { system: OperatingSystem }) =>
    message('checks.setSystem', { system: OPERATING_SYSTEM_NAMES[system] }),
  layout: ({ layout }: { layout: LayoutId }) => message('checks.setLayout', { layout: layoutName(layout) }),
  unname: ({ where }: Placed) => message('checks.removeName', { where: inputPlaceName(where) }),
  'remove-layer': () => message('checks.removeLayer'),
  'leave-alone': (facts: { layer: string }) => message('checks.inheritInLayer', facts),
  'gauge-low': (facts: { colour: string }) => message('checks.changeLowColour', facts),
  'play-once': () => message('checks.playOnce'),
  'step-colour': (facts: { step: number; colour: string }) => message('checks.changeStepColour', facts),
}

/** Problems of app rules. */
export const APP_RULE_MESSAGES = {
  'no-program': () => message('checks.ruleNoProgram'),
  never: (facts: { rule: number }) => message('checks.ruleNever', facts),
  'no-change': () => message('checks.ruleNoChange'),
  twice: (facts: OnModel) => message('checks.ruleTwice', facts),
  'no-profile': (facts: { profile: string }) => message('checks.ruleNoProfile', facts),
  'not-for': (facts: OnModel & { profile: string }) => message('checks.ruleNotFor', facts),
  'in-no-slot': (facts: OnModel & { profile: string }) => message('checks.ruleInNoSlot', facts),
  'no-slot': (facts: OnModel & { slot: number; slots: number }) => message('checks.ruleNoSlot', facts),
  'empty-slot': (facts: OnModel & { slot: number }) => message('checks.ruleEmptySlot', facts),
}

export type AppRuleKey = keyof typeof APP_RULE_MESSAGES
export type FindingKey = keyof typeof FINDING_MESSAGES
export type FixKey = keyof typeof FIX_MESSAGES
type Messages = Record<string, (facts: never) => Message>
/** Facts for the message of a key; none for some. */
export type FactsOf<M extends Messages, Key extends keyof M> =
  Parameters<M[Key]> extends [infer Facts] ? Facts : undefined

/** The message of a finding. */
export const findingMessage = ({ rule, facts }: { rule: FindingKey; facts: unknown }): Message =>
  formatMessage(FINDING_MESSAGES, rule, facts)

/** The message of a finding about app rules. */
export const ruleMessage = ({ key, facts }: { key: AppRuleKey; facts: unknown }): Message =>
  formatMessage(APP_RULE_MESSAGES, key, facts)

/** The label of a fix. */
export const fixMessage = ({ key, facts }: { key: FixKey; facts: unknown }): Message =>
  formatMessage(FIX_MESSAGES, key, facts)
