import { gridOf, type Parameter, type Parameters } from '../src/core/base/parameters'
import { versionText, type FirmwareVersion } from '../src/core/base/versions'
import { CONDITIONS } from '../src/core/effects/conditions'
import { EFFECTS } from '../src/core/effects/registry'
import { EFFECT_WORDS } from '../src/core/text/light-words'

/** Rows of the tables of effects and conditions, from their definitions. */

const hex = ({ red, green, blue }: { red: number; green: number; blue: number }): string =>
  [red, green, blue].map((value) => value.toString(16).padStart(2, '0')).join('')

function kindText(parameter: Parameter): string {
  switch (parameter.kind) {
    case 'number': {
      const { least, most, unit } = parameter
      const grid = gridOf(parameter)
      return `${least} to ${most}${unit ? ` ${unit}` : ''}${grid === 1 ? '' : `, by ${grid}`}`
    }
    case 'choice':
      return parameter.of.map((text, index) => `${index} ${text}`).join(', ')
    case 'colours':
      return `${parameter.least} to ${parameter.most} colours`
    case 'connection':
      return 'a connection by its place in the model counted from 1, 0 for none'
    case 'macro':
      return 'number of a macro, 0 for any'
    default:
      return parameter.kind
  }
}

function otherwiseText(parameter: Parameter): string {
  const { otherwise } = parameter
  if (typeof otherwise !== 'object') return String(otherwise)
  if ('red' in otherwise) return hex(otherwise)
  return otherwise.map((each) => (typeof each === 'number' ? String(each) : hex(each))).join(' ') || 'none'
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

export const LIGHT_COLUMNS = ['code', 'what', 'firmware', 'parameter', 'may be', 'left out']

export const effectRows = (): (string | number)[][] =>
  Object.entries(EFFECTS).flatMap(([name, kind]) =>
    rowsOf(EFFECT_WORDS[name as keyof typeof EFFECTS].text.toLowerCase(), kind),
  )

export const conditionRows = (): (string | number)[][] =>
  Object.entries(CONDITIONS).flatMap(([name, kind]) => rowsOf(name, kind))
