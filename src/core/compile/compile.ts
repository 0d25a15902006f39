import { Refusal } from '../base/errors'
import { itemAt } from '../base/items'
import { slotCapacity } from '../device/lookups'
import type { DeviceModel } from '../device/model'
import { checkNames, checkProfile, checkSize, findingMessage, type Finding } from '../checks/checks'
import { EMPTY_SHELF, type MacroShelf } from '../document/macro'
import { NO_PROGRAMS, type ProgramShelf } from '../document/program'
import type { Profile } from '../document/schema'
import { encodeImage, HEADER_BYTES, TRAILER_BYTES } from '../onboard/format'
import { SECTION, type OnboardImage } from '../onboard/image'
import { lowerProfile } from './lower'

/** Purposes of the bytes of an image; the title block's strip has a colour for each. */
export type BudgetKind = 'system' | 'bindings' | 'macros' | 'names' | 'motion' | 'light'

export interface CompiledImage {
  bytes: Uint8Array
  budget: { kind: BudgetKind; bytes: number }[]
  findings: Finding[]
}

/** A profile that cannot become an image for this device. */
export class CompileError extends Refusal {
  override name = 'CompileError'
  constructor(readonly findings: Finding[]) {
    super(findings.map(findingMessage))
  }
}

/**
 * Compiles a profile to the image for a slot. Equal profiles give equal bytes. In-game names are included if all of
 * them fit; otherwise a finding reports it.
 *
 * @throws CompileError if a check finds an error, with its findings
 */
export function compileProfile(
  profile: Profile,
  model: DeviceModel,
  macros: MacroShelf = EMPTY_SHELF,
  programs: ProgramShelf = NO_PROGRAMS,
): CompiledImage {
  const findings = checkProfile(profile, model, macros, programs)
  const errors = findings.filter(({ severity }) => severity === 'error')
  if (errors.length > 0) throw new CompileError(findings)
  const image = lowerProfile(profile, model, macros)
  const whole = encodeImage(image)
  const fits = whole.bytes.length <= slotCapacity(model.memory)
  const { bytes, sections } = fits ? whole : encodeImage(withoutNames(image))
  const budget: CompiledImage['budget'] = BUDGET_KINDS.map((kind) => ({ kind, bytes: 0 }))
  itemAt(budget, 0).bytes = HEADER_BYTES + TRAILER_BYTES
  for (const section of sections) {
    const entry = budget.find(({ kind }) => kind === (SECTION_KIND[section.type] ?? 'system'))
    if (entry) entry.bytes += section.bytes
  }
  const size = [
    ...checkSize(bytes.length, profile, model, image.macros),
    ...(fits ? [] : checkNames(whole.bytes.length - bytes.length, profile, model)),
  ]
  return { bytes, budget, findings: [...size, ...findings] }
}

const withoutNames = (image: OnboardImage): OnboardImage => ({
  ...image,
  names: [],
  stepNames: [],
  lightNames: [],
  macros: image.macros.map((macro) => ({ ...macro, name: '' })),
})

const BUDGET_KINDS: BudgetKind[] = ['system', 'bindings', 'macros', 'names', 'motion', 'light']
const SECTION_KIND: Record<number, BudgetKind | undefined> = {
  [SECTION.bindings]: 'bindings',
  [SECTION.layers]: 'bindings',
  [SECTION.names]: 'names',
  [SECTION.macroNames]: 'names',
  [SECTION.macros]: 'macros',
  [SECTION.steps]: 'motion',
  [SECTION.settings]: 'motion',
  [SECTION.stepNames]: 'names',
  [SECTION.polling]: 'motion',
  [SECTION.light]: 'light',
  [SECTION.lightNames]: 'names',
}
