import { factList, message, type TextOf } from '../../message/message'
import { itemAt } from '../../base/items'
import { memoizeByObject } from '../../base/memoize'
import { codeByLegend, keyLegend, printedLegends, type LayoutId } from '../../computer/layouts'
import type { SingleAction } from '../../document/schema'
import { KEY_USAGES, keyByCode, type KeyUsage } from '../../hid/keyboard-page'
import { isModifierUsage } from '../../hid/modifiers'
import { chordMessage, keyAction, type ActionContext } from '../context'
import { defineGrammar, type Parsed, type Phrase } from './grammar'

const COMMON_CODES = ['Escape', 'Tab', 'Space', 'Enter', 'ShiftLeft', 'ControlLeft', 'AltLeft', 'MetaLeft']
const RARE_CODES = Array.from({ length: 12 }, (_, index) => `F${index + 13}`)

/** Parses everything else. It comes last and explains what is wrong with unreadable texts. */
export const key = defineGrammar<'key'>({
  family: 'binding',
  group: 'keys',
  write: ({ code, modifiers }, { computer }) => chordMessage([...modifiers, code], computer.layout),
  offers(context) {
    const wanted = new Set([...COMMON_CODES, ...RARE_CODES].map((code) => keyByCode(code)?.code))
    return keyPhrases(context).filter(({ action }) => action.kind === 'key' && wanted.has(action.code))
  },
})

/** Every key by its legend on the layout and by its plain names. */
export const keyPhrases = ({ computer: { layout } }: ActionContext): Phrase[] =>
  KEY_USAGES.map(({ code, words }) => ({
    words: [...printedWords(code, layout), ...words],
    note: message('actions.keyNote'),
    action: keyAction(code, []),
  }))

/** The character on a key, in lower case; nothing for a key with a name. */
export function printedWords(code: string, layout: LayoutId): string[] {
  const legend = keyLegend(code, layout)
  return typeof legend === 'string' ? [legend.toLowerCase()] : []
}

/** Parses a key, or a chord with plus signs. */
export function readChord(text: string, typed: string, context: ActionContext): Parsed {
  const parts = splitChord(text)
  const keys = parts.map((part) => ({ part, ...keyByText(part, context) }))
  const strange = keys.find(({ key: found }) => !found)
  if (strange) {
    return {
      problem:
        strange.part === ''
          ? message('parse.endsWithPlus', { text: typed })
          : message('parse.notAKey', { text: strange.part }),
    }
  }
  const found = keys.flatMap(({ key: each, more }) => (each ? [{ key: each, more }] : []))
  const plain = found.filter(({ key: each }) => !isModifierUsage(each.usage))
  if (plain.length > 1) {
    const keys = factList(plain.map(({ key: each }) => keyLegend(each.code, context.computer.layout)))
    return { problem: message('parse.oneKey', { keys }) }
  }
  const last = plain[0]?.key ?? itemAt(found, found.length - 1).key
  return {
    action: keyAction(
      last.code,
      found.flatMap(({ key: each, more }) => [each.code, ...more]),
    ),
  }
}

/** The same without plus signs; `hold` before a key is ignored because a key is always held with its input. */
export function readLooseChord(text: string, typed: string, context: ActionContext): Parsed | undefined {
  const loose = text.replace(/^hold /, '').replace(/(?<=\S)[ -](?=\S)/g, '+')
  if (loose === text) return undefined
  const chord = readChord(loose, typed, context)
  return 'action' in chord && (text.startsWith('hold ') || isChord(chord.action)) ? chord : undefined
}

/** Whether it is more than a single key: two words that are keys do not form a chord. */
const isChord = (action: SingleAction): boolean => action.kind === 'key' && action.modifiers.length > 0

/** Splits at plus signs; a final plus after another (`ctrl++`) is the key with the plus sign. */
export function splitChord(text: string): string[] {
  if (text === '+') return ['+']
  if (text.endsWith('++')) return [...text.slice(0, -2).split('+'), '+']
  return text.split('+')
}

/**
 * The key for a word: its legend on the layout, its plain name, or the character it types with Shift or AltGr, which
 * are then included.
 */
export function keyByText(
  part: string,
  { computer: { layout }, textOf }: ActionContext,
): { key?: KeyUsage; more: string[] } {
  const word = part.trim()
  const named = textOf && keysByName(textOf).get(word)
  if (named) return { key: named, more: [] }
  const printed = KEY_USAGES.find(({ code }) => printedWords(code, layout).includes(word))
  if (printed) return { key: printed, more: [] }
  const plain = codeByLegend(word, layout)
  if (plain) return { key: keyByCode(plain), more: [] }
  // A word for a single character (`minus`) only means the US key if the layout does not have that character elsewhere.
  const english = KEY_USAGES.find(({ words }) => words.includes(word))
  if (english && !/^.$/u.test(word)) return { key: english, more: [] }
  if (word === '+') return { key: keyByCode('Equal'), more: [] }
  for (const [code, levels] of Object.entries(printedLegends(layout))) {
    const level = levels.indexOf(word)
    if (level > 0) return { key: keyByCode(code), more: itemAt(MODIFIERS_OF_LEVEL, level) }
  }
  return { more: [] }
}

/** The keys with names, by their names in a language in lower case. */
const keysByName = memoizeByObject(
  (textOf: TextOf): ReadonlyMap<string, KeyUsage> =>
    new Map(
      KEY_USAGES.flatMap((key) =>
        typeof key.legend === 'string' ? [] : [[textOf(key.legend).toLowerCase(), key] as const],
      ),
    ),
)

const MODIFIERS_OF_LEVEL = [[], ['ShiftLeft'], ['AltRight'], ['ShiftLeft', 'AltRight']]
