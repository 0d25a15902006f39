import { ProfileError } from '../profile/schema'
import { parseMacro, type Macro } from './macro'
import { eachOf, within } from './refusals'

/** Macros as JSON files (docs/file-formats.md, "Macros"). */

/** One macro by itself, several as a list. */
export function macrosToJson(macros: readonly Macro[]): string {
  const document = macros.length === 1 ? macros[0] : { format: 'unisera-macros', version: 1, macros }
  return `${JSON.stringify(document, null, 2)}\n`
}

/** @throws ProfileError that says where and why */
export function macrosFromJson(text: string): Macro[] {
  let document: unknown
  try {
    document = JSON.parse(text)
  } catch (error) {
    throw new ProfileError([`this is no JSON: ${error instanceof Error ? error.message : String(error)}`])
  }
  return macrosFromDocument(document)
}

/** The same from what JSON holds. @throws ProfileError */
export function macrosFromDocument(document: unknown): Macro[] {
  if (
    typeof document !== 'object' ||
    document === null ||
    !('format' in document) ||
    document.format !== 'unisera-macros'
  )
    return [parseMacro(document)]
  if (!('version' in document) || document.version !== 1)
    throw new ProfileError(['version: this Unisera reads version 1 of a file of macros'])
  if (!('macros' in document) || !Array.isArray(document.macros))
    throw new ProfileError(['macros is missing: a list of macros'])
  return eachOf(document.macros, (macro, index) => within(`macros[${index}]`, () => parseMacro(macro)))
}
