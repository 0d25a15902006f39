// Generated from the catalogue by `npm run messages`.
import type { Fact } from './fact'

export interface LibraryFacts {
  'library.keepBoth': Record<string, never>
  'library.replaceTheExistingOne': Record<string, never>
  'library.skipTheFilesVersion': Record<string, never>
  'library.import': Record<string, never>
  'library.skip': Record<string, never>
  'library.alreadyInTheLibraryButDifferent': Record<string, never>
  'library.notInTheLibraryYet': Record<string, never>
  'library.contentsOf': { name: Fact }
  'library.profileIsAlreadyInTheLibraryAnd': { count: number }
  'library.theFileAlsoContainsWhateverIs': { contents: Fact }
  'library.forAll': Record<string, never>
  'library.importOf': { name: Fact; title: Fact }
  'library.selectTheNextOption': Record<string, never>
  'library.unreadable': { count: Fact }
  'library.replaceTheExistingAppRulesWith': { count: Fact }
  'library.importAppRules': { count: Fact }
  'library.cancelTheImport': Record<string, never>
  'library.importWhatIsMissing': Record<string, never>
  'library.importOneProfile': { count: number }
  'library.oneProfile': { count: number }
  'library.tagsOfWereChanged': { count: Fact }
  'library.profileWasDeleted': { count: number }
  'library.selectedProfiles': Record<string, never>
  'library.tags': Record<string, never>
  'library.exportAsOneFile': Record<string, never>
  'library.delete': Record<string, never>
  'library.clearSelection': Record<string, never>
  'library.tagsOf': { count: Fact }
  'library.unreadableProfile': Record<string, never>
  'library.deleted': { count: Fact }
  'library.keptForOneMoreDay': Record<string, never>
  'library.keptForMoreDays': { daysLeft: Fact }
  'library.restore': { name: Fact }
  'library.restore2': Record<string, never>
  'library.deletePermanently': { name: Fact }
  'library.deletePermanently2': Record<string, never>
  'library.onSlot': { title: Fact; slot: Fact }
  'library.slotUnwrittenEdit': { slot: Fact; count: number }
  'library.hasNotBeenReadYet': { title: Fact }
  'library.notOnADevice': Record<string, never>
  'library.dragToReorderOrPressAltOr': Record<string, never>
  'library.more': Record<string, never>
  'library.custom': Record<string, never>
  'library.name': Record<string, never>
  'library.lastUsed': Record<string, never>
  'library.lastEdited': Record<string, never>
  'library.library': Record<string, never>
  'library.shelf': Record<string, never>
  'library.sortBy': Record<string, never>
  'library.nameTagActionInGameName': Record<string, never>
  'library.searchProfiles': Record<string, never>
  'library.select': Record<string, never>
  'library.moreActionsFor': Record<string, never>
  'library.profiles': Record<string, never>
  'library.noMatchingProfiles': Record<string, never>
  'library.noProfilesYet': Record<string, never>
  'library.tryAnotherNameTagActionOrIn': Record<string, never>
  'library.createAProfileAboveItStartsWith': Record<string, never>
  'library.dropAProfileHereOrSelectA': Record<string, never>
  'library.unreadableRecords': Record<string, never>
  'library.theseRecordsCouldNotBeReadThey': Record<string, never>
  'library.newProfile': Record<string, never>
  'library.newProfileFor': Record<string, never>
  'library.newProfileFor2': { name: Fact }
  'library.theLibraryHasADifferent': { name: Fact }
  'library.setting': Record<string, never>
  'library.file': Record<string, never>
  'library.onlyTheNotesDifferTheyStayIn': Record<string, never>
  'library.drawnToScale': { name: Fact }
  'library.profile': Record<string, never>
  'library.changesFromYour': { name: Fact }
  'library.changesFromFactorySettings': Record<string, never>
  'library.changes': Record<string, never>
  'library.noChangesTheProfilesAreIdentical': Record<string, never>
  'library.wasRenamedTo': { from: Fact; to: Fact }
  'library.tagsOfWereChanged2': { name: Fact }
  'library.moreActionsFor2': { name: Fact }
  'library.moveUp': Record<string, never>
  'library.moveDown': Record<string, never>
  'library.tagsOf2': { name: Fact }
  'library.exportAsAFile': Record<string, never>
  'library.fromALink': Record<string, never>
  'library.theLink': Record<string, never>
  'library.addToLibrary': Record<string, never>
  'library.thisLinkCannotBeOpened': Record<string, never>
  'library.nothingWasChangedAskTheSenderFor': Record<string, never>
  'library.openTheLibrary': Record<string, never>
  'library.sharedProfiles': Record<string, never>
  'library.profilesThatOthersSharedAsFiles': Record<string, never>
  'library.nameTagAction': Record<string, never>
  'library.searchTheShelf': Record<string, never>
  'library.folder': { name: Fact }
  'library.grantAccessAgain': Record<string, never>
  'library.openAFolder': Record<string, never>
  'library.from': { file: Fact }
  'library.importIntoLibrary': Record<string, never>
  'library.noMatchingProfilesOnTheShelf': Record<string, never>
  'library.tryAnotherNameTagOrAction': Record<string, never>
  'library.theBackupCouldNotBeCreatedNo': { message: Fact }
  'library.theBackupCouldNotBeWrittenTo': { name: Fact; message: Fact }
  'library.saveABackup': Record<string, never>
  'library.andWereImportedWereAlreadyHereAnd': { profiles: Fact; macros: Fact; sessions: Fact; palettes: Fact; kept: Fact }
  'library.andWereImported': { profiles: Fact; macros: Fact; sessions: Fact; palettes: Fact }
  'library.isAlreadyInTheLibraryAndIdentical': { name: Fact }
  'library.replaceItByAFile': Record<string, never>
  'library.wasReplacedByTheVersionInThe': { name: Fact }
  'library.wasImported': { name: Fact }
  'library.itIsNotAProfileOrIt': Record<string, never>
  'library.theFolderCannotBeRead': { name: Fact; message: Fact }
  'library.wasAddedToAs': { name: Fact; folder: Fact; file: Fact }
  'library.theProfileWasNotAddedTheFolder': { message: Fact }
  'library.profile2': { count: number }
  'library.macro': { count: number }
  'library.session': { count: number }
  'library.palette': { count: number }
  'library.for': { model: Fact }
  'library.macroIncluded': { count: number }
  'library.noWarnings': Record<string, never>
  'library.warning': { count: number }
  'library.theLastBackupIsMoreThanDays': { days: Fact }
  'library.copyToAModel': Record<string, never>
  'library.addToThisFolder': Record<string, never>
  'library.profilesSavedInThisBrowserOpenOne': { slot: Fact }
  'library.slot': Record<string, never>
  'library.savedVersionsCounted': { count: number }
  'library.aProfile': Record<string, never>
  'library.aMacro': Record<string, never>
  'library.aSession': Record<string, never>
  'library.aPalette': Record<string, never>
  'library.aProgram': Record<string, never>
}
