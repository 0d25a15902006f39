import type { DeviceModel } from '../device/model'
import { type StackedEffect, type Where } from '../document/light'
import { stacked } from '../terms/light'
import { CONDITIONS } from '../effects/conditions'
import { hasWhatItNeeds, kindsOf, setStack, whyNotShown } from './light-edits'
import { EditRefused } from '../wording/refused'
import type { Profile } from '../document/schema'

export interface LightStarter {
  id: string
  name: string
  about: string
  /** Top first, on all lights. */
  stack: readonly StackedEffect[]
}

/** Light to begin from, by what it is for. */
export const LIGHT_STARTERS: readonly LightStarter[] = [
  {
    id: 'still',
    name: 'Still and dim',
    about: 'A warm glow that never moves',
    stack: [stacked('solid', { colour: '#ffb46b', brightness: 25 })],
  },
  {
    id: 'spare',
    name: 'Long battery',
    about: 'Dark until a press; the charge for a moment when the slot comes on, red when it is low',
    stack: [
      stacked(
        'blink',
        { colour: '#ff3b1e', periodMs: 2000, litPart: 10, brightness: 60 },
        { name: 'Low', when: { kind: 'battery', underPercent: 10 } },
      ),
      stacked('battery', { brightness: 50 }, { name: 'Charge', when: { kind: 'arrival', forMs: 3000 } }),
      stacked('glow', { colour: '#ffffff', brightness: 30, decayMs: 600 }, { name: 'Press' }),
    ],
  },
  {
    id: 'find',
    name: 'Find the keys',
    about: 'Everything faint and white, and while a layer is on only what it changes',
    stack: [
      stacked('layers', { brightness: 90, rest: 4 }, { name: 'Layer' }),
      stacked('solid', { colour: '#ffffff', brightness: 22 }, { name: 'Legends' }),
    ],
  },
  {
    id: 'team',
    name: 'Team colour',
    about: 'One colour that breathes, brighter at each press',
    stack: [
      stacked('glow', { colour: '#ffffff', decayMs: 400 }, { name: 'Press', opacity: 60, mix: 'adds' }),
      stacked('breathing', { colour: '#2fc1b0', periodMs: 5000, brightness: 80 }, { name: 'Colours' }),
    ],
  },
  {
    id: 'cooldowns',
    name: 'Cooldowns',
    about: 'What is left of a countdown over a dim ground; white when a signal comes',
    stack: [
      stacked(
        'blink',
        { colour: '#ffffff', periodMs: 250 },
        { name: 'Signal', when: { kind: 'signal', forMs: 2000 } },
      ),
      stacked('countdown', {}, { name: 'Time left' }),
      stacked('solid', { colour: '#10304a', brightness: 60 }, { name: 'Ground' }),
    ],
  },
  {
    id: 'show',
    name: 'Show',
    about: 'Waves, sparks and rings',
    stack: [
      stacked('ripple', { colour: '#ffffff', spreadMm: 140, widthMm: 24 }, { name: 'Rings' }),
      stacked(
        'twinkle',
        { colours: ['#ffe9c0', '#c0e4ff'], density: 22, periodMs: 1400 },
        { name: 'Sparks', mix: 'adds' },
      ),
      stacked(
        'wave',
        { colours: ['#3a1cff', '#ff2f8e', '#ff9d2e'], periodMs: 6000, spreadMm: 160, direction: 30 },
        { name: 'Waves' },
      ),
    ],
  },
  {
    id: 'steps',
    name: 'Step colour',
    about: 'All lights in the colour of the step in force',
    stack: [stacked('step', { brightness: 80 })],
  },
]

/** What of a starter a device can show in a place; none where it can show nothing of it. */
export function starterStack({ stack }: LightStarter, model: DeviceModel, where: Where): StackedEffect[] {
  const kinds = kindsOf(model)
  return stack
    .filter(({ effect: { kind } }) => kinds.includes(kind) && !whyNotShown(model, kind, where))
    .filter(({ when }) => when.kind === 'always' || hasWhatItNeeds(CONDITIONS[when.kind], model))
    .map((entry) => ({ ...entry, where }))
}

/**
 * Takes a starter: in place of the whole stack, or over it on some lights.
 *
 * @throws EditRefused where the device can show nothing of it, or there is no room for it
 */
export function takeStarter(
  profile: Profile,
  model: DeviceModel,
  starter: LightStarter,
  { where, over }: { where: Where; over: boolean },
): Profile {
  const taken = starterStack(starter, model, where)
  if (taken.length === 0) throw new EditRefused('nothing-shown', { model: model.name, starter: starter.name })
  return setStack(profile, over ? [...taken, ...profile.light] : taken)
}
