import { worded } from '../base/tables'
import { layoutName, macKind, type LayoutId } from '../computer/layouts'
import { SYSTEM_NAMES, type OperatingSystem } from '../computer/shortcuts'
import { typedOnText } from '../computer/typing'
import type { SettingProblem } from '../document/device-settings'
import { gateText, type ShownProblem } from '../wording/gate-words'
import { TELLABLE_DELTA } from '../light/tellable'
import type { DpiProblem } from '../motion/steps'
import type { BudgetProblem } from '../onboard/macro-budget'

/** What rules say, by their keys and the facts of each finding: the one place of a language. */

/** An input by its name, on a layer over the base by that one's. */
export interface Named {
  input: string
  layer?: string
}
/** Something that `where` does. */
interface Placed {
  where: Named
}
interface OnModel {
  model: string
}
/** What sees least of a difference, and how much. */
interface Difference {
  delta: number
  vision: string
}
type Computer = { system?: OperatingSystem | undefined; layout: LayoutId }

/** `Side, rear`, or `Side, rear in Dive`. */
export const placeText = ({ input, layer }: Named): string =>
  layer === undefined ? input : `${input} in ${layer}`

const some = (characters: readonly string[]): string => characters.slice(0, 5).join(' ')
const hardToTell = ({ delta, vision }: Difference): string =>
  `are hard to tell apart: ΔE ${delta.toFixed(0)} by ${vision}`

export const FINDING_WORDS = {
  'left-click': () => 'No button gives a left click on the base layer',
  input: ({ model, input }: OnModel & { input: string }) => `${model} has no input “${input}”`,
  'no-sensor': ({ where, model }: Placed & OnModel) =>
    `${placeText(where)}: ${model} has no sensor and so no steps`,
  'chosen-step': ({ where, step, steps }: Placed & { step: number; steps: number }) =>
    `${placeText(where)} chooses step ${step}; the profile has ${steps}`,
  'chosen-slot': ({ where, slot, slots, model }: Placed & OnModel & { slot: number; slots: number }) =>
    `${placeText(where)} chooses slot ${slot}; ${model} has ${slots}`,
  'system-opening': ({ where }: Placed) =>
    `${placeText(where)} opens something, and the profile does not say for which operating system`,
  'system-shortcut': ({ where, shortcut }: Placed & { shortcut: string }) =>
    `${placeText(where)}: the keys of ${shortcut} depend on the operating system, and the profile does not say which`,
  shortcut: ({ where, shortcut, system }: Placed & { shortcut: string; system: OperatingSystem }) =>
    `${placeText(where)}: ${SYSTEM_NAMES[system]} has no shortcut for ${shortcut}`,
  untypable: ({ where, characters, computer }: Placed & { characters: string[]; computer: Computer }) =>
    `${placeText(where)}: ${typedOnText(computer)} cannot type ${some(characters)}`,
  'mac-characters': ({ where, characters, layout }: Placed & { characters: string[]; layout: LayoutId }) =>
    `${placeText(where)}: ${some(characters)} will be right on a Mac that knows this keyboard as an ${macKind(layout)} one; otherwise it takes two keys one for the other`,
  'same-name': ({ where, first, name }: Placed & { first: Named; name: string }) =>
    `“${name}” is the name of ${placeText(first)} and of ${placeText(where)}, which do different things`,
  'connection-input': ({ where, connection, because }: Placed & { connection: string; because: string }) =>
    `${placeText(where)} does nothing of this over ${connection}: ${because}`,

  'unreachable-layer': ({ layer }: { layer: string }) => `Nothing leads to the layer ${layer}`,
  layer: ({ where, layer }: Placed & { layer: number }) =>
    `${placeText(where)} leads to layer ${layer}, which the profile does not have`,
  'layer-key-held': ({ input, layer }: { input: string; layer: string }) =>
    `${input} is held down to have ${layer}: what it does in ${layer} can never happen`,
  'layer-key-switch': ({ input, layer }: { input: string; layer: string }) =>
    `${input} switches ${layer} on, and does something else in ${layer}: only another slot leads back out`,
  signal: ({ layer, signal, model }: OnModel & { layer: string; signal: number }) =>
    `${layer} is shared by signal ${signal}, and ${model} has no receiver to share it over`,

  zone: ({ effect, model, zone }: OnModel & { effect: string; zone: string }) =>
    `${effect}: ${model} has no zone “${zone}”`,
  light: ({ effect, model, light }: OnModel & { effect: string; light: string }) =>
    `${effect}: ${model} has no light “${light}”`,
  nowhere: ({ effect }: { effect: string }) => `${effect} is on no light`,
  effect: (problem: ShownProblem) => gateText(problem),
  'light-layer': ({ effect, layer }: { effect: string; layer: number }) =>
    `${effect} waits for layer ${layer}, and there is none`,
  'light-macro': ({ effect }: { effect: string }) =>
    `${effect} waits for a macro that the library does not have`,
  'light-connection': ({ effect, model, connection }: OnModel & { effect: string; connection: string }) =>
    `${effect}: ${model} has no connection “${connection}”`,
  'light-input': ({ effect, model, input }: OnModel & { effect: string; input: string }) =>
    `${effect}: ${model} has no input “${input}”`,
  battery: ({ effect, model }: OnModel & { effect: string }) =>
    `${effect} waits for a battery, and ${model} has none`,
  covered: ({ effect }: { effect: string }) => `${effect} is never seen: what lies over it covers its lights`,
  'gauge-colours': ({ effect, ...difference }: Difference & { effect: string }) =>
    `${effect}: full and low ${hardToTell(difference)}, ${TELLABLE_DELTA} are due`,
  'layer-colours': ({
    effect,
    layers: [one, other],
    ...difference
  }: Difference & { effect: string; layers: [string, string] }) =>
    `${effect}: the layers “${one}” and “${other}” ${hardToTell(difference)}`,

  'macro-missing': ({ where }: Placed) => `${placeText(where)} plays a macro that is not in the library`,
  'macro-circle': ({ where, macros }: Placed & { macros: string[] }) =>
    `${placeText(where)}: ${macros.join(', which plays ')}: it would never end`,
  'macro-text': ({
    macro,
    characters,
    computer,
  }: {
    macro: string
    characters: string[]
    computer: Computer
  }) => `${macro} types ${some(characters)}, which ${typedOnText(computer)} cannot`,
  'macro-budget': ({ where, macro, problem }: Placed & { macro: string; problem: BudgetProblem }) =>
    `${placeText(where)}: ${macro} ${gateText(problem)}`,
  'macro-unread': ({ where, macro, within }: Placed & { macro: string; within: string }) =>
    `${placeText(where)}: ${macro} plays ${within}, which this version cannot read`,
  'macro-unplayed': ({ where, macro }: Placed & { macro: string }) =>
    `${placeText(where)}: ${macro} is code of a later version; this device keeps it and does not play it`,
  'macro-left-down': ({ where, macro, keys }: Placed & { macro: string; keys: number }) =>
    `${placeText(where)}: ${macro} leaves ${keys} ${keys === 1 ? 'key' : 'keys'} down; the device lets go at its end`,
  macros: ({ macros, model, most }: OnModel & { macros: number; most: number }) =>
    `${macros} macros are bound; ${model} keeps ${most}`,

  'play-repeats': ({ where }: Placed) =>
    `${placeText(where)} plays a macro that goes on by itself, which this profile’s rules for play forbid`,
  'play-several': ({ where }: Placed) =>
    `${placeText(where)} does several things by one press, which this profile’s rules for play forbid`,

  'steps-no-sensor': ({ steps, model }: OnModel & { steps: number }) =>
    `${steps} steps; ${model} has no sensor`,
  'steps-none': () => 'At least one step is due',
  steps: ({ steps, model, most }: OnModel & { steps: number; most: number }) =>
    `${steps} steps; ${model} keeps ${most}`,
  step: ({ step, dpi, problem }: { step: number; dpi: number; problem: DpiProblem }) =>
    `Step ${step} is ${dpi} DPI: ${gateText(problem)}`,
  'step-axes': ({ step, model }: OnModel & { step: number }) =>
    `Step ${step}: ${model} counts alike both ways`,
  'default-step': ({ step }: { step: number }) => `Step ${step} is the default and does not exist`,
  'same-step': ({ steps: [one, other], dpi }: { steps: [number, number]; dpi: string }) =>
    `Steps ${one} and ${other} are both ${dpi} DPI`,
  'step-colours': ({ steps: [one, other], ...difference }: Difference & { steps: [number, number] }) =>
    `The colours of steps ${one} and ${other} ${hardToTell(difference)}, ${TELLABLE_DELTA} are due`,
  setting: (problem: SettingProblem) => gateText(problem),
  'slot-keys-same': () => 'The next slot is to come by holding two inputs, and both are the same',
  'slot-keys-one': () => 'The next slot is to come by holding two inputs, and only one is named',
  connection: ({ model, connection }: OnModel & { connection: string }) =>
    `${model} has no polling rate to set for “${connection}”`,
  rate: ({
    connection,
    rate,
    rates,
  }: {
    connection: string
    rate: number | undefined
    rates: readonly number[]
  }) => `${connection}: ${rate ?? 'no'} Hz; there are ${rates.join(', ')}`,

  size: ({
    bytes,
    over,
    model,
    binding,
    macro,
  }: OnModel & {
    bytes: number
    over: number
    binding: { where: Named; bytes: number }
    macro: { name: string; bytes: number } | undefined
  }) =>
    `The image takes ${bytes} B, ${over} B more than a slot of ${model} holds. ` +
    `The largest binding is ${placeText(binding.where)} with ${binding.bytes} B` +
    (macro ? `, the largest macro ${macro.name} with ${macro.bytes} B` : ''),
  names: ({ bytes, model }: OnModel & { bytes: number }) =>
    `In-game names take ${bytes} B and find no room beside the rest in a slot of ${model}: ` +
    `they stay in this library, and everything works without them`,
}

/** Ways to mend what was found. */
export const FIX_WORDS = {
  factory: () => 'Put back the factory’s',
  below: () => 'Leave it to the layer below',
  clear: () => 'Clear it',
  'clear-place': ({ where, bytes }: Placed & { bytes: number }) =>
    `Clear ${placeText(where)}: frees ${bytes} B`,
  remove: () => 'Remove it',
  'left-click': ({ input }: { input: string }) => `Left click on ${input}`,
  system: ({ system }: { system: OperatingSystem }) => `Set the operating system to ${SYSTEM_NAMES[system]}`,
  layout: ({ layout }: { layout: LayoutId }) => `Its layout is ${layoutName(layout)}`,
  unname: ({ where }: Placed) => `Take the name off ${placeText(where)}`,
  'remove-layer': () => 'Remove the layer',
  'leave-alone': ({ layer }: { layer: string }) => `Leave it alone in ${layer}`,
  'gauge-low': ({ colour }: { colour: string }) => `Make low ${colour}`,
  'play-once': () => 'Play it once',
  'step-colour': ({ step, colour }: { step: number; colour: string }) => `Make step ${step} ${colour}`,
}

/** What is wrong with app rules. */
export const RULE_WORDS = {
  'no-program': () => 'It names no program',
  never: ({ rule }: { rule: number }) =>
    `It is never come to: every program it is for meets rule ${rule} before`,
  'no-change': () => 'It changes nothing',
  twice: ({ model }: OnModel) => `${model} is in it twice: only one slot can be active`,
  'no-profile': ({ profile }: { profile: string }) => `The library has no profile “${profile}”`,
  'not-for': ({ profile, model }: OnModel & { profile: string }) => `“${profile}” is not for ${model}`,
  'in-no-slot': ({ profile, model }: OnModel & { profile: string }) =>
    `“${profile}” is in no slot of ${model}: write it first`,
  'no-slot': ({ slot, slots, model }: OnModel & { slot: number; slots: number }) =>
    `${model} has no slot ${slot}, only ${slots}`,
  'empty-slot': ({ slot, model }: OnModel & { slot: number }) => `Slot ${slot} of ${model} is empty`,
}

export type RuleKey = keyof typeof RULE_WORDS
export type Rule = keyof typeof FINDING_WORDS
export type FixKey = keyof typeof FIX_WORDS
type Words = Record<string, (facts: never) => string>
/** The facts that words of a key are made of; none for some. */
export type FactsOf<W extends Words, Key extends keyof W> =
  Parameters<W[Key]> extends [infer Facts] ? Facts : undefined

/** What a finding says. */
export const findingText = ({ rule, facts }: { rule: Rule; facts: unknown }): string =>
  worded(FINDING_WORDS, rule, facts)

/** What a finding of app rules says. */
export const ruleText = ({ key, facts }: { key: RuleKey; facts: unknown }): string =>
  worded(RULE_WORDS, key, facts)

/** What a way to mend is called. */
export const fixText = ({ key, facts }: { key: FixKey; facts: unknown }): string =>
  worded(FIX_WORDS, key, facts)
