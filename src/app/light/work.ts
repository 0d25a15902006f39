import { computed, ref, shallowRef, watch } from 'vue'
import { type StackItem } from '../../core/document/light'
import { lowerShown, withoutMacros } from '../../core/terms/light'
import { addEffect, changeEffect, kindsOf } from '../../core/edits/light-edits'
import type { Profile, StackedEffect } from '../../core/document/schema'
import type { EffectName } from '../../core/effects/registry'
import { contextOf } from '../../core/text/context'
import { EFFECT_WORDS, itemName } from '../../core/text/light-words'
import { useEditor } from '../stores/editor'
import { useMacros } from '../stores/macros'
import { useNotices } from '../stores/notices'
import { usePending } from '../stores/pending'
import { useChosenLights } from './choosing'
import { useLightPreview } from './preview'
import type { EditName } from '../stores/edit-words'
import { useTimeLine } from './time-line'

/** The light of the open profile over its time, its edits, and what is chosen; each part of the view asks here. */
export function useLightWork() {
  const editor = useEditor()
  const macros = useMacros()
  const profile = computed(() => editor.profile)
  const model = computed(() => editor.model)
  const stack = computed<readonly StackItem[]>(() => profile.value?.light ?? [])
  const context = computed(() =>
    profile.value && model.value ? contextOf(profile.value, model.value, macros.wholeShelf) : undefined,
  )
  const lowered = (items: readonly StackItem[]) =>
    model.value ? lowerShown(items, withoutMacros(model.value)) : []

  /** What this device can show, in the order it is offered. */
  const kinds = computed(() => (model.value ? kindsOf(model.value) : []))

  const choosing = useChosenLights(model)
  const open = useOpenEffects()
  /** A stack that is looked at before it is taken, or undefined. */
  const looked = shallowRef<readonly StackItem[]>()
  const look = (at: readonly StackItem[] | undefined) => (looked.value = at)
  const shown = computed(
    () => looked.value ?? stack.value.filter((_, place) => !open.without.value.has(place)),
  )
  const { settled } = usePending()
  const time = useTimeLine(profile, model, () => lowered(shown.value))
  const preview = useLightPreview(
    profile,
    model,
    computed(() => lowered(shown.value)),
    time,
    settled,
  )
  watch(
    () => editor.entry?.id,
    () => {
      choosing.choose([])
      open.close()
      looked.value = undefined
      time.clearMarks()
    },
  )
  const edits = useLightEdits(stack, choosing.chosenPlace, open)

  return {
    profile,
    model,
    stack,
    context,
    lowered,
    kinds,
    shown,
    looked,
    look,
    ...choosing,
    ...open,
    ...time,
    ...preview,
    ...edits,
  }
}

export type LightWork = ReturnType<typeof useLightWork>

/** Which effect's settings are open, one at a time, and which are switched off to see without them. */
function useOpenEffects() {
  const open = ref<number>()
  const without = shallowRef<ReadonlySet<number>>(new Set())
  const openAt = (place: number | undefined) => (open.value = place)

  function toggleWithout(place: number): void {
    const next = new Set(without.value)
    if (!next.delete(place)) next.add(place)
    without.value = next
  }

  /** Places have moved, or another profile is there. */
  function close(): void {
    open.value = undefined
    without.value = new Set()
  }

  return { open, without, openAt, toggleWithout, close }
}

/** Edits of the open profile's stack; a refusal is said at the foot of the window. */
function useLightEdits(
  stack: { readonly value: readonly StackItem[] },
  chosenPlace: { readonly value: StackedEffect['where'] },
  { openAt, close }: { openAt: (place: number) => void; close: () => void },
) {
  const editor = useEditor()
  const notices = useNotices()
  const { edits } = usePending()
  const pending = computed(() => new Set(edits.value.map(({ key }) => key)))
  /** An edit is known by its place from the bottom. */
  const isPending = (place: number) => pending.value.has(`light:${stack.value.length - 1 - place}`)

  function edit(label: EditName, change: (current: Profile) => Profile, gesture?: string): boolean {
    const refusal = editor.edit(label, change, gesture)
    if (refusal) notices.trouble(refusal)
    return refusal === undefined
  }

  type Change = [place: number, by: Partial<Omit<StackedEffect, 'kind'>>, what: string, gesture?: string]

  /** @returns why not, if it was refused */
  function tryChange(...[place, by, what, gesture]: Change): string | undefined {
    const [item, model] = [stack.value[place], editor.model]
    if (!item || !model) return undefined
    return editor.edit(
      ['effect', { effect: itemName(item), what }],
      (current) => changeEffect(current, model, place, by),
      gesture && `light ${place} ${gesture}`,
    )
  }

  /** The same with the reason said at the foot of the window. */
  function change(...what: Change): void {
    const refusal = tryChange(...what)
    if (refusal) notices.trouble(refusal)
  }

  /** A new effect on top, on the lights that are chosen. */
  function add(kind: EffectName): void {
    const { model } = editor
    if (!model) return
    const where = chosenPlace.value
    const effect = EFFECT_WORDS[kind].text.toLowerCase()
    if (!edit(['add-effect', { effect }], (current) => addEffect(current, model, kind, where))) return
    close()
    openAt(0)
  }

  return { isPending, edit, tryChange, change, add }
}
