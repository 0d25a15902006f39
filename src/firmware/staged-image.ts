import type { DeviceModel } from '../core/device/model'
import { ImageError } from '../core/base/bytes'
import { FORMAT_VERSION, HEADER_BYTES, headerFields, MAGIC, readHeader } from '../core/onboard/format'
import { imageFor } from './active-image'
import type { Task, TaskQueue } from './clock'
import type { StagedWrite } from './configuration'
import { FlashError } from './flash'
import type { Draft, SlotStore } from './slots'

/**
 * An image being received over the link: it goes to flash as it arrives, and is checked there before it becomes valid.
 */
export class StagedImage implements StagedWrite {
  waiting = 0
  private tasks = 0
  private failed = false
  private dropped = false
  /** The received part of the header: an image that is clearly not for this device never reaches flash. */
  private readonly head: number[] = []
  private strange = false
  private draft: Draft | undefined

  /** @param stored called when the slot has the image */
  constructor(
    private readonly model: DeviceModel,
    private readonly store: SlotStore,
    private readonly queue: TaskQueue,
    private readonly place: { slot: number; length: number },
    private readonly stored: (slot: number) => void,
  ) {
    this.run(() => this.open())
  }

  get state(): StagedWrite['state'] {
    if (this.failed) return 'failed'
    return this.tasks > 0 ? 'busy' : 'idle'
  }

  put(bytes: Uint8Array): void {
    if (bytes.length === 0) return
    if (this.head.length < HEADER_BYTES) {
      this.head.push(...bytes.subarray(0, HEADER_BYTES - this.head.length))
      this.strange = this.head.length === HEADER_BYTES && !this.isHeader()
    }
    this.waiting += bytes.length
    this.run(() => this.append(bytes))
  }

  commit(done: () => void, refused: () => void, failed: () => void): void {
    let isImage = false
    this.queue.add(
      function* (this: StagedImage): Task {
        isImage = yield* this.commitIfImage()
      }.bind(this),
      () => {
        if (this.failed) return failed()
        if (!isImage) return refused()
        this.stored(this.place.slot)
        done()
      },
      () => {
        this.drop()
        failed()
      },
    )
  }

  drop(): void {
    this.dropped = true
    if (this.draft) this.store.drop(this.draft)
  }

  private *open(): Task {
    if (this.dropped) return
    const draft = yield* this.store.open('image', this.place.slot, this.place.length)
    this.draft = draft
    // Aborted while making room.
    // eslint-disable-next-line @typescript-eslint/no-unnecessary-condition -- `drop` may have run at the yield
    if (this.dropped) this.store.drop(draft)
  }

  private *append(bytes: Uint8Array): Task {
    this.waiting -= bytes.length
    if (this.draft && !this.dropped && !this.failed && !this.strange) yield* this.store.put(this.draft, bytes)
  }

  /** @returns whether flash has a complete image for this device, which only then becomes valid */
  private *commitIfImage(): Task<boolean> {
    const { draft } = this
    if (!draft || this.dropped || this.failed || this.strange) return false
    const bytes = yield* this.store.stored(draft)
    if (!isImageFor(this.model, bytes)) {
      this.drop()
      return false
    }
    yield* this.store.commit(draft)
    return true
  }

  private isHeader(): boolean {
    const { model, length, magic, version } = headerFields(Uint8Array.from(this.head))
    return (
      magic === MAGIC &&
      version === FORMAT_VERSION &&
      model === this.model.number &&
      length === this.place.length
    )
  }

  private run(task: () => Task): void {
    this.tasks++
    const ended = () => this.tasks--
    this.queue.add(task, ended, (error) => {
      ended()
      if (!(error instanceof FlashError)) throw error
      this.failed = true
      this.drop()
    })
  }
}

/** Its length matches its header, it is undamaged, and it is for this model. */
function isImageFor(model: DeviceModel, bytes: Uint8Array): boolean {
  try {
    imageFor(model, bytes)
    return readHeader(bytes).length === bytes.length
  } catch (error) {
    if (error instanceof ImageError) return false
    throw error
  }
}
