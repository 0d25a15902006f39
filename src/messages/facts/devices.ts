// Generated from the catalogue by `npm run messages`.
import type { Fact } from './fact'

export interface DevicesFacts {
  'devices.addADevice': Record<string, never>
  'devices.deviceModelToSimulate': Record<string, never>
  'devices.days': { days: Fact }
  'devices.min': { minutes: Fact }
  'devices.currentDrawn': Record<string, never>
  'devices.availableAfterFiveMinutesOnBattery': Record<string, never>
  'devices.maMeanOf': { current: Fact; duration: Fact }
  'devices.batteryLifeAtThisRate': Record<string, never>
  'devices.notKnownYet': Record<string, never>
  'devices.chargeCycles': Record<string, never>
  'devices.fullCharges': { cycles: Fact }
  'devices.usedSinceTheLastFullCharge': Record<string, never>
  'devices.ofMah': { used: Fact; capacity: Fact }
  'devices.batteryOf': { title: Fact }
  'devices.theBatteryCouldNotBeReadNothing': { problem: Fact }
  'devices.chargeByHour': Record<string, never>
  'devices.charge': Record<string, never>
  'devices.hoursFromNow': Record<string, never>
  'devices.hoursAgo': Record<string, never>
  'devices.chargeAtTheEnd': Record<string, never>
  'devices.minutesOnBattery': Record<string, never>
  'devices.theGaugeRecordsTheChargeEveryFull': { minutes: Fact }
  'devices.theGaugeInTheDeviceCountsThe': Record<string, never>
  'devices.close': Record<string, never>
  'devices.active': Record<string, never>
  'devices.slotOf': { number: Fact; title: Fact; name: Fact }
  'devices.openProfile': Record<string, never>
  'devices.compareWithProfile': Record<string, never>
  'devices.writeHere': { name: Fact }
  'devices.allSlots': Record<string, never>
  'devices.dragAProfileOntoASlotTo': Record<string, never>
  'devices.noUnwrittenChanges': Record<string, never>
  'devices.writeOneSlot': { count: number }
  'devices.writingSlot': { slot: Fact }
  'devices.swappingSlotsAnd': { first: Fact; second: Fact }
  'devices.slots': Record<string, never>
  'devices.library': Record<string, never>
  'devices.profilesFor': { title: Fact }
  'devices.notReadYet': Record<string, never>
  'devices.notConnected': Record<string, never>
  'devices.slotsOf': { slots: Fact; bytes: Fact }
  'devices.dpi': { min: Fact; max: Fact }
  'devices.notConnectedTheContentsBelowWere': { time: Fact }
  'devices.notConnectedPlugInItsCableOr': Record<string, never>
  'devices.slotsCannotBeReadOrWrittenOver': { name: Fact }
  'devices.drawnToScale': { name: Fact }
  'devices.updateTo': { version: Fact }
  'devices.batteryDetails': Record<string, never>
  'devices.aProfileUsesFeaturesThatThis': { features: Fact }
  'devices.theDeviceCouldNotStoreWhichSlot': Record<string, never>
  'devices.readingSlots': Record<string, never>
  'devices.theSlotsHaveNotBeenReadYet': Record<string, never>
  'devices.poweredByItsCable': Record<string, never>
  'devices.theNameIsTooLongEnterUp': { max: Fact }
  'devices.moreActionsFor': { title: Fact }
  'devices.renameThis': { name: Fact }
  'devices.nameStoredOnTheDeviceOptional': Record<string, never>
  'devices.rename': Record<string, never>
  'devices.slot': { number: Fact }
  'devices.unreadable': Record<string, never>
  'devices.factorySettings': Record<string, never>
  'devices.slot2': { number: Fact; contents: Fact }
  'devices.deviceViews': Record<string, never>
  'devices.oneDevice': Record<string, never>
  'devices.appRules': Record<string, never>
  'devices.devices': Record<string, never>
  'devices.connectedDevicesAndTheContentsOf': Record<string, never>
  'devices.allDevices': Record<string, never>
  'devices.lookingForDevices': Record<string, never>
  'devices.connectByItsCableFirst': { title: Fact }
  'devices.firmwareCanOnlyBeUpdatedOverThe': Record<string, never>
  'devices.theBatteryIsBelowChargeItOver': { min: Fact }
  'devices.sendingDoNotUnplugTheDevice': { version: Fact }
  'devices.theDeviceIsVerifyingTheFileDo': Record<string, never>
  'devices.theDeviceIsStarting': { version: Fact }
  'devices.theDeviceNowRunsItsSlotsAnd': { version: Fact }
  'devices.didNotStartTheDeviceReturnedTo': { version: Fact; previous: Fact }
  'devices.firmwareOf': { title: Fact }
  'devices.theFirmwareIsUpToDate': Record<string, never>
  'devices.newFirmware': Record<string, never>
  'devices.signedWithSDemoKey': { maker: Fact }
  'devices.theDeviceVerifiesItsSignature': Record<string, never>
  'devices.installItAlthoughItIsNotNewer': Record<string, never>
  'devices.nothingWasChanged': { problem: Fact }
  'devices.updateProgress': Record<string, never>
  'devices.ifTheUpdateIsInterruptedTheDevice': Record<string, never>
  'devices.openAFile': Record<string, never>
  'devices.cancel': Record<string, never>
  'devices.startAgain': Record<string, never>
  'devices.cable': Record<string, never>
  'devices.someCablesOnlyChargeAndCarryNo': Record<string, never>
  'devices.bluetooth': Record<string, never>
  'devices.theDeviceWorksOverBluetoothButIts': Record<string, never>
  'devices.receiver': Record<string, never>
  'devices.itMayBePluggedIntoAnotherComputer': Record<string, never>
  'devices.powerSwitch': Record<string, never>
  'devices.itMayBeOffOrSetTo': Record<string, never>
  'devices.noDeviceFound': Record<string, never>
  'devices.aDeviceAppearsHereAsSoonAs': Record<string, never>
  'devices.youCanCreateEditAndCheckProfiles': Record<string, never>
  'devices.openTheLibrary': Record<string, never>
  'devices.pluggedIntoThisComputer': Record<string, never>
  'devices.notPluggedIntoThisComputer': Record<string, never>
  'devices.pairedWithTheReceiver': Record<string, never>
  'devices.forget': { title: Fact }
  'devices.forget2': Record<string, never>
  'devices.noDeviceIsPairedWithThisReceiver': Record<string, never>
  'devices.toPairADeviceSetItsSwitch': { ways: Fact }
  'devices.slot3': { index: Fact; name: Fact }
  'devices.allSlotsTheNameTheActiveSlot': Record<string, never>
  'devices.profilesInTheLibraryOtherDevices': Record<string, never>
  'devices.youCanUndoThisWhileUniseraIs': Record<string, never>
  'devices.theContentsOfSlotTheSlotReturns': { number: Fact }
  'devices.allOtherSlotsTheNameAndProfiles': Record<string, never>
  'devices.youCanUndoThisWhileUniseraIs2': Record<string, never>
  'devices.resetToFactorySettings': { title: Fact }
  'devices.reset': Record<string, never>
  'devices.theWholeDevice': Record<string, never>
  'devices.deleted': Record<string, never>
  'devices.kept': Record<string, never>
  'devices.ifPowerIsLostDuringTheReset': { undo: Fact }
  'devices.enterAProgramSuchAsGantryrunExe': Record<string, never>
  'devices.isNamed': Record<string, never>
  'devices.matches': Record<string, never>
  'devices.anyOtherProgram': Record<string, never>
  'devices.matchingFor': { rule: Fact }
  'devices.programFor': { rule: Fact }
  'devices.delete': { rule: Fact }
  'devices.theSlotsForOtherProgramsWere': Record<string, never>
  'devices.ruleIsNowRule': { from: Fact; to: Fact }
  'devices.ruleWasDeleted': { number: Fact }
  'devices.aRuleForWasAdded': { program: Fact }
  'devices.itMatchesNoRule': Record<string, never>
  'devices.itMatchesRule': { number: Fact }
  'devices.switchesTo': { name: Fact; slot: Fact }
  'devices.theRulesInReplacedThePreviousRules': { name: Fact }
  'devices.switchSlotsWhenAProgramComesTo': Record<string, never>
  'devices.importRules': Record<string, never>
  'devices.exportRules': Record<string, never>
  'devices.theSavedAppRulesCouldNotBe': { problems: Fact }
  'devices.exportTheUnreadableRules': Record<string, never>
  'devices.number': Record<string, never>
  'devices.programInFront': Record<string, never>
  'devices.slotOn': { name: Fact }
  'devices.ruleActions': Record<string, never>
  'devices.programForANewRule': Record<string, never>
  'devices.brinewatchExeOrGantry': Record<string, never>
  'devices.addRule': Record<string, never>
  'devices.tryAProgram': Record<string, never>
  'devices.whichRuleDoesAProgramMatch': Record<string, never>
  'devices.cGamesBrinewatchExe': Record<string, never>
  'devices.enterAProgramNameWithOrWithout': Record<string, never>
  'devices.empty': Record<string, never>
  'devices.open': { what: Fact }
  'devices.open2': Record<string, never>
  'devices.settingsInTheActiveSlot': Record<string, never>
  'devices.change': { name: Fact; text: Fact }
  'devices.remove': { title: Fact }
  'devices.copyToLibraryAndRemove': Record<string, never>
  'devices.removeDevice': Record<string, never>
  'devices.thisRemovesTheSimulatedDeviceAnd': Record<string, never>
  'devices.thisProfileExistsOnlyOnTheDevice': { count: number }
  'devices.slot4': { slot: Fact; name: Fact }
  'devices.removeWithoutCopying': Record<string, never>
  'devices.wasNotWrittenTheSlotIsUnchanged': { name: Fact }
  'devices.cannotBeWrittenTheSlotIsUnchanged': { name: Fact; message: Fact }
  'devices.slotWasWrittenAndReadBack': { count: number }
  'devices.doNotSwitch': Record<string, never>
  'devices.theSlotWith': { name: Fact }
  'devices.slot5': { slot: Fact }
  'devices.slot6': { slot: Fact }
  'devices.theSlotWith2': { profile: Fact }
  'devices.mahWhenFull': { charge: Fact; capacity: Fact }
  'devices.mahUsed': Record<string, never>
  'devices.thisDeviceRuns': { version: Fact }
  'devices.anUnknownVersion': Record<string, never>
  'devices.appRulesOnTheComputerASmall': { need: Fact; page: Fact }
  'devices.needAProgramThatRuns': Record<string, never>
  'devices.unreadableProfile': Record<string, never>
  'devices.unreadable2': { slot: Fact }
  'devices.empty2': { slot: Fact }
  'devices.ruleNowMatchesInAnotherWay': { number: Fact }
  'devices.ruleNowSwitchesDifferently': { number: Fact; device: Fact }
  'devices.rule2': { number: Fact }
  'devices.text': { matched: Fact; effects: Fact }
  'devices.noDeviceSwitchesItsSlot': { matched: Fact }
  'devices.ruleNowMatches': { number: Fact; program: Fact }
  'devices.pairingInput': { model: Fact; input: Fact; seconds: Fact }
  'devices.makerAndSummary': { maker: Fact; summary: Fact }
  'devices.makerModelAndSummary': { maker: Fact; model: Fact; summary: Fact }
  'devices.reading': Record<string, never>
  'devices.noSensor': Record<string, never>
  'devices.connection': Record<string, never>
  'devices.battery': Record<string, never>
  'devices.firmware': Record<string, never>
  'devices.serial': Record<string, never>
  'devices.memory': Record<string, never>
  'devices.sensor': Record<string, never>
  'devices.commandOfSlot': { command: Fact; slot: Fact }
  'devices.metSection': { code: Fact; times: Fact }
  'devices.metSetting': { code: Fact; times: Fact }
  'devices.metEffect': { code: Fact; times: Fact }
  'devices.metAction': { code: Fact; times: Fact }
  'devices.metMacroOperation': { code: Fact; times: Fact }
  'devices.metOther': { code: Fact; times: Fact }
  'devices.sendingSLeft': { version: Fact; leftSeconds: Fact }
}
