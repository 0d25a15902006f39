<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { shallowRef } from 'vue'
import type { DeviceModel } from '../core/device/model'
import type { SimulatorClient } from '../simulator/client'
import type { DeviceSight } from '../simulator/face'

/**
 * What hands do to a device that is not there: its cable, its receiver, its power, and how fast its time goes,
 * so that something which is over in milliseconds can be reached into.
 */
const props = defineProps<{ simulator: SimulatorClient; deviceId: string; model: DeviceModel }>()

const sight = shallowRef<DeviceSight>()
const pace = shallowRef(1)
const PACES = [
  { pace: 1, name: 'real time' },
  { pace: 1 / 50, name: '50 × slower' },
  { pace: 1 / 500, name: '500 × slower' },
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
    <div class="paces" role="radiogroup" aria-label="Time of the simulated devices">
      <span class="caption">Its time</span>
      <label v-for="each in PACES" :key="each.pace" :class="{ on: Math.abs(pace - each.pace) < 1e-6 }">
        <input
          type="radio"
          class="visually-hidden"
          name="pace"
          :checked="Math.abs(pace - each.pace) < 1e-6"
          @change="setPace(each.pace)"
        />{{ each.name }}
      </label>
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

.paces label {
  padding: 2px 6px;
  border-radius: 4px;
  cursor: pointer;
}

.paces .on {
  background: var(--system-wash);
  font-weight: 620;
}

.paces label:focus-within {
  outline: 2px solid var(--focus);
}
</style>
