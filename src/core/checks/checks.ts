import type { DeviceModel } from '../device/model'
import { CHECKS_OF_BINDINGS } from './checks-of-bindings'
import { CHECKS_OF_LAYERS } from './checks-of-layers'
import { CHECKS_OF_LIGHT } from './checks-of-light'
import { CHECKS_OF_MACROS } from './checks-of-macros'
import { CHECKS_OF_PLAY } from './checks-of-play'
import { CHECKS_OF_SETTINGS } from './checks-of-settings'
import type { Check, Finding } from './finding'
import { EMPTY_SHELF, type MacroShelf } from '../document/macro'
import type { Profile } from '../document/schema'

export type { Finding } from './finding'
export { findingText, fixText } from './words'
export { checkNames, checkSize } from './checks-of-size'

/** Every rule there is; a new one is a function in one of the files beside this, listed there. */
const CHECKS: readonly Check[] = [
  ...CHECKS_OF_BINDINGS,
  ...CHECKS_OF_LAYERS,
  ...CHECKS_OF_SETTINGS,
  ...CHECKS_OF_LIGHT,
  ...CHECKS_OF_MACROS,
  ...CHECKS_OF_PLAY,
]

/**
 * Runs every check that needs no bytes. Errors first.
 *
 * @param profile a profile that passed its schema
 * @param model the model it is for
 * @param macros the library's, which bindings name
 */
export function checkProfile(
  profile: Profile,
  model: DeviceModel,
  macros: MacroShelf = EMPTY_SHELF,
): Finding[] {
  const findings = CHECKS.flatMap((check) => check(profile, model, macros))
  return findings.sort((a, b) => Number(b.severity === 'error') - Number(a.severity === 'error'))
}
