import { Refusal } from '../base/errors'
import { message, type Message } from '../message/message'
import { COMMAND, MIN_UPDATE_PERCENT, STATUS } from './packets'

/** Why a session failed. */
export class LinkError extends Refusal {
  override name = 'LinkError'
  constructor(
    readonly reason: 'disconnected' | 'timeout' | 'refused' | 'mismatch',
    why: Message,
  ) {
    super([why])
  }
}

const REFUSALS: Record<number, Message | undefined> = {
  [STATUS.unknownCommand]: message('link.notSupported'),
  [STATUS.malformed]: message('link.notRead'),
  [STATUS.noSuchSlot]: message('link.noSlot'),
  [STATUS.tooLarge]: message('link.profileTooLarge'),
  [STATUS.baseChanged]: message('link.slotChanged'),
  [STATUS.badImage]: message('link.profileRejected'),
  [STATUS.outOfSequence]: message('link.reportsLost'),
  [STATUS.flashFault]: message('link.memoryFault'),
  [STATUS.notAllowed]: message('link.notAllowed'),
  [STATUS.batteryLow]: message('link.batteryLow', { percent: MIN_UPDATE_PERCENT }),
  [STATUS.wrongModel]: message('link.wrongModel'),
  [STATUS.badSignature]: message('link.notSigned'),
}

/** Meanings of a status in replies to one command only. */
const OWN_REFUSALS: Record<number, Record<number, Message | undefined> | undefined> = {
  [COMMAND.firmwareBegin]: {
    [STATUS.tooLarge]: message('link.firmwareTooLarge'),
    [STATUS.notAllowed]: message('link.cableForFirmware'),
  },
  [COMMAND.restart]: { [STATUS.notAllowed]: message('link.cableToRestart') },
}

/** The error for the status of a reply to a command. */
export const errorForStatus = (status: number, command: number): LinkError =>
  new LinkError(
    'refused',
    OWN_REFUSALS[command]?.[status] ?? REFUSALS[status] ?? message('link.status', { status }),
  )
