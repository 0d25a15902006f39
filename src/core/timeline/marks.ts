import { itemAt } from '../base/items'
import type { DeviceModel } from '../device/model'
import type { LightState } from '../effects/effect'
import { timingOf } from '../effects/registry'
import type { LightEntry } from '../onboard/light-stack'
import { activeLayerOf, stateAtRest } from '../terms/light-state'
import type { Profile } from '../document/schema'

/** An event placed on the timeline to preview its effect. Times are in ms from the start. */
export type Mark =
  | { kind: 'press'; atMs: number; input: string }
  | { kind: 'layer'; atMs: number; layer: number }
  | { kind: 'macro'; atMs: number }
  | { kind: 'signal'; atMs: number }
  | { kind: 'countdown'; atMs: number }
  | { kind: 'battery'; atMs: number; percent: number }

/** How long the press of a mark lasts, its layer is active, and its macro runs. */
const HELD_MS = 150
const LAYER_ON_MS = 1500
const MACRO_MS = 1500
const COUNTDOWN_MS = 3000
const COUNTDOWN_COLOUR = { red: 0xff, green: 0xb0, blue: 0x00 }

/** The state of the device at a time on the timeline. @param place.step index of the active step */
export function stateAt(
  marks: readonly Mark[],
  nowMs: number,
  { profile, model, step }: { profile: Profile; model: DeviceModel; step?: number },
): LightState {
  const past = marks.filter(({ atMs }) => atMs <= nowMs).sort((a, b) => a.atMs - b.atMs)
  const rest = stateAtRest(profile, step)
  const layers = past.flatMap((mark) =>
    mark.kind === 'layer' && nowMs < mark.atMs + LAYER_ON_MS && profile.layers[mark.layer]
      ? [activeLayerOf(profile, model, mark.layer, mark.atMs)]
      : [],
  )
  const battery = past.findLast((mark) => mark.kind === 'battery')
  const signal = past.findLast((mark) => mark.kind === 'signal')
  const countdown = past.findLast((mark) => mark.kind === 'countdown')
  return {
    ...rest,
    ...(battery?.kind === 'battery' && { chargePercent: battery.percent }),
    layers: layers.sort((a, b) => b.layer - a.layer),
    // The number of the macro does not matter: an effect that waits for a macro shows for any of them.
    macros: past.flatMap(({ kind, atMs }) =>
      kind === 'macro' && nowMs < atMs + MACRO_MS ? [{ macro: 0, atMs }] : [],
    ),
    presses: past.flatMap((mark) => {
      const input = mark.kind === 'press' ? model.inputs.find(({ id }) => id === mark.input) : undefined
      if (!input) return []
      const upMs = mark.atMs + HELD_MS
      return [{ input: input.number, atMs: mark.atMs, ...(upMs <= nowMs && { upMs }) }]
    }),
    ...(signal && { signalAtMs: signal.atMs }),
    ...(countdown && {
      countdown: { atMs: countdown.atMs, lengthMs: COUNTDOWN_MS, colour: COUNTDOWN_COLOUR },
    }),
    lastInputMs: 0,
  }
}

/** The state with whatever triggers an effect: a press, a layer or a countdown one fifth into the timeline. */
export function triggeredState(
  now: LightState,
  ms: number,
  { effect, when }: LightEntry,
  { profile, model, windowMs }: { profile: Profile; model: DeviceModel; windowMs: number },
): LightState {
  const atMs = Math.floor(windowMs / 5)
  if (ms < atMs) return now
  const timing = timingOf(effect)
  const input = when.kind === 'press' ? when.inputs[0] : undefined
  const upMs = atMs + HELD_MS
  const press = { input: input ?? itemAt(model.inputs, 0).number, atMs, ...(ms > upMs && { upMs }) }
  return {
    ...now,
    presses: [press],
    countdown: { atMs, lengthMs: windowMs - atMs, colour: COUNTDOWN_COLOUR },
    ...(timing.moves === 'after' && timing.what === 'layer' && ms < windowMs - atMs && profile.layers[1]
      ? { layers: [activeLayerOf(profile, model, profile.layers.length - 1, atMs)] }
      : {}),
  }
}
