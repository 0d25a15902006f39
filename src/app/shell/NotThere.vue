<script setup lang="ts">
/** An address that has no view: said, with the ways on; nothing is guessed from it. */
</script>

<template>
  <div class="not-there">
    <h1>There is nothing at this address</h1>
    <p class="soft">
      <span class="mono address">{{ $route.path }}</span> is no view of Unisera. What it was about may have
      another address by now; <kbd>Ctrl K</kbd> finds any profile, input or setting. Nothing was changed.
    </p>
    <div class="acts">
      <v-btn variant="flat" color="ink" to="/devices">Devices</v-btn>
      <v-btn to="/library">Library</v-btn>
    </div>
  </div>
</template>

<style scoped>
.not-there {
  display: grid;
  max-width: 620px;
  align-content: center;
  padding: 28px;
  margin: auto;
  gap: 12px;
}

.acts {
  display: flex;
  gap: 8px;
}

.address {
  overflow-wrap: anywhere;
}
</style>
