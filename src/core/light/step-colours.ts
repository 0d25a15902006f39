/** Colours for new steps: every sight tells each of them from each other (tellable.ts; a test holds it). */
export const STEP_COLOURS: readonly string[] = [
  '#e04f2f',
  '#f2c14e',
  '#2e9bd6',
  '#ffffff',
  '#2fd39a',
  '#b6378e',
]
