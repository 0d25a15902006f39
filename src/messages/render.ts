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
  const isList = (fact: MessageFact): fact is FactList => typeof fact === 'object' && 'items' in fact
  return function textOf(fact: MessageFact): string {
    if (typeof fact === 'string') return fact
    // Four digits have no separator: 3000 Hz, but 20,000 events.
    if (typeof fact === 'number') return fact.toLocaleString(locale(), { useGrouping: 'min2' })
    if (isList(fact)) return joinList(fact.items.map(textOf), fact.join, locale())
    const { key, facts = {} } = fact
    const texts = Object.fromEntries(Object.entries(facts).map(([name, each]) => [name, textOf(each)]))
    return translate(key, texts, typeof facts.count === 'number' ? facts.count : undefined)
  }
}

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
  return new Intl.ListFormat(listLocale(locale), { type }).format(items)
}
