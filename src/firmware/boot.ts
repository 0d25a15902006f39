import { ImageError } from '../core/base/bytes'
import type { Capabilities } from '../core/onboard/capabilities'
import type { FirmwareChoice, FirmwareBanks } from './banks'
import { TaskQueue, type PoweredAlarms } from './clock'

/** Starts a firmware. @throws ImageError if the contents of the bank cannot run */
export type StartFirmware = (
  version: FirmwareChoice['version'],
  abilities: Capabilities,
  bankInUse: number | undefined,
) => void

/**
 * Starts the newest complete firmware that has not failed before. A firmware that was never started is marked as tried
 * first, and as good once it runs, so that the next start after a failure uses the previous one.
 */
export class Boot {
  private readonly tasks: TaskQueue
  private marking = false
  /** Sequence numbers of banks whose firmware could not start. */
  private readonly unfit = new Set<number>()

  /** @param started called when a firmware starts later than requested */
  constructor(
    private readonly banks: FirmwareBanks,
    alarms: PoweredAlarms,
    private readonly start: StartFirmware,
    private readonly started: () => void,
  ) {
    this.tasks = new TaskQueue(alarms)
  }

  /** Whether a firmware is being marked before its start. */
  get underWay(): boolean {
    return this.marking
  }

  begin(): void {
    const choice = this.banks.choose(this.unfit)
    const { bank } = choice
    if (!bank || bank.good) return this.startOf(choice)
    this.marking = true
    const go = () => {
      this.marking = false
      this.startOf(choice)
      this.started()
    }
    this.tasks.add(() => this.banks.mark(bank, 'tried'), go, go)
  }

  /** Power is lost: no more marks. */
  cancel(): void {
    this.tasks.clear()
    this.marking = false
  }

  private startOf({ version, abilities, bank }: FirmwareChoice): void {
    try {
      this.start(version, abilities(), bank?.index)
    } catch (error) {
      if (!(error instanceof ImageError) || !bank) throw error
      // It was marked as tried: the next candidate is the previous one.
      this.unfit.add(bank.sequence)
      return this.begin()
    }
    const nothing = () => {}
    if (bank && !bank.good) this.tasks.add(() => this.banks.mark(bank, 'good'), nothing, nothing)
  }
}
