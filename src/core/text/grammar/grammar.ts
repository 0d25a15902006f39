import { type MessageFact } from '../../message/message'
import type { TargetComputer } from '../../computer/shortcuts'
import type { DeviceModel } from '../../device/model'
import type { SingleName } from '../../document/action-schema'
import type { Macro } from '../../document/macro'
import type { Action, SingleAction } from '../../document/schema'
import type { ActionContext } from '../context'

/** The family of an action; each family has a colour in the interface. */
export type ActionFamily = 'binding' | 'macro' | 'motion' | 'light' | 'system'

/** A complete action with one or more fixed texts. */
export interface Phrase {
  text: string
  action: SingleAction
  /** A short description next to the text. */
  note: string
  words: readonly string[]
}

/** Actions as people type them. Written texts are read back as the same action; people may type them more loosely. */
export type ParsedAction<A extends Action = Action> =
  /** A macro that the library does not have, to be created before binding. */
  { action: A; makes?: Macro } | ParseProblem

/** Why a text is not an action, and what would make it one. */
export interface ParseProblem {
  problem: MessageFact
  /** The name of a layer that could be added. */
  layer?: string
  /** The name of a macro that could be created. */
  macro?: string
  /** Other computers that would work, the best first. */
  computers?: readonly TargetComputer[]
}

export type Parsed = ParsedAction<SingleAction>

/** The typed text. */
export interface TypedText {
  /** Without surrounding spaces. */
  raw: string
  /** In lower case, with single spaces. */
  text: string
  /** Parses a part of it as an action of any kind. */
  single(part: string): Parsed
  /** Parses a part of it as a colour #rrggbb; writing actions does not need the names of colours. */
  colour(part: string): string | undefined
}

/** How one kind of action is written and parsed in a cell, and where people find it. */
export interface Grammar<Name extends SingleName = SingleName> {
  family: ActionFamily
  /** The group that offers it, or undefined if it cannot be selected. */
  group?: GroupId
  /** Whether a device has it, if not all do. */
  isThere?(model: DeviceModel): boolean
  /** Its text, which is parsed as the same action in the same context. */
  write(action: Extract<SingleAction, { kind: Name }>, context: ActionContext): string
  /** Complete actions with fixed texts, independent of the context. */
  phrases?: readonly Phrase[]
  /** The same, depending on the context. */
  phrasesIn?(context: ActionContext): readonly Phrase[]
  /** The actions its group offers, if these are not all its phrases. */
  offers?(context: ActionContext): readonly Phrase[]
  /** Parses texts without a phrase. @returns nothing for another kind */
  read?(typed: TypedText, context: ActionContext): Parsed | undefined
  /** It is parsed before phrases, because its beginning is unique. */
  readsFirst?: true
  /** Texts that people complete themselves. */
  examples?: readonly { text: string; note: string }[]
}

/** Groups of actions as people look for them, the most wanted first. */
export const ACTION_GROUPS = {
  keys: { label: 'Keys', about: 'A key or a chord. Type it, or press F9 and then the keys' },
  pointer: { label: 'Pointer', about: 'Clicks, double clicks and scrolling' },
  shortcuts: { label: 'Shortcuts', about: 'Editing and desktop shortcuts, as keys of your operating system' },
  media: { label: 'Sound and media', about: 'Volume, playback and other media keys' },
  steps: { label: 'Steps', about: 'The next DPI step, a selected one, or one while held' },
  layers: { label: 'Layers', about: 'Another layer while held, or toggled' },
  slots: { label: 'Slots', about: 'Another profile on the device' },
  macro: { label: 'Macro', about: 'Several inputs with one press, from your macros' },
  text: { label: 'Text', about: 'Types a text on your keyboard layout', begins: 'type “' },
  open: { label: 'Open…', about: 'A program, file, folder or web address', begins: 'open program ' },
  'tap-hold': { label: 'Tap and hold', about: 'Two actions on one input', begins: 'tap ' },
  light: { label: 'Light', about: 'Another effect, brighter, dimmer, off' },
  countdown: { label: 'Countdown', about: 'Ends in a light signal', begins: 'countdown 1 min 30 s' },
  off: { label: 'Off', about: 'Does nothing' },
} as const satisfies Record<string, { label: string; about: string; begins?: string }>

export type GroupId = keyof typeof ACTION_GROUPS

/** Keeps the kind, so that its writer has the right type. */
export const defineGrammar = <Name extends SingleName>(of: Grammar<Name>): Grammar<Name> => of
