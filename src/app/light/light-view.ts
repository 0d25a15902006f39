import { computed, ref, shallowRef, watch } from 'vue'
import { type StackItem } from '../../core/document/light'
import { lowerShownLight, withoutMacros } from '../../core/terms/light'
import { addEffect, changeEffect, supportedEffects } from '../../core/edits/light-edits'
import type { Profile, StackedEffect } from '../../core/document/schema'
import type { EffectName } from '../../core/effects/registry'
import { contextOf } from '../../core/text/context'
import type { MessageFact } from '../../core/message/message'
import { EFFECT_MESSAGES } from '../../core/wording/effect-messages'
import { stackItemName } from '../../core/text/light-messages'
import { useEditor } from '../stores/editor'
import { useMacros } from '../stores/macros'
import { useNotifications } from '../stores/notifications'
import { usePending } from '../stores/pending'
import { useSelectedLights } from './selected-lights'
import { useLightPreview } from './preview'
import type { EditName } from '../stores/edit-texts'
import { useTimeline } from './timeline'

/** The light of the open profile over time, its edits, and the selection, shared by all parts of the view. */
export function useLightView() {
  const editor = useEditor()
  const macros = useMacros()
  const profile = computed(() => editor.profile)
  const model = computed(() => editor.model)
  const stack = computed<readonly StackItem[]>(() => profile.value?.light ?? [])
  const context = computed(() =>
    profile.value && model.value ? contextOf(profile.value, model.value, macros.wholeShelf) : undefined,
  )
  const lowered = (items: readonly StackItem[]) =>
    model.value ? lowerShownLight(items, withoutMacros(model.value)) : []

  /** Effects that this device can show, in the order they are offered. */
  const kinds = computed(() => (model.value ? supportedEffects(model.value) : []))

  const choosing = useSelectedLights(model)
  const open = useOpenEffects()
  /** A stack in preview, or undefined. */
  const looked = shallowRef<readonly StackItem[]>()
  const look = (at: readonly StackItem[] | undefined) => (looked.value = at)
  const shown = computed(
    () => looked.value ?? stack.value.filter((_, place) => !open.without.value.has(place)),
  )
  const { settled } = usePending()
  const time = useTimeline(profile, model, () => lowered(shown.value))
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
  const edits = useLightEdits(stack, choosing.selectedPlace, open)

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

export type LightView = ReturnType<typeof useLightView>

/** The effect with open settings, and the effects hidden in the preview. */
function useOpenEffects() {
  const open = ref<number>()
  const without = shallowRef<ReadonlySet<number>>(new Set())
  const openAt = (place: number | undefined) => (open.value = place)

  function toggleWithout(place: number): void {
    const next = new Set(without.value)
    if (!next.delete(place)) next.add(place)
    without.value = next
  }

  /** Indices have changed, or another profile is open. */
  function close(): void {
    open.value = undefined
    without.value = new Set()
  }

  return { open, without, openAt, toggleWithout, close }
}

/** Edits of the open profile's stack; a refusal is shown as a notification. */
function useLightEdits(
  stack: { readonly value: readonly StackItem[] },
  selectedPlace: { readonly value: StackedEffect['where'] },
  { openAt, close }: { openAt: (place: number) => void; close: () => void },
) {
  const editor = useEditor()
  const notices = useNotifications()
  const { edits } = usePending()
  const pending = computed(() => new Set(edits.value.map(({ key }) => key)))
  /** An edit refers to an effect by its position from the bottom. */
  const isPending = (place: number) => pending.value.has(`light:${stack.value.length - 1 - place}`)

  function edit(label: EditName, change: (current: Profile) => Profile, gesture?: string): boolean {
    const refusal = editor.edit(label, change, gesture)
    if (refusal) notices.trouble(refusal)
    return refusal === undefined
  }

  type Change = [place: number, by: Partial<Omit<StackedEffect, 'kind'>>, what: MessageFact, gesture?: string]

  /** @returns the reason if it was refused */
  function tryChange(...[place, by, what, gesture]: Change): string | undefined {
    const [item, model] = [stack.value[place], editor.model]
    if (!item || !model) return undefined
    return editor.edit(
      ['effect', { effect: stackItemName(item), what }],
      (current) => changeEffect(current, model, place, by),
      gesture && `light ${place} ${gesture}`,
    )
  }

  /** The same, with the reason as a notification. */
  function change(...what: Change): void {
    const refusal = tryChange(...what)
    if (refusal) notices.trouble(refusal)
  }

  /** Adds an effect on top, for the selected lights. */
  function add(kind: EffectName): void {
    const { model } = editor
    if (!model) return
    const where = selectedPlace.value
    const effect = EFFECT_MESSAGES[kind].name
    if (!edit(['add-effect', { effect }], (current) => addEffect(current, model, kind, where))) return
    close()
    openAt(0)
  }

  return { isPending, edit, tryChange, change, add }
}
