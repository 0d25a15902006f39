<script setup lang="ts">
import { messageStart, t } from '../../../messages/page'
import { clamp } from '../../../core/base/numbers'
import { useEventListener, useRafFn } from '@vueuse/core'
import { computeAccessibleName, getRole } from 'dom-accessibility-api'
import { computed, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useHelp, type HelpStep } from '../../shared/help'

/**
 * A task on the real controls: a ring around the current one, the instruction, and the next button. Clicks go through
 * it to the page; if its control is not visible, it is one line at the bottom of the window.
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

/** A step names a control by its message; `…` means any, and a name with a space belongs to the profile. */
const MESSAGE = /^[a-z]+\.\w+$/

function find({ role, name: named }: HelpStep): Element | undefined {
  const name = MESSAGE.test(named) ? messageStart(named) : named
  const begins = name.endsWith('…') && name !== '…' ? name.slice(0, -1).trimEnd() : name
  for (const each of document.querySelectorAll(ROLES[role] ?? `[role=${role}]`)) {
    if (getRole(each) !== role || !each.checkVisibility()) continue
    const own = computeAccessibleName(each)
    if (name === '…' || own === name || (begins !== name && own.startsWith(begins))) return each
  }
  return undefined
}

const on = useTemplateRef<{ $el: HTMLElement }>('on')
/** The person continues by the button, or has done nothing yet: it keeps the focus, even after a change of view. */
let byButton = true
/** Whether this step's control was found before: afterwards, the focus follows the person. */
let foundBefore = false
/** Until when a new view may move the focus to its heading. */
const SETTLES_MS = 1500
let settled = 0
let looked = 0
/** Searched again regularly, and positioned each frame, because views appear and scroll. */
useRafFn(({ timestamp }) => {
  if (!step.value) return
  if (!target.value?.isConnected || timestamp - looked > 300) {
    looked = timestamp
    const found = find(step.value)
    if (found && found !== target.value) found.scrollIntoView({ block: 'nearest' })
    // A slow view may move the focus only now.
    if (found && !foundBefore) settled = performance.now() + SETTLES_MS
    foundBefore ||= found !== undefined
    target.value = found
  }
  // The circle of a radio button may be hidden; its surroundings are visible.
  const seen = target.value?.closest('.v-radio') ?? target.value
  const box = seen?.getBoundingClientRect()
  keepFocus()
  place.value = box && { left: box.left, top: box.top, width: box.width, height: box.height }
})
const router = useRouter()
watch(
  step,
  (now) => {
    target.value = undefined
    place.value = undefined
    foundBefore = false
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
/** Performing the step continues to the next. */
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
  // Controls at the left edge have others above and below them: the callout goes beside them and covers nothing.
  if (box.left + box.width < EDGE)
    return { left: `${box.left + box.width + 12}px`, top: `${Math.min(box.top, innerHeight - ROOM - 12)}px` }
  const left = `${clamp(box.left, 12, innerWidth - 332)}px`
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
      :aria-label="t('shell.stepByStep')"
    >
      <p class="caption soft">
        {{ t('shell.of', { title: task.title, number: at + 1, count: task.steps.length }) }}
      </p>
      <p v-if="place" role="status">{{ step.text }}</p>
      <p v-else class="text-13" role="status">{{ t('shell.thisStepIsInAnotherView') }}</p>
      <div class="pointer-events-auto flex justify-end gap-1.5">
        <v-btn size="small" variant="text" @click="task = undefined">{{ t('shell.close') }}</v-btn>
        <v-btn ref="on" size="small" variant="flat" color="ink" @click="((byButton = true), next())">{{
          last ? t('shell.done') : t('shell.next')
        }}</v-btn>
      </div>
    </section>
  </Teleport>
</template>
