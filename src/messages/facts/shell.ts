// Generated from the catalogue by `npm run messages`.
import type { Fact } from './fact'

export interface ShellFacts {
  'shell.lightsAreMoving': Record<string, never>
  'shell.lightsAreStill': Record<string, never>
  'shell.theLastChangeInThisView': Record<string, never>
  'shell.skipToTheView': Record<string, never>
  'shell.tryAgainNow': Record<string, never>
  'shell.anotherTabHasAnOlderVersionOf': Record<string, never>
  'shell.theLibraryCouldNotBeReadNothing': { problem: Fact }
  'shell.devicesCannotBeReachedYouCanStill': { problem: Fact }
  'shell.profileWasCopiedFromTheDevices': { count: number }
  'shell.noConnectedDeviceHasAProfile': Record<string, never>
  'shell.theLibraryInThisBrowserIsGone': Record<string, never>
  'shell.theLibraryHadProfilesButThe': Record<string, never>
  'shell.restoreABackup': Record<string, never>
  'shell.restoresEverythingAsItWasWhenThe': Record<string, never>
  'shell.importABackup': Record<string, never>
  'shell.copyFromTheDevices': Record<string, never>
  'shell.copiesTheProfileInEverySlotWith': Record<string, never>
  'shell.copyAllSlots': Record<string, never>
  'shell.startAgain': Record<string, never>
  'shell.startWithTheDemoProfilesOrWith': Record<string, never>
  'shell.useDemoProfiles': Record<string, never>
  'shell.useAnEmptyLibrary': Record<string, never>
  'shell.keys': Record<string, never>
  'shell.pressToFindAnythingElseByIts': { keys: Fact }
  'shell.close': Record<string, never>
  'shell.theLibraryInThisBrowserWasDeleted': { profiles: Fact; macros: Fact }
  'shell.saveThemAgain': Record<string, never>
  'shell.keepDeleted': Record<string, never>
  'shell.thisPageDoesNotExist': Record<string, never>
  'shell.devices': Record<string, never>
  'shell.library': Record<string, never>
  'shell.dismiss': Record<string, never>
  'shell.macros': Record<string, never>
  'shell.measure': Record<string, never>
  'shell.mainViews': Record<string, never>
  'shell.unisera': Record<string, never>
  'shell.unplugged': Record<string, never>
  'shell.findAnything': { keys: Fact }
  'shell.find': Record<string, never>
  'shell.settings': Record<string, never>
  'shell.dark': Record<string, never>
  'shell.light': Record<string, never>
  'shell.findAnything2': Record<string, never>
  'shell.anInputAnActionAProfileA': Record<string, never>
  'shell.nothingContainsTryAnInputSuchAs': { text: Fact }
  'shell.events': { count: Fact }
  'shell.aComputerWithoutUnisera': Record<string, never>
  'shell.connectedDevicesAndTheirSlots': Record<string, never>
  'shell.allProfiles': Record<string, never>
  'shell.pollingRateTrueDpiClicks': Record<string, never>
  'shell.allMacros': Record<string, never>
  'shell.allSlots': Record<string, never>
  'shell.everySlotOfEveryDevice': Record<string, never>
  'shell.appRules': Record<string, never>
  'shell.slotsThatFollowTheProgramInFront': Record<string, never>
  'shell.shelf': Record<string, never>
  'shell.profilesSharedByOthers': Record<string, never>
  'shell.appearanceNotificationsStorage': Record<string, never>
  'shell.buttons': Record<string, never>
  'shell.actionsOfEveryInput': Record<string, never>
  'shell.motion': Record<string, never>
  'shell.dpiStepsAndPollingRate': Record<string, never>
  'shell.zonesAndEffects': Record<string, never>
  'shell.definition': Record<string, never>
  'shell.shownStepByStep': { title: Fact }
  'shell.helpFor': { title: Fact }
  'shell.purposeOfThisView': Record<string, never>
  'shell.slot': { text: Fact; number: Fact }
  'shell.unisera2': { view: Fact }
  'shell.help': Record<string, never>
  'shell.searchHelp': Record<string, never>
  'shell.closeHelp': Record<string, never>
  'shell.noHelpPageContainsThisPressTo': { keys: Fact }
  'shell.resultsInTheHelp': Record<string, never>
  'shell.glossary': Record<string, never>
  'shell.backTo': { title: Fact }
  'shell.shownStepByStep2': Record<string, never>
  'shell.showMe': { title: Fact }
  'shell.showMe2': Record<string, never>
  'shell.moreHelp': Record<string, never>
  'shell.allShortcuts': Record<string, never>
  'shell.theTour': Record<string, never>
  'shell.stepByStep': Record<string, never>
  'shell.of': { title: Fact; number: Fact; count: Fact }
  'shell.thisStepIsInAnotherView': Record<string, never>
  'shell.done': Record<string, never>
  'shell.next': Record<string, never>
  'shell.bindingSheet': Record<string, never>
  'shell.eachRowIsAnInputEachColumn': Record<string, never>
  'shell.writeToSlot': Record<string, never>
  'shell.yourEditsStayInThisBrowserUntil': Record<string, never>
  'shell.welcome': Record<string, never>
  'shell.devicesShowsEveryDeviceAndThe': Record<string, never>
  'shell.theLibraryInThisBrowserHasYour': Record<string, never>
  'shell.thenTryItUnpluggedIsAComputer': Record<string, never>
  'shell.theStoredCopyOfUniseraWasDamaged': Record<string, never>
  'shell.uniseraMayHaveBeenUpdatedSinceYou': Record<string, never>
  'shell.thisComputerIsOffline': Record<string, never>
  'shell.aPartOfUniseraCouldNotBe': { reason: Fact }
  'shell.reload': Record<string, never>
  'shell.thePageReloadsWhenThisIsFinished': { tasks: Fact }
  'shell.aNewerVersionOfUniseraIsAvailable': Record<string, never>
  'shell.updateNow': Record<string, never>
  'shell.theNewVersionStartsWhenThisIs': { tasks: Fact }
  'shell.sharedProfile': Record<string, never>
  'shell.macro': Record<string, never>
  'shell.compare': Record<string, never>
  'shell.cheatSheet': Record<string, never>
  'shell.pageNotFound': Record<string, never>
  'shell.useTheDarkTheme': Record<string, never>
  'shell.useTheLightTheme': Record<string, never>
  'shell.isNotAPageOfUniseraIt': { address: Fact; keys: Fact }
  'shell.ofProfile': { about: Fact; profile: Fact }
  'shell.found': Record<string, never>
}
