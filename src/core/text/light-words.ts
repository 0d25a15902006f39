import { valueOf } from '../base/items'
import type { Parameter } from '../base/parameters'
import { keyLegend } from '../computer/layouts'
import type { DeviceModel } from '../device/model'
import { inputById } from '../device/lookups'
import type { ConditionName, CONDITIONS } from '../effects/conditions'
import { parametersOf, type EffectName, type EFFECTS } from '../effects/registry'
import { type Effect, type StackItem, type When, type Where } from '../document/light'
import { newEffect } from '../terms/light'
import { ANY_MACRO, LOOKS_FOR_ONE, NO_CONNECTION } from '../terms/parameter-terms'
import { lightsOfModel } from '../light/plan'
import { layerName, type ActionContext } from './context'

/** The words of light: each effect, each condition, each thing that can be set; exhaustive by type. */

export const EFFECT_WORDS: Record<EffectName, { text: string; about: string }> = {
  off: { text: 'Dark', about: 'No light, whatever is below' },
  solid: { text: 'Solid', about: 'One colour, steady' },
  blink: { text: 'Blink', about: 'One colour, on and off' },
  breathing: { text: 'Breathing', about: 'One colour, swelling and fading' },
  cycle: { text: 'Cycle', about: 'Once around the colour circle' },
  gradient: { text: 'Gradient', about: 'Colours next to each other, still' },
  wave: { text: 'Wave', about: 'Colours that move over the device' },
  sequence: { text: 'Colour to colour', about: 'One colour after the other' },
  twinkle: { text: 'Twinkle', about: 'Lights that come and go by chance' },
  ripple: { text: 'Ripple', about: 'A ring from each pressed input' },
  glow: { text: 'Glow', about: 'A pressed input lights and fades' },
  step: { text: 'Step colour', about: 'The colour of the step in force' },
  layers: { text: 'Layer map', about: 'What the layers now on change' },
  battery: { text: 'Battery gauge', about: 'As many lights as there is charge' },
  countdown: { text: 'Countdown gauge', about: 'What is left of a countdown' },
  sweep: { text: 'Sweep', about: 'A band that runs over the lights' },
}

export const CONDITION_WORDS: Record<ConditionName | 'always', string> = {
  always: 'Always',
  layer: 'While a layer is on',
  press: 'After a press',
  macro: 'While a macro runs',
  signal: 'On a signal',
  battery: 'Battery is low',
  charging: 'While charging',
  connection: 'By connection',
  arrival: 'When the slot comes on',
  idle: 'When idle',
}

const PARAMETER_WORDS: Record<LightParameter, string> = {
  colour: 'Colour',
  colours: 'Colours',
  brightness: 'Brightness',
  periodMs: 'Period',
  shift: 'Begins at',
  lag: 'Later by',
  lagBy: 'Later from one',
  litPart: 'Lit for',
  direction: 'Direction',
  spreadMm: 'Spread',
  moves: 'Moves',
  pointX: 'Point across',
  pointY: 'Point along',
  change: 'Change',
  order: 'Order',
  seed: 'Chance no.',
  density: 'Density',
  widthMm: 'Width',
  ends: 'At the end',
  decayMs: 'Fades in',
  reachMm: 'Reach',
  delayMs: 'Per 10 mm later',
  rest: 'The rest at',
  full: 'Full',
  low: 'Low',
  lowPercent: 'Low from',
  layer: 'Layer',
  forMs: 'For',
  inputs: 'Of',
  macro: 'Macro',
  underPercent: 'Under',
  connection: 'Connection',
  seconds: 'For longer than',
}

/** Every parameter of an effect or a condition. */
type LightParameter =
  | { [Name in EffectName]: keyof (typeof EFFECTS)[Name]['parameters'] }[EffectName]
  | { [Name in ConditionName]: keyof (typeof CONDITIONS)[Name]['parameters'] }[ConditionName]

export const parameterWord = (name: string): string => {
  const words: Readonly<Record<string, string>> = PARAMETER_WORDS
  return words[name] ?? name
}

/** A whole number with its unit, as a person reads it: milliseconds as seconds from one second on. */
export function amountText(value: number, { unit }: Extract<Parameter, { kind: 'number' }>): string {
  if (unit === 'ms' && value >= 1000) return `${(value / 1000).toFixed(value % 1000 === 0 ? 0 : 2)} s`
  if (unit === '°') return `${value}°`
  return unit === undefined ? String(value) : `${value} ${unit}`
}

/** What an effect is, in words: its kind, its colours, its period, its brightness. */
export function effectText(effect: Effect): string {
  const parts = [EFFECT_WORDS[effect.kind].text.toLowerCase()]
  if ('colour' in effect) parts.push(effect.colour)
  if ('colours' in effect) parts.push(effect.colours.join(' '))
  if ('periodMs' in effect) parts.push(`every ${effect.periodMs / 1000} s`)
  if ('brightness' in effect && effect.brightness < 100) parts.push(`at ${effect.brightness} %`)
  return parts.join(' ')
}

/** What an entry of a stack is, where and when, and what of it is not as it is when nothing is said. */
export function itemText(item: StackItem, context: ActionContext): string {
  if (item.kind === 'later') return `from a later version ${item.bytes}`
  const { effect, where, when, opacity, mix, name } = item
  const standard: object = newEffect(effect.kind)
  const own = Object.entries(effect)
    .filter(([key]) => !['kind', 'colour', 'colours', 'periodMs', 'brightness'].includes(key))
    .filter(([key, value]) => value !== Reflect.get(standard, key))
    .map(([key, value]: [string, unknown]) => {
      const parameter = valueOf(parametersOf(effect.kind), key)
      const text = parameter.kind === 'number' ? amountText(Number(value), parameter) : String(value)
      return `${parameterWord(key).toLowerCase()} ${text}`
    })
  return [
    `${name ? `${name}: ` : ''}${effectText(effect)}`,
    whereText(where, context.model),
    whenText(when, context),
    ...(opacity < 100 ? [`opacity ${opacity} %`] : []),
    ...(mix === 'adds' ? ['adds'] : []),
    ...own,
  ].join(', ')
}

/** Which lights, as short as it can be said. */
export function whereText(where: Where, model: DeviceModel): string {
  if (where.kind === 'all') return 'all lights'
  if (where.kind === 'zones')
    return (
      where.zones.map((id) => model.zones.find((zone) => zone.id === id)?.name ?? id).join(', ') || 'no light'
    )
  const chosen = lightsOfModel(model).filter(({ id }) => where.lights.includes(id))
  if (chosen.length === 0) return 'no light'
  return chosen.length <= MOST_NAMED
    ? chosen.map((light) => lightName(light, model)).join(', ')
    : `${chosen.length} lights`
}

const MOST_NAMED = 4

/** What a light is called: by the legend of its key, its input, or its place in its zone. */
export function lightName(
  { id, zone, input }: { id: string; zone: string; input?: string },
  model: DeviceModel,
): string {
  const own = input === undefined ? undefined : inputById(model, input)
  if (own) return own.key?.code ? keyLegend(own.key.code, 'us') : own.name
  return `${model.zones.find((each) => each.id === zone)?.name ?? zone} ${id.split(':')[1]}`
}

/** When, in words. */
export function whenText(when: When, context: ActionContext): string {
  switch (when.kind) {
    case 'always':
      return 'always'
    case 'layer':
      return `while ${layerName(when.layer, context)} is on`
    case 'press': {
      const names = when.inputs.map((id) => inputById(context.model, id)?.name ?? id)
      const which =
        names.length === 0
          ? 'any input'
          : names.length > MOST_NAMED
            ? `${names.length} inputs`
            : names.join(' or ')
      return `for ${when.forMs / 1000} s after a press of ${which}`
    }
    case 'macro':
      return when.macro === ANY_MACRO
        ? 'while a macro runs'
        : `while “${context.macros.get(when.macro)?.name ?? when.macro}” runs`
    case 'signal':
      return `for ${when.forMs / 1000} s on a signal`
    case 'battery':
      return `battery under ${when.underPercent} %`
    case 'charging':
      return 'while charging'
    case 'connection':
      if (when.connection === LOOKS_FOR_ONE) return 'while pairing'
      return when.connection === NO_CONNECTION
        ? 'not connected'
        : `over ${context.model.connections.find(({ id }) => id === when.connection)?.name ?? when.connection}`
    case 'arrival':
      return `for ${when.forMs / 1000} s when the slot comes on`
    case 'idle':
      return `idle for ${when.seconds} s`
  }
}

/** What an entry is called: its name, or its kind. */
export const itemName = (item: StackItem): string =>
  item.kind === 'later' ? 'From a later version' : (item.name ?? EFFECT_WORDS[item.effect.kind].text)
