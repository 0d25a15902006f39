import type { Connection, DeviceModel } from '../core/device/model'
import { decodeImage, type OnboardImage } from '../core/image/format'
import { readMacro, type MacroOp } from '../core/image/macro-code'
import type { LightEffect } from '../core/light/effects'
import type { Debounce } from '../core/motion/debounce'
import type { DeviceSettings } from '../core/motion/settings'
import type { Resolved } from './bindings'

/** What the image of the slot that is on says, or else the factory: also where a slot is empty or cannot be read. */
export class ActiveImage {
  private readonly image: OnboardImage | undefined

  constructor(
    private readonly model: DeviceModel,
    bytes: Uint8Array | undefined,
  ) {
    this.image = bytes && readable(bytes)
  }

  get steps(): OnboardImage['steps'] {
    return this.image?.steps ?? []
  }

  get defaultStep(): number {
    return this.image?.defaultStep ?? 0
  }

  get settings(): DeviceSettings {
    return this.image?.settings ?? {}
  }

  get debounce(): Debounce {
    const { ms, strategy } = this.model.debounce
    const { debounceMs = ms, debounce = strategy } = this.settings
    return { us: debounceMs * 1000, strategy: debounce }
  }

  /** The signal of each layer there is, the base layer among them: the image's, or the factory's layers. */
  get layerSignals(): number[] {
    if (this.image?.layersListed) return [0, ...this.image.layers.slice(1).map(({ signal }) => signal)]
    return [0, ...(this.model.factory.layers ?? []).map(() => 0)]
  }

  get stacks(): LightEffect[][] {
    return this.model.zones.map(
      ({ factory }, zone) => this.image?.light.find((entry) => entry.zone === zone)?.stack ?? [factory],
    )
  }

  rateHz(connection: Connection | undefined): number {
    if (!connection) return 0
    const index = this.model.connections.indexOf(connection)
    const set = this.image?.polling.find((entry) => entry.connection === index)?.rateHz
    return set !== undefined && connection.ratesHz.includes(set) ? set : connection.factoryRateHz
  }

  /** The byte code of a macro, counted from 1; nothing where there is none that can be read. */
  codeOf(macro: number): readonly MacroOp[] {
    try {
      return readMacro(this.image?.macros[macro - 1]?.code ?? new Uint8Array())
    } catch {
      return []
    }
  }

  /** From the uppermost layer that is on down to the base layer; each over what the factory set there. */
  resolve(input: number, layersOn: readonly number[]): Resolved {
    const { factory, inputs } = this.model
    const known = inputs.find(({ number }) => number === input)
    for (const layer of layersOn) {
      const own = this.image?.layers[layer]?.bindings.get(input)
      const action = own ?? (known && factory.layers?.[layer - 1]?.bindings[known.id])
      if (action && action.kind !== 'pass') return { action, layer }
    }
    const base = this.image?.layers[0]?.bindings.get(input)
    return { action: base ?? known?.factory ?? { kind: 'off' }, layer: 0 }
  }
}

function readable(bytes: Uint8Array): OnboardImage | undefined {
  try {
    return decodeImage(bytes)
  } catch {
    return undefined
  }
}
