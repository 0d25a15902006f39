import { keysOf } from '../core/base/tables'
import { itemAt } from '../core/base/items'
import type { Rgb } from '../core/base/colour'
import type { Connection, DeviceModel } from '../core/device/model'
import { ACTIONS, type ImageAction, type KnownAction } from '../core/actions/registry'
import { CONDITIONS, type LightWhen } from '../core/effects/conditions'
import { EFFECTS } from '../core/effects/registry'
import type { Capabilities } from '../core/onboard/capabilities'
import { ImageError } from '../core/base/bytes'
import { decodeImage, checkModel } from '../core/onboard/format'
import { type OnboardImage } from '../core/onboard/image'
import { LAYER_LIGHTS } from '../core/onboard/layer-colours'
import { shownEntries, isUnknown, type LightEntry } from '../core/onboard/light-stack'
import { extendedCode, playableOperations } from '../core/onboard/macro-code'
import type { MacroOp } from '../core/onboard/macro-ops'
import type { Debounce } from '../core/motion/debounce'
import { SETTING_KINDS, type DeviceSettings } from '../core/onboard/settings'
import type { ResolvedAction } from './bindings'
import type { DeviceLog } from './device-log'

/** The settings of the active slot, or factory settings, also if the slot is empty or unreadable. */
export class ActiveImage {
  private readonly image: OnboardImage | undefined

  constructor(
    private readonly model: DeviceModel,
    bytes: Uint8Array | undefined,
    private readonly abilities: Capabilities,
    private readonly log?: DeviceLog,
  ) {
    this.image = bytes && readable(bytes, model)
    if (this.image && log) noteUnknown(this.image, abilities, log)
  }

  /** The name of its profile; undefined where factory settings apply. */
  get name(): string | undefined {
    return this.image?.name
  }

  get steps(): OnboardImage['steps'] {
    return this.image?.steps ?? []
  }

  get defaultStep(): number {
    return this.image?.defaultStep ?? 0
  }

  /** Settings that this firmware supports. */
  get settings(): DeviceSettings {
    const settings = this.image?.settings ?? {}
    const known = keysOf(SETTING_KINDS).filter((key) => this.abilities.settings.has(settingCode(key)))
    return Object.fromEntries(known.flatMap((key) => (key in settings ? [[key, settings[key]]] : [])))
  }

  get debounce(): Debounce {
    const { ms, strategy } = this.model.debounce
    const { debounceMs = ms, debounce = strategy } = this.settings
    return { us: debounceMs * 1000, strategy: debounce }
  }

  /** The signal of each layer including the base layer: from the image, or of the factory layers. */
  get layerSignals(): number[] {
    if (this.image?.layersListed) return [0, ...this.image.layers.slice(1).map(({ signal }) => signal)]
    return [0, ...(this.model.factory.layers ?? []).map(() => 0)]
  }

  /** The stack of its lights, as far as this version knows it; the factory light if the image has none. */
  get stack(): readonly LightEntry[] {
    const stack = this.image?.light ? shownEntries(this.image.light) : this.model.factory.light
    return stack.filter((entry) => isShown(entry, this.abilities)).slice(0, this.abilities.maxEffects)
  }

  /** The colour of a layer, and the inputs it binds: from the image, on top of the factory layers. */
  layerLight(layer: number): { colour: Rgb; inputs: ReadonlySet<number> } {
    const own = this.image?.layers[layer]
    const bound = [...(own?.bindings ?? [])].flatMap(([input, { kind }]) => (kind === 'pass' ? [] : input))
    const factory = Object.keys(this.model.factory.layers?.[layer - 1]?.bindings ?? {}).flatMap(
      (id) => this.model.inputs.find((input) => input.id === id)?.number ?? [],
    )
    const passed = (input: number) => own?.bindings.get(input)?.kind === 'pass'
    const listed = this.image?.layersListed
    return {
      // Factory layers have the second colour, as in a factory profile.
      colour: LAYER_LIGHTS[listed ? (own?.colour ?? 0) : 1] ?? itemAt(LAYER_LIGHTS, 0),
      inputs: new Set([...bound, ...factory.filter((input) => !passed(input))]),
    }
  }

  rateHz(connection: Connection | undefined): number {
    if (!connection) return 0
    const index = this.model.connections.indexOf(connection)
    const set = this.image?.polling.find((entry) => entry.connection === index)?.rateHz
    return set !== undefined && connection.ratesHz.includes(set) ? set : connection.factoryRateHz
  }

  private readonly played = new Map<number, readonly MacroOp[] | undefined>()

  /** The byte code of a macro, counted from 1; none if the macro does not exist, undefined if it cannot be played. */
  codeOf(number: number): readonly MacroOp[] | undefined {
    if (!this.played.has(number)) {
      const macro = this.image?.macros.find((each) => each.number === number)
      this.played.set(number, macro ? this.performed(playableOperations(macro.code)) : [])
    }
    return this.played.get(number)
  }

  /** Operations that this firmware does not support are treated like those of a later version. */
  private performed(ops: readonly MacroOp[] | undefined): readonly MacroOp[] | undefined {
    return ops?.map((op) => {
      if (op.kind === 'repeat') return { ...op, body: [...(this.performed(op.body) ?? [])] }
      const code = extendedCode(op)
      return code === undefined || this.abilities.operations.has(code)
        ? op
        : { kind: 'unknown', code, payload: [] }
    })
  }

  /** From the highest active layer down to the base layer, each above its factory layer. */
  resolve(input: number, layersOn: readonly number[]): ResolvedAction {
    const { factory, inputs } = this.model
    const known = inputs.find(({ number }) => number === input)
    for (const layer of layersOn) {
      const own = this.image?.layers[layer]?.bindings.get(input)
      const said = own ?? (known && factory.layers?.[layer - 1]?.bindings[known.id])
      const action = said && this.done(said)
      if (action && action.kind !== 'pass') return { action, layer }
    }
    const base = this.image?.layers[0]?.bindings.get(input)
    return { action: this.done(base ?? known?.factory ?? { kind: 'off' }), layer: 0 }
  }

  /** The behaviour of this firmware for an action; ignoring an unknown one is logged. */
  private done(said: ImageAction): KnownAction {
    const known = said.kind === 'unknown' ? said.does : said
    const code = said.kind === 'unknown' ? said.code : ACTIONS[said.kind].code
    if (known && this.abilities.actions.has(code)) return known.kind === 'tap-hold' ? this.both(known) : known
    this.log?.note('action', code)
    return { kind: 'off' }
  }

  private both(known: Extract<KnownAction, { kind: 'tap-hold' }>): KnownAction {
    return { ...known, tap: this.done(known.tap), hold: this.done(known.hold) }
  }
}

/** Whether a firmware shows an effect with its condition. */
const isShown = ({ effect, when }: LightEntry, { effects, conditions }: Capabilities): boolean =>
  effects.has(EFFECTS[effect.kind].code) && (when.kind === 'always' || conditions.has(conditionCode(when)))

const conditionCode = (when: Exclude<LightWhen, { kind: 'always' }>): number => CONDITIONS[when.kind].code

/** Parts of an image that would have an effect by themselves but are unknown. */
function noteUnknown(
  { unknown, settingsKept, settings, light }: OnboardImage,
  can: Capabilities,
  log: DeviceLog,
): void {
  for (const { type } of unknown) log.note('section', type)
  for (const { code } of settingsKept) log.note('setting', code)
  for (const key of keysOf(SETTING_KINDS))
    if (settings[key] !== undefined && !can.settings.has(settingCode(key)))
      log.note('setting', settingCode(key))
  for (const entry of light ?? []) {
    const code = isUnknown(entry) ? entry.code : EFFECTS[entry.effect.kind].code
    if (isUnknown(entry) || !isShown(entry, can)) log.note('effect', code)
  }
}

const settingCode = (key: keyof typeof SETTING_KINDS): number => SETTING_KINDS[key].code

function readable(bytes: Uint8Array, model: DeviceModel): OnboardImage | undefined {
  try {
    return imageFor(model, bytes)
  } catch (error) {
    if (error instanceof ImageError) return undefined
    throw error
  }
}

/** An image that a device of a model accepts. @throws ImageError for any other */
export function imageFor({ number, factory }: DeviceModel, bytes: Uint8Array): OnboardImage {
  const image = decodeImage(bytes)
  checkModel(image, { number, factoryLayers: factory.layers?.length ?? 0 })
  return image
}
