import type { DeviceModel } from '../device/model'
import type { MacroShelf } from '../document/macro'
import type { Profile } from '../document/schema'

/** One thing the rules found in a profile. An error keeps it from being written; a warning does not. */
export interface Finding {
  rule: string
  severity: 'error' | 'warning'
  message: string
  /** View in which it can be mended. */
  view: 'buttons' | 'motion' | 'light'
  /** The cell it is about. */
  at?: { layer: number; input?: string }
  /** Ways to mend it, each in one edit. */
  fixes?: Fix[]
}

export interface Fix {
  label: string
  /** @throws EditRefused where another rule stands against it */
  apply(profile: Profile): Profile
}

export type Check = (profile: Profile, model: DeviceModel, macros: MacroShelf) => Finding[]

type Place = Pick<Finding, 'view' | 'at'>

export const error = (rule: string, place: Place, message: string, fixes: Fix[] = []): Finding => ({
  rule,
  severity: 'error',
  message,
  ...place,
  ...(fixes.length > 0 && { fixes }),
})

export const warning = (rule: string, place: Place, message: string, fixes: Fix[] = []): Finding => ({
  ...error(rule, place, message, fixes),
  severity: 'warning',
})

/** The cell of an input on a layer, in the Buttons view. */
export const cell = (layer: number, input: string): Place => ({ view: 'buttons', at: { layer, input } })
