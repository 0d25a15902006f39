import type { Estimate } from '../../core/base/statistics'

/** A number with so many decimals, or a dash where there is none. */
export const figure = (value: number, digits: number): string =>
  Number.isFinite(value)
    ? value.toLocaleString('en', { minimumFractionDigits: digits, maximumFractionDigits: digits })
    : '–'

/** `1,651 (1,648 to 1,654)`. */
export function estimateText({ value, low, high }: Estimate, digits = 0, unit = ''): string {
  const of = (number: number) => figure(number, digits)
  const interval = Number.isFinite(low) && Number.isFinite(high) ? ` (${of(low)} to ${of(high)})` : ''
  return `${of(value)}${unit}${interval}`
}

/** Whether an interval holds what was planted, in words. */
export const heldText = ({ low, high }: Estimate, truth: number, text: string): string =>
  `planted ${text}: ${low <= truth && truth <= high ? 'within' : 'outside'} the interval`
