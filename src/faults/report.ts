/** An unexpected error, as it is shown and reported. */
export interface Fault {
  /** The view or the worker where it happened. */
  where: string
  message: string
  stack: string
}

/** Workers report their errors on this channel to all pages of this browser. */
export const FAULT_CHANNEL = 'unisera faults'

export function faultOf(error: unknown, where: string): Fault {
  if (!(error instanceof Error)) return { where, message: String(error), stack: '' }
  return { where, message: `${error.name}: ${error.message}`, stack: error.stack ?? '' }
}

/** Whether a browser reports it although nothing failed: an element changed size while it was being measured. */
const isHarmless = (message: string): boolean => message.startsWith('ResizeObserver loop')

/**
 * Handles all uncaught errors and unhandled rejections of a page or a worker.
 *
 * @param scope the window, or the global scope of a worker
 */
export function listenForFaults(
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

/**
 * Makes a worker send its uncaught errors to all pages. @param where the purpose of the worker, such as “the simulated
 * devices”
 */
export function reportFaultsOfWorker(where: string): void {
  const channel = new BroadcastChannel(FAULT_CHANNEL)
  listenForFaults(
    globalThis,
    () => where,
    (fault) => channel.postMessage(fault),
  )
}
