import type { Token } from 'marked'
import { h, type FunctionalComponent, type VNode } from 'vue'
import { isCode, isLink, isList } from './tokens'

type Node = VNode | string

/** Elements of help pages besides links, lists and code. */
const TAGS: Record<string, string | undefined> = {
  paragraph: 'p',
  strong: 'strong',
  em: 'em',
  list_item: 'li',
}

/** Markdown as elements of the page; links report their target and do not navigate. */
export const MarkdownText: FunctionalComponent<
  { tokens: readonly Token[] },
  { follow: (href: string) => void }
> = ({ tokens }, { emit }) => {
  function inside(token: Token): Node[] {
    return 'tokens' in token && token.tokens ? token.tokens.flatMap(nodesOf) : []
  }
  function nodesOf(token: Token): Node[] {
    if (isCode(token)) return [h('code', token.text)]
    if (isList(token)) return [h('ul', token.items.flatMap(nodesOf))]
    if (isLink(token)) {
      const { href } = token
      const follow = (event: Event): void => {
        event.preventDefault()
        emit('follow', href)
      }
      return [h('a', { href, onClick: follow }, inside(token))]
    }
    const tag = TAGS[token.type]
    if (tag) return [h(tag, inside(token))]
    return 'tokens' in token ? inside(token) : 'text' in token ? [String(token.text)] : []
  }
  return h('div', tokens.flatMap(nodesOf))
}
MarkdownText.props = ['tokens']
MarkdownText.emits = ['follow']
