// Generated from the catalogue by `npm run messages`.
import type { Fact } from './fact'

export interface CompareFacts {
  'compare.copyIntoThisProfile': Record<string, never>
  'compare.copyIntoTheOther': Record<string, never>
  'compare.enterANameForTheSavedVersion': Record<string, never>
  'compare.savedAs': { name: Fact }
  'compare.thisProfile': Record<string, never>
  'compare.thisProfileOpen': Record<string, never>
  'compare.saveThisVersion': Record<string, never>
  'compare.openAFile': Record<string, never>
  'compare.differences': Record<string, never>
  'compare.with': Record<string, never>
  'compare.direction': Record<string, never>
  'compare.deleteThisVersion': Record<string, never>
  'compare.noDifferences': Record<string, never>
  'compare.everythingThatADeviceStoresIs': Record<string, never>
  'compare.bytesOnTheDevice': Record<string, never>
  'compare.section': Record<string, never>
  'compare.identical': Record<string, never>
  'compare.different': Record<string, never>
  'compare.ofSelected': { selected: Fact; count: Fact }
  'compare.saveAsANewProfile': Record<string, never>
  'compare.neitherProfileIsInTheLibrary': Record<string, never>
  'compare.copyInto': { count: Fact; title: Fact }
  'compare.copyIntoIt': { count: Fact }
  'compare.copy': { count: Fact }
  'compare.compareThisProfile': Record<string, never>
  'compare.selectWhatToCompareWithOnThe': Record<string, never>
  'compare.copyPartsToOtherProfiles': Record<string, never>
  'compare.saveThisVersion2': Record<string, never>
  'compare.save': Record<string, never>
  'compare.versionName': Record<string, never>
  'compare.setting': Record<string, never>
  'compare.copyFrom': { name: Fact }
  'compare.partsOfWereCopiedToProfile': { name: Fact; count: number }
  'compare.copyPartsOf': { name: Fact }
  'compare.copyToOneProfile': { count: number }
  'compare.partsToCopy': Record<string, never>
  'compare.otherProfiles': Record<string, never>
  'compare.changes': Record<string, never>
  'compare.alreadyIdenticalOrCannotUseAnyOf': Record<string, never>
  'compare.noSavedVersionsYetUniseraSavesOne': Record<string, never>
  'compare.theDeviceHasNotBeenReadOr': Record<string, never>
  'compare.theLibraryHasNoOtherProfiles': Record<string, never>
  'compare.compareWith': Record<string, never>
  'compare.search': Record<string, never>
  'compare.searchForSomethingToCompareWith': Record<string, never>
  'compare.noMatches': Record<string, never>
  'compare.unreadable': Record<string, never>
  'compare.oneChange': { count: number }
  'compare.copiedInto': { count: Fact; title: Fact }
  'compare.copyFrom2': { title: Fact }
  'compare.copiedFrom': { count: Fact; title: Fact }
  'compare.undo': Record<string, never>
  'compare.starters': Record<string, never>
  'compare.savedVersions': Record<string, never>
  'compare.slotsOf': { device: Fact }
  'compare.adaptedTo': { name: Fact; model: Fact }
  'compare.from': { name: Fact }
  'compare.factorySettings': Record<string, never>
  'compare.noBindingsFactoryStepsAndLight': Record<string, never>
  'compare.slot': { slot: Fact; value: Fact }
  'compare.writtenTo': { slot: Fact }
  'compare.beforeTheFirstEditThatDay': Record<string, never>
  'compare.savedByYou': Record<string, never>
  'compare.savedByYou2': { when: Fact }
  'compare.here': Record<string, never>
}
