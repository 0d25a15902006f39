import Papa from 'papaparse'
import type { Program } from '../document/program'
import { harmless } from '../files/csv-cells'
import { writtenKey } from './key-names'

/** A program's commands as text, in forms that {@link ./read-commands!readCommandList} reads back. */

const COLUMNS = ['group', 'name', 'key', 'key 2', 'use', 'importance', 'per hour', 'note']

/** A table with a row for each command. */
export function commandsToCsv({ commands, layout }: Program): string {
  const rows = commands.map(({ group = '', name, keys, use, importance, perHour, note = '' }) => [
    harmless(group),
    harmless(name),
    keys[0] ? writtenKey(keys[0], layout) : '',
    keys[1] ? writtenKey(keys[1], layout) : '',
    use,
    importance,
    perHour ?? '',
    harmless(note),
  ])
  return `${Papa.unparse([COLUMNS, ...rows], { newline: '\n' })}\n`
}

/** Lines such as `Vent tanks: Ctrl+V`, below the name of each group. They have names, groups and keys only. */
export function commandsToText({ commands, layout }: Program): string {
  const lines: string[] = []
  let current: string | undefined
  const ordered = [
    ...commands.filter(({ group }) => group === undefined),
    ...commands.filter(({ group }) => group !== undefined),
  ]
  for (const { group, name, keys } of byGroup(ordered)) {
    if (group !== current) lines.push(...(lines.length > 0 ? [''] : []), `# ${group ?? ''}`)
    current = group
    const text = keys.map((key) => writtenKey(key, layout)).join(' or ')
    lines.push(`${writtenName(name)}: ${text === '' ? '-' : text}`)
  }
  return `${lines.join('\n')}\n`
}

/** Groups in the order of their first commands, each together. */
const byGroup = (commands: readonly Program['commands'][number][]) =>
  [...new Set(commands.map(({ group }) => group))].flatMap((group) =>
    commands.filter((command) => command.group === group),
  )

const writtenName = (name: string): string =>
  /^[\p{L}\p{N}][\p{L}\p{N} '’()&.!?-]*$/u.test(name) && !/ {2}| [-–—] |^["“]/u.test(name)
    ? name
    : `"${name.replaceAll(/["\\]/gu, '\\$&')}"`
