import { itemAt } from '../base/items'
import { actionText } from './action-text'
import { type ActionContext } from './context'
import { parseAction } from './parse-action'
import { type UnreadText } from './grammar/grammar'
import { insideQuotes } from './quoting'
import type { Macro } from '../document/macro'
import { bindingNameSchema, type Action, type Binding } from '../document/schema'

/**
 * The text of a cell of the binding sheet: an action, and behind ` = ` what it is called in the game. What
 * `cellText` writes, `parseCell` reads back the same; it is what is copied, pasted and typed.
 */
export type ParsedCell =
  /** `name` is undefined where nothing was said of it, and empty where it is to be taken away. */
  | { action: Action; name?: string; makes?: Macro }
  /** Left to the layer below, or on the base layer to the factory. */
  | { clear: true }
  | UnreadText

export const AS_BELOW = 'as below'
const CLEARING = [AS_BELOW, 'as base', 'as factory', 'below', 'factory', 'inherit', 'default', '–']

export function cellText(binding: Binding | undefined, context: ActionContext): string {
  if (!binding) return AS_BELOW
  const action = actionText(binding.action, context)
  if (binding.name) return `${action} = ${quotedIfNeeded(binding.name)}`
  return splitName(action).name === undefined ? action : `${action} =`
}

export function parseCell(text: string, context: ActionContext): ParsedCell {
  const typed = text.trim()
  if (CLEARING.includes(typed.toLowerCase())) return { clear: true }
  const { action: words, name } = splitName(typed)
  const parsed = parseAction(words, context)
  if ('problem' in parsed) return parsed
  if (name === undefined) return parsed
  if (name !== '' && !bindingNameSchema.isValidSync(name))
    return { problem: `“${name}” is too long for an in-game name` }
  return { ...parsed, name }
}

/** A name that could be taken for something else stands in quotes. */
const quotedIfNeeded = (name: string): string =>
  / =(?: |$)|^[“"]/.test(name) ? `“${name.replaceAll(/[\\“”]/g, '\\$&')}”` : name

const QUOTED_NAME = / = “((?:\\.|[^\\”])*)”$/s
const SEPARATOR = / =(?: |$)/g

function splitName(text: string): { action: string; name?: string } {
  const quoted = QUOTED_NAME.exec(text)
  if (quoted)
    return { action: text.slice(0, quoted.index), name: itemAt(quoted, 1).replaceAll(/\\(.)/g, '$1') }
  const last = [...text.matchAll(SEPARATOR)]
    .filter(({ index }) => !insideText(text.slice(0, index)) && !/[^+]\+ *$/.test(text.slice(0, index)))
    .at(-1)
  if (!last || last.index === 0) return { action: text }
  return { action: text.slice(0, last.index), name: text.slice(last.index + 2).trim() }
}

/** A typed text in quotes may hold anything; what is opened is not in quotes. */
const insideText = (before: string): boolean =>
  /^(?:type|text|tap|[“"])/i.test(before) && insideQuotes(before)
