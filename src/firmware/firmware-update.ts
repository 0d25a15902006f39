import { fromHexBytes, ImageError, type ByteReader } from '../core/base/bytes'
import { readFirmwareFile } from '../core/onboard/firmware-file'
import { LEAST_UPDATE_PERCENT, STATUS, type StatusCode } from '../core/link/packets'
import type { BankDraft } from './banks'
import type { TaskQueue } from './clock'
import type { SignatureCheck } from './signature'
import type { Surroundings } from './surroundings'

const WAIT_US = 2000

/** What an update reaches for in the device. */
type Around = Pick<
  Surroundings,
  'model' | 'banks' | 'bankInUse' | 'battery' | 'alarms' | 'signatureCheck' | 'restart'
>

export type Ends = (status: StatusCode) => void

/** The device's end of an update: what comes goes into the other bank, and is looked at there before it counts. */
export class FirmwareUpdate {
  private draft: BankDraft | undefined
  /** Bytes that were taken, in flash or on their way there. */
  private taken = 0
  /** It counts already: who asks once more is told the same. */
  private committed = false
  /** The length of what the bank is being emptied for, and whom to tell when it is. */
  private emptying: { length: number; ends: Ends } | undefined

  constructor(
    private readonly around: Around,
    private readonly tasks: TaskQueue,
  ) {}

  begin(length: number, ends: Ends): void {
    const { banks, bankInUse, battery, alarms, signatureCheck } = this.around
    signatureCheck()
    // Asked again, for want of a reply: what is under way goes on.
    if (this.emptying?.length === length) {
      this.emptying.ends = ends
      return
    }
    this.draft = undefined
    const charge = battery?.percent(alarms.nowUs)
    if (charge !== undefined && charge < LEAST_UPDATE_PERCENT) return ends(STATUS.batteryLow)
    const emptying = { length, ends }
    this.emptying = emptying
    const emptied = (status: StatusCode): void => {
      this.emptying = undefined
      emptying.ends(status)
    }
    this.tasks.add(
      () => banks.begin(bankInUse, length),
      (draft) => {
        Object.assign(this, { draft, taken: 0, committed: false })
        emptied(STATUS.ok)
      },
      (error) => emptied(error instanceof ImageError ? STATUS.tooLarge : STATUS.flashFault),
    )
  }

  /** A part that came before is taken for done: its reply was lost. */
  put(offset: number, payload: ByteReader, ends: Ends): void {
    const { draft } = this
    if (!draft || offset > this.taken) return ends(STATUS.outOfSequence)
    if (offset < this.taken) return ends(STATUS.ok)
    const bytes = payload.rest().slice(0, draft.length - this.taken)
    this.taken += bytes.length
    this.tasks.add(
      () => this.around.banks.put(draft, bytes),
      () => ends(STATUS.ok),
      () => this.fail(ends),
    )
  }

  /** Read back from flash, and only then made to count. */
  finish(ends: Ends): void {
    const { draft } = this
    const { banks, signatureCheck, alarms } = this.around
    const verify = signatureCheck()
    if (!draft || this.taken !== draft.length) return ends(STATUS.outOfSequence)
    // Its means to look at a signature are not there yet: busy until they are.
    if (!verify) return void alarms.after(WAIT_US, () => this.finish(ends))
    if (this.committed) return ends(STATUS.ok)
    this.tasks.add(
      () => banks.stored(draft),
      (stored) => {
        const status = this.judge(stored, verify)
        if (status !== STATUS.ok) {
          this.draft = undefined
          return ends(status)
        }
        this.tasks.add(
          () => banks.commit(draft),
          () => {
            this.committed = true
            ends(STATUS.ok)
          },
          () => this.fail(ends),
        )
      },
      () => this.fail(ends),
    )
  }

  /** Begins with what was written last, once the computer has its answer. */
  restart(): void {
    this.around.restart()
  }

  private judge(stored: Uint8Array, verify: SignatureCheck): StatusCode {
    const { number, firmwareKey } = this.around.model
    try {
      const { model, signature, signed } = readFirmwareFile(stored)
      if (model !== number) return STATUS.wrongModel
      return verify(signature, signed, fromHexBytes(firmwareKey)) ? STATUS.ok : STATUS.badSignature
    } catch (error) {
      if (error instanceof ImageError) return STATUS.badImage
      throw error
    }
  }

  private fail(ends: Ends): void {
    this.draft = undefined
    ends(STATUS.flashFault)
  }
}
