import { t } from '../../messages/page'
import { decimal } from '../shared/numbers'
import type { Estimate } from '../../core/base/statistics'

/** A number with a fixed number of decimals, or a dash if it is missing. */
export const decimalText = (value: number, digits: number): string =>
  Number.isFinite(value) ? decimal(value, digits) : '–'

/** `1,651 (1,648 to 1,654)`. */
export function estimateText({ value, low, high }: Estimate, digits = 0, unit = ''): string {
  const of = (number: number) => decimalText(number, digits)
  const interval =
    Number.isFinite(low) && Number.isFinite(high) ? t('measure.to2', { low: of(low), high: of(high) }) : ''
  return [`${of(value)}${unit}`, interval].filter(Boolean).join(' ')
}

/** Whether an interval contains the actual value, as text. */
export const containsActualText = ({ low, high }: Estimate, truth: number, text: string): string =>
  low <= truth && truth <= high
    ? t('measure.actualValueWithinTheInterval', { value: text })
    : t('measure.actualValueOutsideTheInterval', { value: text })
