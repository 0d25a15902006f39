import { Computer } from '../computer/computer'
import { FIRST_MODIFIER_USAGE } from '../hid/modifiers'
import { layoutFor } from '../computer/layouts'
import type { MacroOp } from '../onboard/macro-ops'
import { FACTORY_PRESS_MS } from '../onboard/settings'

/** A change that a computer should see, and its ideal time in µs from the press. */
export interface IdealChange {
  what: string
  atUs: number
}

/** A change of a macro with its ideal time and the time it was sent, in ms from the press. */
export interface SentChange {
  what: string
  requestedMs: number
  sentMs: number
}

/**
 * Every change of a macro with its ideal time: the sum of all delays before it. A key of typed text is held for the key
 * hold time of the device, and released for one polling interval (docs/onboard-format.md, "Macros"). The list ends at a
 * random delay.
 *
 * @param intervalUs polling interval of the connection
 * @param pressMs the key hold time that is set
 */
export function idealChanges(
  ops: readonly MacroOp[],
  intervalUs: number,
  pressMs = FACTORY_PRESS_MS,
): { changes: IdealChange[]; known: boolean } {
  const changes: IdealChange[] = []
  const down = new Set<string>()
  let atUs = 0
  const toggle = (what: string) => {
    const up = down.delete(what)
    if (!up) down.add(what)
    changes.push({ what: `${what} ${up ? 'up' : 'down'}`, atUs })
  }
  const run = (body: readonly MacroOp[]): boolean =>
    body.every((op) => {
      if (op.kind === 'random-wait') return false
      if (op.kind === 'repeat') return Array.from({ length: op.times }).every(() => run(op.body))
      if (op.kind === 'wait') atUs += op.ms * 1000
      else if (op.kind === 'strokes') {
        for (const stroke of op.strokes) {
          if (stroke.kind === 'wait') {
            atUs += stroke.ms * 1000
            continue
          }
          const usages = chord(stroke).filter((usage) => !down.has(`key ${usage}`))
          for (const lastsUs of [Math.max(1000 * pressMs, 2 * intervalUs), intervalUs]) {
            for (const usage of usages) toggle(`key ${usage}`)
            atUs += lastsUs
          }
        }
      } else if (op.kind === 'key') toggle(`key ${op.usage}`)
      else if (op.kind === 'button') toggle(`button ${op.button}`)
      else if (op.kind === 'consumer') toggle(`control ${op.usage}`)
      else if (op.kind === 'wheel' || op.kind === 'move') changes.push({ what: op.kind, atUs })
      return true
    })
  return { known: run(ops), changes }
}

const chord = ({ usage, modifiers }: { usage: number; modifiers: number }): number[] => [
  ...Array.from({ length: 8 }, (_, bit) => FIRST_MODIFIER_USAGE + bit).filter(
    (_, bit) => modifiers & (1 << bit),
  ),
  usage,
]

/**
 * Pairs the ideal changes with those a computer received. Changes of one kind keep their order. Changes that share a
 * report, such as wheel turns, are received as one, and the others have no counterpart.
 */
export function compareChanges(
  wanted: readonly IdealChange[],
  descriptor: Uint8Array,
  reports: readonly { atUs: number; report: Uint8Array }[],
): SentChange[] {
  const computer = new Computer(descriptor, layoutFor('us', 'windows'))
  const sent = new Map<string, number[]>()
  for (const { atUs, report } of reports)
    for (const event of computer.receive(report)) {
      const what = seen(event)
      sent.set(what, [...(sent.get(what) ?? []), atUs])
    }
  const used = new Map<string, number>()
  return wanted.flatMap(({ what, atUs }) => {
    const next = used.get(what) ?? 0
    const sentUs = sent.get(what)?.[next]
    used.set(what, next + 1)
    return sentUs === undefined ? [] : [{ what, requestedMs: atUs / 1000, sentMs: sentUs / 1000 }]
  })
}

function seen(event: ReturnType<Computer['receive']>[number]): string {
  switch (event.kind) {
    case 'key':
      return `key ${event.usage} ${event.down ? 'down' : 'up'}`
    case 'button':
      return `button ${event.button} ${event.down ? 'down' : 'up'}`
    case 'control':
      return `control ${event.usage} ${event.down ? 'down' : 'up'}`
    case 'scroll':
      return 'wheel'
    case 'pointer':
      return 'move'
  }
}
