import type { ComputerSetUp } from '../../computer/shortcuts'
import type { DeviceModel } from '../../device/model'
import type { SingleName } from '../../document/action-schema'
import type { Macro } from '../../document/macro'
import type { Action, SingleAction } from '../../document/schema'
import type { ActionContext } from '../context'

/** Family an action belongs to; the interface gives each family its colour. */
export type ActionFamily = 'binding' | 'macro' | 'motion' | 'light' | 'system'

/** A whole action under one or more fixed wordings. */
export interface Phrase {
  text: string
  action: SingleAction
  /** What it is, in a word or two, beside the text. */
  note: string
  words: readonly string[]
}

/**
 * Actions as a person types them. What is written is read back as the same action; what a person types may be looser.
 */
export type ParsedAction<A extends Action = Action> =
  /** What it plays and the library has not: to be put there before it is bound. */
  { action: A; makes?: Macro } | UnreadText

/** Why a text is no action. With what else it says, the same text would be one. */
export interface UnreadText {
  problem: string
  /** The name of a layer that the profile could have. */
  layer?: string
  /** The name of a macro that the library could have. */
  macro?: string
  /** Computers for which the profile could be made instead, the best first. */
  computers?: readonly ComputerSetUp[]
}

export type Parsed = ParsedAction<SingleAction>

/** What was typed. */
export interface Typed {
  /** As it stands there, without spaces around. */
  raw: string
  /** The same without what does not matter: case, and more spaces than one. */
  text: string
  /** Reads a part of it as an action of any kind. */
  single(part: string): Parsed
  /** Reads a part of it as a colour, to #rrggbb; what knows every colour by name is not needed to write actions. */
  colour(part: string): string | undefined
}

/** How one kind of action is written and read in a cell, and where a person finds it. */
export interface Grammar<Name extends SingleName = SingleName> {
  family: ActionFamily
  /** The group that offers it, or undefined if it cannot be chosen. */
  group?: GroupId
  /** Whether a device has it, where not every one does. */
  isThere?(model: DeviceModel): boolean
  /** Its one text: reading it gives the same action in the same context. */
  write(action: Extract<SingleAction, { kind: Name }>, context: ActionContext): string
  /** Whole actions under fixed wordings, the same everywhere. */
  phrases?: readonly Phrase[]
  /** The same, where they depend on the context. */
  phrasesIn?(context: ActionContext): readonly Phrase[]
  /** What its group offers, where that is not all its phrases. */
  offers?(context: ActionContext): readonly Phrase[]
  /** Reads what no phrase says. @returns nothing for what is about another kind */
  read?(typed: Typed, context: ActionContext): Parsed | undefined
  /** It is read before phrases: whatever it begins with is its own. */
  readsFirst?: true
  /** Wordings whose rest only the person can type. */
  examples?: readonly { text: string; note: string }[]
}

/** Kinds of action as a person looks for one, in the order they are likely to want them. */
export const GROUPS = {
  keys: { label: 'Keys', about: 'A key or a chord: type it, or press it with F9' },
  pointer: { label: 'Pointer', about: 'Clicks, double clicks and scrolling' },
  shortcuts: { label: 'Shortcuts', about: 'Editing and desktop, in the keys of your system' },
  media: { label: 'Sound, media', about: 'Volume, playing, and what else computers have controls for' },
  steps: { label: 'Steps', about: 'The next step, a chosen one, or one while it is held' },
  layers: { label: 'Layers', about: 'Another layer while it is held, or switched on and off' },
  slots: { label: 'Slots', about: 'Another profile of those on the device' },
  macro: { label: 'Macro', about: 'Several things by one press, from the library of macros' },
  text: { label: 'Text', about: 'Types a text in the keys of your layout', begins: 'type “' },
  open: { label: 'Open…', about: 'A program, file, folder or web address', begins: 'open program ' },
  'tap-hold': { label: 'Tap and hold', about: 'Two actions on one input', begins: 'tap ' },
  light: { label: 'Light', about: 'Another effect, brighter, dimmer, off' },
  countdown: { label: 'Countdown', about: 'Ends in a light signal', begins: 'countdown 1 min 30 s' },
  off: { label: 'Off', about: 'Does nothing' },
} as const satisfies Record<string, { label: string; about: string; begins?: string }>

export type GroupId = keyof typeof GROUPS

/** Keeps the kind, so that what it writes has its type. */
export const grammar = <Name extends SingleName>(of: Grammar<Name>): Grammar<Name> => of
