import { message, type Message, type MessageFact } from '../../message/message'
import type { TargetComputer } from '../../computer/shortcuts'
import type { SingleName } from '../../document/action-schema'
import type { Macro } from '../../document/macro'
import type { Action, SingleAction } from '../../document/schema'
import type { ActionContext } from '../context'

/** The family of an action; each family has a colour in the interface. */
export type ActionFamily = 'binding' | 'macro' | 'motion' | 'light' | 'system'

/** A complete action with one or more fixed texts, in English besides its own text. */
export interface Phrase {
  action: SingleAction
  /** A short description next to the text. */
  note: MessageFact
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
  /** Whether a context has it, if not all do. */
  isThere?(context: ActionContext): boolean
  /** Its text, which is parsed as the same action in the same context. */
  write(action: Extract<SingleAction, { kind: Name }>, context: ActionContext): MessageFact
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
  /** Actions whose texts people complete themselves. */
  examples?: readonly { action: Action; note: MessageFact }[]
}

/** Groups of actions as people look for them, the most wanted first. */
export const ACTION_GROUPS = {
  commands: { label: message('actions.groupCommands'), about: message('actions.groupCommandsAbout') },
  keys: { label: message('actions.groupKeys'), about: message('actions.groupKeysAbout') },
  pointer: { label: message('actions.groupPointer'), about: message('actions.groupPointerAbout') },
  shortcuts: { label: message('actions.groupShortcuts'), about: message('actions.groupShortcutsAbout') },
  media: { label: message('actions.groupMedia'), about: message('actions.groupMediaAbout') },
  steps: { label: message('actions.groupSteps'), about: message('actions.groupStepsAbout') },
  layers: { label: message('actions.groupLayers'), about: message('actions.groupLayersAbout') },
  slots: { label: message('actions.groupSlots'), about: message('actions.groupSlotsAbout') },
  macro: { label: message('actions.groupMacro'), about: message('actions.groupMacroAbout') },
  text: {
    label: message('actions.groupText'),
    about: message('actions.groupTextAbout'),
    begins: message('actions.groupTextBegin'),
  },
  open: {
    label: message('actions.groupOpen'),
    about: message('actions.groupOpenAbout'),
    begins: message('actions.groupOpenBegin'),
  },
  'tap-hold': {
    label: message('actions.groupTapHold'),
    about: message('actions.groupTapHoldAbout'),
    begins: message('actions.groupTapHoldBegin'),
  },
  light: { label: message('actions.groupLight'), about: message('actions.groupLightAbout') },
  countdown: {
    label: message('actions.groupCountdown'),
    about: message('actions.groupCountdownAbout'),
    begins: message('actions.groupCountdownBegin'),
  },
  off: { label: message('actions.off'), about: message('actions.groupOffAbout') },
} as const satisfies Record<string, { label: Message; about: Message; begins?: Message }>

export type GroupId = keyof typeof ACTION_GROUPS

/** Keeps the kind, so that its writer has the right type. */
export const defineGrammar = <Name extends SingleName>(of: Grammar<Name>): Grammar<Name> => of
