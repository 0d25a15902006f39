import { createPinia, disposePinia, setActivePinia, type Pinia } from 'pinia'
import Dexie from 'dexie'
import { afterEach, beforeEach, vi } from 'vitest'
import { useStorageQueue } from './storage-queue'

let page: Pinia | undefined

/** Gives each test of a file an empty library and its own page. */
export function useFreshPages(): void {
  beforeEach(async () => {
    await Dexie.delete('unisera-library')
    openPage()
  })
  afterEach(async () => {
    vi.restoreAllMocks()
    await closePage()
  })
}

/** The stores of a newly loaded page; earlier ones are gone, as after a reload. */
export function openPage(): void {
  if (page) disposePinia(page)
  page = createPinia()
  setActivePinia(page)
}

/** Closes the page when everything is stored; an open one would act as another tab in the next test. */
export async function closePage(): Promise<void> {
  const keeping = useStorageQueue(page)
  await vi.waitFor(() => {
    if (keeping.count > 0) throw new Error('there is still something to store')
  })
  if (page) disposePinia(page)
  page = undefined
}
