import { t } from '../../messages/page'
/** Numbers in the format of the person's system: decimal sign and thousands separators. */
const formats = new Map<number, Intl.NumberFormat>()

/** @param digits number of decimals */
export function decimal(value: number, digits = 0): string {
  const format =
    formats.get(digits) ??
    new Intl.NumberFormat(undefined, { minimumFractionDigits: digits, maximumFractionDigits: digits })
  formats.set(digits, format)
  return format.format(value)
}

/** A number with at most this many decimals. */
export const shortDecimal = (value: number, maxDigits: number): string =>
  new Intl.NumberFormat(undefined, { maximumFractionDigits: maxDigits }).format(value)

const INCH_MM = 25.4

/** A distance of the hand, in the person's units. */
export const lengthText = (
  mm: number,
  digits: number,
  lengths: 'metric' | 'inches',
  unit: 'mm' | 'cm',
): string => {
  if (lengths === 'inches') return t('shared.in', { value: decimal(mm / INCH_MM, 2) })
  return unit === 'mm'
    ? t('shared.mm', { value: decimal(mm, digits) })
    : t('shared.cm', { value: decimal(mm / 10, digits) })
}
