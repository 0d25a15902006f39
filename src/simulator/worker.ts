import { expose } from 'comlink'
import { reportFaultsOfWorker } from '../faults/report'
import { ALIVE_LOCK, CHANNEL_NAME } from './api'
import { Simulator } from './simulator'
import { DeviceStorage } from './storage'

reportFaultsOfWorker('the simulated devices')

/** The shared worker: one for all pages, so that they use the same devices. */
const channel = new BroadcastChannel(CHANNEL_NAME)
const storage = new DeviceStorage((trouble) => channel.postMessage({ kind: 'memory', trouble }))
const simulator = new Simulator(
  storage,
  (event) => channel.postMessage(event),
  () => performance.now(),
)

// Never released: a page that gets the lock knows that this worker has ended.
void navigator.locks.request(ALIVE_LOCK, () => new Promise(() => {}))

addEventListener('connect', (event) => {
  if (event instanceof MessageEvent) expose(simulator, event.ports[0])
})
