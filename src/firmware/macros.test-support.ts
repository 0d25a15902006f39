import { reportText } from '../messages/english.test-support'
import { tern7 } from '../core/device/models/tern-7'
import { Computer } from '../core/computer/computer'
import { layoutFor } from '../core/computer/layouts'
import { compileProfile } from '../core/compile/compile'
import { LinkSession } from '../core/link/session'
import { emptyMacro, shelfOf, type Macro, type MacroEvent } from '../core/document/macro'
import type { MacroAction } from '../core/document/action-schema'
import { bindAll } from '../core/edits/edits'
import { factoryProfile } from '../core/terms/profile'
import type { Action, Profile } from '../core/document/schema'
import { Clock } from './clock'
import { SimulatedDevice } from './device'
import { virtualTransport } from './virtual-transport'

export const key = (code: string, does: 'press' | 'release', afterMs: number): MacroEvent => ({
  kind: 'key',
  code,
  does,
  afterMs,
})
export const tap = (code: string, heldMs: number, afterMs = 0) => [
  key(code, 'press', afterMs),
  key(code, 'release', heldMs),
]
export const macro = (id: string, events: MacroEvent[]): Macro => ({
  ...emptyMacro(id, `Macro of ${id}`),
  events,
})
export const play = (change: Partial<MacroAction> & { macro: string }): MacroAction => ({
  kind: 'macro',
  play: 'once',
  gapMs: 0,
  again: 'ignore',
  others: 'go-on',
  ...change,
})
export const bound = (...cells: [input: string, action: Action][]): Profile =>
  bindAll(
    factoryProfile(tern7, 'Macros'),
    tern7,
    cells.map(([input, put]) => ({ layer: 0, input, put })),
  )

/** A device with a profile and its macros, and the received events, in µs after a whole second. */
export async function deviceWith(profile: Profile, macros: Macro[], more: Uint8Array[] = []) {
  const clock = new Clock()
  const reports: { atUs: number; bytes: Uint8Array }[] = []
  const device = new SimulatedDevice({
    model: tern7,
    clock,
    events: { report: (bytes, atUs) => void reports.push({ atUs, bytes }) },
  })
  device.setPlugs({ cable: 'data' })
  const session = new LinkSession(virtualTransport(clock, device))
  const { bytes } = compileProfile(profile, tern7, shelfOf(macros))
  for (const [slot, image] of [bytes, ...more].entries()) await session.writeSlot(slot, image, undefined)
  const computer = new Computer(device.descriptor, layoutFor('us', 'windows'))
  const startUs = (Math.floor(clock.nowUs / 1e6) + 2) * 1e6
  clock.runUntil(startUs)
  const heard = () =>
    reports
      .splice(0)
      .flatMap(({ atUs, bytes: report }) =>
        computer.receive(report).map((event) => `${atUs - startUs} ${reportText(event)}`),
      )
  const at = (ms: number) => clock.runUntil(startUs + ms * 1000)
  return { device, clock, session, heard, at, reports, startUs, image: bytes }
}
