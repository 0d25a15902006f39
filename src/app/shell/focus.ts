import { t } from '../../messages/page'
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

/** Buttons of a drawing are SVG elements and can have the focus too. */
type FocusableElement = HTMLElement | SVGElement
const isElement = (target: unknown): target is FocusableElement =>
  target instanceof HTMLElement || target instanceof SVGElement

interface Held {
  element: FocusableElement
  places: readonly Place[]
  /** Address of its view. */
  path: string
}

/** Ancestors of an element, recorded because it may be gone later. */
function placesOf(element: Element): Place[] {
  const places: Place[] = []
  for (let each = element; each.parentElement; each = each.parentElement)
    places.push({ parent: each.parentElement, index: [...each.parentElement.children].indexOf(each) })
  return places
}

/**
 * Keeps the focus near the person's work if its element is deleted, disabled or closed with a dialog: on its
 * replacement, on something near, or on the heading of the view.
 */
export function useFocusKeeping(): void {
  /** The latest focused elements: in the view, and in an open dialog or menu. */
  let inView: Held | undefined
  let inOverlay: Held | undefined

  useEventListener(document, 'focusin', ({ target }) => {
    if (!isElement(target)) return
    const held = { element: target, places: placesOf(target), path: location.pathname }
    // The focus in a closed dialog or menu returns to its opener.
    if (target.closest('.v-overlay-container')) inOverlay = held
    else [inView, inOverlay] = [held, undefined]
  })
  // A click on an empty place removes the focus on purpose.
  useEventListener(document, 'pointerdown', ({ target }) => {
    if (target instanceof Element && !target.closest(`${FOCUSABLE}, .v-overlay-container`)) inView = undefined
  })

  let asked = false
  function look(): void {
    asked = false
    if (!isLost()) return
    const open = openOverlay()
    const held = open ? inOverlay : inView
    if (!held || (open && !held.places.some(({ parent }) => parent === open))) return
    const { element, places, path } = held
    // A new view starts at its heading, even if parts of the old view remain.
    if (path !== location.pathname) return
    const target = element.isConnected && element.matches(FOCUSABLE) ? element : near(places, open)
    if (open) inOverlay = undefined
    else inView = undefined
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

/** Whether the focus is lost, or about to be: browsers remove it from a disabled button only in the next frame. */
const isLost = (): boolean =>
  document.activeElement === document.body || document.activeElement?.matches(':disabled') === true

/** The content of the topmost dialog or menu. */
const openOverlay = (): Element | undefined =>
  [...document.querySelectorAll('.v-overlay--active:not(.v-tooltip):not(.v-snackbar)')].at(-1)

/**
 * The nearest element that can have the focus, in the smallest part of the page, or of an open overlay, that has one.
 */
function near(places: readonly Place[], overlay: Element | undefined): FocusableElement | undefined {
  for (const { parent, index } of places) {
    if (!parent.isConnected) continue
    if (parent.tagName === 'MAIN' || parent === document.body || parent === overlay) break
    const around = [...parent.children].slice(Math.max(0, index - 1), index + 1).reverse()
    for (const each of around) {
      const found = each.matches(FOCUSABLE) ? each : each.querySelector(FOCUSABLE)
      if (isElement(found)) return found
    }
  }
  const first = overlay?.querySelector(FOCUSABLE)
  return overlay ? (isElement(first) ? first : undefined) : heading()
}

const heading = (): HTMLElement | undefined => {
  const found = document.querySelector<HTMLElement>('main h1')
  if (found) found.tabIndex = -1
  return found ?? undefined
}

/** The title names the view and its open part; a new view is announced by its heading. */
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
      const view = route.meta.title === undefined ? '' : t(route.meta.title)
      return t('shell.unisera2', { view: [name.value, view].filter(Boolean).join(', ') })
    }),
  )
  watch(
    () => route.path,
    async (_, before) => {
      await nextTick()
      // A view that sets the focus itself keeps it; on the first page, it is the browser's.
      if (before === '/' || document.activeElement?.closest('main')) return
      requestAnimationFrame(() => {
        if (!document.activeElement?.closest('main')) heading()?.focus({ preventScroll: true })
      })
    },
    { flush: 'post' },
  )
}
