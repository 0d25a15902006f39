import type { DeviceModel } from '../device/model'
import { findCommand, type ProgramShelf } from '../document/program'
import type { Profile } from '../document/schema'
import { refreshCommands } from '../edits/commands'
import { mapActions } from '../edits/map-actions'
import { unbind } from '../edits/edits'
import type { CommandAction } from '../terms/commands'
import { actionParts, placedBindings, type ActionPart, type PlacedBinding } from '../terms/profile'
import {
  bindingPlace,
  createFix,
  errorFinding,
  nameInput,
  warningFinding,
  type Check,
  type Finding,
} from './finding'

/** Rules for commands of programs. */

interface PlacedCommand extends PlacedBinding {
  action: CommandAction
  part: ActionPart['part']
}

const placedCommands = (profile: Profile, model: DeviceModel): PlacedCommand[] =>
  placedBindings(profile, model).flatMap((where) =>
    actionParts(where.binding.action).flatMap(({ part, single }) =>
      single.kind === 'command' ? { ...where, action: single, part } : [],
    ),
  )

const forEachCommand =
  (
    find: (placed: PlacedCommand, profile: Profile, model: DeviceModel, programs: ProgramShelf) => Finding[],
  ): Check =>
  (profile, model, _, programs) =>
    placedCommands(profile, model).flatMap((placed) => find(placed, profile, model, programs))

const withoutKey = forEachCommand((placed, profile, model) =>
  placed.action.key
    ? []
    : [
        errorFinding(
          'command-no-key',
          bindingPlace(placed),
          { where: nameInput(profile, placed), command: placed.action.name },
          [
            createFix(placed.layer === 0 ? 'factory' : 'below', undefined, (current) =>
              unbind(current, model, placed.layer, placed.input.id),
            ),
          ],
        ),
      ],
)

/** Its program is there, but no longer has it. */
const deleted = forEachCommand((placed, profile, _, programs) => {
  const { action } = placed
  const program = programs.get(action.program)
  if (!program || findCommand(programs, action)) return []
  const facts = { where: nameInput(profile, placed), command: action.name, program: program.name }
  const keepKey = (current: Profile) =>
    mapActions(current, (each) =>
      each.kind === 'command' && each.command === action.command && each.key ? each.key : each,
    )
  return [
    warningFinding(
      'command-deleted',
      bindingPlace(placed),
      facts,
      action.key ? [createFix('keep-key', undefined, keepKey)] : [],
    ),
  ]
})

/** Profiles follow the list by themselves; one from a file or a slot may have older keys. */
const outdated: Check = (profile, model, _, programs) => {
  const now = refreshCommands(profile, programs)
  if (now === profile) return []
  const [first] = placedCommands(profile, model).filter(
    ({ action, layer, input }) =>
      findCommand(programs, action) &&
      now.layers[layer]?.bindings[input.id] !== profile.layers[layer]?.bindings[input.id],
  )
  return first
    ? [
        warningFinding(
          'command-outdated',
          bindingPlace(first),
          { where: nameInput(profile, first), command: first.action.name },
          [createFix('refresh-commands', undefined, (current) => refreshCommands(current, programs))],
        ),
      ]
    : []
}

/** A detent of a wheel and a tap are over at once. */
const cannotHold = forEachCommand((placed, profile, _, programs) => {
  const { action, input, part } = placed
  const found = findCommand(programs, action)
  return found?.command.use === 'hold' && (input.kind === 'turn' || part === 'tap')
    ? [
        warningFinding('command-hold', bindingPlace(placed), {
          where: nameInput(profile, placed),
          command: action.name,
        }),
      ]
    : []
})

export const COMMAND_CHECKS: readonly Check[] = [withoutKey, deleted, outdated, cannotHold]
