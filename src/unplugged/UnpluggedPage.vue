<script setup lang="ts">
import { onMounted, onScopeDispose, shallowRef } from 'vue'
import { modelById } from '../core/device/models'
import type { DeviceModel } from '../core/device/model'
import { connectSimulator, listenToSimulator, type SimulatorClient } from '../simulator/client'
import type { DeviceEntry } from '../simulator/face'
import TheDesk from './TheDesk.vue'

/** A computer without Unisera: whatever happens here, the device does by itself. */

const simulator = shallowRef<SimulatorClient>()
const seats = shallowRef<{ entry: DeviceEntry; model: DeviceModel }[]>([])
const failure = shallowRef<string>()

/** Which devices are on the desk, and what they say they are called. */
async function lookAtDesk(client: SimulatorClient): Promise<void> {
  const entries = await client.devices()
  seats.value = entries.flatMap((entry) => {
    const model = modelById(entry.modelId)
    return model ? [{ entry, model }] : []
  })
}
let stop = () => {}
onScopeDispose(() => stop())

onMounted(async () => {
  try {
    const client = connectSimulator()
    await lookAtDesk(client)
    simulator.value = client
    stop = listenToSimulator(({ kind }) => kind === 'desk' && void lookAtDesk(client))
  } catch (error) {
    failure.value = error instanceof Error ? error.message : String(error)
  }
})
</script>

<template>
  <div class="page">
    <header>
      <img src="/mark.svg" alt="" width="26" height="26" />
      <h1>Unplugged</h1>
      <p>
        A computer with nothing installed. All it knows of the device is what comes over the wire, unless the
        helper for app rules is switched on.
      </p>
      <v-btn variant="tonal" href="/">To Unisera</v-btn>
    </header>
    <p v-if="failure" class="failure" role="alert">The simulated devices cannot be reached: {{ failure }}</p>
    <TheDesk
      v-if="simulator"
      :key="seats.map(({ entry }) => entry.id).join()"
      :simulator="simulator"
      :seats="seats"
    />
  </div>
</template>

<style scoped>
.page {
  display: flex;
  min-height: 100vh;
  flex-direction: column;
}

header {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 12px;
  padding: 10px 20px;
  background: var(--rail);
  color: var(--rail-ink);
}

h1 {
  color: #fff;
  font-size: 1.2rem;
}

header p {
  flex: 1;
}

.failure {
  padding: 10px 20px;
  background: var(--pending-wash);
  color: var(--pending);
}
</style>
