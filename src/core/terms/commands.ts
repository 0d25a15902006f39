import { keyOnLayout } from '../computer/layouts'
import type { TargetComputer } from '../computer/shortcuts'
import type { CommandKey } from '../document/command-key'
import { commandLabel, type Command, type Program } from '../document/program'
import type { Action, Binding, SingleAction } from '../document/schema'
import { truncateUtf8 } from '../base/names'
import { MAX_BINDING_NAME_BYTES } from '../base/name-lengths'

/** Commands of programs as actions of inputs, and the plain actions that devices store for them. */

/** An action that performs a command of a program. */
export type CommandAction = Extract<SingleAction, { kind: 'command' }>

/** A command as actions refer to it, with its first key on a computer. */
export function commandAction(program: Program, command: Command, computer: TargetComputer): CommandAction {
  const [key] = commandKeysOn(program, command, computer)
  return {
    kind: 'command',
    program: program.id,
    command: command.id,
    name: commandLabel(command, program),
    ...(key && { key }),
  }
}

/** All commands of a program as actions, in order. */
export const commandActions = (program: Program, computer: TargetComputer): CommandAction[] =>
  program.commands.map((each) => commandAction(program, each, computer))

/** The keys of a command on a computer. A program that recognises keys by their characters has them elsewhere on another layout. */
export const commandKeysOn = (
  { byCharacter, layout }: Pick<Program, 'byCharacter' | 'layout'>,
  { keys }: Command,
  computer: TargetComputer,
): readonly CommandKey[] =>
  byCharacter && layout !== computer.layout
    ? keys.map((key) =>
        key.kind === 'key' ? { ...key, code: keyOnLayout(key.code, layout, computer.layout) } : key,
      )
    : keys

/** Replaces each command by its key. A command without a key is unchanged. */
export function plainAction(action: Action): Action {
  if (action.kind !== 'tap-hold') return plainSingle(action)
  const [tap, hold] = [plainSingle(action.tap), plainSingle(action.hold)]
  return tap === action.tap && hold === action.hold ? action : { ...action, tap, hold }
}

const plainSingle = (action: SingleAction): SingleAction =>
  action.kind === 'command' && action.key ? action.key : action

/**
 * The in-game name of a binding: its own, or the name of its command. Of tap and hold, the command that is held
 * counts.
 */
export function bindingName({ action, name }: Pick<Binding, 'action' | 'name'>): string | undefined {
  if (name !== undefined) return name
  const parts = action.kind === 'tap-hold' ? [action.hold, action.tap] : [action]
  const command = parts.find((each) => each.kind === 'command')
  return command && truncateUtf8(command.name, MAX_BINDING_NAME_BYTES).trim()
}
