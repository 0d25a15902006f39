<script setup lang="ts">
import { t } from '../../messages/page'
</script>

<template>
  <nav class="ways flex flex-wrap gap-1" :aria-label="t('devices.deviceViews')">
    <!-- Which device is chosen stands in its query. -->
    <v-btn to="/devices" :active="$route.path === '/devices'">{{ t('devices.oneDevice') }}</v-btn>
    <v-btn to="/devices/slots">{{ t('devices.allSlots') }}</v-btn>
    <v-btn to="/devices/rules">{{ t('devices.appRules') }}</v-btn>
  </nav>
</template>

<style scoped>
.ways .v-btn--active {
  background: var(--ink);
  color: var(--paper);
}
</style>
