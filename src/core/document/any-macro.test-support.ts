import { firstItems, itemAt } from '../base/items'
import fc from 'fast-check'
import type { MacroOp } from '../onboard/macro-ops'
import { emptyMacro, MAX_DELAY_MS, shelfOf, type Macro, type MacroEvent, type MacroShelf } from './macro'
import { anyKind } from './any-parameter.test-support'
import { EVENT_NAMES, eventKind, type EventName } from './event-kinds'
import { pressAndRelease } from '../edits/macro-edits'
import { fromTimes } from './macro-timing'

export const key = (code: string, does: 'press' | 'release', afterMs: number): MacroEvent => ({
  kind: 'key',
  code,
  does,
  afterMs,
})

export const macro = (events: MacroEvent[], id = 'm', name = 'Sonar sweep'): Macro => ({
  ...emptyMacro(id, name),
  events,
})

const afterMs = fc.oneof(fc.nat(200), fc.nat(6000))
const CODES = ['KeyA', 'KeyB', 'ShiftLeft', 'F13', 'Space']
const code = fc.constantFrom(...CODES)

/** Overlapping presses and releases of keys. */
export const anyCombo: fc.Arbitrary<MacroEvent[]> = fc
  .array(fc.tuple(code, fc.nat(900), fc.integer({ min: 1, max: 300 })), { maxLength: 12 })
  .map((bars) => {
    let free = 0
    return fromTimes(
      bars.flatMap(([each, after, held]) => {
        const [down, up] = firstItems(
          pressAndRelease({ kind: 'key', code: each, does: 'press', afterMs: 0 }, held),
          2,
        )
        const atMs = free + after
        free = atMs + held
        return [
          { atMs, event: down },
          { atMs: free, event: up },
        ]
      }),
    )
  })

/** Events that device code does not distinguish, or that one value does not fully describe. */
const CLOSER: { [Name in EventName]?: (event: MacroEvent) => MacroEvent } = {
  // Repeated keys, so that some are down when others are pressed.
  key: (event) =>
    event.kind === 'key' ? { ...event, code: itemAt(CODES, event.code.length % CODES.length) } : event,
  // Without a key, it does nothing.
  command: (event) =>
    event.kind === 'command' && !event.key
      ? { ...event, key: { kind: 'button', button: 4, clicks: 1 } }
      : event,
  // A turn on both axes is two turns.
  wheel: (event) => ({ ...event, sideways: 0 }),
  pause(event) {
    if (event.kind !== 'pause') return event
    const [one, other] = [event.fromMs % 600, event.toMs % 600]
    return { ...event, fromMs: Math.min(one, other), toMs: Math.max(one, other) }
  },
}

/** Any event of a kind, as in a macro with nothing else. */
export const anyEvent = (name: EventName): fc.Arbitrary<MacroEvent> =>
  fc
    .tuple(anyKind(name, eventKind(name).parameters), afterMs)
    // Built from the same parameters as its type.
    .map(([event, after]) => ({ ...event, afterMs: after }) as MacroEvent)
    .map((event) => CLOSER[name]?.(event) ?? event)

/** Kinds of events that can be combined: another macro, or device code, is always the whole macro. */
export const SELF_CONTAINED = EVENT_NAMES.filter((name) => name !== 'macro' && name !== 'code')

/** Any events, paired or not. */
export const anyEvents: fc.Arbitrary<MacroEvent[]> = fc.array(fc.oneof(...SELF_CONTAINED.map(anyEvent)), {
  maxLength: 20,
})

const longest = fc.constantFrom(0, 1, 112, 113, 4208, 4209, MAX_DELAY_MS - 1, MAX_DELAY_MS)

/**
 * Macros up to every limit: the longest delays in sequence, long movements, texts; each macro plays the earlier ones.
 */
export const anyShelf: fc.Arbitrary<MacroShelf> = fc
  .array(
    fc.tuple(
      anyEvents,
      fc.array(fc.tuple(longest, longest, fc.nat(600)), { maxLength: 12 }),
      fc.subarray([0, 1, 2]),
      fc.constantFrom('Sonar', 'Winch', 'n'.repeat(32)),
    ),
    { minLength: 1, maxLength: 4 },
  )
  .map((macros) =>
    shelfOf(
      macros.map(([events, waits, plays, name], index) => ({
        ...emptyMacro(`m${index}`, name),
        events: [
          ...events,
          ...waits.flatMap(([after, ms, times]): MacroEvent[] =>
            Array.from({ length: times }, () => ({ kind: 'pause', fromMs: ms, toMs: ms, afterMs: after })),
          ),
          ...plays.flatMap((each): MacroEvent[] =>
            each < index ? [{ kind: 'macro', macro: `m${each}`, afterMs: 0 }] : [],
          ),
          { kind: 'move', x: 32_767, y: -32_767, afterMs: 0 },
        ],
      })),
    ),
  )

const byte = fc.integer({ min: 0, max: 255 })
const simpleOp: fc.Arbitrary<MacroOp> = fc.oneof(
  fc.record({
    kind: fc.constant('key' as const),
    usage: fc.oneof(fc.integer({ min: 4, max: 0xa7 }), fc.integer({ min: 0xe0, max: 0xe7 })),
  }),
  fc.record({ kind: fc.constant('button' as const), button: fc.integer({ min: 1, max: 8 }) }),
  fc.record({
    kind: fc.constant('wait' as const),
    ms: fc.oneof(fc.integer({ min: 1, max: 300 }), fc.integer({ min: 1, max: 600_000 })),
  }),
  fc.record({ kind: fc.constant('consumer' as const), usage: fc.integer({ min: 1, max: 0x3ff }) }),
  fc.record({
    kind: fc.constant('move' as const),
    x: fc.integer({ min: -32_767, max: 32_767 }),
    y: fc.integer({ min: -200, max: 200 }),
  }),
  fc.record({
    kind: fc.constant('signal' as const),
    colour: fc.record({ red: byte, green: byte, blue: byte }),
  }),
  fc.record({ kind: fc.constant('layer' as const), layer: fc.integer({ min: 1, max: 7 }) }),
  fc.integer({ min: -100, max: 100 }).map((wheel) => ({ kind: 'wheel' as const, pan: 0, wheel })),
  fc
    .tuple(fc.nat(5000), fc.nat(5000))
    .map(([from, more]) => ({ kind: 'random-wait' as const, fromMs: from, toMs: from + more })),
)

/** Any operations, including nested repeats. */
export const anyOps: fc.Arbitrary<MacroOp[]> = fc.array(
  fc.oneof(
    { weight: 5, arbitrary: simpleOp },
    {
      weight: 1,
      arbitrary: fc.record({
        kind: fc.constant('repeat' as const),
        times: fc.integer({ min: 1, max: 5 }),
        body: fc.array(simpleOp, { minLength: 1, maxLength: 5 }),
      }),
    },
  ),
  { maxLength: 14 },
)
