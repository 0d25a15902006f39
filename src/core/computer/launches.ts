import { factList, message, type MessageFact } from '../message/message'
import type { LayoutId } from './layouts'
import { keyByUsage } from '../hid/keyboard-page'
import { FIRST_MODIFIER_USAGE } from '../hid/modifiers'
import { keyLegend } from './layouts'
import type { Stroke } from '../actions/strokes'
import type { OperatingSystem } from './shortcuts'
import { tap, textOfStrokes, typeText } from './typing'

/**
 * A device cannot open a program, so it types what a person would type into the "run" box of the operating system. The
 * recipes follow the help of each system; their delays are generous because the device cannot see whether the box is
 * open.
 */
export type LaunchKind = 'program' | 'file' | 'folder' | 'address'

interface Opening {
  what: LaunchKind
  target: string
}

/** Keys, delays and lines to type, one of them with the target. */
type Part = Stroke | { kind: 'line'; text: string }

const wait = (ms: number): Stroke => ({ kind: 'wait', ms })
const line = (text: string): Part => ({ kind: 'line', text })
const enter = tap('Enter')

const quotedForShell = (target: string): string => `'${target.replaceAll("'", "'\\''")}'`
/** The Run box needs double quotes around paths with spaces; a program name may have arguments. */
const quotedForRun = ({ what, target }: Opening): string =>
  target.includes(' ') && (what === 'file' || what === 'folder') ? `"${target}"` : target

const RECIPES: Record<OperatingSystem, (opening: Opening) => Part[]> = {
  windows: (opening) => [tap('KeyR', ['MetaLeft']), wait(500), line(quotedForRun(opening)), wait(100), enter],
  linux: ({ what, target }) => [
    ...[tap('F2', ['AltLeft']), wait(600)],
    line(what === 'program' ? target : `xdg-open ${quotedForShell(target)}`),
    ...[wait(100), enter],
  ],
  macos: ({ what, target }) =>
    what === 'program' || what === 'address'
      ? [tap('Space', ['MetaLeft']), wait(700), line(target), wait(700), enter]
      : [
          ...[tap('Space', ['MetaLeft']), wait(700), line('Terminal'), wait(700), enter, wait(1500)],
          ...[line(`open ${quotedForShell(target)}`), enter],
        ],
}

/** All lines that an opening types, which the layout must be able to type. */
export const launchText = (opening: Opening, system: OperatingSystem): string =>
  RECIPES[system](opening)
    .map((part) => (part.kind === 'line' ? part.text : ''))
    .join('')

/** @throws LoweringError for a target with a character that the layout cannot type */
export const lowerLaunch = (opening: Opening, system: OperatingSystem, layout: LayoutId): Stroke[] =>
  RECIPES[system](opening).flatMap((part) =>
    part.kind === 'line' ? typeText(part.text, { system, layout }) : [part],
  )

/** Recognises the opening behind keys on a system; undefined if no opening produces them. */
export function raiseLaunch(
  what: LaunchKind,
  strokes: readonly Stroke[],
  system: OperatingSystem,
  layout: LayoutId,
): Opening | undefined {
  const typed = textOfStrokes(strokes, { system, layout }).replace(/\n$/, '')
  const last = typed.split('\n').at(-1) ?? ''
  const shell = /^(?:xdg-open|open) '(.*)'$/.exec(last)?.[1]?.replaceAll("'\\''", "'")
  const candidates = [shell, /^"(.*)"$/.exec(last)?.[1], last].filter((target) => target !== undefined)
  return candidates
    .map((target) => ({ what, target }))
    .find((opening) => {
      try {
        return JSON.stringify(lowerLaunch(opening, system, layout)) === JSON.stringify(strokes)
      } catch {
        return false
      }
    })
}

/** One step of an opening for people to read: a chord, a delay or a line. */
export interface KeystrokeLine {
  kind: 'keys' | 'wait' | 'line'
  text: MessageFact
}

/** The exact keystrokes of an opening, for people to read. */
export const keystrokeLines = (
  opening: Opening,
  system: OperatingSystem,
  layout: LayoutId,
): KeystrokeLine[] =>
  RECIPES[system](opening).map((part) => {
    if (part.kind === 'line') return part
    if (part.kind === 'wait') return { kind: 'wait', text: message('events.time', { time: String(part.ms) }) }
    return { kind: 'keys', text: chordMessage(part, layout) }
  })

function chordMessage(
  { usage, modifiers }: { usage: number; modifiers: number },
  layout: LayoutId,
): MessageFact {
  const held = Array.from({ length: 8 }, (_, bit) => bit)
    .filter((bit) => modifiers & (1 << bit))
    .map((bit) => FIRST_MODIFIER_USAGE + bit)
  return factList(
    [...held, usage].map((each) => keyLegend(keyByUsage(each)?.code ?? '', layout)),
    'plus',
  )
}
