import { leastDifference, nearestTellable, TELLABLE_DELTA } from '../light/tellable'
import { dpiProblem } from '../motion/steps'
import { settingProblems } from '../document/device-settings'
import { setStep } from '../edits/motion-edits'
import type { Step } from '../document/schema'
import { error, fix, warning, type Check, type Finding } from './finding'

/** Rules about motion, polling and the finer settings. */
const MOTION = { view: 'motion' } as const

const stepRange: Check = (profile, { sensor, name }) => {
  if (!sensor) {
    return profile.steps.length > 0
      ? [error('steps-no-sensor', MOTION, { steps: profile.steps.length, model: name })]
      : []
  }
  if (profile.steps.length === 0) return [error('steps-none', MOTION, undefined)]
  const found: Finding[] = profile.steps.flatMap(({ dpi, dpiY }, index) => {
    const step = index + 1
    const problem = dpiProblem(sensor, dpi) ?? (dpiY === undefined ? undefined : dpiProblem(sensor, dpiY))
    const split = dpiY !== undefined && !sensor.splitAxes
    return [
      ...(problem ? [error('step', MOTION, { step, dpi, problem })] : []),
      ...(split ? [error('step-axes', MOTION, { step, model: name })] : []),
    ]
  })
  if (profile.steps.length > sensor.maxSteps) {
    const facts = { steps: profile.steps.length, model: name, most: sensor.maxSteps }
    found.push(error('steps', MOTION, facts))
  }
  if (profile.defaultStep >= profile.steps.length) {
    found.push(error('default-step', MOTION, { step: profile.defaultStep + 1 }))
  }
  return found
}

/** Across and along, where these differ. */
const dpiText = ({ dpi, dpiY = dpi }: Step): string => (dpiY === dpi ? `${dpi}` : `${dpi} × ${dpiY}`)

const sameSteps: Check = (profile) =>
  profile.steps.flatMap((step, index) => {
    const earlier = profile.steps.findIndex((each) => dpiText(each) === dpiText(step))
    return earlier < index
      ? [warning('same-step', MOTION, { steps: [earlier + 1, index + 1], dpi: dpiText(step) })]
      : []
  })

/** The step in force is told by its colour alone. */
const tellable: Check = (profile, model) =>
  profile.steps.flatMap(({ colour }, index) => {
    const others = profile.steps.filter((_, each) => each !== index).map((step) => step.colour)
    const near = profile.steps
      .slice(0, index)
      .map((step, earlier) => ({ earlier, ...leastDifference(step.colour, colour) }))
      .find(({ delta }) => delta < TELLABLE_DELTA)
    if (!near) return []
    const better = nearestTellable(colour, others)
    const { delta, vision } = near
    const mended = (to: string) =>
      fix('step-colour', { step: index + 1, colour: to }, (current) =>
        setStep(current, model, index, { colour: to }),
      )
    return [
      warning(
        'step-colours',
        MOTION,
        { steps: [near.earlier + 1, index + 1], delta, vision },
        better ? [mended(better)] : [],
      ),
    ]
  })

const settings: Check = (profile, model) =>
  settingProblems(profile.settings, model).map((problem) => error('setting', MOTION, problem))

/** Two inputs that are held together for the next slot: both are named, and they are two. */
const slotKeys: Check = ({ settings: { slotKeyOne = 0, slotKeyTwo = 0 } }) => {
  if (slotKeyOne === slotKeyTwo) return slotKeyOne === 0 ? [] : [error('slot-keys-same', MOTION, undefined)]
  return slotKeyOne === 0 || slotKeyTwo === 0 ? [warning('slot-keys-one', MOTION, undefined)] : []
}

const rates: Check = (profile, model) => {
  const configurable = model.connections.filter((connection) => connection.configurable)
  const strange = Object.keys(profile.polling).filter(
    (id) => !configurable.some((connection) => connection.id === id),
  )
  return [
    ...strange.map((connection) => error('connection', MOTION, { model: model.name, connection })),
    ...configurable.flatMap(({ id, name, ratesHz }) => {
      const rate = profile.polling[id]
      return rate !== undefined && ratesHz.includes(rate)
        ? []
        : [error('rate', MOTION, { connection: name, rate, rates: ratesHz })]
    }),
  ]
}

export const CHECKS_OF_SETTINGS: readonly Check[] = [
  stepRange,
  sameSteps,
  tellable,
  rates,
  settings,
  slotKeys,
]
