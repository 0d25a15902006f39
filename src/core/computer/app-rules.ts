import { itemAt } from '../base/items'

/**
 * App rules: "When this program is in front, use that slot". They alone need a program on the computer: a helper that
 * knows which program is in front and sends a slot number over the link. This file defines the rules
 * (docs/file-formats.md, "App rules").
 */

/** A slot of a device, or the slot that has a certain profile. */
export interface RuleTarget {
  /** Id of the device model. */
  device: string
  /** Counted from 0. With a profile, it is the slot that last had it, for helpers that cannot read slots. */
  slot?: number
  /** Name of a profile. */
  profile?: string
}

export interface AppRule {
  /** File name of the program, or a pattern for it: `*` means any characters, `?` any single one. */
  program: string
  by: 'name' | 'pattern'
  use: RuleTarget[]
}

export interface AppRules {
  format: 'unisera-rules'
  version: 1
  /** In order: the first matching rule applies. */
  rules: AppRule[]
  /** Targets for programs without a matching rule. Devices without a target keep their slots. */
  otherwise: RuleTarget[]
}

export const NO_RULES: AppRules = { format: 'unisera-rules', version: 1, rules: [], otherwise: [] }

/** Storage key of the simulated helper's rules, which stand for a file on disk. */
export const HELPER_FILE = 'unisera-helper-rules'

export const MAX_RULES = 100
export const MAX_PROGRAM_CHARACTERS = 120

/** A program as rules compare it: its file name without folder and extension. */
export function programName(typed: string): string {
  const file = typed.trim().split(/[/\\]/).at(-1) ?? ''
  return file.replace(/\.(exe|app)$/i, '').toLowerCase()
}

/** Whether a program matches a rule. Case, folder and file extension do not matter. */
export const matchesRule = ({ by, program: wanted }: AppRule, program: string): boolean =>
  by === 'name'
    ? programName(wanted) === programName(program)
    : matchesPattern(programName(wanted), programName(program))

/**
 * Whether a whole text matches a pattern of `*` and `?`. Only the last `*` is ever retried, so no pattern takes more
 * than pattern × text steps.
 */
export function matchesPattern(pattern: string, text: string): boolean {
  const [signs, letters] = [Array.from(pattern), Array.from(text)]
  let [sign, letter] = [0, 0]
  let star: { sign: number; letter: number } | undefined
  while (letter < letters.length) {
    if (signs[sign] === '*') star = { sign: sign++, letter }
    else if (signs[sign] === '?' || signs[sign] === letters[letter]) {
      sign++
      letter++
    } else if (star) {
      star.letter++
      letter = star.letter
      sign = star.sign + 1
    } else return false
  }
  return signs.slice(sign).every((each) => each === '*')
}

/**
 * Finds the rule for a program, and its targets.
 *
 * @returns the index of the rule, counted from 0, or undefined if none matches
 */
export function findRule(
  { rules, otherwise }: AppRules,
  program: string,
): { at: number | undefined; use: readonly RuleTarget[] } {
  const at = rules.findIndex((rule) => matchesRule(rule, program))
  return at < 0 ? { at: undefined, use: otherwise } : { at, use: itemAt(rules, at).use }
}

/**
 * Whether an earlier rule matches every program of a later one, so that the later one never applies. True is certain;
 * two patterns that cover a third only together are not detected.
 */
export function coversRule(earlier: AppRule, later: AppRule): boolean {
  if (later.by === 'name') return matchesRule(earlier, later.program)
  const [wide, narrow] = [programName(earlier.program), programName(later.program)]
  if (earlier.by === 'name') return !/[*?]/.test(narrow) && wide === narrow
  return takesSigns(wide, narrow)
}

/**
 * Whether a pattern covers the characters of another: `?` covers a letter or `?`, `*` covers anything, a letter only
 * itself.
 */
function takesSigns(wide: string, narrow: string): boolean {
  const [signs, letters] = [Array.from(wide), Array.from(narrow)]
  // reached[i]: the pattern up to i can match the letters so far.
  let reached = signs.map(() => false).concat(false)
  reached[0] = true
  const overStars = () =>
    signs.forEach((sign, at) => {
      if (reached[at] && sign === '*') reached[at + 1] = true
    })
  overStars()
  for (const letter of letters) {
    const next = reached.map(() => false)
    signs.forEach((sign, at) => {
      if (!reached[at]) return
      if (sign === '*') next[at] = true
      else if (sign === letter || (sign === '?' && letter !== '*')) next[at + 1] = true
    })
    reached = next
    overStars()
  }
  return reached[signs.length] === true
}
