<script setup lang="ts">
import { textOf } from '../messages/page'
import { itemAt } from '../core/base/items'
import { computed, ref, useId, useTemplateRef, watch } from 'vue'
import type { DeviceInput, DeviceModel, PlacedShape, SheetView } from '../core/device/model'
import { nearestInput, ARROW_DIRECTIONS, type ArrowKey } from '../core/device/nearest-input'
import { boxOf } from '../core/device/shapes'
import { capLegend, type LayoutId } from '../core/computer/layouts'
import LightsCanvas from './LightsCanvas.vue'
import { draggedText } from './dragged-text'
import SheetShape from './SheetShape.vue'

/**
 * A device to scale: every view of its sheet, its current lights, its inputs to point at. Drawn in millimetres; `scale`
 * is px per mm.
 */
const props = defineProps<{
  model: DeviceModel
  scale: number
  /**
   * Returns the LED levels of the current frame, three per light. A function, so that frames do not render anything
   * else again.
   */
  lights?: () => Uint8Array
  marked?: string[]
  chosen?: string
  /** The hand that holds the device: buttons on the side of its fingers are dimmed. */
  hand?: 'right' | 'left'
  /** Shows the legends of this layout on the keys. */
  layout?: LayoutId
  title: string
  /** Turns each input into a button: one of them is a tab stop, and arrow keys move between them. */
  pressable?: boolean
  /** Accessible names of the inputs, by id; without them, an input has its own name. */
  names?: Record<string, string>
  /** Whether buttons have a pressed state; otherwise they only open something. */
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

/** The shapes of a view. An input in several views is a button in the first where it is not dimmed. */
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
        return [
          {
            id: inputId,
            x: x + 4 / props.scale,
            y: y + (LEGEND_PX + 3) / props.scale,
            legend: textOf(legend),
          },
        ]
      }),
)

const drawing = useTemplateRef<SVGSVGElement>('drawing')
/** The input reached by Tab: the selected one, or the latest one reached by arrow keys. */
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
  return key in ARROW_DIRECTIONS ? nearestInput(props.model, from.id, key as ArrowKey) : null
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

/** Attributes that turn an input into a button. */
const asButton = (input: DeviceInput) => ({
  role: 'button',
  'aria-label': props.names?.[input.id] ?? textOf(input.name),
  'aria-pressed':
    props.toggles && input.kind !== 'turn' ? (props.marked?.includes(input.id) ?? false) : undefined,
  tabindex: inTabOrder.value === input.id ? 0 : -1,
})

/**
 * One listener of each kind for all inputs, so that a shape is only rendered again when it looks different. This
 * matters on a keyboard with 84 keys under a moving pointer.
 */
function inputOf({ target }: Event): DeviceInput | undefined {
  const inputId = target instanceof SVGElement ? target.dataset.input : undefined
  return props.model.inputs.find((input) => input.id === inputId)
}
const onInput =
  <Each extends Event>(act: (input: DeviceInput, event: Each) => void) =>
  (event: Each): void => {
    const input = inputOf(event)
    if (input) act(input, event)
  }

const listeners = {
  pointerdown: onInput<PointerEvent>((input, event) => emit('down', input, event)),
  click: onInput((input) => emit('pick', input)),
  pointerup: onInput((input) => emit('up', input)),
  pointercancel: onInput((input) => emit('up', input)),
  pointerover: onInput((input) => emit('hover', input.id)),
  pointerout: onInput(() => emit('hover', undefined)),
  dragover: onInput<DragEvent>((input, event) => {
    event.preventDefault()
    emit('hover', input.id)
  }),
  dragleave: onInput(() => emit('hover', undefined)),
  drop: onInput<DragEvent>((input, event) => {
    event.preventDefault()
    const text = draggedText(event)
    if (text) emit('drop', text, input)
  }),
}

/** Handles keys on the inputs if they are buttons. */
const keyListeners = {
  focusin: onInput((input) => {
    focused.value = input.id
    emit('hover', input.id)
  }),
  focusout: onInput((input) => {
    emit('hover', undefined)
    emit('up', input)
  }),
  keydown: onInput<KeyboardEvent>((input, event) => onKey(event, input)),
  keyup: onInput<KeyboardEvent>((input, { key }) => {
    if (key === 'Enter' || key === ' ') emit('up', input)
  }),
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
      v-on="pressable ? { ...listeners, ...keyListeners } : listeners"
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
