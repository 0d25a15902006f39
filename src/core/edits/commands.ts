import { deepEqual } from '../base/deep-equal'
import type { TargetComputer } from '../computer/shortcuts'
import { commandKeyId } from '../document/command-key-id'
import { type CommandKey } from '../document/command-key'
import type { Macro, MacroEvent } from '../document/macro'
import { commandLabel, findCommand, type Command, type Program, type ProgramShelf } from '../document/program'
import type { Profile, SingleAction } from '../document/schema'
import { mapAction, mapActions, mapBindings } from './map-actions'
import { bindingName, commandAction, commandKeysOn, type CommandAction } from '../terms/commands'

/** Commands of programs in profiles and macros: updating their keys, and finding them again in plain keys. */

/** Its name and key as its program has them now. A command that no longer exists keeps its last ones. */
function currentCommand<Known extends Pick<CommandAction, 'program' | 'command' | 'name' | 'key'>>(
  known: Known,
  programs: ProgramShelf,
  computer: TargetComputer | undefined,
): Known {
  const found = findCommand(programs, known)
  if (!found) return known
  const { program, command } = found
  const keys = commandKeysOn(program, command, computer ?? { layout: program.layout })
  // A second key of the command is as good as the first.
  const stays = known.key && keys.some((key) => sameKey(key, known.key))
  const { key: _, ...rest } = known
  const key = stays ? known.key : keys[0]
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- only the optional key was omitted
  const next = { ...rest, name: commandLabel(command, program), ...(key && { key }) } as Known
  return deepEqual(next, known) ? known : next
}

const sameKey = (one: CommandKey, other: CommandKey | undefined): boolean =>
  other !== undefined && commandKeyId(one) === commandKeyId(other)

/** A profile whose commands have the names and keys of their programs; the same object if they already have. */
export const refreshCommands = (profile: Profile, programs: ProgramShelf): Profile =>
  mapActions(profile, (action) =>
    action.kind === 'command' ? currentCommand(action, programs, profile.computer) : action,
  )

/** The same for a macro, which has no computer: its commands have the keys of the program's own layout. */
export function refreshMacroCommands(macro: Macro, programs: ProgramShelf): Macro {
  const events = macro.events.map((event): MacroEvent =>
    event.kind === 'command' ? currentCommand(event, programs, undefined) : event,
  )
  return events.every((event, index) => event === macro.events[index]) ? macro : { ...macro, events }
}

/**
 * Links plain keys to the commands of a program, as in a profile that was read from a device. A key is linked if exactly
 * one command has it, and the binding has no in-game name or the name of that command.
 */
export function linkCommands(profile: Profile, program: Program): Profile {
  const byKey = commandsByKey(program, profile.computer)
  const linked = mapBindings(profile, (binding) => {
    const link = (single: SingleAction): SingleAction => {
      const key = plainKey(single)
      const [command, ...others] = (key && byKey.get(commandKeyId(key))) ?? []
      if (!key || !command || others.length > 0) return single
      return { ...commandAction(program, command, profile.computer), key }
    }
    const action = mapAction(binding.action, link)
    if (action === binding.action) return binding
    const { name, ...rest } = binding
    if (name === undefined) return { ...rest, action }
    return bindingName({ action }) === name ? { ...rest, action } : binding
  })
  return linked === profile ? profile : { ...linked, program: program.id }
}

/** The commands of a program by their keys on a computer. */
export function commandsByKey(
  program: Program,
  computer: TargetComputer,
): ReadonlyMap<string, readonly Command[]> {
  const found = new Map<string, Command[]>()
  for (const command of program.commands)
    for (const key of commandKeysOn(program, command, computer)) {
      const id = commandKeyId(key)
      const others = found.get(id)
      if (others) others.push(command)
      else found.set(id, [command])
    }
  return found
}

/** The key that an action sends, if a command could have it. */
export function plainKey(action: SingleAction): CommandKey | undefined {
  if (action.kind === 'key') return { kind: 'key', code: action.code, modifiers: action.modifiers }
  if (action.kind === 'button' && action.clicks === 1)
    return { kind: 'button', button: action.button, clicks: 1 }
  return action.kind === 'scroll' && action.amount === 1
    ? { kind: 'scroll', direction: action.direction, amount: 1 }
    : undefined
}
