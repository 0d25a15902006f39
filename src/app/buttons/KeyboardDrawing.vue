<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { itemAt } from '../../core/base/items'
import '@fontsource-variable/archivo/wdth.css'
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import type { DeviceInput, DeviceModel } from '../../core/device/model'
import { boxOf } from '../../core/device/shapes'
import { capLegend, type LayoutId } from '../../core/computer/layouts'
import DeviceDrawing from '../../look/DeviceDrawing.vue'
import { keycapText } from '../../core/text/keycap-text'
import { accessibleNames, type InputLabel } from '../../core/text/input-labels'

/** A keyboard across the width, to scale, with the action of each key on its cap. */
const props = defineProps<{
  model: DeviceModel
  lights: () => Uint8Array
  labels: Record<string, InputLabel>
  chosen?: string
  hovered?: string
  layout: LayoutId
  /** Maximum room for the drawing, in px. */
  maxHeight: number
}>()
const emit = defineEmits<{
  choose: [inputId: string]
  hover: [inputId: string | undefined]
  drop: [text: string, inputId: string]
}>()

const pane = useTemplateRef<HTMLElement>('pane')
const { width } = useElementSize(pane)
const scale = computed(() => {
  const { widthMm, heightMm } = props.model.sheet
  return Math.max(2, Math.min((width.value - 32) / widthMm, props.maxHeight / heightMm))
})

const caps = computed(() =>
  props.model.inputs.flatMap((input) => {
    const label = props.labels[input.id]
    if (!label || input.kind === 'turn') return []
    const box = boxOf(itemAt(input.shapes, 0).shape)
    const plain = label.base.family === 'factory'
    const said = [
      ...(plain ? [] : [{ text: label.base.text, number: '', layer: 'layer-base' }]),
      ...label.layers.map(({ index, text, colour, factory }) => ({
        text,
        number: `${index}\u00a0`,
        layer: `layer-${colour} ${factory ? 'quiet' : ''}`,
      })),
    ].slice(0, LINES)
    const perLine = Math.floor((box.width * scale.value - 2 * PADDING) / CHARACTER)
    const lines = said.flatMap(({ text, number, layer }) =>
      keycapText(number + text, perLine, said.length === 1 ? LINES : 1).map((line) => ({
        text: line,
        layer,
      })),
    )
    const place = {
      left: `${box.x * scale.value}px`,
      top: `${box.y * scale.value}px`,
      width: `${box.width * scale.value}px`,
      height: `${box.height * scale.value}px`,
    }
    return [{ input, place, legend: legendOf(input), lines, pending: label.pending }]
  }),
)

/** On a cap, in px: side margins, the width of a character, and lines between its legend and its light. */
const PADDING = 2
const CHARACTER = 4.6
const LINES = 2

const names = computed(() => accessibleNames(props.model, props.labels, legendOf, textOf))

const legendOf = ({ key, name }: DeviceInput): string =>
  textOf(key?.code ? capLegend(key.code, props.layout) : (key?.legend ?? name))
</script>

<template>
  <div ref="pane" class="keyboard sheet">
    <div v-if="width > 0" class="relative" :style="{ width: `${model.sheet.widthMm * scale}px` }">
      <DeviceDrawing
        :model="model"
        :scale="scale"
        :lights="lights"
        :chosen="chosen"
        :marked="hovered ? [hovered] : []"
        :title="t('buttons.drawnToScaleWithTheActionsOf', { name: model.name })"
        pressable
        :names="names"
        @press="(input) => emit('choose', input.id)"
        @pick="(input) => emit('choose', input.id)"
        @hover="(id) => emit('hover', id)"
        @drop="(text, input) => emit('drop', text, input.id)"
      />
      <div
        v-for="cap in caps"
        :key="cap.input.id"
        class="cap"
        :class="{ bare: cap.lines.length === 0 }"
        :style="cap.place"
        aria-hidden="true"
      >
        <span class="legend text-12 whitespace-nowrap text-cap-ink-soft"
          >{{ cap.legend
          }}<i v-if="cap.pending" class="ms-1 inline-block h-1.5 w-1.5 rounded-full bg-cap-pending"
        /></span>
        <span v-for="(line, index) in cap.lines" :key="index" class="line" :class="line.layer">{{
          line.text
        }}</span>
      </div>
    </div>
    <slot />
  </div>
</template>

<style scoped>
.keyboard {
  position: relative;
  display: grid;
  padding: 14px 16px;
  border-bottom: 1px solid var(--line);
  justify-items: safe center;
  overflow-x: auto;
}

.cap {
  position: absolute;
  display: flex;
  flex-direction: column;
  padding: 1px 2px 6px 3px;
  overflow: hidden;
  line-height: 12px;
  pointer-events: none;
}

.bare .legend {
  color: var(--cap-ink);
}

.line {
  overflow: hidden;
  color: var(--layer-lit);
  font-size: 0.858rem;
  font-stretch: 62%;
  font-weight: 600;
  line-height: 11px;
  white-space: nowrap;
}

.quiet {
  font-weight: 400;
  opacity: 0.85;
}
</style>
