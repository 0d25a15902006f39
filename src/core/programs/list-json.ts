import type { ColumnRole } from './list-table'

/** A row of a list in JSON, with what its cells contain. */
export interface JsonRow {
  line: number
  text: string
  cells: string[]
  roles: ColumnRole[]
}

const MAX_DEPTH = 4

/**
 * The rows of a list in JSON: an object of names and keys, possibly in groups, or a list of objects with the name, the
 * key and other fields of commands. Undefined for a text that is not JSON of one of these forms.
 */
export function commandsOfJson(text: string): JsonRow[] | undefined {
  if (!/^\s*[[{]/u.test(text)) return undefined
  try {
    const value: unknown = JSON.parse(text)
    const rows = rowsIn(value, undefined, 0)
    return rows.length > 0 ? rows.map((row, index) => ({ ...row, line: index + 1 })) : undefined
  } catch {
    return undefined
  }
}

const NAME_FIELDS = ['name', 'command', 'action', 'label', 'title']
const KEY_FIELDS = ['key', 'keys', 'binding', 'bind', 'shortcut', 'hotkey', 'default']
const SECOND_FIELDS = ['key2', 'secondary', 'alternative', 'alternate']

function rowsIn(value: unknown, group: string | undefined, depth: number): JsonRow[] {
  if (depth > MAX_DEPTH || typeof value !== 'object' || value === null) return []
  if (Array.isArray(value)) return value.flatMap((each: unknown) => rowsIn(each, group, depth + 1))
  const entries: [string, unknown][] = Object.entries(value)
  const field = (names: readonly string[]): unknown =>
    entries.find(([name]) => names.includes(name.toLowerCase()))?.[1]
  const name = field(NAME_FIELDS)
  if (typeof name === 'string' && field(KEY_FIELDS) !== undefined) return [rowOf(name, field, group)]
  return entries.flatMap(([key, inner]) =>
    isKeyText(inner) ? [plainRow(key, inner, group)] : rowsIn(inner, key, depth + 1),
  )
}

const isKeyText = (value: unknown): value is string | readonly string[] =>
  typeof value === 'string' ||
  (Array.isArray(value) && value.length > 0 && value.every((each) => typeof each === 'string'))

const keyText = (value: unknown): string =>
  typeof value === 'string' ? value : isKeyText(value) ? [...value].join(' or ') : ''

const plainRow = (name: string, keys: string | readonly string[], group: string | undefined): JsonRow => ({
  line: 0,
  text: `${name}: ${keyText(keys)}`,
  cells: [name, keyText(keys), group ?? ''],
  roles: ['name', 'key', 'group'],
})

function rowOf(
  name: string,
  field: (names: readonly string[]) => unknown,
  group: string | undefined,
): JsonRow {
  const textOf = (names: readonly string[]): string => {
    const value = field(names)
    return typeof value === 'string' || typeof value === 'number' ? String(value) : ''
  }
  const key = keyText(field(KEY_FIELDS))
  return {
    line: 0,
    text: `${name}: ${key}`,
    cells: [
      name,
      key,
      keyText(field(SECOND_FIELDS)),
      textOf(['group', 'category', 'section']) || (group ?? ''),
      textOf(['use', 'type']),
      textOf(['importance', 'priority']),
      textOf(['perhour', 'per hour']),
      textOf(['note', 'notes', 'description']),
    ],
    roles: ['name', 'key', 'key2', 'group', 'use', 'importance', 'perHour', 'note'],
  }
}
