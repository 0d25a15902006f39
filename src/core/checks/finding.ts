import type { DeviceModel } from '../device/model'
import type { MacroShelf } from '../document/macro'
import type { ProgramShelf } from '../document/program'
import type { PlacedBinding } from '../terms/profile'
import type { Profile } from '../document/schema'
import type {
  FactsOf,
  FINDING_MESSAGES,
  FIX_MESSAGES,
  FixKey,
  NamedInput,
  FindingKey,
} from './finding-messages'

/**
 * A problem of a profile, as a key and facts; its text is made where it is shown ({@link ./words!findingText}). An
 * error prevents writing the profile; a warning does not.
 */
export interface Finding {
  rule: FindingKey
  facts: unknown
  severity: 'error' | 'warning'
  /** The view in which it can be fixed. */
  view: 'buttons' | 'motion' | 'light'
  /** The affected cell. */
  at?: { layer: number; input?: string }
  /** Fixes, each of which is one edit. */
  fixes?: Fix[]
}

export interface Fix {
  key: FixKey
  facts: unknown
  /** @throws EditRefused if another rule prevents it */
  apply(profile: Profile): Profile
}

export type Check = (
  profile: Profile,
  model: DeviceModel,
  macros: MacroShelf,
  programs: ProgramShelf,
) => Finding[]

type Place = Pick<Finding, 'view' | 'at'>

export const errorFinding = <R extends FindingKey>(
  rule: R,
  place: Place,
  facts: FactsOf<typeof FINDING_MESSAGES, R>,
  fixes: Fix[] = [],
): Finding => ({ rule, facts, severity: 'error', ...place, ...(fixes.length > 0 && { fixes }) })

export const warningFinding = <R extends FindingKey>(
  rule: R,
  place: Place,
  facts: FactsOf<typeof FINDING_MESSAGES, R>,
  fixes: Fix[] = [],
): Finding => ({ ...errorFinding(rule, place, facts, fixes), severity: 'warning' })

export const createFix = <Key extends FixKey>(
  key: Key,
  facts: FactsOf<typeof FIX_MESSAGES, Key>,
  apply: Fix['apply'],
): Fix => ({ key, facts, apply })

/** The cell of an input on a layer, in the Buttons view. */
export const cellPlace = (layer: number, input: string): Place => ({ view: 'buttons', at: { layer, input } })

/** The cell of a binding. */
export const bindingPlace = ({ layer, input }: Pick<PlacedBinding, 'layer' | 'input'>): Place =>
  cellPlace(layer, input.id)

/** An input and its layer, by their names. */
export const nameInput = (
  { layers }: Profile,
  { layer, input }: Pick<PlacedBinding, 'layer' | 'input'>,
): NamedInput => ({ input: input.name, ...(layer > 0 && { layer: layers[layer]?.name }) })
