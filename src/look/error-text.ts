import { Refusal } from '../core/base/errors'
import { textOf } from '../messages/page'

/** The reasons of a refusal in the language of the page, or the text of another error. */
export function errorText(error: unknown): string {
  if (error instanceof Refusal) return error.reasons.map(textOf).join('; ')
  return error instanceof Error || error instanceof DOMException ? error.message : String(error)
}
