import { ruleFor, type AppRules, type RuleTarget } from '../core/computer/app-rules'
import { modelById } from '../core/device/models'
import { LinkSession } from '../core/link/session'
import { LinkError } from '../core/link/link-error'
import type { DeviceTransport } from '../core/link/transport'
import { ImageError } from '../core/base/bytes'
import { decodeImage } from '../core/onboard/format'

/** A device the helper may switch. */
export interface HelpedDevice {
  /** Id of its model. */
  model: string
  transport: DeviceTransport
}

/** What the helper did about a program that came to the front. */
export interface HelperAct {
  program: string
  /** Place of the rule it met, counted from 0; undefined where it met none. */
  rule: number | undefined
  done: readonly { device: string; what: string; failed?: true }[]
  /** There are no rules to go by. */
  without?: true
}

/**
 * The helper that app rules need: it runs on the computer, knows which program is in front, and switches slots over the
 * link as any program could. It writes nothing to a device but which slot is active, and asks before it does.
 *
 * @param hold takes a device for one session at a time, by the id of its transport
 */
export class Helper {
  private last: string | undefined

  constructor(
    private readonly devices: readonly HelpedDevice[],
    private readonly hold: <T>(id: string, act: () => Promise<T>) => Promise<T>,
  ) {}

  /** @returns what was done, or undefined while the program is the one that was in front before */
  async inFront(rules: AppRules, program: string): Promise<HelperAct | undefined> {
    if (program === this.last) return undefined
    this.last = program
    const { at, use } = ruleFor(rules, program)
    const done: HelperAct['done'][number][] = []
    for (const target of use)
      for (const device of this.devices.filter(({ model }) => model === target.device)) {
        const name = modelById(target.device)?.name ?? target.device
        try {
          done.push({ device: name, ...(await this.switchTo(device, target)) })
        } catch (error) {
          if (!(error instanceof LinkError)) throw error
          done.push({ device: name, what: error.message, failed: true })
        }
      }
    return { program, rule: at, done }
  }

  /** Rules have changed: the program in front is looked at again. */
  again(): void {
    this.last = undefined
  }

  private switchTo(
    { transport }: HelpedDevice,
    target: RuleTarget,
  ): Promise<{ what: string; failed?: true }> {
    return this.hold(transport.id, async () => {
      const session = new LinkSession(transport)
      const { activeSlot, slots } = await session.info()
      const slot = await slotOf(session, slots, target)
      if (slot === undefined) return { what: `“${target.profile}” is in none of its slots`, failed: true }
      if (slot >= slots) return { what: `it has no slot ${slot + 1}`, failed: true }
      if (slot === activeSlot) return { what: `slot ${slot + 1} was active` }
      await session.select(slot)
      return { what: `slot ${slot + 1} is active now` }
    })
  }
}

/** The slot that holds a profile of that name, or the one that is named. */
async function slotOf(
  session: LinkSession,
  slots: number,
  { slot, profile }: RuleTarget,
): Promise<number | undefined> {
  if (profile === undefined) return slot
  // Where it was last is looked at first.
  const order = [...new Set([...(slot === undefined ? [] : [slot]), ...Array(slots).keys()])]
  for (const each of order.filter((place) => place < slots)) {
    const bytes = await session.readSlot(each)
    if (bytes && nameIn(bytes) === profile) return each
  }
  return undefined
}

function nameIn(bytes: Uint8Array): string | undefined {
  try {
    return decodeImage(bytes).name
  } catch (error) {
    // What cannot be read has no name to go by.
    if (error instanceof ImageError) return undefined
    throw error
  }
}
