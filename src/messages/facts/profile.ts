// Generated from the catalogue by `npm run messages`.
import type { Fact } from './fact'

export interface ProfileFacts {
  'profile.thePictureCouldNotBeCreatedYou': { message: Fact }
  'profile.cheatSheet': Record<string, never>
  'profile.onePageReadableInBlackAndWhite': Record<string, never>
  'profile.onePageReadableInBlackAndWhite2': Record<string, never>
  'profile.saveAsSvg': Record<string, never>
  'profile.saveAsPng': Record<string, never>
  'profile.print': Record<string, never>
  'profile.cheatSheetOfOn': { name: Fact; device: Fact }
  'profile.noWarnings': Record<string, never>
  'profile.errorToFixBeforeWriting': { count: number }
  'profile.warning': { count: number }
  'profile.buttons': Record<string, never>
  'profile.motion': Record<string, never>
  'profile.light': Record<string, never>
  'profile.checks': Record<string, never>
  'profile.error': Record<string, never>
  'profile.warning2': Record<string, never>
  'profile.show': Record<string, never>
  'profile.open': { view: Fact }
  'profile.errorsMarkedPreventWritingWarnings': Record<string, never>
  'profile.difference': { partTitle: Fact; count: number }
  'profile.resetToFactorySettings': Record<string, never>
  'profile.settingWasResetToFactorySettings': { count: number }
  'profile.undo': Record<string, never>
  'profile.resetPartsToFactorySettings': Record<string, never>
  'profile.reset': Record<string, never>
  'profile.alreadyHasFactorySettings': { name: Fact }
  'profile.partsToReset': Record<string, never>
  'profile.toResetOneInputSelectItsCell': { key: Fact }
  'profile.bytes': { names: Fact; bytes: Fact }
  'profile.theStripShowsTheFirstBytesOf': { shown: Fact }
  'profile.theBindingsWereMirrored': Record<string, never>
  'profile.mirrorForTheOtherHand': Record<string, never>
  'profile.mirrorBindings': Record<string, never>
  'profile.theseInputsSwapTheirActionsOnEvery': { pairs: Fact }
  'profile.theDrawingSwitchesToTheLeftHand': Record<string, never>
  'profile.theDrawingSwitchesToTheRightHand': Record<string, never>
  'profile.allOtherInputsKeepTheirActions': Record<string, never>
  'profile.leftOut': Record<string, never>
  'profile.changed': Record<string, never>
  'profile.unchanged': Record<string, never>
  'profile.copyToAnotherModel': { name: Fact }
  'profile.createCopyFor': { name: Fact }
  'profile.model': Record<string, never>
  'profile.inputsAreMatchedByTheirPurpose': Record<string, never>
  'profile.changesInTheCopy': Record<string, never>
  'profile.thisProfileHasFactorySettingsOnly': Record<string, never>
  'profile.thisCopyOfIsForTheOriginal': { name: Fact; model: Fact }
  'profile.profiles': Record<string, never>
  'profile.thisProfile': Record<string, never>
  'profile.searchProfiles': Record<string, never>
  'profile.otherProfiles': Record<string, never>
  'profile.open2': Record<string, never>
  'profile.tagsAndRules': Record<string, never>
  'profile.compare': Record<string, never>
  'profile.on': { device: Fact; slot: Fact; status: Fact }
  'profile.on2': { device: Fact; slot: Fact }
  'profile.on3': { device: Fact; status: Fact }
  'profile.on4': { device: Fact }
  'profile.profileViews': Record<string, never>
  'profile.tryInUnplugged': Record<string, never>
  'profile.profileNotFound': Record<string, never>
  'profile.itMayHaveBeenDeletedOrIt': Record<string, never>
  'profile.openTheLibrary': Record<string, never>
  'profile.readingTheLibrary': Record<string, never>
  'profile.linkCopied': Record<string, never>
  'profile.thisBrowserBlocksTheClipboard': Record<string, never>
  'profile.share': { name: Fact }
  'profile.theLinkContainsTheWholeProfileThe': Record<string, never>
  'profile.theLinkContainsTheWholeProfileThe2': Record<string, never>
  'profile.link': Record<string, never>
  'profile.copyLink': Record<string, never>
  'profile.theLinkWouldHaveCharactersMany': { count: Fact; max: Fact }
  'profile.theLinkAsAQrCode': Record<string, never>
  'profile.charactersThePictureOfTheCheat': { count: Fact }
  'profile.exportAsAFile': Record<string, never>
  'profile.close': Record<string, never>
  'profile.firstInput': Record<string, never>
  'profile.secondInput': Record<string, never>
  'profile.none': Record<string, never>
  'profile.selectTwoInputs': Record<string, never>
  'profile.selectTwoDifferentInputs': Record<string, never>
  'profile.twoInputsForTheNextSlot': Record<string, never>
  'profile.holdBothInputsFor15Seconds': Record<string, never>
  'profile.noInputsSelectedOnlyAnInputBound': Record<string, never>
  'profile.done': Record<string, never>
  'profile.notReadYet': Record<string, never>
  'profile.unreadable': Record<string, never>
  'profile.active': { contents: Fact }
  'profile.slotIsActive': { number: Fact }
  'profile.writesTo': { title: Fact }
  'profile.writesTo2': Record<string, never>
  'profile.slot': { index: Fact }
  'profile.profile': Record<string, never>
  'profile.notSavedInThisBrowser': Record<string, never>
  'profile.savedAt': { time: Fact }
  'profile.deviceMemoryUsedByThisProfile': Record<string, never>
  'profile.hasErrors': Record<string, never>
  'profile.of': { used: Fact; total: Fact }
  'profile.onTheDeviceReadBack': Record<string, never>
  'profile.writtenButNotSavedYet': Record<string, never>
  'profile.fixTheErrorsBeforeWriting': Record<string, never>
  'profile.notWritten': Record<string, never>
  'profile.lookingFor': { name: Fact }
  'profile.cannotChangeSettings': { name: Fact }
  'profile.isNotConnected': { name: Fact }
  'profile.notOnTheDeviceYet': Record<string, never>
  'profile.slotHasAnotherVersionOfThisProfile': { slot: Fact }
  'profile.unwrittenEdit': { count: number }
  'profile.readingBack': Record<string, never>
  'profile.pageOf': { task: Fact; page: Fact; pages: Fact }
  'profile.thisBrowserCouldNotSaveTheMemory': { problem: Fact; slot: Fact }
  'profile.yourEditsAreSavedHereUseThe': Record<string, never>
  'profile.yourEditsAreSavedHereConnectThe': Record<string, never>
  'profile.showList': Record<string, never>
  'profile.unwrittenChanges': Record<string, never>
  'profile.slotIsActiveSoThisProfileIs': { number: Fact }
  'profile.makeSlotActive': { slot: Fact }
  'profile.slotIsUpToDate': { slot: Fact }
  'profile.writeSlotAgain': { slot: Fact }
  'profile.writeToSlotReplacing': { slot: Fact; name: Fact }
  'profile.writeToSlot': { slot: Fact }
  'profile.fixThisFirstALinkContainsOnly': { message: Fact }
  'profile.theBrowserCouldNotCreateAPicture': Record<string, never>
  'profile.text': { name: Fact; view: Fact }
  'profile.slotOf': { number: Fact; count: Fact }
  'profile.requiresFirmwareThisDeviceIgnores': { features: Fact; version: Fact; update: Fact }
  'profile.updateFirmware': Record<string, never>
  'profile.delete': Record<string, never>
  'profile.empty': Record<string, never>
  'profile.holds': { profile: Fact }
  'profile.active2': Record<string, never>
  'profile.contentsAndSlot': { contents: Fact; slot: Fact }
  'profile.titleBlock': Record<string, never>
  'profile.slotHoldsAnotherProfile': { slot: Fact }
  'profile.sending': Record<string, never>
  'profile.programming': Record<string, never>
  'profile.partSystem': Record<string, never>
  'profile.partButtons': Record<string, never>
  'profile.partNames': Record<string, never>
  'profile.partMacros': Record<string, never>
  'profile.partMotion': Record<string, never>
  'profile.partLight': Record<string, never>
  'profile.partBytes': { part: Fact; bytes: Fact }
  'profile.slotOfWrite': { slot: Fact }
}
