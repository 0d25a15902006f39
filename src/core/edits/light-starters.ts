import { message, type Message } from '../message/message'
import type { DeviceModel } from '../device/model'
import { type StackedEffect, type EffectTarget } from '../document/light'
import { newStackItem } from '../terms/light'
import { CONDITIONS } from '../effects/conditions'
import { meetsRequirements, supportedEffects, setStack, unsupportedReason } from './light-edits'
import { EditRefused } from '../wording/edit-refused'
import type { Profile } from '../document/schema'

export interface LightStarter {
  id: string
  name: Message
  about: Message
  /** From top to bottom, on all lights. */
  stack: readonly StackedEffect[]
}

/** Starters for light, by their purpose. */
export const LIGHT_STARTERS: readonly LightStarter[] = [
  {
    id: 'still',
    name: message('starters.lightStill'),
    about: message('starters.lightStillAbout'),
    stack: [newStackItem('solid', { colour: '#ffb46b', brightness: 25 })],
  },
  {
    id: 'spare',
    name: message('starters.purposeBattery'),
    about: message('starters.lightSpareAbout'),
    stack: [
      newStackItem(
        'blink',
        { colour: '#ff3b1e', periodMs: 2000, litPart: 10, brightness: 60 },
        { name: 'Low', when: { kind: 'battery', underPercent: 10 } },
      ),
      newStackItem('battery', { brightness: 50 }, { name: 'Charge', when: { kind: 'arrival', forMs: 3000 } }),
      newStackItem('glow', { colour: '#ffffff', brightness: 30, decayMs: 600 }, { name: 'Press' }),
    ],
  },
  {
    id: 'find',
    name: message('starters.lightFind'),
    about: message('starters.lightFindAbout'),
    stack: [
      newStackItem('layers', { brightness: 90, rest: 4 }, { name: 'Layer' }),
      newStackItem('solid', { colour: '#ffffff', brightness: 22 }, { name: 'Legends' }),
    ],
  },
  {
    id: 'team',
    name: message('starters.lightTeam'),
    about: message('starters.lightTeamAbout'),
    stack: [
      newStackItem('glow', { colour: '#ffffff', decayMs: 400 }, { name: 'Press', opacity: 60, mix: 'adds' }),
      newStackItem('breathing', { colour: '#2fc1b0', periodMs: 5000, brightness: 80 }, { name: 'Colours' }),
    ],
  },
  {
    id: 'cooldowns',
    name: message('starters.lightCooldowns'),
    about: message('starters.lightCooldownsAbout'),
    stack: [
      newStackItem(
        'blink',
        { colour: '#ffffff', periodMs: 250 },
        { name: 'Signal', when: { kind: 'signal', forMs: 2000 } },
      ),
      newStackItem('countdown', {}, { name: 'Time left' }),
      newStackItem('solid', { colour: '#10304a', brightness: 60 }, { name: 'Background' }),
    ],
  },
  {
    id: 'show',
    name: message('starters.lightShow'),
    about: message('starters.lightShowAbout'),
    stack: [
      newStackItem('ripple', { colour: '#ffffff', spreadMm: 140, widthMm: 24 }, { name: 'Rings' }),
      newStackItem(
        'twinkle',
        { colours: ['#ffe9c0', '#c0e4ff'], density: 22, periodMs: 1400 },
        { name: 'Sparks', mix: 'adds' },
      ),
      newStackItem(
        'wave',
        { colours: ['#3a1cff', '#ff2f8e', '#ff9d2e'], periodMs: 6000, spreadMm: 160, direction: 30 },
        { name: 'Waves' },
      ),
    ],
  },
  {
    id: 'steps',
    name: message('starters.lightSteps'),
    about: message('starters.lightStepsAbout'),
    stack: [newStackItem('step', { brightness: 80 })],
  },
]

/** The part of a starter that some lights can show; undefined if they can show none of it. */
export function starterStack(
  { stack }: LightStarter,
  model: DeviceModel,
  where: EffectTarget,
): StackedEffect[] {
  const kinds = supportedEffects(model)
  return stack
    .filter(({ effect: { kind } }) => kinds.includes(kind) && !unsupportedReason(model, kind, where))
    .filter(({ when }) => when.kind === 'always' || meetsRequirements(CONDITIONS[when.kind], model))
    .map((entry) => ({ ...entry, where }))
}

/**
 * Applies a starter: it replaces the whole stack, or is added on top for some lights.
 *
 * @throws EditRefused if the device cannot show it, or the stack is full
 */
export function applyLightStarter(
  profile: Profile,
  model: DeviceModel,
  starter: LightStarter,
  { where, over }: { where: EffectTarget; over: boolean },
): Profile {
  const taken = starterStack(starter, model, where)
  if (taken.length === 0) throw new EditRefused('nothing-shown', { model: model.name, starter: starter.name })
  return setStack(profile, over ? [...taken, ...profile.light] : taken)
}
