import { playedOnce } from '../document/action-schema'
import type { DeviceModel } from '../device/model'
import { bind, unbind } from '../edits/edits'
import { partsOf, placedBindings, type PlacedBinding } from '../terms/profile'
import type { Action, Profile, SingleAction } from '../document/schema'
import type { MacroShelf } from '../document/macro'
import { cellOf, error, fix, named, type Check, type Finding } from './finding'

/** What a game or a tournament forbids, where the profile asks to be held to it. */

/** Whether one press of it goes on by itself. */
const repeats = (action: SingleAction): boolean =>
  (action.kind === 'macro' && action.play !== 'once') ||
  (action.kind === 'macro-parts' && action.held !== undefined)

/** Whether one press of it does several things in a row. */
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

/** How many keys and buttons a macro presses; those within it count as several. */
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
        if (!partsOf(binding.action).some(repeats)) return []
        const once = playedOnceOnly(binding.action)
        return [
          error('play-repeats', cellOf(where), { where: named(profile, where) }, [
            fix('play-once', undefined, (current) => bind(current, model, layer, input.id, once)),
          ]),
        ]
      })
    : []

const oneAction: Check = (profile, model, macros) =>
  profile.rules.includes('one-action')
    ? forEachBinding(profile, model, (where) => {
        const { layer, input, binding } = where
        if (!partsOf(binding.action).some((part) => doesSeveral(part, macros))) return []
        return [
          error('play-several', cellOf(where), { where: named(profile, where) }, [
            fix('clear', undefined, (current) => unbind(current, model, layer, input.id)),
          ]),
        ]
      })
    : []

/** The same action, with macros in it played once, and nothing over and over. */
function playedOnceOnly(action: Action): Action {
  if (action.kind !== 'tap-hold') return singleOnce(action)
  return { ...action, tap: singleOnce(action.tap), hold: singleOnce(action.hold) }
}

function singleOnce(action: SingleAction): SingleAction {
  if (action.kind === 'macro') return playedOnce(action.macro)
  if (action.kind !== 'macro-parts') return action
  const { held, ...parts } = action
  return parts.press || parts.release ? parts : playedOnce(held ?? '')
}

export const CHECKS_OF_PLAY: readonly Check[] = [noRepeats, oneAction]
