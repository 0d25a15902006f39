import type { OperatingSystem } from '../core/computer/systems'

/** What a program's file is called on each system. */
const ENDINGS: Record<OperatingSystem, (name: string) => string> = {
  windows: (name) => `${name}.exe`,
  macos: (name) => `${name}.app`,
  linux: (name) => name.toLowerCase(),
}

/** The programs of the simulated computer, made up as everything on it. */
export const programsOf = (system: OperatingSystem): string[] =>
  ['Brinewatch', 'GantryRun', 'HollowTithe', 'Stavewright', 'Ledgerly'].map(ENDINGS[system])
