<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { itemAt } from '../../core/base/items'
import { useElementSize } from '@vueuse/core'
import { computed, useId, useTemplateRef } from 'vue'
import { eventMessage, eventObject } from '../../core/text/event-text'
import type { MacroEvent } from '../../core/document/macro'
import { matchesShortcut } from '../shared/command-keys'
import { useMacros } from '../stores/macros'
import { handleKey, type MacroView } from './macro-view'
import { barsOf, lanesOf, ticksOf, visibleBars, type Bar } from '../../core/timeline/lanes'
import { useTimelinePointer } from './timeline-pointer'
import { useTimeScale } from './time-scale'

/** The timeline of the macro: a lane per key, a bar from press to release. */
const props = defineProps<{ work: MacroView; sent?: { requestedMs: number; sentMs: number }[] }>()
const macros = useMacros()
const id = useId()
const spoken = computed(() => props.work.spoken(props.work.cursor))
const area = useTemplateRef<HTMLElement>('area')
const { width } = useElementSize(area)
const LABEL = 108
const LANE = 20
const RULER = 22
/** With more bars than this, those narrower than so many px are too fine. */
const FEW = 300
const FINEST = 5

const scale = useTimeScale(
  width,
  LABEL,
  () => props.work.lasts,
  () => props.work.editor.openId,
)
const { pxPerMs, fromMs, room, span, x, fit, zoom, pan, show } = scale
const lanes = computed(() => lanesOf(props.work.events))
const bars = computed(() =>
  barsOf(props.work.events, props.work.times, props.work.pairs, lanes.value, props.work.lasting),
)
const inSight = computed(() => visibleBars(bars.value, fromMs.value, fromMs.value + span.value))
/** Too fine to be seen individually: drawn together, so that thousands are cheap. */
const isFine = (bar: Bar) =>
  inSight.value.length > FEW &&
  (bar.toMs - bar.fromMs) * pxPerMs.value < FINEST &&
  !(isSelected(bar) && props.work.selected.size < FEW)
const shown = computed(() => inSight.value.filter((bar) => !isFine(bar)))
const strokesOf = (list: Bar[]) =>
  list.map((bar) => `M${x(bar.fromMs).toFixed(1)} ${top.value + bar.lane * LANE + 3}v${LANE - 6}`).join('')
const fine = computed(() => inSight.value.filter(isFine))
const finePaths = computed(() => [
  { name: 'fine', path: strokesOf(fine.value.filter((bar) => !isSelected(bar))) },
  { name: 'fine chosen', path: strokesOf(fine.value.filter(isSelected)) },
])
/** Width of a label of the ruler, in px. */
const TICK_TEXT = 66
const ticks = computed(() => ticksOf(fromMs.value, room.value, pxPerMs.value))
const tickPx = computed(() => x(ticks.value[1]?.ms ?? Infinity) - x(ticks.value[0]?.ms ?? 0))
/** The sent changes of a dry run are below the ruler, before the lanes. */
const top = computed(() => RULER + (props.sent ? LANE : 0))
const height = computed(() => top.value + Math.max(3, lanes.value.length) * LANE + 6)

const { frame, isSelected, press } = useTimelinePointer(
  props.work,
  area,
  scale,
  (px) => (px - top.value) / LANE,
  () => inSight.value,
)

function onWheel(event: WheelEvent): void {
  const left = area.value?.getBoundingClientRect().left ?? 0
  if (event.ctrlKey) zoom(Math.exp(-event.deltaY / 300), event.clientX - left)
  else if (event.shiftKey || event.deltaX !== 0) pan((event.deltaX || event.deltaY) / pxPerMs.value)
  else return
  event.preventDefault()
}

function onKey(event: KeyboardEvent): void {
  if (matchesShortcut(event, 'events.zoom-in')) zoom(1.5)
  else if (matchesShortcut(event, 'events.zoom-out')) zoom(1 / 1.5)
  else if (matchesShortcut(event, 'events.fit')) fit()
  else if (!handleKey(props.work, event, 'x')) return
  event.preventDefault()
  show(props.work.times[props.work.cursor] ?? 0)
}

/** The text inside a bar, as far as it fits. */
function within(event: MacroEvent, px: number): string {
  const text =
    event.kind === 'pause'
      ? t('macros.delayEvent')
      : textOf(eventObject(event, props.work.layout, macros.shelf))
  const max = Math.floor((px - 10) / 7)
  return text.length > max ? `${text.slice(0, Math.max(1, max - 1))}…` : text
}

const label = (event: MacroEvent) => textOf(eventMessage(event, props.work.layout, macros.shelf))
defineExpose({ zoom, fit })
</script>

<template>
  <div
    ref="area"
    class="line relative max-h-[224px] min-h-[120px] touch-none overflow-x-hidden overflow-y-auto rounded-6 border border-line-strong bg-paper-high"
    tabindex="0"
    role="listbox"
    :aria-label="t('macros.timeline')"
    aria-multiselectable="true"
    :aria-activedescendant="spoken ? `${id}-${work.cursor}` : undefined"
    :aria-description="t('macros.eventsInMsDragAFrameTo', { count: work.events.length, length: work.lasts })"
    @keydown="onKey"
    @wheel="onWheel"
    @pointerdown="press($event)"
  >
    <!-- The bars are a drawing; a screen reader has the event that arrow keys came to. -->
    <div
      v-if="spoken"
      :id="`${id}-${work.cursor}`"
      :key="work.cursor"
      class="visually-hidden"
      role="option"
      :aria-selected="work.selected.has(work.cursor)"
      :aria-posinset="work.cursor + 1"
      :aria-setsize="work.events.length"
    >
      {{ spoken }}
    </div>
    <svg class="block" :width="width" :height="height" aria-hidden="true">
      <g v-for="tick in ticks" :key="tick.ms">
        <line class="stroke-line" :x1="x(tick.ms)" :x2="x(tick.ms)" :y1="RULER" :y2="height" />
        <!-- At the end of the ruler its words stand before the line, where the line before leaves room for both. -->
        <text v-if="x(tick.ms) + TICK_TEXT < width" class="font-mono" :x="x(tick.ms) + 3" :y="14">
          {{ tick.text }}
        </text>
        <text
          v-else-if="tickPx > 2 * TICK_TEXT"
          class="font-mono"
          :x="x(tick.ms) - 3"
          :y="14"
          text-anchor="end"
        >
          {{ tick.text }}
        </text>
      </g>
      <line class="stroke-line-strong" :x1="LABEL" :x2="width" :y1="RULER" :y2="RULER" />
      <line
        v-for="(lane, index) in lanes"
        :key="lane.id"
        class="stroke-line [stroke-dasharray:1_4]"
        :x1="LABEL"
        :x2="width"
        :y1="top + (index + 1) * LANE"
        :y2="top + (index + 1) * LANE"
      />
      <rect
        v-if="frame && frame.fromLane < lanes.length"
        class="pointer-events-none fill-macro-wash stroke-macro [stroke-dasharray:3_3]"
        :x="x(frame.fromMs)"
        :y="top + frame.fromLane * LANE"
        :width="(frame.toMs - frame.fromMs) * pxPerMs"
        :height="(Math.min(frame.toLane, lanes.length) - frame.fromLane) * LANE"
      />
      <path v-for="{ name, path } in finePaths" :key="name" :class="name" :d="path" />
      <g
        v-for="bar in shown"
        :key="bar.index"
        class="bar"
        :class="[
          bar.family,
          {
            chosen: isSelected(bar),
          },
        ]"
        @pointerdown.stop="press($event, bar)"
      >
        <title>{{ work.spoken(bar.index) }}</title>
        <rect
          class="cursor-grab fill-bar-macro"
          :x="x(bar.fromMs)"
          :y="top + bar.lane * LANE + 3"
          :width="Math.max(4, (bar.toMs - bar.fromMs) * pxPerMs)"
          :height="LANE - 6"
          rx="2"
        />
        <text
          v-if="bar.family === 'other' && (bar.toMs - bar.fromMs) * pxPerMs > 40"
          :x="x(bar.fromMs) + 6"
          :y="top + bar.lane * LANE + 14"
        >
          {{ within(itemAt(work.events, bar.index), (bar.toMs - bar.fromMs) * pxPerMs) }}
        </text>
      </g>
      <g v-if="sent">
        <line
          v-for="(each, index) in sent"
          :key="index"
          class="stroke-motion stroke-[1.5]"
          :x1="x(each.requestedMs)"
          :x2="x(each.sentMs)"
          :y1="RULER + 4"
          :y2="top - 3"
        />
      </g>
      <rect class="fill-paper-high" x="0" y="0" :width="LABEL" :height="height" />
      <g v-for="(lane, index) in lanes" :key="lane.id" class="name">
        <text x="12" :y="top + index * LANE + 14">
          {{
            lane.event
              ? label({ ...lane.event, does: 'press' } as MacroEvent).replace(/^Press /, '')
              : t('macros.otherEvents')
          }}
        </text>
      </g>
      <text v-if="sent" class="caption-text" x="12" :y="RULER + 14">{{ t('macros.asSent') }}</text>
    </svg>
    <p v-if="work.events.length === 0" class="soft absolute inset-0 grid place-content-center">
      {{ t('macros.noEventsYetRecordWhatYouDo') }}
    </p>
  </div>
</template>

<style scoped>
text {
  fill: var(--ink-soft);
  font-size: 0.858rem;
}

.name text {
  fill: var(--ink);
  font-weight: 550;
}

.fine {
  stroke: var(--bar-macro);
  stroke-width: 2;
}

.fine.chosen {
  stroke: var(--ink);
}

.bar text {
  fill: var(--bright);
  pointer-events: none;
}

.bar.other rect {
  fill: var(--macro-wash);
  stroke: var(--macro);
}

.bar.other text {
  fill: var(--macro);
}

.bar.open rect {
  fill: var(--pending);
}

.bar.chosen rect {
  stroke: var(--ink);
  stroke-width: 2.5;
}

.caption-text {
  fill: var(--motion);
}

/* A drawing keeps its own colours; these would belong to a theme that is not the person's. */
@media (forced-colors: active) {
  text,
  .name text,
  .bar.other text,
  .caption-text {
    fill: CanvasText;
  }

  .bar rect,
  .fine {
    stroke: CanvasText;
  }

  .fill-paper-high {
    fill: Canvas;
  }

  .bar.chosen rect {
    stroke: Highlight;
    stroke-width: 4;
  }
}
</style>
