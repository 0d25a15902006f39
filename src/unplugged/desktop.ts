import type { ComputerEvent } from '../core/hid/computer'

/** What a computer with nothing installed shows of what it hears: a pointer, an empty page, a volume bar. */
export interface Desktop {
  text: string
  /** Pointer on a screen of `SCREEN` px; a count is a px, with no acceleration. */
  pointer: { x: number; y: number }
  /** Counts heard since the page was opened, whether or not the pointer met an edge. */
  travelled: { x: number; y: number }
  scrolled: number
  volume: number
  muted: boolean
  playing: boolean
  /** Keys and buttons that are down, by what they are called. */
  down: string[]
  /** The last thing that was neither text nor movement: a shortcut, a control. */
  last: string
}

export const SCREEN = { width: 1920, height: 1080 }
const MOST_TEXT = 2000

export const emptyDesktop = (): Desktop => ({
  ...{ text: '', pointer: { x: 960, y: 540 }, travelled: { x: 0, y: 0 }, scrolled: 0 },
  ...{ volume: 40, muted: false, playing: false, down: [], last: '' },
})

/** The desktop after one event; the event is all it knows. */
export function afterEvent(desktop: Desktop, event: ComputerEvent): Desktop {
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
      return { ...desktop, down: held(desktop.down, event.label, event.down) }
    case 'key':
      return keyed({ ...desktop, down: held(desktop.down, event.label, event.down) }, event)
    case 'control':
      return event.down ? { ...controlled(desktop, event.usage), last: event.label } : desktop
  }
}

const BACKSPACE = 0x2a
const CONTROL = { playPause: 0xcd, mute: 0xe2, volumeUp: 0xe9, volumeDown: 0xea }
const VOLUME_STEP = 2

function keyed(desktop: Desktop, event: Extract<ComputerEvent, { kind: 'key' }>): Desktop {
  if (!event.down) return desktop
  if (event.text) return { ...desktop, text: (desktop.text + event.text).slice(-MOST_TEXT) }
  if (event.usage === BACKSPACE && desktop.down.length === 1)
    return { ...desktop, text: [...desktop.text].slice(0, -1).join('') }
  return { ...desktop, last: desktop.down.join('+') }
}

function controlled(desktop: Desktop, usage: number): Desktop {
  if (usage === CONTROL.mute) return { ...desktop, muted: !desktop.muted }
  if (usage === CONTROL.playPause) return { ...desktop, playing: !desktop.playing }
  const by = usage === CONTROL.volumeUp ? VOLUME_STEP : usage === CONTROL.volumeDown ? -VOLUME_STEP : 0
  return { ...desktop, volume: within(desktop.volume + by, 100), muted: by !== 0 ? false : desktop.muted }
}

const held = (down: string[], label: string, isDown: boolean): string[] =>
  isDown ? [...down, label] : down.filter((each) => each !== label)

const within = (value: number, most: number): number => Math.max(0, Math.min(most, value))
