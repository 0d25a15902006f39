import { message } from '../message/message'
import { definitionIn, keysOf } from '../base/tables'
import { LoweringError } from '../base/errors'
import type { ActionName, ImageAction } from '../actions/registry'
import { fromHexBytes, toHexBytes } from '../base/bytes'
import type { Parameters } from '../base/parameters'
import { actionRecord } from '../actions/records'
import { lowerLaunch, raiseLaunch } from '../computer/launches'
import { chordOf, shortcutById, shortcutByNumber, type TargetComputer } from '../computer/shortcuts'
import { modifierBits, textOfStrokes, typeText } from '../computer/typing'
import { consumerById, consumerByUsage } from '../hid/consumer-page'
import { keyByCode, keyByUsage, MODIFIER_CODES } from '../hid/keyboard-page'
import type { CommandKey } from './command-key'
import type { DocumentValues } from './parameter-schema'

/** Maximum number of characters of a typed text or an opening target. */
export const MAX_TEXT_CHARACTERS = 500

/** Maximum number of characters of the label of a command, with its group. */
const MAX_LABEL_CHARACTERS = 100

/** An action that a document describes differently from a device. Its form on the device depends on the computer. */
interface WordedAction<Ps extends Parameters> {
  /** Its form on a device. */
  of: ActionName | 'unknown'
  parameters: Ps
  /** @throws LoweringError if the computer has no keys for it; the checks report such actions earlier */
  lower(values: DocumentValues<Ps>, computer: TargetComputer): ImageAction
  /** The reverse, or undefined if it cannot be expressed; the result is validated. */
  raise(action: ImageAction, computer: TargetComputer): DocumentValues<Ps> | undefined
}

const wordedAction = <const Ps extends Parameters>(kind: WordedAction<Ps>): WordedAction<Ps> => kind

/** The device's action it is raised from, with its own type. */
const from =
  <K extends ImageAction['kind'], Values>(
    kind: K,
    raise: (action: Extract<ImageAction, { kind: K }>, computer: TargetComputer) => Values | undefined,
  ) =>
  (action: ImageAction, computer: TargetComputer): Values | undefined =>
    // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- the kinds were just compared
    action.kind === kind ? raise(action as Extract<ImageAction, { kind: K }>, computer) : undefined

/**
 * All actions that documents write in their own terms. If several have the same device form, the first that fits is
 * used.
 */
export const DOCUMENT_ACTIONS = {
  shortcut: wordedAction({
    of: 'key',
    parameters: { shortcut: { kind: 'shortcut' } },
    lower({ shortcut: id }, computer) {
      const shortcut = shortcutById(id)
      const chord = shortcut && chordOf(shortcut, computer)
      if (!chord)
        throw new LoweringError(message('checks.noKeysOnSystem', { shortcut: shortcut?.label ?? id }))
      const [usage, modifiers] = [usageOf(chord.code), modifierBits(chord.modifiers)]
      return { kind: 'key', usage, modifiers, shortcut: shortcut.number }
    },
    // Its number only counts while its keys still match those of that system.
    raise: from('key', ({ usage, modifiers, shortcut }, computer) => {
      const named = shortcut === undefined ? undefined : shortcutByNumber(shortcut)
      const chord = named && chordOf(named, computer)
      return chord && usageOf(chord.code) === usage && modifierBits(chord.modifiers) === modifiers
        ? { shortcut: named.id }
        : undefined
    }),
  }),
  key: wordedAction({
    of: 'key',
    parameters: { code: { kind: 'key' }, modifiers: { kind: 'modifiers' } },
    lower: ({ code, modifiers }) => ({
      kind: 'key',
      usage: usageOf(code),
      modifiers: modifierBits(modifiers),
    }),
    raise: from('key', ({ usage, modifiers }) => {
      const key = keyByUsage(usage)
      return key && { code: key.code, modifiers: modifierCodes(modifiers) }
    }),
  }),
  scroll: wordedAction({
    of: 'scroll',
    parameters: {
      direction: { kind: 'choice', of: ['up', 'down', 'left', 'right'] },
      amount: { kind: 'number', as: 'byte', min: 1, max: 100 },
    },
    lower({ direction, amount }) {
      const counts = direction === 'up' || direction === 'right' ? amount : -amount
      const vertical = direction === 'up' || direction === 'down'
      return { kind: 'scroll', wheel: vertical ? counts : 0, pan: vertical ? 0 : counts }
    },
    raise: from('scroll', ({ wheel, pan }) =>
      wheel !== 0
        ? { direction: wheel > 0 ? 'up' : 'down', amount: Math.abs(wheel) }
        : { direction: pan > 0 ? 'right' : 'left', amount: Math.abs(pan) },
    ),
  }),
  control: wordedAction({
    of: 'consumer',
    parameters: { control: { kind: 'control' } },
    lower: ({ control }) => ({ kind: 'consumer', usage: consumerById(control)?.usage ?? 0 }),
    raise: from('consumer', ({ usage }) => {
      const control = consumerByUsage(usage)
      return control && { control: control.id }
    }),
  }),
  text: wordedAction({
    of: 'strokes',
    parameters: { text: { kind: 'text', max: MAX_TEXT_CHARACTERS } },
    lower: ({ text }, computer) => ({ kind: 'strokes', purpose: 'text', strokes: typeText(text, computer) }),
    raise: from('strokes', ({ purpose, strokes }, computer) => {
      const text = purpose === 'text' ? textOfStrokes(strokes, computer) : ''
      return text === '' || text.length > MAX_TEXT_CHARACTERS ? undefined : { text }
    }),
  }),
  open: wordedAction({
    of: 'strokes',
    parameters: {
      what: { kind: 'choice', of: ['program', 'file', 'folder', 'address'] },
      target: { kind: 'text', max: MAX_TEXT_CHARACTERS, oneLine: true },
    },
    lower(opening, { system, layout }) {
      if (!system) throw new LoweringError(message('checks.openNeedsSystem'))
      return { kind: 'strokes', purpose: opening.what, strokes: lowerLaunch(opening, system, layout) }
    },
    raise: from('strokes', ({ purpose, strokes }, { system, layout }) => {
      const opening = purpose !== 'text' && system ? raiseLaunch(purpose, strokes, system, layout) : undefined
      return opening && opening.target.length <= MAX_TEXT_CHARACTERS && !/^$|[\n\r\t]/.test(opening.target)
        ? opening
        : undefined
    }),
  }),
  /** A command of a program. The reference has the command's last known name and key, so that it works without the list. */
  command: wordedAction({
    of: 'key',
    parameters: {
      program: { kind: 'id' },
      command: { kind: 'id' },
      name: { kind: 'text', max: MAX_LABEL_CHARACTERS, oneLine: true },
      key: { kind: 'command-key', optional: true },
    },
    lower: ({ name, key }, computer) => lowerCommandKey(name, key, computer),
    // A device stores only the key. Where the list of the program says so, it is linked again (edits/commands.ts).
    raise: () => undefined,
  }),
  /** A record that profiles of this version cannot express: kept byte for byte, and shown as such. */
  later: wordedAction({
    of: 'unknown',
    parameters: { code: { kind: 'number', as: 'byte', min: 0, max: 31 }, bytes: { kind: 'bytes' } },
    lower: ({ code, bytes }) => ({ kind: 'unknown', code, payload: [...fromHexBytes(bytes)] }),
    raise(action) {
      const { code, payload } = actionRecord(action)
      return { code, bytes: toHexBytes(payload) }
    },
  }),
} as const

export type DocumentActionName = keyof typeof DOCUMENT_ACTIONS

export const DOCUMENT_ACTION_NAMES = keysOf(DOCUMENT_ACTIONS)

/** The definition of an action that documents describe differently from devices. */
export const documentAction = (name: DocumentActionName): WordedAction<Parameters> =>
  definitionIn(DOCUMENT_ACTIONS, name)

/** The device's action for the key of a command. @throws LoweringError for a command without a key */
export function lowerCommandKey(
  name: string,
  key: CommandKey | undefined,
  computer: TargetComputer,
): ImageAction {
  switch (key?.kind) {
    case 'key':
      return DOCUMENT_ACTIONS.key.lower(key, computer)
    case 'button':
      return key
    case 'scroll':
      return DOCUMENT_ACTIONS.scroll.lower(key, computer)
    case undefined:
      throw new LoweringError(message('checks.commandWithoutKey', { command: name }))
  }
}

const usageOf = (code: string): number => keyByCode(code)?.usage ?? 0

const modifierCodes = (bits: number): string[] => MODIFIER_CODES.filter((_, bit) => bits & (1 << bit))
