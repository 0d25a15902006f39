import { LinkSession } from '../../core/link/session'
import { simulatedTransport, type SimulatorClient } from '../../simulator/client'
import type { Library } from '../database/library'

/** Stored outside the library, to show that there was one. */
const THERE_WAS_ONE = 'unisera-library-was-here'
const FILLED = 'demo'
/** Ids of devices that still need their part of the demo. */
const DUE = 'demo-devices'

/** A library that exists, one that never existed, or one that has disappeared. */
export type LibraryState = 'here' | 'first visit' | 'gone'

/** @param written whether a device was written to before, which also means that this is not a first visit */
export async function libraryState(library: Library, written: boolean): Promise<LibraryState> {
  if (await library.database.marks.get(FILLED)) {
    rememberLibrary()
    return 'here'
  }
  return written || remembered() ? 'gone' : 'first visit'
}

/**
 * Records that a library exists from now on, even if it is empty.
 *
 * @param devices ids of devices for {@link fillDevices}
 */
export async function recordLibrary(
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

/** Ids of devices that still need their part of the demo. */
export async function devicesToFill(library: Library): Promise<string[]> {
  const value = (await library.database.marks.get(DUE))?.value
  return Array.isArray(value) ? value.map(String) : []
}

/** Fills the remaining devices, including those left over by a closed page. */
export async function fillDevices(library: Library, fill: (id: string) => Promise<void>): Promise<void> {
  const { marks } = library.database
  for (const id of await devicesToFill(library)) {
    // A device that disconnects keeps its state, and the other devices are still processed.
    await fill(id).catch(() => undefined)
    const left = (await devicesToFill(library)).filter((each) => each !== id)
    await (left.length > 0 ? marks.put({ key: DUE, value: left }) : marks.delete(DUE))
  }
}

/** Whether a device was ever written to. */
export async function wasEverWritten(simulator: SimulatorClient, deviceId: string): Promise<boolean> {
  return navigator.locks.request(`unisera link ${deviceId}`, async () => {
    const { revision } = await new LinkSession(simulatedTransport(simulator, deviceId)).info()
    return revision !== 0
  })
}

// A browser that blocks this also blocks the library, which is reported.
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
