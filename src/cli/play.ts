import type { DeviceModel } from '../core/device/model'
import { Computer } from '../core/hid/computer'
import { US_LAYOUT } from '../core/hid/us-layout'
import { LinkSession } from '../core/link/session'
import { Clock } from '../firmware/clock'
import { SimulatedDevice } from '../firmware/device'
import { virtualTransport } from '../firmware/virtual-transport'
import type { ScriptStep } from './script'

export interface Played {
  reports: { timeUs: number; report: number; hex: string }[]
  text: string
}

/** After the last line of a script, what is still on its way is waited for this long. */
const AFTERMATH_US = 100_000

/** Writes an image to a new device's first slot over its link, and runs a script on it by cable. */
export async function play(bytes: Uint8Array, model: DeviceModel, script: ScriptStep[]): Promise<Played> {
  const clock = new Clock()
  const played: Played = { reports: [], text: '' }
  let startUs = Infinity
  const listen = (report: Uint8Array, atUs: number) => {
    if (atUs < startUs) return
    played.reports.push({
      timeUs: atUs - startUs,
      report: report[0],
      hex: Buffer.from(report).toString('hex'),
    })
    for (const event of computer.receive(report)) if (event.kind === 'key') played.text += event.text
  }
  const device = new SimulatedDevice({ model, clock, events: { report: listen } })
  const computer = new Computer(device.descriptor, US_LAYOUT)
  device.setPlugs({ cable: true })
  await new LinkSession(virtualTransport(clock, device)).writeSlot(0, bytes, undefined)
  // Flash is tidied after a write; the script begins when that is over, on a whole second.
  startUs = (Math.floor(clock.nowUs / 1e6) + 2) * 1e6
  clock.runUntil(startUs)
  for (const step of script) {
    clock.runUntil(startUs + step.atUs)
    step.act(device)
  }
  clock.runUntil(startUs + (script.at(-1)?.atUs ?? 0) + AFTERMATH_US)
  return played
}
