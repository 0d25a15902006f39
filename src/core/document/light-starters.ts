import type { DeviceModel } from '../device/model'
import type { EffectName } from '../effects/registry'
import { MOST_ENTRIES } from '../onboard/light-stack'
import { newEffect, type Effect, type StackedEffect, type Where } from './light'
import { zonesIn } from './light-edits'
import { EditRefused } from './edits'
import type { Profile } from './schema'

type Settings<Name extends EffectName> = Partial<Extract<Effect, { kind: Name }>>

const on = <Name extends EffectName>(
  kind: Name,
  settings: Settings<Name> = {},
  more: Partial<Omit<StackedEffect, 'kind' | 'effect'>> = {},
): StackedEffect => ({
  kind: 'effect',
  // The kind and its settings belong together by the signature.
  effect: { ...newEffect(kind), ...settings } as Effect,
  where: { kind: 'all' },
  when: { kind: 'always' },
  opacity: 100,
  mix: 'covers',
  ...more,
})

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
    stack: [on('solid', { colour: '#ffb46b', brightness: 25 })],
  },
  {
    id: 'spare',
    name: 'Long battery',
    about: 'Dark until a press; the charge for a moment when the slot comes on, red when it is low',
    stack: [
      on(
        'blink',
        { colour: '#ff3b1e', periodMs: 2000, litPart: 10, brightness: 60 },
        { name: 'Low', when: { kind: 'battery', underPercent: 10 } },
      ),
      on('battery', { brightness: 50 }, { name: 'Charge', when: { kind: 'arrival', forMs: 3000 } }),
      on('glow', { colour: '#ffffff', brightness: 30, decayMs: 600 }, { name: 'Press' }),
    ],
  },
  {
    id: 'find',
    name: 'Find the keys',
    about: 'Everything faint and white, and while a layer is on only what it changes',
    stack: [
      on('layers', { brightness: 90, rest: 4 }, { name: 'Layer' }),
      on('solid', { colour: '#ffffff', brightness: 22 }, { name: 'Legends' }),
    ],
  },
  {
    id: 'team',
    name: 'Team colour',
    about: 'One colour that breathes, brighter at each press',
    stack: [
      on('glow', { colour: '#ffffff', decayMs: 400 }, { name: 'Press', opacity: 60, mix: 'adds' }),
      on('breathing', { colour: '#2fc1b0', periodMs: 5000, brightness: 80 }, { name: 'Colours' }),
    ],
  },
  {
    id: 'cooldowns',
    name: 'Cooldowns',
    about: 'What is left of a countdown over a dim ground; white when a signal comes',
    stack: [
      on(
        'blink',
        { colour: '#ffffff', periodMs: 250 },
        { name: 'Signal', when: { kind: 'signal', forMs: 2000 } },
      ),
      on('countdown', {}, { name: 'Time left' }),
      on('solid', { colour: '#10304a', brightness: 60 }, { name: 'Ground' }),
    ],
  },
  {
    id: 'show',
    name: 'Show',
    about: 'Waves, sparks and rings',
    stack: [
      on('ripple', { colour: '#ffffff', spreadMm: 140, widthMm: 24 }, { name: 'Rings' }),
      on(
        'twinkle',
        { colours: ['#ffe9c0', '#c0e4ff'], density: 22, periodMs: 1400 },
        { name: 'Sparks', mix: 'adds' },
      ),
      on(
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
    stack: [on('step', { brightness: 80 })],
  },
]

/** What of a starter a device can show in a place; none where it can show nothing of it. */
export function starterStack({ stack }: LightStarter, model: DeviceModel, where: Where): StackedEffect[] {
  const zones = model.zones.filter(({ id }) => zonesIn(model, where).includes(id))
  return stack
    .filter(({ effect }) => zones.some(({ effects }) => effects?.includes(effect.kind) ?? true))
    .filter(({ effect }) => effect.kind !== 'step' || model.sensor !== undefined)
    .filter(
      ({ when, effect }) =>
        model.electrical.battery || (when.kind !== 'battery' && effect.kind !== 'battery'),
    )
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
  if (taken.length === 0) throw new EditRefused(`${model.name} can show nothing of “${starter.name}” there`)
  const light = over ? [...taken, ...profile.light] : taken
  if (light.length > MOST_ENTRIES)
    throw new EditRefused(`there can be ${MOST_ENTRIES} effects over each other`)
  return { ...profile, light }
}
