import { useEventListener } from '@vueuse/core'

const ITEM = '[role^="menuitem"]:not([aria-disabled="true"])'
const CHECKED = `${ITEM}[aria-checked="true"]`
const FOCUSABLE = 'input, button:not(:disabled), a[href], [tabindex="0"]'
/** Frames until a menu is positioned; before, its items cannot have the focus. */
const MAX_FRAMES = 10
/** Characters typed within this time form one search text. */
const TYPING_MS = 700

/**
 * Moves the focus into a menu, or a small dialog next to its button, when it opens, and finds menu items by the start
 * of their names: the component library does neither.
 */
export function useMenuKeys(): void {
  // Listens in the capture phase: the button of a menu stops its clicks from bubbling.
  useEventListener(
    document,
    'click',
    ({ target }) => {
      const opener = target instanceof Element ? target.closest('[aria-haspopup][aria-controls]') : undefined
      if (opener) requestAnimationFrame(() => enter(opener, MAX_FRAMES))
    },
    { capture: true },
  )

  let typed = ''
  let lastMs = 0
  useEventListener(document, 'keydown', (event) => {
    const menu = event.target instanceof Element ? event.target.closest('[role="menu"]') : null
    if (
      !menu ||
      event.key.length !== 1 ||
      event.key === ' ' ||
      event.ctrlKey ||
      event.metaKey ||
      event.altKey
    )
      return
    typed = event.timeStamp - lastMs < TYPING_MS ? typed + event.key : event.key
    lastMs = event.timeStamp
    const items = [...menu.querySelectorAll<HTMLElement>(ITEM)]
    itemFor(
      items,
      items.findIndex((item) => item === document.activeElement),
      typed,
    )?.focus()
    event.preventDefault()
  })
}

function enter(opener: Element, frames: number): void {
  if (opener.getAttribute('aria-expanded') !== 'true' || frames === 0) return
  const content = document.getElementById(opener.getAttribute('aria-controls') ?? '')
  if (content?.contains(document.activeElement)) return
  const wanted = [CHECKED, ITEM, FOCUSABLE].flatMap((each) => [
    ...(content?.querySelectorAll<HTMLElement>(each) ?? []),
  ])
  // Fields of the component library have hidden parts that cannot have the focus.
  wanted.find((each) => {
    each.focus()
    return document.activeElement === each
  })
  if (!content?.contains(document.activeElement)) requestAnimationFrame(() => enter(opener, frames - 1))
}

/**
 * The next item whose name starts with the typed text. Repeating one character cycles through its items; more
 * characters stay on a matching item.
 */
export function itemFor<Item extends { textContent: string | null }>(
  items: readonly Item[],
  at: number,
  typed: string,
): Item | undefined {
  const [first = '', ...rest] = typed.toLowerCase()
  const repeats = rest.every((each) => each === first)
  const beginning = repeats ? first : typed.toLowerCase()
  const from = repeats ? at + 1 : at
  const inOrder = [...items.slice(Math.max(0, from)), ...items.slice(0, Math.max(0, from))]
  return inOrder.find(({ textContent }) => textContent?.trim().toLowerCase().startsWith(beginning))
}
