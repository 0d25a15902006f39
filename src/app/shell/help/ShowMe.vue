<script setup lang="ts">
import { useEventListener, useRafFn } from '@vueuse/core'
import { computeAccessibleName, getRole } from 'dom-accessibility-api'
import { computed, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useHelp, type HelpStep } from '../../shared/help'

/**
 * A task on the real controls: a ring around the one it is about, what to do with it, and the way on. Clicks go through
 * it to what lies below, and where its control is not in view it is one line at the foot of the window.
 */
const { task } = useHelp()
const at = ref(0)
watch(task, () => (at.value = 0))
const step = computed<HelpStep | undefined>(() => task.value?.steps[at.value])
const target = shallowRef<Element>()
const place = shallowRef<{ left: number; top: number; width: number; height: number }>()
const last = computed(() => at.value + 1 >= (task.value?.steps.length ?? 0))

const ROLES: Record<string, string> = {
  button: 'button, [role=button]',
  link: 'a[href]',
  radio: 'input[type=radio], [role=radio]',
  slider: '[role=slider], input[type=range]',
  searchbox: 'input[type=search]',
  gridcell: 'td, [role=gridcell]',
  menuitem: '[role=menuitem]',
}

function find({ role, name }: HelpStep): Element | undefined {
  const begins = name.endsWith('…') && name !== '…' ? name.slice(0, -1).trimEnd() : name
  for (const each of document.querySelectorAll(ROLES[role] ?? `[role=${role}]`)) {
    if (getRole(each) !== role || !each.checkVisibility()) continue
    const own = computeAccessibleName(each)
    if (name === '…' || own === name || (begins !== name && own.startsWith(begins))) return each
  }
  return undefined
}

const on = useTemplateRef<{ $el: HTMLElement }>('on')
/** The person goes on by the button, or has done nothing yet: it has the focus, even after a view has changed. */
let byButton = true
let looked = 0
/** Found anew now and then, and its place each frame: views come, and scroll. */
useRafFn(({ timestamp }) => {
  if (!step.value) return
  if (!target.value?.isConnected || timestamp - looked > 300) {
    looked = timestamp
    const found = find(step.value)
    if (found && found !== target.value) found.scrollIntoView({ block: 'nearest' })
    target.value = found
  }
  // A radio's own circle may be hidden; what is seen of it is around it.
  const seen = target.value?.closest('.v-radio') ?? target.value
  const box = seen?.getBoundingClientRect()
  keepFocus()
  place.value = box && { left: box.left, top: box.top, width: box.width, height: box.height }
})
const router = useRouter()
/** Until when a view that comes may take the focus to its heading. */
const SETTLES_MS = 1500
let settled = 0
watch(
  step,
  (now) => {
    target.value = undefined
    place.value = undefined
    settled = performance.now() + SETTLES_MS
    if (now?.path) void router.push(now.path)
  },
  { immediate: true },
)
function keepFocus(): void {
  const own = on.value?.$el
  if (own && byButton && performance.now() < settled && document.activeElement !== own)
    own.focus({ preventScroll: true })
}

function next(): void {
  if (last.value) task.value = undefined
  else at.value++
}
/** Whoever does it goes on by that. */
useEventListener(
  document,
  'click',
  ({ target: clicked }) => {
    if (!(clicked instanceof Node) || !target.value?.contains(clicked)) return
    byButton = false
    next()
  },
  { capture: true },
)
useEventListener(document, 'keydown', ({ key }) => {
  if (key === 'Escape' && task.value) task.value = undefined
})

const ROOM = 130
const EDGE = 120
const callout = computed(() => {
  const box = place.value
  if (!box) return { right: '12px', bottom: '12px' }
  // What stands at the left edge has others above and below it: beside it nothing is covered.
  if (box.left + box.width < EDGE)
    return { left: `${box.left + box.width + 12}px`, top: `${Math.min(box.top, innerHeight - ROOM - 12)}px` }
  const left = `${Math.max(12, Math.min(box.left, innerWidth - 332))}px`
  return box.top + box.height + ROOM < innerHeight
    ? { left, top: `${box.top + box.height + 12}px` }
    : { left, bottom: `${innerHeight - box.top + 12}px` }
})
</script>

<template>
  <Teleport v-if="task && step" to="body">
    <div
      v-if="place"
      class="pointer-events-none fixed z-3000 rounded-8 border-[2.5px] border-focus"
      data-testid="ring"
      :style="{
        left: `${place.left - 5}px`,
        top: `${place.top - 5}px`,
        width: `${place.width + 10}px`,
        height: `${place.height + 10}px`,
      }"
    />
    <section
      class="pointer-events-none fixed z-3001 gap-1.5 rounded-8 border-[1.5px] border-ink bg-paper-high px-3.5 py-2.5 text-ink"
      :class="place ? 'grid w-[min(320px,calc(100vw_-_24px))]' : 'flex items-center py-1.5'"
      :style="callout"
      role="region"
      aria-label="Step by step"
    >
      <p class="caption soft">{{ task.title }} · {{ at + 1 }} of {{ task.steps.length }}</p>
      <p v-if="place" role="status">{{ step.text }}</p>
      <p v-else class="text-13" role="status">This step is in another view.</p>
      <div class="pointer-events-auto flex justify-end gap-1.5">
        <v-btn size="small" variant="text" @click="task = undefined">Close</v-btn>
        <v-btn ref="on" size="small" variant="flat" color="ink" @click="((byButton = true), next())">{{
          last ? 'Done' : 'Next'
        }}</v-btn>
      </div>
    </section>
  </Teleport>
</template>
