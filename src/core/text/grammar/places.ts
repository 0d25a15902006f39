import { capitalise } from '../../base/names'
import type { Target } from '../../base/parameters'
import type { DeviceModel } from '../../device/model'
import { message } from '../../message/message'
import { problemMessage } from '../../wording/problem-messages'
import { dpiProblem } from '../../motion/steps'
import { defineGrammar, type Parsed, type Phrase } from './grammar'

/** Steps and slots: numbered targets of actions. */

const hasSensor = ({ sensor }: DeviceModel): boolean => sensor !== undefined

const targetText = (kind: 'step' | 'slot', to: Target): string =>
  typeof to === 'number' ? `${capitalise(kind)} ${to}` : `${capitalise(to)} ${kind}`

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

/** `step 9` on a device with five steps: a valid phrase with an invalid number. */
function readNumber(kind: 'step' | 'slot', text: string, name: string, max: number): Parsed | undefined {
  const match = new RegExp(`^${kind} ?(\\d+)$`).exec(text)
  if (!match) return undefined
  const to = Number(match[1])
  if (to >= 1 && to <= max) return { action: { kind, to } }
  return {
    problem:
      kind === 'step'
        ? message('parse.noStep', { model: name, count: max, step: to })
        : message('parse.noSlot', { model: name, count: max, slot: to }),
  }
}

const noSteps = ({ name }: DeviceModel): Parsed => ({
  problem: message('edits.noSensor', { model: name }),
})

export const step = defineGrammar<'step'>({
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

export const slot = defineGrammar<'slot'>({
  family: 'system',
  group: 'slots',
  write: ({ to }) => targetText('slot', to),
  phrasesIn: ({ model: { memory } }) => phrasesTo('slot', memory.slots, 'onboard profile'),
  read: ({ text }, { model }) => readNumber('slot', text, model.name, model.memory.slots),
})

export const holdStep = defineGrammar<'hold-step'>({
  family: 'motion',
  group: 'steps',
  isThere: hasSensor,
  write: (action) => ('step' in action ? `Hold step ${action.step}` : `Hold ${action.dpi} DPI`),
  phrasesIn: ({ model: { sensor } }) =>
    Array.from({ length: sensor?.maxSteps ?? 0 }, (_, index) => ({
      text: `Hold step ${index + 1}`,
      words: [`hold step ${index + 1}`, `step ${index + 1} while held`],
      action: { kind: 'hold-step', step: index + 1 },
      note: 'while held',
    })),
  read({ text }, { model }) {
    const match = /^hold (?:(step) ?(\d+)|(\d+) ?dpi)$/.exec(text)
    if (!match) return undefined
    if (!model.sensor) return noSteps(model)
    if (match[1]) {
      const number = Number(match[2])
      const max = model.sensor.maxSteps
      return number >= 1 && number <= max
        ? { action: { kind: 'hold-step', step: number } }
        : { problem: message('parse.noStep', { model: model.name, count: max, step: number }) }
    }
    const dpi = Number(match[3])
    const problem = dpiProblem(model.sensor, dpi)
    return problem
      ? { problem: message('parse.dpi', { dpi, problem: problemMessage(problem) }) }
      : { action: { kind: 'hold-step', dpi } }
  },
  examples: [{ text: 'hold 400 dpi', note: 'while held' }],
})
