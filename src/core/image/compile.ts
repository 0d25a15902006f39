import { checkProfile, checkSize, type Finding } from '../profile/checks'
import { actionOf, factoryProfile } from '../profile/profile'
import { lowerAction, lowerEffect, raiseAction, raiseEffect } from '../profile/onboard-terms'
import type { Profile } from '../profile/schema'
import { fromHex, toHex } from '../light/colour'
import type { DeviceModel } from '../device/model'
import { sameAction } from '../profile/edits'
import { decodeImage, encodeImage, HEADER_BYTES, SECTION, TRAILER_BYTES, type OnboardImage } from './format'
import { ImageError } from './bytes'

/** What the bytes of an image are for; the title block's strip has a colour for each. */
export type BudgetKind = 'system' | 'bindings' | 'motion' | 'light'

export interface CompiledImage {
  bytes: Uint8Array
  budget: { kind: BudgetKind; bytes: number }[]
  findings: Finding[]
}

/** A profile that cannot be an image of that device. */
export class CompileError extends Error {
  override name = 'CompileError'
  constructor(readonly findings: Finding[]) {
    super(findings.map((finding) => finding.message).join('; '))
  }
}

/**
 * The image a profile becomes in a slot. Equal profiles give equal bytes.
 *
 * @throws CompileError when a check finds an error; its findings say which
 */
export function compileProfile(profile: Profile, model: DeviceModel): CompiledImage {
  const findings = checkProfile(profile, model)
  const errors = findings.filter(({ severity }) => severity === 'error')
  if (errors.length > 0) throw new CompileError(errors)
  const { bytes, sections } = encodeImage(lowerProfile(profile, model))
  const budget: CompiledImage['budget'] = BUDGET_KINDS.map((kind) => ({ kind, bytes: 0 }))
  budget[0].bytes = HEADER_BYTES + TRAILER_BYTES
  for (const section of sections) {
    const entry = budget.find(({ kind }) => kind === (SECTION_KIND[section.type] ?? 'system'))
    if (entry) entry.bytes += section.bytes
  }
  return { bytes, budget, findings: [...checkSize(bytes.length, model), ...findings] }
}

/**
 * The profile an image keeps. Inputs, connections and zones the image leaves out are as the factory set them.
 *
 * @throws ImageError when the bytes are no image, or one of another model
 */
export function decompileImage(bytes: Uint8Array, model: DeviceModel): Profile {
  const image = decodeImage(bytes)
  if (image.model !== model.number) {
    throw new ImageError(
      `the image is for model number ${hex(image.model)}, ${model.name} is ${hex(model.number)}`,
    )
  }
  const profile = factoryProfile(model, image.name)
  for (const input of model.inputs) {
    const bound = image.layers[0]?.bindings.get(input.number)
    const action = bound && raiseAction(bound)
    if (action) profile.layers[0].bindings[input.id] = { action }
  }
  if (image.steps.length > 0) {
    profile.steps = image.steps.map(({ dpi, colour }) => ({ dpi, colour: toHex(colour) }))
    profile.defaultStep = image.defaultStep
  }
  for (const { connection, rateHz } of image.polling) {
    const known = model.connections[connection]
    if (known) profile.polling[known.id] = rateHz
  }
  for (const { zone, stack } of image.light) {
    const known = model.zones[zone]
    if (known && stack[0]) profile.light[known.id] = raiseEffect(stack[0])
  }
  return profile
}

const BUDGET_KINDS: BudgetKind[] = ['system', 'bindings', 'motion', 'light']
const SECTION_KIND: Record<number, BudgetKind | undefined> = {
  [SECTION.bindings]: 'bindings',
  [SECTION.steps]: 'motion',
  [SECTION.polling]: 'motion',
  [SECTION.light]: 'light',
}

function lowerProfile(profile: Profile, model: DeviceModel): OnboardImage {
  const bound = profile.layers.map((layer) => ({
    bindings: new Map(
      model.inputs
        .filter((input) => !sameAction(actionOf(layer, input), actionOf({ bindings: {} }, input)))
        .map((input) => [input.number, lowerAction(actionOf(layer, input))] as const),
    ),
  }))
  return {
    model: model.number,
    name: profile.name,
    layers: bound,
    steps: profile.steps.map(({ dpi, colour }) => ({ dpi, colour: fromHex(colour) })),
    defaultStep: profile.defaultStep,
    polling: model.connections.flatMap(({ configurable, id }, connection) =>
      configurable ? [{ connection, rateHz: profile.polling[id] }] : [],
    ),
    light: model.zones.map(({ id }, zone) => ({ zone, stack: [lowerEffect(profile.light[id])] })),
    unknown: [],
  }
}

const hex = (value: number): string => `0x${value.toString(16).padStart(4, '0')}`
