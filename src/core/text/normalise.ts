/** Normalises typed text: case and spaces do not matter, including those around a plus sign. */
export const normalise = (typed: string): string =>
  typed
    .trim()
    .toLowerCase()
    .replace(/\s+/g, ' ')
    .replace(/ ?\+ ?(?=.)/g, '+')
