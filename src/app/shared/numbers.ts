/** Numbers as the person's system writes them: its sign for decimals, and what stands between thousands. */
const formats = new Map<number, Intl.NumberFormat>()

/** @param digits behind the decimal sign, all of them written */
export function decimal(value: number, digits = 0): string {
  const format =
    formats.get(digits) ??
    new Intl.NumberFormat(undefined, { minimumFractionDigits: digits, maximumFractionDigits: digits })
  formats.set(digits, format)
  return format.format(value)
}

const INCH_MM = 25.4

/** A distance of the hand, in what its person counts in. */
export const lengthText = (
  mm: number,
  digits: number,
  lengths: 'metric' | 'inches',
  unit: 'mm' | 'cm',
): string => {
  if (lengths === 'inches') return `${decimal(mm / INCH_MM, 2)} in`
  return unit === 'mm' ? `${decimal(mm, digits)} mm` : `${decimal(mm / 10, digits)} cm`
}
