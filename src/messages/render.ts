import type { FactList, MessageFact, TextOf } from '../core/message/message'

/** Looks up a message with rendered facts. `count` selects the plural form. */
type Translate = (key: string, facts: Record<string, string | number>, count: number | undefined) => string

/**
 * Creates the function that turns messages of the core into texts, for pages, the command line and tests.
 *
 * @param translate looks up a text in the catalogue
 * @param locale of numbers and lists
 */
export function renderer(translate: Translate, locale: () => string): TextOf {
  const known = new Map<string, string>()
  const isList = (fact: MessageFact): fact is FactList => typeof fact === 'object' && 'items' in fact
  return function textOf(fact: MessageFact): string {
    if (typeof fact === 'string') return fact
    if (typeof fact === 'number') return numberFormat(locale()).format(fact)
    if (isList(fact)) return joinList(fact.items.map(textOf), fact.join, locale())
    const { key, facts = {} } = fact
    const texts = Object.fromEntries(Object.entries(facts).map(([name, each]) => [name, textOf(each)]))
    const id = [locale(), key, ...Object.values(texts)].join('\u0001')
    const found = known.get(id)
    if (found !== undefined) return found
    const text = translate(key, texts, typeof facts.count === 'number' ? facts.count : undefined)
    if (known.size >= MAX_KNOWN) known.clear()
    // A missing message may be loaded later.
    if (text !== key) known.set(id, text)
    return text
  }
}

/** Number of texts that are kept: the labels of a keyboard are made again with each edit, and few of them change. */
const MAX_KNOWN = 4000

/** British English has no comma before the last “and”. */
export const listLocale = (locale: string): string => (locale === 'en' ? 'en-GB' : locale)

const SEPARATORS: Partial<Record<FactList['join'], string>> = {
  comma: ', ',
  plus: '+',
  space: ' ',
}

function joinList(items: readonly string[], join: FactList['join'], locale: string): string {
  const separator = SEPARATORS[join]
  if (separator !== undefined) return items.join(separator)
  const type = join === 'and' ? 'conjunction' : 'disjunction'
  return listFormat(listLocale(locale), type).format(items)
}

/** Formats take long to create, so there is one for each locale. Four digits have no separator: 3000, but 20,000. */
const numberFormat = memoized((locale) => new Intl.NumberFormat(locale, { useGrouping: 'min2' }))
const conjunction = memoized((locale) => new Intl.ListFormat(locale, { type: 'conjunction' }))
const disjunction = memoized((locale) => new Intl.ListFormat(locale, { type: 'disjunction' }))
const listFormat = (locale: string, type: 'conjunction' | 'disjunction') =>
  (type === 'conjunction' ? conjunction : disjunction)(locale)

function memoized<Format>(create: (locale: string) => Format): (locale: string) => Format {
  const made = new Map<string, Format>()
  return (locale) => {
    const format = made.get(locale) ?? create(locale)
    made.set(locale, format)
    return format
  }
}
