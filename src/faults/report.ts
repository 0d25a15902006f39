/** An unexpected error, as it is shown and reported. */
export interface Fault {
  /** The view or the worker it happened in. */
  where: string
  message: string
  stack: string
}

/** Workers report their errors on this channel; every page of this browser hears them. */
export const FAULT_CHANNEL = 'unisera faults'

export function faultOf(error: unknown, where: string): Fault {
  if (!(error instanceof Error)) return { where, message: String(error), stack: '' }
  return { where, message: `${error.name}: ${error.message}`, stack: error.stack ?? '' }
}

/** Whether a browser reports it although nothing failed: an element changed size while it was being measured. */
const isHarmless = (message: string): boolean => message.startsWith('ResizeObserver loop')

/**
 * Hears every uncaught error and unhandled rejection of a page or a worker.
 *
 * @param scope the window, or the global scope of a worker
 */
export function hearFaults(
  scope: Pick<Window, 'addEventListener'>,
  where: () => string,
  heard: (fault: Fault) => void,
): void {
  scope.addEventListener('error', (event) => {
    const { error, message = '' } = event
    if (!isHarmless(message)) heard(faultOf(error ?? message, where()))
  })
  scope.addEventListener('unhandledrejection', ({ reason }) => heard(faultOf(reason, where())))
}

/** Has a worker tell all pages of its uncaught errors. @param where what the worker does, such as “the simulated devices” */
export function reportFaultsOfWorker(where: string): void {
  const channel = new BroadcastChannel(FAULT_CHANNEL)
  hearFaults(
    globalThis,
    () => where,
    (fault) => channel.postMessage(fault),
  )
}
