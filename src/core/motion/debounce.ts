import type { DebounceStrategy } from '../onboard/settings'

export interface Debounce {
  strategy: DebounceStrategy
  us: number
}

/** The contact closes or opens. */
export interface Edge {
  atUs: number
  closed: boolean
}

/** One contact. The owner calls {@link Debouncer.wake} at `dueUs`. */
export class Debouncer {
  private closed = false
  private reported = false
  private due: number | undefined

  constructor(public setting: Debounce) {}

  /** When it must be woken, in µs; undefined if it waits for nothing. */
  get dueUs(): number | undefined {
    return this.due
  }

  /** @returns whether the input is now down or up; undefined if unchanged */
  edge(closed: boolean, atUs: number): boolean | undefined {
    this.closed = closed
    if (this.setting.strategy === 'deferred') {
      this.due = closed === this.reported ? undefined : atUs + this.setting.us
      return this.setting.us === 0 ? this.wake(atUs) : undefined
    }
    return this.due === undefined ? this.report(atUs) : undefined
  }

  /** Called at the due time. @returns as {@link edge} does */
  wake(atUs: number): boolean | undefined {
    this.due = undefined
    return this.report(atUs)
  }

  private report(atUs: number): boolean | undefined {
    if (this.closed === this.reported) return undefined
    this.reported = this.closed
    if (this.setting.strategy === 'eager' && this.setting.us > 0) this.due = atUs + this.setting.us
    return this.reported
  }
}

/** The result for a series of edges, in order of time. */
export function debounceEdges(edges: readonly Edge[], setting: Debounce): { atUs: number; down: boolean }[] {
  const contact = new Debouncer(setting)
  const out: { atUs: number; down: boolean }[] = []
  const note = (atUs: number, down: boolean | undefined) => down !== undefined && out.push({ atUs, down })
  const wakeUntil = (untilUs: number) => {
    for (let due = contact.dueUs; due !== undefined && due <= untilUs; due = contact.dueUs)
      note(due, contact.wake(due))
  }
  for (const { atUs, closed } of edges) {
    wakeUntil(atUs)
    note(atUs, contact.edge(closed, atUs))
  }
  wakeUntil(Infinity)
  return out
}
