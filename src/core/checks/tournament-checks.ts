import { PLAY_ONCE } from '../document/action-schema'
import type { DeviceModel } from '../device/model'
import { bind, unbind } from '../edits/edits'
import { singleActions, placedBindings, type PlacedBinding } from '../terms/profile'
import type { Action, Profile, SingleAction } from '../document/schema'
import type { MacroShelf } from '../document/macro'
import { bindingPlace, errorFinding, createFix, nameInput, type Check, type Finding } from './finding'

/** Restrictions of games and tournaments, for profiles that select them. */

/** Whether one press repeats by itself. */
const repeats = (action: SingleAction): boolean =>
  (action.kind === 'macro' && action.play !== 'once') ||
  (action.kind === 'macro-parts' && action.held !== undefined)

/** Whether one press performs several actions in sequence. */
function doesSeveral(action: SingleAction, macros: MacroShelf): boolean {
  switch (action.kind) {
    case 'button':
      return action.clicks > 1
    case 'text':
    case 'open':
      return true
    case 'macro':
      return presses(action.macro, macros) > 1
    case 'macro-parts':
      return true
    default:
      return false
  }
}

/** Number of keys and buttons that a macro presses; a nested macro counts as several. */
function presses(id: string, macros: MacroShelf): number {
  const events = macros.get(id)?.events ?? []
  return events.reduce((sum, event) => {
    if (event.kind === 'text' || event.kind === 'macro' || event.kind === 'code') return sum + 2
    return 'does' in event && event.does === 'press' ? sum + 1 : sum
  }, 0)
}

const forEachBinding = (
  profile: Profile,
  model: DeviceModel,
  find: (where: PlacedBinding) => Finding[],
): Finding[] => placedBindings(profile, model).flatMap(find)

const noRepeats: Check = (profile, model) =>
  profile.rules.includes('no-repeats')
    ? forEachBinding(profile, model, (where) => {
        const { layer, input, binding } = where
        if (!singleActions(binding.action).some(repeats)) return []
        const once = playedOnceOnly(binding.action)
        return [
          errorFinding('play-repeats', bindingPlace(where), { where: nameInput(profile, where) }, [
            createFix('play-once', undefined, (current) => bind(current, model, layer, input.id, once)),
          ]),
        ]
      })
    : []

const oneAction: Check = (profile, model, macros) =>
  profile.rules.includes('one-action')
    ? forEachBinding(profile, model, (where) => {
        const { layer, input, binding } = where
        if (!singleActions(binding.action).some((part) => doesSeveral(part, macros))) return []
        return [
          errorFinding('play-several', bindingPlace(where), { where: nameInput(profile, where) }, [
            createFix('clear', undefined, (current) => unbind(current, model, layer, input.id)),
          ]),
        ]
      })
    : []

/** The same action with its macros played once, without repeats. */
function playedOnceOnly(action: Action): Action {
  if (action.kind !== 'tap-hold') return singleOnce(action)
  return { ...action, tap: singleOnce(action.tap), hold: singleOnce(action.hold) }
}

function singleOnce(action: SingleAction): SingleAction {
  if (action.kind === 'macro') return PLAY_ONCE(action.macro)
  if (action.kind !== 'macro-parts') return action
  const { held, ...parts } = action
  return parts.press || parts.release ? parts : PLAY_ONCE(held ?? '')
}

export const TOURNAMENT_CHECKS: readonly Check[] = [noRepeats, oneAction]
