import { fromHexBytes, ImageError, type ByteReader } from '../core/base/bytes'
import { readFirmwareFile } from '../core/onboard/firmware-file'
import { MIN_UPDATE_PERCENT, STATUS, type StatusCode } from '../core/link/packets'
import type { BankDraft } from './banks'
import type { TaskQueue } from './clock'
import type { SignatureCheck } from './signature'
import type { Surroundings } from './surroundings'

const WAIT_US = 2000

/** Functions of the device for an update. */
type Around = Pick<
  Surroundings,
  'model' | 'banks' | 'bankInUse' | 'battery' | 'alarms' | 'signatureCheck' | 'restart'
>

export type UpdateEnd = (status: StatusCode) => void

/**
 * The device's end of an update: received bytes go into the inactive bank, and are verified there before they become
 * valid.
 */
export class FirmwareUpdate {
  private draft: BankDraft | undefined
  /** Number of accepted bytes, in flash or on their way. */
  private taken = 0
  /** It is already valid: repeated requests get the same reply. */
  private committed = false
  /** The length for which the bank is being erased, and the callback afterwards. */
  private emptying: { length: number; ends: UpdateEnd } | undefined

  constructor(
    private readonly around: Around,
    private readonly tasks: TaskQueue,
  ) {}

  begin(length: number, ends: UpdateEnd): void {
    const { banks, bankInUse, battery, alarms, signatureCheck } = this.around
    signatureCheck()
    // A repeated request without a reply: the current work continues.
    if (this.emptying?.length === length) {
      this.emptying.ends = ends
      return
    }
    this.draft = undefined
    const charge = battery?.percent(alarms.nowUs)
    if (charge !== undefined && charge < MIN_UPDATE_PERCENT) return ends(STATUS.batteryLow)
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

  /** A repeated part counts as accepted: its reply was lost. */
  put(offset: number, payload: ByteReader, ends: UpdateEnd): void {
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

  /** Read back from flash before it becomes valid. */
  finish(ends: UpdateEnd): void {
    const { draft } = this
    const { banks, signatureCheck, alarms } = this.around
    const verify = signatureCheck()
    if (!draft || this.taken !== draft.length) return ends(STATUS.outOfSequence)
    // Signature verification is not loaded yet: busy until it is.
    if (!verify) return void alarms.after(WAIT_US, () => this.finish(ends))
    if (this.committed) return ends(STATUS.ok)
    this.tasks.add(
      () => banks.stored(draft),
      (stored) => {
        const status = this.validate(stored, verify)
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

  /** Starts the latest firmware after the reply was read. */
  restart(): void {
    this.around.restart()
  }

  private validate(stored: Uint8Array, verify: SignatureCheck): StatusCode {
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

  private fail(ends: UpdateEnd): void {
    this.draft = undefined
    ends(STATUS.flashFault)
  }
}
