<template>
  <nav class="ways" aria-label="Ways to see the devices">
    <!-- Which device is chosen stands in its query. -->
    <v-btn to="/devices" :active="$route.path === '/devices'">One by one</v-btn>
    <v-btn to="/devices/slots">All slots</v-btn>
    <v-btn to="/devices/rules">App rules</v-btn>
  </nav>
</template>

<style scoped>
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}

.ways .v-btn--active {
  background: var(--ink);
  color: var(--paper);
}
</style>
