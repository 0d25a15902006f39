<script setup lang="ts">
import { t } from '../../messages/page'
import { clamp } from '../../core/base/numbers'
import { itemAt } from '../../core/base/items'
import { computed, useTemplateRef } from 'vue'
import { dpiAtPosition, scalePosition, scaleMarks } from '../../core/motion/scale'
import { followPointer } from '../shared/follow-pointer'
import type { SensorRange } from '../../core/device/model'

/** All steps on one logarithmic scale: equal distances are equal factors. Each is dragged, or moved by arrow keys. */
const props = defineProps<{
  sensor: SensorRange
  steps: { dpi: number; colour: string }[]
  defaultStep: number
}>()
const emit = defineEmits<{
  slide: [index: number, dpi: number]
  /** Distance of the pointer while dragging a step, in px. */
  hand: [x: number, y: number]
}>()

const rule = useTemplateRef<HTMLElement>('rule')
const marks = computed(() =>
  scaleMarks(props.sensor).map((mark) => ({ ...mark, place: scalePosition(props.sensor, mark.dpi) })),
)

function drag(index: number, event: PointerEvent): void {
  if (!rule.value) return
  followPointer(event, rule.value, (at, from, { movementX, movementY }) => {
    if (at === from) return
    emit('hand', movementX, movementY)
    emit('slide', index, dpiAtPosition(props.sensor, at.x))
  })
}

function key(index: number, event: KeyboardEvent): void {
  const { minDpi, maxDpi, resolutionDpi } = props.sensor
  const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1, PageUp: 10, PageDown: -10 }[event.key]
  const dpi =
    event.key === 'Home'
      ? minDpi
      : event.key === 'End'
        ? maxDpi
        : itemAt(props.steps, index).dpi + (by ?? 0) * resolutionDpi
  if (by === undefined && event.key !== 'Home' && event.key !== 'End') return
  event.preventDefault()
  emit('slide', index, clamp(dpi, minDpi, maxDpi))
}
</script>

<template>
  <div class="px-5.5 py-8.5">
    <div ref="rule" class="relative h-5.5 border border-t-0 border-ink bg-paper-high">
      <span
        v-for="mark in marks"
        :key="mark.dpi"
        class="mark absolute bottom-0 h-1.5 border-s border-line-strong"
        :class="{ named: mark.named }"
        :style="{ left: `${mark.place * 100}%` }"
      >
        <span v-if="mark.named" class="mono absolute top-3.25 -translate-x-1/2 text-12 text-ink-faint">{{
          mark.dpi
        }}</span>
      </span>
      <button
        v-for="(step, index) in steps"
        :key="index"
        type="button"
        class="handle absolute bottom-3.25 -ms-3 grid h-7.5 w-6 cursor-ew-resize touch-none justify-items-center border-0 bg-transparent bg-none p-0 text-inherit"
        role="slider"
        :class="{ standard: index === defaultStep }"
        :style="{ left: `${scalePosition(sensor, step.dpi) * 100}%`, '--colour': step.colour }"
        :aria-label="t('motion.step2', { number: index + 1 })"
        :aria-valuemin="sensor.minDpi"
        :aria-valuemax="sensor.maxDpi"
        :aria-valuenow="step.dpi"
        :aria-valuetext="t('motion.dpi', { dpi: step.dpi })"
        @pointerdown="drag(index, $event)"
        @keydown="key(index, $event)"
      >
        <span class="mono number">{{ index + 1 }}</span>
      </button>
    </div>
  </div>
</template>

<style scoped>
.mark.named {
  height: 12px;
  border-left-color: var(--ink);
}

.handle::after {
  width: 2px;
  height: 12px;
  background: var(--ink);
  content: '';
}

.number {
  display: grid;
  width: 22px;
  height: 20px;
  border: 2px solid var(--colour);
  border-radius: 4px;
  background: var(--paper-high);
  box-shadow: 0 0 0 1px var(--ink);
  place-items: center;
  font-size: 0.858rem;
  font-weight: 600;
}

.standard .number {
  background: var(--ink);
  color: var(--paper);
}
</style>
