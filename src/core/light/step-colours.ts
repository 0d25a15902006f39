/** Colours for new steps, which everyone can distinguish (distinct-colours.ts; checked by a test). */
export const STEP_COLOURS: readonly string[] = [
  '#e04f2f',
  '#f2c14e',
  '#2e9bd6',
  '#ffffff',
  '#2fd39a',
  '#b6378e',
]
