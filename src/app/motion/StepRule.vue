<script setup lang="ts">
import { computed, useTemplateRef } from 'vue'
import { dpiAtPlace, placeOnRule, ruleMarks } from '../../core/motion/scale'
import type { SensorRange } from '../../core/device/model'

/** All steps on one logarithmic rule: equal distances are equal factors. Each is dragged, or moved by arrow keys. */
const props = defineProps<{
  sensor: SensorRange
  steps: { dpi: number; colour: string }[]
  defaultStep: number
}>()
const emit = defineEmits<{
  slide: [index: number, dpi: number]
  /** How far the pointer went while it holds a step, in px. */
  hand: [x: number, y: number]
}>()

const rule = useTemplateRef<HTMLElement>('rule')
const marks = computed(() =>
  ruleMarks(props.sensor).map((mark) => ({ ...mark, place: placeOnRule(props.sensor, mark.dpi) })),
)

function drag(index: number, event: PointerEvent): void {
  if (
    !(event.currentTarget instanceof HTMLElement) ||
    !event.currentTarget.hasPointerCapture(event.pointerId)
  )
    return
  const box = rule.value?.getBoundingClientRect()
  emit('hand', event.movementX, event.movementY)
  if (box) emit('slide', index, dpiAtPlace(props.sensor, (event.clientX - box.left) / box.width))
}

function grab(event: PointerEvent): void {
  if (event.currentTarget instanceof HTMLElement) event.currentTarget.setPointerCapture(event.pointerId)
}

function key(index: number, event: KeyboardEvent): void {
  const { minDpi, maxDpi, resolutionDpi } = props.sensor
  const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1, PageUp: 10, PageDown: -10 }[event.key]
  const dpi =
    event.key === 'Home'
      ? minDpi
      : event.key === 'End'
        ? maxDpi
        : props.steps[index].dpi + (by ?? 0) * resolutionDpi
  if (by === undefined && event.key !== 'Home' && event.key !== 'End') return
  event.preventDefault()
  emit('slide', index, Math.min(maxDpi, Math.max(minDpi, dpi)))
}
</script>

<template>
  <div class="frame">
    <div ref="rule" class="rule">
      <span
        v-for="mark in marks"
        :key="mark.dpi"
        class="mark"
        :class="{ named: mark.named }"
        :style="{ left: `${mark.place * 100}%` }"
      >
        <span v-if="mark.named" class="mono">{{ mark.dpi }}</span>
      </span>
      <button
        v-for="(step, index) in steps"
        :key="index"
        type="button"
        class="handle"
        role="slider"
        :class="{ standard: index === defaultStep }"
        :style="{ left: `${placeOnRule(sensor, step.dpi) * 100}%`, '--colour': step.colour }"
        :aria-label="`Step ${index + 1}`"
        :aria-valuemin="sensor.minDpi"
        :aria-valuemax="sensor.maxDpi"
        :aria-valuenow="step.dpi"
        :aria-valuetext="`${step.dpi} DPI`"
        @pointerdown="grab"
        @pointermove="drag(index, $event)"
        @keydown="key(index, $event)"
      >
        <span class="mono number">{{ index + 1 }}</span>
      </button>
    </div>
  </div>
</template>

<style scoped>
.frame {
  padding: 34px 22px 34px;
}

.rule {
  position: relative;
  height: 22px;
  border: 1px solid var(--ink);
  border-top: 0;
  background: var(--paper-high);
}

.mark {
  position: absolute;
  bottom: 0;
  height: 6px;
  border-left: 1px solid var(--line-strong);
}

.mark.named {
  height: 12px;
  border-left-color: var(--ink);
}

.mark span {
  position: absolute;
  top: 13px;
  color: var(--ink-faint);
  font-size: 0.858rem;
  transform: translateX(-50%);
}

.handle {
  position: absolute;
  bottom: 13px;
  display: grid;
  width: 24px;
  height: 30px;
  padding: 0;
  border: 0;
  margin-left: -12px;
  background: none;
  color: inherit;
  cursor: ew-resize;
  justify-items: center;
  touch-action: none;
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
