/**
 * Integer arithmetic for light, identical on every machine: docs/onboard-format.md has the tables and each rounding, so
 * that an implementation in C produces the same frames byte for byte.
 */

/** A full turn, level or coverage, in 65,536ths. */
export const ONE = 65_536
/** Maximum light of a channel: light is counted from 0 to 65,535. */
export const MAX_LIGHT = 65_535

/**
 * The light of an LED level of 0 to 255: the transfer function of sRGB (IEC 61966-2-1), with one more entry at the end.
 */
export const LIGHT_OF_DRIVE = Uint16Array.from({ length: 257 }, (_, drive) => {
  const value = Math.min(255, drive) / 255
  return Math.round(MAX_LIGHT * (value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4))
})

/** Half way between the light of one LED level and the next. */
const HALFWAY = Uint16Array.from({ length: 255 }, (_, drive) => {
  return ((LIGHT_OF_DRIVE[drive] ?? 0) + (LIGHT_OF_DRIVE[drive + 1] ?? 0) + 1) >> 1
})

/** The LED level nearest to each amount of light; the higher one half way. */
const DRIVE_OF_LIGHT = (() => {
  const table = new Uint8Array(MAX_LIGHT + 1)
  let drive = 0
  for (let light = 0; light <= MAX_LIGHT; light++) {
    while (drive < 255 && light >= (HALFWAY[drive] ?? 0)) drive++
    table[light] = drive
  }
  return table
})()

export const nearestDrive = (light: number): number => DRIVE_OF_LIGHT[light] ?? 0

/** The highest LED level with no more light than this. */
export function driveBelow(light: number): number {
  const drive = DRIVE_OF_LIGHT[light] ?? 0
  return (LIGHT_OF_DRIVE[drive] ?? 0) > light ? drive - 1 : drive
}

/**
 * Light of a channel at a perceived brightness: the LED level times the brightness, in 256ths of a level, interpolated
 * between two levels.
 *
 * @param drive 0 to 255
 * @param level 0 to {@link ONE}
 */
export function litChannel(drive: number, level: number): number {
  const scaled = (drive * level) >>> 8 // at most 255 × 65,536: 24 bits
  const [whole, part] = [scaled >> 8, scaled & 0xff]
  return (
    (LIGHT_OF_DRIVE[whole] ?? 0) +
    ((((LIGHT_OF_DRIVE[whole + 1] ?? 0) - (LIGHT_OF_DRIVE[whole] ?? 0)) * part) >> 8)
  )
}

/** A percentage as a level. */
export const levelOf = (percent: number): number => Math.floor((percent * ONE + 50) / 100)

/** (a × (1 − part) + b × part) of two lights, part in 65,536ths; rounded down. The sum stays below 2³². */
export const mixLight = (a: number, b: number, part: number): number => (a * (ONE - part) + b * part) >>> 16

/** (1 − cos) / 2 for each 256th of a turn, in 65,536ths. */
export const RAISED_COSINE = Uint32Array.from({ length: 257 }, (_, at) =>
  Math.round(ONE * (0.5 - 0.5 * Math.cos((2 * Math.PI * at) / 256))),
)

/** The raised cosine at a turn of 0 to 65,535, interpolated between two entries. */
export function raisedCosine(turn: number): number {
  const [at, part] = [turn >> 8, turn & 0xff]
  return (
    (RAISED_COSINE[at] ?? 0) +
    Math.floor((((RAISED_COSINE[at + 1] ?? 0) - (RAISED_COSINE[at] ?? 0)) * part) / 256)
  )
}

/** Degrees between two possible directions, and their cosines in 16,384ths, from 0° on. */
export const DIRECTION_STEP = 15
export const COSINE = Int32Array.from({ length: 360 / DIRECTION_STEP }, (_, at) =>
  Math.round(16_384 * Math.cos((at * DIRECTION_STEP * Math.PI) / 180)),
)

export interface Axis {
  x: number
  y: number
}

/** A direction in degrees, in 16,384ths; 0° is to the right, 90° towards the hand. */
export function axisOf(degrees: number): Axis {
  const count = COSINE.length
  const at = Math.round(degrees / DIRECTION_STEP) % count
  return { x: COSINE[at] ?? 0, y: COSINE[(at + count - count / 4) % count] ?? 0 }
}

/** The distance of a position along a direction, in its own unit; rounded down. */
export const distanceAlong = (x: number, y: number, axis: Axis): number => (x * axis.x + y * axis.y) >> 14

/** Length of (x, y), rounded down. */
export const lengthOf = (x: number, y: number): number => Math.floor(Math.sqrt(x * x + y * y))

/** Time as a turn of a period: 0 to 65,535. */
export const turnOf = (ms: number, periodMs: number): number =>
  Math.floor(((((ms % periodMs) + periodMs) % periodMs) * ONE) / periodMs)

/**
 * Reproducible random numbers: 32 bits mixed from a seed and two indices. The mixing is "lowbias32" (C. Wellons,
 * "Prospecting for Hash Functions", 2018).
 */
export function hash32(seed: number, a: number, b: number): number {
  return mixed(mixed(mixed(seed) ^ a) ^ b)
}

function mixed(value: number): number {
  let x = value >>> 0
  x = Math.imul(x ^ (x >>> 16), 0x7feb352d)
  x = Math.imul(x ^ (x >>> 15), 0x846ca68b)
  return (x ^ (x >>> 16)) >>> 0
}
