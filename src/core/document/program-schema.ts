import { array, boolean, number, object } from 'yup'
import { ProfileError } from '../base/errors'
import { MAX_PROGRAM_CHARACTERS } from '../computer/app-rules'
import { LAYOUT_IDS } from '../computer/layouts'
import { OPERATING_SYSTEMS } from '../computer/shortcuts'
import { message, type Message } from '../message/message'
import { commandKeySchema } from './command-key'
import {
  COMMAND_USES,
  commandLabel,
  MAX_COMMAND_KEYS,
  MAX_COMMAND_NAME_BYTES,
  MAX_COMMANDS,
  MAX_GROUP_NAME_BYTES,
  MAX_PROGRAM_NAME_BYTES,
  type Command,
  type Program,
} from './program'
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

/** The schema of programs, apart from their types: the first view needs none of it. */

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
