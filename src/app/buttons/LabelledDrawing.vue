<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import type { DeviceModel } from '../../core/device/model'
import type { Hand } from '../../core/document/schema'
import DeviceDrawing from '../../look/DeviceDrawing.vue'
import { MARGIN, useDrawingLayout } from './drawing-layout'
import type { InputLabel } from './labels'

/** The drawing sheet: a device to scale in the middle, a label with a leader line for every input around it. */
const props = defineProps<{
  model: DeviceModel
  lights: () => Uint8Array
  labels: Record<string, InputLabel>
  chosen?: string
  hovered?: string
  hand: Hand
}>()
const emit = defineEmits<{
  choose: [inputId: string]
  hover: [inputId: string | undefined]
  drop: [text: string, inputId: string]
}>()

const pane = useTemplateRef<HTMLElement>('pane')
const { width: room, height } = useElementSize(pane)
/** Narrower than this, labels would lie over the device: then the sheet is moved under its window. */
const LEAST_WIDTH = 520
const width = computed(() => (room.value > 0 ? Math.max(LEAST_WIDTH, room.value) : 0))

const { scale, origin, boxes, captions, guides, labelWidth, labelHeight } = useDrawingLayout(
  props,
  width,
  height,
)

function drop(event: DragEvent, inputId: string): void {
  const text = event.dataTransfer?.getData('text/plain')
  if (text) emit('drop', text, inputId)
}
</script>

<template>
  <div ref="pane" class="drawing sheet">
    <template v-if="width > 0">
      <svg class="lines under" :width="width" :height="height" aria-hidden="true">
        <line class="guide" :x1="guides.from" :x2="guides.to" :y1="guides.top" :y2="guides.top" />
        <line class="guide" :x1="guides.from" :x2="guides.to" :y1="guides.bottom" :y2="guides.bottom" />
      </svg>
      <DeviceDrawing
        class="device"
        :style="{ left: `${origin.x}px`, top: `${origin.y}px` }"
        :model="model"
        :scale="scale"
        :lights="lights"
        :chosen="chosen"
        :marked="hovered ? [hovered] : []"
        :title="`${model.name}, drawn to scale`"
        :hand="hand"
        @pick="(input) => emit('choose', input.id)"
        @hover="(id) => emit('hover', id)"
        @drop="(text, input) => emit('drop', text, input.id)"
      />
      <span
        v-for="caption in captions"
        :key="caption.id"
        class="caption view"
        :style="{ left: `${caption.x}px`, top: `${caption.y}px` }"
      >
        {{ caption.title }}
      </span>
      <svg class="lines" :width="width" :height="height" aria-hidden="true">
        <g v-for="box in boxes" :key="box.id" :class="{ on: box.id === chosen || box.id === hovered }">
          <line
            class="leader"
            :x1="box.from.x + MARGIN"
            :y1="box.from.y + MARGIN"
            :x2="box.anchor.x + MARGIN"
            :y2="box.anchor.y + MARGIN"
          />
        </g>
        <g
          v-for="box in boxes"
          :key="`number ${box.id}`"
          :class="{ on: box.id === chosen || box.id === hovered }"
        >
          <text class="end" :x="box.anchor.x + MARGIN" :y="box.anchor.y + MARGIN">
            {{ box.input?.number }}
          </text>
        </g>
      </svg>
      <button
        v-for="box in boxes"
        :key="box.id"
        type="button"
        class="label"
        :class="[box.side, { on: box.id === chosen }]"
        :style="{
          left: `${box.x + MARGIN}px`,
          top: `${box.y + MARGIN}px`,
          width: `${labelWidth}px`,
          height: `${labelHeight}px`,
        }"
        :aria-pressed="box.id === chosen"
        :title="labels[box.id]?.title"
        @click="emit('choose', box.id)"
        @pointerenter="emit('hover', box.id)"
        @pointerleave="emit('hover', undefined)"
        @dragover.prevent="emit('hover', box.id)"
        @drop.prevent="drop($event, box.id)"
      >
        <span class="base">
          <span class="mono number">{{ box.input?.number }}</span>
          <span class="visually-hidden">{{ box.input?.name }} </span>
          <span class="does" :class="labels[box.id]?.base.family">{{ labels[box.id]?.base.text }}</span><span
            v-if="labels[box.id]?.pending"
            class="dot"
            title="not on the device yet"
          />
        </span>
        <span v-if="labels[box.id]?.tap" class="over tap">tap: {{ labels[box.id]?.tap }}</span>
        <span
          v-for="line in labels[box.id]?.layers"
          :key="line.index"
          class="over"
          :class="`layer-${line.colour}`"
          ><span class="mono place">{{ line.index }}</span
          >{{ line.text }}</span
        >
        <span
          v-if="labels[box.id]?.layers.length === 0 && !labels[box.id]?.tap"
          class="what"
          :aria-hidden="labels[box.id]?.below === box.input?.name"
          >{{ labels[box.id]?.below }}</span
        >
      </button>
    </template>
    <div class="corner"><slot /></div>
  </div>
</template>

<style scoped>
.drawing {
  position: relative;
  height: 100%;
  overflow: auto hidden;
}

.device,
.lines,
.view,
.label {
  position: absolute;
}

.lines {
  inset: 0;
  pointer-events: none;
}

.guide {
  stroke: var(--line-strong);
  stroke-dasharray: 1 4;
}

.leader {
  stroke: var(--line-strong);
  stroke-width: 1;
}

.end {
  dominant-baseline: central;
  fill: #f4f2ea;
  font-family: 'IBM Plex Mono', monospace;
  font-size: 0.858rem;
  font-weight: 600;
  paint-order: stroke;
  stroke: #23272f;
  stroke-width: 5px;
  text-anchor: middle;
}

.on .leader {
  stroke: var(--binding);
  stroke-width: 1.5;
}

.on .end {
  stroke: var(--bar-binding);
}

.view {
  transform: translateX(-50%);
  white-space: nowrap;
}

.label {
  display: flex;
  flex-direction: column;
  justify-content: center;
  padding: 1px 7px;
  border: 1px solid transparent;
  border-radius: 5px;
  background: color-mix(in srgb, var(--paper) 86%, transparent);
  color: inherit;
  font: inherit;
  line-height: 1.18;
  text-align: left;
  cursor: pointer;
}

.label:hover {
  border-color: var(--line-strong);
}

.label.on {
  border-color: var(--binding);
  background: var(--binding-wash);
}

.base,
.over,
.what {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.what {
  color: var(--ink-soft);
  font-size: 0.858rem;
}

.number,
.place {
  margin-right: 5px;
  color: var(--ink-soft);
  font-size: 0.858rem;
}

.over {
  color: var(--layer);
  font-size: 0.858rem;
}

.over.tap {
  color: var(--ink-soft);
}

.over .place {
  color: inherit;
}

.does {
  font-weight: 620;
}

.does.binding {
  color: var(--binding);
}

.does.macro {
  color: var(--macro);
}

.does.motion {
  color: var(--motion);
}

.does.light {
  color: var(--light);
}

.does.system {
  color: var(--system);
}

.corner {
  position: absolute;
  right: 14px;
  bottom: 14px;
  display: grid;
  gap: 8px;
  justify-items: end;
}

.dot {
  display: inline-block;
  width: 7px;
  height: 7px;
  border-radius: 50%;
  margin-left: 6px;
  background: var(--pending);
}
</style>
