import { LinkSession } from '../../core/link/session'
import { simulatedTransport, type SimulatorClient } from '../../simulator/client'
import type { Library } from '../database/library'

/** Kept beside the library and apart from it: says that there was one. */
const THERE_WAS_ONE = 'unisera-library-was-here'
const FILLED = 'demo'
/** Devices that are still to hold their part of the demo: a list of ids. */
const DUE = 'demo-devices'

/** A library that is here, one that was never there, or one that was and is not any more. */
export type Standing = 'here' | 'first visit' | 'gone'

/**
 * @param written whether a device here has been written to: then this is no first visit either
 */
export async function standingOf(library: Library, written: boolean): Promise<Standing> {
  if (await library.database.marks.get(FILLED)) {
    rememberLibrary()
    return 'here'
  }
  return written || remembered() ? 'gone' : 'first visit'
}

/**
 * Notes that a library is here from now on, whatever is in it.
 *
 * @param devices ids of those that are to be filled as well, by {@link fillDevices}
 */
export async function beginLibrary(
  library: Library,
  fill: () => Promise<void>,
  devices: readonly string[] = [],
): Promise<void> {
  await library.once(FILLED, async () => {
    await fill()
    if (devices.length > 0) await library.database.marks.put({ key: DUE, value: devices })
  })
  rememberLibrary()
}

/** Ids of the devices that are still to hold their part of the demo. */
export async function devicesDue(library: Library): Promise<string[]> {
  const value = (await library.database.marks.get(DUE))?.value
  return Array.isArray(value) ? value.map(String) : []
}

/** Fills the devices that are due, also those that were when a page went away in the middle of it. */
export async function fillDevices(library: Library, fill: (id: string) => Promise<void>): Promise<void> {
  const { marks } = library.database
  for (const id of await devicesDue(library)) {
    // A device that disconnects keeps its state, and the other devices are still processed.
    await fill(id).catch(() => undefined)
    const left = (await devicesDue(library)).filter((each) => each !== id)
    await (left.length > 0 ? marks.put({ key: DUE, value: left }) : marks.delete(DUE))
  }
}

/** Whether a device has ever been written to. */
export async function wasWritten(simulator: SimulatorClient, deviceId: string): Promise<boolean> {
  return navigator.locks.request(`unisera link ${deviceId}`, async () => {
    const { revision } = await new LinkSession(simulatedTransport(simulator, deviceId)).info()
    return revision !== 0
  })
}

// A browser that forbids this has forbidden the library as well, and says so.
function rememberLibrary(): void {
  try {
    localStorage.setItem(THERE_WAS_ONE, 'yes')
  } catch {
    return
  }
}

function remembered(): boolean {
  try {
    return localStorage.getItem(THERE_WAS_ONE) !== null
  } catch {
    return false
  }
}
