import { createPinia, disposePinia, setActivePinia, type Pinia } from 'pinia'
import { vi } from 'vitest'
import { useKeeping } from './keeping'

let page: Pinia | undefined

/** The stores of a page that was just loaded; those of the page before are gone, as after a reload. */
export function openPage(): void {
  if (page) disposePinia(page)
  page = createPinia()
  setActivePinia(page)
}

/** Closes the page when everything is stored; an open one would act as another tab in the next test. */
export async function closePage(): Promise<void> {
  const keeping = useKeeping(page)
  await vi.waitFor(() => {
    if (keeping.count > 0) throw new Error('there is still something to store')
  })
  if (page) disposePinia(page)
  page = undefined
}
