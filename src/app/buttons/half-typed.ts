import { watch, type Ref } from 'vue'
import { useEditor } from '../stores/editor'
import type { CellPlace } from './selection'

/** What was typed into a cell and not set: it is there again after a reload, in this tab. */
interface HalfTyped {
  profile: string
  place: CellPlace
  text: string
}

const KEY = 'unisera-half-typed'

/** Where a browser forbids it, a reload costs the half word; nothing else depends on it. */
function quietly<T>(act: () => T): T | undefined {
  try {
    return act()
  } catch {
    return undefined
  }
}

/** Keeps what is typed into a cell for as long as it is not set or given up. */
export function useHalfTyped(place: () => CellPlace, draft: Ref<string>, touched: Ref<boolean>): void {
  const editor = useEditor()
  watch([draft, touched], () => {
    const { openId: profile } = editor
    if (!touched.value || profile === undefined) return
    const half: HalfTyped = { profile, place: { ...place() }, text: draft.value }
    quietly(() => sessionStorage.setItem(KEY, JSON.stringify(half)))
  })
}

export const dropHalfTyped = (): void => quietly(() => sessionStorage.removeItem(KEY))

/** What was typed half in a profile, if anything was. */
export function halfTypedIn(profile: string | undefined): HalfTyped | undefined {
  const half: unknown = quietly(() => JSON.parse(sessionStorage.getItem(KEY) ?? 'null'))
  return isHalfTyped(half) && half.profile === profile ? half : undefined
}

const isHalfTyped = (value: unknown): value is HalfTyped =>
  typeof value === 'object' &&
  value !== null &&
  'text' in value &&
  typeof value.text === 'string' &&
  'profile' in value &&
  'place' in value &&
  typeof value.place === 'object' &&
  value.place !== null &&
  'layer' in value.place &&
  typeof value.place.layer === 'number' &&
  'input' in value.place &&
  typeof value.place.input === 'string'
