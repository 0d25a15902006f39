<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { shallowRef } from 'vue'
import type { DeviceModel } from '../core/device/model'
import type { SimulatorClient } from '../simulator/client'
import type { DeviceSight } from '../simulator/face'
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
  sight.value = await props.simulator.look(props.deviceId)
  pace.value = await props.simulator.pace()
}

async function toggle(plug: 'cable' | 'receiver' | 'power'): Promise<void> {
  if (sight.value) await props.simulator.setPlugs(props.deviceId, { [plug]: !sight.value[plug] })
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
  <section class="hands" aria-label="Hands on the simulated device">
    <h3>Hands</h3>
    <p class="caption">{{ model.name }} is simulated: what you would do with your hands is here.</p>
    <div v-if="sight" class="plugs">
      <button type="button" class="button" :aria-pressed="sight.cable" @click="toggle('cable')">
        {{ sight.cable ? 'Pull the cable' : 'Plug in the cable' }}
      </button>
      <button type="button" class="button" :aria-pressed="sight.receiver" @click="toggle('receiver')">
        {{ sight.receiver ? 'Take out the receiver' : 'Put in the receiver' }}
      </button>
      <button type="button" class="button" :aria-pressed="sight.power" @click="toggle('power')">
        {{ sight.power ? 'Cut the power' : 'Give it power' }}
      </button>
    </div>
    <div class="paces">
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
.hands {
  display: grid;
  gap: 8px;
  padding: 12px 14px;
  border: 1px dashed var(--line-strong);
  border-radius: 8px;
}

h3 {
  font-size: 1rem;
}

.plugs {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}

.paces {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 10px;
}
</style>
