import { ImageError } from '../core/base/bytes'
import type { Abilities } from '../core/onboard/abilities'
import type { Choice, FirmwareBanks } from './banks'
import { TaskQueue, type PoweredAlarms } from './clock'

/** Starts a firmware. @throws ImageError when what the bank holds cannot be run */
export type StartFirmware = (
  version: Choice['version'],
  abilities: Abilities,
  bankInUse: number | undefined,
) => void

/**
 * Starts the newest firmware that is whole and has not failed before. A firmware that was never started is marked as
 * tried first, and as good once it runs, so that the next start after a failure takes the one before it.
 */
export class Boot {
  private readonly tasks: TaskQueue
  private marking = false
  /** Sequence numbers of banks whose firmware could not be started. */
  private readonly unfit = new Set<number>()

  /** @param started runs when a firmware started later than it was asked to */
  constructor(
    private readonly banks: FirmwareBanks,
    alarms: PoweredAlarms,
    private readonly start: StartFirmware,
    private readonly started: () => void,
  ) {
    this.tasks = new TaskQueue(alarms)
  }

  /** Whether a firmware is being marked before it starts. */
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

  /** Power is lost: nothing more is marked. */
  cancel(): void {
    this.tasks.clear()
    this.marking = false
  }

  private startOf({ version, abilities, bank }: Choice): void {
    try {
      this.start(version, abilities(), bank?.index)
    } catch (error) {
      if (!(error instanceof ImageError) || !bank) throw error
      // It was marked as tried: the next choice is the one before it.
      this.unfit.add(bank.sequence)
      return this.begin()
    }
    const nothing = () => {}
    if (bank && !bank.good) this.tasks.add(() => this.banks.mark(bank, 'good'), nothing, nothing)
  }
}
