import { reportText } from '../messages/english.test-support'
import { modelById } from '../core/device/models'
import { tern7 } from '../core/device/models/tern-7'
import { Computer } from '../core/computer/computer'
import { layoutFor, type LayoutId } from '../core/computer/layouts'
import { compileProfile } from '../core/compile/compile'
import { LinkSession } from '../core/link/session'
import type { Profile } from '../core/document/schema'
import { Clock } from './clock'
import { SimulatedDevice } from './device'
import type { Receiver } from './radio'
import { virtualTransport } from './virtual-transport'

/** A device on the cable with profiles in its slots, and everything the computer receives. */
export const deviceWith = (...profiles: Profile[]) => deviceOn({ clock: new Clock() }, ...profiles)

/** The same with its own clock, receiver or computer. Its model is that of the profiles. */
export async function deviceOn(
  { clock, receiver, layout = 'us' }: { clock: Clock; receiver?: Receiver; layout?: LayoutId },
  ...profiles: Profile[]
) {
  const model = modelById(profiles[0]?.model ?? '') ?? tern7
  const reports: { atUs: number; bytes: Uint8Array }[] = []
  const events = { report: (bytes: Uint8Array, atUs: number) => void reports.push({ atUs, bytes }) }
  const device = new SimulatedDevice({ model, clock, events, ...(receiver && { receiver }) })
  device.setPlugs({ cable: 'data' })
  const session = new LinkSession(virtualTransport(clock, device))
  for (const [slot, profile] of profiles.entries()) {
    await session.writeSlot(slot, compileProfile(profile, model).bytes, undefined)
  }
  const computer = new Computer(device.descriptor, layoutFor(layout, 'windows'))
  const heard = () =>
    reports.splice(0).flatMap(({ atUs, bytes }) => computer.receive(bytes).map((event) => ({ atUs, event })))
  const after = (ms: number) => clock.runUntil(clock.nowUs + ms * 1000)
  after(1000)
  const said = () => heard().map(({ event }) => reportText(event))
  const typed = () =>
    heard()
      .map(({ event }) => (event.kind === 'key' ? event.text : ''))
      .join('')
  return { clock, device, session, reports, heard, after, said, typed }
}
