/** Pseudo-random numbers that are the same for the same seed. */
export interface RandomSource {
  /** Uniform from 0 to below 1. */
  uniform(): number
  /** Normal, mean 0 and standard deviation 1: Box and Muller 1958. */
  normal(): number
  /** Exponential with this mean. */
  exponential(mean: number): number
}

/** xorshift32: Marsaglia, "Xorshift RNGs", Journal of Statistical Software 8 (2003). */
export function randomSource(seed: number): RandomSource {
  let state = (Math.imul(seed, 0x9e3779b1) ^ 0x85ebca6b) >>> 0 || 1
  const uniform = () => {
    state ^= state << 13
    state ^= state >>> 17
    state ^= state << 5
    return (state >>> 0) / 2 ** 32
  }
  // Similar seeds start with similar numbers, which are skipped.
  for (let warm = 0; warm < 8; warm++) uniform()
  return {
    uniform,
    normal: () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform()),
    exponential: (mean) => -mean * Math.log(1 - uniform()),
  }
}
