<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import DeviceCard from './DeviceCard.vue'
import DevicesNav from './DevicesNav.vue'
import DeviceTab from './DeviceTab.vue'
import { useDevices } from '../stores/devices'

/** Which devices are here, how they are connected, and what each of their slots holds. */
const devices = useDevices()
const route = useRoute()
const chosen = computed(
  () => devices.list.find(({ model }) => model.id === route.query.device) ?? devices.list[0],
)
</script>

<template>
  <div class="devices">
    <header>
      <div>
        <h1>Devices</h1>
        <p class="soft">What is here, how it is connected, and what its own memory holds.</p>
      </div>
      <DevicesNav />
    </header>
    <nav v-if="devices.list.length > 1" class="all" aria-label="All devices">
      <DeviceTab
        v-for="device in devices.list"
        :key="device.id"
        :device="device"
        :chosen="device.id === chosen?.id"
      />
    </nav>
    <DeviceCard v-if="chosen" :key="chosen.id" :device="chosen" />
    <div v-if="devices.ready && devices.list.length === 0" class="none sheet">
      <h2>No device is here</h2>
      <p class="soft">
        Connect one by cable or receiver. You can work on profiles meanwhile; they are kept in this browser.
      </p>
      <v-btn variant="flat" color="ink" to="/library">Open the library</v-btn>
    </div>
    <p v-else-if="!devices.ready" class="soft">Looking for devices…</p>
  </div>
</template>

<style scoped>
.devices {
  padding: 22px 28px;
  overflow: auto;
}

header {
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  justify-content: space-between;
  margin-bottom: 14px;
  gap: 8px;
}

.all {
  display: grid;
  gap: 10px;
  margin-bottom: 14px;
  grid-template-columns: repeat(auto-fit, minmax(220px, 1fr));
}

.none {
  display: grid;
  gap: 10px;
  padding: 48px;
  border: 1px dashed var(--line-strong);
  border-radius: 8px;
  justify-items: center;
}
</style>
