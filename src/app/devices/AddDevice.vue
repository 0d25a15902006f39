<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { mdiPlus } from '@mdi/js'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { DEVICE_MODELS } from '../../core/device/models'
import { useCommands } from '../shared/commands'
import { useDevices } from '../stores/devices'

/** Adds another simulated device of any model. */
const devices = useDevices()
const router = useRouter()
const open = ref(false)
useCommands({ 'device.add': () => (open.value = true) })

async function add(modelId: string): Promise<void> {
  const id = await devices.add(modelId)
  if (id) await router.push({ path: '/devices', query: { device: id } })
}
</script>

<template>
  <v-menu v-model="open">
    <template #activator="{ props: activator }">
      <v-btn v-bind="activator" variant="text" :prepend-icon="mdiPlus" :disabled="!devices.simulator">
        {{ t('devices.addADevice') }}
      </v-btn>
    </template>
    <v-list role="menu" :aria-label="t('devices.deviceModelToSimulate')">
      <v-list-item
        v-for="{ id, name, summary } in DEVICE_MODELS"
        :key="id"
        role="menuitem"
        :title="name"
        :subtitle="textOf(summary)"
        @click="add(id)"
      />
    </v-list>
  </v-menu>
</template>
