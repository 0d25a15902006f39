import { PAIRING } from '../core/effects/conditions'
import type { ActiveImage } from './active-image'
import type { Countdowns } from './countdowns'
import type { Layers } from './layers'
import type { LightSurroundings } from './lights'
import type { MacroPlayer } from './macro-player'
import type { Surroundings } from './surroundings'

/** Other parts of the device that lights can show, read when someone looks. */
export const lightSurroundings = (
  { model, alarms, battery, charging, connection, sharedUs, clockPpm }: Surroundings,
  parts: {
    image(): ActiveImage
    layers: Layers
    macros: MacroPlayer
    countdowns: Countdowns
    pairing(): boolean
  },
): LightSurroundings => ({
  nowUs: () => alarms.nowUs,
  layers: () =>
    parts.layers.stack.map((layer) => ({
      layer,
      atUs: parts.layers.sinceUs(layer),
      ...parts.image().layerLight(layer),
    })),
  macros: () => parts.macros.running,
  countdown: () => parts.countdowns.latest,
  chargePercent: () => battery?.percent(alarms.nowUs) ?? 100,
  charging,
  sharedUs,
  clockPpm,
  connection: () =>
    parts.pairing() ? PAIRING : model.connections.findIndex((each) => each === connection()) + 1,
})
