import { deepEqual } from '../base/deep-equal'
import type { Macro, MacroShelf } from '../document/macro'
import type { Profile } from '../document/schema'
import { mapActions } from '../edits/map-actions'
import type { ProfileFile } from './profile-file'

/** Preparing the profiles and macros of a file for a library that may have others with their ids. */

/** The same profile with other ids of macros. */
export function withMacroIds(profile: Profile, ids: ReadonlyMap<string, string>): Profile {
  const one = (id: string) => ids.get(id) ?? id
  return mapActions(profile, (action) => {
    if (action.kind === 'macro') return { ...action, macro: one(action.macro) }
    if (action.kind !== 'macro-parts') return action
    const { press, held, release } = action
    return {
      ...action,
      ...(press !== undefined && { press: one(press) }),
      ...(held !== undefined && { held: one(held) }),
      ...(release !== undefined && { release: one(release) }),
    }
  })
}

/**
 * Prepares macros for a library: a macro that already exists with the same content is reused, and one whose id is in
 * use gets a new id.
 *
 * @returns the macros to add, and the changed ids
 */
export function importMacros(
  macros: readonly Macro[],
  shelf: MacroShelf,
  newId: () => string,
): { added: Macro[]; ids: ReadonlyMap<string, string> } {
  const ids = new Map<string, string>()
  const added = macros.filter((macro) => {
    const same = [...shelf.values()].find(
      (each) => each.name === macro.name && deepEqual(each.events, macro.events),
    )
    if (same) ids.set(macro.id, same.id)
    else if (shelf.has(macro.id)) ids.set(macro.id, newId())
    return !same
  })
  const renamed = added.map((macro) => ({
    ...macro,
    id: ids.get(macro.id) ?? macro.id,
    events: macro.events.some(({ kind }) => kind === 'macro')
      ? macro.events.map((event) =>
          event.kind === 'macro' ? { ...event, macro: ids.get(event.macro) ?? event.macro } : event,
        )
      : macro.events,
  }))
  return { added: renamed, ids }
}

/** The same for the macros of a profile's file. @returns the profile, and the macros to add */
export function importProfile(
  { profile, macros }: ProfileFile,
  shelf: MacroShelf,
  newId: () => string,
): ProfileFile {
  const { added, ids } = importMacros(macros, shelf, newId)
  return { profile: ids.size > 0 ? withMacroIds(profile, ids) : profile, macros: added }
}
