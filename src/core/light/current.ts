import type { Electrical, LightZone } from '../device/model'
import type { Rgb } from '../base/colour'

/** Current of all lights in mA, for the mean drive of each zone: a light draws `lightMa` a channel at full drive. */
export const lightsMa = (
  means: readonly Rgb[],
  zones: readonly LightZone[],
  { lightMa }: Electrical,
): number =>
  means.reduce(
    (sum, { red, green, blue }, zone) =>
      sum + ((red + green + blue) / 255) * lightMa * (zones[zone]?.lights ?? 0),
    0,
  )
