import type { DeviceModel } from '../device/model'
import { CHECKS_OF_BINDINGS } from './checks-of-bindings'
import { CHECKS_OF_LAYERS } from './checks-of-layers'
import { CHECKS_OF_SETTINGS } from './checks-of-settings'
import type { Check, Finding } from './finding'
import type { Profile } from './schema'

export type { Finding } from './finding'
export { checkNames, checkSize } from './checks-of-size'

/** Every rule there is; a new one is a function in one of the three files, listed there. */
const CHECKS: readonly Check[] = [...CHECKS_OF_BINDINGS, ...CHECKS_OF_LAYERS, ...CHECKS_OF_SETTINGS]

/**
 * Runs every check that needs no bytes. Errors first.
 *
 * @param profile a profile that passed its schema
 * @param model the model it is for
 */
export function checkProfile(profile: Profile, model: DeviceModel): Finding[] {
  const findings = CHECKS.flatMap((check) => check(profile, model))
  return findings.sort((a, b) => Number(b.severity === 'error') - Number(a.severity === 'error'))
}
