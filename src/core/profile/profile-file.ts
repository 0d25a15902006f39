import { macrosWithin, parseMacro, type Macro, type MacroShelf } from '../macro/macro'
import { macrosUsed } from './profile'
import type { Action } from './action-schema'
import { parseProfile, ProfileError, type Binding, type Profile } from './schema'

/** A profile as a file (docs/file-formats.md): the document, and in it the macros that it plays. */
export interface ProfileFile {
  profile: Profile
  macros: Macro[]
}

/**
 * Takes anything and returns a profile with its macros.
 *
 * @throws ProfileError that says all that is wrong
 */
export function readProfileFile(value: unknown): ProfileFile {
  if (typeof value !== 'object' || value === null || !('macros' in value))
    return { profile: parseProfile(value), macros: [] }
  const { macros, ...document } = value
  if (!Array.isArray(macros)) throw new ProfileError(['macros: a list of macros is due'])
  const problems: string[] = []
  const collect = <T>(where: string, act: () => T): T | undefined => {
    try {
      return act()
    } catch (error) {
      if (!(error instanceof ProfileError)) throw error
      problems.push(...error.problems.map((problem) => `${where}${problem}`))
      return undefined
    }
  }
  const profile = collect('', () => parseProfile(document))
  const read = macros.map((macro, index) => collect(`macros[${index}]: `, () => parseMacro(macro)))
  if (problems.length > 0 || !profile) throw new ProfileError(problems)
  return { profile, macros: read.filter((macro) => macro !== undefined) }
}

/** The document of a file: the profile, with the macros it plays and those that they play. */
export function profileDocument(profile: Profile, shelf: MacroShelf): Profile & { macros?: Macro[] } {
  const ids = new Set(macrosUsed(profile).flatMap((id) => [id, ...macrosWithin(id, shelf).ids]))
  const macros = [...ids].flatMap((id) => shelf.get(id) ?? [])
  return macros.length > 0 ? { ...profile, macros } : profile
}

/** The same profile where macros have other ids. */
export function withMacroIds(profile: Profile, ids: ReadonlyMap<string, string>): Profile {
  const one = (id: string) => ids.get(id) ?? id
  const single = <Each extends Action>(action: Each): Each => {
    if (action.kind === 'macro') return { ...action, macro: one(action.macro) }
    if (action.kind !== 'macro-parts') return action
    const { press, held, release } = action
    return {
      ...action,
      ...(press !== undefined && { press: one(press) }),
      ...(held !== undefined && { held: one(held) }),
      ...(release !== undefined && { release: one(release) }),
    }
  }
  const whole = (action: Action): Action =>
    action.kind === 'tap-hold'
      ? { ...action, tap: single(action.tap), hold: single(action.hold) }
      : single(action)
  const bound = (binding: Binding): Binding => ({ ...binding, action: whole(binding.action) })
  return {
    ...profile,
    layers: profile.layers.map((layer) => ({
      ...layer,
      bindings: Object.fromEntries(
        Object.entries(layer.bindings).map(([id, binding]) => [id, bound(binding)]),
      ),
    })),
  }
}

/**
 * Makes the macros of a file ready for a library: one that is there already in the same words is that one, one
 * whose id is taken by another gets an id of its own.
 *
 * @returns the profile, and the macros that are to be added
 */
export function broughtInto(
  { profile, macros }: ProfileFile,
  shelf: MacroShelf,
  newId: () => string,
): ProfileFile {
  const ids = new Map<string, string>()
  const added: Macro[] = []
  for (const macro of macros) {
    const words = (each: Macro) => JSON.stringify([each.name, each.events])
    const same = [...shelf.values()].find((each) => words(each) === words(macro))
    if (same) ids.set(macro.id, same.id)
    else {
      if (shelf.has(macro.id)) ids.set(macro.id, newId())
      added.push(macro)
    }
  }
  const renamed = added.map((macro) => ({
    ...macro,
    id: ids.get(macro.id) ?? macro.id,
    events: macro.events.map((event) =>
      event.kind === 'macro' ? { ...event, macro: ids.get(event.macro) ?? event.macro } : event,
    ),
  }))
  return { profile: withMacroIds(profile, ids), macros: renamed }
}
