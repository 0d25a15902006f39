import type { OperatingSystem } from '../core/computer/operating-systems'

/** File names of a program on each system. */
const ENDINGS: Record<OperatingSystem, (name: string) => string> = {
  windows: (name) => `${name}.exe`,
  macos: (name) => `${name}.app`,
  linux: (name) => name.toLowerCase(),
}

/** The made-up programs of the simulated computer. */
export const programsOf = (system: OperatingSystem): string[] =>
  ['Brinewatch', 'GantryRun', 'HollowTithe', 'Stavewright', 'Ledgerly'].map(ENDINGS[system])
