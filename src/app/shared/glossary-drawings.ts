/** A drawing for each glossary term, as paths in a field of 96 by 40: ink, and the main part in colour. */
export interface TermDrawing {
  ink: string
  /** The main part. */
  key: string
  family: 'binding' | 'macro' | 'motion' | 'light' | 'system'
}

export const TERM_DRAWINGS: Record<string, TermDrawing> = {
  dpi: {
    ink: 'M6 30H90M6 26V34M90 26V34',
    key: 'M6 22v8M12 25v5M18 25v5M24 25v5M30 25v5M36 25v5M42 25v5M48 22v8M54 25v5M60 25v5M66 25v5M72 25v5M78 25v5M84 25v5M90 22v8',
    family: 'motion',
  },
  'polling-rate': {
    ink: 'M4 32H92',
    key: 'M8 32V12M20 32V12M32 32V12M44 32V12M56 32V12M68 32V12M80 32V12',
    family: 'motion',
  },
  debounce: {
    ink: 'M4 32H28V8H32V32H36V8H39V32H42V8H92',
    key: 'M28 36H60M28 34V38M60 34V38',
    family: 'motion',
  },
  'lift-off-distance': {
    ink: 'M6 34H90M22 18Q48 2 74 18L70 26H26Z',
    key: 'M82 34V26M79 29L82 26L85 29M79 31L82 34L85 31',
    family: 'motion',
  },
  'angle-snapping': {
    ink: 'M6 30L20 26L34 29L48 22L62 26L76 19L90 22',
    key: 'M6 14H90',
    family: 'motion',
  },
  layer: {
    ink: 'M14 34L34 26H84L64 34Z',
    key: 'M14 22L34 14H84L64 22ZM24 26V22M74 26V20',
    family: 'binding',
  },
  'tap-and-hold': {
    ink: 'M6 30H16V12H22V30H34M34 30H44V12H84V30H92',
    key: 'M64 12V6M64 6H84M61 9L64 6L67 9',
    family: 'binding',
  },
  macro: {
    ink: 'M4 34H92',
    key: 'M8 28h14v-8H8ZM28 28h8v-8h-8ZM42 18h22v-8H42ZM70 28h18v-8H70Z',
    family: 'macro',
  },
  slot: {
    ink: 'M8 10h14v22H8ZM28 10h14v22H28ZM68 10h14v22H68Z',
    key: 'M48 10h14v22H48ZM52 16h6M52 21h6M52 26h4',
    family: 'system',
  },
  'surface-calibration': {
    ink: 'M6 34H90M30 14Q48 4 66 14V26H30Z',
    key: 'M10 34q4 -5 8 0t8 0t8 0t8 0t8 0t8 0t8 0t8 0t8 0',
    family: 'motion',
  },
  receiver: {
    ink: 'M10 14h12v14H10ZM22 17h8v8h-8ZM66 10q14 0 16 20H62Q60 12 66 10Z',
    key: 'M38 14q5 7 0 14M45 10q8 11 0 22',
    family: 'system',
  },
  firmware: {
    ink: 'M30 8h36v26H30ZM24 13h6M24 21h6M24 29h6M66 13h6M66 21h6M66 29h6',
    key: 'M48 14V28M42 22L48 28L54 22',
    family: 'system',
  },
  effect: {
    ink: 'M6 34H90M6 34V8M6 21H90',
    key: 'M8 30q10 -20 20 0t20 0t20 0t20 0M8 14h26M46 14h26',
    family: 'light',
  },
  capture: {
    ink: 'M28 10h22v20H28Z',
    key: 'M62 20H92M62 20L68 15M62 20L68 25M36 24v-8l6 8v-8',
    family: 'binding',
  },
}
