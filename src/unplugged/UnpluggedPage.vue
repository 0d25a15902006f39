<script setup lang="ts">
import { errorText } from '../look/error-text'
import { t } from '../messages/page'
import { onMounted, onScopeDispose, shallowRef } from 'vue'
import { modelById } from '../core/device/models'
import type { DeviceModel } from '../core/device/model'
import { connectSimulator, listenToSimulator, type SimulatorClient } from '../simulator/client'
import type { DeviceEntry } from '../simulator/api'
import FaultBar from '../faults/FaultBar.vue'
import { shownFault } from '../faults/faults'
import TitleTooltip from '../look/TitleTooltip.vue'
import DeskView from './DeskView.vue'

/** A computer without Unisera: the device does everything on this page by itself. */

const simulator = shallowRef<SimulatorClient>()
const seats = shallowRef<{ entry: DeviceEntry; model: DeviceModel }[]>([])
const failure = shallowRef<string>()

/** The devices on the desk, and their names. */
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
    failure.value = errorText(error)
  }
})
</script>

<template>
  <div class="page flex min-h-[100vh] flex-col">
    <header class="flex flex-wrap items-center gap-x-3 gap-y-2 bg-rail px-5 py-2.5 text-rail-ink">
      <img src="/mark.svg" alt="" width="26" height="26" />
      <h1 class="text-[1.2rem] text-bright">{{ t('unplugged.unplugged') }}</h1>
      <p class="flex-1">
        {{ t('unplugged.aComputerWithNothingInstalledIt') }}
      </p>
      <v-btn variant="tonal" href="/">{{ t('unplugged.openUnisera') }}</v-btn>
    </header>
    <v-alert v-if="failure">
      {{ t('unplugged.theSimulatedDevicesCannotBeReached', { problem: failure }) }}
    </v-alert>
    <TitleTooltip />
    <FaultBar v-if="shownFault" />
    <DeskView
      v-if="simulator"
      :key="seats.map(({ entry }) => entry.id).join()"
      :simulator="simulator"
      :seats="seats"
    />
  </div>
</template>
