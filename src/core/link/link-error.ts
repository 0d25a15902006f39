import { COMMAND, LEAST_UPDATE_PERCENT, STATUS } from './packets'

/** Why a session could not do what it was asked. The message is fit for a person. */
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
  [STATUS.unknownCommand]: 'The device does not know this request; its firmware may be older',
  [STATUS.malformed]: 'The device could not read the request',
  [STATUS.noSuchSlot]: 'The device has no such slot',
  [STATUS.tooLarge]: 'The profile is larger than a slot of the device',
  [STATUS.baseChanged]: 'The slot holds something else than was last read from it',
  [STATUS.badImage]: 'The device refused the image: it is damaged or for another model',
  [STATUS.outOfSequence]: 'Reports to the device were lost, several times over',
  [STATUS.flashFault]: 'The memory of the device refused to be written',
  [STATUS.notAllowed]: 'The device cannot do this over this connection',
  [STATUS.batteryLow]: `The battery of the device is under ${LEAST_UPDATE_PERCENT} %`,
  [STATUS.wrongModel]: 'The firmware is for another model',
  [STATUS.badSignature]: 'The firmware is not signed by the maker of the device',
}

/** What a status means in the reply to one command alone. */
const OWN_REFUSALS: Record<number, Record<number, string | undefined> | undefined> = {
  [COMMAND.firmwareBegin]: {
    [STATUS.tooLarge]: 'The firmware file is larger than the device can take',
    [STATUS.notAllowed]: 'Firmware is updated over the cable only',
  },
  [COMMAND.restart]: { [STATUS.notAllowed]: 'The device restarts over the cable only' },
}

/** The error for a status that a device answered a command with. */
export const refusal = (status: number, command: number): LinkError =>
  new LinkError(
    'refused',
    OWN_REFUSALS[command]?.[status] ?? REFUSALS[status] ?? `The device answered with status ${status}`,
  )
