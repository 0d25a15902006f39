// Generated from the catalogue by `npm run messages`.
import type { Fact } from './fact'

export interface MacrosFacts {
  'macros.enterANumberFrom0To': { max: Fact }
  'macros.enterANumberFromTo': { min: Fact; max: Fact }
  'macros.thisKeyCannotBeSent': { value: Fact }
  'macros.selectedEvent': Record<string, never>
  'macros.pressAKeyTapEscToCancel': Record<string, never>
  'macros.changeKey': Record<string, never>
  'macros.textToType': Record<string, never>
  'macros.theDeviceTypesItOnTheProfiles': Record<string, never>
  'macros.from': Record<string, never>
  'macros.minimumDelayInMs': Record<string, never>
  'macros.to': Record<string, never>
  'macros.maximumDelayInMs': Record<string, never>
  'macros.msANewRandomDelayEachTime': Record<string, never>
  'macros.ms': Record<string, never>
  'macros.button': Record<string, never>
  'macros.events': Record<string, never>
  'macros.atMs': { atMs: Fact }
  'macros.delayBeforeEventInMs': { index: Fact }
  'macros.heldMs': { heldMs: Fact }
  'macros.unpaired': Record<string, never>
  'macros.aKey': Record<string, never>
  'macros.aMacro': Record<string, never>
  'macros.allDelaysAreNowMsIncludingThe': { total: Fact; ms: Fact; count: number }
  'macros.randomDelaysAreUnchanged': { delays: Fact; random: Fact }
  'macros.cut': Record<string, never>
  'macros.copy': Record<string, never>
  'macros.paste': Record<string, never>
  'macros.duplicate': Record<string, never>
  'macros.delete': Record<string, never>
  'macros.insert': Record<string, never>
  'macros.key': Record<string, never>
  'macros.insertAnotherMacro': Record<string, never>
  'macros.macro': Record<string, never>
  'macros.selectedEvents': Record<string, never>
  'macros.selected': { count: Fact }
  'macros.selectSeveral': Record<string, never>
  'macros.arrowKeysAndClicksExtendThe': Record<string, never>
  'macros.movePressAndReleaseSeparately': Record<string, never>
  'macros.whenOffAPressAndItsRelease': Record<string, never>
  'macros.allEvents': Record<string, never>
  'macros.allDelaysMs': Record<string, never>
  'macros.allDelaysInMs': Record<string, never>
  'macros.totalLength': Record<string, never>
  'macros.totalLengthInPercent': Record<string, never>
  'macros.macroDetails': Record<string, never>
  'macros.length': Record<string, never>
  'macros.ms2': { durationMs: Fact }
  'macros.memoryUsed': Record<string, never>
  'macros.eventsPerSecond': Record<string, never>
  'macros.keysHeldAtOnce': Record<string, never>
  'macros.shortestDelay': Record<string, never>
  'macros.ms3': { shortestGapMs: Fact }
  'macros.oneKeyIsNeverReleasedTheDevice': { count: number }
  'macros.moreThanKeysAreHeldAtOnce': { max: Fact }
  'macros.atHzEventWaitsForTheNext': { hz: Fact; where: Fact; count: number }
  'macros.atHzEveryEventIsSentIn': { rates: Fact }
  'macros.textIsTimedAtOneReportPer': Record<string, never>
  'macros.activatingAnotherSlotOr': { text: Fact }
  'macros.someGamesDoNotAllowMacrosThat': Record<string, never>
  'macros.dryRun': Record<string, never>
  'macros.deviceOfTheDryRun': Record<string, never>
  'macros.connectionOfTheDryRun': Record<string, never>
  'macros.hz': { hz: Fact }
  'macros.pollingRateOfTheDryRun': Record<string, never>
  'macros.play': Record<string, never>
  'macros.eventsAfterTheFirstRandomDelayAre': Record<string, never>
  'macros.playsTheMacroOnceOnADevice': Record<string, never>
  'macros.events2': { count: Fact }
  'macros.msPerLayout': { durationMs: Fact }
  'macros.msB': { durationMs: Fact; bytes: Fact }
  'macros.notUsed': Record<string, never>
  'macros.duplicate2': { name: Fact }
  'macros.exportTheCompleteMacro': Record<string, never>
  'macros.exportAsJson': { name: Fact }
  'macros.json': Record<string, never>
  'macros.exportATableWithOneEventPer': Record<string, never>
  'macros.exportAsCsv': { name: Fact }
  'macros.csv': Record<string, never>
  'macros.delete2': { name: Fact }
  'macros.bindingsInPlayThisMacroWithoutIt': { uses: Fact }
  'macros.deleteMacroAnyway': Record<string, never>
  'macros.keepMacro': Record<string, never>
  'macros.msHz': { ms: Fact; ms2: Fact }
  'macros.ms4': { ms: Fact }
  'macros.macro2': { name: Fact }
  'macros.macros': Record<string, never>
  'macros.macroName': Record<string, never>
  'macros.tags': Record<string, never>
  'macros.separateTagsWithCommas': Record<string, never>
  'macros.notSaved': Record<string, never>
  'macros.savedInThisBrowser': Record<string, never>
  'macros.tryInUnplugged': Record<string, never>
  'macros.timelineOfEvents': Record<string, never>
  'macros.timeline': Record<string, never>
  'macros.dragABarToMoveItIts': Record<string, never>
  'macros.snapTo': Record<string, never>
  'macros.keyLegends': Record<string, never>
  'macros.zoomOut': Record<string, never>
  'macros.zoomIn': Record<string, never>
  'macros.showAll': Record<string, never>
  'macros.macroNotFound': Record<string, never>
  'macros.itMayHaveBeenDeletedOrIt': Record<string, never>
  'macros.allMacros': Record<string, never>
  'macros.readingTheLibrary': Record<string, never>
  'macros.exportTheseAsJson': Record<string, never>
  'macros.exportTheseAsCsv': Record<string, never>
  'macros.importMacros': Record<string, never>
  'macros.nameOrTag': Record<string, never>
  'macros.searchMacros': Record<string, never>
  'macros.namesAlreadyInUse': Record<string, never>
  'macros.theLibraryAlreadyHasAMacroWith': { names: Fact; count: number }
  'macros.keepBoth': Record<string, never>
  'macros.replaceExistingMacros': Record<string, never>
  'macros.skipTheseMacros': Record<string, never>
  'macros.cancel': Record<string, never>
  'macros.noMatchingMacros': Record<string, never>
  'macros.noMacrosYet': Record<string, never>
  'macros.tryAnotherNameOrTag': Record<string, never>
  'macros.createAMacroAboveThenRecordWhat': Record<string, never>
  'macros.dropMacroFilesHereOrSelectThem': Record<string, never>
  'macros.oneMacroCouldNotBeReadIt': { place: Fact; count: number }
  'macros.asRecorded': Record<string, never>
  'macros.allEqual': Record<string, never>
  'macros.none': Record<string, never>
  'macros.atTheEnd': Record<string, never>
  'macros.afterTheSelection': Record<string, never>
  'macros.replaceAllEvents': Record<string, never>
  'macros.enterANumberFrom0To10': Record<string, never>
  'macros.enter0ForNeverOrUpTo': Record<string, never>
  'macros.recordingEnterOrStopsItTabMoves': { key: Fact }
  'macros.recordingStopsIt': { key: Fact }
  'macros.recordingStoppedAfterAPause': Record<string, never>
  'macros.recordingStoppedBecauseTheWindow': Record<string, never>
  'macros.nothingWasRecordedTheMacroIs': Record<string, never>
  'macros.nothingWasInserted': { problem: Fact }
  'macros.event': { reason: Fact; count: number }
  'macros.inputWasStillHeldAndWasReleased': { count: number }
  'macros.notRecordedBecauseNoDeviceCanSend': { inputs: Fact }
  'macros.undo': Record<string, never>
  'macros.wheel': { detents: Fact }
  'macros.move': { x: Fact; y: Fact }
  'macros.recording': Record<string, never>
  'macros.recordedInputs': Record<string, never>
  'macros.recordKeysAnd': Record<string, never>
  'macros.clicks': Record<string, never>
  'macros.wheel2': Record<string, never>
  'macros.movement': Record<string, never>
  'macros.delays': Record<string, never>
  'macros.delayInMs': Record<string, never>
  'macros.positionOfTheRecording': Record<string, never>
  'macros.startAndStopKey': Record<string, never>
  'macros.pressAKeyEscapeCancels': Record<string, never>
  'macros.stopsRecordingAfterThisManySeconds': Record<string, never>
  'macros.autoStopS': Record<string, never>
  'macros.autoStopAfterSecondsWithoutInput0': Record<string, never>
  'macros.stop': Record<string, never>
  'macros.lastEvents': Record<string, never>
  'macros.orStopEndsTheRecording': { keyName: Fact }
  'macros.discard': Record<string, never>
  'macros.eventsInMsDragAFrameTo': { count: Fact; length: Fact }
  'macros.otherEvents': Record<string, never>
  'macros.asSent': Record<string, never>
  'macros.noEventsYetRecordWhatYouDo': Record<string, never>
  'macros.inStartsItPressingItAgainStops': { input: Fact; profile: Fact }
  'macros.inPlaysItUntilReleased': { input: Fact; profile: Fact }
  'macros.nothingWasImportedEveryNameIs': Record<string, never>
  'macros.wasAddedToTheLibrary': { name: Fact }
  'macros.macrosWereAddedToTheLibrary': { count: Fact }
  'macros.click': Record<string, never>
  'macros.text': Record<string, never>
  'macros.text2': Record<string, never>
  'macros.delay': Record<string, never>
  'macros.wheel3': Record<string, never>
  'macros.move2': Record<string, never>
  'macros.mediaKey': Record<string, never>
  'macros.lightSignal': Record<string, never>
  'macros.step': Record<string, never>
  'macros.layer': Record<string, never>
  'macros.atMs2': { event: Fact; atMs: Fact }
  'macros.severalInputsWithOnePressAIs': { macro: Fact }
  'macros.macro3': Record<string, never>
  'macros.unreadableRecords': Record<string, never>
  'macros.no': Record<string, never>
  'macros.at': Record<string, never>
  'macros.delayBeforeMs': Record<string, never>
  'macros.event2': Record<string, never>
  'macros.record': Record<string, never>
  'macros.noInputPlaysThisMacroYetOpen': { macro: Fact; examples: Fact }
  'macros.whileHeld': Record<string, never>
  'macros.n3Times': Record<string, never>
  'macros.untilPressedAgain': Record<string, never>
  'macros.reportTheSlowestChangeWasSentAfter': { count: number; delay: Fact; interval: Fact }
  'macros.usedBy2': { uses: Fact }
  'macros.eventsSelected': { count: number }
  'macros.atMsHeld': { event: Fact; atMs: Fact; heldMs: Fact }
  'macros.press': Record<string, never>
  'macros.release': Record<string, never>
  'macros.delayEvent': Record<string, never>
  'macros.deviceAndConnection': { model: Fact; connection: Fact }
  'macros.recorded': Record<string, never>
}
