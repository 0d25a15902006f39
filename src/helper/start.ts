import { HELPER_FILE } from '../core/computer/app-rules'
import { readAppRules } from '../core/files/app-rules-file'
import { simulatedTransport, type SimulatorClient } from '../simulator/client'
import { Helper, type HelperAct } from './helper'

/**
 * Starts the helper on the simulated computer. Its rules are the file that Unisera hands over, read anew for each
 * program.
 *
 * @returns what it does when a program comes to the front: undefined where that one was there before
 * @throws ProfileError from that, for rules that cannot be read
 */
export function startHelper(
  simulator: SimulatorClient,
  devices: readonly { id: string; modelId: string }[],
): (program: string) => Promise<HelperAct | undefined> {
  const helper = new Helper(
    devices.map(({ id, modelId }) => ({ model: modelId, transport: simulatedTransport(simulator, id) })),
    // The same lock as Unisera's own sessions: one at a time talks to a device.
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
