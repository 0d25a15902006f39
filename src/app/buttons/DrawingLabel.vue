<script setup lang="ts">
import { t } from '../../messages/page'
import type { InputLabel } from '../../core/text/input-labels'
import { draggedText } from '../../look/dragged-text'
import { MARGIN, type PlacedLabel } from './drawing-layout'

/**
 * The label of one input on the drawing: its actions on each layer. Only for pointers: keyboards and screen readers
 * reach the inputs of the drawing, which have the same names.
 */
const props = defineProps<{
  box: PlacedLabel
  /** In px. */
  width: number
  height: number
  label: InputLabel | undefined
  /** Whether its input is open. */
  on: boolean
}>()
const emit = defineEmits<{
  choose: [inputId: string]
  hover: [inputId: string | undefined]
  drop: [text: string, inputId: string]
}>()

function drop(event: DragEvent): void {
  const text = draggedText(event)
  if (text) emit('drop', text, props.box.id)
}
</script>

<template>
  <button
    type="button"
    class="label"
    :class="[box.side, { on }]"
    :style="{
      left: `${box.x + MARGIN}px`,
      top: `${box.y + MARGIN}px`,
      width: `${width}px`,
      height: `${height}px`,
    }"
    tabindex="-1"
    aria-hidden="true"
    :title="label?.title"
    @click="emit('choose', box.id)"
    @pointerenter="emit('hover', box.id)"
    @pointerleave="emit('hover', undefined)"
    @dragover.prevent="emit('hover', box.id)"
    @drop.prevent="drop"
  >
    <span class="base">
      <span class="mono number">{{ box.input?.number }}</span>
      <span class="does font-semi" :class="label?.base.family">{{ label?.base.text }}</span><span
        v-if="label?.pending"
        class="ms-1.5 inline-block h-1.75 w-1.75 rounded-full bg-pending"
        :title="t('buttons.notOnTheDeviceYet')"
      />
    </span>
    <span v-if="label?.tap" class="over tap">{{ t('buttons.tap', { tap: label.tap }) }}</span>
    <span v-for="line in label?.layers" :key="line.index" class="over" :class="`layer-${line.colour}`"
      ><span class="mono place">{{ line.index }}</span
      >{{ line.text }}</span
    >
    <span v-if="label?.layers.length === 0 && !label.tap" class="what text-12 text-ink-soft">{{
      label.below
    }}</span>
  </button>
</template>

<style scoped>
.label {
  position: absolute;
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
