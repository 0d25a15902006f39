/** Lets what else waits for the page's thread have it: what follows is a task of its own. */
export const freeThread = (): Promise<void> => new Promise((resolve) => setTimeout(resolve))

/** How long one turn may hold the page's thread, in ms. */
const TURN_MS = 12

/** Work on the page's thread that is done in turns: between them, the page answers. */
export class Turn {
  private since = performance.now()

  /** Goes on at once while the turn lasts. */
  async next(): Promise<void> {
    if (performance.now() - this.since < TURN_MS) return
    await freeThread()
    this.since = performance.now()
  }
}
