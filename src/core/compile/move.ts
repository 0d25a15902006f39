import { baseLayer } from '../document/base-layer'
import { connectionById, inputById } from '../device/lookups'
import { gateText } from '../wording/gate-words'
import type { DeviceInput, DeviceModel, InputRole, SensorData } from '../device/model'
import type { DeviceSettings } from '../onboard/settings'
import { nearestDpi } from '../motion/steps'
import { EMPTY_SHELF, type MacroShelf } from '../document/macro'
import { moveStack } from './move-light'
import type { Moved } from './moved'
import { actionText } from '../text/action-text'
import { contextOf } from '../text/context'
import { named } from '../checks/finding'
import { placeText } from '../checks/words'
import { reachableLayers } from '../checks/checks-of-layers'
import { keysOfLayer } from '../edits/layer-edits'
import { SETTINGS, settingProblems, withoutFactory } from '../document/device-settings'
import { factoryProfile, leftClicks, partsOf } from '../terms/profile'
import type { Action, Binding, Layer, Profile, Step } from '../document/schema'

export interface MovedProfile {
  profile: Profile
  report: Moved[]
}

/** Where a role finds its like on a model that does not have it, nearest first. */
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
 * A profile for another model: inputs by what they are for, steps and rates to the nearest there is, light by the
 * zone of the same name or place. Nothing of the first profile is changed.
 *
 * @returns the new profile, and for everything that is not as the factory set it what became of it
 */
export function moveProfile(
  profile: Profile,
  from: DeviceModel,
  to: DeviceModel,
  macros: MacroShelf = EMPTY_SHELF,
): MovedProfile {
  const report: Moved[] = []
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
  // With nothing that could come along the lights are as the factory set them, not dark.
  moved.light = light.stack.length > 0 || profile.light.length === 0 ? light.stack : base.light
  report.push(...light.report)
  return { profile: moved, report }
}

interface Match {
  input: DeviceInput
  exact: boolean
}

/** For each input of one model its like on the other; no input of the other is taken twice. */
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

function moveLayer(layer: Layer, index: number, profile: Profile, route: Route, report: Moved[]): Layer {
  const bindings: [string, Binding][] = []
  for (const input of route.from.inputs) {
    const binding = layer.bindings[input.id]
    if (!binding) continue
    const text = actionText(binding.action, contextOf(profile, route.from, route.macros))
    const what = `${placeText(named(profile, { layer: index, input }))}: ${text}`
    const match = route.places.get(input.id)
    const problem = match ? actionProblem(binding.action, route.to) : `${route.to.name} has nothing like it`
    if (!match || problem) {
      report.push({ what, fate: 'left out', how: problem ?? '', layer: index })
      continue
    }
    bindings.push([match.input.id, binding])
    report.push({
      what,
      fate: match.exact ? 'fits' : 'changed',
      how: `on ${match.input.name}`,
      layer: index,
    })
  }
  return { ...layer, bindings: Object.fromEntries(bindings.sort(([a], [b]) => (a < b ? -1 : 1))) }
}

function actionProblem(action: Action, { name, sensor, memory }: DeviceModel): string | undefined {
  for (const part of partsOf(action)) {
    if ((part.kind === 'step' || part.kind === 'hold-step') && !sensor) return `${name} has no steps`
    const step = part.kind === 'step' ? part.to : part.kind === 'hold-step' && 'step' in part ? part.step : 0
    if (sensor && typeof step === 'number' && step > sensor.maxSteps)
      return `${name} has ${sensor.maxSteps} steps`
    if (part.kind === 'hold-step' && 'dpi' in part && sensor && nearestDpi(sensor, part.dpi) !== part.dpi)
      return `the sensor of ${name} has no ${part.dpi} DPI`
    if (part.kind === 'slot' && typeof part.to === 'number' && part.to > memory.slots)
      return `${name} has ${memory.slots} ${memory.slots === 1 ? 'slot' : 'slots'}`
  }
  return undefined
}

/** What the factory's layers hold comes along only where the profile has no layers of its own in their place. */
function takeFactoryLayers(moved: Profile, base: Profile, to: DeviceModel, report: Moved[]): void {
  if (moved.layers.length === 1) {
    moved.layers = [baseLayer(moved), ...base.layers.slice(1)]
    return
  }
  for (const { name, factory } of to.inputs) {
    if (factory.kind === 'layer')
      report.push({
        what: name,
        fate: 'changed',
        how: `holds ${moved.layers[factory.layer]?.name ?? 'nothing'}`,
      })
  }
}

/** A layer that nothing leads to on the other model has come along in vain: neither it nor what is in it fits. */
function tellLostLayers(profile: Profile, moved: Profile, { from, to }: Way, report: Moved[]): void {
  const [before, after] = [reachableLayers(profile, from), reachableLayers(moved, to)]
  profile.layers.forEach(({ name }, layer) => {
    if (!before.has(layer) || after.has(layer)) return
    const keys = keysOfLayer(profile, from, layer).map(
      ({ inputId }) => inputById(from, inputId)?.name ?? inputId,
    )
    for (const each of report)
      if (each.layer === layer && each.fate !== 'left out')
        Object.assign(each, { fate: 'changed', how: `${each.how}, once something leads to ${name}` })
    report.push({
      what: `Layer ${name}`,
      fate: 'changed',
      how: `nothing leads to it on ${to.name}: ${keys.join(' and ')} ${keys.length === 1 ? 'was' : 'were'} left out. Bind an input to it`,
    })
  })
}

function keepLeftClick(moved: Profile, to: DeviceModel, report: Moved[]): void {
  if (to.kind !== 'mouse' || leftClicks(to, baseLayer(moved)).length > 0) return
  const input = to.inputs.find(({ role }) => role === 'primary')
  if (!input) return
  moved.layers = moved.layers.map((layer, index) => {
    if (index > 0) return layer
    const { [input.id]: _, ...bindings } = layer.bindings
    return { ...layer, bindings }
  })
  report.push({ what: input.name, fate: 'changed', how: 'stays Left click: one has to be there' })
}

function moveSteps(profile: Profile, moved: Profile, { sensor, name }: DeviceModel, report: Moved[]): void {
  if (!sensor || profile.steps.length === 0) {
    for (const [index, { dpi }] of profile.steps.entries())
      report.push({ what: `Step ${index + 1}, ${dpi} DPI`, fate: 'left out', how: `${name} has no sensor` })
    return
  }
  moved.steps = profile.steps.slice(0, sensor.maxSteps).map((step) => stepOn(step, sensor))
  moved.defaultStep = Math.min(profile.defaultStep, moved.steps.length - 1)
  profile.steps.forEach(({ dpi }, index) => {
    const now = moved.steps[index]?.dpi
    const what = `Step ${index + 1}, ${dpi} DPI`
    if (now === undefined)
      report.push({ what, fate: 'left out', how: `${name} keeps ${sensor.maxSteps} steps` })
    else report.push({ what, fate: now === dpi ? 'fits' : 'changed', how: `${now} DPI` })
  })
}

/** The nearest step there is; alike both ways where the sensor cannot tell them apart. */
function stepOn({ dpiY, ...step }: Step, sensor: SensorData): Step {
  const dpi = nearestDpi(sensor, step.dpi)
  const along = dpiY === undefined || !sensor.splitAxes ? dpi : nearestDpi(sensor, dpiY)
  return { ...step, dpi, ...(along !== dpi && { dpiY: along }) }
}

function moveSettings(profile: Profile, moved: Profile, to: DeviceModel, report: Moved[]): void {
  const kept: DeviceSettings = {}
  for (const { key, name, text, ofInputs } of SETTINGS) {
    const value = profile.settings[key]
    if (value === undefined) continue
    const what = `${name}, ${text(value)}`
    const [refused] = settingProblems({ [key]: value }, to)
    const problem = ofInputs ? `${to.name} has other inputs` : refused && gateText(refused)
    if (problem) report.push({ what, fate: 'left out', how: problem })
    else {
      Object.assign(kept, { [key]: value })
      report.push({ what, fate: 'fits', how: text(value) })
    }
  }
  moved.settings = withoutFactory(kept, to)
}

function moveRates(profile: Profile, moved: Profile, { from, to }: Way, report: Moved[]): void {
  for (const [id, rateHz] of Object.entries(profile.polling)) {
    const what = `Polling over ${connectionById(from, id)?.name ?? id}, ${rateHz} Hz`
    const there = connectionById(to, id)
    if (!there?.configurable) {
      report.push({ what, fate: 'left out', how: `${to.name} has no such connection` })
      continue
    }
    const near = there.ratesHz.reduce((a, b) => (Math.abs(b - rateHz) < Math.abs(a - rateHz) ? b : a))
    moved.polling[id] = near
    report.push({ what, fate: near === rateHz ? 'fits' : 'changed', how: `${near} Hz` })
  }
}
