/** Limits that were exceeded in this run: the benchmark ends with exit 1 where there are any. */
const exceeded: string[] = []

/**
 * A figure with its limit, as a line of a table has it. Only counts and ratios have limits that end the run: times are
 * told, and differ from machine to machine.
 */
export function limited(what: string, value: number, most: number, digits = 0): string {
  if (value > most) exceeded.push(`${what}: ${value.toFixed(digits)}, more than ${most}`)
  return `| ${what} | ${value.toFixed(digits)} | ${most} |${value > most ? ' **exceeded** |' : ' |'}`
}

export const LIMIT_COLUMNS = ['| what | measured | limit | |', '| --- | --- | --- | --- |']

/** What was exceeded, or undefined where nothing was. */
export const exceededLimits = (): string | undefined =>
  exceeded.length > 0 ? exceeded.join('\n') : undefined
