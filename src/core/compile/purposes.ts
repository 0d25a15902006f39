import { message, type Message } from '../message/message'
import type { DeviceModel } from '../device/model'
import { bindAll, setPlayRule, type Cell } from '../edits/edits'
import { EditRefused } from '../wording/edit-refused'
import { LIGHT_STARTERS, applyLightStarter } from '../edits/light-starters'
import { EMPTY_SHELF, type MacroShelf } from '../document/macro'
import { PLAY_RULES, type PlayRule, type Profile } from '../document/schema'
import { applyStarter } from '../edits/starter-edits'
import { STARTERS } from '../motion/starters'
import { contextOf } from '../text/context'
import { parseCell } from '../text/cell-text'

/** A starter profile by its purpose: its settings for each part, for any device with the inputs. */
export interface Purpose {
  id: string
  name: Message
  about: Message
  /** Cells of the base layer as text, by the role of their input. */
  cells?: Readonly<Record<string, string>>
  /** Ids of the starters for motion and light. */
  motion?: string
  light?: string
  rules?: readonly PlayRule[]
}

/** Cells for the thumb buttons, first to last; a grid of keys is filled row by row. */
const thumb = (...texts: string[]): Record<string, string> =>
  Object.fromEntries(texts.map((text, index) => [`thumb-${index + 1}`, text]))

/** All purposes, in the order they are offered. */
export const PURPOSES: readonly Purpose[] = [
  {
    id: 'aim',
    name: message('starters.purposeAim'),
    about: message('starters.purposeAimAbout'),
    cells: { back: 'hold step 1', forward: 'v', upper: 'next step' },
    motion: 'turning',
    light: 'still',
  },
  {
    id: 'orders',
    name: message('starters.purposeOrders'),
    about: message('starters.purposeOrdersAbout'),
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
    name: message('starters.purposeFours'),
    about: message('starters.purposeFoursAbout'),
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
    name: message('starters.purposeEditing'),
    about: message('starters.purposeEditingAbout'),
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
    name: message('starters.purposeDrawing'),
    about: message('starters.purposeDrawingAbout'),
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
    name: message('starters.purposeOneHand'),
    about: message('starters.purposeOneHandAbout'),
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
    name: message('starters.purposeBattery'),
    about: message('starters.purposeBatteryAbout'),
    motion: 'evenings',
    light: 'spare',
  },
  {
    id: 'still-light',
    name: message('starters.purposeStillLight'),
    about: message('starters.purposeStillLightAbout'),
    light: 'still',
  },
  {
    id: 'tournament',
    name: message('starters.purposeTournament'),
    about: message('starters.purposeTournamentAbout'),
    rules: PLAY_RULES,
    motion: 'turning',
    light: 'still',
  },
]

/**
 * Returns a profile with the settings of a purpose, as far as the device supports them; other settings stay.
 *
 * @param into the profile to change; its name stays
 */
export function applyPurpose(
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
      light ? applyLightStarter(profile, model, light, { where: { kind: 'all' }, over: false }) : profile,
    (profile) => (purpose.rules ?? []).reduce((next, rule) => setPlayRule(next, rule, true), profile),
  ]
  return steps.reduce(whereItCan, into)
}

/** Parts that this device does not support are left out. */
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
