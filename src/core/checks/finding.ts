import type { DeviceModel } from '../device/model'
import type { MacroShelf } from '../document/macro'
import type { PlacedBinding } from '../terms/profile'
import type { Profile } from '../document/schema'
import type { FactsOf, FINDING_WORDS, FIX_WORDS, FixKey, Named, Rule } from './words'

/**
 * One thing the rules found in a profile, as a key and facts: its words are made where it is shown ({@link
 * ./words!findingText}). An error keeps the profile from being written; a warning does not.
 */
export interface Finding {
  rule: Rule
  facts: unknown
  severity: 'error' | 'warning'
  /** View in which it can be mended. */
  view: 'buttons' | 'motion' | 'light'
  /** The cell it is about. */
  at?: { layer: number; input?: string }
  /** Ways to mend it, each in one edit. */
  fixes?: Fix[]
}

export interface Fix {
  key: FixKey
  facts: unknown
  /** @throws EditRefused where another rule stands against it */
  apply(profile: Profile): Profile
}

export type Check = (profile: Profile, model: DeviceModel, macros: MacroShelf) => Finding[]

type Place = Pick<Finding, 'view' | 'at'>

export const error = <R extends Rule>(
  rule: R,
  place: Place,
  facts: FactsOf<typeof FINDING_WORDS, R>,
  fixes: Fix[] = [],
): Finding => ({ rule, facts, severity: 'error', ...place, ...(fixes.length > 0 && { fixes }) })

export const warning = <R extends Rule>(
  rule: R,
  place: Place,
  facts: FactsOf<typeof FINDING_WORDS, R>,
  fixes: Fix[] = [],
): Finding => ({ ...error(rule, place, facts, fixes), severity: 'warning' })

export const fix = <Key extends FixKey>(
  key: Key,
  facts: FactsOf<typeof FIX_WORDS, Key>,
  apply: Fix['apply'],
): Fix => ({ key, facts, apply })

/** The cell of an input on a layer, in the Buttons view. */
export const cell = (layer: number, input: string): Place => ({ view: 'buttons', at: { layer, input } })

/** The cell of a binding. */
export const cellOf = ({ layer, input }: Pick<PlacedBinding, 'layer' | 'input'>): Place =>
  cell(layer, input.id)

/** An input and its layer by their names. */
export const named = (
  { layers }: Profile,
  { layer, input }: Pick<PlacedBinding, 'layer' | 'input'>,
): Named => ({ input: input.name, ...(layer > 0 && { layer: layers[layer]?.name }) })
