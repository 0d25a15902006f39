/** Findings of one document or file that are told: all of them, or the first of many. */
export const MOST_PROBLEMS = 100

/** A document or file that was refused. `problems` has a line each: where, and what would be right. */
export class ProfileError extends Error {
  override name = 'ProfileError'
  readonly problems: readonly string[]

  constructor(problems: readonly string[]) {
    const told = [...new Set(problems)].slice(0, MOST_PROBLEMS)
    super(told.join('; '))
    this.problems = told
  }
}
