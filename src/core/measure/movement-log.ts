/** Movement reports in the order they arrived: times in ms and counts, in growing arrays. */
export class MovementLog {
  private timesMs = new Float64Array(4096)
  private dx = new Int16Array(4096)
  private dy = new Int16Array(4096)
  length = 0

  add(atMs: number, x: number, y: number): void {
    if (this.length === this.timesMs.length) {
      this.timesMs = grown(this.timesMs, new Float64Array(2 * this.length))
      this.dx = grown(this.dx, new Int16Array(2 * this.length))
      this.dy = grown(this.dy, new Int16Array(2 * this.length))
    }
    this.timesMs[this.length] = atMs
    this.dx[this.length] = x
    this.dy[this.length] = y
    this.length++
  }

  clear(): void {
    this.length = 0
  }

  /** Passes each report from an index on. */
  each(from: number, take: (atMs: number, x: number, y: number) => void): void {
    for (let at = from; at < this.length; at++)
      take(this.timesMs[at] ?? 0, this.dx[at] ?? 0, this.dy[at] ?? 0)
  }

  /** Copies of the contents. */
  get times(): Float64Array {
    return this.timesMs.slice(0, this.length)
  }

  get movement(): { timesMs: Float64Array; dx: Int16Array; dy: Int16Array } {
    return { timesMs: this.times, dx: this.dx.slice(0, this.length), dy: this.dy.slice(0, this.length) }
  }
}

function grown<T extends Float64Array | Int16Array>(from: T, to: T): T {
  to.set(from)
  return to
}
