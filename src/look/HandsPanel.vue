<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { computed, shallowRef } from 'vue'
import type { DeviceModel } from '../core/device/model'
import { ignoreSilence, type SimulatorClient } from '../simulator/client'
import type { DeviceSight, Plugs } from '../simulator/face'
import ChoiceRow from './ChoiceRow.vue'

/**
 * What hands do to a device that is not there: its cable, its receiver, its power, and how fast its time goes,
 * so that something which is over in milliseconds can be reached into.
 */
const props = defineProps<{ simulator: SimulatorClient; deviceId: string; model: DeviceModel }>()

const sight = shallowRef<DeviceSight>()
const pace = shallowRef(1)
const PACES = [
  { value: 1, text: 'real time' },
  { value: 1 / 50, text: '50 × slower' },
  { value: 1 / 500, text: '500 × slower' },
]

async function look(): Promise<void> {
  sight.value = (await props.simulator.look(props.deviceId).catch(ignoreSilence)) ?? sight.value
  pace.value = await props.simulator.pace()
}

const wireless = computed(() => props.model.connections.some(({ id }) => id !== 'cable'))
const CABLES = [
  { value: 'none', text: 'none', about: 'Pull the cable' },
  { value: 'charging', text: 'charging only', about: 'A cable without wires for data' },
  { value: 'data', text: 'data', about: 'A cable for charging and data' },
] as const
const RADIOS = [
  { value: 'off', text: 'off' },
  { value: 'receiver', text: '2.4 GHz' },
  { value: 'bluetooth', text: 'Bluetooth' },
] as const

async function set(change: Partial<Plugs>): Promise<void> {
  await props.simulator.setPlugs(props.deviceId, change)
  await look()
}

const holding = shallowRef(false)
const pairingName = computed(
  () => props.model.inputs.find(({ id }) => id === props.model.pairing?.input)?.name.toLowerCase() ?? '',
)
/** In the time of the device, which may go slower. */
async function pair(): Promise<void> {
  const { pairing } = props.model
  if (!pairing) return
  holding.value = true
  await props.simulator.press(props.deviceId, pairing.input)
  await new Promise((resolve) => setTimeout(resolve, (pairing.holdMs + 100) / pace.value))
  await props.simulator.release(props.deviceId, pairing.input)
  holding.value = false
  await look()
}

async function setPace(next: number): Promise<void> {
  await props.simulator.setPace(next)
  await look()
}

void look()
useIntervalFn(() => void look(), 1000)
</script>

<template>
  <section
    class="grid gap-2 rounded-8 border border-dashed border-line-strong px-3.5 py-3"
    aria-label="Hands on the simulated device"
  >
    <h3 class="text-14">Hands</h3>
    <p class="caption">{{ model.name }} is simulated: what you would do with your hands is here.</p>
    <div
      v-if="sight"
      class="plugs grid grid-cols-[auto_1fr_auto_1fr] items-center justify-items-start gap-x-2.5 gap-y-1.5"
    >
      <span class="caption">Cable</span>
      <ChoiceRow
        label="Cable"
        :choices="CABLES"
        :model-value="sight.cable"
        @update:model-value="(cable) => cable && set({ cable })"
      />
      <template v-if="wireless">
        <span class="caption">Wireless</span>
        <ChoiceRow
          label="Wireless"
          :choices="RADIOS"
          :model-value="sight.radio"
          @update:model-value="(radio) => radio && set({ radio })"
        />
        <span class="caption">Receiver</span>
        <v-btn @click="set({ receiver: !sight.receiver })">
          {{ sight.receiver ? 'Take out the receiver' : 'Put in the receiver' }}
        </v-btn>
      </template>
      <template v-if="model.pairing">
        <span class="caption">Pairing</span>
        <v-btn :disabled="holding || !sight.on" @click="pair">
          {{
            sight.pairing ? 'It looks for one' : `Hold ${pairingName} for ${model.pairing.holdMs / 1000} s`
          }}
        </v-btn>
      </template>
      <span class="caption">Power</span>
      <v-btn @click="set({ power: !sight.power })">
        {{ sight.power ? 'Cut the power' : 'Give it power' }}
      </v-btn>
      <span class="caption">Its time</span>
      <ChoiceRow
        label="Time of the simulated devices"
        :choices="PACES"
        :model-value="pace"
        @update:model-value="(next) => next !== undefined && setPace(next)"
      />
    </div>
  </section>
</template>

<style scoped>
@media (width < 1280px) {
  .plugs {
    grid-template-columns: auto 1fr;
  }
}

/* Each thing under what it is called. */
@media (width < 480px) {
  .plugs {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
