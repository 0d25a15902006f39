import { stepOf, type Parameter, type Parameters } from '../src/core/base/parameters'
import { versionText, type FirmwareVersion } from '../src/core/base/versions'
import { CONDITIONS } from '../src/core/effects/conditions'
import { EFFECTS } from '../src/core/effects/registry'
import { EFFECT_MESSAGES } from '../src/core/wording/effect-messages'
import { englishText } from '../src/messages/plain'

/** Rows of the tables of effects and conditions, from their definitions. */

const hex = ({ red, green, blue }: { red: number; green: number; blue: number }): string =>
  [red, green, blue].map((value) => value.toString(16).padStart(2, '0')).join('')

function kindText(parameter: Parameter): string {
  switch (parameter.kind) {
    case 'number': {
      const { min, max, unit } = parameter
      const step = stepOf(parameter)
      return `${min} to ${max}${unit ? ` ${unit}` : ''}${step === 1 ? '' : `, in increments of ${step}`}`
    }
    case 'choice':
      return parameter.of.map((text, index) => `${index} ${text}`).join(', ')
    case 'colours':
      return `${parameter.min} to ${parameter.max} colours`
    case 'connection':
      return 'index of a connection in the model, from 1; 0 for none'
    case 'macro':
      return 'number of a macro, 0 for any'
    default:
      return parameter.kind
  }
}

function otherwiseText(parameter: Parameter): string {
  const { default: defaultValue } = parameter
  if (typeof defaultValue !== 'object') return String(defaultValue)
  if ('red' in defaultValue) return hex(defaultValue)
  return defaultValue.map((each) => (typeof each === 'number' ? String(each) : hex(each))).join(' ') || 'none'
}

const rowsOf = (
  name: string,
  { code, since, parameters }: { code: number; since: FirmwareVersion; parameters: Parameters },
): (string | number)[][] => {
  const rows = Object.entries(parameters).map(([key, parameter]) => [
    key,
    kindText(parameter),
    otherwiseText(parameter),
  ])
  return rows.length === 0
    ? [[code, name, versionText(since), '', '', '']]
    : rows.map((row, index) => [...(index === 0 ? [code, name, versionText(since)] : ['', '', '']), ...row])
}

export const LIGHT_COLUMNS = ['code', 'name', 'firmware', 'parameter', 'values', 'if omitted']

export const effectRows = (): (string | number)[][] =>
  Object.entries(EFFECTS).flatMap(([name, kind]) =>
    rowsOf(englishText(EFFECT_MESSAGES[name as keyof typeof EFFECTS].name).toLowerCase(), kind),
  )

export const conditionRows = (): (string | number)[][] =>
  Object.entries(CONDITIONS).flatMap(([name, kind]) => rowsOf(name, kind))
