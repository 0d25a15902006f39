import { LoweringError } from '../../core/base/errors'
import { computed, ref, watch } from 'vue'
import { bindingBytes } from '../../core/actions/records'
import { actionKinds } from '../../core/text/action-kinds'
import type { TypingContext } from '../../core/text/context'
import { cellText, parseCell } from '../../core/text/cell-text'
import { deepEqual } from '../../core/base/deep-equal'
import { lowerAction } from '../../core/terms/onboard-terms'
import type { Action, Binding } from '../../core/document/schema'
import { suggestActions, suggestionOf, type Suggestion } from '../../core/text/suggest-action'

/** The text of one cell while it is typed: its meaning, its suggestions, and the memory it needs. */
export function useEntry(
  binding: () => Binding | undefined,
  context: () => TypingContext,
  factory: () => Action | undefined,
) {
  const draft = ref(cellText(binding(), context()))
  const touched = ref(false)
  const active = ref(-1)
  const problem = ref<string>()
  const done = ref<string>()
  const kind = ref<string>()

  const parsed = computed(() => parseCell(draft.value, context()))
  const kinds = computed(() => actionKinds(context()))
  /** The text before a name, which has no suggestions. */
  const beforeName = computed(() => draft.value.replace(/ =(?: .*)?$/, ''))
  const offers = computed<readonly Suggestion[]>(() => {
    const chosen = kinds.value.find(({ id }) => id === kind.value)
    const ofKind = (chosen?.offers(context()) ?? []).map(({ action, note }) =>
      suggestionOf(action, note, context()),
    )
    if (ofKind.length > 0) return ofKind
    if (!touched.value) return suggestActions('', context(), 8)
    // If a name is refused, the text before it may still be an action.
    const known = 'action' in parsed.value || beforeName.value === draft.value ? parsed.value : undefined
    return suggestActions(beforeName.value, context(), 8, known)
  })
  /** The typed action, or the existing one. */
  const action = computed<Action | undefined>(() =>
    'action' in parsed.value ? parsed.value.action : 'clear' in parsed.value ? undefined : binding()?.action,
  )
  const cost = computed(() => {
    const { value: now } = action
    if (!now || deepEqual(now, factory())) return 0
    try {
      return bindingBytes(lowerAction(now, context().computer))
    } catch (error) {
      if (error instanceof LoweringError) return undefined
      throw error
    }
  })

  // Undo, redo and edits from another tab appear in a field unless someone is typing in it.
  watch(
    () => cellText(binding(), context()),
    (text) => {
      if (!touched.value) draft.value = text
    },
  )

  function typed(): void {
    touched.value = true
    active.value = -1
    kind.value = undefined
    problem.value = done.value = undefined
  }

  /** Starts a text that people complete themselves. */
  function begin(text: string): void {
    draft.value = text
    typed()
  }

  function settled(what: string): void {
    draft.value = cellText(binding(), context())
    touched.value = false
    problem.value = undefined
    done.value = what
  }

  return {
    draft,
    touched,
    active,
    problem,
    done,
    kind,
    kinds,
    parsed,
    offers,
    action,
    cost,
    typed,
    begin,
    settled,
  }
}
