/** Limits exceeded in this run: if there are any, the benchmark exits with 1. */
const exceeded: string[] = []

/**
 * A figure with its limit, as in a table row. Only counts and ratios have limits that end the run: times differ between
 * machines and are only shown.
 */
export function limited(what: string, value: number, max: number, digits = 0): string {
  if (value > max) exceeded.push(`${what}: ${value.toFixed(digits)}, more than ${max}`)
  return `| ${what} | ${value.toFixed(digits)} | ${max} |${value > max ? ' **exceeded** |' : ' |'}`
}

export const LIMIT_COLUMNS = ['| what | measured | limit | |', '| --- | --- | --- | --- |']

/** The exceeded limit, or undefined. */
export const exceededLimits = (): string | undefined =>
  exceeded.length > 0 ? exceeded.join('\n') : undefined
