<script setup lang="ts">
import { useEventListener, useMutationObserver, useTimeoutFn } from '@vueuse/core'
import { ref, shallowRef } from 'vue'

/**
 * What the `title` of anything says, in our look, to whoever points at it and to whoever comes to it by keys: a browser
 * shows it to the pointer alone. One for a page. Escape puts it away; it stays while the pointer is on it.
 */
const OPEN_MS = 450
const CLOSE_MS = 120
const target = shallowRef<HTMLElement>()
const text = ref('')
/** What it is about while it waits to be shown. */
let next: HTMLElement | undefined
/** Who comes by keys may scroll what has the focus into sight by that. */
let byKeys = false
/** Gives the title back that was put aside, so that the browser does not show it as well. */
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

/** The browser would show a title that is pointed at; who has no other name keeps it as that. */
function putAside(element: HTMLElement): void {
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

/** Words that stand there in full are not said again. */
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
  putAside(element)
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
/** What is pointed at may say something else by then, or be gone. */
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
