import { itemAt } from '../base/items'
import { ProfileError } from '../base/refusal'
import type { Macro } from '../document/macro'

/** All results, or all that is wrong. */
export function eachOf<From, To>(items: readonly From[], of: (item: From, index: number) => To): To[] {
  const problems: string[] = []
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

/** What is refused there, with the place before it. */
export function within<T>(where: string, act: () => T): T {
  try {
    return act()
  } catch (error) {
    if (error instanceof ProfileError)
      throw new ProfileError(error.problems.map((problem) => `${where}: ${problem}`))
    throw error
  }
}

/** Two macros of one id would be one, and nobody could say which. @throws ProfileError */
export function refuseTwins(macros: readonly Macro[]): void {
  const first = new Map<string, number>()
  const problems = macros.flatMap(({ id, name }, index) => {
    const before = first.get(id)
    first.set(id, before ?? index)
    return before === undefined
      ? []
      : [`macros[${index}]: “${name}” has the id of “${itemAt(macros, before).name}”, “${id}”`]
  })
  if (problems.length > 0) throw new ProfileError(problems)
}
