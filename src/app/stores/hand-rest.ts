import { useDebounceFn, useEventListener } from '@vueuse/core'

const REST_MS = 250
const MOST_UNSTORED_MS = 5000

/** Tells when rapid edits pause, such as those of a dragged slider or a macro recording. */
export function handRest() {
  let woken: (() => void)[] = []
  const wake = (): void => {
    const resting = woken
    woken = []
    for (const each of resting) each()
  }
  const restsSoon = useDebounceFn(wake, REST_MS, { maxWait: MOST_UNSTORED_MS })
  // Store before the page is hidden.
  if (typeof window === 'object') useEventListener(document, 'visibilitychange', wake)

  return {
    /** Notes an edit, which postpones the end of `rest`. */
    moved(): void {
      if (woken.length > 0) void restsSoon()
    },
    /** Resolves when edits have paused for a moment, or after some seconds of edits. */
    rest: (): Promise<void> =>
      new Promise((resolve) => {
        woken.push(resolve)
        void restsSoon()
      }),
  }
}
