import { ProfileError } from '../document/schema'
import { parseMacro, type Macro } from '../document/macro'
import { readJson } from './read-json'
import { collectResults, rejectDuplicateIds, prefixProblems } from './file-problems'
import { message } from '../message/message'

/** Macros as JSON files (docs/file-formats.md, "Macros"). */

/** A single macro by itself, several as a list. */
export function macrosToJson(macros: readonly Macro[]): string {
  const document = macros.length === 1 ? macros[0] : { format: 'unisera-macros', version: 1, macros }
  return `${JSON.stringify(document, null, 2)}\n`
}

/** @throws ProfileError with the place and the reason */
export function macrosFromJson(text: string): Macro[] {
  return macrosFromDocument(readJson(text))
}

/**
 * The same from parsed JSON.
 *
 * @param onProgress receives the number of events validated so far
 * @throws ProfileError
 */
export function macrosFromDocument(
  document: unknown,
  onProgress: (events: number) => void = () => {},
): Macro[] {
  if (
    typeof document !== 'object' ||
    document === null ||
    !('format' in document) ||
    document.format !== 'unisera-macros'
  )
    return [parseMacro(document, onProgress)]
  if (!('version' in document) || document.version !== 1)
    throw new ProfileError([message('problems.macroFileVersion')])
  if (!('macros' in document) || !Array.isArray(document.macros))
    throw new ProfileError([message('problems.macrosMissing')])
  let before = 0
  const macros = collectResults(document.macros, (value, index) => {
    const macro = prefixProblems(`macros[${index}]`, () =>
      parseMacro(value, (events) => onProgress(before + events)),
    )
    before += macro.events.length
    return macro
  })
  rejectDuplicateIds(macros)
  return macros
}
