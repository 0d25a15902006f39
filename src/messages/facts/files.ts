// Generated from the catalogue by `npm run messages`.
import type { Fact } from './fact'

export interface FilesFacts {
  'files.reading': { file: Fact }
  'files.stopReading': Record<string, never>
  'files.itContainsAProfile': Record<string, never>
  'files.itContainsMacros': Record<string, never>
  'files.itContainsAWholeLibrary': Record<string, never>
  'files.cannotBeOpenedHere': { file: Fact }
  'files.openIn': { place: Fact }
  'files.wasNotImportedNothingWasChanged': { file: Fact }
  'files.andAtLeastMoreProblemsLikeThese': { count: Fact }
  'files.andMoreProblemsLikeThese': { count: Fact }
  'files.youCanOpenSeveralFilesAtOnce': Record<string, never>
  'files.reading2': { name: Fact }
  'files.theEndOfTheFileCouldNot': Record<string, never>
  'files.recordChecked': { count: number }
}
