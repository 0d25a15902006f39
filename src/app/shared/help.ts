import { createGlobalState } from '@vueuse/core'
import { shallowRef } from 'vue'

/** A step shown on a control: the instruction, and the control by its role and name. */
export interface HelpStep {
  text: string
  role: string
  /** The view of the step, if the task opens it. */
  path?: string
  /** The key of its message, or its accessible name; a name that ends in … is the start of one. */
  name: string
}

export interface HelpTask {
  title: string
  steps: readonly HelpStep[]
}

/** The open part of the help: a page, a glossary term, a task shown on the real controls. */
export const useHelp = createGlobalState(() => ({
  page: shallowRef<string>(),
  term: shallowRef<string>(),
  task: shallowRef<HelpTask>(),
}))

/** The page for the view at an address. */
export function pageOfView(path: string): string {
  const [, place = 'devices', , view] = path.split('/')
  if (place === 'profile') return view !== undefined && ['motion', 'light'].includes(view) ? view : 'buttons'
  if (['shelf', 'open'].includes(place)) return 'library'
  return ['devices', 'library', 'macros', 'measure', 'settings'].includes(place) ? place : 'devices'
}

/** The anchor of a heading in links. */
export const anchorOf = (heading: string): string => heading.toLowerCase().replace(/[^a-z0-9]+/g, '-')
