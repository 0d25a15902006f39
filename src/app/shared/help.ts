import { createGlobalState } from '@vueuse/core'
import { shallowRef } from 'vue'

/** A step that is shown on a control: what to do, and which control by its role and name. */
export interface HelpStep {
  text: string
  role: string
  /** The view it is in, where the task goes there. */
  path?: string
  /** As assistive technology has it; one that ends in … begins so. */
  name: string
}

export interface HelpTask {
  title: string
  steps: readonly HelpStep[]
}

/** What of the help is open: a page, a word of the glossary, a task that is shown on the real controls. */
export const useHelp = createGlobalState(() => ({
  page: shallowRef<string>(),
  term: shallowRef<string>(),
  task: shallowRef<HelpTask>(),
}))

/** The page of the view at an address. */
export function pageOfView(path: string): string {
  const [, place = 'devices', , view] = path.split('/')
  if (place === 'profile') return view !== undefined && ['motion', 'light'].includes(view) ? view : 'buttons'
  if (['shelf', 'open'].includes(place)) return 'library'
  return ['devices', 'library', 'macros', 'measure', 'settings'].includes(place) ? place : 'devices'
}

/** A heading as a link reaches it. */
export const anchorOf = (heading: string): string => heading.toLowerCase().replace(/[^a-z0-9]+/g, '-')
