import { itemAt } from '../base/items'

/**
 * "When this program is in front, use that slot": the one thing that needs a program running on the computer, a helper
 * that knows what is in front and sends a slot's number over the link. What it goes by is here (docs/file-formats.md,
 * "App rules").
 */

/** A slot of a device, or whichever of its slots holds a profile. */
export interface RuleTarget {
  /** Id of the device's model. */
  device: string
  /** Counted from 0. Beside a profile it is the slot that last held it: for a helper that cannot read slots. */
  slot?: number
  /** Name of a profile. */
  profile?: string
}

export interface AppRule {
  /** Name of the program's file, or a pattern for it: `*` stands for any characters, `?` for one. */
  program: string
  by: 'name' | 'pattern'
  use: RuleTarget[]
}

export interface AppRules {
  format: 'unisera-rules'
  version: 1
  /** In order: the first that a program meets is the one. */
  rules: AppRule[]
  /** What is used when a program meets none. Devices that are not named stay as they are. */
  otherwise: RuleTarget[]
}

export const NO_RULES: AppRules = { format: 'unisera-rules', version: 1, rules: [], otherwise: [] }

/** Where the simulated helper finds its rules: what a file on disk is to a real one. */
export const HELPER_FILE = 'unisera-helper-rules'

export const MOST_RULES = 100
export const MOST_PROGRAM = 120

/** A program as rules compare it: its file's name, whatever folder it is in, without the ending programs have. */
export function programName(typed: string): string {
  const file = typed.trim().split(/[/\\]/).at(-1) ?? ''
  return file.replace(/\.(exe|app)$/i, '').toLowerCase()
}

/** Whether a program meets a rule. Case, folder and the ending of a program's file do not matter. */
export const meets = ({ by, program: wanted }: AppRule, program: string): boolean =>
  by === 'name'
    ? programName(wanted) === programName(program)
    : fitsPattern(programName(wanted), programName(program))

/**
 * Whether a text fits a pattern of `*` and `?`, whole. The last `*` is the only one that is ever gone back to, so no
 * pattern takes more than pattern × text steps.
 */
export function fitsPattern(pattern: string, text: string): boolean {
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
 * The rule a program meets, and what it uses.
 *
 * @returns its place among the rules, counted from 0, or undefined where it meets none
 */
export function ruleFor(
  { rules, otherwise }: AppRules,
  program: string,
): { at: number | undefined; use: readonly RuleTarget[] } {
  const at = rules.findIndex((rule) => meets(rule, program))
  return at < 0 ? { at: undefined, use: otherwise } : { at, use: itemAt(rules, at).use }
}

/**
 * Whether every program that meets one rule meets an earlier one, so that it is never come to. True is certain; of two
 * patterns that only together cover a third, nothing is said.
 */
export function covers(earlier: AppRule, later: AppRule): boolean {
  if (later.by === 'name') return meets(earlier, later.program)
  const [wide, narrow] = [programName(earlier.program), programName(later.program)]
  if (earlier.by === 'name') return !/[*?]/.test(narrow) && wide === narrow
  return takesSigns(wide, narrow)
}

/** Whether a pattern takes the signs of another: `?` a letter or a `?`, `*` anything, a letter itself. */
function takesSigns(wide: string, narrow: string): boolean {
  const [signs, letters] = [Array.from(wide), Array.from(narrow)]
  // reached[i]: the signs before i can take the letters so far.
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
