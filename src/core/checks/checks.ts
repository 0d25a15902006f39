import type { DeviceModel } from '../device/model'
import { BINDING_CHECKS } from './binding-checks'
import { COMMAND_CHECKS } from './command-checks'
import { LAYER_CHECKS } from './layer-checks'
import { LIGHT_CHECKS } from './light-checks'
import { MACRO_CHECKS } from './macro-checks'
import { TOURNAMENT_CHECKS } from './tournament-checks'
import { SETTING_CHECKS } from './setting-checks'
import type { Check, Finding } from './finding'
import { EMPTY_SHELF, type MacroShelf } from '../document/macro'
import { NO_PROGRAMS, type ProgramShelf } from '../document/program'
import type { Profile } from '../document/schema'

export type { Finding } from './finding'
export { findingMessage, fixMessage } from './finding-messages'
export { checkNames, checkSize } from './size-checks'

/** All rules. A new rule is a function in one of the neighbouring files, listed there. */
const CHECKS: readonly Check[] = [
  ...BINDING_CHECKS,
  ...COMMAND_CHECKS,
  ...LAYER_CHECKS,
  ...SETTING_CHECKS,
  ...LIGHT_CHECKS,
  ...MACRO_CHECKS,
  ...TOURNAMENT_CHECKS,
]

/**
 * Runs all checks that need no bytes. Errors come first.
 *
 * @param profile a profile that passed its schema
 * @param model its device model
 * @param macros the library's macros, which bindings refer to
 * @param programs the library's programs, whose commands bindings and macros refer to
 */
export function checkProfile(
  profile: Profile,
  model: DeviceModel,
  macros: MacroShelf = EMPTY_SHELF,
  programs: ProgramShelf = NO_PROGRAMS,
): Finding[] {
  const findings = CHECKS.flatMap((check) => check(profile, model, macros, programs))
  return findings.sort((a, b) => Number(b.severity === 'error') - Number(a.severity === 'error'))
}
