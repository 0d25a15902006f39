import { baseLayer } from '../document/base-layer'
import { connectionById, inputById } from '../device/lookups'
import { message, factList, type MessageFact } from '../message/message'
import { problemMessage } from '../wording/problem-messages'
import type { DeviceInput, DeviceModel, InputRole, SensorData } from '../device/model'
import type { DeviceSettings } from '../onboard/settings'
import { nearestDpi } from '../motion/steps'
import { EMPTY_SHELF, type MacroShelf } from '../document/macro'
import { moveStack } from './move-light'
import type { MoveChange } from './move-change'
import { actionMessage } from '../text/action-text'
import { contextOf } from '../text/context'
import { nameInput } from '../checks/finding'
import { inputPlaceName } from '../checks/finding-messages'
import { reachableLayers } from '../checks/layer-checks'
import { keysOfLayer } from '../edits/layer-edits'
import { SETTINGS, settingProblems, removeFactoryValues } from '../document/device-settings'
import { factoryProfile, leftClicks, singleActions } from '../terms/profile'
import type { Action, Binding, Layer, Profile, Step } from '../document/schema'

export interface MovedProfile {
  profile: Profile
  report: MoveChange[]
}

/** Roles that can replace a role that a model does not have, the most similar first. */
const STAND_INS: Partial<Record<InputRole, InputRole[]>> = {
  back: ['thumb-2'],
  forward: ['thumb-1'],
  'thumb-1': ['forward'],
  'thumb-2': ['back'],
  upper: ['upper-2'],
  'upper-2': ['upper'],
  underside: ['upper-2'],
  'wheel-up': ['knob-right'],
  'wheel-down': ['knob-left'],
  middle: ['knob-press'],
  'knob-right': ['wheel-up'],
  'knob-left': ['wheel-down'],
  'knob-press': ['middle'],
}

/**
 * Converts a profile for another model: inputs by their purpose, steps and rates to the nearest values, light by zones
 * of the same name or place. The original profile is not changed.
 *
 * @returns the new profile, and a report on everything that differs from factory settings
 */
export function moveProfile(
  profile: Profile,
  from: DeviceModel,
  to: DeviceModel,
  macros: MacroShelf = EMPTY_SHELF,
): MovedProfile {
  const report: MoveChange[] = []
  const base = factoryProfile(to, profile.name, profile.computer)
  const places = matchInputs(from, to)
  const layers = profile.layers.map((layer, index) =>
    moveLayer(layer, index, profile, { from, to, places, macros }, report),
  )
  const { tags, rules, hand } = profile
  const moved: Profile = { ...base, tags, rules, layers, hand }
  takeFactoryLayers(moved, base, to, report)
  keepLeftClick(moved, to, report)
  tellLostLayers(profile, moved, { from, to }, report)
  moveSteps(profile, moved, to, report)
  moveRates(profile, moved, { from, to }, report)
  moveSettings(profile, moved, to, report)
  const light = moveStack(profile.light, from, to, {
    like: (id) => places.get(id)?.input.id,
    layers: moved.layers.length,
  })
  // If no effect can be moved, the lights keep factory settings instead of being off.
  moved.light = light.stack.length > 0 || profile.light.length === 0 ? light.stack : base.light
  report.push(...light.report)
  return { profile: moved, report }
}

interface Match {
  input: DeviceInput
  exact: boolean
}

/** Matches each input of one model with one of the other; no input of the other is used twice. */
export function matchInputs(from: DeviceModel, to: DeviceModel): Map<string, Match> {
  const places = new Map<string, Match>()
  const taken = new Set<string>()
  const take = (input: DeviceInput, role: InputRole | undefined, exact: boolean): void => {
    const like = role && to.inputs.find((each) => each.role === role && each.kind === input.kind)
    if (!like || places.has(input.id) || taken.has(like.id)) return
    places.set(input.id, { input: like, exact })
    taken.add(like.id)
  }
  for (const input of from.inputs) take(input, input.role, true)
  for (const input of from.inputs)
    for (const role of input.role ? (STAND_INS[input.role] ?? []) : []) take(input, role, false)
  return places
}

interface Way {
  from: DeviceModel
  to: DeviceModel
}
interface Route extends Way {
  places: Map<string, Match>
  macros: MacroShelf
}

function moveLayer(layer: Layer, index: number, profile: Profile, route: Route, report: MoveChange[]): Layer {
  const bindings: [string, Binding][] = []
  for (const input of route.from.inputs) {
    const binding = layer.bindings[input.id]
    if (!binding) continue
    const text = actionMessage(binding.action, contextOf(profile, route.from, route.macros))
    const what = message('move.binding', {
      input: inputPlaceName(nameInput(profile, { layer: index, input })),
      action: text,
    })
    const match = route.places.get(input.id)
    const problem = match
      ? actionProblem(binding.action, route.to)
      : message('move.noSimilarInput', { model: route.to.name })
    if (!match || problem) {
      report.push({ what, fate: 'left out', how: problem ?? '', layer: index })
      continue
    }
    bindings.push([match.input.id, binding])
    report.push({
      what,
      fate: match.exact ? 'fits' : 'changed',
      how: message('move.onInput', { input: match.input.name }),
      layer: index,
    })
  }
  return { ...layer, bindings: Object.fromEntries(bindings.sort(([a], [b]) => (a < b ? -1 : 1))) }
}

function actionProblem(action: Action, { name, sensor, memory }: DeviceModel): MessageFact | undefined {
  for (const part of singleActions(action)) {
    if ((part.kind === 'step' || part.kind === 'hold-step') && !sensor)
      return message('move.noSteps', { model: name })
    const step = part.kind === 'step' ? part.to : part.kind === 'hold-step' && 'step' in part ? part.step : 0
    if (sensor && typeof step === 'number' && step > sensor.maxSteps)
      return message('move.steps', { model: name, count: sensor.maxSteps })
    if (part.kind === 'hold-step' && 'dpi' in part && sensor && nearestDpi(sensor, part.dpi) !== part.dpi)
      return message('move.noDpi', { model: name, dpi: part.dpi })
    if (part.kind === 'slot' && typeof part.to === 'number' && part.to > memory.slots)
      return message('move.slots', { model: name, count: memory.slots })
  }
  return undefined
}

/** Factory layers are moved only where the profile has no layers of its own instead. */
function takeFactoryLayers(moved: Profile, base: Profile, to: DeviceModel, report: MoveChange[]): void {
  if (moved.layers.length === 1) {
    moved.layers = [baseLayer(moved), ...base.layers.slice(1)]
    return
  }
  for (const { name, factory } of to.inputs) {
    if (factory.kind !== 'layer') continue
    const layer = moved.layers[factory.layer]?.name
    const how = layer === undefined ? message('move.holdsNoLayer') : message('move.holdsLayer', { layer })
    report.push({ what: name, fate: 'changed', how })
  }
}

/** A layer that no input activates on the other model is useless: neither it nor its bindings fit. */
function tellLostLayers(profile: Profile, moved: Profile, { from, to }: Way, report: MoveChange[]): void {
  const [before, after] = [reachableLayers(profile, from), reachableLayers(moved, to)]
  profile.layers.forEach(({ name }, layer) => {
    if (!before.has(layer) || after.has(layer)) return
    const keys = keysOfLayer(profile, from, layer).map(
      ({ inputId }) => inputById(from, inputId)?.name ?? inputId,
    )
    for (const each of report)
      if (each.layer === layer && each.fate !== 'left out')
        Object.assign(each, {
          fate: 'changed',
          how: message('move.onceActivated', { how: each.how, layer: name }),
        })
    report.push({
      what: message('differences.layer', { layer: name }),
      fate: 'changed',
      how: message('move.unreachable', { model: to.name, inputs: factList(keys), count: keys.length }),
    })
  })
}

function keepLeftClick(moved: Profile, to: DeviceModel, report: MoveChange[]): void {
  if (to.kind !== 'mouse' || leftClicks(to, baseLayer(moved)).length > 0) return
  const input = to.inputs.find(({ role }) => role === 'primary')
  if (!input) return
  moved.layers = moved.layers.map((layer, index) => {
    if (index > 0) return layer
    const { [input.id]: _, ...bindings } = layer.bindings
    return { ...layer, bindings }
  })
  report.push({ what: input.name, fate: 'changed', how: message('move.staysLeftClick') })
}

function moveSteps(
  profile: Profile,
  moved: Profile,
  { sensor, name }: DeviceModel,
  report: MoveChange[],
): void {
  if (!sensor || profile.steps.length === 0) {
    for (const [index, { dpi }] of profile.steps.entries())
      report.push({
        what: message('move.step', { step: index + 1, dpi }),
        fate: 'left out',
        how: message('move.noSensor', { model: name }),
      })
    return
  }
  moved.steps = profile.steps.slice(0, sensor.maxSteps).map((step) => stepOn(step, sensor))
  moved.defaultStep = Math.min(profile.defaultStep, moved.steps.length - 1)
  profile.steps.forEach(({ dpi }, index) => {
    const now = moved.steps[index]?.dpi
    const what = message('move.step', { step: index + 1, dpi })
    if (now === undefined)
      report.push({
        what,
        fate: 'left out',
        how: message('move.steps', { model: name, count: sensor.maxSteps }),
      })
    else
      report.push({
        what,
        fate: now === dpi ? 'fits' : 'changed',
        how: message('differences.dpi', { dpi: now }),
      })
  })
}

/** The nearest possible step; the same for X and Y if the sensor cannot separate them. */
function stepOn({ dpiY, ...step }: Step, sensor: SensorData): Step {
  const dpi = nearestDpi(sensor, step.dpi)
  const along = dpiY === undefined || !sensor.splitAxes ? dpi : nearestDpi(sensor, dpiY)
  return { ...step, dpi, ...(along !== dpi && { dpiY: along }) }
}

function moveSettings(profile: Profile, moved: Profile, to: DeviceModel, report: MoveChange[]): void {
  const kept: DeviceSettings = {}
  for (const { key, name, text, ofInputs } of SETTINGS) {
    const value = profile.settings[key]
    if (value === undefined) continue
    const what = message('move.setting', { setting: name, value: text(value) })
    const [refused] = settingProblems({ [key]: value }, to)
    const problem = ofInputs
      ? message('move.otherInputs', { model: to.name })
      : refused && problemMessage(refused)
    if (problem) report.push({ what, fate: 'left out', how: problem })
    else {
      Object.assign(kept, { [key]: value })
      report.push({ what, fate: 'fits', how: text(value) })
    }
  }
  moved.settings = removeFactoryValues(kept, to)
}

function moveRates(profile: Profile, moved: Profile, { from, to }: Way, report: MoveChange[]): void {
  for (const [id, rateHz] of Object.entries(profile.polling)) {
    const what = message('move.polling', { connection: connectionById(from, id)?.name ?? id, rate: rateHz })
    const there = connectionById(to, id)
    if (!there?.configurable) {
      report.push({ what, fate: 'left out', how: message('move.noConnection', { model: to.name }) })
      continue
    }
    const near = there.ratesHz.reduce((a, b) => (Math.abs(b - rateHz) < Math.abs(a - rateHz) ? b : a))
    moved.polling[id] = near
    report.push({
      what,
      fate: near === rateHz ? 'fits' : 'changed',
      how: message('differences.rate', { rate: near }),
    })
  }
}
