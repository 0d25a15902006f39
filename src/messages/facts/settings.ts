// Generated from the catalogue by `npm run messages`.
import type { Fact } from './fact'

export interface SettingsFacts {
  'settings.aBackupIsOneZipFileWith': Record<string, never>
  'settings.includeSavedVersions': Record<string, never>
  'settings.thisBrowserDoesNotLetPagesWrite': Record<string, never>
  'settings.dailyBackup': Record<string, never>
  'settings.grantAccessAgain': Record<string, never>
  'settings.stopDailyBackups': Record<string, never>
  'settings.backUpDailyToAFolder': Record<string, never>
  'settings.lastBackup': { value: Fact }
  'settings.noBackupYet': Record<string, never>
  'settings.anySystem': Record<string, never>
  'settings.operatingSystemForNewProfiles': Record<string, never>
  'settings.keyboardLayoutForNewProfiles': Record<string, never>
  'settings.someDataWasNotDeletedCloseOther': { message: Fact }
  'settings.deleteAllData': Record<string, never>
  'settings.thisCannotBeUndone': Record<string, never>
  'settings.deleteAllDataInThisBrowser': Record<string, never>
  'settings.deleteAllData2': Record<string, never>
  'settings.continue': Record<string, never>
  'settings.thisDeletesAllProfilesMacros': Record<string, never>
  'settings.aBackupSavesTheLibraryAndThe': Record<string, never>
  'settings.profilesAndAllOtherDataInThis': { count: Fact }
  'settings.saveABackupFirst': Record<string, never>
  'settings.top': Record<string, never>
  'settings.bottom': Record<string, never>
  'settings.corner': Record<string, never>
  'settings.showOnScreenNotes': Record<string, never>
  'settings.positionOfOnScreenNotes': Record<string, never>
  'settings.durationOfOnScreenNotes': Record<string, never>
  'settings.playAShortSound': Record<string, never>
  'settings.notifications': Record<string, never>
  'settings.alsoShowSystemNotificationsWhile': Record<string, never>
  'settings.thisBrowserBlocksNotificationsFrom': Record<string, never>
  'settings.notAvailableThisPageIsNotServed': Record<string, never>
  'settings.preparingStayOnlineUntilThisSays': Record<string, never>
  'settings.readyUniseraStartsEditsAndWrites': Record<string, never>
  'settings.notAvailableThisBrowserDoesNot': Record<string, never>
  'settings.installUnisera': Record<string, never>
  'settings.noNotificationsYetNotifications': Record<string, never>
  'settings.sinceYouOpenedThePage': { count: Fact }
  'settings.settings': Record<string, never>
  'settings.searchSettings': Record<string, never>
  'settings.noSettingMatchesSettingsOfAProfile': Record<string, never>
  'settings.profiles': Record<string, never>
  'settings.macros': Record<string, never>
  'settings.sessions': Record<string, never>
  'settings.palettes': Record<string, never>
  'settings.lessThan1Mib': Record<string, never>
  'settings.mib': { round: Fact }
  'settings.gib': { decimal: Fact }
  'settings.unreadable': Record<string, never>
  'settings.waitingToBeSaved': Record<string, never>
  'settings.spaceUsed': Record<string, never>
  'settings.spaceLeft': Record<string, never>
  'settings.requestPermanentStorage': Record<string, never>
  'settings.permanentStorageWasNotGrantedSome': Record<string, never>
  'settings.thisBrowserDoesNotTellHowLong': Record<string, never>
  'settings.mib2': { ceil: Fact }
  'settings.usedLeftPermanentStorage': { mebibytes: Fact; mebibytes2: Fact }
  'settings.usedLeftKeptUntilSpaceIsNeeded': { mebibytes: Fact; mebibytes2: Fact }
  'settings.spaceUnknownPermanentStorage': Record<string, never>
  'settings.spaceUnknownKeptUntilSpaceIsNeeded': Record<string, never>
  'settings.profilesMacrosUnreadable': { count: Fact; count2: Fact; count3: Fact }
  'settings.theSupportTextWasCopied': Record<string, never>
  'settings.thisBrowserDoesNotLetPagesCopy': Record<string, never>
  'settings.theSupportTextListsTheVersion': Record<string, never>
  'settings.copySupportText': Record<string, never>
  'settings.saveSupportText': Record<string, never>
  'settings.showSupportText': Record<string, never>
  'settings.includeProfileNames': Record<string, never>
  'settings.supportText': Record<string, never>
  'settings.sameAsSystem': Record<string, never>
  'settings.light': Record<string, never>
  'settings.dark': Record<string, never>
  'settings.standard': Record<string, never>
  'settings.high': Record<string, never>
  'settings.moving': Record<string, never>
  'settings.still': Record<string, never>
  'settings.followsTheSystemsSettingForReduced': Record<string, never>
  'settings.millimetres': Record<string, never>
  'settings.inches': Record<string, never>
  'settings.numbersUseTheFormatOfYourSystem': Record<string, never>
  'settings.holdTheKeysTogether': Record<string, never>
  'settings.pressOneKeyAfterAnother': Record<string, never>
  'settings.devices': Record<string, never>
  'settings.lastView': Record<string, never>
  'settings.theme': Record<string, never>
  'settings.lightOrDarkColours': Record<string, never>
  'settings.textSize': Record<string, never>
  'settings.largerTextOnBothPages': Record<string, never>
  'settings.contrast': Record<string, never>
  'settings.strongerLinesAndText': Record<string, never>
  'settings.lightsInDrawings': Record<string, never>
  'settings.movingOrStillLights': Record<string, never>
  'settings.unitsForHandMovement': Record<string, never>
  'settings.millimetresOrInches': Record<string, never>
  'settings.defaultsForNewProfiles': Record<string, never>
  'settings.operatingSystemAndKeyboardLayoutOf': Record<string, never>
  'settings.keyCapture': Record<string, never>
  'settings.howToPressAChordSuchAs': Record<string, never>
  'settings.startView': Record<string, never>
  'settings.theViewThatOpensFirst': Record<string, never>
  'settings.onScreenNotes': Record<string, never>
  'settings.aNoteWhenTheStepLayerSlot': Record<string, never>
  'settings.eventsThatShowANotification': Record<string, never>
  'settings.notificationHistory': Record<string, never>
  'settings.theLastFiftyNotifications': Record<string, never>
  'settings.storageInThisBrowser': Record<string, never>
  'settings.spaceUsedSpaceLeftAndHowLong': Record<string, never>
  'settings.offlineUse': Record<string, never>
  'settings.startingUniseraWithoutANetwork': Record<string, never>
  'settings.backup': Record<string, never>
  'settings.allDataInOneFile': Record<string, never>
  'settings.aboutAndSupport': Record<string, never>
  'settings.versionLicencesAndInformationFor': Record<string, never>
  'settings.theLibraryAndAllSettingsInThis': Record<string, never>
  'settings.notRead': { name: Fact }
  'settings.notConnected': { name: Fact }
  'settings.notConnected2': Record<string, never>
  'settings.batteryOfSlotsUsedSlotActive': { connection: Fact; battery: Fact; taken: Fact; slots: Fact; activeSlot: Fact }
  'settings.linkRequestsRepeatedWrites': { requests: Fact; repeated: Fact; writesAgain: Fact; failed: Fact }
  'settings.skippedUnknownItemKindCodeTimes': { what: Fact; code: Fact; times: Fact }
  'settings.aDailyBackupIsSavedToWhen': { folder: Fact }
  'settings.permanentStorage': Record<string, never>
  'settings.thisBrowserClearsTheLibraryOnly': { state: Fact }
  'settings.temporaryStorage': Record<string, never>
  'settings.thisBrowserMayClearTheLibraryWhen': { state: Fact }
  'settings.unisera': { version: Fact; licences: Fact }
  'settings.openSourceLicences': Record<string, never>
  'settings.unisera2': Record<string, never>
  'settings.browser': Record<string, never>
  'settings.storage': Record<string, never>
  'settings.checks': Record<string, never>
  'settings.problemsSinceThePageWasOpened': Record<string, never>
  'settings.none': Record<string, never>
  'settings.connected': Record<string, never>
}
