import { leastDifference, nearestTellable, TELLABLE_DELTA } from '../light/tellable'
import { dpiProblem } from '../motion/steps'
import { settingProblems } from '../document/device-settings'
import { setStep } from '../document/motion-edits'
import type { Profile, Step } from '../document/schema'
import { error, warning, type Check } from './finding'

/** Rules about motion, polling and the finer settings. */
const MOTION = { view: 'motion' } as const

const stepRange: Check = (profile, { sensor, name }) => {
  if (!sensor) {
    return profile.steps.length > 0
      ? [error('steps', MOTION, `${profile.steps.length} steps; ${name} has no sensor`)]
      : []
  }
  if (profile.steps.length === 0) return [error('steps', MOTION, 'At least one step is due')]
  const found = profile.steps.flatMap(({ dpi, dpiY }, index) => {
    const problem = dpiProblem(sensor, dpi) ?? (dpiY === undefined ? undefined : dpiProblem(sensor, dpiY))
    const split = dpiY !== undefined && !sensor.splitAxes
    return [
      ...(problem ? [error('step', MOTION, `Step ${index + 1} is ${dpi} DPI: ${problem}`)] : []),
      ...(split ? [error('step-axes', MOTION, `Step ${index + 1}: ${name} counts alike both ways`)] : []),
    ]
  })
  if (profile.steps.length > sensor.maxSteps) {
    found.push(error('steps', MOTION, `${profile.steps.length} steps; ${name} keeps ${sensor.maxSteps}`))
  }
  if (profile.defaultStep >= profile.steps.length) {
    found.push(
      error('default-step', MOTION, `Step ${profile.defaultStep + 1} is the default and does not exist`),
    )
  }
  return found
}

/** Across and along, where these differ. */
const dpiText = ({ dpi, dpiY = dpi }: Step): string => (dpiY === dpi ? `${dpi}` : `${dpi} × ${dpiY}`)

const sameSteps: Check = (profile) =>
  profile.steps.flatMap((step, index) => {
    const earlier = profile.steps.findIndex((each) => dpiText(each) === dpiText(step))
    return earlier < index
      ? [warning('same-step', MOTION, `Steps ${earlier + 1} and ${index + 1} are both ${dpiText(step)} DPI`)]
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
    return [
      warning(
        'step-colours',
        MOTION,
        `The colours of steps ${near.earlier + 1} and ${index + 1} are hard to tell apart: ΔE ${near.delta.toFixed(0)} by ${near.vision}, ${TELLABLE_DELTA} are due`,
        better
          ? [
              {
                label: `Make step ${index + 1} ${better}`,
                apply: (current: Profile) => setStep(current, model, index, { colour: better }),
              },
            ]
          : [],
      ),
    ]
  })

const settings: Check = (profile, model) =>
  settingProblems(profile.settings, model).map(({ problem }) => error('setting', MOTION, problem))

/** Two inputs that are held together for the next slot: both are named, and they are two. */
const slotKeys: Check = ({ settings: { slotKeyOne = 0, slotKeyTwo = 0 } }) => {
  if (slotKeyOne === slotKeyTwo)
    return slotKeyOne === 0
      ? []
      : [error('slot-keys', MOTION, 'The next slot is to come by holding two inputs, and both are the same')]
  return slotKeyOne === 0 || slotKeyTwo === 0
    ? [warning('slot-keys', MOTION, 'The next slot is to come by holding two inputs, and only one is named')]
    : []
}

const rates: Check = (profile, model) => {
  const configurable = model.connections.filter((connection) => connection.configurable)
  const strange = Object.keys(profile.polling).filter(
    (id) => !configurable.some((connection) => connection.id === id),
  )
  return [
    ...strange.map((id) =>
      error('connection', MOTION, `${model.name} has no polling rate to set for “${id}”`),
    ),
    ...configurable.flatMap(({ id, name, ratesHz }) =>
      ratesHz.includes(profile.polling[id])
        ? []
        : [
            error(
              'rate',
              MOTION,
              `${name}: ${profile.polling[id] ?? 'no'} Hz; there are ${ratesHz.join(', ')}`,
            ),
          ],
    ),
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
