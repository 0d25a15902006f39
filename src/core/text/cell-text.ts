import { message, type TextOf } from '../message/message'
import { itemAt } from '../base/items'
import { actionMessage } from './action-text'
import type { ActionContext, TypingContext } from './context'
import { parseAction } from './parse-action'
import { type ParseProblem } from './grammar/grammar'
import { isInsideQuotes } from './quoting'
import { beginsLikeText } from './shown-forms'
import type { Macro } from '../document/macro'
import { bindingNameSchema, type Action, type Binding } from '../document/schema'

/**
 * The text of a cell in the binding sheet: an action, and after ` = ` its in-game name. `parseCell` reads back exactly
 * what `cellText` writes; it is copied, pasted and typed.
 */
export type ParsedCell =
  /** `name` is undefined if the text has none, and empty to remove it. */
  | { action: Action; name?: string; makes?: Macro }
  /** Inherited from the layer below, or on the base layer from the factory. */
  | { clear: true }
  | ParseProblem

/** Texts of an inherited cell, besides the one that is shown. */
const CLEARING = [
  'inherited',
  'inherit',
  'as below',
  'as base',
  'as factory',
  'below',
  'factory',
  'default',
  '–',
]

export function cellText(binding: Binding | undefined, context: TypingContext): string {
  if (!binding) return context.textOf(message('actions.inherited'))
  const action = context.textOf(actionMessage(binding.action, context))
  if (binding.name) return `${action} = ${quotedIfNeeded(binding.name)}`
  return splitName(action, context.textOf).name === undefined ? action : `${action} =`
}

export function parseCell(text: string, context: ActionContext): ParsedCell {
  const typed = text.trim()
  const shown = context.textOf?.(message('actions.inherited'))
  if (typed === shown || CLEARING.includes(typed.toLowerCase())) return { clear: true }
  const { action: words, name } = splitName(typed, context.textOf)
  const parsed = parseAction(words, context)
  if ('problem' in parsed) return parsed
  if (name === undefined) return parsed
  if (name !== '' && !bindingNameSchema.isValidSync(name))
    return { problem: message('parse.nameTooLong', { name }) }
  return { ...parsed, name }
}

/** A name that could be mistaken for something else is quoted. */
const quotedIfNeeded = (name: string): string =>
  / =(?: |$)|^[“"]/.test(name) ? `“${name.replaceAll(/[\\“”]/g, '\\$&')}”` : name

const QUOTED_NAME = / = “((?:\\.|[^\\”])*)”$/s
const SEPARATOR = / =(?: |$)/g

function splitName(text: string, textOf?: TextOf): { action: string; name?: string } {
  const quoted = QUOTED_NAME.exec(text)
  if (quoted)
    return { action: text.slice(0, quoted.index), name: itemAt(quoted, 1).replaceAll(/\\(.)/g, '$1') }
  const last = [...text.matchAll(SEPARATOR)]
    .filter(
      ({ index }) => !insideText(text.slice(0, index), textOf) && !/[^+]\+ *$/.test(text.slice(0, index)),
    )
    .at(-1)
  if (!last || last.index === 0) return { action: text }
  return { action: text.slice(0, last.index), name: text.slice(last.index + 2).trim() }
}

/** A quoted text can contain anything; the target of an opening is not quoted. */
const insideText = (before: string, textOf?: TextOf): boolean =>
  (/^(?:type|text|tap|[“"])/i.test(before) || (textOf !== undefined && beginsLikeText(before, textOf))) &&
  isInsideQuotes(before)
