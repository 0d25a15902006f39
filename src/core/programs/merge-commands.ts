import { deepEqual } from '../base/deep-equal'
import { commandKeyId } from '../document/command-key-id'
import { MAX_COMMANDS, type Command, type Program } from '../document/program'
import type { CommandDraft } from './read-commands'

/** What a list would change in a program. */
export interface CommandChanges {
  added: CommandDraft[]
  /** The same name with other keys or other details. */
  changed: { before: Command; after: CommandDraft; keysChanged: boolean }[]
  /** Commands of the program that the list does not have. */
  missing: Command[]
  same: Command[]
  /** Names that the list has more than once; only the first of them counts. */
  repeated: CommandDraft[]
}

const placeOf = ({ name, group }: Pick<Command, 'name' | 'group'>): string =>
  `${name.toLowerCase()}\n${(group ?? '').toLowerCase()}`

/** Compares a list with the commands of a program. Commands are matched by their names and groups, then by their names. */
export function compareCommands({ commands }: Program, drafts: readonly CommandDraft[]): CommandChanges {
  const changes: CommandChanges = { added: [], changed: [], missing: [], same: [], repeated: [] }
  const byPlace = new Map(commands.map((command) => [placeOf(command), command]))
  const names = countNames(commands)
  const byName = new Map(commands.map((command) => [command.name.toLowerCase(), command]))
  const seen = new Set<string>()
  const matched = new Set<string>()
  for (const draft of drafts) {
    const place = placeOf(draft)
    if (seen.has(place)) {
      changes.repeated.push(draft)
      continue
    }
    seen.add(place)
    const name = draft.name.toLowerCase()
    const before = byPlace.get(place) ?? (names.get(name) === 1 ? byName.get(name) : undefined)
    if (!before || matched.has(before.id)) {
      changes.added.push(draft)
      continue
    }
    matched.add(before.id)
    const after = { ...draft, ...keptDetails(before, draft) }
    const { id: _, ...known } = before
    if (deepEqual(known, after)) changes.same.push(before)
    else changes.changed.push({ before, after, keysChanged: !sameKeys(before, after) })
  }
  changes.missing = commands.filter(({ id }) => !matched.has(id))
  return changes
}

const countNames = (commands: readonly Command[]): ReadonlyMap<string, number> => {
  const counts = new Map<string, number>()
  for (const { name } of commands) counts.set(name.toLowerCase(), (counts.get(name.toLowerCase()) ?? 0) + 1)
  return counts
}

/** Details that a list usually does not have stay as the person set them. */
function keptDetails(before: Command, draft: CommandDraft): Partial<CommandDraft> {
  return {
    ...(draft.group === undefined && before.group !== undefined && { group: before.group }),
    ...(draft.use === 'press' && { use: before.use }),
    ...(draft.importance === 2 && { importance: before.importance }),
    ...(draft.perHour === undefined && before.perHour !== undefined && { perHour: before.perHour }),
    ...(draft.note === undefined && before.note !== undefined && { note: before.note }),
  }
}

const sameKeys = (one: Pick<Command, 'keys'>, other: Pick<Command, 'keys'>): boolean =>
  one.keys.map(commandKeyId).join(' ') === other.keys.map(commandKeyId).join(' ')

/**
 * The program with selected changes of a list.
 *
 * @param remove whether commands that the list does not have are removed
 * @param newId an id for each new command
 */
export function mergeCommands(
  program: Program,
  { added, changed }: Pick<CommandChanges, 'added' | 'changed'>,
  remove: readonly Command[],
  newId: () => string,
): Program {
  const after = new Map(changed.map((each) => [each.before.id, each.after]))
  const gone = new Set(remove.map(({ id }) => id))
  const kept = program.commands
    .filter(({ id }) => !gone.has(id))
    .map((command): Command => {
      const draft = after.get(command.id)
      return draft ? { id: command.id, ...draft } : command
    })
  const fresh = added.map((draft): Command => ({ id: newId(), ...draft }))
  return { ...program, commands: [...kept, ...fresh].slice(0, MAX_COMMANDS) }
}
