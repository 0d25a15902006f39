import type { Message, MessageFact } from '../message/message'

/** Maximum number of reported problems of one document or file. */
export const MAX_PROBLEMS = 100

/** Something that was refused, with the reasons for people. Its text is for logs only. */
export abstract class Refusal extends Error {
  abstract readonly reasons: readonly MessageFact[]
}

/** A refused document or file. Each of `problems` has a place and the expected value. */
export class ProfileError extends Refusal {
  override name = 'ProfileError'
  readonly problems: readonly MessageFact[]

  constructor(problems: readonly MessageFact[]) {
    const log = (problem: MessageFact) => (typeof problem === 'string' ? problem : JSON.stringify(problem))
    const distinct = new Map(problems.map((problem) => [log(problem), problem]))
    const reported = [...distinct].slice(0, MAX_PROBLEMS)
    super(reported.map(([text]) => text).join('; '))
    this.problems = reported.map(([, problem]) => problem)
  }

  get reasons(): readonly MessageFact[] {
    return this.problems
  }
}

/**
 * Why a part of a profile or macro cannot be expressed on a device: a text the layout cannot type, a shortcut without
 * keys, a cycle of macros. The checks report it earlier, so every catch names this class;
 * any other error is a bug.
 */
export class LoweringError extends Refusal {
  override name = 'LoweringError'

  /** @param reason for people */
  constructor(readonly reason: Message) {
    super(reason.key)
  }

  get reasons(): readonly MessageFact[] {
    return [this.reason]
  }
}
