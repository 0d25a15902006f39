import { createI18n } from 'vue-i18n'
import type { Fact } from './facts/fact'
import type { FactsOf, MessageKey } from './message'
import { listLocale, renderer } from './render'

type AreaMessages = Record<string, string>

/** The files of messages, by locale and area. */
const FILES = import.meta.glob<AreaMessages>('./*/*.json', { import: 'default' })

const english = new Intl.PluralRules('en')

const i18n = createI18n({
  legacy: false,
  locale: 'en',
  messages: { en: {} },
  missing: (locale, key) => console.error(`There is no message ${key} in ${locale}`),
  pluralRules: { en: (count: number) => (english.select(count) === 'one' ? 0 : 1) },
})

const fetched = new Map<string, Promise<void>>()

/** Fetches the messages of one area once; after a failure, again on the next request. */
function loadArea(area: string, locale: string): Promise<void> {
  const file = `./${locale}/${area}.json`
  const known = fetched.get(file)
  if (known) return known
  const fetchFile = FILES[file]
  if (!fetchFile) throw new Error(`no messages for ${area}`)
  const loading = fetchFile().then((messages) => i18n.global.mergeLocaleMessage(locale, { [area]: messages }))
  fetched.set(file, loading)
  loading.catch(() => fetched.delete(file))
  return loading
}

/**
 * Fetches the messages of some areas, unless they are loaded already.
 *
 * @param areas file names in `src/messages/en`
 */
export async function loadMessages(areas: readonly string[], locale = 'en'): Promise<void> {
  await Promise.all(areas.map((area) => loadArea(area, locale)))
}

/** Loads a module together with the messages of its areas. */
export const withMessages =
  <Module>(areas: readonly string[], load: () => Promise<Module>) =>
  async (): Promise<Module> => {
    const [module] = await Promise.all([load(), loadMessages(areas)])
    return module
  }

/**
 * Returns a message in the language of the page, with its facts. Templates and computed values follow a change of the
 * language.
 *
 * @param key area and name of the message
 * @param facts its placeholders; `count` also selects the plural form
 */
export function t<Key extends MessageKey>(key: Key, ...[facts]: FactsOf<Key>): string {
  const named = rendered(facts ?? {})
  return typeof named.count === 'number' ? i18n.global.t(key, named, named.count) : i18n.global.t(key, named)
}

/** Facts with the texts of messages and lists. */
const rendered = (facts: Readonly<Record<string, Fact>>): Record<string, string | number | undefined> =>
  Object.fromEntries(
    Object.entries(facts).map(([name, fact]) => [name, typeof fact === 'object' ? textOf(fact) : fact]),
  )

/** Returns the text of a message of the core, in the language of the page. */
export const textOf = renderer(
  (key, facts, count) => (count === undefined ? i18n.global.t(key, facts) : i18n.global.t(key, facts, count)),
  () => i18n.global.locale.value,
)

/**
 * The start of a control's name, from its message: the whole text, or the part before its first placeholder and “…”.
 */
export function messageStart(key: string): string {
  const [text = ''] = String(i18n.global.tm(key)).split(' | ')
  const [start = '', ...rest] = text.split(/\{\w+\}/)
  return rest.length > 0 ? `${start.trimEnd()} …` : start
}

/** Joins a list in the language of the page: “a, b and c”. */
export function listText(
  items: Iterable<string>,
  type: 'conjunction' | 'disjunction' = 'conjunction',
): string {
  const locale: string = i18n.global.locale.value
  return new Intl.ListFormat(listLocale(locale), { type }).format(items)
}

/**
 * Splits a message into its text, and the placeholders for which a template has markup.
 *
 * @param slots names of these placeholders
 */
export function messageParts(
  key: MessageKey,
  facts: Readonly<Record<string, Fact>>,
  slots: readonly string[],
): (string | { slot: string })[] {
  const marked = {
    ...rendered(facts),
    ...Object.fromEntries(slots.map((name) => [name, `\u0001${name}\u0001`])),
  }
  return i18n.global
    .t(key, marked, typeof facts.count === 'number' ? facts.count : 1)
    .split('\u0001')
    .map((part, index) => (index % 2 === 1 ? { slot: part } : part))
}

/** Messages without facts. */
type PlainKey = { [Key in MessageKey]: FactsOf<Key> extends [] ? Key : never }[MessageKey]

/**
 * Adds texts to an item of a constant list. Each is looked up when it is read, in the language of the page at that
 * time.
 *
 * @param keys the messages, by the names of their properties
 */
export function withTexts<const Item extends object, Keys extends Record<string, PlainKey>>(
  item: Item,
  keys: Keys,
): Item & { readonly [Name in keyof Keys]: string } {
  const texts = Object.entries(keys).map(([name, key]): [string, PropertyDescriptor] => [
    name,
    { get: () => i18n.global.t(key), enumerable: true },
  ])
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- the same statement defines these properties
  return Object.defineProperties(item, Object.fromEntries(texts)) as Item & {
    readonly [Name in keyof Keys]: string
  }
}
