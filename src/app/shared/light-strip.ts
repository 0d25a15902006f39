import { prepareLight, composeLight, driveLights } from '../../core/light/compose'
import type { DeviceModel } from '../../core/device/model'
import { lowerShown, withoutMacros } from '../../core/document/light'
import { brightnessOf, restOf } from '../../core/document/light-state'
import type { Profile } from '../../core/document/schema'

/** Moments a small strip has, the time it covers in ms, and the lights it shows at most. */
const COLUMNS = 64
const WINDOW_MS = 4000
const MOST_ROWS = 8

const known = new WeakMap<Profile['light'], string>()

/** The light of a profile over its first four seconds, as a small picture: time to the right, lights from top to bottom. */
export function lightStrip(profile: Profile, model: DeviceModel): string {
  const there = known.get(profile.light)
  if (there !== undefined) return there
  const prepared = prepareLight(lowerShown(profile.light, withoutMacros(model)), model)
  const every = Math.ceil(prepared.plan.count / MOST_ROWS)
  const rows = Math.ceil(prepared.plan.count / every)
  const pixels = new ImageData(COLUMNS, rows)
  const level = brightnessOf(profile, model)
  for (let column = 0; column < COLUMNS; column++) {
    const light = composeLight(prepared, restOf(profile), Math.floor((column * WINDOW_MS) / COLUMNS))
    const { drives } = driveLights(light, level, model.electrical)
    for (let row = 0; row < rows; row++) {
      const at = 3 * row * every
      pixels.data.set([...drives.subarray(at, at + 3), 255], 4 * (row * COLUMNS + column))
    }
  }
  const canvas = Object.assign(document.createElement('canvas'), { width: COLUMNS, height: rows })
  canvas.getContext('2d')?.putImageData(pixels, 0, 0)
  const picture = canvas.toDataURL()
  known.set(profile.light, picture)
  return picture
}
