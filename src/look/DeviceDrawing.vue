<script setup lang="ts">
import { itemAt } from '../core/base/items'
import { computed, ref, useId, useTemplateRef, watch } from 'vue'
import type { DeviceInput, DeviceModel, PlacedShape, SheetView } from '../core/device/model'
import { inputBeside, WAYS, type Way } from '../core/device/beside'
import { boxOf } from '../core/device/shapes'
import { capLegend, type LayoutId } from '../core/computer/layouts'
import LightsCanvas from './LightsCanvas.vue'
import SheetShape from './SheetShape.vue'

/**
 * A device to scale: every view of its sheet, its lights as they are lit, its inputs to be pointed at. Drawn in
 * millimetres; `scale` is px per mm.
 */
const props = defineProps<{
  model: DeviceModel
  scale: number
  /** Gives the drives of the frame that shows: three a light. A function, so that a frame renders nothing else anew. */
  lights?: () => Uint8Array
  marked?: string[]
  chosen?: string
  /** The hand the device is held in: buttons on the flank of its fingers stand back. */
  hand?: 'right' | 'left'
  /** Writes the legends of this layout on the keys. */
  layout?: LayoutId
  title: string
  /** Makes each input a button: one of them is a tab stop, and arrow keys move between them. */
  pressable?: boolean
  /** Accessible names of the inputs, by id; without them, an input has its own name. */
  names?: Record<string, string>
  /** Whether a button says that it is pressed; otherwise it only opens something. */
  toggles?: boolean
}>()
const emit = defineEmits<{
  press: [input: DeviceInput, event: KeyboardEvent]
  down: [input: DeviceInput, event: PointerEvent]
  up: [input: DeviceInput]
  pick: [input: DeviceInput]
  hover: [inputId: string | undefined]
  drop: [text: string, input: DeviceInput]
}>()

const id = useId()
const width = computed(() => props.model.sheet.widthMm * props.scale)
const height = computed(() => props.model.sheet.heightMm * props.scale)

/** The shapes of a view. An input in several views is a button in the first where it does not stand back. */
const inputsIn = (view: SheetView) =>
  props.model.inputs.flatMap((input) => {
    const standsBack = ({ flank }: PlacedShape) => flank !== undefined && flank === props.hand
    const main = input.shapes.find((placed) => !standsBack(placed)) ?? input.shapes[0]
    return input.shapes
      .filter((placed) => placed.view === view.id)
      .map((placed) => ({
        input,
        shape: placed.shape,
        back: standsBack(placed),
        button: props.pressable && placed === main ? asButton(input) : undefined,
      }))
  })
const LEGEND_PX = 12
/** In px per mm. Below it, legends overlap. */
const MIN_SCALE_WITH_LEGENDS = 1
const legends = computed(() =>
  props.layout === undefined || props.scale < MIN_SCALE_WITH_LEGENDS
    ? []
    : props.model.inputs.flatMap(({ id: inputId, key, shapes }) => {
        const { shape } = itemAt(shapes, 0)
        const legend = key?.code ? capLegend(key.code, props.layout) : key?.legend
        if (!legend) return []
        const { x, y } = boxOf(shape)
        return [{ id: inputId, x: x + 4 / props.scale, y: y + (LEGEND_PX + 3) / props.scale, legend }]
      }),
)

const drawing = useTemplateRef<SVGSVGElement>('drawing')
/** The input that Tab goes to: the chosen one, or the one that arrow keys went to since. */
const focused = ref<string>()
watch(
  () => props.chosen,
  (chosen) => chosen !== undefined && (focused.value = chosen),
  { immediate: true },
)
const inTabOrder = computed(
  () =>
    (props.model.inputs.find(({ id: inputId }) => inputId === focused.value) ?? itemAt(props.model.inputs, 0))
      .id,
)

/** Returns the input that a key moves to: undefined if there is none that way, null if the key does not move. */
function inputGoneTo(key: string, from: DeviceInput): DeviceInput | undefined | null {
  if (key === 'Home') return props.model.inputs[0]
  if (key === 'End') return props.model.inputs.at(-1)
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- `in` does not narrow a string
  return key in WAYS ? inputBeside(props.model, from.id, key as Way) : null
}

function onKey(event: KeyboardEvent, input: DeviceInput): void {
  if (event.key === 'Enter' || event.key === ' ') {
    event.preventDefault()
    emit('press', input, event)
  }
  const next = inputGoneTo(event.key, input)
  if (next === null) return
  event.preventDefault()
  if (next) drawing.value?.querySelector<SVGElement>(`[role="button"][data-input="${next.id}"]`)?.focus()
}

/** What makes a button of an input. */
const asButton = (input: DeviceInput) => ({
  role: 'button',
  'aria-label': props.names?.[input.id] ?? input.name,
  'aria-pressed':
    props.toggles && input.kind !== 'turn' ? (props.marked?.includes(input.id) ?? false) : undefined,
  tabindex: inTabOrder.value === input.id ? 0 : -1,
  onFocus: () => {
    focused.value = input.id
    emit('hover', input.id)
  },
  onKeydown: (event: KeyboardEvent) => onKey(event, input),
  onKeyup: ({ key }: KeyboardEvent) => (key === 'Enter' || key === ' ') && emit('up', input),
  onBlur: () => {
    emit('hover', undefined)
    emit('up', input)
  },
})

function drop(event: DragEvent, input: DeviceInput): void {
  const text = event.dataTransfer?.getData('text/plain')
  if (text) emit('drop', text, input)
}
</script>

<template>
  <div class="relative" :style="{ width: `${width}px`, height: `${height}px` }">
    <svg
      ref="drawing"
      class="block overflow-visible"
      :width="width"
      :height="height"
      :viewBox="`0 0 ${model.sheet.widthMm} ${model.sheet.heightMm}`"
      :role="pressable ? 'toolbar' : 'img'"
      :aria-label="title"
    >
      <defs>
        <linearGradient :id="`${id}-body`" x1="0" x2="1" y1="0" y2="0.4">
          <stop offset="0" stop-color="var(--body-hi)" />
          <stop offset="1" stop-color="var(--body-lo)" />
        </linearGradient>
      </defs>
      <g
        v-for="view in model.sheet.views"
        :key="view.id"
        :transform="`translate(${view.at[0]} ${view.at[1]})`"
      >
        <SheetShape
          :shape="view.body"
          class="body stroke-(--body-line) stroke-[0.5]"
          :fill="`url(#${id}-body)`"
        />
        <SheetShape
          v-for="(line, index) in view.lines"
          :key="index"
          :shape="line"
          class="fill-none stroke-(--detail) stroke-[0.35]"
        />
        <SheetShape
          v-for="({ input, shape, back, button }, index) in inputsIn(view)"
          :key="`${input.id} ${index}`"
          :shape="shape"
          class="input"
          :class="{ chosen: chosen === input.id, marked: marked?.includes(input.id), back }"
          :data-input="input.id"
          v-bind="button"
          @pointerdown="emit('down', input, $event)"
          @click="emit('pick', input)"
          @pointerup="emit('up', input)"
          @pointercancel="emit('up', input)"
          @pointerenter="emit('hover', input.id)"
          @pointerleave="emit('hover', undefined)"
          @dragover.prevent="emit('hover', input.id)"
          @dragleave="emit('hover', undefined)"
          @drop.prevent="drop($event, input)"
        />
      </g>
    </svg>
    <LightsCanvas v-if="lights" :model="model" :scale="scale" :lights="lights" />
    <svg
      v-if="legends.length"
      class="pointer-events-none absolute inset-0 h-full w-full overflow-visible"
      :viewBox="`0 0 ${model.sheet.widthMm} ${model.sheet.heightMm}`"
      aria-hidden="true"
    >
      <text
        v-for="{ id: key, x, y, legend } in legends"
        :key="key"
        class="fill-cap-ink"
        :x="x"
        :y="y"
        :font-size="LEGEND_PX / scale"
      >
        {{ legend }}
      </text>
    </svg>
  </div>
</template>

<style scoped>
.input {
  fill: color-mix(in srgb, var(--part) 38%, var(--body-lo));
  stroke: var(--part-line);
  stroke-width: 0.4;
  cursor: pointer;
  touch-action: none;
}

.input:focus-visible {
  outline: none;
  stroke: var(--bright);
  stroke-width: 1.2;
}

.input.back {
  opacity: 0.45;
}

.input:hover,
.input.marked {
  fill: color-mix(in srgb, var(--bar-binding) 60%, var(--body-lo));
}

.input.chosen {
  fill: var(--bar-binding);
}
</style>
