import { t } from '../messages/page'
import { shallowRef, type App } from 'vue'
import { FAULT_CHANNEL, faultOf, listenForFaults, type Fault } from './report'

const MAX_FAULTS = 5

/** Uncaught errors of this page and of all workers, the newest last. */
export const faults = shallowRef<readonly Fault[]>([])
/** The one to show; undefined once the person has dismissed it. */
export const shownFault = shallowRef<Fault>()

function show(fault: Fault): void {
  faults.value = [...faults.value, fault].slice(-MAX_FAULTS)
  shownFault.value = fault
}

/** Records and shows an unexpected error, and prints it to the console for developers and tests. */
export function recordFault(error: unknown): Fault {
  console.error(error)
  const fault = faultOf(error, location.pathname)
  show(fault)
  return fault
}

/** The single place for all uncaught errors: of components, of the page, and of all workers. */
export function catchFaults(app: App): void {
  app.config.errorHandler = recordFault
  listenForFaults(window, () => location.pathname, show)
  new BroadcastChannel(FAULT_CHANNEL).onmessage = ({ data }: MessageEvent<Fault>) => {
    console.error(`${data.where}: ${data.message}`)
    show(data)
  }
}

/** Creates the report that a person can send to the developers, without contents of profiles. */
export const faultReport = (all: readonly Fault[]): string =>
  [
    t('faults.unisera', { value: __UNISERA_VERSION__ }),
    navigator.userAgent,
    ...all.map(({ where, message, stack }) => ['', where, message, stack].join('\n')),
  ].join('\n')
