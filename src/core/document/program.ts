import { memoizeByObject } from '../base/memoize'
import { cleanName } from '../base/names'
import type { LayoutId } from '../computer/layouts'
import type { OperatingSystem } from '../computer/shortcuts'
import type { CommandKey } from './command-key'

/**
 * A program on the computer, such as a game, and its commands: what it can be told to do, and by which keys. It stays
 * in the library; profiles and macros refer to its commands, and devices store only keys.
 */
export interface Program {
  format: 'unisera-program'
  version: 1
  /** Identifies it in profiles and macros, regardless of its name. */
  id: string
  name: string
  /** Its executables, such as `Brinewatch.exe`, from which app rules are made. */
  executables: string[]
  /** The operating system that its keys are for, if it matters. */
  system?: OperatingSystem
  /** The keyboard layout on which its keys are named. */
  layout: LayoutId
  /**
   * Whether it recognises keys by the characters on them, as editors do: on another layout a key is then where its
   * character is. Most games recognise keys by their positions, which are the same on every layout.
   */
  byCharacter: boolean
  tags: string[]
  note?: string
  commands: Command[]
}

/** How a command is used: pressed once, held, switched on and off, or pressed twice. */
export const COMMAND_USES = ['press', 'hold', 'toggle', 'double'] as const
export type CommandUse = (typeof COMMAND_USES)[number]

/** 3 is important, 2 normal, 1 rarely used. */
export type Importance = 1 | 2 | 3

/** One thing that a program can be told to do by a key. */
export interface Command {
  /** Identifies it in its program. */
  id: string
  name: string
  group?: string
  /** Up to two; the first is used for new bindings. Without a key, it cannot be bound. */
  keys: CommandKey[]
  use: CommandUse
  importance: Importance
  /** Presses per hour, if known. */
  perHour?: number
  note?: string
}

export const MAX_COMMANDS = 600
export const MAX_COMMAND_KEYS = 2
export const MAX_PROGRAM_NAME_BYTES = 60
/** As long as an in-game name, so that it fits into a slot. */
export const MAX_COMMAND_NAME_BYTES = 32
export const MAX_GROUP_NAME_BYTES = 32
/** A program without commands. */
export const emptyProgram = (id: string, name: string, layout: LayoutId = 'us'): Program => ({
  format: 'unisera-program',
  version: 1,
  id,
  name: cleanName(name, MAX_PROGRAM_NAME_BYTES, 'Program'),
  executables: [],
  layout,
  byCharacter: false,
  tags: [],
  commands: [],
})

/** The name of a command; with its group where another command has the same name. */
export function commandLabel({ name, group }: Command, program: Pick<Program, 'commands'>): string {
  return group !== undefined && sharedNames(program).has(name.toLowerCase()) ? `${name} (${group})` : name
}

/** Names in lower case that more than one command has. */
const sharedNames = memoizeByObject(({ commands }: Pick<Program, 'commands'>): ReadonlySet<string> => {
  const seen = new Set<string>()
  const shared = new Set<string>()
  for (const { name } of commands) {
    const key = name.toLowerCase()
    if (seen.has(key)) shared.add(key)
    seen.add(key)
  }
  return shared
})

/** Programs by their ids. */
export type ProgramShelf = ReadonlyMap<string, Program>
export const NO_PROGRAMS: ProgramShelf = new Map()

export const programShelf = (programs: readonly Program[]): ProgramShelf =>
  new Map(programs.map((program) => [program.id, program]))

/** A command of a shelf, with its program. */
export function findCommand(
  shelf: ProgramShelf,
  { program: programId, command: commandId }: { program: string; command: string },
): { program: Program; command: Command } | undefined {
  const program = shelf.get(programId)
  const command = program && commandsById(program).get(commandId)
  return program && command && { program, command }
}

const commandsById = memoizeByObject(
  ({ commands }: Program): ReadonlyMap<string, Command> => new Map(commands.map((each) => [each.id, each])),
)
