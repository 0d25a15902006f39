/** What a person typed, so that case and spaces do not matter, nor those about a plus sign. */
export const normalise = (typed: string): string =>
  typed
    .trim()
    .toLowerCase()
    .replace(/\s+/g, ' ')
    .replace(/ ?\+ ?(?=.)/g, '+')
