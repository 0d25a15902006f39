/** A scheduled event, in a list sorted by time. */
export interface Alarm {
  readonly atUs: number
  readonly ring: () => void
  /** Its owner, whose alarms can be cancelled together. */
  readonly owner: object | undefined
  next: Alarm | null
}

/**
 * Virtual time in µs. It only advances when told to, from alarm to alarm, so an hour without alarms costs nothing.
 * Alarms for the same time run in the order they were set.
 */
export class Clock {
  private time = 0
  private first: Alarm | null = null

  get nowUs(): number {
    return this.time
  }

  /** Time of the next alarm, or undefined if there is none. */
  get nextAlarmUs(): number | undefined {
    return this.first?.atUs
  }

  /** Sets an alarm; one in the past runs as soon as the clock does. */
  at(atUs: number, ring: () => void, owner?: object): Alarm {
    const alarm: Alarm = { atUs: Math.max(atUs, this.time), ring, owner, next: null }
    if (!this.first || alarm.atUs < this.first.atUs) {
      alarm.next = this.first
      this.first = alarm
      return alarm
    }
    let before = this.first
    while (before.next && before.next.atUs <= alarm.atUs) before = before.next
    alarm.next = before.next
    before.next = alarm
    return alarm
  }

  cancel(alarm: Alarm): void {
    if (this.first === alarm) {
      this.first = alarm.next
      return
    }
    for (let before = this.first; before; before = before.next) {
      if (before.next === alarm) {
        before.next = alarm.next
        return
      }
    }
  }

  cancelAllOf(owner: object): void {
    while (this.first?.owner === owner) this.first = this.first.next
    for (let before = this.first; before?.next;) {
      if (before.next.owner === owner) before.next = before.next.next
      else before = before.next
    }
  }

  /** Runs all alarms until then, in order, and stops at `timeUs`. */
  runUntil(timeUs: number): void {
    while (this.first && this.first.atUs <= timeUs) this.runNext()
    this.time = Math.max(this.time, timeUs)
  }

  /** Advances to the next alarm and runs it. @returns false if there is none */
  runNext(): boolean {
    const alarm = this.first
    if (!alarm) return false
    this.first = alarm.next
    this.time = alarm.atUs
    alarm.ring()
    return true
  }
}

/** Alarms of a powered part, cancelled together when power is lost. */
export class PoweredAlarms {
  constructor(private readonly clock: Clock) {}

  get nowUs(): number {
    return this.clock.nowUs
  }

  at(atUs: number, ring: () => void): Alarm {
    return this.clock.at(atUs, ring, this)
  }

  after(delayUs: number, ring: () => void): Alarm {
    return this.at(this.clock.nowUs + delayUs, ring)
  }

  cancel(alarm: Alarm): void {
    this.clock.cancel(alarm)
  }

  cancelAll(): void {
    this.clock.cancelAllOf(this)
  }
}

/** Work that takes virtual time: it yields its delays in µs. */
export type Task<Result = void> = Generator<number, Result, void>

/** Runs tasks in sequence; power loss ends them where they are. */
export class TaskQueue {
  private readonly waiting: (() => void)[] = []
  private running = false

  constructor(private readonly alarms: PoweredAlarms) {}

  get busy(): boolean {
    return this.running
  }

  /** Runs a task after the ones before it; `failed` receives its error. */
  add<Result>(
    start: () => Task<Result>,
    done: (result: Result) => void,
    failed: (error: unknown) => void,
  ): void {
    this.waiting.push(() => this.advance(start(), done, failed))
    this.startNext()
  }

  clear(): void {
    this.waiting.length = 0
    this.running = false
  }

  private startNext(): void {
    const start = this.running ? undefined : this.waiting.shift()
    if (!start) return
    this.running = true
    start()
  }

  private advance<Result>(
    task: Task<Result>,
    done: (result: Result) => void,
    failed: (error: unknown) => void,
  ): void {
    try {
      const step = task.next()
      if (!step.done) {
        this.alarms.after(step.value, () => this.advance(task, done, failed))
        return
      }
      this.running = false
      done(step.value)
    } catch (error) {
      this.running = false
      failed(error)
    }
    this.startNext()
  }
}
