// Generated from the catalogue by `npm run messages`.

export interface LinkFacts {
  'link.notSupported': never
  'link.notRead': never
  'link.noSlot': never
  'link.profileTooLarge': never
  'link.slotChanged': never
  'link.profileRejected': never
  'link.reportsLost': never
  'link.memoryFault': never
  'link.notAllowed': never
  'link.batteryLow': 'percent'
  'link.wrongModel': never
  'link.notSigned': never
  'link.firmwareTooLarge': never
  'link.cableForFirmware': never
  'link.cableToRestart': never
  'link.status': 'status'
  'link.changedWhileRead': 'slot'
  'link.readsBackDifferently': 'slot'
  'link.stoppedAnswering': never
  'link.noAnswer': never
  'link.busy': never
  'link.disconnected': never
  'link.notConnected': never
  'link.noDevice': never
  'link.unknownModel': 'model'
  'link.simulatorRestarting': never
  'link.simulatorSilent': never
  'link.noSharedWorkers': never
}
