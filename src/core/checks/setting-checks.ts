import { minDifference, nearestDistinctColour, MIN_DISTINCT_DELTA } from '../light/distinct-colours'
import { dpiProblem } from '../motion/steps'
import { settingProblems } from '../document/device-settings'
import { setStep } from '../edits/motion-edits'
import type { Step } from '../document/schema'
import { errorFinding, createFix, warningFinding, type Check, type Finding } from './finding'

/** Rules for motion, polling and device settings. */
const MOTION = { view: 'motion' } as const

const stepRange: Check = (profile, { sensor, name }) => {
  if (!sensor) {
    return profile.steps.length > 0
      ? [errorFinding('steps-no-sensor', MOTION, { steps: profile.steps.length, model: name })]
      : []
  }
  if (profile.steps.length === 0) return [errorFinding('steps-none', MOTION, undefined)]
  const found: Finding[] = profile.steps.flatMap(({ dpi, dpiY }, index) => {
    const step = index + 1
    const problem = dpiProblem(sensor, dpi) ?? (dpiY === undefined ? undefined : dpiProblem(sensor, dpiY))
    const split = dpiY !== undefined && !sensor.splitAxes
    return [
      ...(problem ? [errorFinding('step', MOTION, { step, dpi, problem })] : []),
      ...(split ? [errorFinding('step-axes', MOTION, { step, model: name })] : []),
    ]
  })
  if (profile.steps.length > sensor.maxSteps) {
    const facts = { steps: profile.steps.length, model: name, max: sensor.maxSteps }
    found.push(errorFinding('steps', MOTION, facts))
  }
  if (profile.defaultStep >= profile.steps.length) {
    found.push(errorFinding('default-step', MOTION, { step: profile.defaultStep + 1 }))
  }
  return found
}

/** X and Y separately, if they differ. */
const dpiText = ({ dpi, dpiY = dpi }: Step): string => (dpiY === dpi ? `${dpi}` : `${dpi} × ${dpiY}`)

const sameSteps: Check = (profile) =>
  profile.steps.flatMap((step, index) => {
    const earlier = profile.steps.findIndex((each) => dpiText(each) === dpiText(step))
    return earlier < index
      ? [warningFinding('same-step', MOTION, { steps: [earlier + 1, index + 1], dpi: dpiText(step) })]
      : []
  })

/** Only its colour shows which step is active. */
const tellable: Check = (profile, model) =>
  profile.steps.flatMap(({ colour }, index) => {
    const others = profile.steps.filter((_, each) => each !== index).map((step) => step.colour)
    const near = profile.steps
      .slice(0, index)
      .map((step, earlier) => ({ earlier, ...minDifference(step.colour, colour) }))
      .find(({ delta }) => delta < MIN_DISTINCT_DELTA)
    if (!near) return []
    const better = nearestDistinctColour(colour, others)
    const { delta, vision } = near
    const mended = (to: string) =>
      createFix('step-colour', { step: index + 1, colour: to }, (current) =>
        setStep(current, model, index, { colour: to }),
      )
    return [
      warningFinding(
        'step-colours',
        MOTION,
        { steps: [near.earlier + 1, index + 1], delta, vision },
        better ? [mended(better)] : [],
      ),
    ]
  })

const settings: Check = (profile, model) =>
  settingProblems(profile.settings, model).map((problem) => errorFinding('setting', MOTION, problem))

/** The two inputs for the next slot: both are set, and they differ. */
const slotKeys: Check = ({ settings: { slotKeyOne = 0, slotKeyTwo = 0 } }) => {
  if (slotKeyOne === slotKeyTwo)
    return slotKeyOne === 0 ? [] : [errorFinding('slot-keys-same', MOTION, undefined)]
  return slotKeyOne === 0 || slotKeyTwo === 0 ? [warningFinding('slot-keys-one', MOTION, undefined)] : []
}

const rates: Check = (profile, model) => {
  const configurable = model.connections.filter((connection) => connection.configurable)
  const strange = Object.keys(profile.polling).filter(
    (id) => !configurable.some((connection) => connection.id === id),
  )
  return [
    ...strange.map((connection) => errorFinding('connection', MOTION, { model: model.name, connection })),
    ...configurable.flatMap(({ id, name, ratesHz }) => {
      const rate = profile.polling[id]
      return rate !== undefined && ratesHz.includes(rate)
        ? []
        : [errorFinding('rate', MOTION, { connection: name, rate, rates: ratesHz })]
    }),
  ]
}

export const SETTING_CHECKS: readonly Check[] = [stepRange, sameSteps, tellable, rates, settings, slotKeys]
