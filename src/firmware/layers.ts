/** Events of layers: activated and deactivated ones, and signals that this device sends. */
export interface LayerEvents {
  /** Layers that were just deactivated; their pressed keys are released. */
  off(layers: readonly number[]): void
  /** Signals of layers activated by this device's own keys, bit n for signal n. */
  signals(mask: number): void
  /** The set of active layers changed. */
  changed?(): void
}

/**
 * Active layers: while one of their keys is held, between two presses of their toggle, or while another device on the
 * receiver signals it. The base layer, 0, is always active.
 */
export class Layers {
  private signalOf: readonly number[] = []
  private readonly held = new Map<unknown, number>()
  private readonly switched = new Set<number>()
  private remote = 0
  private on: number[] = []
  private readonly onSince = new Map<number, number>()
  private sent = 0

  constructor(
    private readonly events: LayerEvents,
    private readonly nowUs: () => number = () => 0,
  ) {}

  /** Activation time of an active layer. */
  sinceUs(layer: number): number {
    return this.onSince.get(layer) ?? 0
  }

  /** A new image: its layers, by their sharing signals (0 for none). This device's own layers are deactivated. */
  load(signalOf: readonly number[]): void {
    this.held.clear()
    this.switched.clear()
    this.update()
    this.signalOf = signalOf
    this.update()
  }

  /** Active layers above the base layer, the highest first. */
  get stack(): readonly number[] {
    return this.on
  }

  isOn(layer: number): boolean {
    return layer === 0 || this.on.includes(layer)
  }

  /** @param token the holder, which must also release it */
  hold(layer: number, token: unknown): void {
    if (!this.exists(layer)) return
    this.held.set(token, layer)
    this.update()
  }

  letGo(token: unknown): void {
    if (this.held.delete(token)) this.update()
  }

  toggle(layer: number): void {
    if (!this.exists(layer)) return
    if (!this.switched.delete(layer)) this.switched.add(layer)
    this.update()
  }

  /** Signals from other devices on the receiver, bit n for signal n. */
  hear(mask: number): void {
    this.remote = mask
    this.update()
  }

  private exists(layer: number): boolean {
    return layer >= 1 && layer < this.signalOf.length
  }

  private update(): void {
    const own = new Set([...this.held.values(), ...this.switched])
    const heard = this.signalOf.flatMap((signal, layer) =>
      layer > 0 && signal > 0 && this.remote & (1 << signal) ? [layer] : [],
    )
    const before = this.on
    this.on = [...new Set([...own, ...heard])].sort((a, b) => b - a)
    for (const layer of this.on) if (!this.onSince.has(layer)) this.onSince.set(layer, this.nowUs())
    for (const layer of before) if (!this.on.includes(layer)) this.onSince.delete(layer)
    const mask = [...own].reduce((bits, layer) => bits | (1 << (this.signalOf[layer] ?? 0)), 0) & ~1
    if (mask !== this.sent) {
      this.sent = mask
      this.events.signals(mask)
    }
    const off = before.filter((layer) => !this.on.includes(layer))
    if (off.length > 0) this.events.off(off)
    if (off.length > 0 || this.on.length !== before.length) this.events.changed?.()
  }
}
