import { ProfileError } from '../document/schema'
import { parseMacro, type Macro } from '../document/macro'
import { readJson } from './read-json'
import { eachOf, refuseTwins, within } from './refusals'

/** Macros as JSON files (docs/file-formats.md, "Macros"). */

/** One macro by itself, several as a list. */
export function macrosToJson(macros: readonly Macro[]): string {
  const document = macros.length === 1 ? macros[0] : { format: 'unisera-macros', version: 1, macros }
  return `${JSON.stringify(document, null, 2)}\n`
}

/** @throws ProfileError that says where and why */
export function macrosFromJson(text: string): Macro[] {
  return macrosFromDocument(readJson(text))
}

/**
 * The same from what JSON holds.
 *
 * @param judged told how many events have been judged so far
 * @throws ProfileError
 */
export function macrosFromDocument(document: unknown, judged: (events: number) => void = () => {}): Macro[] {
  if (
    typeof document !== 'object' ||
    document === null ||
    !('format' in document) ||
    document.format !== 'unisera-macros'
  )
    return [parseMacro(document, judged)]
  if (!('version' in document) || document.version !== 1)
    throw new ProfileError(['version: this Unisera reads version 1 of a file of macros'])
  if (!('macros' in document) || !Array.isArray(document.macros))
    throw new ProfileError(['macros is missing: a list of macros'])
  let before = 0
  const macros = eachOf(document.macros, (value, index) => {
    const macro = within(`macros[${index}]`, () => parseMacro(value, (events) => judged(before + events)))
    before += macro.events.length
    return macro
  })
  refuseTwins(macros)
  return macros
}
