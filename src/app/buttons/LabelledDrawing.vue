<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, reactive, toRefs, useTemplateRef } from 'vue'
import type { DeviceModel } from '../../core/device/model'
import type { Hand } from '../../core/document/schema'
import DeviceDrawing from '../../look/DeviceDrawing.vue'
import { MARGIN, useDrawingLayout } from './drawing-layout'
import { spokenNames, type InputLabel } from '../../core/text/input-labels'

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
const { width, height } = useElementSize(pane)
/** Narrower than this, labels would lie over the device: then it has its numbers alone. */
const LEAST_WIDTH = 520
const bare = computed(() => width.value < LEAST_WIDTH)

const names = computed(() => spokenNames(props.model, props.labels, ({ name }) => name))

const { scale, origin, boxes, captions, guides, labelWidth, labelHeight } = useDrawingLayout(
  reactive({ ...toRefs(props), bare }),
  width,
  height,
)

function drop(event: DragEvent, inputId: string): void {
  const text = event.dataTransfer?.getData('text/plain')
  if (text) emit('drop', text, inputId)
}
</script>

<template>
  <div ref="pane" class="drawing sheet relative h-full overflow-hidden">
    <template v-if="width > 0">
      <svg class="lines under pointer-events-none inset-0" :width="width" :height="height" aria-hidden="true">
        <line
          class="stroke-line-strong [stroke-dasharray:1_4]"
          :x1="guides.from"
          :x2="guides.to"
          :y1="guides.top"
          :y2="guides.top"
        />
        <line
          class="stroke-line-strong [stroke-dasharray:1_4]"
          :x1="guides.from"
          :x2="guides.to"
          :y1="guides.bottom"
          :y2="guides.bottom"
        />
      </svg>
      <DeviceDrawing
        class="device"
        :style="{ left: `${origin.x}px`, top: `${origin.y}px` }"
        :model="model"
        :scale="scale"
        :lights="lights"
        :chosen="chosen"
        :marked="hovered ? [hovered] : []"
        :title="`${model.name}, drawn to scale: inputs and what they do`"
        pressable
        :names="names"
        :hand="hand"
        @press="(input) => emit('choose', input.id)"
        @pick="(input) => emit('choose', input.id)"
        @hover="(id) => emit('hover', id)"
        @drop="(text, input) => emit('drop', text, input.id)"
      />
      <span
        v-for="caption in captions"
        :key="caption.id"
        class="caption view -translate-x-1/2 whitespace-nowrap"
        :style="{ left: `${caption.x}px`, top: `${caption.y}px` }"
      >
        {{ caption.title }}
      </span>
      <svg class="lines pointer-events-none inset-0" :width="width" :height="height" aria-hidden="true">
        <g v-for="box in boxes" :key="box.id" :class="{ on: box.id === chosen || box.id === hovered }">
          <line
            v-if="!bare"
            class="leader stroke-line-strong stroke-1"
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
      <!-- For the pointer: keys and screen readers have the inputs of the drawing, which say the same. -->
      <button
        v-for="box in bare ? [] : boxes"
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
        tabindex="-1"
        aria-hidden="true"
        :title="labels[box.id]?.title"
        @click="emit('choose', box.id)"
        @pointerenter="emit('hover', box.id)"
        @pointerleave="emit('hover', undefined)"
        @dragover.prevent="emit('hover', box.id)"
        @drop.prevent="drop($event, box.id)"
      >
        <span class="base">
          <span class="mono number">{{ box.input?.number }}</span>
          <span class="does font-semi" :class="labels[box.id]?.base.family">{{
            labels[box.id]?.base.text
          }}</span><span
            v-if="labels[box.id]?.pending"
            class="ml-1.5 inline-block h-1.75 w-1.75 rounded-full bg-pending"
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
          class="what text-12 text-ink-soft"
          >{{ labels[box.id]?.below }}</span
        >
      </button>
    </template>
    <div class="absolute right-3.5 bottom-3.5 grid justify-items-end gap-2"><slot /></div>
  </div>
</template>

<style scoped>
.device,
.lines,
.view,
.label {
  position: absolute;
}

.end {
  dominant-baseline: central;
  fill: var(--body-ink);
  font-family: 'IBM Plex Mono', monospace;
  font-size: 0.858rem;
  font-weight: 600;
  paint-order: stroke;
  stroke: var(--body-halo);
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
</style>
