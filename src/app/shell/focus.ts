import { useEventListener, useMutationObserver, useTitle } from '@vueuse/core'
import { computed, nextTick, watch } from 'vue'
import { useRoute } from 'vue-router'
import { useEditor } from '../stores/editor'
import { useMacroEditor } from '../stores/macro-editor'

const FOCUSABLE =
  'a[href], button:not(:disabled), input:not(:disabled):not([type=hidden]), textarea, [tabindex]:not([tabindex="-1"])'

interface Place {
  parent: Element
  index: number
}

/** Where an element stands, from its own parent upwards: it may be gone when that is asked. */
function placesOf(element: Element): Place[] {
  const places: Place[] = []
  for (let each = element; each.parentElement; each = each.parentElement)
    places.push({ parent: each.parentElement, index: [...each.parentElement.children].indexOf(each) })
  return places
}

/**
 * Keeps the focus with the person: what had it may be deleted, disabled or closed with a dialog. Then it goes to what
 * stands in its place, to what is near, or to the heading of the view.
 */
export function useFocusKeeping(): void {
  let last: HTMLElement | undefined
  let places: Place[] = []

  useEventListener(document, 'focusin', ({ target }) => {
    // What a dialog or a menu holds goes with it; the focus comes back to what opened it.
    if (!(target instanceof HTMLElement) || target.closest('.v-overlay-container')) return
    last = target
    places = placesOf(target)
  })
  // Whoever clicks beside everything has left it.
  useEventListener(document, 'pointerdown', ({ target }) => {
    if (target instanceof Element && !target.closest(`${FOCUSABLE}, .v-overlay-container`)) last = undefined
  })

  let asked = false
  function look(): void {
    asked = false
    if (!last || document.activeElement !== document.body || openOverlay()) return
    const target = last.isConnected && last.matches(FOCUSABLE) ? last : near(places)
    last = undefined
    target?.focus({ preventScroll: true })
  }
  useMutationObserver(
    document.body,
    () => {
      if (asked) return
      asked = true
      requestAnimationFrame(look)
    },
    { childList: true, subtree: true, attributeFilter: ['disabled', 'style', 'class'] },
  )
}

const openOverlay = (): boolean =>
  document.querySelector('.v-overlay--active:not(.v-tooltip):not(.v-snackbar)') !== null

/** The nearest that can take the focus, within as little of the page as holds any. */
function near(places: readonly Place[]): HTMLElement | undefined {
  for (const { parent, index } of places) {
    if (!parent.isConnected) continue
    if (parent.tagName === 'MAIN' || parent === document.body) break
    const around = [...parent.children].slice(Math.max(0, index - 1), index + 1).reverse()
    for (const each of around) {
      const found = each.matches(FOCUSABLE) ? each : each.querySelector(FOCUSABLE)
      if (found instanceof HTMLElement) return found
    }
  }
  return heading()
}

const heading = (): HTMLElement | undefined => {
  const found = document.querySelector<HTMLElement>('main h1')
  if (found) found.tabIndex = -1
  return found ?? undefined
}

/** The title says the view and what is open in it; a new view is told by its heading. */
export function useViewTitle(): void {
  const route = useRoute()
  const editor = useEditor()
  const macro = useMacroEditor()
  const name = computed(() => {
    if (route.path.startsWith('/profile/')) return editor.profile?.name
    return route.path.startsWith('/macros/') ? macro.macro?.name : undefined
  })
  useTitle(
    computed(() => {
      const view = typeof route.meta.title === 'string' ? route.meta.title : ''
      return `${[name.value, view].filter(Boolean).join(', ')} · Unisera`
    }),
  )
  watch(
    () => route.path,
    async (_, before) => {
      await nextTick()
      // A view that puts the focus where it is wanted has its way; on the first page it is the browser's.
      if (before === '/' || document.activeElement?.closest('main')) return
      requestAnimationFrame(() => {
        if (!document.activeElement?.closest('main')) heading()?.focus({ preventScroll: true })
      })
    },
    { flush: 'post' },
  )
}
