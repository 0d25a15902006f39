import type { DeviceInput, DeviceModel } from '../device/model'
import { commandKeyId } from '../document/command-key-id'
import { commandLabel, type Command, type Program } from '../document/program'
import type { Profile } from '../document/schema'
import { plainKey } from '../edits/commands'
import { isModifierCode } from '../hid/keyboard-page'
import { factList, message, type Message } from '../message/message'
import { commandKeysOn } from '../terms/commands'
import { actionParts, placedBindings, type ActionPart } from '../terms/profile'

/** Where the commands of a program lie on devices. */

/** A device of a set-up, with the profile it uses for the program. */
export interface SetUpDevice {
  model: DeviceModel
  profile: Profile
}

/** One place of a command on a device. */
export interface CommandPlace {
  layer: number
  input: DeviceInput
  part: ActionPart['part']
  /** Whether the binding refers to the command; otherwise it sends the same key. */
  linked: boolean
}

export interface CommandCoverage {
  command: Command
  label: string
  /** The places on each device, in the order of the devices. */
  places: CommandPlace[][]
}

/** Where each command lies, in the order of the program. */
export function coverageOf(program: Program, devices: readonly SetUpDevice[]): CommandCoverage[] {
  const maps = devices.map((device) => placesOn(program, device))
  return program.commands.map((command) => ({
    command,
    label: commandLabel(command, program),
    places: maps.map((places) => places.get(command.id) ?? []),
  }))
}

/** The places of all commands on one device, by the ids of the commands. */
function placesOn(program: Program, { model, profile }: SetUpDevice): ReadonlyMap<string, CommandPlace[]> {
  const byKey = new Map<string, string[]>()
  for (const command of program.commands)
    for (const key of commandKeysOn(program, command, profile.computer)) {
      const id = commandKeyId(key)
      byKey.set(id, [...(byKey.get(id) ?? []), command.id])
    }
  const found = new Map<string, CommandPlace[]>()
  const add = (id: string, place: CommandPlace) => {
    const places = found.get(id)
    if (places) places.push(place)
    else found.set(id, [place])
  }
  for (const { layer, input, binding } of placedBindings(profile, model)) {
    for (const { part, single } of actionParts(binding.action)) {
      const place = { layer, input, part }
      if (single.kind === 'command') {
        if (single.program === program.id) add(single.command, { ...place, linked: true })
        continue
      }
      const key = plainKey(single)
      for (const id of (key && byKey.get(commandKeyId(key))) ?? []) add(id, { ...place, linked: false })
    }
  }
  return found
}

export const isCovered = ({ places }: CommandCoverage): boolean => places.some((on) => on.length > 0)

/** How many commands have a place, of all and of the important ones. */
export function countCoverage(rows: readonly CommandCoverage[]): {
  all: number
  covered: number
  important: number
  importantCovered: number
} {
  const important = rows.filter(({ command }) => command.importance === 3)
  return {
    all: rows.length,
    covered: rows.filter(isCovered).length,
    important: important.length,
    importantCovered: important.filter(isCovered).length,
  }
}

/** A finding about a program: what is wrong, and the command that it is about. */
export interface ProgramFinding {
  severity: 'error' | 'warning' | 'information'
  command: string
  text: Message
}

/** What a person should know about a program and its set-up. */
export function checkProgram(program: Program, devices: readonly SetUpDevice[]): ProgramFinding[] {
  const rows = coverageOf(program, devices)
  return [
    ...(devices.length > 0 ? uncovered(rows) : []),
    ...sharedKeys(program),
    ...modifierCommands(program),
    ...twice(rows, devices),
  ]
}

const uncovered = (rows: readonly CommandCoverage[]): ProgramFinding[] =>
  rows
    .filter((row) => row.command.importance === 3 && !isCovered(row))
    .map(({ command, label }) => ({
      severity: 'warning',
      command: command.id,
      text: message('lists.importantNowhere', { command: label }),
    }))

/** Two commands on one key: the program does both, or which one depends on the situation. */
function sharedKeys(program: Program): ProgramFinding[] {
  const byKey = new Map<string, Command[]>()
  for (const command of program.commands)
    for (const key of command.keys) {
      // A key that is pressed twice is another command than the same key pressed once.
      const id = `${commandKeyId(key)} ${command.use === 'double' ? 'double' : ''}`
      byKey.set(id, [...(byKey.get(id) ?? []), command])
    }
  return [...byKey.values()]
    .filter((commands) => new Set(commands).size > 1)
    .map((commands) => ({
      severity: 'warning',
      command: commands[0]?.id ?? '',
      text: message('lists.sharedKey', {
        commands: factList(commands.map((command) => commandLabel(command, program))),
      }),
    }))
}

/** A chord presses its modifier too, which may be a command by itself. */
function modifierCommands(program: Program): ProgramFinding[] {
  const alone = new Map<string, Command>()
  for (const command of program.commands)
    for (const key of command.keys)
      if (key.kind === 'key' && isModifierCode(key.code)) alone.set(key.code, command)
  return program.commands.flatMap((command) =>
    command.keys.flatMap((key): ProgramFinding[] => {
      const modifier = key.kind === 'key' ? key.modifiers.find((code) => alone.has(code)) : undefined
      const other = modifier === undefined ? undefined : alone.get(modifier)
      return other && other !== command
        ? [
            {
              severity: 'warning',
              command: command.id,
              text: message('lists.modifierIsCommand', {
                command: commandLabel(command, program),
                other: commandLabel(other, program),
              }),
            },
          ]
        : []
    }),
  )
}

/** One command at two places of a device may be intended. */
const twice = (rows: readonly CommandCoverage[], devices: readonly SetUpDevice[]): ProgramFinding[] =>
  rows.flatMap(({ command, label, places }) =>
    places.flatMap((on, index): ProgramFinding[] =>
      on.filter(({ linked }) => linked).length > 1
        ? [
            {
              severity: 'information',
              command: command.id,
              text: message('lists.twiceOnDevice', {
                command: label,
                device: devices[index]?.model.name ?? '',
                inputs: factList(on.map(({ input }) => input.name)),
              }),
            },
          ]
        : [],
    ),
  )
