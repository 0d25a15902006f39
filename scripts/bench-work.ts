import { itemAt } from '../src/core/base/items'
import { slotCapacity } from '../src/core/device/lookups'
import { dunlin84 } from '../src/core/device/models/dunlin-84'
import { decompileMacros } from '../src/core/compile/decompile'
import { encodeImage, decodeImage } from '../src/core/onboard/format'
import { emptyImage } from '../src/core/onboard/image'
import { lowerShownLight, newStackItem, withoutMacros } from '../src/core/terms/light'
import { ONE } from '../src/core/effects/fixed'
import { EFFECT_NAMES } from '../src/core/effects/registry'
import { STATE_AT_REST, composeLight, driveLights, prepareLight } from '../src/core/light/compose'
import { MAX_MACROS } from '../src/core/onboard/macro-section'
import { writeMacro } from '../src/core/onboard/macro-code'
import type { MacroOp } from '../src/core/onboard/macro-ops'
import { analysePolling } from '../src/core/measure/polling'
import { randomSource } from '../src/core/base/random'
import type { MacroShelf } from '../src/core/document/macro'

/** Cost of computations in Node, with their limits. */

type Say = (line?: string) => void

/** Half an hour of a fast mouse, as analysed by the worker of the Measure view. */
export function longRecording(say: Say): void {
  const count = 30 * 60 * 8000
  const times = new Float64Array(count)
  const { normal } = randomSource(1)
  for (let at = 0; at < count; at++) times[at] = at / 8 + 0.01 * normal()
  const start = performance.now()
  const found = analysePolling(times)
  const seconds = (performance.now() - start) / 1000
  say()
  say('## Analysis of half an hour at 8,000 Hz')
  say()
  say(
    `${count.toLocaleString('en')} reports: ${seconds.toFixed(2)} s in Node (maximum 1 s), ${(1800 / seconds).toFixed(0)} × faster than real time;`,
  )
  say(`${found?.rateHz.value.toFixed(1)} Hz measured, 8,000 Hz simulated.`)
}

/** The largest byte code that fits into a slot, within the budget and beyond it: reading either takes bounded work. */
export function worstImages(say: Say, shelf: MacroShelf): void {
  const nested = (times: number[], body: MacroOp[]): MacroOp[] =>
    times.reduceRight((inner, each) => [{ kind: 'repeat', times: each, body: inner }], body)
  const nothing: MacroOp = { kind: 'wait', ms: 0 }
  const within = writeMacro(
    nested([10, 10, 10], [...Array<MacroOp>(99).fill({ kind: 'wait', ms: 1 }), nothing]),
  )
  const beyond = writeMacro(nested([10_000, 10_000, 10_000, 10_000], [nothing]))
  const room = slotCapacity(dunlin84.memory) - 100
  const many = (code: Uint8Array) =>
    Array.from({ length: Math.min(MAX_MACROS, Math.floor(room / (code.length + 3))) }, (_, index) => ({
      number: index + 1,
      name: '',
      code,
    }))
  say()
  say('## Images full of the most expensive macros')
  say()
  say('Time to decode, and to decompile with all macros, in Node; median of 20 runs. Maximum 50 ms.')
  say()
  say('| macros | bytes | decode | decompile with macros |')
  say('| --- | --- | --- | --- |')
  for (const [what, code] of [
    ['100,000 operations each', within],
    [
      '20,000 operations each',
      writeMacro(nested([10, 10], [...Array<MacroOp>(199).fill({ kind: 'wait', ms: 1 }), nothing])),
    ],
    ['10,000 × 10,000 × 10,000 × 10,000, empty', beyond],
  ] as const) {
    const { bytes } = encodeImage({ ...emptyImage(dunlin84.number), macros: many(code) })
    const decode = medianMs(() => decodeImage(bytes), 20)
    const decompile = medianMs(() => decompileMacros(bytes, shelf), 20)
    say(
      `| ${many(code).length} of ${what} | ${bytes.length} | ${decode.toFixed(2)} ms | ${decompile.toFixed(1)} ms |`,
    )
  }
}

/** All effects on all 84 keys, and the cost of one frame. */
export function lightFrames(say: Say): void {
  const kinds = [...EFFECT_NAMES, 'wave' as const]
  const stack = kinds.map((kind) => newStackItem(kind, {}, { opacity: 50 }))
  const prepared = prepareLight(lowerShownLight(stack, withoutMacros(dunlin84)), dunlin84)
  const presses = [1, 5, 9, 20].map((input, index) => ({ input, atMs: 100 * index }))
  let ms = 0
  const cost = medianMs(() => {
    ms = (ms + 16) % 900
    driveLights(composeLight(prepared, { ...STATE_AT_REST, presses }, ms), ONE, dunlin84.electrical)
  }, 4000)
  say()
  say('## A frame of light')
  say()
  say(
    `84 keys under all ${kinds.length} effects at half opacity, with four fading presses: ${cost.toFixed(3)} ms in Node; median of 4,000 frames. Maximum 0.25 ms.`,
  )
}

export function medianMs(act: () => unknown, runs = 200): number {
  for (let warm = 0; warm < runs / 4; warm++) act()
  const times = Array.from({ length: runs }, () => {
    const start = performance.now()
    act()
    return performance.now() - start
  })
  return itemAt(
    times.sort((a, b) => a - b),
    runs >> 1,
  )
}
