<script setup lang="ts">
import { t } from '../messages/page'
import { computed, shallowRef } from 'vue'
import type { DeviceInput, DeviceModel } from '../core/device/model'
import type { SimulatorClient } from '../simulator/client'
import type { DeviceEntry } from '../simulator/api'
import ComputerSide from './ComputerSide.vue'
import DeviceBench from './DeviceBench.vue'
import HelperBar from './HelperBar.vue'
import { useHands } from './hands'
import { useListening } from './listening'

/** All devices of the desk on one computer; one of them is shown at a time. */
const props = defineProps<{
  simulator: SimulatorClient
  seats: readonly { entry: DeviceEntry; model: DeviceModel }[]
}>()
/** The name of a device, or its model, numbered if there are several. */
function titleOf({ entry, model }: { entry: DeviceEntry; model: DeviceModel }): string {
  const alike = props.seats.some((each) => each.model.id === model.id && each.entry.id !== entry.id)
  return entry.name || (alike ? `${model.name} ${entry.id.replace(/^.*#/, '#')}` : model.name)
}
const hands = useHands(props.simulator)
const computer = useListening(props.seats.map((seat) => ({ ...seat.entry, name: titleOf(seat) })))
const { desktop, reports, polling, layout, system } = computer
const asked = new URLSearchParams(location.search).get('device')
const frontId = shallowRef(
  (props.seats.find(({ entry, model }) => [entry.id, model.id].includes(asked ?? '')) ?? props.seats[0])
    ?.entry.id ?? '',
)
const front = computed(() => props.seats.find(({ entry }) => entry.id === frontId.value))
const elsewhere = computed(() => hands.down.value.filter(({ latched }) => latched))
function nameOf(deviceId: string): string {
  const seat = props.seats.find(({ entry }) => entry.id === deviceId)
  return seat ? titleOf(seat) : deviceId
}

const press = (input: DeviceInput) => hands.press(frontId.value, input)
const release = (input: DeviceInput) => hands.release(frontId.value, input)
/** Movement of the person's own hand. */
const move = (dxMm: number, dyMm: number) => void props.simulator.move(frontId.value, dxMm, dyMm)
const SLIDE_MS = 250
const slide = (dxMm: number, dyMm: number) => void props.simulator.slide(frontId.value, dxMm, dyMm, SLIDE_MS)
</script>

<template>
  <main class="flex flex-1 flex-col">
    <div class="tabs flex flex-wrap items-center gap-0.5 border-b border-line-strong px-5 pt-2 pb-0">
      <v-tabs v-model="frontId" :aria-label="t('unplugged.devicesOnTheDesk')" hide-slider>
        <v-tab
          v-for="seat in seats"
          :key="seat.entry.id"
          :value="seat.entry.id"
          aria-controls="front"
          :text="titleOf(seat)"
        />
      </v-tabs>
      <span
        v-for="{ deviceId, input } in elsewhere"
        :key="`${deviceId} ${input.id}`"
        class="ms-3 inline-flex items-center gap-1.5 rounded-5 bg-binding-wash py-0 ps-2.5 pe-1 text-binding"
      >
        {{ t('unplugged.isHeld', { device: nameOf(deviceId), input: input.name }) }}
        <v-btn variant="text" @click="hands.lift(deviceId, input)">{{ t('unplugged.release') }}</v-btn>
      </span>
    </div>
    <HelperBar :simulator :entries="seats.map(({ entry }) => entry)" :system />
    <div
      v-if="front"
      id="front"
      role="tabpanel"
      :aria-label="titleOf(front)"
      class="desk grid flex-1 grid-cols-[minmax(400px,2fr)_minmax(520px,3fr)] max-[960px]:grid-cols-1"
      :class="front.model.kind"
    >
      <DeviceBench
        :key="front.entry.id"
        :simulator="simulator"
        :entry="front.entry"
        :model="front.model"
        :title="titleOf(front)"
        :hands="hands"
        :layout="layout"
      />
      <ComputerSide
        :model="front.model"
        :desktop="desktop"
        :reports="reports"
        :polling="polling"
        :layout="layout"
        :system="system"
        @press="press"
        @release="release"
        @move="move"
        @slide="slide"
        @clear="computer.clear()"
        @set-up="computer.setUp"
      />
    </div>
  </main>
</template>

<style scoped>
.tabs .v-tab {
  border: 1px solid transparent;
  border-bottom: 0;
  border-radius: 6px 6px 0 0;
  color: var(--ink-soft);
}

.tabs [aria-selected='true'] {
  border-color: var(--line-strong);
  background: var(--paper);
  box-shadow: 0 1px 0 var(--paper);
  color: var(--ink);
}

.desk.keyboard {
  grid-template-columns: minmax(0, 1fr);
  grid-template-rows: auto 1fr;
}
</style>
