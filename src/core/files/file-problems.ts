import { itemAt } from '../base/items'
import { ProfileError } from '../base/errors'
import { message, type MessageFact } from '../message/message'
import type { Macro } from '../document/macro'

/** Returns all results, or all problems. */
export function collectResults<From, To>(
  items: readonly From[],
  of: (item: From, index: number) => To,
): To[] {
  const problems: MessageFact[] = []
  const done = items.flatMap((item, index) => {
    try {
      return [of(item, index)]
    } catch (error) {
      if (!(error instanceof ProfileError)) throw error
      problems.push(...error.problems)
      return []
    }
  })
  if (problems.length > 0) throw new ProfileError(problems)
  return done
}

/** Prefixes problems with their place. */
export function prefixProblems<T>(where: string, act: () => T): T {
  try {
    return act()
  } catch (error) {
    if (error instanceof ProfileError)
      throw new ProfileError(
        error.problems.map((problem) => message('problems.at', { place: where, problem })),
      )
    throw error
  }
}

/** Two macros with one id would become one at random. @throws ProfileError */
export function rejectDuplicateIds(macros: readonly Macro[]): void {
  const first = new Map<string, number>()
  const problems = macros.flatMap(({ id, name }, index) => {
    const before = first.get(id)
    first.set(id, before ?? index)
    return before === undefined
      ? []
      : [
          message('problems.duplicateId', {
            place: `macros[${index}]`,
            name,
            other: itemAt(macros, before).name,
            id,
          }),
        ]
  })
  if (problems.length > 0) throw new ProfileError(problems)
}
