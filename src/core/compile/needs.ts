import { compareVersions, type FirmwareVersion } from '../base/versions'
import { sinceOf } from '../effects/registry'
import type { Profile } from '../document/schema'
import { EFFECT_WORDS } from '../text/light-words'

/** Something of a profile that only newer firmware does. */
export interface FirmwareNeed {
  what: string
  since: FirmwareVersion
}

/** What of a profile a device passes over that runs this version; each once. */
export function passedOverBy(profile: Profile, version: FirmwareVersion): FirmwareNeed[] {
  const names = new Set(profile.light.flatMap((item) => (item.kind === 'later' ? [] : [item.effect.kind])))
  return [...names].flatMap((name) => {
    const since = sinceOf(name)
    return since && compareVersions(since, version) > 0 ? [{ what: EFFECT_WORDS[name].text, since }] : []
  })
}
