// Generated from the catalogue by `npm run messages`.
import type { Fact } from './fact'

export interface SharedFacts {
  'shared.cancel': Record<string, never>
  'shared.isNotAColourEnterOneSuch': { text: Fact }
  'shared.recent': Record<string, never>
  'shared.inThisProfile': Record<string, never>
  'shared.asRrggbb': { label: Fact }
  'shared.changes': Record<string, never>
  'shared.atTheStartAtTheEndMinimum': { name: Fact; first: Fact; last: Fact; min: Fact; max: Fact }
  'shared.showFigures': Record<string, never>
  'shared.figuresOf': { title: Fact }
  'shared.isNowOf': { item: Fact; place: Fact; count: Fact }
  'shared.renameProfile': Record<string, never>
  'shared.rename': Record<string, never>
  'shared.nameAsStoredOnTheDevice': Record<string, never>
  'shared.alreadyExistsSelectAgainToUseThe': { name: Fact; confirm: Fact }
  'shared.factorySettings': Record<string, never>
  'shared.everyInputHasItsFactoryAction': Record<string, never>
  'shared.anySystem': Record<string, never>
  'shared.anotherProfileForHasThisNameEnter': { name: Fact }
  'shared.newProfileFor': { name: Fact }
  'shared.name': Record<string, never>
  'shared.operatingSystem': Record<string, never>
  'shared.startFrom': Record<string, never>
  'shared.changesFromFactorySettings': Record<string, never>
  'shared.noChangesFromFactorySettings': Record<string, never>
  'shared.createProfile': Record<string, never>
  'shared.enterAWholeNumberSuchAs40': Record<string, never>
  'shared.notOnTheDevice': Record<string, never>
  'shared.tags': Record<string, never>
  'shared.all': Record<string, never>
  'shared.tagsSuchAsAGameOrA': Record<string, never>
  'shared.existingTags': Record<string, never>
  'shared.rulesToFollow': Record<string, never>
  'shared.someGamesAndTournamentsForbidThese': Record<string, never>
  'shared.saveTags': Record<string, never>
  'shared.definition': Record<string, never>
  'shared.undone': { name: Fact }
  'shared.redone': { name: Fact }
  'shared.nothingToUndo': Record<string, never>
  'shared.undo': { edit: Fact; keys: Fact }
  'shared.undo2': Record<string, never>
  'shared.nothingToRedo': Record<string, never>
  'shared.redo': { edit: Fact; keys: Fact }
  'shared.redo2': Record<string, never>
  'shared.ctrl': Record<string, never>
  'shared.shift': Record<string, never>
  'shared.alt': Record<string, never>
  'shared.arrows': Record<string, never>
  'shared.del': Record<string, never>
  'shared.backspace': Record<string, never>
  'shared.home': Record<string, never>
  'shared.end': Record<string, never>
  'shared.pageUp': Record<string, never>
  'shared.pageDown': Record<string, never>
  'shared.enter': Record<string, never>
  'shared.esc': Record<string, never>
  'shared.space': Record<string, never>
  'shared.everywhere': Record<string, never>
  'shared.inAProfile': Record<string, never>
  'shared.inTheBindingSheet': Record<string, never>
  'shared.inMacroEvents': Record<string, never>
  'shared.inTheLibrary': Record<string, never>
  'shared.findAnything': Record<string, never>
  'shared.keysAndShortcuts': Record<string, never>
  'shared.allShortcutsByWhereTheyWork': Record<string, never>
  'shared.helpForThisView': Record<string, never>
  'shared.purposeStepByStepGuidesGlossary': Record<string, never>
  'shared.startTheTour': Record<string, never>
  'shared.fiveStepsThroughUnisera': Record<string, never>
  'shared.changeTheTheme': Record<string, never>
  'shared.lightOrDark': Record<string, never>
  'shared.moveOrStopLights': Record<string, never>
  'shared.inAllDrawings': Record<string, never>
  'shared.openAFile': Record<string, never>
  'shared.aProfileOrThePictureOfA': Record<string, never>
  'shared.searchProfiles': Record<string, never>
  'shared.saveABackup': Record<string, never>
  'shared.everythingInOneZipFile': Record<string, never>
  'shared.importABackup': Record<string, never>
  'shared.searchSettings': Record<string, never>
  'shared.writeToSlot': Record<string, never>
  'shared.rename2': Record<string, never>
  'shared.tagsAndRules': Record<string, never>
  'shared.duplicate': Record<string, never>
  'shared.newProfile': Record<string, never>
  'shared.mirrorForTheOtherHand': Record<string, never>
  'shared.copyToAnotherModel': Record<string, never>
  'shared.share': Record<string, never>
  'shared.exportAsAFile': Record<string, never>
  'shared.resetPartsToFactorySettings': Record<string, never>
  'shared.delete': Record<string, never>
  'shared.cheatSheet': Record<string, never>
  'shared.onePageToPrint': Record<string, never>
  'shared.compareWithOthers': Record<string, never>
  'shared.slotsFilesStartersFactorySettings': Record<string, never>
  'shared.receivingComputer': Record<string, never>
  'shared.operatingSystemAndKeyboardLayout': Record<string, never>
  'shared.twoInputsForTheNextSlot': Record<string, never>
  'shared.newMacro': Record<string, never>
  'shared.importMacros': Record<string, never>
  'shared.aJsonOrCsvFileOfMacros': Record<string, never>
  'shared.addADevice': Record<string, never>
  'shared.aSimulatedDeviceOfAnyModel': Record<string, never>
  'shared.renameTheDevice': Record<string, never>
  'shared.resetTheDevice': Record<string, never>
  'shared.oneSlotOrTheWholeDeviceTo': Record<string, never>
  'shared.batteryDetails': Record<string, never>
  'shared.firmware': Record<string, never>
  'shared.updateADevice': Record<string, never>
  'shared.removeTheDevice': Record<string, never>
  'shared.exportMacrosAsJson': Record<string, never>
  'shared.macrosShownInTheList': Record<string, never>
  'shared.exportMacrosAsCsv': Record<string, never>
  'shared.addALayer': Record<string, never>
  'shared.findAnInputByPressingIt': Record<string, never>
  'shared.editTheCell': Record<string, never>
  'shared.captureAKeyOrChord': Record<string, never>
  'shared.whileEditingACell': Record<string, never>
  'shared.fillTheSelectedCells': Record<string, never>
  'shared.clearTheSelectedCells': Record<string, never>
  'shared.selectMoreCellsWithoutShift': Record<string, never>
  'shared.selectAllCells': Record<string, never>
  'shared.copyCutOrPasteCells': Record<string, never>
  'shared.moveSelectWithShift': Record<string, never>
  'shared.moveSelectedEventsEarlier': Record<string, never>
  'shared.moveSelectedEventsLater': Record<string, never>
  'shared.copyEvents': Record<string, never>
  'shared.cutEvents': Record<string, never>
  'shared.pasteEvents': Record<string, never>
  'shared.duplicateEvents': Record<string, never>
  'shared.selectAllEvents': Record<string, never>
  'shared.deleteEvents': Record<string, never>
  'shared.clearSelection': Record<string, never>
  'shared.zoomInOnTheTimeline': Record<string, never>
  'shared.zoomOutOfTheTimeline': Record<string, never>
  'shared.showTheWholeTimeline': Record<string, never>
  'shared.moveTheProfileUp': Record<string, never>
  'shared.moveTheProfileDown': Record<string, never>
  'shared.notConnected': Record<string, never>
  'shared.connectByCableOrReceiverFirst': { name: Fact }
  'shared.cannotChangeSettingsUseTheCableOr': { name: Fact }
  'shared.nonePoweredByTheCable': Record<string, never>
  'shared.charging': { percent: Fact }
  'shared.noResults': Record<string, never>
  'shared.result': { count: number }
  'shared.in': { value: Fact }
  'shared.mm': { value: Fact }
  'shared.cm': { value: Fact }
  'shared.enterANumberFromTo': { min: Fact; max: Fact }
  'shared.enterToMs': { min: Fact; max: Fact }
  'shared.enterToHours': { min: Fact; max: Fact }
  'shared.enterToMinutes': { min: Fact; max: Fact }
  'shared.enterTo0TurnsItOff': { min: Fact; max: Fact }
  'shared.enterToTurns': { min: Fact; max: Fact }
  'shared.enterToCm': { min: Fact; max: Fact }
  'shared.enterToMm': { min: Fact; max: Fact }
  'shared.enterToDpi': { min: Fact; max: Fact }
  'shared.thisConnection': Record<string, never>
  'shared.by': { title: Fact; y: Fact; x: Fact }
  'shared.newDeviceProfile': { model: Fact }
  'shared.readingDevice': Record<string, never>
  'shared.connected': Record<string, never>
  'shared.connectionAndBattery': { connection: Fact; battery: Fact }
  'shared.moveUp': { item: Fact }
  'shared.moveDown': { item: Fact }
}
