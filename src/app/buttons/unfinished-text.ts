import { watch, type Ref } from 'vue'
import { useEditor } from '../stores/editor'
import type { CellPlace } from './selection'

/** Text typed into a cell but not set, which is restored after a reload of this tab. */
interface HalfTyped {
  profile: string
  place: CellPlace
  text: string
}

const KEY = 'unisera-half-typed'

/** If a browser blocks the storage, a reload loses the text; nothing else depends on it. */
function quietly<T>(act: () => T): T | undefined {
  try {
    return act()
  } catch {
    return undefined
  }
}

/** Stores the text of a cell until it is set or discarded. */
export function useUnfinishedText(place: () => CellPlace, draft: Ref<string>, touched: Ref<boolean>): void {
  const editor = useEditor()
  watch([draft, touched], () => {
    const { openId: profile } = editor
    if (!touched.value || profile === undefined) return
    const half: HalfTyped = { profile, place: { ...place() }, text: draft.value }
    quietly(() => sessionStorage.setItem(KEY, JSON.stringify(half)))
  })
}

export const dropUnfinishedText = (): void => quietly(() => sessionStorage.removeItem(KEY))

/** The stored text of a profile, if there is one. */
export function unfinishedTextIn(profile: string | undefined): HalfTyped | undefined {
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
