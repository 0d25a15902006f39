import { computed, nextTick, shallowRef, watch } from 'vue'

/**
 * Typed text of a field next to its stored value: applied, or refused with a reason that stays until another text is
 * applied or it is restored.
 *
 * @param kept the value shown without typed text
 * @param apply returns why a text is refused, or nothing
 */
export function useTypedText<T>(kept: () => T, apply: (typed: T) => string | undefined) {
  const draft = shallowRef(kept())
  const problem = shallowRef<string>()
  /** For `data-untouched`: without typed text, undo keys belong to the page. */
  const untouched = computed(() => (draft.value === kept() ? '' : undefined))

  function resetDraft(): void {
    draft.value = kept()
    problem.value = undefined
  }
  watch(kept, resetDraft)

  async function take(): Promise<void> {
    if (draft.value === kept()) return resetDraft()
    problem.value = apply(draft.value)
    // An applied text may be stored in another form.
    await nextTick()
    if (!problem.value) resetDraft()
  }

  return { draft, problem, untouched, resetDraft, take }
}
