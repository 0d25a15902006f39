import { itemAt } from '../../base/items'
import { codeByLegend, keyLegend, printedOn, type LayoutId } from '../../computer/layouts'
import type { SingleAction } from '../../document/schema'
import { KEY_USAGES, keyByCode, type KeyUsage } from '../../hid/keyboard-page'
import { isModifierUsage } from '../../hid/modifiers'
import { keyAction, type ActionContext } from '../context'
import { grammar, type Parsed, type Phrase } from './grammar'

const COMMON_CODES = ['Escape', 'Tab', 'Space', 'Enter', 'ShiftLeft', 'ControlLeft', 'AltLeft', 'MetaLeft']
const RARE_CODES = Array.from({ length: 12 }, (_, index) => `F${index + 13}`)

/** Reads what is nothing else: it comes last, and says what is wrong with what no kind could read. */
export const key = grammar<'key'>({
  family: 'binding',
  group: 'keys',
  write: ({ code, modifiers }, { computer }) =>
    [...modifiers, code].map((each) => keyLegend(each, computer.layout)).join('+'),
  offers(context) {
    const wanted = new Set([...COMMON_CODES, ...RARE_CODES].map((code) => keyByCode(code)?.code))
    return keyPhrases(context).filter(({ action }) => action.kind === 'key' && wanted.has(action.code))
  },
})

/** Every key by the legend of the layout and by its plain names. */
export const keyPhrases = ({ computer: { layout } }: ActionContext): Phrase[] =>
  KEY_USAGES.map(({ code, words }) => {
    const text = keyLegend(code, layout)
    return { text, words: [text.toLowerCase(), ...words], note: 'key', action: keyAction(code, []) }
  })

/** Reads a key, or a chord with its plus signs. */
export function readChord(text: string, typed: string, { computer: { layout } }: ActionContext): Parsed {
  const parts = splitChord(text)
  const keys = parts.map((part) => ({ part, ...keyByWords(part, layout) }))
  const strange = keys.find(({ key: found }) => !found)
  if (strange) {
    return {
      problem:
        strange.part === ''
          ? `“${typed}” ends in a plus sign: add the key, such as y`
          : `“${strange.part}” is not a key or an action`,
    }
  }
  const found = keys.flatMap(({ key: each, more }) => (each ? [{ key: each, more }] : []))
  const plain = found.filter(({ key: each }) => !isModifierUsage(each.usage))
  if (plain.length > 1) {
    const names = plain.map(({ key: each }) => keyLegend(each.code, layout)).join(' and ')
    return { problem: `One key at a time: ${names} together need a macro` }
  }
  const last = plain[0]?.key ?? itemAt(found, found.length - 1).key
  return {
    action: keyAction(
      last.code,
      found.flatMap(({ key: each, more }) => [each.code, ...more]),
    ),
  }
}

/** The same without them; `hold` before a key says nothing, for a key is down for as long as it is held. */
export function readLooseChord(text: string, typed: string, context: ActionContext): Parsed | undefined {
  const loose = text.replace(/^hold /, '').replace(/(?<=\S)[ -](?=\S)/g, '+')
  if (loose === text) return undefined
  const chord = readChord(loose, typed, context)
  return 'action' in chord && (text.startsWith('hold ') || isChord(chord.action)) ? chord : undefined
}

/** Whether it is more than a key by itself: two words that are keys are no chord. */
const isChord = (action: SingleAction): boolean => action.kind === 'key' && action.modifiers.length > 0

/** Splits at plus signs; a plus at the very end after another (`ctrl++`) is the key with the plus on it. */
export function splitChord(text: string): string[] {
  if (text === '+') return ['+']
  if (text.endsWith('++')) return [...text.slice(0, -2).split('+'), '+']
  return text.split('+')
}

/**
 * The key a word names: by what the layout prints on it, by its plain name, or by what it types with Shift or
 * AltGr, which then come with it.
 */
export function keyByWords(part: string, layout: LayoutId): { key?: KeyUsage; more: string[] } {
  const word = part.trim()
  const printed = KEY_USAGES.find(({ code }) => keyLegend(code, layout).toLowerCase() === word)
  if (printed) return { key: printed, more: [] }
  const plain = codeByLegend(word, layout)
  if (plain) return { key: keyByCode(plain), more: [] }
  // A word for a single sign (`minus`) means the US key only where the layout does not print that sign elsewhere.
  const named = KEY_USAGES.find(({ words }) => words.includes(word))
  if (named && !/^.$/u.test(word)) return { key: named, more: [] }
  if (word === '+') return { key: keyByCode('Equal'), more: [] }
  for (const [code, levels] of Object.entries(printedOn(layout))) {
    const level = levels.indexOf(word)
    if (level > 0) return { key: keyByCode(code), more: itemAt(MODIFIERS_OF_LEVEL, level) }
  }
  return { more: [] }
}

const MODIFIERS_OF_LEVEL = [[], ['ShiftLeft'], ['AltRight'], ['ShiftLeft', 'AltRight']]
