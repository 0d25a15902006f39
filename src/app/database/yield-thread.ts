/** Lets other work on the page's thread run first: the following code is a new task. */
export const yieldThread = (): Promise<void> => new Promise((resolve) => setTimeout(resolve))

/** Maximum time of one turn on the page's thread, in ms. */
const TURN_MS = 12

/** Work on the page's thread in turns, between which the page stays responsive. */
export class TimeSlice {
  private since = performance.now()

  /** Continues at once within the time of the turn. */
  async next(): Promise<void> {
    if (performance.now() - this.since < TURN_MS) return
    await yieldThread()
    this.since = performance.now()
  }
}
