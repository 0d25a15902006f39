import { isHeading, isLink, isList } from './tokens'
import { itemAt } from '../../../core/base/items'
import { marked, type Token, type Tokens } from 'marked'
import { anchorOf, type HelpStep, type HelpTask } from '../../shared/help'

const FILES = import.meta.glob<string>('../../../../docs/help/*.md', {
  query: '?raw',
  import: 'default',
  eager: true,
})

/** A glossary term and its definition. */
export interface Term {
  id: string
  title: string
  told: readonly Token[]
}

/** A page of the help: its text, and its tasks with steps. */
export interface HelpPage extends Term {
  tasks: readonly HelpTask[]
}

const TASKS = 'Tasks'
const GLOSSARY = 'glossary'
const SHOW = /^show:([a-z]+)\/(.+)$/

/** The contents below each heading of a level, up to the next; content before the first has no title. */
function sectionsOf(tokens: readonly Token[], depth: number): { title?: string; told: Token[] }[] {
  const sections: { title?: string; told: Token[] }[] = [{ told: [] }]
  for (const token of tokens) {
    if (isHeading(token) && token.depth === depth) sections.push({ title: token.text, told: [] })
    else sections.at(-1)?.told.push(token)
  }
  return sections
}

/** Parses a page (docs/help): tasks are the headings below “Tasks”, their steps are links to a control. */
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

/** Each link to a control is a step; its text is the whole line. */
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

/** The full text, for searching. */
export const pageText = (told: readonly Token[]): string => told.map(({ raw }) => raw).join(' ')

const pages = Object.entries(FILES).map(([path, text]) => [path.replace(/^.*\/|\.md$/g, ''), text] as const)

export const PAGES: readonly HelpPage[] = pages
  .filter(([id]) => id !== GLOSSARY)
  .map(([id, text]) => readPage(id, text))

/** The glossary terms, in their order. */
export const TERMS: readonly Term[] = pages
  .filter(([id]) => id === GLOSSARY)
  .flatMap(([, text]) => sectionsOf(marked.lexer(text), 2))
  .flatMap(({ title, told }) => (title === undefined ? [] : [{ id: anchorOf(title), title, told }]))
