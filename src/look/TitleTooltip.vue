<script setup lang="ts">
import { useEventListener, useMutationObserver, useTimeoutFn } from '@vueuse/core'
import { ref, shallowRef } from 'vue'

/**
 * Shows the `title` of any element in our style, on pointing and on keyboard focus; browsers only show it on pointing.
 * There is one per page. Escape closes it, and it stays while the pointer is on it.
 */
const OPEN_MS = 450
const CLOSE_MS = 120
const target = shallowRef<HTMLElement>()
const text = ref('')
/** The element while it waits to be shown. */
let next: HTMLElement | undefined
/** Keyboard users may scroll the focused element into view. */
let byKeys = false
/** Restores the removed title, which was removed so that the browser does not show it too. */
let giveBack = (): void => undefined

const opening = useTimeoutFn(() => next && show(next), OPEN_MS, { immediate: false })
const closing = useTimeoutFn(close, CLOSE_MS, { immediate: false })

function show(element: HTMLElement): void {
  opening.stop()
  closing.stop()
  if (element.isConnected) target.value = element
}

function close(): void {
  opening.stop()
  closing.stop()
  giveBack()
  giveBack = () => undefined
  next = target.value = undefined
}

/** The browser would show the title on pointing; an element without another name keeps it as its name. */
function moveTitle(element: HTMLElement): void {
  const named = element.hasAttribute('aria-label') || element.textContent.trim() !== ''
  const stands = named ? 'aria-description' : 'aria-label'
  element.setAttribute(stands, element.title)
  element.removeAttribute('title')
  giveBack = () => {
    element.removeAttribute(stands)
    if (!element.hasAttribute('title')) element.title = text.value
  }
}

const TITLED = '[title]:not([title=""])'
const isCut = (element: Element): boolean =>
  [element, ...element.querySelectorAll('*')].some((each) => each.scrollWidth > each.clientWidth + 1)

/** Texts that are fully visible are not repeated. */
function titled(at: Element, by: 'pointer' | 'keys'): HTMLElement | undefined {
  const inside = by === 'keys' ? [...at.querySelectorAll<HTMLElement>(TITLED)].find(isCut) : undefined
  const element = at.closest<HTMLElement>(TITLED) ?? inside
  return element && (element.title !== element.textContent.trim() || isCut(element)) ? element : undefined
}

useEventListener(document, 'pointerover', ({ target: at, pointerType }) => {
  if (pointerType === 'touch' || !(at instanceof Element)) return
  if (at.closest('.v-tooltip') || next?.contains(at)) return closing.stop()
  const element = titled(at, 'pointer')
  if (!element) return next && closing.start()
  close()
  next = element
  byKeys = false
  text.value = element.title
  moveTitle(element)
  opening.start()
})
useEventListener(document, 'focusin', ({ target: at, relatedTarget }) => {
  if (!(at instanceof Element) || next?.contains(at)) return
  close()
  // Shows no tooltip when the focus returns from a menu or dialog to its button.
  if (relatedTarget instanceof Element && relatedTarget.closest('.v-overlay-container')) return
  const element = at.matches(':focus-visible') ? titled(at, 'keys') : undefined
  if (!element) return
  next = element
  byKeys = true
  text.value = element.title
  show(element)
})
useEventListener(document, ['focusout', 'pointerdown'], close, { capture: true, passive: true })
useEventListener(document, 'scroll', () => byKeys || close(), { capture: true, passive: true })
/** The element may have a different title by then, or be gone. */
useMutationObserver(
  () => (target.value ? document.body : undefined),
  () => {
    if (!next) return
    if (!next.isConnected) close()
    else if (next.title !== '' && next.title !== text.value) text.value = next.title
  },
  { subtree: true, childList: true, attributeFilter: ['title'] },
)
</script>

<template>
  <v-tooltip
    v-if="target"
    :key="text"
    :model-value="true"
    :target="target"
    :text="text"
    :open-on-hover="false"
    @update:model-value="close"
  />
</template>
