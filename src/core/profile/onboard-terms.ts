import { consumerById, consumerByUsage } from '../hid/consumer-page'
import { KEY_USAGES, keyByCode, keyByUsage } from '../hid/keyboard-page'
import { FIRST_MODIFIER_USAGE } from '../hid/modifiers'
import type { ImageAction } from '../image/actions'
import { fromHex, toHex } from '../light/colour'
import type { LightEffect } from '../light/effects'
import type { Action, Effect } from './schema'

/**
 * Actions and effects in a profile's terms (names) and in the device's (usages, numbers), both ways. What goes
 * down comes back up the same.
 */
export function lowerAction(action: Action): ImageAction {
  switch (action.kind) {
    case 'key':
      return { kind: 'key', usage: usageOf(action.code), modifiers: modifierBits(action.modifiers) }
    case 'control':
      return { kind: 'consumer', usage: consumerById(action.control)?.usage ?? 0 }
    case 'scroll': {
      const amount =
        action.direction === 'up' || action.direction === 'right' ? action.amount : -action.amount
      const vertical = action.direction === 'up' || action.direction === 'down'
      return { kind: 'scroll', wheel: vertical ? amount : 0, pan: vertical ? 0 : amount }
    }
    default:
      return action
  }
}

/** @returns the action, or undefined for one that no profile of this version can say */
export function raiseAction(action: ImageAction): Action | undefined {
  switch (action.kind) {
    case 'key': {
      const key = keyByUsage(action.usage)
      return key && { kind: 'key', code: key.code, modifiers: modifierCodes(action.modifiers) }
    }
    case 'consumer': {
      const control = consumerByUsage(action.usage)
      return control && { kind: 'control', control: control.id }
    }
    case 'scroll':
      if (action.wheel !== 0) {
        return { kind: 'scroll', direction: action.wheel > 0 ? 'up' : 'down', amount: Math.abs(action.wheel) }
      }
      return { kind: 'scroll', direction: action.pan > 0 ? 'right' : 'left', amount: Math.abs(action.pan) }
    case 'unknown':
      return undefined
    default:
      return action
  }
}

/** An effect with its colour as the device drives it. @throws RangeError for a colour that is none */
export const lowerEffect = (effect: Effect): LightEffect =>
  'colour' in effect ? { ...effect, colour: fromHex(effect.colour) } : effect

/** An effect with its colour as `#rrggbb`. */
export const raiseEffect = (effect: LightEffect): Effect =>
  'colour' in effect ? { ...effect, colour: toHex(effect.colour) } : effect

const usageOf = (code: string): number => keyByCode(code)?.usage ?? 0

const modifierBits = (codes: readonly string[]): number =>
  codes.reduce((bits, code) => bits | (1 << (usageOf(code) - FIRST_MODIFIER_USAGE)), 0)

const modifierCodes = (bits: number): string[] =>
  KEY_USAGES.filter(
    ({ usage }) => usage >= FIRST_MODIFIER_USAGE && bits & (1 << (usage - FIRST_MODIFIER_USAGE)),
  ).map(({ code }) => code)
