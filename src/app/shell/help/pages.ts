import { isHeading, isLink, isList } from './tokens'
import { itemAt } from '../../../core/base/items'
import { marked, type Token, type Tokens } from 'marked'
import { anchorOf, type HelpStep, type HelpTask } from '../../shared/help'

const FILES = import.meta.glob<string>('../../../../docs/help/*.md', {
  query: '?raw',
  import: 'default',
  eager: true,
})

/** A word of the trade and what is told of it. */
export interface Term {
  id: string
  title: string
  told: readonly Token[]
}

/** A page of the help: what is told in it, and what it shows step by step. */
export interface HelpPage extends Term {
  tasks: readonly HelpTask[]
}

const TASKS = 'Tasks'
const GLOSSARY = 'glossary'
const SHOW = /^show:([a-z]+)\/(.+)$/

/** What stands under each heading of a depth, up to the next; what stands before the first has no title. */
function sectionsOf(tokens: readonly Token[], depth: number): { title?: string; told: Token[] }[] {
  const sections: { title?: string; told: Token[] }[] = [{ told: [] }]
  for (const token of tokens) {
    if (isHeading(token) && token.depth === depth) sections.push({ title: token.text, told: [] })
    else sections.at(-1)?.told.push(token)
  }
  return sections
}

/** A page as it is written (docs/help): tasks are the headings under “Tasks”, their steps links to a control. */
export function readPage(id: string, markdown: string): HelpPage {
  const sections = sectionsOf(marked.lexer(markdown), 2)
  const opening = itemAt(sections, 0).told
  const [, { title = id, told } = { told: opening }] = sectionsOf(opening, 1)
  const shown = sections.slice(1).find((section) => section.title === TASKS)?.told ?? []
  const tasks = sectionsOf(shown, 3).flatMap(({ title: task, told: lines }) => {
    const lists = lines.filter(isList)
    return task === undefined
      ? []
      : [{ title: task, steps: lists.flatMap(({ items }) => items.flatMap(stepsOf)) }]
  })
  return { id, title, told, tasks }
}

/** Each link to a control is a step; what is said of it is the whole line. */
function stepsOf(item: Tokens.ListItem): HelpStep[] {
  const links: Tokens.Link[] = []
  void marked.walkTokens(item.tokens, (token) => {
    if (isLink(token) && SHOW.test(decodeURI(token.href))) links.push(token)
  })
  return links.map(({ href, text }) => {
    const [, role = '', name = ''] = SHOW.exec(decodeURI(href)) ?? []
    return { role, name, text: links.length > 1 ? text : plain(item.text) }
  })
}

const plain = (markdown: string): string =>
  markdown.replace(/\[([^\]]+)\]\([^)]+\)/g, '$1').replace(/[*_`]/g, '')

/** All that is told, to be searched. */
export const wordsOf = (told: readonly Token[]): string => told.map(({ raw }) => raw).join(' ')

const pages = Object.entries(FILES).map(([path, text]) => [path.replace(/^.*\/|\.md$/g, ''), text] as const)

export const PAGES: readonly HelpPage[] = pages
  .filter(([id]) => id !== GLOSSARY)
  .map(([id, text]) => readPage(id, text))

/** The words of the trade, in the order they are explained. */
export const TERMS: readonly Term[] = pages
  .filter(([id]) => id === GLOSSARY)
  .flatMap(([, text]) => sectionsOf(marked.lexer(text), 2))
  .flatMap(({ title, told }) => (title === undefined ? [] : [{ id: anchorOf(title), title, told }]))
