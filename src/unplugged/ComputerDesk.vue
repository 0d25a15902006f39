<script setup lang="ts">
import { useDocumentVisibility, useElementSize, useRafFn } from '@vueuse/core'
import { computed, shallowRef, useTemplateRef } from 'vue'
import type { DeviceInput, DeviceModel } from '../core/device/model'
import DeviceDrawing from '../look/DeviceDrawing.vue'
import HandsPanel from '../look/HandsPanel.vue'
import type { SimulatorClient } from '../simulator/client'
import type { DeviceEntry, DeviceSight } from '../simulator/face'
import { useListening } from './listening'
import MediaPanel from './MediaPanel.vue'
import PointerPad from './PointerPad.vue'
import ReportLog from './ReportLog.vue'

/** One device on the desk and the computer it is plugged into. */
const props = defineProps<{ simulator: SimulatorClient; entry: DeviceEntry; model: DeviceModel }>()
const { desktop, reports, clear } = useListening(props.entry.id, props.entry.descriptor)
const visibility = useDocumentVisibility()

const sight = shallowRef<DeviceSight>()
let looking = false
useRafFn(async () => {
  if (looking || visibility.value !== 'visible') return
  looking = true
  sight.value = await props.simulator.look(props.entry.id).finally(() => (looking = false))
})

const pressed = shallowRef<string[]>([])
function press(input: DeviceInput): void {
  if (input.kind === 'turn') {
    void props.simulator.turn(props.entry.id, input.id, 1)
    return
  }
  if (pressed.value.includes(input.id)) return
  pressed.value = [...pressed.value, input.id]
  void props.simulator.press(props.entry.id, input.id)
}

function release(input: DeviceInput): void {
  if (!pressed.value.includes(input.id)) return
  pressed.value = pressed.value.filter((id) => id !== input.id)
  void props.simulator.release(props.entry.id, input.id)
}

/** The pointer stays with the input it went down on, so that it comes up wherever the finger lifts. */
function down(input: DeviceInput, event: PointerEvent): void {
  if (event.target instanceof Element) event.target.setPointerCapture(event.pointerId)
  press(input)
}

const slide = (dxMm: number, dyMm: number) => void props.simulator.move(props.entry.id, dxMm, dyMm)

const connection = computed(() => props.model.connections.find(({ id }) => id === sight.value?.connectionId))
const pane = useTemplateRef<HTMLElement>('pane')
const { width, height } = useElementSize(pane)
const scale = computed(() => {
  const { widthMm, heightMm } = props.model.sheet
  return Math.max(1.5, Math.min(3.4, (width.value - 60) / widthMm, (height.value - 40) / heightMm))
})
</script>

<template>
  <main class="desk">
    <section class="bench" aria-label="The device">
      <div class="title">
        <h2>{{ model.name }}</h2>
        <span class="soft" role="status">
          {{
            !sight
              ? ''
              : !sight.on
                ? 'no power'
                : connection
                  ? `connected: ${connection.name}`
                  : 'not connected to this computer'
          }}
        </span>
      </div>
      <div ref="pane" class="drawing sheet" :class="{ dead: sight && !sight.on }">
        <DeviceDrawing
          v-if="width > 0"
          :model="model"
          :scale="scale"
          :colours="sight?.lights ?? []"
          :marked="pressed"
          :title="`${model.name}, drawn to scale; press its inputs`"
          @down="down"
          @up="release"
        />
      </div>
      <div class="inputs" aria-label="Inputs of the device">
        <button
          v-for="input in model.inputs"
          :key="input.id"
          type="button"
          :data-press="input.id"
          :class="{ pressed: pressed.includes(input.id) }"
          @pointerdown="down(input, $event)"
          @pointerup="release(input)"
          @pointercancel="release(input)"
          @keydown.enter.space.prevent="press(input)"
          @keyup.enter.space.prevent="release(input)"
          @blur="release(input)"
        >
          <span class="mono">{{ input.number }}</span> {{ input.name }}
        </button>
      </div>
      <HandsPanel :simulator="simulator" :device-id="entry.id" :model="model" />
    </section>
    <section class="computer" aria-label="The computer">
      <PointerPad :model="model" :desktop="desktop" @press="press" @release="release" @slide="slide" />
      <div class="page" aria-label="An empty text page">
        <p class="caption head">An empty text page</p>
        <output class="text mono" data-testid="typed">{{ desktop.text }}<span class="caret" /></output>
      </div>
      <MediaPanel :desktop="desktop" />
      <ReportLog :reports="reports" @clear="clear" />
    </section>
  </main>
</template>

<style scoped>
.desk {
  display: grid;
  flex: 1;
  grid-template-columns: minmax(400px, 2fr) minmax(520px, 3fr);
}

.bench {
  display: grid;
  gap: 10px;
  padding: 14px 20px;
  border-right: 1px solid var(--line);
  grid-template-rows: auto minmax(330px, 1fr) auto auto;
}

.title {
  display: flex;
  align-items: baseline;
  gap: 10px;
}

.drawing {
  display: grid;
  min-height: 0;
  border: 1px solid var(--line);
  border-radius: 8px;
  place-items: center;
}

.dead {
  filter: grayscale(1);
  opacity: 0.6;
}

.inputs {
  display: grid;
  gap: 4px;
  grid-template-columns: repeat(3, 1fr);
}

.inputs button {
  min-height: 28px;
  padding: 2px 8px;
  border: 1px solid var(--line-strong);
  border-radius: 5px;
  background: var(--paper-high);
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
  touch-action: none;
  user-select: none;
}

.inputs .pressed {
  border-color: var(--binding);
  background: var(--binding-wash);
}

.computer {
  display: grid;
  min-height: 0;
  gap: 12px;
  padding: 14px 20px;
  background: var(--paper-low);
  grid-template-rows: auto auto auto minmax(150px, 1fr);
}

.page {
  padding: 8px 14px 12px;
  border: 1px solid var(--line-strong);
  border-radius: 6px;
  background: var(--paper-high);
}

.head {
  margin-bottom: 4px;
}

.text {
  display: block;
  min-height: 42px;
  max-height: 84px;
  overflow: auto;
  font-size: 1.14rem;
  overflow-wrap: anywhere;
  white-space: pre-wrap;
}

.caret {
  display: inline-block;
  width: 2px;
  height: 1.1em;
  margin-left: 1px;
  background: var(--ink);
  vertical-align: text-bottom;
}

@media (width < 960px) {
  .desk {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
