// Generated from the catalogue by `npm run messages`.
import type { Fact } from './fact'

export interface FaultsFacts {
  'faults.reportCopied': Record<string, never>
  'faults.copyReport': Record<string, never>
  'faults.dismiss': Record<string, never>
  'faults.thisViewFailed': Record<string, never>
  'faults.everythingYouHaveSavedIsSafeAnd': { message: Fact }
  'faults.tryAgain': Record<string, never>
  'faults.reportTheError': Record<string, never>
  'faults.unisera': { value: Fact }
  'faults.aLaterVersionOfUniseraChangedThe': Record<string, never>
  'faults.itNoLongerExists': Record<string, never>
  'faults.itWasInterrupted': Record<string, never>
  'faults.theBrowserGivesNoReason': Record<string, never>
  'faults.theLibraryCannotBeOpenedAPrivate': Record<string, never>
  'faults.theLibraryIsClosedReloadThePage': Record<string, never>
  'faults.theStorageIsFull': Record<string, never>
  'faults.thisBrowserHasNoStorageAsIn': Record<string, never>
  'faults.thisCannotBeSaved': Record<string, never>
  'faults.sessionsCannotBeReadInThisBrowser': { message: Fact }
  'faults.theMacrosCouldNotBeReadNothing': { message: Fact }
  'faults.palettesCannotBeReadInThisBrowser': { message: Fact }
  'faults.somethingFailed': { failure: Fact }
  'faults.failure': { message: Fact }
}
