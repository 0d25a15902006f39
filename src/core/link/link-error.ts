import { COMMAND, MIN_UPDATE_PERCENT, STATUS } from './packets'

/** Why a session failed. The message can be shown to people. */
export class LinkError extends Error {
  override name = 'LinkError'
  constructor(
    readonly reason: 'disconnected' | 'timeout' | 'refused' | 'mismatch',
    message: string,
  ) {
    super(message)
  }
}

const REFUSALS: Record<number, string | undefined> = {
  [STATUS.unknownCommand]: 'The device does not support this request. Its firmware may be too old',
  [STATUS.malformed]: 'The device could not read the request',
  [STATUS.noSuchSlot]: 'The device has no such slot',
  [STATUS.tooLarge]: 'The profile is larger than a slot',
  [STATUS.baseChanged]: 'The slot was changed since it was last read',
  [STATUS.badImage]: 'The device rejected the profile because it is damaged or for another model',
  [STATUS.outOfSequence]: 'Reports to the device were lost repeatedly',
  [STATUS.flashFault]: 'The device could not write to its memory',
  [STATUS.notAllowed]: 'The device cannot do this over this connection',
  [STATUS.batteryLow]: `The battery of the device is below ${MIN_UPDATE_PERCENT}%`,
  [STATUS.wrongModel]: 'The firmware is for a different model',
  [STATUS.badSignature]: 'The firmware is not signed by the maker of the device',
}

/** Meanings of a status in replies to one command only. */
const OWN_REFUSALS: Record<number, Record<number, string | undefined> | undefined> = {
  [COMMAND.firmwareBegin]: {
    [STATUS.tooLarge]: 'The firmware file is too large for the device',
    [STATUS.notAllowed]: 'Firmware can only be updated over the cable',
  },
  [COMMAND.restart]: { [STATUS.notAllowed]: 'The device can only restart over the cable' },
}

/** The error for the status of a reply to a command. */
export const errorForStatus = (status: number, command: number): LinkError =>
  new LinkError(
    'refused',
    OWN_REFUSALS[command]?.[status] ?? REFUSALS[status] ?? `The device answered with status ${status}`,
  )
