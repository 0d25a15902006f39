<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { useElementSize } from '@vueuse/core'
import { computed, reactive, toRefs, useTemplateRef } from 'vue'
import type { DeviceModel } from '../../core/device/model'
import type { Hand } from '../../core/document/schema'
import DeviceDrawing from '../../look/DeviceDrawing.vue'
import DrawingLabel from './DrawingLabel.vue'
import { MARGIN, useDrawingLayout } from './drawing-layout'
import { accessibleNames, type InputLabel } from '../../core/text/input-labels'

/** The drawing sheet: a device to scale in the middle, with a label and a leader line for every input. */
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
/** Below this width, labels would cover the device, so only numbers are shown. */
const MIN_WIDTH = 520
const bare = computed(() => width.value < MIN_WIDTH)

const names = computed(() => accessibleNames(props.model, props.labels, ({ name }) => name, textOf))

const { scale, origin, boxes, captions, guides, labelWidth, labelHeight } = useDrawingLayout(
  reactive({ ...toRefs(props), bare }),
  width,
  height,
)
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
        :title="t('buttons.drawnToScaleWithTheActionsOf', { name: model.name })"
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
        {{ textOf(caption.title) }}
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
      <DrawingLabel
        v-for="box in bare ? [] : boxes"
        :key="box.id"
        :box="box"
        :width="labelWidth"
        :height="labelHeight"
        :label="labels[box.id]"
        :on="box.id === chosen"
        @choose="(id) => emit('choose', id)"
        @hover="(id) => emit('hover', id)"
        @drop="(text, id) => emit('drop', text, id)"
      />
    </template>
    <div class="absolute end-3.5 bottom-3.5 grid justify-items-end gap-2"><slot /></div>
  </div>
</template>

<style scoped>
.device,
.lines,
.view {
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
</style>
