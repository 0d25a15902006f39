import { definitionIn, keysOf } from '../base/tables'
import { LoweringError } from '../base/refusal'
import type { ActionName, ImageAction } from '../actions/registry'
import { fromHexBytes, toHexBytes } from '../base/bytes'
import type { Parameters } from '../base/parameters'
import { actionRecord } from '../actions/records'
import { lowerOpening, raiseOpening } from '../computer/openings'
import { chordOf, shortcutById, shortcutByNumber, type ComputerSetUp } from '../computer/shortcuts'
import { modifierBits, typedBy, typeText } from '../computer/typing'
import { consumerById, consumerByUsage } from '../hid/consumer-page'
import { KEY_USAGES, keyByCode, keyByUsage } from '../hid/keyboard-page'
import { FIRST_MODIFIER_USAGE } from '../hid/modifiers'
import type { DocumentValues } from './parameter-schema'

/** Characters a typed text or the target of an opening may have. */
export const MOST_TEXT = 500

/** An action that a document describes differently from a device. Its form on the device depends on the computer. */
interface WordedAction<Ps extends Parameters> {
  /** What it becomes on a device. */
  of: ActionName | 'unknown'
  parameters: Ps
  /** @throws LoweringError where the computer has no keys for it; the checks find such actions before */
  lower(values: DocumentValues<Ps>, computer: ComputerSetUp): ImageAction
  /** The reverse, or undefined for what it does not say; the gate judges what comes back. */
  raise(action: ImageAction, computer: ComputerSetUp): DocumentValues<Ps> | undefined
}

const wordedAction = <const Ps extends Parameters>(kind: WordedAction<Ps>): WordedAction<Ps> => kind

/** The device's action it is made from, with its own type. */
const from =
  <K extends ImageAction['kind'], Values>(
    kind: K,
    raise: (action: Extract<ImageAction, { kind: K }>, computer: ComputerSetUp) => Values | undefined,
  ) =>
  (action: ImageAction, computer: ComputerSetUp): Values | undefined =>
    // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- the kinds were just compared
    action.kind === kind ? raise(action as Extract<ImageAction, { kind: K }>, computer) : undefined

/** Every action a document says in its own words. Of those that become the same, the first that can be is raised. */
export const WORDED = {
  shortcut: wordedAction({
    of: 'key',
    parameters: { shortcut: { kind: 'shortcut' } },
    lower({ shortcut: id }, computer) {
      const shortcut = shortcutById(id)
      const chord = shortcut && chordOf(shortcut, computer)
      if (!chord) throw new LoweringError(`${shortcut?.label ?? id} has no keys there`)
      const [usage, modifiers] = [usageOf(chord.code), modifierBits(chord.modifiers)]
      return { kind: 'key', usage, modifiers, shortcut: shortcut.number }
    },
    // Its number counts only while its keys are still those of that system.
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
      amount: { kind: 'number', as: 'byte', least: 1, most: 100 },
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
    parameters: { text: { kind: 'text', most: MOST_TEXT } },
    lower: ({ text }, computer) => ({ kind: 'strokes', purpose: 'text', strokes: typeText(text, computer) }),
    raise: from('strokes', ({ purpose, strokes }, computer) => {
      const text = purpose === 'text' ? typedBy(strokes, computer) : ''
      return text === '' || text.length > MOST_TEXT ? undefined : { text }
    }),
  }),
  open: wordedAction({
    of: 'strokes',
    parameters: {
      what: { kind: 'choice', of: ['program', 'file', 'folder', 'address'] },
      target: { kind: 'text', most: MOST_TEXT, oneLine: true },
    },
    lower(opening, { system, layout }) {
      if (!system) throw new LoweringError('an opening needs an operating system')
      return { kind: 'strokes', purpose: opening.what, strokes: lowerOpening(opening, system, layout) }
    },
    raise: from('strokes', ({ purpose, strokes }, { system, layout }) => {
      const opening =
        purpose !== 'text' && system ? raiseOpening(purpose, strokes, system, layout) : undefined
      return opening && opening.target.length <= MOST_TEXT && !/^$|[\n\r\t]/.test(opening.target)
        ? opening
        : undefined
    }),
  }),
  /** A record that no profile of this version can say: kept byte for byte, and shown as what it is. */
  later: wordedAction({
    of: 'unknown',
    parameters: { code: { kind: 'number', as: 'byte', least: 0, most: 31 }, bytes: { kind: 'bytes' } },
    lower: ({ code, bytes }) => ({ kind: 'unknown', code, payload: [...fromHexBytes(bytes)] }),
    raise(action) {
      const { code, payload } = actionRecord(action)
      return { code, bytes: toHexBytes(payload) }
    },
  }),
} as const

export type WordedName = keyof typeof WORDED

export const WORDED_NAMES = keysOf(WORDED)

/** The definition of an action that documents describe differently from devices. */
export const wordedKind = (name: WordedName): WordedAction<Parameters> => definitionIn(WORDED, name)

const usageOf = (code: string): number => keyByCode(code)?.usage ?? 0

const modifierCodes = (bits: number): string[] =>
  KEY_USAGES.filter(
    ({ usage }) => usage >= FIRST_MODIFIER_USAGE && bits & (1 << (usage - FIRST_MODIFIER_USAGE)),
  ).map(({ code }) => code)
