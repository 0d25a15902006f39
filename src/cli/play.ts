import { itemAt } from '../core/base/items'
import type { DeviceModel } from '../core/device/model'
import { Computer } from '../core/computer/computer'
import { applyEvent, emptyDesktop } from '../core/computer/desktop'
import { layoutFor, type LayoutId } from '../core/computer/layouts'
import type { OperatingSystem } from '../core/computer/operating-systems'
import { LinkSession } from '../core/link/session'
import { Clock } from '../firmware/clock'
import { SimulatedDevice } from '../firmware/device'
import { virtualTransport } from '../firmware/virtual-transport'
import type { ScriptStep } from './script'

export interface Played {
  reports: { timeUs: number; report: number; hex: string }[]
  /** The text on the page of a computer with this system and layout. */
  text: string
  /** Opened programs, in order. */
  opened: string[]
}

/** Time after the last line of a script for everything still in progress. */
const AFTERMATH_US = 100_000

/** Writes an image to the first slot of a new device over its link, and runs a script on it over the cable. */
export async function play(
  bytes: Uint8Array,
  model: DeviceModel,
  script: ScriptStep[],
  { system, layout }: { system: OperatingSystem; layout: LayoutId },
): Promise<Played> {
  const clock = new Clock()
  const reports: Played['reports'] = []
  let desktop = emptyDesktop(system)
  let startUs = Infinity
  const listen = (report: Uint8Array, atUs: number) => {
    if (atUs < startUs) return
    const hex = Buffer.from(report).toString('hex')
    reports.push({ timeUs: atUs - startUs, report: itemAt(report, 0), hex })
    for (const event of computer.receive(report)) desktop = applyEvent(desktop, event, atUs / 1000)
  }
  const device = new SimulatedDevice({ model, clock, events: { report: listen } })
  const computer = new Computer(device.descriptor, layoutFor(layout, system))
  device.setPlugs({ cable: 'data' })
  await new LinkSession(virtualTransport(clock, device)).writeSlot(0, bytes, undefined)
  // Flash is tidied after a write; the script starts afterwards, at a whole second.
  startUs = (Math.floor(clock.nowUs / 1e6) + 2) * 1e6
  clock.runUntil(startUs)
  for (const step of script) {
    clock.runUntil(startUs + step.atUs)
    step.act(device)
  }
  clock.runUntil(startUs + (script.at(-1)?.atUs ?? 0) + AFTERMATH_US)
  return { reports, text: desktop.text, opened: desktop.opened.toReversed() }
}
