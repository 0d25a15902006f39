import { useDebounceFn, useEventListener } from '@vueuse/core'

const REST_MS = 250
const MOST_UNSTORED_MS = 5000

/** Tells when a hand rests that edits many times a second: a slider that is dragged, a macro that is recorded. */
export function handRest() {
  let woken: (() => void)[] = []
  const wake = (): void => {
    const resting = woken
    woken = []
    for (const each of resting) each()
  }
  const restsSoon = useDebounceFn(wake, REST_MS, { maxWait: MOST_UNSTORED_MS })
  // What a page holds is stored before it is put away.
  if (typeof window === 'object') useEventListener(document, 'visibilitychange', wake)

  return {
    /** An edit was made: whoever waits for rest waits a little longer. */
    moved(): void {
      if (woken.length > 0) void restsSoon()
    },
    /** Until no edit follows the last one for a moment, or there have been edits for some seconds. */
    rest: (): Promise<void> =>
      new Promise((resolve) => {
        woken.push(resolve)
        void restsSoon()
      }),
  }
}
