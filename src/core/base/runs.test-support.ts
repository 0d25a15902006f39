/** Set by `npm run unit:deep` and `npm run mutants`: properties are tried this many times as often. */
const TIMES = Number(process.env['UNIT_DEPTH'] ?? 1)

/** How often a property is tried: so often in `npm test`, many times as often by night. */
export const runs = (short: number): { numRuns: number } => ({
  numRuns: Math.max(2, Math.round(short * TIMES)),
})
