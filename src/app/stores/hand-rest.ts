import { useDebounceFn, useEventListener } from '@vueuse/core'

const REST_MS = 250
const MAX_UNSTORED_MS = 5000

/** Detects pauses in rapid edits, such as those of a dragged slider or a macro recording. */
export function handRest() {
  let woken: (() => void)[] = []
  const wake = (): void => {
    const resting = woken
    woken = []
    for (const each of resting) each()
  }
  /** Start of a pointer gesture, in ms: a slow drag is one gesture, however long its moves take. */
  let heldSince: number | undefined
  const held = (): boolean => heldSince !== undefined && Date.now() - heldSince < MAX_UNSTORED_MS
  const restsSoon = useDebounceFn(
    () => {
      if (held()) void restsSoon()
      else wake()
    },
    REST_MS,
    { maxWait: MAX_UNSTORED_MS },
  )
  if (typeof window === 'object') {
    // Store before the page is hidden.
    useEventListener(document, 'visibilitychange', wake)
    useEventListener(document, 'pointerdown', () => (heldSince = Date.now()), { capture: true })
    useEventListener(document, ['pointerup', 'pointercancel'], () => (heldSince = undefined), {
      capture: true,
    })
  }

  return {
    /** Records an edit, which postpones the end of `rest`. */
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
