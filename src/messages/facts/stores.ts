// Generated from the catalogue by `npm run messages`.
import type { Fact } from './fact'

export interface StoresFacts {
  'stores.theAppRulesWereChangedInAnother': Record<string, never>
  'stores.undo': Record<string, never>
  'stores.wasNotUndone': { edit: Fact; reason: Fact }
  'stores.undone': { edit: Fact }
  'stores.selectTheInputOnTheDrawingInstead': { message: Fact }
  'stores.theDeviceKeepsItsPrevious': { message: Fact }
  'stores.noDeviceWasAddedRemoveADevice': { message: Fact }
  'stores.isChargedYouCanUnplugItsCable': { title: Fact }
  'stores.hasChargeLeftYouCanUseIt': { title: Fact; percent: Fact }
  'stores.itIsEmpty': Record<string, never>
  'stores.slotOfIsNowActive': { slot: Fact; title: Fact; contents: Fact }
  'stores.slotOfIsNowActive2': { slot: Fact; title: Fact }
  'stores.isConnectedBy': { title: Fact; connection: Fact }
  'stores.isConnected': { title: Fact }
  'stores.wasDisconnectedItKeepsItsProfiles': { title: Fact }
  'stores.slotsAndOfWereSwapped': { a: Fact; b: Fact; title: Fact }
  'stores.theSwapOfSlotsAndOfWas': { a: Fact; b: Fact; title: Fact }
  'stores.eachSlotIsEitherUnchangedOr': { message: Fact }
  'stores.slotWasCleared': { slot: Fact; name: Fact }
  'stores.slotWasCleared2': { slot: Fact }
  'stores.wasRenamedTo': { name: Fact; title: Fact }
  'stores.wasResetToFactorySettings': { name: Fact }
  'stores.theSimulatedDevicesStoppedAndWere': Record<string, never>
  'stores.anotherTabChangedWhatYouEditedHere': { edit: Fact }
  'stores.editWasNotSaved': { edit: Fact; reason: Fact }
  'stores.editWasNotRedone': { edit: Fact; reason: Fact }
  'stores.thisTabStillHasThePrevious': { message: Fact; name: Fact }
  'stores.saveItAgain': Record<string, never>
  'stores.changeTagsAndRules': Record<string, never>
  'stores.turnForTheHand': { hand: Fact }
  'stores.mirrorForTheOtherHand': Record<string, never>
  'stores.changeTheReceivingComputer': Record<string, never>
  'stores.setTo': { system: Fact }
  'stores.resetToFactorySettings': Record<string, never>
  'stores.copyFrom': { title: Fact }
  'stores.setTo2': { cell: Fact; action: Fact }
  'stores.changeTheTextsOf': { cell: Fact }
  'stores.clear': { cells: Fact }
  'stores.fillCells': { count: Fact }
  'stores.swapAnd': { one: Fact; other: Fact }
  'stores.resetInput': { count: number }
  'stores.pasteCells': { count: number }
  'stores.dropOn': { cell: Fact }
  'stores.setTheNextSlotTo': { input: Fact }
  'stores.addLayer': { layer: Fact }
  'stores.renameLayer': Record<string, never>
  'stores.removeLayer': { layer: Fact }
  'stores.moveLayer': Record<string, never>
  'stores.changeALayerColour': Record<string, never>
  'stores.changeALayerSignal': Record<string, never>
  'stores.addAStep': Record<string, never>
  'stores.changeStep': { step: Fact }
  'stores.setStepToDpi': { step: Fact; dpi: Fact }
  'stores.moveStep': { step: Fact }
  'stores.removeStep': { step: Fact }
  'stores.makeStepTheDefault': { step: Fact }
  'stores.setHoldStep': { step: Fact }
  'stores.removeAHoldStep': Record<string, never>
  'stores.makeStepColoursDistinct': Record<string, never>
  'stores.spreadStepsEvenly': Record<string, never>
  'stores.applyStarter': { starter: Fact }
  'stores.setPollingToHz': { rateHz: Fact }
  'stores.add': { effect: Fact }
  'stores.moveToPlace': { effect: Fact; place: Fact }
  'stores.remove': { effect: Fact }
  'stores.duplicate': { effect: Fact }
  'stores.applyToSelectedLights': { starter: Fact }
  'stores.insert': { what: Fact }
  'stores.deleteEvent': { count: number }
  'stores.changeAnEvent': Record<string, never>
  'stores.changeTheKey': Record<string, never>
  'stores.changeTheButton': Record<string, never>
  'stores.changeTheDelayBeforeEvent': { event: Fact }
  'stores.setAllDelays': Record<string, never>
  'stores.cells': { count: Fact }
  'stores.firmwareIsAvailableFor': { version: Fact; title: Fact }
  'stores.theUpdateOfWasInterruptedAfterThe': { title: Fact; version: Fact }
  'stores.theUpdateOfToWasInterruptedThe': { title: Fact; version: Fact; current: Fact }
  'stores.theFileIsMissingOrTheServer': Record<string, never>
  'stores.theFileIsForADifferentModel': { name: Fact }
  'stores.theFileIsNotSignedByIt': { maker: Fact }
  'stores.theFileCannotBeRead': { message: Fact }
  'stores.theUpdateWasInterruptedTheDevice': { version: Fact; next: Fact }
  'stores.theDeviceStillRunsItsSlotsAre': { message: Fact; version: Fact }
  'stores.theDeviceHasNotReconnectedYet': Record<string, never>
  'stores.changesToExistOnlyInThisTab': { names: Fact; count: number }
  'stores.wasNotChanged': { name: Fact; reason: Fact }
  'stores.allChangesAreSavedNow': Record<string, never>
  'stores.theDeviceWasDisconnectedDuringThe': { slot: Fact }
  'stores.yourEditsAreSafeHereAndThe': { message: Fact }
  'stores.thisBrowserDidNotSaveItNothing': { message: Fact }
  'stores.undo2': { text: Fact }
  'stores.reason': { edit: Fact; message: Fact }
  'stores.wasDeleted': { name: Fact }
  'stores.deletedProfile': Record<string, never>
  'stores.wasMoved': { name: Fact; direction: Fact }
  'stores.copy': { name: Fact }
  'stores.fromTheDevice': { name: Fact }
  'stores.newMacro': Record<string, never>
  'stores.alsoCreated': { items: Fact }
  'stores.thePaletteWasSaved': { name: Fact }
  'stores.thePaletteWasDeleted': { name: Fact }
  'stores.lowBatteryAtTheLevelSetIn': Record<string, never>
  'stores.batteryCharged': Record<string, never>
  'stores.deviceConnectedOrDisconnected': Record<string, never>
  'stores.activeSlotChanged': Record<string, never>
  'stores.firmwareUpdateAvailable': Record<string, never>
  'stores.browserStorageRunningLow': Record<string, never>
  'stores.theSessionWasDeleted': { name: Fact }
  'stores.copyToLibrary': Record<string, never>
  'stores.makeActive': Record<string, never>
  'stores.clear2': Record<string, never>
  'stores.swapWithSlot': { other: Fact }
  'stores.notInTheLibrary': Record<string, never>
  'stores.sameAsInTheLibrary': Record<string, never>
  'stores.unwrittenEdit': { count: number }
  'stores.slotHadWhichExistedOnlyOnThe': { slot: Fact; name: Fact }
  'stores.aSavedVersionWasDeleted': Record<string, never>
  'stores.browserStorageIsAlmostFull': Record<string, never>
  'stores.savingChanges': Record<string, never>
  'stores.writingToADevice': Record<string, never>
  'stores.swappingTwoSlots': Record<string, never>
  'stores.updatingFirmware': Record<string, never>
  'stores.importing': Record<string, never>
  'stores.recordingAMacro': Record<string, never>
  'stores.recordingASession': Record<string, never>
  'stores.itWasDeletedHere': Record<string, never>
  'stores.itWasDeletedInAnotherTab': Record<string, never>
  'stores.theSameSettingWasChangedHere': Record<string, never>
  'stores.theSameSettingWasChangedInAnother': Record<string, never>
  'stores.theSavedVersionCannotBeRead': Record<string, never>
  'stores.unnamedRecord': Record<string, never>
  'stores.thisBrowserCannotSave': { reason: Fact }
  'stores.exportedFilesAndWritesToADevice': Record<string, never>
  'stores.keepThisTabOpenUniseraTriesAgain': Record<string, never>
  'stores.theMacro': { name: Fact }
  'stores.changeEffect': { effect: Fact; change: Fact }
  'stores.setSetting': { setting: Fact; value: Fact }
  'stores.settings': Record<string, never>
  'stores.programsCannotBeRead': { message: Fact }
  'stores.programWasAdded': { name: Fact }
  'stores.newProgram': Record<string, never>
  'stores.programChangeFollowed': { text: Fact; count: number }
}
