/** Lets what else waits for the page's thread have it: what follows is a task of its own. */
export const freeThread = (): Promise<void> => new Promise((resolve) => setTimeout(resolve))
