<script setup lang="ts">
import { keyLegend } from '../core/computer/layouts'
import { factList } from '../core/message/message'
import { t, textOf } from '../messages/page'
import { RichMessage } from '../messages/rich-message'
import { useDocumentVisibility, useElementSize, useRafFn, useTimeoutFn } from '@vueuse/core'
import { computed, shallowRef, useTemplateRef, watch } from 'vue'
import type { DeviceModel } from '../core/device/model'
import type { LayoutId } from '../core/computer/layouts'
import DeviceDrawing from '../look/DeviceDrawing.vue'
import HandsPanel from '../look/HandsPanel.vue'
import { useLightsMove } from '../look/lights-move'
import LightsMove from '../look/LightsMove.vue'
import { describeChange, useScreenNote } from '../look/screen-notes'
import ScreenNote from '../look/ScreenNote.vue'
import { ignoreTimeout, type SimulatorClient } from '../simulator/client'
import type { DeviceEntry, DeviceView } from '../simulator/api'
import type { Hands } from './hands'

/** One device on the desk, drawn with its current lights and with inputs to press. */
const props = defineProps<{
  simulator: SimulatorClient
  entry: DeviceEntry
  model: DeviceModel
  title: string
  hands: Hands
  layout: LayoutId
}>()

const visibility = useDocumentVisibility()
const sight = shallowRef<DeviceView>()
let looking = false
async function look(): Promise<void> {
  if (looking || visibility.value !== 'visible') return
  looking = true
  const now = await props.simulator.look(props.entry.id).catch(ignoreTimeout)
  looking = false
  if (now) sight.value = now
}
useRafFn(() => void look())

/** Lights that are still show their state after a signal; they are read again when the device changes. */
const playing = useLightsMove()
const shown = shallowRef<DeviceView['lights']>(new Uint8Array())
const lights = () => shown.value
const SIGNAL_MS = 2500
const settled = useTimeoutFn(() => (shown.value = sight.value?.lights ?? new Uint8Array()), SIGNAL_MS, {
  immediate: false,
})
const stateOf = (seen: DeviceView | undefined) =>
  seen && [seen.on, seen.slot, seen.step, seen.layers, seen.low].join()
const { note, show } = useScreenNote()
watch([sight, playing], ([now, moves], [before]) => {
  if (before && now) show(describeChange(before, now))
  if (!moves && stateOf(now) === stateOf(before) && shown.value.length > 0) return
  shown.value = now?.lights ?? new Uint8Array()
  if (!moves) settled.start()
})

const pressed = computed(() => props.hands.pressedOn(props.entry.id))
const connection = computed(() => props.model.connections.find(({ id }) => id === sight.value?.connectionId))
const standing = computed(() => {
  if (!sight.value) return ''
  if (!sight.value.on) return t('unplugged.noPower')
  if (connection.value) return t('unplugged.connectedOver', { connection: connection.value.name })
  return sight.value.cable === 'charging'
    ? t('unplugged.chargingNotConnected')
    : t('unplugged.notConnectedToThisComputer')
})

/** Index of the active slot. A profile in another slot is not used. */
const slotLine = computed(() => {
  if (!sight.value?.on) return ''
  const { slot, profile } = sight.value
  const holds = profile === undefined ? t('unplugged.factorySettings') : `“${profile}”`
  return t('unplugged.slotOfIsActive', { slot, slots: props.model.memory.slots, contents: holds })
})

const pane = useTemplateRef<HTMLElement>('pane')
const { width, height } = useElementSize(pane)
const keyboard = computed(() => props.model.kind === 'keyboard')
const scale = computed(() => {
  const { widthMm, heightMm } = props.model.sheet
  const max = keyboard.value ? 2.5 : 3.4
  const byHeight = keyboard.value ? Infinity : (height.value - 40) / heightMm
  return Math.max(1.2, Math.min(max, (width.value - 40) / widthMm, byHeight))
})
const listed = computed(() => (keyboard.value ? [] : props.model.inputs))
</script>

<template>
  <section
    class="bench grid grid-rows-[auto_minmax(330px,1fr)] content-start gap-2.5 border-e border-line px-5 py-3.5"
    :class="model.kind"
    :aria-label="t('unplugged.device')"
  >
    <div class="title flex flex-wrap items-baseline gap-x-2.5 gap-y-0.5">
      <h2>{{ title }}</h2>
      <span v-if="entry.name" class="soft">{{ model.name }}</span>
      <span class="soft" role="status">{{ standing }}</span>
      <span v-if="slotLine" class="ms-auto" role="status" data-testid="active-slot">{{ slotLine }}</span>
    </div>
    <div
      ref="pane"
      class="drawing sheet relative grid min-h-0 place-items-center rounded-8 border border-line px-0 py-3"
      :class="{ dead: sight && !sight.on }"
    >
      <ScreenNote :note />
      <DeviceDrawing
        v-if="width > 0"
        :model="model"
        :scale="scale"
        :lights="lights"
        :marked="pressed"
        :layout="layout"
        :title="t('unplugged.drawnToScalePressItsInputs', { name: model.name })"
        :pressable="keyboard"
        toggles
        @press="(input, event) => hands.keyDown(entry.id, input, event)"
        @down="(input, event) => hands.pointerDown(entry.id, input, event)"
        @up="(input) => hands.release(entry.id, input)"
      />
    </div>
    <div
      v-if="listed.length"
      class="inputs grid grid-cols-3 gap-1 max-[520px]:grid-cols-2"
      :aria-label="t('unplugged.deviceInputs')"
    >
      <v-btn
        v-for="input in listed"
        :key="input.id"
        class="min-h-7 cursor-pointer touch-none rounded-5 border border-line-strong bg-paper-high px-2 py-0.5 text-start text-inherit select-none [font:inherit]"
        size="small"
        :data-press="input.id"
        :class="{ pressed: pressed.includes(input.id) }"
        @pointerdown="hands.pointerDown(entry.id, input, $event)"
        @pointerup="hands.release(entry.id, input)"
        @pointercancel="hands.release(entry.id, input)"
        @keydown.enter.space.prevent="hands.keyDown(entry.id, input, $event)"
        @keyup.enter.space.prevent="hands.release(entry.id, input)"
        @blur="hands.release(entry.id, input)"
      >
        <span class="mono">{{ input.number }}</span> {{ textOf(input.name) }}
      </v-btn>
    </div>
    <LightsMove v-model="playing" class="self-start justify-self-start" />
    <p class="caption">
      <RichMessage message="unplugged.andAClickOrKeepsAnInput">
        <template #shift
          ><v-kbd>{{ textOf(keyLegend('ShiftLeft', 'us')) }}</v-kbd></template
        >
        <template #enter
          ><v-kbd>{{
            textOf(factList([keyLegend('ShiftLeft', 'us'), keyLegend('Enter', 'us')], 'plus'))
          }}</v-kbd></template
        >
      </RichMessage>
    </p>
    <HandsPanel class="hands" :simulator="simulator" :device-id="entry.id" :model="model" />
  </section>
</template>

<style scoped>
.bench.keyboard {
  border-inline-end: 0;
  border-bottom: 1px solid var(--line);
  grid-template-columns: minmax(0, 1fr) 330px;
  grid-template-rows: auto auto auto;
}

.keyboard .title,
.keyboard .drawing {
  grid-column: 1;
}

.keyboard .hands {
  align-content: start;
  grid-row: 1 / 4;
  grid-column: 2;
}

.keyboard .hands :deep(.plugs) {
  grid-template-columns: auto 1fr;
}

.dead {
  filter: grayscale(1);
  opacity: 0.6;
}

.inputs .pressed {
  border-color: var(--binding);
  background: var(--binding-wash);
}

@media (width < 720px) {
  .bench.keyboard {
    grid-template-columns: minmax(0, 1fr);
  }

  /* Keys smaller than a finger cannot be pressed, so the keyboard scrolls. */
  .keyboard .drawing {
    overflow-x: auto;
    place-items: center start;
  }

  .keyboard .hands {
    grid-row: auto;
    grid-column: 1;
  }

  .keyboard .hands :deep(.plugs) {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
