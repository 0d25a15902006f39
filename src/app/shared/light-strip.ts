import { getCurrentScope, shallowRef, watch, type Ref } from 'vue'
import { prepareLight, composeLight, driveLights } from '../../core/light/compose'
import type { DeviceModel } from '../../core/device/model'
import { lowerShownLight, withoutMacros } from '../../core/terms/light'
import { brightnessOf, stateAtRest } from '../../core/terms/light-state'
import type { Profile } from '../../core/document/schema'
import { stripPicture } from './strip-picture'

/** Columns of a small strip, its time in ms, and its maximum number of lights. */
const COLUMNS = 64
const WINDOW_MS = 4000
const MAX_ROWS = 8

const known = new WeakMap<Profile, string | undefined>()

/** Pictures are made one at a time, two frames later, so that a list appears first. */
const afterFrames = () =>
  new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(resolve))))
let last: Promise<unknown> = Promise.resolve()

/** The light of a profile over its first four seconds, as a small picture, available shortly after the profile. */
export function useLightStrip(
  wanted: () => { profile: Profile; model: DeviceModel | undefined },
): Ref<string | undefined> {
  const picture = shallowRef<string>()
  const scope = getCurrentScope()
  const isGone = () => scope?.active === false
  const make = async () => {
    const { profile, model } = wanted()
    if (!model || isGone()) return
    await afterFrames()
    // Later requests are handled separately.
    if (!isGone() && wanted().profile === profile) picture.value = lightStrip(profile, model)
  }
  watch(
    () => wanted().profile,
    (profile) => {
      picture.value = known.get(profile)
      if (!known.has(profile)) last = last.then(make)
    },
    { immediate: true },
  )
  return picture
}

function lightStrip(profile: Profile, model: DeviceModel): string | undefined {
  const prepared = prepareLight(lowerShownLight(profile.light, withoutMacros(model)), model)
  const { count } = prepared.plan
  const every = Math.ceil(count / MAX_ROWS)
  const shown = Array.from({ length: Math.ceil(count / every) }, (_, row) => row * every)
  const [level, state] = [brightnessOf(profile, model), stateAtRest(profile)]
  const picture = stripPicture(COLUMNS, shown, (column) => {
    const light = composeLight(prepared, state, Math.floor((column * WINDOW_MS) / COLUMNS))
    return driveLights(light, level, model.electrical).drives
  })
  known.set(profile, picture)
  return picture
}
