/** Set by `npm run unit:deep` and `npm run mutants`: multiplies the runs of property tests. */
const TIMES = Number(process.env['UNIT_DEPTH'] ?? 1)

/** Number of runs of a property: the given one in `npm test`, more in deep tests. */
export const runs = (short: number): { numRuns: number } => ({
  numRuns: Math.max(2, Math.round(short * TIMES)),
})
