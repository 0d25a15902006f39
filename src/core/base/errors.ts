import type { Message, MessageFact, TextOf } from '../message/message'

/** A reason as written to logs: its key and facts, unless the program has a language for them. */
let logText: TextOf = (reason) => (typeof reason === 'string' ? reason : JSON.stringify(reason))

/** Sets the language of logs, for programs with a catalogue of messages: the command line, scripts and tests. */
export function setLogText(textOf: TextOf): void {
  logText = textOf
}

/** Something that was refused, with the reasons for people. Its own text is for logs. */
export class Refusal extends Error {
  constructor(readonly reasons: readonly MessageFact[]) {
    super(reasons.map((reason) => logText(reason)).join('; '))
  }
}

/** Maximum number of reported problems of one document or file. */
export const MAX_PROBLEMS = 100

/** A refused document or file. Each reason has a place and the expected value. */
export class ProfileError extends Refusal {
  override name = 'ProfileError'

  constructor(problems: readonly MessageFact[]) {
    const distinct = new Map(problems.map((problem) => [JSON.stringify(problem), problem]))
    super([...distinct.values()].slice(0, MAX_PROBLEMS))
  }

  get problems(): readonly MessageFact[] {
    return this.reasons
  }
}

/**
 * Why a part of a profile or macro cannot be expressed on a device: a text the layout cannot type, a shortcut without
 * keys, a cycle of macros. The checks report it earlier, so every catch names this class;
 * any other error is a bug.
 */
export class LoweringError extends Refusal {
  override name = 'LoweringError'

  constructor(readonly reason: Message) {
    super([reason])
  }
}
