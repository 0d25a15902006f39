import type { Token, Tokens } from 'marked'

/** Tokens of Markdown by their kind: the parser's own type has one kind for all extensions. */

export const isLink = (token: Token): token is Tokens.Link => token.type === 'link'
export const isList = (token: Token): token is Tokens.List => token.type === 'list'
export const isCode = (token: Token): token is Tokens.Codespan => token.type === 'codespan'
export const isHeading = (token: Token): token is Tokens.Heading => token.type === 'heading'
