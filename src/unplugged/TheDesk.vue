<script setup lang="ts">
import { computed, shallowRef } from 'vue'
import type { DeviceInput, DeviceModel } from '../core/device/model'
import type { SimulatorClient } from '../simulator/client'
import type { DeviceEntry } from '../simulator/face'
import ComputerSide from './ComputerSide.vue'
import DeviceBench from './DeviceBench.vue'
import HelperBar from './HelperBar.vue'
import { useHands } from './hands'
import { useListening } from './listening'

/** All devices of the desk at one computer; one of them at a time is in front. */
const props = defineProps<{
  simulator: SimulatorClient
  seats: readonly { entry: DeviceEntry; model: DeviceModel }[]
}>()
const hands = useHands(props.simulator)
const computer = useListening(props.seats.map(({ entry, model }) => ({ ...entry, name: model.name })))
const { desktop, reports, layout, system } = computer
const asked = new URLSearchParams(location.search).get('device')
const frontId = shallowRef(
  (props.seats.find(({ model }) => model.id === asked) ?? props.seats[0])?.entry.id ?? '',
)
const front = computed(() => props.seats.find(({ entry }) => entry.id === frontId.value))
const elsewhere = computed(() => hands.down.value.filter(({ latched }) => latched))
const nameOf = (deviceId: string) =>
  props.seats.find(({ entry }) => entry.id === deviceId)?.model.name ?? deviceId

const press = (input: DeviceInput) => hands.press(frontId.value, input)
const release = (input: DeviceInput) => hands.release(frontId.value, input)
const slide = (dxMm: number, dyMm: number) => void props.simulator.move(frontId.value, dxMm, dyMm)
</script>

<template>
  <div class="whole">
    <nav class="tabs" aria-label="Devices on the desk">
      <v-btn
        v-for="{ entry, model } in seats"
        :key="entry.id"
        variant="text"
        :aria-pressed="entry.id === frontId"
        @click="frontId = entry.id"
      >
        {{ model.name }}
      </v-btn>
      <span v-for="{ deviceId, input } in elsewhere" :key="`${deviceId} ${input.id}`" class="held">
        {{ nameOf(deviceId) }}: {{ input.name }} is held down
        <v-btn variant="text" @click="hands.lift(deviceId, input)">Let go</v-btn>
      </span>
    </nav>
    <HelperBar :simulator :entries="seats.map(({ entry }) => entry)" :system />
    <main v-if="front" class="desk" :class="front.model.kind">
      <DeviceBench
        :key="front.entry.id"
        :simulator="simulator"
        :entry="front.entry"
        :model="front.model"
        :hands="hands"
        :layout="layout"
      />
      <ComputerSide
        :model="front.model"
        :desktop="desktop"
        :reports="reports"
        :layout="layout"
        :system="system"
        @press="press"
        @release="release"
        @slide="slide"
        @clear="computer.clear()"
        @set-up="computer.setUp"
      />
    </main>
  </div>
</template>

<style scoped>
.whole {
  display: flex;
  flex: 1;
  flex-direction: column;
}

.tabs {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px;
  padding: 8px 20px 0;
  border-bottom: 1px solid var(--line-strong);
}

.tabs > .v-btn {
  border: 1px solid transparent;
  border-bottom: 0;
  border-radius: 6px 6px 0 0;
  color: var(--ink-soft);
}

.tabs > [aria-pressed='true'] {
  border-color: var(--line-strong);
  background: var(--paper);
  box-shadow: 0 1px 0 var(--paper);
  color: var(--ink);
}

.held {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  padding: 0 4px 0 10px;
  border-radius: 5px;
  margin-left: 12px;
  background: var(--binding-wash);
  color: var(--binding);
}

.desk {
  display: grid;
  flex: 1;
  grid-template-columns: minmax(400px, 2fr) minmax(520px, 3fr);
}

.desk.keyboard {
  grid-template-columns: minmax(0, 1fr);
  grid-template-rows: auto 1fr;
}

@media (width < 960px) {
  .desk {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
