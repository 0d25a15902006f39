<template>
  <nav class="ways" aria-label="Ways to see the devices">
    <v-btn to="/devices" exact>One by one</v-btn>
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
