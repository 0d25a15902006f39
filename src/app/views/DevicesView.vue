<script setup lang="ts">
import { useDevices } from '../stores/devices'
import DeviceCard from '../parts/DeviceCard.vue'

/** Which devices are here, how they are connected, and what each of their slots holds. */
const devices = useDevices()
</script>

<template>
  <div class="devices">
    <header>
      <h1>Devices</h1>
      <p class="soft">What is here, how it is connected, and what its own memory holds.</p>
    </header>
    <DeviceCard v-for="device in devices.list" :key="device.id" :device="device" />
    <div v-if="devices.ready && devices.list.length === 0" class="none sheet">
      <h2>No device is here</h2>
      <p class="soft">
        Connect one by cable or receiver. You can work on profiles meanwhile; they are kept in this browser.
      </p>
      <RouterLink class="button strong" to="/library">Open the library</RouterLink>
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
  margin-bottom: 16px;
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
