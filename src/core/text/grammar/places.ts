import type { Target } from '../../base/parameters'
import type { DeviceModel } from '../../device/model'
import type { ActionContext } from '../context'
import { message, type Message } from '../../message/message'
import { problemMessage } from '../../wording/problem-messages'
import { dpiProblem } from '../../motion/steps'
import { defineGrammar, type Parsed, type Phrase } from './grammar'

/** Steps and slots: numbered targets of actions. */

const hasSensor = ({ model }: Pick<ActionContext, 'model'>): boolean => model.sensor !== undefined

const FORMS = {
  step: {
    next: message('actions.nextStep'),
    previous: message('actions.previousStep'),
    numbered: (step: number) => message('actions.step', { step }),
    note: message('actions.stepNote'),
  },
  slot: {
    next: message('actions.nextSlot'),
    previous: message('actions.previousSlot'),
    numbered: (slot: number) => message('actions.slot', { slot }),
    note: message('actions.slotNote'),
  },
} as const

const targetMessage = (kind: 'step' | 'slot', to: Target): Message =>
  typeof to === 'number' ? FORMS[kind].numbered(to) : FORMS[kind][to]

const phrasesTo = (kind: 'step' | 'slot', count: number): Phrase[] => [
  ...(['next', 'previous'] as const).map((to): Phrase => ({
    words: [`${to} ${kind}`, `${kind} ${to}`, to === 'next' ? `${kind} up` : `${kind} down`],
    action: { kind, to },
    note: FORMS[kind].note,
  })),
  ...Array.from({ length: count }, (_, index): Phrase => ({
    words: [`${kind} ${index + 1}`],
    action: { kind, to: index + 1 },
    note: FORMS[kind].note,
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
  write: ({ to }) => targetMessage('step', to),
  phrasesIn: ({ model: { sensor } }) => (sensor ? phrasesTo('step', sensor.maxSteps) : []),
  read({ text }, { model }) {
    if (model.sensor) return readNumber('step', text, model.name, model.sensor.maxSteps)
    return /^(?:step ?\d+|(?:next|previous) step)$/.test(text) ? noSteps(model) : undefined
  },
})

export const slot = defineGrammar<'slot'>({
  family: 'system',
  group: 'slots',
  write: ({ to }) => targetMessage('slot', to),
  phrasesIn: ({ model: { memory } }) => phrasesTo('slot', memory.slots),
  read: ({ text }, { model }) => readNumber('slot', text, model.name, model.memory.slots),
})

export const holdStep = defineGrammar<'hold-step'>({
  family: 'motion',
  group: 'steps',
  isThere: hasSensor,
  write: (action) =>
    'step' in action
      ? message('actions.holdStep', { step: action.step })
      : message('actions.holdDpi', { dpi: String(action.dpi) }),
  phrasesIn: ({ model: { sensor } }) =>
    Array.from({ length: sensor?.maxSteps ?? 0 }, (_, index) => ({
      words: [`hold step ${index + 1}`, `step ${index + 1} while held`],
      action: { kind: 'hold-step', step: index + 1 },
      note: message('actions.whileHeld'),
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
  examples: [{ action: { kind: 'hold-step', dpi: 400 }, note: message('actions.whileHeld') }],
})
