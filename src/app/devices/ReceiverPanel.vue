<script setup lang="ts">
import { computed, onScopeDispose, shallowRef, watch } from 'vue'
import type { ReceiverSight } from '../../simulator/face'
import { listenToSimulator } from '../../simulator/client'
import { useDevices } from '../stores/devices'
import { serialText } from '../stores/known-device'
import TermWord from '../shared/TermWord.vue'

/** The receiver of the desk: which devices are paired with it, how another one is, and one that is forgotten. */
const devices = useDevices()
const sight = shallowRef<ReceiverSight>()
async function look(): Promise<void> {
  sight.value = await devices.simulator?.receiverOf()
}
watch(() => devices.simulator, look, { immediate: true })
onScopeDispose(
  listenToSimulator(({ kind }) => {
    if (kind === 'desk' || kind === 'connection') void look()
  }),
)

const paired = computed(() => devices.list.filter(({ id }) => sight.value?.paired.includes(id)))
/** How those that could be paired are. */
const ways = computed(() => {
  const models = new Map(devices.list.map(({ model }) => [model.id, model]))
  return [...models.values()].flatMap(({ name, pairing, inputs }) => {
    const input = inputs.find(({ id }) => id === pairing?.input)
    return pairing && input ? [`${name}: ${input.name}, ${pairing.holdMs / 1000} s`] : []
  })
})
</script>

<template>
  <section
    v-if="sight && (paired.length || ways.length)"
    class="receiver mt-3.5 grid grid-cols-[auto_minmax(160px,260px)_minmax(0,1fr)] items-baseline gap-x-7 gap-y-1 rounded-8 border border-line-strong px-4.5 py-3.5 max-[900px]:grid-cols-1"
    aria-labelledby="receiver-title"
  >
    <h2 id="receiver-title">
      <TermWord of="receiver">Receiver</TermWord>
      <span class="mono soft">{{ serialText(sight.serial) }}</span>
    </h2>
    <p class="caption soft">{{ sight.plugged ? 'in this computer' : 'not in this computer' }}</p>
    <ul class="row-[1/3] m-0 list-none p-0" aria-label="Paired with the receiver">
      <li v-for="device in paired" :key="device.id" class="flex items-center justify-between">
        <span>{{ devices.title(device) }}</span>
        <v-btn
          size="small"
          variant="text"
          :aria-label="`Forget ${devices.title(device)}`"
          @click="devices.simulator?.forgetPaired(device.id)"
        >
          Forget
        </v-btn>
      </li>
      <li v-if="paired.length === 0" class="soft flex items-center justify-between">
        No device is paired with it.
      </li>
    </ul>
    <p v-if="ways.length" class="soft">
      To pair a device, set its switch to 2.4 GHz and hold its input until the light flashes blue:
      {{ ways.join('; ') }}. With the switch on Bluetooth it pairs with a computer.
    </p>
  </section>
</template>

<style scoped>
.receiver > .caption {
  grid-row: 2;
  grid-column: 1;
}

.receiver > p:last-child:not(.caption) {
  grid-row: 1 / 3;
}

@media (width < 900px) {
  .receiver > * {
    grid-row: auto;
    grid-column: 1;
  }
}
</style>
