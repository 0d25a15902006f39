/** For a number that is typed: taken within its bounds, or refused in words. */
export const bounded =
  (least: number, most: number, unit: string, take: (value: number) => unknown) =>
  (value: number): string | undefined => {
    if (value < least || value > most) return `From ${least} to ${most} ${unit}`.trimEnd()
    take(value)
    return undefined
  }
