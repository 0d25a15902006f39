<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { itemAt } from '../../core/base/items'
import { useVirtualList } from '@vueuse/core'
import { computed, nextTick, watch } from 'vue'
import { eventObject, eventVerb } from '../../core/text/event-text'
import { useMacros } from '../stores/macros'
import { handleKey, type MacroView } from './macro-view'
import NumberField from '../shared/NumberField.vue'

/** The same events with their exact values; only visible ones are rendered. */
const props = defineProps<{ work: MacroView }>()
const macros = useMacros()
const ROW = 30
const COLUMNS = ['macros.no', 'macros.at', 'macros.delayBeforeMs', 'macros.event2'] as const

const events = computed(() => props.work.events)
const atMs = (index: number) => itemAt(props.work.times, index)
const partner = (index: number) => props.work.pairs[index]
/** How long the key of a press is held. */
const heldMs = (index: number): number | undefined => {
  const release = partner(index)
  return release !== undefined && release > index ? atMs(release) - atMs(index) : undefined
}
const { list, containerProps, wrapperProps, scrollTo } = useVirtualList(events, {
  itemHeight: ROW,
  overscan: 8,
})

watch(
  () => props.work.cursor,
  async (index) => {
    await nextTick()
    const box = containerProps.ref.value
    if (box && (index * ROW < box.scrollTop || (index + 1) * ROW > box.scrollTop + box.clientHeight))
      scrollTo(Math.max(0, index - 3))
  },
)

function onKey(event: KeyboardEvent): void {
  const inField = event.target instanceof HTMLInputElement
  if (inField && event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return
  if (handleKey(props.work, event, 'y')) event.preventDefault()
}
</script>

<template>
  <div
    class="box grid min-h-0 grid-rows-[auto_minmax(0,1fr)] overflow-hidden rounded-6 border border-line-strong bg-paper-high focus-visible:-outline-offset-2"
    tabindex="0"
    role="grid"
    :aria-label="t('macros.events')"
    aria-multiselectable="true"
    :aria-rowcount="work.events.length + 1"
    :aria-colcount="COLUMNS.length"
    :aria-activedescendant="work.events.length ? `event-${work.cursor}` : undefined"
    @keydown="onKey"
  >
    <div
      class="caption grid min-h-7 grid-cols-[44px_64px_112px_minmax(0,1fr)] items-center gap-2 border-b border-line px-2.5 py-0 text-ink-soft"
      role="row"
      aria-rowindex="1"
    >
      <span v-for="column in COLUMNS" :key="column" role="columnheader">{{ t(column) }}</span>
    </div>
    <div v-bind="containerProps" role="presentation">
      <div v-bind="wrapperProps" role="rowgroup">
        <div
          v-for="{ data, index } in list"
          :id="`event-${index}`"
          :key="index"
          class="row grid h-7.5 cursor-default grid-cols-[44px_64px_112px_minmax(0,1fr)] items-center gap-2 px-2.5 py-0"
          :class="{
            chosen: work.selected.has(index),
            release: 'does' in data && data.does === 'release',
          }"
          role="row"
          :aria-rowindex="index + 2"
          :aria-selected="work.selected.has(index)"
          @click="work.select(index, work.clickOf($event))"
        >
          <span class="mono faint" role="rowheader">{{ index + 1 }}</span>
          <span class="mono" role="gridcell" :aria-label="t('macros.atMs', { atMs: atMs(index) })">{{
            atMs(index)
          }}</span>
          <span role="gridcell">
            <NumberField
              :value="data.afterMs"
              :label="t('macros.delayBeforeEventInMs', { index: index + 1 })"
              :apply="(ms) => work.delay(index, ms)"
            />
          </span>
          <span class="flex min-w-0 items-center gap-2 whitespace-nowrap" role="gridcell">
            <span class="verb soft w-11.5">{{ textOf(eventVerb(data)) }}</span>
            <v-kbd v-if="data.kind === 'key'" class="keycap">{{
              textOf(eventObject(data, work.layout, macros.shelf))
            }}</v-kbd>
            <v-chip v-else :text="textOf(eventObject(data, work.layout, macros.shelf))" />
            <span v-if="heldMs(index) !== undefined" class="caption faint">
              {{ t('macros.heldMs', { heldMs: heldMs(index) }) }}
            </span>
            <span v-else-if="'does' in data && partner(index) === undefined" class="caption pending">{{
              t('macros.unpaired')
            }}</span>
          </span>
        </div>
      </div>
    </div>
  </div>
</template>

<style scoped>
.row.chosen {
  background: var(--macro-wash);
}
</style>
