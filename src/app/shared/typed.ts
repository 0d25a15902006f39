import { computed, nextTick, shallowRef, watch } from 'vue'

/**
 * What is typed into a field beside what is kept: taken, or refused with a reason that stands at the field until
 * something else is taken or it is put back.
 *
 * @param kept what the field shows while nothing is typed
 * @param apply says why something cannot be taken, or nothing where it was
 */
export function useTyped<T>(kept: () => T, apply: (typed: T) => string | undefined) {
  const draft = shallowRef(kept())
  const problem = shallowRef<string>()
  /** For `data-untouched`: keys that undo are the page's where nothing was typed. */
  const untouched = computed(() => (draft.value === kept() ? '' : undefined))

  function putBack(): void {
    draft.value = kept()
    problem.value = undefined
  }
  watch(kept, putBack)

  async function take(): Promise<void> {
    if (draft.value === kept()) return putBack()
    problem.value = apply(draft.value)
    // What was taken may be kept in other words than it was typed in.
    await nextTick()
    if (!problem.value) putBack()
  }

  return { draft, problem, untouched, putBack, take }
}
