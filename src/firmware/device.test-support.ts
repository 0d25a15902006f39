import { tern7 } from '../core/device/models/tern-7'
import { Computer, eventText } from '../core/hid/computer'
import { US_LAYOUT } from '../core/hid/us-layout'
import { compileProfile } from '../core/image/compile'
import { LinkSession } from '../core/link/session'
import type { Profile } from '../core/profile/schema'
import { Clock } from './clock'
import { SimulatedDevice } from './device'
import { virtualTransport } from './virtual-transport'

/** A device on the cable with profiles in its slots, and everything the computer hears. */
export async function deviceWith(...profiles: Profile[]) {
  const clock = new Clock()
  const reports: { atUs: number; bytes: Uint8Array }[] = []
  const events = { report: (bytes: Uint8Array, atUs: number) => void reports.push({ atUs, bytes }) }
  const device = new SimulatedDevice({ model: tern7, clock, events })
  device.setPlugs({ cable: true })
  const session = new LinkSession(virtualTransport(clock, device))
  for (const [slot, profile] of profiles.entries()) {
    await session.writeSlot(slot, compileProfile(profile, tern7).bytes, undefined)
  }
  const computer = new Computer(device.descriptor, US_LAYOUT)
  const heard = () =>
    reports.splice(0).flatMap(({ atUs, bytes }) => computer.receive(bytes).map((event) => ({ atUs, event })))
  const after = (ms: number) => clock.runUntil(clock.nowUs + ms * 1000)
  after(1000)
  return {
    clock,
    device,
    session,
    reports,
    heard,
    after,
    said: () => heard().map(({ event }) => eventText(event)),
  }
}
