<script setup lang="ts">
import { t } from '../../messages/page'
import { computed, defineAsyncComponent } from 'vue'
import { useRoute } from 'vue-router'
import { MAX_DEVICES } from '../../simulator/api'
import DeviceCard from './DeviceCard.vue'
import DevicesNav from './DevicesNav.vue'
import DeviceTab from './DeviceTab.vue'
import { useDevices } from '../stores/devices'

/** Below the first screen, or rarely shown. */
const AddDevice = defineAsyncComponent(() => import('./AddDevice.vue'))
const NoDevice = defineAsyncComponent(() => import('./NoDevice.vue'))
const ReceiverPanel = defineAsyncComponent(() => import('./ReceiverPanel.vue'))

/** All devices, their connections, and the contents of their slots. */
const devices = useDevices()
const route = useRoute()
const chosen = computed(
  () =>
    devices.list.find(({ id }) => id === route.query.device) ??
    devices.list.find(({ model }) => model.id === route.query.device) ??
    devices.list[0],
)
</script>

<template>
  <div class="overflow-auto px-7 py-5.5">
    <header class="mb-3.5 flex flex-wrap items-end gap-2">
      <div>
        <h1>{{ t('devices.devices') }}</h1>
        <p class="soft">{{ t('devices.connectedDevicesAndTheContentsOf') }}</p>
      </div>
      <v-spacer />
      <AddDevice v-if="devices.list.length > 0 && devices.list.length < MAX_DEVICES" />
      <DevicesNav />
    </header>
    <nav
      v-if="devices.list.length > 1"
      class="mb-3.5 grid grid-cols-[repeat(auto-fit,minmax(220px,1fr))] gap-2.5"
      :aria-label="t('devices.allDevices')"
    >
      <DeviceTab
        v-for="device in devices.list"
        :key="device.id"
        :device="device"
        :chosen="device.id === chosen?.id"
      />
    </nav>
    <DeviceCard v-if="chosen" :key="chosen.id" :device="chosen" />
    <ReceiverPanel v-if="chosen" />
    <NoDevice v-if="devices.ready && devices.list.length === 0" />
    <p v-else-if="!devices.ready" class="soft">{{ t('devices.lookingForDevices') }}</p>
  </div>
</template>
