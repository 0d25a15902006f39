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

/**
 * Why something of a profile or a macro has no form on a device: a text the layout cannot type, a shortcut without keys, a
 * circle of macros. The message can be shown. The checks find it before, so each catch names this class: any other
 * error is a bug.
 */
export class LoweringError extends Error {
  override name = 'LoweringError'
}
