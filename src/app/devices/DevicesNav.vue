<template>
  <nav class="ways flex flex-wrap gap-1" aria-label="Ways to see the devices">
    <!-- Which device is chosen stands in its query. -->
    <v-btn to="/devices" :active="$route.path === '/devices'">One by one</v-btn>
    <v-btn to="/devices/slots">All slots</v-btn>
    <v-btn to="/devices/rules">App rules</v-btn>
  </nav>
</template>

<style scoped>
.ways .v-btn--active {
  background: var(--ink);
  color: var(--paper);
}
</style>
