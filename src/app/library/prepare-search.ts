import { textOf } from '../../messages/page'
import type { MacroShelf } from '../../core/document/macro'
import type { Profile } from '../../core/document/schema'
import { searchText } from '../../core/find/search-text'
import { TimeSlice } from '../database/yield-thread'

/** Computes the search texts of profiles in advance, so that the first key of a search does not have to wait for them. */
export async function prepareSearch(profiles: readonly Profile[], macros: MacroShelf): Promise<void> {
  const turn = new TimeSlice()
  for (const profile of profiles) {
    searchText(profile, macros, textOf)
    await turn.next()
  }
}
