<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import type { DeviceModel } from '../../core/device/model'
import { placeLabels } from '../../core/device/leaders'
import type { Rgb } from '../../core/light/effects'
import type { Hand } from '../../core/profile/schema'
import DeviceDrawing from '../../look/DeviceDrawing.vue'
import type { InputLabel } from './labels'

/** The drawing sheet: a device to scale in the middle, a label with a leader line for every input around it. */
const props = defineProps<{
  model: DeviceModel
  colours: Rgb[]
  labels: Record<string, InputLabel>
  hand: Hand
}>()
const emit = defineEmits<{ choose: [inputId: string]; drop: [text: string, inputId: string] }>()
const chosen = defineModel<string>('chosen')
const hovered = defineModel<string>('hovered')

/** Labels are as wide as the drawing leaves room for, within these. */
const NARROW = 112
const WIDE = 168
const LINE = 16.5
const MARGIN = 12
const CAPTION = 22
const LEAST_GAP = 4

const pane = useTemplateRef<HTMLElement>('pane')
const { width, height } = useElementSize(pane)

/** All labels are as tall as the tallest, so that columns stay even. */
const labelHeight = computed(() => {
  const lines = Math.max(...Object.values(props.labels).map(({ layers, tap }) => Math.max(1, layers.length + (tap ? 1 : 0))))
  return Math.round((1 + lines) * LINE + 4)
})
const leaderOf = (input: DeviceModel['inputs'][number]) =>
  props.hand === 'left' && input.leftHandLeader ? input.leftHandLeader : input.leader

/** Px per mm at which device and labels both fit; the same in every direction. */
const scale = computed(() => {
  const { widthMm } = props.model.sheet
  const roomX = width.value - 2 * (NARROW + BESIDE)
  return Math.max(1.4, Math.min(roomX / widthMm, scaleByHeight.value))
})
const BESIDE = MARGIN + 10
const scaleByHeight = computed(() => {
  const room = height.value - 2 * MARGIN - labelHeight.value - 22 - CAPTION
  return room / props.model.sheet.heightMm
})
const labelWidth = computed(() => {
  const room = (width.value - props.model.sheet.widthMm * scale.value) / 2 - BESIDE
  return Math.max(NARROW, Math.min(WIDE, room))
})
/** What height is left over goes above and below, most of it below. */
const origin = computed(() => {
  const left = height.value * (1 - scale.value / scaleByHeight.value)
  return {
    x: (width.value - props.model.sheet.widthMm * scale.value) / 2,
    y: MARGIN + labelHeight.value + 22 + Math.max(0, Math.min(90, left / 4)),
  }
})

const boxes = computed(() => {
  const views = new Map(props.model.sheet.views.map((view) => [view.id, view]))
  const requests = props.model.inputs.map((input) => {
    const leader = leaderOf(input)
    const [atX, atY] = views.get(leader.view)?.at ?? [0, 0]
    const anchor = {
      x: origin.value.x - MARGIN + (atX + leader.at[0]) * scale.value,
      y: origin.value.y - MARGIN + (atY + leader.at[1]) * scale.value,
    }
    return { id: input.id, anchor, side: leader.side }
  })
  const frame = { width: width.value - 2 * MARGIN, height: height.value - 2 * MARGIN }
  const placed = placeLabels(requests, {
    ...frame,
    labelWidth: labelWidth.value,
    labelHeight: labelHeight.value,
    gap: LEAST_GAP,
  })
  return placed.map((box) => ({ ...box, input: props.model.inputs.find(({ id }) => id === box.id) }))
})

function drop(event: DragEvent, inputId: string): void {
  const text = event.dataTransfer?.getData('text/plain')
  if (text) emit('drop', text, inputId)
}

const captions = computed(() =>
  props.model.sheet.views.map(({ id, title, at, widthMm, heightMm }) => ({
    id,
    title,
    x: origin.value.x + (at[0] + widthMm / 2) * scale.value,
    y: origin.value.y + (at[1] + heightMm) * scale.value + 6,
  })),
)

/** Lines along which the two large views are lined up, as on a technical drawing. */
const guides = computed(() => {
  const [first] = props.model.sheet.views
  const top = origin.value.y + 1.5 * scale.value
  const bottom = origin.value.y + (first.heightMm - 1.5) * scale.value
  return {
    top,
    bottom,
    from: origin.value.x - 8,
    to: origin.value.x + props.model.sheet.widthMm * scale.value + 8,
  }
})
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
        :colours="colours"
        :chosen="chosen"
        :marked="hovered ? [hovered] : []"
        :title="`${model.name}, drawn to scale`"
        :hand="hand"
        @pick="(input) => emit('choose', input.id)"
        @hover="(id) => (hovered = id)"
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
          <circle class="end" :cx="box.anchor.x + MARGIN" :cy="box.anchor.y + MARGIN" r="2.2" />
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
        :aria-label="`${box.input?.number} ${box.input?.name} ${labels[box.id]?.base.text}`"
        :title="labels[box.id]?.title"
        @click="emit('choose', box.id)"
        @pointerenter="hovered = box.id"
        @pointerleave="hovered = undefined"
        @dragover.prevent="hovered = box.id"
        @drop.prevent="drop($event, box.id)"
      >
        <span class="base">
          <span class="mono number">{{ box.input?.number }}</span>
          <span class="does" :class="labels[box.id]?.base.family">{{ labels[box.id]?.base.text }}</span
          ><span v-if="labels[box.id]?.pending" class="dot" title="not on the device yet" />
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
        <span v-if="labels[box.id]?.layers.length === 0 && !labels[box.id]?.tap" class="what">{{
          labels[box.id]?.below
        }}</span>
      </button>
    </template>
    <div class="corner"><slot /></div>
  </div>
</template>

<style scoped>
.drawing {
  position: relative;
  height: 100%;
  overflow: hidden;
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
  fill: var(--line-strong);
}

.on .leader {
  stroke: var(--binding);
  stroke-width: 1.5;
}

.on .end {
  fill: var(--binding);
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
  font-size: 12px;
}

.number,
.place {
  margin-right: 5px;
  color: var(--ink-soft);
  font-size: 12px;
}

.over {
  color: var(--layer);
  font-size: 12px;
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
