import { clamp } from '../base/numbers'
import { deepEqual } from '../base/deep-equal'
import { keyByCode } from '../hid/keyboard-page'
import { factList, type MessageFact } from '../message/message'
import type { ComputerEvent } from './computer'
import type { OperatingSystem } from './operating-systems'

/**
 * The desktop of a computer with nothing installed: a pointer, an empty page, a volume bar, and the system's box for
 * opening programs. It only knows the events it receives.
 */
export interface Desktop {
  system: OperatingSystem
  text: string
  /** Pointer on a screen of `SCREEN` px; one count is one px, without acceleration. */
  pointer: { x: number; y: number }
  /** Counts received since the page was opened, even at the edge of the screen. */
  travelled: { x: number; y: number }
  scrolled: number
  volume: number
  muted: boolean
  playing: boolean
  /** The held keys and buttons. */
  down: HeldControl[]
  /** The last event that was neither text nor movement: a shortcut or a control. */
  last?: MessageFact
  /**
   * The window that has the keyboard focus instead of the page: the system's box or a terminal. It takes a moment to
   * appear.
   */
  box?: { kind: 'run' | 'terminal'; text: string; readyMs: number }
  /** Opened programs, the latest first. */
  opened: string[]
}

/** A held key or button, by its kind and usage, with its name. */
export interface HeldControl {
  kind: 'key' | 'button'
  usage: number
  label: MessageFact
}

export const SCREEN = { width: 1920, height: 1080 }
const MAX_TEXT = 2000
/** Time until a box receives keys; earlier text goes to the page. */
const RUN_BOX_MS = 300
const TERMINAL_MS = 1000

export const emptyDesktop = (system: OperatingSystem = 'windows'): Desktop => ({
  system,
  text: '',
  pointer: { x: 960, y: 540 },
  travelled: { x: 0, y: 0 },
  scrolled: 0,
  volume: 40,
  muted: false,
  playing: false,
  down: [],
  opened: [],
})

/**
 * The desktop after one event.
 *
 * @param atMs time of the event
 */
export function applyEvent(desktop: Desktop, event: ComputerEvent, atMs: number): Desktop {
  switch (event.kind) {
    case 'pointer':
      return {
        ...desktop,
        pointer: {
          x: within(desktop.pointer.x + event.x, SCREEN.width),
          y: within(desktop.pointer.y + event.y, SCREEN.height),
        },
        travelled: { x: desktop.travelled.x + event.x, y: desktop.travelled.y + event.y },
      }
    case 'scroll':
      return { ...desktop, scrolled: desktop.scrolled + event.vertical }
    case 'button':
      return {
        ...desktop,
        down: held(desktop.down, { kind: 'button', usage: event.button, label: event.label }, event.down),
      }
    case 'key':
      return keyed(
        {
          ...desktop,
          down: held(desktop.down, { kind: 'key', usage: event.usage, label: event.label }, event.down),
        },
        event,
        atMs,
      )
    case 'control':
      return event.down ? { ...controlled(desktop, event.usage), last: event.label } : desktop
  }
}

const BACKSPACE = 0x2a
const ESCAPE = 0x29
const CONTROL = { playPause: 0xcd, mute: 0xe2, volumeUp: 0xe9, volumeDown: 0xea }
const VOLUME_STEP = 2

/** The keys that open the box of each system, in the order in which they are pressed, from its help. */
const RUN_CHORD: Record<OperatingSystem, readonly string[]> = {
  windows: ['MetaLeft', 'KeyR'],
  macos: ['MetaLeft', 'Space'],
  linux: ['AltLeft', 'F2'],
}

const isRunChord = ({ system, down }: Desktop): boolean =>
  deepEqual(
    down.map(({ kind, usage }) => (kind === 'key' ? usage : undefined)),
    RUN_CHORD[system].map((code) => keyByCode(code)?.usage),
  )

type KeyEvent = Extract<ComputerEvent, { kind: 'key' }>

function keyed(desktop: Desktop, event: KeyEvent, atMs: number): Desktop {
  if (!event.down) return desktop
  const chord = factList(
    desktop.down.map(({ label }) => label),
    'plus',
  )
  if (isRunChord(desktop))
    return { ...desktop, last: chord, box: { kind: 'run', text: '', readyMs: atMs + RUN_BOX_MS } }
  const { box } = desktop
  if (box && atMs >= box.readyMs) return keyedInBox(desktop, box, event, atMs)
  if (event.text) return { ...desktop, text: (desktop.text + event.text).slice(-MAX_TEXT) }
  if (event.usage === BACKSPACE && desktop.down.length === 1)
    return { ...desktop, text: [...desktop.text].slice(0, -1).join('') }
  return { ...desktop, last: chord }
}

function keyedInBox(
  desktop: Desktop,
  box: NonNullable<Desktop['box']>,
  event: KeyEvent,
  atMs: number,
): Desktop {
  if (event.usage === ESCAPE) return { ...desktop, box: undefined }
  if (event.text === '\n') return entered(desktop, box, atMs)
  return { ...desktop, box: { ...box, text: box.text + event.text } }
}

function entered(desktop: Desktop, { kind, text }: NonNullable<Desktop['box']>, atMs: number): Desktop {
  if (kind === 'run' && text === 'Terminal')
    return { ...desktop, box: { kind: 'terminal', text: '', readyMs: atMs + TERMINAL_MS } }
  const command = /^(?:xdg-open|open) '(.*)'$/.exec(text)?.[1]?.replaceAll("'\\''", "'")
  const target = command ?? /^"(.*)"$/.exec(text)?.[1] ?? text
  return { ...desktop, box: undefined, opened: [target, ...desktop.opened] }
}

function controlled(desktop: Desktop, usage: number): Desktop {
  if (usage === CONTROL.mute) return { ...desktop, muted: !desktop.muted }
  if (usage === CONTROL.playPause) return { ...desktop, playing: !desktop.playing }
  const by = usage === CONTROL.volumeUp ? VOLUME_STEP : usage === CONTROL.volumeDown ? -VOLUME_STEP : 0
  return { ...desktop, volume: within(desktop.volume + by, 100), muted: by !== 0 ? false : desktop.muted }
}

const held = (down: HeldControl[], control: HeldControl, isDown: boolean): HeldControl[] =>
  isDown
    ? [...down, control]
    : down.filter(({ kind, usage }) => kind !== control.kind || usage !== control.usage)

const within = (value: number, max: number): number => clamp(value, 0, max)
