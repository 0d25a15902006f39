import { capital } from '../../base/names'
import { pluralOf } from '../../base/plurals'
import type { Target } from '../../base/parameters'
import type { DeviceModel } from '../../device/model'
import { gateText } from '../../wording/gate-words'
import { dpiProblem } from '../../motion/steps'
import { grammar, type Parsed, type Phrase } from './grammar'

/** Steps and slots: places in a row that an action goes to. */

const hasSensor = ({ sensor }: DeviceModel): boolean => sensor !== undefined

const targetText = (kind: 'step' | 'slot', to: Target): string =>
  typeof to === 'number' ? `${capital(kind)} ${to}` : `${capital(to)} ${kind}`

const phrasesTo = (kind: 'step' | 'slot', count: number, note: string): Phrase[] => [
  ...(['next', 'previous'] as const).map((to): Phrase => ({
    text: targetText(kind, to),
    words: [`${to} ${kind}`, `${kind} ${to}`, to === 'next' ? `${kind} up` : `${kind} down`],
    action: { kind, to },
    note,
  })),
  ...Array.from({ length: count }, (_, index): Phrase => ({
    text: targetText(kind, index + 1),
    words: [`${kind} ${index + 1}`],
    action: { kind, to: index + 1 },
    note,
  })),
]

/** `step 9` on a device of five steps: the phrase is right, the number is not. */
function readNumber(kind: 'step' | 'slot', text: string, name: string, most: number): Parsed | undefined {
  const match = new RegExp(`^${kind} ?(\\d+)$`).exec(text)
  if (!match) return undefined
  const to = Number(match[1])
  const things = pluralOf(most, { one: `1 ${kind}`, other: `${most} ${kind}s` })
  return to < 1 || to > most
    ? { problem: `${name} has ${things}; there is no ${kind} ${to}` }
    : { action: { kind, to } }
}

const noSteps = ({ name }: DeviceModel): Parsed => ({ problem: `${name} has no sensor and so no steps` })

export const step = grammar<'step'>({
  family: 'motion',
  group: 'steps',
  isThere: hasSensor,
  write: ({ to }) => targetText('step', to),
  phrasesIn: ({ model: { sensor } }) => (sensor ? phrasesTo('step', sensor.maxSteps, 'sensitivity') : []),
  read({ text }, { model }) {
    if (model.sensor) return readNumber('step', text, model.name, model.sensor.maxSteps)
    return /^(?:step ?\d+|(?:next|previous) step)$/.test(text) ? noSteps(model) : undefined
  },
})

export const slot = grammar<'slot'>({
  family: 'system',
  group: 'slots',
  write: ({ to }) => targetText('slot', to),
  phrasesIn: ({ model: { memory } }) => phrasesTo('slot', memory.slots, 'onboard profile'),
  read: ({ text }, { model }) => readNumber('slot', text, model.name, model.memory.slots),
})

export const holdStep = grammar<'hold-step'>({
  family: 'motion',
  group: 'steps',
  isThere: hasSensor,
  write: (action) => ('step' in action ? `Hold step ${action.step}` : `Hold ${action.dpi} DPI`),
  phrasesIn: ({ model: { sensor } }) =>
    Array.from({ length: sensor?.maxSteps ?? 0 }, (_, index) => ({
      text: `Hold step ${index + 1}`,
      words: [`hold step ${index + 1}`, `step ${index + 1} while held`],
      action: { kind: 'hold-step', step: index + 1 },
      note: 'while it is held',
    })),
  read({ text }, { model }) {
    const match = /^hold (?:(step) ?(\d+)|(\d+) ?dpi)$/.exec(text)
    if (!match) return undefined
    if (!model.sensor) return noSteps(model)
    if (match[1]) {
      const number = Number(match[2])
      const most = model.sensor.maxSteps
      return number >= 1 && number <= most
        ? { action: { kind: 'hold-step', step: number } }
        : { problem: `${model.name} has ${most} steps; there is no step ${number}` }
    }
    const dpi = Number(match[3])
    const problem = dpiProblem(model.sensor, dpi)
    return problem ? { problem: `${dpi} DPI: ${gateText(problem)}` } : { action: { kind: 'hold-step', dpi } }
  },
  examples: [{ text: 'hold 400 dpi', note: 'while it is held' }],
})
