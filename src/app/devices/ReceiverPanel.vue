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
  <section v-if="sight && (paired.length || ways.length)" class="receiver" aria-labelledby="receiver-title">
    <h2 id="receiver-title">
      <TermWord of="receiver">Receiver</TermWord>
      <span class="mono soft">{{ serialText(sight.serial) }}</span>
    </h2>
    <p class="caption soft">{{ sight.plugged ? 'in this computer' : 'not in this computer' }}</p>
    <ul aria-label="Paired with the receiver">
      <li v-for="device in paired" :key="device.id">
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
      <li v-if="paired.length === 0" class="soft">No device is paired with it.</li>
    </ul>
    <p v-if="ways.length" class="soft">
      To pair a device, set its switch to 2.4 GHz and hold its input until the light flashes blue:
      {{ ways.join('; ') }}. With the switch on Bluetooth it pairs with a computer.
    </p>
  </section>
</template>

<style scoped>
.receiver {
  display: grid;
  align-items: baseline;
  padding: 14px 18px;
  border: 1px solid var(--line-strong);
  border-radius: 8px;
  margin-top: 14px;
  gap: 4px 28px;
  grid-template-columns: auto minmax(160px, 260px) minmax(0, 1fr);
}

.receiver > .caption {
  grid-row: 2;
  grid-column: 1;
}

ul {
  padding: 0;
  margin: 0;
  grid-row: 1 / 3;
  list-style: none;
}

li {
  display: flex;
  align-items: center;
  justify-content: space-between;
}

.receiver > p:last-child:not(.caption) {
  grid-row: 1 / 3;
}

@media (width < 900px) {
  .receiver {
    grid-template-columns: minmax(0, 1fr);
  }

  .receiver > * {
    grid-row: auto;
    grid-column: 1;
  }
}
</style>
