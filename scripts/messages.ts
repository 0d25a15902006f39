import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { CORE_AREAS } from '../src/messages/areas'

const FOLDER = 'src/messages/en'

/** The areas of the catalogue, one file each. */
export const englishAreas = (): string[] =>
  readdirSync(FOLDER)
    .sort()
    .map((file) => file.replace('.json', ''))

/** The English messages of all areas, by the keys used in code. */
export const englishMessages = (): [key: string, message: string][] =>
  englishAreas().flatMap((area) => {
    const messages = JSON.parse(readFileSync(`${FOLDER}/${area}.json`, 'utf8')) as Record<string, string>
    return Object.entries(messages).map(([key, message]): [string, string] => [`${area}.${key}`, message])
  })

/** The placeholders of a message; quoted text in braces is literal. */
export const placeholdersOf = (message: string): string[] => [
  ...new Set([...message.matchAll(/\{(\w+)\}/g)].map(([, name]) => String(name))),
]

const isPlural = (message: string): boolean => message.includes(' | ')

/** The names of the facts of a message; a plural form is selected by its `count`. */
const factNames = (message: string): string[] => [
  ...new Set([...placeholdersOf(message), ...(isPlural(message) ? ['count'] : [])]),
]

/** A fact of a page is typed by its value. */
function pageLine(key: string, message: string): string {
  const facts = factNames(message).map(
    (name) => `${name}: ${name === 'count' && isPlural(message) ? 'number' : 'Fact'}`,
  )
  return `  '${key}': ${facts.length > 0 ? `{ ${facts.join('; ')} }` : 'Record<string, never>'}`
}

/** A message of the core has the names of its facts. */
function coreLine(key: string, message: string): string {
  const names = factNames(message).map((name) => `'${name}'`)
  return `  '${key}': ${names.length > 0 ? names.join(' | ') : 'never'}`
}

const nameOf = (area: string): string => `${area.charAt(0).toUpperCase()}${area.slice(1)}Facts`
const NOTE = '// Generated from the catalogue by `npm run messages`.'

interface FactsOptions {
  folder: string
  /** Name of the interface of all areas. */
  all: string
  about: string
  line: (key: string, message: string) => string
  imports: readonly string[]
}

/** The types of the facts of some areas, by their files. */
function modulesOf(
  areas: readonly string[],
  { folder, all, about, line, imports }: FactsOptions,
): [file: string, text: string][] {
  const messages = englishMessages()
  const modules = areas.map((area): [string, string] => {
    const lines = messages.flatMap(([key, message]) =>
      key.startsWith(`${area}.`) ? [line(key, message)] : [],
    )
    const needed = lines.some((each) => each.includes(': Fact')) ? imports : []
    return [
      `${folder}/${area}.ts`,
      [NOTE, ...needed, '', `export interface ${nameOf(area)} {`, ...lines, '}', ''].join('\n'),
    ]
  })
  const index = [
    NOTE,
    ...areas.map((area) => `import type { ${nameOf(area)} } from './${area}'`),
    '',
    `/** ${about} */`,
    `export interface ${all}`,
    `  extends ${areas.map(nameOf).join(',\n    ')} {}`,
    '',
  ].join('\n')
  return [...modules, [`${folder}/index.ts`, index]]
}

/** The modules with the facts of each message, so that a missing key or fact does not compile, by their files. */
export function factsModules(): ReadonlyMap<string, string> {
  const isCore = (area: string) => CORE_AREAS.some((each) => each === area)
  const areas = englishAreas()
  const pages: FactsOptions = {
    folder: 'src/messages/facts',
    all: 'MessageFacts',
    about: 'The placeholders of each message.',
    line: pageLine,
    imports: ["import type { Fact } from './fact'"],
  }
  const core: FactsOptions = {
    folder: 'src/core/message/facts',
    all: 'CoreFactNames',
    about: 'The names of the placeholders of each message.',
    line: coreLine,
    imports: [],
  }
  return new Map([
    ...modulesOf(
      areas.filter((area) => !isCore(area)),
      pages,
    ),
    ...modulesOf(areas.filter(isCore), core),
  ])
}

if (process.argv[1]?.endsWith('messages.ts'))
  for (const [file, text] of factsModules()) writeFileSync(file, text)
