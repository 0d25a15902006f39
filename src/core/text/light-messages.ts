import { valueOf } from '../base/items'
import type { Parameter } from '../base/parameters'
import { keyLegend } from '../computer/layouts'
import type { DeviceModel } from '../device/model'
import { inputById } from '../device/lookups'
import { parametersOf } from '../effects/registry'
import { type Effect, type StackItem, type EffectCondition, type EffectTarget } from '../document/light'
import type { MacroShelf } from '../document/macro'
import { factList, message, type MessageFact } from '../message/message'
import { newEffect } from '../terms/light'
import { ANY_MACRO, IS_PAIRING, NO_CONNECTION } from '../terms/parameter-terms'
import { lightsOfModel } from '../light/plan'
import { choiceLabel, EFFECT_MESSAGES, parameterLabel } from '../wording/effect-messages'

/** Messages that describe the light of a profile. */

/** What a condition can refer to. */
interface ConditionContext {
  model: DeviceModel
  layers: readonly { name: string }[]
  macros: MacroShelf
}

/** A number with its unit; milliseconds become seconds from one second on. */
export function amount(value: number, { unit }: Extract<Parameter, { kind: 'number' }>): MessageFact {
  switch (unit) {
    case undefined:
      return value
    case 'ms':
      return value >= 1000 ? seconds(value) : message('effects.ms', { value })
    case 's':
      return message('effects.s', { value })
    case 'min':
      return message('effects.min', { value })
    case 'mm':
      return message('effects.mm', { value })
    case '°':
      return message('effects.degrees', { value })
    case '%':
      return message('effects.percent', { value })
  }
}

const seconds = (ms: number): MessageFact => message('effects.s', { value: Math.round(ms / 10) / 100 })

/** An effect: its kind, its colours, its period, its brightness. */
export function effectMessage(effect: Effect): MessageFact {
  const parts: MessageFact[] = [EFFECT_MESSAGES[effect.kind].name]
  if ('colour' in effect) parts.push(effect.colour)
  if ('colours' in effect) parts.push(effect.colours.join(' '))
  if ('periodMs' in effect) parts.push(message('effects.every', { period: seconds(effect.periodMs) }))
  if ('brightness' in effect && effect.brightness < 100)
    parts.push(message('effects.atBrightness', { percent: effect.brightness }))
  return factList(parts, 'comma')
}

/** An entry of a stack: effect, lights and condition, and settings that differ from the defaults. */
export function stackItemMessage(item: StackItem, context: ConditionContext): MessageFact {
  if (item.kind === 'later') return message('effects.laterWithBytes', { bytes: item.bytes })
  const { effect, where, when, opacity, mix, name } = item
  const standard: object = newEffect(effect.kind)
  const own = Object.entries(effect)
    .filter(([key]) => !['kind', 'colour', 'colours', 'periodMs', 'brightness'].includes(key))
    .filter(([key, value]) => value !== Reflect.get(standard, key))
    .map(([key, value]: [string, unknown]) => {
      const parameter = valueOf(parametersOf(effect.kind), key)
      return message('effects.setting', {
        name: parameterLabel(key),
        value: parameter.kind === 'number' ? amount(Number(value), parameter) : choiceLabel(String(value)),
      })
    })
  return factList(
    [
      ...(name
        ? [message('effects.named', { name, effect: effectMessage(effect) })]
        : [effectMessage(effect)]),
      lightTargetMessage(where, context.model),
      conditionMessage(when, context),
      ...(opacity < 100 ? [message('effects.opacity', { percent: opacity })] : []),
      ...(mix === 'adds' ? [message('effects.adds')] : []),
      ...own,
    ],
    'comma',
  )
}

/** The shortest description of some lights. */
export function lightTargetMessage(where: EffectTarget, model: DeviceModel): MessageFact {
  if (where.kind === 'all') return message('effects.allLights')
  if (where.kind === 'zones')
    return where.zones.length === 0
      ? message('effects.noLight')
      : factList(where.zones.map((id) => model.zones.find((zone) => zone.id === id)?.name ?? id))
  const chosen = lightsOfModel(model).filter(({ id }) => where.lights.includes(id))
  if (chosen.length === 0) return message('effects.noLight')
  return chosen.length <= MAX_NAMED
    ? factList(chosen.map((light) => lightName(light, model)))
    : message('effects.lights', { count: chosen.length })
}

const MAX_NAMED = 4

/** The name of a light: the legend of its key, its input, or its number in its zone. */
export function lightName(
  { id, zone, input }: { id: string; zone: string; input?: string },
  model: DeviceModel,
): MessageFact {
  const own = input === undefined ? undefined : inputById(model, input)
  if (own) return own.key?.code ? keyLegend(own.key.code, 'us') : own.name
  return message('effects.lightOfZone', {
    zone: model.zones.find((each) => each.id === zone)?.name ?? zone,
    number: id.split(':')[1] ?? '',
  })
}

/** A condition with its values. */
export function conditionMessage(
  when: EffectCondition,
  { model, layers, macros }: ConditionContext,
): MessageFact {
  switch (when.kind) {
    case 'always':
      return message('effects.always')
    case 'layer':
      return message('effects.whileLayer', { layer: layers[when.layer]?.name ?? when.layer })
    case 'press':
      return pressMessage(when, model)
    case 'macro':
      return when.macro === ANY_MACRO
        ? message('effects.whileAnyMacro')
        : message('effects.whileMacro', { macro: macros.get(when.macro)?.name ?? when.macro })
    case 'signal':
      return message('effects.onSignal', { time: seconds(when.forMs) })
    case 'battery':
      return message('effects.batteryBelow', { percent: when.underPercent })
    case 'charging':
      return message('effects.whileCharging')
    case 'connection':
      if (when.connection === IS_PAIRING) return message('effects.whilePairing')
      return when.connection === NO_CONNECTION
        ? message('effects.notConnected')
        : message('effects.overConnection', {
            connection: model.connections.find(({ id }) => id === when.connection)?.name ?? when.connection,
          })
    case 'arrival':
      return message('effects.onArrival', { time: seconds(when.forMs) })
    case 'idle':
      return message('effects.idleFor', { time: message('effects.s', { value: when.seconds }) })
  }
}

function pressMessage(
  { forMs, inputs }: Extract<EffectCondition, { kind: 'press' }>,
  model: DeviceModel,
): MessageFact {
  const time = seconds(forMs)
  if (inputs.length === 0) return message('effects.afterAnyPress', { time })
  if (inputs.length > MAX_NAMED) return message('effects.afterPressOfSome', { time, count: inputs.length })
  const names = inputs.map((id) => inputById(model, id)?.name ?? id)
  return message('effects.afterPressOf', { time, inputs: factList(names, 'or') })
}

/** The name of an entry, or the name of its kind. */
export const stackItemName = (item: StackItem): MessageFact =>
  item.kind === 'later' ? message('effects.later') : (item.name ?? EFFECT_MESSAGES[item.effect.kind].name)
