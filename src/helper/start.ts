import { HELPER_FILE } from '../core/computer/app-rules'
import { readAppRules } from '../core/files/app-rules-file'
import { simulatedTransport, type SimulatorClient } from '../simulator/client'
import { Helper, type HelperResponse } from './helper'

/**
 * Starts the helper on the simulated computer. It reads the file of rules from Unisera for each program.
 *
 * @returns a function for programs that come to the front; it returns undefined if the program was there before
 * @throws ProfileError from that function, for unreadable rules
 */
export function startHelper(
  simulator: SimulatorClient,
  devices: readonly { id: string; modelId: string }[],
): (program: string) => Promise<HelperResponse | undefined> {
  const helper = new Helper(
    devices.map(({ id, modelId }) => ({ model: modelId, transport: simulatedTransport(simulator, id) })),
    // The same lock as Unisera's own sessions: only one at a time uses a device.
    (id, act) => navigator.locks.request(`unisera link ${id}`, act),
  )
  let last: string | null = null
  return (program) => {
    const text = localStorage.getItem(HELPER_FILE)
    if (text === null) return Promise.resolve({ program, rule: undefined, done: [], without: true })
    if (text !== last) helper.again()
    last = text
    return helper.inFront(readAppRules(text), program)
  }
}
