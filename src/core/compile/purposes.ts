import type { DeviceModel } from '../device/model'
import { bindAll, setPlayRule, type Cell } from '../edits/edits'
import { EditRefused } from '../wording/refused'
import { LIGHT_STARTERS, takeStarter } from '../edits/light-starters'
import { EMPTY_SHELF, type MacroShelf } from '../document/macro'
import { PLAY_RULES, type PlayRule, type Profile } from '../document/schema'
import { applyStarter } from '../edits/starter-edits'
import { STARTERS } from '../motion/starters'
import { contextOf } from '../text/context'
import { parseCell } from '../text/cell-text'

/** A profile to begin from, by what it is for: what it says of each part, for whatever device has the inputs. */
export interface Purpose {
  id: string
  name: string
  about: string
  /** Cells of the base layer as text, by the role of their input. */
  cells?: Readonly<Record<string, string>>
  /** Of the starters of motion and of light. */
  motion?: string
  light?: string
  rules?: readonly PlayRule[]
}

/** Cells for the thumb's buttons, first to last; a grid of keys goes row by row. */
const thumb = (...texts: string[]): Record<string, string> =>
  Object.fromEntries(texts.map((text, index) => [`thumb-${index + 1}`, text]))

/** One purpose after the other, as they are offered. */
export const PURPOSES: readonly Purpose[] = [
  {
    id: 'aim',
    name: 'Fast aim',
    about: 'Close steps, a slower one while a side button is held, a high rate, light that keeps still',
    cells: { back: 'hold step 1', forward: 'v', upper: 'next step' },
    motion: 'turning',
    light: 'still',
  },
  {
    id: 'orders',
    name: 'Many orders',
    about: 'Groups and camera places under the thumb, wide steps, a rate that spares the battery',
    cells: {
      back: 'ctrl+1',
      forward: '1',
      upper: 'space',
      'tilt-left': '[',
      'tilt-right': ']',
      ...thumb('1', '2', '3', '4', '5', '6', '7', '8', 'ctrl+1', 'ctrl+2', 'ctrl+3', 'ctrl+4'),
    },
    motion: 'orders',
  },
  {
    id: 'fours',
    name: 'Thumb grid by fours',
    about: 'Four orders in three rows: plain, with Shift, with Ctrl, so that a place means one thing',
    cells: {
      back: '1',
      forward: '2',
      upper: '3',
      ...thumb(
        '1',
        '2',
        '3',
        '4',
        'shift+1',
        'shift+2',
        'shift+3',
        'shift+4',
        'ctrl+1',
        'ctrl+2',
        'ctrl+3',
        'ctrl+4',
      ),
    },
    light: 'find',
  },
  {
    id: 'editing',
    name: 'Editing',
    about: 'Undo and redo under the thumb, copy and paste beside them',
    cells: {
      back: 'ctrl+z',
      forward: 'ctrl+y',
      upper: 'ctrl+c',
      'upper-2': 'ctrl+v',
      ...thumb(
        'ctrl+x',
        'ctrl+c',
        'ctrl+v',
        'ctrl+a',
        'ctrl+z',
        'ctrl+y',
        'ctrl+f',
        'ctrl+s',
        'home',
        'end',
        'page up',
        'page down',
      ),
      'key-f1': 'ctrl+z',
      'key-f2': 'ctrl+y',
      'key-f3': 'ctrl+x',
      'key-f4': 'ctrl+c',
      'key-f5': 'ctrl+v',
    },
  },
  {
    id: 'drawing',
    name: 'Drawing',
    about: 'Moving the sheet by Space, sizes by brackets, snapping and clicks that never double',
    cells: {
      back: 'space',
      forward: 'ctrl+z',
      upper: ']',
      'upper-2': '[',
      'tilt-left': '[',
      'tilt-right': ']',
      ...thumb('b', 'e', '[', ']', 'x', 'i', 'ctrl+z', 'ctrl+y', 'space', 'r', 'ctrl+0', 'ctrl+s'),
    },
    motion: 'drawing',
    light: 'still',
  },
  {
    id: 'one-hand',
    name: 'One hand',
    about: 'Enter, Backspace, Escape and a double click without the other hand',
    cells: {
      back: 'backspace',
      forward: 'enter',
      upper: 'double click',
      'upper-2': 'escape',
      ...thumb(
        'enter',
        'backspace',
        'escape',
        'tab',
        'space',
        'delete',
        'arrow left',
        'arrow right',
        'arrow up',
        'arrow down',
        'ctrl+c',
        'ctrl+v',
      ),
    },
  },
  {
    id: 'battery',
    name: 'Long battery',
    about: 'A low rate, early sleep, dark lights until a press',
    motion: 'evenings',
    light: 'spare',
  },
  {
    id: 'still-light',
    name: 'Still light',
    about: 'A warm glow that never moves; everything else stays',
    light: 'still',
  },
  {
    id: 'tournament',
    name: 'Tournament',
    about: 'Held to rules for play: nothing that repeats, one action a press; checks say what breaks them',
    rules: PLAY_RULES,
    motion: 'turning',
    light: 'still',
  },
]

/**
 * A profile with all that a purpose says, as far as the device can; what it does not speak of stays. What it comes to is
 * the difference of the two, place by place.
 *
 * @param into what it is laid over; its name stays
 */
export function withPurpose(
  into: Profile,
  model: DeviceModel,
  purpose: Purpose,
  macros: MacroShelf = EMPTY_SHELF,
): Profile {
  const motion = STARTERS.find(({ id }) => id === purpose.motion)
  const light = LIGHT_STARTERS.find(({ id }) => id === purpose.light)
  const steps: ((profile: Profile) => Profile)[] = [
    (profile) => bindAll(profile, model, cellsOf(purpose, profile, model, macros)),
    (profile) => (motion ? applyStarter(profile, model, motion) : profile),
    (profile) =>
      light ? takeStarter(profile, model, light, { where: { kind: 'all' }, over: false }) : profile,
    (profile) => (purpose.rules ?? []).reduce((next, rule) => setPlayRule(next, rule, true), profile),
  ]
  return steps.reduce(whereItCan, into)
}

/** A part that this device cannot have is left out. */
function whereItCan(profile: Profile, step: (profile: Profile) => Profile): Profile {
  try {
    return step(profile)
  } catch (error) {
    if (error instanceof EditRefused) return profile
    throw error
  }
}

function cellsOf({ cells = {} }: Purpose, profile: Profile, model: DeviceModel, macros: MacroShelf): Cell[] {
  const context = contextOf(profile, model, macros)
  return model.inputs.flatMap(({ id, role }): Cell[] => {
    const text = role === undefined ? undefined : cells[role]
    const parsed = text === undefined ? undefined : parseCell(text, context)
    return parsed && 'action' in parsed ? [{ layer: 0, input: id, put: { action: parsed.action } }] : []
  })
}
