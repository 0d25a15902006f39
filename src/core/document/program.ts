import { array, boolean, number, object } from 'yup'
import { memoizeByObject } from '../base/memoize'
import { cleanName } from '../base/names'
import { ProfileError } from '../base/errors'
import { LAYOUT_IDS, type LayoutId } from '../computer/layouts'
import { MAX_PROGRAM_CHARACTERS } from '../computer/app-rules'
import { OPERATING_SYSTEMS, type OperatingSystem } from '../computer/shortcuts'
import { message, type Message } from '../message/message'
import { commandKeySchema, type CommandKey } from './command-key'
import {
  idSchema,
  integerSchema,
  isName,
  isNotBlank,
  isShort,
  literalSchema,
  oneOfSchema,
  problem,
  tagsSchema,
  textSchema,
  validate,
  wellFormedText,
} from './schema-parts'

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
const MAX_EXECUTABLES = 8
const MAX_PER_HOUR = 36_000
const MAX_NOTE = 300

const nameSchema = (maxBytes: number, missing: Message) =>
  textSchema(problem(missing)).test(isNotBlank).test(isName).test(isShort(maxBytes))

export const commandNameSchema = nameSchema(MAX_COMMAND_NAME_BYTES, message('problems.noCommandName'))
export const groupNameSchema = nameSchema(MAX_GROUP_NAME_BYTES, message('problems.noCommandName'))
export const programNameSchema = nameSchema(MAX_PROGRAM_NAME_BYTES, message('problems.noProgramName'))

const commandSchema = object({
  id: idSchema(),
  name: commandNameSchema,
  group: groupNameSchema.optional(),
  keys: array(commandKeySchema()).strict().required().max(MAX_COMMAND_KEYS),
  use: oneOfSchema(COMMAND_USES),
  importance: integerSchema().min(1).max(3),
  perHour: integerSchema().min(0).max(MAX_PER_HOUR).optional(),
  note: wellFormedText(MAX_NOTE).optional(),
}).noUnknown()

/** The schema of a program; use {@link parseProgram} to validate. */
export const programShape = object({
  format: literalSchema('unisera-program'),
  version: number<1>()
    .strict()
    .required(problem(message('problems.noVersion')))
    .oneOf([1], ({ value }: { value: unknown }) =>
      message('problems.laterVersion', { max: 1, version: String(value) }),
    ),
  id: idSchema(),
  name: programNameSchema,
  executables: array(wellFormedText(MAX_PROGRAM_CHARACTERS).test(isName).test(isNotBlank))
    .strict()
    .required(problem(message('problems.missingList')))
    .max(MAX_EXECUTABLES),
  system: oneOfSchema(OPERATING_SYSTEMS).optional(),
  layout: oneOfSchema(LAYOUT_IDS),
  byCharacter: boolean().strict().required(),
  tags: tagsSchema(),
  note: wellFormedText(MAX_NOTE).optional(),
  commands: array(commandSchema)
    .strict()
    .required(problem(message('problems.missingList')))
    .max(MAX_COMMANDS),
}).noUnknown()

/** Validates any value as a program. @throws ProfileError with a line for each problem */
export function parseProgram(value: unknown): Program {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    throw new ProfileError([message('problems.notProgram')])
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- Yup infers the numbers of a union as any number
  const program = validate(programShape, value) as Program
  const problems = [
    ...repeated(program.commands, ({ id }) => id),
    ...repeated(program.commands, (command) => commandLabel(command, program).toLowerCase()),
  ]
  if (problems.length > 0) throw new ProfileError(problems)
  return program
}

/** Commands that have the id or the label of another. */
function repeated(commands: readonly Command[], of: (command: Command) => string): Message[] {
  const first = new Map<string, string>()
  return commands.flatMap((command, index) => {
    const key = of(command)
    const other = first.get(key)
    if (other === undefined) first.set(key, command.name)
    return other === undefined
      ? []
      : message('problems.sameCommand', { place: `commands[${index}]`, name: command.name, other })
  })
}

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
