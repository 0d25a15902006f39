import { findRule, type AppRules, type RuleTarget } from '../core/computer/app-rules'
import { modelById } from '../core/device/models'
import { LinkSession } from '../core/link/session'
import { LinkError } from '../core/link/link-error'
import type { DeviceTransport } from '../core/link/transport'
import { ImageError } from '../core/base/bytes'
import { decodeImage } from '../core/onboard/format'
import { message, type MessageFact } from '../core/message/message'

/** A device that the helper can switch. */
export interface HelperDevice {
  /** Id of its model. */
  model: string
  transport: DeviceTransport
}

/** The helper's response to a program that came to the front. */
export interface HelperResponse {
  program: string
  /** Index of the matching rule, counted from 0; undefined if none matches. */
  rule: number | undefined
  done: readonly { device: string; what: MessageFact; failed?: true }[]
  /** There are no rules. */
  without?: true
}

/**
 * The helper for app rules. It runs on the computer, knows which program is in front, and switches slots over the link
 * like any other program. It only changes which slot is active, after checking that it needs to.
 *
 * @param hold reserves a device for one session, by the id of its transport
 */
export class Helper {
  private last: string | undefined

  constructor(
    private readonly devices: readonly HelperDevice[],
    private readonly hold: <T>(id: string, act: () => Promise<T>) => Promise<T>,
  ) {}

  /** @returns the response, or undefined while the same program stays in front */
  async inFront(rules: AppRules, program: string): Promise<HelperResponse | undefined> {
    if (program === this.last) return undefined
    this.last = program
    const { at, use } = findRule(rules, program)
    const done: HelperResponse['done'][number][] = []
    for (const target of use)
      for (const device of this.devices.filter(({ model }) => model === target.device)) {
        const name = modelById(target.device)?.name ?? target.device
        try {
          done.push({ device: name, ...(await this.switchTo(device, target)) })
        } catch (error) {
          if (!(error instanceof LinkError)) throw error
          done.push({ device: name, what: error.reasons[0] ?? '', failed: true })
        }
      }
    return { program, rule: at, done }
  }

  /** The rules changed: the program in front is checked again. */
  again(): void {
    this.last = undefined
  }

  private switchTo(
    { transport }: HelperDevice,
    target: RuleTarget,
  ): Promise<{ what: MessageFact; failed?: true }> {
    return this.hold(transport.id, async () => {
      const session = new LinkSession(transport)
      const { activeSlot, slots } = await session.info()
      const slot = await slotOf(session, slots, target)
      if (slot === undefined)
        return { what: message('helper.notInSlots', { profile: target.profile ?? '' }), failed: true }
      if (slot >= slots) return { what: message('helper.noSlot', { slot: slot + 1 }), failed: true }
      if (slot === activeSlot) return { what: message('helper.alreadyActive', { slot: slot + 1 }) }
      await session.select(slot)
      return { what: message('helper.nowActive', { slot: slot + 1 }) }
    })
  }
}

/** The slot with a profile of this name, or the given slot. */
async function slotOf(
  session: LinkSession,
  slots: number,
  { slot, profile }: RuleTarget,
): Promise<number | undefined> {
  if (profile === undefined) return slot
  // Its last known slot is checked first.
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
    // An unreadable slot has no name.
    if (error instanceof ImageError) return undefined
    throw error
  }
}
